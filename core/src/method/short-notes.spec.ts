import { factsOf, readCorpus } from '../../spec/method-corpus.js';
import { walk } from '../soup/index.js';

function read(text: string) {
  const reading = readCorpus({ text, country: 'gb' });
  return {
    facts: factsOf(reading).map(({ does, lines, figures }) =>
      [does, ...lines, ...Object.entries(figures).map(([key, value]) => `${key}=${value}`)].join(' '),
    ),
    marked: reading.reading.actions
      .filter(({ assumed }) => assumed.includes('NOT_ALL'))
      .map(({ clause }) => reading.reading.clauses[clause]?.text),
    shares: reading.reading.actions
      .filter(({ assumed }) => assumed.includes('SHARE'))
      .map(({ clause }) => reading.reading.clauses[clause]?.text),
    /** Shares of a line, by the actions that take from it, in their order. */
    sharesOf: (ingredient: string) =>
      reading.reading.actions.flatMap(({ does, lines }) =>
        lines
          .filter(({ line }) => reading.reading.tree.soup.lines.find(({ id }) => id === line)?.ingredient === ingredient)
          .map(({ share = 1 }) => `${does} ${share.toFixed(2)}`),
      ),
    foods: reading.taken.map(({ row: { id } }) => id),
    unread: reading.unread,
  };
}

const START = 'Soup\nServes 4\n1 kg pumpkin, chopped\n2 onions\n800 ml chicken stock\n';

describe('half sentences of a cook’s notes', () => {
  const { facts } = read(
    `${START}
- Oil in big pot, medium. Onions in, 6 min, don't colour.
- Pumpkin, toss to coat. Stock. Up to the boil, then 25 min at a simmer.
- Off the heat, 10 min. Blend until smooth.
- Gently back to hot, no boiling.`,
  );

  it('fat in a pot is heated there', () => {
    expect(facts[0]).toContain('add olive-oil');
  });

  it('minutes that may not colour are sweated', () => {
    expect(facts.some((fact) => fact.startsWith('sweat') && fact.includes('min=6')))
      .withContext(facts.join('\n'))
      .toBeTrue();
  });

  it('what is tossed to coat goes in', () => {
    expect(facts.some((fact) => fact.startsWith('add') && fact.includes('pumpkin')))
      .withContext(facts.join('\n'))
      .toBeTrue();
  });

  it('off the heat for so long is a rest, and back to hot is warmed', () => {
    expect(facts.some((fact) => fact.startsWith('rest') && fact.includes('min=10')))
      .withContext(facts.join('\n'))
      .toBeTrue();
    expect(facts.some((fact) => fact.startsWith('warm')))
      .withContext(facts.join('\n'))
      .toBeTrue();
    expect(facts.some((fact) => fact.startsWith('boil') && facts.indexOf(fact) > facts.findIndex((one) => one.startsWith('rest'))))
      .withContext('no boiling')
      .toBeFalse();
  });
});

describe('what a clause says and no step has', () => {
  const COOK = 'Soften the onions in a pan for 8 mins. Add the pumpkin and stock.';

  it('a second time is marked', () => {
    expect(read(`${START}\n${COOK} Simmer for 10 mins with the lid on and 15 mins with it off. Blend.`).marked.length).toBe(1);
    expect(read(`${START}\n${COOK} Simmer for 25 mins with the lid on. Blend.`).marked).toEqual([]);
  });

  it('a knob of what went in before is marked: nobody says whether it is besides', () => {
    const { shares } = read(
      `Soup\nServes 4\n30 g butter\n2 onions\n700 g parsnips\n2 apples\n800 ml stock\n
Melt the butter in a pan and soften the onions 8 mins. Add the parsnips, half the apples and the stock and simmer 20 mins.
Meanwhile, fry the rest of the apple in a knob of butter in a small pan for 5 mins. Blend the soup and top with the fried apple.`,
    );
    expect(shares.some((text) => text?.includes('knob') === true)).toBeTrue();
  });

  it('a time that says when is not', () => {
    expect(read(`${START}\n${COOK} Simmer for 25 mins, stirring every 5 mins. Blend.`).marked).toEqual([]);
  });
});

describe('two foods in a line', () => {
  const foodsOf = (line: string): string[] =>
    read(`Soup\nServes 4\n1 kg tomatoes\n${line}\n\nSimmer the tomatoes for 20 mins.`).foods;

  it('are two where each has its own figure, whatever is said behind it', () => {
    expect(foodsOf('4 slices sourdough, 50g parmesan, grated')).toEqual(['tomato', 'sourdough', 'parmesan']);
    expect(foodsOf('1 onion, chopped, 2 cloves garlic, crushed')).toEqual(['tomato', 'onion', 'garlic']);
  });

  it('are one where the second figure is its weight or its cut', () => {
    expect(foodsOf('2 leeks, 300 g, sliced')).toEqual(['tomato', 'leek']);
    expect(foodsOf('1 large carrot, 2 cm dice, peeled')).toEqual(['tomato', 'carrot']);
    expect(foodsOf('1 tin coconut milk, 400 ml, chilled')).toEqual(['tomato', 'coconut-milk']);
  });

  it('keep for the bowls what is said in brackets', () => {
    const { sharesOf } = read(
      `${START}400 ml can coconut milk (keep 4 tbsp of the thick cream for the bowls)\n
Soften the onions 8 mins. Add the pumpkin and stock and simmer 20 mins. Blend. Stir in the coconut milk. Top with the thick coconut cream.`,
    );
    expect(sharesOf('coconut-milk')).toEqual(['cream 0.85', 'garnish 0.15']);
  });
});

