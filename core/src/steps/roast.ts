import { z } from 'zod';
import { DEFAULT_PARAMETERS, areaOfTrayM2, type ModelParameters, type Tray } from '../kit/index.js';
import { potDraft, ROOM_C, minutesToTender, parcelKg, type Caution, type PotState } from '../pot/index.js';
import { stepThenActs, tookMinutes, type ActualMinutes } from './entered.js';
import { overRounds, stepKind } from './kind.js';
import { dryHeated, type DryHeat } from './dry-heat.js';
import { stepResult, heatToJ, minutesSchema, paced, stepBase, type StepContext, type StepResult } from './step.js';

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
/**
 * One layer of pieces of that size, just apart from each other, kg/m2: a gastronorm tray takes one and a half to two and a
 * half kilos. Thicker pieces weigh more on their area, up to four times. Kitchen defaults.
 */
export const ONE_LAYER_KG_M2 = 9;
const THICKEST = 4;
/** Trays are filled to this many layers before a second round of the oven pays: pieces that touch. Kitchen default. */
const FULLEST = 1.6;
/** So much over goes into the round, and on the tray, that is there already. Kitchen default. */
const SPARE = 0.1;
/** So little of a tray lies at the edge of another one: a parcel of garlic. Kitchen default. */
const AT_THE_EDGE = 0.1;
const CROWD_POWER = 0.7;
/** Tossing lets steam out and turns pale sides up: time constant shorter by this. Kitchen default. */
const TOSSED_PACE = 0.9;
/** Wet pieces stay this much under boiling while they have water to give. */
const WET_BULB_BELOW_C = 3;
/** Of the pace: the oven that it is given for, and the wet face of a piece in it, °C. Kitchen defaults. */
const REFERENCE_OVEN_C = 200;
const FACE_C = 80;
/** From so many layers it is told. */
const CROWDED = 1.2;
/** A tray that stands in the kitchen loses its heat with this time constant, minutes. Kitchen default. */
const TRAY_TAU_MIN = 14;
/** Paper and silicone carry a limit about here; common practice, °C. */
const LINER_C = 220;

/** What more pieces than one layer do to all that happens in the oven: it takes so many times as long. 1 for a layer or less. */
export function crowding(layers: number): number {
  return Math.max(1, layers) ** CROWD_POWER;
}

/** Time constant of water loss in the oven, minutes. @example roastTau(0.025, 200, 1) // 95 */
export function roastTau(sizeM: number, ovenC: number, layers: number, parameters: ModelParameters = DEFAULT_PARAMETERS): number {
  return parameters.roastTauMin * (sizeM / REFERENCE_M) ** SIZE_POWER * Math.exp((200 - ovenC) / OVEN_SCALE_K) * crowding(layers);
}

/** The area that a load takes in one layer, m2: halves and whole vegetables lie thick. */
export function layerM2(pot: Pick<PotState, 'cohorts' | 'liquid'>): number {
  let area = parcelKg(pot.liquid) / ONE_LAYER_KG_M2;
  for (const { parcel, sizeM } of pot.cohorts) {
    area += parcelKg(parcel) / (ONE_LAYER_KG_M2 * Math.min(THICKEST, Math.max(1, sizeM / REFERENCE_M)));
  }
  return area;
}

/** How a load lies on trays: rounds of the oven, trays in all, and how many layers of pieces that makes on each. */
export interface Trayed {
  readonly rounds: number;
  readonly trays: number;
  readonly layers: number;
}

/** Puts a load that would cover an area in one layer on trays, so few rounds as can be. @example trayed(0.86, gnTray6, 'rounds') // one round on five trays */
export function trayed(areaM2: number, tray: Tray, load: Roast['load']): Trayed {
  const inLayer = areaM2 / areaOfTrayM2(tray);
  if (inLayer <= AT_THE_EDGE) return { rounds: 1, trays: 0, layers: 1 };
  const rounds = load === 'crowd' ? 1 : Math.max(1, Math.ceil(inLayer / (FULLEST * tray.count) - SPARE));
  const each = Math.min(tray.count, Math.max(1, Math.ceil(inLayer / rounds - SPARE)));
  return { rounds, trays: each * rounds, layers: inLayer / (each * rounds) };
}

