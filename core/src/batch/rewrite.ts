import { areaM2, type Vessel } from '../kit/index.js';
import type { Ingredient } from '../larder/index.js';
import { kgAtScale, type PreparedSoup } from '../runner/index.js';
import { volumeM3 } from '../pot/index.js';
import { kindOf, renamedLines, type Branch, type SoupStep } from '../soup/index.js';
import { actsBut, actsOf, actsThenStep, asGiven, type Act, type Entered } from '../steps/index.js';
import { compareEntries, type StoredEntry } from './entry.js';

/** Errors of a reading, 1 sd. Kitchen defaults: a kitchen scale, and a ruler in a steaming pot. */
const SCALE_SD_SHARE = 0.005;
const SCALE_SD_LEAST_KG = 0.02;
const DIP_SD_M = 0.004;
/** A conductivity salt meter in soup. Kitchen default. */
const METER_SD_SHARE = 0.04;
const MINUTE_MS = 60_000;

export interface StepActions {
  readonly startedAtMs: number | undefined;
  readonly done: StoredEntry | undefined;
  /** It was not done and will not be. */
  readonly skipped: StoredEntry | undefined;
  readonly entries: readonly StoredEntry[];
}

export interface Rewritten {
  readonly root: Branch;
  /** Steps that have not happened yet. */
  readonly ahead: ReadonlySet<SoupStep>;
}

/** What actions are turned into steps with. */
export interface Reckoning {
  readonly prepared: PreparedSoup;
  readonly scale: number;
  /** Kilos that went out in bowls before an entry: the run has them in the pot until the end, a dip or scale does not. */
  readonly dishedBeforeKg: (entry: StoredEntry) => number;
  /** Steps that have nothing left to take. */
  readonly emptied: ReadonlySet<string>;
  /** What the runner calls a line as it was at an entry; undefined for one that is not known. */
  readonly keyOf: (line: string, at?: StoredEntry) => string | undefined;
}

/** What a dip says stands in a pot, m3, and its sd. The density at that moment makes kilos of it. */
export function dippedM3(vessel: Vessel, belowM: number): { volumeM3: number; sdM3: number } {
  const floorM2 = areaM2(vessel);
  return { volumeM3: Math.max(0, vessel.depthM - belowM) * floorM2, sdM3: DIP_SD_M * floorM2 };
}

export function weighedKg(grossKg: number, tareKg: number): { massKg: number; sdKg: number } {
  const massKg = grossKg - tareKg;
  return { massKg, sdKg: Math.max(SCALE_SD_LEAST_KG, massKg * SCALE_SD_SHARE) };
}

/** Kilos of an ingredient in a volume, m³: by the larder's density, which amounts are written with too, or else by composition. */
export function pouredKg({ row, perKg }: Pick<Ingredient, 'row' | 'perKg'>, volume: number): number {
  return volume * (row.densityKgM3 ?? 1 / volumeM3(perKg, Math.max(0, row.storedAtC)));
}

function lineKg({ prepared, keyOf }: Reckoning, lineId: string, volume: number, at: StoredEntry): number {
  const key = keyOf(lineId, at);
  const line = (prepared.lines.find((own) => own.line.id === key) ?? prepared.earlier?.get(key ?? ''))?.line;
  return line === undefined ? 0 : pouredKg(line.ingredient, volume);
}

