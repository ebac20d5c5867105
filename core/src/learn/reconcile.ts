import { CholeskyDecomposition, Matrix, inverse } from 'ml-matrix';
import { asCooked, type CookedBatch, type StoredEntry } from '../batch/index.js';
import { learnedOf } from '../kit/index.js';
import { symmetric } from '../numbers/index.js';
import type { IngredientRow } from '../larder/index.js';
import type { Planned } from '../plan/index.js';
import { covarianceOf, alreadyMoved, withMoves, type Moves } from '../runner/index.js';
import { noises, straightened, type Straight } from './evidence.js';
import { normalOfChiSquare } from './learn.js';
import { SALT_FLOOR, predicted, readingsOf, type Reading } from './readings.js';
import { NOBODYS, hypothesesOf, type Hypothesis, type Suspect } from './suspects.js';

/** One reading beside what all of them together say it should have been. */
export interface Adjusted {
  readonly device: string;
  readonly stepId: string;
  /** What was read, and what fits best with all else: kg, m3, share of salt or mPa·s, as the device reads. */
  readonly read: number;
  readonly adjusted: number;
  /** How far it is off what all else says, in sd. */
  readonly sds: number;
}

export interface Suspected {
  /** One thing, or two at once. */
  readonly suspects: readonly Suspect[];
  /** Times likelier than chance alone. */
  readonly odds: number;
}

/** What a batch's readings and entries say of one another. */
export interface Reconciled {
  readonly readings: readonly Adjusted[];
  /** How far all of it together is from what chance brings, as a standard normal deviate. */
  readonly sds: number;
  /** What explains it, the likeliest first; none where chance is as likely. */
  readonly suspected: readonly Suspected[];
}

/** A suspect is spoken of when it is so many times likelier than chance. */
export const SPOKEN_OF = 9;
const MOST_SUSPECTED = 3;
/** From here a batch as a whole, and one reading of it, is looked into, in sd. */
const LOOKED_INTO_SD = 1.5;
const ONE_LOOKED_INTO_SD = 2.6;
/** Pairs are tried among so many of the likeliest single ones. */
const PAIRED = 8;
/** So many of the likeliest are looked at closely, one by one and in pairs. */
const AGAIN = 14;
const PAIRS_AGAIN = 10;
/** Degrees of freedom with which spreads of the kitchen are trusted: no kitchen is exactly as the defaults say. Kitchen default. */
const TRUST = 30;

/** A batch's linear model: what was seen against what was expected, and how far both may lie apart. */
interface Model {
  readonly off: Matrix;
  readonly inverse: Matrix;
  readonly spread: Matrix;
  readonly lnDet: number;
}

/** ln of the determinant, by its root: of many readings the determinant itself is too small to be a number. */
function lnDetOf(spread: Matrix): number {
  const root = new CholeskyDecomposition(symmetric(spread)).lowerTriangularMatrix;
  return root.diag().reduce((sum, value) => sum + 2 * Math.log(Math.max(Number.MIN_VALUE, value)), 0);
}

function quadratic({ off, inverse: inv }: Pick<Model, 'off' | 'inverse'>): number {
  return off.transpose().mmul(inv).mmul(off).get(0, 0);
}

/** ln likelihood of a Student's t with the model's spread, but for what is the same for all models of a batch. */
function likelihood(model: Model): number {
  const m = model.off.rows;
  return -0.5 * model.lnDet - 0.5 * (TRUST + m) * Math.log1p(quadratic(model) / TRUST);
}

function modelOf(cooked: CookedBatch, { inputs, rows, atDefaults, slopes }: Straight): Model {
  const { kit } = cooked.prepared;
  const already = alreadyMoved(cooked.prepared, inputs);
  const covariance = new Matrix(covarianceOf(kit, inputs));
  const biasOf = (device: string): { by: number; sd: number | undefined } => {
    const figure = learnedOf(kit.learned, `bias:${device}`);
    return { by: figure?.by ?? 0, sd: figure?.sd };
  };
  const expected = slopes.mmul(Matrix.columnVector(inputs.map(({ key }) => already.get(key) ?? 0))).to1DArray();
  const shared = new Matrix(
    rows.map((a) =>
      rows.map((b) => (a.device === b.device ? (biasOf(a.device).sd ?? a.biasSd) * (biasOf(b.device).sd ?? b.biasSd) : 0)),
    ),
  );
  const spread = Matrix.add(Matrix.add(slopes.mmul(covariance).mmul(slopes.transpose()), shared), noises(rows));
  const off = rows.map(({ value, device }, n) => value - (atDefaults[n] ?? 0) - (expected[n] ?? 0) - biasOf(device).by);
  return { off: Matrix.columnVector(off), spread, inverse: inverse(spread), lnDet: lnDetOf(spread) };
}

