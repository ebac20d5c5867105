import { z } from 'zod';
import { areaOfTrayM2, type Tray } from '../kit/index.js';
import { potKg, type Caution, type PotState } from '../pot/index.js';
import { dryHeated, type DryHeat } from './dry-heat.js';
import { minutesSchema, stepBase, type StepContext, type StepResult } from './step.js';

export const RoastSchema = z.strictObject({
  ...stepBase,
  op: z.literal('roast'),
  ovenC: z.number().min(120).max(280),
  minutes: minutesSchema,
  /** One layer in as many rounds as it takes, or all at once however deep. */
  load: z.enum(['rounds', 'crowd']),
});
export type Roast = z.infer<typeof RoastSchema>;

/** Kitchen defaults of the roast: reference 25 mm at 200 °C. */
const MOST_WATER_LOST = 0.8;
const TAU_MIN = 95;
const REFERENCE_M = 0.025;
const SIZE_POWER = 0.8;
const OVEN_SCALE_K = 55;
/** One layer: load above which pieces steam each other, kg/m2. */
const ONE_LAYER_KG_M2 = 6;
const CROWD_POWER = 0.7;
/** Wet pieces stay this much under boiling while they have water to give. */
const WET_BULB_BELOW_C = 3;
/** Heat gets in this much slower than from boiling liquid (air at 60 W/(m2 K) with radiation, 25 mm pieces). */
const OVEN_PACE = 0.4;

/** Time constant of water loss in the oven, minutes. @example roastTau(0.025, 200, 6) // 95 */
export function roastTau(sizeM: number, ovenC: number, loadKgM2: number): number {
  const crowding = Math.max(1, loadKgM2 / ONE_LAYER_KG_M2) ** CROWD_POWER;
  return TAU_MIN * (sizeM / REFERENCE_M) ** SIZE_POWER * Math.exp((200 - ovenC) / OVEN_SCALE_K) * crowding;
}

/** How a load goes on trays: rounds of the oven, trays in all, kilos per square metre. */
export function trayed(massKg: number, tray: Tray, load: Roast['load']): { rounds: number; trays: number; loadKgM2: number } {
  const trayM2 = areaOfTrayM2(tray);
  const inLayer = Math.max(1, Math.ceil(massKg / (ONE_LAYER_KG_M2 * trayM2) - 1e-9));
  const trays = load === 'rounds' ? inLayer : Math.min(inLayer, tray.count);
  return { rounds: Math.ceil(trays / tray.count), trays, loadKgM2: massKg / (trays * trayM2) };
}

/** Water lost by size, oven, time and load; softening; trays and rounds. Rounds follow each other, so minutes multiply. */
export function roast(pot: PotState, settings: Roast, context: StepContext): StepResult {
  const tray = context.kit.trays[0];
  if (tray === undefined) throw new Error('A soup that roasts is planned only on a kit with trays.');
  const { rounds, trays, loadKgM2 } = trayed(potKg(pot), tray, settings.load);
  const heat: DryHeat = {
    most: MOST_WATER_LOST,
    tauMinutes: (sizeM) => roastTau(sizeM, settings.ovenC, loadKgM2),
    minutes: settings.minutes,
    outerC: context.boilC - WET_BULB_BELOW_C,
    pace: OVEN_PACE,
  };
  const cautions: Caution[] = [{ code: 'HOT_FAT' }];
  if (rounds > 1) cautions.push({ code: 'TRAY_ROUNDS', rounds, trays });
  if (loadKgM2 > ONE_LAYER_KG_M2 * 1.05) cautions.push({ code: 'TRAY_CROWDED', loadKgM2 });
  return { ...dryHeated(pot, heat), took: [], minutes: settings.minutes * rounds, cautions, counts: { trays, rounds } };
}
