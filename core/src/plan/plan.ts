import { usableM3, type Kit } from '../kit/index.js';
import { makeLarder, type IngredientRow, type Larder } from '../larder/index.js';
import { makeReady, run, type CardAmounts, type Readied, type Ready, type Run } from '../line/index.js';
import { scaleForAnchors, scaleForBowls, scaleForPot, type Anchoring, type Contradiction } from '../solve/index.js';
import { cardAmounts } from './cards.js';
import { varied, withoutLines, type Soup } from '../soup/index.js';
import type { Ask } from './ask.js';

/** Version of the rules: stored with every plan, so that closed figures can be told from what a newer core would say. */
export const CORE_VERSION = '0.2.0';

/** Everything that a plan was computed from; running it again gives the same plan. */
export interface Snapshot {
  readonly soup: Soup;
  readonly kit: Kit;
  readonly rows: readonly IngredientRow[];
  readonly ask: Ask;
  readonly scale: number;
  /** Kilos of each card's outcome that it was worked out for. */
  readonly cardKg?: Readonly<Record<string, number>>;
  readonly coreVersion: string;
}

export interface Planned {
  readonly ready: Ready;
  readonly run: Run;
  readonly snapshot: Snapshot;
}

/** A pot that would do, and how many bowls fit it. */
export interface Fits {
  readonly potId: string;
  readonly name: string;
  readonly bowls: number;
}

export type PlanError =
  | { readonly code: 'SOUP_HAS_PROBLEMS'; readonly problems: Extract<Readied, { ok: false }>['problems'] }
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

/** A scale so small that only what does not scale is left. */
const HARDLY_ANY = 1e-4;

function bowlsThatFit(ready: Ready): number {
  const full = scaleForPot(ready);
  return full.ok ? Math.floor(full.run.bowls + 1e-6) : 0;
}

function potsThatFit(soup: Soup, larder: Larder, kit: Kit, ask: Ask): Fits[] {
  return kit.pots.flatMap(({ id, name }) => {
    if (id === ask.potId) return [];
    const readied = makeReady(soup, larder, kit, id, ask.bowlG / 1000);
    if (!readied.ok) return [];
    const bowls = bowlsThatFit(readied.ready);
    return bowls >= ask.bowls ? [{ potId: id, name, bowls }] : [];
  });
}

/** The soup as an ask wants it: in its variant, without what is left out. */
function asked(soup: Soup, { variant, without }: Ask): Soup {
  const own = varied(soup, variant);
  return without === undefined || without.length === 0 ? own : withoutLines(own, new Set(without));
}

/** How often a plan is worked out again because a card that it takes from is made in another amount. */
const MOST_CARD_ROUNDS = 4;
const SAME_AMOUNT = 1e-4;

function sameAmounts(a: CardAmounts, b: CardAmounts): boolean {
  return [...b].every(([id, kg]) => Math.abs((a.get(id) ?? 0) - kg) <= SAME_AMOUNT * kg);
}

function anchoring(ready: Ready, ask: Ask): Anchoring {
  if (ask.anchors !== undefined) return scaleForAnchors(ready, ask.anchors);
  const solved = scaleForBowls(ready, ask.bowls);
  const limiting = { by: 'bowls', bowls: ask.bowls } as const;
  return solved.ok ? { ...solved, limiting } : { ok: false, code: solved.code, anchor: limiting };
}

function notAnchored(ready: Ready, ask: Ask, failed: Extract<Anchoring, { ok: false }>): PlanError {
  if (failed.code === 'CONTRADICTION') return { code: 'ANCHORS_CONTRADICT', contradictions: failed.contradictions };
  const least = run(ready, HARDLY_ANY).bowls;
  if (ask.anchors === undefined && least > ask.bowls) return { code: 'TOO_FEW_FOR_POT', leastBowls: Math.ceil(least) };
  return { code: 'NO_ANSWER', solver: failed.code };
}

