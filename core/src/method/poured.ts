import type { CreamTarget } from '../steps/index.js';
import type { Kitchen } from './kitchen.js';
import { USUAL } from './usual.js';
import type { Mention } from './mentions.js';
import { bodyFigureIn, minutesIn } from './measures.js';
import { isHob, type Vessel } from './vessel.js';
import type { Clause } from './clauses.js';
import { bodyIn } from './heated.js';

/** Stock made up from a cube comes with its water. */
export function withWater(k: Kitchen, body: string, mentions: readonly Mention[]): Mention[] {
  // "Crumble in the stock cube, pour over the water": each by itself.
  const isStock = /\b(?:stock|broth|bouillon)\b(?! (?:cubes?|pots?|powder|paste|granules|tablets?))/i.test(body);
  const cubes = mentions.filter(({ line }) => /stock-cube|bouillon/.test(k.lineOf(line)?.taken.row.id ?? ''));
  const water = k.all.find(({ id, taken }) => taken.row.id === 'water' && !k.isUsedUp(id));
  return !isStock || cubes.length === 0 || water === undefined || mentions.some(({ line }) => line === water.id)
    ? [...mentions]
    : [...mentions, { line: water.id, at: 0, length: 0 }];
}

/** Salt whose amount the step that seasons settles. */
export function isSaltToTaste(k: Kitchen, line: string): boolean {
  const taken = k.lineOf(line)?.taken;
  return taken?.role === 'salt' && taken.amount.rule === 'byStep';
}

export function isDeglazing(k: Kitchen, vessel: Vessel, mentions: readonly Mention[], n: number): Mention[] {
  const next = k.clauses[n + 1];
  const isBoiledAway = next !== undefined && EVAPORATED.test(next.text);
  if (!vessel.isHot || vessel.isWet || !isHob(vessel)) return [];
  return mentions.filter(({ line }) => {
    const row = k.lineOf(line)?.taken.row;
    return (row?.group === 'drinks' && !row.id.includes('juice')) || (isBoiledAway && row?.id.includes('vinegar') === true);
  });
}

/** That what was poured over has boiled away. */
export const EVAPORATED = /\b(?:evaporat\w*|gone|dry|absorbed|reduced?|cooked off|disappear\w*)\b/i;

export function deglazeWith(k: Kitchen, mention: Mention, vessel: Vessel, clause: Clause, n: number): void {
  const use = k.use(mention, clause.text);
  vessel.lines.add(mention.line);
  // "Add the wine; cook until evaporated, 3 minutes."
  const next = k.clauses[n + 1];
  const isTimedBehind =
    next !== undefined && minutesIn(clause.text) === undefined && EVAPORATED.test(next.text) && minutesIn(next.text) !== undefined;
  const { minutes, assumed } = k.range(isTimedBehind ? next : clause, USUAL.wineMin);
  k.put('deglaze', n, { vessel: vessel.name, lines: [use], minutes, assumed });
  k.spoon(vessel, { kind: 'deglaze', clause: n, use, minutes: (minutes.low + minutes.high) / 2 });
}

export function coverWith(k: Kitchen, mention: Mention, vessel: Vessel, n: number): void {
  const { line } = mention;
  if (k.isUsedUp(line) || (k.uses.get(line) ?? []).length > 0) return;
  const own = k.lineOf(line)?.taken;
  const words = k.clauses[n]?.text ?? '';
  const isAllOfIt =
    /\bcover(?:ed)? (?:it |them |everything )?with (?:the |all (?:of )?the |your |hot )*/i.test(words) &&
    !/\b(?:enough|just|barely|by (?:about )?\d)/i.test(words) &&
    own !== undefined &&
    own.kg > 0 &&
    own.amount.rule !== 'byStep' &&
    !/\bcover|\btop\b|\babout\b|\bapprox/i.test(own.text);
  if (isAllOfIt) {
    // "Cover with the stock", of which the list says a litre: the litre.
    const use = k.use(mention, words);
    k.spoon(vessel, { kind: 'in', clause: n, uses: [use] });
    vessel.lines.add(line);
    vessel.isWet = true;
    vessel.lastIn = [line];
    k.put('cover', n, { vessel: vessel.name, lines: [use] });
    return;
  }
  k.settled.add(line);
  k.uses.set(line, [{ line, said: true }]);
  vessel.lines.add(line);
  vessel.isWet = true;
  vessel.lastIn = [line];
  const { text } = k.clauses[n] ?? { text: '' };
  const over = /\bby (?:about |a good )?(\d+(?:[.,]\d+)?)\s*(cm|mm|inch(?:es)?)\b/i.exec(text);
  const scale = over?.[2] === 'mm' ? 0.001 : over?.[2] === 'cm' ? 0.01 : 0.0254;
  const overM =
    over === null ? (/\b(?:just|barely) cover/i.test(text) ? 0 : USUAL.overM) : Number((over[1] ?? '1').replace(',', '.')) * scale;
  k.put('cover', n, { vessel: vessel.name, lines: [{ line }] });
  k.spoon(vessel, {
    kind: 'step',
    clause: n,
    id: 'cover',
    make: (id) => ({ id, op: 'cover', line, overM: Math.min(0.5, overM) }),
  });
}

