import type { Figures } from '../plan/index.js';
import type { FlowKind } from '../pot/index.js';
import type { Ribbon, RibbonFlow } from '../runner/index.js';
import type { SoupStep } from '../soup/index.js';

/** A batch as it was cooked, as far as it is laid beside another. */
export interface CookedOnce {
  /** What really happened. */
  readonly ribbon: Ribbon;
  /** What its plan was to put into bowls, kg: sizes are compared by it. More than 0. */
  readonly sizeKg: number;
  readonly figures: Pick<Figures, FigureName>;
}

/** Figures that two batches are compared by; those of the whole batch are taken at the size of the second. */
export type FigureName = 'cookedKg' | 'bowls' | 'saltPct' | 'bodyMPas' | 'cost' | 'minutes';

/** Something in which the second differs from the first: kg, minutes or the figure's own unit, the first at the size of the second. */
export type Difference = { readonly first: number; readonly second: number } & (
  | { readonly of: 'line'; readonly lineId: string }
  | { readonly of: 'gone'; readonly kind: FlowKind }
  /** What readings found more than was entered; negative where they found less. */
  | { readonly of: 'found' }
  | { readonly of: 'minutes'; readonly stepId: string; readonly op: SoupStep['op'] }
  | { readonly of: 'figure'; readonly figure: FigureName }
);

export interface Compared {
  /** What the first is multiplied by to be as big as the second. */
  readonly scale: number;
  readonly lines: readonly Difference[];
  readonly gone: readonly Difference[];
  readonly found: readonly Difference[];
  readonly minutes: readonly Difference[];
  readonly figures: readonly Difference[];
  /** What differs enough to be told, that which weighs most first. */
  readonly told: readonly Difference[];
}

const INTO: ReadonlySet<FlowKind> = new Set(['ingredient', 'refilled']);
/** What leaves a pot on its way to the bowls; bowls, cups and what is given back are no loss. */
const GONE: ReadonlySet<FlowKind> = new Set(['trim', 'vapour', 'taken out', 'drained', 'sieved off', 'film']);

const OF_THE_WHOLE: ReadonlySet<FigureName> = new Set(['cookedKg', 'bowls', 'cost']);
const FIGURES: readonly FigureName[] = ['cookedKg', 'bowls', 'saltPct', 'bodyMPas', 'cost', 'minutes'];

/** From here a difference is told. Kitchen defaults: what a cook would notice. */
const TOLD = {
  /** Of all that went in. */
  ofAll: 0.01,
  /** Of the line itself, where it is a seasoning. */
  ofLine: 0.2,
  minutes: 5,
  ofMinutes: 0.15,
  ofWhole: 0.02,
  saltPct: 0.03,
  bodyTimes: 1.15,
  ofCost: 0.05,
} as const;

function sums(ribbon: Ribbon): {
  readonly into: Map<string, number>;
  readonly gone: Map<FlowKind, number>;
  readonly foundKg: number;
  readonly minutes: Map<string, { op: SoupStep['op']; minutes: number }>;
} {
  const into = new Map<string, number>();
  const gone = new Map<FlowKind, number>();
  const minutes = new Map<string, { op: SoupStep['op']; minutes: number }>();
  let foundKg = 0;
  for (const { stepId, op, ins, outs, minutes: own } of ribbon.bands.flatMap(({ stops }) => stops)) {
    for (const { kind, lineId, kg } of ins) {
      if (INTO.has(kind)) into.set(lineId, (into.get(lineId) ?? 0) + kg);
      if (kind === 'correction') foundKg += kg;
    }
    for (const { kind, kg } of outs) {
      if (GONE.has(kind)) gone.set(kind, (gone.get(kind) ?? 0) + kg);
      if (kind === 'correction') foundKg -= kg;
    }
    if (own > 0) minutes.set(stepId, { op, minutes: (minutes.get(stepId)?.minutes ?? 0) + own });
  }
  return { into, gone, foundKg, minutes };
}

/** A ribbon as it would be were its batch so many times as big; minutes and heat stay. */
export function scaledRibbon({ bands }: Ribbon, scale: number): Ribbon {
  const flows = (all: readonly RibbonFlow[]): RibbonFlow[] => all.map((flow) => ({ ...flow, kg: flow.kg * scale }));
  return {
    bands: bands.map((band) => ({
      ...band,
      stops: band.stops.map((stop) => ({
        ...stop,
        beforeKg: stop.beforeKg * scale,
        afterKg: stop.afterKg * scale,
        ins: flows(stop.ins),
        outs: flows(stop.outs),
      })),
    })),
  };
}

