import { factsOf, readCorpus } from '../../spec/method-corpus.js';
import type { Country } from '../amounts/index.js';
import { walk } from '../soup/index.js';

function read(text: string, country: Country = 'gb') {
  const reading = readCorpus({ text, country });
  return {
    facts: factsOf(reading).map(({ does, lines, figures }) =>
      [does, ...lines, ...Object.entries(figures).map(([key, value]) => `${key}=${value}`)].join(' '),
    ),
    lines: reading.taken.map(({ row: { id }, kg }) => [id, Math.round(kg * 1000)]),
    unread: reading.unread,
    asked: reading.asked,
    soup: reading.reading.tree.soup,
    actions: reading.reading.actions.map(({ does, lines, minutes, share, assumed }) => ({ does, lines, minutes, share, assumed })),
  };
}

const START = 'Soup\nServes 4\n1 onion\n30 g butter\n1 litre vegetable stock\n';
const COOK = 'Sweat the onion in the butter for 10 minutes. Add the stock and simmer for 20 minutes.';

describe('what is kept, and what comes back', () => {
  it('a part of a vegetable behind “and” is no doing, and the minutes are those of the pan', () => {
    const { facts } = read(
      `${START}1 cauliflower, core kept\nCook the onion and core over a low heat for 12 minutes in the butter. Add the stock and the cauliflower and simmer for 15 minutes. Blend.`,
    );
    expect(facts).toContain('sweat min=12');
    expect(facts).not.toContain('sweat min=8');
  });

  it('the blender that is named first is the one; another in brackets is the cook’s choice', () => {
    const jug = read(`${START}${COOK} In batches, purée the soup in a blender until smooth (or use an immersion blender).`);
    expect(jug.facts.at(-1)).toBe('blend blender=jug');
    const stick = read(`${START}${COOK} Purée with a stick blender or in a food processor.`);
    expect(stick.facts.at(-1)).toBe('blend blender=stick');
  });

  it('cream that is thinned for the top thins no soup', () => {
    const { facts } = read(
      `${START}120 ml soured cream\n${COOK} Blend. Whisk in half the soured cream. Thin the remaining soured cream with a spoonful of water. Ladle into bowls and drizzle with the soured cream.`,
    );
    expect(facts.filter((fact) => fact.startsWith('thin'))).toEqual([]);
    expect(facts.at(-1)).toMatch(/^garnish soured-cream/);
  });

  it('what salt draws out is rinsed off: none of it is in the soup', () => {
    const { facts, soup } = read(
      'Soup\nServes 4\n2 cucumbers\n200 g Greek yoghurt\n300 ml vegetable stock\nPut the cucumber in a colander, sprinkle with 1 tsp salt and leave for 20 minutes, then rinse and pat dry. Whizz everything in a blender until smooth. Chill for 2 hours.',
    );
    expect(facts.some((fact) => /^add .*salt/.test(fact))).toBeFalse();
    expect(facts.find((fact) => fact.startsWith('add'))).toContain('cucumber');
    expect(soup.lines.filter(({ ingredient }) => ingredient.endsWith('salt'))).toEqual([]);
  });

  it('“with half the stock” is of the stock, and all of the soup is blended', () => {
    const { actions } = read(
      'Soup\nServes 4\n2 cucumbers\n200 g Greek yoghurt\n300 ml vegetable stock\n60 ml double cream\nWhizz everything except the cream in a blender with half the stock until smooth, adding the rest of the stock. Chill for 2 hours. Serve with the cream.',
    );
    const blend = actions.find(({ does }) => does === 'blend');
    expect(blend).toBeDefined();
    expect(blend?.share).toBeUndefined();
    const added = actions.filter(({ does }) => does === 'add').flatMap(({ lines }) => lines);
    expect(added.find(({ line }) => line === 'vegetable-stock')?.share).toBe(0.5);
    expect(added.some(({ line }) => line === 'double-cream')).toBeFalse();
  });

  it('“everything” is what came off both trays', () => {
    const { facts, actions } = read(
      `${START}3 red peppers\n1 kg tomatoes\n2 tbsp olive oil\nGrill the peppers on a tray for 15 minutes. Peel the peppers. On a second tray roast the tomatoes in the oil at 200C for 35 minutes. Transfer everything to a pot, add the stock and simmer for 10 minutes. Blend.`,
    );
    const joined = actions.filter(({ does }) => does === 'join').flatMap(({ lines }) => lines.map(({ line }) => line));
    expect(joined).toContain('red-pepper');
    expect(joined).toContain('tomato');
    expect(facts.findIndex((fact) => fact.startsWith('add vegetable-stock'))).toBeGreaterThan(
      facts.findLastIndex((fact) => fact.startsWith('join')),
    );
  });

  it('vegetables that are lifted out to a bowl are given back, and the pan goes on without them', () => {
    const { facts } = read(
      `${START}2 carrots\n30 g plain flour\n500 g broccoli\nSweat the onion and carrots in half the butter for 7 minutes. Remove to a bowl. In same pot melt the remaining butter, add the flour and cook, whisking constantly, for 2 minutes. Whisk in the stock. Return the vegetables to the pot along with the broccoli stems and simmer for 10 minutes. Add the florets and simmer for 8 minutes. Purée half of the soup and return it to the rest.`,
    );
    const kept = facts.findIndex((fact) => fact.startsWith('keep onion carrot'));
    expect(kept).toBeGreaterThan(0);
    expect(facts.findIndex((fact) => fact.startsWith('giveBack onion carrot'))).toBeGreaterThan(kept);
    // The rest of the butter goes in with the flour, and not with “the rest”.
    expect(facts.filter((fact) => fact.includes('butter')).length).toBe(2);
    expect(facts.findLastIndex((fact) => fact.includes('butter'))).toBeLessThan(
      facts.findIndex((fact) => fact.includes('flour')) + 1,
    );
  });

  it('what is blanched beside the soup takes none of it along, and the blade meets the soup', () => {
    const { soup, facts } = read(
      `${START}2 carrots\n500 g broccoli\nSweat the onion and carrots in the butter for 7 minutes. Add the stock and all but a handful of the broccoli and simmer for 10 minutes. Meanwhile, blanch the reserved broccoli in boiling salted water for 1 minute; drain. Purée the soup until smooth. Stir in the blanched broccoli.`,
    );
    const blend = walk(soup.root).find(({ step }) => step.op === 'blend');
    expect(blend?.branch.id).toBe(soup.root.id);
    expect(facts.findIndex((fact) => fact.startsWith('drain'))).toBeLessThan(facts.findIndex((fact) => fact.startsWith('blend')));
    expect(walk(soup.root).some(({ step, branch }) => step.op === 'sweat' && branch.id === soup.root.id)).toBeTrue();
  });

  it('“tip in” holds nothing back; what the brackets keep is what goes on top', () => {
    const { actions } = read(
      `${START}180 g cooked chestnuts\n${COOK} Tip in the chestnuts (keep 4 back to crumble on top) and simmer for 5 minutes. Blend. Serve with the crumbled chestnuts.`,
    );
    const shares = actions.flatMap(({ does, lines }) =>
      lines.filter(({ line }) => line.includes('chestnut')).map(({ share }) => [does, share] as const),
    );
    const [, added] = shares.find(([does]) => does === 'add') ?? [];
    const [, kept] = shares.find(([does]) => does === 'keep') ?? [];
    expect(added).toBeGreaterThan(0.5);
    expect((added ?? 0) + (kept ?? 0)).toBeCloseTo(1, 6);
  });

  it('dried mushrooms that were soaked stay in, with what they were soaked in', () => {
    const { soup } = read(
      `${START}25 g dried porcini\nCover the porcini with 200 ml boiling water and soak for 20 minutes. Strain through kitchen paper, keeping the liquor; chop the porcini. Sweat the onion in the butter for 10 minutes. Add the porcini, the stock and the soaking liquor. Simmer for 15 minutes. Blend.`,
    );
    const drains = walk(soup.root).filter(({ step }) => step.op === 'drain');
    expect(drains).toEqual([]);
  });

  it('“add” by itself adds what was made ready, “em” is them', () => {
    const { facts } = read(
      `${START}500 g parsnips\nSweat the onion in the butter for 8 minutes. Slice parsnips 5mm, drain, add, sweat 5 mins more. Add the stock and simmer for 20 minutes. Blend.`,
    );
    expect(facts.slice(0, 4)).toEqual(['add onion butter', 'sweat min=8', 'add parsnip', 'sweat min=5']);
    const grandma = read(
      `${START}4 potatoes\nSlice the onion. Cook em in the butter til soft. Peel and chunk up your taters and throw em in. Pour in the stock and simmer for 20 minutes. Blend.`,
      'us',
    );
    expect(grandma.facts[0]).toBe('add onion butter');
    expect(grandma.facts).toContain('add potato');
  });

  it('seeds that are scooped out are none of the spice, and the squash goes on the tray', () => {
    const { facts } = read(
      `${START}1 butternut squash\n1 tsp cumin seeds\n2 tbsp olive oil\nHalve the squash, scoop out the seeds, then cut into chunks. Tip into a roasting tray with the oil and the cumin seeds. Roast at 200C for 35 minutes. ${COOK} Add the roasted squash. Blend.`,
    );
    expect(facts[0]).toBe('add butternut olive-oil cumin');
  });

  it('a condition in brackets is of what it is about; tray juices are no tray; the leaves of celery are no herb', () => {
    const split = read(`${START}${COOK.replace('simmer for', 'simmer (it splits if it boils hard) for')} Blend.`);
    expect(split.actions.find(({ does }) => does === 'simmer')?.minutes?.low).toBe(20);
    const tray = read(
      `${START}1 kg tomatoes\n2 tbsp olive oil\nRoast the tomatoes in the oil at 200C for 40 minutes. Combine the tomatoes, any tray juices, the onion and the stock in a large saucepan over medium heat. Simmer for 10 minutes. Blend.`,
    );
    const pot = walk(tray.soup.root).find(({ step }) => step.op === 'simmer');
    expect(pot?.branch.vessel).toBe('pot');
    const leaves = read(
      `${START}500 g celery\n5 g dill\nSweat the celery and onion in the butter for 10 minutes. Add the stock and simmer for 20 minutes. Blend with the dill. Serve topped with celery leaves.`,
    );
    expect(leaves.facts.filter((fact) => fact.includes('dill')).length).toBe(1);
  });

  it('pouring-cream consistency is no cream; the tips are rolled in butter for the top', () => {
    const { facts } = read(
      `${START}1 kg asparagus\n200 ml crème fraîche\nCut off the tips. Blanch the tips for 90 seconds in boiling salted water, drain. Sweat the onion in half the butter for 5 minutes, add the stalks and cook for 4 minutes. Pour on 700 ml of the boiling stock and simmer for 5 minutes. Blend to a pouring-cream consistency. Whisk in the crème fraîche. Roll the tips in the remaining butter until hot. Garnish with the tips.`,
    );
    expect(facts.filter((fact) => fact.includes('creme-fraiche')).length).toBe(1);
    expect(facts).toContain(jasmine.stringMatching(/^garnish asparagus butter/));
    expect(facts).toContain(jasmine.stringMatching(/^add vegetable-stock/));
  });
});

