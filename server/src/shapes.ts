import { EntryShape, liftEntry, type BatchTimer, type Entry } from '@tureen/core/batch';
import { DaySchema, MenuCycleSchema, type Day, type MenuCycle } from '@tureen/core/board';
import { KitShape, LearnedSchema, liftKit, type Kit, type Learned } from '@tureen/core/kit';
import { IngredientSchema, type IngredientRow } from '@tureen/core/larder';
import type { Evidence, FigureChoice } from '@tureen/core/learn';
import {
  PlanRequestSchema,
  SnapshotSchema,
  type Figures,
  type PlanRequest,
  type ShelfFacts,
  type Snapshot,
} from '@tureen/core/plan';
import { renamed, type Shape } from '@tureen/core/shape';
import { BuyingSchema, SupplyEntrySchema, type Buying, type SupplyEntry } from '@tureen/core/shop';
import { SoupShape, liftSoup, type Soup } from '@tureen/core/soup';
import { ContentsSchema, StockEntrySchema, StoreSchema, type Container, type StockEntry } from '@tureen/core/stock';
import { z } from 'zod';

/** Figures of a batch as they stood when it was closed; a newer core never rewrites them. */
export interface ClosedFigures {
  readonly planned: Figures;
  readonly actual: Figures;
  readonly dishedBowls: number | null;
  readonly coreVersion: string;
}

/** What of a soup the shelf lists beside its facts. */
export interface ShelfRow extends Pick<Soup, 'id' | 'name' | 'lead' | 'school' | 'served'> {
  readonly bowlG: number;
  readonly ingredients: readonly string[];
  readonly garnished: boolean;
  readonly createdAtMs: number;
}

/** JSON has no "undefined": what was undefined when it was written is absent when it is read. */
function as<T>(schema: z.ZodType): z.ZodType<T> {
  return schema as z.ZodType<T>;
}

const number = z.number();
const strings = z.array(z.string());
// Facts may gain fields; what was written without them is still what was known then.
const FiguresSchema = z.object({
  cookedKg: number,
  servedKg: number,
  bowls: number,
  minutes: number,
  saltPct: number,
  bodyMPas: number,
  cost: number,
  facts: z.looseObject({ massG: number, saltG: number, allergens: strings }).optional(),
});

function liftSnapshot(older: unknown): unknown {
  const lifted = renamed(older, { ask: 'request' }) as { readonly soup: unknown; readonly kit: unknown };
  return { ...lifted, soup: liftSoup(lifted.soup), kit: liftKit(lifted.kit) };
}

