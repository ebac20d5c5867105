import type { Action, Doing } from './action.js';
import type { Clause } from './clauses.js';
import type { Kitchen } from './kitchen.js';
import { degreesIn, minutesIn } from './measures.js';

/** What a cook may say without a step of its own. */
const PASSED: ReadonlySet<Doing> = new Set(['prepare', 'store', 'hold']);
/** Times that say when, how often or until how long before, not how long. */
const WHEN =
  /\bevery\b|\bafter\b|\blast\b|\bfinal\b|\bbefore\b|\bonce\b|\bhalf ?-?way\b|\bremaining\b|\bin total\b|\ba few\b|\bor two\b/i;
/** Degrees that are looked for, not set. */
const LOOKED_FOR = /\b(?:reach\w*|until|till|probe|thermometer|below|above|under|over|core|never|not|past|boil\w*)\b/i;

/** A second time behind the first: "10 minutes covered and another 5 without". */
function timesIn(text: string): number {
  let rest = text;
  let count = 0;
  for (;;) {
    const time = minutesIn(rest);
    if (time === undefined) return count;
    count += time.high >= 1 ? 1 : 0;
    rest = rest.slice(time.at + time.length);
  }
}

/** Whether the minutes that a clause names are in none of its steps, or in fewer of them than it names. */
function isTimeLeftOut({ text }: Clause, own: readonly Action[]): boolean {
  const minutes = minutesIn(text);
  if (minutes === undefined || minutes.high < 1 || WHEN.test(text)) return false;
  const timed = own.filter((action) => action.minutes !== undefined).length;
  return timed === 0 || timesIn(text.replace(/\([^)]*\)/g, ' ')) > Math.max(1, timed);
}

/** Whether it sets an oven to degrees that none of its steps has. */
function isHeatLeftOut({ text }: Clause, own: readonly Action[]): boolean {
  const degrees = degreesIn(text);
  if (degrees === undefined || LOOKED_FOR.test(text) || own.some(({ does }) => does === 'setting')) return false;
  return own.every(({ ovenC }) => ovenC === undefined) && own.every(({ does }) => does !== 'rest' && does !== 'warm');
}

/** "A knob of butter", of a line that has gone in before: how much of it that is, or whether it is besides, nobody says. */
const BY_HAND = /\b(?:an?|another) (?:small |large |big |good |generous |little )?(?:knob|splash|glug|drizzle) of\b/i;

function isByHand({ text }: Clause, own: readonly Action[]): boolean {
  return BY_HAND.test(text) && own.some(({ lines }) => lines.some(({ share }) => share !== undefined && share < 1));
}

/** Marks the clauses that name minutes, degrees, a share or a food of the recipe which no step of the method has. */
export function markLeftOut(k: Kitchen): void {
  /** The first clause that uses a line. */
  const firstUse = new Map<string, number>();
  for (const { does, lines, clause } of k.actions) {
    if (does === 'prepare') continue;
    for (const { line } of lines) firstUse.set(line, Math.min(clause, firstUse.get(line) ?? clause));
  }
  for (const [n, clause] of k.clauses.entries()) {
    const own = k.actions.filter(({ clause: at }) => at === n);
    if (own.some(({ does }) => PASSED.has(does) || does === 'takeOut') || /\brelease\b/i.test(clause.text)) continue;
    const named = k.names.mentions(k.body(clause), clause.section, () => false).filter(({ line }) => !k.isSaltOrPepper(line));
    // "Three-quarters of the roast cauliflower", of which nothing of the clause is a part.
    const hasPart = own.some(({ share, lines }) => share !== undefined || lines.some((use) => use.share !== undefined));
    const isWhole = own.some(({ lines }) => lines.length > 0) && !hasPart && named.some(({ share }) => share !== undefined);
    // In no step at all, or only in one that comes later though it is said here.
    const unused = named.filter(({ line, byGroup }) => {
      const first = firstUse.get(line) ?? Number.POSITIVE_INFINITY;
      return byGroup !== true && (first === Number.POSITIVE_INFINITY || (first > n && isDoing(own)));
    });
    if (isByHand(clause, own)) {
      for (const action of own)
        if (action.lines.some(({ share }) => share !== undefined))
          k.actions[action.n] = { ...action, assumed: [...new Set([...action.assumed, 'SHARE' as const])] };
    }
    if (unused.length === 0 && !isWhole && !isTimeLeftOut(clause, own) && !isHeatLeftOut(clause, own)) continue;
    const last = k.actions.findLast(({ clause: at }) => at === n);
    if (last !== undefined) k.actions[last.n] = { ...last, assumed: [...last.assumed, 'NOT_ALL'] };
  }
}

function isDoing(own: readonly Action[]): boolean {
  return own.some(({ does }) => does !== 'remark' && does !== 'setting');
}
