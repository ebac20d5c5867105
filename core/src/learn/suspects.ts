import type { Action, CookedBatch, StoredEntry } from '../batch/index.js';
import { SALT, WATER, type IngredientRow } from '../larder/index.js';
import { potKg } from '../pot/index.js';
import type { PreparedSoup } from '../runner/index.js';
import { kindOf, type SoupStep } from '../soup/index.js';

/** What may have gone wrong with a record, so that readings and entries disagree. Volumes m3, masses kg. */
export type Suspect =
  | { readonly what: 'measure'; readonly vessel: string; readonly as: string | undefined; readonly ratio: number }
  | {
      readonly what: 'unit';
      readonly entryId: string;
      readonly line: string;
      readonly kg: number;
      readonly as: UnitSlip;
      readonly isKg: number;
    }
  | { readonly what: 'twice'; readonly entryId: string; readonly line: string; readonly kg: number | undefined }
  | { readonly what: 'missing'; readonly stepId: string; readonly line: string; readonly kg: number }
  | { readonly what: 'tare'; readonly tareKg: number; readonly was: 'left on' | 'taken twice' }
  | { readonly what: 'pot'; readonly potId: string; readonly name: string }
  | { readonly what: 'another'; readonly line: string; readonly row: IngredientRow }
  | { readonly what: 'not done'; readonly entryId: string; readonly stepId: string };

export type UnitSlip = 'pounds' | 'ounces' | 'grams' | 'tablespoons' | 'teaspoons' | 'tenfold' | 'tenth';

/** A suspect with how often such a thing happens in a batch, and the entries as they would be if it did. */
export interface Hypothesis {
  readonly suspect: Suspect;
  readonly prior: number;
  readonly entries: readonly StoredEntry[];
  /** A step that gave nothing after all. */
  readonly notGiven?: string;
  /** An amount that is found out by the readings: so far `kg` of it, and 1 sd of what it may be. */
  readonly unknown?: { readonly kg: number; readonly sdKg: number };
}

/** How often such a thing happens in a batch. Kitchen defaults. */
const OFTEN = { measure: 0.03, unit: 0.01, twice: 0.01, missing: 0.03, tare: 0.01, pot: 0.005, another: 0.01, notDone: 0.01 };

/** What a number means when it was written in another unit: the kilos that are really there for each kilo entered. */
const SLIPS: readonly { readonly as: UnitSlip; readonly factor: number; readonly mostKg: number; readonly leastKg: number }[] = [
  { as: 'pounds', factor: 0.453_592_37, mostKg: 1e4, leastKg: 0.2 },
  { as: 'ounces', factor: 28.349_523_125, mostKg: 1, leastKg: 0 },
  { as: 'grams', factor: 1 / 28.349_523_125, mostKg: 1e4, leastKg: 0.02 },
  { as: 'tablespoons', factor: 3, mostKg: 0.2, leastKg: 0 },
  { as: 'teaspoons', factor: 1 / 3, mostKg: 0.5, leastKg: 0 },
  { as: 'tenfold', factor: 10, mostKg: 3, leastKg: 0 },
  { as: 'tenth', factor: 0.1, mostKg: 1e4, leastKg: 0.05 },
];

/** Ladles of neighbouring sizes, where the kit names none that would explain it. */
const NEXT_SIZES = [0.5, 2 / 3, 0.75, 4 / 3, 1.5, 2];
/** Two entries of the same amount so near each other may be one: ms. */
const TWICE_WITHIN_MS = 15 * 60_000;
/** What an addition that nobody entered comes to, of the pot, 1 sd. Kitchen default. */
const MISSING_SHARE = 0.08;
/** How much less often something goes in at a step that never asks for it. Kitchen default. */
const ELSEWHERE = 0.2;
/** What counts as a liquid that is poured: so much water in it. */
const POURED_WATER = 0.6;
/** Of two ingredients that are taken for one another: words of more than three letters that their names share, and least difference of their salt, kg/kg. */
const SHARED_WORDS = 2;
const OTHER_SALT = 0.003;
/** Two sizes of a measure nearer than this are one, ln. */
const SAME_SIZE_LN = 0.1;
/** Salt that may go in without being entered, of the pot, 1 sd: half of what a soup wants. Kitchen default. */
const MISSING_SALT_SHARE = 0.004;
/** How likely an amount is to be one entered twice where no other like it stands near, against one that does. Kitchen default. */
const NO_REPEAT = 0.2;
/** What an entry can hold at most: kg, m3, m. */
const MOST_KG = 5000;
const MOST_POURED_M3 = 1;
const MOST_BELOW_M = 3;

/** Amounts that are looked at one by one: the largest of them, in their order. What is smaller could not be told from chance. */
const MOST_LOOKED_AT = 40;
/** Entries folded in all while looking for what is wrong: a batch of very many is looked at by its likelier slips alone. */
const MOST_FOLDED = 60_000;
const LEAST_TRIED = 12;

