import { expectInOrder, saidOf } from '../../spec/method-said.js';
import { readCorpus } from '../../spec/method-corpus.js';
import type { Country } from '../amounts/index.js';

interface Habit {
  readonly what: string;
  readonly country?: Country;
  readonly lines: string;
  readonly method: string;
  /** What must be read, in this order, other things between. */
  readonly wanted: readonly string[];
  readonly never?: RegExp;
}

const ROOTS =
  '1 kg parsnips\n2 onions\n1 leek\n50 g butter\n2 tbsp rapeseed oil\n1 litre vegetable stock\n150 ml double cream\n1 bunch chives\n';

/** Ways of telling that were read wrong once, each with its own list. */
const HABITS: readonly Habit[] = [
  {
    what: 'a title over the method puts nothing in the pot; clipped names are foods',
    lines: ROOTS,
    method:
      'Parsnip soup 60 covers\n- Sweat onion + leek in butter, 12 min.\n- Snips in, lid, 10 min.\n- Stock. Boil. Simmer 25.\n- Blitz.',
    wanted: ['add onion leek butter', "sweat 12'", 'add parsnip', "sweat 10'", 'add vegetable-stock', "simmer 25'", 'blend'],
  },
  {
    what: 'what it is called stands before the first thing to do; in they go, and in goes the cream',
    lines: ROOTS,
    method:
      'Gran’s parsnip and leek: melt the butter in the big pot, chop the leek and onion and throw them in. Let them sweat on a low heat with the lid on for 10 mins. Chop up the parsnips and in they go too, another 5 mins with the lid on. Pour in the stock, simmer 20 mins. Then in goes the cream and give it a good blast with the hand blender. Finish with a knob of butter, and a few chives on top.',
    wanted: [
      'add butter',
      'add leek onion',
      "sweat 10'",
      'add parsnip',
      "sweat 5'",
      'add vegetable-stock',
      "simmer 20'",
      'cream double-cream',
      'blend',
      'garnish chives',
    ],
  },
  {
    what: 'a pepper between vegetables is one; what is poured into a blender is blended, whatever it is called',
    country: 'us',
    lines:
      '2 pounds tomatoes, halved\n1 red bell pepper\n1 onion\n6 cloves garlic\n1/4 cup olive oil\n2 cups chicken broth\nsalt and pepper\n',
    method:
      'Put tomatoes, pepper, onion and garlic on a sheet pan. Pour the oil over, season with salt and pepper. Slide into a 400 degree oven for 40 minutes. Scrape everything on the pan into a blender. Add the broth. Start on low and work up to high; let it go for a full 2 minutes. Pour through a mesh strainer into a saucepan.',
    wanted: ['add tomato red-pepper onion garlic @Tray', "roast 40' @Tray", 'add chicken-stock-carton', "blend 2'", 'sieve'],
    never: /^simmer|^drain/,
  },
  {
    what: 'poured into a blender and through a sieve, with no word for the blade between',
    lines: ROOTS,
    method: 'Simmer the parsnips and onions in the stock 20 min. Tip into a blender with the cream. Pass through a sieve.',
    wanted: ["simmer 20'", 'cream double-cream', 'blend', 'sieve'],
  },
  {
    what: 'whistles of a pressure cooker are minutes; a tempering goes into the pot, and so does what follows',
    lines:
      '1 cup red lentils\n1 onion\n2 tomatoes\n4 cups water\n1 tbsp ghee\n1 tsp cumin seeds\njuice of 1 lemon\nfew coriander leaves\n',
    method:
      'Add the dal, tomatoes, onion and water to a pressure cooker. Close the lid and cook for 3 whistles. Let the pressure drop. Blend to a smooth puree. Heat the ghee in a small pan, add the cumin seeds. Pour this tempering over the soup. Squeeze in the lemon juice, garnish with coriander leaves.',
    wanted: ['add lentils tomato onion water', "pressure 12'", 'blend', 'join ghee cumin', 'add lemon-juice', 'garnish coriander'],
  },
  {
    what: 'nuts toasted meanwhile are done, and what comes next goes into the pot',
    lines: ROOTS + '1 Bramley apple\n30 g hazelnuts\n1 bay leaf\n',
    method:
      'Sweat the onions and parsnips in the butter in a heavy pan for 15 minutes. Meanwhile toast the hazelnuts in a dry frying pan until they smell nutty, then crush roughly. Peel and dice the apple, add that with the bay. In with the stock; simmer for 20 minutes. Fish out the bay. Liquidise. Serve with the hazelnuts.',
    wanted: [
      "sweat 15'",
      'add hazelnuts @Pan',
      'add apple bay',
      'add vegetable-stock',
      "simmer 20'",
      'takeOut bay',
      'blend',
      'garnish hazelnuts',
    ],
  },
  {
    what: 'butter in the pan takes no potato along; a lid is no remark; three minutes are cooked, and colour is not kept in a fridge',
    lines:
      '500 g frozen peas\n1 bunch spring onions\n1 potato\n25 g butter\n800 ml vegetable stock\n1 bunch mint\n100 ml double cream\n',
    method:
      'Slice the spring onions; peel & dice the potato.\nButter in pan, med heat. Onions 3 mins. Spud, stock. Lid. 10 mins.\nPeas in; back to boil; 3 mins max (keep colour!).\nMint leaves (not stalks), blitz at once.\nHalf the cream into the soup, the other half swirled on top.',
    wanted: [
      'add butter',
      'add spring-onion',
      "sweat 3'",
      'add potato vegetable-stock',
      "simmer 10'",
      'add peas',
      "simmer 3'",
      'add mint',
      'blend',
      'cream double-cream',
      'garnish double-cream',
    ],
    never: /^store|^add potato butter/,
  },
  {
    what: 'the heat is cranked to a boil and backed down; soft and just beginning to colour, so many minutes',
    country: 'us',
    lines: '2 lbs carrots\n1 onion\n3 tbsp butter\n4 cups chicken broth\n',
    method:
      'Melt the butter, add the onion and cook until softened and just beginning to take on color, 10–12 minutes. Carrots and broth follow. Crank the heat to get a boil, then back it down so it barely bubbles, lid cracked, for half an hour. Purée till smooth.',
    wanted: ['add butter', 'add onion', "sweat 11'", 'add carrot chicken-stock-carton', 'boil', "simmer 30'", 'blend'],
  },
  {
    what: 'what is wrapped is sat among the rest without resting; the seeds that are kept are no spice',
    lines:
      '1.2kg butternut squash\n2 red onions\n1 whole garlic bulb\n4 tbsp olive oil\n2 tsp cumin seeds\n1 litre vegetable stock\n',
    method:
      'Halve the squash, scoop out the seeds (keep them!). Chuck onto a roasting tray with the onions. Wrap the garlic in foil and sit it in among the veg. Slosh over 3 tbsp of the oil, scatter with the cumin. Into the oven at 200C for 50 mins. Rinse the squash seeds and pat dry. Squeeze the garlic into a large pan, add all the veg and the stock. Simmer 5 mins, then blitz. Top with the toasted seeds.',
    wanted: [
      'add butternut red-onion @Tray',
      'add olive-oil @Tray',
      'add cumin @Tray',
      "roast 50' @Tray",
      'add vegetable-stock',
      'blend',
    ],
    never: /^rest|garnish cumin/,
  },
  {
    what: 'a rind is plucked out; a pot of soup does not follow a clove of garlic into the pan of the toast',
    country: 'us',
    lines:
      '1 bunch kale\n1 fennel bulb\n5 garlic cloves\n1/3 cup olive oil\n1 parmesan rind\n5 cups water\n1 can chickpeas, drained\n2 slices country bread\n',
    method:
      'Heat the oil in a Dutch oven. Add fennel, kale and garlic; cook 10 minutes. Add chickpeas, Parmesan rind, and water. Simmer 25 minutes. Pluck out the Parmesan rind. Transfer 2 cups of soup to a blender and blend until smooth; stir back into pot. Meanwhile, toast bread; rub with a garlic clove. Serve with toast.',
    wanted: ['add canned-chickpeas parmesan water', "simmer 25'", 'takeOut parmesan', 'blend', 'add white-bread @Pan'],
    never: /^join/,
  },
  {
    what: 'the herbs that are fished out are all that stand for herbs',
    lines: '500g split peas\n1 onion\n1 bay leaf\nfew sprigs thyme\n2 litres water\n',
    method:
      'Put the split peas, onion, bay and thyme in a stockpot with the water. Simmer for 1½ hours. Fish out the onion and herbs. Blend.',
    wanted: ["simmer 90'", 'takeOut onion bay thyme', 'blend'],
  },
  {
    what: 'a bowl of water with lemon in it is for what would turn brown; what finishes the bowls is on top',
    lines:
      '800g Jerusalem artichokes\n1 lemon\n50g butter\n1 onion\n1 litre chicken stock\n30 g hazelnuts\ntruffle oil, to drizzle\n',
    method:
      'Peel the artichokes and drop them into a bowl of water acidulated with the juice of half the lemon. Melt the butter, add the onion, cook for 12 minutes until soft. Drain and slice the artichokes and add to the pan with the stock. Simmer for 20 minutes. Whizz. Ladle into warm bowls, scatter with the hazelnuts and finish with a few drops of truffle oil.',
    wanted: [
      'prepare jerusalem-artichoke',
      'add butter',
      'add jerusalem-artichoke chicken-stock',
      "simmer 20'",
      'blend',
      'garnish hazelnuts',
      'garnish truffle-oil',
    ],
    never: /^add.*(?:water|lemon)/,
  },
  {
    what: 'a broth of cobs waits by while the same pot is used again, and the kernels are in no broth',
    country: 'us',
    lines: '4 ears corn\n2 tbsp butter\n1 onion\n1 lb potatoes\n4 cups water\n6 slices bacon\n',
    method:
      'Cut the kernels off the cobs. Break the cobs in half and simmer them in the water for 20 minutes. Toss the cobs; save the broth. In the same pot, cook the bacon until crisp. Add butter and the onion; cook 5 minutes. Add the potatoes, all but 1/2 cup of the corn, and the corn broth. Simmer 15 minutes. Blend. Stir in the reserved corn.',
    wanted: [
      'add water',
      "simmer 20'",
      'add bacon @Pot 2',
      'add butter onion @Pot 2',
      'join water @Pot 2',
      'add potato sweetcorn @Pot 2',
      "simmer 15' @Pot 2",
    ],
    never: /^add sweetcorn water/,
  },
  {
    what: 'a title in capitals; a dash before the boil; stalks in for the last minutes of it',
    lines: '6kg carrot\n1.5kg onion\n600g red lentils\n300g butter\n12L veg stock\n200g coriander\n',
    method:
      'CARROT & LENTIL - 80 ptns\n1. Sweat onion in butter 15 mins lidded\n2. Carrots, lentils, stock - boil then simmer 35 mins\n3. Coriander stalks in last 5 mins\n4. Stick blend',
    wanted: ['add onion butter', "sweat 15'", 'add carrot lentils vegetable-stock', 'boil', "simmer 35'", 'add coriander', 'blend'],
  },
  {
    what: 'brought to steaming is not boiled; one blade told twice is one; the flesh of a pumpkin is not its seeds',
    country: 'us',
    lines: '1 large pumpkin (about 4 lb)\n1 onion\n1 tablespoon olive oil\n3 cups chicken broth\n1 cup milk\npumpkin seeds\n',
    method:
      'Place the pumpkin cut-side down on a baking sheet and bake at 375 F for 1 hour. Scoop out the flesh. Sauté the onion in the oil 8 minutes. Stir in the pumpkin flesh and broth. Simmer 15 minutes. Use an immersion blender (or carefully use a countertop blender) and puree. Add milk and bring just to steaming. Sprinkle with seeds.',
    wanted: [
      "roast 60' @Tray",
      'join pumpkin',
      'add chicken-stock-carton',
      "simmer 15'",
      'blend',
      'add milk',
      "warm 3'",
      'garnish pumpkin-seeds',
    ],
    never: /^blend.*blend|^boil$|^add pumpkin-seeds/,
  },
  {
    what: 'tips cut off are blanched by themselves, and the stalks are the rest of them; smooth with the cheese',
    country: 'us',
    lines: '1 lb asparagus\n1 tbsp butter\n1 leek\n5 cups vegetable broth\n1/2 cup grated Parmesan\n',
    method:
      'Cut off the tips of the asparagus and blanch them in boiling salted water for 2 minutes; set aside for garnish. Melt butter, sweat leek 5 minutes. Pour in broth, simmer 15 minutes. Add asparagus stalks; cook 4 minutes more. Blend until smooth with the Parmesan. Garnish with tips.',
    wanted: [
      'add leek @Pan 2',
      'add vegetable-stock @Pan 2',
      'add asparagus @Pan 2',
      "simmer 4' @Pan 2",
      'add parmesan @Pan 2',
      'blend @Pan 2',
      'garnish asparagus',
    ],
    never: /^join/,
  },
  {
    what: 'sweet and sour is no cream; what should be is no condition; chilled if you like is served hot',
    lines: '1kg beetroot\n1 onion\n3 tbsp oil\n1.5l beef stock\n2 tbsp red wine vinegar\n1 tbsp sugar\n150ml soured cream\n',
    method:
      'Soften onion in oil, 10 mins. Beets and stock in, simmer 60. Blitz v smooth. Vinegar, sugar, taste - it should be sweet/sour. Chill if you like. Dollop of soured cream on each.',
    wanted: ["sweat 10'", 'add beetroot beef-stock', "simmer 60'", 'blend', 'add red-wine-vinegar sugar', 'garnish soured-cream'],
    never: /^cream/,
  },
  {
    what: 'nuts that soak are drained and added to the pot of the soup',
    country: 'us',
    lines: '1 cup cashews\n1 lb tomatoes\n1 onion\n3 tbsp olive oil\n3 cups vegetable stock\n',
    method:
      'Cover the cashews with boiling water and let stand 30 minutes. Heat oil in a large pot. Add the onion; cook until lightly browned, 7 min. Add tomatoes and stock; simmer 15 min. Drain the cashews and add. Blend on high 2 to 3 min.',
    wanted: [
      "fry 7' @Pot 2",
      'add tomato vegetable-stock @Pot 2',
      "simmer 15' @Pot 2",
      'drain',
      'add cashews water @Pot 2',
      "blend 2.5' @Pot 2",
    ],
  },
  {
    what: 'what is stirred in but for two spoons leaves two spoons; a lime of which only the juice is taken is that juice',
    country: 'au',
    lines: '750g sweet potato\n400ml coconut milk\n3 cups (750ml) vegetable stock\n1 lime\n',
    method:
      'Place sweet potato, stock and half the coconut milk in a pan. Simmer 15 minutes. Blend. Stir in remaining coconut milk, reserving 2 tbsp. Squeeze over lime juice. Ladle into bowls. Drizzle with reserved coconut milk.',
    wanted: ["simmer 15'", 'blend', 'cream coconut-milk', 'keep coconut-milk', 'add lime-juice', 'garnish coconut-milk'],
  },
  {
    what: 'a few tiny ones put by are cooked for themselves and float on top; prawns are sat on each bowl',
    lines: '2 leeks\n1 small cauliflower\n50g butter\n1 litre stock\n8 king prawns\n',
    method:
      'Cut cauliflower into florets – put a few tiny ones by for later. Sweat leeks in butter 10 mins. Add cauliflower and stock. Simmer 20 mins. Blend. Boil the tiny florets in salted water for 2 mins, drain, and float on top. Fry the prawns in a frying pan 2 mins. Divide between bowls, sit 2 prawns on each.',
    wanted: ['keep cauliflower', 'add cauliflower vegetable-stock', 'blend', 'drain @Pan', 'garnish cauliflower', 'garnish prawns'],
    never: /^rest/,
  },
  {
    what: 'what is crushed by hand is not blended; run through the blender it is; a lid cocked is ajar',
    country: 'us',
    lines: '1 stick butter\n1 big onion\n2 (28 oz) cans whole peeled tomatoes\n1 qt chicken broth\n1 pint half and half\n',
    method:
      'Melt the butter in the big soup kettle and cook the onion till soft, oh 10 minutes or so. Pour in the broth. Crush the tomatoes with your hands and put them in with the juice. Simmer it about 45 min with the lid cocked. Run it through the blender (or a food mill if you have one). Put it back on low and add the half and half.',
    wanted: [
      'add butter',
      'add onion',
      "sweat 10'",
      'add chicken-stock-carton',
      'prepare canned-tomatoes',
      'add canned-tomatoes',
      "simmer 45'",
      'blend',
      'cream half-and-half',
    ],
    never: /^sieve/,
  },
  {
    what: 'the initials of a name are that line; sauce is the sauce that there is',
    lines: 'Peas 2kg\nOnion 300g\nVeg stock 2.5L\nCrème fraîche 200g\nFish sauce 20 ml\n',
    method: 'Boil the peas and onion in the stock 12 min. Blend. Whisk in CF. Stir in sauce.',
    wanted: ["simmer 12'", 'blend', 'cream creme-fraiche', 'add fish-sauce'],
  },
  {
    what: 'what is ladled out and reserved is kept whole and comes back',
    country: 'us',
    lines: '1 lb dried black beans\n8 cups water\n1 onion\n2 tablespoons red wine vinegar\n',
    method:
      'Add beans, onion and water to a pot. Simmer 90 minutes. Ladle out 2 cups of beans and reserve. Purée the rest with an immersion blender. Return reserved beans. Stir in vinegar.',
    wanted: ["simmer 90'", 'keep dried-black-beans', 'blend', 'giveBack dried-black-beans', 'add red-wine-vinegar'],
  },
];

