import type { HowToStep, Recipe, WithContext } from 'schema-dts';
import { writtenLines } from '../draft/index.js';
import { writeMethod } from '../method/index.js';
import type { Soup } from '../soup/index.js';
import { plainText } from './plain-text.js';

/** What a schema.org Recipe says that a soup can be made of. */
export interface RecipeRead {
  readonly name: string;
  readonly yield: string;
  readonly ingredients: readonly string[];
  readonly method: readonly string[];
}

export type RecipeFound =
  | { readonly ok: true; readonly recipe: RecipeRead }
  | { readonly ok: false; readonly code: 'NOT_JSON' | 'NO_RECIPE' | 'NO_INGREDIENTS' };

/** How deep a recipe is looked for, and how many instructions are taken. */
const DEEPEST = 8;
const MOST_ITEMS = 300;

type Node = Readonly<Record<string, unknown>>;

function isNode(value: unknown): value is Node {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

function listOf(value: unknown): readonly unknown[] {
  return Array.isArray(value) ? value : value === undefined || value === null ? [] : [value];
}

function findRecipe(value: unknown, depth = 0): Node | undefined {
  if (depth > DEEPEST) return undefined;
  if (Array.isArray(value)) {
    for (const one of value) {
      const found = findRecipe(one, depth + 1);
      if (found !== undefined) return found;
    }
    return undefined;
  }
  if (!isNode(value)) return undefined;
  if (listOf(value['@type']).some((type) => typeof type === 'string' && /(?:^|[/#:])Recipe$/.test(type))) return value;
  return findRecipe(value['@graph'], depth + 1) ?? findRecipe(value.mainEntity, depth + 1);
}

function texts(value: unknown, depth = 0): string[] {
  if (depth > DEEPEST) return [];
  return listOf(value)
    .slice(0, MOST_ITEMS)
    .flatMap((one): string[] => {
      if (typeof one === 'string') return [plainText(one)];
      if (!isNode(one)) return [];
      const inner = one.itemListElement === undefined ? [] : texts(one.itemListElement, depth + 1);
      // A section keeps its heading: "For the croutons:".
      const heading = typeof one.name === 'string' && inner.length > 0 ? [`${plainText(one.name).replace(/:$/, '')}:`] : [];
      return inner.length > 0 ? [...heading, ...inner] : texts(one.text ?? one.name, depth + 1);
    })
    .filter((text) => text !== '');
}

function firstText(value: unknown): string {
  for (const one of listOf(value)) {
    if (typeof one === 'string' || typeof one === 'number') return plainText(String(one));
  }
  return '';
}

/** Finds the recipe in one JSON-LD text: by itself, in a list, in a graph, or as a page's main entity. */
export function readRecipe(json: string): RecipeFound {
  let value: unknown;
  try {
    value = JSON.parse(json);
  } catch {
    return { ok: false, code: 'NOT_JSON' };
  }
  const node = findRecipe(value);
  if (node === undefined) return { ok: false, code: 'NO_RECIPE' };
  const ingredients = texts(node.recipeIngredient ?? node.ingredients);
  if (ingredients.length === 0) return { ok: false, code: 'NO_INGREDIENTS' };
  // Instructions may be one long text with its steps on lines of their own.
  const method = listOf(node.recipeInstructions).flatMap((one) => (typeof one === 'string' ? one.split(/\n+/) : [one]));
  return {
    ok: true,
    recipe: { name: firstText(node.name), yield: firstText(node.recipeYield), ingredients, method: texts(method) },
  };
}

/** A recipe as a text to be read as pasted, so that every way in goes through one reader. */
export function recipeAsText({ name, yield: bowls, ingredients, method }: RecipeRead): string {
  const serves = bowls === '' ? [] : [/^\d/.test(bowls) ? `Serves ${bowls}` : bowls];
  return [name, ...serves, '', 'Ingredients', ...ingredients, ...(method.length === 0 ? [] : ['', 'Method', ...method])].join('\n');
}

type NameRow = (ingredient: string) => { readonly name: string } | undefined;

const DIETS = {
  vegan: 'https://schema.org/VeganDiet',
  vegetarian: 'https://schema.org/VegetarianDiet',
  glutenFree: 'https://schema.org/GlutenFreeDiet',
} as const;

/** What is known of a bowl and told with the recipe where it is. */
export interface BowlTold {
  readonly energyKcal: number;
  readonly fatG: number;
  readonly sodiumMg: number;
  readonly diets: Readonly<Record<keyof typeof DIETS, boolean>>;
}

/** A soup as a schema.org Recipe, its method in sentences that are read again as the same steps. What does not fit `omissionsIn` names. */
export function toRecipe(
  soup: Soup,
  nameRow: NameRow,
  nameOf: (lineId: string) => string,
  bowl?: BowlTold,
  minutes?: number,
): WithContext<Recipe> {
  return {
    '@context': 'https://schema.org',
    '@type': 'Recipe',
    name: soup.name,
    ...(soup.note === undefined ? {} : { description: soup.note }),
    recipeCategory: 'Soup',
    recipeYield: `${String(Math.round(soup.writtenFor.bowls * 10) / 10)} bowls of ${String(soup.writtenFor.bowlG)} g`,
    ...(minutes === undefined ? {} : { totalTime: `PT${String(Math.max(1, Math.round(minutes)))}M` }),
    recipeIngredient: [...writtenLines(soup, nameRow).values()],
    recipeInstructions: writeMethod(soup, nameOf).map((text): HowToStep => ({ '@type': 'HowToStep', text })),
    ...(bowl === undefined
      ? {}
      : {
          nutrition: {
            '@type': 'NutritionInformation' as const,
            servingSize: `${String(soup.writtenFor.bowlG)} g`,
            calories: `${bowl.energyKcal.toFixed(0)} kcal`,
            fatContent: `${bowl.fatG.toFixed(1)} g`,
            sodiumContent: `${bowl.sodiumMg.toFixed(0)} mg`,
          },
          suitableForDiet: (['vegan', 'vegetarian', 'glutenFree'] as const)
            .filter((diet) => bowl.diets[diet])
            .map((diet) => DIETS[diet]),
        }),
  };
}
