import { kgAtScale, type Ready, type ReadyAtOne } from '../line/index.js';
import type { SoupStep } from '../soup/index.js';
import type { Share, Use } from '../steps/index.js';
import type { KeptEntry } from './entry.js';

/** One planned step as what of it has happened and what is still ahead. */
export interface Parts {
  readonly now: readonly SoupStep[];
  readonly ahead: readonly SoupStep[];
}

/** An entry at a step, as the step of its own that it is. */
export interface Act {
  readonly entry: KeptEntry;
  readonly step: SoupStep;
}

/** What was entered at a step, as the step's own rule asks for it. Kilos as bought, minutes of the clock. */
export interface Entered {
  readonly isDone: boolean;
  readonly startedAtMs: number | undefined;
  /** Minutes that it really took at its own heat, where the cook said so. */
  readonly minutes: number | undefined;
  readonly entries: readonly KeptEntry[];
  readonly acts: readonly Act[];
  readonly ready: Ready;
  readonly scale: number;
  readonly gave: (line: string) => boolean;
  readonly givenKg: (line: string) => number;
}

type Step<K extends SoupStep['op']> = Extract<SoupStep, { op: K }>;
/** What entries do to a step of a kind. An amount entered by hand counts once: it is taken off what the step takes itself. */
type Rule<K extends SoupStep['op']> = (step: Step<K>, entered: Entered) => Parts;

function stepsOf({ acts }: Entered): SoupStep[] {
  return acts.map(({ step }) => step);
}

/** Acts but for what was given by hand of some lines: the step itself takes that in. */
function actsBut({ acts }: Entered, lines: readonly string[]): SoupStep[] {
  return acts
    .filter(({ entry: { deed } }) => !((deed.kind === 'added' || deed.kind === 'poured') && lines.includes(deed.line)))
    .map(({ step }) => step);
}

/** First what was entered, then the step; one that is not done is ahead. */
function after(step: SoupStep, entered: Entered): Parts {
  const acts = stepsOf(entered);
  return entered.isDone ? { now: [...acts, step], ahead: [] } : { now: acts, ahead: [step] };
}

/** First the step, then what was entered at it. */
function before(step: SoupStep, entered: Entered): Parts {
  const acts = stepsOf(entered);
  return entered.isDone ? { now: [step, ...acts], ahead: [] } : { now: acts, ahead: [step] };
}

/** It finds out how much of its line is wanted: done with some on record, that was all; not done, it counts what is in. */
function settling(step: SoupStep & { readonly line: string }, entered: Entered): Parts {
  const acts = stepsOf(entered);
  if (!entered.isDone) return { now: acts, ahead: [step] };
  return { now: entered.gave(step.line) ? acts : [step, ...acts], ahead: [] };
}

function plannedKg(use: Use, { ready, scale }: Entered): number {
  const line = ready.lines.find((own) => own.line.id === use.line);
  return use.kg ?? (line === undefined ? 0 : kgAtScale(line, scale) * (use.share ?? 1));
}

/** A use as what is still to be given of it, once some has been given by hand. */
function restOf(use: Use, entered: Entered): Use {
  if (!entered.gave(use.line)) return use;
  return { line: use.line, kg: Math.max(0, plannedKg(use, entered) - entered.givenKg(use.line)) };
}

/** A use as exactly what was given by hand, where some was. */
function asGiven(use: Use, entered: Entered): Use {
  return entered.gave(use.line) ? { line: use.line, kg: entered.givenKg(use.line) } : use;
}

/** With the minutes that it really took; they are known once it is done. */
function timed<T extends SoupStep & { readonly minutes: number }>(step: T, { isDone, minutes }: Entered): T {
  return isDone && minutes !== undefined ? { ...step, minutes } : step;
}

const LEAST_KG = 1e-9;

