import { run, type PreparedSoup } from '../runner/index.js';
import {
  mostStrayed,
  roundTogether,
  unitsOf,
  weighedUnit,
  withKilos,
  type RoundedLine,
  type Rounding,
  type Unit,
  ingredientKg,
} from '../solve/index.js';
import { UNITS, type UnitSystem } from '../units/index.js';
import { figuresOf, pullList, type Figures, type PullRow } from './figures.js';
import { usableM3, type Kit } from '../kit/index.js';
import type { IngredientRow } from '../larder/index.js';
import { linesOf, walk, type Soup } from '../soup/index.js';
import { makePlan, type Planned, type Planning } from './plan.js';
import type { PlanRequest } from './request.js';

/** One row of a pull list in what can be bought and measured. */
export interface RoundedRow extends PullRow {
  readonly roundedKg: number;
  /** So many pieces, cans or cartons of a size; undefined for what is weighed out. */
  readonly pieces: { readonly count: number; readonly size: string } | undefined;
}

/** A pull list rounded to what can be bought and measured, and what that makes of the batch. */
export interface RoundedPull {
  readonly rows: readonly RoundedRow[];
  /** By how much the batch grows or shrinks as a whole. */
  readonly factor: number;
  /** Root mean square of how far the lines stray from one proportion, as a share. */
  readonly drift: number;
  /** The line that strays most, with its stray as a share. */
  readonly most: { readonly lineId: string; readonly drift: number } | undefined;
  /** The figures of the batch made of the rounded amounts, from a run of its own. */
  readonly figures: Figures;
}

/** Steps in which an American or British scale weighs, kg: a tenth of an ounce, half an ounce, half a pound. */
function inOunces(kg: number): number {
  const ounce = UNITS.oz.si;
  return kg < 2 * ounce ? ounce / 10 : kg < UNITS.lb.si ? ounce / 2 : kg < 10 * UNITS.lb.si ? ounce : UNITS.lb.si / 4;
}

function stepKg(lineId: string, kg: number, system: UnitSystem): number {
  return system === 'metric' ? weighedUnit(lineId, kg).unitKg : inOunces(kg);
}

/** Lines that are counted in pieces, cans or cartons. */
function pieceLines({ soup }: Pick<PreparedSoup, 'soup'>): ReadonlySet<string> {
  return new Set(
    soup.lines.flatMap(({ id, amount }) =>
      (amount.rule === 'scaled' || amount.rule === 'spice') && amount.amount.unit === 'piece' ? [id] : [],
    ),
  );
}

/** Lines that go by the bowl: how many bowls there are decides how much of them is taken. */
function bowlLines({ soup }: Pick<PreparedSoup, 'soup'>): ReadonlySet<string> {
  return new Set(walk(soup.root).flatMap(({ step }) => (step.op === 'dish' ? linesOf(step).map(({ line }) => line) : [])));
}

const NOTHING_KG = 1e-12;
/** A batch that is asked for in bowls may grow by so much in rounding, and not shrink. Kitchen default. */
const FOR_BOWLS = { least: 1, most: 1.02 } as const;
/** How far a batch that a limit decides may shrink in rounding; it may not grow. Kitchen default. */
const WITHIN_LIMITS = { least: 0.95, most: 1 } as const;

type Within = Parameters<typeof roundTogether>[2];

/** Bowls that are short by less are all there. */
const SHORT_BOWLS = 0.02;
/** How often a batch that falls short of its bowls is rounded up once more. */
const MOST_TRIES = 6;

/** What a side that is limited may shrink, and one that is wanted may grow. */
function withinOf(anchors: NonNullable<PlanRequest['anchors']>): Within {
  const isWanted = anchors.every(({ by }) => by === 'bowls' || by === 'kg' || by === 'litres');
  return isWanted ? FOR_BOWLS : WITHIN_LIMITS;
}

function cooked(exact: Planned, rounding: Rounding): Planned {
  const lineKg = new Map(rounding.lines.map(({ lineId, roundedKg }) => [lineId, roundedKg]));
  const prepared = withKilos(exact.prepared, lineKg, exact.snapshot.scale);
  return {
    prepared,
    run: run(prepared, exact.snapshot.scale),
    snapshot: { ...exact.snapshot, lineKg: Object.fromEntries(lineKg) },
    rounding,
  };
}

/**
 * A plan in what can be bought and measured, in the units of its kitchen: its lines are rounded once, and what the pull list
 * says is what is stored, cooked and counted. Bowls that were asked for are all there; a pot or a stock that was a limit is
 * not passed.
 */
