import { potsBySize, pressurePots, usableM3, type Kit, type Vessel } from '../kit/index.js';
import { makeLarder, type IngredientRow, type Larder } from '../larder/index.js';
import { prepareSoup, run, type CardAmounts, type Preparation, type PreparedSoup, type Run } from '../runner/index.js';
import {
  scaleForAnchors,
  scaleForBowls,
  scaleForPot,
  withKilos,
  type Anchoring,
  type Contradiction,
  type Rounding,
} from '../solve/index.js';
import { cardAmounts } from './cards.js';
import { varied, walk, withKept, withoutLines, type Soup } from '../soup/index.js';
import type { PlanRequest } from './request.js';

/** Version of the rules: stored with every plan, so that closed figures can be told from what a newer core would say. */
export const CORE_VERSION = '0.3.0';

/** Everything that a plan was computed from; running it again gives the same plan. */
export interface Snapshot {
  readonly soup: Soup;
  readonly kit: Kit;
  readonly rows: readonly IngredientRow[];
  readonly request: PlanRequest;
  readonly scale: number;
  /** Kilos of each card's outcome that it was worked out for. */
  readonly cardKg?: Readonly<Record<string, number>> | undefined;
  /** Kilos of lines that were rounded to what can be bought and measured, as bought: these are cooked, whatever the scale. */
  readonly lineKg?: Readonly<Record<string, number>> | undefined;
  readonly coreVersion: string;
}

export interface Planned {
  readonly prepared: PreparedSoup;
  readonly run: Run;
  readonly snapshot: Snapshot;
  /** How its lines were rounded, where they were. */
  readonly rounding?: Rounding;
}

/** A pot that would do, and how many bowls fit it. */
export interface Fits {
  readonly potId: string;
  readonly name: string;
  readonly bowls: number;
}

export type PlanError =
  | { readonly code: 'SOUP_HAS_PROBLEMS'; readonly problems: Extract<Preparation, { ok: false }>['problems'] }
  | {
      readonly code: 'DOES_NOT_FIT';
      readonly peakM3: number;
      readonly usableM3: number;
      readonly overM3: number;
      /** Whole bowls that this pot holds at its fullest moment. */
      readonly bowlsThatFit: number;
      /** Pots of the kit that hold what was asked. */
      readonly pots: readonly Fits[];
    }
  | { readonly code: 'ANCHORS_CONTRADICT'; readonly contradictions: readonly Contradiction[] }
  | { readonly code: 'TOO_FEW_FOR_POT'; readonly leastBowls: number }
  | { readonly code: 'NO_ANSWER'; readonly solver: string };

export type Planning = { readonly ok: true; readonly plan: Planned } | { readonly ok: false; readonly error: PlanError };

/** Pots of a kit that a soup can be cooked in, the smallest first: what is cooked under pressure wants a pressure cooker. */
export function potsFor(soup: Soup, kit: Kit): readonly Vessel[] {
  return walk(soup.root).some(({ step }) => step.op === 'pressure') ? pressurePots(kit) : potsBySize(kit);
}

/** A scale so small that only what does not scale is left. */
const HARDLY_ANY = 1e-4;

function bowlsThatFit(prepared: PreparedSoup): number {
  const full = scaleForPot(prepared);
  return full.ok ? Math.floor(full.run.bowls + 1e-6) : 0;
}

function potsThatFit(soup: Soup, larder: Larder, kit: Kit, request: PlanRequest): Fits[] {
  return kit.pots.flatMap(({ id, name }) => {
    if (id === request.potId) return [];
    const preparation = prepareSoup(soup, larder, kit, id, request.bowlG / 1000);
    if (!preparation.ok) return [];
    const bowls = bowlsThatFit(preparation.prepared);
    return bowls >= request.bowls ? [{ potId: id, name, bowls }] : [];
  });
}

/** The soup as a request wants it: in its variant, without what is left out, with what is kept. */
function asked(soup: Soup, { variant, without, kept = [] }: PlanRequest): Soup {
  const own = varied(soup, variant);
  const left = without === undefined || without.length === 0 ? own : withoutLines(own, new Set(without));
  return withKept(
    left,
    kept.map(({ row, kg }) => ({ ingredient: row.id, kg })),
  );
}

/** How often a plan is worked out again because a card that it takes from is made in another amount. */
const MOST_CARD_ROUNDS = 4;
const SAME_AMOUNT = 1e-4;

function sameAmounts(a: CardAmounts, b: CardAmounts): boolean {
  return [...b].every(([id, kg]) => Math.abs((a.get(id) ?? 0) - kg) <= SAME_AMOUNT * kg);
}

function anchoring(prepared: PreparedSoup, request: PlanRequest): Anchoring {
  if (request.anchors !== undefined) return scaleForAnchors(prepared, request.anchors);
  const solved = scaleForBowls(prepared, request.bowls);
  const limiting = { by: 'bowls', bowls: request.bowls } as const;
  return solved.ok ? { ...solved, limiting } : { ok: false, code: solved.code, anchor: limiting };
}

