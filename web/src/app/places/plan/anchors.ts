import { deepEqual } from 'fast-equals';
import type { Kit } from '@tureen/core/kit';
import type { IngredientRow } from '@tureen/core/larder';
import { PlanRequestSchema, LEAST_BOWL_G, MOST_BOWLS, MOST_BOWL_G, type PlanRequest } from '@tureen/core/plan';
import type { Anchor } from '@tureen/core/solve';
import { walk, type Soup } from '@tureen/core/soup';

export type By = Anchor['by'];

/** Sides from which a batch can be wanted, in the order in which they are offered, and how each reads in the sentence. */
export const SIDES: readonly { readonly by: By; readonly name: string; readonly unit: string }[] = [
  { by: 'bowls', name: 'so many bowls', unit: 'bowls' },
  { by: 'kg', name: 'so many kilos', unit: 'kg of soup' },
  { by: 'litres', name: 'so many litres', unit: 'L of soup' },
  { by: 'on hand', name: 'all of what is on hand', unit: 'kg on hand' },
  { by: 'carton', name: 'until cartons are used up', unit: 'cartons used up' },
  { by: 'pot', name: 'what fits the pot', unit: 'what fits the pot' },
  { by: 'trays', name: 'so many oven trays', unit: 'oven trays' },
  { by: 'jugs', name: 'so many blender jugs', unit: 'blender jugs' },
];

/** What a cook has said so far; what is missing is not guessed. */
export interface Wanted {
  readonly by: By;
  readonly amount: number | null;
  readonly bowlG: number | null;
  readonly potId: string | undefined;
  readonly ingredient: string | undefined;
  readonly line: string | undefined;
  readonly cartonKg: number | null;
  readonly variant: string | undefined;
  readonly without: readonly string[];
  /** Kept soup that goes in. */
  readonly kept: NonNullable<PlanRequest['kept']>;
  /** Bowls that are brought back from the cold beside them. */
  readonly broughtBack: number;
}

/** Before the cook has said anything. */
export const NOTHING_YET: Wanted = {
  by: 'bowls',
  amount: null,
  bowlG: null,
  potId: undefined,
  ingredient: undefined,
  line: undefined,
  cartonKg: null,
  variant: undefined,
  without: [],
  kept: [],
  broughtBack: 0,
};

/** An ask, but for the pot where any will do. */
export type OpenAsk = Omit<PlanRequest, 'potId'> & { readonly potId?: string | undefined };

function anchorOf({ by, amount, ingredient, line, cartonKg }: Wanted): Anchor | undefined {
  if (by === 'pot') return { by };
  if (amount === null || !(amount > 0)) return undefined;
  switch (by) {
    case 'bowls':
      return { by, bowls: amount };
    case 'kg':
      return { by, kg: amount };
    case 'litres':
      return { by, litres: amount };
    case 'on hand':
      return ingredient === undefined ? undefined : { by, ingredient, kg: amount };
    case 'carton':
      return line === undefined || cartonKg === null || !(cartonKg > 0)
        ? undefined
        : { by, line, cartons: Math.max(1, Math.round(amount)), cartonKg };
    case 'trays':
      return { by, trays: Math.max(1, Math.round(amount)) };
    case 'jugs':
      return { by, jugs: Math.max(1, Math.round(amount)) };
  }
}

/** What the cook wants as an ask; undefined while something is missing or absurd. */
export function requestOf(wanted: Wanted, soup: Soup, kit: Kit): OpenAsk | undefined {
  const anchor = anchorOf(wanted);
  const { bowlG, potId, variant, without, kept, broughtBack } = wanted;
  if (anchor === undefined || bowlG === null || !(bowlG >= LEAST_BOWL_G) || !(bowlG <= MOST_BOWL_G)) return undefined;
  const bowls = anchor.by === 'bowls' ? anchor.bowls : soup.writtenFor.bowls;
  if (!(bowls <= MOST_BOWLS)) return undefined;
  // What fills a pot has to be told which: the biggest, where nothing is said.
  const filled = anchor.by === 'pot' ? (potId ?? biggest(kit)) : potId;
  return {
    bowls,
    bowlG,
    ...(filled === undefined ? {} : { potId: filled }),
    ...(anchor.by === 'bowls' ? {} : { anchors: [anchor] }),
    ...(variant === undefined ? {} : { variant }),
    ...(without.length === 0 ? {} : { without: [...without] }),
    ...(kept.length === 0 ? {} : { kept: [...kept] }),
    ...(broughtBack > 0 && anchor.by === 'bowls' ? { broughtBack } : {}),
  };
}

function biggest(kit: Kit): string | undefined {
  return [...kit.pots].sort((a, b) => b.widthM ** 2 * b.depthM - a.widthM ** 2 * a.depthM)[0]?.id;
}

/** What a kept ask wanted, to go on from there. */
export function wantedOf(request: PlanRequest): Wanted {
  const anchor: Anchor = request.anchors?.[0] ?? { by: 'bowls', bowls: request.bowls };
  const amount: Readonly<Record<By, number | null>> = {
    bowls: request.bowls,
    kg: anchor.by === 'kg' || anchor.by === 'on hand' ? anchor.kg : null,
    'on hand': anchor.by === 'on hand' ? anchor.kg : null,
    litres: anchor.by === 'litres' ? anchor.litres : null,
    carton: anchor.by === 'carton' ? anchor.cartons : null,
    pot: null,
    trays: anchor.by === 'trays' ? anchor.trays : null,
    jugs: anchor.by === 'jugs' ? anchor.jugs : null,
  };
  return {
    by: anchor.by,
    amount: amount[anchor.by],
    bowlG: request.bowlG,
    potId: request.potId,
    ingredient: anchor.by === 'on hand' ? anchor.ingredient : undefined,
    line: anchor.by === 'carton' ? anchor.line : undefined,
    cartonKg: anchor.by === 'carton' ? anchor.cartonKg : null,
    variant: request.variant,
    without: request.without ?? [],
    kept: request.kept ?? [],
    broughtBack: request.broughtBack ?? 0,
  };
}

export interface CartonSize {
  readonly line: string;
  readonly name: string;
  readonly cartonKg: number;
}

const CONTAINER = /^(carton|can|jar|pack|bottle|tube)-/;

/** Cartons, cans and packs that a soup's finish or other lines come in, by the larder's sizes. */
export function cartonsOf(soup: Soup, rows: readonly IngredientRow[]): readonly CartonSize[] {
  const byId = new Map(rows.map((row) => [row.id, row]));
  const finishing = new Set(walk(soup.root).flatMap(({ step }) => (step.op === 'cream' ? [step.line] : [])));
  const lines = [...soup.lines].sort((a, b) => Number(finishing.has(b.id)) - Number(finishing.has(a.id)));
  return lines.flatMap(({ id, ingredient }) => {
    const row = byId.get(ingredient);
    return Object.entries(row?.pieces ?? {}).flatMap(([size, grams]) =>
      CONTAINER.test(size)
        ? [
            {
              line: id,
              name: `${size.replace('-', ' of ')} ${(row?.name.split(',')[0] ?? '').toLowerCase()}`,
              cartonKg: grams / 1000,
            },
          ]
        : [],
    );
  });
}

/** Whether two asks are the same, in whatever order their fields were written. */
export function isSameRequest(a: PlanRequest | undefined, b: PlanRequest | undefined): boolean {
  if (a === undefined || b === undefined) return a === b;
  return deepEqual(PlanRequestSchema.parse(a), PlanRequestSchema.parse(b));
}
