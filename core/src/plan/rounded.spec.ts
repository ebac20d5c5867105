import { READY_KITS } from '../kit/index.js';
import { LARDER_ROWS } from '../larder/index.js';
import { measuredBoilOff } from '../steps/index.js';
import { EXAMPLE_SOUPS, linesOf, walk, type Soup } from '../soup/index.js';
import { entriesOf } from '../../spec/entries.js';
import { foldBatch, writeBack } from '../batch/index.js';
import type { PreparedSoup } from '../runner/index.js';
import { UNITS } from '../units/index.js';
import { makePlan, planToBuy, pullList, rerun, roundedPull, type Planned } from './index.js';

const kit = READY_KITS.canteen;

function plan(soup: Soup, bowls: number): Planned {
  const planning = makePlan(soup, LARDER_ROWS, kit, { bowls, bowlG: 300, potId: 'boiler-40' });
  if (!planning.ok) throw new Error(planning.error.code);
  return planning.plan;
}

/** Whether a mass is a whole number of steps. */
function isWhole(kg: number, step: number): boolean {
  return Math.abs(kg / step - Math.round(kg / step)) < 1e-6;
}

describe('a pull list in what can be bought and measured', () => {
  it('counts whole pieces and weighs in steps of the scale, for every example', () => {
    for (const soup of EXAMPLE_SOUPS) {
      const pull = roundedPull(plan(soup, 60), 'metric');
      expect(pull.rows.length)
        .withContext(soup.id)
        .toBe(pullList(plan(soup, 60)).length);
      for (const row of pull.rows) {
        if (row.pieces === undefined) expect(isWhole(row.roundedKg, 0.0005)).withContext(`${soup.id} ${row.name}`).toBeTrue();
        else
          expect(Number.isInteger(row.pieces.count * 2))
            .withContext(`${soup.id} ${row.name}`)
            .toBeTrue();
        expect(row.roundedKg).withContext(`${soup.id} ${row.name}`).toBeGreaterThan(0);
      }
      expect(pull.figures.bowls / 60)
        .withContext(soup.id)
        .toBeCloseTo(1, 0.9);
      expect(pull.drift).withContext(soup.id).toBeLessThan(0.1);
    }
  });

  it('celeriac, leek and apple for sixty: apples whole, and the bowls of the rounded batch from a run of its own', () => {
    const soup = EXAMPLE_SOUPS.find(({ id }) => id === 'celeriac-leek-apple')!;
    const planned = plan(soup, 60);
    const pull = roundedPull(planned, 'metric');
    const apple = pull.rows.find(({ ingredient }) => ingredient === 'apple')!;
    // A large apple is 212 g without peel and core, 78 % of what is bought.
    expect(apple.roundedKg).toBeCloseTo((apple.pieces!.count * 0.212) / 0.78, 9);
    expect(apple.pieces!.size).toBe('large');
    expect(Math.abs(pull.figures.bowls - 60 * pull.factor)).toBeLessThan(0.6);
    expect(pull.figures.bowls).not.toBe(60);
  });

  it('what is on hand and what fits the pot are not passed by rounding', () => {
    const soup = EXAMPLE_SOUPS.find(({ id }) => id === 'beetroot-horseradish')!;
    for (const kg of [3.3, 7.77, 10, 12.34]) {
      const request = {
        bowls: 10,
        bowlG: 300,
        potId: 'boiler-98',
        anchors: [{ by: 'on hand', ingredient: 'beetroot', kg } as const],
      };
      const planning = makePlan(soup, LARDER_ROWS, kit, request);
      if (!planning.ok) throw new Error(planning.error.code);
      const beet = roundedPull(planning.plan, 'metric').rows.find(({ ingredient }) => ingredient === 'beetroot')!;
      expect(beet.roundedKg)
        .withContext(String(kg))
        .toBeLessThanOrEqual(kg + 1e-9);
      expect(beet.roundedKg)
        .withContext(String(kg))
        .toBeGreaterThan(kg * 0.94);
    }
    const full = makePlan(soup, LARDER_ROWS, kit, { bowls: 10, bowlG: 300, potId: 'boiler-40', anchors: [{ by: 'pot' }] });
    if (!full.ok) throw new Error(full.error.code);
    expect(roundedPull(full.plan, 'metric').factor).toBeLessThanOrEqual(1);
  });

  it('an American scale weighs in ounces', () => {
    const soup = EXAMPLE_SOUPS.find(({ id }) => id === 'celeriac-leek-apple')!;
    for (const row of roundedPull(plan(soup, 60), 'us').rows) {
      if (row.pieces === undefined)
        expect(isWhole(row.roundedKg, UNITS.oz.si / 10))
          .withContext(row.name)
          .toBeTrue();
    }
  });
});

