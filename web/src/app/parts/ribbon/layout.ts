import type { Ribbon, RibbonFlow, Stop } from '@tureen/core/runner';
import { weighedIn, type UnitSystem } from '@tureen/core/units';

export interface Point {
  readonly x: number;
  readonly kg: number;
  readonly colour: string;
}

/** A band or an arm ready to draw. */
export interface Shape {
  readonly path: string;
  readonly colour: string;
}

export interface Label {
  readonly x: number;
  readonly y: number;
  readonly text: string;
  readonly anchor: 'start' | 'middle' | 'end';
}

export interface Drawn {
  readonly width: number;
  readonly height: number;
  /** The main band, as a closed path, with its colours along it. */
  readonly band: string;
  readonly colours: readonly { readonly at: number; readonly colour: string }[];
  readonly sideBands: readonly Shape[];
  readonly arms: readonly (Shape & { readonly kind: RibbonFlow['kind'] })[];
  readonly labels: readonly Label[];
  readonly stations: readonly Label[];
  readonly endX: number;
  readonly scaleText: string;
  readonly scalePx: number;
}

export interface Frame {
  readonly width: number;
  readonly height: number;
  /** Kilos at full thickness: the same for the plan and what was done, or they could not be compared. */
  readonly mostKg: number;
  /** In what its figures are told. */
  readonly units: UnitSystem;
  readonly left: number;
  readonly right: number;
  /** Rows of labels above the band; with none of them it is a strip: the band, its arms and what it comes to. */
  readonly rows: 0 | 1 | 2;
}

const LABEL_PX = 7.6;
const ROW_PX = 17;
const ARM_PX = 26;
const STRIP_ARM_PX = 12;
/** Room for the mark of where the cook stands. */
const DOT_PX = 8;
const THINNEST_ARM_PX = 3.5;
const TINY_SHARE = 0.004;
const WIDE_OPS = new Set<Stop['op']>(['trim', 'roast', 'sweat', 'cover', 'simmer', 'blend', 'cream', 'rest']);

/** A stop with the lane it is drawn in: 0 the main band, 1 and on for branches that run in from below. */
interface Placed {
  readonly stop: Stop;
  readonly x0: number;
  readonly x1: number;
  readonly lane: number;
}

/**
 * Places every stop from left to right in cooking order. A branch that fills an empty pot is the beginning of the main
 * band; one that joins a pot with something in it runs in a lane below.
 */
export function placed(ribbon: Ribbon, frame: Frame): readonly Placed[] {
  const bands = new Map(ribbon.bands.map((band) => [band.branchId, band]));
  const main = ribbon.bands.at(-1);
  const order: { stop: Stop; lane: number }[] = [];
  const visit = (branchId: string, lane: number): void => {
    for (const stop of bands.get(branchId)?.stops ?? []) {
      if (stop.joins !== undefined) visit(stop.joins, stop.beforeKg > 0 ? lane + 1 : lane);
      order.push({ stop, lane });
    }
  };
  // The band that nothing joins into is the trunk: the one no other stop names.
  const joined = new Set(ribbon.bands.flatMap(({ stops }) => stops.flatMap(({ joins }) => joins ?? [])));
  const trunk = ribbon.bands.find(({ branchId }) => !joined.has(branchId)) ?? main;
  if (trunk !== undefined) visit(trunk.branchId, 0);
  const weight = ({ stop }: { stop: Stop }): number =>
    WIDE_OPS.has(stop.op) || Math.abs(stop.afterKg - stop.beforeKg) > 0.02 * frame.mostKg ? 1 : 0.42;
  const total = order.reduce((sum, one) => sum + weight(one), 0);
  const unit = (frame.right - frame.left) / Math.max(total, 1e-9);
  let x = frame.left;
  return order.map((one) => {
    const x0 = x;
    x += weight(one) * unit;
    return { ...one, x0, x1: x };
  });
}

