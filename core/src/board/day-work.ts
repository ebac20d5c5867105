import { potsFor, planToBuy, type PlanError, type Planned } from '../plan/index.js';
import type { Kit } from '../kit/index.js';
import type { IngredientRow } from '../larder/index.js';
import { varied, type Soup } from '../soup/index.js';
import { bringBackSoup, type Contents } from '../stock/index.js';
import { workOf, type BatchWork } from './blocks.js';
import type { DayWork } from './arrange.js';
import { clockMinute, type Day, type DayBatch } from './day.js';
import { lanesOf } from './lanes.js';

/** What keeps a soup of the day from being planned. */
export type DayProblem =
  | { readonly code: 'NO_SUCH_SOUP'; readonly batchId: string }
  | { readonly code: 'NO_POT_HOLDS_IT'; readonly batchId: string; readonly error: PlanError | undefined };

/** What has happened to a batch of the day already. */
export interface Progress {
  /** Minutes that are left of steps that have begun, by step id; 0 of those that are done. */
  readonly left: ReadonlyMap<string, number>;
  /** Steps that run now: what they are in starts now. */
  readonly running: readonly string[];
}

/** Soups of a day with their plans, and the work that they make. */
export interface Planning {
  readonly plans: ReadonlyMap<string, Planned>;
  readonly work: DayWork;
  readonly problems: readonly DayProblem[];
}

/** How long bowls of one service go out, minutes: until then a pot is not free. Kitchen default. */
export const SERVED_MIN = 60;
/** Bowls wanted within so many minutes of each other want pots of their own. Kitchen default. */
const AT_ONCE_MIN = 240;

/** Plans a soup in a pot; kept by whoever calls, since many changes of a day leave most of it as it was. */
export type PlanIn = (soup: Soup, batch: DayBatch, potId: string) => ReturnType<typeof planToBuy>;

/** Straight from core, without remembering anything. */
export function plansIn(rows: readonly IngredientRow[], kit: Kit): PlanIn {
  return (soup, { request }, potId) => planToBuy(soup, rows, kit, { ...request, potId });
}

/** What stands in the cold of the soup of a batch; undefined where nothing of it can be brought back on that day. */
export type KeptOf = (batch: DayBatch) => Contents | undefined;

/** What the work of bringing a batch's kept bowls back goes by, among the batches of a day. */
export function backId(batchId: string): string {
  return `${batchId}.back`;
}

/** The kept bowls of a batch as a batch of their own, in each pot that holds them. Those of a soup served cold need no work. */
function broughtBack(batch: DayBatch, contents: Contents, kit: Kit): Choices | undefined {
  const { broughtBack: bowls = 0, bowlG } = batch.request;
  if (bowls === 0 || contents.isServedCold) return undefined;
  const name = `${contents.name}, from the cold`;
  const soup = bringBackSoup({ contents: { ...contents, name, bowlG }, kg: (bowls * bowlG) / 1000 });
  const plans = potsFor(soup, kit).flatMap(({ id }) => {
    const planning = planToBuy(soup, [contents.row], kit, { bowls, bowlG, potId: id });
    return planning.ok ? [planning.plan] : [];
  });
  const { request, ...day } = batch;
  const own = { ...day, id: backId(batch.id), request: { bowls, bowlG: request.bowlG } };
  return plans.length === 0 ? undefined : { batch: own, dueMin: clockMinute(batch.at), plans };
}

interface Choices {
  readonly batch: DayBatch;
  readonly dueMin: number;
  readonly plans: readonly Planned[];
}

