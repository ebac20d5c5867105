import type { Kitchen } from './kitchen.js';
import { joinTrays } from './moved.js';
import { EMPTIED } from './usual.js';
import { GARNISH_SECTION, VERBS, type VesselKind } from './lexicon.js';
import type { Mention } from './mentions.js';
import { isHob, type Vessel } from './vessel.js';
import type { Clause } from './clauses.js';

/** The tray that is being filled, or another one. */
function tray(k: Kitchen, clause: Clause): Vessel {
  const { here } = k;
  if (here?.kind === 'tray') return here;
  if (here?.kind === 'bowl' && !here.isHot) {
    here.kind = 'tray';
    return here;
  }
  return k.fresh('tray', clause.section);
}

/** Where a clause that heats on the hob is done. */
export function hob(k: Kitchen, clause: Clause, n: number, fresh: boolean): Vessel {
  const place = k.placeIn(clause.text);
  const { here } = k;
  if (place?.kind === 'pan' || place?.kind === 'pot') {
    const latest =
      k
        .open()
        .filter(
          (one) =>
            isHob(one) &&
            one.section === clause.section &&
            !one.isAside &&
            !(one.isDrained && !one.isWet && k.wetPots().length > 0),
        )
        .at(-1) ?? k.latestHob();
    // A skillet is none of the pots in which there is soup.
    const isFlat = /\b(?:skillet|fry\w*|griddle|wok)\b/i.test(place.word);
    const isSkillet =
      place.kind === 'pan' &&
      latest?.kind === 'pot' &&
      latest.isWet &&
      latest.isHot &&
      (!latest.isBlended ||
        (isFlat && k.names.mentions(clause.text, clause.section, () => false).some(({ line }) => !k.isUsedUp(line))));
    // "Drain the beetroot and cut it up. Heat the butter in the same pot": what was boiled there has left it.
    if (latest?.isDrained === true && !latest.isWet && comesBack(k, latest, n)) return k.fresh(place.kind, clause.section);
    if (!place.isNew && latest !== undefined && !isSkillet) return latest;
    if (here?.kind === 'bowl' && !here.isHot && here.steps.length > 0 && !fresh) {
      here.kind = place.kind;
      return here;
    }
    // A pan that was named and not yet used is not a second one, nor is one of a topping in which nothing was heated yet.
    const isBegunNow = k.clauses[latest?.steps[0]?.clause ?? -1]?.sentence === clause.sentence;
    const isUnheated = latest !== undefined && !latest.isHot && (latest.isForTop || isBegunNow);
    if (latest !== undefined && (latest.steps.length === 0 || isUnheated) && latest.section === clause.section) return latest;
    return k.fresh(place.kind, clause.section);
  }
  if (here !== undefined && isHob(here) && isOfSection(here, clause)) {
    if (here.isDrained && !here.isWet && comesBack(k, here, n)) return k.fresh('pot', clause.section);
    const isSide =
      fresh && (here.isWet || here.isBlended || here.isDrained) && !/\b(?:same|in the) (?:pan|pot)\b/i.test(clause.text);
    if (!isSide) return here;
    return k.fresh('pan', clause.section);
  }
  if (here?.kind === 'bowl' && !here.isHot && !fresh) {
    here.kind = 'pot';
    return here;
  }
  if (GARNISH_SECTION.test(clause.section)) return k.fresh('pan', clause.section);
  const latest = k.latestHob();
  if (latest !== undefined && !fresh) return latest;
  if (latest !== undefined && !latest.isWet && !latest.isBlended && n > 0 && !isMeanwhile(clause)) return latest;
  return k.fresh('pot', clause.section);
}

/** Whether what was boiled and drained is put into something else later on, while this clause begins with other food. */
function comesBack(k: Kitchen, drained: Vessel, n: number): boolean {
  const now = k.clauses[n];
  const isOther =
    now !== undefined &&
    k.names.mentions(now.text, now.section, () => false).some(({ line }) => !drained.lines.has(line)) &&
    !k.names.mentions(now.text, now.section, () => false).some(({ line }) => drained.lines.has(line));
  return (
    isOther &&
    k.clauses
      .slice(n + 1)
      .some(
        ({ text, section, verb }) =>
          /^(?:add|mix)$/.test(VERBS[verb ?? ''] ?? '') &&
          k.names
            .mentions(text, section, () => false)
            .some(({ line }) => drained.lines.has(line) && (k.lineOf(line)?.taken.row.softening ?? 0) > 0),
      )
  );
}

/** A vessel of this part of the method, or one that this part may go on with. */
function isOfSection({ section }: Vessel, clause: Clause): boolean {
  return section === clause.section || !GARNISH_SECTION.test(clause.section);
}

function isMeanwhile({ text }: Clause): boolean {
  return /\b(?:meanwhile|in the meantime|whil(?:e|st) (?:the|they|it|that|this))\b/i.test(text);
}

