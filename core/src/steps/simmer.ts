import { z } from 'zod';
import { ETHANOL } from '../larder/index.js';
import { areaM2 } from '../kit/index.js';
import { mixIn, potEnthalpyJ, potM3, temperatureC, type Caution, type PotState } from '../pot/index.js';
import { tookMinutes, type Entered, type Parts } from './entered.js';
import { stepKind } from './kind.js';
import { steamsAway } from './to-come.js';
import { LIDS, VIGOURS, alcoholKept, boilOffKgS, boiledOff, cappedVigour, heatUp, type HeatUp } from './boil.js';
import { cookedThrough } from './cooked.js';
import { stepResult, minutesSchema, servedBody, stepBase, type StepContext, type StepResult, type AnyStep } from './step.js';

export const SimmerSchema = z.strictObject({
  ...stepBase,
  op: z.literal('simmer'),
  minutes: minutesSchema,
  vigour: z.enum(VIGOURS),
  lid: z.enum(LIDS),
});
export type Simmer = z.infer<typeof SimmerSchema>;

/** A part of a simmer as a batch knows it: so many minutes of the clock, of which the way to the boil takes its own. */
export interface SimmerPart extends Simmer {
  readonly forMinutes: number;
}

/** A bare simmer stands this much below boiling. Kitchen default. */
const BARE_BELOW_BOILING_C = 10;
/** From this body a pot catches on the floor unless it is stirred, mPa·s. Kitchen default. */
export const CATCHES_MPAS = 300;
/** Alcohol in the pot that is worth a word, kg per kg. */
const ALCOHOL_WORTH = 1e-3;

export function simmerC(vigour: Simmer['vigour'], boilC: number): number {
  return Math.max(vigour === 'bare' ? boilC - BARE_BELOW_BOILING_C : boilC, 0);
}

/**
 * To the boil, then at the simmer for what is left of the minutes set: water lost by vigour (as far as the body allows),
 * lid and open area; alcohol along its retention curve; pieces soften. What the pot loses on the way up is left out (the
 * lid is on). A part of a simmer ends when its minutes of the clock are over, on the way to the boil too.
 */
export function simmer(pot: PotState, settings: Simmer | SimmerPart, context: StepContext): StepResult {
  const { vessel, parameters } = context;
  const body = servedBody(pot, context);
  const vigour = cappedVigour(settings.vigour, body);
  const toC = simmerC(vigour, context.boilC);
  const levelM = potM3(pot) / areaM2(vessel);
  const up = heatUp(pot, toC, vessel, levelM);
  const clock = 'forMinutes' in settings ? settings.forMinutes : undefined;
  const left = Math.max(0, settings.minutes - (context.simmeredMinutes ?? 0));
  if (clock !== undefined && clock < up.minutes) return warmedFor(pot, clock, up, context);
  const minutes = clock === undefined ? left : Math.min(left, clock - up.minutes);
  const cautions: Caution[] = [...up.cautions];
  if (vigour !== settings.vigour) cautions.push({ code: 'TOO_THICK_TO_BOIL_HARD', bodyMPas: body });
  if (body > CATCHES_MPAS && minutes > 0) cautions.push({ code: 'CATCHES', bodyMPas: body });

  const rate = boilOffKgS(vessel, levelM, toC, { vigour, lid: settings.lid }, parameters);
  if (rate.limited && minutes > 0) cautions.push({ code: 'BURNER_LIMITS', fluxKgM2H: (rate.kgS * 3600) / areaM2(vessel) });
  const cooked = cookedThrough(pot, { fromC: pot.tempC, toC, upMinutes: up.minutes, minutes }, context);
  const boiled = boiledOff(cooked, rate.kgS * minutes * 60, minutes);
  if (boiled.dry) cautions.push({ code: 'BOILED_DRY' });
  if (pot.liquid.mix[ETHANOL] > ALCOHOL_WORTH && minutes > 0) {
    cautions.push({ code: 'ALCOHOL_LEFT', share: alcoholKept(boiled.pot.simmeredMinutes) });
  }
  return stepResult(boiled.pot, [], boiled.outflows, up.minutes + minutes, up.joules + boiled.joules, cautions, {
    toBoilMinutes: up.minutes,
  });
}

/** Water that a simmer still to come will boil away, kg. */
function boiledAwayKg({ minutes, vigour: set, lid }: Simmer, pot: PotState, context: StepContext): number {
  const { vessel, parameters } = context;
  const vigour = set === 'bare' || set === 'steady' ? set : cappedVigour(set, servedBody(pot, context));
  const levelM = potM3(pot) / areaM2(vessel);
  return boilOffKgS(vessel, levelM, simmerC(vigour, context.boilC), { vigour, lid }, parameters).kgS * minutes * 60;
}

/** Part of the way to the boil: heat comes in evenly over the minutes that all of it takes. */
function warmedFor(pot: PotState, minutes: number, up: HeatUp, context: StepContext): StepResult {
  const joules = (up.joules * minutes) / up.minutes;
  const tempC = temperatureC(mixIn(pot), potEnthalpyJ(pot) + joules, pot.tempC);
  const warmed = cookedThrough(pot, { fromC: pot.tempC, toC: tempC, upMinutes: minutes, minutes: 0 }, context);
  return stepResult(warmed, [], [], minutes, joules, up.cautions, { toBoilMinutes: minutes });
}

/** A simmer cut where entries fell into it, on the way to the boil too, so that a dip half-way meets the pot as it was then. */
function simmerAround(step: Simmer | SimmerPart, entered: Entered): Parts {
  const now: AnyStep[] = [];
  const whole = tookMinutes(step, entered);
  let spent = 0;
  for (const { step: act, atMinutes } of entered.acts) {
    if (atMinutes > spent) {
      const part: SimmerPart = { ...whole, forMinutes: atMinutes - spent };
      now.push(part);
      spent = atMinutes;
    }
    now.push(act);
  }
  return entered.isDone ? { now: [...now, whole], ahead: [] } : { now, ahead: [whole] };
}

export const simmerKind = stepKind<Simmer | SimmerPart>({
  op: 'simmer',
  run: simmer,
  entered: simmerAround,
  actualMinutes: true,
  timed: true,
  cooks: true,
  brings: (step, pot, context) => steamsAway(boiledAwayKg(step, pot, context)),
});
