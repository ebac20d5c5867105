import { foldBatch } from '@tureen/core/batch';
import type { Day, MenuCycle } from '@tureen/core/board';
import { READY_KITS, dayOf, type Kit } from '@tureen/core/kit';
import { LARDER_ROWS } from '@tureen/core/larder';
import { writtenPlan } from '@tureen/core/plan';
import { EXAMPLE_SOUPS } from '@tureen/core/soup';
import { contentsOf } from '@tureen/core/stock';
import { appendEntries, startBatch } from '../batches.js';
import type { Database } from '../database.js';
import { saveDay } from '../days.js';
import { saveMenu } from '../menu-cycle.js';
import { saveKit } from '../kitchen.js';
import { savePlan, type StoredPlan } from '../plans.js';
import { listSoups, saveSoup, shelveSoup } from '../soups.js';
import { seedColdStore } from './cold-store.js';
import { Draw } from './draw.js';
import { COLD_PLACES, byWeek, cookedLongAgo, quarterOf, type PastBatch } from './past.js';
import { seedPrices, seedStore, weeksBetween } from './store.js';

/** A boatyard's canteen on an invented quay. Everything here is made up. */
const KIT: Kit = {
  ...READY_KITS.canteen,
  kitchen: 'Gannet Quay',
  ovens: [
    { id: 'oven-top', name: 'Oven, top' },
    { id: 'oven-low', name: 'Oven, low' },
  ],
};

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

/** Two weeks of this canteen's menu, from Monday to Friday: what goes out at noon, and how many bowls of it. */
const MENU = [
  [
    [['celeriac-leek-apple', 60]],
    [['swede-barley', 50]],
    [['parsnip-butter', 70]],
    [['fennel-egg-cream', 40]],
    [
      ['beetroot-horseradish', 80],
      ['celeriac-leek-apple', 40],
    ],
  ],
  [
    [['base-two-ways', 60]],
    [['squash-coconut-chilli', 60]],
    [['parsnip-butter', 70]],
    [['swede-barley', 50]],
    [
      ['beetroot-horseradish', 80],
      ['pea-lettuce-cold', 20],
    ],
  ],
] as const;
/** A Monday on which its first week began. */
const MENU_FROM = '2026-01-05';

function menuOfWeeks(): MenuCycle {
  const weeks = MENU.map((week) => ({
    days: Array.from({ length: 7 }, (_, n) =>
      (week[n] ?? []).map(([soupId, bowls]) => ({ soupId, bowls, bowlG: 300, at: '12:00', keeps: false })),
    ),
  }));
  return { startsOn: MENU_FROM, weeks };
}

const SEED = 20_260_917;
const DAY_MS = 86_400_000;
const HOUR_MS = 3_600_000;
/** The kitchen begins at eight. */
const BEGINS_H = 8;

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

/** So many kilos in litre tubs, the last one with what is left. */
function tubsOf(kg: number): number[] {
  const full = Math.floor(kg / TUB_KG + 1e-6);
  const rest = Math.round((kg - full * TUB_KG) * 1000) / 1000;
  return [...Array.from({ length: full }, () => TUB_KG), ...(rest > 0 ? [rest] : [])];
}

interface PlannedPast {
  readonly past: PastBatch;
  readonly plan: StoredPlan;
  readonly startMs: number;
}

/** Plans some batches of the past, with what the kitchen had learnt by then: a day before the first of them. */
async function planPast(database: Database, week: readonly PastBatch[], draw: Draw, midnightMs: number): Promise<PlannedPast[]> {
  const startOf = ({ daysAgo }: PastBatch): number => midnightMs - daysAgo * DAY_MS + BEGINS_H * HOUR_MS;
  const plannedMs = Math.min(...week.map(startOf)) - DAY_MS;
  const planned: PlannedPast[] = [];
  for (const past of week) {
    const { soup, bowls, bowlG, potId } = past;
    const wish = { id: draw.uuid(), soupId: soup, version: 1, request: { bowls, bowlG, potId } };
    const plan = await savePlan(database, wish, plannedMs);
    if (!plan.ok) throw new Error(`The demo's plan of ${soup} failed: ${JSON.stringify(plan.failure)}`);
    planned.push({ past, plan: plan.value, startMs: startOf(past) });
  }
  return planned;
}

