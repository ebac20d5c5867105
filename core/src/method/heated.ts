import { unlisted } from './foods.js';
import type { Kitchen } from './kitchen.js';
import { USUAL, BLOOM_MOST, type Heat } from './usual.js';
import { BODIES, HEATS, LOOKS } from './lexicon.js';
import type { Mention } from './mentions.js';
import { minutesIn, ovenIn } from './measures.js';
import type { Vessel } from './vessel.js';
import type { Clause } from './clauses.js';
import type { Doing } from './action.js';

/** Lines into the vessel and heat of a kind under it. */
export function heated(
  k: Kitchen,
  vessel: Vessel,
  heat: Heat,
  clause: Clause,
  n: number,
  mentions: readonly Mention[],
  roastMin: number = USUAL.roastMin,
): void {
  const body = k.body(clause);
  const isOfSoup = /\b(?:pur[ée]e|soup|mixture|paste|salsa|sauce|base|it)\b/i.test(clause.text);
  const inIt = mentions.filter(({ line }) => k.isUsedUp(line) && k.vesselOf(line) === vessel);
  if (heat === 'fryPuree' && !isOfSoup && inIt.length > 0 && inIt.length === mentions.length) {
    // "Fry the leek julienne for the top", of leeks that are soup by now: a part of them was meant, and of which nobody said how much.
    k.put('remark', n);
    return;
  }
  const isBareFat = vessel.lines.size > 0 && [...vessel.lines].every((line) => k.lineOf(line)?.taken.row.group === 'fats');
  if (
    mentions.length === 0 &&
    isBareFat &&
    (heat === 'sweat' || heat === 'fry') &&
    k.pending().length > 0 &&
    !/\b(?:shells?|bones?|cobs?|heads?)\b/i.test(clause.text)
  ) {
    // "Chop the onion and garlic. Add the oil, fry for 3 minutes."
    heated(k, vessel, heat, clause, n, k.pending(), roastMin);
    return;
  }
  // "in a litre of water": what stands in no line.
  const more = vessel.kind === 'tray' ? [] : unlisted(k, body, clause, mentions);
  const { added, joined, back } = k.putLines(vessel, [...mentions, ...more], body, n);
  k.here = vessel;
  if (added.length > 0) k.put('add', n, { lines: added, vessel: vessel.name });
  k.told(joined, vessel, n);
  if (back.length > 0) k.put('giveBack', n, { lines: back.map((line) => ({ line })) });
  const text = clause.text;
  const lid = k.lidOf(clause, vessel);
  const usual = {
    sweat: USUAL.sweatMin,
    fry: USUAL.fryMin,
    bloom: USUAL.bloomMin,
    simmer: USUAL.simmerMin,
    roast: roastMin,
    toast: USUAL.toastMin,
    fryPuree: USUAL.fryPureeMin,
  }[heat];
  const { minutes, assumed } = k.range(clause, usual);
  const middle = (minutes.low + minutes.high) / 2;
  vessel.isHot = true;
  k.lastHeat = heat;
  const does: Doing = heat;
  if (heat === 'roast') {
    const said = ovenIn(text, k.context.country);
    const ovenC = said ?? k.oven ?? USUAL.ovenC;
    if (said !== undefined) k.setOven(said);
    k.put(does, n, {
      vessel: vessel.name,
      minutes,
      ovenC,
      assumed: [...assumed, ...(said === undefined && (k.oven === undefined || k.isOvenGuessed) ? (['OVEN'] as const) : [])],
    });
    const toss = /\b(?:every|each) (\d+) min/i.exec(text);
    const tossEveryMin = toss === null ? undefined : Math.min(60, Math.max(5, Number(toss[1])));
    k.step(vessel, n, 'roast', (id) => ({
      id,
      op: 'roast',
      ovenC: Math.min(280, Math.max(120, ovenC)),
      minutes: middle,
      load: /\bcrowded\b/i.test(text) ? 'crowd' : 'rounds',
      ...(tossEveryMin === undefined ? {} : { tossEveryMin }),
    }));
    return;
  }
  k.put(does, n, { vessel: vessel.name, minutes, assumed, ...(lid === undefined ? {} : { lid }) });
  if (heat === 'sweat') {
    const isHigh = HEATS.high.test(text) && !HEATS.gentle.test(text);
    k.step(vessel, n, 'sweat', (id) => ({
      id,
      op: 'sweat',
      minutes: middle,
      heat: isHigh ? 'high' : 'gentle',
      lid: lid === 'on' ? 'on' : 'off',
    }));
  } else if (heat === 'fryPuree') {
    k.step(vessel, n, 'fry-puree', (id) => ({ id, op: 'fryPuree', minutes: middle }));
  } else if (heat === 'simmer') {
    vessel.isWet = true;
    vessel.boiling = undefined;
    const isSlowCooked = isSlow(k, text) && saysSlowCooker(k);
    // A slow cooker is never more than at a bare simmer, with its lid on.
    const vigour = isSlowCooked
      ? 'bare'
      : /\b(?:bare(?:ly)?|gentl[ey]|very low|lowest)\b/i.test(text) && !/\bboil/i.test(text)
        ? 'bare'
        : /\b(?:rapid\w*|vigorous\w*|hard|fast|briskly|rolling)\b/i.test(text)
          ? 'rolling'
          : /\bboil\b/i.test(text)
            ? 'lively'
            : 'steady';
    k.step(vessel, n, 'simmer', (id) => ({
      id,
      op: 'simmer',
      minutes: middle,
      vigour,
      lid: lid ?? (isSlowCooked ? 'on' : 'ajar'),
    }));
  } else {
    const how = heat === 'fry' ? 'sauté' : heat;
    k.step(vessel, n, heat, (id) => ({ id, op: 'fry', how, minutes: middle }));
  }
}

