import { kilos, larder, soupOf } from '../../spec/pots.js';
import { READY_KITS } from '../kit/index.js';
import { bodyMPas } from '../pot/index.js';
import { prepareSoup, run } from '../runner/index.js';
import type { SoupStep } from '../soup/index.js';
import { bodyWord } from './index.js';

type Amounts = readonly (readonly [ingredient: string, kg: number])[];

interface Usual {
  readonly vegetables: Amounts;
  readonly liquids: Amounts;
  readonly minutes: number;
  readonly roasted?: boolean;
  readonly after?: Amounts;
  readonly boil?: 'lively';
  readonly sieved?: boolean;
}

/** A soup from home amounts in a home pot, blended in a jug; its body at serving heat, mPa·s. */
function bodyOf({ vegetables, liquids, minutes, roasted = false, after = [], boil, sieved = false }: Usual): number {
  const cut = { cut: { shape: 'cube', sizeMm: 12, name: 'diced' } } as const;
  const lines = [...vegetables, ...liquids, ...after].map(([id, kg], n) => kilos(`l${String(n)}`, id, kg, cut));
  const uses = (from: number, count: number): { line: string }[] => lines.slice(from, from + count).map(({ id }) => ({ line: id }));
  const steps: SoupStep[] = [
    { id: 'in', op: 'add', uses: uses(0, vegetables.length) },
    ...(roasted ? [{ id: 'roast', op: 'roast', ovenC: 190, minutes: 40, load: 'rounds' } as const] : []),
    { id: 'pour', op: 'add', uses: uses(vegetables.length, liquids.length) },
    { id: 'simmer', op: 'simmer', minutes, vigour: boil ?? 'steady', lid: boil === undefined ? 'ajar' : 'off' },
    { id: 'blend', op: 'blend', blender: 'jug', minutes: 2 },
    ...(sieved ? [{ id: 'sieve', op: 'sieve', meshMm: 1, scraped: true } as const] : []),
    ...(after.length > 0
      ? [{ id: 'after', op: 'add', uses: uses(vegetables.length + liquids.length, after.length) } as const]
      : []),
  ];
  const preparation = prepareSoup(soupOf(lines, steps), larder, READY_KITS.home, 'stockpot-8', 0.3);
  if (!preparation.ok) throw new Error(JSON.stringify(preparation.problems));
  const { prepared } = preparation;
  return bodyMPas(run(prepared, 1).last!.before, prepared.servedC, prepared.parameters.bodyA);
}

/** How usual soups come out, blended, at serving heat, as cooks call them. Common practice, no source. */
describe('usual soups have the body that cooks give them', () => {
  const SQUASH: Usual = {
    vegetables: [
      // 1.2 kg of roasted flesh.
      ['butternut', 1.65],
      ['onion', 0.15],
      ['carrot', 0.15],
    ],
    liquids: [
      ['vegetable-stock', 1.4],
      ['water', 0.5],
    ],
    minutes: 20,
    roasted: true,
  };
  const TOMATO: Usual = {
    vegetables: [
      ['passata', 0.8],
      ['canned-tomatoes', 2.9],
      ['tomato-paste', 0.15],
    ],
    liquids: [['vegetable-stock', 0.7]],
    minutes: 80,
    boil: 'lively',
  };

  it('squash is thick before the cream and coats after it', () => {
    const before = bodyOf(SQUASH);
    const after = bodyOf({ ...SQUASH, after: [['double-cream', 0.5]] });
    expect(before).toBeGreaterThan(220);
    expect(bodyWord(after)).toBe('coats');
    expect(after).toBeLessThan(0.8 * before);
  });

  it('squash, carrot and celery in a litre are neither thick nor thin', () => {
    const body = bodyOf({
      vegetables: [
        ['butternut', 0.5],
        ['carrot', 0.15],
        ['celery', 0.1],
        ['onion', 0.25],
      ],
      liquids: [['vegetable-stock', 1]],
      minutes: 25,
      after: [['double-cream', 0.15]],
    });
    expect(body).toBeGreaterThan(50);
    expect(body).toBeLessThan(220);
  });

  it('leek and potato in equal weights coat', () => {
    const body = bodyOf({
      vegetables: [
        ['leek', 0.6],
        ['potato', 0.6],
      ],
      liquids: [['vegetable-stock', 1]],
      minutes: 30,
    });
    expect(bodyWord(body)).toBe('coats');
  });

  it('mushrooms with two spoons of flour are not thick and not like water', () => {
    const body = bodyOf({
      vegetables: [
        ['mushroom', 0.5],
        ['plain-flour', 0.0156],
        ['onion', 0.1],
      ],
      liquids: [
        ['vegetable-stock', 0.45],
        ['milk', 0.3],
      ],
      minutes: 15,
    });
    expect(bodyWord(body)).toBe('veils');
  });

  it('cauliflower with one potato coats; roasted sweet potato is thick', () => {
    const cauliflower = bodyOf({
      vegetables: [
        ['cauliflower', 1.2],
        ['potato', 0.2],
      ],
      liquids: [
        ['vegetable-stock', 1.4],
        ['water', 0.5],
      ],
      minutes: 25,
    });
    expect(bodyWord(cauliflower)).toBe('coats');
    const sweetPotato = bodyOf({
      vegetables: [
        ['sweet-potato', 1.2],
        ['onion', 0.15],
        ['carrot', 0.15],
      ],
      liquids: [
        ['vegetable-stock', 0.47],
        ['apple-juice', 0.24],
      ],
      minutes: 15,
      roasted: true,
      after: [['double-cream', 0.06]],
    });
    expect(bodyWord(sweetPotato)).toBe('clings');
  });

  it('roasted peppers are a pourable bisque; dried chillies in much broth are thin', () => {
    const bisque = bodyOf({
      vegetables: [
        ['red-pepper', 0.45],
        ['tomato', 0.25],
        ['onion', 0.11],
      ],
      liquids: [['vegetable-stock', 0.47]],
      minutes: 10,
      roasted: true,
    });
    expect(bodyWord(bisque)).toBe('veils');
    const chilli = bodyOf({
      vegetables: [
        ['dried-ancho', 0.03],
        ['tomato', 0.45],
        ['onion', 0.15],
      ],
      liquids: [['vegetable-stock', 1.4]],
      minutes: 20,
    });
    expect(bodyWord(chilli)).toBe('runs off');
  });

  it('tomato boiled down for 80 minutes is twice as thick as it wants to be: right after 1.0 to 1.4 L of stock and some cream', () => {
    const thick = bodyOf(TOMATO);
    const right = bodyOf({
      ...TOMATO,
      after: [
        ['vegetable-stock', 1.2],
        ['double-cream', 0.2],
      ],
    });
    expect(thick).toBeGreaterThan(60);
    expect(thick / right).toBeGreaterThan(1.9);
    expect(thick / right).toBeLessThan(4);
  });

  it('through a conical sieve almost all of a tomato soup passes, and it stays a soup', () => {
    const tins: Usual = {
      vegetables: [
        ['canned-tomatoes', 1.6],
        ['tomato', 0.3],
        ['onion', 0.35],
      ],
      liquids: [['vegetable-stock', 0.5]],
      minutes: 40,
      boil: 'lively',
    };
    const ratio = bodyOf({ ...tins, sieved: true }) / bodyOf(tins);
    expect(ratio).toBeGreaterThan(0.6);
    expect(ratio).toBeLessThan(1);
  });
});
