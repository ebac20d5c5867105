import {
  actualRibbon,
  branchNames,
  foldBatch,
  saltPctNow,
  type BatchState,
  type KeptEntry,
  type StepState,
} from '@tureen/core/batch';
import { areaM2, belowRimM, usableM3, type Kit, type Vessel } from '@tureen/core/kit';
import { colourOf, type IngredientRow } from '@tureen/core/larder';
import { ribbonOf, type Ribbon } from '@tureen/core/line';
import {
  cautionsOf,
  figuresOf,
  makePlan,
  notScaling,
  pullList,
  writtenPlan,
  type Ask,
  type Figures,
  type NotScaling,
  type PlanError,
  type Planned,
  type PullRow,
  type Snapshot,
  type StepCaution,
} from '@tureen/core/plan';
import { CREAM_KG, tintIn, contents, potM3, type Caution } from '@tureen/core/pot';
import type { Soup, SoupStep } from '@tureen/core/soup';

/** A plan as a screen shows it; everything in it can be sent between threads. */
export interface PlanView {
  readonly soup: Soup;
  readonly ask: Ask;
  readonly scale: number;
  readonly vessel: Vessel;
  readonly ribbon: Ribbon;
  readonly figures: Figures;
  readonly pull: readonly PullRow[];
  readonly cautions: readonly StepCaution[];
  readonly notScaling: readonly NotScaling[];
  /** Kilos that each step takes of each line. */
  readonly takes: readonly StepTakes[];
  readonly peakM3: number;
  readonly colour: string;
  /** How coarse the soup ends up, m, and how hot it goes into the bowl. */
  readonly grainM: number;
  readonly dishedC: number;
}

export interface StepTakes {
  readonly stepId: string;
  readonly minutes: number;
  readonly lines: readonly { readonly lineId: string; readonly kg: number }[];
}

export type PlanOutcome = { readonly ok: true; readonly view: PlanView } | { readonly ok: false; readonly error: PlanError };

function lastColour(ribbon: Ribbon): string {
  return ribbon.bands.at(-1)?.stops.at(-1)?.colour ?? '#d9cdb7';
}

/** A plan as a screen shows it, with what does not go by its factor against the soup as written where that is given. */
export function viewOf(planned: Planned, written: Planned | undefined): PlanView {
  const ribbon = ribbonOf(planned.run, branchNames(planned));
  return {
    soup: planned.ready.soup,
    ask: planned.snapshot.ask,
    scale: planned.snapshot.scale,
    vessel: planned.ready.vessel,
    ribbon,
    figures: figuresOf(planned.ready, planned.run),
    pull: pullList(planned),
    cautions: cautionsOf(planned.ready, planned.run),
    notScaling: written === undefined ? [] : notScaling(written, planned),
    takes: planned.run.records.map(({ step, took, minutes }) => ({
      stepId: step.id,
      minutes,
      lines: took.map(({ lineId, parcel }) => ({ lineId, kg: parcel.mix.reduce((sum, kg) => sum + kg, 0) })),
    })),
    peakM3: planned.run.peakM3,
    colour: lastColour(ribbon),
    grainM: planned.run.records.at(-1)?.before.grainM ?? 0,
    dishedC: planned.run.dished?.tempC ?? 0,
  };
}

/** A soup as written, in the smallest pot of the kit that holds it. */
export function writtenView(soup: Soup, rows: readonly IngredientRow[], kit: Kit): PlanView | undefined {
  const planned = writtenPlan(soup, rows, kit);
  return planned === undefined ? undefined : viewOf(planned, undefined);
}

