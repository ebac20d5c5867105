import { z } from 'zod';
import { EMPTY_POT, joined, parcelOf, type Flow, type Parcel, type PotState } from '../pot/index.js';
import { UseSchema, stepBase, type ReadyLine, type StepContext, type StepResult, type Use } from './step.js';

export const AddSchema = z.strictObject({ ...stepBase, op: z.literal('add'), uses: z.array(UseSchema).min(1) });
export type Add = z.infer<typeof AddSchema>;

/** Kilos that a use takes of its line, as bought. */
export function useKg(use: Use, line: ReadyLine): number {
  return use.kg ?? line.massKg * (use.share ?? 1);
}

function lineParcel(line: ReadyLine, massKg: number): Parcel {
  const parcel = parcelOf(line.ingredient, massKg);
  return line.finish ? { ...parcel, creamKg: massKg } : parcel;
}

/** An amount of a line standing by itself: pieces if it has something to soften, otherwise liquid. */
export function standing(line: ReadyLine, massKg: number): PotState {
  const parcel = lineParcel(line, massKg);
  const tempC = Math.max(0, line.ingredient.row.storedAtC);
  if (line.ingredient.row.softening === 0) return { ...EMPTY_POT, liquid: parcel, tempC };
  return {
    ...EMPTY_POT,
    tempC,
    cohorts: [
      {
        lineId: line.id,
        parcel,
        shape: line.shape,
        sizeM: line.sizeM,
        softening: line.ingredient.row.softening,
        softness: 0,
        gelatinised: 0,
      },
    ],
  };
}

export function ingredientFlow(line: ReadyLine, massKg: number): Flow {
  return {
    kind: 'ingredient',
    lineId: line.id,
    parcel: lineParcel(line, massKg),
    tempC: Math.max(0, line.ingredient.row.storedAtC),
  };
}

/** Puts so many kilos of a line in the pot: what cover, season and cream do once they know how many. */
export function pouredIn(
  pot: PotState,
  line: ReadyLine,
  massKg: number,
): { readonly pot: PotState; readonly took: readonly Flow[] } {
  if (massKg === 0) return { pot, took: [] };
  return { pot: joined(pot, standing(line, massKg)), took: [ingredientFlow(line, massKg)] };
}

/** Adds lines as they are: liquids and what dissolves to the liquid, the rest as pieces of their own. */
export function add(pot: PotState, settings: Add, context: StepContext): StepResult {
  const took: Flow[] = [];
  let state = pot;
  for (const use of settings.uses) {
    const line = context.line(use.line);
    const poured = pouredIn(state, line, useKg(use, line));
    state = poured.pot;
    took.push(...poured.took);
  }
  return { pot: state, took, gave: [], minutes: 0, joules: 0, cautions: [] };
}
