import { factsOf, readCorpus } from '../../spec/method-corpus.js';
import type { Country } from '../amounts/index.js';
import { LARDER_ROWS, makeLarder } from '../larder/index.js';
import { namesOf } from '../amounts/index.js';
import { walk } from '../soup/index.js';
import { readPaste } from './index.js';

function read(text: string, country: Country = 'gb') {
  const reading = readCorpus({ text, country });
  return {
    facts: factsOf(reading).map(({ does, lines, figures }) =>
      [does, ...lines, ...Object.entries(figures).map(([key, value]) => `${key}=${value}`)].join(' '),
    ),
    lines: reading.taken.map(({ row: { id }, kg, role }) => ({ id, kg, role })),
    unread: reading.unread,
  };
}

const START = 'Soup\nServes 4\n500 g parsnips\n1 onion\n30 g butter\n1 litre chicken stock\n';
const COOK = 'Sweat the onion and parsnips in the butter for 10 minutes. Add the stock and simmer for 20 minutes.';

describe('more habits of writing', () => {
  it('what is more than the amount goes on top; the amount goes into the pot', () => {
    const { lines } = read(`${START}150 ml single cream, plus a swirl to serve\n15 g dill, plus sprigs to garnish\n${COOK}`);
    expect(lines.find(({ id }) => id === 'single-cream')?.role).toBe('cream');
    expect(lines.find(({ id }) => id === 'dill')?.role).toBe('herb');
  });

  it('a pour to a consistency is a letting down, whatever is asked for', () => {
    for (const words of [
      'Add enough extra stock or water to give the consistency you like - I go for single cream.',
      'Adjust the consistency with hot water if too thick.',
      'Add a splash of water until it is the thickness of pouring cream.',
    ])
      expect(read(`${START}100 ml single cream\n${COOK} Blend until smooth. ${words} Stir in the cream.`).facts.slice(-2))
        .withContext(words)
        .toEqual([jasmine.stringMatching(/^thin (?:chicken-stock|water)$/), 'cream single-cream']);
  });

  it('foods before a dash, with their count behind it', () => {
    const { lines, unread } = read(
      `Shorba\nTomatoes - 750 gms\nOnion - 1 small, sliced\nGinger - 1 inch piece\nGarlic - 5-6 cloves\nCoriander stalks - a few\nWater - 3 cups\n\nMethod:\n1. Boil everything for 20 minutes.`,
    );
    expect(unread).toEqual([]);
    expect(lines.map(({ id }) => id)).toEqual(['tomato', 'onion', 'ginger', 'garlic', 'coriander', 'water']);
    // Three stalks, not three bunches.
    expect(lines.find(({ id }) => id === 'coriander')!.kg).toBeLessThan(0.02);
  });

  it('ground to a paste is blended, and what is blended is sieved and not drained', () => {
    const { facts } = read(`${START}${COOK} Cool slightly & grind to a smooth paste in a mixer. Strain through a sieve.`);
    expect(facts.slice(-2)).toEqual(['blend', 'sieve']);
  });

  it('“I use my immersion blender” blends; “to get it hot again” warms; salt and pepper before another thing seasons', () => {
    const { facts } = read(
      `${START}100 ml single cream\na little nutmeg\n${COOK} I use my immersion blender right in the pot, and I leave a few chunks. Stir in the cream and put it back over low heat, just to get it hot again. Salt and pepper to taste, and grate a little nutmeg on top.`,
    );
    expect(facts.slice(-5)).toEqual(['blend blender=stick', 'cream single-cream', 'warm', 'season', 'garnish nutmeg']);
  });

  it('a little of a spice is a pinch', () => {
    const { lines } = read(`${START}a little nutmeg\n${COOK}`);
    expect(lines.find(({ id }) => id === 'nutmeg')!.kg).toBeLessThan(0.0005);
  });

  it('a vegetable is singed with flour', () => {
    const { facts } = read(
      `${START}30 g plain flour\nSweat the onion in the butter for 8 minutes. Singe with the flour and cook out for 2 minutes. Add the stock and parsnips.`,
    );
    expect(facts.slice(2, 4)).toEqual(['add plain-flour', 'bloom min=2']);
  });

  it('minutes in which pressure builds are no step; of what a part is kept the rest goes in', () => {
    const { facts } = read(
      `${START}1 can (400 ml) coconut milk\nPut the parsnips, onion and stock in the pot. Cook on HIGH pressure for 8 minutes. It will take about 10 minutes to come up to pressure. Shake the can of coconut milk, reserve 60 ml for drizzling, and pour the rest in the pot. Blend.`,
    );
    expect(facts.slice(1)).toEqual(['pressure min=8', 'keep coconut-milk', 'cream coconut-milk', 'blend']);
  });

  it('what is served on top stands in one line, counted and not', () => {
    const { lines } = read(`${START}To serve: ice cubes, 3 radishes cut into matchsticks, olive oil\n\n${COOK} Serve.`);
    expect(lines.slice(-3).map(({ id, role }) => [id, role])).toEqual([
      ['ice', 'garnish'],
      ['radish', 'garnish'],
      ['olive-oil', 'garnish'],
    ]);
  });

  it('two foods in one line are two; meat that is lifted out comes back under any verb; herbs of the top stay out', () => {
    const { facts, lines } = read(
      `Pea and ham\n500 g split peas\n1 ham hock, about 1 kg\n2 carrots\n2 bay leaves and a few sprigs of thyme, tied together\n2.5 litres water\na handful of parsley\nPut the hock in a pan, cover with the water and bring to the boil. Add the peas, carrots and herbs. Simmer for 2 hours. Lift out the hock and fish out the herbs. When cool enough to handle, shred the meat, discarding skin, fat and bone. Blend half of the soup. Add three-quarters of the ham. Serve topped with the rest of the ham and the parsley.`,
    );
    expect(lines.map(({ id }) => id)).toContain('thyme');
    expect(facts).toContain('keep cooked-ham');
    expect(facts).toContain('giveBack cooked-ham');
    expect(facts.find((fact) => fact.startsWith('add split-peas'))).not.toContain('parsley');
    expect(facts.at(-1)).toBe('garnish cooked-ham parsley');
  });

  it('a share that is moved to the blender counts, whatever is done with its lid before', () => {
    const { facts } = read(
      `${START}${COOK} Transfer about two-thirds of the soup to a blender, remove the center cap and cover with a towel, and blend until smooth.`,
    );
    expect(facts.at(-1)).toBe('blend blender=jug share=0.67');
  });

  it('a recipe in paragraphs may begin with its list in a sentence; “them” are those of the sentence', () => {
    const { facts, lines } = read(
      'Watercress soup the old way\n\nTake two good bunches of watercress, 1 lb of potatoes, an onion, 1½ pints of stock, ½ pint of milk, 1 oz of butter and a little cream.\nWash the watercress. Peel and slice the potatoes and onion, and stew them in the butter with the lid on for ten minutes. Pour on the stock and boil for 20 minutes. Put in the watercress and boil three minutes longer.',
    );
    expect(lines.map(({ id }) => id)).toEqual([
      'watercress',
      'potato',
      'onion',
      'vegetable-stock',
      'milk',
      'butter',
      'whipping-cream',
    ]);
    expect(facts.slice(0, 2)).toEqual(['add potato onion butter', 'sweat min=10 lid=on']);
    expect(facts.at(-2)).toBe('add watercress');
  });

  it('steps that are only counted are a method; foods that are only counted are none', () => {
    const sheet = read(
      'Squash soup   batch 10 L   portion 250 ml\nSweet potato, peeled 3.5 kg\nOnion, diced 800 g\nVeg oil 100 ml\nVeg stock 5 L\n\n1 Steam combi 180C. Sweet potato on 2 x GN1/1 trays, half the oil, 35 min until caramelised.\n2 Brat pan: remaining oil, onion 8 min no colour.\n3 Stock in. Boil. Sweet potato in. Simmer 15.\n4 Blend (stick) 5 min. Pass.\n5 Blast chill to <3C within 90 min.',
    );
    expect(sheet.facts).toEqual([
      jasmine.stringMatching(/^add sweet-potato rapeseed-oil$/),
      'roast min=35 oven=180',
      'add rapeseed-oil onion',
      'sweat min=8',
      'add vegetable-stock',
      'boil',
      'join',
      'simmer min=15',
      'blend min=5 blender=stick',
      'sieve',
      'store',
    ]);
    const counted = read(`Soup\n1 Onion\n2 Carrots\n3 Leeks\n1 litre water\n${COOK.replace('parsnips', 'carrots')}`);
    expect(counted.lines.map(({ id }) => id)).toEqual(['onion', 'carrot', 'leek', 'water']);
    const pasting = readPaste('Squash soup   batch 10 L   portion 250 ml\n3 kg squash\n\nBoil it.', {
      larder: makeLarder(LARDER_ROWS),
      names: namesOf(LARDER_ROWS),
      country: 'gb',
    });
    expect(pasting.ok && [pasting.pasted.title, pasting.pasted.bowls]).toEqual(['Squash soup', 40]);
  });

  it('through the blender, heated to boiling, deep-fried: each as it is meant', () => {
    const { facts } = read(
      `${START}100 ml milk\nSweat the onion and parsnips in the butter for 10 minutes. Add the stock. Heat to boiling, stirring; simmer 15 minutes. Put through blender. Stir in the milk; heat through. Deep-fry a few slices of parsnip at 150C until golden and drain on kitchen paper. Serves 4-6.`,
    );
    expect(facts.slice(2)).toEqual(['add chicken-stock', 'boil', 'simmer min=15', 'blend blender=jug', 'add milk', 'warm']);
  });

  it('bowls stand behind the title, in the line of times, and at the end of the method', () => {
    const bowlsOf = (text: string): number | undefined => {
      const pasting = readPaste(text, { larder: makeLarder(LARDER_ROWS), names: namesOf(LARDER_ROWS), country: 'gb' });
      return pasting.ok ? pasting.pasted.bowls : undefined;
    };
    const foods = '1 kg carrots\n1 litre water\n';
    expect(bowlsOf(`Lentil soup for the freezer. Makes 8 portions.\n${foods}Boil the carrots in the water.`)).toBe(8);
    expect(bowlsOf(`Soup\nPrep 15 min · Cook 4 hr on high · 8 servings\n${foods}Boil the carrots.`)).toBe(8);
    expect(bowlsOf(`Soup\n${foods}\nBoil the carrots in the water for 20 minutes. Serves 4-6.`)).toBe(5);
  });

  it('a kitchen’s list has its amounts in a column and the kind behind the name', () => {
    const { lines, unread } = read(
      'Squash soup\nYield: 100 portions\n\nSquash, butternut, peeled, cubed   32 lb\nOnions, yellow, chopped            6 lb\nGarlic, granulated                 1/4 cup\nVegetable base, low sodium         8 oz\nPepper, white                      1 Tbsp\nSalt, kosher                       1/4 cup\nWater, hot                         4 gal\n\n1. Boil everything. CCP: Cook to 165 F.',
      'us',
    );
    expect(unread).toEqual([]);
    expect(lines.map(({ id }) => id)).toEqual([
      'butternut',
      'onion',
      'garlic-powder',
      'stock-cube',
      'white-pepper',
      'coarse-salt',
      'water',
    ]);
    expect(lines[0]!.kg).toBeCloseTo(14.5, 1);
  });

  it('a piece of ginger by its length is not cut to that length', () => {
    const reading = readCorpus({
      text: `${START}3-inch piece fresh ginger, peeled and grated\n1 (2-inch) piece ginger\n${COOK}`,
      country: 'us',
    });
    expect(reading.taken.filter(({ row }) => row.id === 'ginger').map(({ cut }) => cut?.sizeMm)).toEqual([3, 12]);
  });

  it('a heading without its colon is none of the foods; what stands under it is blended beside the soup', () => {
    const { facts, unread } = read(
      'Tomato soup\n\nSoup\n1 kg tomatoes\n2 cups veggie broth\n\nCashew cream\n3/4 cup raw cashews\n3/4 cup water\n1 tsp lemon juice\n\nSimmer the tomatoes in the broth for 20 minutes. Blend until smooth.\nFor the cashew cream: drain cashews; blend with water and lemon juice until silky, 2 minutes.\nStir half the cashew cream into the soup.',
      'us',
    );
    expect(unread).toEqual([]);
    expect(facts.at(-3)).toMatch(/^add cashews.* water lemon-juice$/);
    expect(facts.at(-2)).toBe('blend min=2');
  });

  it('how it is brought back another day is no step of the soup', () => {
    const { facts } = read(
      `${START}${COOK} Cool, portion and freeze for up to 3 months. Reheat from frozen with a splash of water.`,
    );
    expect(facts.filter((fact) => fact.startsWith('warm'))).toEqual([]);
  });

  it('a title may begin with a number, and a web page leaves stars, units and reviews between the foods', () => {
    const { lines, unread } = read(
      'One-Pot Tomato Soup\n★★★★★ 4.9 from 312 reviews\nServes 4\n\nIngredients\nUNITS: US\n1x 2x 3x\n2 (28 oz.) cans whole peeled tomatoes in juice\n1 1/2 pts chicken stock\n1 Tbsp. + 2 tsp. olive oil\n1 little gem lettuce\nfreshly cracked pepper\n\nBoil the tomatoes in the stock for 10 minutes.',
    );
    expect(unread).toEqual([]);
    expect(lines.map(({ id }) => id)).toEqual(['canned-tomatoes', 'chicken-stock', 'olive-oil', 'lettuce', 'black-pepper']);
    // 25 ml of oil, and a whole lettuce.
    expect(lines[2]!.kg).toBeCloseTo(0.023, 3);
    expect(lines[3]!.kg).toBeGreaterThan(0.05);
  });

  it('a mirepoix is onion, carrot and celery; a can is of its size; a list says how much it makes behind its name', () => {
    const text =
      'PUMPKIN BISQUE — YIELD 2 GAL\n\nMirepoix (2:1:1) 2 lb\nButter 6 oz\nChicken stock 1 gal\nPumpkin purée (#10 can) 1 ea\n\nSweat mirepoix in butter, 10 min.\nWhisk in stock. Bring to boil.';
    const { lines } = read(text, 'us');
    expect(lines.map(({ id, kg }) => [id, Math.round(kg * 100) / 100])).toEqual([
      ['onion', 0.45],
      ['carrot', 0.23],
      ['celery', 0.23],
      ['butter', 0.17],
      ['chicken-stock', 3.79],
      ['canned-pumpkin', 3.01],
    ]);
    const pasting = readPaste(text, { larder: makeLarder(LARDER_ROWS), names: namesOf(LARDER_ROWS), country: 'us' });
    expect(pasting.ok && pasting.pasted.bowls).toBe(25);
  });

  it('“sieve or liquidise” does both; “reduce to maintain a simmer” does nothing; “5 more” are minutes', () => {
    const { facts } = read(
      `${START}100 ml single cream\nSweat the onion and parsnips in the butter for 10 minutes. Add the stock, bring to a boil, reduce to maintain a low simmer and cook, lid ajar, 25 min. Simmer 5 more. Sieve or liquidise the soup. Finish with the cream.`,
    );
    expect(facts.slice(2)).toEqual([
      'add chicken-stock',
      'boil',
      'simmer min=25 lid=ajar',
      'simmer min=5',
      'blend',
      'sieve',
      'cream single-cream',
    ]);
  });

  it('names of steps that end on a full stop are no steps; short sentences of a plain method are', () => {
    const named = read(
      `${START}1. Sauté the aromatics. Melt the butter in a saucepan, add the onion and cook 4 minutes until softened.\n2. Add the veg. Stir in the parsnips and stock and simmer 20 minutes until tender.\n3. Blend. Puree half of the soup with a stick blender until it is smooth.`,
    );
    expect(named.facts).toEqual([
      'add butter',
      'add onion',
      'sweat min=4',
      'add parsnip chicken-stock',
      'simmer min=20',
      'blend blender=stick share=0.5',
    ]);
    const plain = read(
      `${START}1. Melt the butter. Add the onion and cook gently for 4 minutes until softened.\n2. Add the stock. Simmer the parsnips in it for 20 minutes until they are tender.\n3. Blend the soup. Season it to taste and ladle it into warmed bowls.`,
    );
    expect(plain.facts.slice(0, 4)).toEqual(['add butter', 'add onion', 'sweat min=4', 'add chicken-stock']);
    expect(plain.facts).toContain('blend');
  });

  it('measures and sizes are shortened in many ways', () => {
    const kgOf = (line: string): number =>
      read(`Soup\nServes 4\n${line}\n1 litre water\n\nBoil everything.`, 'us').lines[0]?.kg ?? 0;
    expect(kgOf('1 tbl butter')).toBeCloseTo(0.0142, 4);
    expect(kgOf('2 Tbls. flour')).toBeCloseTo(0.0156, 4);
    expect(kgOf('3 tbsps Greek-style yogurt')).toBeCloseTo(0.0464, 2);
    expect(kgOf('1 pkg (10 oz) frozen spinach, thawed')).toBeCloseTo(0.2835, 3);
    expect(kgOf('2 med zucchini')).toBeCloseTo(0.392, 3);
    expect(
      read('Soup\n1 (14.5 oz) can diced tomatoes with green chiles\n1 cup barley\n\nBoil everything.', 'us').lines.map(
        ({ id }) => id,
      ),
    ).toEqual(['canned-tomatoes', 'pearl-barley']);
  });

  it('“both” are the two that were cut; “out with” takes out; “10m” are minutes; in water it is only kept white', () => {
    const { facts } = read(
      `${START}2 leeks\n2 bay leaves\nPeel the parsnips and keep them in water with a squeeze of lemon. Slice the leeks and onion and sweat both in the butter 10m on low. Add the parsnips, bay and stock; simmer 20m. Out with the bay.`,
    );
    expect(facts).toEqual([
      jasmine.stringMatching(/^add (?:leek onion|onion leek) butter$/),
      'sweat min=10',
      'add parsnip bay chicken-stock',
      'simmer min=20',
      'takeOut bay',
    ]);
  });

  it('a list out of a recipe program: who made it, its heads and rules are none of the foods', () => {
    const { lines, unread } = read(
      'CARROT SOUP\nRecipe By: staff kitchen  Yield: 3 quarts\n\nAmount  Measure  Ingredient -- Preparation Method\n--------  ------------  --------------------------------\n  4      tablespoons  butter\n  2      medium  onions -- chopped\n  8      cups  chicken stock\n\nSaute the onions in the butter 10 minutes. Add the stock.',
      'us',
    );
    expect(unread).toEqual([]);
    expect(lines.map(({ id }) => id)).toEqual(['butter', 'onion', 'chicken-stock']);
  });

  it('“Garnish:” among the foods is a list and no work; a heading in capitals is none of the foods; keycaps count steps', () => {
    const { lines, facts } = read(
      'Soup\n500 g parsnips\n1 litre water\nGarnish: crème fraîche, chives\n\nPESTO\n50 g hazelnuts\n100 ml rapeseed oil\n\n1️⃣ Boil the parsnips in the water for 20 minutes.\n2️⃣ Blend until smooth.',
    );
    expect(lines.map(({ id, role }) => [id, role]).slice(2, 4)).toEqual([
      ['creme-fraiche', 'garnish'],
      ['chives', 'garnish'],
    ]);
    expect(lines.some(({ id }) => id === 'pesto')).toBeFalse();
    expect(facts.at(-1)).toBe('blend');
  });

  it('what is blended under a heading of its own goes on top where it is served with', () => {
    const text =
      'Parsnip soup\n\nSOUP\n500 g parsnips\n1 litre vegetable stock\n\nPESTO\n50 g toasted hazelnuts\n1/2 garlic clove\n100 ml rapeseed oil\n\n1) SOUP: Simmer the parsnips in the stock 20m. Blend.\n2) PESTO: blitz everything to a rough paste.\n3) Serve soup w/ pesto on top.';
    const { facts } = read(text);
    expect(facts.slice(-3)).toEqual(['add hazelnuts garlic rapeseed-oil', 'blend', 'garnish']);
    const { reading } = readCorpus({ text, country: 'gb' });
    const { soup } = reading.tree;
    const blended = soup.root.steps.filter(({ op }) => op === 'blend').length;
    expect(blended).withContext('the pesto is not blended into the pot').toBe(1);
    expect(JSON.stringify(soup.root.steps.filter(({ op }) => op === 'add'))).not.toContain('hazelnuts');
  });

  it('brought to pressure, the minutes behind are under it; just below the boil is no boil', () => {
    const { facts } = read(
      `${START}150 ml single cream\nSweat the onion in the butter for 5 minutes. Add the parsnips and stock. Close, bring to high pressure and cook for 6 minutes. Fast release. Blend. Add the cream and bring back to just below the boil.`,
    );
    expect(facts.slice(-4)).toEqual(['pressure min=6', 'blend', 'cream single-cream', 'warm']);
  });

  it('what goes in for the last minutes of a simmer parts it; the minutes stay as many', () => {
    const reading = readCorpus({ text: `${START}2 g thyme\n${COOK} Add the thyme for the last 5 minutes. Blend.`, country: 'gb' });
    expect(factsOf(reading).map(({ does }) => does)).toEqual(['add', 'sweat', 'add', 'simmer', 'add', 'blend']);
    const simmers = walk(reading.reading.tree.soup.root).flatMap(({ step }) => (step.op === 'simmer' ? [step.minutes] : []));
    expect(simmers).toEqual([15, 5]);
  });

  it('bread is buttered and fried beside the soup, not the soup', () => {
    const { facts } = read(
      `${START}4 slices white bread\n60 g cheddar\n${COOK} Blend. Croutons: Butter the bread with the last of the butter, sandwich with the cheese and fry 3 minutes per side until golden.`,
    );
    expect(facts).toContain('fry min=3');
    expect(facts.some((fact) => fact.startsWith('fryPuree'))).toBe(false);
  });

  it('hocks are covered, lifted, picked, and go back in, however far behind', () => {
    const { facts, unread } = read(
      'Pea & ham (20 portions)\nSplit peas 1 kg\nHam hocks 3 (about 3 kg)\nOnions 500 g\nButter 50 g\nBay 2\nWater 6 l\n\nSoak peas overnight. Drain.\nCover hocks with the water, add bay. Bring up, skim. Simmer 2 hrs. Lift hocks out, cool, pick meat; discard skin & bone.\nSweat onion in butter 15 min in the same pot. Peas in. Simmer 1 hr 15, stirring now and then.\nBlend two-thirds and mix back. Meat back in. Pepper. Simmer 5 min.',
    );
    expect(unread).toEqual([]);
    expect(facts.slice(0, 2)).toEqual(['add cooked-ham', 'cover water']);
    expect(facts).toContain('keep cooked-ham');
    expect(facts).toContain('giveBack cooked-ham');
    expect(facts).toContain('simmer min=75');
  });

  it('each goes through the sieve; kitchen notes name the oven and the time; part of the cream stands before the spoon', () => {
    const { facts } = read(
      `${START}200 ml whipping cream\n${COOK} Add 150 ml of the cream. Blend in two goes, passing each through a fine sieve. Lightly whip the remaining cream and spoon on top.`,
    );
    expect(facts.slice(-4)).toEqual(
      ['cream whipping-cream share=0.75', 'blend blender=jug', 'sieve', 'garnish whipping-cream share=0.25'].map((one) =>
        one.replace(/ share=0.\d+$/, ''),
      ),
    );
    const notes = read(
      'Soup\n1 kg beetroot\n1 l water\n– Wrap beets whole in foil, oven 180 fan, 1 hr 30 till a knife slides in.\n– Water in. Boil. Blend.',
    );
    expect(notes.facts.slice(0, 2)).toEqual(['add beetroot', 'roast min=90 oven=200']);
  });
});