/** The step that an entry becomes, or nothing for those that only mark time. */
function actionStep(entry: StoredEntry, stepId: string, around: Reckoning): SoupStep | undefined {
  const { action } = entry;
  const { prepared, dishedBeforeKg } = around;
  switch (action.kind) {
    case 'poured':
    case 'added':
    case 'brought': {
      const line = around.keyOf(action.line, entry);
      if (line === undefined) return undefined;
      const kg = action.kind === 'poured' ? lineKg(around, action.line, action.volumeM3, entry) : action.kg;
      return { id: stepId, op: 'add', uses: [{ line, kg }] };
    }
    case 'salt':
      return { id: stepId, op: 'read', seen: { of: 'salt', saltPct: action.saltPct, sdPct: action.saltPct * METER_SD_SHARE } };
    case 'temperature':
      return { id: stepId, op: 'read', seen: { of: 'heat', tempC: action.tempC } };
    case 'cup':
      return { id: stepId, op: 'cup', kg: action.cupKg };
    case 'gave back':
      return { id: stepId, op: 'giveBack', lines: [action.line], share: action.share };
    case 'held': {
      const { minutes, atC, lid } = action;
      const topUp = action.topUp === undefined ? undefined : around.keyOf(action.topUp, entry);
      return { id: stepId, op: 'hold', minutes, atC, lid, ...(topUp === undefined ? {} : { topUp }) };
    }
    case 'ladled out':
      return { id: stepId, op: 'ladleOut', kg: action.kg, as: action.as };
    case 'refilled':
      return { id: stepId, op: 'refill', kg: action.kg, tempC: action.tempC };
    case 'body':
      return { id: stepId, op: 'read', seen: { of: 'body', reading: action.reading } };
    case 'weighed': {
      if (action.grossKg < action.tareKg) return undefined;
      const { massKg, sdKg } = weighedKg(action.grossKg, action.tareKg);
      return { id: stepId, op: 'read', seen: { of: 'mass', massKg: massKg + dishedBeforeKg(entry), sdKg } };
    }
    case 'dipped':
      return {
        id: stepId,
        op: 'read',
        seen: { of: 'level', ...dippedM3(prepared.vessel, action.belowRimM), goneKg: dishedBeforeKg(entry) },
      };
    default:
      return undefined;
  }
}

/** What was entered at a step, in the terms that its kind asks in. */
function enteredAt(step: SoupStep, actions: StepActions, around: Reckoning): Entered {
  const { prepared, scale } = around;
  const given = new Map<string, number>();
  for (const entry of actions.entries) {
    const { action } = entry;
    if (action.kind !== 'added' && action.kind !== 'poured') continue;
    const kg = action.kind === 'added' ? action.kg : lineKg(around, action.line, action.volumeM3, entry);
    if (around.keyOf(action.line, entry) !== undefined) given.set(action.line, (given.get(action.line) ?? 0) + kg);
  }
  const done = actions.done?.action;
  const sieved = actions.entries.findLast(({ action }) => action.kind === 'sieved')?.action;
  const lineOf = (id: string) => prepared.lines.find((own) => own.line.id === id);
  return {
    isDone: actions.done !== undefined,
    minutes: done?.kind === 'done' ? done.minutes : undefined,
    acts: actions.entries.flatMap((entry): Act[] => {
      const act = actionStep(entry, step.id, around);
      if (act === undefined) return [];
      const { action } = entry;
      return [
        {
          step: act,
          gives: action.kind === 'added' || action.kind === 'poured' ? action.line : undefined,
          atMinutes: actions.startedAtMs === undefined ? 0 : (entry.atMs - actions.startedAtMs) / MINUTE_MS,
        },
      ];
    }),
    enteredByHand: (line) => given.has(line),
    givenKg: (line) => given.get(line) ?? 0,
    plannedKg: (use) => {
      const line = lineOf(use.line);
      return use.kg ?? (line === undefined ? 0 : kgAtScale(line, scale) * (use.share ?? 1));
    },
    keptShare: (id) => lineOf(id)?.line.keptShare ?? 1,
    sievedKg: sieved?.kind === 'sieved' ? sieved.lostKg : undefined,
    gaveBack: actions.entries.some(({ action }) => action.kind === 'gave back'),
  };
}

/** Entries that happen to the pot by themselves; the others say how their step itself was done. */
const BY_ITSELF: ReadonlySet<string> = new Set([
  'weighed',
  'dipped',
  'body',
  'salt',
  'temperature',
  'cup',
  'held',
  'ladled out',
  'refilled',
]);

interface Rewrote {
  readonly now: readonly SoupStep[];
  readonly ahead: readonly SoupStep[];
}

/** A branch that runs in takes no entries apart: they come before it. */
function partsOf(step: SoupStep, entered: Entered): Rewrote {
  // What a kind makes of a step is steps of a soup again.
  return (step.op === 'join' ? actsThenStep(step, entered) : kindOf(step).entered(step, entered)) as Rewrote;
}

