import fc from 'fast-check';
import { anyAction, entryOf, snapshotOf, stepIds, uuid } from '../../spec/entries.js';
import { rerun } from '../plan/index.js';
import { foldBatch, reachesBack, shortened, type Action, type BatchState, type StoredEntry } from './index.js';

const snapshot = snapshotOf('beetroot-horseradish');
const planned = rerun(snapshot);

/** Figures and lists of a state that the Stove shows, to be the same. */
function figures({ forecast, inKg, toGoKg, massKg, massSdKg, dishedKg, closed, steps, output, timers }: BatchState): unknown {
  return { forecast, inKg: [...inKg], toGoKg: [...toGoKg], massKg, massSdKg, dishedKg, closed, steps, output, timers };
}

/** Numbers within a billionth of each other, everything else the same. */
function differs(a: unknown, b: unknown, path = ''): string[] {
  if (typeof a === 'number' && typeof b === 'number') {
    return Object.is(a, b) || Math.abs(a - b) <= 1e-9 * Math.max(1, Math.abs(a)) ? [] : [`${path}: ${String(a)} ${String(b)}`];
  }
  if (a instanceof Map && b instanceof Map) return differs([...a], [...b], path);
  if (typeof a !== 'object' || a === null || typeof b !== 'object' || b === null) return Object.is(a, b) ? [] : [path];
  const keys = new Set([...Object.keys(a), ...Object.keys(b)]);
  return [...keys].flatMap((key) => differs((a as never)[key], (b as never)[key], `${path}.${key}`));
}

const SOLID = 'beetroot';
const pour: fc.Arbitrary<Action> = fc.oneof(
  fc.record({
    kind: fc.constant('poured' as const),
    stepId: fc.constantFrom(...stepIds(snapshot)),
    line: fc.constantFrom('stock', SOLID),
    vessel: fc.constantFrom('Ladle', 'Jug'),
    volumeM3: fc.constantFrom(0.0003, 0.001),
  }),
  fc.record({
    kind: fc.constant('added' as const),
    stepId: fc.constantFrom('cover', 'season'),
    line: fc.constant('stock'),
    kg: fc.constantFrom(0.2, 0.4),
  }),
);

function stored(actions: readonly Action[], order: readonly number[] = []): StoredEntry[] {
  return actions.map((action, n) => ({ ...entryOf(n + 1, action), arrival: 1 + n + (order[n] ?? 0) }));
}

/** Mostly amounts, several in a row, with everything else that a hand can enter between them. */
function anyLong(length: number): fc.Arbitrary<StoredEntry[]> {
  const one = fc.oneof(
    { arbitrary: pour, weight: 40 },
    { arbitrary: anyAction(snapshot), weight: 5 },
    { arbitrary: fc.nat({ max: length }).map((n): Action => ({ kind: 'undone', target: uuid(n + 1) })), weight: 12 },
    {
      arbitrary: fc.tuple(fc.nat({ max: length }), pour).map(([n, to]): Action => {
        return { kind: 'corrected', target: uuid(n + 1), to: to as Extract<Action, { kind: 'corrected' }>['to'] };
      }),
      weight: 3,
    },
    { arbitrary: fc.constant<Action>({ kind: 'note', text: 'a word' }), weight: 4 },
    { arbitrary: fc.constant<Action>({ kind: 'closed' }), weight: 1 },
  );
  return fc
    .tuple(fc.array(one, { minLength: 10, maxLength: length }), fc.array(fc.integer({ min: 0, max: 3 }), { maxLength: length }))
    .map(([actions, order]) => stored(actions, order));
}

const ALL = { least: 0, newest: 3 };

describe('a long batch told shortened', () => {
  it('folds to the same figures, whatever was entered, and whatever is entered next (random entries)', () => {
    let fewer = 0;
    fc.assert(
      fc.property(
        anyLong(40),
        fc.array(fc.oneof(pour, anyAction(snapshot)), { maxLength: 4 }),
        fc.nat({ max: 60 }),
        (all, more, at) => {
          const short = shortened(all, snapshot.soup, ALL);
          fewer += all.length - short.entries.length;
          const next = [...more, { kind: 'undone' as const, target: uuid(at + 1) }].map((action, n): StoredEntry => ({
            ...entryOf(all.length + n + 1, action),
            arrival: 1000 + n,
          }));
          const whole = new Set(short.entries.filter(({ together }) => together === undefined).map(({ id }) => id));
          const held = next.filter((entry) => !reachesBack(entry, short, (id) => whole.has(id)));
          for (const after of [[], held]) {
            const was = foldBatch(snapshot, [...all, ...after], planned);
            const is = foldBatch(snapshot, [...short.entries, ...after], planned);
            expect(differs(figures(was), figures(is))).toEqual([]);
          }
        },
      ),
      { numRuns: 250 },
    );
    expect(fewer).withContext('entries drawn together').toBeGreaterThan(300);
  });

  it('keeps one by one what is newest, and asks anew for what reaches behind it', () => {
    const ladle: Action = { kind: 'poured', stepId: 'cover', line: 'stock', vessel: 'Ladle', volumeM3: 0.0003 };
    const all = stored(Array.from({ length: 2000 }, () => ladle));
    const short = shortened(all, snapshot.soup);
    expect(short.total).toBe(2000);
    expect(short.entries.length).toBe(201);
    expect(short.entries[0]?.together).toBe(1800);
    const whole = new Set(short.entries.slice(1).map(({ id }) => id));
    const isWhole = (id: string): boolean => whole.has(id);
    const undo = (target: string): StoredEntry => entryOf(2001, { kind: 'undone', target });
    expect(reachesBack(undo(uuid(1990)), short, isWhole)).toBeFalse();
    expect(reachesBack(undo(uuid(40)), short, isWhole)).toBeTrue();
    expect(reachesBack(undo(uuid(1)), short, isWhole))
      .withContext('the one that stands for them')
      .toBeTrue();
    expect(reachesBack({ ...entryOf(40, ladle), id: uuid(9000) }, short, isWhole))
      .withContext('of a tablet that was away')
      .toBeTrue();
  });

  it('tells a batch of ordinary length whole', () => {
    const ladle: Action = { kind: 'poured', stepId: 'cover', line: 'stock', vessel: 'Ladle', volumeM3: 0.0003 };
    const all = stored(Array.from({ length: 300 }, () => ladle));
    expect(shortened(all, snapshot.soup).entries).toEqual(all);
  });
});
