import { drawsFrom } from '@tureen/core/odds';
import { READY_KITS, dayOf } from '@tureen/core/kit';
import { rerun } from '@tureen/core/plan';
import { HiddenKitchen, after, cookedIn, leftInPot, truePans, type Hidden } from '@tureen/core/practice';
import { massOf } from '@tureen/core/bench';
import { EXAMPLE_SOUPS } from '@tureen/core/soup';
import { foldStock, keepingOf, type StockEntry } from '@tureen/core/stock';
import { makeApp } from '../app.js';
import { readBatch, type StoredBatch } from '../batches.js';
import { openDatabase, type Database } from '../database.js';
import { Devices } from '../devices/devices.js';
import { SimulatedDevices, type TrueOf, type TruePot, type TrueTemp } from '../devices/simulated-devices.js';
import { Hub } from '../hub.js';
import { readKit, saveKit } from '../kitchen.js';
import { projectionsUpToDate } from '../projections.js';
import { refreshShelf } from '../shelf.js';
import { listSoups, saveSoup } from '../soups.js';
import { readStockOf } from '../stock.js';
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

/** How hot the middle of a container of a practice really is by the practice's clock. */
export function trueTempOf(
  batch: StoredBatch,
  stock: readonly StockEntry[],
  { seed, mishaps }: Hidden,
  containerId: string,
  clock: PracticeClock,
): TrueTemp | undefined {
  const plan = rerun(batch.snapshot);
  const left = leftInPot(plan, batch.entries, { seed, mishaps });
  if (left === undefined) return undefined;
  const { kit } = plan.snapshot;
  const { counted } = foldStock(stock, { keeping: keepingOf(kit.keeps), dayOf: (ms) => dayOf(ms, kit.zone) });
  const pan = truePans(counted, left.pot, new HiddenKitchen(seed, mishaps), kit).get(containerId);
  return pan === undefined ? undefined : (atMs) => pan.at(clock.at(atMs)).middleC;
}

/** Scale and probes stand under and in what is really in the pot of a practice, and in its pans. */
function trueOf(database: Database, clock: PracticeClock): TrueOf {
  const practised = async (batchId: string): Promise<Hidden | undefined> => {
    const practice = await readPractice(database, batchId);
    return practice === undefined ? undefined : hiddenOf(practice)?.hidden;
  };
  return {
    pot: async (batch) => {
      const hidden = await practised(batch.id);
      return hidden === undefined ? undefined : truePotOf(batch, hidden, clock);
    },
    pan: async ({ id, from }) => {
      const hidden = from === undefined ? undefined : await practised(from.batchId);
      const batch = from === undefined ? undefined : await readBatch(database, from.batchId);
      if (hidden === undefined || batch === undefined) return undefined;
      return trueTempOf(batch, await readStockOf(database, batch.id), hidden, id, clock);
    },
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
