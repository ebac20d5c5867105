import { readSheet as read } from '../../spec/sheets.js';

const START = 'Soup\nServes 4\n1 kg pumpkin, chopped\n2 onions\n800 ml chicken stock\n';
const COOKED = 'Sweat the onions 8 mins. Add the pumpkin and stock. Simmer 20 mins. Blend.';

describe('what a soup is called and how large its bowls are', () => {
  it('a text without a title is called after the vegetable that it has most of, and never “Ingredients”', () => {
    const { soup } = read(
      'Ingredients:\n900 g tomatoes\n2 onions\n600 ml vegetable stock\n\nMethod:\n1) Simmer all 20 mins. Blend.',
    );
    expect(soup.name).toBe('Tomato soup');
  });

  it('how much a bowl gets may stand in the words about serving', () => {
    expect(read(`${START}\n${COOKED} Service: 200 ml per cover, chopped chives.`).soup.writtenFor.bowlG).toBe(200);
    expect(read(`${START}\n${COOKED} Ladle 250 g of the soup into each bowl.`).soup.writtenFor.bowlG).toBe(250);
    // So much of a garnish is no bowl.
    expect(read(`${START}\n${COOKED} Serve with 60 g croutons per bowl.`).soup.writtenFor.bowlG).toBe(300);
  });

  it('a count of portions counts before the volume of the batch', () => {
    const { soup, questions } = read(
      `Leek soup\nYield: 1 gallon\nPortions: 16 @ 8 oz\n\n2 lb leeks\n2 lb potatoes\n2 qt chicken stock\n\nSimmer all 20 min. Blend.`,
      'us',
    );
    expect(soup.writtenFor.bowls).toBe(16);
    expect(questions).toEqual([]);
    expect(read('Pea soup\nQuantities: 10 serves\n1 kg peas\n1 L stock\n\nSimmer all 5 min. Blend.').soup.writtenFor.bowls).toBe(
      10,
    );
  });
});

