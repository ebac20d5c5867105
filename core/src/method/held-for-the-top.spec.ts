import { factsOf, readCorpus } from '../../spec/method-corpus.js';
import { walk, type SoupStep } from '../soup/index.js';

function read(text: string) {
  const reading = readCorpus({ text, country: 'gb' });
  const { soup } = reading.reading.tree;
  const steps = walk(soup.root).map(({ step }) => step);
  const dish = steps.find((step): step is Extract<SoupStep, { op: 'dish' }> => step.op === 'dish');
  return {
    facts: factsOf(reading).map(({ does, lines }) => [does, ...lines].join(' ')),
    kept: reading.reading.actions.filter(({ does }) => does === 'keep'),
    foods: reading.taken.map(({ row: { id } }) => id),
    unread: reading.unread,
    asked: reading.asked,
    steps,
    /** Grams a bowl of what stands on it, by food. */
    tops: Object.fromEntries(
      (dish?.shares ?? []).flatMap(({ garnish = [] }) =>
        garnish.map(({ line, gPerBowl }) => [
          soup.lines.find(({ id }) => id === line)?.ingredient ?? line,
          Math.round(gPerBowl * 10) / 10,
        ]),
      ),
    ) as Readonly<Record<string, number>>,
  };
}

const START = 'Soup\nServes 4\n500 g carrots\n1 onion\n1 tbsp oil\n600 ml vegetable stock\n';
const COOK = 'Soften the onion in the oil for 8 mins. Add the carrots and stock and simmer 20 mins.';
const COCONUT = `${START}400 ml can coconut milk\n`;

describe('a part that is kept for the top', () => {
  for (const [told, share] of [
    ['Set aside 4 tbsp of the coconut milk', 0.15],
    ['Reserve 100 ml of the coconut milk', 0.25],
    ['Set 40 ml of the coconut milk aside', 0.1],
  ] as const) {
    it(`“${told}”: that much stands on the bowls and the rest is in the soup`, () => {
      const { kept, tops, facts } = read(
        `${COCONUT}${COOK} ${told}. Pour the rest into the pan. Blend. Swirl with the reserved coconut milk.`,
      );
      expect(kept[0]?.lines[0]?.share).toBeCloseTo(share, 1);
      expect(tops['coconut-milk']).toBeCloseTo((400 * share) / 4, -0.5);
      expect(facts).toContain('cream coconut-milk');
    });
  }

  it('the thick cream off the top of a can is of that can, and “and set aside” is said of it again', () => {
    const { kept, tops, steps } = read(
      `${COCONUT}1 tbsp coconut oil\nSoften the onion in the oils for 8 mins. Add the carrots. Spoon off 4 tbsp of the thick cream from the top of the coconut milk and set aside; pour the rest into the pan with the stock. Simmer 20 mins. Blend. Ladle into bowls; swirl with the reserved coconut cream.`,
    );
    expect(kept.map(({ lines, assumed }) => [lines[0]?.line, assumed])).toEqual([['coconut-milk', ['SHARE']]]);
    expect(Object.keys(tops)).toEqual(['coconut-milk']);
    expect(tops['coconut-milk']).toBeLessThan(20);
    expect(steps.filter(({ op }) => op === 'join')).toEqual([]);
  });

  it('in brackets behind what goes in with no word for it', () => {
    const { tops, steps } = read(
      `${COCONUT}${COOK} Blend. In with the coconut milk (keep back a spoonful per bowl to swirl on top).`,
    );
    expect(tops['coconut-milk']).toBeLessThan(20);
    expect(steps.some(({ op }) => op === 'cream')).toBeTrue();
  });

  it('so many grams of it that have another name are so many grams', () => {
    const { kept } = read(
      `${START}1 kg cauliflower\nSoften the onion in the oil for 8 mins. Add the carrots, cauliflower (holding back 250 g small florets for garnish) and stock. Simmer 20 mins. Blend. Garnish with the florets.`,
    );
    const share = kept[0]?.lines[0]?.share ?? 0;
    expect(share).toBeCloseTo(0.25, 1);
    expect(kept[0]?.assumed).toEqual([]);
  });

  it('“plus a handful to finish” is peas of their own where all the others are in the soup', () => {
    const { tops, facts } = read(
      `${START}400 g frozen peas, plus a handful more to finish\n${COOK} Tip in the peas and cook for 3 mins. Blend. Serve with the raw peas.`,
    );
    expect(Object.keys(tops)).toEqual(['peas']);
    expect(tops.peas).toBeLessThan(20);
    expect(facts).toContain('add peas');
  });

  it('two thirds of shredded meat come back, and no more', () => {
    const { steps } = read(
      `${START}600 g cooked ham\nPut the ham in a big pan with the stock and simmer for 30 mins. Add the onion and carrots and simmer 20 mins. Lift out the ham and shred. Blend half the soup and return to the pan with two-thirds of the shredded ham.`,
    );
    expect(steps.flatMap((step) => (step.op === 'giveBack' ? [step.share] : []))).toEqual([2 / 3]);
  });
});

