import { z } from 'zod';
import { areaM2 } from '../kit/index.js';
import { reduceKg, thickenKg, thinKg, type BodySolved } from '../body/index.js';
import {
  potWith,
  withLiquid,
  gelatinised,
  parcelKg,
  plusParcel,
  potM3,
  type Caution,
  type Parcel,
  type PotState,
  type Flow,
} from '../pot/index.js';
import { actsOf, actsThenStep, settles } from './entered.js';
import { bodyTarget, settledLine, stepKind } from './kind.js';
import { lineParcel, pouredIn } from './add.js';
import { VIGOURS, boilOffKgS, boiledOff, cappedVigour, heatUp } from './boil.js';
import { cookedThrough } from './cooked.js';
import {
  settledAs,
  stepResult,
  bodySchema,
  lineIdSchema,
  servedBody,
  stepBase,
  then,
  unchanged,
  type StepContext,
  type StepResult,
} from './step.js';
import { simmer, simmerC } from './simmer.js';
import { asItTakes, perKgWithToCome, withToCome } from './to-come.js';

/** Let down with a liquid until the soup, all that is still to come included, has a body. */
export const ThinSchema = z.strictObject({ ...stepBase, op: z.literal('thin'), line: lineIdSchema, toMPas: bodySchema });
export type Thin = z.infer<typeof ThinSchema>;

/** Boiled down, lid off, to a body or to a weight. */
export const ReduceSchema = z.strictObject({
  ...stepBase,
  op: z.literal('reduce'),
  vigour: z.enum(VIGOURS),
  to: z.discriminatedUnion('by', [
    z.strictObject({ by: z.literal('body'), mPas: bodySchema }),
    z.strictObject({ by: z.literal('share'), kept: z.number().gt(0.05).max(1) }),
  ]),
});
export type Reduce = z.infer<typeof ReduceSchema>;

/** Thickened with a slurry, a roux, cooked potato or more purée, mixed from lines in parts by weight. */
export const ThickenSchema = z.strictObject({
  ...stepBase,
  op: z.literal('thicken'),
  parts: z
    .array(z.strictObject({ line: lineIdSchema, parts: z.number().positive().max(100) }))
    .min(1)
    .max(5),
  toMPas: bodySchema,
});
export type Thicken = z.infer<typeof ThickenSchema>;

/** A slurry's minute at the simmer; a roux wants as long. Kitchen default. */
const SIMMERED_MIN = 1;

/** What could not be done, said as a caution; being there already is not one. */
function cautionsFor(solved: BodySolved): Caution[] {
  if (solved.ok) return [];
  if (solved.code === 'ALREADY_THINNER' || solved.code === 'ALREADY_THICKER') {
    return [{ code: 'TARGET_PASSED', what: 'body', overKg: 0 }];
  }
  return [{ code: 'TARGET_UNREACHABLE', what: 'body' }];
}

/** The solve runs on the soup as it will be: with all that later steps bring, to what is here and to each kilo poured. */
export function thin(pot: PotState, settings: Thin, context: StepContext): StepResult {
  const line = context.line(settings.line);
  if (context.heldKg !== undefined) return letDown(pot, settings.line, context.heldKg, [], context);
  const solved = thinKg(
    withToCome(pot, context.toCome),
    perKgWithToCome(lineParcel(line, 1), context.toCome),
    settings.toMPas,
    context.servedC,
    context.parameters.bodyA,
  );
  return letDown(pot, settings.line, solved.ok ? solved.kg : 0, cautionsFor(solved), context);
}

function letDown(pot: PotState, lineId: string, kg: number, cautions: readonly Caution[], context: StepContext): StepResult {
  return settledAs(pouredIn(pot, context.line(lineId), kg), cautions, kg);
}

/** Minutes follow from the pot's own boil-off; a soup too thick to boil hard takes the gentler rate that it allows. */
export function reduce(pot: PotState, settings: Reduce, context: StepContext): StepResult {
  const { vessel, parameters } = context;
  const solved: BodySolved | undefined =
    settings.to.by === 'body'
      ? reduceKg(withToCome(pot, context.toCome), settings.to.mPas, context.servedC, parameters.bodyA)
      : undefined;
  const toShare = settings.to.by === 'share' ? parcelKg(pot.liquid) * (1 - settings.to.kept) : 0;
  const wantedKg = context.heldKg ?? (solved === undefined ? toShare : solved.ok ? solved.kg : 0);
  const cautions = solved === undefined ? [] : cautionsFor(solved);
  if (wantedKg <= 0) return unchanged(pot, cautions);
  const vigour = cappedVigour(settings.vigour, servedBody(pot, context));
  const toC = simmerC(vigour, context.boilC);
  const levelM = potM3(pot) / areaM2(vessel);
  const up = heatUp(pot, toC, vessel, levelM);
  const { kgS } = boilOffKgS(vessel, levelM, toC, { vigour, lid: 'off' }, parameters);
  if (kgS <= 0) return unchanged(pot, [...cautions, { code: 'TARGET_UNREACHABLE', what: 'body' }]);
  const minutes = wantedKg / kgS / 60;
  const hot = cookedThrough(pot, { fromC: pot.tempC, toC, upMinutes: up.minutes, minutes }, context);
  const boiled = boiledOff(hot, wantedKg, minutes);
  if (boiled.dry) cautions.push({ code: 'BOILED_DRY' });
  return stepResult(
    boiled.pot,
    [],
    boiled.outflows,
    up.minutes + minutes,
    up.joules + boiled.joules,
    [...cautions, ...up.cautions],
    { settledKg: boiled.waterKg, toBoilMinutes: up.minutes },
  );
}

