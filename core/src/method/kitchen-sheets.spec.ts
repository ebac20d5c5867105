import { readSheet as read } from '../../spec/sheets.js';

const START = 'Soup\nServes 4\n1 kg pumpkin, chopped\n2 onions\n800 ml chicken stock\n';
const COOKED = 'Sweat the onions 8 mins. Add the pumpkin and stock. Simmer 20 mins. Blend.';

describe('a sheet in columns', () => {
  const { kg, soup, questions } = read(`Mushroom potage
Quantities for 10 L

brown onions         800 g   brunoise
portobello           2 kg    sliced
brown chicken stock  5 L     hot
pearl barley         400 g   cooked separately

Sweat the onions for 10 minutes. Add the mushrooms and the stock. Simmer for 30 minutes and blend. Stir in the barley.`);

  it('each row is a food, whatever its name begins with, and its third column says how it is cut', () => {
    expect(kg('onion')).toBeCloseTo(0.8, 6);
    expect(kg('flat-mushroom')).toBeCloseTo(2, 6);
    expect(kg('pearl-barley')).toBeCloseTo(0.4, 6);
    expect(kg('chicken-stock')).toBeCloseTo(5.01, 2);
    expect(soup.lines.find(({ ingredient }) => ingredient === 'flat-mushroom')?.cut?.name).toMatch(/slice/);
    expect(questions.some((line) => line.includes('portobello'))).toBeFalse();
  });

  it('quantities for so many litres are no number of bowls', () => {
    expect(soup.writtenFor).toEqual({ bowls: 33, bowlG: 300 });
  });
});

describe('how large a portion is', () => {
  for (const [head, bowls, bowlG] of [
    ['Portions 20 (180ml)', 20, 180],
    ['Celery soup (50 x 200 ml)', 50, 200],
    ['Serves 8, 250 ml portions', 8, 250],
    ['Makes 30 x 8 oz', 30, 232],
    ['Serves 6', 6, 300],
  ] as const)
    it(`“${head}”`, () => {
      const { soup } = read(
        `Celery soup\n${head}\n1 kg celery\n2 onions\n1 l stock\n\nSweat the onions. Add the rest. Simmer 20 mins. Blend.`,
      );
      expect(soup.writtenFor).toEqual({ bowls, bowlG });
    });
});

it('two tins of 400 g are no portions', () => {
  const { soup } = read(
    `Tomato soup\nServes 6\nChopped tomatoes 2 x 400g\nRed onions 2\nStock 1 litre\n\nSweat the onions. Add the rest. Simmer 20 mins. Blend.`,
  );
  expect(soup.writtenFor.bowlG).toBe(300);
});

describe('some of the soup held back from the blade', () => {
  const chowder = (said: string): string =>
    `Corn soup\nServes 12\n1 kg sweetcorn\n500 g onions\n500 g potatoes, diced\n2 l stock\n
Sweat the onions 8 mins. Add the rest and simmer 15 mins. ${said}`;

  it('by a measure it is that part of what is in the pot', () => {
    for (const said of [
      'Remove 1 litre of the soup; puree the rest until smooth. Return the reserved soup to the pot.',
      'Set 1 litre of the soup aside. Blend the rest. Stir it back in.',
    ]) {
      const [blend] = read(chowder(said)).of('blend');
      expect(blend?.holdBack?.length).withContext(said).toBeGreaterThan(0);
      for (const { share } of blend?.holdBack ?? [])
        expect(share)
          .withContext(said)
          .toBeCloseTo(1 / 4.01, 2);
    }
  });

  it('what goes to the blade by a measure leaves the rest whole', () => {
    const [blend] = read(chowder('Transfer 1 litre of the soup to a blender and blend until smooth. Stir back in.')).of('blend');
    for (const { share } of blend?.holdBack ?? []) expect(share).toBeCloseTo(1 - 1 / 4.01, 2);
    expect(blend?.holdBack?.length).toBeGreaterThan(0);
  });
});

describe('minutes behind a boil', () => {
  for (const said of ['Bring to a simmer, 10 mins.', 'Bring to the boil, then simmer 10 mins.', 'Bring to a simmer for 10 mins.'])
    it(`“${said}” are of one simmer`, () => {
      const { of } = read(`${START}\nSweat the onions. Add the pumpkin and stock. ${said} Blend.`);
      expect(of('simmer').map(({ minutes }) => minutes)).toEqual([10]);
    });

  it('what goes in for the last of them does not make the simmer longer', () => {
    const { of } = read(
      `Soup\nServes 4\n900 g broccoli - florets and stalks separated\n2 leeks\n800 ml stock\n
Soften the leeks and broccoli stalks 8 mins. Pour in the stock. Bubble for 12 min. Florets in for the last 4 minutes. Blend.`,
    );
    expect(of('simmer').map(({ minutes }) => minutes)).toEqual([8, 4]);
  });
});

