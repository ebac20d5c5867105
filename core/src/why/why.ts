import { handsOf } from '../kit/index.js';
import { SODIUM_IN_NACL, energyKj } from '../dish/index.js';
import { allergenNames, SALT, FAT, FIBRE, STARCH } from '../larder/index.js';
import { servedPot, timeline, type PreparedSoup, type Run, type StepRecord } from '../runner/index.js';
import {
  COST,
  CREAM_KG,
  COOKED_STARCH_KG,
  SODIUM_MG,
  thickeningParts,
  bodyMPas,
  parcelKg,
  potKg,
  priorMPas,
  serumMPas,
  volumeM3,
  type Flow,
  type FlowKind,
  type Parcel,
  type PotState,
} from '../pot/index.js';
import type { Planned, RoundedPull } from '../plan/index.js';
import type { Askable } from './askable.js';
import { ruleOf, type Rule } from './rules.js';

/** One contribution: from which line or step, how much, in the figure's unit. */
export interface Part {
  /** A line, a step, or a component of the soup. */
  readonly of: 'line' | 'step' | 'component';
  readonly id: string;
  readonly kind: FlowKind | 'stays' | 'clock' | undefined;
  readonly value: number;
  /** What there is to say of it beside its value. */
  readonly note?: string;
}

/** Where a figure comes from. For a `sum` the parts add up to it exactly; an `attribution` says by name how it shares out. */
export interface Why {
  readonly figure: Askable | 'pull';
  readonly value: number;
  readonly unit: string;
  readonly how: 'sum' | 'attribution';
  readonly attribution: string | undefined;
  readonly parts: readonly Part[];
  readonly rules: readonly Rule[];
}

type Measure = (parcel: Parcel, tempC: number) => number;

/** What adds up: a measure of parcels that is the sum of the measures of their parts. */
const MEASURES: Readonly<Partial<Record<Askable, { readonly measure: Measure; readonly unit: string }>>> = {
  salt: { measure: ({ mix }) => mix[SALT] * 1000, unit: 'g' },
  fat: { measure: ({ mix }) => mix[FAT] * 1000, unit: 'g' },
  fibre: { measure: ({ mix }) => mix[FIBRE] * 1000, unit: 'g' },
  sodium: { measure: ({ mix, carried }) => mix[SALT] * SODIUM_IN_NACL * 1e6 + carried[SODIUM_MG], unit: 'mg' },
  energy: { measure: ({ mix }) => energyKj(mix), unit: 'kJ' },
  cost: { measure: ({ carried }) => carried[COST], unit: 'money' },
  cream: { measure: ({ carried }) => carried[CREAM_KG] * 1000, unit: 'g' },
  yield: { measure: (parcel) => parcelKg(parcel), unit: 'kg' },
};

/** What crossed the rim, in and out, summed by kind and line. */
function crossings(records: readonly StepRecord[], measure: Measure): Part[] {
  const sums = new Map<string, Part>();
  const count = (flow: Flow, sign: 1 | -1): void => {
    if (flow.kind === 'bowls') return;
    const key = `${flow.kind} ${flow.lineId} ${String(sign)}`;
    const value = sign * measure(flow.parcel, flow.tempC) + (sums.get(key)?.value ?? 0);
    const isLine = flow.kind === 'ingredient' || flow.kind === 'trim' || flow.kind === 'taken out' || flow.kind === 'given back';
    sums.set(key, { of: isLine ? 'line' : 'step', id: flow.lineId, kind: flow.kind, value });
  };
  for (const { inflows, outflows } of records) {
    for (const flow of inflows) count(flow, 1);
    for (const flow of outflows) count(flow, -1);
  }
  return [...sums.values()].filter(({ value }) => value !== 0);
}

