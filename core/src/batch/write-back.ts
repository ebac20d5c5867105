import { addStep, placeOf, removeStep, replaceStep } from '../draft/index.js';
import { bodyByCard, kindOf, linesOf, walk, withoutLines, type Line, type Soup, type SoupStep } from '../soup/index.js';
import type { Figures } from '../plan/index.js';
import { parcelKg } from '../pot/index.js';
import type { StepRecord } from '../runner/index.js';
import { sameBody, setMinutes, type AnyStep, type StepTarget } from '../steps/index.js';
import type { BatchState } from './fold.js';

/**
 * One thing in which what was done differs from the card, and that can be taken over into it. Amounts are kg as bought at
 * the card's own size, minutes, per cent, or mPa·s, as `unit` says; lines and steps by id.
 */
export type WriteBack = { readonly key: string } & (
  | { readonly what: 'amount' | 'poured'; readonly line: string; readonly unit: 'kg'; readonly was: number; readonly is: number }
  | { readonly what: 'swapped'; readonly line: string; readonly was: string; readonly is: string }
  | { readonly what: 'brought'; readonly line: string; readonly ingredient: string; readonly stepId: string; readonly kg: number }
  | { readonly what: 'left out'; readonly line: string }
  /** The body that came of it, where the card asks for none: right if the cook says so. */
  | { readonly what: 'right body'; readonly unit: 'mPas'; readonly was: number | undefined; readonly is: number }
  | { readonly what: 'skipped'; readonly stepId: string }
  | {
      readonly what: 'minutes' | 'salt' | 'body' | 'cream';
      readonly stepId: string;
      readonly unit: 'min' | 'pct' | 'mPas';
      readonly was: number;
      readonly is: number;
    }
);

/** Differences smaller than these are the scale's and the spoon's, not the cook's. Kitchen defaults. */
const AMOUNT_SHARE = 0.03;
const LEAST_MINUTES = 1;

function differs(was: number, is: number, share: number): boolean {
  return Math.abs(is - was) > share * Math.max(Math.abs(was), 1e-9);
}

/** Three figures are as much as a kitchen scale tells of an amount. */
function rounded(value: number): number {
  return Number(value.toPrecision(3));
}

/** Kilos of a line that went in before the soup was first blended; all of it where it never was. */
function beforeBlade(records: readonly StepRecord[], lineId: string): number {
  const blade = records.findIndex(({ step }) => step.op === 'blend');
  return (blade < 0 ? records : records.slice(0, blade))
    .flatMap(({ inflows }) => inflows)
    .reduce((kg, flow) => (flow.kind === 'ingredient' && flow.lineId === lineId ? kg + parcelKg(flow.parcel) : kg), 0);
}

function amountsOf(state: BatchState, soup: Soup, over: ReadonlySet<string>): WriteBack[] {
  const { prepared, planned, inKg } = state;
  const { scale } = planned.snapshot;
  const gone = new Set([...state.changes.leftOut]);
  const taking = new Map<string, SoupStep[]>();
  for (const { step } of walk(soup.root)) {
    for (const { line } of linesOf(step)) taking.set(line, [...(taking.get(line) ?? []), step]);
  }
  return soup.lines.flatMap((line): WriteBack[] => {
    const steps = taking.get(line.id) ?? [];
    // Of what is still being given nothing is said yet.
    if (gone.has(line.id) || steps.length === 0 || !steps.every(({ id }) => over.has(id))) return [];
    const is = inKg.get(line.id) ?? 0;
    const at = prepared.lines.find((one) => one.line.id === line.id);
    if (at === undefined) return [];
    const was = planned.run.usedKg.get(line.id) ?? 0;
    if (line.amount.rule === 'scaled' || line.amount.rule === 'spice') {
      if (!(was > 0) || !(is > 0) || !differs(was, is, AMOUNT_SHARE)) return [];
      const own = at.line.massKg;
      return [{ key: `amount ${line.id}`, what: 'amount', line: line.id, unit: 'kg', was: own, is: (own * is) / was }];
    }
    if (!steps.some(({ op }) => op === 'cover')) return [];
    // What is poured behind the blade lets the soup down: that is its body, and no part of what covers.
    const covered = beforeBlade(state.happened, line.id);
    const wanted = beforeBlade(planned.run.records, line.id);
    if (!(covered > 0) || !(wanted > 0) || !differs(wanted, covered, AMOUNT_SHARE)) return [];
    return [{ key: `poured ${line.id}`, what: 'poured', line: line.id, unit: 'kg', was: wanted / scale, is: covered / scale }];
  });
}

