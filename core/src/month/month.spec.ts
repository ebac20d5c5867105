import fc from 'fast-check';
import { monthSheet, type MonthBatch } from './index.js';

const batch = (soupName: string, change: Partial<NonNullable<MonthBatch['closed']>> = {}): MonthBatch => ({
  soupName,
  askedBowls: 40,
  bowlG: 300,
  plannedKg: 12.4,
  closed: {
    cookedKg: 12,
    cost: 20,
    bowls: 39,
    countedBowls: 38,
    boughtKg: 15,
    trimmedKg: 1.2,
    ladledKg: { 'staff meal': 0.3 },
    storedKg: 0.1,
    ...change,
  },
});

describe('a month', () => {
  it('adds up bowls, kilos and money by soup, worked out by hand; what is open is in no figure', () => {
    const sheet = monthSheet(
      '2026-11',
      [
        batch('Leek'),
        batch('Leek', { countedBowls: undefined, bowls: 40, cost: 30 }),
        batch('Beetroot', { cost: 12 }),
        { ...batch('Beetroot'), closed: undefined },
      ],
      [
        { reason: 'past its day', kg: 2 },
        { reason: 'past its day', kg: 0.5 },
      ],
    );
    expect(sheet.batches).toBe(3);
    expect(sheet.open).toBe(1);
    expect(sheet.bowls).toBe(38 + 40 + 38);
    expect(sheet.askedBowls).toBe(120);
    expect(sheet.soups.map(({ name, batches, bowls }) => [name, batches, bowls])).toEqual([
      ['Leek', 2, 78],
      ['Beetroot', 1, 38],
    ]);
    expect(sheet.soups[0]!.costPerBowl).toBeCloseTo(50 / 78, 9);
    expect(sheet.costPerBowl).toBeCloseTo(62 / 116, 9);
    expect(sheet.waste).toEqual([
      { reason: 'trimmed', kg: jasmine.any(Number) as unknown as number },
      { reason: 'past its day', kg: 2.5 },
    ]);
    expect(sheet.waste[0]!.kg).toBeCloseTo(3.6, 9);
  });

  it('what was spilt and thrown away out of the pot is waste, a staff meal is none', () => {
    const { waste } = monthSheet('2026-11', [batch('Leek', { ladledKg: { 'staff meal': 2, spilt: 1, 'thrown away': 0.5 } })], []);
    expect(waste.map(({ reason, kg }) => [reason, Math.round(kg * 10) / 10])).toEqual([
      ['trimmed', 1.2],
      ['spilt', 1],
      ['thrown away out of the pot', 0.5],
    ]);
  });

  it('its flow adds up whatever the record says, and an empty month is nothing', () => {
    const kg = fc.double({ min: 0, max: 500, noNaN: true });
    fc.assert(
      fc.property(fc.array(fc.tuple(kg, kg, kg, kg, kg, fc.nat(400)), { maxLength: 12 }), (many) => {
        const batches = many.map(([cookedKg, boughtKg, trimmedKg, storedKg, staff, countedBowls]) =>
          batch('Soup', { cookedKg, boughtKg, trimmedKg, storedKg, ladledKg: { 'staff meal': staff }, countedBowls }),
        );
        const { inKg, trimmedKg, goneInCookingKg, bowlsKg, storedKg, uncountedKg, otherKg } = monthSheet(
          '2026-11',
          batches,
          [],
        ).flow;
        const out = trimmedKg + goneInCookingKg + bowlsKg + storedKg + uncountedKg + (otherKg['staff meal'] ?? 0);
        expect(Math.abs(out - inKg)).toBeLessThan(1e-9 * Math.max(1, inKg) + 1e-9);
      }),
    );
    const none = monthSheet('2026-11', [], []);
    expect(none.costPerBowl).toBeUndefined();
    expect(none.soups).toEqual([]);
    expect(none.waste).toEqual([]);
  });
});
