import { z } from 'zod';
import { areaM2 } from '../kit/index.js';
import { REHEATING } from '../cold/index.js';
import { bare, potM3, type Caution, type PotState } from '../pot/index.js';
import { vapourMix } from '../larder/index.js';
import { actsThenStep } from './entered.js';
import { stepKind } from './kind.js';
import { perKiloOf } from './to-come.js';
import { LIDS, boiledOff, heatUp, lidLeaves, mostBoilOffKg } from './boil.js';
import { cookedThrough } from './cooked.js';
import { openFluxKgM2H } from './hold.js';
import { CATCHES_MPAS } from './simmer.js';
import { stepResult, servedBody, stepBase, type StepContext, type StepResult } from './step.js';

export const ReheatSchema = z.strictObject({
  ...stepBase,
  op: z.literal('reheat'),
  /** The warmest that all of it comes to before it is served, °C. */
  toC: z.number().min(40).max(98),
  lid: z.enum(LIDS),
});
export type Reheat = z.infer<typeof ReheatSchema>;

/** Heat that a pot's floor may give without catching, stirred, W/m2: to a thin soup, and to one that catches. Kitchen defaults. */
const FLOOR_W_M2 = { thin: 60_000, thick: 25_000 } as const;
/** In how many pieces the way up is reckoned: what steams away grows with the temperature. */
const PIECES = 8;

/** Minutes and joules of the way up, by the burner, no harder than this body bears it. */
function wayUp(pot: PotState, toC: number, context: StepContext): ReturnType<typeof heatUp> {
  const { vessel } = context;
  const floorW = areaM2(vessel) * FLOOR_W_M2[servedBody(pot, context) > CATCHES_MPAS ? 'thick' : 'thin'];
  const burnerW = Math.min(vessel.burnerW, floorW / vessel.efficiency);
  return heatUp(pot, toC, { ...vessel, burnerW }, potM3(pot) / areaM2(vessel));
}

/** Water that steams away while it warms, kg: the open face at each temperature on the way, for as long as it is near it. */
function steamedKg(fromC: number, toC: number, minutes: number, lid: Reheat['lid'], { vessel, parameters }: StepContext): number {
  let flux = 0;
  for (let n = 0; n < PIECES; n += 1) flux += openFluxKgM2H(fromC + ((toC - fromC) * (n + 0.5)) / PIECES, parameters);
  return ((flux / PIECES) * lidLeaves(lid, parameters) * areaM2(vessel) * minutes) / 60;
}

/**
 * A soup that was cold is brought back to serving heat, all of it and once: minutes by the burner, as hard as its body bears it; what
 * steams away on the way. Told when it is not hot enough or takes too long (FDA Food Code 2022, 3-403.11).
 */
export function reheat(pot: PotState, { toC, lid }: Reheat, context: StepContext): StepResult {
  const up = wayUp(pot, toC, context);
  const cautions: Caution[] = [...up.cautions];
  if (toC < REHEATING.toC) cautions.push({ code: 'REHEAT_TOO_COOL', tempC: toC, leastC: REHEATING.toC });
  if (up.minutes > REHEATING.withinMin)
    cautions.push({ code: 'REHEAT_TOO_SLOW', minutes: up.minutes, withinMin: REHEATING.withinMin });
  if (up.joules <= 0) return stepResult(pot, [], [], 0, 0, cautions);
  const warm = cookedThrough(pot, { fromC: pot.tempC, toC, upMinutes: up.minutes, minutes: 0 }, context);
  const boiled = boiledOff(warm, steamedKg(pot.tempC, toC, up.minutes, lid, context), 0);
  return stepResult(boiled.pot, [], boiled.outflows, up.minutes, up.joules + boiled.joules, cautions);
}

export const reheatKind = stepKind<Reheat>({
  op: 'reheat',
  run: reheat,
  entered: actsThenStep,
  cooks: true,
  // Somebody stirs it.
  attention: 0.5,
  brings: (step, pot, context) => {
    const { minutes } = wayUp(pot, step.toC, context);
    const kg = pot.tempC < step.toC ? steamedKg(pot.tempC, step.toC, minutes, step.lid, context) : 0;
    return perKiloOf(pot, bare(vapourMix(-Math.min(kg, mostBoilOffKg(pot)), 0)));
  },
});
