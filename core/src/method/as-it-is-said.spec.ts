import { readCorpus } from '../../spec/method-corpus.js';
import { expectInOrder, saidOf } from '../../spec/method-said.js';

const LINES =
  '1 kg parsnips, chopped\n2 onions, sliced\n2 leeks, sliced\n3 cloves garlic\n50 ml rapeseed oil\n60 g butter\n1 tbsp curry powder\n1 tsp turmeric\n2 litres vegetable stock\n150 ml double cream\n400 ml tin coconut milk\njuice of 1 lime\n2 tsp fish sauce\n6 rashers streaky bacon\n2 slices sourdough\n1 bunch coriander\n1 red chilli\n';

/** What is written, what must be read in this order, what must not be. */
const CASES: readonly (readonly [method: string, wanted: readonly string[], never?: RegExp])[] = [
  ['Onions and butter, sweat 10 min. Stock, simmer 20. Blitz, cream. ', ['blend', 'cream double-cream']],
  [
    "Sweat onions (butter, lid on, 10'). + curry powder, turm. 1'. + parsnips, stock. Simmer 25' -> blend. + cream.",
    [
      "sweat 10'",
      'add curry-powder turmeric',
      "bloom 1'",
      'add parsnip vegetable-stock',
      "simmer 25'",
      'blend',
      'cream double-cream',
    ],
  ],
  [
    'Half the parsnips: roast in oil 200/25. Add stock, simmer 5 min, blend.',
    ['add parsnip rapeseed-oil @Tray', "roast 25' @Tray"],
  ],
  [
    'Parsnips and onions all roasted at 190 with the oil for 40 mins. Into the pot with the stock. Bubble for 10. Stick blender.',
    ["roast 40' @Tray", 'join parsnip onion rapeseed-oil', 'add vegetable-stock', "simmer 10'", 'blend'],
  ],
  [
    'Soften the onions in butter 8 min. Add stock, coriander stalks and parsnips, simmer 20 min (25ish if old), then remove the coriander stalks. Blend. Serve with coriander leaves.',
    ['takeOut coriander', 'blend', 'garnish coriander'],
    /^keep coriander/,
  ],
  [
    'Chop the bacon and fry until crisp in a large pan; scoop out half and keep for the top. Add leeks to the pan and soften 10 min. Pour in stock; simmer 20 min. Blend. Top with the reserved bacon.',
    ['add bacon', 'keep bacon', 'add leek', 'blend', 'garnish bacon'],
  ],
  [
    'Cook the bacon in a pan until crisp, then crumble. Sweat the leeks in the bacon fat with the butter. Add stock, simmer 20 min, blend. Scatter the bacon over.',
    ['add bacon', 'keep bacon', 'add leek butter', 'blend', 'garnish bacon'],
    /^add bacon leek|^add leek.*bacon/,
  ],
  [
    'First, make the croutons. Tear the bread, toss in the oil with the garlic, and bake for 12 minutes at 200C. Set aside. Sweat the leeks in the butter for 8 min. Add the parsnips and stock. Simmer 25 min. Blend.',
    ["roast 12' @Tray", 'add leek butter', "sweat 8'", 'add parsnip vegetable-stock', 'blend'],
  ],
  [
    'Boil the parsnips in the stock 20 min. Blend. Reserve 2 tbsp of the coconut milk; stir the rest into the soup with the lime juice and fish sauce. Serve drizzled with the coconut milk.',
    ['keep coconut-milk', 'cream coconut-milk', 'add lime-juice fish-sauce', 'garnish coconut-milk'],
    /^add .*(?:sourdough|chilli)/,
  ],
  [
    'Boil the parsnips and leeks in the stock 20 minutes until tender. Transfer the vegetables to a blender with a slotted spoon, along with 1 cup of the liquid. Blend until smooth.',
    ["simmer 20'", 'blend'],
    /garlic/,
  ],
  [
    'Drizzle the bread with oil, grill both sides, rub with a cut clove of garlic. Fry the onions and remaining garlic, 5 minutes; add parsnips and stock; simmer 20 minutes; blend. Serve with the toast.',
    ['add garlic @Tray', 'add onion garlic', "fry 5'", 'add parsnip vegetable-stock', 'blend', 'garnish sourdough'],
    /^join/,
  ],
  [
    'Chop onions and garlic 5 sec. Add oil, sauté 3 min. Add parsnips and stock, cook 18 min. Blend 1 min. Add cream, 2 min/80°C.',
    [
      'add rapeseed-oil',
      'add onion garlic',
      "fry 3'",
      'add parsnip vegetable-stock',
      "simmer 18'",
      "blend 1'",
      'cream double-cream',
      "warm 2'",
    ],
  ],
  [
    'Put the parsnips in a pot with the stock and top up with water so it’s just covered. Boil 20 minutes. Blend.',
    ['add parsnip vegetable-stock', 'cover water', "simmer 20'"],
  ],
  ['Boil the parsnips in the stock 20 min. Blend. Lime juice, fish sauce, taste.', ['blend', 'add lime-juice fish-sauce']],
  [
    'In a large stockpot over medium-high heat, combine parsnips, onions and stock and bring to a boil. Simmer 20 minutes. Blend.',
    ['add parsnip onion vegetable-stock', 'boil', "simmer 20'", 'blend'],
    /^warm/,
  ],
  [
    'Onions in with the oil, 8 min. When you can smell the curry powder, in with the parsnips and stock. Let it come up to a simmer and cook for 25 minutes or so. Blend.',
    ['add parsnip vegetable-stock', 'boil', "simmer 25'", 'blend'],
    /^simmer 20/,
  ],
  [
    'Line two sheet pans. Divide the parsnips and onions between the pans, slick with the oil and roast at 200C for 40 minutes. Scrape everything else from the pans into a pot, juices and all. Pour over the stock, simmer 10 minutes, blend.',
    [
      'add parsnip onion @Tray',
      'add rapeseed-oil @Tray',
      "roast 40' @Tray",
      'join parsnip onion rapeseed-oil',
      'add vegetable-stock',
      "simmer 10'",
      'blend',
    ],
    /lime-juice/,
  ],
  [
    'Heat the oil in a deep pan. Tip in the turmeric and let it crackle for 30 seconds, then add the onions and cook slowly for 15 minutes. Add the parsnips and stock, simmer with a lid half on for 20 mins. Blend.',
    ['add turmeric', "bloom 0.5'", 'add onion', "sweat 15'", 'add parsnip vegetable-stock', "simmer 20'", 'blend'],
    /half-and-half|^rest/,
  ],
  [
    'Melt half the butter and brown the leeks in two batches, about 6 minutes a batch, setting each aside on a plate. Soften the onions in the remaining butter for 4 minutes. Return the leeks with the stock. Simmer 20 min. Blend.',
    [
      'add leek',
      "fry 6'",
      'add onion butter @Pot 2',
      "sweat 4' @Pot 2",
      'join butter leek @Pot 2',
      'add vegetable-stock @Pot 2',
      "simmer 20' @Pot 2",
      'blend @Pot 2',
    ],
    /onion.*leek|leek.*onion/,
  ],
  [
    'Boil the parsnips in the stock 20 minutes. Transfer two-thirds of the soup to a blender and run until smooth; stir it back into the pot.',
    ["simmer 20'", 'blend'],
  ],
  [
    'Sweat the onions in the butter, 3 mins. Add the parsnips and stock and cook 20 mins. Straight into the blender, then through a sieve back into the rinsed pan.',
    ["sweat 3'", "simmer 20'", 'blend', 'sieve'],
    /^drain/,
  ],
  [
    'Keep a handful of the parsnips to one side; toss what’s left with the oil and the curry powder and roast 25 minutes at 200C. Melt the butter in a saucepan and add the onions. Lid on, low heat, 10 mins – you want them meltingly soft. Scrape the roasted parsnips in, stock over, simmer for 5 minutes. Blend.',
    [
      'add parsnip rapeseed-oil curry-powder @Tray',
      "roast 25' @Tray",
      'add onion',
      "sweat 10'",
      'add vegetable-stock',
      "simmer 5'",
      'blend',
    ],
    /^add parsnip vegetable/,
  ],
  [
    'Soften the onions in the butter 8 min. Add the curry powder and mash it around for a minute. Add parsnips and stock, simmer 20 min.',
    ["sweat 8'", 'add curry-powder', "bloom 1'", 'add parsnip vegetable-stock', "simmer 20'"],
    /^blend/,
  ],
  [
    'Set a heavy pan over a low flame with the butter. When it foams, leeks in, lid on. Leave them be for 12 mins, giving the pan a shake now and again. Stock next; simmer 20 min. Whizz it till there isn’t a lump left, then through the fine sieve for company. Don’t let it boil again. Coriander.',
    ['add leek', "sweat 12'", 'add vegetable-stock', "simmer 20'", 'blend', 'sieve', 'garnish coriander'],
    /^rest/,
  ],
  [
    'Roast one third of the parsnips in the oil, 200C 35 min. Sweat the onions in the butter, 10 min. Add raw parsnip, stock. Simmer 20 min. Roast parsnip in. Blend 3 min.',
    [
      'add parsnip rapeseed-oil @Tray',
      "roast 35' @Tray",
      'add parsnip vegetable-stock',
      "simmer 20'",
      'join parsnip rapeseed-oil',
      "blend 3'",
    ],
  ],
  [
    'Poke the parsnips all over with a fork and bake right on the oven rack at 200C for 50 minutes. Let the fish sauce in and boil until nearly gone. Slick the bottom of a Dutch oven with the oil, add the onions, soften 8 minutes. Squish in the parsnips, pour over the stock, simmer 10 minutes. Blend.',
    ['add parsnip @Tray', "roast 50' @Tray", 'add onion', "sweat 8'", 'add vegetable-stock', "simmer 10'", 'blend'],
  ],
  [
    'Wrap the parsnips in foil and bake at 190C for an hour and a half. Cool, then rub away the skins with your thumbs and cut into chunks. Sweat the onions in the butter for 10 minutes. Add the parsnips and the stock, simmer 15. Blend.',
    ["roast 90' @Foil parcel", 'peel parsnip @Foil parcel', "sweat 10'", "simmer 15'", 'blend'],
  ],
  [
    'Chop the parsnips. Set 1 cup aside. Sweat the onions in the butter 8 min. Add the parsnips and stock and simmer 20 min. Blend. Melt the oil in a skillet; add the reserved parsnips and the curry powder; fry 4 minutes. Spoon over the soup.',
    ['keep parsnip', "sweat 8'", 'add parsnip vegetable-stock', 'blend', 'add parsnip curry-powder @Pan', "fry 4' @Pan"],
  ],
  [
    'Slice the onions and put to one side. Boil the parsnips in the stock 12 mins. Throw the onions in and give them 4 more. Blend.',
    ["simmer 12'", 'add onion', "simmer 4'", 'blend'],
    /^add onion(?! *$)/,
  ],
];

