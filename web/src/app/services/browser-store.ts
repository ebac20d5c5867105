import { openDB, type IDBPDatabase } from 'idb';
import { keptAs } from './practice-mode';

/**
 * One database of the browser, opened when it is first asked. Where the browser forbids or breaks it every answer is
 * "nothing kept": whoever keeps something there is told, and goes on without. `Kept` says what each of its stores holds.
 */
export class BrowserStore<Kept extends Record<string, { readonly id: string }>> {
  private opened: Promise<IDBPDatabase | undefined> | undefined;

  constructor(
    private readonly name: string,
    private readonly stores: readonly (keyof Kept & string)[],
  ) {}

  private db(): Promise<IDBPDatabase | undefined> {
    this.opened ??= (async () => {
      try {
        return await openDB(keptAs(this.name), 1, {
          upgrade: (db) => {
            for (const store of this.stores) db.createObjectStore(store, { keyPath: 'id' });
          },
        });
      } catch {
        return undefined;
      }
    })();
    return this.opened;
  }

  private async tried<T>(job: (db: IDBPDatabase) => Promise<T>): Promise<T | undefined> {
    try {
      const db = await this.db();
      return db === undefined ? undefined : await job(db);
    } catch {
      // A store that failed once may have been closed under us: the next use opens it anew.
      this.opened = undefined;
      return undefined;
    }
  }

  /** @returns whether it is kept. */
  async put<Name extends keyof Kept & string>(store: Name, value: Kept[Name]): Promise<boolean> {
    return (await this.tried((db) => db.put(store, value))) !== undefined;
  }

  async get<Name extends keyof Kept & string>(store: Name, id: string): Promise<Kept[Name] | undefined> {
    return (await this.tried((db) => db.get(store, id))) as Kept[Name] | undefined;
  }

  /** @returns undefined when the store can't be read. */
  async all<Name extends keyof Kept & string>(store: Name): Promise<Kept[Name][] | undefined> {
    return (await this.tried((db) => db.getAll(store))) as Kept[Name][] | undefined;
  }

  async delete(store: keyof Kept & string, ids: readonly string[]): Promise<void> {
    await this.tried(async (db) => {
      const write = db.transaction(store, 'readwrite');
      await Promise.all([...ids.map((id) => write.store.delete(id)), write.done]);
    });
  }
}
