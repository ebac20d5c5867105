import { z } from 'zod';
import { SALT } from '../larder/index.js';
import { mixIn, parcelKg, potKg, type Caution, type PotState } from '../pot/index.js';
import { PLAUSIBLE_PCT } from '../season/index.js';
import { settles } from './entered.js';
import { stepKind, settledLine } from './kind.js';
import { pouredIn } from './add.js';
import { asItTakes } from './to-come.js';
import { settledAs, lineIdSchema, stepBase, type StepContext, type StepResult, type ToCome } from './step.js';

export const SeasonSchema = z.strictObject({
  ...stepBase,
  op: z.literal('season'),
  line: lineIdSchema,
  /** NaCl wanted in the finished soup, % by mass, from every source. */
  saltPct: z.number().min(0).max(5),
});
export type Season = z.infer<typeof SeasonSchema>;

/** Too little to weigh or taste: differences below this are not spoken of, kg. */
const NOTHING_KG = 1e-6;

export interface SaltCase {
  readonly massKg: number;
  readonly saltKg: number;
  /** NaCl per kg of what is added. */
  readonly purity: number;
  readonly wantedShare: number;
  /** What is still to come, kg in all and of NaCl: so much at all events, and so much for each kilo in the pot. */
  readonly coming?: SaltToCome | undefined;
}

export interface SaltToCome {
  readonly kg: number;
  readonly saltKg: number;
  readonly perKg: number;
  readonly saltPerKg: number;
}

const NOTHING_COMING: SaltToCome = { kg: 0, saltKg: 0, perKg: 0, saltPerKg: 0 };

/**
 * Kilos of salt to add so that the finished soup, all that is still to come included, holds the share wanted; negative when
 * there is too much already; NaN when no amount would do. From S + p x + s + σ (M + x) = w (M + x + k + κ (M + x)).
 *
 * @example saltToAdd({ massKg: 10, saltKg: 0, purity: 1, wantedShare: 0.008 }) // 0.0806
 */
export function saltToAdd({ massKg, saltKg, purity, wantedShare: w, coming = NOTHING_COMING }: SaltCase): number {
  const wanted = w * (massKg * (1 + coming.perKg) + coming.kg);
  const have = saltKg + coming.saltKg + coming.saltPerKg * massKg;
  const effect = purity + coming.saltPerKg - w * (1 + coming.perKg);
  return effect > 0 ? (wanted - have) / effect : Number.NaN;
}

function saltComing(toCome: ToCome | undefined): SaltToCome | undefined {
  if (toCome === undefined) return undefined;
  const { fixed, perKg } = toCome;
  return { kg: parcelKg(fixed), saltKg: fixed.mix[SALT], perKg: parcelKg(perKg), saltPerKg: perKg.mix[SALT] };
}

/** Salts to a share of the finished soup. Salt can't be taken out: what is over is said, with how much. */
export function season(pot: PotState, settings: Season, context: StepContext): StepResult {
  const line = context.line(settings.line);
  const mix = mixIn(pot);
  const wantedKg = saltToAdd({
    massKg: potKg(pot),
    saltKg: mix[SALT],
    purity: line.ingredient.perKg[SALT],
    wantedShare: settings.saltPct / 100,
    coming: saltComing(context.toCome),
  });
  const cautions: Caution[] = [];
  if (settings.saltPct > PLAUSIBLE_PCT.high || (settings.saltPct > 0 && settings.saltPct < PLAUSIBLE_PCT.low)) {
    cautions.push({
      code: 'SPOON_IMPLAUSIBLE',
      writtenPct: settings.saltPct,
      lowPct: PLAUSIBLE_PCT.low,
      highPct: PLAUSIBLE_PCT.high,
    });
  }
  if (Number.isNaN(wantedKg)) cautions.push({ code: 'TARGET_UNREACHABLE', what: 'salt' });
  else if (wantedKg < -NOTHING_KG) cautions.push({ code: 'TARGET_PASSED', what: 'salt', overKg: -wantedKg });
  const massKg = context.heldKg ?? (wantedKg > 0 ? wantedKg : 0);
  return settledAs(pouredIn(pot, line, massKg), cautions, massKg);
}

/** Saltings that differ by less are one. Kitchen default. */
const SAME_PCT = 0.03;

export const seasonKind = stepKind<Season>({
  op: 'season',
  run: season,
  lines: settledLine,
  entered: settles,
  looksAhead: true,
  told: true,
  given: 'some',
  brings: asItTakes(season),
  target: {
    of: 'salt',
    unit: 'pct',
    value: ({ saltPct }) => saltPct,
    moved: (step, to) => ({ ...step, saltPct: Math.round(to * 100) / 100 }),
    same: (a, b) => Math.abs(a - b) < SAME_PCT,
  },
});
