import { areaM2 } from '../kit/index.js';
import { ROOM_C, mixIn, potEnthalpyJ, potM3, temperatureC, type Caution, type PotState } from '../pot/index.js';
import { WALL_W_M2K, wallM2 } from './boil.js';
import { dryHeated, type DryHeat } from './dry-heat.js';
import { stepResult, heatToJ, type StepContext, type StepResult } from './step.js';

/** How a pan is driven: what of its burner is used, and whether its minutes are all it has. */
interface Pan {
  /** Share of the burner's useful power. */
  readonly heatShare: number;
  /** The minutes stand, and less goes off where the burner can't; otherwise it takes as long as it takes. */
  readonly isFixed: boolean;
}

/** Least share of the burner's useful power that is taken to reach the food, so that minutes stay a number. */
const LEAST_SHARE = 0.1;
/** From so many times the minutes set it is told. */
const TOLD_FROM = 1.25;

type Heated = ReturnType<typeof dryHeated>;

const NONE: readonly never[] = [];

function heatedFor({ pot, outflows, joules }: Heated, minutes: number, cautions: readonly Caution[] = NONE): StepResult {
  return stepResult(pot, NONE, outflows, minutes, joules, cautions);
}

/** What a pan came to, with cautions of the way in which it was driven before its own. */
export function cautioned(
  { pot, inflows, outflows, minutes, joules, cautions }: StepResult,
  first: readonly Caution[],
): StepResult {
  return stepResult(pot, inflows, outflows, minutes, joules, cautions.length === 0 ? first : [...first, ...cautions]);
}

/**
 * Pieces in a pan on its burner: no more water goes off than the burner can evaporate once all of it is hot. What a card
 * asks for is reached in more minutes, or, where the minutes stand, less of it is.
 */
export function panHeated(pot: PotState, heat: DryHeat, { heatShare, isFixed }: Pan, context: StepContext): StepResult {
  const { vessel } = context;
  const wanted = dryHeated(pot, heat, context);
  const usefulW = vessel.burnerW * vessel.efficiency * heatShare;
  const lossW = WALL_W_M2K * wallM2(vessel, potM3(pot) / areaM2(vessel)) * Math.max(0, (heat.outerC + pot.tempC) / 2 - ROOM_C);
  const watts = Math.max(usefulW * LEAST_SHARE, usefulW - lossW);
  const neededMin = Math.max(0, wanted.joules) / watts / 60;
  if (neededMin <= heat.minutes) return heatedFor(wanted, heat.minutes);
  if (isFixed) {
    const givenJ = watts * heat.minutes * 60;
    const warmJ = heatToJ(pot, heat.outerC);
    if (givenJ < warmJ) {
      // Not even hot through: it ends as warm as it gets, and as wet as it was.
      const tempC = temperatureC(mixIn(pot), potEnthalpyJ(pot) + givenJ, pot.tempC);
      return heatedFor(dryHeated(pot, heat, context, 0, tempC), heat.minutes);
    }
    const share = Math.min(1, (givenJ - warmJ) / (wanted.joules - warmJ));
    return heatedFor(dryHeated(pot, heat, context, share), heat.minutes);
  }
  const batches = Math.ceil(neededMin / Math.max(heat.minutes, 1));
  const cautions: Caution[] =
    neededMin > TOLD_FROM * heat.minutes ? [{ code: 'PAN_CROWDED', minutes: neededMin, setMinutes: heat.minutes, batches }] : [];
  return heatedFor(wanted, neededMin, cautions);
}
