import type { Day } from '@tureen/core/board';
import { ENTRY_SHAPE, foldBatch, type BatchState, type Action, type Entry } from '@tureen/core/batch';
import { READY_KITS, areaM2, dayOf, type Kit } from '@tureen/core/kit';
import { EXAMPLE_SOUPS, walk, type SoupStep } from '@tureen/core/soup';
import { LARDER_ROWS } from '@tureen/core/larder';
import { rerun, writtenPlan, type Planned, type Snapshot } from '@tureen/core/plan';
import type { Buying, SupplyEntry } from '@tureen/core/shop';
import { contentsOf } from '@tureen/core/stock';
import { appendEntries, startBatch } from '../batches.js';
import type { Database } from '../database.js';
import { saveDay } from '../days.js';
import { saveKit } from '../kitchen.js';
import { savePlan } from '../plans.js';
import { seedColdStore } from './cold-store.js';
import { Draw } from './draw.js';
import { OLDER, cookedOlder } from './older-past.js';
import { listSoups, saveSoup, shelveSoup } from '../soups.js';
import { enterSupplies, keepBuying } from '../supplies.js';

/** A boatyard's canteen on an invented quay. Everything here is made up. */
const KIT: Kit = {
  ...READY_KITS.canteen,
  kitchen: 'Gannet Quay',
  ovens: [
    { id: 'oven-top', name: 'Oven, top' },
    { id: 'oven-low', name: 'Oven, low' },
  ],
};

/** From whom the canteen buys, in what; suppliers are invented. */
const BUYING: readonly Buying[] = [
  { ingredient: 'beetroot', supplier: 'Tideway Greens', packKg: 5, packName: 'net' },
  { ingredient: 'celeriac', supplier: 'Tideway Greens', packKg: 6, packName: 'crate' },
  { ingredient: 'parsnip', supplier: 'Tideway Greens', packKg: 5, packName: 'net' },
  { ingredient: 'onion', supplier: 'Tideway Greens', packKg: 10, packName: 'sack' },
  { ingredient: 'leek', supplier: 'Tideway Greens' },
  { ingredient: 'apple', supplier: 'Tideway Greens' },
  { ingredient: 'single-cream', supplier: 'Skerry Dairy', packKg: 1, packName: 'carton' },
  { ingredient: 'butter', supplier: 'Skerry Dairy', packKg: 0.5, packName: 'block' },
];

/** What was counted in the store when the tablets came, kg. */
const COUNTED: Readonly<Record<string, number>> = { onion: 7.5, butter: 1.2, beetroot: 3.4, 'single-cream': 1 };

/** What the canteen cooks on the day after its first start. */
const TOMORROW: Omit<Day, 'date'> = {
  starts: '07:30',
  ends: '15:00',
  people: [
    { id: 'jt', name: 'JT' },
    { id: 'mo', name: 'MO' },
  ],
  batches: [
    { id: 'beetroot', soupId: 'beetroot-horseradish', request: { bowls: 80, bowlG: 300 }, at: '12:00' },
    { id: 'celeriac', soupId: 'celeriac-leek-apple', request: { bowls: 40, bowlG: 300 }, at: '12:00' },
    { id: 'pea', soupId: 'pea-lettuce-cold', request: { bowls: 16, bowlG: 250 }, at: '12:00' },
    { id: 'parsnip', soupId: 'parsnip-butter', request: { bowls: 50, bowlG: 300 }, at: '15:00', keeps: true },
  ],
};
const SEED = 20_260_917;
/** The ruler of the invented cook is read as if soup were water. */
const WATER_KG_M3 = 1000;
const DAY_MS = 86_400_000;
const MINUTE_MS = 60_000;

/** What stood in the fridge before the tablets came, by soup. */
const BEFORE = { soup: 'swede-barley', daysAgo: 4, tubsKg: [0.9, 0.6] } as const;
/** A litre tub is filled so far. */
const TUB_KG = 0.9;

/** The soups of this canteen; the other examples are for whoever starts a kitchen of their own. */
const SHELF = new Set([
  'beetroot-horseradish',
  'celeriac-leek-apple',
  'parsnip-butter',
  'pea-lettuce-cold',
  'fennel-egg-cream',
  'swede-barley',
  'base-two-ways',
  'squash-coconut-chilli',
]);

/** What the cooks of the canteen call some of them. */
const TAGS: Readonly<Record<string, readonly string[]>> = {
  'beetroot-horseradish': ['noon', 'winter'],
  'celeriac-leek-apple': ['noon'],
  'parsnip-butter': ['noon', 'freezer'],
  'pea-lettuce-cold': ['summer'],
  'swede-barley': ['winter', 'flasks'],
  'base-two-ways': ['freezer'],
};

/**
 * Finished batches: days ago, soup, bowls, pot, how far the cook's pours strayed from the plan, and how many bowls were kept
 * in the cold.
 */
