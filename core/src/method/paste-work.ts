import { takeApart } from '../amounts/index.js';
import { clausesOf } from './clauses.js';
import { minutesIn } from './measures.js';
import { LONGEST_LINE } from './paste-foods.js';
import { bareNumber, sentencesOf } from './sentences.js';

/* Which rows of a pasted text tell to do something, and which are food. */

/** The number of a step. */
export const NUMBERED = /^\s*(?:\d{1,2}(?:[.)/:]|\s?[–—-])\s+)(?=[A-Z])/;
/** Fewer words than this are rather a food than a sentence. */
export const LEAST_WORDS = 5;

/** "Greek yoghurt and dukkah, to serve": what it is for is said of a food. */
const FOOD_TO_SERVE =
  /^(?!to\b)[^.!;:]{3,60}, (?:to (?:serve|garnish|finish|drizzle|top)|for (?:serving|garnish(?:ing)?|drizzling|topping))(?: \((?:optional|if liked|if using)\)?)?$/i;

/** "Salt, to taste (about 10 g)": a food, though to salt is to do something. */
const SALT_TO_TASTE = /^(?:\w+ )?(?:salt|pepper|seasoning)\b[^.]{0,30}\bto taste\b[^.]{0,20}$/i;

/** What is done with an amount that a sentence begins with. */
const PUT_IN =
  /^.{4,60}\b(?:whisked|stirred|added|folded|beaten|blended|poured|mixed|tipped|swirled|spooned|scattered|goes?|going|straight) (?:in|into|on|over|through|off|back)\b/i;

/** "Half an hour before the end, stir in the cream." */
const TIMED_START =
  /^(?:about |around |some )?(?:half an hour|an hour|an hour and a half|a (?:few|couple of) (?:minutes|hours)|(?:\d+|five|ten|fifteen|twenty|thirty) ?(?:mins?|minutes?|hours?|hrs?)) (?:before|after|later|into|from|in,|ahead)\b/i;

/** Whether a row tells to do something: a sentence that begins with it, or a paragraph of such sentences. */
export function isWork(row: string, isAfterWork: boolean): boolean {
  const isNumbered = NUMBERED.test(row) || bareNumber(row) !== null;
  const text = row.replace(NUMBERED, '').slice(bareNumber(row)?.[0].length ?? 0);
  if (TIMED_START.test(text)) return true;
  // "800 ml crème fraîche whisked in off the heat", among the steps.
  if (/^[\d½¼¾⅓⅔]/.test(text) && !isNumbered)
    return (isAfterWork && PUT_IN.test(text)) || HEATED_SHARE.test(text) || isParagraph(text);
  if (!isNumbered && (FOOD_TO_SERVE.test(text) || SALT_TO_TASTE.test(text))) return false;
  if (isAfterWork && /^(?:each|per) (?:bowl|portion|plate)\s*:/i.test(text)) return true;
  // "Ground coriander + spud 1 min", among the steps.
  if (isAfterWork && /^[a-z].*\b\d{1,3} ?(?:mins?|minutes?)\.?$/i.test(text)) return true;
  if (isNumbered && /^prep\b/i.test(text)) return true;
  // Kitchen notes begin with the oven.
  if (/^(?:the )?oven (?:on )?(?:to|at|on|\d)/i.test(text)) return true;
  const sentences = sentencesOf(text);
  const clauses = clausesOf(sentences);
  const starting = clauses.filter(({ verb }) => verb !== undefined);
  const [first] = clauses;
  if (text.length > LONGEST_LINE) return isNumbered || starting.length > 0;
  const isBare = takeApart(text).value === undefined;
  // Kitchen notes: "leeks in, lid on, 10 min".
  if (!/^[\d½¼¾]/.test(text) && minutesIn(text) !== undefined && /\b(?:in|on|lid)\b/i.test(text)) return true;
  if (isBare && (minutesIn(text) !== undefined || /\bin(?:,|\.|$)/i.test(text)) && !/\d\s*(?:g|kg|ml|l)\b/i.test(text)) return true;
  if (starting.length === 0 || first === undefined) return isAfterWork && sentences.length > 0 && isBare;
  const words = text.split(/\s+/).length;
  if (isNumbered) return true;
  // "A small handful of coriander, to serve" is a food, whatever is done with it.
  if (!isBare && first.verbAt > 0 && /^(?:an?|half|small|large|good|big|generous)\b/i.test(text)) return false;
  const isShortWork = isBare && first.verbAt === 0 && /[.!]$/.test(text);
  if (sentences.length > 1 || clauses.length > 1) return words >= LEAST_WORDS || isAfterWork || isShortWork;
  const isAtStart = first.verb !== undefined && text.slice(0, first.verbAt).split(/\s+/).length <= LEAST_WORDS;
  if (/[.!]$/.test(text) && isBare && words >= LEAST_WORDS + 3) return true;
  return isAtStart && (words >= LEAST_WORDS || isAfterWork || /[.!]$/.test(text));
}

/** Sentences of a row that begins with a figure and tells all the same what to do: "400F oven. Halve the tomatoes. ...". */
const LEAST_TO_DO = 3;
/** Characters before the verb of a sentence that begins with it: "Then halve the tomatoes". */
const BEFORE_VERB = 12;

function isParagraph(text: string): boolean {
  const sentences = sentencesOf(text);
  if (sentences.length < LEAST_TO_DO) return false;
  const told = new Set(
    clausesOf(sentences).flatMap(({ verb, verbAt, sentence }) => (verb !== undefined && verbAt < BEFORE_VERB ? [sentence] : [])),
  );
  return told.size >= LEAST_TO_DO;
}

/** "1/3 leeks roast 200C 20 min": a share of a food, with its heat behind it. */
const HEATED_SHARE =
  /^(?:\d\/\d|[½¼¾⅓⅔])\s.*\b(?:roast|bake|sweat|fry|saut[ée]|simmer|boil|grill|blanch|soften)\b.*\d ?(?:°|['′]|[cf]\b|mins?\b|minutes?\b)/i;

/** "Garnish: chives, croutons" among the foods. */
export const GARNISH_LIST = /^(?:garnish(?:es)?|toppings?|to serve|to finish|for serving|optional)\s*:\s+\S[^.!]*$/i;

/** "To serve: 5 g nuts a bowl. Froth before plating": behind a method, and told in sentences or by the bowl. */
export const isServing = (line: string, worked: number): boolean =>
  worked > 0 &&
  /^(?:to serve|to finish|to plate(?: up)?|service|for serving)\s*[:–-]\s+\S/i.test(line) &&
  (/[.;!] +[A-Z]/.test(line) || /\b(?:per|each|a|every) (?:bowl|portion|cup|plate)\b|\beach\b/i.test(line));
