import type { Clause } from './clauses.js';
import type { Kitchen } from './kitchen.js';
import { VERBS } from './lexicon.js';
import { percentIn } from './measures.js';
import { measuredPart } from './soup-part.js';
import { LOOKS_AHEAD, ON_PAPER, USUAL } from './usual.js';
import { isHob, type Vessel } from './vessel.js';

/** Of the liquid, where a part of it is kept. Kitchen default. */
const LIQUOR = 0.3;

/** "Reserving 300 ml of the cooking water". */
const measuredShare = (k: Kitchen, vessel: Vessel, text: string): number | undefined =>
  measuredPart(k, vessel, text, (line) => k.isLiquid(line));

export function doDrain(k: Kitchen, clause: Clause, n: number): void {
  if (k.here?.isBlended === true && k.actions.at(-1)?.does === 'remark' && k.mentions(k.body(clause), clause).length === 0) {
    // "Fry the julienne 1 min, drain": of something beside the soup, of which there is no step.
    k.put('remark', n);
    return;
  }
  if (ON_PAPER.test(clause.text)) {
    const lifted = k.actions.at(-1);
    if (lifted?.does === 'keep' && k.clauses[lifted.clause]?.sentence === clause.sentence) {
      // "Lift out half, and drain on kitchen paper": those, and no more of them.
      k.put('setting', n);
      return;
    }
    const dry = k.here;
    const isFried =
      dry !== undefined &&
      isHob(dry) &&
      dry.isHot &&
      !dry.isWet &&
      !dry.isForTop &&
      dry.section === clause.section &&
      !k.isFinished();
    if (isFried && k.wetPots().length === 0 && k.mentions(k.body(clause), clause).length === 0) {
      // "Cook the bacon until crisp. Drain on a paper-lined plate": the pan goes on with its fat.
      k.as('remove', { ...clause, text: 'remove with a slotted spoon', verbAt: 0 }, n, 'remove');
      return;
    }
    k.put('setting', n);
    return;
  }
  const mentions = k.mentions(k.body(clause), clause);
  const next = k.clauses[n + 1];
  const isOfNext =
    mentions.length === 0 &&
    next?.sentence === clause.sentence &&
    next.verb === 'rinse' &&
    /^(?:and |then )*drain$/i.test(clause.text.trim()) &&
    k.mentions(next.text, next).length > 0;
  if (isOfNext) {
    // "Drain and rinse the remaining can of beans": the can, and not the soup.
    k.put('prepare', n);
    return;
  }
  const at = mentions.map(({ line }) => k.vesselOf(line)).find((one) => one !== undefined);
  const vessel = at ?? (mentions.length === 0 ? k.here : undefined);
  if (!vessel?.isWet) {
    k.put('prepare', n, { vessel: undefined, lines: mentions.map(({ line }) => ({ line })) });
    return;
  }
  const said = joinedText(clause, k.clauses[n + 1]);
  const keepsLiquid = /\b(?:reserv|keep|sav)\w*\b.*\b(?:liquid|liquor|water|stock|cooking)\b/i.test(said);
  // Soaked and not cooked: the cook is back at the pot that is on the fire.
  const fire = vessel.isHot ? undefined : k.open().findLast((one) => one !== vessel && isHob(one) && one.isHot && !one.isForTop);
  if (!vessel.isHot) k.soaked = vessel;
  if (fire !== undefined && keepsLiquid) {
    // "Drain the porcini, keeping the liquor": both go into the soup.
    k.put('prepare', n, { vessel: undefined, lines: mentions.map(({ line }) => ({ line })) });
    k.here = fire;
    return;
  }
  const liquidShare = keepsLiquid ? (percentIn(said) ?? measuredShare(k, vessel, said) ?? LIQUOR) : 0;
  const isGuessed = keepsLiquid && percentIn(said) === undefined && measuredShare(k, vessel, said) === undefined;
  k.put('drain', n, { vessel: vessel.name, assumed: isGuessed ? ['SHARE'] : [] });
  k.step(vessel, n, 'drain', (id) => ({
    id,
    op: 'drain',
    keep: 'pieces',
    liquidShare,
  }));
  vessel.isWet = keepsLiquid;
  vessel.isDrained = true;
  // Something blanched beside the soup: the cook is back at the pot.
  k.here = k.wetPots().find((one) => one !== vessel) ?? fire ?? vessel;
}

