import fc from 'fast-check';
import {
  NOTHING,
  boiledOffKg,
  cooledFor,
  heated,
  instrument,
  massOf,
  pouredTogether,
  saltPctOf,
  stiffenedTo,
  stirredIn,
  takenOut,
  thicknessOf,
  type Boil,
  type SimulatedPot,
} from './index.js';

const POT: SimulatedPot = { ...NOTHING, waterKg: 9, solidsKg: 0.4, saltKg: 0.07, thinKg: 0.53, tempC: 60, stiffness: 1 };

const kg = (most: number) => fc.double({ min: 0.001, max: most, noNaN: true });
const somePot: fc.Arbitrary<SimulatedPot> = fc.record({
  waterKg: kg(40),
  solidsKg: kg(4),
  saltKg: kg(0.5),
  thinKg: kg(4),
  acidKg: kg(0.2),
  sugarsKg: kg(1),
  fatKg: kg(1),
  tempC: fc.double({ min: 5, max: 100, noNaN: true }),
  stiffness: fc.double({ min: 0.1, max: 10, noNaN: true }),
});

/** Joules above 0 °C by hand: water 4.18, all else 1.8 kJ/(kg K). */
function joules({ waterKg, solidsKg, saltKg, thinKg, tempC }: SimulatedPot): number {
  return (waterKg * 4180 + (solidsKg + saltKg + thinKg) * 1800) * tempC;
}

describe('the balance of a simulated pot', () => {
  it('pouring two together loses no gram of anything and no heat', () => {
    fc.assert(
      fc.property(somePot, somePot, (a, b) => {
        const both = pouredTogether(a, b);
        for (const of of ['waterKg', 'solidsKg', 'saltKg', 'thinKg', 'acidKg', 'sugarsKg', 'fatKg'] as const)
          expect(both[of] / (a[of] + b[of])).toBeCloseTo(1, 9);
        expect(joules(both) / (joules(a) + joules(b))).toBeCloseTo(1, 9);
        expect(massOf(pouredTogether(b, a)) / massOf(both)).toBeCloseTo(1, 9);
        expect(both.tempC).toBeGreaterThanOrEqual(Math.min(a.tempC, b.tempC) - 1e-9);
        expect(both.tempC).toBeLessThanOrEqual(Math.max(a.tempC, b.tempC) + 1e-9);
      }),
    );
  });

  it('what is stirred in is in it: kilos, salt and heat', () => {
    fc.assert(
      fc.property(somePot, kg(10), fc.double({ min: 0, max: 0.4, noNaN: true }), (pot, more, share) => {
        const after = stirredIn(pot, { kg: more, solidsShare: share, saltShare: share / 2, tempC: 20 });
        expect(massOf(after) / (massOf(pot) + more)).toBeCloseTo(1, 9);
        expect(after.saltKg - pot.saltKg).toBeCloseTo((more * share) / 2, 9);
        const added = { waterKg: more * (1 - 1.5 * share), solidsKg: more * share, saltKg: (more * share) / 2, thinKg: 0 };
        expect(joules(after) / (joules(pot) + joules({ ...NOTHING, ...added, tempC: 20 }))).toBeCloseTo(1, 9);
      }),
    );
  });

  it('what is ladled out is soup as it stands; more than there is leaves none', () => {
    fc.assert(
      fc.property(somePot, fc.double({ min: 0, max: 1, noNaN: true }), (pot, share) => {
        const left = takenOut(pot, share * massOf(pot));
        expect(massOf(left)).toBeCloseTo((1 - share) * massOf(pot), 9);
        if (share < 0.999) expect(saltPctOf(left)).toBeCloseTo(saltPctOf(pot), 9);
      }),
    );
    expect(massOf(takenOut(POT, 99))).toBe(0);
    const none = takenOut(POT, 99);
    expect(takenOut(none, 1)).toEqual(none);
    expect(stirredIn(none, { kg: 0, solidsShare: 0, saltShare: 0, tempC: 20 })).toEqual(none);
  });
});

