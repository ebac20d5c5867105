import { LARDER_ROWS, makeLarder } from '../larder/index.js';
import { cutOf } from '../draft/index.js';
import { namesOf, readLine, readLines, takeApart, type Country, type LineReading } from './index.js';

const context = { larder: makeLarder(LARDER_ROWS), names: namesOf(LARDER_ROWS) };
const read = (text: string, country?: Country): LineReading => readLine(text, { ...context, country });

/** Written line, country, ingredient, kilos worked by hand from the public weights. */
const READ: readonly (readonly [string, Country, string, number])[] = [
  // 1.5 x 160 g
  ['1 1/2 cups onion, diced', 'us', 'onion', 0.24],
  ['1½ kg carrots, peeled', 'gb', 'carrot', 1.5],
  // 2.5 cloves x 3 g
  ['2-3 cloves of garlic', 'gb', 'garlic', 0.0075],
  // 2 x 160 g
  ['2 large beetroot, peeled', 'gb', 'beetroot', 0.32],
  // 28 x 28.3495 g
  ['1 28-ounce can tomatoes', 'us', 'canned-tomatoes', 0.79379],
  ['a bunch of mint', 'gb', 'mint', 0.03],
  ['a clove of garlic', 'gb', 'garlic', 0.003],
  // 0.25 L x 0.997
  ['250 ml cream', 'gb', 'whipping-cream', 0.24925],
  ['half a litre of vegetable stock', 'gb', 'vegetable-stock', 0.5],
  // 3 x 20 mL x 0.914, and 3 x 14.787
  ['3 tbsp olive oil', 'au', 'olive-oil', 0.05484],
  ['3 tbsp olive oil', 'us', 'olive-oil', 0.040546],
  // 8 x 28.3495
  ['8 oz mushrooms', 'us', 'mushroom', 0.226796],
  ['two onions', 'gb', 'onion', 0.22],
  ['half an onion', 'gb', 'onion', 0.055],
  ['2 x 400 g cans chopped tomatoes', 'gb', 'canned-tomatoes', 0.8],
  ['1 (14 oz) can coconut milk', 'us', 'coconut-milk', 0.396893],
  ['juice of 1 lemon', 'gb', 'lemon-juice', 0.047],
  // As they are written and said on both sides of the Channel.
  ['2 kilos potatoes', 'gb', 'potato', 2],
  ['400 grammes carrots', 'gb', 'carrot', 0.4],
  ['250 millilitres water', 'gb', 'water', 0.2495],
  ['25 centilitres water', 'gb', 'water', 0.2495],
  ['half a kilo of leeks', 'gb', 'leek', 0.5],
  ['500 mls stock', 'gb', 'vegetable-stock', 0.5],
  ['2 dl cream', 'gb', 'whipping-cream', 0.1994],
  ['3 cl. garlic', 'gb', 'garlic', 0.009],
  ['1 dessertspoon oil', 'gb', 'rapeseed-oil', 0.00915],
  ['1 lemon (juice only)', 'gb', 'lemon-juice', 0.047],
  ['2 sticks celery, sliced', 'gb', 'celery', 0.08],
  ['4 rashers bacon', 'gb', 'bacon', 0.1],
  ['1 eggplant', 'au', 'aubergine', 0.458],
  ['1 red capsicum', 'au', 'red-pepper', 0.119],
  ['500g butternut squash', 'gb', 'butternut', 0.5],
  ['2 lb / 900 g potatoes', 'us', 'potato', 0.907185],
  // 568.261 mL x 1.000
  ['1 pint stock', 'gb', 'vegetable-stock', 0.568261],
  ['1 pint stock', 'us', 'vegetable-stock', 0.473176],
  ['a pinch of nutmeg', 'gb', 'nutmeg', 0.0002],
  // Once read wrong, or not at all
  ['1 litre stock, to top up', 'gb', 'vegetable-stock', 1],
  ['2 garlic cloves', 'gb', 'garlic', 0.006],
  ['1 whole lime', 'gb', 'lime', 0.067],
  // 2 x 14 x 28.3495 g
  ['2 cans (14 oz) artichoke hearts', 'us', 'canned-artichokes', 0.79379],
  ['1 No. 10 can tomatoes', 'us', 'canned-tomatoes', 2.89],
  ['1 can (28 oz) tomatoes', 'us', 'canned-tomatoes', 0.79379],
  ['2 tins butter beans', 'gb', 'canned-white-beans', 0.8],
  ['1 potato in small cubes', 'gb', 'potato', 0.173],
  ['1 onion, large dice', 'us', 'onion', 0.11],
  ['1 tbsp corn flour', 'gb', 'cornflour', 0.008115],
  ['1 tbsp corn flour', 'us', 'masa-harina', 0.0071],
  ['1 litre low-salt stock', 'gb', 'vegetable-stock-low-salt', 1.002],
  ['4 cups low-sodium chicken broth', 'us', 'chicken-stock-low-salt', 0.94824],
  ['a pat of butter', 'us', 'butter', 0.005],
  ['a dollop of crème fraîche', 'gb', 'creme-fraiche', 0.03],
  ['3 green beans', 'gb', 'green-beans', 0.0165],
  ['6 sprigs basil', 'us', 'basil', 0.006],
  ['1/2 cup heavy cream, plus more to garnish', 'us', 'heavy-cream', 0.1176],
  ['2 medium leeks (about 400g)', 'gb', 'leek', 0.4],
  ['celeriac, about 800g, peeled and in cubes', 'gb', 'celeriac', 0.8],
  ['Onions 200 g, sliced', 'gb', 'onion', 0.2],
  ['a bit of butter, say 40g', 'gb', 'butter', 0.04],
  // 3 cm at 4.33 g
  ['3cm piece ginger, grated', 'gb', 'ginger', 0.013],
];

