import psychrolib from 'psychrolib';
import {
  KitSchema,
  READY_KITS,
  belowRimM,
  boilingPointC,
  brimM3,
  dayClock,
  dayOf,
  momentOf,
  isZone,
  placeFor,
  pressurePa,
  usableM3,
  volumeByWaterM3,
} from './index.js';

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

describe('the day of a kitchen', () => {
  /** Summer time begins and ends, 2026: Europe 29 March and 25 October at 1:00 UTC, New York 8 March, Sydney 4 October. */
  const at = (month: number, day: number, hour: number, minute = 0): number => Date.UTC(2026, month - 1, day, hour, minute);

  it('is the day where it stands, at eight in the morning in Sydney as at eleven at night in New York', () => {
    expect(dayOf(at(1, 1, 21), 'Australia/Sydney')).toBe('2026-01-02');
    expect(dayOf(at(1, 1, 21), 'Europe/London')).toBe('2026-01-01');
    expect(dayOf(at(1, 2, 4), 'America/New_York')).toBe('2026-01-01');
    expect(dayOf(at(1, 2, 6), 'America/New_York')).toBe('2026-01-02');
  });

  it('and its hour give the moment back, in three zones, on either side of a change of clocks', () => {
    expect(momentOf('2026-01-02', 8 * 60, 'Australia/Sydney')).toBe(at(1, 1, 21));
    expect(momentOf('2026-07-01', 9 * 60 + 30, 'Europe/London')).toBe(at(7, 1, 8, 30));
    expect(momentOf('2026-03-29', 30, 'Europe/London')).toBe(at(3, 29, 0, 30));
    expect(momentOf('2026-03-29', 2 * 60, 'Europe/London')).toBe(at(3, 29, 1));
    // Half past one is left out that night.
    expect(momentOf('2026-03-29', 90, 'Europe/London')).toBe(at(3, 29, 1, 30));
    expect(momentOf('2026-10-25', 3 * 60, 'Europe/London')).toBe(at(10, 25, 3));
    expect(momentOf('2026-03-08', 23 * 60, 'America/New_York')).toBe(at(3, 9, 3));
    for (const zone of ['Europe/London', 'America/New_York', 'Australia/Sydney'])
      for (let hour = 0; hour < 400 * 24; hour += 7) {
        const ms = at(1, 1, 0) + hour * 3_600_000;
        const { dayOf: day, minuteOf } = dayClock(zone, ms);
        const back = momentOf(day(ms), minuteOf(ms), zone);
        // An hour that is there twice is one of the two.
        expect(day(back)).toBe(day(ms));
        expect(minuteOf(back)).toBe(minuteOf(ms));
        expect(Math.abs(back - ms)).toBeLessThanOrEqual(3_600_000);
      }
    expect(momentOf('', 0, 'Europe/London')).toBeNaN();
  });

  it('begins at midnight by the clock on the wall before and after the clocks change', () => {
    // London: midnight is 0:00 UTC in winter and 23:00 UTC the day before in summer.
    expect([dayOf(at(3, 28, 23, 30), 'Europe/London'), dayOf(at(3, 29, 23, 30), 'Europe/London')]).toEqual([
      '2026-03-28',
      '2026-03-30',
    ]);
    expect([dayOf(at(10, 24, 23, 30), 'Europe/London'), dayOf(at(10, 25, 23, 30), 'Europe/London')]).toEqual([
      '2026-10-25',
      '2026-10-25',
    ]);
    // Sydney: 14:00 UTC in winter, 13:00 in summer.
    expect([dayOf(at(10, 3, 13, 30), 'Australia/Sydney'), dayOf(at(10, 4, 13, 30), 'Australia/Sydney')]).toEqual([
      '2026-10-03',
      '2026-10-05',
    ]);
    expect([dayOf(at(3, 8, 4, 30), 'America/New_York'), dayOf(at(3, 9, 4, 30), 'America/New_York')]).toEqual([
      '2026-03-07',
      '2026-03-09',
    ]);
  });

  it('is of a zone that there is', () => {
    expect(isZone('Europe/London')).toBeTrue();
    expect(isZone('Atlantis/Harbour')).toBeFalse();
    expect(KitSchema.safeParse({ ...READY_KITS.home, zone: 'Atlantis/Harbour' }).success).toBeFalse();
    expect(KitSchema.safeParse({ ...READY_KITS.home, zone: 'Australia/Sydney' }).success).toBeTrue();
  });
});

describe('what a browser proposes for a new kitchen', () => {
  const currency = (region: string): string | undefined => ({ GB: 'GBP', US: 'USD', AU: 'AUD', DE: 'EUR', IT: 'EUR' })[region];
  const of = (locale: string) => {
    const { country, units, currency: cash } = placeFor(locale, 'Europe/Rome', currency);
    return [country, units, cash];
  };

  it('goes by its language and region; whose spoons are not known are asked about', () => {
    expect(of('en-GB')).toEqual(['gb', 'metric', 'GBP']);
    expect(of('en-US')).toEqual(['us', 'us', 'USD']);
    expect(of('en-AU')).toEqual(['au', 'metric', 'AUD']);
    expect(of('de')).toEqual([undefined, 'metric', 'EUR']);
    expect(of('it-IT')).toEqual([undefined, 'metric', 'EUR']);
    expect(of('')).toEqual([undefined, 'metric', undefined]);
  });
});