describe('a method as it is said and noted', () => {
  for (const [method, wanted, never] of CASES) {
    it(method.slice(0, 90), () => {
      const { said } = saidOf(method, LINES);
      expectInOrder(said, wanted, never);
    });
  }

  it('the topping of croutons takes none of the soup along', () => {
    const { steps } = saidOf(CASES[7]?.[0] ?? '', LINES);
    expect(steps.map(({ op }) => op)).toEqual(jasmine.arrayContaining(['sweat', 'simmer', 'blend']));
    expect(steps.some(({ op }) => op === 'roast')).toBeFalse();
  });

  it('what of the liquid is kept is marked where nobody says how much', () => {
    const { actions } = saidOf('Boil the parsnips in the stock for 20 minutes. Drain, reserving the stock. Blend.', LINES);
    expect(actions.find(({ does }) => does === 'drain')?.assumed).toEqual(['SHARE']);
  });

  it('three and a half litres of four is what goes in, and the rest thins', () => {
    const { actions } = saidOf(
      'Boil the parsnips in one and a half litres of the stock for 20 minutes. Blend. Let down with the remaining stock until it is the thickness of single cream.',
      LINES,
    );
    expect(actions.find(({ does }) => does === 'add')?.lines.find(({ line }) => line === 'vegetable-stock')?.share).toBeCloseTo(
      0.75,
      2,
    );
    expect(actions.some(({ does }) => does === 'thin')).toBeTrue();
  });

  it('told as one talks: they need so long in the oven, the onion is got going, the stick blender at the end', () => {
    const { said } = saidOf(
      'Oven on at 200C. Wedges of pumpkin onto a tray, brushed with half the oil; they need 50 minutes or so, and want to be really soft. While they are in, get the onion going in the rest of the oil over a low flame with the lid on. After a quarter of an hour it should be melting; the garlic joins it now, for just a minute. Scoop the flesh off the skins straight into the onion pot and pour on the stock. Ten minutes at a gentle blip, then the stick blender.',
      '1 kg pumpkin, in wedges\n2 tbsp olive oil\n1 onion, sliced\n2 garlic cloves\n1 litre chicken stock',
    );
    expect(said).toEqual([
      'add pumpkin olive-oil @Tray',
      "roast 50' @Tray",
      'add onion olive-oil',
      "sweat 15'",
      'add garlic',
      "bloom 1'",
      'peel pumpkin onion',
      'join pumpkin olive-oil',
      'add chicken-stock',
      "simmer 10'",
      'blend',
    ]);
  });

  it('what is crisped and laid on paper is kept by, however its fat is spoken of', () => {
    for (const way of [
      'Transfer to paper towels.',
      'Transfer to paper towels, leaving 1 tablespoon drippings in the pot.',
      'Transfer bacon to paper towels, reserving drippings in pot.',
      'Lift out onto kitchen paper, leaving the fat behind.',
      'Drain on paper towels; discard all but 1 tablespoon drippings.',
      'Remove to a paper-towel-lined plate, leaving the drippings.',
    ]) {
      const { actions } = saidOf(
        `Cook bacon in a Dutch oven until crisp, 6 to 8 minutes. ${way} Add onion; cook 5 minutes. Add potatoes and broth; simmer 15 minutes. Blend. Top with bacon.`,
        '4 slices bacon, chopped\n1 onion, diced\n2 lb potatoes, cubed\n4 cups chicken broth',
        'us',
      );
      const kept = actions.find(({ does }) => does === 'keep');
      expect(kept?.lines.map(({ line }) => line))
        .withContext(way)
        .toEqual(['bacon']);
      expect(actions.at(-1)?.does).withContext(way).toBe('garnish');
    }
  });

  it('half of a tray goes in, the rest of it stays by and comes back when it is spoken of', () => {
    for (const [into, back] of [
      [
        'Tip half of the roast veg into a pan with the stock',
        'Chop the rest of the veg into small dice and stir through the soup.',
      ],
      ['Put half of the vegetables in a pan with the stock', 'Add the remaining vegetables.'],
      ['Add half the roasted vegetables to a pan with the stock', 'Stir the reserved vegetables through.'],
    ] as const) {
      const { said, steps } = saidOf(
        `Roast the carrots and parsnips in the oil on a tray at 200C for 35 minutes. ${into}. Simmer for 5 minutes. Blend. ${back}`,
        '600 g carrots\n2 parsnips\n2 tbsp rapeseed oil\n900 ml vegetable stock',
      );
      expect(said.filter((one) => /^(?:keep|blend|giveBack)/.test(one)))
        .withContext(into)
        .toEqual(['keep carrot parsnip @Tray', 'blend', 'giveBack carrot parsnip']);
      expect(steps.filter(({ op }) => op === 'takeOut'))
        .withContext(into)
        .toEqual([jasmine.objectContaining({ lines: ['carrot', 'parsnip'], share: 0.5, keep: true })]);
      expect(steps.filter(({ op }) => op === 'giveBack').length)
        .withContext(back)
        .toBe(1);
    }
  });

  it('what is dipped into boiling water to be skinned brings no water into the soup', () => {
    for (const way of [
      'Score a cross in the base of each tomato, drop into boiling water for 30 seconds, then refresh in cold water. Peel and quarter.',
      'Cover the tomatoes with boiling water for a minute, then drain and slip off the skins.',
      'Put the tomatoes in a bowl, pour boiling water over and leave for 1 minute. Peel and chop.',
      'Plunge the tomatoes into a pan of boiling water for 1 minute. Peel.',
    ]) {
      const { actions, steps } = saidOf(
        `${way} Soften the onion in the oil for 10 minutes. Add the tomatoes and stock and simmer for 25 minutes. Blend.`,
        '1 kg ripe tomatoes\n1 onion, chopped\n2 tbsp olive oil\n500 ml vegetable stock',
      );
      expect(actions.flatMap(({ lines }) => lines).filter(({ line }) => line.startsWith('water')))
        .withContext(way)
        .toEqual([]);
      expect(steps.filter(({ op }) => op === 'sweat' || op === 'fry' || op === 'simmer').length)
        .withContext(way)
        .toBe(2);
    }
  });

  it('lines: a fruit whose zest or juice is named behind it is no whole fruit', () => {
    const rows = (line: string): (string | number)[][] =>
      readCorpus({ country: 'gb', text: `Soup\nServes 4\n1 kg swede\n${line}\nBoil the swede.` })
        .taken.filter(({ row }) => row.id !== 'swede')
        .map(({ row: { id }, kg }) => [id, Math.round(kg * 1000)]);
    for (const line of ['1 orange, zest of', '1 orange (zest)', '1 lemon, grated zest of', 'lemon, finely grated zest of 1'])
      expect(rows(line))
        .withContext(line)
        .toEqual([['lemon-zest', 6]]);
    for (const line of ['1 lemon (juice)', '1 lemon, juice only', '1 lemon, juice of'])
      expect(rows(line))
        .withContext(line)
        .toEqual([['lemon-juice', 47]]);
    expect(rows('2 limes, juice of')).toEqual([['lime-juice', 88]]);
  });

  it('lines: weights in brackets behind “about”, unwaxed lemons, fl-oz, a knob of so many inches that is grated', () => {
    const { taken, unread } = readCorpus({
      country: 'gb',
      text: 'Soup\nServes 4\n1 (about 1.5kg) crown prince squash\nthe zest and juice of an unwaxed lemon\n2 (13.5-fl-oz) cans coconut milk\na 2-inch piece of root ginger, grated\n1 slice of bread, toasted, to finish\nBoil the squash.',
    });
    expect(unread).toEqual([]);
    expect(taken.map(({ row: { id }, kg }) => [id, Math.round(kg * 1000)])).toEqual([
      ['kabocha', 1500],
      ['lemon-juice', 47],
      ['lemon-zest', 6],
      ['coconut-milk', 767],
      ['ginger', 22],
      ['white-bread', 30],
    ]);
    expect(taken.find(({ row }) => row.id === 'ginger')?.cut?.name).toBe('minced');
    expect(taken.at(-1)?.role).toBe('garnish');
  });

  it('a pesto is blended beside the soup before it, and the cook is back at the soup', () => {
    const { said, steps } = saidOf(
      'Simmer the parsnips in the stock for 20 minutes.\nMeanwhile, for the pesto, roast the hazelnuts at 160C for 12 minutes. Pulse in a food processor with the coriander. Trickle in the oil.\nBlend the soup with the cream. Serve with the pesto.',
      '1 kg parsnips\n2 litres vegetable stock\n150 ml double cream\n\nFor the hazelnut pesto\n60 g hazelnuts\n30 g coriander\n100 ml rapeseed oil\n',
    );
    expect(said.slice(-3)).toEqual(['cream double-cream', 'blend', 'garnish']);
    expect(steps.filter(({ op }) => op === 'blend').length).toBe(1);
    expect(steps.some(({ op }) => op === 'roast')).toBeFalse();
  });

  it('three quarters of what is on the tray goes in, a quarter is left for the top', () => {
    const { steps, said } = saidOf(
      'Roast the aubergines at 200C for 40 minutes. Simmer the onions and three-quarters of the aubergine in the stock for 20 mins. Whizz. Chop the remaining aubergine and mix with the yoghurt and tahini. Serve with a spoonful of the aubergine yoghurt in each bowl.',
      '2 aubergines\n2 onions\n1 litre vegetable stock\n150 g yoghurt\n1 tbsp tahini\n',
    );
    expect(steps.find(({ op }) => op === 'takeOut')).toEqual(
      jasmine.objectContaining({ lines: ['aubergine'], share: 0.25, keep: true }),
    );
    expect(said).toContain('add yoghurt tahini @Bowl');
  });

  it('vinegar that is boiled away is poured on the bottom of the pan, and what follows the ladling is on top', () => {
    const { said } = saidOf(
      'Sweat the onions in the butter 10 min. Add the vinegar and reduce until dry. Add the parsnips and stock, simmer 15 min. Blend. Reheat gently and ladle into warm bowls. Add a teaspoon of cream and a few coriander leaves.',
      `${LINES}50 ml white wine vinegar\n`,
    );
    expect(said).toContain("deglaze white-wine-vinegar 2'");
    expect(said.some((one) => one.startsWith('reduce'))).toBeFalse();
    expect(said.at(-1)).toBe('garnish double-cream coriander');
  });

  it('florets that are blanched beside it leave the soup in its pot; an hour to an hour and a quarter is both', () => {
    const { said } = saidOf(
      'Simmer the broccoli, onions and leeks in the stock for 1 hr – 1 hr 15. While the soup simmers, blanch the reserved florets of broccoli in salted water 1 minute, drain. Puree the soup.',
      `${LINES}500 g broccoli\n`,
    );
    expect(said).toContain("simmer 67.5'");
    expect(said.at(-1)).toBe('blend');
  });

  it('stars and counts of a page are no food', () => {
    const { taken, unread } = readCorpus({
      country: 'gb',
      text: 'Leek soup\nServes 4\n1 kg leeks\nBoil the leeks 20 min.\n4.8 stars from 120 reviews',
    });
    expect(taken.length).toBe(1);
    expect(unread).toEqual([]);
  });

  it('told as a letter, with what is wanted first and the work behind it', () => {
    const { taken, reading } = readCorpus({
      country: 'gb',
      text: 'Pea and ham, as she did it\nYou want a ham shank, about 2lb, soaked overnight. Half a pound of split peas, also soaked. Two onions, three carrots and a couple of sticks of celery, all chopped up. Put the shank in your biggest pan with 4 pints of cold water and a bay leaf and bring it up slowly. Let it tick over for an hour and a half. Lift the shank out and leave it till you can handle it. Drain the peas and put them in the pan with the veg, and simmer for an hour. Take out the bay leaf. Blend. Pull the ham off the bone, chop it and put it back.',
    });
    expect(taken.map(({ row }) => row.id)).toEqual(['cooked-ham', 'split-peas', 'onion', 'carrot', 'celery', 'water', 'bay']);
    const doings = reading.actions.map(({ does, lines }) => [does, ...lines.map(({ line }) => line)].join(' '));
    expect(doings).toContain('keep cooked-ham');
    expect(doings).toContain('add split-peas onion carrot celery');
    expect(doings.at(-1)).toBe('giveBack cooked-ham');
  });

  it('“all exc. oil” of a kitchen sheet leaves the oil out, and its short names are foods', () => {
    const { said } = saidOf(
      'Blitz all exc. oil 2 min hi. Pass. Emulsify oil in w/ stick.',
      'cuke 1.5kg\nGreek yoghurt 500g\nEVOO 60ml\nice water 200ml\n',
    );
    expect(said[0]).toBe('add cucumber greek-yoghurt water');
  });

  it('how many it feeds, at the end or before it begins', () => {
    for (const [text, bowls] of [
      ['Soup\n1 kg leeks\nBoil the leeks. It feeds eight with seconds.', 8],
      ['Soup\n1 kg leeks\nBoil the leeks. 5 generous servings.', 5],
      ['Leek soup – for a buffet of 24 (150ml cups)\n1 kg leeks\nBoil the leeks.', 24],
      ['Cream of leek (school kitchen, 120 x 150 ml)\n10 kg leeks\nBoil the leeks.', 120],
      ['LEEK SOUP\nNo. of portions: 40   Portion size: 200ml\n10 kg leeks\nBoil the leeks.', 40],
      ['Leek soup\n4 big bowls\n1 kg leeks\nBoil the leeks.', 4],
      ['LEEK SOUP\nBatch: 20 L / 80 ptn x 250 ml\n10 kg leeks\nBoil the leeks.', 80],
    ] as const) {
      const { reading } = readCorpus({ text, country: 'gb' });
      expect(reading.tree.soup.writtenFor.bowls).withContext(text).toBe(bowls);
    }
  });
});
