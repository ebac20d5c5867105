import { LARDER_ROWS, makeLarder } from '../larder/index.js';
import { namesOf } from '../amounts/index.js';
import { takeLine, writtenLines } from '../draft/index.js';
import { readPaste } from '../method/index.js';
import { EXAMPLE_SOUPS, type Soup } from '../soup/index.js';
import {
  omissionsIn,
  plainText,
  readCsv,
  readPrices,
  readRecipe,
  recipeAsText,
  soupCsvAsText,
  toRecipe,
  toSoupCsv,
  toText,
  writeCsv,
} from './index.js';

const larder = makeLarder(LARDER_ROWS);
const context = { larder, names: namesOf(LARDER_ROWS), country: 'gb' } as const;
const rowOf = (id: string): { name: string } | undefined => larder.get(id)?.row;
const leek = EXAMPLE_SOUPS.find(({ id }) => id === 'celeriac-leek-apple')!;
const plainSoups = EXAMPLE_SOUPS.filter(({ cards }) => cards === undefined);

/** Foods and kilos that a text is understood as. */
function foods(text: string): string[] {
  const pasting = readPaste(text, context);
  if (!pasting.ok) throw new Error(pasting.code);
  return pasting.pasted.lines.map(({ reading, heading }) => {
    const taken = takeLine(reading, { larder, heading, bowls: 10 });
    return `${taken?.row.id ?? reading.text} ${taken?.amount.rule ?? '?'} ${(taken?.kg ?? 0).toFixed(4)}`;
  });
}

/** The same of a soup's own lines, as they would be typed one by one. */
function own(soup: Soup): string[] {
  return foods(['Ingredients', ...writtenLines(soup, rowOf).values()].join('\n'));
}

const nameOf =
  (soup: Soup) =>
  (id: string): string =>
    rowOf(soup.lines.find((line) => line.id === id)?.ingredient ?? '')?.name ?? id;

describe('ways out and back', () => {
  it('a soup as text, as a recipe and as CSV is understood again as the same foods and kilos', () => {
    for (const soup of plainSoups) {
      const wanted = own(soup);
      expect(foods(toText(soup, rowOf, nameOf(soup))))
        .withContext(soup.id)
        .toEqual(wanted);
      const recipe = readRecipe(JSON.stringify(toRecipe(soup, rowOf, nameOf(soup))));
      if (!recipe.ok) throw new Error(recipe.code);
      expect(foods(recipeAsText(recipe.recipe)))
        .withContext(soup.id)
        .toEqual(wanted);
      const csv = soupCsvAsText(toSoupCsv(soup, rowOf, new Map()));
      if (!csv.ok) throw new Error(csv.code);
      expect(foods(csv.text)).withContext(soup.id).toEqual(wanted);
    }
  });

  it('name and bowls come back too', () => {
    const pasting = readPaste(toText(leek, rowOf, nameOf(leek)), context);
    expect(pasting.ok && [pasting.pasted.title, pasting.pasted.bowls]).toEqual([leek.name, 10]);
    const recipe = readRecipe(JSON.stringify(toRecipe(leek, rowOf, nameOf(leek))));
    expect(recipe.ok && recipe.recipe.yield).toBe('10 bowls of 300 g');
  });

  it('what a format can’t hold is named, and nothing of its own file', () => {
    expect(omissionsIn('soup', leek)).toEqual([]);
    expect(omissionsIn('recipe', leek)).toEqual([]);
    expect(omissionsIn('csv', leek)).toContain('STEPS');
    const beetroot = EXAMPLE_SOUPS.find(({ id }) => id === 'beetroot-horseradish')!;
    expect(omissionsIn('text', { ...beetroot, methodChoices: { sieve: true } })).toEqual(['METHOD_CHOICES']);
    expect(omissionsIn('csv', beetroot)).toEqual(['TARGETS', 'STEPS', 'BRANCHES']);
  });
});

