import type { PlainStep } from '../soup/index.js';

/** Words of a method by the step that they speak of, the first that fits. */
const SPEAKS_OF: readonly (readonly [words: RegExp, op: PlainStep['op']])[] = [
  [/\broast|\boven\b|\btray\b/i, 'roast'],
  [/\bblend|\bwhizz|\bpur[ée]e|\bliquidi[sz]e|\bprocess until\b/i, 'blend'],
  [/\bsieve|\bstrain/i, 'sieve'],
  [/\bsimmer|\bboil\b|\bbubble\b|\bcook (?:for|until)/i, 'simmer'],
  [/\bsweat|\bsoften|\bfry\b|\bsauté|\btranslucent/i, 'sweat'],
  [/\bcream\b|\bcoconut milk\b/i, 'cream'],
  [/\bseason\b|\btaste\b/i, 'season'],
  [/\bserve\b|\bladle\b|\bgarnish|\bsprinkle|\bscatter|\bswirl/i, 'dish'],
];

/** The step that a sentence of a method speaks of. @example speaksOf('Blend until smooth.') // 'blend' */
export function speaksOf(sentence: string): PlainStep['op'] | undefined {
  return SPEAKS_OF.find(([words]) => words.test(sentence))?.[1];
}

/** Minutes that a sentence gives, the middle of a range. @example minutesIn('Simmer for 20-25 minutes') // 22.5 */
export function minutesIn(sentence: string): number | undefined {
  const found = /(\d+(?:[.,]\d+)?)(?:\s*(?:-|–|to)\s*(\d+(?:[.,]\d+)?))?\s*(min|minutes?|mins|h|hours?|hrs?)\b/i.exec(sentence);
  if (found === null) return undefined;
  const low = Number((found[1] ?? '').replace(',', '.'));
  const high = found[2] === undefined ? low : Number(found[2].replace(',', '.'));
  const minutes = ((low + high) / 2) * (/^h/i.test(found[3] ?? '') ? 60 : 1);
  return minutes > 0 && minutes <= 1440 ? minutes : undefined;
}

/** Oven temperature that a sentence gives, °C. @example ovenIn('Heat the oven to 400°F') // 204 */
export function ovenIn(sentence: string): number | undefined {
  const found = /(\d{3})\s*(?:°|º|degrees?)?\s*(c|f)\b/i.exec(sentence);
  if (found === null) return undefined;
  const value = Number(found[1]);
  const tempC = /f/i.test(found[2] ?? '') ? Math.round(((value - 32) * 5) / 9) : value;
  return tempC >= 120 && tempC <= 280 ? tempC : undefined;
}

/** The sentences of a method, one by one. */
export function sentencesOf(method: readonly string[]): string[] {
  return method.flatMap((paragraph) => paragraph.split(/(?<=[.;])\s+(?=[A-Z])/)).filter((one) => one.trim() !== '');
}
