import { factsOf, readCorpus } from '../../spec/method-corpus.js';
import type { Country } from '../amounts/index.js';
import { LARDER_ROWS, makeLarder } from '../larder/index.js';
import { namesOf } from '../amounts/index.js';
import { readPaste } from './index.js';

const LINES = `Soup
Serves 4
1.2 kg pumpkin
2 onions
3 cloves garlic
4 tbsp olive oil
30 g plain flour
1 litre vegetable stock
100 ml double cream
1 tsp cumin
200 g smoked bacon
`;

/** What a method says over these lines: doings with their lines and figures, one a row. */
function says(method: string, country: Country = 'gb', lines = LINES): string[] {
  return factsOf(readCorpus({ text: `${lines}\n${method}`, country })).map(({ does, lines: of, figures }) =>
    [does, ...of, ...Object.entries(figures).map(([key, value]) => `${key}=${value}`)].join(' '),
  );
}

/** Bowls and title of a text as it is pasted. */
function headOf(text: string): { readonly title: string | undefined; readonly bowls: number | undefined } {
  const pasting = readPaste(text, { larder: makeLarder(LARDER_ROWS), names: namesOf(LARDER_ROWS), country: 'gb' });
  if (!pasting.ok) throw new Error(pasting.code);
  const { title, bowls } = pasting.pasted;
  return { title, bowls };
}