function amountOf({ action }: StoredEntry): number {
  return action.kind === 'poured' ? action.volumeM3 * 1000 : action.kind === 'added' || action.kind === 'brought' ? action.kg : 0;
}

function heaviest(entries: readonly StoredEntry[]): readonly StoredEntry[] {
  if (entries.length <= MOST_LOOKED_AT) return entries;
  const kept = new Set([...entries].sort((a, b) => amountOf(b) - amountOf(a)).slice(0, MOST_LOOKED_AT));
  return entries.filter((entry) => kept.has(entry));
}

/** What an entry would say if a suspect is so: itself where it has nothing to do with it. The one place that knows. */
export function entryIf(suspect: Suspect, { kit, vessel }: Pick<PreparedSoup, 'kit' | 'vessel'>): (entry: StoredEntry) => Action {
  const other = suspect.what === 'pot' ? kit.pots.find(({ id }) => id === suspect.potId) : undefined;
  return ({ id, action }) => {
    switch (suspect.what) {
      case 'measure':
        return action.kind === 'poured' && action.vessel === suspect.vessel
          ? { ...action, vessel: suspect.as ?? action.vessel, volumeM3: Math.min(MOST_POURED_M3, action.volumeM3 * suspect.ratio) }
          : action;
      case 'unit':
        return id === suspect.entryId && (action.kind === 'added' || action.kind === 'brought')
          ? { ...action, kg: Math.min(MOST_KG, suspect.isKg) }
          : action;
      case 'tare':
        if (action.kind !== 'weighed' || (action.tareKg === 0) !== (suspect.was === 'left on')) return action;
        return { ...action, tareKg: suspect.was === 'left on' ? suspect.tareKg : 0 };
      case 'pot': {
        if (action.kind !== 'dipped' || other === undefined) return action;
        // As far below this pot's rim as what stands in the other one would reach here.
        const standsM = ((other.depthM - action.belowRimM) * other.widthM ** 2) / vessel.widthM ** 2;
        return { ...action, belowRimM: Math.min(MOST_BELOW_M, Math.max(0, vessel.depthM - standsM)) };
      }
      case 'not done':
        return id === suspect.entryId && action.kind === 'done' ? { kind: 'skipped', stepId: action.stepId } : action;
      case 'twice':
      case 'missing':
      case 'another':
        return action;
    }
  };
}

function entriesIf(suspect: Suspect, { prepared, history }: CookedBatch['state']): StoredEntry[] {
  const of = entryIf(suspect, prepared);
  return history.counted.map((entry) => {
    const action = of(entry);
    return action === entry.action ? entry : { ...entry, action };
  });
}

function measures({ state }: CookedBatch): Hypothesis[] {
  const { counted } = state.history;
  const { ladles } = state.prepared.kit;
  const vessels = new Set(counted.flatMap(({ action }) => (action.kind === 'poured' ? [action.vessel] : [])));
  return [...vessels].flatMap((vessel) => {
    const own = ladles.find(({ name }) => name === vessel)?.volumeM3;
    const others = ladles.flatMap(({ name, volumeM3 }) =>
      own === undefined || name === vessel ? [] : [{ as: name, ratio: volumeM3 / own }],
    );
    const sizes = NEXT_SIZES.filter((ratio) => others.every((other) => Math.abs(Math.log(other.ratio / ratio)) > SAME_SIZE_LN)).map(
      (ratio) => ({ as: undefined, ratio }),
    );
    const all = [
      ...others.map((one) => ({ ...one, often: 0.5 / others.length })),
      ...sizes.map((one) => ({ ...one, often: 0.5 / sizes.length })),
    ];
    return all.map(({ as, ratio, often }): Hypothesis => {
      const suspect: Suspect = { what: 'measure', vessel, as, ratio };
      return { suspect, prior: OFTEN.measure * often, entries: entriesIf(suspect, state) };
    });
  });
}

function units({ state }: CookedBatch): Hypothesis[] {
  const { counted } = state.history;
  const added = heaviest(counted.filter(({ action }) => action.kind === 'added' || action.kind === 'brought'));
  return added.flatMap(({ id, action: own }) => {
    if (own.kind !== 'added' && own.kind !== 'brought') return [];
    const slips = SLIPS.filter(({ mostKg, leastKg }) => own.kg >= leastKg && own.kg <= mostKg);
    return slips.map(({ as, factor }): Hypothesis => {
      const suspect: Suspect = { what: 'unit', entryId: id, line: own.line, kg: own.kg, as, isKg: own.kg * factor };
      return { suspect, prior: OFTEN.unit / (added.length * slips.length), entries: entriesIf(suspect, state) };
    });
  });
}

