import { FAT, SALT, SUGARS, ACID, totalKg, type Ingredient, type Mix } from '../larder/index.js';
import {
  thickeningKg,
  bare,
  bodyMPas,
  contents,
  enthalpyJ,
  gelatinised,
  parcelKg,
  parcelOf,
  priorForBody,
  plusParcel,
  serumMPas,
  solidsForBody,
  temperatureC,
  volumeM3,
  type Parcel,
  type PotState,
} from '../pot/index.js';
import { ACID_HIDES, FAT_CALMS, SUGAR_CALMS, tastesOf } from '../season/index.js';

/** What can be landed, each in its own unit: mPa·s, %, %, index, index, L, °C. */
export const GAUGES = ['body', 'salt', 'fat', 'sour', 'sweet', 'litres', 'temperature'] as const;
export type Gauge = (typeof GAUGES)[number];

export interface Band {
  readonly low: number;
  readonly high: number;
}
export type Bands = Readonly<Partial<Record<Gauge, Band>>>;

/** Something that may be stirred in, in steps. */
export interface Addition {
  readonly id: string;
  readonly ingredient: Ingredient;
  /** One sensible step, kg. */
  readonly stepKg: number;
  readonly mostSteps: number;
  /** Cooked before it goes in, or in the pot: its starch thickens. */
  readonly cooked: boolean;
  readonly tempC: number;
}

/** Boiling down, in steps of minutes at the pot's own rate. */
export interface Reduction {
  readonly kgPerMinute: number;
  readonly stepMinutes: number;
  readonly mostSteps: number;
  readonly costPerMinute: number;
}

export interface LandingCase {
  readonly pot: PotState;
  readonly servedC: number;
  readonly bodyA: number;
  readonly bands: Bands;
  readonly additions: readonly Addition[];
  readonly reduction: Reduction | undefined;
  /** What reaching for one more thing is worth, in the kitchen's currency: fewest and cheapest in one sum. */
  readonly costPerReach: number;
}

/** A mixed-integer solver for models in CPLEX LP format: highs in the application, whatever else answers so in a test. */
export interface Solver {
  solve(
    problem: string,
    options?: Readonly<Record<string, number | boolean | string>>,
  ): {
    readonly Status: string;
    readonly Columns: Readonly<Record<string, { readonly Primal?: number }>>;
  };
}

export interface Landed {
  /** Steps of each addition by id; those of nought are left out. */
  readonly steps: ReadonlyMap<string, number>;
  readonly minutes: number;
  readonly cost: number;
  readonly gauges: Readonly<Record<Gauge, number>>;
}

export interface Miss {
  readonly gauge: Gauge;
  readonly side: 'low' | 'high';
  /** How far outside the band, in the gauge's unit. */
  readonly by: number;
}

export type Landing =
  | { readonly ok: true; readonly landed: Landed }
  | { readonly ok: false; readonly code: 'OUT_OF_REACH'; readonly nearest: Landed; readonly misses: readonly Miss[] }
  | { readonly ok: false; readonly code: 'SOLVER_FAILED'; readonly status: string };

/** Everything the bands need of a mix, each a sum over its parts. */
interface Sums {
  readonly kg: number;
  readonly salt: number;
  readonly fat: number;
  readonly sugars: number;
  readonly acid: number;
  readonly solids: number;
  readonly m3: number;
  /** Enthalpy as it comes, less what it would be at each end of the temperature band. */
  readonly overLowJ: number;
  readonly overHighJ: number;
}

const FAR: Band = { low: Number.NEGATIVE_INFINITY, high: Number.POSITIVE_INFINITY };
const LITRES = 1000;

function sumsOf(parcel: Parcel, tempC: number, servedC: number, heat: Band): Sums {
  const m: Mix = parcel.mix;
  const at = (c: number): number => (Number.isFinite(c) ? enthalpyJ(m, tempC) - enthalpyJ(m, c) : 0);
  return {
    kg: totalKg(m),
    salt: m[SALT],
    fat: m[FAT],
    sugars: m[SUGARS],
    acid: m[ACID],
    solids: thickeningKg(parcel),
    m3: volumeM3(m, servedC),
    overLowJ: at(heat.low),
    overHighJ: at(heat.high),
  };
}

