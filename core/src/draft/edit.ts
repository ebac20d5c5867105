import { saltPctIn } from './salt.js';
import type { Larder } from '../larder/index.js';
import {
  checkSoup,
  linesNamedBy,
  linesOf,
  mapSteps,
  walk,
  withoutLines,
  type Branch,
  type Line,
  type PlainStep,
  type Soup,
  type SoupProblem,
  type SoupStep,
} from '../soup/index.js';
import { freeId, newLine } from './compose.js';
import type { Role } from './role.js';
import type { TakenLine } from './take.js';

/** A place among a soup's steps: in that branch, before the step that stands at `index`. */
export interface Place {
  readonly branchId: string;
  readonly index: number;
}

export function ids(soup: Soup): Set<string> {
  return new Set(walk(soup.root).map(({ step }) => step.id));
}

function lineIds(soup: Soup): Set<string> {
  return new Set(soup.lines.map(({ id }) => id));
}

function mapBranch(branch: Branch, change: (branch: Branch) => Branch): Branch {
  const changed = change(branch);
  return {
    ...changed,
    steps: changed.steps.map((step) => (step.op === 'join' ? { ...step, branch: mapBranch(step.branch, change) } : step)),
  };
}

export function branches(branch: Branch): Branch[] {
  return [branch, ...branch.steps.flatMap((step) => (step.op === 'join' ? branches(step.branch) : []))];
}

/** Where a step stands; undefined when the soup has none of that id. */
export function placeOf(soup: Soup, stepId: string): Place | undefined {
  for (const { id, steps } of branches(soup.root)) {
    const index = steps.findIndex((step) => step.id === stepId);
    if (index >= 0) return { branchId: id, index };
  }
  return undefined;
}

export function stepOf(soup: Soup, stepId: string): SoupStep | undefined {
  return walk(soup.root).find(({ step }) => step.id === stepId)?.step;
}

/** A tray or pot with nothing left in it is gone, with the step that tips it in. */
function tidied(soup: Soup): Soup {
  return { ...soup, root: mapSteps(soup.root, (step) => (step.op === 'join' && step.branch.steps.length === 0 ? [] : [step])) };
}

export function inserted(soup: Soup, step: SoupStep, { branchId, index }: Place): Soup {
  const root = mapBranch(soup.root, (branch) =>
    branch.id === branchId ? { ...branch, steps: [...branch.steps.slice(0, index), step, ...branch.steps.slice(index)] } : branch,
  );
  return { ...soup, root };
}

export function withoutStep(soup: Soup, stepId: string): Soup {
  return { ...soup, root: mapSteps(soup.root, (step) => (step.id === stepId ? [] : [step])) };
}

/** The dishing out stays last: nothing is put behind it. */
function beforeDish(soup: Soup, place: Place): Place {
  const last = soup.root.steps.at(-1);
  if (place.branchId !== soup.root.id || last?.op !== 'dish') return place;
  return { ...place, index: Math.min(place.index, soup.root.steps.length - 1) };
}

/** A step moved to another place, in its own branch or another. The dishing out does not move. */
export function moveStep(soup: Soup, stepId: string, to: Place): Soup {
  const step = stepOf(soup, stepId);
  const from = placeOf(soup, stepId);
  if (step === undefined || from === undefined || step.op === 'dish') return soup;
  if (step.op === 'join' && branches(step.branch).some(({ id }) => id === to.branchId)) return soup;
  const shift = from.branchId === to.branchId && from.index < to.index ? 1 : 0;
  const without = withoutStep(soup, stepId);
  return tidied(inserted(without, step, beforeDish(without, { ...to, index: to.index - shift })));
}

/** Several steps in a row, a station, moved together: to stand before the step `beforeId`, or at the end but for the dishing. */
export function moveStation(soup: Soup, stepIds: readonly string[], beforeId: string | undefined): Soup {
  return stepIds.reduce((now, stepId) => {
    const end: Place = { branchId: now.root.id, index: now.root.steps.length };
    const to = beforeId === undefined ? end : (placeOf(now, beforeId) ?? end);
    return moveStep(now, stepId, to);
  }, soup);
}

export function removeStep(soup: Soup, stepId: string): Soup {
  return stepOf(soup, stepId)?.op === 'dish' ? soup : tidied(withoutStep(soup, stepId));
}

