import { historyOf, type StoredEntry } from '@tureen/core/batch';
import { namer, stepName } from '@tureen/core/messages';
import type { Kit } from '@tureen/core/kit';
import { outcomesOf } from '@tureen/core/odds';
import { planToBuy, rerun, type PlanRequest, type Planned, type Snapshot } from '@tureen/core/plan';
import { colourOf, type IngredientRow } from '@tureen/core/larder';
import {
  WHAT_IFS,
  asPlanned,
  coolingDebriefOf,
  cookedIn,
  debriefOf,
  inKitchens,
  lessonOf,
  sensed,
  type Best,
  type CoolingDebrief,
  type Harm,
  type Hidden,
  type InKitchens,
  type Judged,
  type Moment,
  type Senses,
  type Stands,
  type Turn,
  type WayEnd,
  waysIn,
} from '@tureen/core/practice';
import { contents, tintIn } from '@tureen/core/pot';
import { EXAMPLE_SOUPS, walk, type Soup } from '@tureen/core/soup';
import type { StockEntry } from '@tureen/core/stock';
import type { UnitSystem } from '@tureen/core/units';

/** A practice as the thread is told of it. */
export interface PracticeAsk {
  readonly snapshot: Snapshot;
  readonly entries: readonly StoredEntry[];
  readonly lesson: string;
  readonly seed: number;
}

/** A plan, or a batch with what was entered of it, that is to be cooked in other kitchens. */
export interface KitchensAsk {
  readonly plan:
    Snapshot | { readonly soup: Soup; readonly rows: readonly IngredientRow[]; readonly kit: Kit; readonly request: PlanRequest };
  /** Undefined for a plan that is done to the letter. */
  readonly entries?: readonly StoredEntry[] | undefined;
}

/** What came of it there, beside what was planned. */
export interface KitchensView extends InKitchens {
  readonly planned: { readonly bowls: number; readonly saltPct: number; readonly bodyMPas: number };
}

/** One moment of a debrief: behind a step, what was believed and what was true. */
export interface MomentView {
  readonly entryId: string;
  readonly step: string;
  readonly believedKg: number;
  readonly trueKg: number;
}

/** Where what was believed left what was true. */
export interface TurnView {
  /** Place in the moments. */
  readonly at: number;
  readonly entryId: string;
  readonly of: Turn['of'];
  readonly step: string;
  readonly believed: number;
  readonly true: number;
}

/** Something that would have hurt somebody or the soup, and the step at which. */
export interface HarmView {
  readonly harm: Harm;
  readonly step: string;
}

/** A debrief as the page shows it. */
export interface DebriefView {
  readonly marks: readonly Judged[];
  readonly isPassed: boolean;
  readonly best: Best;
  readonly bestKg: number;
  readonly moments: readonly MomentView[];
  readonly turns: readonly TurnView[];
  readonly harms: readonly HarmView[];
  /** What each way in which the lesson may be cooked comes to in this kitchen; empty where it has one only. */
  readonly ways: readonly WayEnd[];
  /** The soup's own colour. */
  readonly colour: string;
  readonly units: UnitSystem;
}

function hiddenOf({ lesson, seed }: PracticeAsk): Hidden {
  return { seed, mishaps: lessonOf(lesson)?.mishaps ?? {} };
}

function isBlended(plan: Planned, entries: readonly StoredEntry[]): boolean {
  const blends = new Set(walk(plan.prepared.soup.root).flatMap(({ step }) => (step.op === 'blend' ? [step.id] : [])));
  return historyOf(entries).counted.some(({ action }) => action.kind === 'done' && blends.has(action.stepId));
}

/** Looks at one state of the pot that are told apart. */
const MOST_LOOKS = 100;

