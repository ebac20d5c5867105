import { FAT, WATER, plusMix, vapourMix, type Mix } from '../larder/index.js';
import {
  cohortDraft,
  potWith,
  withMix,
  bare,
  brownedParcel,
  driedParcel,
  gelatinised,
  latentJKg,
  parcelKg,
  soften,
  type Cohort,
  type Flow,
  type PotState,
} from '../pot/index.js';
import { heatToJ, paced, type StepContext, type StepResult } from './step.js';

/** What dry heat, in an oven or a pan, does to one cohort. */
export interface DryHeat {
  /** Most of its first water that can go, as a share. */
  readonly most: number;
  /** Minutes for 63 % of that, for a piece of this size. */
  readonly tauMinutes: (sizeM: number) => number;
  readonly minutes: number;
  readonly outerC: number;
  /** How fast heat gets into a piece of a size, against boiling liquid. */
  readonly pace: (sizeM: number) => number;
  /** Surface temperature that colours, °C; undefined where no colour is wanted or comes. */
  readonly brownsAtC: number | undefined;
}

/** 25 mm pieces take up the kitchen's usual fat; smaller ones more, by their surface. */
const REFERENCE_M = 0.025;
/** Browning comes with dryness and heat: b = 1 - exp(-(lost / 0.3) exp((T - 190) / 40)). Kitchen defaults. */
const BROWN_LOST = 0.3;
const BROWN_C = 190;
const BROWN_SCALE_K = 40;

/** Loss of water as a share of what the piece first held, from a share lost already: L = most (1 - exp(-t / tau)), joined end to end. */
export function waterShareLost(heat: DryHeat, sizeM: number, already = 0): number {
  return Math.max(0, heat.most - already) * (1 - Math.exp(-heat.minutes / heat.tauMinutes(sizeM)));
}

/** How brown a piece is that has lost a share of its water in a surface heat. @example brownness(0.3, 190) // 0.63 */
export function brownness(lostShare: number, surfaceC: number): number {
  return 1 - Math.exp(-(lostShare / BROWN_LOST) * Math.exp((surfaceC - BROWN_C) / BROWN_SCALE_K));
}

function fatMix(kg: number): Mix {
  return [0, kg, 0, 0, 0, 0, 0, 0, 0, 0];
}

/** Fat that pieces take up from what lies free among them. Only fat moves; the mix around it stays. */
function fatTaken(pot: PotState, context: StepContext): { readonly perPiece: readonly number[]; readonly sumKg: number } {
  const wanted = pot.cohorts.map(
    ({ parcel, sizeM }) => parcelKg(parcel) * context.parameters.fatTaken * Math.min(4, REFERENCE_M / sizeM),
  );
  const sum = wanted.reduce((a, b) => a + b, 0);
  const share = sum > 0 ? Math.min(1, pot.liquid.mix[FAT] / sum) : 0;
  return { perPiece: wanted.map((kg) => kg * share), sumKg: sum * share };
}

/**
 * Oven and pan share this: every cohort loses water by its size, takes up fat, softens, colours, and ends at the outer temperature.
 *
 * @param dried share of the loss that there is heat for. @param outerC where the heat's own is not reached, what is.
 */
export function dryHeated(
  pot: PotState,
  heat: DryHeat,
  context: StepContext,
  dried = 1,
  outerC = heat.outerC,
): Pick<StepResult, 'pot' | 'outflows' | 'joules'> {
  const outflows: Flow[] = [];
  let joules = heatToJ(pot, outerC);
  const fat = heat.minutes > 0 ? fatTaken(pot, context) : { perPiece: [], sumKg: 0 };
  const cohorts = pot.cohorts.map((cohort, n): Cohort => {
    const water = cohort.parcel.mix[WATER];
    const lost = Math.min(waterShareLost(heat, cohort.sizeM, cohort.driedShare) * dried, 1 - cohort.driedShare);
    const lostKg = cohort.driedShare < 1 ? (water * lost) / (1 - cohort.driedShare) : 0;
    const vapour = vapourMix(lostKg, 0);
    if (lostKg > 0) outflows.push({ kind: 'vapour', lineId: cohort.lineId, parcel: bare(vapour), tempC: outerC });
    joules += lostKg * latentJKg(outerC);
    const piece = { shape: cohort.shape, sizeM: cohort.sizeM, mix: cohort.parcel.mix, softening: paced(cohort, context) };
    const softened = soften(piece, cohort, {
      fromC: pot.tempC,
      outerC,
      minutes: heat.minutes,
      pace: heat.pace(cohort.sizeM),
    });
    const driedShare = cohort.driedShare + lost;
    const brown = heat.brownsAtC === undefined ? cohort.browned : Math.max(cohort.browned, brownness(driedShare, heat.brownsAtC));
    const drier = driedParcel(cohort.parcel, vapour);
    const takenKg = fat.perPiece[n] ?? 0;
    const fatter = takenKg > 0 ? withMix(drier, plusMix(drier.mix, fatMix(takenKg))) : drier;
    const next = cohortDraft(cohort);
    next.parcel = brownedParcel(fatter, brown - cohort.browned);
    next.softness = softened.softness;
    next.gelatinised = softened.gelatinised;
    next.driedShare = driedShare;
    next.browned = brown;
    return next;
  });
  const liquid = fat.sumKg > 0 ? withMix(pot.liquid, plusMix(pot.liquid.mix, fatMix(fat.sumKg), -1)) : pot.liquid;
  return { pot: potWith(pot, gelatinised(liquid), cohorts, outerC), outflows, joules };
}
