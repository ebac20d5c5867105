import fc from 'fast-check';
import { context, ingredient, line, potOf } from '../../spec/pots.js';
import { DEFAULT_PARAMETERS } from '../kit/index.js';
import { thickensOf } from '../larder/index.js';
import {
  bodyMPas,
  gelatinised,
  parcelKg,
  PULP_KG,
  parcelOf,
  withCarried,
  plusParcel,
  potOf as standing,
  priorMPas,
  solidsForBody,
  waterMPas,
  type Parcel,
  type PotState,
} from '../pot/index.js';
import { read } from '../steps/index.js';
import {
  BODY,
  SPOON_READINGS,
  UNREAD,
  bodyWord,
  sdOf,
  type Estimate,
  cupMm2S,
  evidenceOf,
  grainWord,
  observe,
  poolNuM2S,
  poolRadiusM,
  reduceKg,
  spoonMPas,
  type SpoonReading,
  syringeLevel,
  thickenKg,
  thinKg,
} from './index.js';

const A = DEFAULT_PARAMETERS.bodyA;

/** Tomato at a share of solids: its own solids scaled up, water the rest. */
function tomatoAt(solidsPct: number): Parcel {
  const { perKg } = ingredient('tomato');
  const solids = 1 - perKg[0];
  const times = solidsPct / 100 / solids;
  const mix = perKg.map((kg, n) => (n === 0 ? 1 - solidsPct / 100 : kg * times)) as unknown as Parcel['mix'];
  // Concentrates have been through a finisher: of their solids 16 % are fibre (food tables, from memory), none of it in skins.
  const fibre = (0.16 * solidsPct) / 100;
  return withCarried({ ...parcelOf(ingredient('tomato'), 1), mix }, PULP_KG, fibre * thickensOf(ingredient('tomato').row).pulp);
}

function blended(...parts: readonly Parcel[]): Parcel {
  return gelatinised(parts.reduce((sum, part) => plusParcel(sum, part)));
}

describe('the prior of body', () => {
  /**
   * Tomato concentrate at 32.2 °C, apparent viscosity at 50 1/s from K and n: Harper and El-Sahrigi (1965), in Steffe,
   * Rheological Methods, quoted from memory. K 50^(n - 1): 2.00 Pa·s^n x 50^-0.57 = 215 mPa·s and so on.
   */
  const CONCENTRATE = [
    [5.8, 45],
    [12.8, 215],
    [16, 367],
    [25, 1283],
    [30, 1788],
  ] as const;

  for (const [solids, mPas] of CONCENTRATE) {
    it(`has tomato of ${String(solids)} % solids within 35 % of ${String(mPas)} mPa·s`, () => {
      expect(Math.abs(priorMPas(tomatoAt(solids), 32.2, A) / mPas - 1)).toBeLessThan(0.35);
    });
  }

  it('has purées of one vegetable or fruit as they are measured: near 1 Pa·s at 25 °C, within a factor of three', () => {
    // Carrot, pumpkin, apple and pear purées at their natural solids: K 5 to 20 Pa·s^n, n 0.25 to 0.4, which is 0.4 to 1.3 Pa·s
    // at 50 1/s (tables of fruit and vegetable purées, from memory).
    for (const id of ['carrot', 'canned-pumpkin', 'apple', 'pear']) {
      const mPas = priorMPas(blended(parcelOf(ingredient(id), 1)), 25, A);
      expect(mPas).withContext(id).toBeGreaterThan(330);
      expect(mPas).withContext(id).toBeLessThan(3000);
    }
  });

  it('has milk near 2 mPa·s at 20 °C', () => {
    const milk = priorMPas(parcelOf(ingredient('milk'), 1), 20, A);
    expect(milk).toBeGreaterThan(1.6);
    expect(milk).toBeLessThan(2.6);
  });

  it('has water as the tables do: 1.002 mPa·s at 20 °C, 0.547 at 50, 0.282 at 100 (from memory), within 2 %', () => {
    for (const [t, mPas] of [
      [20, 1.002],
      [50, 0.547],
      [100, 0.282],
    ] as const) {
      expect(Math.abs(waterMPas(t) / mPas - 1)).toBeLessThan(0.02);
    }
  });

  it('has one, two, three tablespoons of flour to the cup of milk as thin, medium and thick sauce', () => {
    // The handbooks' white sauces: thin runs like cream, medium coats the spoon, thick holds its shape.
    const sauce = (spoons: number): number =>
      priorMPas(blended(parcelOf(ingredient('milk'), 0.244), parcelOf(ingredient('plain-flour'), 0.0078 * spoons)), 65, A);
    expect(bodyWord(sauce(1))).toBe('veils');
    expect(bodyWord(sauce(2))).toBe('coats');
    expect(bodyWord(sauce(3))).toBe('clings');
  });

  it('counts no raw starch: the same slurry cold gives hardly more than its serum', () => {
    const raw = plusParcel(parcelOf(ingredient('water'), 1), parcelOf(ingredient('cornflour'), 0.05));
    expect(priorMPas(raw, 65, A)).toBeLessThan(2);
    expect(priorMPas(gelatinised(raw), 65, A)).toBeGreaterThan(200);
  });

  it('thickens as it cools, by 10 kJ/mol: exp(1202.8 x (1/278.15 - 1/338.15)) = exp(0.7673) = 2.154 from 65 to 5 °C', () => {
    const soup = tomatoAt(12.8);
    const thick = (t: number): number => priorMPas(soup, t, A) - priorMPas(soup, t, 0);
    expect(thick(5) / thick(65)).toBeCloseTo(2.154, 3);
  });

  it('turns back into the solids that it takes', () => {
    // 14 x B^2.5 at 32 °C = 200 above a serum of 1: B = (200 / 14)^0.4 = e^(0.4 x 2.6593) = 2.897 %
    expect(solidsForBody(201, 1, 32, 14)).toBeCloseTo(2.897, 3);
    expect(solidsForBody(0.5, 1, 32, 14)).toBe(0);
  });
});

