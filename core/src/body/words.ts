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

/** What lies between two words, for a cook who can't say which of them it is. */
export const BETWEEN_WORDS = ['runs off to veils', 'veils to coats', 'coats to clings', 'clings to stands'] as const;
/** All that may be said of a spoon, from thin to thick. */
export type SpoonReading = SpoonWord | (typeof BETWEEN_WORDS)[number];
export const SPOON_READINGS = SPOON_WORDS.flatMap(({ word }, n): SpoonReading[] => [word, ...BETWEEN_WORDS.slice(n, n + 1)]) as [
  SpoonReading,
  ...SpoonReading[],
];

/** The body that a reading stands for, mPa·s: half-way on the log scale between two words. @example spoonMPas('veils to coats') // 115 */
export function spoonMPas(reading: SpoonReading): number {
  const at = SPOON_READINGS.indexOf(reading) / 2;
  const body = (n: number): number => SPOON_WORDS[n]?.bodyMPas ?? Number.NaN;
  return Math.sqrt(body(Math.floor(at)) * body(Math.ceil(at)));
}

/** The word nearest to a body on the log scale. @example bodyWord(250) // 'coats' */
export function bodyWord(bodyMPas: number): SpoonWord {
  let best: (typeof SPOON_WORDS)[number] = SPOON_WORDS[0];
  for (const one of SPOON_WORDS) {
    if (Math.abs(Math.log(bodyMPas / one.bodyMPas)) < Math.abs(Math.log(bodyMPas / best.bodyMPas))) best = one;
  }
  return best.word;
}

/**
 * Between which bodies a reading of the spoon lies, mPa·s. A word: from half-way to the word before to half-way to the word
 * behind, since a cook says the nearest one. Between two words: the middle half of the way from one to the other. The words at
 * the ends only say "no thicker" and "no thinner".
 *
 * @example spoonRange('runs off') // [0, 26.8]
 * @example spoonRange('veils to coats') // [83, 159]
 */
export function spoonRange(reading: SpoonReading): readonly [low: number, high: number] {
  const at = SPOON_READINGS.indexOf(reading);
  const here = spoonMPas(reading);
  const towards = (n: number): number => {
    const other = SPOON_READINGS[n];
    // Between two words: half of the way to either. Of a word its neighbours are what lies between, and it reaches to there.
    return other === undefined ? Number.NaN : at % 2 === 1 ? Math.sqrt(here * spoonMPas(other)) : spoonMPas(other);
  };
  return [at === 0 ? 0 : towards(at - 1), at === SPOON_READINGS.length - 1 ? Number.POSITIVE_INFINITY : towards(at + 1)];
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
