import type { Diets } from '@tureen/core/larder';
import type { Soup } from '@tureen/core/soup';

export interface Findable {
  readonly soup: Pick<Soup, 'name' | 'lead' | 'school' | 'served'>;
  readonly ingredients: readonly string[];
  readonly tags: readonly string[];
  readonly allergens: readonly string[];
  /** What its ingredients are called. */
  readonly names: readonly string[];
  readonly diets: Diets | undefined;
  readonly creamShare: number;
}

/** Everything that a soup can be found by, as one text, made once: finding goes over a thousand of them at every keystroke. */
export function wordsOf({ soup, ingredients, tags, allergens, names, diets, creamShare }: Findable): string {
  const kept = [
    diets?.vegan === true ? 'vegan' : '',
    diets?.vegetarian === true ? 'vegetarian' : '',
    diets?.glutenFree === true ? 'gluten-free' : '',
    diets?.dairyFree === true ? 'dairy-free' : '',
  ];
  return [
    soup.name,
    soup.lead,
    soup.school,
    soup.served,
    ...tags,
    ...allergens,
    ...names,
    ...kept,
    creamShare > 0 ? 'cream' : '',
    ...ingredients,
  ]
    .join(' ')
    .toLowerCase();
}

/** Whether a soup answers what was typed: every word must be in its text; "no" before a word turns it round ("no cream"). */
export function matches(typed: string, words: string): boolean {
  let turned = false;
  for (const word of typed.toLowerCase().split(/[\s,;]+/)) {
    if (word === '') continue;
    if (word === 'no' || word === 'without') {
      turned = true;
      continue;
    }
    // "Cream" in a name or in "creamed" is no cream: turned round, a word is looked for as a whole.
    const found = turned ? new RegExp(`\\b${word.replace(/[^\p{L}\p{N}-]/gu, '')}\\b`, 'u').test(words) : words.includes(word);
    if (found === turned) return false;
    turned = false;
  }
  return true;
}