const PAST = [
  { daysAgo: 41, soup: 'celeriac-leek-apple', bowls: 60, potId: 'boiler-40', strays: 1.04, keeps: 0, isFrozen: false },
  { daysAgo: 33, soup: 'beetroot-horseradish', bowls: 80, potId: 'boiler-40', strays: 0.97, keeps: 12, isFrozen: true },
  { daysAgo: 24, soup: 'parsnip-butter', bowls: 80, potId: 'boiler-40', strays: 1.12, keeps: 9, isFrozen: true },
  { daysAgo: 16, soup: 'pea-lettuce-cold', bowls: 50, potId: 'boiler-40', strays: 1.0, keeps: 0, isFrozen: false },
  { daysAgo: 9, soup: 'beetroot-horseradish', bowls: 80, potId: 'boiler-40', strays: 1.06, keeps: 6, isFrozen: true },
  { daysAgo: 3, soup: 'celeriac-leek-apple', bowls: 80, potId: 'boiler-40', strays: 0.94, keeps: 11, isFrozen: false },
] as const;

/** Writes down one batch as a cook would: ladle by ladle, a dip after the simmer, salt in two goes, bowls counted. */
class PastCook {
  readonly entries: Entry[] = [];
  private counter = 0;
  private readonly planned: Planned;

  constructor(
    private readonly snapshot: Snapshot,
    private readonly draw: Draw,
    private atMs: number,
    private readonly strays: number,
  ) {
    this.planned = rerun(snapshot);
  }

  private did(action: Action, minutes = 0.5): void {
    this.atMs += minutes * MINUTE_MS;
    this.counter += 1;
    this.entries.push({
      id: this.draw.uuid(),
      shape: ENTRY_SHAPE,
      stamp: { counter: this.counter, device: 'quay-tablet', seq: this.counter },
      atMs: Math.round(this.atMs),
      who: this.counter % 3 === 0 ? 'MO' : 'JT',
      action,
    });
  }

  private state(): BatchState {
    return foldBatch(this.snapshot, this.entries, this.planned);
  }

  private pour(stepId: string, line: string, wantedKg: number): void {
    const ladle = KIT.ladles.find(({ id }) => id === (wantedKg > 2 ? 'jug-1000' : 'ladle-300')) ?? KIT.ladles[0];
    if (ladle === undefined) return;
    const times = Math.max(1, Math.round((wantedKg * this.strays) / (ladle.volumeM3 * 1000)));
    for (let n = 0; n < times; n++) this.did({ kind: 'poured', stepId, line, vessel: ladle.name, volumeM3: ladle.volumeM3 }, 0.3);
  }

  private atStep(step: SoupStep): void {
    const before = this.state();
    const minutes = before.steps.find(({ stepId }) => stepId === step.id)?.minutes ?? 0;
    if (step.op === 'roast' || step.op === 'sweat' || step.op === 'simmer') this.did({ kind: 'started', stepId: step.id });
    if (step.op === 'cover') this.pour(step.id, step.line, before.toGoKg.get(step.line) ?? 0);
    if (step.op === 'season') {
      const wantedKg = before.toGoKg.get(step.line) ?? 0;
      this.did({ kind: 'added', stepId: step.id, line: step.line, kg: Math.round(wantedKg * 800) / 1000 });
      this.did(
        { kind: 'added', stepId: step.id, line: step.line, kg: Math.round(wantedKg * 200 * this.draw.around(0.3)) / 1000 },
        2,
      );
    }
    if (step.op === 'cream') {
      this.did({ kind: 'added', stepId: step.id, line: step.line, kg: Math.round((before.toGoKg.get(step.line) ?? 0) * 20) / 20 });
    }
    if (step.op === 'simmer' && step.vigour !== 'bare') {
      this.did({ kind: 'done', stepId: step.id, minutes: Math.round(step.minutes * this.draw.around(0.15)) }, minutes);
      return;
    }
    if (step.op === 'film' && step.on === 'pot') {
      const vessel = KIT.pots.find(({ id }) => id === this.snapshot.request.potId);
      if (vessel !== undefined) {
        const depthM = before.massKg / areaM2(vessel) / WATER_KG_M3;
        const belowRimM = Math.round((vessel.depthM - depthM * this.draw.around(0.03)) * 200) / 200;
        this.did({ kind: 'dipped', stepId: step.id, belowRimM });
      }
    }
    this.did({ kind: 'done', stepId: step.id }, Math.max(0.5, minutes * this.draw.around(0.1)));
  }

  /** @param keeps bowls that are not dished but put away. */
  cook(keeps: number): readonly Entry[] {
    for (const { step } of walk(this.snapshot.soup.root)) this.atStep(step);
    const bowls = Math.floor(this.state().forecast.bowls * this.draw.around(0.015)) - keeps;
    this.did({ kind: 'dished', bowls }, 40);
    if (keeps > 0) this.did({ kind: 'stored', kg: (keeps * this.snapshot.request.bowlG) / 1000 }, 5);
    this.did({ kind: 'closed' }, 5);
    return this.entries;
  }
}

