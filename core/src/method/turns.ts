import type { Clause } from './clauses.js';
import type { Kitchen } from './kitchen.js';
import { VERBS, type Sense } from './lexicon.js';
import { figureIn, minutesIn } from './measures.js';
import { withoutHelp } from './usual.js';
import { isHob } from './vessel.js';

/** "Meanwhile toast the nuts in a dry pan, then crush them. Add the apple": the nuts are done, and the cook is back at the pot. */
export function backToSoup(k: Kitchen, clause: Clause): void {
  const { here } = k;
  const begun = k.clauses[here?.steps[0]?.clause ?? -1];
  if (here === undefined || !isHob(here) || here.isWet || begun === undefined || begun.sentence === clause.sentence) return;
  const isBeside = /\b(?:meanwhile|in the meantime|while)\b/i.test(begun.text);
  const isDry = here.isHot && [...here.lines].every((id) => BESIDE.test(k.lineOf(id)?.taken.row.group ?? ''));
  const pot = k.open().findLast((one) => one !== here && isHob(one) && one.isHot && !one.isForTop && k.hasPieces(one));
  if (!isBeside || here.isForTop || pot === undefined || pot.isBlended || k.placeIn(clause.text) !== undefined) return;
  const [first] = k.names.mentions(clause.text, clause.section, () => false);
  // "Add the charred corn and the chillies": what was cooked beside the soup goes into it, and all else with it.
  const goesIn = first !== undefined && here.lines.has(first.line) && here.isHot && pot.isWet;
  if (goesIn && VERBS[clause.verb ?? ''] === 'add') {
    k.here = pot;
    return;
  }
  if (!isDry) return;
  // What is done next is still done to them.
  if (/\b(?:them|these|those|nuts?|seeds?|crumbs?|croutons?)\b/i.test(clause.text)) return;
  if (k.names.mentions(clause.text, clause.section, () => false).some(({ line }) => here.lines.has(line))) return;
  if (clause.verb !== undefined && BACK_AT_POT.has(VERBS[clause.verb] ?? 'remark')) k.here = pot;
}

const BESIDE = /^(?:nuts|breads|spices)$/;
const BACK_AT_POT: ReadonlySet<Sense> = new Set(['add', 'mix', 'deglaze', 'boil', 'bring', 'simmer', 'season', 'blend', 'reduce']);

/** A pressure cooker whistles once in so many minutes. Common practice, kitchen default. */
const WHISTLE_MIN = 4;

/** "For 3 whistles", "2-3 whistles": minutes under pressure. */
function inWhistles(text: string): string {
  // "3 whistles, about 10 minutes."
  if (minutesIn(text) !== undefined) return text;
  return text.replace(
    /\b(?:for |until |till |after )?(?:about |around )?(\d+|one|two|three|four|five|six|seven|eight)(?: ?(?:-|–|to|or) ?(\d+|two|three|four|five|six))? (?:long )?whistles?\b(?: (?:on|over|at) \w+(?: (?:heat|flame))?)?/gi,
    (_all, low: string, high: string | undefined) =>
      `under pressure for ${String(((figureIn(low) + figureIn(high ?? low)) / 2) * WHISTLE_MIN)} minutes`,
  );
}