describe('lists as they are written', () => {
  it('a line that only speaks of another is no food of its own', () => {
    const { questions, kg, soup } = read(
      `${START}400g tin chickpeas, drained\n\nFor the crispy chickpeas\nhalf the chickpeas\n1 tbsp olive oil\n1 tsp cumin seeds\n\n1. Heat the oven to 200C. For the crispy chickpeas, dry the chickpeas on kitchen paper, toss with the oil and cumin seeds, spread over a baking tray and roast for 25 mins.\n2. Meanwhile sweat the onions in a large pan for 10 mins. Add the pumpkin and stock and simmer for 20 mins. Add the remaining chickpeas. Blend.\n3. Scatter with the crispy chickpeas.`,
    );
    expect(questions).toEqual([]);
    expect(kg('canned-chickpeas')).toBeCloseTo(0.4, 6);
    const [card] = soup.cards ?? [];
    expect(card?.lines.map(({ ingredient }) => ingredient)).toEqual(['canned-chickpeas', 'olive-oil', 'cumin']);
    expect(card?.root.steps.map(({ op }) => op)).toContain('roast');
  });

  it('“for the topping: reserved florets, 1 tsp cumin, 15 g butter” brings the cumin and the butter', () => {
    const { soup, questions } = read(
      `Soup\nServes 8\n1 large cauliflower, 1.2kg\n2 onions\n1.25L water\nFor the topping: reserved florets, 1 tsp cumin seeds, 15g butter\n\nBreak the cauliflower into florets, keep about 100g of tiny ones aside. Simmer the onions, cauliflower and water for 15 min. Blitz.\nTopping: melt the butter, add the cumin and the tiny florets, fry till brown, about 5 min. Spoon over.`,
    );
    expect(questions).toEqual([]);
    const [card] = soup.cards ?? [];
    expect(card?.lines.map(({ ingredient }) => ingredient)).toEqual(['butter', 'cumin', 'cauliflower']);
    const florets = card?.lines.find(({ ingredient }) => ingredient === 'cauliflower');
    expect(florets?.amount.rule === 'scaled' ? florets.amount.amount.value : undefined).toBeCloseTo(0.1, 2);
  });

  it('herbs and a spice behind commas, one of them with a measure; grams left out beside kilos; vinegar cut short', () => {
    const { kg } = read(`${START}200 double cream\nbay, allspice (1/2 tsp)\nsherry vin\n\n${COOKED} Add the cream.`);
    expect(kg('double-cream')).toBeCloseTo(0.2, 6);
    expect(kg('allspice')).toBeCloseTo(0.001, 4);
    expect(kg('bay')).toBeGreaterThan(0);
    expect(kg('sherry-vinegar')).toBeGreaterThan(0);
  });

  it('units in full are units, and what is left over of a bird is a food', () => {
    const { kg, questions } = read(
      'Soup\n1.2 kg pumpkin\n500 grams carrots\n250 millilitres double cream\n150 mls milk\n200 g leftover roast chicken\n1 litre chicken stock\n\nSimmer all 20 mins. Blend.',
    );
    expect(kg('carrot')).toBeCloseTo(0.5, 6);
    expect(kg('double-cream')).toBeCloseTo(0.244, 3);
    expect(kg('milk')).toBeCloseTo(0.1545, 4);
    expect(questions).toEqual(['200 g leftover roast chicken']);
  });

  it('optional garnishes are for the top, all of them, and by the dusting or the drop', () => {
    const { garnish } = read(
      `${START}Optional garnishes: truffle oil, smoked paprika, toasted pumpkin seeds\n\n${COOKED} Serve with the garnishes.`,
      'us',
    );
    const of = (line: string) => garnish.find((one) => one.line === line)?.gPerBowl ?? 0;
    expect(of('truffle-oil')).toBeCloseTo(0.5, 3);
    expect(of('paprika')).toBeCloseTo(0.2, 3);
    expect(of('pumpkin-seeds')).toBeCloseTo(5, 3);
  });

  it('a food that is not known takes no other along, and one of which nobody says how much is asked', () => {
    const { questions, garnish } = read(`${START}Flat-leaf parsley and shaved zanzibar to serve\n\n${COOKED} Serve with parsley.`);
    expect(questions.some((line) => line.includes('zanzibar'))).toBeTrue();
    expect(garnish.map(({ line }) => line)).toContain('parsley');
    const bacon = read(`${START}Chives, crumbled bacon\n\n${COOKED} Garnish w/ chives & bacon.`);
    expect(bacon.garnish.map(({ line }) => line)).toEqual(['chives', 'bacon']);
  });

  it('a bunch of which a few leaves are kept for the top is in the soup', () => {
    const { soup, garnish } = read(
      `${START}1 bunch mint, leaves picked (keep a few small ones for the top)\n\nSweat the onions 8 mins. Add the pumpkin and stock. Simmer 20 mins. Add the mint and blend. Top with the small mint leaves.`,
    );
    const [leaves] = garnish;
    expect(leaves?.gPerBowl).toBeGreaterThan(0);
    expect(leaves?.gPerBowl).toBeLessThan(3);
    expect(soup.lines.filter(({ ingredient }) => ingredient === 'mint').length).toBe(2);
  });
});

describe('which of the foods is meant', () => {
  it('coriander is the seed where the leaf is called cilantro', () => {
    const { of, garnish } = read(
      `${START}1 tsp. ground coriander\n2 Tbsp. olive oil\nCilantro leaves, for serving\n\nToss the pumpkin with the oil and coriander. Roast at 425°F for 35 minutes. Simmer the onions in the stock for 10 minutes. Add the pumpkin. Blend. Top with cilantro.`,
      'us',
    );
    expect(of('add').flatMap(({ uses }) => uses.map(({ line }) => line))).toContain('coriander-seed');
    expect(garnish.map(({ line }) => line)).toEqual(['coriander']);
  });

  it('a pot is no pot of stock', () => {
    const { of } = read(
      `${START}2 veg stock cubes\n25 g butter\n\nButter in big pot, onions in, 8 mins soft. Add the pumpkin, the stock and the cubes. Simmer 20 mins. Blend.`,
    );
    const first = of('trim')[0]?.uses.map(({ line }) => line);
    expect(first).toEqual(['onion']);
  });

  it('the liquor is the water that something dried was soaked in', () => {
    const { soup, actions } = read(
      `${START}20 g dried porcini\n250 ml boiling water\n\nSoak the porcini in the boiling water for 20 minutes. Strain, keeping the liquor. Sweat the onions 8 mins. Add the pumpkin. Pour in the porcini liquor, then the stock. Simmer 20 mins. Blend.`,
    );
    expect(actions.find(({ does, lines }) => does === 'add' && lines.some(({ line }) => line === 'water'))).toBeDefined();
    expect(soup.lines.filter(({ ingredient }) => ingredient === 'water').length).toBe(1);
  });
});

