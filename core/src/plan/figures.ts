import { bowlFacts, type BowlFacts } from '../dish/index.js';
import { clocksOf, minutesOf, servedOf, type PreparedSoup, type Run, type Task } from '../runner/index.js';
import { CARD, type Line } from '../soup/index.js';
import { cardsMade } from './cards.js';
import { areaM2, handsOf } from '../kit/index.js';
import { parcelKg, potKg, potM3, type Caution } from '../pot/index.js';
import { PLAUSIBLE_PCT, tastesOf } from '../season/index.js';
import { heatUp } from '../steps/index.js';
import type { Planned } from './plan.js';

/** One row of the pull list. Masses in kg. */
export interface PullRow {
  /** The lines it serves: one ingredient trimmed one way is one line of shopping, however it is split. */
  readonly lineIds: readonly string[];
  readonly ingredient: string;
  readonly name: string;
  readonly group: string;
  readonly boughtKg: number;
  readonly edibleKg: number;
  readonly trimKg: number;
  readonly cost: number;
  readonly cut: string | undefined;
  readonly way: string | undefined;
}

/** What does not go by the factor of the vegetables. `unit` says what `written` and `now` are in. */
export interface NotScaling {
  readonly what:
    | 'vegetables'
    | 'poured stock'
    | 'boil-off'
    | 'pan fat'
    | 'spices'
    | 'salt'
    | 'minutes to the boil'
    | 'oven trays'
    | 'oven rounds'
    | 'jugs';
  readonly unit: 'kg' | 'min' | 'count';
  readonly written: number;
  readonly now: number;
}

export interface StepCaution {
  readonly stepId: string | undefined;
  readonly caution: Caution;
}

/** The figures of a run that are stored and shown; closed once a batch closes. */
export interface Figures {
  /** What stands in the pot before the film: the cooked yield. */
  readonly cookedKg: number;
  readonly servedKg: number;
  readonly bowls: number;
  readonly minutes: number;
  readonly saltPct: number;
  /** Body at serving temperature of what goes into the bowls, mPa·s; 0 before anything is dished. */
  readonly bodyMPas: number;
  readonly cost: number;
  readonly facts: BowlFacts | undefined;
}

/** Mass in the main pot once everything is in and before what clings is counted off, kg. */
function cookedKg(run: Run): number {
  const dishAt = run.records.length - 1;
  const film = run.records[dishAt - 1];
  const from = film?.step.op === 'film' ? film : run.records[dishAt];
  return from === undefined ? 0 : potKg(from.before);
}

/** What figures are read with beside the run: how big a bowl is and how hot it is served. */
export type Table = Pick<PreparedSoup, 'bowlKg' | 'servedC' | 'parameters' | 'kit' | 'lines' | 'cards'>;

/** How long it takes with the cards that it takes from: they are made by the same hands and meet it before it is dished. */
function minutesWithCards(prepared: Table, of: Run): number {
  if (prepared.cards.size === 0) return of.minutes;
  const made = cardsMade(prepared, of);
  const last = of.tasks.at(-1);
  if (last === undefined || made.length === 0) return of.minutes;
  const branchOf = (cardId: string, branchId: string): string => `${cardId}/${branchId}`;
  const theirs = made.flatMap(({ cardId, run }) =>
    run.tasks.map((task): Task => ({
      ...task,
      stepId: branchOf(cardId, task.stepId),
      branchId: branchOf(cardId, task.branchId),
      after: task.after === undefined ? undefined : branchOf(cardId, task.after),
    })),
  );
  const meet = made.map(({ cardId, prepared: { soup } }): Task => ({
    ...last,
    stepId: branchOf(cardId, 'in'),
    minutes: 0,
    after: branchOf(cardId, soup.root.id),
  }));
  return minutesOf([...theirs, ...of.tasks.slice(0, -1), ...meet, last], handsOf(prepared.kit));
}

export function figuresOf(prepared: Table, run: Run): Figures {
  const { bowlKg, servedC, parameters } = prepared;
  const { dished } = run;
  return {
    ...servedOf({ servedC, parameters }, run),
    cookedKg: cookedKg(run),
    bowls: run.bowls,
    minutes: minutesWithCards(prepared, run),
    cost: run.costSum,
    facts: dished === undefined ? undefined : bowlFacts(dished.parcel, bowlKg, dished.tempC),
  };
}

/** What to take from the shelves: as bought, what trimming leaves and what goes to the stock tub; for cards that are made too. */
export function pullList({ prepared, run }: Pick<Planned, 'prepared' | 'run'>): PullRow[] {
  const rows = new Map<string, PullRow>();
  for (const made of [{ prepared, run }, ...cardsMade(prepared, run)]) {
    for (const line of made.prepared.soup.lines) pull(rows, made, line);
  }
  return [...rows.values()];
}

function pull(rows: Map<string, PullRow>, { prepared, run }: Pick<Planned, 'prepared' | 'run'>, line: Line): void {
  const own = prepared.lines.find((one) => one.line.id === line.id)?.line;
  if (own === undefined || line.ingredient.startsWith(CARD)) return;
  const boughtKg = run.usedKg.get(line.id) ?? 0;
  const key = `${line.ingredient} ${line.way ?? ''}`;
  const have = rows.get(key);
  rows.set(key, {
    lineIds: [...(have?.lineIds ?? []), line.id],
    ingredient: line.ingredient,
    name: own.ingredient.row.name,
    group: own.ingredient.row.group,
    boughtKg: (have?.boughtKg ?? 0) + boughtKg,
    edibleKg: (have?.edibleKg ?? 0) + boughtKg * own.keptShare,
    trimKg: (have?.trimKg ?? 0) + boughtKg * (1 - own.keptShare),
    cost: (have?.cost ?? 0) + boughtKg * own.ingredient.row.pricePerKg,
    cut: have?.cut ?? line.cut?.name,
    way: line.way,
  });
}