function smooth(points: readonly { readonly x: number; readonly y: number }[]): string {
  return points
    .map(({ x, y }, n) => {
      const last = points[n - 1];
      if (last === undefined) return `${x.toFixed(1)} ${y.toFixed(1)}`;
      const middle = ((last.x + x) / 2).toFixed(1);
      return `C ${middle} ${last.y.toFixed(1)} ${middle} ${y.toFixed(1)} ${x.toFixed(1)} ${y.toFixed(1)}`;
    })
    .join(' ');
}

/** A closed path around a centre line, as thick as each point is heavy. */
export function bandPath(points: readonly Pick<Point, 'x' | 'kg'>[], centre: number, pxPerKg: number): string {
  if (points.length === 0) return '';
  const top = points.map(({ x, kg }) => ({ x, y: centre - (kg * pxPerKg) / 2 }));
  const bottom = points.map(({ x, kg }) => ({ x, y: centre + (kg * pxPerKg) / 2 })).reverse();
  return `M ${smooth(top)} L ${smooth(bottom)} Z`;
}

function round(amount: number): string {
  const size = Math.abs(amount);
  if (size >= 10) return amount.toFixed(0);
  if (size >= 0.1) return amount.toFixed(1);
  return amount.toFixed(2);
}

const KIND: Readonly<Record<RibbonFlow['kind'], string>> = {
  ingredient: '',
  trim: 'trim',
  vapour: 'steam',
  'taken out': 'out',
  'given back': 'back',
  drained: 'drained',
  'sieved off': 'sieve',
  garnish: 'garnish',
  cup: 'cup',
  'ladled out': 'ladled out',
  refilled: 'second pot',
  film: 'clings',
  bowls: 'bowls',
  correction: 'reading',
};

interface Arm {
  readonly x: number;
  readonly kg: number;
  readonly up: boolean;
  readonly in: boolean;
  readonly edge: number;
  readonly colour: string;
  readonly kind: RibbonFlow['kind'];
  readonly text: string;
}

/** Sums what crosses at one stop by where it goes: in from above, steam up, the rest down. */
function armsOf(
  { stop, x0, x1 }: Placed,
  centre: number,
  pxPerKg: number,
  nameOf: (id: string) => string,
  units: UnitSystem,
): Arm[] {
  const told = (kg: number): string => round(kg / weighedIn(units).kg);
  const half = (stop.afterKg * pxPerKg) / 2;
  const sum = (flows: readonly RibbonFlow[]): number => flows.reduce((kg, flow) => kg + flow.kg, 0);
  const arms: Arm[] = [];
  const ins = stop.ins.filter(({ kind }) => kind === 'ingredient' || kind === 'correction' || kind === 'refilled');
  const biggest = [...ins].sort((a, b) => b.kg - a.kg)[0];
  if (biggest !== undefined && stop.beforeKg > 0) {
    const others = ins.length > 1 ? ` and ${String(ins.length - 1)} more` : '';
    const name = biggest.kind === 'ingredient' ? nameOf(biggest.lineId) : KIND[biggest.kind];
    arms.push({
      x: x1 - 2,
      kg: sum(ins),
      up: true,
      in: true,
      edge: centre - half,
      colour: biggest.colour,
      kind: biggest.kind,
      text: `${name}${others} +${told(sum(ins))}`,
    });
  }
  const steam = stop.outs.filter(({ kind }) => kind === 'vapour');
  if (steam.length > 0) {
    arms.push({
      x: (x0 + x1) / 2,
      kg: sum(steam),
      up: true,
      in: false,
      edge: centre - half,
      colour: '#cfc8bd',
      kind: 'vapour',
      text: `steam −${told(sum(steam))}`,
    });
  }
  const down = stop.outs.filter(({ kind }) => kind !== 'vapour');
  const first = down[0];
  if (first !== undefined) {
    const what =
      first.kind === 'film'
        ? first.lineId === 'jug'
          ? 'jug'
          : 'pot'
        : first.kind === 'taken out'
          ? nameOf(first.lineId)
          : KIND[first.kind];
    arms.push({
      x: (x0 + x1) / 2,
      kg: sum(down),
      up: false,
      in: false,
      edge: centre + half,
      colour: '#c2ad85',
      kind: first.kind,
      text: `${what} −${told(sum(down))}`,
    });
  }
  return arms;
}

