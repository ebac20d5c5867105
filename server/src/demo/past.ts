import { ENTRY_SHAPE, type Action, type Entry } from '@tureen/core/batch';
import { rerun, type Snapshot } from '@tureen/core/plan';
import { HiddenKitchen, SimulatedCook } from '@tureen/core/practice';
import type { Draw } from './draw.js';

/** What goes wrong with the record of two of these batches: the Ledger finds it. */
export type Slip = 'jugs were poured and not entered' | 'the pot was left on the scale';

/** One finished batch of the canteen: how long ago, of what, and what became of it. */
export interface PastBatch {
  readonly daysAgo: number;
  readonly soup: string;
  readonly bowls: number;
  readonly bowlG: number;
  readonly potId: string;
  /** Bowls that were kept in the cold, and whether they were frozen. */
  readonly keeps?: { readonly bowls: number; readonly isFrozen: boolean };
  readonly slip?: Slip;
}

/** What is cooked in turn, for about how many, of how much, in which pot. Invented. */
const TURNS: readonly (readonly [soup: string, bowls: number, bowlG: number, potId: string])[] = [
  ['beetroot-horseradish', 75, 300, 'boiler-40'],
  ['celeriac-leek-apple', 65, 300, 'boiler-40'],
  ['parsnip-butter', 65, 300, 'boiler-40'],
  ['swede-barley', 60, 300, 'boiler-40'],
  ['squash-coconut-chilli', 60, 300, 'boiler-40'],
  ['beetroot-horseradish', 80, 300, 'boiler-40'],
  ['celeriac-leek-apple', 40, 300, 'stockpot-20'],
  ['pea-lettuce-cold', 50, 250, 'boiler-40'],
  ['parsnip-butter', 70, 300, 'boiler-40'],
  ['fennel-egg-cream', 40, 300, 'stockpot-20'],
];

/** What stands in the record beside the turns: leftovers that are still there, and the two slips. */
const OWN: readonly PastBatch[] = [
  {
    daysAgo: 69,
    soup: 'beetroot-horseradish',
    bowls: 75,
    bowlG: 300,
    potId: 'boiler-40',
    slip: 'jugs were poured and not entered',
  },
  {
    daysAgo: 62,
    soup: 'celeriac-leek-apple',
    bowls: 40,
    bowlG: 300,
    potId: 'stockpot-20',
    slip: 'the pot was left on the scale',
  },
  {
    daysAgo: 33,
    soup: 'beetroot-horseradish',
    bowls: 80,
    bowlG: 300,
    potId: 'boiler-40',
    keeps: { bowls: 12, isFrozen: true },
  },
  { daysAgo: 24, soup: 'parsnip-butter', bowls: 80, bowlG: 300, potId: 'boiler-40', keeps: { bowls: 9, isFrozen: true } },
  { daysAgo: 9, soup: 'beetroot-horseradish', bowls: 80, bowlG: 300, potId: 'boiler-40', keeps: { bowls: 6, isFrozen: true } },
  { daysAgo: 3, soup: 'celeriac-leek-apple', bowls: 80, bowlG: 300, potId: 'boiler-40', keeps: { bowls: 11, isFrozen: false } },
];

const FIRST_DAY = 87;
const LAST_DAY = 2;
const WEEK = 7;
/** The canteen is shut on two days of seven. */
const SHUT = new Set([0, 6]);
/** Bowls asked for are a round number. */
const ROUND = 5;
/** The canteen, out of all kitchens that the bench can draw. */
export const KITCHEN = 66;
/** Its fridges and walk-in, drawn by themselves. */
export const COLD_PLACES = 10;
const MINUTE_MS = 60_000;
const JUG_M3 = 1e-3;
/** Jugs that were poured while somebody asked for the key of the van: those after the first, before the fifth. */
const FORGOTTEN = { after: 1, upTo: 5 };
/** How far the minutes of a step stray from the plan's, 1 sd of ln. */
const PACE_STRAYS = 0.08;

/** A quarter of a year of the canteen, the oldest first. */
export function quarterOf(draw: Draw): readonly PastBatch[] {
  const own = new Map(OWN.map((batch) => [batch.daysAgo, batch]));
  const list: PastBatch[] = [];
  let turn = 0;
  for (let daysAgo = FIRST_DAY; daysAgo >= LAST_DAY; daysAgo--) {
    const planted = own.get(daysAgo);
    if (planted !== undefined) list.push(planted);
    if (planted !== undefined || SHUT.has(daysAgo % WEEK)) continue;
    const [soup, about, bowlG, potId] = TURNS[turn % TURNS.length] ?? TURNS[0] ?? ['', 0, 0, ''];
    turn += 1;
    list.push({ daysAgo, soup, bowls: Math.round((about * draw.around(0.1)) / ROUND) * ROUND, bowlG, potId });
  }
  return list;
}

/** Batches by the week in which they were cooked: a week is planned at once. */
export function byWeek(quarter: readonly PastBatch[]): readonly (readonly PastBatch[])[] {
  const weeks = new Map<number, PastBatch[]>();
  for (const batch of quarter) {
    const week = Math.floor(batch.daysAgo / WEEK);
    weeks.set(week, [...(weeks.get(week) ?? []), batch]);
  }
  return [...weeks.values()];
}

/** What gets on record where something was forgotten. */
function slipOf(slip: Slip | undefined): (action: Action) => Action | undefined {
  let jugs = 0;
  return (action) => {
    if (slip === 'the pot was left on the scale' && action.kind === 'weighed') return { ...action, tareKg: 0 };
    if (slip !== 'jugs were poured and not entered' || action.kind !== 'poured') return action;
    jugs += 1;
    return jugs > FORGOTTEN.after && jugs < FORGOTTEN.upTo ? undefined : action;
  };
}

/**
 * The entries of a batch of the canteen, cooked in the bench: its pot is what really stood there, its record what its cook
 * read and pressed. The same draw gives the same batch.
 *
 * @param jug what liquid is poured with; by the card where the kit has none.
 */
export function cookedLongAgo(
  snapshot: Snapshot,
  batch: PastBatch,
  draw: Draw,
  startMs: number,
  jug: { readonly name: string } | undefined,
): readonly Entry[] {
  const cook = new SimulatedCook(rerun(snapshot), {
    seed: KITCHEN * 1000 + batch.daysAgo,
    hidden: new HiddenKitchen(KITCHEN),
    // The small pot goes onto the scale, the boiler is bolted down.
    instruments: { mass: batch.potId === 'stockpot-20' ? 'scale' : 'dip', body: 'viscometer', meter: true },
    slip: slipOf(batch.slip),
    habits: { paceStrays: PACE_STRAYS, ...(jug === undefined ? {} : { jug: { name: jug.name, volumeM3: JUG_M3 } }) },
    writes: (n, action, minute) => ({
      id: draw.uuid(),
      shape: ENTRY_SHAPE,
      stamp: { counter: n, device: 'quay-tablet', seq: n },
      atMs: Math.round(startMs + minute * MINUTE_MS),
      who: n % 2 === 0 ? 'MO' : 'JT',
      action,
    }),
  });
  cook.cook();
  cook.serves(batch.keeps?.bowls);
  return cook.entries;
}
