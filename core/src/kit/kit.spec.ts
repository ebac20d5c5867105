import psychrolib from 'psychrolib';
import { KitSchema, READY_KITS, belowRimM, boilingPointC, brimM3, pressurePa, usableM3, volumeByWaterM3 } from './index.js';

psychrolib.SetUnitSystem(psychrolib.SI);

/** The boiling point by halving on an independent library's saturation pressure. */
function independentBoilingC(altitudeM: number): number {
  const wanted = psychrolib.GetStandardAtmPressure(altitudeM);
  let [low, high] = [60, 110];
  while (high - low > 1e-6) {
    const middle = (low + high) / 2;
    if (psychrolib.GetSatVapPres(middle) < wanted) low = middle;
    else high = middle;
  }
  return low;
}

describe('air', () => {
  it('has the standard pressures: U.S. Standard Atmosphere, 1976', () => {
    for (const [altitudeM, kPa] of [
      [0, 101.325],
      [1000, 89.87],
      [1500, 84.56],
      [2000, 79.5],
    ] as const) {
      expect(pressurePa(altitudeM) / 1000).toBeCloseTo(kPa, 1);
      expect(pressurePa(altitudeM) / psychrolib.GetStandardAtmPressure(altitudeM)).toBeCloseTo(1, 4);
    }
  });

  it('boils within 0.06 K of an independent psychrometric library, and sooner the higher', () => {
    for (let altitudeM = 0; altitudeM <= 3000; altitudeM += 250) {
      expect(Math.abs(boilingPointC(altitudeM) - independentBoilingC(altitudeM))).toBeLessThan(0.06);
      expect(boilingPointC(altitudeM + 1)).toBeLessThan(boilingPointC(altitudeM));
    }
  });
});

describe('kit', () => {
  it('ready kitchens pass their schema', () => {
    for (const kit of Object.values(READY_KITS)) expect(KitSchema.safeParse(kit).success).toBeTrue();
  });

  it('measures a pot: 40 cm wide, 32 deep', () => {
    const pot = READY_KITS.canteen.pots[2];
    // pi/4 x 0.4^2 x 0.32 = 0.0402 m3; 88 % of it may be boiled in: 0.0354; 20 L stand 20/125.66 = 15.9 cm deep.
    expect(brimM3(pot!)).toBeCloseTo(0.0402, 4);
    expect(usableM3(pot!)).toBeCloseTo(0.03539, 4);
    expect(belowRimM(pot!, 0.02)).toBeCloseTo(0.32 - 0.1592, 4);
  });
});

describe('a ladle by its water', () => {
  it('of 140 g holds 140 mL, within a tenth of a per cent', () => {
    // 140 g at 999.1 kg/m3: 140.126 mL.
    expect(volumeByWaterM3(0.14) * 1e6).toBeCloseTo(140.126, 3);
  });
});
