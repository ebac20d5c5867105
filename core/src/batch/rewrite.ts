import { areaM2, type Vessel } from '../kit/index.js';
import { kgAtScale, type Ready } from '../line/index.js';
import { volumeM3 } from '../pot/index.js';
import { kindOf, renamedLines, type Branch, type SoupStep } from '../soup/index.js';
import { actsBut, actsOf, actsThenStep, asGiven, type Act, type Entered } from '../steps/index.js';
import type { KeptEntry } from './entry.js';

/** Errors of a reading, 1 sd. Kitchen defaults: a kitchen scale, and a ruler in a steaming pot. */
const SCALE_SD_SHARE = 0.005;
const SCALE_SD_LEAST_KG = 0.02;
const DIP_SD_M = 0.004;
/** A conductivity salt meter in soup. Kitchen default. */
const METER_SD_SHARE = 0.04;
const MINUTE_MS = 60_000;

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
  /** Steps that have nothing left to take. */
  readonly emptied: ReadonlySet<string>;
  /** What the runner calls a line as it was at an entry; undefined for one that is not known. */
  readonly keyOf: (line: string, at?: KeptEntry) => string | undefined;
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
function lineKg({ ready, keyOf }: Reckoning, lineId: string, volume: number, at: KeptEntry): number {
  const key = keyOf(lineId, at);
  const line = (ready.lines.find((own) => own.line.id === key) ?? ready.earlier?.get(key ?? ''))?.line;
  if (line === undefined) return 0;
  const { densityKgM3, storedAtC } = line.ingredient.row;
  return volume * (densityKgM3 ?? 1 / volumeM3(line.ingredient.perKg, Math.max(0, storedAtC)));
}

/** The step that an entry becomes, or nothing for those that only mark time. */
function deedStep(entry: KeptEntry, stepId: string, around: Reckoning): SoupStep | undefined {
  const { deed } = entry;
  const { ready, dishedBeforeKg } = around;
  switch (deed.kind) {
    case 'poured':
    case 'added':
    case 'brought': {
      const line = around.keyOf(deed.line, entry);
      if (line === undefined) return undefined;
      const kg = deed.kind === 'poured' ? lineKg(around, deed.line, deed.volumeM3, entry) : deed.kg;
      return { id: stepId, op: 'add', uses: [{ line, kg }] };
    }
    case 'salt':
      return { id: stepId, op: 'read', seen: { of: 'salt', saltPct: deed.saltPct, sdPct: deed.saltPct * METER_SD_SHARE } };
    case 'temperature':
      return { id: stepId, op: 'read', seen: { of: 'heat', tempC: deed.tempC } };
    case 'cup':
      return { id: stepId, op: 'cup', kg: deed.cupKg };
    case 'gave back':
      return { id: stepId, op: 'giveBack', lines: [deed.line], share: deed.share };
    case 'held': {
      const { minutes, atC, lid } = deed;
      const topUp = deed.topUp === undefined ? undefined : around.keyOf(deed.topUp, entry);
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

/** What was entered at a step, in the terms that its kind asks in. */
function enteredAt(step: SoupStep, deeds: StepDeeds, around: Reckoning): Entered {
  const { ready, scale } = around;
  const given = new Map<string, number>();
  for (const entry of deeds.entries) {
    const { deed } = entry;
    if (deed.kind !== 'added' && deed.kind !== 'poured') continue;
    const kg = deed.kind === 'added' ? deed.kg : lineKg(around, deed.line, deed.volumeM3, entry);
    if (around.keyOf(deed.line, entry) !== undefined) given.set(deed.line, (given.get(deed.line) ?? 0) + kg);
  }
  const done = deeds.done?.deed;
  const sieved = deeds.entries.findLast(({ deed }) => deed.kind === 'sieved')?.deed;
  const lineOf = (id: string) => ready.lines.find((own) => own.line.id === id);
  return {
    isDone: deeds.done !== undefined,
    minutes: done?.kind === 'done' ? done.minutes : undefined,
    acts: deeds.entries.flatMap((entry): Act[] => {
      const act = deedStep(entry, step.id, around);
      if (act === undefined) return [];
      const { deed } = entry;
      return [
        {
          step: act,
          gives: deed.kind === 'added' || deed.kind === 'poured' ? deed.line : undefined,
          atMinutes: deeds.startedAtMs === undefined ? 0 : (entry.atMs - deeds.startedAtMs) / MINUTE_MS,
        },
      ];
    }),
    gave: (line) => given.has(line),
    givenKg: (line) => given.get(line) ?? 0,
    plannedKg: (use) => {
      const line = lineOf(use.line);
      return use.kg ?? (line === undefined ? 0 : kgAtScale(line, scale) * (use.share ?? 1));
    },
    keptShare: (id) => lineOf(id)?.line.keptShare ?? 1,
    sievedKg: sieved?.kind === 'sieved' ? sieved.lostKg : undefined,
    gaveBack: deeds.entries.some(({ deed }) => deed.kind === 'gave back'),
  };
}

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
  const given = step.uses.filter(({ line }) => entered.gave(line)).map((use) => asGiven(use, entered));
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
function rewriteStep(step: SoupStep, deeds: StepDeeds, around: Reckoning): Rewrote {
  const entered = enteredAt(step, deeds, around);
  const isSkipped = deeds.done === undefined && deeds.skipped !== undefined && step.op !== 'dish';
  // Left with nothing of its own to take, or not done at all: what was entered by hand is all that happened.
  if (around.emptied.has(step.id)) return { now: actsOf(entered) as SoupStep[], ahead: [] };
  const { now, ahead } = isSkipped ? skippedParts(step, entered) : partsOf(step, entered);
  const acts = new Set<unknown>(actsOf(entered));
  // The step itself takes its lines as they were when it was done, or as they are now.
  const own = (part: SoupStep): SoupStep => renamedLines(part, (line) => around.keyOf(line, deeds.done) ?? line);
  return { now: pouredTogether(now.map((part) => (acts.has(part) ? part : own(part)))), ahead: ahead.map(own) };
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
