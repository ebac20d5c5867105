import { createClient } from '@libsql/client';
import { Mutex } from 'async-mutex';
import { drizzle, type LibSQLDatabase } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';

/**
 * The kitchen's one file. Reads go straight through; every write goes through `write`, one at a time, and uses single
 * statements or `db.batch`, never an interactive transaction, so that all of it runs on the one connection that the
 * pragmas below were set on.
 */
export interface Database {
  readonly db: LibSQLDatabase;
  readonly write: <T>(job: () => Promise<T>) => Promise<T>;
  readonly close: () => void;
}

/** Opens a database file, creating it if it is new, and brings it up to date. */
export async function openDatabase(file: string, migrationsFolder: string): Promise<Database> {
  const client = createClient({ url: `file:${file}` });
  const db = drizzle(client);
  await migrate(db, { migrationsFolder });
  await client.execute('PRAGMA journal_mode = WAL');
  await client.execute('PRAGMA synchronous = FULL');
  await client.execute('PRAGMA foreign_keys = ON');
  await client.execute('PRAGMA busy_timeout = 5000');
  const queue = new Mutex();
  return {
    db,
    write: (job) => queue.runExclusive(job),
    close: () => {
      client.close();
    },
  };
}
