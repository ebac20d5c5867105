import type { Diets } from '@tureen/core/larder';
import type { Soup } from '@tureen/core/soup';

export interface Findable {
  readonly soup: Soup;
  readonly contains: string;
  readonly diet: Diets | undefined;
  readonly creamShare: number;
}

/**
 * Whether a soup answers what was typed: every word must be found in its name, lead, school, ingredients, allergens or
 * diet; "no" before a word turns it round ("no cream", "no celery").
 */
export function matches(typed: string, { soup, contains, diet, creamShare }: Findable): boolean {
  const diets = [diet?.vegan === true ? 'vegan vegetarian' : '', diet?.vegetarian === true ? 'vegetarian' : ''];
  const text = [
    soup.name,
    soup.lead,
    soup.school,
    soup.served,
    contains,
    ...diets,
    creamShare > 0 ? 'cream' : '',
    ...soup.lines.map(({ ingredient }) => ingredient),
  ]
    .join(' ')
    .toLowerCase();
  const words = typed
    .toLowerCase()
    .split(/[\s,;]+/)
    .filter((word) => word !== '');
  let turned = false;
  for (const word of words) {
    if (word === 'no' || word === 'without') {
      turned = true;
      continue;
    }
    if (text.includes(word) === turned) return false;
    turned = false;
  }
  return true;
}