/** Left sides of every band as one linear form per side: at least nought when it is met. In units near one. */
interface Row {
  readonly gauge: Gauge;
  readonly side: 'low' | 'high';
  readonly form: (s: Sums) => number;
}

/**
 * Every band as linear rows. All of them are ratios of sums, so they become linear once multiplied by the mass (sour by
 * mass + 10 sugar + 20 fat); body goes by the solids that it takes over the serum of the last round.
 */
function rowsOf(bands: Bands, solidsPct: Band | undefined): Row[] {
  const rows: Row[] = [];
  const put = (gauge: Gauge, band: Band | undefined, low: (s: Sums, x: number) => number, high = low, flip = true): void => {
    if (band === undefined) return;
    if (Number.isFinite(band.low)) rows.push({ gauge, side: 'low', form: (s) => low(s, band.low) });
    if (Number.isFinite(band.high))
      rows.push({ gauge, side: 'high', form: (s) => (flip ? -high(s, band.high) : high(s, band.high)) });
  };
  put('salt', bands.salt, (s, x) => 100 * s.salt - x * s.kg);
  put('fat', bands.fat, (s, x) => 100 * s.fat - x * s.kg);
  put('sour', bands.sour, (s, x) => 1000 * s.acid - x * (s.kg + (100 / SUGAR_CALMS) * s.sugars + (100 / FAT_CALMS) * s.fat));
  put('sweet', bands.sweet, (s, x) => 100 * s.sugars - 1000 * ACID_HIDES * s.acid - x * s.kg);
  put('litres', bands.litres, (s, x) => s.m3 * LITRES - x);
  put('body', solidsPct, (s, x) => 100 * s.solids - x * s.kg);
  put(
    'temperature',
    bands.temperature,
    (s) => s.overLowJ / 1e4,
    (s) => s.overHighJ / 1e4,
  );
  return rows;
}

function figure(x: number): string {
  return Math.abs(x) < 1e-12 ? '0' : x.toPrecision(15);
}

function signed(x: number, name: string): string {
  return x < 0 ? ` - ${figure(-x)} ${name}` : ` + ${figure(x)} ${name}`;
}

/** Room that a row leaves inside its band so that rounding in the solver can't push the real figure out. */
const INSIDE = 1e-7;

/** The model as text: integer steps, a switch for each thing reached for, and in the elastic round a slack on every row. */
function modelOf(c: LandingCase, rows: readonly Row[], base: Sums, parts: readonly Sums[], elastic: boolean): string {
  const vars = c.additions.map((_, n) => `n${String(n)}`);
  const objective = c.additions.map(({ ingredient, stepKg }, n) => signed(ingredient.row.pricePerKg * stepKg, vars[n] ?? ''));
  const reaches = c.additions.map((_, n) => signed(c.costPerReach, `y${String(n)}`));
  if (c.reduction !== undefined) {
    objective.push(signed(c.reduction.costPerMinute * c.reduction.stepMinutes, 'r'));
    reaches.push(signed(c.costPerReach, 'yr'));
  }
  const all = [...parts, ...(c.reduction === undefined ? [] : [boiledStep(c, c.reduction)])];
  const names = c.reduction === undefined ? vars : [...vars, 'r'];
  const slack = rows.map((_, n) => `s${String(n)}`);
  // In the elastic round only the misses count, each against the width of its band.
  const goal = elastic
    ? rows.map(({ gauge }, n) => signed(1 / rowScale(c.bands, gauge, base), slack[n] ?? ''))
    : [...objective, ...reaches];
  const lines = rows.map(({ form }, n) => {
    // Every row is linear and without a constant but for litres, whose band itself is the constant.
    const zero = form(NO_SUMS);
    const left = names.map((name, i) => signed(form(all[i] ?? NO_SUMS) - zero, name)).join('');
    const room = elastic ? signed(1, slack[n] ?? '') : '';
    return ` c${String(n)}:${left}${room} >= ${figure(-form(base) + INSIDE)}`;
  });
  const switches = c.additions.map(({ mostSteps }, n) => ` k${String(n)}: n${String(n)} - ${String(mostSteps)} y${String(n)} <= 0`);
  if (c.reduction !== undefined) switches.push(` kr: r - ${String(c.reduction.mostSteps)} yr <= 0`);
  const bounds = c.additions.map(({ mostSteps }, n) => ` 0 <= n${String(n)} <= ${String(mostSteps)}`);
  if (c.reduction !== undefined) bounds.push(` 0 <= r <= ${String(c.reduction.mostSteps)}`);
  const ys = [...c.additions.map((_, n) => `y${String(n)}`), ...(c.reduction === undefined ? [] : ['yr'])];
  return [
    'Minimize',
    ` cost:${goal.join('') || ' 0 n0'}`,
    'Subject To',
    ...lines,
    ...switches,
    'Bounds',
    ...bounds,
    'General',
    ` ${names.join(' ')}`,
    'Binary',
    ` ${ys.join(' ')}`,
    'End',
  ].join('\n');
}

