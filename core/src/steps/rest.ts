import { z } from 'zod';
import { areaM2, hotHolding } from '../kit/index.js';
import { ROOM_C, heatCapacityJK, mixIn, potM3, type Caution, type PotState } from '../pot/index.js';
import { actsThenStep } from './entered.js';
import { stepKind } from './kind.js';
import { heatToJ, stepBase, type StepContext, type StepResult } from './step.js';

export const RestSchema = z.strictObject({
  ...stepBase,
  op: z.literal('rest'),
  toC: z.number().min(0).max(100),
  /** What stands around the pot: the air of the kitchen, or an ice bath that is stirred. */
  around: z.enum(['air', 'ice bath']),
});
export type Rest = z.infer<typeof RestSchema>;

/** Surroundings: temperature and heat transfer. Kitchen defaults. */
const AROUND: Readonly<Record<Rest['around'], { tempC: number; wM2K: number }>> = {
  air: { tempC: ROOM_C, wM2K: 10 },
  'ice bath': { tempC: 0, wM2K: 200 },
};
/** Nothing gets closer to its surroundings than this in a cook's time. */
const CLOSEST_K = 1;
/** Two-stage cooling: FDA Food Code 2022, 3-501.14. */
export const TWO_STAGES = { firstToC: 21, firstMinutes: 120, toC: 5, allMinutes: 360 } as const;

/** Cools by Newton's law, stirred: t = (m cp / h A) ln((T0 - Ta) / (T - Ta)). Vapour lost meanwhile is left out. */
export function rest(pot: PotState, settings: Rest, context: StepContext): StepResult {
  const around = AROUND[settings.around];
  const lowestC = around.tempC + CLOSEST_K;
  const cautions: Caution[] = [];
  if (settings.toC < lowestC) cautions.push({ code: 'STAYS_WARM', lowestC });
  if (settings.toC < hotHolding(context.kit.country).leastC) cautions.push({ code: 'COOL_IN_TWO_STAGES', ...TWO_STAGES });
  const toC = Math.max(settings.toC, lowestC);
  const capacity = heatCapacityJK(mixIn(pot), (pot.tempC + toC) / 2);
  if (pot.tempC <= toC || capacity <= 0) return { pot, inflows: [], outflows: [], minutes: 0, joules: 0, cautions };
  const { vessel } = context;
  const floor = areaM2(vessel);
  const wallM2 = Math.PI * vessel.widthM * Math.min(vessel.depthM, potM3(pot) / floor);
  const tauS = capacity / (around.wM2K * (wallM2 + floor));
  const seconds = tauS * Math.log((pot.tempC - around.tempC) / (toC - around.tempC));
  return { pot: { ...pot, tempC: toC }, inflows: [], outflows: [], minutes: seconds / 60, joules: heatToJ(pot, toC), cautions };
}

export const restKind = stepKind<Rest>({ op: 'rest', run: rest, entered: actsThenStep, timed: true });