/** "Add the parsnips to the onion": the pan that the onion is in. */
function metIn(k: Kitchen, clause: Clause, body: string): Vessel | undefined {
  const named = (/\b(?:to|into|in with) the ([a-z][a-z -]*?)(?= (?:with|along|and|together|in)\b|[,;]|$)/i.exec(body) ??
    // "Add to beans."
    /^(?:add|tip|stir|pour|scrape|transfer)(?: (?:it|them|this|all|everything))? (?:in)?to (?:your |those )?([a-z]+)$/i.exec(
      body,
    ))?.[1];
  // "The onion pan" is the pan that the onion is in.
  const food = named?.replace(/ (?:pan|pot|saucepan)$/i, '');
  if (food === undefined || k.placeIn(`the ${food}`) !== undefined) return undefined;
  const [first] = k.names.mentions(food, clause.section, k.isUsedUp);
  const vessel = first === undefined || !k.isUsedUp(first.line) ? undefined : k.vesselOf(first.line);
  return vessel !== undefined && isHob(vessel) && !vessel.isForTop ? vessel : undefined;
}

const COOKER = /\b(?:slow cooker|pressure cooker|stock[- ]?pot|soup pot|dutch oven|crock(?:[- ]?pot)?|pot|kettle|boiler)\b/i;

/** Where something is put: as it is said, where it is cooked next, or where the cook stands. */
export function target(k: Kitchen, clause: Clause, n: number, mentions: readonly Mention[]): Vessel {
  const { here } = k;
  const body = k.body(clause);
  const main = k.isFinished() && /\b(?:in|into|to) (?:the )?soup\b/i.test(body) ? k.mainVessel() : undefined;
  if (main !== undefined && isHob(main)) return main;
  const met = metIn(k, clause, body);
  if (met !== undefined) return met;
  const place = EMPTIED.test(body) ? undefined : (k.placeIn(body) ?? k.placeIn(clause.text));
  if (place !== undefined && place.kind !== 'serving') {
    if (place.kind === 'tray') {
      if (place.isOther && here?.kind === 'tray') {
        const other = k.open().find((one) => one.kind === 'tray' && one !== here && !one.isHot && !one.name.startsWith('Foil'));
        return other ?? k.fresh('tray', clause.section);
      }
      if (here?.kind === 'tray' && !(place.isNew && here.isHot)) return here;
      if (here?.kind === 'bowl' && !here.isHot) {
        here.kind = 'tray';
        return here;
      }
      const tray = k
        .open()
        .filter(({ kind }) => kind === 'tray')
        .at(-1);
      return tray !== undefined && !place.isNew ? tray : k.fresh('tray', clause.section);
    }
    if (place.kind === 'jug') {
      return k.soupPot(clause.text) ?? k.fresh('pot', clause.section);
    }
    if (place.kind === 'bowl') {
      const bowl = k
        .open()
        .filter(({ kind }) => kind === 'bowl')
        .at(-1);
      if (!place.isNew && bowl !== undefined) return bowl;
      return k.fresh('bowl', clause.section);
    }
    // "Add to the pan": the sheet pan that the rest lies on, where it goes into the oven next.
    if (
      here?.kind === 'tray' &&
      !here.isHot &&
      /^the pan$/i.test(place.word.trim().replace(/^(?!the )/i, 'the ')) &&
      !place.isNew &&
      comesTo(k, n + 1) === 'tray'
    )
      return here;
    const hobs = k.open().filter((one) => isHob(one) && !one.isAside);
    const ownHobs = hobs.filter((one) => (!one.isForTop || one.section === clause.section) && !(one.isDrained && k.isFinished()));
    const blended = ownHobs.findLast(({ isBlended }) => isBlended);
    // "Return the soup to the pan": its own, whatever was fried beside it.
    const isReturn = blended !== undefined && /\b(?:return|back)\b/i.test(clause.text);
    // "Stir that into the slow cooker", of a sauce that was made in a pan.
    const cooker =
      here?.kind === 'pan' && place.kind === 'pot' && COOKER.test(place.word)
        ? ownHobs.findLast((one) => one !== here && one.kind === 'pot' && one.isWet)
        : undefined;
    const latest = cooker ?? (isReturn ? blended : (ownHobs.length > 0 ? ownHobs : hobs).at(-1));
    if (latest !== undefined && !place.isNew) return latest;
    if (latest !== undefined && place.isNew && latest.steps.length === 0) return latest;
    // "Return to a clean pan" is the same soup in another pan.
    if (
      latest !== undefined &&
      /\b(?:return|back|transfer|clean|rinsed)\b/i.test(clause.text) &&
      (latest.isWet || latest.isBlended)
    )
      return latest;
    if (here?.kind === 'bowl' && !here.isHot) {
      here.kind = place.kind;
      return here;
    }
    return k.fresh(place.kind, clause.section);
  }
  const ahead = comesTo(k, n);
  const next = k.clauses[n + 1];
  const placeAhead = next?.sentence === clause.sentence ? k.placeIn(next.text) : undefined;
  if (
    placeAhead?.kind === 'pan' &&
    placeAhead.isNew &&
    here !== undefined &&
    here.isWet &&
    here.isHot &&
    mentions.some(({ line }) => !k.isUsedUp(line))
  ) {
    // "Toss the chickpeas with a little oil and cook in a small frying pan", beside the soup.
    return k.fresh('pan', clause.section);
  }
  const isNewSection = here !== undefined && here.section !== clause.section && GARNISH_SECTION.test(clause.section);
  if (here === undefined || isNewSection) {
    return k.fresh(ahead ?? (isNewSection ? 'bowl' : 'pot'), clause.section);
  }
  if (ahead === 'tray' && here.kind !== 'tray' && !here.isBlended && mentions.some(({ line }) => !k.isUsedUp(line))) {
    if (here.kind === 'bowl' && !here.isHot) return here;
    return k.fresh('tray', clause.section);
  }
  const isPoured = mentions.some(({ line }) => k.isLiquid(line) && !k.isUsedUp(line));
  if (here.kind === 'tray' && here.isHot && !here.isForTop && isPoured) {
    // "Add the roasted squash and the stock", after the tray: into a pot.
    const pot = k.latestHob();
    const next = pot ?? k.fresh('pot', clause.section);
    if (pot === undefined) joinTrays(k, next, n);
    return next;
  }
  if (here.section !== clause.section && here.isForTop) return k.latestHob() ?? k.fresh('pot', clause.section);
  return here;
}