describe('what is beside the soup', () => {
  it('vegetables boiled in their skins and drained have water of their own', () => {
    const { soup } = read(
      `${START}1 kg beetroot\nBoil the beetroot in their skins for 45 minutes. Drain, cool, then rub off the skins and dice. ${COOK} Tip in the beetroot. Blend.`,
    );
    const steps = walk(soup.root);
    const drained = steps.find(({ step }) => step.op === 'drain');
    expect(drained).toBeDefined();
    expect(steps.filter(({ branch }) => branch.id === drained?.branch.id).map(({ step }) => step.op)).toContain('cover');
    expect(drained?.branch.id).not.toBe(soup.root.id);
  });

  it('an oil made under its own name is no soup, and is drizzled as what it is', () => {
    const { facts, soup } = read(
      `${START}20 g mint\n80 ml olive oil\n700 g frozen peas\nMake the mint oil: Blanch the mint in boiling water for 15 seconds and drain. Blend with the olive oil for 2 minutes.\n${COOK} Add the peas, cook for 4 minutes. Transfer to an ice bath to cool.\nPurée until very smooth, 3 minutes. Drizzle with the mint oil.`,
    );
    const blends = walk(soup.root).filter(({ step }) => step.op === 'blend');
    expect(blends.some(({ branch }) => branch.id === soup.root.id)).toBeTrue();
    expect(walk(soup.root).some(({ step, branch }) => step.op === 'drain' && branch.id === soup.root.id)).toBeFalse();
    expect(facts.filter((fact) => /^add .*mint/.test(fact)).length).toBe(1);
  });

  it('garlic that is squeezed in comes off its tray; cloves that are thrown out do not go in', () => {
    const garlic = read(
      `${START}4 garlic bulbs\n2 tbsp olive oil\nSit them on foil, drizzle the garlic bulbs with the oil and roast at 180C for 50 minutes. ${COOK} Squeeze in the roast garlic. Blend.`,
    );
    const joined = garlic.actions.filter(({ does }) => does === 'join').flatMap(({ lines }) => lines.map(({ line }) => line));
    expect(joined).toContain('garlic');
    const studded = read(
      `${START}2 cloves\n500 g split peas\nPut the peas, the onion, the cloves and the stock in a pot. Bring to a boil, cover partially and simmer for 90 minutes. Lift out the onion. Throw out the cloves but put the onion back. Blend.`,
    );
    expect(studded.facts.filter((fact) => /^add .*cloves/.test(fact)).length).toBe(1);
    expect(studded.facts).toContain('giveBack onion');
    expect(studded.facts).toContain(jasmine.stringMatching(/^simmer .*lid=ajar/));
  });

  it('florets saved from what is roasted already go on top; cream before “reheat” goes in; stalks first, leaves later', () => {
    const saved = read(
      `${START}1 kg cauliflower\n2 tbsp olive oil\nRoast the cauliflower in the oil at 200C for 30 minutes. ${COOK} Add the cauliflower (save some pretty florets) and simmer for 10 minutes. Blend. Top with the pretty florets.`,
    );
    expect(saved.facts).toContain(jasmine.stringMatching(/^keep cauliflower/));
    const cress = read(
      `${START}250 g watercress\n150 ml single cream\n${COOK} Watercress stalks in for 3 minutes. Off heat, leaves in.\nBlitz.\nCream, nutmeg, reheat.`,
    );
    const shares = cress.actions.flatMap(({ lines }) =>
      lines.filter(({ line }) => line === 'watercress').map(({ share }) => share),
    );
    expect(shares).toEqual([0.3, 0.7]);
    expect(cress.facts).toContain(jasmine.stringMatching(/^cream single-cream/));
  });

  it('floury potatoes are no flour, and what is let down with milk is let down with milk', () => {
    const { facts, soup } = read(
      `${START}450 g floury potatoes\nSweat the onion in the butter for 10 minutes.\nPotatoes in, stir about, 5 mins more.\nAdd the stock and simmer for 20 minutes. Blend. Thin with milk if need be.`,
    );
    expect(facts).toContain('sweat min=5');
    const thin = walk(soup.root).find(({ step }) => step.op === 'thin')?.step;
    const line = thin !== undefined && 'line' in thin ? soup.lines.find(({ id }) => id === thin.line) : undefined;
    expect(line?.ingredient).toBe('milk');
  });

  it('a slow cooker has its lid on and never boils', () => {
    const { soup } = read(
      `${START}900 g butternut squash\nPut everything in the slow cooker. Cook on high for 4 hours or low for 8. Blend with a stick blender.`,
    );
    const step = walk(soup.root).find(({ step: one }) => one.op === 'simmer')?.step;
    expect(step).toEqual(jasmine.objectContaining({ minutes: 240, lid: 'on', vigour: 'bare' }));
  });

  it('an oven that is set by the words is not taken for granted, though the grill was before it', () => {
    const { actions, soup } = read(
      `${START}3 red peppers\n1 kg tomatoes\n2 tbsp olive oil\nPreheat the grill. Grill the peppers on a tray for 15 minutes. Reduce the oven to 200C. On a second tray roast the tomatoes in the oil for 35 minutes. ${COOK} Add everything. Blend.`,
    );
    expect(actions.filter(({ does }) => does === 'roast').map(({ assumed }) => assumed.includes('OVEN'))).toEqual([true, false]);
    const ovens = walk(soup.root).flatMap(({ step }) => (step.op === 'roast' ? [step.ovenC] : []));
    expect(ovens.at(-1)).toBe(200);
  });

  it('the second jug is filled up with the rest of the stock', () => {
    const { actions } = read(
      'Soup\nServes 4\n1 kg carrots\n2 tbsp olive oil\n1 litre vegetable stock\nRoast the carrots in the oil at 200C for 40 minutes. Transfer half of the carrots to a blender, add half the stock and blend until smooth. Pour into a large pot. Repeat with the remaining carrots and stock. Bring to a simmer.',
    );
    const stock = actions.flatMap(({ lines }) => lines.filter(({ line }) => line === 'vegetable-stock').map(({ share }) => share));
    expect(stock.length).toBe(2);
    expect(actions.find(({ does }) => does === 'blend')?.share).toBeUndefined();
  });
});

