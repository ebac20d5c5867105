import { byStep, example, kilos, prepared, soupOf } from '../../spec/pots.js';
import { PARAMETERS } from '../kit/index.js';
import { moved, run, type PreparedSoup } from '../runner/index.js';
import { normalBelow } from '../numbers/index.js';
import { drawsFrom, oddsOf, outcomesOf, sampleInputs, unsureOf } from './index.js';

/** Salt and water weighed out and ladled: everything in it is linear, so its odds have a closed form. */
const linear = prepared(
  soupOf(
    [kilos('carrot', 'carrot', 2, { way: 'peeled' }), kilos('water', 'water', 4)],
    [
      { id: 'trim', op: 'trim', uses: [{ line: 'carrot' }] },
      { id: 'water', op: 'add', uses: [{ line: 'water' }] },
    ],
  ),
);

describe('draws', () => {
  it('are standard normal: mean, spread and tails against the distribution', () => {
    const { normal } = drawsFrom(7);
    const n = 40_000;
    const values = Array.from({ length: n }, normal);
    const mean = values.reduce((sum, x) => sum + x, 0) / n;
    const variance = values.reduce((sum, x) => sum + x * x, 0) / n;
    // Sampling errors: 1 / sqrt(n) = 0.005, sqrt(2 / n) = 0.0071; four of each.
    expect(Math.abs(mean)).toBeLessThan(0.02);
    expect(Math.abs(variance - 1)).toBeLessThan(0.03);
    for (const x of [-1.6449, -0.6745, 0, 1, 1.6449]) {
      const below = values.filter((value) => value < x).length / n;
      expect(Math.abs(below - normalBelow(x))).toBeLessThan(0.011);
    }
    // 5, 25, 50 and 95 per cent, by the tables.
    expect([-1.6449, -0.6745, 0, 1.6449].map((x) => normalBelow(x).toFixed(3))).toEqual(['0.050', '0.250', '0.500', '0.950']);
  });

  it('move a share on the logit and all else on the log', () => {
    // Odds of 0.8 are 4; times e^1 10.873; share 0.9158.
    expect(moved(0.8, 'logit', 1)).toBeCloseTo(0.9158, 4);
    expect(moved(2, 'log', Math.log(3))).toBeCloseTo(6, 12);
    expect(moved(1, 'logit', 5)).toBe(1);
  });
});

