import { createHash, randomBytes, randomInt, scrypt, timingSafeEqual } from 'node:crypto';
import { promisify } from 'node:util';
import { eq, lt } from 'drizzle-orm';
import type { Database } from '../database.js';
import { pins, sessions } from '../schema.js';

const derive = promisify<string, Buffer, number, Buffer>(scrypt);

const ONLY_PIN = 1;
const SALT_BYTES = 16;
const HASH_BYTES = 32;
const TOKEN_BYTES = 32;
const DAY_MS = 86_400_000;
/** A tablet that has been let in stays so for a month. */
export const SESSION_MS = 30 * DAY_MS;

export const PIN = /^\d{4,12}$/;

/** Six digits from the machine's own source of chance. */
export function freshPin(): string {
  return String(randomInt(0, 1_000_000)).padStart(6, '0');
}

/** Keeps a PIN as a salted scrypt hash. Whoever was let in by the old one has to ask again. */
export async function setPin({ db }: Database, pin: string, nowMs: number): Promise<void> {
  const salt = randomBytes(SALT_BYTES);
  const hash = await derive(pin, salt, HASH_BYTES);
  const row = { id: ONLY_PIN, salt: salt.toString('hex'), hash: hash.toString('hex'), changedAtMs: nowMs };
  await db.insert(pins).values(row).onConflictDoUpdate({ target: pins.id, set: row });
  await db.delete(sessions);
}

export async function hasPin({ db }: Database): Promise<boolean> {
  return (await db.select({ id: pins.id }).from(pins)).length > 0;
}

export async function isPin({ db }: Database, pin: string): Promise<boolean> {
  const [gate] = await db.select().from(pins).where(eq(pins.id, ONLY_PIN));
  if (gate === undefined || !PIN.test(pin)) return false;
  const hash = await derive(pin, Buffer.from(gate.salt, 'hex'), HASH_BYTES);
  return timingSafeEqual(hash, Buffer.from(gate.hash, 'hex'));
}

function tokenHash(token: string): string {
  return createHash('sha256').update(token).digest('hex');
}

/** Lets a browser in. Only the hash of its token is kept. */
export async function createSession({ db }: Database, nowMs: number): Promise<string> {
  const token = randomBytes(TOKEN_BYTES).toString('base64url');
  await db.delete(sessions).where(lt(sessions.untilMs, nowMs));
  await db.insert(sessions).values({ tokenHash: tokenHash(token), untilMs: nowMs + SESSION_MS });
  return token;
}

export async function hasSession({ db }: Database, token: string, nowMs: number): Promise<boolean> {
  const [visit] = await db
    .select()
    .from(sessions)
    .where(eq(sessions.tokenHash, tokenHash(token)));
  return visit !== undefined && visit.untilMs > nowMs;
}