describe('what stands around a recipe', () => {
  it('a page brings its jumps, stars, notes and figures along, and none of it is food or work', () => {
    const { lines, unread, actions } = read(
      `Jump to Recipe\nThe Best Tomato Soup\n★★★★★ 4.8 from 213 reviews\nIngredients\n▢ 3 lbs tomatoes, halved\n▢ 2 cups vegetable broth*\nInstructions\nPreheat oven to 400°F.\nPlace the tomatoes on a baking sheet and roast for 40 minutes.\nTransfer to a pot, add the broth and simmer for 10 minutes. Blend until smooth.\nNotes\n1. If using table salt, use half.\n*Chicken broth works too.\nNutrition Information: Calories: 243kcal\nDid you make this recipe? Tag us`,
      'us',
    );
    expect(unread).toEqual([]);
    expect(lines.map(([id]) => id)).toEqual(['tomato', 'vegetable-stock']);
    const stock = actions.flatMap(({ lines: own }) => own.filter(({ line }) => line === 'vegetable-stock'));
    expect(stock.map(({ share }) => share)).toEqual([undefined]);
    expect(actions.at(-1)?.does).toBe('blend');
  });

  it('notes between the list and a method without a heading swallow no method', () => {
    const { facts } = read(
      'Carrot soup\nServes 4\n700 g carrots\n40 g butter\n1 litre vegetable stock\nNotes\nUse old carrots.\n1. Sweat the carrots in the butter for 10 minutes.\n2. Add the stock and simmer for 20 minutes. Blend.',
    );
    expect(facts).toContain('sweat min=10');
    expect(facts.at(-1)).toBe('blend');
  });

  it('“you’ll need” is a heading, leaders are no amount, and all under “toppings” goes on top', () => {
    const { lines, unread, facts } = read(
      `# Carrot soup\n\n## You'll need\n- 700g carrots\n- Butter ........... 40 g\n- 1 litre stock\n\n## Toppings\n- chopped peanuts\n- coriander leaves\n\n## What to do\n1. Sweat the carrots in the butter for 10 minutes. Add the stock and simmer for 20 minutes.\n2. Blend. Sprinkle with the toppings.`,
    );
    expect(unread).toEqual([]);
    expect(lines.map(([id]) => id)).toEqual(['carrot', 'butter', 'vegetable-stock', 'peanuts', 'coriander']);
    expect(facts.at(-1)).toBe('garnish peanuts coriander');
  });

  it('“the pan” of a sheet pan is the sheet; what is reduced by itself is no half of the soup', () => {
    const tray = read(
      `${START}1 kg tomatoes\n1 head garlic\n2 tbsp olive oil\nPlace the tomatoes on a baking sheet. Rub the garlic with the oil, wrap in foil and add to the pan. Roast at 200C for 40 minutes. ${COOK} Add the tomatoes and garlic. Blend.`,
    );
    const roasts = walk(tray.soup.root).filter(({ step }) => step.op === 'roast');
    expect(roasts.every(({ branch }) => branch.vessel === 'tray')).toBeTrue();
    const juice = read(`${START}250 ml orange juice\n${COOK} Blend. Reduce the orange juice by half, add with the butter.`);
    const reduced = walk(juice.soup.root).find(({ step }) => step.op === 'reduce');
    expect(reduced).toBeDefined();
    expect(reduced?.branch.id).not.toBe(juice.soup.root.id);
  });

  it('a ladleful scooped out comes back; what is crisp waits on paper; the fat of the bacon is no butter', () => {
    const { facts } = read(
      `${START}160 g chorizo\n2 x 400 g tins butter beans\nDry-fry the chorizo in a frying pan for 4 minutes until crisp. Scoop out onto kitchen paper with a slotted spoon. ${COOK.replace('Add the stock', 'Add the beans and stock')} Scoop out a ladleful of the beans and set aside. Blitz the rest with a hand blender, then stir in the reserved beans. Serve with the chorizo.`,
    );
    expect(facts).toContain(jasmine.stringMatching(/^keep canned-white-beans/));
    expect(facts).toContain('giveBack canned-white-beans');
    expect(facts.filter((fact) => fact.startsWith('peel'))).toEqual([]);
    const crumb = read(
      `${START}100 g bacon\n75 g breadcrumbs\n${COOK} Blend.\nFor the crumb: grill the bacon till crisp. Fry the breadcrumbs in the bacon fat till golden. Reheat the soup gently and serve with the crumb.`,
    );
    expect(crumb.facts.filter((fact) => fact.includes('butter')).length).toBe(1);
    const warm = walk(crumb.soup.root).findLast(({ step }) => step.op === 'simmer');
    expect(warm?.branch.id).toBe(crumb.soup.root.id);
  });

  it('wine has the minutes that are told behind it; a part of several is a part', () => {
    const { actions } = read(
      `${START}2 red chillies, deseeded and finely chopped\n120 ml white wine\nSweat the onion and ¾ of the 2 deseeded and finely chopped chillies in the butter for 10 minutes. Add the wine; cook until evaporated, 3 minutes. Add the stock and simmer for 20 minutes. Blend. Ladle into bowls and scatter with the remaining chilli.`,
    );
    expect(actions.find(({ does }) => does === 'deglaze')?.minutes).toEqual({ low: 3, high: 3 });
    expect(actions.filter(({ does }) => does === 'fry')).toEqual([]);
    const chilli = actions.flatMap(({ lines }) => lines.filter(({ line }) => line.includes('chilli')).map(({ share }) => share));
    expect(chilli[0]).toBe(0.75);
    expect(chilli.at(-1)).toBeCloseTo(0.25, 6);
  });
});

