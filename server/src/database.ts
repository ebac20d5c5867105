import { existsSync, realpathSync, rmSync } from 'node:fs';
import { createClient, type Client, type Transaction } from '@libsql/client';
import { Mutex } from 'async-mutex';
import { drizzle, type LibSQLDatabase } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';
import { checkFile, checkOpen, migrationsIn, problemIn, type FileProblem } from './file-check.js';

/**
 * The kitchen's one file. Reads go straight through; every write goes through `write`, one at a time, and uses single
 * statements or `db.batch`, never an interactive transaction, so that all of it runs on the one connection that the
 * pragmas below were set on.
 */
export interface Database {
  readonly db: LibSQLDatabase;
  readonly write: <T>(job: () => Promise<T>) => Promise<T>;
  /** Whether its closed batches teach anything: of a practice kitchen each batch is cooked in another kitchen. */
  readonly learns: boolean;
  /** Waits for the write under way and leaves one file behind, with everything in it. */
  readonly close: () => Promise<void>;
}

export type Opening = { readonly ok: true; readonly database: Database } | { readonly ok: false; readonly problem: FileProblem };

/** Held for as long as a server runs on a file: it is gone with the process, however that ends. */
interface Hold {
  readonly release: () => void;
}

async function holdOf(file: string): Promise<Hold | undefined> {
  const path = `${existsSync(file) ? realpathSync(file) : file}-in-use`;
  const client = createClient({ url: `file:${path}`, concurrency: 1 });
  let held: Transaction | undefined;
  try {
    await client.execute('PRAGMA busy_timeout = 0');
    held = await client.transaction('write');
  } catch {
    client.close();
    return undefined;
  }
  return {
    release: () => {
      held.close();
      client.close();
      rmSync(path, { force: true });
    },
  };
}

/** Where a copy goes before a migration: beside the file, by what it had seen. */
function copyPath(file: string, seen: number): string {
  return `${file}.before-${new Date(seen).toISOString().slice(0, 10)}-${String(seen)}`;
}

/** A consistent copy of an open database as one file, whatever is written meanwhile. Fails where there is a file already. */
export async function copyInto(client: Client, to: string): Promise<void> {
  await client.execute({ sql: 'VACUUM INTO ?', args: [to] });
}

/** Connects to a file with what every use of it needs. */
async function connected(client: Client): Promise<void> {
  await client.execute('PRAGMA busy_timeout = 5000');
  await client.execute('PRAGMA journal_mode = WAL');
  await client.execute('PRAGMA synchronous = FULL');
  await client.execute('PRAGMA foreign_keys = ON');
}

/** Opens the kitchen's file, creating it if there is none, and brings it up to date; a copy is made before that. */
export async function openKitchen(file: string, migrationsFolder: string, learns = true): Promise<Opening> {
  const seen = checkFile(file);
  if (seen !== undefined) return { ok: false, problem: seen };
  const hold = await holdOf(file);
  if (hold === undefined) return { ok: false, problem: { code: 'FILE_IN_USE', file } };
  // One connection: the pragmas hold for every statement, and closing it closes the file.
  const client = createClient({ url: `file:${file}`, concurrency: 1 });
  const leave = (problem: FileProblem): Opening => {
    client.close();
    hold.release();
    return { ok: false, problem };
  };
  try {
    const known = migrationsIn(migrationsFolder);
    const checked = await checkOpen(client, file, known);
    if (checked.problem !== undefined) return leave(checked.problem);
    await connected(client);
    const db = drizzle(client);
    const isBehind = checked.seen < (known.at(-1)?.when ?? 0);
    if (isBehind && !checked.isNew) {
      const copy = copyPath(file, checked.seen);
      if (!existsSync(copy)) await copyInto(client, copy);
    }
    await migrate(db, { migrationsFolder });
    const queue = new Mutex();
    return {
      ok: true,
      database: {
        db,
        write: (job) => queue.runExclusive(job),
        learns,
        close: () =>
          queue.runExclusive(async () => {
            try {
              await client.execute('PRAGMA wal_checkpoint(TRUNCATE)');
              await client.execute('PRAGMA journal_mode = DELETE');
            } finally {
              client.close();
              hold.release();
            }
          }),
      },
    };
  } catch (error) {
    const problem = problemIn(error, file);
    if (problem === undefined) throw error;
    return leave(problem);
  }
}

/** As `openKitchen`, for callers to whom a file that can't be used is a bug. */
export async function openDatabase(file: string, migrationsFolder: string, learns = true): Promise<Database> {
  const opening = await openKitchen(file, migrationsFolder, learns);
  if (!opening.ok) throw new Error(`${file}: ${opening.problem.code}`);
  return opening.database;
}