/** A plan for an ask, with what does not go by its factor against the soup as written. */
export function planView(soup: Soup, rows: readonly IngredientRow[], kit: Kit, ask: Ask): PlanOutcome {
  const planning = makePlan(soup, rows, kit, ask);
  return planning.ok ? { ok: true, view: viewOf(planning.plan, writtenPlan(soup, rows, kit)) } : planning;
}

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
  readonly ask: Ask;
  readonly vessel: Vessel;
  readonly kit: Kit;
  readonly steps: readonly StepState[];
  readonly plannedMinutes: readonly StepTakes[];
  readonly current: { readonly step: SoupStep; readonly branchId: string } | undefined;
  readonly pot: PotView;
  /** Where the plan expects the level after the step in hand, m. */
  readonly wantedLevelM: number;
  readonly headspaceM: number;
  readonly saltPct: number;
  readonly saltTargetPct: number | undefined;
  readonly creamKg: number;
  readonly creamToGoKg: number;
  readonly hasCream: boolean;
  readonly planned: Figures;
  readonly forecast: Figures;
  readonly plannedRibbon: Ribbon;
  readonly actualRibbon: Ribbon;
  readonly inKg: readonly (readonly [string, number])[];
  readonly toGoKg: readonly (readonly [string, number])[];
  readonly cautions: readonly Caution[];
  readonly questioned: boolean;
  readonly closed: boolean;
  readonly dishedBowls: number | undefined;
  readonly undone: readonly string[];
  readonly late: readonly string[];
}

const MEASURED_FROM_M3 = 1e-9;

function potView(state: BatchState, vessel: Vessel): PotView {
  const { pot } = state;
  const volumeM3 = potM3(pot);
  return {
    massKg: state.massKg,
    sdKg: state.massSdKg,
    volumeM3,
    levelM: volumeM3 / areaM2(vessel),
    belowRimM: belowRimM(vessel, volumeM3),
    tempC: pot.tempC,
    colour: colourOf(tintIn(contents(pot))),
    pieces: pot.cohorts.length,
    densityKgM3: volumeM3 > MEASURED_FROM_M3 ? state.massKg / volumeM3 : 1000,
  };
}

function wantedLevelM(state: BatchState, vessel: Vessel): number {
  const id = state.current?.step.id;
  const at = state.planned.run.records.findLast(({ step }) => step.id === id);
  const pot = at === undefined ? state.pot : at.step.op === 'dish' ? at.before : at.pot;
  return potM3(pot) / areaM2(vessel);
}

/** Folds a batch's entries into what the Stove shows. */
export function batchView(snapshot: Snapshot, entries: readonly KeptEntry[]): BatchView {
  const state = foldBatch(snapshot, entries);
  const { vessel } = state.planned.ready;
  const plannedSteps = state.planned.run.records.map(({ step }) => step);
  const season = plannedSteps.find(({ op }) => op === 'season');
  const cream = plannedSteps.find(({ op }) => op === 'cream');
  const creamId = cream?.op === 'cream' ? cream.line : undefined;
  return {
    soup: snapshot.soup,
    ask: snapshot.ask,
    vessel,
    kit: snapshot.kit,
    steps: state.steps,
    plannedMinutes: viewOf(state.planned, undefined).takes,
    current: state.current === undefined ? undefined : { step: state.current.step, branchId: state.current.branch.id },
    pot: potView(state, vessel),
    wantedLevelM: wantedLevelM(state, vessel),
    headspaceM: vessel.depthM - usableM3(vessel) / areaM2(vessel),
    saltPct: saltPctNow(state),
    saltTargetPct: season?.op === 'season' ? season.saltPct : undefined,
    creamKg: contents(state.pot).carried[CREAM_KG],
    creamToGoKg: creamId === undefined ? 0 : (state.toGoKg.get(creamId) ?? 0),
    hasCream: creamId !== undefined,
    planned: state.plannedFigures,
    forecast: state.forecast,
    plannedRibbon: ribbonOf(state.planned.run, branchNames(state.planned)),
    actualRibbon: actualRibbon(state),
    inKg: [...state.inKg],
    toGoKg: [...state.toGoKg],
    cautions: state.cautions,
    questioned: state.readings.at(-1)?.questioned ?? false,
    closed: state.closed,
    dishedBowls: state.dishedBowls,
    undone: [...state.history.undone],
    late: [...state.history.late],
  };
}
