import { found, unlisted } from './foods.js';
import { hob, target } from './where.js';
import type { Kitchen } from './kitchen.js';
import { LIDS } from './lexicon.js';
import { minutesIn, degreesIn, bodyFigureIn } from './measures.js';
import type { Mention } from './mentions.js';
import { isHob } from './vessel.js';
import type { Clause } from './clauses.js';
import { doAdd } from './into.js';
import { intoVessel } from './into-vessel.js';
import { deglazeWith, coverWith, liaison, thinWith } from './poured.js';

export function doDeglaze(k: Kitchen, clause: Clause, n: number): void {
  const body = k.body(clause);
  const mentions = k.mentions(body, clause).filter(({ line }) => !k.isUsedUp(line));
  const vessel = k.here ?? hob(k, clause, n, false);
  const all = mentions.length > 0 ? mentions : unlisted(k, body, clause, mentions);
  if (all.length === 0) k.put('remark', n);
  if (all.some(({ line }) => k.lineOf(line)?.taken.row.group === 'liquids')) {
    // A whole pot of stock does not boil away.
    intoVessel(k, { ...clause, verb: 'add' }, n, vessel, all, false);
    return;
  }
  for (const one of all) deglazeWith(k, one, vessel, clause, n);
}

export function doCover(k: Kitchen, clause: Clause, n: number): void {
  const body = k.body(clause);
  const mentions = k.mentions(body, clause).filter(({ line }) => k.isLiquid(line));
  const isWith = /\bcover(?:ed)?\b.*\bwith\b/i.test(body);
  const pot = k.here;
  if (
    !isWith &&
    minutesIn(clause.text) !== undefined &&
    pot !== undefined &&
    isHob(pot) &&
    pot.isWet &&
    pot.isHot &&
    !pot.isBlended &&
    !/\b(?:leave|stand|rest|aside|steep|off the heat|cool)\b/i.test(clause.text)
  ) {
    // "Lower the heat, cover, 25 min."
    k.as(
      'simmer',
      {
        ...clause,
        text: `simmer ${clause.text.replace(/^(?:and |then )*cover(?:ed)?,?/i, '')} with the lid on`,
        verb: 'simmer',
        verbAt: 0,
      },
      n,
    );
    return;
  }
  if (isWith && mentions.length === 0 && k.mentions(body, clause).some(({ line }) => !k.isUsedUp(line))) {
    doAdd(k, clause, n);
    return;
  }
  if (
    isWith &&
    !/\bwith (?:a |the |its )?(?:lid|foil|paper|cartouche|circle|plate|cloth|tea towel|baking|greaseproof)/i.test(body)
  ) {
    const all = mentions.length > 0 ? mentions : /\bwater\b/i.test(body) ? found(k, 'water', clause) : [];
    const vessel = k.here !== undefined && isHob(k.here) ? k.here : target(k, clause, n, all);
    if (all.length > 0) {
      k.here = vessel;
      // "Drain the chickpeas, cover with fresh water": what lies ready goes in first, or the meat that is named.
      const named = k
        .mentions(body, clause)
        .filter(({ line, byGroup }) => byGroup !== true && k.lineOf(line)?.taken.row.group === 'meat' && !k.isUsedUp(line));
      const ready = named.length > 0 ? named : k.hasPieces(vessel) ? [] : k.pending();
      const { added } = k.putLines(vessel, ready, body, n);
      if (added.length > 0) k.put('add', n, { lines: added, vessel: vessel.name });
      for (const one of all) coverWith(k, one, vessel, n);
      if (all.every(({ line }) => k.settled.has(line))) return;
    }
  }
  if (k.here !== undefined) k.here.lid = LIDS.ajar.test(clause.text) ? 'ajar' : 'on';
  const minutes = minutesIn(clause.text);
  if (minutes !== undefined && k.here !== undefined && /\b(?:leave|stand|rest)\b/i.test(clause.text)) {
    k.as('let', clause, n);
    return;
  }
  k.put('setting', n);
}

/** "Loosen with the other 200 ml": the liquid of the list that nothing was said of. */
function leftOfLiquid(k: Kitchen, body: string): Mention | undefined {
  if (!/\b(?:the|your) (?:other|rest|last|remaining|extra|reserved)(?: (?:\d|half|ml|litre|liquid)|\s*$)/i.test(body))
    return undefined;
  const part = k.all.find(({ id }) => k.isLiquid(id) && k.isDivided(id));
  return k.pending().find(({ line }) => k.isLiquid(line)) ?? (part === undefined ? undefined : { line: part.id, at: 0, length: 0 });
}

