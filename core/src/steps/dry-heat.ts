import { WATER, vapourMix, type Mix } from '../larder/index.js';
import { EMPTY, driedParcel, latentJKg, soften, type Cohort, type Flow, type PotState } from '../pot/index.js';
import { heatToJ, type StepResult } from './step.js';

/** What dry heat, in an oven or a pan, does to one cohort. */
export interface DryHeat {
  /** Most of the water that can go, as a share. */
  readonly most: number;
  /** Minutes for 63 % of that, for a piece of this size. */
  readonly tauMinutes: (sizeM: number) => number;
  readonly minutes: number;
  readonly outerC: number;
  readonly pace: number;
}

/** Loss L = most (1 - exp(-t / tau)) of the water in the piece when the heat starts; 25 mm is the reference size. */
export function waterShareLost(heat: DryHeat, sizeM: number): number {
  return heat.most * (1 - Math.exp(-heat.minutes / heat.tauMinutes(sizeM)));
}

function vapourFlow(lineId: string, mix: Mix, tempC: number): Flow {
  return { kind: 'vapour', lineId, parcel: { ...EMPTY, mix }, tempC };
}

/** Roast and sweat share this: every cohort loses water by its size, softens, and ends at the outer temperature. */
export function dryHeated(pot: PotState, heat: DryHeat): Pick<StepResult, 'pot' | 'gave' | 'joules'> {
  const gave: Flow[] = [];
  let joules = heatToJ(pot, heat.outerC);
  const cohorts = pot.cohorts.map((cohort): Cohort => {
    const lostKg = cohort.parcel.mix[WATER] * waterShareLost(heat, cohort.sizeM);
    const vapour = vapourMix(lostKg, 0);
    if (lostKg > 0) gave.push(vapourFlow(cohort.lineId, vapour, heat.outerC));
    joules += lostKg * latentJKg(heat.outerC);
    const softened = soften({ ...cohort, mix: cohort.parcel.mix }, cohort, { fromC: pot.tempC, ...heat });
    return { ...cohort, ...softened, parcel: driedParcel(cohort.parcel, vapour) };
  });
  return { pot: { ...pot, cohorts, tempC: heat.outerC }, gave, joules };
}
