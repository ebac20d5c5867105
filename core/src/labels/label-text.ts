import { bringBackWords, heldMass } from '../messages/index.js';
import { bowlsIn, type Container } from '../stock/index.js';
import type { UnitSystem } from '../units/index.js';
import type { LabelText } from './layout.js';

/** Whole bowls and the mass of it, as a label says them. */
function amountWords({ kg, contents }: Pick<Container, 'kg' | 'contents'>, units: UnitSystem): string {
  const bowls = bowlsIn(kg, contents);
  return bowls === 0 ? heldMass(kg, units) : `${String(bowls)} ${bowls === 1 ? 'bowl' : 'bowls'}, ${heldMass(kg, units)}`;
}

/** A day with its year, as a label needs it. @example longDay('2026-12-08') // '8 Dec 2026' */
function longDay(day: string): string {
  return new Date(`${day}T00:00:00Z`).toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    timeZone: 'UTC',
  });
}

/**
 * What stands on a container's label.
 *
 * @param origin where the application answers: the code leads to the container's own page there.
 * @param dayOf the day of a moment where the kitchen stands, YYYY-MM-DD.
 */
export function labelText(
  container: Pick<Container, 'id' | 'contents' | 'kg' | 'madeMs' | 'state' | 'useBy'>,
  origin: string,
  dayOf: (ms: number) => string,
  units: UnitSystem,
): LabelText {
  const { id, contents, madeMs, state, useBy } = container;
  const share = contents.share === undefined ? '' : `, ${contents.share}`;
  const thawed = useBy.daysOnceThawed === undefined ? '' : `; once thawed ${String(useBy.daysOnceThawed)} d`;
  return {
    name: `${contents.name}${share}`,
    amount: amountWords(container, units),
    made: `made ${longDay(dayOf(madeMs))}${thawed}`,
    useBy: `use by ${longDay(useBy.day)}`,
    allergens: contents.row.allergens,
    bringBack: bringBackWords(contents, state, units),
    url: `${origin}/cold/${id}`,
  };
}