describe('pans, fats and stocks of their own', () => {
  it('bacon drained on paper is kept, its fat stays, and what is discarded is fat', () => {
    const { facts } = read(
      `Soup\nServes 4\n6 slices bacon\n1 onion\n1 cauliflower\n1 litre chicken stock\nIn a large pot, cook the bacon until crisp, 8 minutes. Drain on a paper towel-lined plate. Leave 1 tablespoon fat in the pot and discard the rest. Add the onion and cook until soft, 5 minutes. Add the cauliflower and stock and simmer for 20 minutes. Blend. Serve topped with the bacon.`,
      'us',
    );
    expect(facts).toContain('keep bacon');
    expect(facts.filter((fact) => /^(?:takeOut|rest)/.test(fact))).toEqual([]);
    expect(facts.at(-1)).toBe('garnish bacon');
  });

  it('a stock boiled from cobs and strained goes into the pot of the soup, and the kernels stay kernels', () => {
    const { actions, soup } = read(
      `Soup\nServes 4\nKernels from 6 cobs, cobs reserved\n1 onion\n1.5 litres water\n50 g butter\n2 shallots\nSimmer the cobs and onion in the water for 40 minutes; strain and discard the cobs and onion. Melt the butter in a clean pan, sweat the shallots for 5 minutes, add the kernels and stir for 2 minutes. Pour in 1 litre of the corn stock. Simmer for 12 minutes. Blend.`,
    );
    // A litre is said, and all of it goes in: marked.
    expect(actions.find(({ does }) => does === 'join')?.assumed).toContain('SHARE');
    const corn = actions.filter(({ lines }) => lines.some(({ line }) => line === 'sweetcorn'));
    expect(corn.map(({ does }) => does)).toEqual(['add']);
    const joined = walk(soup.root).find(({ step }) => step.op === 'join');
    expect(joined).toBeDefined();
    const after = walk(soup.root)
      .map(({ step }) => step.op)
      .lastIndexOf('join');
    expect(after).toBeLessThan(
      walk(soup.root)
        .map(({ step }) => step.op)
        .indexOf('blend'),
    );
  });

  it('“with everything on the trays” is where it comes from; garlic squeezed into the onions meets them', () => {
    const trays = read(
      `${START}3 red peppers\n4 garlic cloves, unpeeled\n2 tbsp olive oil\nSpread the peppers and garlic over two trays, toss in the oil and roast at 220C for 30 minutes. Pop the garlic out of its skins and put it in a pan with everything on the trays. Pour over the stock, bring to a simmer and cook for 5 minutes. Whizz with a stick blender.`,
    );
    expect(trays.facts).toContain('simmer min=5');
    const onions = read(
      `${START}1 head of garlic\n2 tbsp olive oil\nRoast the garlic in the oil on a tray at 190C for 60 minutes. Meanwhile melt the butter and let it bubble until it smells nutty. Add the onion and cook gently for 15 minutes. Squeeze the garlic into the onions. Add the stock, simmer for 5 minutes and blitz.`,
    );
    expect(onions.facts).toContain('sweat min=15');
    expect(onions.facts.filter((fact) => fact.startsWith('simmer'))).toEqual(['simmer min=5']);
    expect(onions.actions.filter(({ does }) => does === 'join').flatMap(({ lines }) => lines.map(({ line }) => line))).toContain(
      'garlic',
    );
  });

  it('“cook and stir” is one thing; a sliced leek is the leek; > 63 °C is a heat and no arrow', () => {
    const { facts } = read(
      `Soup\nServes 4\n2 leeks, thinly sliced\n500 g carrots\n1 tbsp olive oil\n1 litre vegetable stock\nThinly sliced leek, for frying\nHeat the oil. Cook and stir the carrots 5 minutes. Add the sliced leeks and sweat for 7 minutes. Add the stock and simmer for 20 minutes. Blend. Hold > 63°C.`,
    );
    expect(facts.slice(0, 3)).toEqual(['add olive-oil', 'add carrot', jasmine.stringMatching(/ min=5/)]);
    expect(facts).toContain('add leek');
    const { actions } = read(`${START}${COOK} Blend. Hold > 63°C.`);
    expect(actions.at(-1)?.does).toBe('hold');
  });

  it('a name with its batch is no food', () => {
    const { lines } = read(
      'CREAM OF LEEK (kitchen file 12) 10 ltr\n\nLeeks, trimmed 3.5kg\nButter 300g\nWhite stock 6ltr\n\n1. Sweat the leeks in the butter 15 min.\n2. Add stock, simmer 30 min. Liquidise.',
    );
    expect(lines.map(([id]) => id)).toEqual(['leek', 'butter', 'chicken-stock']);
  });
});