describe('what goes on top', () => {
  it('is so many grams a bowl where the sheet says so, behind the method too', () => {
    const { garnish, soup, kg } = read(`Celeriac soup
Portions 20 (180ml)
Celeriac 2.5kg
Hazelnuts 100g, roasted, crushed
Stock 2.5L

Simmer the celeriac in the stock for 25min. Blend.
To serve: 5g hazelnuts per bowl. Froth w/ hand blender before plating.`);
    expect(garnish.map(({ gPerBowl }) => gPerBowl)).toEqual([5]);
    expect(kg('hazelnuts')).toBeCloseTo(0.1, 6);
    expect(soup.lines.filter(({ ingredient }) => ingredient === 'hazelnuts').length).toBe(1);
  });

  it('of a spice without an amount is no more than its list comes to', () => {
    const { garnish, kg } = read(`${START}nutmeg\n\n${COOKED} Grate over the nutmeg.`);
    const total = garnish.reduce((sum, { gPerBowl }) => sum + gPerBowl, 0) * 4;
    expect(garnish.length).toBe(1);
    expect(total).toBeCloseTo(kg('nutmeg') * 1000, 1);
  });

  it('“and extra to finish” is besides what goes in', () => {
    for (const extra of ['+ extra to finish', 'plus extra to serve', 'and a little extra to garnish']) {
      const { actions } = read(
        `Cold soup\nServes 4\n1 kg cucumber\n15 g mint leaves ${extra}\n200 ml stock\n
Blend the cucumber, mint and stock. Chill. Serve with a mint leaf on each.`,
      );
      const into = actions.find(({ does }) => does === 'add')?.lines.find(({ line }) => line === 'mint');
      expect(into?.share ?? 1)
        .withContext(extra)
        .toBe(1);
    }
  });

  it('what was kept for it is not what “the mushrooms” puts back', () => {
    const { of, actions } = read(`Mushroom soup
Serves 6
600 g portobello, sliced
600 g chestnut mushrooms, sliced
60 g butter
2 onions
1 l stock

Brown the mushrooms in the butter 8 mins; set a quarter of them aside for garnish. Sweat the onions 10 mins. Add the mushrooms and the stock. Simmer 20 mins. Blend. Finish with the mushrooms set aside.`);
    const [fry] = actions.filter(({ does }) => does === 'add');
    expect(fry?.lines.map(({ line }) => line)).toEqual(jasmine.arrayContaining(['flat-mushroom', 'chestnut-mushroom']));
    expect(of('takeOut').length).toBe(1);
    const blendAt = actions.findIndex(({ does }) => does === 'blend');
    expect(actions.slice(0, blendAt).some(({ does }) => does === 'giveBack')).toBeFalse();
  });
});

describe('words that are of no body', () => {
  it('a bit of water is what it is thinned with, and not how thin it is to be', () => {
    const [thin] = read(`${START}\n${COOKED} Thin with a bit of water if it's too thick.`).of('thin');
    expect(thin?.toMPas).toBeGreaterThan(50);
  });

  it('“like water” still is', () => {
    const [thin] = read(`${START}\n${COOKED} Thin with stock to the consistency of water.`).of('thin');
    expect(thin?.toMPas).toBe(8);
  });
});

describe('amounts behind their food', () => {
  it('two of them are one amount, and “the other 200 ml” is what is left', () => {
    const { kg, of, soup } = read(
      `Soup\nServes 4\nSweet potatoes 1kg\nRed onions 2\nVeg stock 1L + 200ml\n
Soften the onions. Add the sweet potatoes + 1L stock. Simmer 20 mins. Blend. Loosen with the other 200ml if you need it.`,
    );
    expect(kg('vegetable-stock')).toBeCloseTo(1.2, 2);
    const [thin] = of('thin');
    expect(soup.lines.find(({ id }) => id === thin?.line)?.ingredient).toBe('vegetable-stock');
    const poured = of('add').flatMap(({ uses }) => uses.filter(({ line }) => line === 'vegetable-stock'));
    expect(poured[0]?.share).toBeCloseTo(1 / 1.2, 2);
  });

  it('a bunch is one', () => {
    const { kg, questions } = read(
      `${START}Coriander small bunch – stalks and leaves kept apart\n\n${COOKED} Top with the coriander.`,
    );
    expect(kg('coriander')).toBeGreaterThan(0);
    expect(questions).toEqual([]);
  });
});

