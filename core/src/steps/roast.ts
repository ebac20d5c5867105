import { z } from 'zod';
import { DEFAULT_PARAMETERS, areaOfTrayM2, type ModelParameters, type Tray } from '../kit/index.js';
import { minutesToTender, potKg, type Caution, type PotState } from '../pot/index.js';
import { stepThenActs, tookMinutes } from './entered.js';
import { stepKind } from './kind.js';
import { dryHeated, type DryHeat } from './dry-heat.js';
import { minutesSchema, paced, stepBase, type StepContext, type StepResult } from './step.js';

export const RoastSchema = z.strictObject({
  ...stepBase,
  op: z.literal('roast'),
  ovenC: z.number().min(120).max(280),
  minutes: minutesSchema,
  /** One layer in as many rounds as it takes, or all at once however deep. */
  load: z.enum(['rounds', 'crowd']),
  /** Tossed every so many minutes; left alone when it is left out. */
  tossEveryMin: z.number().min(5).max(60).optional(),
  /** Left whole: pricked or cut first. */
  whole: z.boolean().optional(),
});
export type Roast = z.infer<typeof RoastSchema>;

/** Reference of the roast: 25 mm at 200 °C. Kitchen defaults. */
const REFERENCE_M = 0.025;
const SIZE_POWER = 0.8;
const OVEN_SCALE_K = 55;
/** One layer: load above which pieces steam each other, kg/m2. */
export const ONE_LAYER_KG_M2 = 6;
const CROWD_POWER = 0.7;
/** Tossing lets steam out and turns pale sides up: time constant shorter by this. Kitchen default. */
const TOSSED_PACE = 0.9;
/** Wet pieces stay this much under boiling while they have water to give. */
const WET_BULB_BELOW_C = 3;
/** Paper and silicone carry a limit about here; common practice, °C. */
const LINER_C = 220;

/** Time constant of water loss in the oven, minutes. @example roastTau(0.025, 200, 6) // 95 */
export function roastTau(sizeM: number, ovenC: number, loadKgM2: number, parameters: ModelParameters = DEFAULT_PARAMETERS): number {
  const crowding = Math.max(1, loadKgM2 / ONE_LAYER_KG_M2) ** CROWD_POWER;
  return parameters.roastTauMin * (sizeM / REFERENCE_M) ** SIZE_POWER * Math.exp((200 - ovenC) / OVEN_SCALE_K) * crowding;
}

/** How a load goes on trays: rounds of the oven, trays in all, kilos per square metre. */
export function trayed(massKg: number, tray: Tray, load: Roast['load']): { rounds: number; trays: number; loadKgM2: number } {
  const trayM2 = areaOfTrayM2(tray);
  const inLayer = Math.max(1, Math.ceil(massKg / (ONE_LAYER_KG_M2 * trayM2) - 1e-9));
  const trays = load === 'rounds' ? inLayer : Math.min(inLayer, tray.count);
  return { rounds: Math.ceil(trays / tray.count), trays, loadKgM2: massKg / (trays * trayM2) };
}

/** What the oven is for a load: shared by the step and by the question how long until a fork goes in. */
function ovenHeat(settings: Pick<Roast, 'ovenC' | 'minutes' | 'tossEveryMin'>, loadKgM2: number, context: StepContext): DryHeat {
  const pace = settings.tossEveryMin === undefined ? 1 : TOSSED_PACE;
  return {
    most: context.parameters.roastMost,
    tauMinutes: (sizeM) => roastTau(sizeM, settings.ovenC, loadKgM2, context.parameters) * pace,
    minutes: settings.minutes,
    outerC: context.boilC - WET_BULB_BELOW_C,
    pace: context.parameters.ovenPace,
    brownsAtC: settings.ovenC,
  };
}

/** Minutes in the oven until each kind of piece is fork-tender, by line; undefined where it never is. */
export function minutesToFork(pot: PotState, context: StepContext): ReadonlyMap<string, number | undefined> {
  const outerC = context.boilC - WET_BULB_BELOW_C;
  return new Map(
    pot.cohorts.map((cohort) => [
      cohort.lineId,
      minutesToTender(
        { shape: cohort.shape, sizeM: cohort.sizeM, mix: cohort.parcel.mix, softening: paced(cohort, context) },
        cohort.softness,
        { fromC: pot.tempC, outerC, pace: context.parameters.ovenPace },
      ),
    ]),
  );
}

/** Water lost by size, oven, time and load; fat taken up; softening; colour; trays and rounds. Rounds follow each other, so minutes multiply. */
export function roast(pot: PotState, settings: Roast, context: StepContext): StepResult {
  const tray = context.kit.trays[0];
  if (tray === undefined) throw new Error('A soup that roasts is planned only on a kit with trays.');
  const { rounds, trays, loadKgM2 } = trayed(potKg(pot), tray, settings.load);
  const cautions: Caution[] = [{ code: 'HOT_FAT' }];
  if (settings.whole === true) cautions.push({ code: 'PRICK_OR_BURST', lineIds: pot.cohorts.map(({ lineId }) => lineId) });
  if (settings.ovenC > LINER_C) cautions.push({ code: 'LINER_HEAT', ovenC: settings.ovenC });
  if (rounds > 1) cautions.push({ code: 'TRAY_ROUNDS', rounds, trays });
  if (loadKgM2 > ONE_LAYER_KG_M2 * 1.05) cautions.push({ code: 'TRAY_CROWDED', loadKgM2 });
  const tosses = settings.tossEveryMin === undefined ? 0 : Math.max(0, Math.ceil(settings.minutes / settings.tossEveryMin) - 1);
  return {
    ...dryHeated(pot, ovenHeat(settings, loadKgM2, context), context),
    inflows: [],
    minutes: settings.minutes * rounds,
    cautions,
    counts: { trays, rounds, tosses },
  };
}

export const roastKind = stepKind<Roast>({
  op: 'roast',
  run: roast,
  entered: (step, entered) => stepThenActs(tookMinutes(step, entered), entered),
  actualMinutes: true,
  timed: true,
  cooks: true,
});
