import { z } from 'zod';
import { risingRoot } from '../numbers/index.js';
import { contents, parcelKg, plusParcel, type Caution, type Parcel, type PotState } from '../pot/index.js';
import { settles } from './entered.js';
import { stepKind, settledLine } from './kind.js';
import { lineParcel, pouredIn } from './add.js';
import { asItTakes } from './to-come.js';
import { settledAs, lineIdSchema, stepBase, type StepContext, type StepResult } from './step.js';
import { tastesOf } from '../season/index.js';

/** Sharpened, sweetened or made hot with a line until a taste stands where it is wanted. */
export const TuneSchema = z.strictObject({
  ...stepBase,
  op: z.literal('tune'),
  line: lineIdSchema,
  taste: z.enum(['sour', 'sweet', 'heat', 'bite']),
  to: z.number().min(0).max(5000),
});
export type Tune = z.infer<typeof TuneSchema>;

const OF = { sour: 'sour', sweet: 'sweet', heat: 'heat', bite: 'biteGKg' } as const;

export type Dose = { readonly ok: true; readonly kg: number } | { readonly ok: false; readonly code: 'PASSED' | 'UNREACHABLE' };

/** Doses looked at, as a share of the pot. */
const LEAST_DOSE = 1e-7;
const MOST_DOSE = 2;

/**
 * Kilos of something that bring a taste to a figure, up or down. Root on the tastes of the mixture, to 1e-6 of the
 * figure, at most 80 evaluations, doses of 1e-7 to twice the pot.
 */
export function doseFor(soup: Parcel, perKg: Parcel, taste: Tune['taste'], to: number): Dose {
  const massKg = parcelKg(soup);
  const at = (x: number): number => tastesOf(plusParcel(soup, perKg, x * massKg))[OF[taste]];
  const now = at(0);
  const size = Math.max(Math.abs(to), 1e-3);
  if (!(massKg > 0)) return { ok: false, code: 'UNREACHABLE' };
  if (Math.abs(now - to) <= 1e-6 * size) return { ok: true, kg: 0 };
  const slope = Math.sign(at(1e-4) - now);
  if (slope === 0) return { ok: false, code: 'UNREACHABLE' };
  if (Math.sign(to - now) !== slope) return { ok: false, code: 'PASSED' };
  const root = risingRoot((x) => slope * (at(x) - to), {
    guess: 0.001,
    least: LEAST_DOSE,
    most: MOST_DOSE,
    tolerance: 1e-6 * size,
    mostEvaluations: 80,
  });
  return root.ok ? { ok: true, kg: root.x * massKg } : { ok: false, code: 'UNREACHABLE' };
}

export function tune(pot: PotState, settings: Tune, context: StepContext): StepResult {
  const line = context.line(settings.line);
  const what = settings.taste === 'bite' ? 'heat' : settings.taste;
  const dose: Dose =
    context.heldKg === undefined
      ? doseFor(contents(pot), lineParcel(line, 1), settings.taste, settings.to)
      : { ok: true, kg: context.heldKg };
  const cautions: Caution[] = [];
  if (!dose.ok && dose.code === 'UNREACHABLE') cautions.push({ code: 'TARGET_UNREACHABLE', what });
  if (!dose.ok && dose.code === 'PASSED') cautions.push({ code: 'TARGET_PASSED', what, overKg: 0 });
  const kg = dose.ok ? dose.kg : 0;
  return settledAs(pouredIn(pot, line, kg), cautions, kg);
}

export const tuneKind = stepKind<Tune>({
  op: 'tune',
  run: tune,
  lines: settledLine,
  entered: settles,
  told: true,
  given: 'as wanted',
  brings: asItTakes(tune),
});
