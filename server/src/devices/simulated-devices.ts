import { foldBatch } from '@tureen/core/batch';
import { instrument, type Instrument, type Normal } from '@tureen/core/bench';
import { EDGE_PER_M, LONGEST_MIN, USUAL_PLACES, coolingCurve, stuffOf } from '@tureen/core/cold';
import type { ColdPlace } from '@tureen/core/kit';
import { makeIngredient } from '@tureen/core/larder';
import { coolingPlaceOf, type Container } from '@tureen/core/stock';
import { newestOpen, readBatch, type StoredBatch } from '../batches.js';
import { listCooling, newestLeftInPot, newestStock, type Leftover } from '../cold.js';
import type { Database } from '../database.js';
import { readKit } from '../kitchen.js';
import type { Devices } from './devices.js';

/** How the simulated devices err. Invented. */
const SCALE = { biasSd: 0.002, noiseSd: 0.0008, driftPerHour: 0.002 };
const PROBE = { biasSd: 0.004, noiseSd: 0.003, driftPerHour: 0.001 };
/** One of them falls silent so often, and for so long. Invented. */
const SILENT_EVERY_MS = 240_000;
const SILENT_FOR_MS = 18_000;
const ROOM_C = 20;
/** What boils or is lifted makes a scale restless: so many looks after a change it is not steady. */
const UNSTEADY_LOOKS = 2;

/** What really stands in the pot of a batch, where that is not what is believed of it, and how hot it is by and by. */
export interface TruePot {
  readonly inPotKg: number;
  readonly onScaleKg: number;
  readonly tempC: (atMs: number) => number;
}

/** How hot the middle of a container that cools is by and by; undefined where nothing else is true of it than is believed. */
export type TrueTemp = (atMs: number) => number;

/** What is true where that is not what is believed: of pots and of containers that cool. */
export interface TrueOf {
  readonly pot: (batch: StoredBatch) => Promise<TruePot | undefined>;
  readonly pan: (container: Container) => Promise<TrueTemp | undefined>;
}

const NOTHING_ELSE: TrueOf = { pot: () => Promise.resolve(undefined), pan: () => Promise.resolve(undefined) };

interface PanProbe {
  readonly id: string;
  readonly container: Container;
  readonly tempC: TrueTemp;
  readonly reads: Instrument;
}

/** So many pans at most have a probe of their own: those that were set to cool last. */
const MOST_PANS = 12;
const MINUTE_MS = 60_000;

interface Followed {
  readonly key: string;
  readonly grossKg: number;
  readonly tempC: (atMs: number) => number;
}

/** How hot a container that cools is believed to be by and by: as its watch reckons before anything is read. */
function believedTemp({ cooling, contents }: Container, places: readonly ColdPlace[]): TrueTemp {
  const place = cooling === undefined ? undefined : coolingPlaceOf(cooling, [...places, ...USUAL_PLACES]);
  if (cooling === undefined || place === undefined) return () => ROOM_C;
  const { depthM, startC, startMs, isStirred } = cooling;
  const stuff = stuffOf(makeIngredient(contents.row).perKg, 1);
  const { warmestC } = coolingCurve({ stuff, depthM, startC, place, isStirred, edgePerM: EDGE_PER_M }, LONGEST_MIN);
  return (atMs) => warmestC[Math.min(warmestC.length - 1, Math.max(0, Math.round((atMs - startMs) / MINUTE_MS)))] ?? startC;
}

/** A scale and a probe that follow whatever is on the stove, with noise, drift, and a disconnect now and then. */
export class SimulatedDevices {
  private readonly scale: Instrument;
  private readonly probe: Instrument;
  private tareKg = 0;
  private readonly off = new Set<string>();
  private followed: Followed | undefined;
  private restless = 0;
  private readonly greeted = new Set<string>();
  private pans: readonly PanProbe[] = [];
  private stockSeen: number | undefined;

  constructor(
    private readonly database: Database,
    private readonly devices: Devices,
    private readonly normal: Normal,
    bornMs: number,
    private readonly trueOf: TrueOf = NOTHING_ELSE,
  ) {
    this.scale = instrument(SCALE, normal, bornMs);
    this.probe = instrument(PROBE, normal, bornMs);
    devices.onCommand((id, command) => {
      if (id !== 'simulated-scale' && id !== 'simulated-probe') return;
      if (command.do === 'off') {
        this.off.add(id);
        this.part(id);
      } else if (command.do === 'on') this.off.delete(id);
      else this.tareKg = this.followed?.grossKg ?? 0;
    });
  }

  private part(id: string): void {
    if (this.greeted.delete(id)) this.devices.take({ type: 'bye', device: id });
  }