/** The model with an effect of unknown size in it, and what that size most likely is, in its own sd. */
function withUnknown(model: Model, effect: Matrix): { readonly model: Model; readonly size: number } {
  const spread = Matrix.add(model.spread, effect.mmul(effect.transpose()));
  const g = effect.transpose().mmul(model.inverse);
  const size = g.mmul(model.off).get(0, 0) / (1 + g.mmul(effect).get(0, 0));
  return { model: { off: model.off, spread, inverse: inverse(spread), lnDet: lnDetOf(spread) }, size };
}

interface Tried {
  readonly suspects: readonly Suspect[];
  readonly hypotheses: readonly Hypothesis[];
  /** What the readings move by if it is so: what is expected less what was seen. */
  readonly shift: Matrix;
  readonly unknown: Matrix | undefined;
  readonly score: number;
}

/** How often a count of bowls is broken off. Kitchen default. */
const BROKEN_OFF = 0.2;
/** How well a pot is known where its bowls are laid beside it: 1 sd of ln, kitchen default. */
const POT_SD = 0.03;

function isCount({ device }: Pick<Reading, 'device'>): boolean {
  return device === 'count';
}

class Batch {
  readonly straight: Straight;
  private readonly readings: readonly Reading[];
  private readonly expected: readonly number[];
  private readonly moves: Moves;
  /** Whether the count of bowls lies so near the pot that it is taken for the whole of it. */
  private readonly hasCount: boolean;

  constructor(
    private readonly planned: Planned,
    readonly cooked: CookedBatch,
    straight: Straight,
  ) {
    this.straight = straight;
    this.readings = readingsOf(cooked);
    this.hasCount = this.readings.some(isCount);
    // What the plan has learnt is in its soup already.
    const already = alreadyMoved(cooked.prepared, straight.inputs);
    this.moves = new Map(straight.inputs.map(({ key }) => [key, (straight.moves.get(key) ?? 0) - (already.get(key) ?? 0)]));
    this.expected = this.expect(cooked, this.readings);
  }

  private expect(cooked: CookedBatch, readings: readonly Reading[]): number[] {
    return predicted(cooked, readings, withMoves(cooked.prepared, this.moves), this.moves);
  }

  /** The batch with its record put right. What the page said when steps were ticked is what was given all the same. */
  putRight(entries: readonly StoredEntry[], notGiven: readonly (string | undefined)[]): CookedBatch {
    const own = asCooked(this.planned, entries);
    const held = new Map([...own.held, ...this.cooked.held]);
    for (const stepId of notGiven) if (stepId !== undefined) held.delete(stepId);
    return { ...own, held };
  }

  /** Which readings of a record that was put right can be laid beside those of this one. */
  private readonly isAlike = (reading: Reading): boolean => this.hasCount || !isCount(reading);

  /**
   * How much likelier bowls make it that the record was wrong so, ln: a count that seemed broken off, and comes out once it is
   * put right, was finished after all.
   */
  private countedAfterAll(cooked: CookedBatch): number {
    const count = this.hasCount ? undefined : readingsOf(cooked).find(isCount);
    if (count === undefined) return 0;
    const [expected = Number.NaN] = this.expect(cooked, [count]);
    const sd = Math.hypot(count.biasSd, count.noiseSd, POT_SD);
    const off = (count.low - expected) / sd;
    const density = Math.exp(-0.5 * off * off) / (sd * Math.sqrt(2 * Math.PI));
    return Number.isFinite(density) ? Math.log(((1 - BROKEN_OFF) * density + BROKEN_OFF) / BROKEN_OFF) : 0;
  }

  /** Row by row, how much further off a reading is expected, or was taken, if the record is put right; undefined where it can't be told. */
  shiftOf({ entries, notGiven }: Hypothesis): { readonly shift: Matrix; readonly counted: number } | undefined {
    const cooked = this.putRight(entries, [notGiven]);
    const readings = readingsOf(cooked).filter(this.isAlike);
    if (readings.length !== this.readings.length) return undefined;
    const expected = this.expect(cooked, readings);
    const read = (value: Reading): number => (Number.isFinite(value.low) ? value.low : value.high);
    const shift = Matrix.columnVector(
      this.straight.rows.map((row) => {
        const n = this.readings.findIndex(({ at, device }) => at === row.at && device === row.device);
        const before = this.readings[n];
        const after = readings[n];
        if (before === undefined || after === undefined) return 0;
        const by = (expected[n] ?? 0) - (this.expected[n] ?? 0) - (read(after) - read(before));
        return Number.isFinite(by) ? by : 0;
      }),
    );
    return { shift, counted: this.countedAfterAll(cooked) };
  }

