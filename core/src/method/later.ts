import type { Clause } from './clauses.js';
import { AFTER } from './openings.js';
import { heated, kindOfHeat } from './heated.js';
import type { Kitchen } from './kitchen.js';
import { lift } from './lift.js';
import { minutesIn, type Range } from './measures.js';
import type { Mention } from './mentions.js';
import type { PlainStep } from '../soup/index.js';
import { isHob, type Vessel } from './vessel.js';

/** The middle of a range. */
export function middleOf({ low, high }: { readonly low: number; readonly high: number }): number {
  return (low + high) / 2;
}

type TimedHeat = Extract<PlainStep, { op: 'roast' | 'simmer' | 'sweat' | 'fry' }>;

/** The heat that a vessel was given last, where nothing came behind it. */
function lastHeat(vessel: Vessel): TimedHeat | undefined {
  const last = vessel.steps.at(-1);
  const step = last?.kind === 'step' ? last.make('heat') : undefined;
  return step !== undefined && /^(?:roast|simmer|sweat|fry)$/.test(step.op) ? (step as TimedHeat) : undefined;
}

/** Gives the last heat of a vessel other minutes; `rest` puts what is left of it behind something that happens then. */
function partHeat(vessel: Vessel, early: number): { readonly rest: () => void } {
  const last = vessel.steps.at(-1);
  const whole = lastHeat(vessel);
  if (last?.kind !== 'step' || whole === undefined) return { rest: () => undefined };
  vessel.steps.pop();
  vessel.steps.push({ ...last, make: (id) => ({ ...whole, id, minutes: early }) });
  return {
    rest: () => vessel.steps.push({ ...last, make: (id) => ({ ...whole, id, minutes: whole.minutes - early }) }),
  };
}

/** Parts a heat that was to come so that lines join it on the way; false where there is none to part. */
export function joinsLater(
  k: Kitchen,
  vessel: Vessel,
  mentions: readonly Mention[],
  earlyOf: (wholeMin: number) => number,
  n: number,
): boolean {
  const whole = lastHeat(vessel);
  if (whole === undefined) return false;
  const early = earlyOf(whole.minutes);
  if (early <= 0 || early >= whole.minutes) return false;
  const { rest } = partHeat(vessel, early);
  const { added } = k.putLines(vessel, mentions, k.clauses[n]?.text ?? '', n);
  rest();
  k.put('add', n, { vessel: vessel.name, lines: added });
  return true;
}

/** When on the way of a heat something joins it, min from its start; undefined where the words do not say. */
export function joinsAt(said: string): ((wholeMin: number) => number) | undefined {
  // "For the last 5", of a heat that was told in minutes.
  const text = said.replace(/\b((?:for|in|during|over) (?:the )?(?:last|final) \d{1,2})(?=\s*$|[,.;])/i, '$1 minutes');
  const minutes = minutesIn(text);
  const middle = minutes === undefined ? undefined : middleOf(minutes);
  if (/\b(?:for|in|during|over) (?:the )?(?:last|final) /i.test(text) && middle !== undefined) return (whole) => whole - middle;
  if (/\b(?:with|when) [\w ]+ (?:to go|left|remaining)\b/i.test(text) && middle !== undefined) return (whole) => whole - middle;
  if (
    /\b(?:before (?:the end|it(?:['’]s| is) (?:done|ready|finished|up)|they(?:['’]re| are) (?:done|ready)|the time is up)|from the end)\b/i.test(
      text,
    ) &&
    middle !== undefined
  )
    return (whole) => whole - middle;
  if (/\b(?:half[- ]?way|half way) (?:through|into)?\b|\bhalfway\b/i.test(text)) return (whole) => whole / 2;
  return /\b(?:after|at) (?:about |around |the first )?[\w½¼¾–-]+ ?(?:minutes?|mins?|min)\b/i.test(text) && middle !== undefined
    ? () => middle
    : undefined;
}

