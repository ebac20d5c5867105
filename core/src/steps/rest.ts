import { z } from 'zod';
import { WATER, vapourMix } from '../larder/index.js';
import { areaM2, hotHolding } from '../kit/index.js';
import {
  cohortDraft,
  potWith,
  withHeat,
  ROOM_C,
  bare,
  driedParcel,
  heatCapacityJK,
  latentJKg,
  mixIn,
  potM3,
  type Caution,
  type Cohort,
  type Flow,
  type PotState,
} from '../pot/index.js';
import { actsThenStep, type Entered } from './entered.js';
import { openFluxKgM2H } from './hold.js';
import { stepKind } from './kind.js';
import { perKiloOf } from './to-come.js';
import { stepResult, heatToJ, minutesSchema, stepBase, type StepContext, type StepResult } from './step.js';

export const RestSchema = z
  .strictObject({
    ...stepBase,
    op: z.literal('rest'),
    /** Until it has cooled to here, or for so many minutes: one of the two. */
    toC: z.number().min(0).max(100).optional(),
    minutes: minutesSchema.optional(),
    /** What stands around the pot: the air of the kitchen, or an ice bath that is stirred. */
    around: z.enum(['air', 'ice bath']),
  })
  .refine(({ toC, minutes }) => (toC === undefined) !== (minutes === undefined), {
    message: 'it rests to a temperature or for minutes, not both',
  });
export type Rest = z.infer<typeof RestSchema>;

/** Cool enough to handle, °C: what a hand can hold. Kitchen default. */
export const TOUCH_C = 45;

/** Surroundings: temperature and heat transfer. Kitchen defaults. */
const AROUND: Readonly<Record<Rest['around'], { tempC: number; wM2K: number }>> = {
  air: { tempC: ROOM_C, wM2K: 10 },
  'ice bath': { tempC: 0, wM2K: 200 },
};
/** Nothing gets closer to its surroundings than this in a cook's time. */
const CLOSEST_K = 1;
/** Parts that the way down is worked out in: the face steams four times as much at the boil as when a jug is filled. */
const PARTS = 24;
/** Most of its water that a rest takes, so that nothing rests dry. Kitchen default. */
const MOST_STEAMED = 0.5;
/** Two-stage cooling: FDA Food Code 2022, 3-501.14. */
export const TWO_STAGES = { firstToC: 21, firstMinutes: 120, toC: 5, allMinutes: 360 } as const;

/** What gives off heat, m2: through the wall or the tray, and by steaming from the open face. */
interface Faces {
  readonly heatM2: number;
  readonly openM2: number;
}

/** A pot cools through its wall, its floor or its face, and steams from its face; pieces on trays do both on all of the tray. */
function facesOf(pot: PotState, { vessel }: StepContext): Faces {
  if (pot.traysM2 > 0) return { heatM2: 2 * pot.traysM2, openM2: pot.traysM2 };
  const floor = areaM2(vessel);
  const wallM2 = Math.PI * vessel.widthM * Math.min(vessel.depthM, potM3(pot) / floor);
  return { heatM2: wallM2 + floor, openM2: floor };
}

interface Cooled {
  readonly toC: number;
  readonly minutes: number;
  readonly vapourKg: number;
}

/**
 * Down to a temperature, or for so many minutes if they are over first: Newton's law with what steams from the open face,
 * by the middle of each of `PARTS` equal falls. The face steams as one that is kept hot does.
 */
function cooled(pot: PotState, toC: number, mostMinutes: number, around: Rest['around'], context: StepContext): Cooled {
  const { heatM2, openM2 } = facesOf(pot, context);
  const { tempC, wM2K } = AROUND[around];
  const mix = mixIn(pot);
  const fallK = (pot.tempC - toC) / PARTS;
  const done: { -readonly [K in keyof Cooled]: Cooled[K] } = { toC: pot.tempC, minutes: 0, vapourKg: 0 };
  for (let n = 0; n < PARTS; n++) {
    const middleC = pot.tempC - (n + 0.5) * fallK;
    const steamKgS = (openFluxKgM2H(middleC, context.parameters) * openM2) / 3600;
    const watts = wM2K * heatM2 * (middleC - tempC) + steamKgS * latentJKg(middleC);
    const seconds = (heatCapacityJK(mix, middleC) * fallK) / watts;
    const part = Math.min(1, Math.max(0, (mostMinutes - done.minutes) * 60) / seconds);
    done.minutes += (part * seconds) / 60;
    done.vapourKg += part * seconds * steamKgS;
    done.toC -= part * fallK;
    if (part < 1) break;
  }
  return done;
}

