import { Injectable } from '@angular/core';
import type { Api as ServerApi } from '@tureen/server/api';
import { hc } from 'hono/client';
import { SERVER_PATH } from './practice-mode';

export interface Refusal {
  readonly code: string;
  readonly field?: string;
  readonly sentence: string;
  readonly error?: unknown;
}

export type Reply<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly refusal: Refusal; readonly reachable: boolean };

const UNREACHABLE: Refusal = {
  code: 'UNREACHABLE',
  sentence: 'The server does not answer. What you entered is kept here and is sent when it is back.',
};

interface Replied {
  readonly ok: boolean;
  readonly status: number;
  json(): Promise<unknown>;
}

function isRefused(body: unknown): body is { error: Refusal } {
  return typeof body === 'object' && body !== null && 'error' in body;
}

/** Sends a request and sorts its outcome: a value, a refusal with its sentence, or no answer. */
export async function request<T>(request: () => Promise<Replied>): Promise<Reply<T>> {
  try {
    const response = await request();
    const body = await response.json();
    if (response.ok) return { ok: true, value: body as T };
    return {
      ok: false,
      reachable: true,
      refusal: isRefused(body) ? body.error : { code: 'UNKNOWN', sentence: `The server answered ${String(response.status)}.` },
    };
  } catch {
    return { ok: false, reachable: false, refusal: UNREACHABLE };
  }
}

/** Answers that are about the server or this tablet, not about what was sent: it is sent again later. */
const NOT_ITS_FAULT: ReadonlySet<string> = new Set(['SERVER_BUG', 'PIN_WANTED', 'UNKNOWN']);

/** Whether the server has read what was sent and will not have it: sending it again would change nothing. */
export function isForGood(answer: Reply<unknown>): answer is Extract<Reply<unknown>, { ok: false }> {
  return !answer.ok && answer.reachable && !NOT_ITS_FAULT.has(answer.refusal.code);
}

/** The server by its own types. Only services call it. */
@Injectable({ providedIn: 'root' })
export class Api {
  readonly client = hc<ServerApi>(`${location.origin}${SERVER_PATH}`).api;
}
