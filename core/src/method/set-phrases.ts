import type { Doing } from './action.js';
import { doBloom } from './heat.js';
import { doPreheat } from './warm.js';
import { heated } from './heated.js';
import { doAdd } from './into.js';
import type { SetPhrase } from './kitchen.js';
import { VERBS, type Sense } from './lexicon.js';
import { minutesIn, ovenIn } from './measures.js';
import { isSauced, isWhiteSauce } from './sauce.js';
import { onTop } from './top.js';

/** A phrase that comes to one thing told, without lines of its own. */
function told(words: RegExp, does: Doing): SetPhrase {
  return (k, { text }, n) => {
    if (!words.test(text)) return false;
    k.put(does, n);
    return true;
  };
}

/** A phrase that is another verb in other words. */
function meant(words: RegExp, verb: string, sense: Sense): SetPhrase {
  return (k, clause, n) => {
    const hit = words.exec(clause.text);
    if (hit === null) return false;
    const text = clause.text.slice(0, hit.index) + verb + clause.text.slice(hit.index + hit[0].length);
    k.as(sense, { ...clause, text, verb, verbAt: 0 }, n, verb);
    return true;
  };
}

const lidOn: SetPhrase = (k, clause, n) => {
  if (
    !/^(?:and |then )?(?:pop|put|clap|stick|place|get|whack|bang) (?:a|the|its|your) (?:tight[- ]fitting )?lid (?:back )?on\b/i.test(
      clause.text,
    )
  )
    return false;
  doAdd(k, clause, n);
  return true;
};

/** "Get the oven on", "racks in the upper and lower thirds". */
const ovenOn: SetPhrase = (k, clause, n) => {
  const { text } = clause;
  const isTurnedOn = /^(?:and |then )?(?:get|turn|have|with|set|crank|fire) (?:on |up )?(?:the|your) oven\b/i.test(text);
  const isRacks = /\b(?:oven )?racks?\b/i.test(text) && !/\bwire\b|\bcool/i.test(text);
  const isCombi = /^(?:steam )?combi\b/i.test(text);
  // "400F oven."
  const isNoted = /^(?:an? )?(?:hot )?\d{3} ?(?:°|deg(?:rees)?)? ?[cf]? oven$/i.test(text.replace(/[.,;]$/, '').trim());
  if (!(isTurnedOn || isRacks || isCombi || isNoted) || k.mentions(text, clause).length > 0) return false;
  if (!isCombi && minutesIn(text) !== undefined) return false;
  doPreheat(k, clause, n);
  return true;
};

/** "+ roast leek + chives", over a soup that is done: what was roasted before. */
const roastedBefore: SetPhrase = (k, clause, n) => {
  const { text } = clause;
  const behind = text.slice(clause.verbAt);
  if (
    !/^(?:roast|grilled?|fried|baked?|toast) [a-z]/i.test(behind) ||
    !k.isFinished() ||
    minutesIn(text) !== undefined ||
    ovenIn(text, k.context.country) !== undefined
  )
    return false;
  const spoken = k.mentions(behind, clause);
  if (spoken.length === 0 || !spoken.every(({ line }) => k.isUsedUp(line) || k.lineOf(line)?.taken.role === 'herb')) return false;
  onTop(k, k.mentions(text, clause), text, n);
  return true;
};

/** "Roast parsnip in", of what came out of the oven. */
const roastedIn: SetPhrase = (k, clause, n) => {
  const hit = /^(?:and |then )*(?:the )?(?:roast|grilled|fried|baked) ([a-z][a-z ]*?) (?:(?:goes? )?(?:back )?in)\b/i.exec(
    clause.text,
  );
  if (hit === null || !k.mentions(hit[1] ?? '', clause).some(({ line }) => k.isUsed(line))) return false;
  const text = `add the roasted ${hit[1] ?? ''}${clause.text.slice(hit[0].length)}`;
  k.as('add', { ...clause, text, verb: 'add', verbAt: 0 }, n, 'add');
  return true;
};