describe('habits of writing a method', () => {
  const roast = 'Roast the pumpkin on a tray at 200 C for 40 minutes.';

  for (const words of ['In the meantime fry', 'Meanwhile, fry', 'At the same time fry'])
    it(`“${words} the onions” is done on the stove, whatever is in the oven`, () => {
      const all = says(`${roast} ${words} the onions and garlic in the oil for 10 minutes. Add the pumpkin and stock.`);
      expect(all.filter((fact) => fact.startsWith('roast'))).toEqual(['roast min=40 oven=200']);
      expect(all).toContain('fry min=10');
      expect(all.indexOf('join')).toBeGreaterThan(all.indexOf('fry min=10'));
    });

  it('kitchen notes: arrows part, a prime is a minute, and what stands behind a tray goes into a pan', () => {
    expect(
      says("Oven 200 C. Pumpkin, half the oil, 2 trays. 35 min.\nOnion in rest of oil, 12 min gentle.\nCumin in, 1'."),
    ).toEqual([
      'add pumpkin olive-oil',
      'roast min=35 oven=200',
      'add onion olive-oil',
      'sweat min=12',
      'add cumin',
      'bloom min=1',
    ]);
    expect(says("onion + oil, 8' -> pumpkin, stock -> boil -> 25' lid on")).toEqual([
      'add onion olive-oil',
      'sweat min=8',
      'add pumpkin vegetable-stock',
      'boil',
      'simmer min=25 lid=on',
    ]);
  });

  it('slang for a tray in the oven is a roast', () => {
    expect(says('Whack the pumpkin on an oiled tray at 190 C for 35 minutes.')).toEqual(['add pumpkin', 'roast min=35 oven=190']);
  });

  const pot = 'Sweat the onions in the oil for 8 minutes. Add the pumpkin and stock.';

  it('“reduce to a simmer” turns it down and boils nothing away', () => {
    const all = says(`${pot} Bring to a boil, reduce to a simmer, and cook 20 minutes.`);
    expect(all.slice(-2)).toEqual(['boil', 'simmer min=20']);
  });

  for (const [part, share] of [
    ['about half', '0.5'],
    ['a third', '0.33'],
    ['two-thirds', '0.67'],
  ] as const)
    it(`${part} of the soup taken to a blender is the part that is blended`, () => {
      const all = says(
        `${pot} Simmer 20 minutes. Transfer ${part} of the soup to a blender and purée until smooth; return it to the pot.`,
      );
      expect(all.find((fact) => fact.startsWith('blend'))).toContain(`share=${share}`);
    });

  it('batches and half-full jugs blend all of it', () => {
    for (const words of ['Transfer to a blender in batches and blend', 'Fill the blender half-full and blend', 'Blend ⅔ of it'])
      expect(says(`${pot} Simmer 20 minutes. ${words}.`).find((fact) => fact.startsWith('blend')) ?? '')
        .withContext(words)
        .toMatch(words.includes('⅔') ? /share=0\.67/ : /^blend(?!.*share)/);
  });

  it('what is lifted out and stirred back in is kept meanwhile; what is not comes out for good', () => {
    const lines = `${LINES}1 bay leaf\n`;
    const all = says(
      'Simmer the pumpkin, bacon and bay leaf in the stock for 30 minutes. Fish out the bacon and the bay leaf. Blend until smooth. Stir the bacon back in.',
      'gb',
      lines,
    );
    expect(all).toContain('keep bacon');
    expect(all).toContain('takeOut bay');
    expect(all.at(-1)).toBe('giveBack bacon');
  });

  it('bacon laid on paper is out of the pan until it is on top', () => {
    const all = says(
      'In a skillet, cook the bacon until crisp, about 6 minutes; transfer to a paper-towel-lined plate. Cook the onion in the fat for 5 minutes. Add the pumpkin and stock and simmer 20 minutes. Blend. Top with the bacon.',
      'us',
    );
    expect(all.indexOf('keep bacon')).toBe(all.indexOf('fry min=6') + 1);
    expect(all.at(-1)).toBe('garnish bacon');
  });

  it('how it is done is no thing to do: “cook, whisking constantly, for 2 minutes” is once', () => {
    const all = says(`Sweat the onions in the oil for 8 minutes. Add the flour and cook, whisking constantly, for 2 minutes.`);
    expect(all.filter((fact) => fact.startsWith('bloom'))).toEqual(['bloom min=2']);
  });

  it('a group leaves out what is named as left out', () => {
    expect(says('Sweat the vegetables (not the pumpkin) in the oil, 10 minutes.')[0]).toBe('add onion garlic olive-oil');
    const all = says('Put everything except the cream in a pot. Simmer 30 minutes.');
    expect(all[0]).not.toContain('double-cream');
    expect(all[0]).toContain('pumpkin');
  });

  it('a heading may stand before a comma, letters and dashes before a step', () => {
    const lines =
      'Soup\nServes 4\nFor the soup\n2 tbsp olive oil\n1 kg pumpkin\n1 litre stock\nFor the sage\n20 sage leaves\n50 ml rapeseed oil\n';
    const all = says(
      'For the soup, heat the oil in a pan. Add the pumpkin.\nFor the sage, heat the oil in a small pan.',
      'gb',
      `${lines}\nMethod`,
    );
    expect(all[0]).toBe('add olive-oil');
    expect(all).toContain('add rapeseed-oil');
    for (const mark of ['a) ', '1 – ', '● ', '1/ '])
      expect(says(`${mark}Sweat the onions in the oil for 8 minutes.`))
        .withContext(mark)
        .toEqual(['add onion olive-oil', 'sweat min=8']);
  });

  it('a sentence may end behind an abbreviated minute, in small letters', () => {
    expect(says('sweat the onions in the oil 8 min. add the pumpkin and stock. simmer 20 min. blend.').slice(-2)).toEqual([
      'simmer min=20',
      'blend',
    ]);
  });

  it('chilled within so many minutes is a rule for what is left, not how it is served', () => {
    const text = `${LINES}\n${pot} Simmer 20 minutes. Blend. Chill below 5 C within 90 minutes or serve.`;
    expect(readCorpus({ text, country: 'gb' }).reading.tree.soup.served).toBe('hot');
    const cold = `${LINES}\n${pot} Simmer 20 minutes. Blend. Chill for 3 hours. Serve cold.`;
    expect(readCorpus({ text: cold, country: 'gb' }).reading.tree.soup.served).toBe('cold');
  });
});