/**
 * Plans a soup backwards from bowls, or from any other side, to amounts as purchased, in a named pot. A plan that does
 * not fit is an error that says by how much, how many bowls would fit, and which pots would hold what was asked.
 */
export function makePlan(master: Soup, rows: readonly IngredientRow[], kit: Kit, ask: Ask): Planning {
  const soup = asked(master, ask);
  const larder = makeLarder(rows);
  let amounts: CardAmounts = new Map();
  let ready: Ready;
  let found: Anchoring;
  for (let round = 0; ; round++) {
    const readied = makeReady(soup, larder, kit, ask.potId, ask.bowlG / 1000, amounts);
    if (!readied.ok) return { ok: false, error: { code: 'SOUP_HAS_PROBLEMS', problems: readied.problems } };
    ready = readied.ready;
    found = anchoring(ready, ask);
    if (!found.ok) return { ok: false, error: notAnchored(ready, ask, found) };
    const wanted = cardAmounts(ready, found.run);
    if (sameAmounts(amounts, wanted) || round >= MOST_CARD_ROUNDS) break;
    amounts = wanted;
  }
  const usable = usableM3(ready.vessel);
  if (found.run.peakM3 > usable * (1 + 1e-6)) {
    return {
      ok: false,
      error: {
        code: 'DOES_NOT_FIT',
        peakM3: found.run.peakM3,
        usableM3: usable,
        overM3: found.run.peakM3 - usable,
        bowlsThatFit: bowlsThatFit(ready),
        pots: potsThatFit(soup, larder, kit, ask),
      },
    };
  }
  const used = usedIngredients(ready);
  const snapshot: Snapshot = {
    soup,
    kit,
    rows: rows.filter(({ id }) => used.has(id)),
    ask: ask.anchors === undefined ? ask : { ...ask, bowls: found.run.bowls },
    scale: found.scale,
    ...(amounts.size === 0 ? {} : { cardKg: Object.fromEntries(amounts) }),
    coreVersion: CORE_VERSION,
  };
  return { ok: true, plan: { ready, run: found.run, snapshot } };
}

/** Larder rows that a soup needs, schools and cards included. */
function usedIngredients(ready: Ready): ReadonlySet<string> {
  const ids = new Set(ready.lines.map(({ line }) => line.ingredient.row.id));
  for (const card of ready.cards.values()) for (const id of usedIngredients(card)) ids.add(id);
  return ids;
}

/** A stored plan run again from its snapshot. Throws when the snapshot is not one that `makePlan` made. */
export function rerun(snapshot: Snapshot): Planned {
  const { soup, rows, kit, ask, cardKg } = snapshot;
  const readied = makeReady(soup, makeLarder(rows), kit, ask.potId, ask.bowlG / 1000, new Map(Object.entries(cardKg ?? {})));
  if (!readied.ok) throw new Error('A snapshot holds everything that its soup needs.');
  return { ready: readied.ready, run: run(readied.ready, snapshot.scale), snapshot };
}

/**
 * A soup as written, in the smallest pot that holds it: solved for the bowls it is written for, or, where no pot of
 * the kit can make so few, its amounts as they stand. Undefined when the soup has problems or fits no pot.
 */
export function writtenPlan(soup: Soup, rows: readonly IngredientRow[], kit: Kit): Planned | undefined {
  const { bowls, bowlG } = soup.writtenFor;
  const pots = [...kit.pots].sort((a, b) => usableM3(a) - usableM3(b));
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
  for (const { id } of [...kit.pots].sort((a, b) => usableM3(a) - usableM3(b))) {
    const readied = makeReady(soup, larder, kit, id, bowlG / 1000);
    if (!readied.ok) return undefined;
    const asItStands = run(readied.ready, 1);
    if (asItStands.peakM3 <= usableM3(readied.ready.vessel)) {
      const snapshot: Snapshot = { soup, kit, rows, ask: { bowls, bowlG, potId: id }, scale: 1, coreVersion: CORE_VERSION };
      return { ready: readied.ready, run: asItStands, snapshot };
    }
  }
  return undefined;
}