function notAnchored(prepared: PreparedSoup, request: PlanRequest, failed: Extract<Anchoring, { ok: false }>): PlanError {
  if (failed.code === 'CONTRADICTION') return { code: 'ANCHORS_CONTRADICT', contradictions: failed.contradictions };
  const least = run(prepared, HARDLY_ANY).bowls;
  if (request.anchors === undefined && least > request.bowls) return { code: 'TOO_FEW_FOR_POT', leastBowls: Math.ceil(least) };
  return { code: 'NO_ANSWER', solver: failed.code };
}

/**
 * Plans a soup backwards from bowls, or from any other side, to amounts as purchased, in a named pot. A plan that does
 * not fit is an error that says by how much, how many bowls would fit, and which pots would hold what was asked.
 */
export function makePlan(master: Soup, larderRows: readonly IngredientRow[], kit: Kit, request: PlanRequest): Planning {
  const soup = asked(master, request);
  const rows = request.kept === undefined ? larderRows : [...larderRows, ...request.kept.map(({ row }) => row)];
  const larder = makeLarder(rows);
  let amounts: CardAmounts = new Map();
  let prepared: PreparedSoup;
  let found: Anchoring;
  for (let round = 0; ; round++) {
    const preparation = prepareSoup(soup, larder, kit, request.potId, request.bowlG / 1000, amounts);
    if (!preparation.ok) return { ok: false, error: { code: 'SOUP_HAS_PROBLEMS', problems: preparation.problems } };
    prepared = preparation.prepared;
    found = anchoring(prepared, request);
    if (!found.ok) return { ok: false, error: notAnchored(prepared, request, found) };
    const wanted = cardAmounts(prepared, found.run);
    if (sameAmounts(amounts, wanted) || round >= MOST_CARD_ROUNDS) break;
    amounts = wanted;
  }
  const usable = usableM3(prepared.vessel);
  if (found.run.peakM3 > usable * (1 + 1e-6)) {
    return {
      ok: false,
      error: {
        code: 'DOES_NOT_FIT',
        peakM3: found.run.peakM3,
        usableM3: usable,
        overM3: found.run.peakM3 - usable,
        bowlsThatFit: bowlsThatFit(prepared),
        pots: potsThatFit(soup, larder, kit, request),
      },
    };
  }
  const used = usedIngredients(prepared);
  const snapshot: Snapshot = {
    soup,
    kit,
    rows: rows.filter(({ id }) => used.has(id)),
    request: request.anchors === undefined ? request : { ...request, bowls: found.run.bowls },
    scale: found.scale,
    ...(amounts.size === 0 ? {} : { cardKg: Object.fromEntries(amounts) }),
    coreVersion: CORE_VERSION,
  };
  return { ok: true, plan: { prepared, run: found.run, snapshot } };
}

/** Larder rows that a soup needs, method choices and cards included. */
function usedIngredients(prepared: PreparedSoup): ReadonlySet<string> {
  const ids = new Set(prepared.lines.map(({ line }) => line.ingredient.row.id));
  for (const card of prepared.cards.values()) for (const id of usedIngredients(card)) ids.add(id);
  return ids;
}

/** A stored plan run again from its snapshot. Throws when the snapshot is not one that `makePlan` made. */
export function rerun(snapshot: Snapshot): Planned {
  const { soup, rows, kit, request, cardKg, lineKg } = snapshot;
  const preparation = prepareSoup(
    soup,
    makeLarder(rows),
    kit,
    request.potId,
    request.bowlG / 1000,
    new Map(Object.entries(cardKg ?? {})),
  );
  if (!preparation.ok) throw new Error('A snapshot holds everything that its soup needs.');
  const prepared = withKilos(preparation.prepared, new Map(Object.entries(lineKg ?? {})), snapshot.scale);
  return { prepared, run: run(prepared, snapshot.scale), snapshot };
}

/**
 * A soup as written, in the smallest pot that holds it: solved for the bowls it is written for, or, where no pot of
 * the kit can make so few, its amounts as they stand. Undefined when the soup has problems or fits no pot.
 */
export function writtenPlan(soup: Soup, rows: readonly IngredientRow[], kit: Kit): Planned | undefined {
  const { bowls, bowlG } = soup.writtenFor;
  const pots = potsFor(soup, kit);
  for (const { id } of pots) {
    const planning = makePlan(soup, rows, kit, { bowls, bowlG, potId: id });
    if (planning.ok) return planning.plan;
  }
  return typedPlan(soup, rows, kit);
}

/**
 * A soup's amounts as they stand, whatever bowls they come to, in the smallest pot of the kit that holds them. Undefined
 * when the soup has problems or fits no pot.
 */
export function typedPlan(soup: Soup, rows: readonly IngredientRow[], kit: Kit): Planned | undefined {
  const { bowls, bowlG } = soup.writtenFor;
  const larder = makeLarder(rows);
  for (const { id } of potsFor(soup, kit)) {
    const preparation = prepareSoup(soup, larder, kit, id, bowlG / 1000);
    if (!preparation.ok) return undefined;
    const asItStands = run(preparation.prepared, 1);
    if (asItStands.peakM3 <= usableM3(preparation.prepared.vessel)) {
      const snapshot: Snapshot = { soup, kit, rows, request: { bowls, bowlG, potId: id }, scale: 1, coreVersion: CORE_VERSION };
      return { prepared: preparation.prepared, run: asItStands, snapshot };
    }
  }
  return undefined;
}