describe('heads of a pasted recipe', () => {
  const foods = '\n1 kg carrots\n1 litre stock\nSimmer for 20 minutes.';

  for (const [first, title, bowls] of [
    ['Leek soup for 50', 'Leek soup', 50],
    ['SPICED SOUP — makes about 3.5 L / 12 x 280 ml', 'SPICED SOUP', 12],
    ['Beet soup\nYield: 1 gallon', 'Beet soup', 13],
    ['Bisque\nYield: 2 quarts (8 portions)', 'Bisque', 8],
    ['Cold soup\nMakes 1 quart', 'Cold soup', 3],
    ['Leek soup\nIngredients (for 2 litres)', 'Leek soup', 7],
    ['Calabaza\nPara 6 / serves 6', 'Calabaza', 6],
    ['Bread soup\nTakes: 1hr  Makes: 6 portions', 'Bread soup', 6],
    ['Soup the way we do it down at the hall\nFor about 30 serves:', 'Soup the way we do it down at the hall', 30],
  ] as const)
    it(`“${first.replace('\n', ' / ')}” is ${title}, for ${String(bowls)}`, () => {
      expect(headOf(`${first}${foods}`)).toEqual({ title, bowls });
    });

  it('so much for each is that many times the bowls', () => {
    const { taken } = readCorpus({ text: `Soup\nServes 10\n1 kg carrots\nyoghurt to finish, 20 g pp\n\nSimmer.`, country: 'gb' });
    expect(taken.find(({ row }) => row.id === 'yoghurt')?.kg).toBeCloseTo(0.2, 9);
  });

  it('a recipe in sentences has its foods by weight, count and fraction, each once', () => {
    const { taken } = readCorpus({
      text: 'SQUASH SOUP\n\nCut 2 medium butternut squash (about 4 pounds total) in half. Melt 2 tablespoons butter. Add 1 diced onion and 2 sliced leeks. Add 5 cups chicken stock. Stir in 1/4 cup cream. Cook 4 tablespoons butter until brown, 4 minutes.',
      country: 'us',
    });
    const kilos = new Map<string, number>();
    for (const { row, kg } of taken) kilos.set(row.id, (kilos.get(row.id) ?? 0) + kg);
    expect(kilos.get('butternut')).toBeCloseTo(4 * 0.45359237, 3);
    expect(kilos.get('onion')).toBeCloseTo(0.11, 3);
    expect(kilos.get('leek')).toBeCloseTo(2 * 0.089, 3);
    // A quarter of a cup of 236.6 mL, at 0.997 kg/L.
    expect(kilos.get('whipping-cream')).toBeCloseTo(0.059, 3);
    // Six tablespoons of 14.2 g in all.
    expect(kilos.get('butter')).toBeCloseTo(6 * 0.0142, 2);
  });
});

describe('more habits, each found in a recipe that was new to the reader', () => {
  const pot = 'Sweat the onions in the oil for 8 minutes. Add the pumpkin and stock.';

  it('a step may have a name before it is told; the name is no step', () => {
    expect(
      says(
        'Roast: Arrange the pumpkin on a tray and roast at 200 C for 40 minutes.\n2. Sauté: Add the onions to the oil in a pan and soften for 8 minutes.\n3. Simmer: Add the pumpkin and the stock and simmer for 10 minutes.\nPurée: Blend until smooth.',
      ).filter((fact) => !/^(?:add|join)/.test(fact)),
    ).toEqual(['roast min=40 oven=200', 'sweat min=8', 'simmer min=10', 'blend']);
  });

  it('skins come off what has some, not off the oil that was named last; off a bone nothing comes again', () => {
    const lines = `Soup\n6 red peppers\n2 tbsp olive oil\n1 ham hock\n`;
    expect(
      says(
        'Arrange the peppers on a tray, brush with the oil and roast at 200 C for 30 minutes. Cover and let steam 10 minutes, then slip off the skins.',
        'gb',
        lines,
      ),
    ).toContain('peel red-pepper');
    expect(
      says(
        'Pop the peppers under the grill until black. Pop them in a paper bag for 15 minutes, then rub off the skins.',
        'gb',
        lines,
      ),
    ).toContain('rest min=15');
    const bone = says(
      'Simmer the hock in 2 litres of water for 2 hours. Lift out the hock. Pull the meat off the bone. Stir half the meat back in.',
      'gb',
      lines,
    );
    expect(bone.filter((fact) => fact.startsWith('keep'))).toEqual(['keep cooked-ham']);
    expect(bone.at(-1)).toContain('giveBack cooked-ham');
  });

  it('what is divided between trays is not served', () => {
    expect(says('Divide the pumpkin and onions between two trays. Roast at 200 C for 40 minutes.')).toEqual([
      'add pumpkin onion',
      'roast min=40 oven=200',
    ]);
  });

  it('“reduce to medium” turns it down, and what a pan is deglazed with is boiled away there', () => {
    expect(says(`${pot} Bring to the boil over high heat, then reduce to medium and simmer for 5 minutes.`).slice(-2)).toEqual([
      'boil',
      'simmer min=5',
    ]);
    const wine = `${LINES}100 ml dry white wine\n`;
    expect(says('Soften the onions in the oil for 8 minutes. Deglaze with the wine, reduce to a syrup.', 'gb', wine).at(-1)).toBe(
      'deglaze white-wine',
    );
    expect(says('Soften the onions in the oil for 8 minutes. Add the stock and reduce by half.').at(-1)).toBe('reduce share=0.5');
  });

  it('“max. 2 hrs” at 70 °C is how long it is held', () => {
    const method = `${pot} Simmer 20 minutes. Blend. Hold at 70 °C max. 2 hrs.`;
    expect(says(method).filter((fact) => fact.startsWith('simmer'))).toEqual(['simmer min=20']);
    const { actions } = readCorpus({ text: `${LINES}\n${method}`, country: 'gb' }).reading;
    expect(actions.find(({ does }) => does === 'hold')?.minutes?.high).toBe(120);
  });

  it('what is moved to a paper towel is kept; what is run through a mill is blended', () => {
    const all = says(
      `Cook the bacon in a pan for 6 minutes. Move the bacon to a paper towel. ${pot} Simmer 20 minutes. Run through a food mill. Serve topped with the reserved bacon.`,
    );
    expect(all).toContain('keep bacon');
    expect(all).toContain('sieve');
    expect(all.at(-1)).toBe('garnish bacon');
  });

  it('a paragraph that says what it makes is about what is listed for that', () => {
    const lines =
      'Soup\nFor the soup\n600 g parsnips\n1 Bramley apple\n1 l vegetable stock\nFor the apple crisps\n1 eating apple\n1 tsp icing sugar\n';
    const all = says(
      'First make the crisps. Slice the apple, lay it on a lined tray and bake at 110 C for 90 minutes.\nFor the soup, simmer the parsnips and the apple in the stock for 20 minutes.',
      'gb',
      lines,
    );
    expect(all[0]).toBe('add eating-apple');
    expect(all.some((fact) => fact.startsWith('add') && /\bapple\b/.test(fact.replace('eating-apple', '')))).toBeTrue();
  });
});