/** So many kilos in litre tubs, the last one with what is left. */
function tubsOf(kg: number): number[] {
  const full = Math.floor(kg / TUB_KG + 1e-6);
  const rest = Math.round((kg - full * TUB_KG) * 1000) / 1000;
  return [...Array.from({ length: full }, () => TUB_KG), ...(rest > 0 ? [rest] : [])];
}

/** Fills an empty database with the demo's kitchen, shelf and past; leaves one that holds anything as it is. */
export async function seedGannetQuay(database: Database, nowMs: number): Promise<void> {
  if ((await listSoups(database)).length > 0) return;
  const draw = new Draw(SEED);
  await saveKit(database, KIT, nowMs);
  for (const soup of EXAMPLE_SOUPS.filter(({ id }) => SHELF.has(id))) {
    const saved = await saveSoup(database, soup, 0, 'as first written', nowMs - 60 * DAY_MS);
    const tags = TAGS[soup.id];
    if (saved.ok && tags !== undefined) await shelveSoup(database, soup.id, { tags, retired: false }, nowMs - 60 * DAY_MS);
    if (!saved.ok) throw new Error(`The demo's ${soup.id} has problems: ${JSON.stringify(saved.failure)}`);
  }
  const midnight = nowMs - (nowMs % DAY_MS);

  const olderDraw = new Draw(SEED + 1);
  for (const older of OLDER) {
    const startMs = midnight - older.daysAgo * DAY_MS + 8 * 3_600_000;
    const request = { bowls: older.bowls, bowlG: 300, potId: older.potId };
    const plan = await savePlan(database, { id: olderDraw.uuid(), soupId: older.soup, version: 1, request }, startMs - DAY_MS);
    if (!plan.ok) throw new Error(`The demo's plan of ${older.soup} failed: ${JSON.stringify(plan.failure)}`);
    const batchId = olderDraw.uuid();
    await startBatch(database, batchId, plan.value.id, startMs);
    const entries = cookedOlder(plan.value.snapshot, olderDraw, startMs, older.slip);
    const kept = await appendEntries(database, batchId, entries, entries.at(-1)?.atMs ?? startMs);
    if (!kept.ok) throw new Error(`The demo's batch of ${older.soup} failed: ${JSON.stringify(kept.failure)}`);
  }
  const cold: Parameters<typeof seedColdStore>[1][number][] = [];
  for (const past of PAST) {
    const startMs = midnight - past.daysAgo * DAY_MS + 8 * 3_600_000;
    const request = { bowls: past.bowls, bowlG: past.soup === 'pea-lettuce-cold' ? 250 : 300, potId: past.potId };
    const plan = await savePlan(database, { id: draw.uuid(), soupId: past.soup, version: 1, request }, startMs - DAY_MS);
    if (!plan.ok) throw new Error(`The demo's plan of ${past.soup} failed: ${JSON.stringify(plan.failure)}`);
    const batchId = draw.uuid();
    await startBatch(database, batchId, plan.value.id, startMs);
    const entries = new PastCook(plan.value.snapshot, draw, startMs, past.strays).cook(past.keeps);
    const lastMs = entries.at(-1)?.atMs ?? startMs;
    const kept = await appendEntries(database, batchId, entries, lastMs);
    if (!kept.ok) throw new Error(`The demo's batch of ${past.soup} failed: ${JSON.stringify(kept.failure)}`);
    const stored = entries.find(({ action }) => action.kind === 'stored');
    const contents = contentsOf(foldBatch(plan.value.snapshot, entries), 1);
    if (stored?.action.kind !== 'stored' || contents === undefined) continue;
    const from = { batchId, entryId: stored.id };
    cold.push({ contents, madeMs: stored.atMs, from, tubsKg: tubsOf(stored.action.kg), isFrozen: past.isFrozen });
  }
  const written = EXAMPLE_SOUPS.filter(({ id }) => id === BEFORE.soup).map((soup) => writtenPlan(soup, LARDER_ROWS, KIT))[0];
  const contents = written === undefined ? undefined : contentsOf(written, 1);
  if (contents !== undefined)
    cold.push({ contents, madeMs: midnight - BEFORE.daysAgo * DAY_MS + 13 * 3_600_000, tubsKg: BEFORE.tubsKg, isFrozen: false });
  await seedColdStore(database, cold, () => draw.uuid());
  for (const buying of BUYING) await keepBuying(database, buying, nowMs);
  const counted = Object.entries(COUNTED).map(([ingredient, kg]): SupplyEntry => ({
    id: draw.uuid(),
    ingredient,
    action: { kind: 'counted', kg },
    atMs: nowMs,
    who: 'MO',
  }));
  await enterSupplies(database, counted, nowMs);
  await saveDay(database, { ...TOMORROW, date: dayOf(nowMs + DAY_MS, KIT.zone) }, null, nowMs);
}
