import fc from 'fast-check';
import { LARDER_ROWS, makeLarder, type Mix } from '../larder/index.js';
import {
  EMPTY_POT,
  centreShare,
  diffusivityM2S,
  enthalpyJ,
  heatCapacityJK,
  joined,
  latentJKg,
  minutesToTender,
  parcelOf,
  potEnthalpyJ,
  potKg,
  ratePerMinute,
  soften,
  softeningDose,
  sugarThickens,
  temperatureC,
  volumeM3,
} from './index.js';

const WATER_KG: Mix = [1, 0, 0, 0, 0, 0, 0, 0, 0, 0];
const larder = makeLarder(LARDER_ROWS);
const carrot = larder.get('carrot')!;

const mixes = fc.tuple(
  ...Array.from({ length: 10 }, () => fc.double({ min: 0, max: 5, noNaN: true })),
) as unknown as fc.Arbitrary<Mix>;

describe('heat', () => {
  it('has water as the steam tables do: cp near 4.18 kJ/(kg K), latent heat 2256.5 kJ/kg at 100 °C and 2308 at 80 (from memory)', () => {
    for (const t of [20, 50, 80]) expect(Math.abs(heatCapacityJK(WATER_KG, t) / 4180 - 1)).toBeLessThan(0.01);
    expect(latentJKg(100) / 2_256_500).toBeCloseTo(1, 6);
    expect(latentJKg(80) / 2_308_000).toBeCloseTo(1, 6);
  });

  it('has the component properties of Choi and Okos (1986) at 50 °C, worked by hand', () => {
    // protein: 2008.2 + 1.2089 x 50 - 1.3129e-3 x 2500 = 2065.4; density 1329.9 - 0.5184 x 50 = 1303.98
    const protein: Mix = [0, 0, 1, 0, 0, 0, 0, 0, 0, 0];
    expect(heatCapacityJK(protein, 50)).toBeCloseTo(2065.4, 1);
    expect(volumeM3(protein, 50)).toBeCloseTo(1 / 1303.98, 9);
    // fat: 1984.2 + 1.4733 x 50 - 4.8008e-3 x 2500 = 2045.9; density 925.59 - 0.41757 x 50 = 904.71
    const fat: Mix = [0, 1, 0, 0, 0, 0, 0, 0, 0, 0];
    expect(heatCapacityJK(fat, 50)).toBeCloseTo(2045.9, 1);
    expect(volumeM3(fat, 50)).toBeCloseTo(1 / 904.71, 7);
    // starch counts as carbohydrate: 1548.8 + 98.125 - 14.85 = 1632.1
    expect(heatCapacityJK([0, 0, 0, 1, 0, 0, 0, 0, 0, 0], 50)).toBeCloseTo(1632.1, 1);
  });

  it('has brine as the tables do: 1071 kg/m3 at 10 % and 1148 at 20 % at 20 °C (from memory), within 1 %', () => {
    for (const [share, kgM3] of [
      [0.1, 1071],
      [0.2, 1148],
    ] as const) {
      const brine: Mix = [1 - share, 0, 0, 0, 0, 0, share, 0, 0, 0];
      expect(Math.abs(1 / volumeM3(brine, 20) / kgM3 - 1)).toBeLessThan(0.01);
    }
  });

  it('has syrups as the sucrose tables do: 1.94, 6.2 and 58 times water at 20, 40 and 60 % (from memory), within 12 %', () => {
    for (const [share, times] of [
      [0.2, 1.94],
      [0.4, 6.2],
      [0.6, 58],
    ] as const) {
      expect(Math.abs(sugarThickens(share, 20) / times - 1))
        .withContext(String(share))
        .toBeLessThan(0.12);
    }
    expect(sugarThickens(0.6, 60)).toBeLessThan(0.6 * sugarThickens(0.6, 20));
  });

  it('enthalpy is the integral of cp, and the temperature comes back from it', () => {
    fc.assert(
      fc.property(mixes, fc.double({ min: 0, max: 120, noNaN: true }), (mix, t) => {
        fc.pre(mix.some((kg) => kg > 1e-3));
        const slope = (enthalpyJ(mix, t + 0.01) - enthalpyJ(mix, t - 0.01)) / 0.02;
        expect(slope / heatCapacityJK(mix, t)).toBeCloseTo(1, 6);
        expect(temperatureC(mix, enthalpyJ(mix, t), 50)).toBeCloseTo(t, 8);
      }),
    );
  });

  it('conducts heat through carrot at about the published 1.4e-7 m2/s', () => {
    expect(diffusivityM2S(carrot.perKg, 40)).toBeGreaterThan(1.3e-7);
    expect(diffusivityM2S(carrot.perKg, 40)).toBeLessThan(1.6e-7);
  });

  it('mixing adds mass and enthalpy', () => {
    const hot = { ...EMPTY_POT, liquid: parcelOf(larder.get('vegetable-stock')!, 3), tempC: 95 };
    const cold = { ...EMPTY_POT, liquid: parcelOf(larder.get('double-cream')!, 0.5), tempC: 4 };
    const both = joined(hot, cold);
    expect(potKg(both)).toBeCloseTo(3.5, 12);
    expect(potEnthalpyJ(both) / (potEnthalpyJ(hot) + potEnthalpyJ(cold))).toBeCloseTo(1, 12);
    // 3 kg of nearly water (4.19) at 95 and 0.5 kg of cream (0.479 x 4.18 + 0.48 x 2.0 + 0.04 x 1.7 = 3.03) at 4:
    // (3 x 4.19 x 95 + 0.5 x 3.03 x 4) / (12.57 + 1.515) = 85.2
    expect(both.tempC).toBeCloseTo(85.2, 0);
  });
});

