import { READY_KITS } from '../kit/index.js';
import { LARDER_ROWS } from '../larder/index.js';
import { cautionSentence } from '../messages/index.js';
import { isForked } from '../larder/index.js';
import { EXAMPLE_SOUPS } from '../soup/index.js';
import { cautionsOf, figuresOf, planToBuy, potsFor, roundedPull, sharesOf, wholeShares, type Planned } from './index.js';

const kit = READY_KITS.canteen;

/** Every example at six bowls, forty and a hundred and fifty, in the pot that is proposed. */
const PLANS = EXAMPLE_SOUPS.flatMap((soup) =>
  [6, 40, 150].map((bowls): { at: string; bowls: number; plan: Planned } => {
    for (const { id } of potsFor(soup, kit)) {
      const planning = planToBuy(soup, LARDER_ROWS, kit, { bowls, bowlG: soup.writtenFor.bowlG, potId: id });
      if (planning.ok) return { at: `${soup.id} for ${String(bowls)}`, bowls, plan: planning.plan };
    }
    // What is cooked under pressure for more than the cooker holds goes into another pot, and is told so.
    const planning = planToBuy(soup, LARDER_ROWS, kit, { bowls, bowlG: soup.writtenFor.bowlG, potId: 'boiler-98' });
    if (!planning.ok) throw new Error(`${soup.id} for ${String(bowls)}: ${planning.error.code}`);
    return { at: `${soup.id} for ${String(bowls)}`, bowls, plan: planning.plan };
  }),
);

/** What would make a cook laugh, each line once found in a plan. */
describe('nothing in a plan would make a cook laugh', () => {
  it('no rest or cooling of a pot takes hours, and no soup takes the day', () => {
    for (const { at, bowls, plan } of PLANS) {
      for (const { step, minutes } of plan.run.records) {
        if (step.op === 'rest')
          expect(minutes)
            .withContext(`${at} ${step.id}`)
            .toBeLessThan(bowls > 100 ? 110 : 60);
        if (step.op === 'trim') continue;
        expect(minutes).withContext(`${at} ${step.id}`).toBeLessThan(240);
      }
      expect(plan.run.minutes / 60)
        .withContext(at)
        .toBeLessThan(bowls > 100 ? 6 : 4);
    }
  });

  it('no pan dries what its burner could not, and no oven takes a round for one tray', () => {
    for (const { at, plan } of PLANS) {
      const { vessel, kit: own } = plan.prepared;
      for (const { step, joules, minutes, counts, pot } of plan.run.records) {
        if (step.op === 'sweat' || step.op === 'fry') {
          expect(joules)
            .withContext(`${at} ${step.id}`)
            .toBeLessThanOrEqual(vessel.burnerW * vessel.efficiency * minutes * 60 + 1);
        }
        if (step.op !== 'roast' || (counts?.rounds ?? 1) < 2) continue;
        const each = (counts?.trays ?? 0) / (counts?.rounds ?? 1);
        expect(each)
          .withContext(`${at} ${step.id}`)
          .toBeGreaterThan(0.6 * (own.trays[0]?.count ?? 1));
        expect(pot.traysM2).withContext(`${at} ${step.id}`).toBeGreaterThan(0);
      }
    }
  });

  it('nothing is called hard that comes soft, and every caution names what it is about', () => {
    const nameOf = (id: string): string => id;
    for (const { at, plan } of PLANS) {
      for (const { caution } of cautionsOf(plan.prepared, plan.run)) {
        const sentence = cautionSentence(caution, nameOf, 'metric');
        expect(sentence)
          .withContext(at)
          .not.toMatch(/: \.|, ,|undefined|NaN/);
        if (caution.code !== 'NOT_TENDER') continue;
        for (const id of caution.lineIds) {
          const row = plan.prepared.lines.find(({ line }) => line.id === id)!.line.ingredient.row;
          expect(isForked(row)).withContext(`${at} ${id}`).toBeTrue();
        }
      }
      expect(cautionsOf(plan.prepared, plan.run).map(({ caution: { code } }) => code))
        .withContext(at)
        .not.toContain('BOILED_DRY');
    }
  });

  it('a pot of 45 kg and more is lifted by nobody', () => {
    for (const { at, plan } of PLANS) {
      const codes = plan.run.cautions.map(({ code }) => code);
      if (plan.run.peakKg + plan.prepared.vessel.tareKg < 45) continue;
      expect(codes).withContext(at).toContain('NEVER_LIFT');
      expect(codes).withContext(at).not.toContain('TWO_PEOPLE_LIFT');
    }
  });

  it('bowls of a share are whole and add up, and what is bought is what is cooked', () => {
    for (const { at, bowls, plan } of PLANS) {
      const shares = sharesOf(plan.run);
      expect(shares.reduce((sum, { whole }) => sum + whole, 0))
        .withContext(at)
        .toBe(Math.floor(plan.run.bowls + 0.05));
      expect(shares.every(({ whole, bowls: own }) => Math.abs(whole - own) < 1))
        .withContext(at)
        .toBeTrue();
      const pull = roundedPull(plan, 'metric');
      // A can is a can and a leaf a leaf, but no onion is twice what the soup wants.
      const most = plan.rounding!.lines.filter(({ label }) => !/^(can|carton|jar|pack|leaf|sprig|clove)/.test(label));
      for (const { lineId, drift } of most) {
        expect(Math.abs(Math.expm1(drift)))
          .withContext(`${at} ${lineId}`)
          .toBeLessThan(0.3);
      }
      expect(pull.figures.bowls).withContext(at).toBe(figuresOf(plan.prepared, plan.run).bowls);
      expect(pull.figures.bowls)
        .withContext(at)
        .toBeGreaterThan(bowls - 0.05);
    }
    expect(wholeShares([75, 18.75, 56.25])).toEqual([75, 19, 56]);
    expect(wholeShares([20.2, 19.97])).toEqual([20, 20]);
    expect(wholeShares([])).toEqual([]);
  });
});
