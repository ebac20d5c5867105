import { bringBackWords } from '../messages/index.js';
import type { Container } from '../stock/index.js';
import type { LabelText } from './layout.js';

/** Whole bowls and the mass of it, as a label says them. */
function amountWords({ kg, contents }: Pick<Container, 'kg' | 'contents'>): string {
  const bowls = Math.floor((kg * 1000) / contents.bowlG + 1e-6);
  const mass = kg < 1 ? `${String(Math.round(kg * 1000))} g` : `${String(Number(kg.toFixed(2)))} kg`;
  return bowls === 0 ? mass : `${String(bowls)} ${bowls === 1 ? 'bowl' : 'bowls'}, ${mass}`;
}

/**
 * What stands on a container's label.
 *
 * @param origin where the application answers: the code leads to the container's own page there.
 * @param dayWords a day YYYY-MM-DD as the kitchen says it. @param dayOf the day of a moment where the kitchen stands.
 */
export function labelText(
  container: Pick<Container, 'id' | 'contents' | 'kg' | 'madeMs' | 'state' | 'useBy'>,
  origin: string,
  { dayWords, dayOf }: { readonly dayWords: (day: string) => string; readonly dayOf: (ms: number) => string },
): LabelText {
  const { id, contents, madeMs, state, useBy } = container;
  const share = contents.share === undefined ? '' : `, ${contents.share}`;
  const thawed = useBy.daysOnceThawed === undefined ? '' : `; once thawed ${String(useBy.daysOnceThawed)} d`;
  return {
    name: `${contents.name}${share}`,
    amount: amountWords(container),
    made: `made ${dayWords(dayOf(madeMs))}${thawed}`,
    useBy: `use by ${dayWords(useBy.day)}`,
    allergens: contents.row.allergens,
    bringBack: bringBackWords(contents, state),
    url: `${origin}/cold/${id}`,
  };
}