/** "Cook for 3 whistles": the minutes of each are common practice, so they are marked. */
const whistles: SetPhrase = (k, clause, n) => {
  if (!/\bwhistles?\b/i.test(k.clauses[n]?.text ?? '') || !/\bunder pressure for \d/.test(clause.text)) return false;
  k.as('pressure', clause, n, 'pressure');
  const last = k.actions.at(-1);
  if (last !== undefined) k.actions[last.n] = { ...last, assumed: [...last.assumed, 'MINUTES'] };
  return true;
};

/** So many clauses at most lie between the lid of a pressure cooker and its minutes. */
const SEALED_WITHIN = 2;

/** "Seal. Manual/High 10 min." */
const sealedOnHigh: SetPhrase = (k, clause, n) => {
  const { text } = clause;
  const isSealed = k.clauses
    .slice(Math.max(0, n - SEALED_WITHIN), n)
    .some((one) => /\b(?:seal|lock|pressure|lid)\b/i.test(one.text));
  const isOnHigh = /^(?:and |then )*(?:on |set to |set for |cook on )?(?:manual|pressure cook|high|hp|low pressure|hi)\b/i.test(
    text,
  );
  if (!isSealed || !isOnHigh || minutesIn(text) === undefined) return false;
  k.as('pressure', clause, n, 'pressure');
  return true;
};

const lidClosed: SetPhrase = (k, { text }, n) => {
  const isClosed = /^(?:and |then )?(?:close|shut|lock|secure|seal|fasten|latch|open)(?: on)? (?:the )?(?:lid|vent|valve)\b/i.test(
    text,
  );
  if (!isClosed || minutesIn(text) !== undefined) return false;
  k.put('setting', n);
  return true;
};

const announced: SetPhrase = (k, { announces }, n) => {
  if (announces !== true) return false;
  k.put('setting', n);
  return true;
};

/** "Make a roux of the butter and flour." */
const roux: SetPhrase = (k, clause, n) => {
  const { text } = clause;
  if (!/\bmake (?:up )?an? (?:\w+ )?roux\b/i.test(text) || k.mentions(k.body(clause), clause).length === 0) return false;
  doBloom(k, { ...clause, text: text.replace(/\broux\b/i, 'paste') }, n);
  return true;
};

/** "On the smooth soup setting": a machine that boils and blends in one go. */
const machineSetting: SetPhrase = (k, clause, n) => {
  const machine = /\b(smooth|creamed|pur[ée]e|chunky)\b[\w ]*\b(?:setting|programme|program|cycle|function|mode)\b/i.exec(
    clause.text,
  );
  if (machine === null) return false;
  if (k.here !== undefined) heated(k, k.here, 'simmer', clause, n, []);
  if (!/chunky/i.test(machine[1] ?? '')) k.as('blend', { ...clause, text: 'blend', verbAt: 0 }, n, 'blend');
  return true;
};

/** Remembers into which machine things are put, and reads on. */
const intoMachine: SetPhrase = (k, { text }) => {
  if (/\b(?:in|into|to) (?:a |the )?(?:[\w-]+ )?(?:blender|liquidi[sz]er|food processor|processor)\b/i.test(text))
    k.blenderSaid = /\bprocessor\b/i.test(text) ? 'processor' : 'jug';
  return false;
};

/** Longer than so many minutes in boiling water is cooking. Kitchen default. */
const DIPPED_MOST = 2;
/** So many clauses after it at most it is skinned. */
const SKINNED_WITHIN = 4;

/** "Drop the tomatoes into boiling water for 30 seconds": to be skinned, and no water of the soup's. */
const dipped: SetPhrase = (k, clause, n) => {
  const { text } = clause;
  if (!/\b(?:in|into|with|over)\b(?: [\w-]+){0,4} boiling water\b|\bboiling water over\b/i.test(text)) return false;
  const time = minutesIn(text);
  const isSkinned = k.clauses.slice(n + 1, n + 1 + SKINNED_WITHIN).some((one) => /\b(?:peel|skins?|skinned)\b/i.test(one.text));
  if (time === undefined || !isSkinned || time.high > DIPPED_MOST || k.vessels.some(({ isWet }) => isWet)) return false;
  const lines = k.mentions(text, clause).filter(({ line }) => k.lineOf(line)?.taken.row.id !== 'water');
  k.put('prepare', n, { lines: lines.map(({ line }) => ({ line })) });
  return true;
};