describe('methods as other kitchens tell them', () => {
  for (const { what, country, lines, method, wanted, never } of HABITS)
    it(what, () => {
      const { said } = saidOf(method, lines, country);
      expectInOrder(said, wanted, never);
    });

  it('a sheet: a name with the litres of its batch, W. pepper, oil for deep frying that is not the soup’s', () => {
    const { taken, unread, reading } = readCorpus({
      country: 'gb',
      text: 'Pea & mint (Tues special) — 4 L\n\nOnion 300g\nPeas 2kg\n1 big carrot\nVeg stock 2.5L\nW. pepper 1g\nvegetable oil for deep frying\n\nBoil onion, carrot and peas in the stock 12 min. Blend.',
    });
    expect(unread).toEqual([]);
    expect(reading.tree.soup.writtenFor.bowls).toBe(13);
    expect(taken.map(({ row }) => row.id)).toEqual(['onion', 'peas', 'carrot', 'vegetable-stock', 'white-pepper', 'rapeseed-oil']);
    expect(taken.find(({ row }) => row.id === 'carrot')?.kg).toBeCloseTo(0.072, 2);
  });

  it('lines: so many leaves of an herb are no bunches; what goes on top by the spoonful is no pinch', () => {
    const grams = (line: string): number => {
      const { taken } = readCorpus({ country: 'gb', text: `Soup\nServes 4\n1 kg swede\n${line}\nBoil the swede.` });
      return Math.round((taken.find(({ row }) => row.id !== 'swede')?.kg ?? 0) * 10_000) / 10;
    };
    expect(grams('10 mint leaves')).toBe(5);
    expect(grams('few coriander leaves')).toBe(1.5);
    expect(grams('a few chives')).toBe(2);
    expect(grams('natural yoghurt to serve')).toBe(60);
    expect(grams('crusty bread, to serve')).toBe(160);
    expect(grams('2 bay leaves')).toBe(0.4);
  });

  it('“carry on cooking” and “keep simmering” go on with what the pot does; without a time they add none', () => {
    const method = (tail: string): string =>
      `Sweat the onions in the oil for 5 minutes. Add the pumpkin, then carry on cooking for 8-10 mins. Add the stock, boil and simmer for 10 minutes. ${tail} Blend.`;
    const lines = '2 onions\n2 tbsp olive oil\n1 kg pumpkin\n1 litre vegetable stock';
    const timed = saidOf(method('Keep simmering for 20 minutes more.'), lines);
    expect(timed.minutesOf('sweat')).toEqual([5, 9]);
    expect(timed.minutesOf('simmer').reduce((sum, one) => sum + one, 0)).toBe(30);
    const open = saidOf(method('Keep simmering gently.'), lines);
    expect(open.minutesOf('simmer').reduce((sum, one) => sum + one, 0)).toBe(10);
  });

  it('a broth mixture is a place, a sentence ends behind its brackets, and how to keep it is a note and no food', () => {
    const { said, steps } = saidOf(
      'Melt the butter and cook the onion 5 minutes. Pour in 4 cups of broth. Add the broccoli to the broth mixture and simmer for 15 minutes. Blend with a stick blender. (Or let it cool, then blend in batches. Cover loosely with a towel.) Bring the soup to a simmer and cook for 3 minutes.\nMake-Ahead/Freezer-Friendly Instructions: This soup keeps 3 days in the fridge.',
      '1 onion, diced\n2 tbsp butter\n4 cups vegetable broth\n6 cups broccoli florets',
      'us',
    );
    expect(said.filter((one) => one.startsWith('add '))).toEqual([
      'add butter',
      'add onion',
      'add vegetable-stock',
      'add broccoli',
    ]);
    expect(steps.filter(({ op }) => op === 'simmer').length).toBe(2);
    const { unread } = readCorpus({
      country: 'us',
      text: 'Soup\nServes 4\n1 kg swede\nBoil the swede in 1 litre of water.\nFreezing Instructions: This soup can be frozen for 3 months.',
    });
    expect(unread).toEqual([]);
  });

  it('what is kept back of a cream is that much, and is on the bowls where it is kept for them', () => {
    const lines = '1kg carrots, cubed\n2 onions\n1 litre vegetable stock\n400ml can coconut milk';
    const soup = (tail: string) => saidOf(`Simmer the carrots and onions in the stock for 20 minutes. Blend. ${tail}`, lines);
    const onTop = ({ steps }: ReturnType<typeof soup>): number[] =>
      steps
        .flatMap((step) => (step.op === 'dish' ? (step.shares ?? []) : []))
        .flatMap(({ garnish }) => (garnish ?? []).map(({ gPerBowl }) => Math.round(gPerBowl)));
    const said = soup('Reserve 60ml coconut milk. Add remaining coconut milk to soup. Drizzle with the reserved coconut milk.');
    expect(said.sharesOf('coconut-milk')).toEqual([0.85, 0.15]);
    expect(onTop(said)).toEqual([15]);
    expect(onTop(soup('Keep a little coconut milk back for the top. Add the rest.'))).toEqual([15]);
  });

  it('tips that a line keeps are not in the pot with the stalks, and what a soup is reheated with goes in', () => {
    const { said, sharesOf } = saidOf(
      'Simmer the carrots in the stock for 20 minutes. Add the asparagus stalks and cook for 3 minutes. Blend. Blanch the tips for 2 minutes. Reheat the soup gently with the cream. Serve with the tips.',
      '1kg carrots, cubed\n1 litre vegetable stock\n300g asparagus, tips reserved, stalks sliced\n3 tbsp double cream',
    );
    expectInOrder(said, ['add asparagus', "simmer 3'", 'blend', 'add asparagus @Pan', 'cream double-cream', 'garnish asparagus']);
    expect(sharesOf('asparagus').slice(0, 2)).toEqual([0.75, 0.25]);
  });

  it('three quarters of the squash and onions is so much of either', () => {
    const { steps } = saidOf(
      'Put the squash and onions on a tray and roast at 200C for 40 minutes. Add three-quarters of the squash and onions to a pan with the stock. Simmer 5 minutes. Blend. Top with the reserved squash and onion.',
      '1kg butternut squash, cubed\n2 onions, cut into wedges\n1 litre vegetable stock',
    );
    const kept = steps.flatMap((step) => (step.op === 'takeOut' ? [[step.lines[0], step.share]] : []));
    expect(kept).toEqual([
      ['butternut', 0.25],
      ['onion', 0.25],
    ]);
    expect(steps.filter(({ op }) => op === 'giveBack').length).toBe(2);
  });

  it('a broth that is strained and returned is the one that stood there', () => {
    const method = (back: string): string =>
      `Melt the butter in a large pot, add the carrot and cook 6 minutes. Add the stock, bring to a boil and simmer 30 minutes. Strain through a fine sieve; discard solids. ${back} Add the prawns and simmer 3 minutes. Blend.`;
    for (const back of ['Return broth to the pot.', 'Pour the stock back into the pot.', 'Return the strained stock to the pan.']) {
      const { sharesOf, said } = saidOf(method(back), '1 lb prawns\n2 tbsp butter\n1 carrot, chopped\n4 cups fish stock', 'us');
      expect(sharesOf('fish-stock')).withContext(back).toEqual([1]);
      expectInOrder(said, ['add fish-stock', "simmer 30'", 'drain', 'add prawns', "simmer 3'", 'blend']);
    }
  });

  it('what goes into the stock that stands there pours no more of it', () => {
    const lines = '1kg carrots, cubed\n1 litre vegetable stock\n200g peas';
    const method = (tail: string): string => `Simmer the carrots in the stock for 20 minutes. ${tail} Blend.`;
    for (const tail of [
      'Add the peas to the stock and cook 3 minutes.',
      'Tip the peas into the simmering stock.',
      'Stir the peas into the broth.',
    ])
      expect(saidOf(method(tail), lines).sharesOf('vegetable-stock'))
        .withContext(tail)
        .toEqual([1]);
    expect(saidOf(method('Stir the peas into the remaining stock.'), lines).sharesOf('vegetable-stock')).toEqual([0.5, 0.5]);
    expect(saidOf(method('Bring almost back to a simmer.'), lines).said).toContain("warm 3'");
  });

  it('a topping made beside the oven has its own oil, and what is scooped into a blender is in it', () => {
    const beside = saidOf(
      'Roast the squash at 200C for 45 minutes. While squash roasts, make topping: Toss pumpkin seeds and oil; toast in a small skillet, 3-4 min. Heat coconut oil in a pot. Add squash and stock; simmer 15 min. Blend. Scatter the seeds.',
      'For the soup:\n1kg butternut squash, cubed\n2 tbsp coconut oil\n1 litre vegetable stock\n\nFor the topping:\n50g pumpkin seeds\n1 tsp olive oil',
    );
    expectInOrder(beside.said, ['add pumpkin-seeds olive-oil @Pan', 'add coconut-oil', 'join butternut', "simmer 15'"]);
    const cold = saidOf(
      'Peel and chop the cucumber, saving a few thin slices for the top. Halve, stone and scoop the avocado into a blender. Add the chopped cucumber and the yoghurt. Blend. Chill for 2 hours. Finish with the reserved cucumber.',
      '2 ripe avocados\n1 large cucumber\n300g Greek yoghurt',
    );
    expectInOrder(cold.said, ['add avocado', 'add cucumber greek-yoghurt', 'blend', 'garnish cucumber']);
    expect(cold.sharesOf('cucumber').slice(-2)).toEqual([0.85, 0.15]);
  });

  it('a knob to finish is besides what is weighed, and the reserved bacon is what was kept, whatever lies on top', () => {
    const knob = saidOf(
      'Melt the butter in a large pan and cook the onion gently for 10 mins. Add the parsnips and stock and simmer for 20 mins. Blend. Melt the knob of butter in a frying pan, add the sage and fry until crisp. Serve topped with the sage.',
      '25g unsalted butter, plus a knob to finish\n1 onion\n600g parsnips\na few sage leaves\n1 litre chicken stock',
    );
    expectInOrder(knob.said, ['add butter', 'add onion', 'add parsnip chicken-stock', 'blend', 'add butter-2 @Pan']);
    expect(knob.sharesOf('butter')).toEqual([1]);
    const bacon = saidOf(
      'Cook the bacon in a pot until crisp. Remove bacon and set aside. Add the potatoes and broth and simmer 20 minutes. Blend. Add sour cream and reserved bacon. Top with additional sour cream, bacon and chives.',
      '6 slices bacon, chopped\n2 lb potatoes, diced\n4 cups chicken broth\n2/3 cup sour cream\nchives, additional sour cream and bacon for topping',
      'us',
    );
    expectInOrder(bacon.said, ['keep bacon', 'blend', 'cream soured-cream', 'giveBack bacon']);
    expect(bacon.said.at(-1)).toContain('bacon-2');
  });

  it('the strained milk comes back whole into the cleaned pan, and water that is poured away is gone', () => {
    const fish = saidOf(
      'Lay the haddock in a wide pan with the milk. Bring slowly to a simmer and poach for 5 minutes. Lift out the fish and strain the milk into a jug. Melt the butter in the cleaned pan, add the leek and cook gently for 8 minutes. Stir in the potatoes and reserved milk; simmer for 15 minutes. Blend half of it. Stir in the fish.',
      '500g smoked haddock\n600ml whole milk\n50g butter\n1 leek, sliced\n500g potatoes, diced',
    );
    expectInOrder(fish.said, [
      'add smoked-fish milk',
      'drain',
      'add butter @Pot 2',
      'add leek @Pot 2',
      'add potato @Pot 2',
      'giveBack smoked-fish @Pot 2',
    ]);
    expect(fish.sharesOf('milk').every((share) => share === 1)).toBeTrue();
    const hock = saidOf(
      'Cover the gammon with cold water, bring it up to the boil and then pour that water away. Add the peas and 3 litres of fresh water. Let it tick over for 2 and a half hours. Blend.',
      '1 kg gammon\n500g dried split peas',
    );
    expectInOrder(hock.said, ['boil', 'drain', "simmer 150'", 'blend']);
  });

  it('florets that the line reserves and garlic of two cuts go where they are named; the soup is ladled, and not into the skillet', () => {
    const { said, sharesOf } = saidOf(
      'Heat 2 tbsp oil in a pot. Add leeks & smashed garlic; cook 8 min. Add large florets and water. Simmer 20 min. Blend. Meanwhile heat the last tbsp oil in a skillet, add reserved florets; cook 4 min; add sliced garlic for the final 30 sec. Ladle soup, top with crispy florets.',
      '3 tbsp olive oil, divided\n3 leeks, sliced\n6 garlic cloves: 5 smashed, 1 sliced thin\n1 large cauliflower (2 lb), cut into florets, 2 cups small florets reserved\n6 cups water',
      'us',
    );
    expectInOrder(said, [
      'add leek garlic',
      "simmer 20'",
      'blend',
      'add olive-oil @Pan',
      'add cauliflower @Pan',
      'add garlic-2 @Pan',
      'garnish cauliflower',
    ]);
    expect(sharesOf('cauliflower').slice(0, 2)).toEqual([0.76, 0.24]);
    expect(sharesOf('olive-oil')).toEqual([0.67, 0.33]);
  });

  it('everything but what is poured in later goes into the blender, and the rest of the cucumber is for the bowls', () => {
    const { said, sharesOf, steps } = saidOf(
      'Roughly chop the tomatoes and three-quarters of the cucumber; finely dice the rest for the garnish. Put everything except the garnish into a blender with the garlic and whizz until smooth. With the motor running, trickle in the oil. Add the vinegar and salt. Chill for 3 hours. Hand round the garnishes.',
      '1kg very ripe tomatoes\n1 cucumber\n2 cloves garlic\n150ml olive oil\n3 tbsp sherry vinegar\n1 tsp salt',
    );
    expectInOrder(said, ['add tomato cucumber garlic', 'blend', 'add olive-oil', 'add sherry-vinegar fine-salt', "chill 180'"]);
    expect(sharesOf('olive-oil')).toEqual([1]);
    expect(sharesOf('cucumber').at(-1)).toBe(0.75);
    const onTop = steps.flatMap((step) => (step.op === 'dish' ? (step.shares ?? []) : [])).flatMap(({ garnish }) => garnish ?? []);
    expect(onTop.map(({ line, gPerBowl }) => [line, Math.round(gPerBowl)])).toEqual([['cucumber-top', 19]]);
  });

  it('water with lemon in it keeps what is peeled from browning, and is none of the soup', () => {
    const { said } = saidOf(
      'Put the artichokes into water with the lemon as you slice them. Sweat the onion in the butter for 10 minutes. Drain the artichokes and add with the potato; sweat another 5 minutes. Add the stock and simmer 25 minutes. Liquidise.',
      '50g butter\n1 onion\n600g Jerusalem artichokes, sliced\n1 small potato\n900ml chicken stock\na squeeze of lemon',
    );
    expectInOrder(
      said,
      ['add onion butter', "sweat 10'", 'add jerusalem-artichoke potato', "sweat 5'", 'add chicken-stock', "simmer 25'"],
      /water/,
    );
  });

  it('what is needed is told and not added, the vegetables are those in the pan, pepper is ground and the soup is not', () => {
    const { said } = saidOf(
      'You need 1kg of ripe tomatoes. Cut each tomato into quarters. Heat the oil in a pan, then tip in the onion, carrot and celery. Cook the vegetables for 10 minutes until soft. Tip in the tomatoes, throw in the bay leaves and grind in a little black pepper. Pour in the stock and simmer for 25 minutes. Fish out the pieces of bay leaf. Blitz.',
      '1kg tomatoes\n1 onion\n1 carrot\n1 celery stick\n2 tbsp olive oil\n2 bay leaves\n1.2 litres vegetable stock (4 stock cubes)\nblack pepper',
    );
    expectInOrder(said, [
      'add olive-oil',
      'add onion carrot celery',
      "sweat 10'",
      'add tomato',
      'add black-pepper',
      "simmer 25'",
      'takeOut bay',
      'blend',
    ]);
    expect(said.filter((one) => one.startsWith('blend')).length).toBe(1);
  });
});