/** A figure that adds up: everything that came in, less everything that left on the way, is what was dished. */
function summed(prepared: PreparedSoup, of: Run, figure: Askable, measure: Measure, unit: string): Why {
  const dished = of.dished?.parcel;
  const parts = crossings(of.records, measure);
  const left =
    measure(of.pot.liquid, of.pot.tempC) + of.pot.cohorts.reduce((sum, { parcel }) => sum + measure(parcel, of.pot.tempC), 0);
  const all: Part[] = left === 0 ? parts : [...parts, { of: 'step', id: 'pot', kind: 'stays', value: -left }];
  const value = dished === undefined ? 0 : measure(dished, of.dished?.tempC ?? 0);
  return { figure, value, unit, how: 'sum', attribution: undefined, parts: all, rules: ruleOf(figure, prepared) };
}

/** Litres: each component's volume adds up at one temperature (no air, which has left by then). */
function litres(prepared: PreparedSoup, of: Run): Why {
  const tempC = of.dished?.tempC ?? prepared.servedC;
  return summed(prepared, of, 'litres', ({ mix }) => volumeM3(mix, tempC) * 1000, 'L');
}

/** Kilos by line that a step poured in: stock wanted is the sum over the steps that take it. */
function stock(prepared: PreparedSoup, of: Run): Why {
  const liquids = new Set(prepared.lines.filter(({ line }) => line.ingredient.row.group === 'liquids').map(({ line }) => line.id));
  const parts = of.records.flatMap(({ step, inflows }): Part[] =>
    inflows
      .filter(({ kind, lineId }) => kind === 'ingredient' && liquids.has(lineId))
      .map(({ parcel }) => ({ of: 'step', id: step.id, kind: 'ingredient', value: parcelKg(parcel) })),
  );
  const value = parts.reduce((sum, part) => sum + part.value, 0);
  return { figure: 'stock', value, unit: 'kg', how: 'sum', attribution: undefined, parts, rules: ruleOf('stock', prepared) };
}

/** Minutes: by how much each step moves the latest moment at which one is over, in the order of those moments. They add up to the whole. */
function minutes(prepared: PreparedSoup, of: Run): Why {
  const parts: Part[] = [];
  let before = 0;
  const ends = [...timeline(of.tasks, handsOf(prepared.kit))].sort(([, a], [, b]) => a - b);
  for (const [id, overAt] of ends) {
    if (overAt > before) parts.push({ of: 'step', id, kind: 'clock', value: overAt - before });
    before = Math.max(before, overAt);
  }
  return {
    figure: 'minutes',
    value: of.minutes,
    unit: 'min',
    how: 'attribution',
    attribution: 'by how much each step moves the latest moment; branches run side by side, and what can be cut beforehand is',
    parts,
    rules: ruleOf('minutes', prepared),
  };
}

/** Bowls: kilos that are dished over what one bowl takes; shared out step by step as the yield is. */
function bowls(prepared: PreparedSoup, of: Run): Why {
  const perBowl = of.dished === undefined || of.bowls === 0 ? Number.NaN : parcelKg(of.dished.parcel) / of.bowls;
  const kilos = summed(prepared, of, 'yield', (parcel) => parcelKg(parcel), 'kg');
  return {
    figure: 'bowls',
    value: of.bowls,
    unit: 'bowls',
    how: 'attribution',
    attribution: 'each kilo that came or went, over the kilos of one bowl',
    parts: kilos.parts.map((part) => ({ ...part, value: part.value / perBowl })),
    rules: ruleOf('bowls', prepared),
  };
}

/**
 * Body: shares of ln body over the serum. Solids give (A B^b f) together; each component's share of that part is its
 * share of B, times b when it is changed alone. Readings have a part of their own.
 */
