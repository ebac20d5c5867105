import { z } from 'zod';
import {
  potDraft,
  contents,
  EMPTY,
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
import { actsBut } from './entered.js';
import { stepKind, type LineChange } from './kind.js';
import { ingredientFlow, lineParcel } from './add.js';
import { hotHolding } from '../kit/index.js';
import { NOTHING_TO_COME } from './to-come.js';
import { stepResult, lineIdSchema, stepBase, type Serving, type StepContext, type StepResult } from './step.js';

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

/** What a cook weighed in by hand for the bowls of a batch: kilos that go on, by line. `all`: that was all of it. */
export interface DishByHand extends Dish {
  readonly byHand: { readonly kg: ReadonlyMap<string, number>; readonly all: boolean };
}

/** Cold holding: FDA Food Code 2022, 3-501.16, °C. */
const COLD_C = 5;

const ALL: readonly Share[] = [{ id: 'bowls', name: 'All bowls', part: 1 }];

const NONE: NonNullable<Share['finish']> = [];
const NOTHING_BY_HAND: ReadonlyMap<string, number> = new Map();

/** Grams a bowl of a share's list, but for lines that are weighed in by hand. */
function grams(list: Share['finish'], byHand: ReadonlyMap<string, number> = NOTHING_BY_HAND): number {
  return (list ?? []).reduce((sum, { line, gPerBowl }) => (byHand.has(line) ? sum : sum + gPerBowl), 0);
}

/** Grams a bowl of one line over all shares, by their parts: what is given by hand is divided by it. */
function gramsOf(lineId: string, lists: readonly Share[]): number {
  return lists.reduce(
    (sum, { part, finish, garnish }) =>
      sum +
      part * [...(finish ?? []), ...(garnish ?? [])].reduce((own, { line, gPerBowl }) => own + (line === lineId ? gPerBowl : 0), 0),
    0,
  );
}

/** Kilos by hand that are stirred in, inside the bowls' weight. */
function finishKg(byHand: ReadonlyMap<string, number>, shares: readonly Share[]): number {
  let kg = 0;
  for (const [line, own] of byHand) {
    const all = gramsOf(line, shares);
    const stirred = shares.reduce((sum, { part, finish }) => sum + part * grams(finish?.filter((one) => one.line === line)), 0);
    if (all > 0) kg += (own * stirred) / all;
  }
  return kg;
}

/** Kilos of soup that a bowl of each share takes out of the pot, its own finish left out, by the share's id. */
export function potKgPerBowl(
  bowlKg: number,
  shares: readonly Share[] = ALL,
): { readonly any: number; readonly of: ReadonlyMap<string, number> } {
  const parts = shares.reduce((sum, { part }) => sum + part, 0);
  const own = new Map(shares.map(({ id, finish }) => [id, bowlKg - grams(finish) / 1000]));
  return { any: shares.reduce((sum, { id, part }) => sum + (part / parts) * (own.get(id) ?? bowlKg), 0), of: own };
}

/**
 * Bowls that a pot fills when each share stirs in its own finish: pot = Σ N part (bowl - finish). What is weighed in by
 * hand fills bowls as the pot does.
 */
export function bowlsFrom(
  potKg: number,
  bowlKg: number,
  shares: readonly Share[],
  byHand: ReadonlyMap<string, number> = NOTHING_BY_HAND,
): number {
  const parts = shares.reduce((sum, { part }) => sum + part, 0);
  const perBowlKg = shares.reduce((sum, share) => sum + (share.part / parts) * (bowlKg - grams(share.finish, byHand) / 1000), 0);
  return perBowlKg > 0 ? (potKg + finishKg(byHand, shares)) / perBowlKg : 0;
}

/** Of what was given by hand, that which counts instead of the card's grams: all of it, or where more is to come what is more already. */
function fixedByHand(
  settings: Dish | DishByHand,
  potKg: number,
  bowlKg: number,
  shares: readonly Share[],
): ReadonlyMap<string, number> {
  if (!('byHand' in settings)) return NOTHING_BY_HAND;
  const { kg, all } = settings.byHand;
  if (all) return kg;
  const parts = shares.reduce((sum, { part }) => sum + part, 0);
  const bowls = bowlsFrom(potKg, bowlKg, shares);
  return new Map([...kg].filter(([line, own]) => own > (bowls * gramsOf(line, shares)) / parts / 1000));
}

/**
 * Everything left goes out in bowls of the weight asked for; the count keeps its fraction. Each share takes its own
 * finish and garnish, and is counted by itself.
 */
export function dish(pot: PotState, settings: Dish | DishByHand, context: StepContext): StepResult {
  const shares = settings.shares ?? ALL;
  const all = contents(pot);
  const potKg = parcelKg(all);
  const byHand = fixedByHand(settings, potKg, context.bowlKg, shares);
  const bowls = bowlsFrom(potKg, context.bowlKg, shares, byHand);
  const parts = shares.reduce((sum, { part }) => sum + part, 0);
  const inflows: Flow[] = [];
  const outflows: Flow[] = [];
  const servings: Serving[] = [];
  let joules = 0;
  /** Kilos of one line that a share takes, as it is eaten. */
  const takesKg = (share: Share, id: string, gPerBowl: number): number => {
    const given = byHand.get(id);
    if (given === undefined) return (((bowls * share.part) / parts) * gPerBowl) / 1000;
    return (given * share.part * gPerBowl) / gramsOf(id, shares);
  };
  const stirredKg = (share: Share): number =>
    (share.finish ?? []).reduce((sum, { line, gPerBowl }) => sum + takesKg(share, line, gPerBowl), 0);
  const basesKg = shares.map((share) => Math.max(0, ((bowls * share.part) / parts) * context.bowlKg - stirredKg(share)));
  const basesSumKg = basesKg.reduce((sum, kg) => sum + kg, 0);
  for (const [n, share] of shares.entries()) {
    const count = (bowls * share.part) / parts;
    let parcel: Parcel = basesSumKg > 0 ? scaleParcel(all, (basesKg[n] ?? 0) / basesSumKg) : scaleParcel(all, share.part / parts);
    let heat = enthalpyJ(parcel.mix, pot.tempC);
    let soup = parcel;
    const stirred = share.finish ?? NONE;
    for (const own of [...stirred, ...(share.garnish ?? NONE)]) {
      const { line: id, gPerBowl } = own;
      const line = context.line(id);
      const kg = takesKg(share, id, gPerBowl);
      const flow = ingredientFlow(line, lineParcel(line, kg / line.keptShare));
      const eaten = lineParcel(line, kg, kg / line.keptShare);
      inflows.push(flow);
      const waste = kg / line.keptShare - kg;
      if (waste > 0) outflows.push({ kind: 'trim', lineId: id, parcel: lineParcel(line, waste, 0), tempC: flow.tempC });
      heat += enthalpyJ(eaten.mix, flow.tempC);
      parcel = plusParcel(parcel, eaten);
      if (stirred.includes(own)) soup = plusParcel(soup, eaten);
    }
    const tempC = temperatureC(parcel.mix, heat, pot.tempC);
    joules += enthalpyJ(parcel.mix, tempC) - heat;
    outflows.push({ kind: 'bowls', lineId: share.id, parcel, tempC });
    servings.push({
      id: share.id,
      name: share.name,
      bowls: count,
      bowlKg: count > 0 ? parcelKg(parcel) / count : 0,
      parcel,
      soup,
      tempC,
    });
  }
  const { leastC, source } = hotHolding(context.kit.country);
  const cautions: Caution[] = [{ code: 'KEEP_WARM_OR_COLD', hotC: leastC, coldC: COLD_C, source }];
  const emptied = potDraft(EMPTY_POT);
  emptied.tempC = pot.tempC;
  emptied.aside = pot.aside;
  return stepResult(emptied, inflows, outflows, 0, joules, cautions, { bowls }, servings);
}

function perBowlLeft(list: Share['finish'], change: LineChange): Share['finish'] {
  return list?.flatMap((one) => {
    const line = change({ line: one.line, share: 1, settles: true });
    return line === undefined ? [] : [{ ...one, line }];
  });
}

export const dishKind = stepKind<Dish | DishByHand>({
  op: 'dish',
  run: dish,
  lines: (step, change) => {
    if (step.shares === undefined) return step;
    const shares = step.shares.map(({ finish, garnish, ...share }) => ({
      ...share,
      ...(finish === undefined ? {} : { finish: perBowlLeft(finish, change) }),
      ...(garnish === undefined ? {} : { garnish: perBowlLeft(garnish, change) }),
    }));
    if (!('byHand' in step)) return { ...step, shares };
    const kg = new Map(
      [...step.byHand.kg].flatMap(([line, own]) => {
        const name = change({ line, share: 1, settles: true });
        return name === undefined ? [] : [[name, own] as const];
      }),
    );
    return { ...step, shares, byHand: { ...step.byHand, kg } };
  },
  entered: (step, entered) => {
    const lines = new Set(
      (step.shares ?? []).flatMap(({ finish, garnish }) => [...(finish ?? []), ...(garnish ?? [])].map(({ line }) => line)),
    );
    const given = [...lines].filter((line) => entered.enteredByHand(line));
    const acts = actsBut(entered, given);
    const kg = new Map(given.map((line) => [line, entered.givenKg(line) * entered.keptShare(line)]));
    const own = given.length === 0 ? step : { ...step, byHand: { kg, all: entered.isDone } };
    return entered.isDone ? { now: [...acts, own], ahead: [] } : { now: acts, ahead: [own] };
  },
  // What is stirred into the bowls is part of the soup; what lies on top of it is not.
  brings: ({ shares: all }, _pot, { bowlKg, line }) => {
    if (all === undefined) return NOTHING_TO_COME;
    const perBowlKg = potKgPerBowl(bowlKg, all).any;
    const parts = all.reduce((sum, { part }) => sum + part, 0);
    const finishes = all.flatMap(({ part, finish }) =>
      (finish ?? []).map((own) => lineParcel(line(own.line), ((part / parts) * own.gPerBowl) / 1000)),
    );
    if (finishes.length === 0 || perBowlKg <= 0) return NOTHING_TO_COME;
    const perBowl = finishes.reduce((sum, own) => plusParcel(sum, own));
    return { fixed: EMPTY, perKg: scaleParcel(perBowl, 1 / perBowlKg) };
  },
});
