import { bodySdLn, bodyWord } from '../body/index.js';
import { SALT } from '../larder/index.js';
import {
  EMPTY,
  bodyMPas,
  contents,
  parcelKg,
  parcelOf,
  plusParcel,
  potKg,
  scaleParcel,
  type Parcel,
  type PotState,
} from '../pot/index.js';
import { servedPot } from '../runner/index.js';
import { rescue } from '../season/index.js';
import { FIRST_SHARE, waysToBody, type Way } from '../solve/index.js';
import { saltToAdd } from '../steps/index.js';
import { bodyByCard, kindOf, walk, type SoupStep } from '../soup/index.js';
import type { BatchState } from './fold.js';

/** A soup within this factor of its body is as it is wanted. Kitchen default: about a third of a step between two spoon words. */
export const BODY_WITHIN = 1.25;
/** Nearer than this there is nothing to do about it: what readings leave open would else leave it out of the band above. Kitchen default. */
const BODY_THERE = 1.1;
/** Salt is landed to this, % of the mass. Kitchen default. */
export const SALT_WITHIN_PCT = 0.05;
const MOST_WAYS = 3;

/** How the body stands, and how to land it. Body mPa·s of the finished soup as served: with all that is still to come. */
export interface BodyLanding {
  readonly nowMPas: number;
  /** The blur of it, 1 sd of its logarithm. */
  readonly sdLn: number;
  /** What the card asks for; undefined where it asks for none, and then there is nothing to land. */
  readonly wantedMPas: number | undefined;
  /** Before the blade it is too early to say. */
  readonly tooEarly: boolean;
  /** What is still to come and is counted in `nowMPas` already, kg. */
  readonly comingKg: number;
  /** At most three, those that fit the pot first; none where the body is right, not asked for, or too early to judge. */
  readonly ways: readonly Way[];
}

/** How to land the salt of the finished soup: so much more, or so much of a liquid without salt. */
export interface SaltLanding {
  /** What the finished soup will hold if no more is salted, all else that is to come counted in. */
  readonly nowPct: number;
  readonly wantedPct: number;
  readonly ways: readonly {
    readonly line: string;
    readonly kg: number;
    /** Two thirds first, then taste; all of it where the last third is no more than what counts as there. */
    readonly firstKg: number;
    /** How much heavier the pot gets, as a factor. */
    readonly heavier: number;
  }[];
}

/** Less than this is not spoken of, kg. */
const NOTHING_KG = 1e-4;

/** Whether a step settles the salt or the body. */
function isOf(of: 'salt' | 'body'): (step: SoupStep) => boolean {
  return (step) => step.op !== 'join' && kindOf(step).target?.of === of;
}

/** The body that the cook has asked for at the stove, mPa·s. */
function bodyAskedFor({ history }: Pick<BatchState, 'history'>): number | undefined {
  const asked = history.counted.findLast(({ action }) => action.kind === 'wanted')?.action;
  return asked?.kind === 'wanted' ? asked.mPas : undefined;
}

/** The body that is wanted, mPa·s: what the card's steps ask for, else the cook, else what was once judged right. */
function wantedBody(state: BatchState): number | undefined {
  const { soup } = state.prepared;
  return bodyByCard(soup) ?? bodyAskedFor(state) ?? soup.rightMPas;
}

/** What steps that are not over will bring from their lines by the forecast, trimmed. */
function aheadKg({ run, happened }: BatchState, isWanted: (step: SoupStep) => boolean): Parcel {
  const past = new Set(happened);
  let all = EMPTY;
  for (const record of run.records) {
    if (past.has(record) || !isWanted(record.step)) continue;
    for (const { kind, parcel } of record.inflows) if (kind === 'ingredient') all = plusParcel(all, parcel);
    for (const { kind, parcel } of record.outflows) if (kind === 'trim') all = plusParcel(all, parcel, -1);
  }
  return all;
}

/** What is still to come into the soup and is counted in its body, kg: no salt, nothing that settles the body, no garnish. */
function comingKg(state: BatchState): number {
  const { last, dished } = state.run;
  const poured = aheadKg(state, (step) => !isOf('body')(step) && !isOf('salt')(step) && step.op !== 'dish');
  const stirredIn = last?.step.op === 'dish' && dished !== undefined ? parcelKg(dished.soup) - potKg(last.before) : 0;
  return Math.max(0, parcelKg(poured) + stirredIn);
}

/** Of what goes into the pot from here on, the share that stays on pots and jugs. */
function stuckShare({ run, happened }: BatchState, leftKg: number): number {
  const past = new Set(happened);
  let stuckKg = 0;
  for (const record of run.records) {
    if (past.has(record)) continue;
    for (const { kind, parcel } of record.outflows) if (kind === 'film') stuckKg += parcelKg(parcel);
  }
  return leftKg > 0 ? stuckKg / (leftKg + stuckKg) : 0;
}

/**
 * The pot as it will be served, by the same forecast that every other figure of the batch is of, but without what steps of its
 * own kind have still to settle: what is landed is what is missing from this.
 */