/** Each batch in a pot of its own where bowls are wanted at once, the smallest that holds it first. */
function potted(all: readonly Choices[]): ReadonlyMap<string, Planned> {
  const chosen = new Map<string, Planned>();
  const hardest = [...all].sort((a, b) => a.plans.length - b.plans.length);
  const potOf = (id: string): string | undefined => chosen.get(id)?.prepared.vessel.id;
  const clash = (one: Choices, plan: Planned): boolean =>
    all.some(({ batch, dueMin }) => potOf(batch.id) === plan.prepared.vessel.id && Math.abs(dueMin - one.dueMin) < AT_ONCE_MIN);
  const from = (at: number): boolean => {
    const one = hardest[at];
    if (one === undefined) return true;
    for (const plan of one.plans) {
      if (clash(one, plan)) continue;
      chosen.set(one.batch.id, plan);
      if (from(at + 1)) return true;
      chosen.delete(one.batch.id);
    }
    return false;
  };
  if (from(0)) return chosen;
  for (const one of hardest) {
    const plan = one.plans.find((own) => !clash(one, own)) ?? one.plans[0];
    if (plan !== undefined) chosen.set(one.batch.id, plan);
  }
  return chosen;
}

/**
 * The work of a day: each soup planned in a pot, and everything that its plan asks of the kit and the hands.
 *
 * @param nowMin minutes after midnight where the day has begun: nothing starts before.
 * @param progress what has happened already, by batch of the day.
 * @param keptOf what stands in the cold of a batch's soup, where it asks for bowls that are brought back: they are work too.
 */
export function dayWork(
  day: Day,
  kit: Kit,
  soupOf: (soupId: string, version: number | undefined) => Soup | undefined,
  planIn: PlanIn,
  nowMin?: number,
  progress: ReadonlyMap<string, Progress> = new Map(),
  keptOf: KeptOf = () => undefined,
): Planning {
  const problems: DayProblem[] = [];
  const choices: Choices[] = [];
  for (const batch of day.batches) {
    const master = soupOf(batch.soupId, batch.version);
    if (master === undefined) {
      problems.push({ code: 'NO_SUCH_SOUP', batchId: batch.id });
      continue;
    }
    const { potId, variant } = batch.request;
    const pots = potsFor(varied(master, variant), kit).filter(({ id }) => potId === undefined || id === potId);
    const plans: Planned[] = [];
    let error: PlanError | undefined;
    for (const { id } of pots) {
      const planning = planIn(master, batch, id);
      if (planning.ok) plans.push(planning.plan);
      else error = planning.error;
    }
    if (plans.length === 0) problems.push({ code: 'NO_POT_HOLDS_IT', batchId: batch.id, error });
    else choices.push({ batch, dueMin: clockMinute(batch.at), plans });
    const contents = keptOf(batch);
    const back = contents === undefined ? undefined : broughtBack(batch, contents, kit);
    if (back !== undefined) choices.push(back);
  }
  const all = potted(choices);
  const plans = new Map([...all].filter(([id]) => day.batches.some((batch) => batch.id === id)));
  const startsMin = clockMinute(day.starts);
  const fromMin = nowMin === undefined ? startsMin : Math.max(startsMin, Math.ceil(nowMin));
  const pins = new Map<string, { startMin?: number; person?: string }>(
    (day.pins ?? []).map(({ block, at, person }) => [
      block,
      {
        // A time that is past and at which nothing was begun holds no longer.
        ...(at === undefined || clockMinute(at) < fromMin ? {} : { startMin: clockMinute(at) }),
        ...(person === undefined ? {} : { person }),
      },
    ]),
  );
  const batches: BatchWork[] = [];
  for (const { batch, dueMin } of choices) {
    const plan = all.get(batch.id);
    if (plan === undefined) continue;
    const own = progress.get(batch.id);
    const work = workOf(plan, {
      batchId: batch.id,
      dueMin,
      servedMin: batch.keeps === true ? 0 : SERVED_MIN,
      keeps: batch.keeps,
      ...(own === undefined ? {} : { left: own.left }),
    });
    batches.push(work);
    if (own === undefined || nowMin === undefined) continue;
    for (const stepId of own.running) {
      // Of a roast in rounds the first that is not over is in the oven.
      const on = work.blocks.find(({ activities }) => activities.some((one) => one.stepId === stepId));
      if (on !== undefined) pins.set(on.id, { ...pins.get(on.id), startMin: Math.floor(nowMin) });
    }
  }
  return { plans, work: { lanes: lanesOf(kit, day), batches, fromMin, endsMin: clockMinute(day.ends), nowMin, pins }, problems };
}
