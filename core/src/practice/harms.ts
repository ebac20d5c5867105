import { historyOf, type StoredEntry } from '../batch/index.js';
import { splitRisk } from '../finish/index.js';
import { ACID, FAT, type Allergen, type Mix } from '../larder/index.js';
import type { Planned } from '../plan/index.js';
import { contents, parcelKg, type Parcel } from '../pot/index.js';
import type { StepRecord } from '../runner/index.js';
import { EGG_SAFE_C, EGG_SCRAMBLES_C, HOT_JUG_C, jugged } from '../steps/index.js';
import { walk } from '../soup/index.js';
import type { Cooked, Moment } from './cooked.js';
import type { Lesson } from './lessons.js';

/** Something that hurts a guest, the cook or the soup, by what was really there. */
export type Harm =
  | {
      readonly kind: 'hot jug';
      readonly entryId: string;
      readonly stepId: string;
      readonly tempC: number;
      readonly fillShare?: number;
    }
  | { readonly kind: 'split'; readonly entryId: string; readonly stepId: string; readonly tempC: number; readonly acidGKg: number }
  | { readonly kind: 'scrambled'; readonly entryId: string; readonly stepId: string; readonly tempC: number }
  | { readonly kind: 'raw egg'; readonly entryId: string; readonly stepId: string; readonly tempC: number }
  | { readonly kind: 'allergen'; readonly allergen: Allergen }
  /** What was kept cooled slower than its rule allows; `minutes` is left out where it was not cold within a day. */
  | {
      readonly kind: 'cooled too slowly';
      readonly vessel: string;
      readonly toC: number;
      readonly withinMin: number;
      readonly minutes?: number;
    }
  | { readonly kind: 'left standing'; readonly kg: number };

/** A jug is filled by eye: so much more of it is no more. */
const ROUNDING = 0.02;
/** Cream with less fat than this, %, is none that splits. */
const LEAST_FAT = 0.01;

/** How full a jug may be at a temperature, as a share of it: the page's own rule. */
function mostFill(tempC: number): number {
  return jugged(0, 1, tempC).fillShare;
}

/** Jugs that were filled too full for how hot it really was, or, where each is to be entered, that nobody looked at. */
function jugs(plan: Planned, entries: readonly StoredEntry[], moments: readonly Moment[], isEachEntered: boolean): Harm[] {
  const { counted } = historyOf(entries);
  const tempAt = new Map(moments.map(({ entryId, fromC }) => [entryId, fromC]));
  return walk(plan.prepared.soup.root).flatMap(({ step }): Harm[] => {
    if (step.op !== 'blend' || step.blender !== 'jug') return [];
    const done = counted.find(({ action }) => action.kind === 'done' && action.stepId === step.id);
    const tempC = done === undefined ? 0 : (tempAt.get(done.id) ?? 0);
    if (done === undefined || tempC < HOT_JUG_C) return [];
    const own = counted.flatMap(({ id, action }) =>
      action.kind === 'jugged' && action.stepId === step.id ? [{ id, fillShare: action.fillShare }] : [],
    );
    const tooFull = own.find(({ fillShare }) => fillShare > mostFill(tempC) + ROUNDING);
    if (tooFull !== undefined)
      return [{ kind: 'hot jug', entryId: tooFull.id, stepId: step.id, tempC, fillShare: tooFull.fillShare }];
    return isEachEntered && own.length === 0 ? [{ kind: 'hot jug', entryId: done.id, stepId: step.id, tempC }] : [];
  });
}

/** What an entry put in of a line that comes from milk and holds some fat; the soup into which it went. */
function creamIn(
  records: readonly StepRecord[],
  stepId: string,
  plan: Planned,
): { readonly soup: Parcel; readonly mix: Mix } | undefined {
  for (const record of records.filter(({ step }) => step.id === stepId))
    for (const { lineId, parcel } of record.inflows) {
      const own = plan.prepared.lines.find(({ line }) => line.id === lineId)?.line.ingredient;
      const kg = parcelKg(parcel);
      if (own?.row.origin !== 'dairy' || kg <= 0 || parcel.mix[FAT] / kg < LEAST_FAT) continue;
      return { soup: contents(record.before), mix: parcel.mix.map((part) => part / kg) as unknown as Mix };
    }
  return undefined;
}

function split(plan: Planned, { state, moments }: Cooked): Harm[] {
  const seen = new Set<string>();
  return moments.flatMap(({ entryId, stepId, fromC, true: real }): Harm[] => {
    const cream = seen.has(stepId) ? undefined : creamIn(state.happened, stepId, plan);
    if (cream === undefined) return [];
    seen.add(stepId);
    const acidKg = (real.acidGKg / 1000) * parcelKg(cream.soup);
    const really: Parcel = { ...cream.soup, mix: cream.soup.mix.map((kg, n) => (n === ACID ? acidKg : kg)) as unknown as Mix };
    return splitRisk(really, fromC, cream.mix) === 'high'
      ? [{ kind: 'split', entryId, stepId, tempC: fromC, acidGKg: real.acidGKg }]
      : [];
  });
}

function eggs(plan: Planned, moments: readonly Moment[]): Harm[] {
  return walk(plan.prepared.soup.root).flatMap(({ step }): Harm[] => {
    const moment = step.op === 'liaison' ? moments.find(({ stepId }) => stepId === step.id) : undefined;
    if (step.op !== 'liaison' || moment === undefined) return [];
    const { entryId, stepId, fromC } = moment;
    const hottestC = Math.max(fromC, step.toC);
    if (hottestC > EGG_SCRAMBLES_C) return [{ kind: 'scrambled', entryId, stepId, tempC: hottestC }];
    return step.toC < EGG_SAFE_C ? [{ kind: 'raw egg', entryId, stepId, tempC: step.toC }] : [];
  });
}

/** What went wrong in a practice that a guest, a hand or the soup would have been hurt by, in the order in which it is looked for. */
export function harmsOf(plan: Planned, entries: readonly StoredEntry[], cooked: Cooked, lesson?: Lesson): Harm[] {
  const contained = new Set(cooked.state.forecast.facts?.allergens ?? []);
  return [
    ...jugs(plan, entries, cooked.moments, lesson?.entersJugs === true),
    ...split(plan, cooked),
    ...eggs(plan, cooked.moments),
    ...(lesson?.guests ?? []).flatMap((allergen): Harm[] => (contained.has(allergen) ? [{ kind: 'allergen', allergen }] : [])),
  ];
}
