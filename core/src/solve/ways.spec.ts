import { example, ingredient, prepared } from '../../spec/pots.js';
import { run } from '../runner/index.js';
import { bodyMPas } from '../pot/index.js';
import { waysToBody, type Means } from './index.js';

const own = prepared(example('leek-potato'));
const pot = run(own, 3).records.find(({ step }) => step.id === 'season')!.pot;
const now = bodyMPas(pot, own.servedC, own.parameters.bodyA);
const means: Means = {
  liquids: [ingredient('water'), ingredient('vegetable-stock-cube'), ingredient('milk')],
  thickeners: [
    {
      id: 'slurry',
      parts: [
        { ingredient: ingredient('cornflour'), parts: 1 },
        { ingredient: ingredient('water'), parts: 2 },
      ],
    },
    {
      id: 'roux',
      parts: [
        { ingredient: ingredient('plain-flour'), parts: 1 },
        { ingredient: ingredient('butter'), parts: 1 },
      ],
    },
    { id: 'potato', parts: [{ ingredient: ingredient('potato'), parts: 1 }] },
  ],
};

describe('ways to a body', () => {
  it('thinner: each liquid lands on it, with its own salt, and two thirds go first', () => {
    const ways = waysToBody(own, pot, now / 2, means);
    expect(ways.map(({ by, ingredient: id }) => `${by} ${id ?? ''}`)).toEqual([
      'thin water',
      'thin vegetable-stock-cube',
      'thin milk',
    ]);
    for (const { then, kg, firstKg } of ways) {
      expect(Math.abs(then.bodyMPas / (now / 2) - 1)).toBeLessThan(0.01);
      expect(firstKg).toBeCloseTo((kg * 2) / 3, 12);
      expect(then.bowls).toBeGreaterThan(ways[0]!.now.bowls);
      expect(then.tempC).toBeLessThan(ways[0]!.now.tempC);
    }
    const [water, stock] = ways;
    // Water thins the salt by the mass; salted stock does not.
    expect(water!.then.saltPct / water!.now.saltPct).toBeCloseTo(water!.now.massKg / water!.then.massKg, 6);
    expect(stock!.then.saltPct).toBeGreaterThan(water!.then.saltPct);
  });

  it('thicker: slurry, roux, potato or boiling on, which alone takes time and makes fewer bowls', () => {
    const ways = waysToBody(own, pot, now * 1.5, means);
    expect(ways.map(({ by, ingredient: id }) => `${by} ${id ?? ''}`.trim())).toEqual([
      'thicken slurry',
      'thicken roux',
      'thicken potato',
      'reduce',
    ]);
    for (const { then } of ways) expect(Math.abs(then.bodyMPas / (now * 1.5) - 1)).toBeLessThan(0.01);
    const boil = ways.at(-1)!;
    expect(boil.minutes).toBeGreaterThan(5);
    expect(boil.then.bowls).toBeLessThan(boil.now.bowls);
    expect(boil.then.saltPct).toBeGreaterThan(boil.now.saltPct);
  });

  it('says when it would not fit, and is silent when there is nothing to do', () => {
    const small = prepared(example('leek-potato'), 'saucepot-8');
    expect(waysToBody(small, pot, now / 5, { liquids: [ingredient('water')], thickeners: [] })[0]!.overflows).toBeTrue();
    expect(waysToBody(own, pot, now, means)).toEqual([]);
  });
});