describe('salt that is not wanted', () => {
  it('is not put in', () => {
    const { of } = read(
      `${START}200 g Stilton\nblack pepper\n\n${COOKED} Stir in the cheese. Plenty of pepper; it won't want salt.`,
    );
    expect(of('season')).toEqual([]);
  });

  it('is where it is only to wait', () => {
    for (const said of ["Don't add salt until the end.", 'It needs no salt yet.', 'Do not add any salt at this stage.']) {
      const { of } = read(`${START}\n${COOKED} ${said} Season well.`);
      expect(of('season').length).withContext(said).toBe(1);
    }
  });

  it('is where nothing of the kind is said', () => {
    const { of } = read(`${START}black pepper\n\n${COOKED} Season well.`);
    expect(of('season').length).toBe(1);
  });
});

describe('a list that is told', () => {
  it('under a name with a comma is a list, and “about a kilo of” begins another food', () => {
    const { kg } = read(`Curried parsnip soup, the way I do it

You'll need 2 big onions, about a kilo of parsnips, a thumb of ginger, a litre and a half of vegetable stock, a big knob of butter and a small pot (150ml) of cream.

Chop the onions and cook them slowly in the butter, 15 mins. Add the ginger, parsnips and stock. Simmer 20 mins. Blitz it. Stir in the cream.`);
    expect(kg('parsnip')).toBeCloseTo(1, 6);
    expect(kg('onion')).toBeCloseTo(0.3, 6);
    expect(kg('butter')).toBeCloseTo(0.02, 3);
    expect(kg('vegetable-stock')).toBeCloseTo(1.5, 2);
  });

  it('a step that begins with a time is no food', () => {
    const { questions, of } = read(
      `Lentil soup\nServes 6\n300g red lentils\n1 onion\n1.2 litres vegetable stock\n400g can coconut milk\n
Tip the lentils, onion and stock into a slow cooker. Cover and cook on Low for 6 hrs.
Half an hour before the end, stir through the coconut milk. Blend.`,
    );
    expect(questions).toEqual([]);
    expect(of('simmer').map(({ minutes }) => minutes)).toEqual([330, 30]);
  });

  it('a name in another language with the English one behind it, and “para 10”', () => {
    const { kg, soup } = read(
      `GAZPACHO ANDALUZ para 10\ntomates maduros 2 kg (ripe tomatoes)\n1 cucumber\n150 ml olive oil\n15 g salt\n300 ml cold water\n
Core the tomatoes and cut everything in pieces. Put in the blender with the salt and water; blend 3 min, adding the oil in a thread at the end. Chill.`,
    );
    expect(kg('tomato')).toBeCloseTo(2, 6);
    expect(soup.writtenFor.bowls).toBe(10);
  });

  it('what is cut to pieces is no oil', () => {
    const { actions } = read(
      `Gazpacho\nServes 10\n2 kg tomatoes\n1 cucumber\n150 ml olive oil\n15 g salt\n
Cut everything in pieces. Put in the blender with the salt; blend 3 min. Add the oil in a thread. Chill.`,
    );
    const oil = actions.filter(({ lines }) => lines.some(({ line }) => line === 'olive-oil'));
    expect(oil.map(({ does }) => does)).toEqual(['add']);
    expect(oil[0]?.lines.map(({ line }) => line)).toEqual(['olive-oil']);
  });
});

