import { z } from 'zod';
import {
  CREAM_KG,
  EMPTY,
  joinedAll,
  parcelOf,
  withCarried,
  type Flow,
  type Parcel,
  type PotState,
  type Poured,
} from '../pot/index.js';
import { comesCooked, isForked } from '../larder/index.js';
import { actsOf, restOf } from './entered.js';
import { asItTakes } from './to-come.js';
import { stepKind, usesLeft } from './kind.js';
import { stepResult, UseSchema, stepBase, type SizedLine, type StepContext, type StepResult, type Use } from './step.js';

export const AddSchema = z.strictObject({ ...stepBase, op: z.literal('add'), uses: z.array(UseSchema).min(1) });
export type Add = z.infer<typeof AddSchema>;

/** Kilos that a use takes of its line, as bought. */
export function useKg(use: Use, line: SizedLine): number {
  return use.kg ?? line.massKg * (use.share ?? 1);
}

/** So many kilos of a line, of which `boughtKg` were paid for. */
export function lineParcel(line: SizedLine, massKg: number, boughtKg = massKg): Parcel {
  const parcel = parcelOf(line.ingredient, massKg, boughtKg);
  return line.finish ? withCarried(parcel, CREAM_KG, massKg) : parcel;
}

/** As cold as it is stored, never below freezing: latent heat of ice is left out. */
export function storedC(line: SizedLine): number {
  return Math.max(0, line.ingredient.row.storedAtC);
}

/** A parcel of a line about to go in: pieces if it has something to soften, otherwise liquid. */
export function poured(line: SizedLine, parcel: Parcel): Poured {
  const { softening } = line.ingredient.row;
  const tempC = storedC(line);
  if (softening === 0) return { liquid: parcel, cohort: undefined, tempC };
  return {
    tempC,
    // Whatever shares the pot with these pieces has touched them, and goes on saying so when they are lifted out.
    liquid: { mix: EMPTY.mix, carried: EMPTY.carried, allergens: parcel.allergens, origins: parcel.origins },
    cohort: {
      lineId: line.id,
      parcel,
      shape: line.shape,
      sizeM: line.sizeM,
      softening,
      softness: isForked(line.ingredient.row) ? 0 : 1,
      gelatinised: comesCooked(line.ingredient.row) ? 1 : 0,
      driedShare: 0,
      browned: 0,
    },
  };
}

export function ingredientFlow(line: SizedLine, parcel: Parcel): Flow {
  return { kind: 'ingredient', lineId: line.id, parcel, tempC: storedC(line) };
}

const NONE: readonly never[] = [];

/** Puts so many kilos of a line in the pot: what cover, season and cream do once they know how many. */
export function pouredIn(
  pot: PotState,
  line: SizedLine,
  massKg: number,
): { readonly pot: PotState; readonly inflows: readonly Flow[] } {
  if (massKg === 0) return { pot, inflows: NONE };
  const parcel = lineParcel(line, massKg);
  return { pot: joinedAll(pot, [poured(line, parcel)]), inflows: [ingredientFlow(line, parcel)] };
}

/** Adds lines as they are: liquids and what dissolves to the liquid, the rest as pieces of their own. */
export function add(pot: PotState, settings: Add, context: StepContext): StepResult {
  const inflows: Flow[] = [];
  const parts: Poured[] = [];
  for (const use of settings.uses) {
    const line = context.line(use.line);
    const massKg = useKg(use, line);
    if (massKg === 0) continue;
    const parcel = lineParcel(line, massKg);
    inflows.push(ingredientFlow(line, parcel));
    parts.push(poured(line, parcel));
  }
  return stepResult(parts.length === 0 ? pot : joinedAll(pot, parts), inflows, NONE, 0, 0, NONE);
}

const LEAST_KG = 1e-9;

export const addKind = stepKind<Add>({
  op: 'add',
  run: add,
  lines: (step, change) => {
    const uses = usesLeft(step.uses, change);
    return uses.length === 0 ? undefined : { ...step, uses };
  },
  entered: (step, entered) => {
    const acts = actsOf(entered);
    if (entered.isDone) {
      const untouched = step.uses.filter(({ line }) => !entered.enteredByHand(line));
      return { now: untouched.length > 0 ? [{ ...step, uses: untouched }, ...acts] : acts, ahead: [] };
    }
    const left = step.uses.map((use) => restOf(use, entered)).filter((use) => (use.kg ?? Infinity) > LEAST_KG);
    return { now: acts, ahead: left.length > 0 ? [{ ...step, uses: left }] : [] };
  },
  brings: asItTakes(add),
});