function twice({ state }: CookedBatch): Hypothesis[] {
  const { counted } = state.history;
  const given = heaviest(
    counted.filter(({ action }) => action.kind === 'added' || action.kind === 'poured' || action.kind === 'brought'),
  );
  return given.flatMap((entry, n): Hypothesis[] => {
    const { action } = entry;
    if (action.kind !== 'added' && action.kind !== 'poured' && action.kind !== 'brought') return [];
    const isRepeat = given.slice(0, n).some((other) => {
      const amount = other.action.kind === 'poured' ? other.action.volumeM3 : 'kg' in other.action ? other.action.kg : 0;
      const own = action.kind === 'poured' ? action.volumeM3 : action.kg;
      return (
        'line' in other.action &&
        other.action.line === action.line &&
        amount === own &&
        Math.abs(other.atMs - entry.atMs) <= TWICE_WITHIN_MS
      );
    });
    const share = action.kind === 'poured' ? undefined : action.kg;
    return [
      {
        suspect: { what: 'twice', entryId: entry.id, line: action.line, kg: share },
        prior: (OFTEN.twice * (isRepeat ? 1 : NO_REPEAT)) / given.length,
        entries: counted.filter(({ id }) => id !== entry.id),
      },
    ];
  });
}

/** Lines that are poured or shaken in: what is added without being entered is one of these. */
function pouredLines({ prepared, state }: CookedBatch): readonly {
  readonly id: string;
  readonly row: IngredientRow;
  readonly isSalt: boolean;
  readonly plannedKg: number;
  readonly at: ReadonlySet<string>;
}[] {
  const lets = new Set(state.run.records.flatMap(({ step }) => (step.op === 'thin' || step.op === 'cover' ? [step.line] : [])));
  const at = new Map<string, Set<string>>();
  for (const { step, inflows } of state.run.records) {
    for (const { lineId } of inflows) at.set(lineId, (at.get(lineId) ?? new Set()).add(step.id));
  }
  const seen = new Set<string>();
  return prepared.lines.flatMap(({ line: { id, ingredient } }) => {
    const isSalt = ingredient.perKg[SALT] > 0.5;
    const isPoured = ingredient.row.softening === 0 && (ingredient.perKg[WATER] > POURED_WATER || isSalt);
    if (!isPoured || seen.has(ingredient.row.id)) return [];
    seen.add(ingredient.row.id);
    const plannedKg = (state.inKg.get(id) ?? 0) + (state.toGoKg.get(id) ?? 0);
    return [{ id, row: ingredient.row, isSalt, plannedKg: lets.has(id) ? Infinity : plannedKg, at: at.get(id) ?? new Set() }];
  });
}

/** What is called by its own name beside a line that went in as planned. */
export function uncountedLine(line: string): string {
  return `${line.slice(0, 40)}-uncounted`;
}

function missing(cooked: CookedBatch, uuid: string): Hypothesis[] {
  const { counted } = cooked.state.history;
  const lines = pouredLines(cooked);
  const kg = Math.max(0.1, potKg(cooked.state.pot));
  const saltKg = kg * MISSING_SALT_SHARE;
  // An addition shows from the reading behind it on: one place before each step that was read at is enough.
  const places = new Map<string, StoredEntry>();
  for (const entry of counted) {
    const { action } = entry;
    const isRead = action.kind === 'weighed' || action.kind === 'dipped' || action.kind === 'body' || action.kind === 'salt';
    if (isRead && !places.has(action.stepId)) places.set(action.stepId, entry);
  }
  // Steps between one reading and the next: what goes in there by its own step is likelier to have been forgotten.
  const order = cooked.state.planned.run.records.map(({ step }) => step.id);
  let from = 0;
  return [...places].flatMap(([stepId, before]) => {
    const until = order.indexOf(stepId) + 1;
    const between = new Set(order.slice(from, until));
    from = Math.max(from, until - 1);
    return lines.map(({ id: line, row, isSalt, plannedKg, at: ownSteps }): Hypothesis => {
      const trial = isSalt ? saltKg / 4 : kg * 0.02;
      const entry: StoredEntry = {
        ...before,
        id: uuid,
        stamp: { ...before.stamp, counter: before.stamp.counter - 1 },
        action: { kind: 'brought', stepId, line: uncountedLine(line), row, kg: trial },
      };
      const isOwn = [...ownSteps].some((own) => between.has(own));
      return {
        suspect: { what: 'missing', stepId, line, kg: trial },
        prior: (OFTEN.missing * (isOwn ? 1 : ELSEWHERE)) / (places.size * lines.length),
        entries: [...counted, entry],
        unknown: { kg: trial, sdKg: isSalt ? saltKg : Math.min(kg * MISSING_SHARE, Math.max(0.02 * kg, plannedKg)) },
      };
    });
  });
}

