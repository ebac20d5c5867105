import { z } from 'zod';
import type { PotState } from '../pot/index.js';
import { actsThenStep } from './entered.js';
import { stepKind } from './kind.js';
import { flowsOf, portion, shareOfPot } from './portion.js';
import { goneFrom, stepBase, unchanged, type StepResult } from './step.js';

/** Why soup leaves the pot other than in a guest's bowl. */
export const LEAVES_AS = ['staff meal', 'spilt', 'thrown away', 'to another pot', 'kept'] as const;
export type LeavesAs = (typeof LEAVES_AS)[number];

/** Some of all that stands in the pot, pieces and liquid alike, taken out. A step of a batch only. */
export const LadleOutSchema = z.strictObject({
  ...stepBase,
  op: z.literal('ladleOut'),
  kg: z.number().gt(0).max(5000),
  as: z.enum(LEAVES_AS),
});
export type LadleOut = z.infer<typeof LadleOutSchema>;

/** Takes so many kilos out as they stand; no more than there are. */
export function ladleOut(pot: PotState, { kg, as }: LadleOut): StepResult {
  const share = Math.min(1, shareOfPot(pot, kg));
  if (share === 0) return unchanged(pot);
  return goneFrom(portion(pot, 1 - share), flowsOf(portion(pot, share), 'ladled out', as));
}

export const ladleOutKind = stepKind<LadleOut>({ op: 'ladleOut', run: ladleOut, entered: actsThenStep });