/** A step put in the place of the one of its id. */
export function replaceStep(soup: Soup, step: SoupStep): Soup {
  return { ...soup, root: mapSteps(soup.root, (own) => (own.id === step.id ? [step] : [own])) };
}

/** A new step with what is usual for it; a step that needs a line takes the one given. */
export function addStep(soup: Soup, step: PlainStep, to: Place): { readonly soup: Soup; readonly stepId: string } {
  const id = freeId(step.id, ids(soup));
  return { soup: inserted(soup, { ...step, id }, beforeDish(soup, to)), stepId: id };
}

/** Whether a line is trimmed on its way in, and so goes in by `trim`. */
function isTrimmed({ way, cut }: Line): boolean {
  return way !== undefined || cut !== undefined;
}

function takes(step: SoupStep, line: Line): boolean {
  return step.op === (isTrimmed(line) ? 'trim' : 'add');
}

const isHeat = ({ op }: SoupStep): boolean => op === 'roast' || op === 'sweat' || op === 'fry';
const first = (steps: readonly SoupStep[], which: (step: SoupStep) => boolean, otherwise: number): number => {
  const at = steps.findIndex(which);
  return at < 0 ? otherwise : at;
};

/** Where an ingredient of this role goes in, when nothing else is said. */
function usualPlace(soup: Soup, role: Role): Place {
  const tray = branches(soup.root).find(({ vessel, steps }) => vessel === 'tray' && steps.some(({ op }) => op === 'roast'));
  if (tray !== undefined && (role === 'fat' || role === 'base' || role === 'vegetable' || role === 'spice')) {
    return { branchId: tray.id, index: first(tray.steps, ({ op }) => op === 'roast', tray.steps.length) };
  }
  const { id: branchId, steps } = soup.root;
  const last = first(steps, ({ op }) => op === 'film' || op === 'dish', steps.length);
  const dish = first(steps, ({ op }) => op === 'dish', steps.length);
  const film = steps.findIndex((step) => step.op === 'film' && step.on === 'pot');
  const end = film >= 0 ? film : dish;
  const blend = first(steps, ({ op }) => op === 'blend', last);
  const simmer = first(steps, ({ op }) => op === 'cover' || op === 'simmer', blend);
  const heat = first(steps, isHeat, simmer);
  switch (role) {
    case 'fat':
    case 'meat':
    case 'base':
      return { branchId, index: heat };
    case 'spice':
    case 'flour':
    case 'wine':
      return { branchId, index: Math.min(simmer, heat + 1) };
    case 'vegetable':
    case 'grain':
    case 'liquid':
    case 'bundle':
      return { branchId, index: simmer };
    case 'greens':
    case 'herb':
      return { branchId, index: blend };
    default:
      return { branchId, index: end };
  }
}

/** The step by which a line that is settled comes in. */
function settling(line: Line, role: Role): PlainStep | undefined {
  if (role === 'salt') return { id: 'season', op: 'season', line: line.id, saltPct: saltPctIn(line.written) };
  if (role === 'cream') {
    return {
      id: 'cream',
      op: 'cream',
      line: line.id,
      target: line.amount.rule === 'byStep' ? { by: 'pct', value: 6 } : { by: 'written' },
    };
  }
  return role === 'liquid' ? { id: 'cover', op: 'cover', line: line.id, overM: 0.01 } : undefined;
}

/** A line put on top of every bowl. */
function onTop(soup: Soup, lineId: string, gPerBowl: number): Soup {
  const root = mapSteps(soup.root, (step) => {
    if (step.op !== 'dish') return [step];
    const shares = step.shares ?? [{ id: 'bowls', name: 'All bowls', part: 1 }];
    return [
      { ...step, shares: shares.map((share) => ({ ...share, garnish: [...(share.garnish ?? []), { line: lineId, gPerBowl }] })) },
    ];
  });
  return { ...soup, root };
}