/** "Simmer until soft. About 20 minutes.": the minutes of the heat before, where it was told without; false where it was not. */
export function settledLater(k: Kitchen, vessel: Vessel, time: Range): boolean {
  const at = k.actions.findLastIndex(({ does }) => does !== 'setting' && does !== 'remark');
  const action = k.actions[at];
  if (lastHeat(vessel) === undefined || action?.assumed.includes('MINUTES') !== true) return false;
  partHeat(vessel, middleOf(time));
  k.actions[at] = {
    ...action,
    minutes: { low: time.low, high: time.high },
    assumed: action.assumed.filter((one) => one !== 'MINUTES'),
  };
  return true;
}

/**
 * "After 5 minutes add the garlic": a heat that was told without minutes lasts so long, one that goes on is parted where food
 * joins it, and "after another 5" is a heat of its own.
 * @returns the clause without those words; undefined where all of it is done
 */
export function afterSoLong(k: Kitchen, clause: Clause, n: number): Clause | undefined {
  const hit = AFTER.exec(clause.text);
  const time = hit === null ? undefined : minutesIn(hit[0]);
  if (hit === null || (clause.verb !== undefined && hit[0].length > clause.verbAt)) return clause;
  const own = {
    ...clause,
    text: clause.text.slice(hit[0].length),
    verbAt: Math.max(0, clause.verbAt - hit[0].length),
  };
  const vessel = k.here;
  if (time === undefined || vessel === undefined || vessel.lines.size === 0 || vessel.isBlended) return own;
  const minutes = middleOf(time);
  const isMore = /\b(?:another|further|additional|more)\b/i.test(hit[0]);
  const last = lastHeat(vessel);
  if (last !== undefined && !isMore && settledLater(k, vessel, time)) return own;
  if (last !== undefined && !isMore) {
    const mentions = /^(?:add|stir|tip|put|throw|scatter|pour|toss|drop)$/.test(clause.verb ?? 'add')
      ? k.mentions(k.body(own), own).filter(({ line }) => !k.isUsedUp(line))
      : [];
    return mentions.length > 0 && joinsLater(k, vessel, mentions, () => minutes, n) ? undefined : own;
  }
  if (vessel.isHot || (isHob(vessel) && k.hasPieces(vessel)) || vessel.boiling !== undefined) {
    const text = `cook for ${hit[0].replace(/^.*?after /i, '')}`.replace(/,\s*$/, '');
    const heat = { ...clause, text, verb: 'cook', verbAt: 0 };
    heated(k, vessel, kindOfHeat(k, heat, vessel, [], false), heat, n, []);
  }
  return own;
}

/** "Take the peppers out after 25 minutes": out of a tray that goes on, or a tray that is done by then; false where it is neither. */
export function takenEarly(k: Kitchen, mentions: readonly Mention[], text: string, n: number): boolean {
  const minutes = minutesIn(text);
  const [first] = mentions;
  const vessel = first === undefined ? undefined : k.vesselOf(first.line);
  const whole = vessel === undefined ? undefined : lastHeat(vessel);
  if (minutes === undefined || vessel === undefined || whole === undefined || !/\bafter\b/i.test(text)) return false;
  // The same heat, where something joined it on the way.
  const clauseOf = vessel.steps.at(-1)?.clause;
  const beforeMin = vessel.steps
    .slice(0, -1)
    .flatMap((step) => (step.kind === 'step' && step.clause === clauseOf ? [step.make('heat')] : []))
    .reduce((sum, step) => sum + (step.op === whole.op && 'minutes' in step ? step.minutes : 0), 0);
  const early = middleOf(minutes) - beforeMin;
  if (early <= 0 || early >= whole.minutes) return false;
  const { rest } = partHeat(vessel, early);
  const lines = new Set(mentions.map(({ line }) => line));
  const isAll = [...vessel.lines].every((line) => lines.has(line) || (k.lineOf(line)?.taken.row.softening ?? 0) === 0);
  if (isAll) {
    k.put('setting', n, { vessel: vessel.name, minutes: { low: minutes.low, high: minutes.high } });
    return true;
  }
  lift(k, n, mentions, true, undefined);
  rest();
  return true;
}
