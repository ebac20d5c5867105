import { foldBatch } from '@tureen/core/batch';
import { instrument, type Instrument, type Normal } from '@tureen/core/bench';
import { newestOpen, readBatch, type StoredBatch } from '../batches.js';
import type { Database } from '../database.js';
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

export type TrueOf = (batch: StoredBatch) => Promise<TruePot | undefined>;

interface Followed {
  readonly key: string;
  readonly grossKg: number;
  readonly tempC: (atMs: number) => number;
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

  constructor(
    private readonly database: Database,
    private readonly devices: Devices,
    normal: Normal,
    bornMs: number,
    private readonly trueOf: TrueOf = () => Promise.resolve(undefined),
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

  /** The pot of the newest batch that is open, worked out again only when something was entered. */
  private async follow(): Promise<Followed> {
    const newest = await newestOpen(this.database);
    const key = newest === undefined ? '' : `${newest.id} ${String(newest.entries)}`;
    if (this.followed?.key === key) return this.followed;
    const batch = newest === undefined ? undefined : await readBatch(this.database, newest.id);
    if (batch === undefined) return { key, grossKg: 0, tempC: () => ROOM_C };
    const state = foldBatch(batch.snapshot, batch.entries);
    const believed: TruePot = { inPotKg: state.massKg, onScaleKg: 0, tempC: () => state.pot.tempC };
    const { inPotKg, onScaleKg, tempC } = (await this.trueOf(batch)) ?? believed;
    const leftKg = Math.max(0, inPotKg - state.dishedKg);
    return { key, grossKg: leftKg + onScaleKg + state.prepared.vessel.tareKg, tempC };
  }

  /** One look, about once a second. */
  async look(atMs: number): Promise<void> {
    const next = await this.follow();
    this.restless = next.key === this.followed?.key ? Math.max(0, this.restless - 1) : UNSTEADY_LOOKS;
    this.followed = next;
    const silent = atMs % SILENT_EVERY_MS < SILENT_FOR_MS && atMs > SILENT_EVERY_MS;
    this.say('simulated-scale', 'scale', 'Simulated scale', silent, 'kg', this.scale.read(next.grossKg, atMs) - this.tareKg, atMs);
    this.say('simulated-probe', 'probe', 'Simulated probe', false, 'degC', this.probe.read(next.tempC(atMs), atMs), atMs);
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