describe('a line as people write it', () => {
  for (const [text, country, ingredient, kg] of READ) {
    it(`${text} (${country}) is ${String(kg)} kg of ${ingredient}`, () => {
      const reading = read(text, country);
      if (reading.code !== 'READ') throw new Error(`${reading.code}: ${JSON.stringify(reading)}`);
      expect(reading.ingredient).toBe(ingredient);
      expect(Math.abs(reading.kg / kg - 1)).toBeLessThan(0.002);
    });
  }

  it('weighs what is trimmed first as trimmed, and what is trimmed after as bought', () => {
    const basis = (text: string): string => {
      const reading = read(text, 'gb');
      return reading.code === 'READ' ? `${reading.basis} ${reading.way ?? ''}` : reading.code;
    };
    expect(basis('300 g peeled carrots')).toBe('edible peeled');
    expect(basis('300 g carrots, peeled')).toBe('bought peeled');
    expect(basis('300 g carrots, scrubbed')).toBe('bought scrubbed');
    expect(basis('2 x 400 g tins chickpeas, drained and rinsed')).toBe('bought drained and rinsed');
  });

  it('keeps both ends of a range', () => {
    const reading = read('2-3 carrots', 'gb');
    expect(reading.code === 'READ' && [reading.lowKg, reading.highKg].map((kg) => Math.round(kg * 1000))).toEqual([122, 183]);
    expect(reading.code === 'READ' && reading.assumed).toEqual(['MEDIUM_SIZE', 'MIDDLE_OF_RANGE']);
  });

  it('leaves to the step what is to taste, to cover, for frying', () => {
    expect(read('salt to taste', 'gb')).toEqual(
      jasmine.objectContaining({ code: 'BY_STEP', ingredient: 'fine-salt', says: 'to taste' }) as never,
    );
    expect(read('vegetable stock to cover', 'gb')).toEqual(jasmine.objectContaining({ says: 'to cover' }) as never);
    expect(read('butter for frying', 'gb')).toEqual(jasmine.objectContaining({ says: 'for frying' }) as never);
  });

  it('asks what an ounce of a liquid is, a spoon or pint of no country, a can of no size', () => {
    const asked = (text: string, country?: Country): string => {
      const reading = read(text, country);
      return reading.code === 'ASK' ? `${reading.what} ${reading.options.map(({ kg }) => kg.toFixed(3)).join(' ')}` : reading.code;
    };
    // 8 oz: 226.8 g; 8 US fluid ounces 236.59 mL x 0.997
    expect(asked('8 oz cream', 'us')).toBe('OUNCE 0.227 0.236');
    // 15 mL, 14.787 mL and 20 mL of flour at 7.8 g a US spoon
    expect(asked('1 tbsp flour')).toBe('SPOON 0.008 0.008 0.011');
    expect(asked('1 pint milk')).toBe('PINT 0.585 0.487');
    expect(asked('1 can tomatoes', 'us')).toBe('SIZE 0.400 0.411 0.794 2.890');
  });

  it('names what it does not know, with the nearest, and guesses nothing', () => {
    expect(read('3 zuchini', 'us')).toEqual(jasmine.objectContaining({ code: 'UNKNOWN_FOOD', nearest: ['courgette'] }) as never);
    expect(read('500 g squash', 'gb').code).toBe('UNKNOWN_FOOD');
    expect(read('1 dragonfruit', 'gb')).toEqual(jasmine.objectContaining({ code: 'UNKNOWN_FOOD' }) as never);
    expect(read('2 cups carrot cake mix', 'us').code).not.toBe('READ');
    expect(read('freshly ground black pepper', 'gb').code).toBe('NO_AMOUNT');
    expect(read('3 rashers olive oil', 'gb').code).toBe('CANNOT_MEASURE');
  });

  it('works out ratios once the other is known: half as much carrot as potato', () => {
    const [potato, carrot] = readLines(['800 g potatoes', 'half as much carrot as potato'], { ...context, country: 'gb' });
    expect(potato?.code).toBe('READ');
    expect(carrot?.code === 'READ' && carrot.kg).toBeCloseTo(0.4, 9);
    const [alone] = readLines(['half as much carrot as potato'], { ...context, country: 'gb' });
    expect(alone?.code).toBe('RATIO');
  });

  it('takes apart what the parser alone does not', () => {
    expect(takeApart('2 x 400 g cans chopped tomatoes')).toEqual(
      jasmine.objectContaining({ value: 2, unit: 'can', each: { value: 400, unit: 'gram' }, rest: 'chopped tomatoes' }),
    );
    expect(takeApart('one and a half cups peas').value).toBe(1.5);
    expect(takeApart('- 3 carrots').value).toBe(3);
  });

  it('speaks three countries: courgette, zucchini; spring onion, scallion; pepper, capsicum', () => {
    const id = (text: string, country: Country): string => {
      const reading = read(text, country);
      return reading.code === 'READ' ? reading.ingredient : reading.code;
    };
    expect([id('1 courgette', 'gb'), id('1 zucchini', 'us'), id('1 zucchini', 'au')]).toEqual([
      'courgette',
      'courgette',
      'courgette',
    ]);
    expect([id('2 scallions', 'us'), id('2 spring onions', 'gb')]).toEqual(['spring-onion', 'spring-onion']);
    expect([id('1 cup cornstarch', 'us'), id('10 g cornflour', 'gb')]).toEqual(['cornflour', 'cornflour']);
  });

  it('takes a decimal comma for what it is, and thousands for what they are; what could be both is asked with both weights', () => {
    const kg = (text: string): number | string => {
      const reading = read(text, 'gb');
      return reading.code === 'READ' ? Math.round(reading.kg * 1e6) / 1e6 : reading.code;
    };
    expect(kg('12,5 g salt')).toBe(0.0125);
    expect(kg('1,5 kg carrots')).toBe(1.5);
    expect(kg('1 000 g carrots')).toBe(1);
    expect(kg('1.234,5 g carrots')).toBe(1.2345);
    expect(kg('1,250.5 g carrots')).toBe(1.2505);
    expect(kg('2 400 g cans tomatoes')).toBe(kg('2 x 400 g cans tomatoes'));
    const unclear = read('1,500 g carrots', 'gb');
    expect(unclear.code === 'ASK' && [unclear.what, ...unclear.options.map((one) => `${one.label} ${one.kg.toFixed(4)}`)]).toEqual([
      'NUMBER',
      '1.5 g 0.0015',
      '1500 g 1.5000',
    ]);
  });
});