/** The vessel in which the next heat is given, if the next clauses say so. */
function comesTo(k: Kitchen, n: number): VesselKind | undefined {
  const isHot = k.here !== undefined && isHob(k.here) && k.here.isHot && !k.here.isBlended;
  for (const clause of k.clauses.slice(n, n + (isHot ? 3 : 5))) {
    const sense = clause.verb === undefined ? undefined : VERBS[clause.verb];
    // "Tip in the tray" empties it.
    const isEmptied = EMPTIED.test(clause.text);
    const place = isEmptied ? undefined : k.placeIn(clause.text);
    if (isEmptied || sense === 'thin' || sense === 'deglaze') return undefined;
    if (
      sense === 'roast' ||
      sense === 'grill' ||
      (place?.kind === 'tray' && sense !== 'line') ||
      /\b(?:in|into) the oven\b/i.test(clause.text)
    )
      return 'tray';
    if (place !== undefined && (place.kind === 'pot' || place.kind === 'pan')) return place.kind;
    if (sense !== undefined && /^(?:sweat|fry|cook|simmer|boil|bring|melt|heat|bloom|blend|serve)$/.test(sense))
      return sense === 'blend' || sense === 'serve' ? undefined : 'pot';
  }
  return undefined;
}

export function roastVessel(k: Kitchen, clause: Clause, mentions: readonly Mention[]): Vessel {
  const { here } = k;
  if (here?.kind === 'tray') return here;
  if (here !== undefined && !here.isHot && !here.isWet && here.steps.length > 0 && here.section === clause.section) {
    here.kind = 'tray';
    return here;
  }
  const at = mentions.map(({ line }) => k.vesselOf(line)).find((one) => one !== undefined && !one.isHot);
  if (at !== undefined) {
    at.kind = 'tray';
    return at;
  }
  return tray(k, clause);
}

export function soupVessel(k: Kitchen, clause: Clause, n: number): Vessel {
  const { here } = k;
  const wet = k.wetPots().at(-1);
  const isSideBowl = here?.kind === 'bowl' && [...here.lines].every((line) => k.isDivided(line));
  // "Pour the browned butter into a bowl. Process the soup": the bowl is by the side.
  if (isSideBowl && wet !== undefined && /\bsoup\b/i.test(clause.text)) return wet;
  if (here !== undefined && isHob(here) && !here.isForTop) return k.soupPot(clause.text) ?? here;
  const hob = k.latestHob();
  if (hob !== undefined && here?.kind !== 'bowl') {
    if (
      here?.kind === 'tray' &&
      here.isHot &&
      !here.isForTop &&
      here.joinedTo === undefined &&
      /\b(?:everything|all|together)\b/i.test(clause.text)
    )
      k.move(here, hob, n);
    return hob;
  }
  const vessel = hob ?? k.fresh('pot', clause.section);
  for (const one of k.open())
    if (one !== vessel && !one.isForTop && one.steps.length > 0) {
      const lines = [...one.lines].map((line) => ({ line }));
      const isJoin = one.isHot;
      k.move(one, vessel, n);
      if (isJoin) k.put('join', n, { vessel: vessel.name, lines });
    }
  return vessel;
}