function finishedBut(state: BatchState, isSettling: (step: SoupStep) => boolean): PotState {
  const pot = servedPot(state.run) ?? state.pot;
  // Of what is taken away, what would have stayed on pots and jugs is no longer in the soup.
  const without = scaleParcel(aheadKg(state, isSettling), 1 - stuckShare(state, potKg(pot)));
  return { ...pot, liquid: plusParcel(pot.liquid, without, -1) };
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
 * What would land the body of the finished soup. Judged only behind the blade, with all that is to come counted in; undefined
 * for an empty pot.
 */
export function landBody(state: BatchState): BodyLanding | undefined {
  const { prepared, closed } = state;
  if (parcelKg(contents(state.pot)) <= 0) return undefined;
  const { servedC, parameters } = prepared;
  const steps = walk(prepared.soup.root).map(({ step }) => step);
  const statusOf = new Map(state.steps.map(({ stepId, status }) => [stepId, status]));
  const isOpen = (id: string): boolean => statusOf.get(id) === 'now' || statusOf.get(id) === 'ahead';
  const tooEarly = steps.some(({ op, id }) => op === 'blend' && isOpen(id));
  const pot = tooEarly ? state.pot : finishedBut(state, isOf('body'));
  const nowMPas = bodyMPas(pot, servedC, parameters.bodyA);
  const wantedMPas = wantedBody(state);
  // What was asked for by a word is there as soon as that word is the nearest.
  const isByWord = bodyByCard(prepared.soup) === undefined && bodyAskedFor(state) !== undefined;
  const isThere =
    wantedMPas === undefined ||
    (isByWord && bodyWord(nowMPas) === bodyWord(wantedMPas)) ||
    (nowMPas <= wantedMPas * BODY_THERE && nowMPas >= wantedMPas / BODY_THERE);
  const means = { liquids: liquids(state).map(({ line }) => line.ingredient), thickeners: [] };
  const ways =
    tooEarly || isThere || closed || !(wantedMPas > 0)
      ? []
      : [...waysToBody(prepared, pot, wantedMPas, means)]
          .sort((a, b) => Number(a.overflows) - Number(b.overflows))
          .slice(0, MOST_WAYS);
  return {
    nowMPas,
    sdLn: bodySdLn(state.estimate, pot, servedC, parameters.bodyA),
    wantedMPas,
    tooEarly,
    comingKg: tooEarly ? 0 : comingKg(state),
    ways: ways.map((way) => asAsked(way, state, isOpen)),
  };
}

/** A way through the liquid that an open step lets down with asks for what that step asks for: one figure for one thing. */
function asAsked(way: Way, { prepared, toGoKg }: BatchState, isOpen: (id: string) => boolean): Way {
  const step = walk(prepared.soup.root).find((one) => one.step.op === 'thin' && isOpen(one.step.id))?.step;
  const line = step?.op === 'thin' ? prepared.lines.find((own) => own.line.id === step.line)?.line : undefined;
  if (line === undefined || way.by !== 'thin' || way.ingredient !== line.ingredient.row.id) return way;
  const kg = toGoKg.get(line.id) ?? 0;
  return kg > NOTHING_KG ? { ...way, kg, firstKg: kg * FIRST_SHARE } : way;
}

/** What would land the salt of the finished soup; undefined where the soup sets no salt, or nothing is in the pot. */
export function landSalt(state: BatchState): SaltLanding | undefined {
  const season = walk(state.prepared.soup.root).findLast(({ step }) => step.op === 'season')?.step;
  const potNowKg = parcelKg(contents(state.pot));
  if (season?.op !== 'season' || potNowKg <= 0) return undefined;
  const soup = contents(finishedBut(state, isOf('salt')));
  const massKg = parcelKg(soup);
  const wantedPct = season.saltPct;
  const nowPct = massKg > 0 ? Math.max(0, (soup.mix[SALT] / massKg) * 100) : 0;
  const toGoKg = state.toGoKg.get(season.line) ?? 0;
  const none = { nowPct, wantedPct, ways: [] };
  const isAhead = state.steps.some(({ stepId, status }) => stepId === season.id && status === 'ahead');
  // Before it is salted there is nothing to put right: what is still to come is the step's own.
  if (state.closed || (isAhead && toGoKg <= NOTHING_KG)) return none;
  // Two thirds first, until the last third is no more than what counts as there.
  const isNear = Math.abs(wantedPct - nowPct) * (1 - FIRST_SHARE) <= SALT_WITHIN_PCT;
  const way = (line: string, kg: number): SaltLanding['ways'][number] => ({
    line,
    kg,
    firstKg: isNear ? kg : kg * FIRST_SHARE,
    heavier: (potNowKg + kg) / potNowKg,
  });
  if (toGoKg > NOTHING_KG) return { ...none, ways: [way(season.line, toGoKg)] };
  if (Math.abs(nowPct - wantedPct) <= SALT_WITHIN_PCT) return none;
  if (nowPct < wantedPct) {
    const purity = state.prepared.lines.find(({ line }) => line.id === season.line)?.line.ingredient.perKg[SALT] ?? 1;
    const kg = saltToAdd({ massKg, saltKg: soup.mix[SALT], purity, wantedShare: wantedPct / 100 });
    return kg > NOTHING_KG ? { ...none, ways: [way(season.line, kg)] } : none;
  }
  const ways = liquids(state).flatMap(({ line: { id, ingredient } }) => {
    const own = rescue(soup, parcelOf(ingredient, 1), wantedPct);
    return own === undefined || own.kg <= 0 ? [] : [way(id, own.kg)];
  });
  return { ...none, ways: ways.slice(0, MOST_WAYS) };
}
