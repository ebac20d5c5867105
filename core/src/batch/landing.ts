import { bodySdLn } from '../body/index.js';
import { SALT } from '../larder/index.js';
import { bodyMPas, contents, parcelKg, parcelOf, plusParcel, type PotState } from '../pot/index.js';
import { rescue } from '../season/index.js';
import { waysToBody, type Way } from '../solve/index.js';
import { walk } from '../soup/index.js';
import type { BatchState } from './fold.js';

/** A soup within this factor of its body is as it is wanted. Kitchen default: about a third of a step between two spoon words. */
export const BODY_WITHIN = 1.25;
/** Salt is landed to this, % of the mass. Kitchen default. */
export const SALT_WITHIN_PCT = 0.05;
const MOST_WAYS = 3;

/** How the body stands, and how to land it. Body mPa·s as served. */
export interface BodyLanding {
  readonly nowMPas: number;
  /** The blur of it, 1 sd of its logarithm. */
  readonly sdLn: number;
  readonly wantedMPas: number;
  /** Before the blade it is too early to say. */
  readonly tooEarly: boolean;
  /** Cream that is still to come is counted in `nowMPas` already, kg. */
  readonly creamCountedKg: number;
  /** At most three, those that fit the pot first; none where the body is right or too early to judge. */
  readonly ways: readonly Way[];
}

/** How to land the salt: so much more, or so much of a liquid without salt. */
export interface SaltLanding {
  readonly nowPct: number;
  readonly wantedPct: number;
  readonly ways: readonly {
    readonly line: string;
    readonly kg: number;
    /** Two thirds first, then taste. */
    readonly firstKg: number;
    /** How much heavier the pot gets, as a factor. */
    readonly heavier: number;
  }[];
}

const FIRST = 2 / 3;

function wantedBody({ prepared, plannedFigures }: BatchState): number {
  const set = walk(prepared.soup.root).flatMap(({ step }) => {
    if (step.op === 'thin' || step.op === 'thicken') return [step.toMPas];
    return step.op === 'reduce' && step.to.by === 'body' ? [step.to.mPas] : [];
  });
  return set.at(-1) ?? plannedFigures.bodyMPas;
}

/** The pot with the cream in it that will go in anyway. */
function withCream({ prepared, pot, toGoKg }: BatchState): { readonly pot: PotState; readonly kg: number } {
  const cream = walk(prepared.soup.root).find(({ step }) => step.op === 'cream')?.step;
  const id = cream?.op === 'cream' ? cream.line : undefined;
  const kg = id === undefined ? 0 : (toGoKg.get(id) ?? 0);
  const ingredient = prepared.lines.find(({ line }) => line.id === id)?.line.ingredient;
  if (ingredient === undefined || kg <= 0) return { pot, kg: 0 };
  return { pot: { ...pot, liquid: plusParcel(pot.liquid, parcelOf(ingredient, kg)) }, kg };
}

/** Liquids among the lines, one of each ingredient. */
function liquids({ prepared }: BatchState): BatchState['prepared']['lines'] {
  const seen = new Set<string>();
  return prepared.lines.filter(({ line: { ingredient } }) => {
    if (ingredient.row.group !== 'liquids' || seen.has(ingredient.row.id)) return false;
    seen.add(ingredient.row.id);
    return true;
  });
}

/**
 * What would land the body, from the pot as the batch has it. Judged only behind the blade, with the cream that is to come
 * counted in; undefined for an empty pot.
 */
export function landBody(state: BatchState): BodyLanding | undefined {
  const { prepared } = state;
  if (parcelKg(contents(state.pot)) <= 0) return undefined;
  const steps = walk(prepared.soup.root).map(({ step }) => step);
  const statusOf = new Map(state.steps.map(({ stepId, status }) => [stepId, status]));
  const blends = steps.filter(({ op }) => op === 'blend');
  const tooEarly = blends.length > 0 && blends.some(({ id }) => statusOf.get(id) === 'now' || statusOf.get(id) === 'ahead');
  const { pot, kg } = withCream(state);
  const nowMPas = bodyMPas(pot, prepared.servedC, prepared.parameters.bodyA);
  const wantedMPas = wantedBody(state);
  const isRight = nowMPas <= wantedMPas * BODY_WITHIN && nowMPas >= wantedMPas / BODY_WITHIN;
  const means = { liquids: liquids(state).map(({ line }) => line.ingredient), thickeners: [] };
  const ways =
    tooEarly || isRight || !(wantedMPas > 0)
      ? []
      : [...waysToBody(prepared, pot, wantedMPas, means)]
          .sort((a, b) => Number(a.overflows) - Number(b.overflows))
          .slice(0, MOST_WAYS);
  return {
    nowMPas,
    sdLn: bodySdLn(state.estimate, pot, prepared.servedC, prepared.parameters.bodyA),
    wantedMPas,
    tooEarly,
    creamCountedKg: kg,
    ways,
  };
}

/** What would land the salt at the pot's mass as it is; undefined where the soup sets no salt, or nothing is in the pot. */
export function landSalt(state: BatchState): SaltLanding | undefined {
  const season = walk(state.prepared.soup.root).find(({ step }) => step.op === 'season')?.step;
  const all = contents(state.pot);
  const massKg = parcelKg(all);
  if (season?.op !== 'season' || massKg <= 0) return undefined;
  const nowPct = (all.mix[SALT] / massKg) * 100;
  const wantedPct = season.saltPct;
  if (Math.abs(nowPct - wantedPct) <= SALT_WITHIN_PCT) return { nowPct, wantedPct, ways: [] };
  if (nowPct < wantedPct) {
    const its = state.prepared.lines.find(({ line }) => line.id === season.line)?.line.ingredient.perKg[SALT] ?? 1;
    const kg = ((wantedPct / 100) * massKg - all.mix[SALT]) / Math.max(1e-9, its - wantedPct / 100);
    return { nowPct, wantedPct, ways: [{ line: season.line, kg, firstKg: kg * FIRST, heavier: (massKg + kg) / massKg }] };
  }
  const ways = liquids(state).flatMap(({ line: { id, ingredient } }) => {
    const own = rescue(all, parcelOf(ingredient, 1), wantedPct);
    return own === undefined || own.kg <= 0 ? [] : [{ line: id, kg: own.kg, firstKg: own.kg * FIRST, heavier: own.factor }];
  });
  return { nowPct, wantedPct, ways: ways.slice(0, MOST_WAYS) };
}