function body(prepared: PreparedSoup, of: Run): Why {
  const last = servedPot(of);
  const { bodyA } = prepared.parameters;
  if (last === undefined || potKg(last) === 0) {
    return {
      figure: 'body',
      value: 0,
      unit: 'mPa·s',
      how: 'attribution',
      attribution: undefined,
      parts: [],
      rules: ruleOf('body', prepared),
    };
  }
  const { liquid } = last;
  const value = bodyMPas(last, prepared.servedC, bodyA);
  const serum = serumMPas(liquid.mix, prepared.servedC);
  const shift = Math.log(value / priorMPas(liquid, prepared.servedC, bodyA));
  const overSerum = Math.log(value / serum) - shift;
  const thickening = thickeningParts(liquid);
  const solids: readonly (readonly [string, number])[] = [
    ['fibre', thickening.fibre],
    ['cooked starch', thickening.starch],
    ['protein', thickening.protein],
  ];
  const sum = solids.reduce((all, [, kg]) => all + kg, 0);
  const uncooked = liquid.mix[STARCH] - liquid.carried[COOKED_STARCH_KG];
  const parts: Part[] = [
    { of: 'component', id: 'serum', kind: undefined, value: Math.log(serum) },
    ...solids.map(([id, kg]): Part => ({ of: 'component', id, kind: undefined, value: sum > 0 ? (overSerum * kg) / sum : 0 })),
    ...(uncooked > 1e-9 ? [{ of: 'component', id: 'raw starch', kind: undefined, value: 0 } as const] : []),
    ...(shift === 0 ? [] : [{ of: 'component', id: 'readings', kind: undefined, value: shift } as const]),
  ];
  return {
    figure: 'body',
    value,
    unit: 'mPa·s',
    how: 'attribution',
    attribution:
      'shares of ln body (mPa·s): the serum’s own, what is over it by share of thickening solids, and what readings have moved',
    parts,
    rules: ruleOf('body', prepared),
  };
}

/** What a step took or gave off of its own, step by step. */
function byStep(prepared: PreparedSoup, of: Run, figure: Askable, unit: string, measure: (record: StepRecord) => number): Why {
  const parts = of.records.flatMap((record): Part[] => {
    const value = measure(record);
    return value === 0 ? [] : [{ of: 'step', id: record.step.id, kind: undefined, value }];
  });
  const value = parts.reduce((sum, part) => sum + part.value, 0);
  return { figure, value, unit, how: 'sum', attribution: undefined, parts, rules: ruleOf(figure, prepared) };
}

/** What simmering boils off, as the panel of what does not scale counts it. */
function steamKg({ step, outflows }: StepRecord): number {
  if (step.op !== 'simmer') return 0;
  return outflows.reduce((sum, flow) => (flow.kind === 'vapour' ? sum + parcelKg(flow.parcel) : sum), 0);
}

/** A state of the main pot, step by step: what each changed of it, from what it was at the start to what it is at the end. */
function byChange(
  prepared: PreparedSoup,
  of: Run,
  figure: 'grain' | 'heat',
  unit: string,
  value: number,
  at: (pot: PotState) => number,
): Why {
  const main = of.records.filter(({ branchId }) => branchId === prepared.soup.root.id);
  const start = main[0] === undefined ? 0 : at(main[0].before);
  const steps = main.flatMap(({ step, before, pot }): Part[] => {
    const change = step.op === 'dish' ? 0 : at(pot) - at(before);
    return Math.abs(change) < LEAST_CHANGE ? [] : [{ of: 'step', id: step.id, kind: undefined, value: change }];
  });
  const inBowls = value - steps.reduce((sum, part) => sum + part.value, start);
  const also = (id: string, rest: number): Part[] =>
    Math.abs(rest) < LEAST_CHANGE ? [] : [{ of: 'component', id, kind: undefined, value: rest }];
  return {
    figure,
    value,
    unit,
    how: 'attribution',
    attribution: 'by what each step changed of it, from the empty pot to the bowl',
    parts: [...also('the kitchen, before anything', start), ...steps, ...also('what is stirred into the bowls', inBowls)],
    rules: ruleOf(figure, prepared),
  };
}

/** Less than this is no change, mm or K. */
const LEAST_CHANGE = 1e-3;

/** Allergens: every line that brings one, with its kilos and what it brings. */
function contained(prepared: PreparedSoup, of: Run): Why {
  const parts = prepared.lines.flatMap(({ line: { id, ingredient } }): Part[] => {
    const kg = of.usedKg.get(id) ?? 0;
    const brings = allergenNames(ingredient.allergens);
    return kg > 0 && brings.length > 0 ? [{ of: 'line', id, kind: 'ingredient', value: kg, note: brings.join(', ') }] : [];
  });
  return {
    figure: 'contains',
    value: of.dished === undefined ? 0 : allergenNames(of.dished.parcel.allergens).length,
    unit: 'allergens',
    how: 'attribution',
    attribution: 'by every line that brings one, with the kilos of it',
    parts,
    rules: ruleOf('contains', prepared),
  };
}

