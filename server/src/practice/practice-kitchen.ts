import { drawsFrom } from '@tureen/core/odds';
import { READY_KITS } from '@tureen/core/kit';
import { rerun } from '@tureen/core/plan';
import { after, cookedIn, type Hidden } from '@tureen/core/practice';
import { massOf } from '@tureen/core/bench';
import { EXAMPLE_SOUPS } from '@tureen/core/soup';
import { makeApp } from '../app.js';
import type { StoredBatch } from '../batches.js';
import { openDatabase, type Database } from '../database.js';
import { Devices } from '../devices/devices.js';
import { SimulatedDevices, type TrueOf, type TruePot } from '../devices/simulated-devices.js';
import { Hub } from '../hub.js';
import { readKit, saveKit } from '../kitchen.js';
import { projectionsUpToDate } from '../projections.js';
import { refreshShelf } from '../shelf.js';
import { listSoups, saveSoup } from '../soups.js';
import { PracticeClock } from './practice-clock.js';
import { hiddenOf, readPractice } from './practices.js';

const LOOK_MS = 1000;

export interface PracticeKitchenOptions {
  /** Its own file: nothing of the kitchen is in it, and nothing of it is in the kitchen. */
  readonly file: string;
  readonly migrations: string;
  /** The kitchen beside which it stands: its units, currency and country are those of the practice too. */
  readonly kitchen: Database;
  readonly seed: number;
  readonly hosts?: readonly string[];
  readonly build?: string | undefined;
  readonly nowMs: () => number;
  readonly logBug: (error: unknown) => void;
}

/** A kitchen with the soups and the canteen's kit that ship: whatever was changed of its kit is as it was when it opens again. */
async function setUp(database: Database, { kitchen, nowMs }: PracticeKitchenOptions): Promise<void> {
  const own = await readKit(kitchen);
  const { country, currency, zone, units } = own ?? READY_KITS.canteen;
  await saveKit(database, { ...READY_KITS.canteen, kitchen: 'Practice', country, currency, zone, units }, nowMs());
  const have = new Set((await listSoups(database)).map(({ soup }) => soup.id));
  for (const soup of EXAMPLE_SOUPS) {
    if (have.has(soup.id)) continue;
    const saved = await saveSoup(database, soup, 0, 'as it ships', nowMs());
    if (!saved.ok) throw new Error(`The practice shelf's ${soup.id}: ${saved.failure.code}`);
  }
  await refreshShelf(database, nowMs());
}

/** What is really in the pot of a practice, on its scale, and how hot it is by the practice's clock. */
export function truePotOf(batch: StoredBatch, hidden: Hidden, clock: PracticeClock): TruePot {
  const plan = rerun(batch.snapshot);
  const { pot, flameC } = cookedIn(plan, batch.entries, hidden);
  const lastMs = Math.max(...batch.entries.map(({ atMs }) => atMs));
  return {
    inPotKg: massOf(pot),
    onScaleKg: hidden.mishaps.onScaleKg ?? 0,
    tempC: (atMs) => after(pot, plan.prepared.vessel, flameC, (clock.at(atMs) - lastMs) / 1000).tempC,
  };
}

/** The scale stands under, and the probe in, what is really in the pot of a practice. */
function trueOf(database: Database, clock: PracticeClock): TrueOf {
  return async (batch) => {
    const practice = await readPractice(database, batch.id);
    const own = practice === undefined ? undefined : hiddenOf(practice);
    return own === undefined ? undefined : truePotOf(batch, own.hidden, clock);
  };
}

/** The practice kitchen: the same application on a file of its own, opened when it is first asked for anything. */
export class PracticeKitchen {
  private opened: Promise<{ readonly database: Database; readonly app: ReturnType<typeof makeApp> }> | undefined;
  private isClosed = false;
  private readonly clock = new PracticeClock();

  constructor(private readonly options: PracticeKitchenOptions) {}

  private async open(): Promise<{ readonly database: Database; readonly app: ReturnType<typeof makeApp> }> {
    const { file, migrations, seed, nowMs, logBug, hosts, build } = this.options;
    const database = await openDatabase(file, migrations, false);
    await projectionsUpToDate(database);
    await setUp(database, this.options);
    const hub = new Hub();
    const devices = new Devices(hub, nowMs);
    const simulated = new SimulatedDevices(database, devices, drawsFrom(seed).normal, nowMs(), trueOf(database, this.clock));
    const look = (): void => {
      if (this.isClosed) return;
      void (hub.heard ? simulated.look(nowMs()) : Promise.resolve()).catch(logBug).finally(() => setTimeout(look, LOOK_MS).unref());
    };
    look();
    const app = makeApp({
      database,
      hub,
      devices,
      mode: 'practice',
      practiceClock: this.clock,
      ...(hosts === undefined ? {} : { hosts }),
      build,
      nowMs,
      logBug,
    });
    return { database, app };
  }

  async fetch(request: Request): Promise<Response> {
    this.opened ??= this.open().catch((error: unknown) => {
      // The next who asks tries again.
      this.opened = undefined;
      throw error;
    });
    const { app } = await this.opened;
    return app.fetch(request);
  }

  async close(): Promise<void> {
    this.isClosed = true;
    if (this.opened !== undefined) await (await this.opened).database.close();
  }
}
