import { z } from 'zod';
import {
  contents,
  EMPTY_POT,
  enthalpyJ,
  parcelKg,
  plusParcel,
  scaleParcel,
  temperatureC,
  type Caution,
  type Flow,
  type Parcel,
  type PotState,
} from '../pot/index.js';
import {
  HOLD_LEAST_C,
  ingredientFlow,
  lineIdSchema,
  lineParcel,
  stepBase,
  type Serving,
  type StepContext,
  type StepResult,
} from '../steps/index.js';

const perBowl = z.array(z.strictObject({ line: lineIdSchema, gPerBowl: z.number().gt(0).max(500) })).max(12);

/**
 * One way in which bowls go out: its part of them, what is stirred in as a finish (inside the bowl's weight) and what
 * lies on top as a garnish (over it).
 */
export const ShareSchema = z.strictObject({
  id: lineIdSchema,
  name: z.string().min(1).max(60),
  part: z.number().gt(0).max(1),
  finish: perBowl.optional(),
  garnish: perBowl.optional(),
});
export type Share = z.infer<typeof ShareSchema>;

export const DishSchema = z.strictObject({
  ...stepBase,
  op: z.literal('dish'),
  shares: z.array(ShareSchema).min(1).max(8).optional(),
});
export type Dish = z.infer<typeof DishSchema>;

/** Cold holding: FDA Food Code 2022, 3-501.16, °C. */
const COLD_C = 5;

const ALL: readonly Share[] = [{ id: 'bowls', name: 'All bowls', part: 1 }];

function grams(list: Share['finish']): number {
  return (list ?? []).reduce((sum, { gPerBowl }) => sum + gPerBowl, 0);
}

/** Bowls that a pot fills when each share stirs in its own finish: pot = Σ N part (bowl - finish). */
export function bowlsFrom(potKg: number, bowlKg: number, shares: readonly Share[]): number {
  const parts = shares.reduce((sum, { part }) => sum + part, 0);
  const perBowlKg = shares.reduce((sum, share) => sum + (share.part / parts) * (bowlKg - grams(share.finish) / 1000), 0);
  return perBowlKg > 0 ? potKg / perBowlKg : 0;
}

/**
 * Everything left goes out in bowls of the weight asked for; the count keeps its fraction. Each share takes its own
 * finish and garnish, and is counted by itself.
 */
export function dish(pot: PotState, settings: Dish, context: StepContext): StepResult {
  const shares = settings.shares ?? ALL;
  const all = contents(pot);
  const potKg = parcelKg(all);
  const bowls = bowlsFrom(potKg, context.bowlKg, shares);
  const parts = shares.reduce((sum, { part }) => sum + part, 0);
  const took: Flow[] = [];
  const gave: Flow[] = [];
  const servings: Serving[] = [];
  let joules = 0;
  for (const share of shares) {
    const count = (bowls * share.part) / parts;
    const baseKg = count * (context.bowlKg - grams(share.finish) / 1000);
    let parcel: Parcel = potKg > 0 ? scaleParcel(all, baseKg / potKg) : all;
    let heat = enthalpyJ(parcel.mix, pot.tempC);
    for (const { line: id, gPerBowl } of [...(share.finish ?? []), ...(share.garnish ?? [])]) {
      const line = context.line(id);
      const kg = (count * gPerBowl) / 1000;
      const flow = ingredientFlow(line, lineParcel(line, kg / line.keptShare));
      const eaten = lineParcel(line, kg, kg / line.keptShare);
      took.push(flow);
      const waste = kg / line.keptShare - kg;
      if (waste > 0) gave.push({ kind: 'trim', lineId: id, parcel: lineParcel(line, waste, 0), tempC: flow.tempC });
      heat += enthalpyJ(eaten.mix, flow.tempC);
      parcel = plusParcel(parcel, eaten);
    }
    const tempC = temperatureC(parcel.mix, heat, pot.tempC);
    joules += enthalpyJ(parcel.mix, tempC) - heat;
    gave.push({ kind: 'bowls', lineId: share.id, parcel, tempC });
    servings.push({
      id: share.id,
      name: share.name,
      bowls: count,
      bowlKg: count > 0 ? parcelKg(parcel) / count : 0,
      parcel,
      tempC,
    });
  }
  const cautions: Caution[] = [{ code: 'KEEP_WARM_OR_COLD', hotC: HOLD_LEAST_C, coldC: COLD_C }];
  return {
    pot: { ...EMPTY_POT, tempC: pot.tempC, aside: pot.aside },
    took,
    gave,
    minutes: 0,
    joules,
    cautions,
    counts: { bowls },
    servings,
  };
}
