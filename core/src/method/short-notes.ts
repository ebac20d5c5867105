import { doAdd } from './into.js';
import type { SetPhrase } from './kitchen.js';
import { VERBS } from './lexicon.js';
import { settledLater } from './later.js';
import { minutesIn } from './measures.js';
import { joinTrays } from './moved.js';
import { isHob } from './vessel.js';
import { onTop } from './top.js';
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

/** "Dry the chickpeas on kitchen paper, toss with the oil." */
const driedAndTossed: SetPhrase = (k, clause, n) => {
  const hit =
    /^(?:for the [a-z ]+, )?(?:and |then )*(?:dry|pat(?: dry)?) (?:the )?([a-z ]+?) (?:dry )?(?:on|with|between|in) (?:some |a )?(?:kitchen|paper|clean)[a-z ]*,? (?:and |then )*toss(?:ed)? (?:them |it )?with\b(.*)$/i.exec(
      clause.text,
    );
  if (hit === null) return false;
  k.as('add', { ...clause, text: `toss the ${hit[1] ?? ''} with${hit[2] ?? ''}`, verb: 'toss', verbAt: 0 }, n, 'toss');
  return true;
};

/** "Swirl the harissa through the yoghurt. ... Spoon over the yoghurt": a mixture for the bowls, of both. */
const swirledThrough: SetPhrase = (k, clause, n) => {
  const isMixed = /^(?:and |then )*(?:swirl|stir|fold|ripple|mix|beat|whisk) (?!in\b|into\b|through\b)/i.test(clause.text);
  if (!isMixed || !k.isFinished() || /\b(?:soup|pan|pot)\b/i.test(clause.text)) return false;
  const both = k.mentions(clause.text, clause);
  const [first, second] = both;
  const between = clause.text.slice((first?.at ?? 0) + (first?.length ?? 0), second?.at ?? 0);
  if (
    both.length < 2 ||
    !/\b(?:through|into|in|with)\b/i.test(between) ||
    both.some(({ line }) => k.isUsedUp(line)) ||
    !both.some(({ line }) => /^(?:dairy|coconut and plant creams)$/.test(k.lineOf(line)?.taken.row.group ?? ''))
  )
    return false;
  const isServed = k.clauses
    .slice(n + 1)
    .filter(({ text }) => /\b(?:serve|garnish|top|dollop|swirl|spoon|drizzle|scatter|finish)\w*\b/i.test(text))
    .some(
      ({ text, section }) =>
        /\b(?:a|one) (?:\w+ )?(?:dollop|spoonful|blob)\b/i.test(text) ||
        k.names.mentions(text, section, () => false).some(({ line }) => both.some((one) => one.line === line)),
    );
  if (!isServed) return false;
  const bowl = k.fresh('bowl', clause.section);
  const { added } = k.putLines(bowl, both, clause.text, n);
  bowl.isForTop = true;
  k.topVessels.add(bowl);
  k.put('add', n, { vessel: bowl.name, lines: added });
  return true;
};

/** "Place the peppers directly on the grill and cook until charred." */
const ontoGrill: SetPhrase = (k, clause, n) => {
  const hit =
    /\b(?:on|onto|over) (?:the |a )?(?:hot |oiled |preheated |charcoal |gas )*(?:grill|barbecue|bbq|chargrill|coals|grill rack|grates?)\b/i.exec(
      clause.text,
    );
  const next = k.clauses[n + 1];
  const isCookedNext =
    next?.sentence === clause.sentence &&
    /^(?:cook|grill|char|turn|leave)$/.test(next.verb ?? '') &&
    minutesIn(next.text) !== undefined;
  const fresh = hit === null ? [] : k.mentions(clause.text.slice(0, hit.index), clause).filter(({ line }) => !k.isUsedUp(line));
  if (hit === null || !isCookedNext || fresh.length === 0 || minutesIn(clause.text) !== undefined) return false;
  const tray = k.fresh('tray', clause.section);
  const { added } = k.putLines(tray, fresh, clause.text.slice(0, hit.index), n);
  k.put('add', n, { vessel: tray.name, lines: added });
  k.onGrill = tray;
  k.here = tray;
  return true;
};

/** "Keep back a few of the nicest artichokes. Rest go in with the leeks": the rest of what was kept. */
const restGoesIn: SetPhrase = (k, clause, n) => {
  const hit = /^(?:and |then )*(?:the |all the )?(?:rest|others)(?: of (?:it|them))? goe?s? (in\b.*)$/i.exec(clause.text);
  const kept = k.actions.at(-1);
  const [line] = kept?.does === 'keep' ? kept.lines : [];
  const from = line === undefined ? undefined : k.vesselOf(line.line);
  const row = line === undefined ? undefined : k.lineOf(line.line)?.taken.row;
  if (hit === null || row === undefined || from === undefined || from === k.mainVessel()) return false;
  const [where = '', ...more] = (hit[1] ?? '').split(/,\s*/);
  const name = (row.name.split(',')[0] ?? '').toLowerCase();
  k.as('add', { ...clause, text: `add the ${name} ${where.replace(/^in with\b/i, 'to')}`, verb: 'add', verbAt: 0 }, n, 'add');
  if (more.length > 0) verbless(k, { ...clause, text: more.join(', '), verb: undefined, verbAt: 0 }, n);
  return true;
};

/** "Depending on how thick you like it, more stock." */
const asThickAsLiked: SetPhrase = (k, clause, n) => {
  const hit =
    /^(?:depending on|according to) how (?:thick|thin) [^,]*, (?:add |with |a (?:bit|little|splash|touch) )*(?:more|extra|some) (.+)$/i.exec(
      clause.text,
    );
  if (hit === null || !k.isFinished()) return false;
  k.as('thin', { ...clause, text: `thin with more ${hit[1] ?? ''} if too thick`, verb: 'thin', verbAt: 0 }, n, 'thin');
  return true;
};

/** "Chop the nuts, slice the kept artichokes, scatter": what the knife was at. */
const scattered: SetPhrase = (k, clause, n) => {
  if (
    !/^(?:and |then )*(?:scatter|sprinkle|strew|pile)(?: (?:over|on|on top|them|them over|them on top|over the top))?$/i.test(
      clause.text,
    )
  )
    return false;
  if (!k.isFinished()) return false;
  const cut = k.actions.filter(
    ({ does, clause: at }) => does === 'prepare' && k.clauses[at]?.sentence === clause.sentence && at < n,
  );
  const lines = [...new Set(cut.flatMap((one) => one.lines.map(({ line }) => line)))];
  if (lines.length === 0) return false;
  onTop(
    k,
    lines.map((line) => ({ line, at: 0, length: 0 })),
    clause.text,
    n,
  );
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
  driedAndTossed,
  swirledThrough,
  ontoGrill,
  restGoesIn,
  asThickAsLiked,
  scattered,
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