/** What a miss of one width of the band weighs, in the row's own units. */
function rowScale(bands: Bands, gauge: Gauge, base: Sums): number {
  const band = bands[gauge] ?? FAR;
  const width = Math.max(1e-3, Number.isFinite(band.high - band.low) ? band.high - band.low : Math.abs(band.low) || 1);
  if (gauge === 'litres') return width;
  if (gauge === 'temperature') return (width * base.kg * 4180) / 1e4;
  return gauge === 'body' ? base.kg * 0.1 : width * base.kg;
}

const NO_SUMS: Sums = { kg: 0, salt: 0, fat: 0, sugars: 0, acid: 0, solids: 0, m3: 0, overLowJ: 0, overHighJ: 0 };

function boiledStep(c: LandingCase, reduction: Reduction): Sums {
  const kg = reduction.kgPerMinute * reduction.stepMinutes;
  const water = bare([kg, 0, 0, 0, 0, 0, 0, 0, 0, 0]);
  const s = sumsOf(water, c.servedC, c.servedC, FAR);
  return { ...NO_SUMS, kg: -kg, m3: -s.m3 };
}

/** A pot with additions stirred in and water boiled away: the forward side, on which every answer is proved. */
export function stirredIn(c: LandingCase, steps: ReadonlyMap<string, number>, minutes: number): PotState {
  let liquid: Parcel = contents(c.pot);
  let joules = enthalpyJ(liquid.mix, c.pot.tempC);
  for (const { id, ingredient, stepKg, cooked, tempC } of c.additions) {
    const kg = (steps.get(id) ?? 0) * stepKg;
    if (kg === 0) continue;
    const raw = parcelOf(ingredient, kg);
    const parcel = cooked ? gelatinised(raw) : raw;
    joules += enthalpyJ(parcel.mix, tempC);
    liquid = plusParcel(liquid, parcel);
  }
  const heated = temperatureC(liquid.mix, joules, c.pot.tempC);
  if (c.reduction !== undefined && minutes > 0) {
    liquid = plusParcel(liquid, bare([c.reduction.kgPerMinute * minutes, 0, 0, 0, 0, 0, 0, 0, 0, 0]), -1);
  }
  return { ...c.pot, liquid, cohorts: [], tempC: heated };
}

export function gaugesOf(pot: PotState, servedC: number, bodyA: number): Record<Gauge, number> {
  const all = contents(pot);
  const tastes = tastesOf(all);
  const kg = parcelKg(all);
  return {
    body: bodyMPas({ ...pot, liquid: all, cohorts: [] }, servedC, bodyA),
    salt: tastes.saltPct,
    fat: kg > 0 ? (all.mix[FAT] / kg) * 100 : 0,
    sour: tastes.sour,
    sweet: tastes.sweet,
    litres: volumeM3(all.mix, servedC) * LITRES,
    temperature: pot.tempC,
  };
}

function missesOf(gauges: Readonly<Record<Gauge, number>>, bands: Bands): Miss[] {
  return GAUGES.flatMap((gauge): Miss[] => {
    const band = bands[gauge];
    if (band === undefined) return [];
    const value = gauges[gauge];
    const slack = 1e-6 * Math.max(1, Math.abs(value));
    if (value < band.low - slack) return [{ gauge, side: 'low', by: band.low - value }];
    return value > band.high + slack ? [{ gauge, side: 'high', by: value - band.high }] : [];
  });
}

