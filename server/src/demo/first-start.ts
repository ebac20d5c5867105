import { existsSync, renameSync, rmSync } from 'node:fs';
import { sql } from 'drizzle-orm';
import { openKitchen, type Opening } from '../database.js';
import type { FileProblem } from '../file-check.js';
import { seedGannetQuay } from './gannet-quay.js';

function remove(file: string): void {
  for (const end of ['', '-wal', '-shm', '-journal']) rmSync(`${file}${end}`, { force: true });
}

/** Opens a file with nothing in it: what a broken start has left of one is thrown away, but not what another server is making. */
async function openFresh(file: string, migrations: string): Promise<Opening> {
  if (existsSync(file)) {
    const left = await openKitchen(file, migrations);
    if (!left.ok && left.problem.code === 'FILE_IN_USE') return left;
    if (left.ok) await left.database.close();
    remove(file);
  }
  return openKitchen(file, migrations);
}

/**
 * Makes the file of a kitchen that does not exist yet, with the demo in it. It gets its name when it is whole: a start that is
 * broken off leaves none, and the next one begins anew.
 *
 * @param told how many batches of the past are cooked, out of how many. @returns what is in the way; undefined where nothing is.
 */
export async function makeDemoFile(
  file: string,
  migrations: string,
  nowMs: number,
  told: (done: number, of: number) => void,
): Promise<FileProblem | undefined> {
  if (existsSync(file)) return undefined;
  const unfinished = `${file}.unfinished`;
  const opening = await openFresh(unfinished, migrations);
  if (!opening.ok) return opening.problem;
  const { database } = opening;
  // Nobody misses what is lost of an unfinished file: only the end waits for the disk.
  await database.db.run(sql`PRAGMA synchronous = OFF`);
  await seedGannetQuay(database, nowMs, told);
  await database.db.run(sql`PRAGMA synchronous = FULL`);
  await database.close();
  renameSync(unfinished, file);
  return undefined;
}