/** Flour is cooked out for no longer than this, min. */
const FLOUR_MOST = 5;

function saysSlowCooker(k: Kitchen): boolean {
  return k.clauses.some(({ text }) => /\b(?:slow cooker|crock)/i.test(text));
}

/** In a slow cooker, or for hours, "cook" is a simmer. */
function isSlow(k: Kitchen, text: string): boolean {
  const minutes = minutesIn(text);
  if (/\bon (?:low|high)\b/i.test(text) && (minutes?.high ?? 0) >= HOURS_MIN) return true;
  return (minutes?.low ?? 0) >= HOURS_MIN && saysSlowCooker(k);
}
const HOURS_MIN = 60;

/** Which kind of heat "cook" or "fry" means here. */
export function kindOfHeat(k: Kitchen, clause: Clause, vessel: Vessel, mentions: readonly Mention[], isFry: boolean): Heat {
  const { text } = clause;
  if (vessel.kind === 'tray') return 'roast';
  if (isSlow(k, text)) return 'simmer';
  const isHigh = k.isTurnedUp;
  k.isTurnedUp = false;
  if (vessel.isBlended && isFry && !/\b(?:per|each|a|both) sides?\b|\bbread\b|\bcroutons?\b/i.test(text)) return 'fryPuree';
  if (vessel.isWet && !isFry) return 'simmer';
  const minutes = minutesIn(text);
  const last = mentions.some(({ line }) => !k.isUsedUp(line)) ? mentions.map(({ line }) => line) : vessel.lastIn;
  const small = last.length > 0 && last.every((id) => k.isBloomed(id));
  const isFloury = last.length > 0 && last.every((id) => k.lineOf(id)?.taken.row.id.endsWith('flour') === true);
  if (isFloury && (minutes?.high ?? 0) <= FLOUR_MOST) return 'bloom';
  const short = minutes === undefined ? LOOKS.fragrant.test(text) : minutes.high <= BLOOM_MOST;
  const isGolden = LOOKS.golden.test(text) && !LOOKS.notBrown.test(text);
  if (small && !(isFry && isGolden) && (short || LOOKS.fragrant.test(text))) return 'bloom';
  if (LOOKS.golden.test(text) && !LOOKS.notBrown.test(text)) return 'fry';
  if (LOOKS.soft.test(text) || LOOKS.notBrown.test(text) || HEATS.gentle.test(text) || /\bsweat/i.test(text)) return 'sweat';
  if (isFry || HEATS.high.test(text) || (isHigh && minutes !== undefined && minutes.high <= BLOOM_MOST * 2))
    return small && short ? 'bloom' : 'fry';
  return short && small ? 'bloom' : 'sweat';
}

export function bodyIn(text: string): number | undefined {
  return BODIES.find(([words]) => words.test(text))?.[1];
}
