import { mean, quantileSorted, sampleCovariance, sampleStandardDeviation } from 'simple-statistics';
import { run, type Held, type PreparedSoup, type Run, runFigures, type RunEnd } from '../runner/index.js';
import { drawsFrom, measuredBy, sampleInputs, unsureOf, type Unsure } from './draw.js';
import { outcomesOf, OUTCOMES, type Outcome, type Outcomes } from './outcome.js';

/**
 * What a cook holds to when a batch turns out otherwise than planned: the amounts as planned, the body (let down or
 * boiled to it, so that bowls vary), or the bowls (let down to the planned weight, so that the body varies).
 */
export const HELD = ['amounts', 'body', 'bowls'] as const;
export type HeldTo = (typeof HELD)[number];

export interface OddsRequest {
  readonly seed: number;
  readonly samples: number;
  readonly held: HeldTo;
}

/** A band of an outcome: the middle, and the quarter and twentieth on either side. */
export interface OddsBand {
  readonly p5: number;
  readonly p25: number;
  readonly p50: number;
  readonly p75: number;
  readonly p95: number;
  readonly mean: number;
  readonly sd: number;
}

/** How much of an outcome's variance goes with one unsure thing: its squared correlation with it. */
export interface Mattering {
  readonly key: string;
  readonly outcome: Outcome;
  /** Share of the variance, 0 to 1, by the linear part. */
  readonly share: number;
  /** Change of the outcome for 1 sd of it. */
  readonly perSd: number;
}

export interface Odds {
  /** What was held: the amounts, where the soup has no step to hold anything else by. */
  readonly held: HeldTo;
  readonly samples: number;
  readonly seed: number;
  readonly bands: Readonly<Record<Outcome, OddsBand>>;
  /** Whole bowls that are reached with so much confidence. */
  readonly bowls: { readonly with50: number; readonly with90: number };
  /** What matters most, for each outcome. */
  readonly matters: readonly Mattering[];
}

/** Steps whose amount is a matter of the plan: what was worked out is measured out, whatever the pot has become. */
const PLANNED = new Set(['season', 'cream', 'tune', 'thin', 'thicken']);
/** Those that a cook settles by looking at the body. */
const BY_BODY = new Set(['thin', 'reduce', 'thicken']);

/** What each step of the plan settled, as kilos to be held to. */
function heldTo(planned: Run, held: HeldTo): Held {
  const kg = new Map<string, number>();
  for (const { step, counts } of planned.records) {
    if (!PLANNED.has(step.op) || counts?.settledKg === undefined) continue;
    if (held === 'body' && BY_BODY.has(step.op)) continue;
    kg.set(step.id, counts.settledKg);
  }
  return kg;
}

/** Which line each step settles, by step id. */
function settledLines(planned: Run): ReadonlyMap<string, string> {
  return new Map(planned.records.flatMap(({ step }) => ('line' in step ? [[step.id, step.line] as const] : [])));
}

/** Kilos that are held to as a hand measures them out. */
function measuredOut(held: Held, lineOf: ReadonlyMap<string, string>, by: (lineId: string) => number): Held {
  return new Map([...held].map(([stepId, kg]) => [stepId, kg * by(lineOf.get(stepId) ?? '')]));
}

/** The last step that lets down with a liquid: what is left to settle when bowls are held. */
function lastThin(planned: Run): string | undefined {
  return planned.records.findLast(({ step }) => step.op === 'thin')?.step.id;
}

/** What can be held: bowls want a letting down to make them up with, the body a step that goes by it; else the amounts are. */
function holdable(planned: Run, held: HeldTo): HeldTo {
  if (held === 'bowls' && lastThin(planned) === undefined) return 'amounts';
  return held === 'body' && !planned.records.some(({ step }) => BY_BODY.has(step.op)) ? 'amounts' : held;
}

/**
 * One way in which a batch may turn out. With bowls held, the last letting down makes up the weight that is missing:
 * bowls rise by its kilos nearly one for one, so two secant rounds are enough.
 */
function sample(
  prepared: PreparedSoup,
  scale: number,
  held: Held,
  bowlsWanted: number | undefined,
  thinId: string | undefined,
): RunEnd {
  const first = runFigures(prepared, scale, held);
  if (bowlsWanted === undefined || thinId === undefined) return first;
  let kg = held.get(thinId) ?? 0;
  let now = first;
  for (let round = 0; round < 2 && Math.abs(now.bowls - bowlsWanted) > 1e-3 * bowlsWanted; round++) {
    kg = Math.max(0, kg + (bowlsWanted - now.bowls) * prepared.bowlKg);
    now = runFigures(prepared, scale, new Map([...held, [thinId, kg]]));
  }
  return now;
}

