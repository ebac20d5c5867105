import { z } from 'zod';
import { STARCH } from '../larder/index.js';
import {
  potDraft,
  withParcel,
  COOKED_STARCH_KG,
  TENDER,
  parcelKg,
  plusParcel,
  potM3,
  scaleParcel,
  withCarried,
  type Caution,
  type Cohort,
  type Parcel,
  type PotState,
} from '../pot/index.js';
import { actsThenStep, tookMinutes, type ActualMinutes } from './entered.js';
import { stepKind } from './kind.js';
import { pouredIn, useKg } from './add.js';
import { stepResult, UseSchema, lineIdSchema, minutesSchema, stepBase, type StepContext, type StepResult } from './step.js';

export const BlendSchema = z.strictObject({
  ...stepBase,
  op: z.literal('blend'),
  blender: z.enum(['jug', 'stick', 'processor']),
  /** Minutes at the blade: of each jug, or of the pot with a stick. */
  minutes: minutesSchema,
  holdBack: z.array(z.strictObject({ line: lineIdSchema, share: z.number().gt(0).max(1) })).optional(),
  /** Cold liquid that calms a hot jug. It counts like any other liquid. */
  coldScoop: UseSchema.optional(),
});
export type Blend = z.infer<typeof BlendSchema>;

/** Grain d = least + (d0 - least) exp(-t / tau). Kitchen defaults. */
const BLADE: Readonly<Record<Blend['blender'], { tauS: number; leastM: number }>> = {
  jug: { tauS: 20, leastM: 0.25e-3 },
  processor: { tauS: 25, leastM: 0.6e-3 },
  stick: { tauS: 40, leastM: 0.8e-3 },
};

/** From here up a jug counts as boiling hot, °C, and how full it may be, by common practice. */
export const HOT_JUG_C = 70;
const HOT_FILL = 1 / 3;
const COOL_FILL = 0.6;
/** Filling, venting, emptying, a jug. Kitchen default, minutes. */
const HANDLING_MIN = 1.2;
/** Less than this share of a jug is thrown up the wall and stays there. Kitchen default. */
const LEAST_IN_JUG = 0.08;
const WATER_KG_M3 = 1000;
/** Share of what a stick is made for that it blends in the minutes of a card, and how its minutes grow with more. Kitchen defaults. */
const STICK_REACHES = 0.2;
const STICK_POWER = 0.7;
/** What softens so slowly that nobody means to eat it: bay, a bundle. */
const NEVER_EATEN = 0.1;

/** The blade makes nothing of what is grated this fine, tender or not, m. Kitchen default. */
const GRATED_M = 0.003;

/** Grain after so many seconds at the blade, m. @example grainAfter('jug', 0.025, 120) // 0.00031 */
export function grainAfter(blender: Blend['blender'], fromM: number, seconds: number): number {
  const { tauS, leastM } = BLADE[blender];
  return fromM <= leastM ? fromM : leastM + (fromM - leastM) * Math.exp(-seconds / tauS);
}

/** Jugs that a volume makes, and how full each may be at a temperature. */
export function jugged(volume: number, jugM3: number, tempC: number): { jugs: number; fillShare: number } {
  const fillShare = tempC >= HOT_JUG_C ? HOT_FILL : COOL_FILL;
  return { jugs: Math.max(1, Math.ceil(volume / (jugM3 * fillShare) - 1e-9)), fillShare };
}

/** A piece as it is in the liquid: its cooked starch thickens from now on. */
function cut(cohort: Cohort, share: number): Parcel {
  const part = share === 1 ? cohort.parcel : scaleParcel(cohort.parcel, share);
  const cooked = part.mix[STARCH] * cohort.gelatinised;
  return cooked === 0 ? part : withCarried(part, COOKED_STARCH_KG, cooked);
}

