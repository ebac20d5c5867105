import type { Action } from './action.js';
import type { Clause } from './clauses.js';
import type { Kitchen } from './kitchen.js';
import { EMPTIED } from './usual.js';
import { isHob, type Vessel } from './vessel.js';

/** "Tip everything into a large pan", "transfer to a blender", "add the mixture". */
export function movedHere(k: Kitchen, clause: Clause, n: number, vessel: Vessel, body: string): void {
  k.movedNow = false;
  // A tray that something is laid on is not what is moved.
  const object = body
    .replace(/\b(?:on|onto|in|into|to) (?:an?|the|another|same)\b[\w\s-]*?\btray\b/gi, ' ')
    .replace(/\b(?:into|to|through|with|in) (?:the |your )(?:hot )?(?:soup|pur[ée]e)\b/gi, ' ')
    .replace(/\b(?:cups?|ladle\w*|ml|litres?|spoon\w*|some|little) of (?:the )?(?:hot )?soup\b/gi, ' ');
  const isAll =
    /^all (?:in|into)\b|\b(?:everything(?! else)|(?:the )?contents|the (?:whole )?lot|all of it|(?:the )?(?:[\w-]+ )?mixture|the (?:roast(?:ed|ing)?|baked) (?:veg\w*|tray)|the tray|the pur[ée]e|(?:that|this)(?= (?:back )?(?:in|into|to)\b)|the roux|them|it|the soup|soup|tray)\b/i.test(
      object,
    ) ||
    // "Set aside a handful of the carrots. Scrape the rest into a blender": what is left on the tray.
    (k.here?.kind === 'tray' && k.here.isHot && k.here !== vessel && /\bthe (?:rest|remainder|others)\b(?! of)/i.test(object));
  const isBare =
    /^(?:return|transfer|tip|scrape|pour|put|place|add|stir|mix|fold)\s+(?:back\s+)?(?:(?:in)?to\b|in(?:to)?\s+(?:a|an|the|another)\b)/i.test(
      body,
    );
  if (!isAll && !isBare && !EMPTIED.test(body)) return;
  const ready = k.actions.at(-1);
  // "Drain the cashews and place in a blender": the cashews, and not the pan in which something else was steamed.
  const isReady =
    ready?.does === 'prepare' && ready.lines.length > 0 && k.clauses[ready.clause]?.sentence === clause.sentence && vessel.isWet;
  if (isBare && !isAll && isReady) return;
  k.movedNow = true;
  const from = k.here;
  const word = /(?<!\b(?:into|to|with) the )\b([\w-]+) mixture\b/i.exec(body)?.[1];
  const tray = k.open().filter(({ kind, isHot, isForTop }) => kind === 'tray' && isHot && !isForTop);
  const sources: Vessel[] = [];
  if (word !== undefined && k.names.mentions(word, clause.section, k.isUsedUp).length > 0) {
    const [first] = k.names.mentions(word, clause.section, k.isUsedUp);
    const at = first === undefined ? undefined : k.vesselOf(first.line);
    if (at !== undefined) sources.push(at);
  } else if (/\b(?:roast|baked|tray)/i.test(body) || (from === vessel && /\beverything\b/i.test(body))) {
    sources.push(...tray);
  } else if (from !== undefined && from !== vessel) {
    sources.push(from);
    // "Transfer everything to a pot": what came out of the oven before it too.
    if (/\beverything\b/i.test(body) && from.kind === 'tray') sources.push(...tray.filter((one) => one !== from));
    if (/\beverything\b/i.test(body)) sources.push(...k.open().filter((one) => one.name.startsWith('Foil') && one.isHot));
  }
  if (sources.length === 0 && from === vessel && /\b(?:pur[ée]e|soup|mixture|base)\b/i.test(body) && !/\binto the\b/i.test(body)) {
    // "Pour in the purée": what was blended before is met by what is in the pan now.
    sources.push(...k.open().filter((one) => one !== vessel && one.isBlended));
  }
  const peeled = k.actions.at(-1);
  if (peeled?.does === 'peel' && isBare) {
    // "Scoop out the flesh and add to the pan."
    sources.push(...peeled.lines.flatMap(({ line }) => k.vesselOf(line) ?? []));
  }
  const met: { line: string }[] = [];
  for (const source of sources) {
    if (source === vessel || source.joinedTo !== undefined) continue;
    const isJoin = source.isHot && !(isHob(source) && vessel.steps.length === 0 && isHob(vessel));
    if (isJoin)
      met.push(
        ...[...source.lines]
          .filter((line) => !k.isGoneFrom(source, line) && !met.some((one) => one.line === line))
          .map((line) => ({ line })),
      );
    k.move(source, vessel, n);
  }
  if (met.length > 0) k.put('join', n, { vessel: vessel.name, lines: met });
}

/** What came out of the oven and has gone nowhere yet goes into a pot. */
export function joinTrays(k: Kitchen, pot: Vessel, n: number, assumed: Action['assumed'] = []): void {
  const trays = k.open().filter((one) => one !== pot && one.kind === 'tray' && one.isHot && !one.isForTop);
  const lines = [...new Set(trays.flatMap((one) => [...one.lines]))].map((line) => ({ line }));
  for (const one of trays) k.move(one, pot, n);
  if (lines.length > 0) k.put('join', n, { vessel: pot.name, lines, assumed });
}

const ALL_ELSE = /\b(?:everything else|all the rest|(?:all )?(?:the )?(?:rest of the|remaining|other) ingredients)\b/i;

/** "Add everything else": what was roasted or toasted before it too, unless it is spoken of again. */
export function joinAllElse(k: Kitchen, pot: Vessel, clause: Clause, n: number): void {
  if (!isHob(pot) || !ALL_ELSE.test(clause.text)) return;
  const later = new Set(
    k.clauses.slice(n + 1).flatMap(({ text, section }) => k.names.mentions(text, section, () => false).map(({ line }) => line)),
  );
  for (const one of k.open()) {
    const isBeside = one !== pot && one.isHot && !one.isWet && !one.isForTop && (one.kind === 'tray' || isHob(one));
    if (!isBeside || one.section !== clause.section || one.lines.size === 0 || [...one.lines].some((line) => later.has(line)))
      continue;
    const lines = [...one.lines].map((line) => ({ line }));
    k.move(one, pot, n);
    k.put('join', n, { vessel: pot.name, lines });
  }
}

/** "Put the two together": all that stands on the stove in one pot, the wettest. */
export function joinAll(k: Kitchen, n: number): boolean {
  const all = k.open().filter((one) => one.steps.length > 0 && !one.isForTop && one.kind !== 'bowl');
  const pot = all.find((one) => isHob(one) && one.isWet) ?? all.find(isHob);
  if (pot === undefined || all.length < 2) return false;
  for (const one of all) {
    if (one === pot) continue;
    const lines = [...one.lines].map((line) => ({ line }));
    k.move(one, pot, n);
    k.put('join', n, { vessel: pot.name, lines });
  }
  k.here = pot;
  return true;
}
