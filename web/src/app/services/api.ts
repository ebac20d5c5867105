import { Injectable } from '@angular/core';
import type { Api as ServerApi } from '@tureen/server/api';
import { hc } from 'hono/client';

export interface Refusal {
  readonly code: string;
  readonly field?: string;
  readonly sentence: string;
  readonly error?: unknown;
}

export type Answer<T> =
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
export async function ask<T>(request: () => Promise<Replied>): Promise<Answer<T>> {
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

/** The server by its own types. Only services call it. */
@Injectable({ providedIn: 'root' })
export class Api {
  readonly client = hc<ServerApi>(location.origin).api;
}