describe('more habits of writing what is in it', () => {
  function foodsOf(text: string): [string, number][] {
    return readCorpus({ text: `${text}\nSimmer everything for 20 minutes.`, country: 'gb' }).taken.map(({ row, kg }) => [
      row.id,
      kg,
    ]);
  }

  for (const [text, title, bowls] of [
    ['Roast carrot + miso soup  ·  serves 4  ·  1 hr', 'Roast carrot + miso soup', 4],
    ['Gingery carrot soup | 6 servings | freezer friendly', 'Gingery carrot soup', 6],
    ['A Sunday swede soup, enough for five', 'A Sunday swede soup', 5],
    ['Corn chowder\n(Makes 12 cups)', 'Corn chowder', 10],
    ['VELOUTÉ\nPortions: 8', 'VELOUTÉ', 8],
  ] as const)
    it(`“${text.replace('\n', ' / ')}” is ${title}, for ${String(bowls)}`, () => {
      expect(headOf(`${text}\n1 kg carrots\n1 l vegetable stock\nSimmer.`)).toEqual({ title, bowls });
    });

  it('several foods to serve, seasoning, strokes and a full stop lose nothing', () => {
    expect(foodsOf('Soup\n1 onion\nGreek yoghurt and dukkah, to serve\nSeasoning').map(([id]) => id)).toEqual([
      'onion',
      'greek-yoghurt',
      'nut-spice-mix',
      'fine-salt',
      'black-pepper',
    ]);
    expect(foodsOf('Soup\nShallots 100g / Butter 60g / Chicken stock 1.2L / Salt 8g').map(([id]) => id)).toEqual([
      'shallot',
      'butter',
      'chicken-stock',
      'fine-salt',
    ]);
    expect(
      foodsOf(
        "Soup\nYou'll need: 500g carrots, a big onion, 2 tbsp olive oil, the juice of a lime, 1 tbsp salt, sour cream to serve.",
      ).map(([id]) => id),
    ).toEqual(['carrot', 'onion', 'olive-oil', 'lime-juice', 'fine-salt', 'soured-cream']);
    expect(foodsOf('Soup\n2 carrots; 40g butter; 4 tbsp crème fraîche.').map(([id]) => id)).toEqual([
      'carrot',
      'butter',
      'creme-fraiche',
    ]);
  });

  it('ice comes in cubes, potatoes by their variety, tomatoes from the tin', () => {
    // Six cubes of 20 g.
    expect(foodsOf('Soup\n6 ice cubes').find(([id]) => id === 'ice')?.[1]).toBeCloseTo(0.12, 9);
    expect(foodsOf('Soup\n1 lb. Yukon Golds, peeled, 1/2-inch dice').map(([id]) => id)).toEqual(['potato']);
    expect(foodsOf('Soup\n1 (14.5-ounce) can fire-roasted diced tomatoes').map(([id]) => id)).toEqual(['canned-tomatoes']);
  });
});