describe('parts that wait', () => {
  it('a few spoonfuls lifted out are a few, and what the brackets name is what is saved', () => {
    const peas = read(
      `${START}400 g frozen peas\n${COOK.replace('Add the stock', 'Add the peas and stock')} Lift out a few spoonfuls of the peas and keep for the end. Blend. Serve with the reserved peas.`,
    );
    const kept = peas.actions.find(({ does }) => does === 'keep');
    expect(kept?.share).toBe(0.15);
    const saved = read(
      `${START}900 g parsnips\n1 fennel bulb\n2 tbsp olive oil\nToss the parsnips and fennel with the oil on a tray and roast at 200C for 35 minutes. ${COOK} Add the roasted vegetables (save a cup of the parsnips) and simmer for 15 minutes. Blend. Serve with the reserved parsnips.`,
    );
    expect(saved.actions.find(({ does }) => does === 'keep')?.lines.map(({ line }) => line)).toEqual(['parsnip']);
    expect(saved.facts.at(-1)).toBe('garnish parsnip');
  });

  it('coconut milk held back in brackets is swirled over at the end', () => {
    const { actions } = read(
      `${START}1 kg pumpkin, cubed\n1 x 400 ml tin coconut milk\nSweat the onion in the butter for 10 minutes. Add the pumpkin, coconut milk (hold back a few spoonfuls) and stock. Simmer for 25 minutes. Blend. Swirl with the coconut milk you kept back.`,
    );
    const shares = actions.flatMap(({ does, lines }) =>
      lines.filter(({ line }) => line === 'coconut-milk').map(({ share }) => [does, share] as const),
    );
    expect(shares.find(([does]) => does === 'add')?.[1]).toBeCloseTo(0.85, 6);
    expect(shares.at(-1)).toEqual(['garnish', 0.15]);
  });

  it('speck on a slotted spoon is kept; a burr mixer is a stick; half the cucumber is no half of the soup', () => {
    const speck = read(
      `Soup\nServes 4\n200 g speck, diced\n1 leek\n30 g butter\n1 kg cauliflower\n1 litre chicken stock\nCook the speck in a large saucepan for 5 minutes or until golden. Use a slotted spoon to transfer to a plate lined with paper towel. Melt the butter in the same pan. Add the leek and cook for 5 minutes. Add the cauliflower and stock. Simmer for 20 minutes. Blend. Top with the speck.`,
      'au',
    );
    expect(speck.facts).toContain('keep pancetta');
    expect(speck.facts.at(-1)).toBe('garnish pancetta');
    const burr = read(`${START}${COOK} Burr mix, strain.`);
    expect(burr.facts.slice(-2)).toEqual(['blend blender=stick', jasmine.stringMatching(/^sieve/)]);
    const beets = read(
      'Soup\nServes 4\n700 g beetroot\n1 cucumber\n500 ml buttermilk\nWrap the beetroot in foil and roast at 200C for 1 hour. Blend the beetroot with the buttermilk and half the cucumber until smooth. Chill for 2 hours. Serve with the remaining cucumber.',
    );
    expect(beets.actions.find(({ does }) => does === 'blend')?.share).toBeUndefined();
    expect(
      beets.actions.flatMap(({ lines: own }) => own.filter(({ line }) => line === 'cucumber').map(({ share }) => share)),
    ).toEqual([0.5, 0.5]);
  });

  it('after a mill it is soup that cooks on, and a thumb of ginger behind a comma is ginger', () => {
    const mill = read(
      `${START}2 kg tomatoes\nSweat the onion in the butter for 10 minutes. Add the tomatoes. Cook with the lid on for 30 minutes. Put through a mouli, add the stock and cook for another 10 minutes.`,
    );
    expect(mill.facts.at(-1)).toBe('simmer min=10');
    const { lines, unread } = read(
      'Soup\n6-8 servings\n1 onion, 3 garlic cloves, thumb of ginger - all chopped\n1 kg pumpkin\n1 litre stock\nSimmer.',
    );
    expect(unread).toEqual([]);
    expect(lines.map(([id]) => id)).toEqual(['onion', 'garlic', 'ginger', 'pumpkin', 'vegetable-stock']);
  });
});

