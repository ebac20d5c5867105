import { doAdd } from './into.js';
import type { SetPhrase } from './kitchen.js';
import { VERBS } from './lexicon.js';
import { settledLater } from './later.js';
import { minutesIn } from './measures.js';
import { joinTrays } from './moved.js';
import { isHob } from './vessel.js';
import { verbless } from './verbless.js';

/* What a cook writes for a cook: half a sentence, with the word for what is done left out. */

/** "6 min, don't colour": minutes of whatever stands on the hob. */
const withoutColour: SetPhrase = (k, clause, n) => {
  const tail =
    /^((?:for |about |around )*[\d½¼][^,]*),? (?:but )?(?:(?:don['’]?t|do not|not|no|never) (?:let (?:it|them) )?(?:colou?r\w*|brown\w*|catch)|without colou?r\w*)\s*$/i.exec(
      clause.text,
    );
  if (tail === null || k.here === undefined || !isHob(k.here) || k.mentions(clause.text, clause).length > 0) return false;
  const text = tail[1] ?? '';
  if (minutesIn(text) === undefined) return false;
  verbless(k, { ...clause, text, verb: undefined, verbAt: 0 }, n);
  return true;
};

/** "Oil in big pot, medium", where no line names it. */
const fatInPan: SetPhrase = (k, clause, n) => {
  const hit =
    /^((?:olive |rapeseed |veg(?:etable)? |sunflower )?oil|butter|ghee|dripping|lard)\b(?: and butter)?(?=,? (?:in|into) (?:a |the )?(?:\w+ ){0,2}(?:pot|pan|saucepan|skillet|casserole|stockpot)\b)/i.exec(
      clause.text,
    );
  // One that is a line of the recipe goes in as any other does.
  if (hit === null || k.mentions(hit[0], clause).length > 0) return false;
  k.as('heat', { ...clause, text: `heat ${clause.text}`, verb: 'heat', verbAt: 0 }, n, 'heat');
  return true;
};

/** "Pumpkin, toss to coat." */
const tossedIn: SetPhrase = (k, clause, n) => {
  const hit =
    /^(?:and |then )?([^,]+),? (?:and )?(?:toss|stir|turn|mix)(?:ed)?(?: well| through| round| about)* to coat\b[^,]*$/i.exec(
      clause.text,
    );
  const named = hit === null ? [] : k.mentions(hit[1] ?? '', clause);
  if (hit === null || k.here === undefined || named.every(({ line }) => k.isUsedUp(line)) || named.length === 0) return false;
  doAdd(k, { ...clause, text: hit[1] ?? '', verb: undefined, verbAt: 0 }, n);
  return true;
};

/** "Off the heat, 10 min." */
const offForAWhile: SetPhrase = (k, clause, n) => {
  const hit =
    /^(?:and |then )*(?:take |pull |slide )?(?:it |the (?:pot|pan) )?off (?:the )?(?:heat|hob|stove|flame|fire)[,:]? (?:(?:and )?(?:leave|stand|rest|let stand)(?: it)? )?(?:for )?(?:about )?(?=[\d½]|five|ten)/i.exec(
      clause.text,
    );
  if (hit === null || minutesIn(clause.text) === undefined || k.mentions(clause.text, clause).length > 0) return false;
  k.as('let', { ...clause, text: `let stand ${clause.text.slice(hit[0].length)}`, verb: 'let', verbAt: 0 }, n, 'let');
  return true;
};

/** "Gently back to hot, no boiling." */
const backToHot: SetPhrase = (k, clause, n) => {
  if (
    !/^(?:and |then )*(?:gently |slowly |bring )?(?:it )?(?:back |up )?to (?:hot|serving (?:temp\w*|heat)|piping hot)\b/i.test(
      clause.text,
    )
  )
    return false;
  if (k.here === undefined || k.mentions(clause.text, clause).length > 0) return false;
  k.as('heat', { ...clause, text: 'reheat gently', verb: 'reheat', verbAt: 0 }, n, 'reheat');
  return true;
};

/** "Cool, rub skins off, rough chop." */
const cooledAndPeeled: SetPhrase = (k, clause, n) => {
  const hit =
    /^((?:and |then |let |leave )*(?:it |them )?(?:to )?cool[^,]*), ((?:and |then )?(?:rub|slip|pull|slide|peel)\b[^,]*\bskins?\b.*)$/i.exec(
      clause.text,
    );
  if (hit === null) return false;
  k.as('cool', { ...clause, text: hit[1] ?? '', verbAt: 0 }, n, 'cool');
  k.as('peel', { ...clause, text: hit[2] ?? '', verb: 'peel', verbAt: 0 }, n, 'peel');
  return true;
};

/** "Blitz (hand blender 3 min, then through chinois)." */
const blitzedThrough: SetPhrase = (k, clause, n) => {
  const sense = VERBS[clause.verb ?? ''];
  const hit =
    /[,;]? ?(?:then|and|\+|&) ?(?:pass(?:ed)? )?(?:through|thru) (?:a |the )?(?:\w+ )?(?:chinois|sieve|strainer|mouli|tamis)\b/i.exec(
      clause.text,
    );
  const isAside = hit !== null && clause.text.lastIndexOf('(', hit.index) > clause.text.lastIndexOf(')', hit.index);
  if (sense !== 'blend' || hit === null || !isAside) return false;
  k.as('blend', { ...clause, text: clause.text.slice(0, hit.index) }, n, clause.verb);
  k.as(
    'strain',
    { ...clause, text: `pass${hit[0].replace(/^.*?(?= (?:through|thru))/i, '')}`, verb: 'pass', verbAt: 0 },
    n,
    'pass',
  );
  return true;
};

const ALL_IN =
  /^(?:and |then )*(?:it(?:['’]s)? |everything )?all (?:of it )?(?:goes )?(?:in|into) (?:a |the )?(?:[\w-]+ ){0,2}(?:pots?|pan|saucepan|stockpot|kettle)\b/i;

/** "All in tilting pan with the bouillon, boil": what was roasted, to what is sweated there. */
const allInPan: SetPhrase = (k, clause, n) => {
  const hit = ALL_IN.exec(clause.text);
  const pot = k.here !== undefined && isHob(k.here) ? k.here : k.latestHob();
  if (hit === null || pot === undefined || !k.open().some(({ kind, isHot }) => kind === 'tray' && isHot)) return false;
  k.here = pot;
  joinTrays(k, pot, n);
  const rest = clause.text.slice(hit[0].length);
  const boilsAt = rest.search(/,? (?:and |then )*(?:bring (?:it )?)?(?:to (?:the|a) )?boil\b/i);
  const poured = boilsAt < 0 ? rest : rest.slice(0, boilsAt);
  if (k.mentions(poured, clause).length > 0) doAdd(k, { ...clause, text: poured, verb: undefined, verbAt: 0 }, n);
  if (boilsAt >= 0) k.as('bring', { ...clause, text: 'bring to the boil', verb: 'bring', verbAt: 0 }, n, 'bring');
  return true;
};

/** "Chestnuts: slice thin, fry in butter until crisp": all that stands behind the colon is done to them. */
const named: SetPhrase = (k, clause, n) => {
  const hit = /^(?:and |then )*([a-z][a-z ,&-]{2,40}):\s+(?=[a-z])(.+)$/i.exec(clause.text);
  const [, label = '', rest = ''] = hit ?? [];
  const fresh = hit === null ? [] : k.mentions(label, clause).filter(({ line }) => !k.isUsedUp(line));
  const parts = rest.split(/,\s+(?:and |then )*|\s+and then\s+/i).map((part) => /^([a-z-]+)\b\s*(.*)$/i.exec(part));
  const told = parts.map((part) => VERBS[(part?.[1] ?? '').toLowerCase()]);
  // "Mushrooms, garlic in: fry hard" is what goes in.
  if (/\b(?:in|on|out|next|too)$/i.test(label)) return false;
  if (fresh.length === 0 || parts.length === 0 || told.some((sense) => sense === undefined)) return false;
  for (const [at, part] of parts.entries()) {
    const verb = (part?.[1] ?? '').toLowerCase();
    const sense = told[at];
    if (sense !== undefined)
      k.as(sense, { ...clause, text: `${verb} the ${label.toLowerCase()} ${part?.[2] ?? ''}`.trim(), verb, verbAt: 0 }, n, verb);
  }
  return true;
};

/** "Simmer gently to blend the flavours, about 10 minutes": no blade, and the minutes of that simmer. */
const comesTogether: SetPhrase = (k, clause, n) => {
  if (!/^(?:and |then |just )*to (?:blend|meld|marry|combine|mingle) (?:the |all the )?flavou?rs?\b/i.test(clause.text))
    return false;
  const time = minutesIn(clause.text);
  if (time !== undefined && k.here !== undefined) settledLater(k, k.here, time);
  k.put('setting', n, time === undefined ? {} : { minutes: { low: time.low, high: time.high } });
  return true;
};

/** "Divide the fennel and potatoes between two rimmed sheets": into the oven, and not into bowls. */
const partedOnTrays: SetPhrase = (k, clause, n) => {
  const hit =
    /^((?:and |then )*)(?:divide|split|share|distribute) (.+?) (?:between|among|amongst|over|across|onto) ((?:the |your |both )?(?:\w+[ -]){0,3}?)(?:(?:sheet|baking|roasting|oven) ?)*(?:sheets?|trays?|tins?|sheet pans)\b(.*)$/i.exec(
      clause.text,
    );
  if (hit === null || k.mentions(hit[2] ?? '', clause).length === 0) return false;
  const text = `${hit[1] ?? ''}spread ${hit[2] ?? ''} on ${hit[3] ?? ''}baking trays${hit[4] ?? ''}`;
  k.as('add', { ...clause, text, verb: 'spread', verbAt: (hit[1] ?? '').length }, n, 'spread');
  return true;
};

/** Tried in this order, before any other phrase. */
export const SHORT_NOTES: readonly SetPhrase[] = [
  withoutColour,
  fatInPan,
  tossedIn,
  offForAWhile,
  backToHot,
  cooledAndPeeled,
  blitzedThrough,
  allInPan,
  named,
  comesTogether,
  partedOnTrays,
];
