import { LARDER_ROWS, makeLarder } from '../larder/index.js';
import { namesOf, readLine, type Country } from './index.js';
import { oneRange, summed } from './compound.js';

const context = { larder: makeLarder(LARDER_ROWS), names: namesOf(LARDER_ROWS) };

/** Lines as they are written, with what they weigh in grams, worked by hand: lb 453.6 g, oz 28.35 g, US cup 236.6 mL, imperial pint 568.3 mL. */
const LINES: readonly (readonly [country: Country, line: string, id: string, grams: number])[] = [
  // Two amounts of one food.
  ['us', '2 lb 8 oz onions, chopped', 'onion', 2.5 * 453.6],
  ['gb', '1lb 2oz carrots', 'carrot', 1.125 * 453.6],
  ['us', '1/4 cup + 1 Tbsp olive oil', 'olive-oil', 54.07 + 13.5],
  ['us', '3 tablespoons plus ½ cup olive oil', 'olive-oil', 40.5 + 108.1],
  ['us', '1 quart plus 1 cup chicken stock', 'chicken-stock', 1.25 * 948.2],
  ['gb', '1 pint 5 fl oz vegetable stock', 'vegetable-stock', 1.25 * 568.3],
  ['us', '½ cup heavy cream, plus 2 tablespoons for serving', 'heavy-cream', 0.625 * 235.2],
  ['us', '2 tablespoons plus 1 teaspoon butter', 'butter', (14.2 * 7) / 3],
  // A range with its unit at both ends.
  ['gb', '750g-1kg pumpkin', 'pumpkin', 875],
  ['us', '2 cups to 3 cups broth', 'vegetable-stock', 2.5 * 236.6],
  // The weight behind the count, with or without "about".
  ['us', '2 medium Yukon Gold potatoes (12 oz. total), peeled', 'potato', 12 * 28.35],
  ['us', '3 medium carrots (about 1/2 pound)', 'carrot', 226.8],
  ['us', '1 bunch (about 12 oz) Swiss chard', 'chard', 12 * 28.35],
  ['us', 'One 2-pound butternut squash', 'butternut', 907.2],
  ['au', '1 large (300g) desiree potato', 'potato', 300],
  ['us', '1 (3 to 3 1/2-pound) butternut squash, peeled', 'butternut', 3.25 * 453.6],
  ['gb', '1 x 1.5kg butternut squash', 'butternut', 1500],
  ['us', '5 cups (about 1½ lbs.) cauliflower florets', 'cauliflower', 1.5 * 453.6],
  ['au', '1 cup (160g) frozen peas', 'peas', 160],
  // What it comes in.
  ['gb', '1 sachet (25g) white miso', 'miso', 25],
  ['us', '1 (32-ounce) container vegetable broth', 'vegetable-stock', 907.2],
  ['gb', '1 small pot (150ml) single cream', 'single-cream', 151.5],
  ['gb', 'a small pot of single cream', 'single-cream', 151.5],
  ['gb', '2 large pots double cream', 'double-cream', 588],
  ['us', '1 butternut squash (~3 lb.), peeled', 'butternut', 3 * 453.6],
  ['gb', 'celeriac (c. 900g)', 'celeriac', 900],
  ['gb', 'Coconut milk 4 x 400ml', 'coconut-milk', 1600],
  ['gb', 'Chopped tomatoes 3 x 400g tins', 'canned-tomatoes', 1200],
  ['gb', '150g soft blue cheese, crumbled', 'blue-cheese', 150],
  ['us', '1 ripe cantaloupe (about 3 pounds), seeded, rind removed', 'melon', 3 * 453.6],
  ['gb', '1 onion, halved, plus 1 onion, finely chopped', 'onion', 220],
  ['us', '2 - 28 oz cans whole tomatoes', 'canned-tomatoes', 2 * 28 * 28.35],
  ['gb', 'half a 400g tin coconut milk', 'coconut-milk', 200],
  ['us', 'half of a 15-ounce can cannellini beans, drained', 'canned-white-beans', 212.6],
  ['gb', 'a 400g tin of butter beans, drained (240g drained weight)', 'canned-white-beans', 240],
  ['us', '1 #10 can tomato puree', 'passata', 3005],
  ['us', '1 14-ounce can light coconut milk', 'coconut-milk-light', 396.9],
  ['gb', 'half a bag of spinach, 100g', 'spinach', 100],
  ['gb', '1 jar passata', 'passata', 700],
  ['us', '1 large (28-oz) can whole peeled tomatoes', 'canned-tomatoes', 28 * 28.35],
  // Figures and units as hands write them.
  ['us', '1-1/2 cups milk', 'milk', 1.5 * 243.7],
  ['us', '1 & 1/2 cups milk', 'milk', 1.5 * 243.7],
  ['us', '~2 lbs potatoes', 'potato', 907.2],
  ['us', '5# potatoes', 'potato', 5 * 453.6],
  ['us', '2 Tb butter', 'butter', 28.4],
  ['us', '2 packed cups spinach leaves', 'spinach', 60],
  ['us', '1.5 gal. veg. stock', 'vegetable-stock', 1.5 * 3785.4],
  ['gb', '4 x 15ml spoons olive oil', 'olive-oil', 60 * 0.913],
  ['gb', 'one 5cm stick of cinnamon', 'cinnamon', 3],
  ['gb', '½ oz butter', 'butter', 14.2],
  ['gb', 'Mild curry powder 2 rounded tbsp', 'curry-powder', 12.8],
  ['us', '1 large bunch of celery', 'celery', 450],
  ['us', '1 jar roasted peppers (460g)', 'roasted-peppers-jar', 460],
  ['us', '1 can evaporated milk', 'evaporated-milk', 354],
  ['us', '1 shot brandy', 'brandy', 30],
  ['gb', '6 litres stock made with 6 low salt cubes', 'vegetable-stock-low-salt', 6000],
  ['gb', 'flat mush 4kg', 'flat-mushroom', 4000],
  ['gb', 'thyme, small bunch', 'thyme', 20],
  ['us', '1 t. oregano', 'dried-oregano', 1],
  ['us', '1 tsp Dijon', 'dijon-mustard', 5],
  ['us', '1/2 tsp celery seed', 'celery-seed', 1],
  ['us', '4 oz andouille sausage', 'chorizo', 113.4],
  ['gb', '6 juniper berries', 'juniper', 0.9],
  ['gb', 'an ounce and a half of butter', 'butter', 42.5],
  ['gb', 'two and a half pints of stock', 'vegetable-stock', 2.5 * 568.3],
  ['gb', 'three-quarters of a pint of milk', 'milk', 0.75 * 585.3],
  ['gb', 'a heaped teaspoon of plain flour', 'plain-flour', 2.6],
  ['gb', 'kilo of swede', 'swede', 1000],
  ['gb', '1.5ltr water', 'water', 1497],
  ['us', '1 3" piece ginger', 'ginger', 3 * 2.54 * 4.33],
  ['gb', 'half a dozen shallots', 'shallot', 150],
  ['gb', 'a small potato', 'potato', 138],
  ['gb', '8 pods garlic', 'garlic', 24],
  ['gb', '2 little gem lettuces, shredded', 'lettuce', 200],
  ['gb', 'leaves from a small bunch of mint', 'mint', 30],
  // Other names.
  ['gb', '1/2 tsp turmeric powder', 'turmeric', 1.5],
  ['us', '4 oz. queso fresco, crumbled', 'crumbling-cheese', 113.4],
  ['us', '1 cup dry white wine such as a young one', 'white-wine', 234.2],
  ['gb', '1 vegetable stock pot', 'stock-cube', 28],
  ['gb', '100g grated Parmesan cheese', 'parmesan', 100],
  ['us', '4 oz shredded mozzarella cheese', 'mozzarella', 113.4],
  ['us', '4 oz Swiss cheese, grated', 'gruyere', 113.4],
  ['gb', '100g grated cheese', 'cheddar', 100],
  ['gb', '1 tbsp chopped fresh herbs (e.g. mint), plus more', 'mint', 5.8],
  ['us', '1 cup something white, such as cider', 'cider', 1.015 * 236.6],
  ['au', '4 green shallots', 'spring-onion', 60],
  ['us', '8 ounces shiitake mushrooms, stems discarded, caps sliced', 'shiitake', 226.8],
  ['us', '4 cups mushroom broth', 'mushroom-stock', 4 * 236.6],
  ['gb', '410g can chickpeas in water', 'canned-chickpeas', 410],
  ['us', '8 oz fresh goat cheese', 'goats-cheese', 226.8],
  ['au', '1 Tbsp stock paste', 'stock-cube', 16],
  ['us', '1/2 cup uncooked white rice', 'white-rice', 92.5],
];

