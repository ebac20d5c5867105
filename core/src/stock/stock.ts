import { hindered, rulesFor, type CoolingPlace, type CoolingRule, type Hindrance } from '../cold/index.js';
import type { OwnCoolingRule } from '../kit/index.js';
import type { Contents, StockEntry, Store, TakenAs } from './entry.js';
import type { Keeping, Limit, UseByDay } from './keeping.js';

/** A container that cools: how it was set to, and what was read of it. */
export interface Cooling {
  readonly startMs: number;
  readonly startC: number;
  readonly depthM: number;
  readonly place: string;
  readonly isStirred: boolean;
  /** What keeps the air from it. */
  readonly hindered?: readonly Hindrance[] | undefined;
  readonly rule: string;
  readonly words: string;
  /** The kitchen's own rule as it was then, where it is cooled by that. */
  readonly own: OwnCoolingRule | undefined;
  /** Since when its rule counts, where it was set anew on the way. */
  readonly countsFromMs: number | undefined;
  readonly readings: readonly Reading[];
  /** What was read, and told at the start, before it was set anew or parted: what shows how the rule was kept. */
  readonly earlier: readonly Reading[];
}

/** A container in the freeze-dryer. */
export interface Drying {
  readonly startMs: number;
  readonly trays: number;
  readonly squares: number;
  /** What went in, kg. */
  readonly wetKg: number;
  readonly weighings: readonly { readonly entryId: string; readonly atMs: number; readonly kg: number }[];
}

export interface Reading {
  readonly entryId: string;
  readonly atMs: number;
  readonly tempC: number;
}

/** What was told and read of a cooling, in its order. The start of one that was set anew is reckoned, not read. */
export function readingsOf({
  startMs,
  startC,
  countsFromMs,
  earlier,
  readings,
}: Cooling): readonly Pick<Reading, 'atMs' | 'tempC'>[] {
  const start = countsFromMs === undefined && earlier.length === 0 ? [{ atMs: startMs, tempC: startC }] : [];
  return [...start, ...earlier, ...readings];
}

/** The rule that a container is cooled by; undefined for one that is not known here. */
export function coolingRuleOf({ rule, own }: Pick<Cooling, 'rule' | 'own'>): CoolingRule | undefined {
  return rulesFor(own).find(({ id }) => id === rule);
}

/** Where a container cools, as it finds that place: lidded, stacked or set against others. Undefined for a place that is not known here. */
export function coolingPlaceOf(
  { place, hindered: by }: Pick<Cooling, 'place' | 'hindered'>,
  places: readonly CoolingPlace[],
): CoolingPlace | undefined {
  const found = places.find(({ id }) => id === place);
  return found === undefined ? undefined : hindered(found, by ?? []);
}

/** Ways in which soup leaves a container. */
export type Out = TakenAs | 'reheated' | 'dried off' | 'thrown away' | 'split' | 'joined';

/** One container as its entries have it. Masses kg. */
export interface Container {
  readonly id: string;
  readonly vessel: string;
  readonly contents: Contents;
  readonly from: { readonly batchId: string; readonly entryId?: string | undefined } | undefined;
  readonly store: Store;
  readonly state: 'cooling' | 'chilled' | 'frozen' | 'thawed' | 'drying' | 'dried' | 'gone';
  readonly kg: number;
  /** What was ladled into it, and all that came in: by splitting and joining too. */
  readonly filledKg: number;
  readonly inKg: number;
  readonly outKg: Readonly<Partial<Record<Out, number>>>;
  /** What recounting found beyond what was known; negative where less was there. */
  readonly foundKg: number;
  readonly madeMs: number;
  readonly filledMs: number;
  readonly cooling: Cooling | undefined;
  /** In the freeze-dryer: its trays, and what was weighed of it. */
  readonly drying: Drying | undefined;
  readonly driedMs: number | undefined;
  readonly cooledMs: number | undefined;
  readonly frozenMs: number | undefined;
  readonly thawedMs: number | undefined;
  readonly openedMs: number | undefined;
  readonly limit: Limit;
  readonly useBy: UseByDay;
  readonly notes: readonly string[];
  /** When something last happened to it. */
  readonly changedMs: number;
}

/** What could not be booked as it was told. It stays on record and is shown. */
export interface StockNotice {
  readonly entryId: string;
  readonly container: string;
  readonly kind:
    | 'more than was there'
    | 'no such container'
    | 'filled twice'
    | 'into itself'
    | 'frozen and not'
    | 'taken frozen'
    | 'past its day'
    | 'not cooled'
    | 'not in the dryer'
    | 'dried and not'
    | 'heavier than before';
  /** Kilos that were told and not there. */
  readonly kg?: number;
}

export interface Stock {
  readonly containers: ReadonlyMap<string, Container>;
  readonly notices: readonly StockNotice[];
  /** Entries that count, in causal order. */
  readonly counted: readonly StockEntry[];
  readonly undone: ReadonlySet<string>;
}

/** Less than this is nothing, kg. */
export const NOTHING_KG = 0.0005;

/** What folding needs to know of the kitchen. */
export interface StockRules {
  readonly keeping: Keeping;
  /** The calendar day of a moment where the kitchen stands, YYYY-MM-DD. */
  readonly dayOf: (ms: number) => string;
}
