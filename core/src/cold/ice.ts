import { WATER, totalKg, type Mix } from '../larder/index.js';
import { splitPlans, type Split, type SplitAsk } from './split.js';
import { MELTS_JKG, tableAt, type Stuff } from './stuff.js';

/** Heat capacity of water, J/(kg K). */
const WATER_JKGK = 4190;

/** Heat that a kilo gives up from a temperature down to another, J. */
function givesJ({ heat, densityKgM3 }: Stuff, fromC: number, toC: number): number {
  const steps = Math.max(1, Math.ceil(Math.abs(fromC - toC)));
  const width = (fromC - toC) / steps;
  let sum = 0;
  for (let n = 0; n < steps; n += 1) sum += tableAt(heat, toC + (n + 0.5) * width);
  return (sum * width) / densityKgM3;
}

/**
 * What a hot soup comes to once ice has melted in it, °C; 0 where not all of it melts. The ice is taken at 0 °C, as a machine
 * gives it: from a freezer it does a little more.
 *
 * @param kg of the soup before the ice
 * @example icedC({ kg: 10, stuff, startC: 80 }, 2) // about 54
 */
export function icedC({ kg, stuff, startC }: Pick<SplitAsk, 'kg' | 'stuff' | 'startC'>, iceKg: number): number {
  if (iceKg <= 0) return startC;
  const over = (toC: number): number => kg * givesJ(stuff, startC, toC) - iceKg * (MELTS_JKG + WATER_JKGK * toC);
  if (over(0) <= 0) return 0;
  let low = 0;
  let high = startC;
  for (let round = 0; round < 40; round += 1) {
    const middle = (low + high) / 2;
    if (over(middle) > 0) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** A mix of a soup with ice melted in it, for the same mass as before: what cools is thinner. */
export function icedMix(mix: Mix, kg: number, iceKg: number): Mix {
  const own = kg / (kg + iceKg);
  const water = iceKg / (kg + iceKg);
  const total = totalKg(mix);
  return mix.map((part, at) => part * own + (at === WATER ? total * water : 0)) as unknown as Mix;
}

/** Most of a finished soup that its liquid to come can be. Kitchen default: a purée as thick as it blends takes no more. */
const MOST_OF_IT = 0.4;
/** Finer than this nobody weighs ice, kg. */
const TO_KG = 0.1;

export interface IceWay {
  /** Of the soup's own liquid, held back and given as ice, kg. */
  readonly iceKg: number;
  /** What it comes to at once, °C. */
  readonly startC: number;
  readonly split: Extract<Split, { ok: true }>;
}

/**
 * The least of a soup's own liquid that would have to be held back and stirred in as ice, so that the whole of it can be
 * parted by the rule. Undefined where it can be without, or where not even the most that can be held back does it.
 *
 * @param ask the finished soup: its kilos with that liquid in it, and how hot it is without the ice.
 */
export function iceThatWouldDo(ask: SplitAsk): IceWay | undefined {
  const at = (iceKg: number): IceWay | undefined => {
    const startC = icedC({ ...ask, kg: ask.kg - iceKg }, iceKg);
    const split = splitPlans({ ...ask, startC });
    return split.ok ? { iceKg, startC, split } : undefined;
  };
  const most = Math.floor((ask.kg * MOST_OF_IT) / TO_KG);
  let found = most > 0 ? at(most * TO_KG) : undefined;
  if (found === undefined || splitPlans(ask).ok) return undefined;
  let [low, high] = [0, most];
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    const way = at(middle * TO_KG);
    if (way === undefined) low = middle;
    else [high, found] = [middle, way];
  }
  return { ...found, iceKg: Math.round(found.iceKg / TO_KG) * TO_KG };
}
