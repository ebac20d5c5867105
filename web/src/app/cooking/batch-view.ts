import {
  actualRibbon,
  branchNames,
  cautionsAt,
  finishNow,
  foamNow,
  foldBatch,
  hourNow,
  jugNow,
  landBody,
  landSalt,
  liaisonNow,
  missingOf,
  saltPctNow,
  writeBack,
  type BatchState,
  type BatchTimer,
  type BodyLanding,
  type FinishNow,
  type FoamNow,
  type Front,
  type HourNow,
  type JugNow,
  type StoredEntry,
  type LiaisonNow,
  type Missing,
  type PotOutput,
  type SaltLanding,
  type StepState,
  type WriteBack,
} from '@tureen/core/batch';
import { MASS, UNREAD, evidenceOf, saltSdLn, sdOf, type Estimate } from '@tureen/core/body';
import { areaM2, belowRimM, usableM3, type Kit, type Vessel } from '@tureen/core/kit';
import { colourOf } from '@tureen/core/larder';
import { ribbonOf, type Ribbon } from '@tureen/core/runner';
import { namer } from '@tureen/core/messages';
import type { PlanRequest, Figures, Planned, ShareFigures, Snapshot } from '@tureen/core/plan';
import { CREAM_KG, EMPTY_POT, contents, potKg, potM3, tintIn, type Caution, type PotState } from '@tureen/core/pot';
import type { Branch, Soup, SoupStep } from '@tureen/core/soup';
import { takesOf, type StepTakes } from './views';

/** What stands in the pot, for the cut-away and the big figures. */
export interface PotView {
  readonly massKg: number;
  readonly sdKg: number;
  readonly volumeM3: number;
  readonly levelM: number;
  readonly belowRimM: number;
  readonly tempC: number;
  readonly colour: string;
  readonly pieces: number;
  readonly densityKgM3: number;
}

/** A batch as the Stove and the Ledger show it. */
export interface BatchView {
  readonly soup: Soup;
  readonly request: PlanRequest;
  readonly vessel: Vessel;
  readonly kit: Kit;
  readonly steps: readonly StepState[];
  /** What its lines are called, those that came on the way too. */
  readonly lines: readonly { readonly lineId: string; readonly ingredient: string }[];
  readonly names: readonly (readonly [lineId: string, name: string])[];
  readonly changes: BatchState['changes'];
  readonly timers: readonly BatchTimer[];
  readonly body: BodyLanding | undefined;
  readonly salt: SaltLanding | undefined;
  readonly plannedMinutes: readonly StepTakes[];
  /** What can be worked at side by side, what the plan has next first. */
  readonly fronts: readonly FrontView[];
  readonly current: { readonly step: SoupStep; readonly branchId: string } | undefined;
  readonly pot: PotView;
  readonly headspaceM: number;
  readonly saltPct: number;
  readonly saltTargetPct: number | undefined;
  /** 1 sd of the logarithm of the salt's share. */
  readonly saltSdLn: number;
  /** What was last read, as it was read. */
  readonly lastRead: { readonly saltPct: number | undefined; readonly bodyMPas: number | undefined };
  readonly creamKg: number;
  readonly creamToGoKg: number;
  readonly hasCream: boolean;
  readonly planned: Figures;
  readonly forecast: Figures;
  readonly plannedRibbon: Ribbon;
  readonly actualRibbon: Ribbon;
  readonly inKg: readonly (readonly [string, number])[];
  readonly toGoKg: readonly (readonly [string, number])[];
  /** What has been forgotten. */
  readonly missing: readonly Missing[];
  readonly cautions: readonly Caution[];
  readonly questioned: boolean;
  readonly closed: boolean;
  readonly dishedBowls: number | undefined;
  readonly output: PotOutput;
  readonly shares: readonly ShareFigures[];
  readonly writeBack: readonly WriteBack[];
  readonly undone: readonly string[];
  /** Entries that a later one has put right. */
  readonly corrected: readonly string[];
  readonly late: readonly string[];
  /** Entries at steps that nobody could be at yet. */
  readonly early: readonly string[];
  /** Weights less than the empty pot: kept, not used. */
  readonly belowTare: readonly string[];
}

/** A step that can be worked at, with the vessel that it stands in and what is to be known there. */
export interface FrontView {
  readonly step: SoupStep;
  readonly branchId: string;
  /** What it stands in, and how the card calls that. */
  readonly in: { readonly vessel: Branch['vessel']; readonly name: string };
  readonly branchName: string;
  readonly started: boolean;
  readonly pot: PotView;
  /** Where the plan expects the level after the step, m. */
  readonly wantedLevelM: number;
  readonly jug: JugNow | undefined;
  readonly foam: FoamNow | undefined;
  readonly liaison: LiaisonNow | undefined;
  readonly finish: FinishNow | undefined;
  readonly hour: HourNow | undefined;
  readonly cautions: readonly Caution[];
}

const MEASURED_FROM_M3 = 1e-9;

