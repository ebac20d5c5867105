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
});
