import { copyFileSync, existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, truncateSync, writeFileSync } from 'node:fs';
import { spawnSync } from 'node:child_process';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { createClient } from '@libsql/client';
import { READY_KITS } from '@tureen/core/kit';
import { openKitchen, type Database } from './database.js';
import { exitCodeOf, fileSentence, textOf, type FileProblem } from './file-check.js';
import { listBatches, readBatch } from './batches.js';
import { listLeftovers } from './cold.js';
import { readKit, saveKit } from './kitchen.js';
import { projectionsUpToDate } from './projections.js';
import { listSoups } from './soups.js';

const MIGRATIONS = 'server/drizzle';
/** A copy made by the demo of the version before this one: eight soups, six closed batches, one open, one late entry. */
const OLD = 'server/spec/fixtures/demo-of-0003.sqlite.gz';

describe('the kitchen’s file', () => {
  let folder: string;
  let file: string;

  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'tureen-file-'));
    file = join(folder, 'kitchen.sqlite');
  });

  afterEach(() => {
    rmSync(folder, { recursive: true, force: true });
  });

  async function opened(): Promise<Database> {
    const opening = await openKitchen(file, MIGRATIONS);
    if (!opening.ok) throw new Error(opening.problem.code);
    return opening.database;
  }

  async function problem(): Promise<FileProblem['code'] | undefined> {
    const opening = await openKitchen(file, MIGRATIONS);
    if (opening.ok) await opening.database.close();
    return opening.ok ? undefined : opening.problem.code;
  }

  const old = (): void => {
    writeFileSync(file, gunzipSync(readFileSync(OLD)));
  };

  it('is one file after a clean stop, and a copy of it holds everything', async () => {
    const database = await opened();
    await saveKit(database, { ...READY_KITS.home, kitchen: 'Kept' }, 1);
    await database.close();
    expect(readdirSync(folder)).toEqual(['kitchen.sqlite']);
    const copy = join(folder, 'copy.sqlite');
    copyFileSync(file, copy);
    const again = await openKitchen(copy, MIGRATIONS);
    if (!again.ok) throw new Error(again.problem.code);
    expect((await readKit(again.database))?.kitchen).toBe('Kept');
    await again.database.close();
  });

  it('that is empty, no database, cut, damaged, another program’s or newer is named, and left as it was', async () => {
    writeFileSync(file, '');
    expect(await problem()).toBe('FILE_EMPTY');
    writeFileSync(
      file,
      'not a database at all, but longer than a header of one hundred bytes would be, as a text well may be, or a picture',
    );
    expect(await problem()).toBe('FILE_NOT_A_KITCHEN');
    writeFileSync(file, 'short');
    expect(await problem()).toBe('FILE_NOT_A_KITCHEN');
    old();
    const whole = readFileSync(file);
    truncateSync(file, Math.floor(whole.length / 2 / 4096) * 4096);
    expect(await problem()).toBe('FILE_CUT');
    const broken = Buffer.from(whole);
    broken.fill(0xa5, 4096 * 3, 4096 * 9);
    writeFileSync(file, broken);
    expect(await problem()).toBe('FILE_DAMAGED');
    expect(readFileSync(file).equals(broken)).toBeTrue();
    rmSync(file);
    const other = createClient({ url: `file:${file}`, concurrency: 1 });
    await other.execute('CREATE TABLE letters (id integer)');
    other.close();
    expect(await problem()).toBe('FILE_NOT_A_KITCHEN');
    rmSync(file);
    await (await opened()).close();
    const later = createClient({ url: `file:${file}`, concurrency: 1 });
    await later.execute("INSERT INTO __drizzle_migrations (hash, created_at) VALUES ('x', 9999999999999)");
    later.close();
    expect(await problem()).toBe('FILE_NEWER');
  });

  it('is used by one server at a time, and free again when that has stopped', async () => {
    const database = await opened();
    expect(await problem()).toBe('FILE_IN_USE');
    await database.close();
    expect(await problem()).toBeUndefined();
  });

  it('that another program holds is said to be held', async () => {
    await (await opened()).close();
    const holder = createClient({ url: `file:${file}`, concurrency: 1 });
    const held = await holder.transaction('write');
    await held.execute('CREATE TABLE held (x)');
    expect(await problem()).toBe('FILE_LOCKED');
    held.close();
    holder.close();
  });

  it('every problem has a sentence with what to do, and a code of its own kind', () => {
    const problems: FileProblem[] = [
      { code: 'FILE_EMPTY', file },
      { code: 'FILE_NOT_A_KITCHEN', file },
      { code: 'FILE_CUT', file, missingBytes: 7 },
      { code: 'FILE_DAMAGED', file, found: 'page 3' },
      { code: 'FILE_NEWER', file },
      { code: 'FILE_READ_ONLY', file },
      { code: 'FILE_LOCKED', file },
      { code: 'FILE_IN_USE', file },
    ];
    for (const one of problems) {
      expect(fileSentence(one)).toContain(file);
      expect(fileSentence(one).split('. ').length).toBeGreaterThan(1);
    }
    expect(problems.map(exitCodeOf)).toEqual([3, 3, 3, 3, 3, 3, 4, 4]);
  });

  it('of an older version is copied, then brought up to date: every figure that was closed stays', async () => {
    old();
    const before = createClient({ url: `file:${file}`, concurrency: 1 });
    const rows = (await before.execute('SELECT id, closed_figures, closed_at_ms FROM batches ORDER BY id')).rows.map((row) => ({
      id: textOf(row[0]) ?? '',
      figures: row[1] === null ? null : (JSON.parse(textOf(row[1]) ?? '') as unknown),
      closedAtMs: row[2],
    }));
    const count = Number((await before.execute('SELECT count(*) FROM entries')).rows[0]?.[0]);
    before.close();
    expect(rows.filter(({ figures }) => figures !== null).length).toBe(6);

    const database = await opened();
    await projectionsUpToDate(database);
    const { batches } = await listBatches(database);
    expect(batches.length).toBe(7);
    let kept = 0;
    for (const { id, figures, closedAtMs } of rows) {
      const batch = await readBatch(database, id);
      expect(batch?.closedFigures as unknown).toEqual(figures);
      expect(batch?.closedAtMs as unknown).toEqual(closedAtMs);
      kept += batch?.entries.length ?? 0;
    }
    expect(kept).toBe(count);
    expect(batches.reduce((sum, { lateEntries }) => sum + lateEntries, 0)).toBe(1);
    expect((await listLeftovers(database)).map(({ kg }) => kg)).toEqual([1.5]);
    expect((await listSoups(database)).length).toBe(8);
    await database.close();
    const copies = readdirSync(folder).filter((name) => name.includes('.before-'));
    expect(copies.length).toBe(1);
    const copy = createClient({ url: `file:${join(folder, copies[0]!)}`, concurrency: 1 });
    expect(Number((await copy.execute('SELECT count(*) FROM entries WHERE batch_id IS NOT NULL')).rows[0]?.[0])).toBe(count);
    copy.close();
  });

  describe('is copied and put back by command', () => {
    const run = (...args: string[]) =>
      spawnSync(
        process.execPath,
        ['--import', 'tsx', 'server/src/maintain.ts', ...args, '--file', file, '--migrations', MIGRATIONS],
        {
          encoding: 'utf8',
        },
      );

    it('while it is in use; the copy is read through; put back, what stood there is kept aside', async () => {
      const database = await opened();
      await saveKit(database, { ...READY_KITS.home, kitchen: 'First' }, 1);
      const to = join(folder, 'copies', 'a.sqlite');
      const backup = run('backup', '--to', to);
      expect(backup.stderr).toBe('');
      expect(backup.stdout).toContain('0 soups, 0 batches, 0 entries');
      expect(run('backup', '--to', to).status).toBe(3);
      const inUse = run('restore', '--from', to);
      expect([inUse.status, inUse.stderr]).toEqual([
        4,
        `Another Tidy Tureen is running on ${file}. Use that one, or stop it first.\n`,
      ]);
      await saveKit(database, { ...READY_KITS.home, kitchen: 'Second' }, 2);
      await database.close();
      writeFileSync(`${file}-wal`, 'left by something that died');
      const restored = run('restore', '--from', to);
      expect(restored.status).withContext(restored.stderr).toBe(0);
      expect(existsSync(`${file}-wal`)).toBeFalse();
      const now = await opened();
      expect((await readKit(now))?.kitchen).toBe('First');
      await now.close();
      const aside = readdirSync(folder).filter(
        (name) => name.includes('.aside-') && name.endsWith(restored.stdout.trim().slice(-16, -1)),
      );
      expect(aside.length).toBeGreaterThan(0);
    });

    it('has all its lists made anew from the entries: they say what they said', async () => {
      old();
      const first = await opened();
      await projectionsUpToDate(first);
      const { batches } = await listBatches(first);
      expect(batches.length).toBeGreaterThan(1);
      await first.close();
      const client = createClient({ url: `file:${file}` });
      for (const table of ['batch_summaries', 'shelf_rows']) await client.execute(`DELETE FROM ${table}`);
      client.close();
      const rebuilt = run('rebuild');
      expect(rebuilt.status).withContext(rebuilt.stderr).toBe(0);
      expect(rebuilt.stdout).toContain(`The lists of ${String(batches.length)} batches, `);
      const now = await opened();
      expect((await listBatches(now)).batches).toEqual(batches);
      await now.close();
    });

    it('is not put back from what is no kitchen: nothing is changed', async () => {
      await (await opened()).close();
      const bytes = readFileSync(file);
      const bad = join(folder, 'bad.sqlite');
      writeFileSync(bad, 'x'.repeat(500));
      const refused = run('restore', '--from', bad);
      expect(refused.status).toBe(3);
      expect(refused.stderr).toContain('no kitchen');
      expect(readFileSync(file).equals(bytes)).toBeTrue();
    });
  });
});
