import { accessSync, closeSync, constants, existsSync, openSync, readFileSync, readSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import type { Client, Value } from '@libsql/client';

/** Why the kitchen's file can't be used. Nothing is changed in it. */
export type FileProblem = { readonly file: string } & (
  | { readonly code: 'FILE_EMPTY' }
  | { readonly code: 'FILE_NOT_A_KITCHEN' }
  | { readonly code: 'FILE_CUT'; readonly missingBytes: number }
  | { readonly code: 'FILE_DAMAGED'; readonly found: string }
  | { readonly code: 'FILE_NEWER' }
  | { readonly code: 'FILE_READ_ONLY' }
  | { readonly code: 'FILE_LOCKED' }
  | { readonly code: 'FILE_IN_USE' }
);

/** What the file can't do, what was left alone, and what to do. */
export function fileSentence(problem: FileProblem): string {
  const { file } = problem;
  const otherwise = 'Nothing was changed. Restore a copy with "npm run restore FILE", or name another file.';
  switch (problem.code) {
    case 'FILE_EMPTY':
      return `${file} is empty, so there is no kitchen in it. ${otherwise} To begin anew, move it away first.`;
    case 'FILE_NOT_A_KITCHEN':
      return `${file} is no kitchen's file, or its beginning is broken. ${otherwise}`;
    case 'FILE_CUT':
      return `${file} was cut off: ${String(problem.missingBytes)} bytes are missing at its end. ${otherwise}`;
    case 'FILE_DAMAGED':
      return `${file} is damaged (${problem.found}). ${otherwise}`;
    case 'FILE_NEWER':
      return `${file} was written by a newer Tidy Tureen. Nothing was changed. Start that one, or restore an older copy.`;
    case 'FILE_READ_ONLY':
      return `${file} can't be written: it, or its folder, is read-only. Nothing was changed. Give yourself the right to write there.`;
    case 'FILE_LOCKED':
      return `${file} is held by another program. Nothing was changed. Close what has it open, then start again.`;
    case 'FILE_IN_USE':
      return `Another Tidy Tureen is running on ${file}. Use that one, or stop it first.`;
  }
}

/** How a command ends that could not use the file: 3, or 4 when it is only in use. */
export function exitCodeOf({ code }: FileProblem): number {
  return code === 'FILE_IN_USE' || code === 'FILE_LOCKED' ? 4 : 3;
}

const MAGIC = Buffer.from('SQLite format 3\0', 'latin1');
const HEADER_BYTES = 100;
/** Offsets in the header: SQLite database file format, 1.3. */
const PAGE_SIZE_AT = 16;
const CHANGES_AT = 24;
const PAGES_AT = 28;
const VALID_FOR_AT = 92;
const LARGEST_PAGE = 65_536;

/** What can be seen of a file without opening it as a database; a file that is not there yet is no problem. */
export function checkFile(file: string): FileProblem | undefined {
  if (!existsSync(file)) return canWrite(dirname(file)) ? undefined : { code: 'FILE_READ_ONLY', file };
  const { size } = statSync(file);
  if (size === 0) return { code: 'FILE_EMPTY', file };
  const header = Buffer.alloc(HEADER_BYTES);
  const descriptor = openSync(file, 'r');
  const read = readSync(descriptor, header, 0, HEADER_BYTES, 0);
  closeSync(descriptor);
  if (read < HEADER_BYTES || !header.subarray(0, MAGIC.length).equals(MAGIC)) return { code: 'FILE_NOT_A_KITCHEN', file };
  const pageSize = header.readUInt16BE(PAGE_SIZE_AT) === 1 ? LARGEST_PAGE : header.readUInt16BE(PAGE_SIZE_AT);
  const pages = header.readUInt32BE(PAGES_AT);
  // The count of pages holds only where it was written with the last change.
  const isCounted = pages > 0 && header.readUInt32BE(CHANGES_AT) === header.readUInt32BE(VALID_FOR_AT);
  if (isCounted && size < pages * pageSize) return { code: 'FILE_CUT', file, missingBytes: pages * pageSize - size };
  if (!canWrite(file) || !canWrite(dirname(file))) return { code: 'FILE_READ_ONLY', file };
  return undefined;
}

function canWrite(path: string): boolean {
  try {
    accessSync(path, constants.W_OK);
    return true;
  } catch {
    return false;
  }
}

function codeOf(error: unknown): string {
  for (let at = error; at instanceof Error; at = at.cause) {
    if ('code' in at && typeof at.code === 'string') return at.code;
  }
  return error instanceof Error ? error.message : String(error);
}

/** What an error of the database says about its file; undefined when it is about something else. */
export function problemIn(error: unknown, file: string): FileProblem | undefined {
  const code = codeOf(error);
  if (code.includes('BUSY') || code.includes('LOCKED')) return { code: 'FILE_LOCKED', file };
  if (code.includes('READONLY') || code.includes('CANTOPEN')) return { code: 'FILE_READ_ONLY', file };
  if (code.includes('NOTADB')) return { code: 'FILE_NOT_A_KITCHEN', file };
  if (code.includes('CORRUPT')) return { code: 'FILE_DAMAGED', file, found: 'a page can’t be read' };
  return undefined;
}

interface Journal {
  readonly entries: readonly { readonly when: number; readonly tag: string }[];
}

export function migrationsIn(folder: string): Journal['entries'] {
  return (JSON.parse(readFileSync(join(folder, 'meta/_journal.json'), 'utf8')) as Journal).entries;
}

/** A value of a row that is text; undefined for any other. */
export function textOf(value: Value | undefined): string | undefined {
  return typeof value === 'string' ? value : undefined;
}

/** Looks through an open database: whether every page is sound, and which migrations it has seen, newest last. */
export async function checkOpen(
  client: Client,
  file: string,
  known: Journal['entries'],
): Promise<{ readonly problem: FileProblem | undefined; readonly seen: number; readonly isNew: boolean }> {
  const check = await client.execute('PRAGMA quick_check(1)');
  const found = textOf(check.rows[0]?.[0]) ?? 'ok';
  if (found !== 'ok') return { problem: { code: 'FILE_DAMAGED', file, found: found.slice(0, 120) }, seen: 0, isNew: false };
  const tables = await client.execute("SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%'");
  const names = new Set(tables.rows.map((row) => textOf(row[0])));
  if (names.size === 0) return { problem: undefined, seen: 0, isNew: true };
  if (!names.has('__drizzle_migrations') || !names.has('soups')) {
    return { problem: { code: 'FILE_NOT_A_KITCHEN', file }, seen: 0, isNew: false };
  }
  const last = await client.execute('SELECT max(created_at) FROM __drizzle_migrations');
  const seen = Number(last.rows[0]?.[0] ?? 0);
  const newest = known.at(-1)?.when ?? 0;
  return { problem: seen > newest ? { code: 'FILE_NEWER', file } : undefined, seen, isNew: false };
}