/** The minutes of a step that are taken over as they really were. */
function minutesToTakeOver(step: SoupStep): number | undefined {
  return step.op !== 'join' && kindOf(step).actualMinutes ? setMinutes(step) : undefined;
}

/** The figure of the bowl that a step's target shows in. */
const OF_FIGURES: Readonly<Record<StepTarget<AnyStep>['of'], (of: Figures) => number>> = {
  salt: ({ saltPct }) => saltPct,
  cream: ({ facts }) => (facts === undefined ? 0 : facts.creamG / facts.massG),
  body: ({ bodyMPas }) => bodyMPas,
};

function stepsOf(state: BatchState, soup: Soup): WriteBack[] {
  const { forecast, history, plannedFigures: planned } = state;
  const minutes = new Map(
    history.counted.flatMap(({ action }) =>
      action.kind === 'done' && action.minutes !== undefined ? [[action.stepId, action.minutes] as const] : [],
    ),
  );
  const skipped = new Set(state.steps.filter(({ status }) => status === 'skipped').map(({ stepId }) => stepId));
  // A target is set in the pot, figures are of the bowl: each is moved by what the bowl has come to against its plan.
  const came = (set: number, was: number, is: number): number => (was > 0 && state.closed ? (set * is) / was : set);
  return walk(soup.root).flatMap(({ step }): WriteBack[] => {
    if (skipped.has(step.id)) {
      return linesOf(step).length === 0 && step.op !== 'dish' && step.op !== 'join'
        ? [{ key: `skipped ${step.id}`, what: 'skipped', stepId: step.id }]
        : [];
    }
    const setTo = minutesToTakeOver(step);
    if (setTo !== undefined) {
      const is = minutes.get(step.id);
      if (is === undefined || Math.abs(is - setTo) < LEAST_MINUTES) return [];
      return [{ key: `minutes ${step.id}`, what: 'minutes', stepId: step.id, unit: 'min', was: setTo, is: Math.round(is) }];
    }
    if (step.op === 'join') return [];
    const { target } = kindOf(step);
    const was = target?.value(step);
    if (target === undefined || was === undefined) return [];
    const is = came(was, OF_FIGURES[target.of](planned), OF_FIGURES[target.of](forecast));
    if (target.same(is, was)) return [];
    return [{ key: `${target.of} ${step.id}`, what: target.of, stepId: step.id, unit: target.unit, was, is }];
  });
}

/** Where what was done differs from the card, in the order in which a card is read: lines, then steps. */
export function writeBack(state: BatchState): WriteBack[] {
  const { soup, scale } = state.planned.snapshot;
  const over = new Set(state.steps.filter(({ status }) => status === 'done').map(({ stepId }) => stepId));
  const lines = new Map(soup.lines.map((line) => [line.id, line]));
  const now = new Map(state.prepared.soup.lines.map((line) => [line.id, line.ingredient]));
  const { leftOut, swapped } = state.changes;
  const brought = new Map<string, Extract<WriteBack, { what: 'brought' }>>();
  for (const { action } of state.history.counted) {
    if (action.kind !== 'brought' || lines.has(action.line)) continue;
    const { line, row, stepId, kg } = action;
    brought.set(line, { key: `brought ${line}`, what: 'brought', line, ingredient: row.id, stepId, kg: kg / scale });
  }
  return [
    ...leftOut.map((line): WriteBack => ({ key: `left out ${line}`, what: 'left out', line })),
    ...swapped.flatMap((line): WriteBack[] => {
      const was = lines.get(line)?.ingredient;
      const is = now.get(line);
      return was === undefined || is === undefined || was === is
        ? []
        : [{ key: `swapped ${line}`, what: 'swapped', line, was, is }];
    }),
    ...brought.values(),
    ...amountsOf(state, soup, over),
    ...stepsOf(state, soup),
    ...rightBody(state, soup),
  ];
}

