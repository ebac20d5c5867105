import { existsSync, renameSync, rmSync } from 'node:fs';
import { sql } from 'drizzle-orm';
import { openDatabase } from '../database.js';
import { seedGannetQuay } from './gannet-quay.js';

/**
 * Makes the file of a kitchen that does not exist yet, with the demo in it. It gets its name when it is whole: a start that is
 * broken off leaves none, and the next one begins anew.
 *
 * @param told how many batches of the past are cooked, out of how many.
 */
export async function makeDemoFile(
  file: string,
  migrations: string,
  nowMs: number,
  told: (done: number, of: number) => void,
): Promise<void> {
  if (existsSync(file)) return;
  const unfinished = `${file}.unfinished`;
  for (const end of ['', '-wal', '-shm', '-journal']) rmSync(`${unfinished}${end}`, { force: true });
  const database = await openDatabase(unfinished, migrations);
  // Nobody misses what is lost of an unfinished file: only the end waits for the disk.
  await database.db.run(sql`PRAGMA synchronous = OFF`);
  await seedGannetQuay(database, nowMs, told);
  await database.db.run(sql`PRAGMA synchronous = FULL`);
  await database.close();
  renameSync(unfinished, file);
}