/** "Take 8 minutes to soften the onion in the butter." */
const takingSoLong: SetPhrase = (k, clause, n) => {
  const taking =
    /^(?:and |then )?(?:take|spend|give it) ((?:about |around |a good |the first )?[\w½ –-]{1,20}?(?:minutes?|mins?|min)) (?:to|and) (\w+) (.+)$/i.exec(
      clause.text,
    );
  const [, time = '', verb = '', what = ''] = taking ?? [];
  const sense = VERBS[verb.toLowerCase()];
  if (taking === null || sense === undefined) return false;
  const text = `${verb} ${what.replace(/[.,;]\s*$/, '')} for ${time}`;
  k.as(sense, { ...clause, text, verb: verb.toLowerCase(), verbAt: 0 }, n, verb.toLowerCase());
  return true;
};

/** "It takes about 20 minutes", of what goes on. */
const itTakes: SetPhrase = (k, clause, n) => {
  if (
    !/^(?:it|this|they|which)(?: will|['’]ll| should)? (?:takes?|needs?|wants?) (?:about |around |only |just )?(?:\d+|an?|half|one|two|ten|fifteen|twenty|thirty|forty|fifty)\b[\w -]*(?:min|hour|hr)/i.test(
      clause.text,
    )
  )
    return false;
  k.as('give', clause, n, clause.verb ?? '');
  return true;
};

const intoFridge: SetPhrase = (k, clause, n) => {
  const { text } = clause;
  const isKeptAhead = k.actions.some(({ does, clause: at }) => does === 'store' && k.clauses[at]?.sentence === clause.sentence);
  if (isKeptAhead && /\b(?:fridge|refrigerator|freezer|freeze|chill)\b/i.test(text) && k.mentions(text, clause).length === 0) {
    k.put('setting', n);
    return true;
  }
  if (
    !/^(?:and |then )*(?:put|place|pop|stick|set|stand|leave)(?: (?:it|them|the soup|everything))?(?: back)? (?:in|into|inside) (?:the|a) (?:fridge|refrigerator)\b/i.test(
      text,
    )
  )
    return false;
  k.as('chill', clause, n, 'chill');
  return true;
};

/** "Chill for 4 hours" is said of a cold soup, whatever else is said of keeping it. */
function isChilledFor(text: string): boolean {
  return /\b(?:chill|refrigerat)/i.test(text) && minutesIn(text) !== undefined;
}

/** How it is kept, and brought back another day. */
const kept: SetPhrase = (k, clause, n) => {
  const { text } = clause;
  const isStored = k.actions.findLast(({ does }) => does !== 'setting')?.does === 'store';
  const isSameSentence = k.actions.at(-1)?.does === 'setting' && k.clauses[n - 1]?.sentence === clause.sentence;
  if (isStored && isSameSentence && /^adding\b/i.test(text)) {
    // "Defrost, then reheat until piping hot, adding a splash of water": on another day.
    k.put('setting', n);
    return true;
  }
  if (
    !isStored ||
    isChilledFor(text) ||
    !/^(?:and |then )*(?:re-?heat|defrost|thaw|warm|let (?:it |the soup )?cool|cool|cover|chill|refrigerate|freeze|transfer to)\b/i.test(
      text,
    ) ||
    !k.mentions(text, clause).every(({ line }) => k.isUsedUp(line))
  )
    return false;
  k.put('setting', n);
  return true;
};

/** A sentence about making it days before: "you can make it two days ahead; cool, cover and chill". */
const madeAhead: SetPhrase = (k, clause, n) => {
  const sentence = k.clauses
    .filter((one) => one.sentence === clause.sentence)
    .map(({ text }) => text)
    .join(' ');
  const isAhead =
    /\b(?:days?|hours?) (?:ahead|in advance|before(?! (?:the end|the time|it|they|adding|you|the \w+ (?:is|are))\b))\b|\bahead of time\b|\bmake[- ]ahead\b|\bup to \d+ (?:days|weeks|months)\b/i.test(
      sentence,
    );
  if (!isAhead || isChilledFor(clause.text)) return false;
  k.put(k.actions.at(-1)?.does === 'store' ? 'setting' : 'store', n);
  return true;
};

/** "Water it down if it is too thick." */
const wateredDown: SetPhrase = (k, clause, n) => {
  const hit = /^(?:and |then )*water (?:it|the soup|this) down\b/i.exec(clause.text);
  if (hit === null) return false;
  const text = `thin with water${clause.text.slice(hit[0].length)}`;
  k.as('thin', { ...clause, text, verb: 'thin', verbAt: 0 }, n, 'thin');
  return true;
};

/** "If you would like to thin it a bit, stir in the rest of the stock": only when, and what is done stands behind it. */
const onlyIf: SetPhrase = (k, { text, sentence }, n) => {
  const isWish = /^if you(?:['’]d| would)? (?:like|want|prefer|wish)\b/i.test(text);
  if (!isWish || k.clauses[n + 1]?.sentence !== sentence || k.clauses[n + 1]?.verb === undefined) return false;
  k.put('setting', n);
  return true;
};

/** "Boil the heads separately 4 min", of what no line is called by: not the soup that is heated. */
const separately: SetPhrase = (k, clause, n) => {
  const isApart = /\b(?:separately|on (?:its|their) own|by (?:itself|themselves))\b/i.test(clause.text);
  if (!isApart || minutesIn(clause.text) === undefined || k.mentions(k.body(clause), clause).length > 0) return false;
  k.put('remark', n);
  return true;
};

/** "Pour that water away": what it was boiled in at first, and none that comes later. */
const waterAway: SetPhrase = (k, clause, n) => {
  const isAway =
    /^(?:and |then )*(?:pour|tip|throw|chuck|drain) (?:(?:that|the|this|all the) (?:\w+ )?water (?:away|off|out)|(?:away|off|out) (?:that|the|this|all the) (?:\w+ )?water)\b/i.test(
      clause.text,
    );
  if (!isAway || k.here === undefined || !(k.here.isWet || k.here.isHot)) return false;
  k.here.isWet = true;
  k.as('drain', { ...clause, text: 'drain', verb: 'drain', verbAt: 0 }, n, 'drain');
  return true;
};

/** How a sentence begins that tells another way of what was told already, or what to do where something is missing. */
const ANOTHER_WAY =
  /^(?:or,? |but )?(?:alternative?ly|alternately|as an alternative|or(?:,)? (?:you can |simply |just )?use (?:a |an |your )?(?:stick|hand|immersion)|(?:if|where) you (?:do not|don['’]t|haven['’]t|have not) (?:have|got|own)|if you (?:are|['’]re) without|or,? (?:you can |simply |just )?(?:boil|roast|steam|bake|microwave|pressure[- ]cook)\b(?=.*\b(?:\d|an?|half|one|two|instead)\b)|no (?:stick |hand |immersion |jug )?(?:blender|mixer)\?)(?!\w)/i;

/** "Alternatively, let the soup cool and blend it in a jug": a choice of the cook's, and not done beside the first. */
const anotherWay: SetPhrase = (k, { sentence }, n) => {
  const opening = k.clauses.find((one) => one.sentence === sentence)?.text ?? '';
  if (!ANOTHER_WAY.test(opening)) return false;
  k.put('remark', n);
  return true;
};

/** "Push the watercress down into the hot soup": it goes in; what is in is only kept under. */
const pushedIn: SetPhrase = (k, clause, n) => {
  const { text } = clause;
  if (!/^(?:and |then )*(?:push|press|submerge|dunk|prod|poke|stuff|cram|force)\b.*\b(?:down|into|in|under)\b/i.test(text))
    return false;
  if (/\b(?:sieve|strainer|mesh|colander|chinois|cap|mouli|mill|ricer|through|skins?|spoon)\b/i.test(text)) return false;
  if (k.mentions(k.body(clause), clause).some(({ line }) => !k.isUsedUp(line))) {
    k.as('add', { ...clause, text: text.replace(/^(?:and |then )*[a-z]+/i, 'add'), verb: 'add', verbAt: 0 }, n);
    return true;
  }
  k.put('setting', n);
  return true;
};

/** "Pick up: 180 ml soup, 8 g nuts, 1 ml oil": what each bowl gets. */
const pickedUp: SetPhrase = (k, clause, n) => {
  if (!/^(?:to )?(?:pick[- ]?up|plate|plating|plate[- ]up|dish[- ]?up|per (?:bowl|cover|portion))\s*[:–-]/i.test(clause.text))
    return false;
  const mentions = k.mentions(clause.text.replace(/^[^:–-]*[:–-]/, ''), clause);
  if (mentions.length === 0) k.put('serve', n, { vessel: undefined });
  else onTop(k, mentions, clause.text, n);
  return true;
};

/** Phrases that are tried before the verb of a clause is asked, the first that fits first. */
export const SET_PHRASES: readonly SetPhrase[] = [
  anotherWay,
  pickedUp,
  told(/^(?:(?:so|now|and|first|firstly),? )*you(?:['’]ll| will)? (?:also |first )?need (?!to\b|only\b)/i, 'remark'),
  // "Grind in a little black pepper" is no blade.
  meant(/\bgrind (?:in|over|on)\b/i, 'stir in', 'add'),
  waterAway,
  told(
    /^(?:and |but |then )*leav(?:e|ing) (?:it )?(?:some|a (?:bit|little|few)|slightly|fairly|quite|rather)\b[\w ]*\b(?:texture|chunk\w*|lumps?|lumpy|bite|rustic|coarse)\b/i,
    'setting',
  ),
  pushedIn,
  told(
    /^(?:and |but )?(?:do not|don['’]t|never|on no account|avoid|make sure|be careful|ensure|take care|be sure|try not)\b/i,
    'remark',
  ),
  lidOn,
  ovenOn,
  roastedBefore,
  roastedIn,
  whistles,
  // The pressure cooker's own way down is in its step.
  told(/^(?:and |then )*(?:npr|nr|qpr|qr|natural pressure release|quick pressure release)\b/i, 'setting'),
  sealedOnHigh,
  announced,
  isWhiteSauce,
  isSauced,
  roux,
  machineSetting,
  intoMachine,
  meant(/^(?:and |then )?(?:whip|whisk|yank|hook|haul|get|pluck|pick|dig|tweeze|spear) out\b/i, 'remove', 'remove'),
  lidClosed,
  onlyIf,
  wateredDown,
  separately,
  meant(/^(?:and |then )?get rid of/i, 'discard', 'remove'),
  told(
    /^(?:and |then )?(?:(?:do|use|allow|let it have) (?:a |the )?)?(?:natural(?:ly)?|quick)(?: pressure)?[- ]releas/i,
    'setting',
  ),
  told(/^(?:and |then )*(?:hand|pass) (?:round|around)\b/i, 'serve'),
  intoFridge,
  // "Drop to simmer 25 min."
  meant(
    /^(?:and |then )*(?:drop|knock|take|turn)(?: it| the heat| down| back)* (?:to|for) (?:a )?(?:gentle |slow |low )?simmer\b(?=.*\d)/i,
    'simmer',
    'simmer',
  ),
  // "Bain marie 75C, lid on."
  meant(/^(?:into |in |hold in )?(?:a |the )?bain[- ]?marie(?: at)?\b(?=.*\d)/i, 'hold', 'reserve'),
  // "Spoon off 4 tbsp of the thick cream from the top of the coconut milk and set aside."
  meant(
    /^(?:and |then )*(?:spoon|scoop|skim|lift|pour)(?: off| out)?(?= [^,;]*\d[^,;]*\b(?:from|off) the (?:top|tin|can)\b)/i,
    'reserve',
    'reserve',
  ),
  dipped,
  takingSoLong,
  told(
    /^(?:you (?:may|might|will|can)(?: well)? (?:need|have|want) to |(?:do|work) )(?:do |work )?(?:this |it )?in (?:\w+ )?(?:batches|goes|lots)\b/i,
    'setting',
  ),
  told(/^(?:ccp|haccp|safety|note|tip|nb|allergens?|contains|shelf[- ]life|storage)\b\s*[:.-]/i, 'remark'),
  kept,
  told(/\bblast[- ]chill/i, 'store'),
  madeAhead,
  told(/\bto (?:come (?:up )?to|reach|build(?: up)?|get to) (?:full )?pressure\b/i, 'remark'),
  itTakes,
];