  /** The pot of the newest batch that is open, or else of the newest that left something over which still stands in it. */
  private async follow(): Promise<Followed> {
    const newest = await newestOpen(this.database);
    const left = newest === undefined ? await newestLeftInPot(this.database) : undefined;
    return left === undefined ? this.followOpen(newest) : this.followLeft(left);
  }

  private async followLeft({ batchId, entryId, kg, filledKg }: Leftover): Promise<Followed> {
    const restKg = kg - filledKg;
    const key = `${entryId} ${String(restKg)}`;
    if (this.followed?.key === key) return this.followed;
    const batch = await readBatch(this.database, batchId);
    if (batch === undefined) return { key, grossKg: 0, tempC: () => ROOM_C };
    const state = foldBatch(batch.snapshot, batch.entries);
    const real = await this.trueOf.pot(batch);
    return { key, grossKg: restKg + state.prepared.vessel.tareKg, tempC: real?.tempC ?? (() => state.pot.tempC) };
  }

  /** Worked out again only when something was entered. */
  private async followOpen(newest: Awaited<ReturnType<typeof newestOpen>>): Promise<Followed> {
    const key = newest === undefined ? '' : `${newest.id} ${String(newest.entries)}`;
    if (this.followed?.key === key) return this.followed;
    const batch = newest === undefined ? undefined : await readBatch(this.database, newest.id);
    if (batch === undefined) return { key, grossKg: 0, tempC: () => ROOM_C };
    const state = foldBatch(batch.snapshot, batch.entries);
    const believed: TruePot = { inPotKg: state.massKg, onScaleKg: 0, tempC: () => state.pot.tempC };
    const { inPotKg, onScaleKg, tempC } = (await this.trueOf.pot(batch)) ?? believed;
    const leftKg = Math.max(0, inPotKg - state.dishedKg);
    return { key, grossKg: leftKg + onScaleKg + state.prepared.vessel.tareKg, tempC };
  }

  /** Puts a probe into each pan that cools, and takes it out of those that do no longer: looked at only when something was entered. */
  private async followPans(atMs: number): Promise<void> {
    const newest = await newestStock(this.database);
    if (newest === this.stockSeen) return;
    this.stockSeen = newest;
    const cooling = await listCooling(this.database, MOST_PANS);
    const kit = await readKit(this.database);
    const had = new Map(this.pans.map((pan) => [pan.container.id, pan]));
    const pans: PanProbe[] = [];
    for (const container of cooling) {
      const have = had.get(container.id);
      const tempC = (await this.trueOf.pan(container)) ?? believedTemp(container, kit?.coldPlaces ?? []);
      const id = have?.id ?? `simulated-pan-${container.id.slice(0, 13)}`;
      pans.push({ id, container, tempC, reads: have?.reads ?? instrument(PROBE, this.normal, atMs) });
    }
    for (const { id } of this.pans) if (!pans.some((pan) => pan.id === id)) this.part(id);
    this.pans = pans;
  }

  private async lookAtPans(atMs: number): Promise<void> {
    await this.followPans(atMs);
    for (const { id, container, tempC, reads } of this.pans) {
      if (!this.greeted.has(id)) {
        this.greeted.add(id);
        this.devices.take({
          type: 'hello',
          device: id,
          kind: 'probe',
          name: `Simulated probe in ${container.vessel.toLowerCase()}`.slice(0, 60),
          simulated: true,
          container: container.id,
        });
      }
      const value = Math.round(reads.read(tempC(atMs), atMs) * 10) / 10;
      this.devices.take({ type: 'reading', device: id, unit: 'degC', value, steady: true, atMs });
    }
  }

  /** One look, about once a second. */
  async look(atMs: number): Promise<void> {
    const next = await this.follow();
    this.restless = next.key === this.followed?.key ? Math.max(0, this.restless - 1) : UNSTEADY_LOOKS;
    this.followed = next;
    const silent = atMs % SILENT_EVERY_MS < SILENT_FOR_MS && atMs > SILENT_EVERY_MS;
    this.say('simulated-scale', 'scale', 'Simulated scale', silent, 'kg', this.scale.read(next.grossKg, atMs) - this.tareKg, atMs);
    this.say('simulated-probe', 'probe', 'Simulated probe', false, 'degC', this.probe.read(next.tempC(atMs), atMs), atMs);
    await this.lookAtPans(atMs);
  }

  private say(
    id: string,
    kind: 'scale' | 'probe',
    name: string,
    silent: boolean,
    unit: 'kg' | 'degC',
    value: number,
    atMs: number,
  ): void {
    if (silent || this.off.has(id)) {
      this.part(id);
      return;
    }
    if (!this.greeted.has(id)) {
      this.greeted.add(id);
      this.devices.take({ type: 'hello', device: id, kind, name, simulated: true });
    }
    const steady = kind === 'probe' || this.restless === 0;
    this.devices.take({ type: 'reading', device: id, unit, value: Math.round(value * 100) / 100, steady, atMs });
  }
}