/** Cost of an answer as the model counts it. */
export function costOf(c: LandingCase, steps: ReadonlyMap<string, number>, minutes: number): number {
  const bought = c.additions.reduce(
    (sum, { id, ingredient, stepKg }) => sum + (steps.get(id) ?? 0) * stepKg * ingredient.row.pricePerKg,
    0,
  );
  const reaches = [...steps.values()].filter((n) => n > 0).length + (minutes > 0 ? 1 : 0);
  return bought + reaches * c.costPerReach + minutes * (c.reduction?.costPerMinute ?? 0);
}

/** To the last penny; of a dozen variables, what a solver does to make a model smaller costs more than the search itself. */
const SOLVE_BY = {
  mip_rel_gap: 0,
  mip_abs_gap: 0,
  presolve: 'off',
  mip_detect_symmetry: false,
  mip_heuristic_run_feasibility_jump: false,
} as const;

/** Serum is taken from the round before; rounds until the answer stands still. */
const MOST_ROUNDS = 8;
/** The serum is a hundredth of most bodies: what it still moves by then moves the solids by less than a part in a hundred thousand. */
const SERUM_STILL = 1e-3;

/**
 * The fewest and cheapest additions that bring every gauge into its band, as a mixed-integer model over sensible steps;
 * the physics is the core's own: all bands are exact linear rows but for body, whose serum is taken from the round
 * before until it stands still. Every answer is put through the forward side before it is given out. What can't be met
 * comes back as the nearest answer with each band that it misses and by how much.
 */
export function land(c: LandingCase, solver: Solver): Landing {
  const heat = c.bands.temperature ?? FAR;
  const all = contents(c.pot);
  const base = sumsOf(all, c.pot.tempC, c.servedC, heat);
  const parts = c.additions.map(({ ingredient, stepKg, cooked, tempC }) => {
    const raw = parcelOf(ingredient, stepKg);
    return sumsOf(cooked ? gelatinised(raw) : raw, tempC, c.servedC, heat);
  });
  let serum = serumMPas(all.mix, c.servedC);
  let elastic = false;
  let margin = 0;
  let last: Landed | undefined;
  let lastMisses: Miss[] = [];
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const { body } = c.bands;
    const solids: Band | undefined =
      body === undefined
        ? undefined
        : {
            low: Number.isFinite(body.low)
              ? solidsForBody(priorForBody(body.low, c.pot), serum, c.servedC, c.bodyA) * (1 + margin)
              : body.low,
            high: Number.isFinite(body.high)
              ? solidsForBody(priorForBody(body.high, c.pot), serum, c.servedC, c.bodyA) * (1 - margin)
              : body.high,
          };
    const rows = rowsOf(c.bands, solids);
    const solution = solver.solve(modelOf(c, rows, base, parts, elastic), SOLVE_BY);
    if (solution.Status !== 'Optimal') {
      if (elastic) return { ok: false, code: 'SOLVER_FAILED', status: solution.Status };
      elastic = true;
      continue;
    }
    const count = (name: string): number => Math.round(solution.Columns[name]?.Primal ?? 0);
    const steps = new Map(
      c.additions.flatMap(({ id }, n) => (count(`n${String(n)}`) > 0 ? [[id, count(`n${String(n)}`)] as const] : [])),
    );
    const minutes = c.reduction === undefined ? 0 : count('r') * c.reduction.stepMinutes;
    const pot = stirredIn(c, steps, minutes);
    const gauges = gaugesOf(pot, c.servedC, c.bodyA);
    last = { steps, minutes, cost: costOf(c, steps, minutes), gauges };
    lastMisses = missesOf(gauges, c.bands);
    const next = serumMPas(pot.liquid.mix, c.servedC);
    const still = Math.abs(next / serum - 1) < SERUM_STILL;
    if (lastMisses.length === 0 && still) return { ok: true, landed: last };
    if (still && elastic) break;
    if (still) margin += 1e-5;
    serum = next;
  }
  if (last === undefined) return { ok: false, code: 'SOLVER_FAILED', status: 'no answer' };
  return lastMisses.length === 0
    ? { ok: true, landed: last }
    : { ok: false, code: 'OUT_OF_REACH', nearest: last, misses: lastMisses };
}
