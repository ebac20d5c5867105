import { z } from 'zod';

const kg = z.number().positive().max(20_000);

/** What happened to an ingredient in the store: it came, it was counted, it was thrown away. What batches take is known from them. */
export const SupplyActionSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('bought'), kg, pricePerKg: z.number().min(0).max(20_000).optional() }),
  z.strictObject({ kind: z.literal('counted'), kg: z.number().min(0).max(20_000) }),
  z.strictObject({ kind: z.literal('thrown'), kg, why: z.string().trim().min(1).max(120) }),
]);
export type SupplyAction = z.infer<typeof SupplyActionSchema>;

export const SupplyEntrySchema = z.strictObject({
  id: z.uuid(),
  ingredient: z.string().min(1).max(60),
  action: SupplyActionSchema,
  atMs: z.number().int().min(0).max(8.64e15),
  who: z.string().max(30),
});
export type SupplyEntry = z.infer<typeof SupplyEntrySchema>;

/** What a batch took of an ingredient, kg as bought, when it was begun. */
export interface Use {
  readonly ingredient: string;
  readonly kg: number;
  readonly atMs: number;
}

/** One ingredient in the store. Masses kg as bought. */
export interface Supply {
  readonly ingredient: string;
  /** What should be there; less than nothing where more was used than ever came. */
  readonly onHandKg: number;
  readonly boughtKg: number;
  readonly usedKg: number;
  readonly thrownKg: number;
  /** What counts found beyond the record, less where something was missing. */
  readonly foundKg: number;
  /** When it was last counted or came; undefined where neither. */
  readonly knownMs: number | undefined;
  /** What is on hand by when it came, the oldest first: the oldest is taken to be used first. */
  readonly lots: readonly Lot[];
}

/** So much of an ingredient that came at one moment, kg as bought. */
export interface Lot {
  readonly kg: number;
  readonly atMs: number;
}

type Event = { readonly atMs: number; readonly by: number } & (
  | { readonly kind: 'entry'; readonly id: string; readonly action: SupplyAction }
  | { readonly kind: 'use'; readonly id: string; readonly kg: number }
);

const NOTHING: Omit<Supply, 'ingredient'> = {
  onHandKg: 0,
  boughtKg: 0,
  usedKg: 0,
  thrownKg: 0,
  foundKg: 0,
  knownMs: undefined,
  lots: [],
};

/** Lots without so much of the oldest. */
function without(lots: readonly Lot[], kilos: number): Lot[] {
  let left = kilos;
  return lots.flatMap((lot) => {
    const gone = Math.min(left, lot.kg);
    left -= gone;
    return lot.kg - gone > 0 ? [{ ...lot, kg: lot.kg - gone }] : [];
  });
}

/** Lots that come to so much: what is missing is of the oldest, what was found is as old as the newest that is known of. */
function counted(lots: readonly Lot[], kilos: number, atMs: number): Lot[] {
  const there = lots.reduce((sum, lot) => sum + lot.kg, 0);
  if (kilos <= there) return without(lots, there - kilos);
  const last = lots.at(-1) ?? { kg: 0, atMs };
  return [...lots.slice(0, -1), { ...last, kg: last.kg + kilos - there }];
}

function after(before: Omit<Supply, 'ingredient'>, event: Event): Omit<Supply, 'ingredient'> {
  const { onHandKg } = before;
  if (event.kind === 'use')
    return { ...before, onHandKg: onHandKg - event.kg, usedKg: before.usedKg + event.kg, lots: without(before.lots, event.kg) };
  const { action } = event;
  switch (action.kind) {
    case 'bought':
      return {
        ...before,
        onHandKg: onHandKg + action.kg,
        boughtKg: before.boughtKg + action.kg,
        knownMs: event.atMs,
        // What was used before it was entered is of this.
        lots: without([...before.lots, { kg: action.kg, atMs: event.atMs }], Math.max(0, -onHandKg)),
      };
    case 'thrown':
      return {
        ...before,
        onHandKg: onHandKg - action.kg,
        thrownKg: before.thrownKg + action.kg,
        lots: without(before.lots, action.kg),
      };
    case 'counted':
      return {
        ...before,
        onHandKg: action.kg,
        foundKg: before.foundKg + action.kg - onHandKg,
        knownMs: event.atMs,
        lots: counted(before.lots, action.kg, event.atMs),
      };
  }
}

/**
 * What is in the store of every ingredient that anything was entered of or that a batch took. For each: bought + found = used
 * + thrown away + on hand. The order in which entries arrive does not matter; at the same moment what came and what was used
 * stand before what was counted.
 */
export function foldSupplies(entries: readonly SupplyEntry[], uses: readonly Use[]): Supply[] {
  const events = new Map<string, Event[]>();
  const put = (ingredient: string, event: Event): void => {
    const own = events.get(ingredient) ?? [];
    own.push(event);
    events.set(ingredient, own);
  };
  const seen = new Set<string>();
  for (const { id, ingredient, action, atMs } of entries) {
    if (seen.has(id)) continue;
    seen.add(id);
    put(ingredient, { kind: 'entry', id, action, atMs, by: action.kind === 'counted' ? 2 : 1 });
  }
  for (const { ingredient, kg: used, atMs } of uses) put(ingredient, { kind: 'use', id: '', kg: used, atMs, by: 0 });
  return [...events]
    .map(([ingredient, own]): Supply => {
      own.sort((a, b) => a.atMs - b.atMs || a.by - b.by || (a.id < b.id ? -1 : 1));
      return { ingredient, ...own.reduce(after, NOTHING) };
    })
    .sort((a, b) => (a.ingredient < b.ingredient ? -1 : 1));
}

/** What will be left of supplies once something planned has taken its kilos, of the oldest first. */
export function afterNeeds(supplies: readonly Supply[], needKg: ReadonlyMap<string, number>): Supply[] {
  return supplies.map((supply) => {
    const need = needKg.get(supply.ingredient) ?? 0;
    return need <= 0 ? supply : { ...supply, onHandKg: supply.onHandKg - need, lots: without(supply.lots, need) };
  });
}
