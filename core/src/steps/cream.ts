import { z } from 'zod';
import { FAT } from '../larder/index.js';
import { CREAM_KG, EMPTY, contents, potKg, type Caution, type PotState } from '../pot/index.js';
import { splitFigures, splitRisk } from '../finish/index.js';
import { settles } from './entered.js';
import { stepKind } from './kind.js';
import { lineParcel, pouredIn } from './add.js';
import { NOTHING_TO_COME, perKiloOf } from './to-come.js';
import { settledAs, lineIdSchema, stepBase, type SizedLine, type StepContext, type StepResult } from './step.js';

/** How cream is asked for: % of the finished soup, grams a bowl, grams of fat per 100 g of finished soup, or as its line is written. */
export const CreamTargetSchema = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('pct'), value: z.number().min(0).max(60) }),
  z.strictObject({ by: z.literal('gPerBowl'), value: z.number().min(0).max(500) }),
  z.strictObject({ by: z.literal('fatPer100'), value: z.number().min(0).max(40) }),
  z.strictObject({ by: z.literal('written') }),
]);
export type CreamTarget = z.infer<typeof CreamTargetSchema>;

export const CreamSchema = z.strictObject({ ...stepBase, op: z.literal('cream'), line: lineIdSchema, target: CreamTargetSchema });
export type Cream = z.infer<typeof CreamSchema>;

const NOTHING_KG = 1e-6;

/** Share of the finished soup that a target asks for; undefined for a target of fat or as written, which depends on the soup. */
export function creamShare(target: CreamTarget, bowlKg: number): number | undefined {
  if (target.by === 'pct') return target.value / 100;
  return target.by === 'gPerBowl' ? target.value / 1000 / bowlKg : undefined;
}

/**
 * Kilos to add so that a part makes up a share of the whole: (have + p x) / (M + x) = w. NaN when it can't be reached.
 *
 * @example shareToAdd(9, 0, 1, 0.1) // 1
 */
export function shareToAdd(massKg: number, haveKg: number, purity: number, wanted: number): number {
  return purity > wanted ? (wanted * massKg - haveKg) / (purity - wanted) : Number.NaN;
}

/** Kilos of a cream that a pot still wants to meet its target; negative when there is too much in it; NaN when none would do. */
export function creamToAdd(pot: PotState, target: CreamTarget, bowlKg: number, line: SizedLine): number {
  const all = contents(pot);
  if (target.by === 'written') return line.massKg - all.carried[CREAM_KG];
  const share = creamShare(target, bowlKg);
  return share === undefined
    ? shareToAdd(potKg(pot), all.mix[FAT], line.ingredient.perKg[FAT], target.value / 100)
    : shareToAdd(potKg(pot), all.carried[CREAM_KG], 1, share);
}

/** Finishes with cream to a target, counting what is in already; cools and lightens the pot as it must. */
export function cream(pot: PotState, settings: Cream, context: StepContext): StepResult {
  const line = context.line(settings.line);
  const wantedKg = creamToAdd(pot, settings.target, context.bowlKg, line);
  const cautions: Caution[] = [];
  if (Number.isNaN(wantedKg)) cautions.push({ code: 'TARGET_UNREACHABLE', what: 'cream' });
  else if (wantedKg < -NOTHING_KG) cautions.push({ code: 'TARGET_PASSED', what: 'cream', overKg: -wantedKg });
  const massKg = context.heldKg ?? (wantedKg > 0 ? wantedKg : 0);
  const risk = massKg > 0 ? splitRisk(contents(pot), pot.tempC, line.ingredient.perKg) : 'low';
  if (risk !== 'low') cautions.push({ code: 'SPLIT_RISK', risk, ...splitFigures(contents(pot), pot.tempC, line.ingredient.perKg) });
  return settledAs(pouredIn(pot, line, massKg), cautions, massKg);
}

/** Shares of cream that differ by less are one. Kitchen default. */
const SAME_PCT = 0.3;

export const creamKind = stepKind<Cream>({
  op: 'cream',
  run: cream,
  lines: (step, change) => {
    const line = change({ line: step.line, share: 1, settles: step.target.by !== 'written' });
    return line === undefined ? undefined : { ...step, line };
  },
  entered: settles,
  told: true,
  given: 'some',
  brings: (step, pot, context) => {
    const line = context.line(step.line);
    const massKg = creamToAdd(pot, step.target, context.bowlKg, line);
    if (!(massKg > 0)) return NOTHING_TO_COME;
    // A share of the soup grows with whatever else goes in; an amount as written does not.
    return step.target.by === 'written'
      ? { fixed: lineParcel(line, massKg), perKg: EMPTY }
      : perKiloOf(pot, lineParcel(line, massKg));
  },
  target: {
    of: 'cream',
    unit: 'pct',
    value: ({ target }) => (target.by === 'pct' ? target.value : undefined),
    moved: (step, to) => ({ ...step, target: { by: 'pct', value: Math.round(to * 10) / 10 } }),
    same: (a, b) => Math.abs(a - b) < SAME_PCT,
  },
});