function armPxOf({ rows }: Frame): number {
  return rows === 0 ? STRIP_ARM_PX : ARM_PX;
}

function armPath(arm: Arm, pxPerKg: number, armPx: number): string {
  const w = Math.max(THINNEST_ARM_PX, arm.kg * pxPerKg);
  const dir = arm.up ? -1 : 1;
  const y0 = arm.edge;
  const y1 = arm.edge + dir * armPx;
  // An arm that comes in leans from the left, one that leaves leans to the right; both keep their width.
  const lean = arm.in ? -16 : 16;
  const xa = arm.x;
  const xb = arm.x + lean;
  return `M ${xa.toFixed(1)} ${y0.toFixed(1)} C ${xa.toFixed(1)} ${y1.toFixed(1)} ${xb.toFixed(1)} ${y0.toFixed(1)} ${xb.toFixed(1)} ${y1.toFixed(1)} L ${(xb - w).toFixed(1)} ${y1.toFixed(1)} C ${(xb - w).toFixed(1)} ${y0.toFixed(1)} ${(xa - w).toFixed(1)} ${y1.toFixed(1)} ${(xa - w).toFixed(1)} ${y0.toFixed(1)} Z`;
}

/** Puts labels in rows so that none touches another; what finds no room is left to the table. */
export function inRows(
  wanted: readonly { readonly x: number; readonly text: string; readonly weight: number }[],
  rowYs: readonly number[],
  frame: Frame,
): Label[] {
  const taken = rowYs.map((): [number, number][] => []);
  const out: Label[] = [];
  for (const { x, text } of [...wanted].sort((a, b) => b.weight - a.weight)) {
    const width = text.length * LABEL_PX;
    const start = Math.min(Math.max(frame.left, x - width / 2), frame.right - width);
    const row = taken.findIndex((spans) => spans.every(([a, b]) => start > b + 12 || start + width < a - 12));
    const spans = taken[row];
    const y = rowYs[row];
    if (spans === undefined || y === undefined) continue;
    spans.push([start, start + width]);
    out.push({ x: start, y, text, anchor: 'start' });
  }
  return out;
}

/** A round number for the scale bar, in what the kitchen weighs in: about a third of the thickness. */
export function scaleBar(mostKg: number, units: UnitSystem): { readonly kg: number; readonly text: string } {
  const { name, kg: unitKg } = weighedIn(units);
  const steps = [0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100];
  const bar = steps.findLast((amount) => amount * unitKg <= mostKg / 2.2) ?? 0.1;
  return { kg: bar * unitKg, text: `${String(bar)} ${name}` };
}

/** Heaviest moment of a ribbon, kg. */
export function heaviest(ribbon: Ribbon): number {
  return Math.max(0.1, ...ribbon.bands.flatMap(({ stops }) => stops.flatMap(({ beforeKg, afterKg }) => [beforeKg, afterKg])));
}

