import { saidOf, saidOfPaste } from '../../spec/method-said.js';
import { readCorpus } from '../../spec/method-corpus.js';

/** Recipes as they are pasted whole: kitchen sheets, prose without a list, blogs. What is read of their lines, and of their methods in order. */
const PASTES: readonly {
  readonly what: string;
  readonly country: 'gb' | 'us';
  readonly text: string;
  readonly foods?: readonly string[];
  readonly wanted: readonly string[];
  readonly never?: RegExp;
}[] = [
  {
    what: 'a kitchen sheet: a share before the heat, pots that are potatoes, what was roasted on top at the end',
    country: 'gb',
    text: 'LEEK + POT — yield 9kg / 30 ptns\n\nleeks 3kg prepped wt\npots 2kg\nonion 0.5kg\nbutter 0.3kg\nstock chx 4.5L\ncream 0.5L\nchives 2 bu\n\n1/3 leeks roast 200C 20 min, hold for garnish.\nRest leeks + onion sweat butter 10 min lid on.\nPots + stock, simmer 20.\nBlitz, 2/3 cream in, pass.\nLast of cream whipped, quenelle, + roast leek + chives.',
    foods: ['leek', 'potato', 'onion', 'butter', 'vegetable-stock', 'whipping-cream', 'chives'],
    wanted: [
      'add leek @Tray',
      "roast 20' @Tray",
      'add leek onion butter',
      "sweat 10'",
      'add potato vegetable-stock',
      "simmer 20'",
      'cream whipping-cream',
      'blend',
      'sieve',
      'garnish whipping-cream leek chives',
    ],
  },
  {
    what: 'prose without a list: what is chopped, by the litre and a half, and with an accent',
    country: 'gb',
    text: 'Nettle soup\n\nPick 400g young nettle tops (wear gloves) and wash them well. Soften a chopped onion and 2 leeks in 40g butter for ten minutes. Add 2 medium potatoes, peeled and diced, and a litre and a half of chicken stock and simmer until tender, about 15 minutes. Add the nettles. Liquidise, return to the pan, stir in 4 tbsp crème fraîche and season. Serves 6.',
    foods: ['nettle', 'onion', 'leek', 'butter', 'potato', 'chicken-stock', 'creme-fraiche'],
    wanted: [
      'add onion leek butter',
      "sweat 10'",
      'add potato chicken-stock',
      "simmer 15'",
      'add nettle',
      'blend',
      'cream creme-fraiche',
    ],
  },
  {
    what: 'more milk to thin it is no topping, and what is kept for days is not served cold',
    country: 'gb',
    text: 'Cauliflower soup\nServes 4\n\n1 onion\n25 g butter\n1 large cauliflower (900g)\n700ml vegetable stock\n400ml milk\n100g cheddar\n\nSoften the onion in the butter 5 mins. Add the cauliflower, stock and milk. Simmer 30 mins. Whizz in a food processor. Top up with more milk to thin a little if serving in mugs. You can make ahead up to 2 days in advance, cool, cover and leave in the fridge until needed. When ready to serve, warm through, ladle into mugs, top with the cheese.',
    wanted: ['add cauliflower vegetable-stock milk', "simmer 30'", 'blend', 'thin milk-2', 'store', "warm 3'", 'garnish cheddar'],
    never: /^chill|garnish milk/,
  },
  {
    what: 'enough of a cucumber to measure half a cup is for later',
    country: 'us',
    text: 'Chilled Cucumber Soup\nServes 4\n\n2 English cucumbers, about 1 1/2 lbs\n1 cup plain yogurt\n1/2 cup cold water\n\nFinely dice enough cucumber to measure 1/2 cup; cover and chill. Combine the remaining cucumber, yogurt and water in a blender; blend until very smooth, 1 to 2 minutes. Refrigerate 2 hours. Top with diced cucumber.',
    wanted: ['keep cucumber', 'add cucumber yoghurt water', "blend 1.5'", "chill 120'", 'garnish cucumber'],
  },
  {
    what: 'garlic blitzed to a paste is no blade in the pot',
    country: 'gb',
    text: 'Mulligatawny\nServes 4\n\n2 tbsp ghee\n2 onions\n3 cloves garlic\n15 g ginger\n1 tbsp curry powder\n1 tbsp tomato puree\n150g red lentils\n1.5 litres chicken stock\n\nGently fry the onions in the ghee for ten minutes. Blitz the garlic and ginger to a paste with a splash of water, add to the pan along with the curry powder and fry for another two minutes. Stir in the tomato puree, then add the lentils and stock. Simmer half an hour. Blend.',
    wanted: [
      "sweat 10'",
      'prepare garlic ginger',
      'add garlic ginger curry-powder',
      "bloom 2'",
      'add tomato-paste',
      'add lentils chicken-stock',
      "simmer 30'",
      'blend',
    ],
    never: /^fryPuree/,
  },
  {
    what: 'a sealed cooker on high, its release, and what is saved for drizzling though nobody speaks of it again',
    country: 'us',
    text: 'Lentil-Carrot Puree\nServes 4\n\n1 1/2 cups red lentils\n1 lb carrots\n6 cups water\n1 (14-oz) can lite coconut milk\nJuice of 1 lime\n\n1. Dump lentils, carrots and water in the pot.\n2. Seal. Manual/High 10 min. NPR 10 min, then QR.\n3. Stir in coconut milk (save 1/4 c for drizzle), blend w/ stick blender.\n4. Lime juice to finish.',
    wanted: [
      'add lentils carrot water',
      "pressure 10'",
      'keep coconut-milk-light',
      'cream coconut-milk-light',
      'blend',
      'add lime-juice',
    ],
    never: /^garnish lime/,
  },
];

describe('sheets, prose and blogs as they are pasted', () => {
  for (const { what, country, text, foods, wanted, never } of PASTES)
    it(what, () => {
      const { taken, unread } = readCorpus({ country, text });
      expect(unread).toEqual([]);
      if (foods !== undefined) expect(taken.map(({ row }) => row.id).sort()).toEqual([...foods].sort());
      const { said } = saidOfPaste(text, country);
      let from = 0;
      for (const one of wanted) {
        const at = said.indexOf(one, from);
        expect(at)
          .withContext(`${one} in: ${said.join(' | ')}`)
          .toBeGreaterThanOrEqual(from);
        from = Math.max(from, at + 1);
      }
      if (never !== undefined)
        expect(said.filter((one) => never.test(one)))
          .withContext(said.join(' | '))
          .toEqual([]);
    });

  it('what is saved for drizzling is on every bowl', () => {
    const { steps } = saidOf(
      'Simmer the carrots in the water 10 min. Stir in coconut milk (save 1/4 c for drizzle). Blend.',
      '1 lb carrots\n4 cups water\n1 (14-oz) can coconut milk\n',
      'us',
    );
    const dish = steps.find((step) => step.op === 'dish');
    const [share] = dish?.op === 'dish' ? (dish.shares ?? []) : [];
    expect(share?.garnish?.map(({ gPerBowl }) => Math.round(gPerBowl))).toEqual([15]);
  });
});