describe('conduction and softening', () => {
  it('follows the one-term solution late on: Incropera and DeWitt, tables, from memory', () => {
    // Slab, Bi to infinity: root pi/2, first coefficient 1.2732; at Fo 0.5: 1.2732 exp(-2.4674 x 0.5) = 0.3708.
    expect(centreShare('slab', 0.5)).toBeCloseTo(0.3708, 3);
    // A cube is the product of three slabs: 0.3708^3 = 0.05098.
    expect(centreShare('cube', 0.5)).toBeCloseTo(0.05098, 4);
    // Long cylinder: 1.6020 exp(-2.4048^2 x 0.4) = 1.6020 x 0.09894 = 0.1585.
    expect(centreShare('cylinder', 0.4)).toBeCloseTo(0.1585, 3);
  });

  it('softens at 0.25 a minute at 100 °C, and at 100 kJ/mol a tenth as fast some 25 K lower', () => {
    expect(ratePerMinute(100)).toBeCloseTo(0.25, 12);
    // exp(-(100000/8.314) (1/348.15 - 1/373.15)) = exp(-12028 x 1.9243e-4) = exp(-2.3146) = 0.0988
    expect(ratePerMinute(75) / 0.25).toBeCloseTo(0.0988, 3);
  });

  it('takes the kitchen-default minutes to tender, within a tenth: cubes 10, 11, 18, 30, a slab 29', () => {
    const heating = { fromC: 20, outerC: 100, pace: 1 };
    const minutes = (shape: 'cube' | 'slab', mm: number): number =>
      minutesToTender({ shape, sizeM: mm / 1000, mix: carrot.perKg, softening: 1 }, 0, heating) ?? Number.NaN;
    for (const [shape, mm, about] of [
      ['cube', 6, 10],
      ['cube', 12, 11],
      ['cube', 25, 18],
      ['cube', 40, 30],
      ['slab', 25, 29],
    ] as const) {
      expect(Math.abs(minutes(shape, mm) / about - 1))
        .withContext(`${shape} ${String(mm)} mm`)
        .toBeLessThan(0.1);
    }
  });

  it('integrates as a fine sum does', () => {
    const piece = { shape: 'cube', sizeM: 0.025, mix: carrot.perKg, softening: 1 } as const;
    const alpha = diffusivityM2S(carrot.perKg, 60);
    let sum = 0;
    const n = 20_000;
    for (let i = 0; i < n; i++) {
      const seconds = ((i + 0.5) / n) * 20 * 60;
      sum += (ratePerMinute(100 - 80 * centreShare('cube', (alpha * seconds) / 0.0125 ** 2)) * 20) / n;
    }
    expect(softeningDose(piece, { fromC: 20, outerC: 100, minutes: 20, pace: 1 }) / sum).toBeCloseTo(1, 2);
  });

  it('smaller is sooner tender, cooler is later, and what is not hot enough never is', () => {
    const at = (mm: number, outerC: number): number | undefined =>
      minutesToTender({ shape: 'cube', sizeM: mm / 1000, mix: carrot.perKg, softening: 1 }, 0, { fromC: 20, outerC, pace: 1 });
    expect(at(12, 100)!).toBeLessThan(at(25, 100)!);
    expect(at(25, 95)!).toBeGreaterThan(at(25, 100)!);
    expect(at(25, 50)).toBeUndefined();
  });
});

describe('softening of what is hot through', () => {
  it('is the limit of softening with a gap that goes to nothing, for every shape', () => {
    const mix = [0.9, 0, 0.01, 0.02, 0.05, 0.02, 0, 0, 0, 0] as unknown as Mix;
    for (const shape of ['slab', 'cylinder', 'cube'] as const) {
      const piece = { shape, sizeM: 0.02, mix, softening: 1 };
      const heated = (fromC: number) =>
        soften(piece, { softness: 0.1, gelatinised: 0 }, { fromC, outerC: 97, minutes: 12, pace: 1 });
      expect(heated(97).softness)
        .withContext(shape)
        .toBeCloseTo(heated(97 - 1e-6).softness, 6);
      expect(heated(97).gelatinised).toBe(1);
    }
  });
});