describe('readings', () => {
  it('drain cups follow ISO 2431 (from memory): 4 mm at 50 s, 1.37 x 50 - 200/50 = 64.5 mm2/s', () => {
    expect(cupMm2S(4, 50)).toBeCloseTo(64.5, 9);
    expect(cupMm2S(5, 60)).toBeCloseTo(3.28 * 60 - 220 / 60, 9);
    expect(cupMm2S(6, 40)).toBeCloseTo(6.9 * 40 - 570 / 40, 9);
  });

  it('a cup under 30 s only says thinner, over 100 s only thicker', () => {
    const at = (seconds: number): ReturnType<typeof evidenceOf> =>
      evidenceOf({ device: 'drain cup', cupMm: 4, seconds, tempC: 65 }, 1000);
    expect(at(20).low).toBe(Number.NEGATIVE_INFINITY);
    // 1.37 x 30 - 200/30 = 34.43 mm2/s x 1000 kg/m3 = 34.43 mPa·s
    expect(Math.exp(at(20).high)).toBeCloseTo(34.43, 2);
    expect(at(120).high).toBe(Number.POSITIVE_INFINITY);
    expect(at(50).low).toBe(at(50).high);
  });

  it('the words at the ends of the spoon are bounds: half-way to their neighbours, and no thinner pot is moved by "runs off"', () => {
    const end = (word: 'runs off' | 'stands'): ReturnType<typeof evidenceOf> =>
      evidenceOf({ device: 'spoon', word, tempC: 65 }, 1000);
    // The middle on the log scale of 12 and 60, and of 700 and 2200.
    expect(Math.exp(end('runs off').high)).toBeCloseTo(26.83, 2);
    expect(end('runs off').low).toBe(Number.NEGATIVE_INFINITY);
    expect(Math.exp(end('stands').low)).toBeCloseTo(1240.97, 2);
    expect(end('stands').high).toBe(Number.POSITIVE_INFINITY);
  });

  it('what lies between two words is the middle half of the way between them, and the words meet there', () => {
    const said = (word: SpoonReading): ReturnType<typeof evidenceOf> => evidenceOf({ device: 'spoon', word, tempC: 65 }, 1000);
    // ln 60 = 4.0943, ln 220 = 5.3936: a quarter of 1.2993 from either.
    expect(said('veils to coats').low).toBeCloseTo(4.0943 + 0.3248, 3);
    expect(said('veils to coats').high).toBeCloseTo(5.3936 - 0.3248, 3);
    expect(spoonMPas('veils to coats')).toBeCloseTo(114.89, 2);
    expect(said('veils').high).toBe(said('coats').low);
    expect(SPOON_READINGS.length).toBe(9);
    for (const reading of SPOON_READINGS) {
      expect(Math.log(spoonMPas(reading)))
        .withContext(reading)
        .toBeGreaterThanOrEqual(said(reading).low);
      expect(Math.log(spoonMPas(reading)))
        .withContext(reading)
        .toBeLessThanOrEqual(said(reading).high);
    }
  });

  it('a second look that says the same is hardly a second witness', () => {
    const look = { id: 'l', op: 'read', seen: { of: 'body', reading: { device: 'spoon', word: 'coats', tempC: 65 } } } as const;
    const soup = blendedPot();
    const once = read(soup, look, context([]));
    const twice = read(once.pot, look, context([], { estimate: once.estimate! }));
    const first = Math.abs(once.pot.bodyLn - soup.bodyLn);
    expect(Math.abs(twice.pot.bodyLn - once.pot.bodyLn)).toBeLessThan(0.2 * first);
    expect(sdOf(twice.estimate!, BODY)).toBeGreaterThan(0.85 * sdOf(once.estimate!, BODY));
  });

  it('each device is evidence with its own spread: a spoon 0.35 in ln by its words, a viscometer 0.1, a ring 0.5', () => {
    const of = (reading: Parameters<typeof evidenceOf>[0]): ReturnType<typeof evidenceOf> => evidenceOf(reading, 1000);
    const spread = ({ biasSd, noiseSd }: ReturnType<typeof evidenceOf>): number => Math.hypot(biasSd, noiseSd);
    const spoon = of({ device: 'spoon', word: 'coats', tempC: 60 });
    // Nearest of 60, 220 and 700: from 114.9 to 392.4; an even spread over that is 0.355 in ln, and the eye's own 0.2 beside it.
    expect(Math.exp(spoon.low)).toBeCloseTo(114.89, 2);
    expect(Math.exp(spoon.high)).toBeCloseTo(392.43, 2);
    expect((spoon.high - spoon.low) / Math.sqrt(12)).toBeCloseTo(0.355, 3);
    expect(spoon.tempC).toBe(60);
    expect(spread(spoon)).toBeCloseTo(0.2, 12);
    const meter = of({ device: 'viscometer', mPas: 300, tempC: 25 });
    expect(Math.exp(meter.low)).toBeCloseTo(300, 9);
    expect(spread(meter)).toBeCloseTo(0.1, 12);
    // Radius 100 mm: 9.81 x (50e-6)^3 x 60 / (3 x (0.1 / 0.894)^8) = 7.3575e-11 / (3 x 2.4506e-8) = 1.0008e-3 m2/s: 1001 mPa·s.
    const ring = of({ device: 'plate ring', radiusMm: 100, tempC: 65 });
    expect(Math.exp(ring.low)).toBeCloseTo(1001, 0);
    expect(spread(ring)).toBeCloseTo(0.5, 12);
  });

  it('a syringe bounds the body by the older US scale: 5 mL left is level 2, 51 to 350 mPa·s; 10 has no upper end', () => {
    const at = (leftMl: number): number[] => {
      const { low, high } = evidenceOf({ device: 'syringe', leftMl, tempC: 65 }, 1000);
      return [low, high].map((ln) => Math.round(Math.exp(ln)));
    };
    expect(at(5)).toEqual([51, 350]);
    expect(at(9)).toEqual([351, 1750]);
    expect(at(10)).toEqual([1751, Number.POSITIVE_INFINITY]);
    expect(at(0)).toEqual([0, 50]);
  });

  it('a pool spreads as Huppert (1982) says: 50 mL of 1e-4 m2/s for 60 s', () => {
    // (9.81 x 1.25e-13 x 60 / 3e-4)^(1/8) = (2.4525e-7)^(0.125) = 0.14918; x 0.894 = 0.1334 m
    expect(poolRadiusM(50e-6, 60, 1e-4)).toBeCloseTo(0.1334, 3);
    expect(poolNuM2S(50e-6, 60, poolRadiusM(50e-6, 60, 3.3e-4))).toBeCloseTo(3.3e-4, 12);
  });

  it('a syringe means a level: International Dysphagia Diet Standardisation Initiative (2019)', () => {
    expect([0, 0.9, 1, 3.9, 4, 7.9, 8, 9.9, 10].map(syringeLevel)).toEqual([0, 0, 1, 1, 2, 2, 3, 3, 4]);
  });

  it('has five words, nearest on the log scale, and words for grain', () => {
    expect([5, 60, 250, 700, 5000].map(bodyWord)).toEqual(['runs off', 'veils', 'coats', 'clings', 'stands']);
    expect([0.3e-3, 0.6e-3, 1.5e-3, 9e-3].map(grainWord)).toEqual(['silky', 'fine', 'coarse', 'in pieces']);
  });
});