/**
 * Why a row of a pull list is what it is: what each step takes of it as bought, what goes into cards that are made too, and
 * what rounding adds or leaves.
 *
 * @returns kilos as bought; undefined where the list has no such row
 */
export function explainPull(planned: Planned, rounded: RoundedPull, ingredient: string, way: string | undefined): Why | undefined {
  const row = rounded.rows.find((own) => own.ingredient === ingredient && own.way === way);
  if (row === undefined) return undefined;
  const lines = new Set(row.lineIds);
  // Of lines that were rounded, what the sums asked for is told by itself, and what rounding made of it beside it.
  const sized = new Map(planned.rounding?.lines.map(({ lineId, exactKg, roundedKg }) => [lineId, exactKg / roundedKg]));
  const parts = planned.run.records.flatMap(({ step, inflows }): Part[] => {
    const kg = inflows.reduce(
      (sum, { lineId, parcel }) => (lines.has(lineId) ? sum + parcelKg(parcel) * (sized.get(lineId) ?? 1) : sum),
      0,
    );
    return kg === 0 ? [] : [{ of: 'step', id: step.id, kind: undefined, value: kg }];
  });
  const inSteps = parts.reduce((sum, { value }) => sum + value, 0);
  const roundedAway = row.lineIds.reduce((sum, id) => {
    const usedKg = planned.run.usedKg.get(id) ?? 0;
    return sum + usedKg * (1 - (sized.get(id) ?? 1));
  }, 0);
  const also = (id: string, value: number): Part[] =>
    Math.abs(value) < LEAST_KG ? [] : [{ of: 'component', id, kind: undefined, value }];
  return {
    figure: 'pull',
    value: row.roundedKg,
    unit: 'kg',
    how: 'sum',
    attribution: undefined,
    parts: [
      ...parts,
      ...also('in soups and bases that go into it', row.boughtKg - roundedAway - inSteps),
      ...also('rounding to what can be bought and weighed', row.roundedKg - row.boughtKg + roundedAway),
    ],
    rules: ruleOf('pull', planned.prepared),
  };
}

/** Less than a hundredth of a gram is nothing in a kitchen, kg. */
const LEAST_KG = 1e-5;

/**
 * Why a figure of a run is what it is: told from the run's own records, never worked out a second time.
 *
 * @example explain(ready, of, 'salt').parts // stock 12 g, cheese 30 g, salt 150 g, film -1 g ... sum: the salt in the bowls
 */
export function explain(prepared: PreparedSoup, of: Run, figure: Askable): Why {
  switch (figure) {
    case 'litres':
      return litres(prepared, of);
    case 'stock':
      return stock(prepared, of);
    case 'minutes':
      return minutes(prepared, of);
    case 'bowls':
      return bowls(prepared, of);
    case 'body':
      return body(prepared, of);
    case 'steam':
      return byStep(prepared, of, figure, 'kg', steamKg);
    case 'boil':
      return byStep(prepared, of, figure, 'min', ({ counts }) => counts?.toBoilMinutes ?? 0);
    case 'trays':
    case 'rounds':
    case 'jugs':
      return byStep(prepared, of, figure, '', ({ counts }) => counts?.[figure] ?? 0);
    case 'contains':
      return contained(prepared, of);
    case 'grain': {
      const mm = ({ grainM }: PotState): number => grainM * 1000;
      const last = of.records.at(-1)?.before;
      return byChange(prepared, of, figure, 'mm', last === undefined ? 0 : mm(last), mm);
    }
    case 'heat':
      return byChange(prepared, of, figure, '°C', of.dished?.tempC ?? 0, ({ tempC }) => tempC);
    default: {
      const own = MEASURES[figure];
      if (own === undefined) throw new Error(`No measure for ${figure}.`);
      return summed(prepared, of, figure, own.measure, own.unit);
    }
  }
}
