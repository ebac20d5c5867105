/**
 * The back of a spoon, in five words of our own, each with the body that it stands for, mPa·s at 50 1/s. Kitchen
 * defaults: the middle of what cooks call so.
 */
export const SPOON_WORDS = [
  { word: 'runs off', bodyMPas: 12 },
  { word: 'veils', bodyMPas: 60 },
  { word: 'coats', bodyMPas: 220 },
  { word: 'clings', bodyMPas: 700 },
  { word: 'stands', bodyMPas: 2200 },
] as const;
export type SpoonWord = (typeof SPOON_WORDS)[number]['word'];
export const SPOON_NAMES = SPOON_WORDS.map(({ word }) => word) as [SpoonWord, ...SpoonWord[]];

/** The word nearest to a body on the log scale. @example bodyWord(250) // 'coats' */
export function bodyWord(bodyMPas: number): SpoonWord {
  let best: (typeof SPOON_WORDS)[number] = SPOON_WORDS[0];
  for (const one of SPOON_WORDS) {
    if (Math.abs(Math.log(bodyMPas / one.bodyMPas)) < Math.abs(Math.log(bodyMPas / best.bodyMPas))) best = one;
  }
  return best.word;
}

/**
 * Between which bodies a spoon word lies, mPa·s: from half-way to the word before to half-way to the word behind, since a
 * cook says the nearest one. The words at the ends only say "no thicker" and "no thinner".
 *
 * @example spoonRange('runs off') // [0, 26.8]
 */
export function spoonRange(word: SpoonWord): readonly [low: number, high: number] {
  const at = SPOON_WORDS.findIndex((one) => one.word === word);
  const body = (n: number): number => SPOON_WORDS[n]?.bodyMPas ?? Number.NaN;
  const last = SPOON_WORDS.length - 1;
  const after = (n: number): number => Math.sqrt(body(n) * body(n + 1));
  return [at === 0 ? 0 : after(at - 1), at === last ? Number.POSITIVE_INFINITY : after(at)];
}

/** Grain in words: what the tongue tells apart. Kitchen defaults, m. */
const GRAINS = [
  { word: 'silky', mostM: 0.35e-3 },
  { word: 'fine', mostM: 0.8e-3 },
  { word: 'coarse', mostM: 2e-3 },
] as const;

export function grainWord(grainM: number): (typeof GRAINS)[number]['word'] | 'in pieces' {
  return GRAINS.find(({ mostM }) => grainM <= mostM)?.word ?? 'in pieces';
}
