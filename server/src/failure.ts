import type { RowProblem } from '@tureen/core/larder';
import type { PlanError } from '@tureen/core/plan';
import type { SoupProblem } from '@tureen/core/soup';
import type { ContentfulStatusCode } from 'hono/utils/http-status';

/** What can go wrong with a request, as data. Sentences live in sentences.ts. */
export type Failure =
  | { readonly code: 'BAD_JSON' }
  | { readonly code: 'BAD_INPUT'; readonly field: string; readonly why: string }
  | { readonly code: 'TOO_LARGE'; readonly mostBytes: number }
  | { readonly code: 'FOREIGN_HOST'; readonly host: string }
  | { readonly code: 'FOREIGN_SITE'; readonly from: string }
  | { readonly code: 'PIN_WANTED' }
  | { readonly code: 'WRONG_PIN' }
  | { readonly code: 'PIN_LOCKED'; readonly minutes: number }
  | { readonly code: 'NO_SUCH_PATH' }
  | { readonly code: 'NO_KITCHEN' }
  | { readonly code: 'NO_SUCH_SOUP'; readonly field: string }
  | { readonly code: 'NO_SUCH_PLAN'; readonly field: string }
  | { readonly code: 'PLAN_STARTED'; readonly field: string }
  | { readonly code: 'NO_SUCH_INGREDIENT'; readonly field: string }
  | { readonly code: 'NO_SUCH_BATCH'; readonly field: string }
  | { readonly code: 'NO_SUCH_LESSON'; readonly field: string }
  | { readonly code: 'NO_SUCH_LINE'; readonly field: string; readonly id: string; readonly line: string }
  | { readonly code: 'NO_SUCH_CONTAINER'; readonly field: string }
  | { readonly code: 'NO_SUCH_FIGURE'; readonly field: string }
  | { readonly code: 'DAY_CHANGED_SINCE'; readonly field: string }
  | { readonly code: 'MENU_CHANGED_SINCE'; readonly field: string }
  | { readonly code: 'NO_PHOTO'; readonly field: string }
  | { readonly code: 'NO_SUCH_PHOTO'; readonly field: string }
  | { readonly code: 'NO_SUCH_DEVICE'; readonly field: string }
  | { readonly code: 'SOUP_CHANGED_SINCE'; readonly field: string; readonly version: number }
  | { readonly code: 'SOUP_PROBLEMS'; readonly field: string; readonly problems: readonly SoupProblem[] }
  | { readonly code: 'ROW_PROBLEMS'; readonly field: string; readonly problems: readonly RowProblem[] }
  | { readonly code: 'ID_TAKEN'; readonly field: string; readonly id: string }
  | { readonly code: 'NOT_YET'; readonly field: string }
  | { readonly code: 'PLAN_IMPOSSIBLE'; readonly field: string; readonly error: PlanError }
  | { readonly code: 'UNREADABLE'; readonly what: string; readonly field: string; readonly why: string }
  | { readonly code: 'SERVER_BUG' };

export const STATUS: Readonly<Record<Failure['code'], ContentfulStatusCode>> = {
  BAD_JSON: 400,
  BAD_INPUT: 400,
  TOO_LARGE: 413,
  FOREIGN_HOST: 403,
  FOREIGN_SITE: 403,
  PIN_WANTED: 401,
  WRONG_PIN: 403,
  PIN_LOCKED: 429,
  NO_SUCH_PATH: 404,
  NO_KITCHEN: 409,
  NO_SUCH_SOUP: 404,
  NO_SUCH_PLAN: 404,
  PLAN_STARTED: 409,
  NO_SUCH_INGREDIENT: 404,
  NO_SUCH_BATCH: 404,
  NO_SUCH_LESSON: 404,
  NO_SUCH_LINE: 422,
  NO_SUCH_CONTAINER: 404,
  NO_SUCH_FIGURE: 404,
  DAY_CHANGED_SINCE: 409,
  MENU_CHANGED_SINCE: 409,
  NO_PHOTO: 415,
  NO_SUCH_PHOTO: 404,
  NO_SUCH_DEVICE: 404,
  SOUP_CHANGED_SINCE: 409,
  SOUP_PROBLEMS: 422,
  ROW_PROBLEMS: 422,
  ID_TAKEN: 409,
  NOT_YET: 422,
  PLAN_IMPOSSIBLE: 422,
  UNREADABLE: 500,
  SERVER_BUG: 500,
};

export type Result<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly failure: Failure };

export function done<T>(value: T): Result<T> {
  return { ok: true, value };
}

export function failed(failure: Failure): { readonly ok: false; readonly failure: Failure } {
  return { ok: false, failure };
}