describe('lines of many habits', () => {
  for (const [country, line, id, grams] of LINES) {
    it(`${country}: ${line}`, () => {
      const read = readLine(line, { ...context, country });
      expect(read.code).toBe('READ');
      if (read.code !== 'READ') return;
      expect(read.ingredient).toBe(id);
      expect(Math.abs(read.kg * 1000 - grams))
        .withContext(`${String(read.kg * 1000)} g`)
        .toBeLessThan(0.02 * grams);
    });
  }

  it('two readings of one amount are not added up', () => {
    for (const line of ['600 g (1 lb 5 oz) celeriac', '1 lb 5 oz (600 g) celeriac', '600 g 1 lb 5 oz celeriac']) {
      const read = readLine(line, { ...context, country: 'gb' });
      if (read.code === 'READ') expect(read.kg).withContext(line).toBeCloseTo(0.6, 1);
      else expect(read.code).toBe('ASK');
    }
    expect(summed('500 g 1 lb carrots')).toBeUndefined();
    expect(summed('2 cups (480 ml) broth')).toBeUndefined();
  });

  it('what is cooked and packed is asked by what it weighed raw, and a plain artichoke by which it is', () => {
    const packed = readLine('1 vac pack (250g) cooked beetroot', { ...context, country: 'gb' });
    expect(packed.code === 'ASK' && packed.what).toBe('COOKED');
    // Rice weighs 2.7 times as much when it is cooked.
    const rice = readLine('270 g cooked white rice', { ...context, country: 'gb' });
    expect(rice.code === 'ASK' && rice.what).toBe('COOKED');
    expect(rice.code === 'ASK' && rice.options[0]!.kg).toBeCloseTo(0.1, 6);
    const small = readLine('12 new potatoes', { ...context, country: 'gb' });
    expect(small.code === 'ASK' && small.options.map(({ kg }) => kg)).toEqual([0.72, 0.72]);
    const which = readLine('1.2 kg artichokes, peeled', { ...context, country: 'gb' });
    expect(which.code === 'ASK' && which.options.map(({ ingredient }) => ingredient)).toEqual([
      'jerusalem-artichoke',
      'globe-artichoke',
    ]);
  });

  it('an ounce of what is spooned is its weight, of what is poured it is asked', () => {
    for (const [line, isWeight] of [
      ['2 oz butter', true],
      ['2 oz peanut butter', true],
      ['8 oz buttermilk', false],
      ['8 oz milk', false],
    ] as const) {
      const read = readLine(line, { ...context, country: 'us' });
      expect(read.code)
        .withContext(line)
        .toBe(isWeight ? 'READ' : 'ASK');
    }
  });

  it('a range in two units is one in the smaller', () => {
    expect(oneRange('1 l to 1.5 l stock')).toBe('1-1.5 l stock');
    expect(oneRange('750 ml – 1 l stock')).toBe('750-1000 ml stock');
    expect(oneRange('750 ml–1½ l stock')).toBe('750-1500 ml stock');
    expect(oneRange('2 carrots')).toBe('2 carrots');
  });
});
