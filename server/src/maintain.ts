/**
 * What is done to the kitchen's file from outside: a copy of it, putting a copy back, making its lists anew.
 *
 *   maintain backup  --file FILE [--to COPY]      consistent while a server runs on it
 *   maintain restore --file FILE --from COPY      with no server running; the present file is kept aside
 *   maintain rebuild --file FILE --migrations DIR makes every list anew from the entries
 */
import { copyFileSync, existsSync, mkdirSync, renameSync, rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { parseArgs } from 'node:util';
import { createClient } from '@libsql/client';
import { copyInto, openKitchen } from './database.js';
import { checkFile, checkOpen, exitCodeOf, fileSentence, migrationsIn, type FileProblem } from './file-check.js';
import { rebuildProjections } from './projections.js';
import { shelfRows } from './schema.js';
import { MACHINE } from './outside.js';
import { refreshShelf } from './shelf.js';
import { rebuildStock } from './stock.js';

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    file: { type: 'string' },
    migrations: { type: 'string' },
    to: { type: 'string' },
    from: { type: 'string' },
  },
});

function say(text: string): void {
  process.stdout.write(`${text}\n`);
}

function stop(text: string, code = 2): never {
  process.stderr.write(`${text}\n`);
  process.exit(code);
}

function stopFor(problem: FileProblem): never {
  stop(fileSentence(problem), exitCodeOf(problem));
}

const { file, migrations } = values;
if (file === undefined || migrations === undefined) stop('Give --file DATABASE and --migrations FOLDER.');

function stamp(): string {
  return new Date(MACHINE.nowMs()).toISOString().slice(0, 19).replace(/[-:]/g, '').replace('T', '-');
}

/** Reads a file that should be a kitchen through, and counts what is in it; stops with a sentence when it is none. */
async function counted(path: string, folder: string): Promise<string> {
  const seen = checkFile(path);
  if (seen !== undefined && seen.code !== 'FILE_READ_ONLY') stopFor(seen);
  const client = createClient({ url: `file:${path}` });
  try {
    const { problem, isNew } = await checkOpen(client, path, migrationsIn(folder));
    if (problem !== undefined) stopFor(problem);
    if (isNew) stopFor({ code: 'FILE_EMPTY', file: path });
    const [soups, batches, entries] = await Promise.all(
      ['soups', 'batches', 'entries'].map(async (table) =>
        Number((await client.execute(`SELECT count(*) FROM ${table}`)).rows[0]?.[0] ?? 0),
      ),
    );
    return `${String(soups)} soups, ${String(batches)} batches, ${String(entries)} entries`;
  } finally {
    client.close();
  }
}

async function backup(path: string, folder: string): Promise<void> {
  if (!existsSync(path)) stop(`There is no ${path} yet, so there is nothing to copy.`, 3);
  const seen = checkFile(path);
  if (seen !== undefined && seen.code !== 'FILE_READ_ONLY') stopFor(seen);
  const to = values.to ?? join(dirname(path), `backup-${stamp()}.sqlite`);
  if (existsSync(to)) stop(`${to} is there already. Nothing was changed; name another.`, 3);
  mkdirSync(dirname(to), { recursive: true });
  const client = createClient({ url: `file:${path}` });
  try {
    await client.execute('PRAGMA busy_timeout = 5000');
    await copyInto(client, to);
  } finally {
    client.close();
  }
  say(`Copied to ${to}: ${await counted(to, folder)}. It was read through and is sound.`);
}

const SIDE_FILES = ['-wal', '-shm', '-journal'] as const;

async function restore(path: string, folder: string): Promise<void> {
  const from = values.from;
  if (from === undefined) stop('Say which copy: npm run restore FILE.');
  if (!existsSync(from)) stop(`There is no ${from}. Nothing was changed.`, 3);
  const holds = await counted(from, folder);
  let aside = '';
  if (existsSync(path)) {
    // Opened and closed once, so that all of it is in one file, and so that a server that runs on it is found.
    const opening = await openKitchen(path, folder);
    if (opening.ok) await opening.database.close();
    else if (opening.problem.code === 'FILE_IN_USE' || opening.problem.code === 'FILE_LOCKED') stopFor(opening.problem);
    aside = `${path}.aside-${stamp()}`;
    renameSync(path, aside);
    for (const side of SIDE_FILES) if (existsSync(path + side)) renameSync(path + side, aside + side);
  }
  for (const side of SIDE_FILES) rmSync(path + side, { force: true });
  mkdirSync(dirname(path), { recursive: true });
  copyFileSync(from, `${path}.new`);
  renameSync(`${path}.new`, path);
  say(`Restored ${holds}.${aside === '' ? '' : ` What was there before is kept as ${aside}.`}`);
}

async function rebuild(path: string, folder: string): Promise<void> {
  const opening = await openKitchen(path, folder);
  if (!opening.ok) stopFor(opening.problem);
  const { batches } = await rebuildProjections(opening.database);
  const { containers } = await rebuildStock(opening.database);
  await opening.database.db.delete(shelfRows);
  const soups = await refreshShelf(opening.database, MACHINE.nowMs());
  await opening.database.close();
  say(`The lists of ${String(batches)} batches, ${String(containers)} containers and ${String(soups)} soups were made anew.`);
}

const [command] = positionals;
if (command === 'backup') await backup(file, migrations);
else if (command === 'restore') await restore(file, migrations);
else if (command === 'rebuild') await rebuild(file, migrations);
else stop('Say backup, restore or rebuild.');
