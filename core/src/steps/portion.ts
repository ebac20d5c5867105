import { potWith, withParcel, potKg, scaleParcel, type Flow, type FlowKind, type PotState } from '../pot/index.js';

/** A share of all that stands in a pot, pieces and liquid alike; what lies beside it stays there. `share` 0 or more. */
export function portion(pot: PotState, share: number): PotState {
  const cohorts = share === 0 ? [] : pot.cohorts.map((cohort) => withParcel(cohort, scaleParcel(cohort.parcel, share)));
  return potWith(pot, scaleParcel(pot.liquid, share), cohorts, pot.tempC);
}

/** Everything that stands in a pot as flows of one kind. */
export function flowsOf(pot: PotState, kind: FlowKind, lineId: string): Flow[] {
  const { tempC } = pot;
  return [pot.liquid, ...pot.cohorts.map(({ parcel }) => parcel)].map((parcel) => ({ kind, lineId, parcel, tempC }));
}

/** What share of a pot so many kilos are; 0 of an empty one. */
export function shareOfPot(pot: PotState, kg: number): number {
  const all = potKg(pot);
  return all > 0 ? kg / all : 0;
}