/** A step that was skipped did not happen; what went in by hand is in, trimmed where the step trims. */
function skippedParts(step: SoupStep, entered: Entered): Rewrote {
  if (step.op !== 'trim') return { now: actsOf(entered) as SoupStep[], ahead: [] };
  const given = step.uses.filter(({ line }) => entered.enteredByHand(line)).map((use) => asGiven(use, entered));
  const acts = actsBut(
    entered,
    given.map(({ line }) => line),
  ) as SoupStep[];
  return { now: given.length === 0 ? acts : [{ ...step, uses: given }, ...acts], ahead: [] };
}

/**
 * One planned step as the steps that really happened and those still ahead. Entries stand in their order. A step that
 * is done without an amount on record counts as done as planned; with one, exactly what was recorded went in.
 */
function rewriteStep(step: SoupStep, actions: StepActions, around: Reckoning): Rewrote {
  const { done } = actions;
  // What says how a step was done counts whenever it was said; a reading or a ladle out stands where it was entered.
  // What is read when the bowls are filled is of the soup that is in them: nothing stands in the pot behind that.
  const isAfter = (entry: StoredEntry): boolean =>
    step.op !== 'dish' && done !== undefined && BY_ITSELF.has(entry.action.kind) && compareEntries(entry, done) > 0;
  const entered = enteredAt(step, { ...actions, entries: actions.entries.filter((entry) => !isAfter(entry)) }, around);
  const later = actions.entries.filter(isAfter).flatMap((entry) => actionStep(entry, step.id, around) ?? []);
  const isSkipped = actions.done === undefined && actions.skipped !== undefined && step.op !== 'dish';
  // Left with nothing of its own to take, or not done at all: what was entered by hand is all that happened.
  if (around.emptied.has(step.id)) return { now: [...(actsOf(entered) as SoupStep[]), ...later], ahead: [] };
  const { now, ahead } = isSkipped ? skippedParts(step, entered) : partsOf(step, entered);
  const acts = new Set<unknown>(actsOf(entered));
  // The step itself takes its lines as they were when it was done, or as they are now.
  const own = (part: SoupStep): SoupStep => renamedLines(part, (line) => around.keyOf(line, actions.done) ?? line);
  const happened = now.map((part) => (acts.has(part) ? part : own(part)));
  return { now: pouredTogether([...happened, ...later]), ahead: ahead.map(own) };
}

/** Ladles of one line one after the other as one pour: forty of them are no more work than one, and leave the same pot. */
function pouredTogether(steps: readonly SoupStep[]): SoupStep[] {
  const out: SoupStep[] = [];
  for (const step of steps) {
    const last = out.at(-1);
    const [before] = last?.op === 'add' && last.uses.length === 1 ? last.uses : [];
    const [use] = step.op === 'add' && step.uses.length === 1 ? step.uses : [];
    if (last?.op === 'add' && before?.kg !== undefined && use?.kg !== undefined && use.line === before.line) {
      out[out.length - 1] = { ...last, uses: [{ line: use.line, kg: before.kg + use.kg }] };
    } else out.push(step);
  }
  return out;
}

/** The plan's tree with every step replaced by what happened at it and what is still ahead. */
export function rewrite(around: Reckoning, actionsOf: (stepId: string) => StepActions): Rewritten {
  const ahead = new Set<SoupStep>();
  const branch = (planned: Branch): Branch => ({
    ...planned,
    steps: planned.steps.flatMap((step): SoupStep[] => {
      const own: SoupStep = step.op === 'join' ? { ...step, branch: branch(step.branch) } : step;
      const parts = rewriteStep(own, actionsOf(step.id), around);
      const later = parts.ahead.map((part) => ({ ...part }));
      for (const part of later) ahead.add(part);
      return [...parts.now, ...later];
    }),
  });
  return { root: branch(around.prepared.soup.root), ahead };
}

export const NOTHING_DONE: StepActions = { startedAtMs: undefined, done: undefined, skipped: undefined, entries: [] };