function tares({ state }: CookedBatch): Hypothesis[] {
  const { counted } = state.history;
  const { tareKg } = state.prepared.vessel;
  const weighed = counted.filter(({ action }) => action.kind === 'weighed');
  if (weighed.length === 0 || tareKg <= 0) return [];
  return (['left on', 'taken twice'] as const).flatMap((was): Hypothesis[] => {
    const suspect: Suspect = { what: 'tare', tareKg, was };
    const entries = entriesIf(suspect, state);
    return entries.some((entry, n) => entry !== counted[n]) ? [{ suspect, prior: OFTEN.tare, entries }] : [];
  });
}

function pots({ state }: CookedBatch): Hypothesis[] {
  const { counted } = state.history;
  const { kit, vessel } = state.prepared;
  if (!counted.some(({ action }) => action.kind === 'dipped')) return [];
  const others = kit.pots.filter(({ id }) => id !== vessel.id);
  return others.map(({ id, name }): Hypothesis => {
    const suspect: Suspect = { what: 'pot', potId: id, name };
    return { suspect, prior: OFTEN.pot / others.length, entries: entriesIf(suspect, state) };
  });
}

/** Rows that one might take for another by their names, and that differ in salt. */
function lookAlikes(row: IngredientRow, rows: readonly IngredientRow[]): IngredientRow[] {
  const words = new Set(row.name.toLowerCase().split(/[^\p{L}]+/u));
  return rows.filter(
    (other) =>
      other.id !== row.id &&
      Math.abs(saltShare(other) - saltShare(row)) > OTHER_SALT &&
      other.softening === row.softening &&
      other.name
        .toLowerCase()
        .split(/[^\p{L}]+/u)
        .filter((word) => word.length > 3 && words.has(word)).length >= SHARED_WORDS,
  );
}

function others(
  { state }: CookedBatch,
  rows: readonly IngredientRow[],
  first: StoredEntry | undefined,
  uuid: string,
): Hypothesis[] {
  if (first === undefined) return [];
  const { counted } = state.history;
  const found = state.prepared.lines.flatMap(({ line: { id, ingredient } }) =>
    lookAlikes(ingredient.row, rows).map((row) => ({ line: id, row })),
  );
  return found.map(({ line, row }): Hypothesis => {
    const entry: StoredEntry = {
      ...first,
      id: uuid,
      stamp: { ...first.stamp, counter: 0 },
      action: { kind: 'swapped', line, row },
    };
    return { suspect: { what: 'another', line, row }, prior: OFTEN.another / found.length, entries: [entry, ...counted] };
  });
}

function saltShare({ composition }: IngredientRow): number {
  return composition.salt / 100;
}

/** Steps whose tick alone says that something was given or boiled away. */
function isGiving(step: SoupStep): boolean {
  return step.op === 'add' || step.op === 'season' || step.op === 'cream' || (step.op !== 'join' && kindOf(step).told);
}

function ticks({ state }: CookedBatch): Hypothesis[] {
  const { counted } = state.history;
  const steps = new Map(state.planned.run.records.map(({ step }) => [step.id, step]));
  const byHand = new Set(
    counted.flatMap(({ action }) => (action.kind === 'added' || action.kind === 'poured' ? [action.stepId] : [])),
  );
  const ticked = counted.filter(({ action }) => {
    const step = action.kind === 'done' ? steps.get(action.stepId) : undefined;
    return step !== undefined && isGiving(step) && !byHand.has(step.id);
  });
  return ticked.flatMap(({ id, action }): Hypothesis[] => {
    if (action.kind !== 'done') return [];
    const { stepId } = action;
    const suspect: Suspect = { what: 'not done', entryId: id, stepId };
    return [{ suspect, prior: OFTEN.notDone / ticked.length, notGiven: stepId, entries: entriesIf(suspect, state) }];
  });
}

/** An id that no entry has and that comes before all others. */
export const NOBODYS = '00000000-0000-4000-8000-000000000000';

/**
 * Everything single that may be wrong with a batch's record.
 *
 * @param rows larder rows that somebody might have taken by mistake.
 */
export function hypothesesOf(cooked: CookedBatch, rows: readonly IngredientRow[]): Hypothesis[] {
  const all = [
    ...measures(cooked),
    ...units(cooked),
    ...twice(cooked),
    ...missing(cooked, NOBODYS),
    ...tares(cooked),
    ...pots(cooked),
    ...others(cooked, rows, cooked.state.history.counted[0], NOBODYS),
    ...ticks(cooked),
  ];
  const most = Math.max(LEAST_TRIED, Math.floor(MOST_FOLDED / Math.max(1, cooked.state.history.counted.length)));
  return all.length <= most ? all : all.sort((a, b) => b.prior - a.prior).slice(0, most);
}