export function doThin(k: Kitchen, clause: Clause, n: number): void {
  const body = k.body(clause);
  const mentions = k.mentions(body, clause);
  const by = body.search(/\b(?:with|by)\b/i);
  const object = mentions.find(({ at }) => by > 0 && at < by);
  if (object !== undefined && k.isFinished() && (!k.isUsedUp(object.line) || k.isDivided(object.line)) && k.isCream(object.line)) {
    // "Thin the remaining crema with a spoonful of water": for the top, and none of it in the soup.
    k.put('prepare', n, { vessel: undefined, lines: [{ line: object.line }] });
    return;
  }
  const { here } = k;
  const vessel =
    here !== undefined && (isHob(here) || here.kind === 'bowl') ? here : (k.latestHob() ?? k.fresh('pot', clause.section));
  const kept = mentions.length > 0 ? undefined : leftOfLiquid(k, body);
  const more = mentions.length > 0 || kept !== undefined ? [] : unlisted(k, body, clause, mentions);
  const all = kept === undefined ? [...mentions, ...more] : [kept];
  if (!vessel.isBlended) {
    intoVessel(k, clause, n, vessel, all, false);
    return;
  }
  const [first] = all.filter(({ line }) => k.isLiquid(line));
  const other = all.filter(({ line }) => !k.isLiquid(line) && !k.isUsedUp(line));
  if (first === undefined && other.length > 0) {
    intoVessel(k, clause, n, vessel, other, false);
    return;
  }
  const said =
    /\bwith (?:a (?:little|splash of|bit of|drop of) )?(?:some |more |extra |hot |boiling |warm |cold )*(milk|stock|broth|cream)\b/i.exec(
      body,
    )?.[1];
  const name = said === undefined ? 'water' : /^(?:stock|broth)$/i.test(said) ? 'vegetable stock' : said.toLowerCase();
  // "Or water" of a line of stock is not the water that is meant here.
  const isWater = /\bwater\b/i.test(body) && first !== undefined && k.lineOf(first.line)?.taken.row.id !== 'water';
  const own = (isWater ? found(k, 'water', clause)[0] : first) ?? found(k, name, clause)[0] ?? found(k, 'water', clause)[0];
  if (own === undefined) k.put('remark', n);
  else thinWith(k, own, vessel, clause, n);
}

/** "Bind with the yolks and the cream at 80 °C". */
export function doBind(k: Kitchen, clause: Clause, n: number): void {
  const mentions = k.mentions(k.body(clause), clause);
  const yolks = mentions.find(({ line }) => k.lineOf(line)?.taken.role === 'yolk');
  const cream = mentions.find((one) => one !== yolks);
  const vessel = k.here ?? k.latestHob();
  if (yolks === undefined || vessel === undefined || !liaison(k, vessel, yolks.line, cream?.line, n, degreesIn(clause.text)))
    k.put('remark', n);
}

/** "Balance with the lemon juice to sour 1.2". */
export function doBalance(k: Kitchen, clause: Clause, n: number): void {
  const [first] = k.mentions(k.body(clause), clause);
  const said = /\bto (sour|sweet|heat|bite) (\d+(?:\.\d+)?)/i.exec(clause.text);
  const vessel = k.here;
  if (first === undefined || vessel === undefined || said === null) {
    doAdd(k, clause, n);
    return;
  }
  const { line } = first;
  k.settled.add(line);
  k.uses.set(line, [{ line, said: true }]);
  vessel.lines.add(line);
  const taste = (said[1] ?? 'sour').toLowerCase() as 'sour' | 'sweet' | 'heat' | 'bite';
  const to = Number(said[2]);
  k.put('add', n, { lines: [{ line }] });
  k.step(vessel, n, 'balance', (id) => ({ id, op: 'tune', line, taste, to }));
}

export function doThicken(k: Kitchen, clause: Clause, n: number): void {
  const toMPas = bodyFigureIn(clause.text);
  const parts = k.mentions(k.body(clause), clause);
  const pot = k.here;
  if (toMPas !== undefined && parts.length > 0 && pot !== undefined) {
    const figures = [...clause.text.matchAll(/(\d+(?:\.\d+)?) parts? of/gi)].map((hit) => Number(hit[1]));
    for (const { line } of parts) {
      k.settled.add(line);
      k.uses.set(line, [{ line, said: true }]);
      pot.lines.add(line);
    }
    k.put('thicken', n, { lines: parts.map(({ line }) => ({ line })) });
    k.step(pot, n, 'thicken', (id) => ({
      id,
      op: 'thicken',
      parts: parts.map(({ line }, at) => ({ line, parts: figures[at] ?? 1 })),
      toMPas,
    }));
    return;
  }
  const mentions = k.mentions(k.body(clause), clause).filter(({ line }) => !k.isUsedUp(line));
  if (mentions.length === 0) k.put('remark', n);
  else doAdd(k, clause, n);
}
