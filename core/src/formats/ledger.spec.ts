import Papa from 'papaparse';
import { entriesOf, snapshotOf, uuid } from '../../spec/entries.js';
import { foldBatch } from '../batch/index.js';
import { BatchFileSchema, toBatchFile, toLearntCsv, toLedgerCsv } from './index.js';

const snapshot = snapshotOf('leek-potato');
const entries = entriesOf([
  { kind: 'done', stepId: snapshot.soup.root.steps[0]!.id },
  { kind: 'note', text: 'first of the year' },
]);
const batch = { id: uuid(9), soupName: 'Leek & potato', startedAtMs: 1_700_000_000_000, snapshot, entries };

describe('a batch as one file', () => {
  it('is read back by its schema and folds to the same state', () => {
    const read = BatchFileSchema.parse(
      JSON.parse(toBatchFile({ ...batch, entries: entries.map((entry) => ({ ...entry, arrival: 7 })) })),
    );
    expect(read.entries).toEqual(entries);
    const [again, before] = [foldBatch(read.snapshot, read.entries), foldBatch(snapshot, entries)];
    expect(again.forecast).toEqual(before.forecast);
    expect(again.steps).toEqual(before.steps);
  });

  it('of another kind or cut short is refused', () => {
    expect(BatchFileSchema.safeParse({ ...batch, shape: 1, kind: 'soup' }).success).toBeFalse();
    expect(BatchFileSchema.safeParse({ shape: 1, kind: 'batch', id: uuid(9) }).success).toBeFalse();
  });
});

describe('the ledger as CSV', () => {
  const { plannedFigures: planned } = foldBatch(snapshot, entries);
  const row = { ...batch, version: 2, closedAtMs: null, request: snapshot.request, planned, closedFigures: null };

  it('is a row a batch with units in its headings, and no formula in a cell', () => {
    const { data, errors } = Papa.parse<Record<string, string>>(
      toLedgerCsv([
        row,
        { ...row, soupName: '=1+1', closedAtMs: 1_700_000_360_000, closedFigures: { actual: planned, dishedBowls: 38 } },
      ]),
      { header: true, skipEmptyLines: true },
    );
    expect(errors).toEqual([]);
    expect(data.length).toBe(2);
    expect(data[0]!['yield cooked kg']).toBe('');
    expect(Number(data[1]!['yield cooked kg'])).toBeCloseTo(planned.cookedKg, 2);
    expect(data[1]!.closed).toBe('2023-11-14T22:19:20.000Z');
    expect(data[1]!['bowls counted']).toBe('38');
    expect(data[1]!.soup).toBe("'=1+1");
  });

  it('learnt figures too', () => {
    const one = {
      name: 'beetroot, peeled',
      key: 'trim:beetroot:peeled',
      here: '73 %',
      usual: '77 %',
      by: -0.22,
      sd: 0.06,
      batches: 6,
    };
    const { data } = Papa.parse<Record<string, string>>(toLearntCsv([one]), { header: true, skipEmptyLines: true });
    expect(data).toEqual([
      {
        figure: 'beetroot, peeled',
        key: 'trim:beetroot:peeled',
        here: '73 %',
        default: '77 %',
        'off by (ln or logit)': '-0.22',
        '1 sd of it': '0.06',
        batches: '6',
      },
    ]);
  });
});
