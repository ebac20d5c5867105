import { ACID, FAT, type Mix } from '../larder/index.js';
import { COOKED_STARCH_KG, parcelKg, type Parcel } from '../pot/index.js';

export type Risk = 'low' | 'some' | 'high';

/** Rich cream does not split; below that, sourness and heat make it, and starch guards. Kitchen defaults. */
const RICH_PCT = 30;
const SOUR_G_KG = 3;
const HOT_C = 85;
const GUARD_PCT = 1;

const LEVELS: readonly Risk[] = ['low', 'some', 'high'];

/** The figures that the risk rests on: cream's fat in %, the soup's acid in g/kg, and how hot it is. */
export function splitFigures(soup: Parcel, tempC: number, cream: Mix): { fatPct: number; sourG: number; tempC: number } {
  const kg = parcelKg(soup);
  return { fatPct: cream[FAT] * 100, sourG: kg > 0 ? (soup.mix[ACID] / kg) * 1000 : 0, tempC };
}

/**
 * Whether a cream will split in a soup, in words. Nothing is said of a cream with 30 % fat or more at any heat; below
 * that it is high with over 3 g/kg of acid at over 85 °C, some with one of the two and half of the other; a per cent
 * of cooked starch lowers it a step.
 */
export function splitRisk(soup: Parcel, tempC: number, cream: Mix): Risk {
  const { fatPct, sourG } = splitFigures(soup, tempC, cream);
  if (fatPct >= RICH_PCT || fatPct < 1) return 'low';
  const sour = sourG > SOUR_G_KG;
  const hot = tempC > HOT_C;
  const base = sour && hot ? 2 : sour ? 1 : 0;
  const kg = parcelKg(soup);
  const guarded = kg > 0 && (soup.carried[COOKED_STARCH_KG] / kg) * 100 >= GUARD_PCT;
  return LEVELS[Math.max(0, base - (guarded ? 1 : 0))] ?? 'low';
}

/** What to do about it, first things first: codes whose sentences live with the screen. */
export function splitRemedies(risk: Risk): readonly ('RICHER_CREAM' | 'COOL_BELOW_85' | 'WARM_THE_CREAM' | 'SLACK_STARCH')[] {
  return risk === 'low' ? [] : ['COOL_BELOW_85', 'RICHER_CREAM', 'WARM_THE_CREAM', 'SLACK_STARCH'];
}
