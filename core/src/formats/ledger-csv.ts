import type { Figures, PlanRequest } from '../plan/index.js';
import { writeCsv } from './csv.js';

/** A batch as the ledger lists it. */
export interface LedgerBatch {
  readonly id: string;
  readonly soupName: string;
  readonly version: number;
  readonly startedAtMs: number;
  readonly closedAtMs: number | null;
  readonly request: PlanRequest;
  readonly planned: Figures;
  readonly closedFigures: { readonly actual: Figures; readonly dishedBowls: number | null } | null;
}

const COLUMNS = [
  'id',
  'soup',
  'version',
  'started',
  'closed',
  'bowls asked',
  'bowls counted',
  'bowl g',
  'yield planned kg',
  'yield cooked kg',
  'salt planned %',
  'salt cooked %',
  'body planned mPas',
  'body cooked mPas',
  'cost planned',
  'cost cooked',
];

const time = (ms: number | null): string => (ms === null ? '' : new Date(ms).toISOString());
const figure = (value: number | undefined, digits: number): string | number =>
  value === undefined || !Number.isFinite(value) ? '' : Number(value.toFixed(digits));

/** The ledger as CSV, a row a batch, with the units in the headings; times are UTC. */
export function toLedgerCsv(batches: readonly LedgerBatch[]): string {
  return writeCsv(
    COLUMNS,
    batches.map(({ id, soupName, version, startedAtMs, closedAtMs, request, planned, closedFigures }) => {
      const actual = closedFigures?.actual;
      return [
        id,
        soupName,
        version,
        time(startedAtMs),
        time(closedAtMs),
        figure(request.bowls, 1),
        closedFigures?.dishedBowls ?? '',
        request.bowlG,
        figure(planned.cookedKg, 3),
        figure(actual?.cookedKg, 3),
        figure(planned.saltPct, 3),
        figure(actual?.saltPct, 3),
        figure(planned.bodyMPas, 0),
        figure(actual?.bodyMPas, 0),
        figure(planned.cost, 2),
        figure(actual?.cost, 2),
      ];
    }),
  );
}

/** Learnt figures as CSV: by how much each lies off its default, and how well that is known. */
export function toLearntCsv(
  figures: readonly {
    readonly name: string;
    readonly key: string;
    readonly here: string;
    readonly usual: string;
    readonly by: number;
    readonly sd: number;
    readonly batches: number;
  }[],
): string {
  return writeCsv(
    ['figure', 'key', 'here', 'default', 'off by (ln or logit)', '1 sd of it', 'batches'],
    figures.map(({ name, key, here, usual, by, sd, batches }) => [name, key, here, usual, by, sd, batches]),
  );
}