describe('its heat', () => {
  it('warms by power less what the wall loses, by hand', () => {
    // 39,420 + 1,800 J/K is (9 x 4,180 + 1.0 x 1,800) = 39,420 J/K; 60 °C in a kitchen of 22 °C loses 6 x 38 = 228 W.
    const warmed = heated(POT, 2000, 60);
    expect(warmed.tempC).toBeCloseTo(60 + ((2000 - 228) * 60) / (9 * 4180 + 1 * 1800), 9);
    expect(massOf(warmed)).toBe(massOf(POT));
    // Without a flame it cools, and never below the kitchen.
    expect(heated(POT, 0, 600).tempC).toBeLessThan(60);
    expect(heated({ ...POT, tempC: 22.01 }, 0, 1e9).tempC).toBe(22);
  });

  it('at the boil the power that is left drives off water: 2,256.5 kJ a kilo at 100 °C (steam tables, IAPWS-IF97)', () => {
    const boiling = { ...POT, tempC: 100 };
    const after = heated(boiling, 3000, 600);
    const netJ = (3000 - 6 * (100 - 22)) * 600;
    expect(after.tempC).toBe(100);
    // The bench rounds the heat of boiling to 2,260 kJ: within 0.2 % of the table.
    expect((boiling.waterKg - after.waterKg) / (netJ / 2_256_500)).toBeCloseTo(1, 2);
    expect(after.saltKg).toBe(boiling.saltKg);
  });

  it('off the flame, under a lid that lets no steam out, it cools as a lumped body does: by hand, T = Ta + (T0 - Ta) exp(-hA t / C)', () => {
    const hot = { ...POT, tempC: 95 };
    const capacity = 9 * 4180 + (0.4 + 0.07 + 0.53) * 1800;
    for (const minutes of [1, 20, 90, 600]) {
      const byHand = 22 + (95 - 22) * Math.exp((-11 * 0.3 * minutes * 60) / capacity);
      expect(Math.abs(cooledFor(hot, { openM2: 0, wallM2: 0.3 }, minutes * 60).tempC - byHand))
        .withContext(`${String(minutes)} min`)
        .toBeLessThan(0.1);
    }
  });

  it('steaming, 7.5 kg in a pot of 28 cm go from 100 to 68 °C in half an hour to an hour, as an open face does', () => {
    const pot = { ...NOTHING, waterKg: 7, thinKg: 0.5, tempC: 100 };
    const openM2 = Math.PI * 0.14 ** 2;
    const faces = { openM2, wallM2: Math.PI * 0.28 * (0.0075 / openM2) };
    expect(cooledFor(pot, faces, 30 * 60).tempC).toBeGreaterThan(68);
    expect(cooledFor(pot, faces, 62 * 60).tempC).toBeLessThan(68);
    expect(cooledFor(pot, faces, 0)).toEqual(pot);
    // However long, never colder than the kitchen; an empty one has nothing to lose.
    expect(cooledFor(pot, faces, 1e7).tempC).toBe(22);
    expect(cooledFor(NOTHING, faces, 60)).toEqual(NOTHING);
  });

  it('a cook sets the flame by the bubbles: as far as the burner goes, less what the lid keeps in', () => {
    const boil: Boil = { areaM2: 0.1, powerW: 8000, vigour: 'steady', lid: 'off', minutes: 60 };
    const open = boiledOffKg(POT, boil);
    // 4,600 W/m2 on 0.1 m2 for an hour, over 2,260 kJ: 0.73 kg.
    expect(open).toBeCloseTo((460 * 3600) / 2_260_000, 9);
    const byVigour = (['bare', 'steady', 'lively', 'rolling'] as const).map((vigour) => boiledOffKg(POT, { ...boil, vigour }));
    expect(byVigour).toEqual([...byVigour].sort((a, b) => a - b));
    expect(boiledOffKg(POT, { ...boil, lid: 'on' })).toBeLessThan(boiledOffKg(POT, { ...boil, lid: 'ajar' }));
    expect(boiledOffKg(POT, { ...boil, lid: 'ajar' })).toBeLessThan(open);
    // A burner of 900 W keeps 900 - 468 W for the steam, whatever the cook would like.
    const rolling = boiledOffKg(POT, { ...boil, vigour: 'rolling', powerW: 900 });
    expect(rolling).toBeCloseTo(((900 - 468) * 3600) / 2_260_000, 9);
    expect(boiledOffKg(POT, { ...boil, powerW: 300 })).toBe(0);
    // What is thick is driven gently.
    const thick = stiffenedTo(POT, 3000, 100);
    expect(boiledOffKg(thick, boil)).toBeCloseTo(open / 2, 9);
  });
});

describe('its thickness', () => {
  it('rises with the share of solids, falls with heat, and is what it was stiffened to', () => {
    fc.assert(
      fc.property(somePot, fc.double({ min: 5, max: 5000, noNaN: true }), (pot, mPas) => {
        expect(thicknessOf(stiffenedTo(pot, mPas, 65), 65) / mPas).toBeCloseTo(1, 9);
        expect(thicknessOf(pot, 80)).toBeLessThan(thicknessOf(pot, 40));
        const thinner = stirredIn(pot, { kg: 1, solidsShare: 0, saltShare: 0, tempC: 20 });
        expect(thicknessOf(thinner, 65)).toBeLessThan(thicknessOf(pot, 65));
      }),
    );
  });
});

describe('an instrument', () => {
  /** Deviates that a spec chooses. */
  const deviates = (...values: number[]): (() => number) => {
    let n = 0;
    return () => values[n++] ?? 0;
  };

  it('is off for good by what was drawn once, and each time by a little more', () => {
    const scale = instrument({ biasSd: 0.01, noiseSd: 0.002, driftPerHour: 0 }, deviates(2, 0, 1, -1));
    expect(scale.read(10, 0)).toBeCloseTo(10 * Math.exp(0.02 + 0.002), 9);
    expect(scale.read(10, 0)).toBeCloseTo(10 * Math.exp(0.02 - 0.002), 9);
  });

  it('drifts by the hour since it was born', () => {
    const probe = instrument({ biasSd: 0, noiseSd: 0, driftPerHour: 0.01 }, deviates(0, 1), 1000);
    expect(probe.read(50, 1000)).toBe(50);
    expect(probe.read(50, 1000 + 7_200_000)).toBeCloseTo(50 * Math.exp(0.02), 9);
  });
});