describe('a plan in what can be bought', () => {
  const bought = (soup: Soup, bowls: number, potId: string): Planned | undefined => {
    const planning = planToBuy(soup, LARDER_ROWS, kit, { bowls, bowlG: soup.writtenFor.bowlG, potId });
    return planning.ok ? planning.plan : undefined;
  };

  it('its pull list is what is snapshotted and cooked, and the bowls asked for are all there', () => {
    let tried = 0;
    for (const soup of EXAMPLE_SOUPS) {
      for (const [bowls, potId] of [
        [6, 'saucepot-8'],
        [40, 'stockpot-20'],
        [150, 'boiler-98'],
      ] as const) {
        const plan = bought(soup, bowls, potId);
        if (plan === undefined) continue;
        tried += 1;
        const at = `${soup.id} for ${String(bowls)}`;
        const pull = roundedPull(plan, 'metric');
        const weighed = pull.rows.filter(({ lineIds }) => lineIds.every((id) => plan.snapshot.lineKg?.[id] !== undefined));
        expect(weighed.length).withContext(at).toBeGreaterThan(1);
        for (const row of weighed) {
          expect(row.roundedKg).withContext(`${at} ${row.name}`).toBeCloseTo(row.boughtKg, 9);
          const cooked = row.lineIds.reduce((sum, id) => sum + (plan.run.usedKg.get(id) ?? 0), 0);
          expect(cooked).withContext(`${at} ${row.name}`).toBeCloseTo(row.roundedKg, 9);
        }
        expect(plan.run.bowls)
          .withContext(at)
          .toBeGreaterThan(bowls - 0.05);
        expect(plan.run.bowls)
          .withContext(at)
          .toBeLessThan(bowls * 1.25);
        const again = rerun(JSON.parse(JSON.stringify(plan.snapshot)) as typeof plan.snapshot);
        expect([...again.run.usedKg])
          .withContext(at)
          .toEqual([...plan.run.usedKg]);
      }
    }
    expect(tried).toBe(3 * EXAMPLE_SOUPS.length);
  });

  it('a batch of it is put back into the card at the card’s own size, and a swap in it keeps its kilos', () => {
    const soup = EXAMPLE_SOUPS.find(({ id }) => id === 'celeriac-leek-apple')!;
    const plan = bought(soup, 40, 'stockpot-20')!;
    const leek = soup.lines.find(({ id }) => id === 'leek')!;
    const trim = walk(soup.root).find(({ step }) => linesOf(step).some(({ line }) => line === 'leek'))!.step;
    const usedKg = plan.run.usedKg.get('leek')!;
    const half = foldBatch(
      plan.snapshot,
      entriesOf([
        { kind: 'added', stepId: trim.id, line: 'leek', kg: usedKg / 2 },
        { kind: 'done', stepId: trim.id },
        ...walk(soup.root)
          .filter(({ step }) => step.id !== trim.id && linesOf(step).some(({ line }) => line === 'leek'))
          .map(({ step }) => ({ kind: 'done', stepId: step.id }) as const),
      ]),
    );
    const back = writeBack(half).find((one) => one.what === 'amount' && one.line === 'leek');
    const written = makePlan(soup, LARDER_ROWS, kit, {
      bowls: soup.writtenFor.bowls,
      bowlG: soup.writtenFor.bowlG,
      potId: 'saucepot-8',
    });
    if (back?.what !== 'amount' || !written.ok) throw new Error('Half of the leeks is another card.');
    expect(back.was / (written.plan.run.usedKg.get('leek')! / written.plan.snapshot.scale)).toBeCloseTo(1, 1);
    expect(back.is).toBeCloseTo(back.was / 2, 6);
    const onion = LARDER_ROWS.find(({ id }) => id === 'onion')!;
    const swapped = foldBatch(plan.snapshot, entriesOf([{ kind: 'swapped', line: leek.id, row: onion }]));
    const kept = (id: string, of: PreparedSoup): number => of.lines.find(({ line }) => line.id === id)!.line.keptShare;
    expect(swapped.run.usedKg.get('leek')! * kept('leek', swapped.prepared)).toBeCloseTo(usedKg * kept('leek', plan.prepared), 6);
  });

  it('half a vegetable is half, a can is a can', () => {
    for (const soup of EXAMPLE_SOUPS) {
      for (const { name, pieces } of roundedPull(bought(soup, 6, 'saucepot-8')!, 'metric').rows) {
        if (pieces === undefined || Number.isInteger(pieces.count)) continue;
        expect(pieces.size)
          .withContext(name)
          .not.toMatch(/can|carton|jar|pack/);
        expect(Number.isInteger(pieces.count * 2))
          .withContext(name)
          .toBeTrue();
      }
    }
  });
});

describe('two weighings', () => {
  const pot = kit.pots.find(({ id }) => id === 'boiler-40')!;

  it('of a 40 cm pot that lost what the rule says are the kitchen’s own rate, and half of it is half', () => {
    // 12 kg/(m2 h) over a floor of 0.125664 m2: 1.508 kg an hour.
    const of = (lostKg: number, minutes: number): number | undefined =>
      measuredBoilOff(pot, { beforeKg: 20, afterKg: 20 - lostKg, minutes, vigour: 'steady', lid: 'off' });
    expect(of(1.508, 60)).toBeCloseTo(1, 3);
    expect(of(0.754, 60)).toBeCloseTo(0.5, 3);
    expect(of(1.508, 30)).toBeCloseTo(2, 3);
    expect(of(0.01, 30)).toBeUndefined();
    expect(of(-1, 30)).toBeUndefined();
    expect(of(1, 0)).toBeUndefined();
  });

  it('that are stored change what the pot boils off', () => {
    const soup = EXAMPLE_SOUPS.find(({ id }) => id === 'celeriac-leek-apple')!;
    const dry = { ...kit, pots: kit.pots.map((own) => (own.id === 'boiler-40' ? { ...own, boilOff: 2 } : own)) };
    const stock = (own: typeof kit): number => {
      const planning = makePlan(soup, LARDER_ROWS, own, { bowls: 60, bowlG: 300, potId: 'boiler-40' });
      if (!planning.ok) throw new Error(planning.error.code);
      return [...planning.plan.run.usedKg.values()].reduce((sum, kg) => sum + kg, 0);
    };
    expect(stock(dry)).toBeGreaterThan(stock(kit) + 0.2);
  });
});