/** Puts a line that stands nowhere into the soup: into a step beside it that takes such lines, or by a step of its own. */
function putIn(soup: Soup, line: Line, role: Role, at: Place | undefined, kg: number): Soup {
  if (role === 'garnish') {
    const grams = Math.min(500, Math.max(0.1, (kg / soup.writtenFor.bowls) * 1000));
    const settled = soup.lines.map((own) => (own.id === line.id ? { ...own, amount: { rule: 'byStep' } as const } : own));
    return onTop({ ...soup, lines: settled }, line.id, Math.round(grams * 10) / 10);
  }
  const place = beforeDish(soup, at ?? usualPlace(soup, role));
  const settles = line.amount.rule === 'byStep' || role === 'cream' ? settling(line, role) : undefined;
  if (settles !== undefined) return addStep(soup, settles, place).soup;
  const branch = branches(soup.root).find(({ id }) => id === place.branchId);
  const beside = branch?.steps[place.index - 1];
  if (beside !== undefined && takes(beside, line) && (beside.op === 'trim' || beside.op === 'add')) {
    return replaceStep(soup, { ...beside, uses: [...beside.uses, { line: line.id }] });
  }
  const op = isTrimmed(line) ? 'trim' : 'add';
  return addStep(soup, { id: `${op}-${line.id}`.slice(0, 55), op, uses: [{ line: line.id }] }, place).soup;
}

/** A line of a soup that stands in no step put where cooks put such a thing. */
export function placeLine(soup: Soup, lineId: string, role: Role, kg: number): Soup {
  const line = soup.lines.find(({ id }) => id === lineId);
  return line === undefined ? soup : putIn(soup, line, role, undefined, kg);
}

/** Adds an understood line: where cooks put such a thing, or where it is wanted. */
export function addLine(soup: Soup, taken: TakenLine, at?: Place): { readonly soup: Soup; readonly lineId: string } {
  const line = newLine(taken, lineIds(soup));
  return { soup: putIn({ ...soup, lines: [...soup.lines, line] }, line, taken.role, at, taken.kg), lineId: line.id };
}

/**
 * Puts a line as it is now written in the place of what it was. It stays in its steps as long as they can take it; one
 * that is now settled otherwise (a litre of stock that was "to cover") gets the step that it needs, in the same place.
 */
export function rewriteLine(soup: Soup, lineId: string, taken: TakenLine): Soup {
  const was = soup.lines.find(({ id }) => id === lineId);
  if (was === undefined) return soup;
  const { optional } = was;
  const line: Line = { ...newLine(taken, new Set()), id: lineId, ...(optional === undefined ? {} : { optional }) };
  const now: Soup = { ...soup, lines: soup.lines.map((own) => (own.id === lineId ? line : own)) };
  const using = walk(soup.root).filter(({ step }) => linesOf(step).some((use) => use.line === lineId));
  const settledNow = line.amount.rule === 'byStep';
  const onBowls = using.some(({ step }) => step.op === 'dish');
  if (onBowls) {
    const gPerBowl = Math.round((taken.kg / soup.writtenFor.bowls) * 10_000) / 10;
    return {
      ...now,
      lines: now.lines.map((own) => (own.id === lineId ? { ...own, amount: { rule: 'byStep' } } : own)),
      root: mapSteps(now.root, (step) =>
        step.op !== 'dish' || step.shares === undefined || gPerBowl <= 0
          ? [step]
          : [
              {
                ...step,
                shares: step.shares.map((share) => ({
                  ...share,
                  ...(share.garnish === undefined
                    ? {}
                    : {
                        garnish: share.garnish.map((one) =>
                          one.line === lineId ? { ...one, gPerBowl: Math.min(500, gPerBowl) } : one,
                        ),
                      }),
                })),
              },
            ],
      ),
    };
  }
  const fits =
    using.length > 0 && using.every(({ step }) => linesOf(step).every((use) => use.line !== lineId || use.settles === settledNow));
  const creams = using.find(({ step }) => step.op === 'cream')?.step;
  if (creams?.op === 'cream') {
    const target = settledNow ? ({ by: 'pct', value: 6 } as const) : ({ by: 'written' } as const);
    return fits ? now : replaceStep(now, { ...creams, target });
  }
  if (fits) return isTrimmed(line) === isTrimmed(was) ? now : retrimmed(now, line);
  const at = using[0] === undefined ? undefined : placeOf(soup, using[0].step.id);
  const lifted = withoutLines(now, new Set([lineId]));
  return putIn({ ...lifted, lines: now.lines }, line, taken.role, at, taken.kg);
}

