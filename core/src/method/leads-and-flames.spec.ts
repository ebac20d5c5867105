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
});