  /** Its likelihood with straight lines set where it lies itself once its record is put right. */
  likelihoodOf(cooked: CookedBatch): number | undefined {
    const straight = straightened(cooked, this.straight.inputs, this.isAlike);
    if (straight?.rows.length !== this.straight.rows.length) return undefined;
    return likelihood(modelOf(cooked, straight)) + this.countedAfterAll(cooked);
  }
}

function tried(batch: Batch, model: Model, hypothesis: Hypothesis): Tried | undefined {
  const moved = batch.shiftOf(hypothesis);
  if (moved === undefined) return undefined;
  const { shift, counted } = moved;
  const { unknown, suspect, prior } = hypothesis;
  if (unknown === undefined) {
    const score = likelihood({ ...model, off: Matrix.sub(model.off, shift) }) + Math.log(prior) + counted;
    return { suspects: [suspect], hypotheses: [hypothesis], shift, unknown: undefined, score };
  }
  const effect = Matrix.mul(shift, unknown.sdKg / unknown.kg);
  const found = withUnknown(model, effect);
  const kg = found.size * unknown.sdKg;
  // Less than nothing was not added.
  if (!(kg > 0) || suspect.what !== 'missing') return undefined;
  const score = likelihood(found.model) + Math.log(2 * prior);
  return { suspects: [{ ...suspect, kg }], hypotheses: [hypothesis], shift: Matrix.zeros(shift.rows, 1), unknown: effect, score };
}

/** Two at once, as if they did not touch one another: straight lines add. */
function both(model: Model, a: Tried, b: Tried): Tried | undefined {
  const [first] = a.hypotheses;
  const [second] = b.hypotheses;
  if (first === undefined || second === undefined || (a.unknown !== undefined && b.unknown !== undefined)) return undefined;
  const shift = Matrix.add(a.shift, b.shift);
  const moved: Model = { ...model, off: Matrix.sub(model.off, shift) };
  const unknown = a.unknown ?? b.unknown;
  const prior = Math.log(first.prior) + Math.log(second.prior);
  const base = { hypotheses: [first, second], shift, unknown };
  if (unknown === undefined) return { ...base, suspects: [...a.suspects, ...b.suspects], score: likelihood(moved) + prior };
  const found = withUnknown(moved, unknown);
  if (!(found.size > 0)) return undefined;
  const sized = [...a.suspects, ...b.suspects].map((suspect, n): Suspect => {
    const sdKg = [first, second][n]?.unknown?.sdKg;
    return suspect.what === 'missing' && sdKg !== undefined ? { ...suspect, kg: found.size * sdKg } : suspect;
  });
  return { ...base, suspects: sized, score: likelihood(found.model) + prior + Math.log(2) };
}

/** What was added by an amount that the readings found, put in. */
function sizedEntries(entries: readonly StoredEntry[], suspects: readonly Suspect[]): readonly StoredEntry[] {
  const missing = suspects.find((suspect) => suspect.what === 'missing');
  if (missing === undefined) return entries;
  return entries.map((entry) =>
    entry.id === NOBODYS && entry.action.kind === 'brought'
      ? { ...entry, action: { ...entry.action, kg: Math.min(5000, missing.kg) } }
      : entry,
  );
}

/** The entries of one explanation; of two at once, the second's change made to what the first has left. */
function entriesOf(counted: readonly StoredEntry[], { hypotheses: [first, second] }: Tried): readonly StoredEntry[] {
  if (first === undefined) return counted;
  if (second === undefined) return first.entries;
  const had = new Map(counted.map((entry) => [entry.id, entry]));
  const changes = new Map(second.entries.flatMap((entry) => (had.get(entry.id) === entry ? [] : [[entry.id, entry] as const])));
  const kept = new Set(second.entries.map(({ id }) => id));
  const own = new Set(first.entries.map(({ id }) => id));
  return [
    ...first.entries.flatMap((entry) => (had.has(entry.id) && !kept.has(entry.id) ? [] : [changes.get(entry.id) ?? entry])),
    ...second.entries.filter(({ id }) => !had.has(id) && !own.has(id)),
  ];
}

/**
 * An explanation scored again with straight lines where the batch lies once its record is put right. An amount that was found
 * out counts by how unlikely so much of it was before, and how narrowly the readings have it (Laplace).
 */
function scoredAgain(batch: Batch, model: Model, one: Tried): Tried | undefined {
  const { counted } = batch.cooked.state.history;
  const entries = sizedEntries(entriesOf(counted, one), one.suspects);
  const found = batch.likelihoodOf(
    batch.putRight(
      entries,
      one.hypotheses.map(({ notGiven }) => notGiven),
    ),
  );
  if (found === undefined) return undefined;
  const prior = one.hypotheses.reduce((sum, hypothesis) => sum + Math.log(hypothesis.prior), 0);
  const missing = one.suspects.find((suspect) => suspect.what === 'missing');
  const sdKg = one.hypotheses.find(({ unknown }) => unknown !== undefined)?.unknown?.sdKg;
  if (missing === undefined || sdKg === undefined || one.unknown === undefined) return { ...one, score: found + prior };
  const precision = one.unknown.transpose().mmul(model.inverse).mmul(one.unknown).get(0, 0);
  const size = missing.kg / sdKg;
  return { ...one, score: found + prior + Math.LN2 - 0.5 * size ** 2 - 0.5 * Math.log1p(precision) };
}

