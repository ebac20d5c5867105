import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { dayOf } from '@tureen/core/kit';
import { pastErrors } from '@tureen/core/service';
import { coolingRuleOf, verdictsOf } from '@tureen/core/stock';
import { listBatches } from '../batches.js';
import { openDatabase, type Database } from '../database.js';
import { readLarder } from '../larder.js';
import { readLearned } from '../learned.js';
import { containers } from '../schema.js';
import { listSoups } from '../soups.js';
import { readSupplies } from '../supplies.js';
import { makeDemoFile } from './first-start.js';
import { seedGannetQuay } from './gannet-quay.js';

const NOW = 1_790_000_000_000;
const MIGRATIONS = 'server/drizzle';
const DAY_MS = 86_400_000;

function middleOf(values: readonly number[]): number {
  return [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? Number.NaN;
}

describe('the demo, cooked in the bench', () => {
  let folder: string;
  let file: string;
  let database: Database;
  const told: [done: number, of: number][] = [];

  beforeAll(async () => {
    folder = mkdtempSync(join(tmpdir(), 'tureen-demo-spec-'));
    file = join(folder, 'kitchen.sqlite');
    // What a start that was broken off has left behind.
    writeFileSync(`${file}.unfinished`, 'half a kitchen');
    await makeDemoFile(file, MIGRATIONS, NOW, (...words) => told.push(words));
    database = await openDatabase(file, MIGRATIONS);
  }, 120_000);

  afterAll(async () => {
    await database.close();
    rmSync(folder, { recursive: true, force: true });
  });

  it('is whole when it gets its name, and told how far it was', () => {
    expect(existsSync(`${file}.unfinished`)).toBeFalse();
    expect(told.map(([done]) => done)).toEqual(told.map((_, n) => n + 1));
    expect(told.at(-1)).toEqual([told.length, told.length]);
  });

  it('is a quarter of a year: 60 to 80 closed batches, most of them as planned', async () => {
    const { batches } = await listBatches(database);
    expect(batches.length).toBeGreaterThanOrEqual(60);
    expect(batches.length).toBeLessThanOrEqual(80);
    const offs = batches.map(({ closedFigures, planned }) =>
      Math.abs(Math.log((closedFigures?.actual.cookedKg ?? 0) / planned.cookedKg)),
    );
    expect(middleOf(offs)).toBeLessThan(0.05);
    // What is let down to a body takes what it takes.
    expect(Math.max(...offs)).toBeLessThan(0.5);
    const days = batches.map(({ startedAtMs }) => (NOW - startedAtMs) / DAY_MS);
    expect(Math.max(...days)).toBeGreaterThan(80);
  });

  it('its bowls by day are foretold nearer than by the same weekday a week before', async () => {
    const { batches } = await listBatches(database);
    const bowls = new Map<string, number>();
    for (const { startedAtMs, closedFigures } of batches) {
      const date = dayOf(startedAtMs, 'Europe/London');
      bowls.set(date, (bowls.get(date) ?? 0) + (closedFigures?.dishedBowls ?? 0));
    }
    const errors = pastErrors([...bowls].map(([date, count]) => ({ date, bowls: count })))!;
    process.stdout.write(
      `\n  bowls of ${String(errors.days)} days of the demo's past: off by ${(100 * errors.forecast).toFixed(1)} %, the same weekday a week before by ${(100 * errors.weekBefore).toFixed(1)} %; in the band ${String(errors.inBand)}\n`,
    );
    expect(errors.days).toBeGreaterThan(20);
    expect(errors.forecast).toBeLessThan(errors.weekBefore);
  });

  it('its two planted mishaps are the two that are unlike the others', async () => {
    const { batches } = await readLearned(database);
    const waiting = batches
      .filter(({ waits }) => waits)
      .map(({ soupId, startedAtMs }) => [soupId, Math.round((NOW - startedAtMs) / DAY_MS)]);
    expect(waiting).toEqual([
      ['celeriac-leek-apple', 62],
      ['beetroot-horseradish', 69],
    ]);
  });

  it('the kitchen has learnt its own figures', async () => {
    const { figures } = await readLearned(database);
    expect(figures.find(({ key }) => key === 'bodyA@soup:beetroot-horseradish')?.batches).toBeGreaterThan(8);
  });

  it('has prices that moved, a store that adds up, leftovers in the cold', async () => {
    const early = await readLarder(database, NOW - 80 * DAY_MS);
    const late = await readLarder(database, NOW);
    const priceOf = ({ rows }: typeof late, id: string): number => rows.find((row) => row.id === id)?.pricePerKg ?? 0;
    for (const id of ['beetroot', 'celeriac', 'parsnip']) expect(priceOf(early, id)).not.toBe(priceOf(late, id));
    const { supplies } = await readSupplies(database);
    const beetroot = supplies.find(({ ingredient }) => ingredient === 'beetroot');
    expect(beetroot?.boughtKg).toBeGreaterThan(beetroot?.usedKg ?? Infinity);
    expect(beetroot?.onHandKg).toBeCloseTo(3.4, 9);
    expect((await database.db.select().from(containers)).length).toBeGreaterThan(10);
  });

  it('has cooled its leftovers by what a probe showed in its own kitchen, no two alike, each kept by the rule', async () => {
    const rows = await database.db.select().from(containers);
    const coolings = rows.flatMap(({ container: { cooling } }) => cooling ?? []);
    const read = coolings.map(({ readings }) => readings.map(({ tempC }) => tempC).join());
    expect(new Set(read).size).toBeGreaterThan(read.length / 2);
    for (const cooling of coolings) {
      const rule = coolingRuleOf(cooling)!;
      expect(verdictsOf(cooling, rule, NOW).map(({ state }) => state)).toEqual(['kept', 'kept']);
      // It cools in the bench, and is read as it cools.
      const temps = cooling.readings.map(({ tempC }) => tempC);
      expect(temps.at(-1)).toBeLessThanOrEqual(5);
      expect(temps[0]! - temps.at(-1)!).toBeGreaterThan(20);
    }
    expect(coolings.length).toBeGreaterThan(8);
  });

  it('waits for no file that another start is making, and throws nothing of it away', async () => {
    const other = join(folder, 'other.sqlite');
    const making = await openDatabase(`${other}.unfinished`, MIGRATIONS);
    const problem = await makeDemoFile(other, MIGRATIONS, NOW, () => undefined);
    expect(problem?.code).toBe('FILE_IN_USE');
    expect(existsSync(`${other}.unfinished`)).toBeTrue();
    expect(existsSync(other)).toBeFalse();
    await making.close();
  });

  it('leaves a kitchen that holds anything as it is', async () => {
    const before = await listSoups(database);
    await makeDemoFile(file, MIGRATIONS, NOW, () => {
      throw new Error('nothing is cooked');
    });
    await seedGannetQuay(database, NOW, () => {
      throw new Error('nothing is cooked');
    });
    expect(await listSoups(database)).toEqual(before);
  });
});
