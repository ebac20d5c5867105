import { readCorpus } from '../../spec/method-corpus.js';
import { expectInOrder, saidOf } from '../../spec/method-said.js';
import { clausesOf } from './clauses.js';
import { sentencesOf } from './sentences.js';

/** What a sentence may begin with, no comma behind it, and the verb that follows. */
const LEADS: readonly (readonly [sentence: string, verb: string])[] = [
  ['Off heat add the basil.', 'add'],
  ['Off the heat stir in the cream.', 'stir'],
  ['Heat off add the basil.', 'add'],
  ['Low heat sweat the onions 10 min.', 'sweat'],
  ['Back on the heat add the cream.', 'add'],
  ['With a stick blender blend the soup.', 'blend'],
  ['At the end stir in the cream.', 'stir'],
  ['Over medium heat cook the onion.', 'cook'],
  ['For the last 5 minutes add the peas.', 'add'],
  ['In batches blend the soup.', 'blend'],
  ['To finish stir through the cream.', 'stir'],
  ['While hot blend with the butter.', 'blend'],
  ['Bit by bit add the stock.', 'add'],
  ['Little by little whisk in the milk.', 'whisk'],
  ['Out of the oven scoop the flesh into the pot.', 'scoop'],
];

describe('how and when, told without a comma, and heats that are no oven', () => {
  for (const [sentence, verb] of LEADS) {
    it(`“${sentence}” is one thing to do`, () => {
      expect(clausesOf(sentencesOf(sentence)).map((clause) => clause.verb)).toEqual([verb]);
    });
  }

  it('what is charred in a skillet is fried, what is held over a flame is grilled, and goes in with everything else', () => {
    const { said } = saidOf(
      'Roast the cumin seeds in a dry pan until fragrant, 2 minutes; grind. Char the poblanos over an open flame until black. Peel and chop. In a hot cast iron skillet, char the corn for 6 minutes. Heat the oil in a pot. Add the onion, cook 5 minutes. Add everything else and simmer 20 min. Blend.',
      '2 tsp cumin seeds\n3 poblano chiles\n3 cups corn kernels\n1 onion\n2 tbsp oil\n4 cups stock',
      'us',
    );
    expectInOrder(said, [
      'add cumin @Pan',
      "bloom 2' @Pan",
      'add poblano @Tray',
      "roast 10' @Tray",
      'add sweetcorn @Pan 2',
      "fry 6' @Pan 2",
      'add onion',
      'join cumin',
      'join poblano',
      'join sweetcorn',
      'add vegetable-stock',
      "simmer 20'",
      'blend',
    ]);
    expect(said.filter((one) => one.startsWith('blend')).length).toBe(1);
  });

  it('what was cooked in a second pan meanwhile goes into the soup with what is named behind it', () => {
    const { said } = saidOf(
      'Soften the onion in the oil, 5 minutes. Add the stock; simmer 15 minutes. Meanwhile, char the corn in a dry skillet over high heat, 5 minutes. Add the corn and poblanos. Simmer 5 minutes. Puree.',
      '3 poblano chiles\n3 cups corn kernels\n1 onion\n2 tbsp oil\n4 cups stock',
      'us',
    );
    expectInOrder(said, ["simmer 15'", 'add sweetcorn @Pan', "fry 5' @Pan", 'add poblano', "simmer 5'", 'blend']);
  });

  it('a spoon that is cut short is no name of a food: two tbs of the cream are kept, and the rest goes in', () => {
    const { said, sharesOf } = saidOf(
      'Heat the oil. Add curry paste, cook 1 min. Add pumpkin and stock. Simmer 15 min. Reserve 2 tbs of coconut cream. Add the rest to the pan. Blend. Serve with reserved coconut cream.',
      '1.5kg pumpkin\n1 tbs vegetable oil\n2 tbs red curry paste\n3 cups stock\n400ml can coconut cream',
      'au',
    );
    expectInOrder(said, ['keep coconut-cream', 'cream coconut-cream', 'blend', 'garnish coconut-cream']);
    expect(sharesOf('coconut-cream')).toEqual([0.9, 0.1]);
  });

  it('a few spoonfuls that are taken out are not the whole line, and come back where they are named', () => {
    const { said, steps } = saidOf(
      'Fry the onion gently in the oil, 5 mins. Add the stock, simmer 10 mins. Tip in the peas, cook 3 mins. Take out a couple of spoonfuls of peas. Blend. Stir the reserved peas through.',
      '1 tbsp oil\n1 onion\n1 litre stock\n500g frozen peas',
    );
    expectInOrder(said, ['keep peas', 'blend', 'giveBack peas']);
    expect(steps.flatMap((step) => (step.op === 'takeOut' ? [step.share] : []))).toEqual([0.15]);
  });

  it('in two goes if need be is no condition; blending, blending each for two minutes is once', () => {
    const { said, actions } = saidOf(
      'Simmer the beetroot in the stock 20 minutes. In a blender, combine the beetroot and stock in batches, blending until very smooth, 2 minutes each.',
      '1 kg beetroot\n1 litre stock',
    );
    expect(said.filter((one) => one.startsWith('blend'))).toEqual(["blend 2'"]);
    expect(actions.some(({ assumed }) => assumed.includes('NOT_ALL'))).toBeFalse();
    const goes = saidOf(
      'Simmer the carrots in the stock 20 minutes. Blend, in two goes if you need to, until silky.',
      '1 kg carrots\n1 litre stock',
    );
    expect(goes.actions.find(({ does }) => does === 'blend')?.condition).toBeUndefined();
  });

  it('a bulb whose fronds are kept for the top is cooked, and the fronds are asked about', () => {
    const { taken, reading } = readCorpus({
      country: 'gb',
      text: 'Fennel soup\nServes 4\n\n1 large fennel bulb, trimmed, fronds kept for the top\n1 litre stock\n4 tbsp yogurt\n\nSimmer the fennel in the stock for 20 minutes. Blend. Finish each bowl with a spoonful of yogurt and the fronds.',
    });
    expect(taken.find(({ row }) => row.id === 'fennel')?.role).toBe('vegetable');
    expect(reading.actions.find(({ does }) => does === 'garnish')?.assumed).toContain('LINE');
  });

  it('a batch is told in brackets with the size of a portion, or by what it is enough for', () => {
    const bowls = (head: string): number =>
      readCorpus({
        country: 'gb',
        text: `${head}\n\n2 kg parsnips\n2 litres stock\n\nSimmer the parsnips in the stock 30 minutes. Blend.`,
      }).reading.tree.soup.writtenFor.bowls;
    expect(bowls('Roast tomato soup (big batch, 24 portions @ 250ml)')).toBe(24);
    expect(bowls('Parsnip soup\nTo make enough for 20')).toBe(20);
    expect(bowls('Parsnip soup, 6 L = 24 portions')).toBe(24);
  });

  it('the first eight ingredients are those of the list; a sauce from a pan goes into the cooker, and the soup goes on there', () => {
    const { said } = saidOf(
      'Add first 4 ingredients to the crock. Cover and cook on LOW 6 hrs. Blend with an immersion blender. Melt the butter in a skillet, whisk in flour and cook 2 minutes. Slowly stir in 1 cup of the hot soup, then stir that into the slow cooker. Add half and half. Cover and cook on LOW another 30 min.',
      '1 (28 oz) can crushed tomatoes\n1 onion, diced\n2 carrots, diced\n4 cups vegetable broth\n4 Tbsp butter\n4 Tbsp flour\n1 cup half and half',
      'us',
    );
    expectInOrder(said, [
      'add canned-tomatoes onion carrot vegetable-stock',
      "simmer 360'",
      'blend',
      'add butter @Pan',
      "bloom 2' @Pan",
      'join butter plain-flour',
      'cream half-and-half',
      "simmer 30'",
    ]);
  });

  it('everything through the bay leaf is the list down to it', () => {
    const { said } = saidOf(
      'Put everything through the bay leaf in a pot. Simmer 25 minutes. Take out the bay leaf. Blend. Stir in the cream.',
      '1 kg carrots\n1 onion\n1 litre stock\n1 bay leaf\n100 ml cream',
    );
    expectInOrder(said, ['add carrot onion vegetable-stock bay', "simmer 25'", 'takeOut bay', 'blend', 'cream whipping-cream']);
  });

  it('what was fried in a skillet goes to the beans that simmer, and not the beans into the skillet', () => {
    const { said } = saidOf(
      'Simmer the beans in the water 90 minutes. Meanwhile, heat oil in skillet. Saute onion 8 min. Add to beans; simmer 20 min. more. Puree.',
      '1 lb dried black beans\n8 cups water\n2 T. olive oil\n1 lg. onion, chopped',
      'us',
    );
    expectInOrder(said, ["simmer 90'", 'add olive-oil @Pan', "fry 8' @Pan", 'join olive-oil onion', "simmer 20'", 'blend']);
  });

  it('leaves are pushed down into the soup and not through a sieve; what is mashed out of its skin is no blended soup', () => {
    const { said } = saidOf(
      'Roast the garlic at 180C for 40 minutes. Squeeze out the cloves and mash with a fork. Simmer the potatoes in the stock 20 minutes. Stir in the roasted garlic. Keep back a few watercress leaves, then push the rest down into the hot soup. Leave for 1 minute. Blend.',
      '1 head garlic\n500g potatoes\n1 litre stock\n100g watercress',
    );
    expectInOrder(
      said,
      [
        "roast 40' @Tray",
        'peel garlic @Tray',
        'prepare garlic',
        "simmer 20'",
        'join garlic',
        'keep watercress',
        'add watercress',
        'blend',
      ],
      /sieve/,
    );
    expect(said.filter((one) => one.startsWith('blend')).length).toBe(1);
  });

  it('one leek of three is sliced for the top, the others go in, the last spoon of oil is all that is left of it', () => {
    const { said, sharesOf } = saidOf(
      'Toss the garlic with 1 tablespoon oil on a tray, roast at 180C for 30 minutes. Meanwhile, thinly slice one leek into rings for topping; set aside. Chop the remaining 2 leeks. Melt the butter with remaining tablespoon of oil in a pot. Add chopped leeks and cook 12 minutes until soft. Add the stock. Simmer 20 minutes. Blend. Fry reserved leek rings until golden, 3 minutes. Serve topped with crispy leeks.',
      '1 head garlic\n2 tablespoons olive oil, divided\n3 leeks\n50g butter\n1 litre stock',
    );
    expectInOrder(said, ['keep leek', 'add butter olive-oil', 'add leek', 'blend', 'garnish leek']);
    expect(
      sharesOf('leek')
        .filter((share) => share < 1)
        .slice(0, 2),
    ).toEqual([0.67, 0.33]);
    expect(sharesOf('olive-oil').reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 2);
  });

  it('a splash if it catches is no condition of what goes in; cream that is in but for a little extra is in whole', () => {
    const { actions, sharesOf } = saidOf(
      'Fry the onion in the oil 5 mins. Add the leek and potato with a splash of water if it starts to catch, then fry for 5 mins more. Add the stock, simmer 15 mins. Add the yogurt and blitz. Serve with a swirl of yogurt.',
      '1 tbsp oil\n1 onion\n1 leek\n1 potato\n1 litre stock\n100g natural yoghurt, plus a little extra',
    );
    expect(actions.some(({ condition }) => condition !== undefined)).toBeFalse();
    expect(sharesOf('yoghurt')[0]).toBe(1);
  });

  it('the water that leaves are blanched in for an oil on top is no water of the soup', () => {
    const { reading } = readCorpus({
      country: 'gb',
      text: 'Tomato soup\nServes 4\n\nSoup:\n1 kg tomatoes\n500ml stock\n\nBasil oil:\n1 bunch basil\n125ml olive oil\n\n1. Roast the tomatoes at 200C for 45 minutes.\n2. For the basil oil, blanch basil in a saucepan of boiling water for 10 seconds. Refresh in iced water. Process with the oil until smooth.\n3. Combine the roasted tomatoes and stock in a large saucepan. Simmer 5 minutes. Blend with a stick blender.\n4. Drizzle with basil oil.',
    });
    expect(reading.tree.soup.lines.map(({ id }) => id)).not.toContain('water');
    expect(reading.tree.soup.cards?.map(({ id }) => id)).toEqual(['basil-oil']);
  });

  it('chilled to so much or below, with the cream stirred in cold, is served cold', () => {
    const { said } = saidOf(
      'Boil the leeks in the stock 30 min. Puree. Chill over an ice bath to 40F or below. At service, stir in the cold cream.',
      '1 lb leeks\n2 qt stock\n12 fl oz heavy cream',
      'us',
    );
    expectInOrder(said, ['blend', 'chill', 'cream heavy-cream']);
  });
});