describe('what is lifted out, kept and put on top', () => {
  it('half of the lardons are lifted out and drained, and the other half stays', () => {
    const { of } = read(
      `${START}200 g bacon lardons\n\nFry the lardons until crisp. Lift out half with a slotted spoon and drain on kitchen paper. Add the onions and cook gently for ten minutes. Add the pumpkin and stock, simmer 20 mins. Blend. Top with the reserved lardons.`,
    );
    expect(of('takeOut').map(({ share, keep }) => [share, keep])).toEqual([[0.5, true]]);
  });

  it('“saving a little to swirl on top” keeps some of the cream for the bowls', () => {
    const { garnish, of } = read(
      `${START}165 mL coconut cream\n\n${COOKED} Stir through the coconut cream, saving a little to swirl on top.`,
    );
    expect(of('cream').length).toBe(1);
    expect(garnish.map(({ line }) => line)).toEqual(['coconut-cream-top']);
  });

  it('a mixture made beside the soup is what the dollop is of', () => {
    for (const served of ['Serve each bowl with a dollop.', 'Spoon over the yoghurt.']) {
      const { soup } = read(`${START}2 tsp harissa\n150 g yoghurt\n\n${COOKED} Swirl the harissa through the yoghurt. ${served}`);
      expect(soup.cards?.flatMap(({ lines }) => lines.map(({ ingredient }) => ingredient)))
        .withContext(served)
        .toEqual(['harissa', 'yoghurt']);
    }
  });

  it('the rest goes in with the leeks, and what is chopped at the end is scattered', () => {
    const { garnish, soup, of, ops } = read(
      `Soup\n1 kg Jerusalem artichokes\n2 leeks\n75 g butter\n900 ml chicken stock\nhandful hazelnuts\n\nRoast the artichokes at 200 for 40 mins. For the last ten mins chuck the hazelnuts on another tray.\nLeeks in the butter, low, 10-15 min.\nKeep back a few of the nicest artichokes. Rest go in with leeks, stock on, 10 mins.\nWhizz. Depending on how thick you like it, more stock.\nChop the nuts, slice the kept artichokes, scatter.`,
    );
    expect(of('join').length).toBe(1);
    expect(of('simmer').map(({ minutes }) => minutes)).toEqual([10]);
    expect(ops).toContain('thin');
    expect(soup.cards?.map(({ lead }) => lead)).toEqual(['Hazelnuts']);
    expect(garnish.length).toBe(1);
  });
});