describe('lines of those recipes', () => {
  it('two foods in one line, and how is not what', () => {
    const { lines, unread } = read(
      `Soup\nServes 4\n500 g carrots\n1 tsp each cumin seeds and coriander seeds, crushed\n2 teaspoons lemon zest plus 1 tablespoon juice\nhalf a small pack of mint\nsalt n pepper\nfew ice cubes, to serve\nSimmer.`,
    );
    expect(unread).toEqual([]);
    expect(lines.map(([id]) => id)).toEqual([
      'carrot',
      'cumin',
      'coriander-seed',
      'lemon-zest',
      'lemon-juice',
      'mint',
      'fine-salt',
      'black-pepper',
      'ice',
    ]);
    // Half of a pack of 30 g.
    expect(lines.find(([id]) => id === 'mint')?.[1]).toBe(15);
  });

  it('a cube made up to so much is so much stock', () => {
    const { lines, unread } = read('Soup\nServes 4\n500 g carrots\n1 veg stock cube made up to 900 ml\nSimmer.');
    expect(unread).toEqual([]);
    const [id, g] = lines[1] ?? [];
    expect(id).toBe('vegetable-stock-cube');
    expect(g).toBeGreaterThan(890);
    expect(g).toBeLessThan(920);
  });

  it('a semicolon in brackets parts no line', () => {
    const { lines, unread, asked } = read(
      'Soup\nServes 4\n700 g broccoli (stems peeled, florets separated; reserve 1 cup small florets)\n1 litre stock\nSimmer.',
    );
    expect(unread).toEqual([]);
    expect(lines.length).toBe(2);
    // And asks nothing: a question with one answer is none.
    expect(asked).toBe(0);
  });
});