/** A bowl of egg and cream that meets the pot. */
export function yolksMoved(k: Kitchen, vessel: Vessel, n: number, mentions: readonly Mention[]): boolean {
  const bowl = k
    .open()
    .find((one) => one !== vessel && one.kind === 'bowl' && [...one.lines].some((id) => k.lineOf(id)?.taken.role === 'yolk'));
  const here = [...vessel.lines].some((id) => k.lineOf(id)?.taken.role === 'yolk');
  if (here || !isHob(vessel)) return false;
  const own = mentions.find(({ line }) => k.lineOf(line)?.taken.role === 'yolk' && !k.isUsedUp(line));
  if (bowl === undefined)
    return own !== undefined && vessel.isHot
      ? liaison(k, vessel, own.line, mentions.find(({ line }) => k.isCream(line))?.line, n)
      : false;
  const yolks = [...bowl.lines].find((id) => k.lineOf(id)?.taken.role === 'yolk');
  const cream = [...bowl.lines].find((id) => k.isCream(id) || k.isLiquid(id));
  bowl.joinedTo = vessel;
  return yolks === undefined ? false : liaison(k, vessel, yolks, cream, n);
}

export function liaison(k: Kitchen, vessel: Vessel, yolks: string, cream: string | undefined, n: number, toC?: number): boolean {
  if (cream === undefined) return false;
  for (const line of [yolks, cream]) {
    k.uses.set(line, [{ line, said: true }]);
    vessel.lines.add(line);
  }
  k.here = vessel;
  k.put('liaison', n, { vessel: vessel.name, lines: [{ line: yolks }, { line: cream }] });
  k.step(vessel, n, 'liaison', (id) => ({
    id,
    op: 'liaison',
    yolks: { line: yolks },
    cream: { line: cream },
    toC: Math.min(95, Math.max(60, toC ?? USUAL.liaisonC)),
  }));
  return true;
}

/** "If it has set thick" is how it stands, and not how it is to be. */
const CONDITION = /^(?:and |then )*if [^,]*,|\b(?:if|when|should|where)\b.*$/i;

export function thinWith(k: Kitchen, mention: Mention, vessel: Vessel, clause: Clause, n: number): void {
  const own = k.lineOf(mention.line);
  if (own === undefined) return;
  k.here = vessel;
  const have = k.uses.get(mention.line) ?? [];
  const isFree = have.length === 0;
  if (!isFree) k.leftFor.add(mention.line);
  // What is poured to a body is settled there: it stands on a line of its own.
  const line = isFree
    ? mention.line
    : k.bringIn({ ...own.taken, amount: { rule: 'byStep' }, kg: 0, text: `${own.taken.row.name.toLowerCase()} to thin` }, clause)
        .line;
  k.settled.add(line);
  k.uses.set(line, [{ line, said: true }]);
  vessel.lines.add(line);
  const said = bodyFigureIn(clause.text) ?? bodyIn(clause.text.replace(CONDITION, ' '));
  const toMPas = said ?? USUAL.bodyMPas;
  k.put('thin', n, { vessel: vessel.name, lines: [{ line }], assumed: said === undefined ? ['BODY'] : [] });
  k.step(vessel, n, 'thin', (id) => ({ id, op: 'thin', line, toMPas }));
}

/** How much of a cream a sentence asks for, where it says so by a figure. */
export function creamTarget(text: string): CreamTarget | undefined {
  const bowl = /(\d+(?:\.\d+)?) ?g (?:(?:a|per) bowl|for every portion)/i.exec(text);
  if (bowl !== null) return { by: 'gPerBowl', value: Number(bowl[1]) };
  const fat = /(\d+(?:\.\d+)?) ?g (?:of )?fat in 100 ?g/i.exec(text);
  if (fat !== null) return { by: 'fatPer100', value: Number(fat[1]) };
  const share = /(\d+(?:\.\d+)?) ?% of the soup/i.exec(text);
  return share === null ? undefined : { by: 'pct', value: Number(share[1]) };
}
