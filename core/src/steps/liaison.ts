import { z } from 'zod';
import { areaM2 } from '../kit/index.js';
import {
  withHeat,
  contents,
  enthalpyJ,
  parcelKg,
  plusParcel,
  potM3,
  temperatureC,
  type Caution,
  type PotState,
} from '../pot/index.js';
import { actsBut, asGiven } from './entered.js';
import { asItTakes } from './to-come.js';
import { stepKind } from './kind.js';
import { lineParcel, pouredIn, storedC, useKg } from './add.js';
import { heatUp } from './boil.js';
import { stepResult, UseSchema, stepBase, type StepContext, type StepResult } from './step.js';

/** Egg yolk and cream, tempered with hot soup and stirred in, then brought to the egg's safe heat and no further. */
export const LiaisonSchema = z.strictObject({
  ...stepBase,
  op: z.literal('liaison'),
  yolks: UseSchema,
  cream: UseSchema,
  /** Where the pot is brought to and held. */
  toC: z.number().min(60).max(95),
});
export type Liaison = z.infer<typeof LiaisonSchema>;

/** Egg mixtures: 71 °C (160 °F), FDA consumer advice. Yolk thickened by cream scrambles over 82: kitchen default. */
export const EGG_SAFE_C = 71;
export const EGG_SCRAMBLES_C = 82;
/** The bowl of egg and cream is warmed to this before it meets the pot. Kitchen default. */
const TEMPERED_C = 55;
const STIR_MIN = 3;

/** Kilos of hot soup that temper a bowl of egg and cream to 55 °C, in portions of a third of the bowl; undefined when the soup is too cool for it. */
export function temperingKg(
  pot: PotState,
  bowl: ReturnType<typeof contents>,
  bowlC: number,
): { readonly soupKg: number; readonly portions: number } | undefined {
  if (pot.tempC <= TEMPERED_C + 1) return undefined;
  const soup = contents(pot);
  const perKg = (enthalpyJ(soup.mix, pot.tempC) - enthalpyJ(soup.mix, TEMPERED_C)) / parcelKg(soup);
  const soupKg = (enthalpyJ(bowl.mix, TEMPERED_C) - enthalpyJ(bowl.mix, bowlC)) / perKg;
  return { soupKg, portions: Math.max(2, Math.ceil(soupKg / (parcelKg(bowl) / 3))) };
}

export function liaison(pot: PotState, settings: Liaison, context: StepContext): StepResult {
  const yolks = context.line(settings.yolks.line);
  const cream = context.line(settings.cream.line);
  const first = pouredIn(pot, yolks, useKg(settings.yolks, yolks));
  const both = pouredIn(first.pot, cream, useKg(settings.cream, cream));
  const bowl = plusParcel(lineParcel(yolks, useKg(settings.yolks, yolks)), lineParcel(cream, useKg(settings.cream, cream)));
  const cautions: Caution[] = [];
  if (settings.toC < EGG_SAFE_C) cautions.push({ code: 'EGG_TOO_COOL', tempC: settings.toC, leastC: EGG_SAFE_C });
  const hottest = Math.max(pot.tempC, settings.toC);
  const tempering = temperingKg(pot, bowl, Math.max(storedC(yolks), storedC(cream)));
  if (
    hottest > EGG_SCRAMBLES_C &&
    (tempering === undefined || settings.toC > EGG_SCRAMBLES_C || both.pot.tempC > EGG_SCRAMBLES_C)
  ) {
    cautions.push({ code: 'EGG_SCRAMBLES', tempC: Math.max(both.pot.tempC, settings.toC), mostC: EGG_SCRAMBLES_C });
  }
  const up = heatUp(both.pot, settings.toC, context.vessel, potM3(both.pot) / areaM2(context.vessel));
  return stepResult(withHeat(both.pot, settings.toC), [...first.inflows, ...both.inflows], [], up.minutes + STIR_MIN, up.joules, [
    ...cautions,
    ...up.cautions,
  ]);
}

/** Temperature that a soup comes to with something cooler stirred in, °C. */
export function mixedC(soup: PotState, added: ReturnType<typeof contents>, addedC: number): number {
  const all = plusParcel(contents(soup), added);
  return temperatureC(all.mix, enthalpyJ(contents(soup).mix, soup.tempC) + enthalpyJ(added.mix, addedC), soup.tempC);
}

export const liaisonKind = stepKind<Liaison>({
  op: 'liaison',
  run: liaison,
  attention: 1,
  lines: (step, change) => {
    const yolks = change({ line: step.yolks.line, share: step.yolks.share ?? 1, settles: false });
    const thin = change({ line: step.cream.line, share: step.cream.share ?? 1, settles: false });
    if (yolks === undefined || thin === undefined) return undefined;
    return { ...step, yolks: { ...step.yolks, line: yolks }, cream: { ...step.cream, line: thin } };
  },
  entered: (step, entered) => {
    const own = { ...step, yolks: asGiven(step.yolks, entered), cream: asGiven(step.cream, entered) };
    const acts = actsBut(entered, [step.yolks.line, step.cream.line]);
    return entered.isDone ? { now: [...acts, own], ahead: [] } : { now: acts, ahead: [own] };
  },
  cooks: true,
  brings: asItTakes(liaison),
});