/** A line that is trimmed now and was not, or the other way: its uses go through the other kind of step. */
function retrimmed(soup: Soup, line: Line): Soup {
  const op = isTrimmed(line) ? 'trim' : 'add';
  const taken = ids(soup);
  const root = mapSteps(soup.root, (step): SoupStep[] => {
    if ((step.op !== 'trim' && step.op !== 'add') || step.op === op) return [step];
    const own = step.uses.filter((use) => use.line === line.id);
    const rest = step.uses.filter((use) => use.line !== line.id);
    if (own.length === 0) return [step];
    if (rest.length === 0) return [{ ...step, op }];
    const id = freeId(`${op}-${line.id}`.slice(0, 55), taken);
    taken.add(id);
    return [
      { ...step, uses: rest },
      { id, op, uses: own },
    ];
  });
  return { ...soup, root };
}

export function removeLine(soup: Soup, lineId: string): Soup {
  return withoutLines(soup, new Set([lineId]));
}

/** A line's use in one step moved to stand at another place; `share` moves only a part of it and leaves the rest. */
export function moveUse(soup: Soup, stepId: string, lineId: string, to: Place, share = 1): Soup {
  const step = stepOf(soup, stepId);
  const line = soup.lines.find(({ id }) => id === lineId);
  if (step === undefined || line === undefined || (step.op !== 'trim' && step.op !== 'add')) return soup;
  const use = step.uses.find((own) => own.line === lineId);
  if (use === undefined || !(share > 0) || share > 1) return soup;
  const have = use.share ?? 1;
  const moving = { line: lineId, ...(have * share < 1 ? { share: have * share } : {}) };
  const left = step.uses.flatMap((own) => (own !== use ? [own] : share < 1 ? [{ ...own, share: have * (1 - share) }] : []));
  const isLeft = left.length > 0;
  const lifted = isLeft ? replaceStep(soup, { ...step, uses: left }) : withoutStep(soup, stepId);
  const from = placeOf(soup, stepId);
  const shift = !isLeft && from?.branchId === to.branchId && from.index < to.index ? 1 : 0;
  const place = beforeDish(lifted, { ...to, index: to.index - shift });
  const branch = branches(lifted.root).find(({ id }) => id === place.branchId);
  const beside = branch?.steps[place.index - 1];
  if ((beside?.op === 'trim' || beside?.op === 'add') && beside.op === step.op) {
    const same = beside.uses.find((own) => own.line === lineId);
    const sum = (same?.share ?? 0) + (moving.share ?? 1);
    const uses =
      same === undefined
        ? [...beside.uses, moving]
        : beside.uses.map((own) => (own === same ? { line: lineId, ...(sum < 1 - 1e-9 ? { share: sum } : {}) } : own));
    return tidied(replaceStep(lifted, { ...beside, uses }));
  }
  return tidied(addStep(lifted, { id: `${step.op}-${lineId}`.slice(0, 55), op: step.op, uses: [moving] }, place).soup);
}

export interface Workable {
  readonly soup: Soup;
  readonly problems: readonly SoupProblem[];
}

/**
 * The soup as far as it can be cooked: what is wrong with it, and the rest without the lines and steps that it is wrong
 * with, so that one mistake does not stop the ribbon. Undefined soup-wide when nothing is left to cook.
 */
export function workable(soup: Soup, larder: Larder): Workable {
  const problems = checkSoup(soup, larder);
  if (problems.length === 0) return { soup, problems };
  const known = lineIds(soup);
  const used = new Set(walk(soup.root).flatMap(({ step }) => linesOf(step).map(({ line }) => line)));
  const bad = new Set<string>();
  for (const problem of problems) {
    const at = /^lines\.(\d+)/.exec(problem.path);
    const line = at === null ? undefined : soup.lines[Number(at[1])];
    if (line !== undefined) bad.add(line.id);
  }
  for (const id of known) if (!used.has(id)) bad.add(id);
  for (const { step } of walk(soup.root)) {
    for (const id of [...linesOf(step).map(({ line }) => line), ...linesNamedBy(step)]) if (!known.has(id)) bad.add(id);
  }
  const rest = withoutLines({ ...soup, variants: [] }, bad);
  return { soup: rest.lines.length > 0 && checkSoup(rest, larder).length === 0 ? rest : soup, problems };
}
