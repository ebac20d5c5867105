import { servedOf, type PreparedSoup, type RunEnd } from '../runner/index.js';

/** What odds are told of: bowls, kilos served, body in mPa·s, salt in %, minutes. */
export const OUTCOMES = ['bowls', 'servedKg', 'bodyMPas', 'saltPct', 'minutes'] as const;
export type Outcome = (typeof OUTCOMES)[number];
export type Outcomes = Readonly<Record<Outcome, number>>;

export function outcomesOf(prepared: Pick<PreparedSoup, 'servedC' | 'parameters'>, of: RunEnd): Outcomes {
  const { servedKg, bodyMPas, saltPct } = servedOf(prepared, of);
  return { bowls: of.bowls, servedKg, bodyMPas, saltPct, minutes: of.minutes };
}
