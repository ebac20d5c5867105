import { SALT } from '../larder/index.js';
import { bodyMPas, contents, parcelKg, plusParcel, type PotState } from '../pot/index.js';
import type { PreparedSoup } from './prepared.js';
import type { RunEnd } from './run.js';

/** What a run comes to in the bowls: kilos, body as served in mPa·s (0 before anything is dished), salt of the soup in %, whatever lies on top. */
export interface Served {
  readonly servedKg: number;
  readonly bodyMPas: number;
  readonly saltPct: number;
}

/**
 * The pot as it is served: what stood in it before the bowls were filled, with what is stirred into them in its liquid, shared
 * out over all of them; what lies on top is left out. Undefined before anything has happened.
 */
export function servedPot({ last, dished }: Pick<RunEnd, 'last' | 'dished'>): PotState | undefined {
  if (last === undefined) return undefined;
  if (last.step.op !== 'dish' || dished === undefined) return last.pot;
  const { before } = last;
  return { ...before, liquid: plusParcel(plusParcel(before.liquid, dished.soup), contents(before), -1) };
}

export function servedOf(
  { servedC, parameters }: Pick<PreparedSoup, 'servedC' | 'parameters'>,
  run: Pick<RunEnd, 'last' | 'dished'>,
): Served {
  const { dished } = run;
  const pot = servedPot(run);
  const servedKg = dished === undefined ? 0 : parcelKg(dished.parcel);
  const soupKg = dished === undefined ? 0 : parcelKg(dished.soup);
  return {
    servedKg,
    bodyMPas: pot === undefined ? 0 : bodyMPas(pot, servedC, parameters.bodyA),
    saltPct: soupKg === 0 ? 0 : ((dished?.soup.mix[SALT] ?? 0) / soupKg) * 100,
  };
}