/** Of a card that asks for no body: the one that this batch came to, once it has been looked at or asked for. */
function rightBody(state: BatchState, soup: Soup): WriteBack[] {
  const isKnown = state.history.counted.some(({ action }) => action.kind === 'body' || action.kind === 'wanted');
  if (!isKnown || bodyByCard(soup) !== undefined) return [];
  const is = Number(state.forecast.bodyMPas.toPrecision(2));
  const was = soup.rightMPas;
  if (!(is >= 1) || (was !== undefined && sameBody(is, was))) return [];
  return [{ key: 'right body', what: 'right body', unit: 'mPas', was, is }];
}

function withLine(soup: Soup, id: string, change: (line: Line) => Line): Soup {
  return { ...soup, lines: soup.lines.map((line) => (line.id === id ? change(line) : line)) };
}

function scaledBy(line: Line, factor: number): Line {
  const { amount } = line;
  if (amount.rule !== 'scaled' && amount.rule !== 'spice') return line;
  const value = rounded(amount.amount.value * factor);
  // What the cook once typed no longer says what the line is.
  return { ...line, written: undefined, amount: { ...amount, amount: { ...amount.amount, value } } };
}

function inKilos(line: Line, kg: number): Line {
  return { ...line, written: undefined, amount: { rule: 'scaled', amount: { value: rounded(kg), unit: 'kg' } } };
}

/** The covering step that takes a line, as one that gives an amount of it. */
function given(soup: Soup, line: string): Soup {
  const cover = walk(soup.root).find(({ step }) => step.op === 'cover' && step.line === line)?.step;
  if (cover === undefined) return soup;
  const { id, say, photo } = cover;
  return replaceStep(soup, { id, say, photo, op: 'add', uses: [{ line }] });
}

function withStep(soup: Soup, stepId: string, value: number): Soup {
  const step = walk(soup.root).find((one) => one.step.id === stepId)?.step;
  if (step !== undefined && minutesToTakeOver(step) !== undefined)
    return replaceStep(soup, { ...step, minutes: value } as SoupStep);
  const target = step === undefined || step.op === 'join' ? undefined : kindOf(step).target;
  return step === undefined || step.op === 'join' || target === undefined ? soup : replaceStep(soup, target.moved(step, value));
}

/** A soup with what was chosen of the differences taken over; the rest stays as the card has it. */
export function takenOver(soup: Soup, chosen: readonly WriteBack[]): Soup {
  return chosen.reduce((now: Soup, item) => {
    switch (item.what) {
      case 'amount':
        return withLine(now, item.line, (line) => scaledBy(line, item.is / item.was));
      case 'poured':
        return given(
          withLine(now, item.line, (line) => inKilos(line, item.is)),
          item.line,
        );
      case 'swapped':
        return withLine(now, item.line, (line) => ({ ...line, ingredient: item.is, written: undefined, way: undefined }));
      case 'left out':
        return withoutLines(now, new Set([item.line]));
      case 'brought': {
        const to = placeOf(now, item.stepId) ?? { branchId: now.root.id, index: now.root.steps.length };
        const line: Line = inKilos({ id: item.line, ingredient: item.ingredient, amount: { rule: 'byStep' } }, item.kg);
        const { soup: changed } = addStep(now, { id: `add-${item.line}`.slice(0, 55), op: 'add', uses: [{ line: item.line }] }, to);
        return { ...changed, lines: [...changed.lines, line] };
      }
      case 'right body':
        return { ...now, rightMPas: item.is };
      case 'skipped':
        return removeStep(now, item.stepId);
      case 'minutes':
      case 'salt':
      case 'cream':
      case 'body':
        return withStep(now, item.stepId, item.is);
    }
  }, soup);
}
