import { shortened, type StoredEntry } from '@tureen/core/batch';
import { EXAMPLE_SOUPS } from '@tureen/core/soup';
import type { StoredBatch } from '@tureen/server/api';
import { followedKey } from '../cooking/cooking';
import { unitedBatch } from './batches';

const soup = EXAMPLE_SOUPS[0]!;

function ladle(n: number): StoredEntry {
  return {
    id: `00000000-0000-4000-8000-${n.toString(16).padStart(12, '0')}`,
    shape: 2,
    stamp: { counter: n, device: 'tablet', seq: n },
    atMs: n,
    who: '',
    action: { kind: 'poured', stepId: 'cover', line: 'stock', vessel: 'Ladle', volumeM3: 0.001 },
    arrival: n,
  };
}

const LADLES = Array.from({ length: 1500 }, (_, n) => ladle(n + 1));

function toldWhen(count: number, isShort: boolean): StoredBatch {
  const all = LADLES.slice(0, count);
  if (!isShort) return { id: 'batch', entries: all } as unknown as StoredBatch;
  const { entries, total, wholeAfter } = shortened(all, soup);
  return { id: 'batch', entries, short: { total, wholeAfter } } as unknown as StoredBatch;
}

function litres({ entries }: StoredBatch): number {
  return entries.reduce((sum, { action }) => sum + (action.kind === 'poured' ? action.volumeM3 * 1000 : 0), 0);
}

describe('a batch that is told twice', () => {
  it('counts every ladle once, whichever telling is shortened and whichever is older', () => {
    const counts = [1100, 1250, 1500];
    for (const first of counts) {
      for (const second of counts) {
        for (const [a, b] of [
          [true, true],
          [true, false],
          [false, true],
          [false, false],
        ] as const) {
          const both = unitedBatch(toldWhen(second, a), toldWhen(first, b));
          expect(litres(both))
            .withContext(`${String(first)} ${String(b)}, then ${String(second)} ${String(a)}`)
            .toBeCloseTo(Math.max(first, second), 6);
        }
      }
    }
  });

  it('says how many entries there are, also with those that were drawn together', () => {
    const both = unitedBatch(toldWhen(1250, true), toldWhen(1300, true));
    expect(both.short?.total).toBe(1300);
    expect(both.entries.length).toBeLessThan(300);
  });

  it('is followed anew where it is drawn together in another way', () => {
    const keys = [1100, 1101, 1250].map((count) => {
      const { id, entries, short } = toldWhen(count, true);
      return followedKey({ batch: { id } as never, entries, short });
    });
    expect(new Set(keys).size).toBe(3);
    expect(followedKey({ batch: { id: 'batch' } as never, entries: LADLES, short: undefined })).toBe('batch');
  });
});