/** Takes so much water out of what lies open: from the liquid, or from pieces on a tray by what each holds. */
function steamedOff(
  pot: PotState,
  vapourKg: number,
  tempC: number,
): { readonly pot: PotState; readonly outflows: readonly Flow[] } {
  const inPieces = pot.cohorts.reduce((sum, { parcel }) => sum + parcel.mix[WATER], 0);
  const fromPieces = pot.traysM2 > 0 || pot.liquid.mix[WATER] < vapourKg;
  const kg = Math.min(vapourKg, MOST_STEAMED * (fromPieces ? inPieces : pot.liquid.mix[WATER]));
  if (kg <= 0) return { pot: withHeat(pot, tempC), outflows: [] };
  const vapour = vapourMix(kg, 0);
  const outflows: Flow[] = [{ kind: 'vapour', lineId: 'rest', parcel: bare(vapour), tempC }];
  if (!fromPieces) return { pot: potWith(pot, driedParcel(pot.liquid, vapour), pot.cohorts, tempC), outflows };
  const share = kg / inPieces;
  const cohorts = pot.cohorts.map((cohort): Cohort => {
    const drier = cohortDraft(cohort);
    drier.parcel = driedParcel(cohort.parcel, vapourMix(cohort.parcel.mix[WATER] * share, 0));
    drier.driedShare += (1 - cohort.driedShare) * share;
    return drier;
  });
  return { pot: potWith(pot, pot.liquid, cohorts, tempC), outflows };
}

/** Cools in what stands around it, steaming, to a temperature or for minutes. What steams away is lost. */
export function rest(pot: PotState, settings: Rest, context: StepContext): StepResult {
  const around = AROUND[settings.around];
  const lowestC = around.tempC + CLOSEST_K;
  const cautions: Caution[] = [];
  const wantedC = settings.toC ?? lowestC;
  if (wantedC < lowestC) cautions.push({ code: 'STAYS_WARM', lowestC });
  const toC = Math.max(wantedC, lowestC);
  const down =
    pot.tempC <= toC || mixIn(pot).every((kg) => kg <= 0)
      ? { toC: pot.tempC, minutes: 0, vapourKg: 0 }
      : cooled(pot, toC, settings.minutes ?? Infinity, settings.around, context);
  const endsC = settings.minutes === undefined ? Math.min(wantedC, toC) : down.toC;
  if (endsC < hotHolding(context.kit.country).leastC && pot.tempC > endsC)
    cautions.push({ code: 'COOL_IN_TWO_STAGES', ...TWO_STAGES });
  const minutes = settings.minutes ?? down.minutes;
  if (down.minutes === 0) return stepResult(pot, [], [], settings.minutes ?? 0, 0, cautions);
  const left = steamedOff(pot, down.vapourKg, down.toC);
  const joules = heatToJ(pot, down.toC) + steamedKg(left) * latentJKg(down.toC);
  return stepResult(left.pot, [], left.outflows, minutes, joules, cautions);
}

function steamedKg({ outflows }: Pick<StepResult, 'outflows'>): number {
  return outflows.reduce((sum, { parcel }) => sum + parcel.mix[WATER], 0);
}

/** A rest that has been timed by the cook rested for those minutes. */
function restFor(step: Rest, { isDone, minutes }: Entered): Rest {
  return isDone && minutes !== undefined ? { ...step, toC: undefined, minutes } : step;
}

export const restKind = stepKind<Rest>({
  op: 'rest',
  run: rest,
  attention: 0,
  entered: (step, entered) => actsThenStep(restFor(step, entered), entered),
  actualMinutes: true,
  timed: true,
  // What steams away goes by the heat that the pot holds, and so by its kilos.
  brings: (step, pot, context) => perKiloOf(pot, bare(vapourMix(-steamedKg(rest(pot, step, context)), 0))),
});
