import { SALT } from '../larder/index.js';
import { bodyMPas, parcelKg } from '../pot/index.js';
import type { PreparedSoup } from './prepared.js';
import type { RunEnd } from './run.js';

/** What a run comes to in the bowls: kilos, body as served in mPa·s (0 before anything is dished), salt of the soup in %, whatever lies on top. */
export interface Served {
  readonly servedKg: number;
  readonly bodyMPas: number;
  readonly saltPct: number;
}

export function servedOf(
  { servedC, parameters }: Pick<PreparedSoup, 'servedC' | 'parameters'>,
  { last, dished }: Pick<RunEnd, 'last' | 'dished'>,
): Served {
  const servedKg = dished === undefined ? 0 : parcelKg(dished.parcel);
  const soupKg = dished === undefined ? 0 : parcelKg(dished.soup);
  return {
    servedKg,
    bodyMPas: last === undefined ? 0 : bodyMPas(last.before, servedC, parameters.bodyA),
    saltPct: soupKg === 0 ? 0 : ((dished?.soup.mix[SALT] ?? 0) / soupKg) * 100,
  };
}