describe('what is said beside the work', () => {
  it('soup that is left so that it does not spit is left, and not fried', () => {
    const { steps } = read(`${START}${COOK} Take it off the heat and leave it 10 minutes so it doesn’t spit at you, then blend.`);
    expect(steps.filter(({ op }) => op === 'fry')).toEqual([]);
    expect(steps.find(({ op }) => op === 'rest')).toEqual(jasmine.objectContaining({ minutes: 10 }));
  });

  it('a yield in litres under one in portions is no food, and runny honey is honey', () => {
    const { unread, foods, asked } = read(
      `CREAM OF CARROT (50 portions)\nYield: 12.5 L\n10 kg carrots\n1 tbsp runny honey\n9 L stock\nSimmer everything for 30 mins. Blend.`,
    );
    expect(unread).toEqual([]);
    expect(asked).toBe(0);
    expect(foods).toEqual(['carrot', 'honey', 'vegetable-stock']);
  });
});

describe('kitchen sheets and two trays', () => {
  it('“both sheets” are roasted, whatever is named behind it, and what is only for a silkier soup can be left out', () => {
    const reading = readCorpus({
      text: 'Bisque\nServes 6\n6 red peppers\n900 g plum tomatoes, halved\n3 tbsp olive oil\n1 onion, chopped\n700 ml vegetable stock\nPreheat oven to 220C. On one baking sheet toss the tomatoes with 2 tbsp of the oil. Put the peppers on a second sheet. Roast both sheets 35 minutes, until tomatoes are caramelised and pepper skins blister. Heat the remaining oil in a large pot. Add the onion, cook 8 minutes. Add tomatoes, peppers and stock. Simmer 15 minutes. Blend; for a silkier soup, pass through a fine sieve.',
      country: 'gb',
    });
    const roasts = walk(reading.reading.tree.soup.root).filter(({ step }) => step.op === 'roast');
    expect(roasts.map(({ step }) => (step.op === 'roast' ? [step.ovenC, step.minutes] : []))).toEqual([
      [220, 35],
      [220, 35],
    ]);
    expect(reading.reading.actions.find(({ does }) => does === 'sieve')?.condition).toBe('for a silkier soup');
  });

  it('steps counted with a bracket are all steps; “drop to simmer” simmers, and a bain-marie holds', () => {
    const { unread, steps, facts } = read(
      'LEEK & POTATO x 80 ptn\nLEEKS trimmed 6kg\nPOTATOES peeled 5kg\nBUTTER 400g\nVEG STOCK 12L\nCREAM UHT 1.5L\nSALT 110g\n\n1) Melt butter, sweat leek lid on 15 min.\n2) Potatoes + stock in. Boil, drop to simmer 25 min till they crush.\n3) Stick blend 5 min.\n4) Cream, salt. Back to 80C.\n5) Bain marie 75C lid on max 3 hr.\n6) Fry leek julienne 180C oil 1 min, drain - on top at pass.',
    );
    expect(unread).toEqual([]);
    expect(steps.find(({ op }) => op === 'simmer')).toEqual(jasmine.objectContaining({ minutes: 25 }));
    expect(steps.find(({ op }) => op === 'hold')).toEqual(jasmine.objectContaining({ atC: 75, minutes: 180 }));
    expect(facts).toContain('cream uht-cream');
    // Nobody said how much of the leek is kept for it: the soup is not fried and not drained for that.
    expect(steps.filter(({ op }) => op === 'fryPuree' || op === 'drain')).toEqual([]);
  });
});