/** A simmer cut where entries fell into it, on the way to the boil too, so that a dip half-way meets the pot as it was then. */
function simmerAround(step: Step<'simmer'>, entered: Entered): Parts {
  const now: SoupStep[] = [];
  const whole = timed(step, entered);
  let spent = 0;
  for (const { entry, step: act } of entered.acts) {
    const elapsed = entered.startedAtMs === undefined ? 0 : (entry.atMs - entered.startedAtMs) / 60_000;
    if (elapsed > spent) {
      now.push({ ...whole, forMinutes: elapsed - spent });
      spent = elapsed;
    }
    now.push(act);
  }
  return entered.isDone ? { now: [...now, whole], ahead: [] } : { now, ahead: [whole] };
}

/** Without its cold scoop where that was poured by hand. */
function blended(step: Step<'blend'>, entered: Entered): Step<'blend'> {
  const { coldScoop } = step;
  const own = coldScoop === undefined || !entered.gave(coldScoop.line) ? step : { ...step, coldScoop: undefined };
  return timed(own, entered);
}

function shareLines(shares: readonly Share[] | undefined): string[] {
  return (shares ?? []).flatMap(({ finish, garnish }) => [...(finish ?? []), ...(garnish ?? [])].map(({ line }) => line));
}

function keptShare(ready: Ready, line: string): number {
  const own: ReadyAtOne | undefined = ready.lines.find((one) => one.line.id === line);
  return own?.line.keptShare ?? 1;
}

/**
 * For every kind of step what entries do to it. Complete by its type: a kind that is not here does not compile.
 */
export const AT_STEP: { readonly [K in SoupStep['op']]: Rule<K> } = {
  trim: (step, entered) => {
    const lines = step.uses.map(({ line }) => line);
    const trimmed = { ...step, uses: step.uses.map((use) => asGiven(use, entered)) };
    const acts = actsBut(entered, lines);
    return entered.isDone ? { now: [trimmed, ...acts], ahead: [] } : { now: acts, ahead: [trimmed] };
  },
  add: (step, entered) => {
    const acts = stepsOf(entered);
    if (entered.isDone) {
      const untouched = step.uses.filter(({ line }) => !entered.gave(line));
      return { now: untouched.length > 0 ? [{ ...step, uses: untouched }, ...acts] : acts, ahead: [] };
    }
    const left = step.uses.map((use) => restOf(use, entered)).filter((use) => (use.kg ?? Infinity) > LEAST_KG);
    return { now: acts, ahead: left.length > 0 ? [{ ...step, uses: left }] : [] };
  },
  roast: (step, entered) => before(timed(step, entered), entered),
  sweat: (step, entered) => before(timed(step, entered), entered),
  fry: (step, entered) => after(timed(step, entered), entered),
  fryPuree: (step, entered) => after(timed(step, entered), entered),
  deglaze: (step, entered) => {
    const own = timed(step, entered);
    if (!entered.isDone) return { now: stepsOf(entered), ahead: [{ ...own, use: restOf(step.use, entered) }] };
    return { now: [...actsBut(entered, [step.use.line]), { ...own, use: asGiven(step.use, entered) }], ahead: [] };
  },
  cover: settling,
  thin: settling,
  tune: settling,
  season: settling,
  cream: settling,
  drain: after,
  takeOut: after,
  giveBack: (step, entered) => {
    const acts = stepsOf(entered);
    if (!entered.isDone) return { now: acts, ahead: [step] };
    return { now: entered.entries.some(({ deed }) => deed.kind === 'gave back') ? acts : [...acts, step], ahead: [] };
  },
  simmer: simmerAround,
  pressure: (step, entered) => after(timed(step, entered), entered),
  rest: after,
  blend: (step, entered) => after(blended(step, entered), entered),
  sieve: (step, entered) => {
    const weighed = entered.entries.findLast(({ deed }) => deed.kind === 'sieved')?.deed;
    return before(weighed?.kind === 'sieved' ? { ...step, weighedKg: weighed.lostKg } : step, entered);
  },
  reduce: after,
  thicken: (step, entered) => {
    const acts = stepsOf(entered);
    if (!step.parts.some(({ line }) => entered.gave(line))) return after(step, entered);
    // What was stirred in by hand has its minute at the simmer all the same; before the step is over, the rest is asked from there.
    const cooked: SoupStep = { id: step.id, op: 'simmer', minutes: 1, vigour: 'steady', lid: 'on' };
    return entered.isDone ? { now: [...acts, cooked], ahead: [] } : { now: acts, ahead: [cooked, step] };
  },
  cup: after,
  liaison: (step, entered) => {
    const lines = [step.yolks.line, step.cream.line];
    const own = { ...step, yolks: asGiven(step.yolks, entered), cream: asGiven(step.cream, entered) };
    const acts = actsBut(entered, lines);
    return entered.isDone ? { now: [...acts, own], ahead: [] } : { now: acts, ahead: [own] };
  },
  hold: (step, entered) => {
    const own = timed(step, entered);
    const { topUp } = own;
    return after(topUp !== undefined && entered.gave(topUp) ? { ...own, topUp: undefined } : own, entered);
  },
  film: after,
  dish: (step, entered) => {
    const lines = [...new Set(shareLines(step.shares))];
    const given = lines.filter((line) => entered.gave(line));
    const acts = actsBut(entered, given);
    const kg = new Map(given.map((line) => [line, entered.givenKg(line) * keptShare(entered.ready, line)]));
    const own: SoupStep = given.length === 0 ? step : { ...step, byHand: { kg, all: entered.isDone } };
    return entered.isDone ? { now: [...acts, own], ahead: [] } : { now: acts, ahead: [own] };
  },
  join: after,
  read: after,
  ladleOut: after,
  refill: after,
};