/** Turns of phrase in the words that are read here. */
export function asMeant(whole: string): string {
  const text = withoutHelp(inWhistles(whole));
  return (
    text
      // "Add the leek with a splash of water if it catches": a help, and no part of what is done.
      .replace(/^(?:and |then )*uncovered (?=for\b|\d)/i, 'lid off ')
      .replace(/^(?:and |then )*covered (?=for\b|\d)/i, 'lid on ')
      // "Air fry 200 C 20 min": an oven, small and with a fan.
      .replace(/\bair[- ]fry(?=\b)/i, 'roast')
      // "Pots + stock, simmer 20" are no vessels.
      .replace(/^((?:and )?)pots(?= ?[+&,]| in\b)/i, '$1potatoes')
      .replace(
        /^(?:setting|putting) (?:each(?: batch| lot| one)?|them|it|these|the batches)(?: as (?:it|they) \w+)? aside\b/i,
        'set them aside',
      )
      // "Between the pans" is between what goes into the oven; "everything else from the pans" is what lies on them.
      .replace(/\b(between|among|amongst) (the|both|your) (?:two |lined |prepared |hot )*(?:pans|sheets)\b/gi, '$1 $2 sheet pans')
      .replace(
        /\beverything(?: else)? (?:from|off|that is on|on) (?:the |both |your )(?:two |hot )?(?:trays?|pans|sheets?|tins?)\b/gi,
        'everything on the tray',
      )
      // "Bake alongside the tomatoes": in the same oven, on a tray of its own.
      .replace(
        /(?<=\b(?:bake|roast|baked|roasted)\b.*) (?:alongside|next to|beside) (?:the )?[a-z]+(?: [a-z]+)?(?= until\b| till\b| for\b|,|$)/i,
        '',
      )
      // "10 mins – you want them soft": what it is to look like.
      .replace(/\s+[–—-]\s+(?:you(?:['’]re| are)? (?:want|after|looking for)(?:ing)?) (?:it|them|the \w+) (?:to be )?/gi, ' until ')
  );
}

const ALLIUM = String.raw`(scallions?|spring onions?|green onions?|leeks?)`;
const WHITES = new RegExp(
  String.raw`\b(?:the )?whites?(?: (?:parts?|ends|bits))?(?: and (?:pale|light)[ -]green(?: parts?| bits)?)? of (?:the |your )?${ALLIUM}\b|\b(?:the )?${ALLIUM} whites\b`,
  'i',
);
const GREENS = new RegExp(
  String.raw`\b(?:the )?(?:dark )?greens?(?: (?:parts?|ends|tops|bits))? of (?:the |your )?${ALLIUM}\b|\b(?:the )?${ALLIUM} (?:greens|tops)\b`,
  'i',
);

/**
 * "Scallion whites" at the start and "the green parts of the scallions" at the end: one line in two parts. Where only one
 * of them is ever spoken of, the other was cut away before the line was weighed.
 */
export function inTwoParts(k: Kitchen, text: string): string {
  const isSaid = (part: RegExp): boolean => k.clauses.some((clause) => part.test(clause.text));
  if (!(WHITES.test(text) || GREENS.test(text)) || !isSaid(WHITES) || !isSaid(GREENS)) return text;
  return text
    .replace(WHITES, (_whole, behind?: string, before?: string) => `half the ${behind ?? before ?? ''}`)
    .replace(GREENS, (_whole, behind?: string, before?: string) => `the remaining ${behind ?? before ?? ''}`);
}

const KEPT_KIND = /\b(smallest|small|tiniest|tiny|prettiest|pretty|nicest|best|youngest|young) ([a-z]+)\b/i;

/** "Keep a handful of the florets; toss what's left with the oil": what is left of what was kept. */
export function ofTheKept(k: Kitchen, text: string): string {
  const said = k.clauses[k.actions.at(-1)?.clause ?? -1]?.text ?? '';
  // "Cut off the kernels. Break the cobs in half and simmer them": the cobs.
  if (/\bcobs?\b/i.test(said) && !/\bkernels?\b/i.test(said) && k.actions.at(-1)?.does === 'prepare')
    return text.replace(/^((?:and |then )*[\w-]+ )(?:them|these)\b/i, '$1the cobs');
  const half = /\b(half|a third|a quarter|two[- ]thirds|three[- ]quarters|some|most) of (?:it|them)\b/i;
  const [made, ...besides] = k.actions.at(-1)?.does === 'prepare' ? (k.actions.at(-1)?.lines ?? []) : [];
  const cut =
    made === undefined || besides.length > 0 || k.isUsed(made.line) ? undefined : k.lineOf(made.line)?.taken.row.name.split(',')[0];
  // "Break up the cauliflower, toss half of it with oil."
  if (cut !== undefined && half.test(text)) return text.replace(half, `$1 of the ${cut.toLowerCase()}`);
  const part =
    /\b(?:cut|snap|trim|slice|chop|pull|take|break)(?:ping|ting)?(?: off)? (?:the |their )?(tips|tops|heads|spears)\b/i.exec(
      said,
    )?.[1];
  if (part !== undefined && k.actions.at(-1)?.does === 'prepare')
    // "Cut off the tips and blanch them."
    text = text.replace(/^((?:and |then )*[\w-]+ )(?:them|these)\b/i, `$1the ${part}`);
  const last = k.actions.at(-1);
  const [only, ...others] = last?.lines ?? [];
  const name = only === undefined || others.length > 0 ? undefined : k.lineOf(only.line)?.taken.row.name.split(',')[0];
  if (name === undefined || last === undefined) return text;
  const isHalved = only?.share !== undefined && only.share < 1 && /^(?:add|cream|garnish)$/.test(last.does);
  // "Half the cream into the soup, the other half on top."
  if (isHalved) return text.replace(/\bthe other (?:half|third)(?! (?:of|in)\b)/i, `the remaining ${name.toLowerCase()}`);
  if (last.does !== 'keep') return text;
  // "Saving a handful of the smallest florets. Toss the small florets in oil."
  const kind = KEPT_KIND.exec(said);
  if (kind !== null) {
    const [, , noun = ''] = kind;
    const again = new RegExp(`\\b(?:the|these|those|your) (?:small|tin|prett|nic|best|young)\\w* ${noun}\\b`, 'i');
    if (again.test(text)) return text.replace(again, `the reserved ${name.toLowerCase()}`);
  }
  return text.replace(/\b(?:what(?:['’]s| is) left|the rest)(?! (?:of|in)\b)/i, `the remaining ${name.toLowerCase()}`);
}