export const KIT: Shape<Kit> = { name: 'kit', lifts: [liftKit], schema: as(KitShape) };
export const SOUP: Shape<Soup> = { name: 'soup', lifts: [liftSoup], schema: as(SoupShape) };
export const ENTRY: Shape<Entry> = { name: 'entry', lifts: [liftEntry], schema: as(EntryShape) };
export const REQUEST: Shape<PlanRequest> = { name: 'request', lifts: [], schema: as(PlanRequestSchema) };
export const FIGURES: Shape<Figures> = { name: 'figures', lifts: [], schema: as(FiguresSchema) };
export const MENU_CYCLE: Shape<MenuCycle> = { name: 'menu of weeks', lifts: [], schema: as(MenuCycleSchema) };
export const DAY: Shape<Day> = { name: 'day', lifts: [], schema: as(DaySchema) };
export const SUPPLY_ENTRY: Shape<SupplyEntry> = { name: 'supply entry', lifts: [], schema: as(SupplyEntrySchema) };
export const BUYING: Shape<Buying> = { name: 'way of buying', lifts: [], schema: as(BuyingSchema) };
export const NAMES: Shape<readonly string[]> = { name: 'names', lifts: [], schema: as(strings) };
export const SNAPSHOT: Shape<Snapshot> = {
  name: 'plan',
  lifts: [liftSnapshot],
  schema: as(SnapshotSchema),
};
export const CLOSED: Shape<ClosedFigures> = {
  name: 'closed figures',
  lifts: [],
  schema: as(z.object({ planned: FiguresSchema, actual: FiguresSchema, dishedBowls: number.nullable(), coreVersion: z.string() })),
};
export const SHELF_ROW: Shape<ShelfRow> = {
  name: 'shelf row',
  lifts: [],
  schema: as(
    z.object({
      id: z.string(),
      name: z.string(),
      lead: z.string(),
      school: z.enum(['roast', 'sweat', 'raw']),
      served: z.enum(['hot', 'cold']),
      bowlG: number,
      ingredients: strings,
      garnished: z.boolean(),
      createdAtMs: number,
    }),
  ),
};
export const SHELF_FACTS: Shape<ShelfFacts> = {
  name: 'shelf facts',
  lifts: [],
  schema: as(
    z.object({
      colour: z.string(),
      creamShare: number,
      allergens: strings,
      diets: z.object({ vegan: z.boolean(), vegetarian: z.boolean(), glutenFree: z.boolean(), dairyFree: z.boolean() }).optional(),
      bodyMPas: number,
      minutes: number,
      names: strings,
    }),
  ),
};
export const TIMER: Shape<BatchTimer> = {
  name: 'timer',
  lifts: [],
  schema: as(
    z.object({
      id: z.string(),
      entryId: z.string(),
      name: z.string(),
      stepId: z.string().optional(),
      startedAtMs: number,
      endsAtMs: number,
      silenced: z.boolean(),
      every: z.object({ minutes: number, of: z.string() }).optional(),
    }),
  ),
};
/** A correction: a row of the cook's own, or null where it is taken back. */
export const CORRECTION: Shape<IngredientRow | null> = { name: 'larder row', lifts: [], schema: as(IngredientSchema.nullable()) };
export const STOCK_ENTRY: Shape<StockEntry> = { name: 'stock entry', lifts: [], schema: as(StockEntrySchema) };
/** A container: made anew from its entries whenever it is written, so only what is read of it is checked. */
export const CONTAINER: Shape<Container> = {
  name: 'container',
  lifts: [],
  schema: as(
    z.looseObject({
      id: z.string(),
      vessel: z.string(),
      contents: ContentsSchema,
      store: StoreSchema,
      state: z.enum(['cooling', 'chilled', 'frozen', 'thawed', 'drying', 'dried', 'gone']),
      kg: number,
      madeMs: number,
      useBy: z.looseObject({ day: z.string() }),
    }),
  ),
};

const rows = z.array(z.array(number));
/** A closed batch and what it has to say: how far it is from the others, and whether it counts. */
export interface TeachingBatch {
  readonly batchId: string;
  readonly soupId: string;
  readonly soupName: string;
  readonly startedAtMs: number;
  readonly oddSd: number;
  readonly weight: number;
  /** It is so unlike the others that it teaches nothing until the cook says whether it should. */
  readonly waits: boolean;
  readonly counts: boolean;
  /** Figures that it speaks of. */
  readonly keys: readonly string[];
}

/** What the batches of a kitchen have taught: the figures, which of them go together, and from what they were learnt. */
export interface LearnedState {
  /** The version of the sums that it was made by. */
  readonly coreVersion: string;
  readonly learned: Learned;
  /** 1 sd of each figure before anything was learnt, in the order of the figures. */
  readonly priorSd: readonly number[];
  readonly choices: readonly FigureChoice[];
  readonly batches: readonly TeachingBatch[];
}

export const LEARNED_STATE: Shape<LearnedState> = {
  name: 'what was learnt',
  lifts: [],
  schema: as(
    z.object({
      coreVersion: z.string(),
      learned: LearnedSchema,
      priorSd: z.array(number),
      choices: z.array(z.object({ key: z.string(), holds: number.optional(), sinceMs: number.optional() })),
      batches: z.array(
        z.object({
          batchId: z.string(),
          soupId: z.string(),
          soupName: z.string(),
          startedAtMs: number,
          oddSd: number,
          weight: number,
          waits: z.boolean(),
          counts: z.boolean(),
          keys: strings,
        }),
      ),
    }),
  ),
};
export const EVIDENCE: Shape<Evidence> = {
  name: 'evidence',
  lifts: [],
  schema: as(
    z.object({
      keys: strings,
      priorSd: z.array(number),
      seen: z.array(number),
      slopes: rows,
      spread: rows,
      rows: z.array(z.object({ device: z.string(), stepId: z.string() })),
    }),
  ),
};
