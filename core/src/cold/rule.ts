import type { OwnCoolingRule } from '../kit/index.js';
import { nineInTen, type CoolingForecast } from './cooling.js';

/** From one temperature to another within so many minutes; from the moment it is portioned where no first is given. */
export interface CoolingStage {
  readonly fromC?: number;
  readonly toC: number;
  readonly withinMin: number;
}

export interface CoolingRule {
  readonly id: string;
  readonly name: string;
  readonly stages: readonly CoolingStage[];
  readonly source: string;
  /** What is to be done when a stage is missed. */
  readonly missed: string;
}

/** Cooling rules as data. Local food law comes first, whichever is chosen. */
export const COOLING_RULES: readonly CoolingRule[] = [
  {
    id: 'two-stage',
    name: 'Two stages',
    stages: [
      { fromC: 57, toC: 21, withinMin: 120 },
      { fromC: 57, toC: 5, withinMin: 360 },
    ],
    source: 'FDA Food Code 2022, 3-501.14',
    missed:
      'The first stage missed: reheat it once to 74 °C (165 °F) and cool it again in shallower pans, or throw it away. The second missed: throw it away.',
  },
  {
    id: 'cook-chill',
    name: 'Cook-chill',
    stages: [{ toC: 3, withinMin: 90 }],
    source: 'British guidance on cook-chill, from memory: to 3 °C within 90 minutes of portioning',
    missed: 'Not to be kept as cook-chill: eat it the same day, or throw it away.',
  },
];

/** How soup is brought back for service: to this, within so many minutes, once. Source: FDA Food Code 2022, 3-403.11. */
export const REHEATING = { toC: 74, withinMin: 120 } as const;

/** How a kitchen's own rule is named. */
export const OWN_RULE = 'own';

/** A kitchen's own rule as a rule like the others. */
export function ownRule({ stages, missed }: OwnCoolingRule): CoolingRule {
  return {
    id: OWN_RULE,
    name: 'Our own',
    stages: stages.map(({ fromC, toC, withinMin }) => ({ ...(fromC === undefined ? {} : { fromC }), toC, withinMin })),
    source: 'this kitchen’s own rule',
    missed,
  };
}

/** The rules that a kitchen may cool by: those that are published, and its own where it has one. */
export function rulesFor(own: OwnCoolingRule | undefined): readonly CoolingRule[] {
  return own === undefined ? COOLING_RULES : [...COOLING_RULES, ownRule(own)];
}

export interface StageOutlook {
  readonly stage: CoolingStage;
  /** Middle and nine-in-ten minutes; undefined where it is not reached within a day. */
  readonly minutes: number | undefined;
  readonly nineInTenMin: number | undefined;
  /** Minutes to spare in nine of ten cases; negative by how much it is missed. */
  readonly spareMin: number;
}

export interface RuleOutlook {
  readonly stages: readonly StageOutlook[];
  /** Met in nine of ten such pans. */
  readonly isMet: boolean;
}

/** How a forecast stands to a rule. */
export function outlookOf(forecast: CoolingForecast, rule: CoolingRule): RuleOutlook {
  const stages = rule.stages.map((stage): StageOutlook => {
    const time = stage.fromC === undefined ? forecast.to(stage.toC) : forecast.between(stage.fromC, stage.toC);
    const safe = time === undefined ? undefined : nineInTen(time);
    return {
      stage,
      minutes: time?.middle,
      nineInTenMin: safe,
      spareMin: safe === undefined ? -Infinity : stage.withinMin - safe,
    };
  });
  return { stages, isMet: stages.every(({ spareMin }) => spareMin >= 0) };
}
