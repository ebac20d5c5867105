import type { Clause } from './clauses.js';
import { doHeat } from './warm.js';
import { heated, kindOfHeat } from './heated.js';
import type { Kitchen } from './kitchen.js';
import { middleOf } from './later.js';
import { degreesIn, minutesIn } from './measures.js';
import type { Mention } from './mentions.js';
import { joinAllElse, movedHere } from './moved.js';
import { coverWith, creamTarget, deglazeWith, isDeglazing, isSaltToTaste, thinWith, yolksMoved } from './poured.js';
import { HOW_ONLY } from './usual.js';
import { isHob, type Vessel } from './vessel.js';

/** Puts what is named into a vessel, each by what it is there: poured over, stirred in as cream, thinned with, or only in. */
export function intoVessel(
  k: Kitchen,
  clause: Clause,
  n: number,
  vessel: Vessel,
  mentions: readonly Mention[],
  hasCover: boolean,
): void {
  const body = k.body(clause);
  movedHere(k, clause, n, vessel, body);
  joinAllElse(k, vessel, clause, n);
  const covering = hasCover ? mentions.filter(({ line }) => k.isLiquid(line)) : [];
  const deglazing = isDeglazing(k, vessel, mentions, n);
  const yolk = yolksMoved(k, vessel, n, mentions);
  if (yolk) return;
  const isAsCream = /\bas the cream\b/i.test(clause.text);
  const creams = mentions.filter(
    ({ line }) =>
      (k.isCream(line) || isAsCream) && (vessel.isBlended || isAsCream || (vessel.isWet && vessel.isHot)) && !k.isUsedUp(line),
  );
  const thinning =
    vessel.isBlended && THINS.test(clause.text)
      ? mentions.filter(({ line }) => k.isLiquid(line)).slice(0, /\bor\b/i.test(clause.text) ? 1 : undefined)
      : [];
  const isEither = thinning.length > 0 && /\bor\b/i.test(clause.text);
  const salted = mentions.filter(({ line }) => isSaltToTaste(k, line));
  const plain = mentions.filter(
    (one) =>
      !salted.includes(one) &&
      !covering.includes(one) &&
      !deglazing.includes(one) &&
      !creams.includes(one) &&
      !thinning.includes(one) &&
      !(isEither && k.isLiquid(one.line)),
  );
  const creamFirst = creams.length > 0 && creams[0] === mentions[0];
  const pourCream = (): void => {
    for (const one of creams) {
      const use = k.use(one, body);
      vessel.lines.add(one.line);
      k.put('cream', n, { vessel: vessel.name, lines: [use] });
      k.spoon(vessel, { kind: 'cream', clause: n, use, target: creamTarget(clause.text) });
    }
  };
  if (creamFirst) pourCream();
  const { added, joined, back } = k.putLines(vessel, plain, body, n);
  k.here = vessel;
  k.told(joined, vessel, n);
  if (back.length > 0) k.put('giveBack', n, { vessel: vessel.name, lines: back.map((line) => ({ line })) });
  if (added.length > 0) {
    const vague = plain.some(({ vague: own }) => own);
    k.put('add', n, { vessel: vessel.name, lines: added, assumed: vague ? ['SHARE'] : [] });
  }
  for (const one of covering) coverWith(k, one, vessel, n);
  if (salted.length > 0) k.as('season', { ...clause, text: 'season' }, n);
  for (const one of deglazing) deglazeWith(k, one, vessel, clause, n);
  if (!creamFirst) pourCream();
  for (const one of thinning) thinWith(k, one, vessel, clause, n);
  const did =
    salted.length +
    added.length +
    joined.length +
    back.length +
    covering.length +
    deglazing.length +
    creams.length +
    thinning.length;
  // "Cook for 5 minutes" is its own clause; "stir for 1 minute" heats too.
  if (
    minutesIn(clause.text) !== undefined &&
    (vessel.isHot || (isHob(vessel) && vessel.lines.size > 0)) &&
    !vessel.isBlended &&
    /\b(?:stir\w*|for|cook)\b|\s\d+ ?min(?:ute)?s?\.?$|, ?(?:about )?\d+(?: ?[-–] ?\d+)? ?(?:m\b|min|sec|['′’](?!\w))/i.test(
      clause.text,
    ) &&
    deglazing.length === 0
  ) {
    const kind = kindOfHeat(k, clause, vessel, [], false);
    const isFryOn = kind === 'sweat' && k.lastHeat === 'fry' && !/\b(?:soft\w*|gentl[ey]|low|lid)\b/i.test(clause.text);
    heated(k, vessel, isFryOn ? 'fry' : kind, clause, n, []);
    return;
  }
  const atC = degreesIn(clause.text);
  const isWarmed =
    did > 0 &&
    vessel.isBlended &&
    /\buntil (?:just |piping |really )?(?:hot|heated|warmed|warm)\b|\bheated through\b/i.test(clause.text);
  if (isWarmed) {
    doHeat(k, { ...clause, text: 'heat through', verbAt: 0 }, n, 'heat');
    return;
  }
  if (atC !== undefined && atC >= SERVED_C && atC < BOILS_C && vessel.isBlended) {
    const time = minutesIn(clause.text.replace(/\b(?:and )?hold\b.*$/i, ''));
    const words = time === undefined ? 'heat through' : `heat through for ${String(middleOf(time))} minutes`;
    doHeat(k, { ...clause, text: words, verbAt: 0 }, n, 'heat');
    return;
  }
  if (salted.length === 0 && /\b(?:salt|seasoning)\b.*\bto taste\b/i.test(body))
    k.as('season', { ...clause, text: 'season', verbAt: 0 }, n);
  else if (did === 0) {
    // "Tip onto a baking tray", of what was tossed before.
    const isPlaced = k.placeIn(body) !== undefined && vessel.lines.size > 0;
    k.put(k.movedNow || mentions.length > 0 || isPlaced || HOW_ONLY.test(clause.text) ? 'setting' : 'remark', n);
  }
}

/** "Add enough water to give the consistency you like": a pour behind the blade that has an end. */
const THINS =
  /\bif\b[^.]*\b(?:thick|necessary|needed|required)\b|\bto (?:thin|loosen|adjust)\b|\bthin(?:ner)?\b|\b(?:until|till|to|for)\b[^.]*\b(?:consistency|thickness)\b/i;

/** A soup that is brought to so much is warmed, °C. */
const SERVED_C = 60;
const BOILS_C = 97;