describe('places and short notes', () => {
  it('what lies directly on a grill is roasted there, and skinned behind it', () => {
    const { of } = read(
      `${START}4 red capsicums\n6 tomatoes\n\nPlace the capsicums and tomatoes directly on the grill and cook, turning, 15-20 minutes until charred all over. Put the capsicums in a bowl, cover and stand 10 minutes. Peel and seed. Slip skins off tomatoes. Sweat the onions in a pan 8 mins. Add the vegetables, pumpkin and stock. Simmer 20 mins. Blend.`,
      'au',
    );
    expect(of('roast').map(({ minutes, ovenC }) => [minutes, ovenC])).toEqual([[17.5, 250]]);
    expect(of('peel').map(({ lines }) => lines[0])).toEqual(['red-pepper', 'tomato']);
  });

  it('a little boiling water beside the pot is another pan, and drains no soup', () => {
    const { soup, of } = read(
      `Soup\n2 lbs. asparagus\n1 qt. water\n1 c. light cream\n\nCut off the tips; set tips aside. Cook the stalks in the boiling water until tender, about 25 min. Press through a sieve. Cook the tips in a little boiling water 5 min., drain. Add cream and the tips.`,
      'us',
    );
    const drained = of('drain');
    expect(drained.length).toBe(1);
    expect(soup.root.steps.map(({ op }) => op)).not.toContain('drain');
  });

  it('a lid that is on but ajar lets steam out; a list before “stir round” and “crumble in” goes in', () => {
    expect(
      read(`${START}\nAdd the pumpkin, onions and stock. Lid on but ajar, simmer for 2 hours. Blend.`).of('simmer')[0]?.lid,
    ).toBe('ajar');
    const { soup, actions } = read(
      `Soup\n2 onions\n25 g butter\n1 tsp turmeric\n2 veg stock cubes\n1 potato\n1.2 kg cauliflower\n1 l water\n\nOnions in the butter, 8 mins. Turmeric, stir round. Cauliflower, potato (peeled, cubed), water, crumble in the cubes. Boil, 15 min lid on. Blitz.`,
    );
    expect(actions.filter(({ does }) => does === 'add').flatMap(({ lines }) => lines.map(({ line }) => line))).toEqual([
      'onion',
      'butter',
      'turmeric',
      'cauliflower',
      'potato',
      'water',
      'stock-cube',
    ]);
    expect(soup.lines.length).toBe(7);
  });
});

describe('toppings made beside the soup', () => {
  it('what is baked alongside the tomatoes is not tipped in with them', () => {
    const { soup, of } = read(
      `Tomato soup\nServes 5\n3 pounds tomatoes\n1 onion\n4 cups vegetable stock\n\nFor the croutons:\n3 cups cubed day-old bread\n2 tablespoons butter, melted\n\nArrange the tomatoes and onion on baking sheets. Roast at 400 degrees F for 45 minutes.\n\nMeanwhile, make the croutons: Toss the bread with the melted butter. Spread on a small baking sheet and bake alongside the tomatoes until golden, 10 to 12 minutes.\n\nTransfer the roasted vegetables to a large pot. Add the stock and simmer 15 minutes. Puree. Top with the croutons.`,
      'us',
    );
    expect(soup.cards?.map(({ lead }) => lead)).toEqual(['White bread']);
    expect(of('join').length).toBe(1);
    expect(soup.lines.some(({ ingredient }) => ingredient === 'white-bread')).toBeFalse();
  });

  it('a heading of the list over a row of the method, and foods behind a plus', () => {
    const { soup, kg, of, garnish } = read(
      `Carrot soup\nServes 4\n1 kg carrots\n1 tsp paprika\n1 l stock\nPaprika butter: 2 tbsp butter + ½ tsp dried mint\n\nMOP\nSimmer the carrots and paprika in the stock for 20 min. Blend.\nPaprika butter: melt butter in a small pan, stir in the mint, off after 30 seconds.\nServe drizzled with paprika butter, lemon wedges on the side.`,
    );
    expect(kg('dried-mint')).toBeGreaterThan(0);
    const [card] = soup.cards ?? [];
    expect(card?.lines.map(({ ingredient }) => ingredient)).toEqual(['butter', 'dried-mint']);
    // All the paprika is in the soup.
    expect(of('add').flatMap(({ uses }) => uses.filter(({ line }) => line === 'paprika'))).toEqual([{ line: 'paprika' }]);
    expect(garnish.length).toBe(1);
  });

  it('“drizzle with extra cream”, of a cream that has gone in', () => {
    const { garnish } = read(
      `${START}80 ml cream, plus extra to serve\n\n${COOKED} Add the cream. Ladle into bowls. Drizzle with extra cream.`,
      'au',
    );
    expect(garnish.length).toBe(1);
    expect(garnish[0]?.line).toContain('cream');
  });

  it('lemon wedges are of no lemon that was juiced', () => {
    const { of } = read(`${START}Juice of ½ lemon\n\n${COOKED} Stir in the lemon juice. Serve with lemon wedges.`);
    expect(of('add').flatMap(({ uses }) => uses.filter(({ line }) => line === 'lemon-juice'))).toEqual([{ line: 'lemon-juice' }]);
  });
});