/** What is seen of the pot of a practice now, at so manieth a look: each sees a little otherwise. */
export function seenNow(ask: PracticeAsk, look: number, nowMs: number): Senses {
  const plan = rerun(ask.snapshot);
  const hidden = hiddenOf(ask);
  const { pot } = cookedIn(plan, ask.entries, hidden, nowMs);
  return sensed(plan, pot, isBlended(plan, ask.entries), hidden, ask.entries.length * MOST_LOOKS + look);
}

/** What is asked of a practice that is learnt in the cold. */
export interface PuttingAwayAsk extends PracticeAsk {
  readonly stock: readonly StockEntry[];
}

/** What putting away came to; undefined where nothing was left over. */
export function puttingAwayView({ snapshot, entries, stock, ...ask }: PuttingAwayAsk): CoolingDebrief | undefined {
  return coolingDebriefOf(rerun(snapshot), entries, stock, hiddenOf({ snapshot, entries, ...ask }));
}

function valueOf({ kg, saltPct, mPas }: Stands, of: Turn['of']): number {
  return of === 'kg' ? kg : of === 'salt' ? saltPct : (mPas ?? 0);
}

function turnView({ of, moment }: Turn, moments: readonly Moment[], steps: ReadonlyMap<string, string>): TurnView {
  const step = steps.get(moment.stepId) ?? '';
  return {
    at: moments.indexOf(moment),
    entryId: moment.entryId,
    of,
    step,
    believed: valueOf(moment.believed, of),
    true: valueOf(moment.true, of),
  };
}

/**
 * A plan or a batch in so many simulated kitchens, with something that goes wrong.
 *
 * @throws where the plan can't be made.
 */
export function inKitchensView({ plan: asked, entries }: KitchensAsk, whatIf: string, kitchens: number): KitchensView {
  const planned = 'scale' in asked ? rerun(asked) : planOf(asked);
  const mishaps = WHAT_IFS.find(({ id }) => id === whatIf)?.mishaps ?? {};
  const { bowls, saltPct, bodyMPas } = outcomesOf(planned.prepared, planned.run);
  return {
    ...inKitchens(planned, entries ?? asPlanned(planned), { kitchens, mishaps }),
    planned: { bowls, saltPct, bodyMPas },
  };
}

function planOf({ soup, rows, kit, request }: Exclude<KitchensAsk['plan'], Snapshot>): Planned {
  const planning = planToBuy(soup, rows, kit, request);
  if (!planning.ok) throw new Error(planning.error.code);
  return planning.plan;
}

/** What a practice came to. */
export function debriefView(ask: PracticeAsk): DebriefView {
  const plan = rerun(ask.snapshot);
  const { cooked, marks, isPassed, best, turns, harms } = debriefOf(plan, ask.entries, hiddenOf(ask), lessonOf(ask.lesson));
  const lesson = lessonOf(ask.lesson);
  const shipped = EXAMPLE_SOUPS.find(({ id }) => id === lesson?.soupId);
  const nameOf = namer(ask.snapshot.soup, ask.snapshot.rows);
  const steps = new Map(walk(plan.prepared.soup.root).map(({ step }) => [step.id, stepName(step, nameOf)]));
  const moments = cooked.moments.map(({ entryId, stepId, believed, true: real }) => ({
    entryId,
    step: steps.get(stepId) ?? '',
    believedKg: believed.kg,
    trueKg: real.kg,
  }));
  const last = plan.run.last?.before;
  const lastKg = moments.at(-1)?.trueKg ?? 0;
  return {
    marks,
    isPassed,
    best,
    bestKg: lastKg + best.waterKg,
    moments,
    ways: shipped === undefined ? [] : waysIn(shipped, lesson?.ways ?? [], plan, hiddenOf(ask)),
    harms: harms.map((harm) => ({ harm, step: 'stepId' in harm ? (steps.get(harm.stepId) ?? '') : '' })),
    turns: turns.map((turn) => turnView(turn, cooked.moments, steps)),
    colour: last === undefined ? '' : colourOf(tintIn(contents(last))),
    units: ask.snapshot.kit.units,
  };
}