/** Cooks one batch of the past. @returns what was kept of it in the cold. */
async function cookPast(
  database: Database,
  { past, plan, startMs }: PlannedPast,
  draw: Draw,
): Promise<Parameters<typeof seedColdStore>[1]> {
  const batchId = draw.uuid();
  await startBatch(database, batchId, plan.id, startMs);
  const jug = KIT.ladles.find(({ id }) => id === 'jug-1000');
  const entries = cookedLongAgo(plan.snapshot, past, draw, startMs, jug);
  const kept = await appendEntries(database, batchId, entries, entries.at(-1)?.atMs ?? startMs);
  if (!kept.ok) throw new Error(`The demo's batch of ${past.soup} failed: ${JSON.stringify(kept.failure)}`);
  const stored = entries.find(({ action }) => action.kind === 'stored');
  const contents = contentsOf(foldBatch(plan.snapshot, entries), 1);
  if (stored?.action.kind !== 'stored' || contents === undefined) return [];
  const from = { batchId, entryId: stored.id };
  const isFrozen = past.keeps?.isFrozen ?? false;
  return [{ contents, madeMs: stored.atMs, from, tubsKg: tubsOf(stored.action.kg), isFrozen }];
}

/**
 * Fills an empty database with the demo's kitchen, shelf and past; leaves one that holds anything as it is.
 *
 * @param told how many batches of the past are cooked, out of how many.
 */
export async function seedGannetQuay(
  database: Database,
  nowMs: number,
  told: (done: number, of: number) => void = () => undefined,
): Promise<void> {
  if ((await listSoups(database)).length > 0) return;
  const draw = new Draw(SEED);
  const midnight = nowMs - (nowMs % DAY_MS);
  const quarter = quarterOf(draw);
  const firstMs = midnight - ((quarter[0]?.daysAgo ?? 0) + 1) * DAY_MS;
  const weeks = weeksBetween(firstMs, midnight);
  await saveKit(database, KIT, firstMs);
  for (const soup of EXAMPLE_SOUPS.filter(({ id }) => SHELF.has(id))) {
    const saved = await saveSoup(database, soup, 0, 'as first written', firstMs);
    const tags = TAGS[soup.id];
    if (saved.ok && tags !== undefined) await shelveSoup(database, soup.id, { tags, retired: false }, firstMs);
    if (!saved.ok) throw new Error(`The demo's ${soup.id} has problems: ${JSON.stringify(saved.failure)}`);
  }
  await seedPrices(database, weeks, draw, KIT.zone);
  const cold: Parameters<typeof seedColdStore>[1][number][] = [];
  let done = 0;
  for (const week of byWeek(quarter)) {
    for (const one of await planPast(database, week, draw, midnight)) {
      cold.push(...(await cookPast(database, one, draw)));
      done += 1;
      told(done, quarter.length);
    }
  }
  const written = EXAMPLE_SOUPS.filter(({ id }) => id === BEFORE.soup).map((soup) => writtenPlan(soup, LARDER_ROWS, KIT))[0];
  const contents = written === undefined ? undefined : contentsOf(written, 1);
  if (contents !== undefined)
    cold.push({ contents, madeMs: midnight - BEFORE.daysAgo * DAY_MS + 13 * HOUR_MS, tubsKg: BEFORE.tubsKg, isFrozen: false });
  await seedColdStore(database, cold, () => draw.uuid(), KIT, COLD_PLACES);
  await seedStore(database, weeks, nowMs, () => draw.uuid());
  await saveMenu(database, menuOfWeeks(), null, nowMs);
  await saveDay(database, { ...TOMORROW, date: dayOf(nowMs + DAY_MS, KIT.zone) }, null, nowMs);
}
