import { colourOf } from '../larder/index.js';
import { contents, parcelKg, potKg, tintIn, type Flow, type FlowKind } from '../pot/index.js';
import type { SoupStep } from '../soup/index.js';
import type { Run, StepRecord } from './run.js';

/** Something that joins or leaves the band at a stop. */
export interface RibbonFlow {
  readonly kind: FlowKind;
  readonly lineId: string;
  readonly kg: number;
  readonly colour: string;
}

/** One step on the ribbon: how heavy the band is on either side, its colour after, what came and went. */
export interface Stop {
  readonly stepId: string;
  readonly op: SoupStep['op'];
  readonly beforeKg: number;
  readonly afterKg: number;
  readonly colour: string;
  readonly ins: readonly RibbonFlow[];
  readonly outs: readonly RibbonFlow[];
  /** The branch that runs in here. */
  readonly joins: string | undefined;
  readonly minutes: number;
  readonly tempC: number;
}

export interface Band {
  readonly branchId: string;
  readonly name: string;
  readonly stops: readonly Stop[];
}

/** The batch as bands of mass; the last is the main pot. */
export interface Ribbon {
  readonly bands: readonly Band[];
}

function ribbonFlows(flows: readonly Flow[]): RibbonFlow[] {
  const sums = new Map<string, RibbonFlow>();
  for (const { kind, lineId, parcel } of flows) {
    const key = kind === 'vapour' ? kind : `${kind} ${lineId}`;
    const have = sums.get(key);
    const kg = parcelKg(parcel) + (have?.kg ?? 0);
    sums.set(key, { kind, lineId, kg, colour: have?.colour ?? colourOf(tintIn(parcel)) });
  }
  return [...sums.values()].filter(({ kg }) => kg > 0);
}

function stopOf(records: readonly StepRecord[]): Stop {
  const first = records[0];
  const last = records.at(-1);
  if (first === undefined || last === undefined) throw new Error('A stop is made of at least one record.');
  const after = last.step.op === 'dish' ? contents(last.before) : contents(last.pot);
  return {
    stepId: first.step.id,
    op: last.step.op,
    beforeKg: potKg(first.before),
    afterKg: parcelKg(after),
    colour: colourOf(tintIn(after)),
    ins: ribbonFlows(records.flatMap(({ inflows }) => inflows)),
    outs: ribbonFlows(records.flatMap(({ outflows }) => outflows)).filter(({ kind }) => kind !== 'bowls'),
    joins: last.step.op === 'join' ? last.step.branch.id : undefined,
    minutes: records.reduce((sum, { minutes }) => sum + minutes, 0),
    tempC: last.pot.tempC,
  };
}

/** Bands and stops of a run; records that share a step's id (a batch's pours) make one stop. */
export function ribbonOf(run: Pick<Run, 'records'>, names: ReadonlyMap<string, string>): Ribbon {
  const bands = new Map<string, Map<string, StepRecord[]>>();
  for (const record of run.records) {
    const band = bands.get(record.branchId) ?? new Map<string, StepRecord[]>();
    band.set(record.step.id, [...(band.get(record.step.id) ?? []), record]);
    bands.set(record.branchId, band);
  }
  return {
    bands: [...bands].map(([branchId, steps]) => ({
      branchId,
      name: names.get(branchId) ?? branchId,
      stops: [...steps.values()].map(stopOf),
    })),
  };
}
