import { EntrySchema } from '../batch/index.js';
import { KitSchema, READY_KITS } from '../kit/index.js';
import { EXAMPLE_SOUPS, SoupSchema } from '../soup/index.js';
import { z } from 'zod';
import { readShape, renamed, type Shape } from './index.js';

const PAIR: Shape<{ readonly kg: number }> = {
  name: 'pair',
  lifts: [(older) => renamed(older, { pounds: 'grams' }), (older) => ({ kg: (older as { grams: number }).grams / 1000 })],
  schema: z.strictObject({ kg: z.number() }),
};

describe('shapes', () => {
  it('each older shape goes through every lift after it, and the newest through none', () => {
    expect(readShape(PAIR, 1, { pounds: 500 })).toEqual({ ok: true, value: { kg: 0.5 } });
    expect(readShape(PAIR, 2, { grams: 500 })).toEqual({ ok: true, value: { kg: 0.5 } });
    expect(readShape(PAIR, 3, { kg: 0.5 })).toEqual({ ok: true, value: { kg: 0.5 } });
  });

  it('a shape that nobody knows yet, and a value of another form, are problems with their place', () => {
    for (const shape of [0, 4, 1.5])
      expect(readShape(PAIR, shape, { kg: 1 }).ok)
        .withContext(String(shape))
        .toBeFalse();
    const read = readShape(PAIR, 3, { kg: 'much' });
    expect(read.ok ? undefined : read.problem).toEqual(jasmine.objectContaining({ name: 'pair', shape: 3, path: 'kg' }));
  });

  it('a key is renamed only where its new name is free, so that what says two things is refused and not merged', () => {
    expect(renamed({ a: 1, c: 2 }, { a: 'b' })).toEqual({ b: 1, c: 2 });
    expect(renamed({ a: 1, b: 2 }, { a: 'b' })).toEqual({ a: 1, b: 2 });
    for (const value of [undefined, null, 3, 'a', [1]]) expect(renamed(value, { a: 'b' })).toBe(value);
  });
});

describe('files and requests in older words', () => {
  const [soup] = EXAMPLE_SOUPS.filter(({ methodChoices }) => methodChoices !== undefined);

  it('a soup that says schools is the soup that says method choices, in its cards and variants too', () => {
    const { methodChoices, ...rest } = soup!;
    const older = {
      ...rest,
      schools: methodChoices,
      cards: [{ ...rest, id: 'card', schools: methodChoices }],
      variants: [{ id: 'cold', name: 'Cold', schools: { sieve: true } }],
    };
    const read = SoupSchema.parse(older);
    expect(read.methodChoices).toEqual(methodChoices);
    expect(read.cards?.[0]?.methodChoices).toEqual(methodChoices);
    expect(read.variants?.[0]?.methodChoices).toEqual({ sieve: true });
    expect(SoupSchema.safeParse({ ...older, methodChoices: { sieve: true } }).success).toBeFalse();
  });

  it('a kit that says habits, and an entry that says deed', () => {
    const { home } = READY_KITS;
    expect(KitSchema.parse({ ...home, habits: { boilOff: 1.2 } }).parameters).toEqual({ boilOff: 1.2 });
    const entry = {
      id: '0d5f7f2e-6f43-4a53-9a9b-3ce0a1b0c001',
      shape: 1,
      stamp: { counter: 1, device: 'tablet-a', seq: 1 },
      atMs: 1_700_000_000_000,
      who: 'AB',
      deed: { kind: 'note', text: 'from a tablet that was away' },
    };
    expect(EntrySchema.parse(entry)).toEqual(jasmine.objectContaining({ shape: 2, action: entry.deed }));
    expect(EntrySchema.safeParse({ ...entry, shape: 2 }).success).toBeFalse();
  });
});