/** Merges the pieces into the liquid with a grain and some air; what is held back stays whole. */
export function blend(before: PotState, settings: Blend & ActualMinutes, context: StepContext): StepResult {
  const blender = context.kit.blenders.find(({ kind }) => kind === settings.blender);
  if (blender === undefined) throw new Error('A soup is planned only on a kit that has its blender.');
  const scoop = settings.coldScoop;
  const line = scoop === undefined ? undefined : context.line(scoop.line);
  const { pot, inflows } =
    scoop === undefined || line === undefined ? { pot: before, inflows: [] } : pouredIn(before, line, useKg(scoop, line));
  const held: Cohort[] = [];
  let liquid = pot.liquid;
  let largestM = pot.grainM;
  let piecesKg = 0;
  const hard: string[] = [];
  const leftIn: string[] = [];
  for (const cohort of pot.cohorts) {
    const back = settings.holdBack?.find((one) => one.line === cohort.lineId)?.share ?? 0;
    if (back > 0) held.push(withParcel(cohort, scaleParcel(cohort.parcel, back)));
    if (back === 1) continue;
    const part = cut(cohort, 1 - back);
    piecesKg += parcelKg(part);
    liquid = plusParcel(liquid, part);
    largestM = Math.max(largestM, cohort.sizeM);
    if (cohort.softening < NEVER_EATEN) leftIn.push(cohort.lineId);
    else if (cohort.softness < TENDER && cohort.sizeM > GRATED_M) hard.push(cohort.lineId);
  }
  const cautions: Caution[] = [];
  if (leftIn.length > 0) cautions.push({ code: 'LEFT_IN_FOR_THE_BLADE', lineIds: leftIn });
  if (hard.length > 0) cautions.push({ code: 'NOT_TENDER', lineIds: hard });
  const inJugs = settings.blender !== 'stick';
  const { jugs, fillShare } = jugged(potM3(pot), blender.volumeM3, pot.tempC);
  if (pot.tempC >= HOT_JUG_C) {
    cautions.push(inJugs ? { code: 'HOT_JUG', fillShare, tempC: pot.tempC } : { code: 'HOT_BLADE', tempC: pot.tempC });
  }
  const massKg = piecesKg + parcelKg(pot.liquid);
  if (inJugs && massKg > 0 && massKg < LEAST_IN_JUG * blender.volumeM3 * WATER_KG_M3)
    cautions.push({ code: 'TOO_LITTLE_FOR_JUG', massKg });
  // Minutes of the card are of what a stick reaches at once; by the clock it has only the minutes that there were.
  const slower = inJugs ? 1 : Math.max(1, potM3(pot) / (blender.volumeM3 * STICK_REACHES)) ** STICK_POWER;
  const bladeMin = settings.isActual === true ? settings.minutes / slower : settings.minutes;
  const air = inJugs ? context.parameters.airJug : context.parameters.airStick;
  const blended = potDraft(pot);
  blended.liquid = liquid;
  blended.cohorts = held;
  blended.grainM = grainAfter(settings.blender, largestM, bladeMin * 60);
  blended.airShare = Math.max(pot.airShare, air);
  return stepResult(
    blended,
    inflows,
    [],
    inJugs ? jugs * (settings.minutes + HANDLING_MIN) : bladeMin * slower,
    0,
    cautions,
    inJugs ? { jugs, jugPiecesKg: piecesKg / jugs, jugLiquidKg: parcelKg(pot.liquid) / jugs } : undefined,
  );
}

export const blendKind = stepKind<Blend>({
  op: 'blend',
  run: blend,
  attention: 1,
  lines: ({ coldScoop, holdBack, ...step }, change) => {
    const scoop =
      coldScoop === undefined ? undefined : change({ line: coldScoop.line, share: coldScoop.share ?? 1, settles: false });
    const held = (holdBack ?? []).flatMap((one) => {
      const line = change({ line: one.line, share: one.share, settles: false, named: true });
      return line === undefined ? [] : [{ ...one, line }];
    });
    return {
      ...step,
      ...(coldScoop === undefined || scoop === undefined ? {} : { coldScoop: { ...coldScoop, line: scoop } }),
      ...(held.length === 0 ? {} : { holdBack: held }),
    };
  },
  entered: (step, entered) => {
    const { coldScoop } = step;
    // A cold scoop that was poured by hand is in by that.
    const own = coldScoop === undefined || !entered.enteredByHand(coldScoop.line) ? step : { ...step, coldScoop: undefined };
    return actsThenStep(tookMinutes(own, entered), entered);
  },
  actualMinutes: true,
  // A stick's minutes grow with what it has to reach; a jug's are of each jug.
  ofClock: (clockMin, step, reckoned) =>
    step.blender === 'stick' ? clockMin : Math.max(0, clockMin - (reckoned.minutes - step.minutes)),
});