/** Of what kinds an explanation is, in one word. */
function kindsOf({ suspects }: Tried): string {
  return suspects
    .map(({ what }) => what)
    .sort()
    .join(' ');
}

/** Whether two explanations are of one thing: the same kind of slip at the same entry or line. */
function sameThing(a: Tried, b: Tried): boolean {
  const keyOf = (suspect: Suspect): string =>
    suspect.what === 'missing' || suspect.what === 'another'
      ? `${suspect.what} ${suspect.line}`
      : 'entryId' in suspect
        ? suspect.entryId
        : suspect.what === 'measure'
          ? `measure ${suspect.vessel}`
          : suspect.what;
  const keys = new Set(a.suspects.map(keyOf));
  return b.suspects.some((suspect) => keys.has(keyOf(suspect)));
}

/**
 * Lays everything that was read and counted in a batch beside what its entries say, under the balances of the one runner
 * (straight lines about the likeliest batch), and names what would explain the difference. Least squares with measurement
 * tests after Narasimhan and Jordache (2000); suspects by likelihood, each with how often such a thing happens. Undefined
 * when nothing was read.
 *
 * @param rows larder rows that somebody might have taken by mistake.
 */
export function reconcile(
  planned: Planned,
  entries: readonly StoredEntry[],
  rows: readonly IngredientRow[] = [],
): Reconciled | undefined {
  const cooked = asCooked(planned, entries);
  const straight = straightened(cooked);
  if (straight === undefined) return undefined;
  const model = modelOf(cooked, straight);
  const tests = model.inverse.mmul(model.off).to1DArray();
  const adjusted = straight.rows.map(({ device, stepId, value, sd }, n): Adjusted => {
    const test = tests[n] ?? 0;
    const precision = model.inverse.get(n, n);
    const floor = device === 'salt meter' ? SALT_FLOOR : 0;
    const readAs = (ln: number): number => Math.max(0, Math.exp(ln) - floor);
    return { device, stepId, read: readAs(value), adjusted: readAs(value - sd ** 2 * test), sds: test / Math.sqrt(precision) };
  });
  const sds = normalOfChiSquare(quadratic(model), model.off.rows);
  // Nothing to explain: what is odd in no way needs no suspect, and looking for one is most of the work.
  const isOdd = sds > LOOKED_INTO_SD || adjusted.some((one) => Math.abs(one.sds) > ONE_LOOKED_INTO_SD);
  return { readings: adjusted, sds, suspected: isOdd ? suspectedOf(new Batch(planned, cooked, straight), model, rows) : [] };
}

function suspectedOf(batch: Batch, model: Model, rows: readonly IngredientRow[]): Suspected[] {
  const chance = likelihood(model);
  const singles = hypothesesOf(batch.cooked, rows)
    .flatMap((hypothesis) => tried(batch, model, hypothesis) ?? [])
    .sort((a, b) => b.score - a.score);
  const closely = singles.slice(0, AGAIN).flatMap((one) => scoredAgain(batch, model, one) ?? []);
  const best = Math.max(...closely.map(({ score }) => score));
  const top: Tried[] = [];
  for (const one of singles) if (top.length < PAIRED && top.every((other) => !sameThing(one, other))) top.push(one);
  // The second may make things worse by itself: a weight that is too high hides an amount that is too large.
  const pairs = top
    .flatMap((a, n) => singles.flatMap((b) => (sameThing(a, b) || top.slice(0, n).includes(b) ? [] : (both(model, a, b) ?? []))))
    .sort((a, b) => b.score - a.score)
    // Straight lines are far off where two large things happened: of each kind of pair the best is looked at again.
    .filter((one, n, all) => all.findIndex((other) => kindsOf(other) === kindsOf(one)) === n)
    .slice(0, PAIRS_AGAIN)
    .flatMap((one) => scoredAgain(batch, model, one) ?? [])
    // A pair has to be likelier than its better half by more than that it is a pair.
    .filter(({ score }) => score > best);
  const said: Tried[] = [];
  for (const one of [...closely, ...pairs].sort((a, b) => b.score - a.score)) {
    if (said.length >= MOST_SUSPECTED || one.score - chance < Math.log(SPOKEN_OF)) break;
    if (said.every((other) => !sameThing(one, other))) said.push(one);
  }
  return said.map(({ suspects, score }) => ({ suspects, odds: Math.exp(score - chance) }));
}
