import { Matrix, inverse } from 'ml-matrix';
import type { CookedBatch } from '../batch/index.js';
import { POURED_SD } from '../steps/index.js';
import { covarianceOf, inputsOf, alreadyMoved, withMoves, type Input, type InputPart, type Moves } from '../runner/index.js';
import { predicted, readingsOf, type Reading } from './readings.js';

/**
 * What one batch says of the kitchen's own figures, as straight lines: `seen = slopes · figures + error`, where the figures
 * are offsets from the defaults and the error is normal with covariance `spread`: noise of the readings and all that one
 * batch strays by itself. It depends on no other batch, so that the order in which batches are closed does not matter.
 */
export interface Evidence {
  readonly keys: readonly string[];
  /** 1 sd of each figure before anything is learnt. */
  readonly priorSd: readonly number[];
  readonly seen: readonly number[];
  readonly slopes: readonly (readonly number[])[];
  readonly spread: readonly (readonly number[])[];
  /** Device and step of each row. */
  readonly rows: readonly { readonly device: string; readonly stepId: string }[];
}

/** More readings than this of one batch say no more than so many of them. */
const MOST_ROWS = 48;
/** How far an input is moved to see what it does, in its own sd. */
const NUDGE = 0.3;
/** Rounds of setting straight lines where the batch itself lies. */
const ROUNDS = 2;
/** Least effect of 1 sd of an input on any reading that is worth a column, ln. */
const LEAST_EFFECT = 1e-5;
/** A pot that is covered by eye gets so much more or less than the bed asks for: 1 sd of ln, kitchen default. */
const COVERED_SD = 0.08;

/** Everything that a batch's readings may lean on: the plan's inputs, and how full a pot was that was covered by eye. */
function leaningsOf(cooked: CookedBatch): Input[] {
  const covered = cooked.state.happened.flatMap(({ step }): Input[] =>
    step.op === 'cover' && cooked.held.has(step.id)
      ? [{ key: `covered:${step.id}`, of: 'measured', parameter: undefined, lineId: undefined, parts: [], noiseSd: COVERED_SD }]
      : [],
  );
  return [...inputsOf(cooked.prepared), ...covered];
}

/** Readings thinned out evenly where there are very many. */
function thinned(readings: readonly Reading[]): readonly Reading[] {
  if (readings.length <= MOST_ROWS) return readings;
  return Array.from({ length: MOST_ROWS }, (_, n) => readings[Math.floor((n * readings.length) / MOST_ROWS)]).filter(
    (one) => one !== undefined,
  );
}

interface Row extends Reading {
  readonly value: number;
  readonly sd: number;
  /** By how much, ln, what was poured should have moved the body since it was first read. */
  readonly sinceLn: number;
}

/** A reading as one value; undefined where a bound says nothing, because the batch lies on its right side by itself. */
function valued(reading: Reading, expected: number): Omit<Row, 'sinceLn'> | undefined {
  const { low, high, noiseSd } = reading;
  if (Number.isNaN(expected)) return undefined;
  if (Number.isFinite(low) && Number.isFinite(high)) {
    return { ...reading, value: (low + high) / 2, sd: Math.hypot(noiseSd, (high - low) / Math.sqrt(12)) };
  }
  if (Number.isFinite(high)) return expected <= high ? undefined : { ...reading, value: high, sd: noiseSd };
  return !Number.isFinite(low) || expected >= low ? undefined : { ...reading, value: low, sd: noiseSd };
}

/** A batch's readings as straight lines in its inputs, set where the batch itself lies. */
export interface Straight {
  readonly inputs: readonly Input[];
  readonly rows: readonly Row[];
  /** What the readings would be at the inputs' defaults, by the straight lines. */
  readonly atDefaults: readonly number[];
  /** Row by row, change of a reading by change of an input. */
  readonly slopes: Matrix;
  /** Where the batch most likely lies. */
  readonly moves: Moves;
}

/** Covariance of what readings of one device share. */
function biases(rows: readonly Row[]): Matrix {
  return new Matrix(rows.map((a) => rows.map((b) => (a.device === b.device ? a.biasSd * b.biasSd : 0))));
}

/** What one batch's readings stray by themselves: the more so, the more has been poured since the body was first read. */
export function noises(rows: readonly Row[]): Matrix {
  return Matrix.diag(rows.map(({ sd, sinceLn }) => sd ** 2 + (POURED_SD * sinceLn) ** 2));
}

/** A forward run at moves from the defaults: what the plan has learnt already is in its soup and taken off. */
function runner(cooked: CookedBatch, inputs: readonly Input[]): (readings: readonly Reading[], moves: Moves) => number[] {
  const already = alreadyMoved(cooked.prepared, inputs);
  return (readings, moves) => {
    const off = new Map(inputs.map(({ key }) => [key, (moves.get(key) ?? 0) - (already.get(key) ?? 0)] as const));
    const nonzero = new Map([...off].filter(([, by]) => by !== 0));
    return predicted(cooked, readings, withMoves(cooked.prepared, nonzero), nonzero);
  };
}