export function doStrain(k: Kitchen, clause: Clause, n: number): void {
  const { text: words } = clause;
  if (clause.verb === 'run' && !/\b(?:through|thru|via)\b/i.test(words)) {
    const before = k.clauses[n - 1];
    // "Transfer to a blender and run until smooth."
    const isThere = before?.sentence === clause.sentence && /\b(?:blender|liquidi[sz]er|processor|goblet)\b/i.test(before.text);
    if (
      isThere ||
      /\b(?:blender|liquidi[sz]er|machine|motor|processor)\b|\b(?:until|till) (?:very |completely |really )?(?:smooth|silky|velvety)\b/i.test(
        words,
      )
    )
      k.as('blend', clause, n, 'blend');
    else k.put('remark', n);
    return;
  }
  if (
    clause.verb === 'pass' &&
    /\b(?:back )?(?:in|on)?to (?:the|a|your) (?:\w+ )?(?:pan|pot|saucepan)\b/i.test(words) &&
    !/\b(?:through|thru|via|sieve|strainer|chinois|mouli|mill)\b/i.test(words)
  ) {
    // "Purée in a blender, then pass back into the pan."
    k.as('add', { ...clause, text: words.replace(/\bpass\b/i, 'return'), verb: 'return' }, n, 'return');
    return;
  }
  if (
    (clause.verb === 'pass' &&
      !/\b(?:through|thru|via|sieve|strainer|chinois|mouli|mill|fine)\b/i.test(words) &&
      /\b(?:smooth|blender|mixer|creamy|purée|puree)\b/i.test(words)) ||
    (clause.verb === 'run' && /\b(?:stick|hand|immersion|wand)[ -]?blender\b/i.test(words))
  ) {
    // "Pass all with the hand mixer until smooth", "run the stick blender through it".
    k.as('blend', { ...clause, text: words.replace(/\bthrough\b/i, 'in') }, n, 'blend');
    return;
  }
  if (/\b(?:through|thru) (?:a |the |your )?(?:[\w-]+ )?(?:blender|liquidi[sz]er|food processor|processor)\b/i.test(words)) {
    // "Run it through the blender (or a food mill)."
    k.as('blend', { ...clause, text: words.replace(/\s*\(?\bor\b.*$/i, '') }, n, 'blend');
    return;
  }
  if (/\bor (?:liquidi[sz]e|blend|pur[ée]e|whizz|process)\b/i.test(words))
    k.as('blend', { ...clause, text: 'blend', verbAt: 0 }, n, 'blend');
  const listed = /^((?:and |then )?[\w-]+(?: \w+)?), ([\w ,&+]+)$/i.exec(words);
  const fresh = listed === null ? [] : k.mentions(listed[2] ?? '', clause).filter(({ line }) => !k.isUsedUp(line));
  if (listed !== null && fresh.length > 0 && k.mentions(listed[1] ?? '', clause).length === 0) {
    // "Pass, cream."
    doStrain(k, { ...clause, text: listed[1] ?? words }, n);
    k.as('add', { ...clause, text: `add ${listed[2] ?? ''}`, verb: 'add', verbAt: 0 }, n, 'add');
    return;
  }
  const solidsNext = k.clauses
    .slice(n + 1, n + 1 + LOOKS_AHEAD)
    .some(
      ({ text }) =>
        /\b(?:solids|(?:vegetables|tomatoes|pieces) (?:and solids )?(?:in|from) (?:the )?(?:strainer|sieve|colander))\b/i.test(
          text,
        ) && /\b(?:blender|processor|blend|pur[ée]e)\b/i.test(text),
    );
  if ((solidsNext || isWhatIsBlended(k, n)) && k.here?.isBlended !== true) {
    // "Strain; blend the solids with a cup of the liquid; pour the rest back": all of it goes on.
    k.put('setting', n);
    return;
  }
  const vessel = k.here !== undefined && isHob(k.here) ? k.here : k.latestHob();
  if (vessel === undefined || (/^(?:press|force|work)$/.test(clause.verb ?? '') && !/\bthrough\b/i.test(words))) {
    k.put('remark', n);
    return;
  }
  k.here = vessel;
  vessel.isStock ||= !vessel.isBlended;
  const isSoaked = !vessel.isHot && !vessel.isBlended && vessel.steps.length > 0;
  if (
    isSoaked &&
    k.clauses
      .slice(n + 1, n + 1 + LOOKS_AHEAD)
      .some(({ text }) => /\bliquor\b|\bsoaking (?:liquid|water)\b|\bmushroom (?:liquid|water)\b/i.test(text))
  ) {
    // What was soaked and what it was soaked in both go into the soup.
    k.put('prepare', n);
    return;
  }
  if (!vessel.isBlended && !/\b(?:mouli|food mill)\b/i.test(words) && !/^(?:rub|press|push|force|work)$/.test(clause.verb ?? '')) {
    k.put('drain', n);
    k.step(vessel, n, 'strain', (id) => ({ id, op: 'drain', keep: 'liquid', liquidShare: percentIn(words) ?? 1 }));
    return;
  }
  const mesh = /(\d+(?:\.\d+)?) ?mm\b/i.exec(words);
  const meshMm =
    mesh !== null ? Math.min(10, Math.max(0.1, Number(mesh[1]))) : /\b(?:fine|chinois|muslin)\b/i.test(words) ? 0.6 : 1;
  const scraped = !/\bwithout scraping\b/i.test(words);
  if (!vessel.isBlended) {
    vessel.isBlended = true;
    vessel.isWet = true;
    k.put('blend', n, { assumed: ['COARSE'] });
    k.step(vessel, n, 'mill', (id) => ({ id, op: 'blend', blender: k.blenderOf('stick'), minutes: USUAL.mashMin }));
  }
  k.put('sieve', n);
  k.step(vessel, n, 'sieve', (id) => ({ id, op: 'sieve', meshMm, scraped }));
  if (/\bice\b/i.test(words)) k.as('cool', clause, n);
}

/** Whether a blade comes behind it and nothing solid goes in before: then what is strained is the soup, and no stock for it. */
function isWhatIsBlended(k: Kitchen, n: number): boolean {
  const blade = k.clauses.findIndex(({ verb }, at) => at > n && VERBS[verb ?? ''] === 'blend');
  if (blade < 0 || k.isFinished()) return false;
  // Of an onion, a bone and water it is a stock.
  const vegetables = k.all.filter(({ taken }) => taken.row.softening > 0 && /^(?:vegetable|greens|grain)$/.test(taken.role));
  if (vegetables.length === 0 || vegetables.some(({ id }) => !k.isUsed(id))) return false;
  return k.clauses
    .slice(n + 1, blade + 1)
    .every(({ text, section }) =>
      k.names
        .mentions(text, section, k.isUsedUp)
        .every(({ line }) => k.isUsed(line) || (k.lineOf(line)?.taken.row.softening ?? 0) === 0),
    );
}

/** What a spoon lifts off of the fat that floats. Kitchen default. */
const SKIMMED = 0.5;

export function doSkim(k: Kitchen, clause: Clause, n: number): void {
  const share = Math.min(1, percentIn(clause.text) ?? SKIMMED);
  const vessel = k.here !== undefined && isHob(k.here) ? k.here : k.latestHob();
  k.put('skim', n);
  if (vessel === undefined) return;
  vessel.steps.push({ kind: 'step', clause: n, id: 'skim', make: (id) => ({ id, op: 'skim', share }) });
}

function joinedText(clause: Clause, next: Clause | undefined): string {
  return `${clause.text} ${next?.sentence === clause.sentence ? next.text : ''}`;
}
