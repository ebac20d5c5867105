import { z } from 'zod';
import { SALT, plusMix, type Mix } from '../larder/index.js';
import {
  withMix,
  bare,
  joinedAll,
  parcelOf,
  plusParcel,
  type Caution,
  type Flow,
  type Parcel,
  type PotState,
  type Poured,
} from '../pot/index.js';
import { actsBut, asGiven } from './entered.js';
import { asItTakes } from './to-come.js';
import { stepKind, usesLeft } from './kind.js';
import { ingredientFlow, lineParcel, poured, useKg } from './add.js';
import { stepResult, UseSchema, stepBase, type SizedLine, type StepContext, type StepResult } from './step.js';

export const TrimStepSchema = z.strictObject({ ...stepBase, op: z.literal('trim'), uses: z.array(UseSchema).min(1) });
export type TrimStep = z.infer<typeof TrimStepSchema>;

/** Minutes at the board per kilo as bought, peeled and cut. Kitchen default. */
const BOARD_MIN_PER_KG = 3;

const HARD = new Set(['roots', 'squashes']);
/** Those of the two groups that give way to any knife. */
const SOFT = new Set(['ginger', 'galangal', 'turmeric-root', 'courgette', 'marrow', 'cucumber']);
const GRITTY = new Set(['leek', 'spinach', 'chard', 'nettle', 'watercress']);

/**
 * What goes on and what does not, of so many kilos as bought. Peel and flesh are taken to have one composition; all
 * that was paid goes on with the edible part; rinsing carries some of its salt away with the waste.
 */
function splitTrim(line: SizedLine, massKg: number): { kept: Parcel; waste: Parcel | undefined; all: Parcel } {
  const keptKg = massKg * line.keptShare;
  const kept = lineParcel(line, keptKg, massKg);
  const wasteKg = massKg - keptKg;
  const rinsedKg = kept.mix[SALT] * (1 - line.saltKept);
  if (wasteKg <= 0 && rinsedKg <= 0) return { kept, waste: undefined, all: kept };
  const salt: Mix = [0, 0, 0, 0, 0, 0, rinsedKg, 0, 0, 0];
  const waste = plusParcel(parcelOf(line.ingredient, wasteKg, 0), bare(salt));
  const goesOn = rinsedKg > 0 ? withMix(kept, plusMix(kept.mix, salt, -1)) : kept;
  return { kept: goesOn, waste, all: plusParcel(goesOn, waste) };
}

/** As purchased to edible: each line gives up the share that its way of trimming takes (the larder's yield table). */
export function trim(pot: PotState, settings: TrimStep, context: StepContext): StepResult {
  const inflows: Flow[] = [];
  const outflows: Flow[] = [];
  const hard: string[] = [];
  const gritty: string[] = [];
  const parts: Poured[] = [];
  let boughtKg = 0;
  for (const use of settings.uses) {
    const line = context.line(use.line);
    const massKg = useKg(use, line);
    const { kept, waste, all } = splitTrim(line, massKg);
    const arrives = ingredientFlow(line, all);
    inflows.push(arrives);
    if (waste !== undefined) outflows.push({ kind: 'trim', lineId: line.id, parcel: waste, tempC: arrives.tempC });
    parts.push(poured(line, kept));
    boughtKg += massKg;
    const { row } = line.ingredient;
    if (HARD.has(row.group) && !SOFT.has(row.id)) hard.push(line.id);
    if (GRITTY.has(row.id)) gritty.push(line.id);
  }
  const cautions: Caution[] = [];
  if (hard.length > 0) cautions.push({ code: 'HARD_TO_CUT', lineIds: hard });
  if (gritty.length > 0) cautions.push({ code: 'WASH_GRIT', lineIds: gritty });
  return stepResult(joinedAll(pot, parts), inflows, outflows, boughtKg * BOARD_MIN_PER_KG, 0, cautions);
}

export const trimKind = stepKind<TrimStep>({
  op: 'trim',
  run: trim,
  attention: 1,
  lines: (step, change) => {
    const uses = usesLeft(step.uses, change);
    return uses.length === 0 ? undefined : { ...step, uses };
  },
  entered: (step, entered) => {
    const trimmed = { ...step, uses: step.uses.map((use) => asGiven(use, entered)) };
    const acts = actsBut(
      entered,
      step.uses.map(({ line }) => line),
    );
    return entered.isDone ? { now: [trimmed, ...acts], ahead: [] } : { now: acts, ahead: [trimmed] };
  },
  brings: asItTakes(trim),
});