describe('what is picked out or kept by another word', () => {
  it('herbs that are picked off a tray are thrown away, not kept', () => {
    const { facts } = read(
      `Soup\nServes 4\n1 kg tomatoes\na few sprigs of thyme\n600 ml stock\n
Roast the tomatoes and thyme on a tray at 200C for 40 mins. Pick out the thyme. Scrape everything into a pan, add the stock and simmer 5 mins. Blend.`,
    );
    expect(facts.some((fact) => fact.startsWith('takeOut') && fact.includes('thyme')))
      .withContext(facts.join('\n'))
      .toBeTrue();
  });

  it('the small florets are the smallest that were saved', () => {
    const { sharesOf } = read(
      `Soup\nServes 6\n1.2 kg cauliflower\n1 onion\n1 tbsp oil\n1 l stock\n
Break up the cauliflower, saving a couple of handfuls of the smallest florets. Toss the small florets in the oil and roast on a tray at 220C for 15 minutes. Soften the onion in a pan for 8 mins. Add the stock and the rest of the cauliflower and simmer for 15 mins. Blend. Top with the roasted florets.`,
    );
    expect(sharesOf('cauliflower').filter((use) => use.startsWith('add'))).toEqual(['add 0.15', 'add 0.85']);
  });
});

describe('parts and groups', () => {
  it('whites and greens of a spring onion are its halves, and herbs are those that are not for the top', () => {
    const { facts, sharesOf } = read(
      `Soup\nServes 4\n1 bunch scallions, white and green parts separated\n1 lb peas\n4 cups chicken stock\n5 oz baby spinach\n1/4 cup parsley\n1/4 cup mint\n1 tbsp butter\nPea shoots for garnish\n
Melt the butter in a pot and cook the scallion whites 6 minutes. Add the stock and simmer 10 minutes. Add peas and scallion greens and cook 3 minutes. Add spinach and herbs. Blend. Garnish with pea shoots.`,
    );
    const text = facts.join('\n');
    expect(sharesOf('spring-onion')).toEqual(['add 0.50', 'add 0.50']);
    expect(facts.find((fact) => fact.startsWith('add') && fact.includes('peas')))
      .withContext(text)
      .toContain('spring-onion');
    expect(facts.find((fact) => fact.startsWith('add') && fact.includes('spinach')))
      .withContext(text)
      .toContain('mint');
    expect(facts.find((fact) => fact.startsWith('garnish')))
      .withContext(text)
      .toContain('watercress');
  });

  it('the white part alone is all that there is', () => {
    const { sharesOf } = read(
      `Soup\nServes 4\n3 leeks\n500 g potatoes\n1 l chicken stock\n20 g butter\n
Sweat the white part of the leeks in the butter for 10 mins. Add the potatoes and stock and simmer 20 mins. Blend.`,
    );
    expect(sharesOf('leek').filter((use) => use.startsWith('add'))).toEqual(['add 1.00']);
  });

  it('half the oil goes into the parcel, and the rest is for the pan', () => {
    const { facts, sharesOf } = read(
      `Soup\nServes 10\n4 kg beetroot\n600 g red onion\n80 ml rapeseed oil\n4.5 l veg stock\n
1. Wrap beets in foil w/ half the oil, oven 180 fan, 90 min.
2. Sweat onion in rest of oil, 15 min.
3. Beets in, stock in. Simmer 20 min. Blitz.`,
    );
    expect(sharesOf('rapeseed-oil').filter((use) => use.startsWith('add'))).toEqual(['add 0.50', 'add 0.50']);
    expect(facts.some((fact) => fact.startsWith('roast') && fact.includes('min=90')))
      .withContext(facts.join('\n'))
      .toBeTrue();
  });
});

describe('two things in a breath', () => {
  it('what is cooled is peeled, and what is blitzed goes through the sieve in brackets', () => {
    const { facts } = read(
      `Soup\nServes 10\n4 kg beetroot\n600 g red onion\n80 ml rapeseed oil\n4.5 l veg stock\n
1. Wrap beets in foil, oven 180 fan, 90 min. Cool, rub skins off, rough chop.
2. Sweat onion in the oil, 15 min.
3. Beets in, stock in. Simmer 20 min. Blitz (hand blender 3 min, then through chinois).`,
    );
    const order = ['roast', 'rest', 'peel', 'sweat', 'simmer', 'blend', 'sieve'];
    expect(facts.map((fact) => fact.split(' ')[0] ?? '').filter((does) => order.includes(does)))
      .withContext(facts.join('\n'))
      .toEqual(order);
    expect(facts.find((fact) => fact.startsWith('blend'))).toContain('min=3');
  });
});

describe('salt by the litre', () => {
  it('is how salt the soup is to be, and no amount', () => {
    for (const line of ['salt 12g per litre finished', '12 g/kg salt']) {
      const { reading, taken } = readCorpus({
        text: `Soup\nServes 4\n1 kg tomatoes\n400 ml stock\n${line}\n\nSimmer the tomatoes in the stock 20 mins. Blend. Season.`,
        country: 'gb',
      });
      expect(taken.find(({ role }) => role === 'salt')?.kg)
        .withContext(line)
        .toBe(0);
      const season = walk(reading.tree.soup.root).find(({ step }) => step.op === 'season')?.step;
      expect(season?.op === 'season' ? season.saltPct : undefined)
        .withContext(line)
        .toBe(1.2);
    }
  });
});