/** How much a difference weighs, 1 where it is just worth telling. */
function weight(difference: Difference, allKg: number): number {
  const { first, second } = difference;
  const off = Math.abs(second - first);
  const most = Math.max(first, second);
  switch (difference.of) {
    case 'found':
      return allKg > 0 ? off / allKg / TOLD.ofAll : 0;
    case 'line':
    case 'gone': {
      const ofAll = allKg > 0 ? off / allKg / TOLD.ofAll : 0;
      // A seasoning is little of the pot, and a fifth more of it is tasted.
      const isLittle = difference.of === 'line' && most < TOLD.ofAll * allKg;
      return Math.max(ofAll, isLittle && most > 0 ? off / most / TOLD.ofLine : 0);
    }
    case 'minutes':
      return Math.min(off / TOLD.minutes, most > 0 ? off / most / TOLD.ofMinutes : 0);
    case 'figure':
      return figureWeight(difference.figure, first, second);
  }
}

function figureWeight(figure: FigureName, first: number, second: number): number {
  const off = Math.abs(second - first);
  const most = Math.max(first, second);
  switch (figure) {
    case 'saltPct':
      return off / TOLD.saltPct;
    case 'bodyMPas':
      return first > 0 && second > 0 ? Math.abs(Math.log(second / first)) / Math.log(TOLD.bodyTimes) : 0;
    case 'minutes':
      return Math.min(off / (2 * TOLD.minutes), most > 0 ? off / most / (TOLD.ofMinutes / 2) : 0);
    case 'cost':
      return most > 0 ? off / most / TOLD.ofCost : 0;
    case 'cookedKg':
    case 'bowls':
      return most > 0 ? off / most / TOLD.ofWhole : 0;
  }
}

/**
 * Lays a batch beside another of the same soup, in either version.
 *
 * @param second the batch that is asked about: kilos and counts are told at its size
 * @example sideBySide(monday, tuesday).told[0] // { of: 'line', lineId: 'stock', first: 8.4, second: 9.5 }
 */
export function sideBySide(first: CookedOnce, second: CookedOnce): Compared {
  const scale = second.sizeKg / first.sizeKg;
  const [one, other] = [sums(scaledRibbon(first.ribbon, scale)), sums(second.ribbon)];
  const allKg = [...other.into.values()].reduce((sum, kg) => sum + kg, 0);
  const keys = <K>(a: ReadonlyMap<K, unknown>, b: ReadonlyMap<K, unknown>): K[] => [...new Set([...a.keys(), ...b.keys()])];
  const lines = keys(one.into, other.into).map((lineId): Difference => ({
    of: 'line',
    lineId,
    first: one.into.get(lineId) ?? 0,
    second: other.into.get(lineId) ?? 0,
  }));
  const gone = keys(one.gone, other.gone).map((kind): Difference => ({
    of: 'gone',
    kind,
    first: one.gone.get(kind) ?? 0,
    second: (other.gone.get(kind) ?? 0) * scale,
  }));
  const found: Difference[] =
    one.foundKg === 0 && other.foundKg === 0 ? [] : [{ of: 'found', first: one.foundKg, second: other.foundKg }];
  const minutes = keys(one.minutes, other.minutes).flatMap((stepId): Difference[] => {
    const op = (one.minutes.get(stepId) ?? other.minutes.get(stepId))?.op;
    if (op === undefined) return [];
    const of = (from: typeof one): number => from.minutes.get(stepId)?.minutes ?? 0;
    return [{ of: 'minutes', stepId, op, first: of(one), second: of(other) }];
  });
  const figures = FIGURES.map((figure): Difference => ({
    of: 'figure',
    figure,
    first: first.figures[figure],
    second: second.figures[figure] * (OF_THE_WHOLE.has(figure) ? scale : 1),
  }));
  const told = [...figures, ...lines, ...gone, ...found, ...minutes]
    .map((difference) => ({ difference, own: weight(difference, allKg) }))
    .filter(({ own }) => own >= 1)
    .sort((a, b) => b.own - a.own)
    .map(({ difference }) => difference);
  return { scale, lines, gone, found, minutes, figures, told };
}