describe('a kitchen’s half sentences', () => {
  it('“all in” brings the tray to the pot before it simmers', () => {
    const { ops } = read(`carrot soup - 40 covers\n8 kg carrots\n2 kg onion\n400ml veg oil\n14L veg stock\n
roast carrots w/ half the oil 200c 40min
sweat onion in rest of oil 15min
all in tilting pan w/ stock, boil then simmer 20
blitz 10min`);
    expect(ops.indexOf('join')).toBeGreaterThan(0);
    expect(ops.indexOf('join')).toBeLessThan(ops.indexOf('simmer'));
  });

  it('“Chestnuts: slice thin, fry in butter” is done to the chestnuts', () => {
    const { soup } = read(
      `Artichoke soup\nServes 12\n1.4 kg Jerusalem artichokes\n1.6 l chicken stock\n200 g cooked chestnuts\n60 g clarified butter\n
Simmer the artichokes in the stock 30 min. Blend.
Chestnuts: slice thin, fry in clarified butter until crisp. Serve the chestnuts on top.`,
    );
    const [card] = soup.cards ?? [];
    expect(card?.lines.map(({ ingredient }) => ingredient)).toEqual(jasmine.arrayContaining(['canned-chestnuts', 'ghee']));
  });

  it('salt on an onion in its butter does not season the soup: that is put at its end, and shown as placed', () => {
    const { of, steps } = read(
      `Soup\nServes 4\n1 kg pumpkin\n2 onions\n30 g butter\n800 ml chicken stock, unsalted\nsalt\n
Cook the onions in the butter; season with salt and sweat 8 mins. Add the pumpkin and stock. Simmer 20 mins. Blend.`,
    );
    expect(of('season').length).toBe(2);
    expect(steps.findLastIndex(({ op }) => op === 'season')).toBeGreaterThan(steps.findIndex(({ op }) => op === 'blend'));
  });

  it('flakes of salt on top are a pinch', () => {
    const { kg } = read(`${START}flaky sea salt, to serve\n\n${COOKED} Top with flaky salt.`);
    expect(kg('flaked-salt') * 1000).toBeLessThanOrEqual(4 * 0.5);
    expect(kg('flaked-salt')).toBeGreaterThan(0);
  });

  it('thinned with water is not with the stock that could have been water', () => {
    const { of, soup } = read(
      `Soup\nServes 4\n1 kg pumpkin\n4 cups chicken stock or water\n2 onions\n\n${COOKED} Thin with water if needed.`,
      'us',
    );
    const [thin] = of('thin');
    expect(soup.lines.find(({ id }) => id === thin?.line)?.ingredient).toBe('water');
  });
});

describe('what stands beside an amount', () => {
  it('grams and litres by the names that some kitchens give them', () => {
    const { kg, questions } = read(`Dal soup
Masoor dal 600 gm
Onion 400 gms
Tomatoes 1.5 kgs
Water 2.5 ltr
Rai 2 tsp
Dhania, chopped, to garnish

Boil the dal and onion in the water for 20 min. Add the tomatoes and simmer 10 min. Blend. Garnish with dhania.`);
    expect([kg('lentils'), kg('onion'), kg('tomato')]).toEqual([0.6, 0.4, 1.5]);
    expect(kg('water')).toBeCloseTo(2.5, 1);
    expect(kg('mustard-seed')).toBeGreaterThan(0);
    expect(kg('coriander')).toBeGreaterThan(0);
    expect(questions.filter((line) => /gm|kgs|ltr|Rai/.test(line))).toEqual([]);
  });

  it('a pinch among seasonings is one of them', () => {
    const { kg, soup } = read(`${START}sea salt, white pepper, pinch sugar\n\n${COOKED} Season with salt, pepper and the sugar.`);
    expect(kg('sugar')).toBeGreaterThan(0);
    expect(soup.lines.map(({ ingredient }) => ingredient)).toEqual(jasmine.arrayContaining(['white-pepper', 'fine-salt', 'sugar']));
  });

  it('“makes 60 espresso cups (90ml)” is of small cups', () => {
    const { soup } = read(
      `Pea soup\nmakes 60 espresso cups (90ml)\n3kg frozen peas\n3 litres chicken stock\n\nBoil the peas in the stock 3 min. Blend.`,
    );
    expect(soup.writtenFor).toEqual({ bowls: 60, bowlG: 90 });
  });

  it('times over the foods are none of them', () => {
    const { soup, questions } = read(
      `Tomato bisque\nPrep: 20 min. Cook: 1 hr. Makes about 10 cups; serves 6 to 8\n\n2 kg tomatoes\n1 l stock\n\nSimmer the tomatoes in the stock 20 min. Blend.`,
    );
    expect(questions).toEqual([]);
    expect(soup.writtenFor.bowls).toBe(7);
  });
});

