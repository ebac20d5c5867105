import { readRecipe, recipeAsText, soupCsvAsText, unreadSentence } from '@tureen/core/formats';
import { SoupSchema, type Soup } from '@tureen/core/soup';

/** What a file turned out to be: a whole soup, or a text to be read; or why it is neither. */
export type Opened =
  | { readonly kind: 'soup'; readonly soup: Soup }
  | { readonly kind: 'text'; readonly text: string }
  | { readonly kind: 'refused'; readonly sentence: string };

/** Larger than any soup with its photos; what is beyond is not even read. */
const MOST_BYTES = 2 * 1024 * 1024;

function recipesIn(html: string): string[] {
  // A parsed document runs nothing and fetches nothing.
  const page = new DOMParser().parseFromString(html, 'text/html');
  return [...page.querySelectorAll('script[type="application/ld+json"]')].map((script) => script.textContent);
}

function fromRecipes(texts: readonly string[], name: string): Opened {
  let code: 'NOT_JSON' | 'NO_RECIPE' | 'NO_INGREDIENTS' = 'NO_RECIPE';
  for (const text of texts) {
    const found = readRecipe(text);
    if (found.ok) return { kind: 'text', text: recipeAsText(found.recipe) };
    if (found.code !== 'NO_RECIPE') code = found.code;
  }
  return { kind: 'refused', sentence: unreadSentence(code, name) };
}

function fromJson(text: string, name: string): Opened {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return { kind: 'refused', sentence: unreadSentence('NOT_JSON', name) };
  }
  const parsed = SoupSchema.safeParse(value);
  if (parsed.success) return { kind: 'soup', soup: parsed.data };
  if (/"@type"|"@context"|"@graph"/.test(text)) return fromRecipes([text], name);
  const issue = parsed.error.issues[0];
  const where = issue?.path.join('.') ?? '';
  return {
    kind: 'refused',
    sentence: `${name}: ${where === '' ? 'the file' : `“${where}”`} is not as a soup’s file has it: ${issue?.message ?? ''}. Nothing was changed.`,
  };
}

/** Reads a file that a cook chose: our own JSON, schema.org JSON-LD alone or in a web page, CSV, or plain text. */
export async function openFile(file: File): Promise<Opened> {
  const { name, size } = file;
  if (size > MOST_BYTES) return { kind: 'refused', sentence: unreadSentence('TOO_BIG', name) };
  const text = (await file.text()).replace(/^\ufeff/, '');
  // eslint-disable-next-line no-control-regex -- a file of another kind under a wrong name has them
  if (/[\u0000-\u0008\u000e-\u001a\ufffd]/.test(text.slice(0, 4096)))
    return { kind: 'refused', sentence: unreadSentence('NOT_TEXT', name) };
  const ending = /\.([a-z]+)$/i.exec(name)?.[1]?.toLowerCase() ?? '';
  if (ending === 'json' || ending === 'jsonld' || /^\s*[{[]/.test(text)) return fromJson(text, name);
  if (/^html?$/.test(ending) || /^\s*<(?:!doctype|html)/i.test(text)) return fromRecipes(recipesIn(text), name);
  if (ending === 'csv' || ending === 'tsv') {
    const table = soupCsvAsText(text);
    return table.ok ? { kind: 'text', text: table.text } : { kind: 'refused', sentence: unreadSentence(table.code, name) };
  }
  return ending === 'txt' || ending === 'md' || ending === ''
    ? { kind: 'text', text }
    : { kind: 'refused', sentence: unreadSentence('UNKNOWN_KIND', name) };
}