describe('a part of the soup, and what is not it', () => {
  it('“puree 3 cups of soup in blender” leaves the rest whole', () => {
    const { of } = read(
      `${START}2 cans (15 oz) black beans\n\nSimmer the pumpkin, onions and beans in the stock for 20 minutes. Working in batches, puree 3 cups of soup in blender until smooth; return to pot.`,
      'us',
    );
    const held = of('blend')[0]?.holdBack ?? [];
    expect(held.map(({ line }) => line)).toContain('pumpkin');
    expect(held[0]?.share).toBeGreaterThan(0.5);
  });

  it('cups of soup at a time are all of it', () => {
    const { of } = read(
      `${START}\nSimmer the pumpkin and onions in the stock for 20 minutes. Blend 2 cups of the soup at a time until smooth.`,
      'us',
    );
    expect(of('blend').map(({ holdBack }) => holdBack)).toEqual([undefined]);
  });

  it('an amount behind a food and a colon is no list under it, and pots are potatoes', () => {
    const { kg, of } = read(
      'Soup\nOnions: 2 large, sliced\n1 kg potatoes\n1 l stock\n\nAdd the onions, pots and stock. Simmer 20 mins. Blend.',
    );
    expect(kg('onion')).toBeGreaterThan(0.2);
    expect(of('trim').flatMap(({ uses }) => uses.map(({ line }) => line))).toContain('potato');
  });

  it('“drain and rinse the remaining can of beans” drains the can', () => {
    const { ops } = read(
      `${START}3 (15-ounce) cans black beans, undrained\n\nSimmer the pumpkin, onions, stock and 2 cans of the beans for 20 minutes. Blend. Drain and rinse remaining can of beans; stir into soup.`,
      'us',
    );
    expect(ops).not.toContain('drain');
  });

  it('a list told in a sentence loses no head of celery, and “enough for four” counts', () => {
    const { kg, soup } = read(
      'Simple celery soup\n\nYou need a whole head of celery (about 500g), chopped, a large potato, an onion, 50g of butter, about a litre of chicken stock and 100ml of milk.\n\nMelt the butter and gently cook the onion and celery for 15 minutes. Add the potato and stock and simmer for half an hour. Blend. Add the milk. It makes enough for four.',
    );
    expect(kg('celery')).toBeCloseTo(0.5, 6);
    expect(soup.writtenFor.bowls).toBe(4);
  });
});

describe('water of its own, warnings, and other days', () => {
  it('“in a large pot of boiling salted water”, drained, and the same pot begun anew', () => {
    const { soup, of } = read(
      `Beet soup\n1½ lb. beets\n2 Tbsp. butter\n1 onion\n4 cups vegetable broth\n\nCook beets in a large pot of boiling salted water until tender, 40–50 minutes. Drain; let cool. Rub skins off and cut beets into chunks.\nHeat butter in the same pot over medium. Add onion and cook until golden, 8–10 minutes. Add broth; bring to a simmer. Cook 20 minutes. Add beets. Purée.`,
      'us',
    );
    const [apart] = of('join');
    expect(apart?.branch.steps.map(({ op }) => op)).toContain('drain');
    expect(soup.root.steps.map(({ op }) => op)).not.toContain('drain');
    expect(of('fry').length).toBe(1);
  });

  it('“reheat, being careful not to boil” boils nothing, and what is said of freezing adds no cream', () => {
    const { ops, of } = read(
      `${START}150ml single cream\n\n${COOKED} Stir in the cream. Reheat, being careful not to boil. Season.\nTo freeze, cool and freeze before adding the cream.`,
    );
    expect(of('simmer').map(({ vigour }) => vigour)).toEqual(['steady', 'bare']);
    expect(ops.filter((op) => op === 'cream').length).toBe(1);
    expect(ops).not.toContain('rest');
  });

  it('what stands in brackets or behind a comma of one food parts no line', () => {
    const { questions } = read(
      `${START}A handful of lovage leaves (or celery leaves and parsley)\nGoat cheese, crumbled, for garnish\n\n${COOKED} Add the lovage. Top with goat cheese.`,
    );
    expect(questions).toEqual(['Goat cheese, crumbled, for garnish']);
  });

  it('a can of which a measure is reserved goes into the pot', () => {
    const { garnish, soup } = read(
      `${START}400ml can coconut milk, reserve 1/4 cup for serving\n\nSweat the onions 8 mins. Add the pumpkin, stock and coconut milk. Simmer 20 mins. Blend. Serve drizzled with reserved coconut milk.`,
      'au',
    );
    expect(soup.lines.filter(({ ingredient }) => ingredient === 'coconut-milk').length).toBe(2);
    expect(garnish[0]?.gPerBowl).toBeCloseTo(15.6, 0);
  });
});