describe('words that sound like a step', () => {
  const BASE =
    'Soup\nServes 6\n1.5 kg tomatoes\n2 onions\n600 ml stock\nsalt\n\nSweat the onions 8 mins. Add the tomatoes and stock.';

  it('flavours that are blended want no blade, and their minutes are those of the simmer', () => {
    const { of } = read(
      `${BASE} Reduce heat and simmer, stirring occasionally, to blend flavors, about 10 minutes. Puree until smooth.`,
    );
    expect(of('blend').length).toBe(1);
    expect(of('simmer').map(({ minutes }) => minutes)).toEqual([10]);
  });

  it('what is strained to blend the solids loses none of them', () => {
    const { ops } = read(
      `${BASE} Simmer 10 mins. Pour the mixture through a strainer into a bowl. Transfer the solids in the strainer to a blender; add 1 cup of strained liquid and puree until smooth. Return it with the remaining liquid to the pan.`,
    );
    expect(ops).not.toContain('sieve');
    expect(ops.filter((op) => op === 'blend').length).toBe(1);
  });

  it('how thick it has set is not how thick it is to be', () => {
    for (const said of [
      'Loosen with a little milk if it has set thick.',
      'If it is thick enough to stand a spoon in, let it down with hot water.',
    ]) {
      const [thin] = read(`${BASE} Simmer 10 mins. Blend. ${said}`).of('thin');
      expect(thin?.toMPas).withContext(said).toBe(220);
    }
  });

  it('salt that is asked for twice in one breath is one step', () => {
    const { of } = read(
      `${BASE.replace('salt\n', 'salt\ncayenne pepper\n')} Simmer 10 mins. Blend. Off the heat, season with salt and cayenne to taste.`,
    );
    expect(of('season').length).toBe(1);
  });
  it('a sprig that is fished out is not kept because something else is', () => {
    const { of } = read(
      `Bean soup\nServes 2\n1 shallot\n1 sprig of rosemary\n400g can butter beans\n300ml stock\n
Soften the shallot with the rosemary 5 mins. Add the beans and stock. Simmer 8 mins. Fish out the rosemary, keep back a spoonful of beans, and blitz the rest. Serve with the beans.`,
    );
    expect(of('takeOut').map(({ lines, keep = false }) => [lines[0], keep])).toEqual([
      ['rosemary', false],
      ['canned-white-beans', true],
    ]);
  });
});

describe('what goes where', () => {
  it('what is divided between two sheets is roasted, and scraping them puts nothing back on them', () => {
    const { of, garnish, soup, ops } = read(
      `Fennel soup\nServes 9\n4 fennel bulbs\n2 lb potatoes\n1 leek\n6 tbsp olive oil\n8 cups vegetable stock\n
Divide the fennel and potatoes between two rimmed sheets, toss each with 2 Tbsp oil. Roast 40 min. Warm the last 2 Tbsp oil in a heavy pot. Add the leek; cook 5 min. Add the roasted vegetables and stock, scraping the sheets. Simmer 15 min. Blend.`,
      'us',
    );
    expect(garnish).toEqual([]);
    const [roast] = of('roast');
    expect(roast?.minutes).toBe(40);
    expect(soup.root.steps.some(({ op }) => op === 'trim')).toBeTrue();
    expect(ops.indexOf('join')).toBeLessThan(ops.indexOf('simmer'));
  });

  it('packs behind their food are so many of them', () => {
    const { kg } = read(`Soup\nWatercress   4 bags (85g each)\nOnions       500g   sliced\nStock        2 litres\n
Sweat the onions. Add the stock and watercress. Boil 1 min. Blend.`);
    expect(kg('watercress')).toBeCloseTo(0.34, 3);
  });

  it('a piece of ginger behind the garlic is a food of its own, and no cut', () => {
    const { kg, soup } = read(
      `${START}2 garlic cloves and a 3cm piece of ginger, grated\n\nSweat the onions, garlic and ginger 8 mins. ${COOKED}`,
    );
    expect(kg('garlic')).toBeCloseTo(0.006, 4);
    expect(kg('ginger')).toBeGreaterThan(0);
    expect(soup.lines.find(({ ingredient }) => ingredient === 'garlic')?.cut?.sizeMm).toBeLessThan(10);
  });

  it('“for the last 5” are minutes of the heat that it joins', () => {
    const { of } = read(
      `Soup\nServes 4\n2 onions\n1 apple\n30 g butter\n1 l stock\n
Cook the onions in the butter for 10 minutes, adding the apple for the last 5. Add the stock. Simmer 20 mins. Blend.`,
    );
    expect(of('sweat').map(({ minutes }) => minutes)).toEqual([5, 5]);
  });

  it('a soup that is chilled for the freezer and reheated is served hot', () => {
    const { soup } = read(`${START}\n${COOKED} Chill over ice. Freeze in tubs.\nOn reheating: bring to 75C.`);
    expect(soup.served).toBe('hot');
  });
});