export function toBuy(exact: Planned): Planned {
  const { kit, request } = exact.snapshot;
  const usable = usableM3(exact.prepared.vessel) * (1 + 1e-6);
  if (request.anchors !== undefined) return cooked(exact, roundingOf(exact, kit.units, 1, withinOf(request.anchors)));
  let times = 1;
  let best = exact;
  for (let n = 0; n < MOST_TRIES; n++) {
    const made = cooked(exact, roundingOf(exact, kit.units, times, FOR_BOWLS));
    if (made.run.peakM3 > usable) break;
    best = made;
    if (made.run.bowls >= request.bowls - SHORT_BOWLS) break;
    times *= (request.bowls / Math.max(1e-9, made.run.bowls)) * 1.002;
  }
  return best === exact ? cooked(exact, roundingOf(exact, kit.units, 1, WITHIN_LIMITS)) : best;
}

/** What `makePlan` makes, in what can be bought and measured. */
export function planToBuy(master: Soup, rows: readonly IngredientRow[], kit: Kit, request: PlanRequest): Planning {
  const planning = makePlan(master, rows, kit, request);
  return planning.ok ? { ok: true, plan: toBuy(planning.plan) } : planning;
}

/**
 * Rounds a plan's lines together: what is counted to whole pieces and cans, what is weighed to the step of a kitchen
 * scale in its units, all with the least drift from one proportion. What is a limit (a pot, the trays, what is on hand)
 * is not passed by it.
 */
export function roundingOf({ prepared, run: exact, snapshot }: Planned, system: UnitSystem, times = 1, within?: Within): Rounding {
  const kgOf = (lineId: string): number => (exact.usedKg.get(lineId) ?? 0) * times;
  const pieces = pieceLines(prepared);
  const inBowls = bowlLines(prepared);
  const anchors = snapshot.request.anchors ?? [];
  const limits = anchors.filter(({ by }) => by === 'pot' || by === 'trays' || by === 'jugs' || by === 'on hand');
  const onHand = new Map(limits.flatMap((anchor) => (anchor.by === 'on hand' ? [[anchor.ingredient, anchor.kg] as const] : [])));
  const measured = unitsOf(prepared, kgOf).filter(({ lineId }) => !inBowls.has(lineId));
  const units = measured.map((unit): Unit => {
    const own = system === 'metric' || pieces.has(unit.lineId) ? unit : { ...unit, unitKg: inOunces(kgOf(unit.lineId)) };
    const ingredient = prepared.lines.find(({ line }) => line.id === unit.lineId)?.line.ingredient.row.id ?? '';
    const haveKg = onHand.get(ingredient);
    if (haveKg === undefined) return own;
    return { ...own, mostKg: (haveKg * kgOf(unit.lineId)) / Math.max(NOTHING_KG, ingredientKg(prepared, exact, ingredient)) };
  });
  return roundTogether(units, kgOf, within ?? (limits.length === 0 ? undefined : WITHIN_LIMITS));
}

/**
 * A plan's pull list in what can be bought and measured. What a step settles in the pot (stock to cover, salt, cream) is
 * rounded up to the next step of the scale, so that there is enough.
 */
export function roundedPull(planned: Planned, system: UnitSystem): RoundedPull {
  const { prepared } = planned;
  const rounding = planned.rounding ?? roundingOf(planned, system);
  const rounded = new Map<string, RoundedLine>(rounding.lines.map((line) => [line.lineId, line]));
  const isPiece = pieceLines(prepared);
  const made = (planned.rounding === undefined ? cooked(planned, rounding) : planned).run;
  const rows = pullList(planned).map((row): RoundedRow => {
    const own = row.lineIds.map((id) => rounded.get(id));
    if (own.some((line) => line === undefined)) {
      const wantedKg = row.lineIds.reduce((sum, id) => sum + (made.usedKg.get(id) ?? 0), 0) || row.boughtKg;
      const step = stepKg(row.lineIds[0] ?? '', wantedKg, system);
      return { ...row, roundedKg: Math.ceil(wantedKg / step - 1e-6) * step, pieces: undefined };
    }
    const lines = own.flatMap((line) => line ?? []);
    const [first] = lines;
    const alike = first !== undefined && lines.every(({ lineId, label }) => isPiece.has(lineId) && label === first.label);
    return {
      ...row,
      roundedKg: lines.reduce((sum, { roundedKg }) => sum + roundedKg, 0),
      pieces: alike
        ? { count: lines.reduce((sum, { count, pieces = 1 }) => sum + count * pieces, 0), size: first.label }
        : undefined,
    };
  });
  const most = mostStrayed(rounding);
  return {
    rows,
    factor: rounding.factor,
    drift: rounding.drift,
    most: most === undefined ? undefined : { lineId: most.lineId, drift: Math.expm1(most.drift) },
    figures: figuresOf(prepared, made),
  };
}