describe('measures that the method gives', () => {
  it('“1½ tsp. salt”, of a salt that the list has without an amount', () => {
    const { soup, of } = read(
      `${START}Kosher salt\n\nSweat the onions 8 mins. Add the pumpkin and 1½ tsp. salt; cook 5 minutes. Add the stock. Simmer 20 mins. Blend.`,
      'us',
    );
    const salts = soup.lines.filter(({ ingredient }) => ingredient.endsWith('salt'));
    expect(of('add').some(({ uses }) => uses.some(({ line }) => salts.some(({ id }) => id === line)))).toBeTrue();
    const [amount] = salts.flatMap((line) => (line.amount.rule === 'scaled' ? [line.amount.amount] : []));
    expect(amount?.value).toBeCloseTo(1.5, 6);
  });
});

describe('the soup’s own, and what only looks like it', () => {
  it('a soup that is strained so that its vegetables can be blended loses neither', () => {
    const { ops } = read(
      `${START}\nSweat the onions 8 mins. Add the pumpkin and stock. Simmer 20 mins. Strain the soup over a bowl, reserving the liquid. Put the vegetables in a blender with a couple of ladlefuls of the liquid and whizz, then add enough of the remaining liquid to give the consistency you like.`,
    );
    expect(ops).not.toContain('drain');
    expect(ops).toContain('blend');
    // A stock is strained off its vegetables.
    expect(
      read(
        `${START}1 carrot\n2 sticks celery\n\nSimmer the onions, carrot and celery in the stock for 40 minutes. Strain. Add the pumpkin and simmer 20 mins. Blend.`,
      ).ops,
    ).toContain('drain');
  });

  it('extra cheese is beside what went in, and the butter of the croutons is not the soup’s', () => {
    const { garnish, of } = read(
      `${START}100 g cheddar, grated\n60 g butter\ncroutons\n\nStew the onions in the butter for 8 mins. Add the pumpkin and stock. Simmer 20 mins. Blend. Stir in the cheese. Serve with extra cheese, and croutons fried in butter.`,
    );
    expect(of('add').flatMap(({ uses }) => uses.filter(({ line }) => line === 'butter'))).toEqual([{ line: 'butter' }]);
    expect(garnish.map(({ line }) => line).sort()).toEqual(['cheddar-2', 'croutons']);
  });

  it('skin on is no skinning, “blend in a machine 4 min” is a blade, and a title says its litres', () => {
    const { of, soup } = read(
      `Squash soup from the restaurant (10 L)\n4 kg kabocha squash\n1 kg onions\n5 L chicken stock\n1 L cream\n\nRoast the squash, skin on, 180C, 1 hr. Scoop.\nSweat onions 25 min. Add squash and stock, simmer 25.\nBlend in the thermo 4 min full with cream, pass chinois fine.`,
    );
    expect(of('roast').map(({ minutes, ovenC }) => [minutes, ovenC])).toEqual([[60, 180]]);
    expect(of('blend').map(({ minutes }) => minutes)).toEqual([4]);
    expect(of('sieve').length).toBe(1);
    expect(soup.writtenFor.bowls).toBe(33);
  });

  it('a salt that is listed by its share of the soup is placed at that share', () => {
    const { of } = read(`${START}salt 1.1%\n\n${COOKED}`);
    expect(of('season').map(({ saltPct }) => saltPct)).toEqual([1.1]);
  });
});