/** Stirred in cold and brought to the simmer, where its starch swells. Dry starch in a hot pot lumps. */
export function thicken(pot: PotState, settings: Thicken, context: StepContext): StepResult {
  const sum = settings.parts.reduce((total, { parts }) => total + parts, 0);
  const perKg = settings.parts
    .map(({ line, parts }) => lineParcel(context.line(line), parts / sum))
    .reduce((all, part) => plusParcel(all, part));
  const prepared = perKgWithToCome(gelatinised(perKg), context.toCome);
  const already = withLiquid(pot, gelatinised(pot.liquid));
  const solved: BodySolved =
    context.heldKg === undefined
      ? thickenKg(withToCome(already, context.toCome), prepared, settings.toMPas, context.servedC, context.parameters.bodyA)
      : { ok: true, kg: context.heldKg, bodyMPas: settings.toMPas };
  if (!solved.ok || solved.kg <= 0) return unchanged(pot, cautionsFor(solved));
  let state = pot;
  const inflows: Flow[] = [];
  for (const { line, parts } of settings.parts) {
    const into = pouredIn(state, context.line(line), (solved.kg * parts) / sum);
    state = potWith(into.pot, melted(into.pot, pot), pot.cohorts, into.pot.tempC);
    inflows.push(...into.inflows);
  }
  const [first, ...others] = settings.parts;
  const dry = first !== undefined && others.length === 0 && context.line(first.line).ingredient.row.group === 'flours and starches';
  const cautions: Caution[] = dry ? [{ code: 'LUMPS' }] : [];
  const simmered = simmer(state, { id: settings.id, op: 'simmer', minutes: SIMMERED_MIN, vigour: 'steady', lid: 'on' }, context);
  const stirred = stepResult(state, inflows, [], 0, 0, cautions, { settledKg: solved.kg });
  return then(stirred, simmered);
}

/** Cooked potato or purée stirred in goes to the liquid, not to the pieces. */
function melted(after: PotState, before: PotState): Parcel {
  const added = after.cohorts.slice(before.cohorts.length);
  return added.reduce((liquid, { parcel }) => plusParcel(liquid, gelatinised(parcel)), after.liquid);
}

export const thinKind = stepKind<Thin>({
  op: 'thin',
  run: thin,
  lines: settledLine,
  entered: settles,
  looksAhead: true,
  told: true,
  given: 'as wanted',
  target: bodyTarget<Thin>(
    ({ toMPas }) => toMPas,
    (step, toMPas) => ({ ...step, toMPas }),
  ),
  brings: asItTakes(thin),
});

export const reduceKind = stepKind<Reduce>({
  op: 'reduce',
  run: reduce,
  entered: actsThenStep,
  cooks: true,
  looksAhead: true,
  told: true,
  target: bodyTarget<Reduce>(
    ({ to }) => (to.by === 'body' ? to.mPas : undefined),
    (step, mPas) => ({ ...step, to: { by: 'body', mPas } }),
  ),
});

export const thickenKind = stepKind<Thicken>({
  op: 'thicken',
  run: thicken,
  lines: (step, change) => {
    const parts = step.parts.flatMap((part) => {
      const line = change({ line: part.line, share: 1, settles: true });
      return line === undefined ? [] : [{ ...part, line }];
    });
    // What is mixed from several lines is not mixed without one of them.
    return parts.length < step.parts.length ? undefined : { ...step, parts };
  },
  entered: (step, entered) => {
    if (!step.parts.some(({ line }) => entered.enteredByHand(line))) return actsThenStep(step, entered);
    const acts = actsOf(entered);
    // What was stirred in by hand has its minute at the simmer all the same; before the step is over, the rest is asked from there.
    const cooked = { id: step.id, op: 'simmer', minutes: SIMMERED_MIN, vigour: 'steady', lid: 'on' };
    return entered.isDone ? { now: [...acts, cooked], ahead: [] } : { now: acts, ahead: [cooked, step] };
  },
  cooks: true,
  looksAhead: true,
  told: true,
  given: 'as wanted',
  target: bodyTarget<Thicken>(
    ({ toMPas }) => toMPas,
    (step, toMPas) => ({ ...step, toMPas }),
  ),
  brings: asItTakes(thicken),
});
