import { SALT } from '../larder/index.js';
import type { PreparedSoup, RunEnd } from '../runner/index.js';
import { bodyMPas, parcelKg } from '../pot/index.js';

/** What odds are told of: bowls, kilos served, body in mPa·s, salt in %, minutes. */
export const OUTCOMES = ['bowls', 'servedKg', 'bodyMPas', 'saltPct', 'minutes'] as const;
export type Outcome = (typeof OUTCOMES)[number];
export type Outcomes = Readonly<Record<Outcome, number>>;

export function outcomesOf(prepared: Pick<PreparedSoup, 'servedC' | 'parameters'>, of: RunEnd): Outcomes {
  const last = of.last?.before;
  const servedKg = of.dished === undefined ? 0 : parcelKg(of.dished.parcel);
  return {
    bowls: of.bowls,
    servedKg,
    bodyMPas: last === undefined ? 0 : bodyMPas(last, prepared.servedC, prepared.parameters.bodyA),
    saltPct: of.dished === undefined || servedKg === 0 ? 0 : (of.dished.parcel.mix[SALT] / servedKg) * 100,
    minutes: of.minutes,
  };
}