/** A reading of ln body straight off, where the pot says `expected`; device of its own unless named. */
function seen(
  estimate: Estimate,
  value: number,
  device: string,
  { biasSd = 0.21, noiseSd = 0.28, expected = 0 }: { biasSd?: number; noiseSd?: number; expected?: number } = {},
): ReturnType<typeof observe> {
  return observe(estimate, { device, slopes: [0, 0, 1], expected, low: value, high: value, biasSd, noiseSd });
}

describe('the joint estimate', () => {
  it('a spoon 30 % over the prior moves it, by hand', () => {
    // Prior variance 0.16, spoon 0.21^2 + 0.28^2 = 0.1225: gain 0.16 / 0.2825 = 0.5664; ln 1.3 = 0.2624 -> 0.1486.
    const one = seen(UNREAD, Math.log(1.3), 'spoon');
    expect(one.moved[2]).toBeCloseTo(0.1486, 4);
    // d^2 = 0.2624^2 / 0.2825 = 0.2437: factor (3 + 0.2437) / 4 = 0.8109. Variance 0.16 (1 - 0.5664) = 0.06938.
    // Of the reading 0.16 / 0.2041 = 0.7839 tells of the body: 1 - 0.1891 x 0.7839 = 0.8518. sd = sqrt(0.0591) = 0.2431.
    expect(sdOf(one.estimate, BODY)).toBeCloseTo(0.2431, 4);
  });

  it('two that agree narrow it, two that disagree do not', () => {
    const first = seen(UNREAD, 0.3, 'spoon');
    const agree = seen(first.estimate, 0.32, 'viscometer', { biasSd: 0.06, noiseSd: 0.08, expected: first.moved[2] });
    expect(sdOf(agree.estimate, BODY)).toBeLessThan(sdOf(first.estimate, BODY));
    // The second is 2.5 sd off: sd of the difference sqrt(0.0591 + 0.1225) = 0.426, so 1.07 from the mean of 0.170.
    const apart = seen(first.estimate, 0.17 + 1.07, 'ring of the neighbour', { expected: first.moved[2] });
    expect(apart.questioned).toBeFalse();
    expect(sdOf(apart.estimate, BODY)).toBeGreaterThan(sdOf(first.estimate, BODY));
  });

  it('a wild one is questioned and moves nothing', () => {
    const first = seen(UNREAD, 0.1, 'spoon');
    const wild = seen(first.estimate, 3, 'viscometer', { biasSd: 0.06, noiseSd: 0.08, expected: first.moved[2] });
    expect(wild.questioned).toBeTrue();
    expect(wild.estimate).toBe(first.estimate);
  });

  it('readings of one device share its bias: ten of them tell less than ten of ten devices', () => {
    const many = (named: (n: number) => string): number => {
      let estimate: Estimate = UNREAD;
      for (let n = 0; n < 10; n++) ({ estimate } = seen(estimate, 0, named(n)));
      return sdOf(estimate, BODY);
    };
    expect(many(() => 'spoon')).toBeGreaterThan(1.5 * many((n) => `spoon ${String(n)}`));
  });

  it('a bound moves it only as far as it must, and never widens it', () => {
    const bound = (low: number, high: number): ReturnType<typeof observe> =>
      observe(UNREAD, { device: 'cup', slopes: [0, 0, 1], expected: 0, low, high, biasSd: 0.1, noiseSd: 0.1 });
    const thinner = bound(Number.NEGATIVE_INFINITY, -0.2);
    expect(thinner.moved[2]).toBeLessThan(-0.2);
    expect(sdOf(thinner.estimate, BODY)).toBeLessThan(0.4);
    // Half-normal below 0: mean -0.7979 sd; sd of the difference sqrt(0.16 + 0.02) = 0.42426, gain 0.16 / 0.18 = 0.8889.
    expect(bound(Number.NEGATIVE_INFINITY, 0).moved[2]).toBeCloseTo(-0.7979 * 0.42426 * 0.8889, 4);
    const nothingNew = bound(-3, 3);
    expect(nothingNew.moved[2]).toBeCloseTo(0, 6);
    expect(sdOf(nothingNew.estimate, BODY)).toBeCloseTo(0.4, 3);
  });

  it('a reading of the body 3 sd off is the edge: 2.99 is taken, 3.01 is not; a bound beyond it is questioned too', () => {
    // sd of the difference for a reading with noise 0.28 and bias 0.21: sqrt(0.16 + 0.0441 + 0.0784) = 0.53151.
    expect(seen(UNREAD, 2.99 * 0.53151, 'spoon').questioned).toBeFalse();
    expect(seen(UNREAD, 3.01 * 0.53151, 'spoon').questioned).toBeTrue();
    expect(seen(UNREAD, -2 * 0.53151, 'spoon').sds).toBeCloseTo(2, 3);
    const far = {
      device: 'cup',
      slopes: [0, 0, 1],
      expected: 0,
      low: 2,
      high: Number.POSITIVE_INFINITY,
      biasSd: 0.1,
      noiseSd: 0.1,
    } as const;
    expect(observe(UNREAD, far).questioned).toBeTrue();
    expect(observe(UNREAD, { ...far, low: 1 }).questioned).toBeFalse();
    expect(observe(UNREAD, { ...far, low: Number.NEGATIVE_INFINITY, high: -2 }).questioned).toBeTrue();
  });

  it('moves mass and salt by what it says of them: half of ln 1.04 for two equal doubts of the mass, nothing of the body', () => {
    const weighed = observe(UNREAD, {
      device: 'scale',
      slopes: [1, 0, 0],
      expected: 0,
      low: Math.log(1.04),
      high: Math.log(1.04),
      biasSd: 0,
      noiseSd: 0.05,
    });
    expect(weighed.moved[0]).toBeCloseTo(Math.log(1.04) / 2, 12);
    expect(weighed.moved[1]).toBe(0);
    expect(weighed.estimate.mean).toEqual([0, 0, 0, 0]);
    expect(sdOf(weighed.estimate, BODY)).toBeCloseTo(0.4, 12);
    expect(weighed.estimate.names).toEqual(['mass', 'salt', 'body', 'bias:scale']);
    const salt = observe(UNREAD, {
      device: 'meter',
      slopes: [-1, 1, 0],
      expected: 0,
      low: 0.1,
      high: 0.1,
      biasSd: 0,
      noiseSd: 0.05,
    });
    // Saltier than thought: less mass (0.0025), more salt (0.0036), over 0.0086 in all.
    expect(salt.moved[0]).toBeCloseTo((-0.1 * 0.0025) / 0.0086, 9);
    expect(salt.moved[1]).toBeCloseTo((0.1 * 0.0036) / 0.0086, 9);
  });

  it('is joint: a weighing that finds more in the pot also finds it thinner, and the salt weaker', () => {
    const soup = blendedPot();
    const weighed = read(soup, { id: 'r', op: 'read', seen: { of: 'mass', massKg: 10.6, sdKg: 0.1 } }, context([])).pot;
    expect(bodyMPas(weighed, 65, A)).toBeLessThan(bodyMPas(soup, 65, A));
    const viscous = read(
      soup,
      {
        id: 'b',
        op: 'read',
        seen: { of: 'body', reading: { device: 'viscometer', mPas: 0.8 * bodyMPas(soup, 65, A), tempC: 65 } },
      },
      context([]),
    ).pot;
    // Thinner than thought: some of that is put down to more water, the rest to the soup itself.
    expect(parcelKg(viscous.liquid)).toBeGreaterThan(parcelKg(soup.liquid));
    expect(viscous.bodyLn).toBeLessThan(0);
    const met = read(soup, { id: 's', op: 'read', seen: { of: 'salt', saltPct: 1, sdPct: 0.03 } }, context([])).pot;
    expect(met.liquid.mix[6]).toBeGreaterThan(soup.liquid.mix[6]);
  });
});

