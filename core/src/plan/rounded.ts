import { run } from '../line/index.js';
import { roundTogether, unitsOf, weighedUnit, withKilos, type RoundedLine } from '../solve/index.js';
import { UNITS, type UnitSystem } from '../units/index.js';
import { figuresOf, pullList, type Figures, type PullRow } from './figures.js';
import type { Planned } from './plan.js';

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

/**
 * Rounds a plan's pull list together: what is counted to whole pieces and cans, what is weighed to the step of a
 * kitchen scale in its units, all with the least drift from one proportion. What a step settles in the pot (stock to
 * cover, salt, cream) is rounded up to the next step of the scale, so that there is enough.
 */
export function roundedPull(planned: Planned, system: UnitSystem): RoundedPull {
  const { ready, run: exact } = planned;
  const kgOf = (lineId: string): number => exact.usedKg.get(lineId) ?? 0;
  const isPiece = new Set(
    ready.soup.lines.flatMap(({ id, amount }) =>
      (amount.rule === 'scaled' || amount.rule === 'spice') && amount.amount.unit === 'piece' ? [id] : [],
    ),
  );
  const units = unitsOf(ready, kgOf).map((unit) =>
    system === 'metric' || isPiece.has(unit.lineId) ? unit : { ...unit, unitKg: inOunces(kgOf(unit.lineId)) },
  );
  const rounding = roundTogether(units, kgOf);
  const rounded = new Map<string, RoundedLine>(rounding.lines.map((line) => [line.lineId, line]));
  const made = run(
    withKilos(ready, new Map(rounding.lines.map(({ lineId, roundedKg }) => [lineId, roundedKg]))),
    planned.snapshot.scale,
  );
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
      pieces: alike ? { count: lines.reduce((sum, { count }) => sum + count, 0), size: first.label } : undefined,
    };
  });
  const most = rounding.lines.reduce<RoundedLine | undefined>(
    (a, b) => (a === undefined || Math.abs(b.drift) > Math.abs(a.drift) ? b : a),
    undefined,
  );
  return {
    rows,
    factor: rounding.factor,
    drift: rounding.drift,
    most: most === undefined ? undefined : { lineId: most.lineId, drift: Math.exp(most.drift) - 1 },
    figures: figuresOf(ready, made),
  };
}
