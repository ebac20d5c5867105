import { READY_KITS, dayOf } from '@tureen/core/kit';
import { LARDER_ROWS } from '@tureen/core/larder';
import { EXAMPLE_SOUPS } from '@tureen/core/soup';
import { writtenPlan } from '@tureen/core/plan';
import {
  STOCK_SHAPE,
  contentsOf,
  foldStock,
  keepingOf,
  type Contents,
  type StockAction,
  type StockEntry,
} from '@tureen/core/stock';
import type { ColdAnswer } from '@tureen/server/api';
import { containerRow, dayWords } from '../places/cold/container-words';
import { coldView } from './stock';
import { kitchenZone } from './zone';

const NOW = Date.UTC(2026, 2, 2, 12);
const DAY_MS = 86_400_000;
const rules = { keeping: keepingOf('ready-to-eat'), dayOf: (ms: number) => dayOf(ms, 'UTC') };
const fridge = { id: 'fridge', name: 'Fridge', kind: 'fridge' } as const;
const freezer = { id: 'freezer', name: 'Freezer', kind: 'freezer' } as const;
const [A, B, BATCH, LEFT] = [1, 2, 3, 4].map((n) => `00000000-0000-4000-8000-00000000000${String(n)}`) as [
  string,
  string,
  string,
  string,
];

function held(): Contents {
  const soup = EXAMPLE_SOUPS.find(({ id }) => id === 'swede-barley');
  const planned = soup === undefined ? undefined : writtenPlan(soup, LARDER_ROWS, READY_KITS.canteen);
  const contents = planned === undefined ? undefined : contentsOf(planned);
  if (contents === undefined) throw new Error('The example has contents.');
  return contents;
}
const contents = held();

function entry(n: number, action: StockAction): StockEntry {
  const id = `00000000-0000-4000-8000-0000000001${String(n).padStart(2, '0')}`;
  return {
    of: 'stock',
    id,
    shape: STOCK_SHAPE,
    stamp: { counter: n, device: 'spec-tablet', seq: n },
    atMs: NOW + n,
    who: '',
    action,
  };
}

const fill = (container: string, kg: number): StockAction => ({
  kind: 'filled',
  container,
  kg,
  vessel: 'Tub',
  madeMs: NOW,
  store: fridge,
  contents,
  from: { batchId: BATCH, entryId: LEFT },
});

function without<T extends object, Key extends keyof T & string>(value: T, key: Key): Omit<T, Key> {
  return Object.fromEntries(Object.entries(value).filter(([name]) => name !== key)) as Omit<T, Key>;
}

/** What the server says of some entries. */
function answer(entries: readonly StockEntry[]): ColdAnswer {
  const { containers } = foldStock(entries, rules);
  return {
    stored: [{ entryId: LEFT, batchId: BATCH, soupName: contents.name, kg: 6, filledKg: 2, atMs: NOW, who: '' }],
    contents: [contents],
    containers: [...containers.values()].map((one) => ({ ...without(one, 'contents'), contentsAt: 0 })),
    recent: entries.map(({ id }) => id),
    counter: entries.length,
  };
}

describe('what stands in the cold, as a screen knows it', () => {
  const known = [entry(1, fill(A, 2))];

  it('shows at once what was entered here, and does not count it twice when the server has it', () => {
    const taken = entry(2, { kind: 'took', container: A, kg: 0.5, as: 'bowls' });
    const before = coldView(answer(known), [taken], rules);
    expect(before.containers.map(({ kg }) => kg)).toEqual([1.5]);
    expect([...before.unsent]).toEqual([A]);
    const after = coldView(answer([...known, taken]), [taken], rules);
    expect(after.containers.map(({ kg }) => kg)).toEqual([1.5]);
    expect(after.unsent.size).toBe(0);
  });

  it('a filling that is not sent yet is a container, and no longer left over', () => {
    const view = coldView(answer(known), [entry(2, fill(B, 4))], rules);
    expect(view.containers.map(({ id }) => id).sort()).toEqual([A, B]);
    expect(view.leftovers[0]?.filledKg).toBe(6);
    expect(view.notices).toEqual([]);
  });

  it('what can’t be booked of it is said, and what is empty stands on no shelf', () => {
    const view = coldView(answer(known), [entry(2, { kind: 'took', container: A, kg: 3, as: 'bowls' })], rules);
    expect(view.containers).toEqual([]);
    expect(view.notices.map(({ kind }) => kind)).toEqual(['more than was there']);
  });

  it('soonest day first, with the day in words and how near it is', () => {
    kitchenZone.set('UTC');
    const frozen = entry(3, { kind: 'moved', container: B, store: freezer });
    const view = coldView(answer([...known, entry(2, fill(B, 4)), frozen]), [], rules);
    expect(view.containers.map(({ id }) => id)).toEqual([A, B]);
    const [first, second] = view.containers;
    if (first === undefined || second === undefined) throw new Error('Two are there.');
    const words = (days: number): string[] => {
      const { until, urgency } = containerRow(first, NOW + days * DAY_MS);
      return [until, urgency];
    };
    expect(words(0)).toEqual(['8 Mar', 'later']);
    expect(words(5)).toEqual(['8 Mar', 'soon']);
    expect(words(6)).toEqual(['today', 'today']);
    expect(words(7)).toEqual(['8 Mar', 'past']);
    const row = containerRow(second, NOW);
    expect(row.where).toBe('Freezer, frozen');
    expect(row.bringBack).toContain('Thaw it in the fridge');
    expect(row.bowls).toBe(Math.floor((4 * 1000) / contents.bowlG));
    expect(dayWords('2026-12-08')).toBe('8 Dec');
    kitchenZone.set(undefined);
  });
});
