import { areaM2, type Vessel } from '../kit/index.js';
import { kgAtScale, type Ready } from '../line/index.js';
import { volumeM3 } from '../pot/index.js';
import type { Branch, SoupStep } from '../soup/index.js';
import type { Use } from '../steps/index.js';
import type { KeptEntry } from './entry.js';

/** Errors of a reading, 1 sd. Kitchen defaults: a kitchen scale, and a ruler in a steaming pot. */
const SCALE_SD_SHARE = 0.005;
const SCALE_SD_LEAST_KG = 0.02;
const DIP_SD_M = 0.004;

export interface StepDeeds {
  readonly startedAtMs: number | undefined;
  readonly done: KeptEntry | undefined;
  readonly entries: readonly KeptEntry[];
}

export interface Rewritten {
  readonly root: Branch;
  /** Steps that have not happened yet. */
  readonly ahead: ReadonlySet<SoupStep>;
}

/** Density that a dip is turned into kilos with, kg/m3: what the plan expected to stand in the pot there. */
export type DensityAt = (stepId: string) => number;

export function dippedKg(vessel: Vessel, belowM: number, densityKgM3: number): { massKg: number; sdKg: number } {
  const floorM2 = areaM2(vessel);
  return { massKg: Math.max(0, vessel.depthM - belowM) * floorM2 * densityKgM3, sdKg: DIP_SD_M * floorM2 * densityKgM3 };
}

export function weighedKg(grossKg: number, tareKg: number): { massKg: number; sdKg: number } {
  const massKg = grossKg - tareKg;
  return { massKg, sdKg: Math.max(SCALE_SD_LEAST_KG, massKg * SCALE_SD_SHARE) };
}

/** Kilos of a line in a volume: by the larder's density, which amounts are written with too, or else by composition. */
function lineKg(ready: Ready, lineId: string, volume: number): number {
  const line = ready.lines.find((own) => own.line.id === lineId)?.line;
  if (line === undefined) return 0;
  const { densityKgM3, storedAtC } = line.ingredient.row;
  return volume * (densityKgM3 ?? 1 / volumeM3(line.ingredient.perKg, Math.max(0, storedAtC)));
}

/** The step that an entry becomes, or nothing for those that only mark time. */
function deedStep(entry: KeptEntry, stepId: string, ready: Ready, densityAt: DensityAt): SoupStep | undefined {
  const { deed } = entry;
  switch (deed.kind) {
    case 'poured':
      return { id: stepId, op: 'add', uses: [{ line: deed.line, kg: lineKg(ready, deed.line, deed.volumeM3) }] };
    case 'added':
      return { id: stepId, op: 'add', uses: [{ line: deed.line, kg: deed.kg }] };
    case 'weighed':
      return { id: stepId, op: 'read', seen: { of: 'mass', device: 'scale', ...weighedKg(deed.grossKg, deed.tareKg) } };
    case 'dipped':
      return {
        id: stepId,
        op: 'read',
        seen: { of: 'mass', device: 'dip', ...dippedKg(ready.vessel, deed.belowRimM, densityAt(stepId)) },
      };
    default:
      return undefined;
  }
}

function givenKg(entries: readonly KeptEntry[], lineId: string, ready: Ready): number {
  return entries.reduce((sum, { deed }) => {
    if (deed.kind === 'added' && deed.line === lineId) return sum + deed.kg;
    if (deed.kind === 'poured' && deed.line === lineId) return sum + lineKg(ready, lineId, deed.volumeM3);
    return sum;
  }, 0);
}

/** What is left of a planned use once some of it has been given by hand. */
function restOfUse(use: Use, entries: readonly KeptEntry[], ready: Ready, scale: number): Use | undefined {
  const line = ready.lines.find((own) => own.line.id === use.line);
  if (line === undefined) return use;
  const given = givenKg(entries, use.line, ready);
  if (given === 0) return use;
  const planned = use.kg ?? kgAtScale(line, scale) * (use.share ?? 1);
  return planned > given ? { line: use.line, kg: planned - given } : undefined;
}

function gaveLine(entries: readonly KeptEntry[], lineId: string): boolean {
  return entries.some(({ deed }) => (deed.kind === 'added' || deed.kind === 'poured') && deed.line === lineId);
}

/**
 * One planned step as the steps that really happened and those still ahead. Entries stand in their order. A step that
 * is done without an amount on record counts as done as planned; with one, exactly what was recorded went in.
 */
