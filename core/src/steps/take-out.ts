import { z } from 'zod';
import {
  potDraft,
  withParcel,
  potOf,
  joined,
  scaleParcel,
  EMPTY,
  ROOM_C,
  type Cohort,
  type Flow,
  type PotState,
} from '../pot/index.js';
import { actsOf, actsThenStep } from './entered.js';
import { stepKind, namedLeft } from './kind.js';
import { goneFrom, stepResult, lineIdSchema, stepBase, type StepResult } from './step.js';

export const TakeOutSchema = z.strictObject({
  ...stepBase,
  op: z.literal('takeOut'),
  lines: z.array(lineIdSchema).min(1),
  share: z.number().gt(0).max(1).optional(),
  /** Kept beside the pot, to be given back. */
  keep: z.boolean().optional(),
});
export type TakeOut = z.infer<typeof TakeOutSchema>;

export const GiveBackSchema = z.strictObject({
  ...stepBase,
  op: z.literal('giveBack'),
  lines: z.array(lineIdSchema).min(1),
  /** Of what still lies beside the pot. */
  share: z.number().gt(0).max(1),
  /** Chopped to this before it goes back, mm; as it was when left out. */
  choppedMm: z.number().positive().max(100).optional(),
});
export type GiveBack = z.infer<typeof GiveBackSchema>;

/** Lifts pieces out whole: bay, a bundle, half a lemon, a chilli. They leave with what they are; the liquid keeps what it drew. */
export function takeOut(pot: PotState, settings: TakeOut): StepResult {
  const share = settings.share ?? 1;
  const outflows: Flow[] = [];
  const cohorts: Cohort[] = [];
  const aside: Cohort[] = [...pot.aside];
  for (const cohort of pot.cohorts) {
    if (!settings.lines.includes(cohort.lineId)) {
      cohorts.push(cohort);
      continue;
    }
    const lifted = withParcel(cohort, scaleParcel(cohort.parcel, share));
    outflows.push({ kind: 'taken out', lineId: cohort.lineId, parcel: lifted.parcel, tempC: pot.tempC });
    if (settings.keep === true) aside.push(lifted);
    if (share < 1) cohorts.push(withParcel(cohort, scaleParcel(cohort.parcel, 1 - share)));
  }
  const left = potDraft(pot);
  left.cohorts = cohorts;
  left.aside = aside;
  return goneFrom(left, outflows);
}

/** Gives back a share of what was kept beside the pot, cooled to the kitchen's air meanwhile. */
export function giveBack(pot: PotState, settings: GiveBack): StepResult {
  const inflows: Flow[] = [];
  const back: Cohort[] = [];
  const aside: Cohort[] = [];
  for (const cohort of pot.aside) {
    if (!settings.lines.includes(cohort.lineId)) {
      aside.push(cohort);
      continue;
    }
    const parcel = scaleParcel(cohort.parcel, settings.share);
    const sizeM = settings.choppedMm === undefined ? cohort.sizeM : Math.min(cohort.sizeM, settings.choppedMm / 1000);
    const given = withParcel(cohort, parcel);
    back.push(sizeM === cohort.sizeM ? given : { ...given, sizeM });
    inflows.push({ kind: 'given back', lineId: cohort.lineId, parcel, tempC: ROOM_C });
    if (settings.share < 1) aside.push(withParcel(cohort, scaleParcel(cohort.parcel, 1 - settings.share)));
  }
  const beside = potDraft(pot);
  beside.aside = aside;
  return stepResult(joined(beside, potOf(EMPTY, ROOM_C, back)), inflows, [], 0, 0, []);
}

export const takeOutKind = stepKind<TakeOut>({
  op: 'takeOut',
  run: takeOut,
  lines: (step, change) => {
    const lines = namedLeft(step.lines, change);
    return lines.length === 0 ? undefined : { ...step, lines };
  },
  entered: actsThenStep,
});

export const giveBackKind = stepKind<GiveBack>({
  op: 'giveBack',
  run: giveBack,
  lines: (step, change) => {
    const lines = namedLeft(step.lines, change);
    return lines.length === 0 ? undefined : { ...step, lines };
  },
  entered: (step, entered) => {
    const acts = actsOf(entered);
    if (!entered.isDone) return { now: acts, ahead: [step] };
    return { now: entered.gaveBack ? acts : [...acts, step], ahead: [] };
  },
  given: 'as wanted',
});