/** 10 kg of thin carrot purée with 0.8 % salt, blended. */
function blendedPot(): PotState {
  const liquid = blended(
    parcelOf(ingredient('carrot'), 4),
    parcelOf(ingredient('water'), 5.92),
    parcelOf(ingredient('fine-salt'), 0.08),
  );
  return standing(liquid, 65);
}

describe('a cup out of its range', () => {
  it('moves the body only to its bound and says so', () => {
    const soup = blendedPot();
    const by = (seconds: number): ReturnType<typeof read> =>
      read(
        soup,
        { id: 'c', op: 'read', seen: { of: 'body', reading: { device: 'drain cup', cupMm: 4, seconds, tempC: 65 } } },
        context([]),
      );
    expect(by(20).cautions).toEqual([{ code: 'READING_OUT_OF_RANGE', device: 'drain cup' }]);
    expect(by(40).cautions.map(({ code }) => code)).not.toContain('READING_OUT_OF_RANGE');
  });
});

describe('solves of body', () => {
  const soup = blendedPot();
  const now = bodyMPas(soup, 65, A);
  const water = parcelOf(ingredient('water'), 1);

  it('put back give their target within 1 %: thin, reduce, thicken', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 0.95, noNaN: true }), (share) => {
        const thin = thinKg(soup, water, now * share, 65, A);
        expect(thin.ok).toBeTrue();
        const thinned = { ...soup, liquid: plusParcel(soup.liquid, water, thin.ok ? thin.kg : Number.NaN) };
        expect(Math.abs(bodyMPas(thinned, 65, A) / (now * share) - 1)).toBeLessThan(0.01);

        const boil = reduceKg(soup, now / share, 65, A);
        const dried = { ...soup, liquid: plusParcel(soup.liquid, water, boil.ok ? -boil.kg : Number.NaN) };
        expect(Math.abs(bodyMPas(dried, 65, A) / (now / share) - 1)).toBeLessThan(0.01);

        const slurry = plusParcel(parcelOf(ingredient('cornflour'), 1 / 3), parcelOf(ingredient('water'), 2 / 3));
        const starch = thickenKg(soup, slurry, now / share, 65, A);
        const thick = { ...soup, liquid: plusParcel(soup.liquid, gelatinised(slurry), starch.ok ? starch.kg : Number.NaN) };
        expect(Math.abs(bodyMPas(thick, 65, A) / (now / share) - 1)).toBeLessThan(0.01);
      }),
      { numRuns: 40 },
    );
  });

  it('twice too thick needs about a third more: 2^(1/2.5) = 1.3195', () => {
    const half = thinKg(soup, water, now / 2, 65, A);
    expect(half.ok && half.kg / parcelKg(soup.liquid)).toBeCloseTo(0.32, 1);
  });

  it('a reading moves the next solve: read 30 % thicker, more water is wanted', () => {
    const thicker = read(
      soup,
      { id: 'b', op: 'read', seen: { of: 'body', reading: { device: 'viscometer', mPas: 1.3 * now, tempC: 65 } } },
      context([]),
    ).pot;
    const before = thinKg(soup, water, now / 2, 65, A);
    const after = thinKg(thicker, water, now / 2, 65, A);
    expect(before.ok && after.ok && after.kg > before.kg * 1.1).toBeTrue();
    expect(bodyMPas(thicker, 65, A) / now).toBeCloseTo(1.3, 1);
  });

  it('says when there is nothing to do from that side, and when nothing would do', () => {
    expect(thinKg(soup, water, now * 2, 65, A)).toEqual(jasmine.objectContaining({ ok: false, code: 'ALREADY_THINNER' }));
    expect(reduceKg(soup, now / 2, 65, A)).toEqual(jasmine.objectContaining({ ok: false, code: 'ALREADY_THICKER' }));
    expect(thickenKg(soup, water, now * 2, 65, A)).toEqual(jasmine.objectContaining({ ok: false, code: 'NOT_BY_THIS' }));
    expect(thinKg(potOf(line('water', 0)), water, 10, 65, A).ok).toBeFalse();
    expect(thinKg(soup, water, now, 65, A)).toEqual({ ok: true, kg: 0, bodyMPas: now });
  });
});
