import { LARDER_ROWS, makeLarder } from '../larder/index.js';
import { namesOf, type Country } from '../amounts/index.js';
import { checkSoup } from '../soup/index.js';
import { readCorpus } from '../../spec/method-corpus.js';
import { PASTED } from '../../spec/pasted.js';
import { compose, takeLine } from '../draft/index.js';
import { sentencesOf } from './sentences.js';
import { readPaste } from './index.js';

const larder = makeLarder(LARDER_ROWS);
const names = namesOf(LARDER_ROWS);
/** What is written is worked out by hand to three figures or so. */
const WITHIN = 0.02;

describe('soups as they are pasted', () => {
  it(`${String(PASTED.length)} of many habits: nine lines in ten understood without help, none wrong without a mark`, () => {
    let understood = 0;
    let lines = 0;
    const wrong: string[] = [];
    const missed: string[] = [];
    for (const { country, text, food } of PASTED) {
      const pasting = readPaste(text, { larder, names, country });
      if (!pasting.ok) throw new Error(`${pasting.code}: ${text}`);
      const read = pasting.pasted.lines;
      if (read.length !== food.length) wrong.push(`${String(read.length)} lines for ${String(food.length)}: ${text}`);
      for (const [n, wanted] of food.entries()) {
        lines += 1;
        const reading = read[n]?.reading;
        if (reading === undefined) continue;
        const said = `${reading.text} -> ${JSON.stringify(reading)}`;
        if (reading.code === 'READ') {
          const right =
            wanted !== 'ask' && reading.ingredient === wanted[0] && Math.abs(reading.kg / (wanted[1] ?? Number.NaN) - 1) < WITHIN;
          if (right) understood += 1;
          else if (reading.assumed.length === 0) wrong.push(said);
          else missed.push(said);
        } else if (reading.code === 'BY_STEP' || reading.code === 'NO_AMOUNT') {
          if (wanted !== 'ask' && reading.ingredient === wanted[0] && wanted[1] === null) understood += 1;
          else missed.push(said);
        } else {
          missed.push(said);
        }
      }
    }
    const share = understood / lines;
    process.stdout.write(
      `\n${String(understood)} of ${String(lines)} pasted lines understood without help (${(share * 100).toFixed(1)} %)\n`,
    );
    if (process.env.TUREEN_SHOW_MISSED !== undefined) process.stdout.write(`${missed.join('\n')}\n`);
    expect(wrong).toEqual([]);
    expect(share).withContext(missed.join('\n')).toBeGreaterThanOrEqual(0.9);
  });

  it('what was understood can be put together and cooked, whatever the school', () => {
    for (const school of ['roast', 'sweat', 'raw'] as const) {
      for (const { country, text } of PASTED) {
        const pasting = readPaste(text, { larder, names, country });
        if (!pasting.ok) throw new Error(pasting.code);
        const { lines, title, method } = pasting.pasted;
        const taken = lines.flatMap(({ reading, heading }) => takeLine(reading, { larder, heading, bowls: 4 }) ?? []);
        const soup = compose({ id: 'pasted', name: title ?? 'Pasted', lines: taken, bowls: 4, bowlG: 300, school, method });
        expect(checkSoup(soup, larder)).withContext(`${school}: ${text}`).toEqual([]);
        expect(new Set(soup.lines.map(({ written }) => written)).size).toBeGreaterThanOrEqual(taken.length);
      }
    }
  });

  it('takes a text of any size and kind within its limits, and says when it is too much', () => {
    const head = 'Soup\n400 g leeks\n1 l stock\n\n';
    const read = (text: string) => readPaste(text, { larder, names, country: 'gb' });
    for (const more of ['a'.repeat(59_000), '1 '.repeat(29_000), '('.repeat(59_000), '.'.repeat(59_000), '1/2'.repeat(19_000)]) {
      const pasting = read(head + more);
      if (!pasting.ok) throw new Error(pasting.code);
      expect(pasting.pasted.lines.slice(0, 2).map(({ reading }) => reading.code))
        .withContext(more.slice(0, 5))
        .toEqual(['READ', 'READ']);
    }
    const pasting = read(`400 g ${'or leeks '.repeat(60)}`);
    expect(pasting.ok && pasting.pasted.lines[0]?.reading).toEqual(jasmine.objectContaining({ code: 'UNKNOWN_FOOD', nearest: [] }));
    expect(read('leeks; '.repeat(8000))).toEqual(jasmine.objectContaining({ ok: false, code: 'TOO_LONG', lines: 8000 }));
    expect(read('Soup\n'.repeat(401))).toEqual(jasmine.objectContaining({ ok: false, code: 'TOO_LONG', lines: 402 }));
  });

  it('a sentence without a stop is cut where it can be, and one in small letters is parted at its stops', () => {
    const cut = sentencesOf('simmer the leeks in the stock for 20 minutes and '.repeat(200));
    expect(cut.length).toBeGreaterThan(10);
    expect(Math.max(...cut.map(({ text }) => text.length))).toBeLessThanOrEqual(600);
    expect(sentencesOf('simmer for 20 min. until soft. blend. add approx. 20 g butter.').map(({ text }) => text)).toEqual([
      'simmer for 20 min. until soft.',
      'blend.',
      'add approx. 20 g butter.',
    ]);
  });

  it('a web page, a table, a formula in percent, a message, a list in a sentence', () => {
    const foods = (text: string): string[] => {
      const pasting = readPaste(text, { larder, names, country: 'gb' });
      if (!pasting.ok) throw new Error(pasting.code);
      return pasting.pasted.lines.map(({ reading }) =>
        reading.code === 'READ' ? `${reading.ingredient} ${String(Math.round(reading.kg * 1000) / 1000)}` : reading.code,
      );
    };
    expect(foods('<h1>Soup</h1><ul><li>30 g butter</li><li>1 litre water</li></ul><p>Boil it for 5 minutes.</p>')).toEqual([
      'butter 0.03',
      'water 0.998',
    ]);
    expect(foods('Ingredient | Qty | Unit\nCelery | 800 | g\nButter | 40 | g\nStep 1: Sweat the celery in butter')).toEqual([
      'celery 0.8',
      'butter 0.04',
    ]);
    expect(foods('Spinach soup / yield 10 kg\nspinach 40%\nwater 50%\nbutter 10%\nSweat and simmer it all.')).toEqual([
      'spinach 4',
      'water 5',
      'butter 1',
    ]);
    expect(foods('leek soup\nso it’s 500g leeks, 30g butter, 1 l water\nsweat the leeks in the butter for 10 minutes')).toEqual([
      'leek 0.5',
      'butter 0.03',
      'water 0.998',
    ]);
    expect(foods('For this soup you want 500g of carrots, 40g of butter and a litre of water. Simmer it for 20 minutes.')).toEqual([
      'carrot 0.5',
      'butter 0.04',
      'water 0.998',
    ]);
  });

  const listed = (text: string, country: Country = 'gb'): string[] => {
    const pasting = readPaste(text, { larder, names, country });
    if (!pasting.ok) throw new Error(pasting.code);
    return pasting.pasted.lines.map(({ reading }) =>
      reading.code === 'READ' ? `${reading.ingredient} ${reading.kg.toFixed(3)}` : `${reading.code} ${reading.text}`,
    );
  };

  it('a table with two columns of amounts counts the first; a manner that is also a verb makes no step of a food', () => {
    const table =
      'Cream of broccoli — 100 portions\n\nIngredients | Weight | Measure\nBroccoli, fresh | 15 lb |\nOnions, chopped | 2 lb 8 oz | 7 cups\nChicken stock | | 3 gal\nCream, heavy, warm | | 2 qt\nSalt | 3 oz |\n\n1. Sweat the onions for 10 min.';
    expect(listed(table, 'us')).toEqual([
      'broccoli 6.804',
      'onion 1.134',
      'chicken-stock 11.379',
      'heavy-cream 1.881',
      'fine-salt 0.085',
    ]);
    const pasting = readPaste(table, { larder, names, country: 'us' });
    expect(pasting.ok && pasting.pasted.bowls).toBe(100);
    expect(pasting.ok && pasting.pasted.method).toEqual(['Sweat the onions for 10 min.']);
  });

  it('a first line is the name of the soup though it has a figure, a bracket or a comma; what stands behind it is how many', () => {
    const named = (line: string): readonly [string | undefined, number | undefined] => {
      const pasting = readPaste(`${line}\n\n1 kg leeks\n1 litre water\n\nBoil it for 5 minutes.`, { larder, names, country: 'gb' });
      return pasting.ok ? [pasting.pasted.title, pasting.pasted.bowls] : [pasting.code, 0];
    };
    expect(named('Leek & Potato – daily soup (approx 12 l)')).toEqual(['Leek & Potato – daily soup', 40]);
    expect(named('GAZPACHO (smooth, southern style) - serves 8')).toEqual(['GAZPACHO (smooth, southern style)', 8]);
    expect(named('Cream of Celeriac (for 2)')).toEqual(['Cream of Celeriac', 2]);
    expect(named('Mulligatawny, smooth (staff canteen, 60 covers)')).toEqual(['Mulligatawny, smooth', 60]);
    // A food with its amount is none.
    expect(named('500 g leeks')[0]).toBeUndefined();
  });

  it('a list in a sentence needs no figures; the salt behind it belongs to it', () => {
    const lines = listed(
      'My parsnip soup\n\nYou need a big onion, a couple of pounds of parsnips, an ounce and a half of butter, a heaped teaspoon of plain flour, two pints of good stock and a quarter of a pint of single cream. Salt, pepper and a few chives.\n\nChop the onion and cook it in the butter for ten minutes.',
    );
    expect(lines.slice(0, 6)).toEqual([
      'onion 0.150',
      'parsnip 0.907',
      'butter 0.043',
      'plain-flour 0.003',
      'vegetable-stock 1.137',
      'single-cream 0.143',
    ]);
    expect(lines.slice(6).join(' ')).toMatch(/salt.*pepper.*chives/);
  });

  it('two foods in a line are two; salt to taste is a food and nothing to do', () => {
    expect(listed('Soup\n1 bay leaf, 2 sprigs thyme\nsalt, to taste (about 10g)\n1 litre water\nBoil it for 5 minutes.')).toEqual([
      'bay 0.000',
      'thyme 0.002',
      'fine-salt 0.010',
      'water 0.998',
    ]);
  });

  it('foods behind one another in one line are all in; a step that begins with an amount is no food', () => {
    expect(listed('Soup\n1 parsnip, 2 carrots and 3 sticks of celery\n1 litre water\nBoil it for 5 minutes.')).toEqual([
      'parsnip 0.120',
      'carrot 0.122',
      'celery 0.120',
      'water 0.998',
    ]);
    const pasting = readPaste(
      'Soup\n1 kg beetroot\n1 l crème fraîche\n\n– Beetroot in the oven, 1 hr 30.\n– Blend, 5 min.\n– 800 ml crème fraîche whisked in off heat.',
      { larder, names, country: 'gb' },
    );
    expect(pasting.ok && pasting.pasted.lines.length).toBe(2);
    expect(pasting.ok && pasting.pasted.method.length).toBe(3);
  });

  it('a line that is prepared in two ways is two lines, where its parts come to the whole', () => {
    const rows = (line: string): string[] =>
      readCorpus({
        country: 'gb',
        text: `Soup\nServes 4\n500 g parsnips\n${line}\n\nBoil the parsnips in 1 litre water 20 minutes. Blend.`,
      })
        .taken.map(({ text }) => text)
        .filter((text) => !text.includes('parsnip'));
    expect(rows('3 leeks, two sliced and one left whole')).toEqual(['2 leeks, sliced', '1 leeks, left whole']);
    expect(rows('500 g mushrooms, half sliced and half finely chopped')).toEqual([
      '250 g mushrooms, sliced',
      '250 g mushrooms, finely chopped',
    ]);
    expect(rows('3 carrots: 2 chopped, the other grated')).toEqual(['2 carrots, chopped', '1 carrots, grated']);
    expect(rows('2 onions (1 sliced, 1 quartered)')).toEqual(['1 onions, sliced', '1 onions, quartered']);
    for (const one of [
      '4 large carrots, peeled and diced',
      '2 red peppers, 1 roasted and peeled',
      '6 eggs, 2 beaten and 3 hard boiled',
    ])
      expect(rows(one).length).withContext(one).toBe(1);
  });
});