/** A step that was skipped did not happen; what went in by hand is in, trimmed where the step trims. */
export function skippedParts(step: SoupStep, entered: Entered): Parts {
  if (step.op !== 'trim') return { now: stepsOf(entered), ahead: [] };
  const given = step.uses.filter(({ line }) => entered.gave(line)).map((use) => asGiven(use, entered));
  const acts = actsBut(
    entered,
    given.map(({ line }) => line),
  );
  return { now: given.length === 0 ? acts : [{ ...step, uses: given }, ...acts], ahead: [] };
}

/** A step with the lines that it takes under other names. */
export function renamed(step: SoupStep, name: (line: string) => string): SoupStep {
  const use = (one: Use): Use => ({ ...one, line: name(one.line) });
  switch (step.op) {
    case 'trim':
    case 'add':
      return { ...step, uses: step.uses.map(use) };
    case 'deglaze':
      return { ...step, use: use(step.use) };
    case 'liaison':
      return { ...step, yolks: use(step.yolks), cream: use(step.cream) };
    case 'blend':
      return step.coldScoop === undefined ? step : { ...step, coldScoop: use(step.coldScoop) };
    case 'cover':
    case 'thin':
    case 'tune':
    case 'season':
    case 'cream':
      return { ...step, line: name(step.line) };
    case 'thicken':
      return { ...step, parts: step.parts.map((part) => ({ ...part, line: name(part.line) })) };
    case 'hold':
      return step.topUp === undefined ? step : { ...step, topUp: name(step.topUp) };
    case 'dish': {
      const perBowl = <T extends { line: string }>(list: T[] | undefined): { list: T[] | undefined } => ({
        list: list?.map((one) => ({ ...one, line: name(one.line) })),
      });
      const shares = step.shares?.map((share) => ({
        ...share,
        finish: perBowl(share.finish).list,
        garnish: perBowl(share.garnish).list,
      }));
      return 'byHand' in step
        ? { ...step, shares, byHand: { ...step.byHand, kg: new Map([...step.byHand.kg].map(([line, kg]) => [name(line), kg])) } }
        : { ...step, shares };
    }
    case 'roast':
    case 'sweat':
    case 'fry':
    case 'fryPuree':
    case 'drain':
    case 'takeOut':
    case 'giveBack':
    case 'simmer':
    case 'pressure':
    case 'rest':
    case 'sieve':
    case 'reduce':
    case 'cup':
    case 'film':
    case 'join':
    case 'read':
    case 'ladleOut':
    case 'refill':
      return step;
  }
}
