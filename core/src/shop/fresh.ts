import type { IngredientRow } from '../larder/index.js';
import type { Supply } from './supply.js';

const DAY_MS = 86_400_000;

/**
 * Days that food keeps from the day it came, whole and where it is usually kept, by group. Kitchen defaults by common practice:
 * the label and the nose come first. What is not here keeps for longer than a kitchen has it.
 */
const BY_GROUP: Readonly<Record<string, number>> = {
  leaves: 4,
  herbs: 5,
  mushrooms: 5,
  stems: 7,
  'fruit vegetables': 7,
  brassicas: 8,
  fruit: 10,
  breads: 4,
  dairy: 7,
  meat: 3,
  roots: 21,
  potatoes: 28,
  alliums: 28,
  squashes: 45,
  cheeses: 21,
  eggs: 21,
  chillies: 14,
};

/** The same of what is unlike its group: dried, frozen, or delicate. */
const BY_ID: Readonly<Record<string, number | undefined>> = {
  'spring-onion': 6,
  leek: 12,
  'wild-garlic': 3,
  'evaporated-milk': undefined,
  butter: 60,
  'salted-butter': 60,
  ghee: undefined,
  parmesan: 60,
  breadcrumbs: undefined,
  croutons: undefined,
  lemon: 21,
  lime: 21,
};
/** What is dried, canned, frozen or in a jar keeps. */
const LASTS = /^(?:dried|canned|frozen)-|-(?:powder|flakes|seed|zest)$/;

/** Days that an ingredient keeps from the day it came; undefined where it keeps for longer than it matters. */
export function freshDaysOf({ id, group }: Pick<IngredientRow, 'id' | 'group'>): number | undefined {
  if (Object.hasOwn(BY_ID, id)) return BY_ID[id];
  return LASTS.test(id) ? undefined : BY_GROUP[group];
}

/** What goes off soon of an ingredient on hand, kg as bought. */
export interface GoingOff {
  readonly ingredient: string;
  readonly name: string;
  readonly kg: number;
  /** When the first of it should be used by; it may lie behind. */
  readonly byMs: number;
  readonly pricePerKg: number;
  /** Food by which people are made ill where it is kept too long: past its day it goes into no soup. */
  readonly isRisky: boolean;
}

const RISKY = new Set(['meat', 'dairy', 'eggs']);

/**
 * What is on hand and goes off before a moment, the first to go first. The oldest is taken to be used first.
 *
 * @param untilMs what has to be used by then is soon.
 */
export function goingOff(supplies: readonly Supply[], rows: readonly IngredientRow[], untilMs: number): GoingOff[] {
  const byId = new Map(rows.map((row) => [row.id, row]));
  return supplies
    .flatMap(({ ingredient, lots }): GoingOff[] => {
      const row = byId.get(ingredient);
      const days = row === undefined ? undefined : freshDaysOf(row);
      if (row === undefined || days === undefined) return [];
      const soon = lots.filter(({ atMs }) => atMs + days * DAY_MS <= untilMs);
      const kg = soon.reduce((sum, lot) => sum + lot.kg, 0);
      if (kg <= NOTHING_KG) return [];
      const byMs = Math.min(...soon.map(({ atMs }) => atMs)) + days * DAY_MS;
      return [{ ingredient, name: row.name, kg, byMs, pricePerKg: row.pricePerKg, isRisky: RISKY.has(row.group) }];
    })
    .sort((a, b) => a.byMs - b.byMs || a.ingredient.localeCompare(b.ingredient));
}
const NOTHING_KG = 0.02;
