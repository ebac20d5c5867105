import { createHash } from 'node:crypto';
import { eq } from 'drizzle-orm';
import type { Database } from './database.js';
import { done, failed, type Result } from './failure.js';
import { photos } from './schema.js';

export type PhotoKind = 'image/jpeg' | 'image/png' | 'image/webp';

export interface Photo {
  readonly kind: string;
  readonly bytes: Uint8Array<ArrayBuffer>;
}

/** What a file is by its first bytes; what it is called does not count. */
function kindOf(bytes: Uint8Array): PhotoKind | undefined {
  const starts = (signature: readonly number[], at = 0): boolean => signature.every((byte, n) => bytes[at + n] === byte);
  if (starts([0xff, 0xd8, 0xff])) return 'image/jpeg';
  if (starts([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])) return 'image/png';
  if (starts([0x52, 0x49, 0x46, 0x46]) && starts([0x57, 0x45, 0x42, 0x50], 8)) return 'image/webp';
  return undefined;
}

/** Keeps a picture. @returns its id, by which a step names it; the same bytes have the same id. */
export async function keepPhoto(database: Database, bytes: Uint8Array, nowMs: number): Promise<Result<{ readonly id: string }>> {
  const kind = kindOf(bytes);
  if (kind === undefined) return failed({ code: 'NO_PHOTO', field: 'body' });
  const id = createHash('sha256').update(bytes).digest('hex');
  await database.write(() =>
    database.db
      .insert(photos)
      .values({ id, kind, bytes: Buffer.from(bytes), createdAtMs: nowMs })
      .onConflictDoNothing(),
  );
  return done({ id });
}

export async function readPhoto({ db }: Database, id: string): Promise<Photo | undefined> {
  const [row] = await db.select({ kind: photos.kind, bytes: photos.bytes }).from(photos).where(eq(photos.id, id)).limit(1);
  return row === undefined ? undefined : { kind: row.kind, bytes: new Uint8Array(row.bytes) };
}
