import { randomNormal } from 'd3-random';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { PARAMETERS, PARAMETER_NAMES, type ParameterName, type ModelParameters } from '../kit/index.js';
import type { PreparedSoup } from '../runner/index.js';
import type { Trim } from '../larder/index.js';

/** Standard normal deviates from a seed: the same seed gives the same row. */
export interface Draws {
  readonly normal: () => number;
}

/** On a xoroshiro128+ generator, whose state lives in what is returned. */
export function drawsFrom(seed: number): Draws {
  const generator = xoroshiro128plus(seed);
  return { normal: randomNormal.source(() => uniformFloat64(generator))() };
}

/** A value moved by so many sd on its own scale: the log, or the logit where it is a share. */
export function moved(value: number, on: 'log' | 'logit', by: number): number {
  if (on === 'log') return value * Math.exp(by);
  if (value <= 0 || value >= 1) return value;
  const odds = (value / (1 - value)) * Math.exp(by);
  return odds / (1 + odds);
}

/** Spread of a trim share on the logit, from its spread as a share. */
function logitSd({ share, sd }: Pick<Trim, 'share' | 'sd'>): number {
  return share >= 1 ? 0 : sd / (share * (1 - share));
}

/**
 * What can turn out otherwise in one batch: every model parameter that the soup leans on, the trim of every line, and
 * what was measured out of each. Named, so that an answer can say which of them matters.
 */
export interface Unsure {
  readonly key: string;
  readonly parameter: ParameterName | undefined;
  readonly lineId: string | undefined;
  readonly sd: number;
}

/** Bias and noise are independent, so one draw of both together is enough for a single batch. */
function parameterSd(name: ParameterName): number {
  const { bias, noise } = PARAMETERS[name];
  return Math.hypot(bias, noise);
}

const MEASURED = PARAMETERS.measured.noise;
const MEASURED_KEY = 'measured:';

/** Factor by which what is measured out of a line strays in one drawing. */
export function measuredBy(unsure: readonly Unsure[], deviates: readonly number[]): (lineId: string) => number {
  const by = new Map<string, number>();
  for (const [n, { lineId, key, sd }] of unsure.entries()) {
    if (lineId !== undefined && key.startsWith(MEASURED_KEY)) by.set(lineId, Math.exp(sd * (deviates[n] ?? 0)));
  }
  return (lineId) => by.get(lineId) ?? 1;
}

export function unsureOf(prepared: PreparedSoup): Unsure[] {
  const parameters = PARAMETER_NAMES.filter((name) => name !== 'measured').map((name): Unsure => ({
    key: name,
    parameter: name,
    lineId: undefined,
    sd: parameterSd(name),
  }));
  const lines = prepared.lines.flatMap(({ line }): Unsure[] => {
    const own = prepared.soup.lines.find(({ id }) => id === line.id);
    const trim = own?.way;
    const way = line.ingredient.row.trims.find((one) => one.way === trim);
    const sd = way === undefined ? 0 : logitSd(way);
    return [
      ...(sd > 0 ? [{ key: `trim:${line.id}`, parameter: undefined, lineId: line.id, sd }] : []),
      // What a pan's floor takes is poured by eye; all else is measured out, what a step settles too.
      ...(own?.amount.rule === 'panFloor'
        ? []
        : [{ key: `${MEASURED_KEY}${line.id}`, parameter: undefined, lineId: line.id, sd: MEASURED }]),
    ];
  });
  return [...parameters, ...lines];
}

/** The soup as it might turn out: every unsure thing moved by its own deviate, in the order of `unsure`. */
export function sampleInputs(prepared: PreparedSoup, unsure: readonly Unsure[], deviates: readonly number[]): PreparedSoup {
  const parameters: Record<ParameterName, number> = { ...prepared.parameters };
  const kept = new Map<string, number>();
  const measured = new Map<string, number>();
  for (const [n, { parameter, lineId, key, sd }] of unsure.entries()) {
    const by = sd * (deviates[n] ?? 0);
    if (parameter !== undefined) parameters[parameter] = moved(parameters[parameter], PARAMETERS[parameter].on, by);
    else if (lineId !== undefined) (key.startsWith('trim:') ? kept : measured).set(lineId, by);
  }
  return {
    ...prepared,
    parameters: parameters satisfies ModelParameters,
    lines: prepared.lines.map((own) => {
      const trim = kept.get(own.line.id);
      const mass = measured.get(own.line.id);
      if (trim === undefined && mass === undefined) return own;
      const { line } = own;
      return {
        follows: own.follows,
        line: {
          ...line,
          keptShare: trim === undefined ? line.keptShare : moved(line.keptShare, 'logit', trim),
          massKg: mass === undefined ? line.massKg : line.massKg * Math.exp(mass),
        },
      };
    }),
  };
}