function usedBy(planned: Planned, op: 'cover' | 'season'): number {
  const lines = new Set(planned.run.records.flatMap(({ step }) => (step.op === op ? [step.line] : [])));
  return [...lines].reduce((sum, id) => sum + (planned.run.usedKg.get(id) ?? 0), 0);
}

function boilOffKg(run: Run): number {
  return run.records.reduce(
    (sum, { outflows, step }) =>
      step.op === 'simmer'
        ? sum + outflows.reduce((own, flow) => own + (flow.kind === 'vapour' ? parcelKg(flow.parcel) : 0), 0)
        : sum,
    0,
  );
}

function counted(run: Run, what: 'trays' | 'rounds' | 'jugs' | 'toBoilMinutes'): number {
  return run.records.reduce((sum, { counts }) => sum + (counts?.[what] ?? 0), 0);
}

/** Kilos of the lines whose amount goes by a rule. */
function ruledKg(planned: Planned, rule: 'panFloor' | 'spice'): number {
  return planned.prepared.soup.lines.reduce(
    (sum, line) => (line.amount.rule === rule ? sum + (planned.run.usedKg.get(line.id) ?? 0) : sum),
    0,
  );
}

/** The panel "does not go by the same factor": the soup as written beside this plan, each from its own run. */
export function notScaling(written: Planned, now: Planned): NotScaling[] {
  const rows: NotScaling[] = [
    { what: 'vegetables', unit: 'count', written: written.snapshot.scale, now: now.snapshot.scale },
    { what: 'poured stock', unit: 'kg', written: usedBy(written, 'cover'), now: usedBy(now, 'cover') },
    { what: 'boil-off', unit: 'kg', written: boilOffKg(written.run), now: boilOffKg(now.run) },
    { what: 'pan fat', unit: 'kg', written: ruledKg(written, 'panFloor'), now: ruledKg(now, 'panFloor') },
    { what: 'spices', unit: 'kg', written: ruledKg(written, 'spice'), now: ruledKg(now, 'spice') },
    { what: 'salt', unit: 'kg', written: usedBy(written, 'season'), now: usedBy(now, 'season') },
    {
      what: 'minutes to the boil',
      unit: 'min',
      written: counted(written.run, 'toBoilMinutes'),
      now: counted(now.run, 'toBoilMinutes'),
    },
    { what: 'oven trays', unit: 'count', written: counted(written.run, 'trays'), now: counted(now.run, 'trays') },
    { what: 'oven rounds', unit: 'count', written: counted(written.run, 'rounds'), now: counted(now.run, 'rounds') },
    { what: 'jugs', unit: 'count', written: counted(written.run, 'jugs'), now: counted(now.run, 'jugs') },
  ];
  return rows.filter(({ written: a, now: b }) => a > 0 || b > 0);
}

/** Hot soup that reaches the bowl cooler than this is sent back to the stove, °C. Kitchen default. */
const SERVED_LEAST_C = 60;

/** What is told from the run as a whole and belongs to the last step: rawness, salt that can't be meant, heat at the pass. */
function atThePass(prepared: PreparedSoup, run: Run): Caution[] {
  const cautions: Caution[] = [];
  const raw = clocksOf(prepared, run).filter(({ melded, lineId }) => !melded && (run.usedKg.get(lineId) ?? 0) > 0);
  if (prepared.soup.school !== 'raw' && raw.length > 0)
    cautions.push({ code: 'NOT_MELDED', lineIds: raw.map(({ lineId }) => lineId) });
  const saltPct = run.dished === undefined ? 0 : tastesOf(run.dished.parcel).saltPct;
  const written = prepared.soup.lines.some(({ ingredient, amount }) => ingredient.endsWith('-salt') && amount.rule === 'scaled');
  if (saltPct > PLAUSIBLE_PCT.high || (written && saltPct < PLAUSIBLE_PCT.low)) {
    cautions.push({ code: 'SPOON_IMPLAUSIBLE', writtenPct: saltPct, lowPct: PLAUSIBLE_PCT.low, highPct: PLAUSIBLE_PCT.high });
  }
  const last = run.records.at(-1);
  if (prepared.soup.served === 'hot' && last !== undefined && run.dished !== undefined && last.before.tempC < SERVED_LEAST_C) {
    const { vessel } = prepared;
    const { minutes } = heatUp(last.before, prepared.servedC, vessel, potM3(last.before) / areaM2(vessel));
    cautions.push({ code: 'SERVE_HOTTER', tempC: last.before.tempC, leastC: prepared.servedC, minutes });
  }
  return cautions;
}

export function cautionsOf(prepared: PreparedSoup, run: Run): StepCaution[] {
  const last = run.records.at(-1)?.step.id;
  return [
    ...run.cautions.map((caution) => ({ stepId: undefined, caution })),
    ...run.records.flatMap(({ step, cautions }) => cautions.map((caution) => ({ stepId: step.id, caution }))),
    ...atThePass(prepared, run).map((caution) => ({ stepId: last, caution })),
  ];
}