describe('recipes', () => {
  it('are found in a graph, in a list and as a page’s main entity, with sections of steps', () => {
    const node = {
      '@type': ['Recipe', 'NewsArticle'],
      name: 'Carrot &amp; <b>ginger</b>',
      recipeYield: ['4', '4 servings'],
      recipeIngredient: ['1&frac12; cups onion', '<script>alert(1)</script>1 kg carrots'],
      recipeInstructions: [
        { '@type': 'HowToSection', name: 'Pot', itemListElement: [{ '@type': 'HowToStep', text: 'Sweat the onion.' }] },
        'Blend.\nServe.',
      ],
    };
    for (const wrapped of [
      node,
      [{ '@type': 'WebPage' }, node],
      { '@graph': [{ '@type': 'Person' }, node] },
      { mainEntity: node },
    ]) {
      const found = readRecipe(JSON.stringify(wrapped));
      expect(found).toEqual({
        ok: true,
        recipe: {
          name: 'Carrot & ginger',
          yield: '4',
          ingredients: ['1½ cups onion', '1 kg carrots'],
          method: ['Pot:', 'Sweat the onion.', 'Blend.', 'Serve.'],
        },
      });
    }
  });

  it('that are none say which way', () => {
    expect(readRecipe('{')).toEqual({ ok: false, code: 'NOT_JSON' });
    expect(readRecipe('{"@type":"Person"}')).toEqual({ ok: false, code: 'NO_RECIPE' });
    expect(readRecipe('{"@type":"Recipe","name":"x"}')).toEqual({ ok: false, code: 'NO_INGREDIENTS' });
    let deep = '{"@type":"Recipe","recipeIngredient":["1 onion"]}';
    for (let n = 0; n < 200; n++) deep = `{"@graph":${deep}}`;
    expect(readRecipe(deep)).toEqual({ ok: false, code: 'NO_RECIPE' });
  });

  it('markup goes, words stay', () => {
    expect(plainText('<p>2&nbsp;cups <em>stock</em></p><style>p{}</style>')).toBe('2 cups stock');
    expect(plainText('salt < 5 g & pepper')).toBe('salt < 5 g & pepper');
  });
});

describe('tables', () => {
  it('keep a spreadsheet from reading a cell as a formula, and read it back as it was', () => {
    const csv = writeCsv(['line'], [['=SUM(A1)'], ['+1'], ['-2'], ['@x'], ['plain, "quoted"']]);
    expect(
      csv
        .split('\r\n')
        .slice(1, 5)
        .every((line) => line.startsWith("'") || line.startsWith('"\'')),
    ).toBeTrue();
    const table = readCsv(csv);
    expect(table.ok && table.rows.map((row) => row.line)).toEqual(['=SUM(A1)', '+1', '-2', '@x', 'plain, "quoted"']);
  });

  it('with amounts, units and foods apart, and with semicolons, are put together', () => {
    const read = soupCsvAsText('Food;Quantity;Unit\nonion;2;\ncarrot;1,5;kg\n');
    expect(read).toEqual({ ok: true, text: 'Ingredients\n2 onion\n1,5 kg carrot' });
    expect(soupCsvAsText('colour,taste\nred,sweet\n')).toEqual({ ok: false, code: 'NO_COLUMN', found: ['colour', 'taste'] });
    expect(soupCsvAsText('line\n')).toEqual({ ok: false, code: 'NO_ROWS' });
    expect(soupCsvAsText('PK\u0003\u0004')).toEqual({ ok: false, code: 'NOT_TEXT' });
    expect(soupCsvAsText(`line\n${'1 onion\n'.repeat(6000)}`)).toEqual({ ok: false, code: 'TOO_MANY_ROWS' });
  });

  it('prices are read by the kilo, and what can’t be taken is named with its row', () => {
    const read = readPrices(
      'ingredient,price,per,date\ncarrot,1.20,kg,2031-02-03\nDouble cream,£2.40,500 g,\nbutter,4.00,lb,\nmoon dust,1,kg,\nonion,,kg,\nleek,2,bunch,\ngarlic,3,kg,2031-13-40\n',
      new Set(LARDER_ROWS.map(({ id }) => id)),
      context.names,
    );
    if (!read.ok) throw new Error(read.code);
    expect(read.prices.map(({ ingredient, day }) => [ingredient, day])).toEqual([
      ['carrot', '2031-02-03'],
      ['double-cream', undefined],
      ['butter', undefined],
    ]);
    expect(read.prices[1]?.pricePerKg).toBeCloseTo(4.8, 9);
    expect(read.prices[2]?.pricePerKg).toBeCloseTo(4 / 0.45359237, 9);
    expect(read.refused).toEqual([
      { row: 5, text: 'moon dust', why: 'UNKNOWN_FOOD' },
      { row: 6, text: 'onion', why: 'NO_PRICE' },
      { row: 7, text: 'leek', why: 'BAD_UNIT' },
      { row: 8, text: 'garlic', why: 'BAD_DAY' },
    ]);
  });
});