/** Where values lie: quantiles, mean and spread; all nought where there are none. */
export function bandOf(values: Iterable<number>): OddsBand {
  const sorted = sortedOf(values);
  if (sorted.length === 0) return { p5: 0, p25: 0, p50: 0, p75: 0, p95: 0, mean: 0, sd: 0 };
  const at = (share: number): number => quantileSorted(sorted, share);
  return {
    p5: at(0.05),
    p25: at(0.25),
    p50: at(0.5),
    p75: at(0.75),
    p95: at(0.95),
    mean: mean(sorted),
    sd: sorted.length < 2 ? 0 : sampleStandardDeviation(sorted),
  };
}

function sortedOf(values: Iterable<number>): number[] {
  return Array.from(values).sort((a, b) => a - b);
}

/** Shares below this are not spoken of: they drown in the noise of sampling. */
const SPOKEN_OF = 0.02;
/** What is held varies by less than this and has nothing that matters. */
const HARDLY_VARIES = 1e-3;

function mattering(
  unsure: readonly Unsure[],
  deviates: readonly number[][],
  values: number[],
  outcome: Outcome,
  band: OddsBand,
): Mattering[] {
  const { mean: middle, sd } = band;
  if (!(sd > HARDLY_VARIES * Math.abs(middle))) return [];
  return unsure.flatMap(({ key }, i): Mattering[] => {
    const row = deviates[i];
    if (row === undefined) return [];
    const perSd = sampleCovariance(row, values);
    const share = (perSd / sd) ** 2;
    return share >= SPOKEN_OF ? [{ key, outcome, share: Math.min(1, share), perSd }] : [];
  });
}

/**
 * The odds of a plan: the whole line run many times, each time with every unsure figure drawn from its spread. Same
 * seed, same answer. Plain data in and out but for `onProgress`, so that a worker can be asked.
 *
 * @param prepared the plan's soup prepared. @param scale the plan's scale.
 * @param onProgress called now and then with the share done; answering false ends the sampling with what there is.
 */
export function oddsOf(prepared: PreparedSoup, scale: number, request: OddsRequest, onProgress?: (share: number) => boolean): Odds {
  const planned = run(prepared, scale);
  const { inputs: unsure, correlated } = unsureOf(prepared);
  const draws = drawsFrom(request.seed);
  const holding = holdable(planned, request.held);
  const held = heldTo(planned, holding);
  const lineOf = settledLines(planned);
  const thinId = holding === 'bowls' ? lastThin(planned) : undefined;
  const bowlsWanted = holding === 'bowls' ? planned.bowls : undefined;
  const values: Record<Outcome, number[]> = { bowls: [], servedKg: [], bodyMPas: [], saltPct: [], minutes: [] };
  const deviates = unsure.map((): number[] => []);
  const drawn = new Array<number>(unsure.length).fill(0);
  let done = 0;
  for (; done < request.samples; done++) {
    for (let i = 0; i < unsure.length; i++) drawn[i] = draws.normal();
    const one = correlated(drawn);
    for (let i = 0; i < deviates.length; i++) deviates[i]?.push(one[i] ?? 0);
    const turned = sampleInputs(prepared, unsure, one);
    const given = measuredOut(held, lineOf, measuredBy(unsure, one));
    const outcome: Outcomes = outcomesOf(turned, sample(turned, scale, given, bowlsWanted, thinId));
    for (const name of OUTCOMES) values[name].push(outcome[name]);
    if (onProgress !== undefined && done % 256 === 255 && !onProgress((done + 1) / request.samples)) {
      done += 1;
      break;
    }
  }
  const bands = Object.fromEntries(OUTCOMES.map((name) => [name, bandOf(values[name])])) as Record<Outcome, OddsBand>;
  const sorted = sortedOf(values.bowls);
  return {
    held: holding,
    samples: done,
    seed: request.seed,
    bands,
    bowls: { with50: Math.floor(quantileSorted(sorted, 0.5) + 1e-9), with90: Math.floor(quantileSorted(sorted, 0.1) + 1e-9) },
    matters: OUTCOMES.flatMap((name) =>
      mattering(unsure, deviates, values[name], name, bands[name])
        .sort((a, b) => b.share - a.share)
        .slice(0, 5),
    ),
  };
}
