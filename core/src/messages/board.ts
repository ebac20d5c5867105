import {
  LOOK,
  clockOf,
  latestBy,
  type BatchWork,
  type Block,
  type DayPlan,
  type DayProblem,
  type IntoCold,
  type Lanes,
  type Limit,
  type Placed,
  type PlacedBlock,
  type Way,
} from '../board/index.js';
import { splitWords } from './cold.js';
import { planSentence } from './plan-errors.js';
import { stepName, stepSentence } from './steps.js';
import type { UnitSystem } from '../units/index.js';

/** One thing to do on a day, as it is read aloud. Times are minutes after midnight. */
export interface DayRow {
  readonly id: string;
  readonly blockId: string;
  readonly batchId: string;
  readonly stepId: string;
  readonly soup: string;
  readonly startMin: number;
  readonly endMin: number;
  /** One or two words. */
  readonly short: string;
  /** The whole of it. */
  readonly what: string;
  readonly person: string | undefined;
  /** Whether it takes the person wholly, or only a look now and then. */
  readonly isLook: boolean;
  /** Kit that it holds. */
  readonly where: string;
  /** Until when it may be over at the latest, for what comes after it to be as it stands. */
  readonly byMin: number;
}

function small(name: string): string {
  return (name.split(',')[0] ?? name).toLowerCase();
}

function lowerFirst(text: string): string {
  return text.charAt(0).toLowerCase() + text.slice(1);
}

function partWords({ part, kind }: Block): string {
  if (part === undefined) return '';
  return kind === 'roast' ? `, round ${String(part.n)} of ${String(part.of)}` : `, part ${String(part.n)} of ${String(part.of)}`;
}

/** What is said of one activity, with what takes no time of its own before and after it. */
function sayings(
  block: Block,
  placed: readonly Placed[],
  units: UnitSystem,
): { readonly one: Placed; readonly what: string; readonly short: string }[] {
  const nameOf = (lineId: string): string => small(block.names.get(lineId) ?? lineId);
  const timed = placed.filter(({ activity }) => activity.minutes > 0);
  const said = (one: Placed): string =>
    stepSentence(one.activity.step, nameOf, units) + (one.activity.trays > 0 ? `, ${trays(one)}` : '');
  const rows: { one: Placed; what: string; short: string }[] = [];
  let before: string[] = [];
  for (const one of placed) {
    const text = said(one);
    if (one.activity.minutes === 0 && one.activity.step.op === 'join') continue;
    if (one.activity.minutes === 0) {
      const last = rows.at(-1);
      if (rows.length < timed.length || last === undefined) before.push(text);
      else last.what += `; then ${lowerFirst(text)}`;
      continue;
    }
    const what = [...before, text].map((part, n) => (n === 0 ? part : lowerFirst(part))).join('; ');
    rows.push({ one, what: what + partWords(block), short: shortOf(one, nameOf) });
    before = [];
  }
  const only = placed[0];
  if (rows.length === 0 && only !== undefined && before.length > 0)
    rows.push({
      one: only,
      what: before.map((part, n) => (n === 0 ? part : lowerFirst(part))).join('; '),
      short: stepName(only.activity.step, nameOf),
    });
  return rows;
}

/** What is cut is named by its first ingredient. */
function shortOf({ activity: { step } }: Placed, nameOf: (lineId: string) => string): string {
  if (step.op !== 'trim' || step.uses.length < 2) return stepName(step, nameOf);
  return `Trim ${nameOf(step.uses[0]?.line ?? '')} and more`;
}

function trays({ activity }: Placed): string {
  return activity.trays === 1 ? '1 tray' : `${String(activity.trays)} trays`;
}

function latestEnd({ block }: PlacedBlock, starts: ReadonlyMap<string, number>, dueMin: number): number {
  return Math.min(...block.links.map(({ to, atMin }) => (to === 'service' ? dueMin : (starts.get(to) ?? dueMin) + atMin)), dueMin);
}

