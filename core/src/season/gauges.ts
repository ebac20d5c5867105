import { ACID, FAT, SALT, SUGARS } from '../larder/index.js';
import { BITE_KG, SCOVILLE_KG, parcelKg, type Parcel } from '../pot/index.js';

/** What the tongue asks of a soup, as figures. Kitchen defaults, calibrated by tastes; shown in words. */
export interface Tastes {
  readonly saltPct: number;
  readonly sour: number;
  readonly sweet: number;
  /** Scoville units of the soup. */
  readonly heat: number;
  /** Grams of ground black pepper a kilo that would bite as much. */
  readonly biteGKg: number;
}

/** Sour index a / (1 + sugar/10 + fat/5), acid a in g/kg, sugar and fat in %. Kitchen default. */
export const SUGAR_CALMS = 10;
export const FAT_CALMS = 5;
/** Sweet index: sugar in % less 0.4 of the acid in g/kg. Kitchen default. */
export const ACID_HIDES = 0.4;

export function sourIndex(acidGKg: number, sugarPct: number, fatPct: number): number {
  return acidGKg / (1 + sugarPct / SUGAR_CALMS + fatPct / FAT_CALMS);
}

export function sweetIndex(sugarPct: number, acidGKg: number): number {
  return sugarPct - ACID_HIDES * acidGKg;
}

/** The tastes of a parcel; all nought for nothing. */
export function tastesOf(p: Parcel): Tastes {
  const kg = parcelKg(p);
  if (!(kg > 0)) return { saltPct: 0, sour: 0, sweet: 0, heat: 0, biteGKg: 0 };
  const pct = (x: number): number => (x / kg) * 100;
  const acidGKg = (p.mix[ACID] / kg) * 1000;
  return {
    saltPct: pct(p.mix[SALT]),
    sour: sourIndex(acidGKg, pct(p.mix[SUGARS]), pct(p.mix[FAT])),
    sweet: sweetIndex(pct(p.mix[SUGARS]), acidGKg),
    heat: p.carried[SCOVILLE_KG] / kg,
    biteGKg: (p.carried[BITE_KG] / kg) * 1000,
  };
}

/**
 * Words each side of right, with the limits between them. Salt: common practice; the rest kitchen defaults, set on usual
 * soups: vegetables in stock come to 0.3 to 0.8 sour and 0.8 to 2 sweet, and nobody calls them flat or dry.
 */
export const TASTE_WORDS = {
  saltPct: { limits: [0.6, 1.0], words: ['under-salted', 'salted', 'salty'] },
  sour: { limits: [0.25, 0.9, 2.5], words: ['flat', 'even', 'bright', 'sharp'] },
  sweet: { limits: [0.7, 2, 4.5], words: ['dry', 'even', 'round', 'sweet'] },
  heat: { limits: [5, 50, 250], words: ['mild', 'warm', 'hot', 'fierce'] },
  biteGKg: { limits: [0.3, 1, 2.5], words: ['mild', 'peppery', 'sharp with pepper', 'fierce'] },
} as const satisfies Record<keyof Tastes, { limits: readonly number[]; words: readonly string[] }>;

/** @example tasteWord('sour', 0.4) // 'flat' */
export function tasteWord(taste: keyof Tastes, value: number): string {
  const { limits, words } = TASTE_WORDS[taste];
  const place = limits.findIndex((limit) => value < limit);
  return words[place < 0 ? words.length - 1 : place] ?? words[0];
}