describe('what a line leaves open', () => {
  const options = (text: string, country?: Country): string => {
    const [, , reading] = readLines(['1 kg potatoes', '500 g carrots', text], { ...context, country });
    return reading?.code === 'ASK'
      ? `${reading.what} ${reading.options.map(({ kg, label }) => `${label} ${kg.toFixed(3)}`).join(', ')}`
      : String(reading?.code);
  };

  it('is asked with the kilos of each answer: cooked or raw, one food or the other, of both or of each', () => {
    // 6 cups of 140 g raw; three quarters of it are left by the oven
    expect(options('6 cups roasted butternut squash', 'us')).toBe('COOKED 6 cup (US) once cooked 1.120, 6 cup (US) raw 0.840');
    expect(options('1 litre water or light stock', 'gb')).toBe('WHICH Water 0.998, Vegetable stock, unsalted 1.000');
    expect(options('twice as much courgette as both together', 'gb')).toBe(
      'TOGETHER of both together 3.000, of each of them 1.500',
    );
  });

  it('is taken from the line before where it says as much as that', () => {
    const [, , same] = readLines(['1 kg potatoes', '500 g carrots', 'same amount of celeriac'], { ...context, country: 'gb' });
    expect(same).toEqual(jasmine.objectContaining({ code: 'READ', ingredient: 'celeriac', kg: 0.5 }) as never);
    const [, half] = readLines(['1 kg potatoes', 'half as much leek'], { ...context, country: 'gb' });
    expect(half).toEqual(jasmine.objectContaining({ code: 'READ', ingredient: 'leek', kg: 0.5 }) as never);
  });

  it('a cut in inches keeps its fraction, and the size of a dice is not the size of the piece', () => {
    expect(cutOf('1 onion, 1/4 inch dice')?.sizeMm).toBeCloseTo(6.35, 5);
    expect(cutOf('carrots, in 1 1/2 inch chunks')?.sizeMm).toBeCloseTo(38.1, 5);
    expect(cutOf('1 potato in small cubes')?.sizeMm).toBe(8);
  });

  it('what a measure tells of a food: dried by the teaspoon, poured stock, either of two, a weight in brackets', () => {
    const food = (line: string, country: 'gb' | 'us' = 'gb'): [string, number] | string => {
      const reading = readLine(line, { ...context, country });
      return reading.code === 'READ' ? [reading.ingredient, Math.round(reading.kg * 1e4) / 1e4] : reading.code;
    };
    expect(food('1 tsp coriander')).toEqual(['coriander-seed', 0.0018]);
    expect(food('1 tsp chopped coriander')).toEqual(['coriander', 0.0003]);
    expect(food('5 mL (1 tsp) dried sage', 'us')).toEqual(['dried-sage', 0.0007]);
    expect(food('750 ml vegetable bouillon')).toEqual(['vegetable-stock-cube', 0.7538]);
    expect(food('3 English cucumbers (about 2 1/4 lb)', 'us')).toEqual(['cucumber', 1.0206]);
    expect(food('1 (3-pound) butternut squash', 'us')).toEqual(['butternut', 1.3608]);
    expect(food('Veg stock 24 ltr')).toEqual(['vegetable-stock', 24]);
    expect(food('2 green chillies, slit')).toEqual(['green-chilli', 0.028]);
    expect(food('3 cups low-sodium vegetable broth', 'us')[0]).toBe('vegetable-stock-low-salt');
    expect(food('1 litre no-salt-added chicken stock')).toEqual(['chicken-stock', 1.002]);
    expect(food('1 sugar pumpkin (4 lbs)', 'us')).toBe('ASK');
    const either = readLine('1 tbsp red or white wine vinegar', { ...context, country: 'gb' });
    expect(either.code === 'ASK' ? either.options.map(({ ingredient }) => ingredient) : []).toEqual([
      'red-wine-vinegar',
      'white-wine-vinegar',
    ]);
  });
});

describe('names of the larder', () => {
  it('what a row is called by itself is that row, or is asked between rows that share the name: never another one', () => {
    const context = { larder: makeLarder(LARDER_ROWS), names: namesOf(LARDER_ROWS), country: 'gb' as const };
    const wrong = LARDER_ROWS.flatMap(({ id, name, aka }) =>
      [id.replace(/-/g, ' '), name, ...(aka ?? [])].flatMap((words) => {
        const reading = readLine(`100 g ${words}`, context);
        return reading.code === 'READ' && reading.ingredient !== id ? [`${words}: ${reading.ingredient}, not ${id}`] : [];
      }),
    );
    // Corn flour is starch in Britain, and a carton or a cube may be any stock's.
    expect(wrong.sort()).toEqual([
      'Canned tomatoes, no added salt: canned-tomatoes, not canned-tomatoes-unsalted',
      'carton stock: vegetable-stock, not vegetable-stock-carton',
      'corn flour: cornflour, not masa-harina',
      'vegetable stock cube: stock-cube, not vegetable-stock-cube',
    ]);
  });
});