function rewriteStep(
  step: SoupStep,
  deeds: StepDeeds,
  ready: Ready,
  scale: number,
  densityAt: DensityAt,
): { now: SoupStep[]; ahead: SoupStep[] } {
  const acts = deeds.entries.flatMap((entry) => deedStep(entry, step.id, ready, densityAt) ?? []);
  const isDone = deeds.done !== undefined;
  switch (step.op) {
    case 'cover':
    case 'thin':
    case 'tune':
    case 'season':
    case 'cream': {
      const asPlanned = !gaveLine(deeds.entries, step.line);
      if (!isDone) return { now: acts, ahead: [step] };
      return { now: asPlanned ? [step, ...acts] : acts, ahead: [] };
    }
    case 'add': {
      const left = step.uses.flatMap((use) => restOfUse(use, deeds.entries, ready, scale) ?? []);
      const untouched = step.uses.filter((use) => !gaveLine(deeds.entries, use.line));
      if (!isDone) return { now: acts, ahead: left.length > 0 ? [{ ...step, uses: left }] : [] };
      return { now: untouched.length > 0 ? [{ ...step, uses: untouched }, ...acts] : acts, ahead: [] };
    }
    case 'trim': {
      const weighed = (use: Use): Use =>
        gaveLine(deeds.entries, use.line) ? { line: use.line, kg: givenKg(deeds.entries, use.line, ready) } : use;
      const readings = acts.filter(({ op }) => op === 'read');
      const trimmed: SoupStep = { ...step, uses: step.uses.map(weighed) };
      return isDone ? { now: [trimmed, ...readings], ahead: [] } : { now: readings, ahead: [trimmed] };
    }
    case 'simmer': {
      const minutes = deeds.done?.deed.kind === 'done' ? (deeds.done.deed.minutes ?? step.minutes) : step.minutes;
      return simmerAround({ ...step, minutes }, deeds, isDone, ready, densityAt);
    }
    case 'roast':
    case 'sweat': {
      const minutes = deeds.done?.deed.kind === 'done' ? deeds.done.deed.minutes : undefined;
      const real: SoupStep = { ...step, minutes: minutes ?? step.minutes };
      return isDone ? { now: [real, ...acts], ahead: [] } : { now: acts, ahead: [real] };
    }
    default:
      return isDone ? { now: [...acts, step], ahead: [] } : { now: acts, ahead: [step] };
  }
}

/** A simmer cut where entries fell into it, so that a dip half-way meets the pot as it was then. */
function simmerAround(
  step: Extract<SoupStep, { op: 'simmer' }>,
  deeds: StepDeeds,
  isDone: boolean,
  ready: Ready,
  densityAt: DensityAt,
): { now: SoupStep[]; ahead: SoupStep[] } {
  const now: SoupStep[] = [];
  let usedMinutes = 0;
  for (const entry of deeds.entries) {
    const act = deedStep(entry, step.id, ready, densityAt);
    if (act === undefined) continue;
    const elapsed = deeds.startedAtMs === undefined ? 0 : (entry.atMs - deeds.startedAtMs) / 60_000;
    const until = Math.min(step.minutes, Math.max(usedMinutes, elapsed));
    if (until > usedMinutes) {
      now.push({ ...step, minutes: until - usedMinutes });
      usedMinutes = until;
    }
    now.push(act);
  }
  const left: SoupStep = { ...step, minutes: step.minutes - usedMinutes };
  return isDone ? { now: [...now, left], ahead: [] } : { now, ahead: [left] };
}

/** The plan's tree with every step replaced by what happened at it and what is still ahead. */
export function rewrite(ready: Ready, scale: number, deedsOf: (stepId: string) => StepDeeds, densityAt: DensityAt): Rewritten {
  const ahead = new Set<SoupStep>();
  const branch = (planned: Branch): Branch => ({
    ...planned,
    steps: planned.steps.flatMap((step): SoupStep[] => {
      const own: SoupStep = step.op === 'join' ? { ...step, branch: branch(step.branch) } : step;
      const parts = rewriteStep(own, deedsOf(step.id), ready, scale, densityAt);
      const later = parts.ahead.map((part) => ({ ...part }));
      for (const part of later) ahead.add(part);
      return [...parts.now, ...later];
    }),
  });
  return { root: branch(ready.soup.root), ahead };
}

export const NOTHING_DONE: StepDeeds = { startedAtMs: undefined, done: undefined, entries: [] };