/**
 * Gauss and Newton: straight lines at the defaults, the likeliest inputs by them, straight lines there. Two rounds; undefined
 * when nothing was read.
 *
 * @param all the inputs that are looked at: all that the batch leans on, unless a few are known to do.
 * @param isTaken which of its readings count.
 */
export function straightened(
  cooked: CookedBatch,
  all: readonly Input[] = leaningsOf(cooked),
  isTaken: (reading: Reading) => boolean = () => true,
): Straight | undefined {
  const readings = thinned(readingsOf(cooked).filter(isTaken));
  if (readings.length === 0) return undefined;
  const expect = runner(cooked, all);
  const covariance = covarianceOf({}, all);
  const sdOf = (n: number): number => Math.sqrt(covariance[n]?.[n] ?? 0);
  let inputs: readonly Input[] = all;
  let moves: Moves = new Map();
  let straight: Straight | undefined;
  for (let round = 0; round < ROUNDS; round++) {
    const here = expect(readings, moves);
    const firstBody = here.find((_, n) => readings[n]?.isBody === true) ?? 0;
    const rows = readings.flatMap((reading, n): Row[] => {
      const row = valued(reading, here[n] ?? Number.NaN);
      return row === undefined ? [] : [{ ...row, sinceLn: reading.isBody ? (here[n] ?? 0) - firstBody : 0 }];
    });
    if (rows.length === 0) return undefined;
    const base = expect(rows, moves);
    const columns = inputs.map((input) => {
      const sd = sdOf(all.indexOf(input));
      const step = NUDGE * sd;
      const there = expect(rows, new Map([...moves, [input.key, (moves.get(input.key) ?? 0) + step]]));
      return { input, sd, slopes: there.map((value, n) => (Number.isNaN(value) ? 0 : (value - (base[n] ?? 0)) / step)) };
    });
    const told = columns.filter(({ slopes, sd }) => slopes.some((slope) => Math.abs(slope) * sd > LEAST_EFFECT));
    inputs = told.map(({ input }) => input);
    if (inputs.length === 0) return undefined;
    const slopes = new Matrix(told.map((one) => one.slopes)).transpose();
    const at = Matrix.columnVector(inputs.map(({ key }) => moves.get(key) ?? 0));
    const atDefaults = Matrix.sub(Matrix.columnVector(base), slopes.mmul(at)).to1DArray();
    const c = new Matrix(covarianceOf({}, inputs));
    const ch = c.mmul(slopes.transpose());
    const s = Matrix.add(Matrix.add(slopes.mmul(ch), biases(rows)), noises(rows));
    const off = Matrix.columnVector(rows.map(({ value }, n) => value - (atDefaults[n] ?? 0)));
    const likeliest = ch.mmul(inverse(s)).mmul(off).to1DArray();
    moves = new Map(inputs.map(({ key }, n) => [key, likeliest[n] ?? 0]));
    straight = { inputs, rows, atDefaults, slopes, moves };
  }
  return straight;
}

/** What a batch says of the kitchen's figures; undefined when nothing was read in it. */
export function evidenceOfBatch(cooked: CookedBatch): Evidence | undefined {
  const straight = straightened(cooked);
  return straight === undefined ? undefined : evidenceOfStraight(straight);
}

function evidenceOfStraight({ inputs, rows, atDefaults, slopes }: Straight): Evidence {
  const parts = new Map<string, InputPart>();
  for (const part of inputs.flatMap((input) => input.parts)) parts.set(part.key, part);
  for (const { device, biasSd } of rows) parts.set(`bias:${device}`, { key: `bias:${device}`, sd: biasSd });
  const keys = [...parts.keys()];
  const noise = Matrix.diag(inputs.map(({ noiseSd }) => noiseSd ** 2));
  const spread = Matrix.add(slopes.mmul(noise).mmul(slopes.transpose()), noises(rows));
  return {
    keys,
    priorSd: keys.map((key) => parts.get(key)?.sd ?? 0),
    seen: rows.map(({ value }, n) => value - (atDefaults[n] ?? 0)),
    slopes: rows.map(({ device }, n) =>
      keys.map((key) =>
        key === `bias:${device}`
          ? 1
          : inputs.reduce((sum, input, j) => sum + (input.parts.some((part) => part.key === key) ? slopes.get(n, j) : 0), 0),
      ),
    ),
    spread: spread.to2DArray(),
    rows: rows.map(({ device, stepId }) => ({ device, stepId })),
  };
}