/** A day as a list by the clock: what, when, who, where. Washing up between two soups is in it. */
export function dayRows(
  { arrangement, lateMin }: DayPlan,
  batches: readonly BatchWork[],
  lanes: Lanes,
  units: UnitSystem,
): DayRow[] {
  const starts = new Map(arrangement.blocks.map(({ block, startMin }) => [block.id, startMin]));
  const works = new Map(batches.map((work) => [work.batchId, work]));
  const people = new Map(lanes.hands.map(({ id, name }) => [id, name]));
  const kit = new Map([...lanes.ovens, ...lanes.blenders, ...lanes.pots].map(({ id, name }) => [id, name]));
  const rows: DayRow[] = [];
  for (const placed of arrangement.blocks) {
    const { block } = placed;
    const work = works.get(block.batchId);
    if (work === undefined) continue;
    const due = work.dueMin + (lateMin.get(work.batchId) ?? 0);
    for (const { one, what, short } of sayings(block, placed.placed, units)) {
      const where = one.oven ?? one.blender ?? (block.kind === 'pot' ? work.potId : undefined);
      rows.push({
        id: one.activity.id,
        blockId: block.id,
        batchId: work.batchId,
        stepId: one.activity.stepId,
        soup: work.soupName,
        startMin: one.startMin,
        endMin: one.endMin,
        short: short + (block.part === undefined ? '' : `, ${String(block.part.n)} of ${String(block.part.of)}`),
        what,
        person: one.person === undefined ? undefined : people.get(one.person),
        isLook: one.activity.hands <= LOOK,
        where: where === undefined ? (block.kind === 'trim' ? 'board' : 'a pan') : (kit.get(where) ?? where),
        byMin: latestEnd(placed, starts, due) - (block.minutes - one.activity.startsAfter - one.activity.minutes),
      });
    }
  }
  for (const { what, startMin, endMin, person, of, beforeOf } of arrangement.washes) {
    const name = kit.get(what) ?? what;
    const from = works.get(of);
    const to = works.get(beforeOf);
    const left = from?.allergens.filter((one) => to?.allergens.includes(one) !== true) ?? [];
    rows.push({
      id: `wash/${what}/${beforeOf}`,
      blockId: '',
      batchId: beforeOf,
      stepId: '',
      soup: to?.soupName ?? '',
      startMin,
      endMin,
      short: `Wash the ${name.toLowerCase()}`,
      what: `Wash the ${name.toLowerCase()} well: ${from?.soupName ?? 'what was in it'} has ${left.join(' and ')}, ${to?.soupName ?? 'what comes next'} has none`,
      person: people.get(person),
      isLook: false,
      where: name,
      byMin: endMin,
    });
  }
  return byClock(rows);
}

/** Rows as they come over the day. */
export function byClock(rows: readonly DayRow[]): DayRow[] {
  return [...rows].sort((a, b) => a.startMin - b.startMin || a.endMin - b.endMin);
}

/** What cools on a day as rows by the clock: into which pans, where, and when it is cold. */
export function coolingRows(cooled: readonly IntoCold[], batches: readonly BatchWork[], units: UnitSystem): DayRow[] {
  return cooled.map(({ batchId, split, fromMin, untilMin }) => ({
    id: `cools/${batchId}`,
    blockId: '',
    batchId,
    stepId: '',
    soup: batches.find((work) => work.batchId === batchId)?.soupName ?? batchId,
    startMin: fromMin,
    endMin: untilMin,
    short: 'Cool',
    what: `Into ${splitWords(split, units)}: cold by then in nine of ten cases. Probe it on the way`,
    person: undefined,
    isLook: true,
    where: split.place.name,
    byMin: untilMin,
  }));
}

/** What a soup is told for which nothing to cool it in is left. */
export const NO_PANS_LEFT =
  'Ready for the cold, but no pans or place are left then by which it would keep the cooling rule: have it ready at another time, make less, or add pans to the kit.';

/** Minutes as said of a delay. @example delayWords(75) // '1 h 15 min' */
export function delayWords(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 60) return `${String(whole)} min`;
  return `${String(Math.floor(whole / 60))} h${whole % 60 === 0 ? '' : ` ${String(whole % 60)} min`}`;
}