/** Share of the oven's pace that is left to a small piece, which stays wet and cool at its face; a thick one is slow by itself. */
function ovenPace(sizeM: number, ovenC: number, parameters: ModelParameters): number {
  const slow = ((1 - parameters.ovenPace) / parameters.ovenPace) * (REFERENCE_M / sizeM);
  return 1 / (1 + slow * ((REFERENCE_OVEN_C - FACE_C) / (ovenC - FACE_C)));
}

/** What the oven is for a load: shared by the step and by the question how long until a fork goes in. */
function ovenHeat(settings: Pick<Roast, 'ovenC' | 'tossEveryMin'>, minutes: number, layers: number, context: StepContext): DryHeat {
  const tossed = settings.tossEveryMin === undefined ? 1 : TOSSED_PACE;
  return {
    most: context.parameters.roastMost,
    tauMinutes: (sizeM) => roastTau(sizeM, settings.ovenC, layers, context.parameters) * tossed,
    minutes,
    outerC: context.boilC - WET_BULB_BELOW_C,
    pace: (sizeM) => ovenPace(sizeM, settings.ovenC, context.parameters) / crowding(layers),
    brownsAtC: settings.ovenC,
  };
}

/** Minutes in the oven until each kind of piece is fork-tender, by line; undefined where it never is. */
export function minutesToFork(pot: PotState, ovenC: number, context: StepContext): ReadonlyMap<string, number | undefined> {
  const outerC = context.boilC - WET_BULB_BELOW_C;
  return new Map(
    pot.cohorts.map((cohort) => [
      cohort.lineId,
      minutesToTender(
        { shape: cohort.shape, sizeM: cohort.sizeM, mix: cohort.parcel.mix, softening: paced(cohort, context) },
        cohort.softness,
        { fromC: pot.tempC, outerC, pace: ovenPace(cohort.sizeM, ovenC, context.parameters) },
      ),
    ]),
  );
}

/** What rounds before the last one have cooled to when all is tipped in: they stand in the kitchen for a round each. */
function tippedInC(outerC: number, rounds: number, roundMin: number): number {
  let sum = 0;
  for (let n = 0; n < rounds; n++) sum += ROOM_C + (outerC - ROOM_C) * Math.exp((-n * roundMin) / TRAY_TAU_MIN);
  return sum / rounds;
}

/**
 * Water lost by size, oven, time and load; fat taken up; softening; colour; trays and rounds. A card's minutes are of one
 * layer: more on a tray takes longer, and rounds follow each other. Crowded on purpose, or by the clock, it has only its minutes.
 */
export function roast(pot: PotState, settings: Roast & ActualMinutes, context: StepContext): StepResult {
  const tray = context.kit.trays[0];
  if (tray === undefined) throw new Error('A soup that roasts is planned only on a kit with trays.');
  const { rounds, trays, layers } = trayed(layerM2(pot), tray, settings.load);
  const slower = settings.isActual === true || settings.load === 'crowd' ? 1 : crowding(layers);
  const roundMin = settings.minutes * slower;
  const cautions: Caution[] = [{ code: 'HOT_FAT' }];
  if (settings.whole === true) cautions.push({ code: 'PRICK_OR_BURST', lineIds: pot.cohorts.map(({ lineId }) => lineId) });
  if (settings.ovenC > LINER_C) cautions.push({ code: 'LINER_HEAT', ovenC: settings.ovenC });
  if (rounds > 1) cautions.push({ code: 'TRAY_ROUNDS', rounds, trays });
  if (layers > CROWDED) cautions.push({ code: 'TRAY_CROWDED', layers, minutes: roundMin });
  const tosses = settings.tossEveryMin === undefined ? 0 : Math.max(0, Math.ceil(roundMin / settings.tossEveryMin) - 1);
  const heated = dryHeated(pot, ovenHeat(settings, roundMin, layers, context), context);
  const tempC = tippedInC(heated.pot.tempC, rounds, roundMin);
  const tipped = potDraft(heated.pot);
  tipped.tempC = tempC;
  tipped.traysM2 = Math.max(trays / rounds, AT_THE_EDGE) * areaOfTrayM2(tray) * rounds;
  const joules = heated.joules + heatToJ(heated.pot, tempC);
  return stepResult(tipped, [], heated.outflows, roundMin * rounds, joules, cautions, { trays, rounds, tosses });
}

export const roastKind = stepKind<Roast>({
  op: 'roast',
  run: roast,
  entered: (step, entered) => stepThenActs(tookMinutes(step, entered), entered),
  actualMinutes: true,
  ofClock: overRounds,
  timed: true,
  cooks: true,
});
