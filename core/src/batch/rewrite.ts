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
/** A conductivity salt meter in soup. Kitchen default. */
const METER_SD_SHARE = 0.04;

export interface StepDeeds {
  readonly startedAtMs: number | undefined;
  readonly done: KeptEntry | undefined;
  /** It was not done and will not be. */
  readonly skipped: KeptEntry | undefined;
  readonly entries: readonly KeptEntry[];
}

export interface Rewritten {
  readonly root: Branch;
  /** Steps that have not happened yet. */
  readonly ahead: ReadonlySet<SoupStep>;
}

/** What deeds are turned into steps with. */
export interface Reckoning {
  readonly ready: Ready;
  readonly scale: number;
  /** Kilos that went out in bowls before an entry: the run has them in the pot until the end, a dip or scale does not. */
  readonly dishedBeforeKg: (entry: KeptEntry) => number;
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

/** Kilos of a line in a volume: by the larder's density, which amounts are written with too, or else by composition. */
function lineKg(ready: Ready, lineId: string, volume: number): number {
  const line = ready.lines.find((own) => own.line.id === lineId)?.line;
  if (line === undefined) return 0;
  const { densityKgM3, storedAtC } = line.ingredient.row;
  return volume * (densityKgM3 ?? 1 / volumeM3(line.ingredient.perKg, Math.max(0, storedAtC)));
}

/** The step that an entry becomes, or nothing for those that only mark time. */
function deedStep(entry: KeptEntry, stepId: string, { ready, dishedBeforeKg }: Reckoning): SoupStep | undefined {
  const { deed } = entry;
  switch (deed.kind) {
    case 'poured':
      return { id: stepId, op: 'add', uses: [{ line: deed.line, kg: lineKg(ready, deed.line, deed.volumeM3) }] };
    case 'added':
      return { id: stepId, op: 'add', uses: [{ line: deed.line, kg: deed.kg }] };
    case 'brought':
      return { id: stepId, op: 'add', uses: [{ line: deed.line, kg: deed.kg }] };
    case 'salt':
      return { id: stepId, op: 'read', seen: { of: 'salt', saltPct: deed.saltPct, sdPct: deed.saltPct * METER_SD_SHARE } };
    case 'temperature':
      return { id: stepId, op: 'read', seen: { of: 'heat', tempC: deed.tempC } };
    case 'cup':
      return { id: stepId, op: 'cup', kg: deed.cupKg };
    case 'gave back':
      return { id: stepId, op: 'giveBack', lines: [deed.line], share: deed.share };
    case 'held': {
      const { minutes, atC, lid, topUp } = deed;
      return { id: stepId, op: 'hold', minutes, atC, lid, ...(topUp === undefined ? {} : { topUp }) };
    }
    case 'ladled out':
      return { id: stepId, op: 'ladleOut', kg: deed.kg, as: deed.as };
    case 'refilled':
      return { id: stepId, op: 'refill', kg: deed.kg, tempC: deed.tempC };
    case 'body':
      return { id: stepId, op: 'read', seen: { of: 'body', reading: deed.reading } };
    case 'weighed': {
      if (deed.grossKg < deed.tareKg) return undefined;
      const { massKg, sdKg } = weighedKg(deed.grossKg, deed.tareKg);
      return { id: stepId, op: 'read', seen: { of: 'mass', massKg: massKg + dishedBeforeKg(entry), sdKg } };
    }
    case 'dipped':
      return {
        id: stepId,
        op: 'read',
        seen: { of: 'level', ...dippedM3(ready.vessel, deed.belowRimM), goneKg: dishedBeforeKg(entry) },
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
function rewriteStep(step: SoupStep, deeds: StepDeeds, around: Reckoning): { now: SoupStep[]; ahead: SoupStep[] } {
  const { ready, scale } = around;
  const acts = deeds.entries.flatMap((entry) => deedStep(entry, step.id, around) ?? []);
  const isDone = deeds.done !== undefined;
  // What went in by hand is in, whether the step was done or not; of the rest nothing happened.
  if (!isDone && deeds.skipped !== undefined && step.op !== 'dish') return { now: acts, ahead: [] };
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
      return simmerAround({ ...step, minutes }, deeds, isDone, around);
    }
    case 'roast':
    case 'sweat': {
      const minutes = deeds.done?.deed.kind === 'done' ? deeds.done.deed.minutes : undefined;
      const real: SoupStep = { ...step, minutes: minutes ?? step.minutes };
      return isDone ? { now: [real, ...acts], ahead: [] } : { now: acts, ahead: [real] };
    }
    case 'blend': {
      const scooped = step.coldScoop !== undefined && gaveLine(deeds.entries, step.coldScoop.line);
      const own: SoupStep = scooped ? { ...step, coldScoop: undefined } : step;
      return isDone ? { now: [...acts, own], ahead: [] } : { now: acts, ahead: [own] };
    }
    case 'sieve': {
      const weighed = deeds.entries.findLast(({ deed }) => deed.kind === 'sieved')?.deed;
      const own: SoupStep = weighed?.kind === 'sieved' ? { ...step, weighedKg: weighed.lostKg } : step;
      return isDone ? { now: [own, ...acts], ahead: [] } : { now: acts, ahead: [own] };
    }
    case 'liaison': {
      const given = (use: Use): Use =>
        gaveLine(deeds.entries, use.line) ? { line: use.line, kg: givenKg(deeds.entries, use.line, ready) } : use;
      const own: SoupStep = { ...step, yolks: given(step.yolks), cream: given(step.cream) };
      const others = acts.filter(({ op }) => op !== 'add');
      return isDone ? { now: [...others, own], ahead: [] } : { now: others, ahead: [own] };
    }
    case 'giveBack': {
      const byShares = deeds.entries.some(({ deed }) => deed.kind === 'gave back');
      if (!isDone) return { now: acts, ahead: [step] };
      return { now: byShares ? acts : [...acts, step], ahead: [] };
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
  around: Reckoning,
): { now: SoupStep[]; ahead: SoupStep[] } {
  const now: SoupStep[] = [];
  let usedMinutes = 0;
  for (const entry of deeds.entries) {
    const act = deedStep(entry, step.id, around);
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
export function rewrite(around: Reckoning, deedsOf: (stepId: string) => StepDeeds): Rewritten {
  const ahead = new Set<SoupStep>();
  const branch = (planned: Branch): Branch => ({
    ...planned,
    steps: planned.steps.flatMap((step): SoupStep[] => {
      const own: SoupStep = step.op === 'join' ? { ...step, branch: branch(step.branch) } : step;
      const parts = rewriteStep(own, deedsOf(step.id), around);
      const later = parts.ahead.map((part) => ({ ...part }));
      for (const part of later) ahead.add(part);
      return [...parts.now, ...later];
    }),
  });
  return { root: branch(around.ready.soup.root), ahead };
}

export const NOTHING_DONE: StepDeeds = { startedAtMs: undefined, done: undefined, skipped: undefined, entries: [] };
