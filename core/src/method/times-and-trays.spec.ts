import { saidOf, type Said } from '../../spec/method-said.js';
import type { Country } from '../amounts/index.js';

const LINES =
  '1 kg carrots, chunks\n2 onions, chopped\n2 red peppers\n4 cloves garlic, crushed\n30 ml olive oil\n30 g butter\n20 g plain flour\n1 litre vegetable stock\n300 ml milk\n150 ml double cream\n100 ml white wine\n1 tsp ground cumin\n30 g pumpkin seeds\na few sage leaves\nblack pepper\n';

const read = (method: string, lines = LINES, country: Country = 'gb'): Said => saidOf(method, lines, country);

const END = 'Tip everything into a pan with the stock, simmer 5 minutes and blend.';

describe('when something joins, and on which tray it lies', () => {
  it('“after 5 minutes add” is how long the heat before it lasts, and “after another 2” is a heat of its own', () => {
    const { said } = read(
      'Sweat the onions in the oil. After 5 minutes add the garlic and cumin. After another 2 minutes pour in the stock and the carrots and simmer 20 minutes. Blend.',
    );
    expect(said).toEqual([
      'add onion olive-oil',
      "sweat 5'",
      'add garlic cumin',
      "bloom 2'",
      'add vegetable-stock carrot',
      "simmer 20'",
      'blend',
    ]);
    const { said: followed } = read(
      'Sweat the onions in the oil, 8 min. In go the carrots, and after five more minutes the stock. Simmer 20 min.',
    );
    expect(followed).toContain("sweat 5'");
    expect(followed.indexOf("sweat 5'")).toBeLessThan(followed.indexOf('add vegetable-stock'));
  });

  it('what joins a heat on its way parts it: after, halfway, before the end, for the last', () => {
    const cases: [string, number[]][] = [
      ['Roast the carrots in the oil at 200C for 40 minutes. After 15 minutes add the peppers to the tray.', [15, 25]],
      ['Roast the carrots in the oil at 200C for 40 minutes, adding the peppers halfway through.', [20, 20]],
      ['Roast the carrots in the oil at 200C for 40 minutes. Ten minutes before the end, add the peppers to the tray.', [30, 10]],
      ['Roast the carrots in the oil at 200C for 40 minutes. Add the peppers for the last 10 minutes.', [30, 10]],
    ];
    for (const [words, wanted] of cases) {
      const { minutesOf, said } = read(`${words} ${END}`);
      expect(minutesOf('roast')).withContext(words).toEqual(wanted);
      expect(said).withContext(words).toContain('add red-pepper @Tray');
    }
  });

  it('peppers that are added are no seasoning, and “salt, and pepper” is no chilli', () => {
    expect(read('Sweat the onions in the oil 8 min, add the peppers and stock, simmer 10 min, blend.').said).toContain(
      'add red-pepper vegetable-stock',
    );
    const { said } = read(
      'Toss the carrots with the oil, salt, and pepper and roast at 200C for 30 minutes.',
      `${LINES}1/4 tsp cayenne pepper\nsalt\n`,
    );
    expect(said[0]).toBe('add carrot olive-oil black-pepper @Tray');
  });

  it('two trays are two, both are in the oven, and one may come out before the other', () => {
    const { said, minutesOf } = read(
      `Put the carrots and onions on one tray and the peppers on another, toss with the oil. Roast at 200C for 40 minutes, taking the peppers out after 25. ${END}`,
    );
    expect(said).toContain('add carrot onion @Tray');
    expect(said).toContain('add red-pepper @Tray 2');
    expect(minutesOf('roast').sort()).toEqual([25, 40]);
    expect(said.find((one) => one.startsWith('join'))).toMatch(/carrot.*red-pepper|red-pepper.*carrot/);
    const each = read(`Roast the carrots at 200C for 40 minutes and the peppers for 25 minutes. ${END}`);
    expect(each.minutesOf('roast').sort()).toEqual([25, 40]);
    const same = read(`Roast the carrots and peppers at 200C for 40 minutes. Take the peppers out after 25 minutes. ${END}`);
    expect(same.minutesOf('roast')).toEqual([25, 15]);
    expect(same.steps.find(({ op }) => op === 'takeOut')).toEqual(jasmine.objectContaining({ keep: true, lines: ['red-pepper'] }));
  });

  it('a rack and a heat in one sentence set the oven', () => {
    const { actions } = read(
      'Place a rack in the middle of the oven and heat to 425°F. Toss the carrots with the oil and roast for 30 minutes.',
      LINES,
      'us',
    );
    expect(actions.find(({ does }) => does === 'roast')?.ovenC).toBe(218);
    expect(actions.some(({ does }) => does === 'warm')).toBeFalse();
  });

  it('what was browned and set aside leaves the pot that goes on; a part of it comes back, then the rest', () => {
    const { said, steps } = read(
      'Brown the carrots in the butter for 8 minutes; set aside. In the same pot, sweat the onions 7 minutes. Add the stock, return three-quarters of the carrots to the pot and simmer 15 minutes. Blend, stir in the rest of the carrots.',
    );
    expect(said).toContain('keep carrot');
    expect(steps.flatMap((step) => (step.op === 'giveBack' ? [step.share] : []))).toEqual([0.75, 1]);
    const seeds = read(
      'Dry-fry the seeds until they pop; set aside. Heat the oil, soften the onions 5 mins. Add the stock, simmer 10 min, blend. Sprinkle with the seeds.',
    );
    expect(seeds.said).toContain('add olive-oil @Pot 2');
    expect(seeds.said.at(-1)).toBe('garnish pumpkin-seeds');
  });

  it('“the seeds” are no ground cumin, and a crisped leaf is the one on top', () => {
    const { said } = read(
      'Fry the sage leaves in the butter until crisp, then drain on kitchen paper. In the same pan cook the onions for 8 mins. Add the garlic for 1 min, then the carrots and stock. Simmer for 20 mins. Blend. Top with the sage and seeds.',
    );
    expect(said).toContain("bloom 1'");
    expect(said).toContain('add carrot vegetable-stock');
    expect(said.at(-1)).toBe('garnish sage pumpkin-seeds');
    expect(said.filter((one) => one.startsWith('add') && one.includes('sage'))).toEqual(['add sage butter']);
  });

  it('a white sauce is a pan of its own that meets the soup', () => {
    const { said } = read(
      'Boil the carrots in the stock 20 min and put through a food mill. Make white sauce with the butter, flour and milk. Pour the hot soup slowly into the sauce.',
    );
    expect(said).toContain('add butter plain-flour @Pan');
    expect(said).toContain('add milk @Pan');
    expect(said.at(-1)).toBe('join carrot vegetable-stock @Pan');
    const roux = read(
      'Make a roux with the butter and flour, cook out for 2 min, then whisk in the milk. Simmer 5 min. In another pan boil the carrots in the stock for 25 min. Blend, then stir in the white sauce and cream.',
    );
    expect(roux.said.at(-1)).toBe('cream double-cream');
    expect(roux.said.at(-2)).toMatch(/^join /);
  });

  it('kitchens cut words short: w/, thru, w/o', () => {
    const { said } = read('Sweat the onions w/ butter 8 min. Add carrots & stock, simmer 20 min. Blend. Put thru a sieve.');
    expect(said).toContain('add onion butter');
    expect(said.at(-1)).toBe('sieve');
  });

  it('“the spices” are those of the soup where others stand under a heading of the method', () => {
    const { said } = read(
      'Sweat the onions in the butter 8 min, add the spices, cook 1 min. Add the stock and carrots, simmer 20 min, blend.\nFor the tarka, heat the oil in a small frying pan. Add the mustard and coriander seeds and sizzle for 30 secs. Spoon over the soup.',
      'For the soup\n1 kg carrots, chunks\n2 onions, chopped\n30 g butter\n1 litre vegetable stock\n1 tsp ground cumin\n1 tsp turmeric\n\nFor the tarka\n30 ml olive oil\n1 tsp mustard seeds\n1 tsp coriander seeds\n',
    );
    expect(said).toContain('add cumin turmeric');
    expect(said).toContain("bloom 0.5' @Pan");
  });

  it('words of the trade are no foods: all, smooth, back, base, blend', () => {
    const lines = `${LINES}1 all-purpose potato, diced\n`;
    const { said } = read(
      'Sweat the onions in the butter 8 min. Add the stock, stirring all the time. Add the carrots and potato. 25 mins later it should all be soft. Blend.',
      lines,
    );
    expect(said).toContain('add vegetable-stock');
    expect(said.filter((one) => one.includes('potato')).length).toBe(1);
    expect(said).toContain("simmer 25'");
  });

  it('numbered in one row, with what each step does in capitals', () => {
    const { said } = read(
      '1. SWEAT: onions in butter, 5 min. 2. SIMMER: add carrots, stock, cumin. 20 min. 3. BLEND: until silky. 4. FINISH: cream, pepper.',
    );
    expect(said).toEqual(
      jasmine.arrayContaining([
        'add onion butter',
        "sweat 5'",
        'add carrot vegetable-stock cumin',
        "simmer 20'",
        'blend',
        'cream double-cream',
      ]),
    );
    expect(said.some((one) => one.startsWith('remark'))).toBeFalse();
  });

  it('told as one talks: get it roasting, followed by, in with the blender', () => {
    const { said } = read(
      'You’ll want to get the carrots roasting first: 200C, about 40 minutes, tossed with the oil. Start with the onions: soften them in butter for ten minutes. Then it’s the wine, which you let bubble away, followed by the stock and the carrots. Fifteen minutes at a simmer should do it. In with the blender. Cream last.',
    );
    expect(said[0]).toBe('add carrot olive-oil @Tray');
    expect(said).toContain('add onion butter');
    expect(said).toContain('add vegetable-stock');
    expect(said).toContain("simmer 15'");
    expect(said.slice(-2)).toEqual(['blend', 'cream double-cream']);
  });

  it('mixed for the top beside a soup that is blended', () => {
    const { said } = read(
      'Sweat the onions in the butter 8 min. Add the stock and carrots, simmer 20 min. Blend with half the cream. Mix the horseradish with the remaining cream. Serve with a dollop of the horseradish cream.',
      `${LINES}20 g horseradish\n`,
    );
    expect(said).toContain('add horseradish double-cream @Bowl');
    expect(said.at(-1)).toBe('garnish horseradish double-cream');
    const beaten = read(
      'Boil the carrots in the stock for 20 minutes. Meanwhile, melt the butter in a frying pan and cook the onions for 10 minutes. Add the onions to the pan with the carrots and blend. Beat the cream until it just holds its shape and spoon onto each bowl.',
    );
    expect(beaten.said).toContain('join butter onion');
    expect(beaten.said.slice(-2)).toEqual(['prepare double-cream', 'garnish double-cream']);
  });
});