/** What any order of work is held by, in a few words. */
export function limitWords({ by }: Limit, batches: readonly BatchWork[], lanes: Lanes): string {
  switch (by.kind) {
    case 'batch':
      return `the length of ${batches.find(({ batchId }) => batchId === by.batchId)?.soupName ?? 'one soup'} itself`;
    case 'hands':
      return lanes.hands.length === 1 ? 'the one pair of hands' : `the ${String(lanes.hands.length)} pairs of hands`;
    case 'oven':
      return lanes.ovens.length === 1 ? 'the oven' : 'the ovens';
    case 'iced water':
      return lanes.iceBaths === 1 ? 'the one bath of iced water' : 'the baths of iced water';
    case 'blender':
      return by.of === 'jug' ? 'the jug' : by.of === 'stick' ? 'the stick blender' : 'the processor';
    case 'pot':
      return `the ${(lanes.pots.find(({ id }) => id === by.potId)?.name ?? 'pot').toLowerCase()}`;
  }
}

/** Whether a day is on time, in one sentence, and what holds it. */
export function dayVerdict(
  plan: DayPlan,
  batches: readonly BatchWork[],
  lanes: Lanes,
  endsMin?: number,
): { readonly main: string; readonly more: string } {
  const { main, more } = verdict(plan, batches, lanes);
  const { blocks, washes } = plan.arrangement;
  const last = Math.max(...blocks.map(({ endMin }) => endMin), ...washes.map(({ endMin }) => endMin));
  const over = endsMin === undefined || !Number.isFinite(last) ? 0 : last - endsMin;
  return { main, more: over > 0 ? `${more} The last work is over ${delayWords(over)} after the day ends.` : more };
}

function verdict(plan: DayPlan, batches: readonly BatchWork[], lanes: Lanes): { readonly main: string; readonly more: string } {
  const [tightest] = plan.limits;
  const held = tightest === undefined ? '' : limitWords(tightest, batches, lanes);
  if (plan.unplaced.length > 0) {
    const names = plan.unplaced.map((id) => batches.find(({ batchId }) => batchId === id)?.soupName ?? id);
    return {
      main: `No place for ${names.join(' and ')}.`,
      more: `Nothing on this day’s kit and hands can make it. Tightest: ${held}.`,
    };
  }
  const late = latestBy(plan);
  if (late > 0) {
    const proved = -plan.mostInHandMin;
    return {
      main: `${plan.lateMin.size === 1 ? 'One soup is' : `${String(plan.lateMin.size)} soups are`} late, by up to ${delayWords(late)}.`,
      more:
        proved > 0
          ? `No order of work is less than ${delayWords(proved)} short. In the way: ${held}.`
          : `No order that was tried does it. Tightest: ${held}.`,
    };
  }
  const best = plan.mostInHandMin <= plan.inHandMin;
  return {
    main: `On time, with ${delayWords(plan.inHandMin)} in hand.`,
    more: `${best ? 'No order of work gives more' : `No order of work could give more than ${delayWords(plan.mostInHandMin)}`}. Tightest: ${held}.`,
  };
}

/** A way out of a late day, as an imperative. */
export function wayWords(way: Way, batches: readonly BatchWork[]): string {
  const soup = (id: string): string => batches.find(({ batchId }) => batchId === id)?.soupName ?? id;
  switch (way.kind) {
    case 'start':
      return `Start at ${clockOf(way.atMin)}${way.atMin < 0 ? ' the evening before' : ''}`;
    case 'hands':
      return 'Get one more pair of hands';
    case 'oven':
      return 'Borrow an oven';
    case 'ice bath':
      return 'Fill one more tub with iced water';
    case 'blender':
      return way.of === 'jug' ? 'Borrow a jug' : way.of === 'stick' ? 'Borrow a stick blender' : 'Borrow a processor';
    case 'roasted before':
      return `Roast for ${soup(way.batchId)} the day before, cool it by its rule and keep it cold`;
    case 'fewer':
      return `Make ${String(way.bowls)} bowls of ${soup(way.batchId)}`;
  }
}

/** Why a soup of the day can't be planned. */
export function dayProblemSentence(problem: DayProblem): string {
  if (problem.code === 'NO_SUCH_SOUP') return 'This soup is no longer on the shelf. Take it off the day, or choose another.';
  return problem.error === undefined
    ? 'No pot of this kitchen is chosen for it, or the pot is gone from the kit. Choose another.'
    : planSentence(problem.error);
}