describe('odds', () => {
  it('of a linear soup follow their closed form', () => {
    // Served = 2 m1 k + 4 m2: k = 0.79 +- 0.03 (peeled carrot), m lognormal 0.015. To first order
    // mean 5.58 kg, variance (2 x 0.03)^2 + (1.58 x 0.015)^2 + (4 x 0.015)^2 = 0.0036 + 0.00056 + 0.0036 = 0.00776; sd 0.0881.
    const { bands } = oddsOf(linear, 1, { seed: 3, samples: 6000, held: 'amounts' });
    expect(bands.servedKg.mean).toBeCloseTo(5.58, 2);
    expect(Math.abs(bands.servedKg.sd / 0.0881 - 1)).toBeLessThan(0.04);
    // Percentiles of the normal: 1.6449 sd each way, within the sampling error of a 5 % point, 0.0881 x 0.027.
    expect(Math.abs(bands.servedKg.p5 - (5.58 - 1.6449 * 0.0881))).toBeLessThan(0.012);
    expect(Math.abs(bands.servedKg.p95 - (5.58 + 1.6449 * 0.0881))).toBeLessThan(0.012);
  });

  it('name what matters, by its share of the variance: trim 46 %, water 46 %, carrot 7 %', () => {
    const { matters } = oddsOf(linear, 1, { seed: 3, samples: 6000, held: 'amounts' });
    const served = matters.filter(({ outcome }) => outcome === 'servedKg');
    const share = (key: string): number => served.find((one) => one.key === key)?.share ?? 0;
    expect(Math.abs(share('trim:carrot') - 0.464)).toBeLessThan(0.05);
    expect(Math.abs(share('measured:water') - 0.464)).toBeLessThan(0.05);
    expect(Math.abs(share('measured:carrot') - 0.072)).toBeLessThan(0.03);
    expect(served.length).toBe(3);
  });

  it('are the same for the same seed, and others for another', () => {
    const leek = prepared(example('leek-potato'));
    const request = { seed: 11, samples: 60, held: 'amounts' } as const;
    expect(oddsOf(leek, 3, request)).toEqual(oddsOf(leek, 3, request));
    expect(oddsOf(leek, 3, { ...request, seed: 12 }).bands.bowls.p50).not.toBe(oddsOf(leek, 3, request).bands.bowls.p50);
  });

  it('90 % bands hold the truth in 85 to 95 of 100 kitchens drawn from the model’s own spreads', () => {
    const leek = prepared(example('leek-potato'));
    const { bands } = oddsOf(leek, 3, { seed: 5, samples: 800, held: 'amounts' });
    const planned = run(leek, 3);
    const held = new Map(
      planned.records.flatMap(({ step, counts }) =>
        ['season', 'thin'].includes(step.op) && counts?.settledKg !== undefined ? [[step.id, counts.settledKg] as const] : [],
      ),
    );
    const draws = drawsFrom(99);
    const { inputs: unsure } = unsureOf(leek);
    let hits = 0;
    for (let n = 0; n < 100; n++) {
      const truth = sampleInputs(leek, unsure, unsure.map(draws.normal));
      const { bowls } = outcomesOf(truth, run(truth, 3, held));
      if (bowls >= bands.bowls.p5 && bowls <= bands.bowls.p95) hits += 1;
    }
    expect(hits).toBeGreaterThanOrEqual(85);
    expect(hits).toBeLessThanOrEqual(95);
  });

  it('hold what is held: with body held bowls vary, with bowls held the body does', () => {
    const leek = prepared(example('leek-potato'));
    const of = (held: 'body' | 'bowls'): ReturnType<typeof oddsOf>['bands'] =>
      oddsOf(leek, 3, { seed: 2, samples: 250, held }).bands;
    const body = of('body');
    const bowls = of('bowls');
    // Not nothing: what is thinner than wanted before it is let down stays so.
    expect(body.bodyMPas.sd / body.bodyMPas.mean).toBeLessThan(0.15);
    expect(bowls.bowls.sd / bowls.bowls.mean).toBeLessThan(0.005);
    // ln body 0.4 is 16 % of the yield: 0.4 / 2.5.
    expect(body.bowls.sd / body.bowls.mean).toBeGreaterThan(0.1);
    expect(body.bowls.sd / body.bowls.mean).toBeLessThan(0.25);
    expect(bowls.bodyMPas.sd / bowls.bodyMPas.mean).toBeGreaterThan(0.25);
  });

  it('say that the amounts were held where there is nothing else to hold by', () => {
    expect(oddsOf(linear, 1, { seed: 1, samples: 30, held: 'bowls' }).held).toBe('amounts');
    expect(oddsOf(linear, 1, { seed: 1, samples: 30, held: 'body' }).held).toBe('amounts');
    expect(oddsOf(prepared(example('leek-potato')), 3, { seed: 1, samples: 20, held: 'body' }).held).toBe('body');
  });

  it('bowls with 90 % confidence are fewer than with 50 %, and whole', () => {
    const { bowls, bands } = oddsOf(prepared(example('leek-potato')), 3, { seed: 2, samples: 250, held: 'amounts' });
    expect(bowls.with90).toBeLessThan(bowls.with50);
    expect(bowls.with50).toBe(Math.floor(bands.bowls.p50));
    expect(Number.isInteger(bowls.with90)).toBeTrue();
  });

  it('can be stopped, and answers with what there is', () => {
    const shares: number[] = [];
    const odds = oddsOf(linear, 1, { seed: 1, samples: 5000, held: 'amounts' }, (share) => {
      shares.push(share);
      return shares.length < 3;
    });
    expect(odds.samples).toBe(768);
    expect(shares.length).toBe(3);
  });

  it('the spread of body that the kitchen’s figure stands for is 0.4 in ln', () => {
    expect(Math.hypot(PARAMETERS.bodyA.bias, PARAMETERS.bodyA.noise)).toBeCloseTo(0.4, 3);
  });

  it('where only the salt is measured out by hand, only its grams vary, and nothing else matters', () => {
    const still: PreparedSoup = prepared(
      soupOf(
        [byStep('salt', 'fine-salt'), kilos('water', 'water', 3)],
        [
          { id: 'w', op: 'add', uses: [{ line: 'water', kg: 3 }] },
          { id: 's', op: 'season', line: 'salt', saltPct: 0.8 },
        ],
      ),
    );
    const { bands, matters } = oddsOf(still, 1, { seed: 1, samples: 50, held: 'amounts' });
    // 24 g of salt to 1.5 %: 0.36 g.
    expect(bands.servedKg.sd * 1000).toBeGreaterThan(0.2);
    expect(bands.servedKg.sd * 1000).toBeLessThan(0.6);
    expect(matters.filter(({ outcome }) => outcome === 'servedKg')).toEqual([]);
    const [most] = matters.filter(({ outcome }) => outcome === 'saltPct');
    expect(most?.key).toBe('measured:salt');
    expect(most?.share).toBeGreaterThan(0.9);
  });
});
