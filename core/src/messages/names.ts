import type { Stop } from '../runner/index.js';
import { CARD, walk, type Soup } from '../soup/index.js';
import { stepName, type NameOf } from './steps.js';

/** Kitchen names of a soup's lines: the ingredient's or the card's, in small letters, without what follows a comma. */
export function namer(
  soup: Pick<Soup, 'lines' | 'cards'>,
  rows: readonly { readonly id: string; readonly name: string }[],
): NameOf {
  const small = (name: string): string => (name.split(',')[0] ?? name).toLowerCase();
  const byId = new Map([
    ...rows.map(({ id, name }) => [id, small(name)] as const),
    ...(soup.cards ?? []).map(({ id, name }) => [`${CARD}${id}`, small(name)] as const),
  ]);
  const lines = new Map(soup.lines.map(({ id, ingredient }) => [id, byId.get(ingredient) ?? ingredient]));
  return (lineId) => lines.get(lineId) ?? lineId;
}

/** Names the stops of a ribbon by its soup's steps. */
export function stopNamer(soup: Soup, nameOf: NameOf): (stop: Stop) => string {
  const steps = new Map(walk(soup.root).map(({ step }) => [step.id, step]));
  return (stop) => {
    const step = steps.get(stop.stepId);
    return step === undefined ? stop.stepId : stepName(step, nameOf);
  };
}