/** A vessel as it stands, without what has gone out in bowls. */
function potView(pot: PotState, estimate: Estimate, vessel: Vessel, goneKg: number): PotView {
  const allKg = potKg(pot);
  const massKg = Math.max(0, allKg - goneKg);
  const volumeM3 = allKg > 0 ? (potM3(pot) * massKg) / allKg : 0;
  return {
    massKg,
    sdKg: allKg * sdOf(estimate, MASS),
    volumeM3,
    levelM: volumeM3 / areaM2(vessel),
    belowRimM: belowRimM(vessel, volumeM3),
    tempC: pot.tempC,
    colour: colourOf(tintIn(contents(pot))),
    pieces: pot.cohorts.length,
    densityKgM3: volumeM3 > MEASURED_FROM_M3 ? massKg / volumeM3 : 1000,
  };
}

function wantedLevelM(state: BatchState, stepId: string, now: PotState): number {
  const at = state.planned.run.records.findLast(({ step }) => step.id === stepId);
  const pot = at === undefined ? now : at.step.op === 'dish' ? at.before : at.pot;
  return potM3(pot) / areaM2(state.prepared.vessel);
}

function frontView(state: BatchState, { step, branch }: Front): FrontView {
  const pot = state.pots.get(branch.id) ?? EMPTY_POT;
  return {
    step,
    branchId: branch.id,
    in: { vessel: branch.vessel, name: branch.name },
    branchName: branch.name,
    started: state.steps.find(({ stepId }) => stepId === step.id)?.startedAtMs !== undefined,
    pot: potView(
      pot,
      state.estimates.get(branch.id) ?? UNREAD,
      state.prepared.vessel,
      branch.id === state.prepared.soup.root.id ? state.dishedKg : 0,
    ),
    wantedLevelM: wantedLevelM(state, step.id, pot),
    jug: jugNow(step, pot, state),
    foam: foamNow(pot),
    liaison: liaisonNow(step, pot, state),
    finish: finishNow(step, pot, state),
    hour: hourNow(step, pot, state),
    cautions: cautionsAt(state, step.id),
  };
}

function lastRead({ run: { records } }: BatchState): BatchView['lastRead'] {
  const seen = records.flatMap(({ step, before }) => (step.op === 'read' ? [{ seen: step.seen, before }] : []));
  const salt = seen.findLast((one) => one.seen.of === 'salt')?.seen;
  const body = seen.findLast((one) => one.seen.of === 'body');
  const evidence =
    body?.seen.of === 'body'
      ? evidenceOf(body.seen.reading, potM3(body.before) > 0 ? potKg(body.before) / potM3(body.before) : 1000)
      : undefined;
  const ln = evidence === undefined ? undefined : [evidence.low, evidence.high].filter(Number.isFinite);
  const mean = ln === undefined || ln.length === 0 ? undefined : ln.reduce((sum, one) => sum + one, 0) / ln.length;
  return { saltPct: salt?.of === 'salt' ? salt.saltPct : undefined, bodyMPas: mean === undefined ? undefined : Math.exp(mean) };
}

/** Folds a batch's entries into what the Stove shows. */
export function batchView(snapshot: Snapshot, entries: readonly StoredEntry[], planned?: Planned): BatchView {
  const state = foldBatch(snapshot, entries, planned);
  const { vessel, soup, lines } = state.prepared;
  const nameOf = namer(
    soup,
    lines.map(({ line }) => line.ingredient.row),
  );
  const plannedSteps = state.planned.run.records.map(({ step }) => step);
  const season = plannedSteps.find(({ op }) => op === 'season');
  const cream = plannedSteps.find(({ op }) => op === 'cream');
  const creamId = cream?.op === 'cream' ? cream.line : undefined;
  return {
    soup,
    lines: soup.lines.map(({ id, ingredient }) => ({ lineId: id, ingredient })),
    names: soup.lines.map(({ id }) => [id, nameOf(id)]),
    changes: state.changes,
    timers: state.timers,
    body: landBody(state),
    salt: landSalt(state),
    request: snapshot.request,
    vessel,
    kit: snapshot.kit,
    steps: state.steps,
    plannedMinutes: takesOf(state.planned),
    current: state.current === undefined ? undefined : { step: state.current.step, branchId: state.current.branch.id },
    fronts: state.fronts.map((front) => frontView(state, front)),
    pot: potView(state.pot, state.estimate, vessel, state.dishedKg),
    headspaceM: vessel.depthM - usableM3(vessel) / areaM2(vessel),
    saltPct: saltPctNow(state),
    saltTargetPct: season?.op === 'season' ? season.saltPct : undefined,
    saltSdLn: saltSdLn(state.estimate),
    lastRead: lastRead(state),
    creamKg: contents(state.pot).carried[CREAM_KG],
    creamToGoKg: creamId === undefined ? 0 : (state.toGoKg.get(creamId) ?? 0),
    hasCream: creamId !== undefined,
    planned: state.plannedFigures,
    forecast: state.forecast,
    plannedRibbon: ribbonOf(state.planned.run, branchNames(state.planned)),
    actualRibbon: actualRibbon(state),
    inKg: [...state.inKg],
    toGoKg: [...state.toGoKg],
    missing: missingOf(state),
    cautions: state.cautions,
    questioned: state.readings.at(-1)?.questioned ?? false,
    closed: state.closed,
    dishedBowls: state.dishedBowls,
    output: state.output,
    shares: state.shares,
    writeBack: writeBack(state),
    undone: [...state.history.undone],
    corrected: [...state.history.corrected.keys()],
    late: [...state.history.late],
    early: state.early,
    belowTare: state.belowTare,
  };
}