/** Everything needed to draw a ribbon, as plain paths. */
export function drawn(ribbon: Ribbon, frame: Frame, nameOf: (id: string) => string, stationName: (stop: Stop) => string): Drawn {
  const all = placed(ribbon, frame);
  const { centre, pxPerKg, bandPx } = axisOf(all, frame);
  const mainStops = all.filter(({ lane }) => lane === 0);
  const points: Point[] = [];
  for (const { stop, x0, x1 } of mainStops) {
    const before =
      stop.beforeKg > 0 ? stop.beforeKg : stop.op === 'join' ? stop.afterKg : stop.ins.reduce((sum, { kg }) => sum + kg, 0);
    if (points.length === 0) points.push({ x: x0, kg: before, colour: stop.colour });
    points.push({ x: x1, kg: stop.afterKg, colour: stop.colour });
  }
  const sideLanes = [...new Set(all.filter(({ lane }) => lane > 0).map(({ lane }) => lane))];
  const sideBands = sideLanes.map((lane): Shape => {
    const own = all.filter((one) => one.lane === lane);
    const joinX =
      mainStops.find(({ stop, x0 }) => stop.joins !== undefined && x0 >= (own.at(-1)?.x1 ?? 0) - 1)?.x1 ?? own.at(-1)?.x1 ?? 0;
    const pts = own.map(({ stop, x1 }) => ({ x: x1, kg: Math.max(stop.afterKg, 0.15 / pxPerKg), colour: stop.colour }));
    const first = own[0];
    const start =
      first === undefined
        ? []
        : [{ x: first.x0, kg: first.stop.ins.reduce((sum, { kg }) => sum + kg, 0), colour: first.stop.colour }];
    return {
      path: bandPath(
        [...start, ...pts, { x: joinX, kg: pts.at(-1)?.kg ?? 0, colour: '' }],
        centre + bandPx / 2 + 18 * lane,
        pxPerKg,
      ),
      colour: pts.at(-1)?.colour ?? '#c2ad85',
    };
  });
  const arms = all
    .filter(({ lane }) => lane === 0)
    .flatMap((one) => armsOf(one, centre, pxPerKg, nameOf, frame.units))
    .filter(({ kg }) => kg > TINY_SHARE * frame.mostKg);
  const above = arms.filter(({ up }) => up).map(({ x, text, kg }) => ({ x, text, weight: kg }));
  const below = arms.filter(({ up }) => !up).map(({ x, text, kg }) => ({ x: x + 12, text, weight: kg }));
  const labelBottom = frame.height - ROW_PX - 10;
  const scale = scaleBar(frame.mostKg, frame.units);
  return {
    width: frame.width,
    height: frame.height,
    band: bandPath(points, centre, pxPerKg),
    colours: points.map(({ x, colour }) => ({ at: (x - frame.left) / (frame.right - frame.left), colour })),
    sideBands,
    arms: arms.map((arm) => ({ path: armPath(arm, pxPerKg, armPxOf(frame)), colour: arm.colour, kind: arm.kind })),
    labels:
      frame.rows === 0
        ? []
        : [
            ...inRows(above, frame.rows === 1 ? [ROW_PX - 4] : [2 * ROW_PX - 4, ROW_PX - 4], frame),
            ...inRows(below, [labelBottom], frame),
          ],
    stations: inRows(
      all
        .filter(({ lane }) => lane === 0)
        .map((one) => ({ x: (one.x0 + one.x1) / 2, text: stationName(one.stop), weight: WIDE_OPS.has(one.stop.op) ? 2 : 1 })),
      [frame.height - 5],
      frame,
    ),
    endX: mainStops.at(-1)?.x1 ?? frame.left,
    scaleText: scale.text,
    scalePx: scale.kg * pxPerKg,
  };
}

/** The same stops as another ribbon, so that what was done lies exactly over its plan. */
export function alignedPoints(actual: Ribbon, plan: Ribbon, frame: Frame): readonly Point[] {
  const places = new Map(placed(plan, frame).map((one) => [one.stop.stepId, one]));
  const points: Point[] = [];
  for (const { stop, lane } of placed(actual, frame)) {
    const place = places.get(stop.stepId);
    if (place === undefined || lane > 0) continue;
    const before =
      stop.beforeKg > 0 ? stop.beforeKg : stop.op === 'join' ? stop.afterKg : stop.ins.reduce((sum, { kg }) => sum + kg, 0);
    if (points.length === 0) points.push({ x: place.x0, kg: before, colour: stop.colour });
    points.push({ x: place.x1, kg: stop.afterKg, colour: stop.colour });
  }
  return points;
}

/** Centre line, thickness at most and pixels per kilo of a frame: labels and arms take their room first, the band the rest. */
export function axisOf(
  all: readonly Placed[],
  frame: Frame,
): { readonly centre: number; readonly pxPerKg: number; readonly bandPx: number } {
  const armPx = armPxOf(frame);
  const above = frame.rows === 0 ? armPx + DOT_PX : frame.rows * ROW_PX + armPx;
  const below = armPx + (frame.rows === 0 ? 1 : 2) * ROW_PX + 6 + (all.some(({ lane }) => lane > 0) ? 14 : 0);
  const bandPx = Math.max(24, frame.height - above - below);
  return { centre: above + bandPx / 2, pxPerKg: bandPx / frame.mostKg, bandPx };
}
