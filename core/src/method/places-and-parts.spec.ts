import { factsOf, readCorpus } from '../../spec/method-corpus.js';
import type { Country } from '../amounts/index.js';
import { walk } from '../soup/index.js';
import { minutesIn } from './index.js';

function read(text: string, country: Country = 'gb') {
  const reading = readCorpus({ text, country });
  return {
    facts: factsOf(reading).map(({ does, lines, figures }) =>
      [does, ...lines, ...Object.entries(figures).map(([key, value]) => `${key}=${value}`)].join(' '),
    ),
    lines: reading.taken.map(({ row: { id }, kg }) => ({ id, kg })),
    unread: reading.unread,
    soup: reading.reading.tree.soup,
    actions: reading.reading.actions,
  };
}

const START = 'Soup\nServes 4\n1 onion\n30 g butter\n1 litre vegetable stock\n';
const COOK = 'Sweat the onion in the butter for 10 minutes. Add the stock and simmer for 20 minutes.';

describe('where things are, and which part of them is meant', () => {
  it('a second tray is no time', () => {
    expect(minutesIn('roast on a second tray for 8 mins')?.low).toBe(8);
    expect(minutesIn('fry for a second or two')?.low).toBeCloseTo(1 / 60, 6);
    expect(minutesIn('toast for 30 seconds in the pan')?.low).toBe(0.5);
  });

  it('raw is what was left, roasted is what is on the tray', () => {
    const { facts } = read(
      `${START}1 kg cauliflower, in florets\n2 tbsp olive oil\nRoast two-thirds of the florets in the oil at 200C for 30 minutes. Soften the onion in the butter for 10 minutes. Add the raw florets, pour in the stock and simmer for 10 minutes. Tip in the roasted florets and simmer for 5 minutes. Blend until smooth.`,
    );
    const simmered = facts.indexOf('simmer min=10');
    expect(facts.indexOf('join')).toBeGreaterThan(simmered);
    expect(facts.slice(0, simmered)).toContain('add cauliflower');
  });

  it('“the tomatoes” are the fresh ones where the method calls the others canned, and a sheet is a tray', () => {
    const { facts, soup } = read(
      `${START}1.3 kg plum tomatoes\n1 x 400 g tin chopped tomatoes\n2 tbsp olive oil\nArrange the tomatoes and the onion on the sheet, drizzle with the oil and roast at 200C for 40 minutes. Scrape everything into a pot, add the stock and the canned tomatoes and simmer for 15 minutes. Blend.`,
    );
    expect(facts[0]).toBe('add plum-tomato onion');
    expect(facts).toContain('add vegetable-stock canned-tomatoes');
    const tray = walk(soup.root).find(({ step }) => step.op === 'roast');
    expect(tray?.branch.vessel).toBe('tray');
  });

  it('“the onion pan” is the pan that the onion is in', () => {
    const { soup } = read(
      `${START}500 g chestnut mushrooms\n30 ml dry sherry\nMelt half the butter in a pan and cook the onion gently for 15 minutes. In a separate large frying pan, fry the mushrooms in the rest of the butter for 8 minutes. Deglaze with the sherry. Tip the mushrooms into the onion pan with the stock. Simmer for 25 minutes. Blend.`,
    );
    const joined = walk(soup.root).find(({ step }) => step.op === 'join');
    expect(joined?.branch.id).toBe(soup.root.id);
    const ops = walk(soup.root).filter(({ branch }) => branch.id !== soup.root.id);
    expect(ops.map(({ step }) => step.op)).toContain('deglaze');
    expect(ops.map(({ step }) => step.op)).not.toContain('sweat');
  });

  it('what is made meanwhile for the top takes neither the blade nor the soup', () => {
    const { facts } = read(
      `${START}500 g carrots\n2 slices white bread\n60 g cheddar, grated\nSweat the onion and carrots in half the butter for 10 minutes. Add the stock and simmer for 20 minutes.\nMeanwhile, make the croutons: sandwich the cheese between the bread, spread the outside with the remaining butter and cook in a skillet until golden, 3 minutes per side. Cut into cubes.\nPurée the soup in a blender. Return to the pot and season. Serve topped with the croutons.`,
    );
    expect(facts.some((fact) => fact.startsWith('fry'))).toBeTrue();
    expect(facts.filter((fact) => fact.startsWith('join'))).toEqual([]);
    expect(facts.slice(-3)).toEqual([jasmine.stringMatching(/^blend/), 'season', jasmine.stringMatching(/^garnish/)]);
  });

  it('“Peel and dice the spuds” peels what it dices, and not what is in the pan; what was roasted is peeled late', () => {
    const { facts } = read(
      `${START}1 large leek\n300 g floury potatoes\nSweat the leek in the butter with the lid on for 15 minutes. Peel and dice the spuds and add with the stock. Simmer for 20 minutes.`,
    );
    expect(facts.some((fact) => fact.startsWith('peel'))).toBeFalse();
    const late = read(
      `${START}4 red peppers\nRoast the peppers at 220C for 40 minutes. Peel and chop the peppers. ${COOK} Add the peppers and blend.`,
    );
    expect(late.facts).toContain('peel red-pepper');
  });

  it('the rest of what was cut is kept, and not the rest of the list', () => {
    const { facts } = read(
      `${START}2 firm pears\n1 kg celeriac\nPeel and core the pears; dice one and a half, keep the rest for the garnish. ${COOK} Add the celeriac and the diced pear and simmer for 20 minutes. Blend.`,
    );
    expect(facts[0]).toBe('keep pear');
  });

  it('a mouli is a blade and a sieve, a pan is filled up with stock, and shallots turn glassy', () => {
    const { facts } = read(
      `${START}150 g shallots\nLet the shallots turn glassy in the hot butter (about 4 min). Fill up with the stock and cook for 20 minutes. Mouli it.`,
    );
    expect(facts).toEqual(['add shallot butter', 'sweat min=4', 'add vegetable-stock', 'simmer min=20', 'blend', 'sieve']);
  });

  it('what is filled in plates is served, and what is put on it lies on top', () => {
    const { facts } = read(
      `${START}200 ml whipping cream\n50 g hazelnuts, chopped\n${COOK} Purée the soup. Add half the cream. Whip the rest of the cream until half stiff. Fill the soup in warm plates, put on a spoon of cream and the hazelnuts.`,
    );
    expect(facts.slice(-2)).toEqual(['cream whipping-cream', 'garnish whipping-cream hazelnuts']);
  });

  it('tempered cream is cream, and cream that may be left out goes in', () => {
    expect(
      read(`${START}200 ml single cream\n${COOK} Blend. Temper the cream with a little hot soup and stir in.`).facts.at(-1),
    ).toBe('cream single-cream');
    expect(
      read(`${START}200 ml single cream\n2 tbsp balsamic vinegar\n${COOK} Blend. Stir in the vinegar and, if using, the cream.`)
        .facts,
    ).toContain('cream single-cream');
  });

  it('cream with more of it to serve goes in whole, and what is swirled on top is beside it', () => {
    const { soup } = read(
      `${START}150 ml double cream, plus extra to serve\n${COOK} Blend. Stir in the cream. Finish each bowl with a swirl of cream.`,
    );
    const cream = soup.lines.find(({ ingredient, amount }) => ingredient === 'double-cream' && amount.rule === 'scaled');
    const step = walk(soup.root).find(({ step: one }) => one.op === 'cream')?.step;
    expect(step?.op === 'cream' ? step.line : undefined).toBe(cream?.id ?? 'none');
    expect(soup.lines.filter(({ ingredient }) => ingredient === 'double-cream').length).toBe(2);
  });

  it('a further food behind “then” has its own seconds', () => {
    const { facts } = read(
      `${START}1 tbsp ghee\n4 cloves garlic\n2 dried red chillies\n1/4 tsp asafoetida\n${COOK} Blend. Heat the ghee in a small pan, add the garlic and fry till golden, then chillies and asafoetida for 10 seconds. Pour over the soup.`,
    );
    expect(facts).toContain('add dried-red-chilli asafoetida');
    expect(facts.at(-2)).toBe('bloom min=0.17');
  });

  it('spices are all of them, nutmeg too', () => {
    const { facts } = read(
      `${START}1/2 tsp cinnamon\n1/4 tsp nutmeg\n600 g butternut squash\nAdd the squash, onion, stock and spices and simmer for 30 minutes.`,
    );
    expect(facts[0]).toContain('nutmeg');
    expect(facts[0]).toContain('cinnamon');
  });

  it('a list in one sentence ends on a food without a figure; whose soup it is names it', () => {
    const { lines, unread } = read(
      `My mum's leek soup, the way she wrote it on the back of an envelope\n\n4 big leeks, 2 floury spuds, a knob of butter, a pint of chicken stock, a small pot of single cream, nutmeg\n\nSweat the leeks in the butter for 15 mins. Add the spuds and stock, boil for 20 mins and blend.`,
    );
    expect(unread).toEqual([]);
    expect(lines.map(({ id }) => id)).toEqual(['leek', 'floury-potato', 'butter', 'chicken-stock', 'single-cream', 'nutmeg']);
    expect(lines[4]?.kg).toBeCloseTo(0.151, 3);
  });

  it('what is held back in brackets is kept, cooked apart, and takes no soup along', () => {
    const { facts, soup } = read(
      `${START}1 large head broccoli\n100 g cashews\nSoften the onion in the butter for 7 minutes. Add the stock and simmer for 12 minutes. Add the broccoli florets (set aside about a cup of the smallest for garnish) and simmer for 5 minutes. Steam the reserved florets until bright green, 3 minutes. Drain the cashews and place in a blender with 1 cup of the soup. Blend until smooth. Serve topped with the steamed florets.`,
    );
    expect(facts).toContain('keep broccoli');
    expect(facts.filter((fact) => fact.startsWith('join'))).toEqual([]);
    expect(facts.at(-1)).toBe('garnish broccoli');
    const blended = walk(soup.root).find(({ step }) => step.op === 'blend');
    expect(blended?.branch.id).toBe(soup.root.id);
  });

  it('what was held back of a tin is crisped in a pan beside the soup, and the rest is the rest', () => {
    const { facts } = read(
      `${START}2 x 400 g tins chickpeas\n2 tbsp olive oil\nSet aside ½ cup of the chickpeas. Soften the onion in the butter for 8 minutes. Add the remaining chickpeas and the stock. Simmer for 20 minutes. Meanwhile, pat the reserved chickpeas dry. Toss with a little oil and cook in a small frying pan for 5 minutes or until crisp. Blend the soup until smooth. Serve topped with the crisp chickpeas.`,
    );
    const fried = facts.indexOf('fry min=5');
    expect(facts[fried - 1]).toContain('canned-chickpeas');
    expect(facts.slice(fried + 1)).toEqual(['blend', 'garnish canned-chickpeas']);
  });

  it('what a line keeps of itself goes on top, the rest of it into the pot', () => {
    const { actions } = read(
      `${START}1 can (400 ml) coconut milk, reserve 2 tablespoons for drizzling\n${COOK} Add the coconut milk and blend. Drizzle with the reserved coconut milk.`,
    );
    const top = actions.find(({ does }) => does === 'garnish')?.lines[0]?.share ?? 1;
    // 30 mL of 400.
    expect(top).toBeGreaterThan(0.06);
    expect(top).toBeLessThan(0.09);
  });

  it('what is kept for another day is no step of today', () => {
    const { facts } = read(
      `${START}${COOK} Blend until smooth. Serve hot. Do ahead: the soup can be made 3 days ahead. Let cool; cover and chill.`,
    );
    expect(facts.filter((fact) => /^(?:rest|chill)/.test(fact))).toEqual([]);
  });

  it('corn milk is drawn from the cobs, and the corn goes in when it is said to; corn, milk are two', () => {
    const { facts } = read(
      `${START}8 ears corn\n3 cups milk\nSweat the onion in the butter for 6 minutes. Add the corn milk and simmer for 5 minutes. Add the corn and simmer for 5 minutes.`,
    );
    expect(facts.at(-2)).toBe('add sweetcorn');
    expect(
      read(`${START}8 ears corn\n500 ml milk\nAdd the onion, corn, milk and stock and simmer for 10 minutes.`).facts[0],
    ).toContain('sweetcorn');
  });

  it('toast beside the soup is no toasting, and zest through the yoghurt is not in the soup', () => {
    const { facts, unread, soup } = read(
      `${START}1 lemon\n100 g natural yoghurt\nToasted sourdough and basil pesto, to serve\n${COOK} Blend. Stir most of the lemon zest through the yoghurt. Serve with the yoghurt, pesto and toast.`,
    );
    expect(unread).toEqual([]);
    expect(facts.some((fact) => fact.startsWith('toast'))).toBeFalse();
    // Mixed in a bowl beside it.
    const poured = walk(soup.root).flatMap(({ step }) => (step.op === 'add' || step.op === 'trim' ? step.uses : []));
    expect(poured.filter(({ line }) => /yoghurt|lemon/.test(line))).toEqual([]);
    expect(soup.cards?.flatMap((card) => card.lines.map(({ ingredient }) => ingredient))).toEqual(['lemon-zest', 'yoghurt']);
    expect(facts.at(-1)).toContain('pesto');
  });

  it('seasonings are the spices and the herbs, trays are tipped in, and what makes it smooth is a blade by any name', () => {
    expect(
      read(
        `${START}1 bay leaf\n1/2 tsp dried thyme\n500 g tomatoes\nAdd the tomatoes, onion, stock and seasonings and simmer for 45 minutes.`,
      ).facts[0],
    ).toContain('bay');
    const { facts, soup } = read(
      `${START}2 kg red peppers\n60 ml rapeseed oil\nPeppers on 3 trays, half the oil, 35 min at 220. Onion in the butter 8 min. Tip in trays, stock. Simmer 25 min. Wand till smooth.`,
    );
    const tipped = walk(soup.root).flatMap(({ step }) => (step.op === 'join' ? [step.branch.vessel] : []));
    expect(tipped).toEqual(['tray']);
    expect(facts.at(-1)).toMatch(/^blend/);
  });

  it('notes leave out the grams, a name has the size of its batch, and a yield stands behind a sentence', () => {
    const notes = readCorpus({
      country: 'gb',
      text: `SPICED PARSNIP (veg) - 5L\n2kg 'snips peeled / 500 onion diced / 100 veg oil / 30 garlic / 2.5L veg stock\n\nroast snips 200 fan, 35m\nstock in, simmer 15`,
    });
    expect(notes.unread).toEqual([]);
    expect(notes.taken.map(({ row: { id }, kg }) => `${id} ${kg.toFixed(2)}`)).toEqual([
      'parsnip 2.00',
      'onion 0.50',
      'rapeseed-oil 0.10',
      'garlic 0.03',
      'vegetable-stock 2.50',
    ]);
    expect(notes.reading.tree.soup.writtenFor.bowls).toBe(17);
    const file = readCorpus({
      country: 'gb',
      text: `Pepper soup\nFrom the canteen file. Yield 12 litres / 40 portions.\nRed peppers 5kg\nOnions 1kg\nWater 6L\nSimmer 25 min and blend.`,
    });
    expect(file.unread).toEqual([]);
    expect(file.reading.tree.soup.writtenFor.bowls).toBe(40);
  });

  it('two counts of one food are two lines, cans behind a dash are counted, and a pair of herbs is two', () => {
    const { lines } = read(
      `Soup\n1 onion, halved, plus 1 onion, finely chopped\n2 - 28 oz cans whole tomatoes\nsprig of thyme + 1 bay leaf\n1 litre stock\nSimmer everything for 20 minutes.`,
      'us',
    );
    expect(lines.map(({ id }) => id)).toEqual(['onion', 'onion', 'canned-tomatoes', 'thyme', 'bay', 'vegetable-stock']);
    expect(lines[2]?.kg).toBeCloseTo(2 * 28 * 0.02835, 2);
  });

  it('how long it takes is no step, and for how many stands beside the word for the list', () => {
    const { facts, soup } = read(
      `Soup\nPREP + COOK TIME 40 MINUTES\nIngredients (6 servings)\n1 onion\n30 g butter\n1 litre stock\n\n1 Cook the onion in the butter for 8 minutes. Add the stock and simmer for 20 minutes.`,
    );
    expect(facts[0]).toBe('add onion butter');
    expect(soup.writtenFor.bowls).toBe(6);
  });

  it('a slow cooker on low simmers for its hours; meat that is pulled apart comes back', () => {
    const { facts } = read(
      `Auntie's pea & ham\nserves 6\n500 g marrowfat peas\n750 g ham hock\n1 onion\n1.75 litres water\n\nPut everything in the slow cooker. Low 8-9 hrs, or high 5. Take out the ham. Blitz roughly a third with the hand blender. Pull the ham apart, chuck it back in.`,
    );
    expect(facts).toContain('simmer min=510 lid=on');
    expect(facts.some((fact) => fact.startsWith('keep'))).toBeTrue();
    expect(facts.at(-1)).toMatch(/^giveBack/);
  });

  it('fat that is poured off takes no butter along, and rice that was boiled before lends the blender no minutes', () => {
    const { facts } = read(
      `${START}8 slices bacon, diced\n2 tbsp white rice\nCook the bacon until crisp, 8 min. Pour off all but 1 tbsp of the fat. Add the butter and onion and cook for 8 minutes. Add the stock and simmer for 10 minutes. Purée in a blender with the rice which you've boiled separately for 15 minutes.`,
    );
    expect(facts.filter((fact) => fact.includes('butter'))).toEqual(['add butter onion']);
    expect(facts.at(-1)).toBe('blend blender=jug');
  });

  it('the soup goes back into its own pan, and not into that in which something was steamed', () => {
    const { facts } = read(
      `${START}1 small cauliflower, in florets\n125 ml pouring cream\n1 Cook the onion in the butter for 8 minutes.\n2 Reserve about 1 cup of the smallest florets. Add remaining cauliflower and stock to pan; simmer, covered, 15 minutes.\n3 Meanwhile, boil, steam or microwave reserved florets until just tender; drain.\n4 Blend or process soup until smooth. Return to pan; stir in cream.\n5 Serve topped with reserved florets.`,
      'au',
    );
    expect(facts.filter((fact) => fact.startsWith('join'))).toEqual([]);
    expect(facts.slice(-2)).toEqual([jasmine.stringMatching(/^cream/), 'garnish cauliflower']);
  });

  it('what allergens are named is no garnish, and names that kitchens cut short are read', () => {
    const { facts } = read(
      `Prep sheet / SWEET POTATO & PEANUT / 60 ptn @ 250ml\nSweet potato 6kg\nOnion 1kg\nVeg oil 150ml\nVeg stock 8ltr\nCoconut milk 4 x 400ml\nSoy 100ml\n\nOnion - oil - sweat 10-12 min lidded.\n+ sweet pot, stock. Up to boil, simmer 25.\n+ coc milk. 5 more min.\nBlitz (stick, 4-5 min).\nALLERGENS: soya (gluten in soy).`,
    );
    expect(facts).toContain('add sweet-potato vegetable-stock');
    expect(facts).toContain('cream coconut-milk');
    expect(facts.at(-1)).toMatch(/^blend/);
  });

  it('so many cups of a line of cups are so much of it, and no half', () => {
    const shares = (text: string): (number | undefined)[] =>
      read(text, 'us').actions.flatMap(({ does, lines }) =>
        does === 'add' ? lines.filter(({ line }) => line === 'water').map(({ share }) => share) : [],
      );
    const [first, second] = shares(
      'Soup\n4 cups water\n1 onion\n2 cups broth\n\nAdd 1 cup water and onion. Simmer 5 minutes. Add broth and 2 cups water and simmer 10 minutes. Add the remaining water.',
    );
    expect(first).toBeCloseTo(0.25, 6);
    expect(second).toBeCloseTo(0.5, 6);
  });

  it('a roasting tin is no tinned tomato', () => {
    const { facts } = read(
      `${START}400 g tin plum tomatoes\n3 aubergines\nPut the aubergines in a roasting tin and roast at 210C for 45 minutes. Scrape the flesh into a saucepan with any juices from the tin. Add the tomatoes and stock. Simmer for 15 minutes.`,
    );
    expect(facts[0]).toBe('add aubergine');
    expect(facts).toContain('add canned-tomatoes vegetable-stock');
  });

  it('blended in two goes is blended whole, and what is passed at the table is not sieved', () => {
    const { facts } = read(
      `${START}50 g parmesan, plus extra for serving\n${COOK} Transfer half of soup to blender and process until smooth, about 1 minute. Transfer soup to medium bowl and repeat with remaining soup. Return soup to the pot. Serve, passing extra Parmesan.`,
    );
    const blends = facts.filter((fact) => fact.startsWith('blend'));
    expect(blends).toEqual(['blend min=1 blender=jug']);
    expect(facts.filter((fact) => /^(?:join|sieve)/.test(fact))).toEqual([]);
  });

  it('what is browned in a skillet beside the soup stays there, and the soup goes back into its own pan', () => {
    const { facts } = read(
      `Soup\n1 head cauliflower (2 lbs)\n8 Tbsp butter, divided\n1 onion\n4 cups water\n1/2 tsp sherry vinegar\n\nCut heaping 1 cup of small florets from head; set aside. Melt 3 tablespoons butter in large saucepan. Add onion and cook 7 minutes. Add water and cauliflower; simmer for 15 minutes. While soup simmers, melt remaining 5 tablespoons butter in 8-inch skillet. Add reserved florets and cook until golden brown, 6 to 8 minutes. Toss florets with vinegar. Pour browned butter into small bowl and reserve for garnishing. Process soup in blender until smooth. Return pureed soup to pan and return to simmer. Serve with browned florets.`,
      'us',
    );
    expect(facts.filter((fact) => fact.startsWith('join'))).toEqual([]);
    expect(facts.some((fact) => fact.startsWith('fry min=7'))).toBeTrue();
    expect(facts.at(-1)).toContain('garnish cauliflower');
  });

  it('foods behind dots in one line are as many lines', () => {
    const { lines, unread } = read(
      `Beetroot soup. Serves 8.\n\n1.5 kg raw beetroot • 2 onions • 6 cardamom pods • 1.6 l vegetable stock • 200 ml soured cream\n\nSimmer everything for 40 minutes.`,
    );
    expect(unread).toEqual([]);
    expect(lines.map(({ id }) => id)).toEqual(['beetroot', 'onion', 'cardamom', 'vegetable-stock', 'soured-cream']);
  });

  it('iced water cools what was blanched and goes into no soup; a bowl of it is no pot', () => {
    const { facts, soup } = read(
      `${START}500 g peas\nFill a large bowl with iced water. Blanch the peas in boiling water for 1 minute, then plunge into the iced water. ${COOK} Blend with the peas. Chill for 4 hours before serving.`,
    );
    expect(facts.filter((fact) => /^add .*water/.test(fact))).toEqual([]);
    expect(facts).toContain('drain');
    expect(facts.at(-1)).toBe('chill min=240');
    expect(soup.root.name).not.toBe('Bowl');
  });

  it('of notes without units twelve eggs are twelve, and hundreds are grams', () => {
    const { lines } = read('Soup\n1kg potatoes / 12 eggs / 500 onions / 30 garlic / 1L stock\n\nSimmer 20 min.');
    expect(lines.map(({ id, kg }) => `${id} ${kg.toFixed(2)}`)).toEqual([
      'potato 1.00',
      'egg 0.53',
      'onion 0.50',
      'garlic 0.03',
      'vegetable-stock 1.00',
    ]);
  });

  it('all but two spoons is what is left of it, and chopped sage is none of what was crisped', () => {
    const { facts, actions } = read(
      `Soup\n1.3 kg butternut squash\n2 tbsp olive oil\n2 tsp chopped fresh sage plus 8 whole leaves\n1/2 cup crème fraîche\n3 cups stock\n\nHeat the oil in a small skillet. Fry whole sage leaves until crisp, 30 seconds. Simmer the squash in the stock in a pot for 15 minutes. Add chopped sage; simmer 1 minute. Puree. Whisk in all but 2 tablespoons of the crème fraîche. Serve with reserved crème fraîche and fried sage.`,
      'us',
    );
    expect(facts.filter((fact) => fact.startsWith('join'))).toEqual([]);
    const share = actions.find(({ does }) => does === 'cream')?.lines[0]?.share ?? 0;
    expect(share).toBeCloseTo(0.75, 2);
  });

  it('salt tt is to taste, and how much it makes may stand behind the method', () => {
    const { unread, lines } = read(
      `Soup\n1 whole garlic bulb\n9 litres stock\nkosher salt and black pepper tt\n\nSimmer everything for 20 minutes.\nMakes approx 13 ltrs.`,
    );
    expect(unread).toEqual([]);
    expect(lines.map(({ id }) => id)).toEqual(['garlic', 'vegetable-stock', 'coarse-salt', 'black-pepper']);
    expect(lines[0]?.kg).toBeGreaterThan(0.02);
  });
});
