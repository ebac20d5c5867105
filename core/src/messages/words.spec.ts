import type { Caution } from '../pot/index.js';
import type { SoupStep } from '../soup/index.js';
import { celsiusOf, degrees, degreesMore } from '../units/index.js';
import {
  cautionSentence,
  heldMass,
  hurts,
  planErrorSentence,
  problemSentence,
  reheatingWords,
  stageWords,
  stepName,
  stepSentence,
  stepSetting,
  stepTest,
} from './index.js';

const nameOf = (id: string): string => id;

/** One of every caution, with figures that a sentence must show. */
const CAUTIONS: readonly (readonly [Caution, string])[] = [
  [{ code: 'HARD_TO_CUT', lineIds: ['swede'] }, 'swede'],
  [{ code: 'HOT_FAT' }, 'water away'],
  [{ code: 'TRAY_ROUNDS', rounds: 3, trays: 16 }, '16 trays: 3 rounds'],
  [{ code: 'TRAY_CROWDED', layers: 1.5, minutes: 62.44 }, 'about 1 h 2 min in the oven'],
  [{ code: 'PAN_CROWDED', minutes: 28, setMinutes: 10, batches: 3 }, 'in 3 batches'],
  [{ code: 'NO_PRESSURE_COOKER', pot: 'Saucepot', mostC: 0, wantedC: 115 }, 'saucepot is no pressure cooker'],
  [{ code: 'NO_PRESSURE_COOKER', pot: 'Cooker', mostC: 110, wantedC: 115 }, '110 °C, not 115 °C'],
  [{ code: 'DROWNED', pouredKg: 1.6, piecesKg: 0.34, narrower: 'Saucepot' }, 'Take the saucepot'],
  [{ code: 'TOO_LITTLE_FOR_JUG', massKg: 0.12 }, '120 g'],
  [{ code: 'BURNS_IN_SECONDS', lineIds: [] }, 'burns in seconds.'],
  [{ code: 'NOT_TENDER', lineIds: ['beetroot', 'onion'] }, 'beetroot, onion'],
  [{ code: 'BOILED_DRY' }, 'boils dry'],
  [{ code: 'BURNER_TOO_SMALL', neededW: 950, givenW: 800 }, '800 W'],
  [{ code: 'BURNER_LIMITS', fluxKgM2H: 17.6 }, '18 kg/(m² h)'],
  [{ code: 'HOT_JUG', fillShare: 0.6, tempC: 72 }, 'to 60 %'],
  [{ code: 'HOT_BLADE', tempC: 98.4 }, '98 °C'],
  [{ code: 'LEFT_IN_FOR_THE_BLADE', lineIds: ['bay'] }, 'Fish it out'],
  [{ code: 'COOL_IN_TWO_STAGES', firstToC: 21, firstMinutes: 120, toC: 5, allMinutes: 360 }, '6 h in all'],
  [{ code: 'STAYS_WARM', lowestC: 21 }, '21 °C'],
  [{ code: 'TARGET_PASSED', what: 'salt', overKg: 0.034 }, '34 g over'],
  [{ code: 'TARGET_PASSED', what: 'cream', overKg: 0.2 }, 'Cream is 200 g over'],
  [{ code: 'TARGET_UNREACHABLE', what: 'cream' }, 'richer'],
  [{ code: 'OVER_THE_BRIM', overM3: 0.0042, usableM3: 0.035 }, '4.2 L'],
  [{ code: 'TWO_PEOPLE_LIFT', massKg: 32.7 }, '32.7 kg'],
  [{ code: 'NEVER_LIFT', massKg: 61 }, 'nobody lifts that'],
  [{ code: 'SALT_QUESTIONED', readPct: 1.04, expectedPct: 0.77 }, '1.04 % salt read, 0.77 % expected'],
  [{ code: 'READING_QUESTIONED', readKg: 51.4, expectedKg: 13.5 }, '51.4 kg read, 13.5 kg expected'],
  [{ code: 'PRICK_OR_BURST', lineIds: ['chestnuts'] }, 'burst: chestnuts'],
  [{ code: 'WASH_GRIT', lineIds: ['leek'] }, 'after cutting: leek'],
  [{ code: 'BURNS_IN_SECONDS', lineIds: ['cumin'] }, 'seconds: cumin'],
  [{ code: 'SMOKE_INDOORS' }, 'extraction'],
  [{ code: 'STEAM' }, 'steam'],
  [{ code: 'LINER_HEAT', ovenC: 240 }, '240 °C'],
  [{ code: 'NOT_MELDED', lineIds: ['ginger'] }, 'ginger'],
  [{ code: 'CATCHES', bodyMPas: 481.4 }, '481 mPa·s'],
  [{ code: 'TOO_THICK_TO_BOIL_HARD', bodyMPas: 1500 }, '1500 mPa·s'],
  [{ code: 'UNDER_PRESSURE', tempC: 120 }, 'two thirds'],
  [{ code: 'ALCOHOL_LEFT', share: 0.35 }, '35 %'],
  [{ code: 'SPOON_IMPLAUSIBLE', writtenPct: 2.4, lowPct: 0.3, highPct: 1.6 }, '2.40 %'],
  [{ code: 'LUMPS' }, 'twice its weight'],
  [{ code: 'SPLIT_RISK', risk: 'high', fatPct: 18, sourG: 4.2, tempC: 95 }, '18 % fat, 4.2 g/kg acid, 95 °C'],
  [{ code: 'EGG_TOO_COOL', tempC: 65, leastC: 71 }, '71 °C'],
  [{ code: 'EGG_SCRAMBLES', tempC: 90, mostC: 82 }, '82 °C'],
  [{ code: 'SERVE_HOTTER', tempC: 58, leastC: 65, minutes: 3.2 }, '4 min'],
  [{ code: 'HOLD_TOO_COOL', tempC: 50, leastC: 57, source: 'FDA Food Code' }, '57 °C or above (FDA Food Code'],
  [
    { code: 'BODY_QUESTIONED', readMPas: 900, expectedMPas: 90 },
    '900 mPa·s (clings) read; the pot as it stands is reckoned at 90 mPa·s (veils)',
  ],
  [{ code: 'READING_OUT_OF_RANGE', device: 'drain cup' }, 'drain cup'],
  [{ code: 'TARGET_PASSED', what: 'body', overKg: 0 }, 'past it'],
  [{ code: 'KEEP_WARM_OR_COLD', hotC: 57, coldC: 5, source: 'FDA Food Code' }, '57 °C or above, or 5 °C or below'],
];

const STEPS: readonly (readonly [SoupStep, string, string])[] = [
  [{ id: 'a', op: 'trim', uses: [{ line: 'leek' }, { line: 'onion' }] }, 'Trim', 'Trim and cut the leek and onion'],
  [{ id: 'a', op: 'roast', ovenC: 190, minutes: 50, load: 'rounds' }, 'Roast', 'Roast at 190 °C in one layer'],
  [{ id: 'a', op: 'sweat', minutes: 10, heat: 'high', lid: 'off' }, 'Sweat', 'Sweat on high heat, stirring, lid off'],
  [{ id: 'a', op: 'add', uses: [{ line: 'oil' }] }, 'Add oil', 'Add the oil'],
  [{ id: 'a', op: 'takeOut', lines: ['bay'] }, 'Take out bay', 'Fish out the bay'],
  [
    { id: 'a', op: 'takeOut', lines: ['celeriac'], share: 0.2, keep: true },
    'Hold back celeriac',
    'Lift out 20 % of the celeriac and keep it by',
  ],
  [{ id: 'a', op: 'cover', line: 'stock', overM: 0.015 }, 'Cover', 'Pour stock until it stands 15 mm over the pieces'],
  [
    { id: 'a', op: 'simmer', minutes: 18, vigour: 'steady', lid: 'ajar' },
    'Simmer',
    'Bring to the boil, then simmer steady, lid ajar',
  ],
  [{ id: 'a', op: 'simmer', minutes: 3, vigour: 'bare', lid: 'on' }, 'Reheat', 'Bring back to serving heat, lid on'],
  [{ id: 'a', op: 'reheat', toC: 74, lid: 'ajar' }, 'Bring back', 'Bring it back to 74 °C all through, stirring, lid ajar'],
  [{ id: 'a', op: 'rest', toC: 5, around: 'ice bath' }, 'Cool', 'Cool to 5 °C in an ice bath, stirring'],
  [{ id: 'a', op: 'rest', toC: 45, around: 'air' }, 'Cool', 'Cool until it can be handled in the air'],
  [{ id: 'a', op: 'rest', minutes: 15, around: 'air' }, 'Cool', 'Let it rest in the air'],
  [{ id: 'a', op: 'blend', blender: 'stick', minutes: 4 }, 'Blend', 'Blend with the stick, low then high'],
  [{ id: 'a', op: 'season', line: 'salt', saltPct: 0.8 }, 'Salt', 'Salt to 0.80 %, a fifth held back for the tasting'],
  [{ id: 'a', op: 'cream', line: 'cream', target: { by: 'pct', value: 8 } }, 'Cream', 'Stir in the cream'],
  [{ id: 'a', op: 'fry', how: 'toast', minutes: 1 }, 'Fry', 'Toast in the dry pan, watching'],
  [{ id: 'a', op: 'fryPuree', minutes: 5 }, 'Fry the purée', 'Fry the purée, stirring, until its colour deepens'],
  [{ id: 'a', op: 'deglaze', use: { line: 'wine' }, minutes: 2 }, 'Deglaze', 'Splash in the wine and lift what is stuck'],
  [
    { id: 'a', op: 'giveBack', lines: ['chilli'], share: 0.25, choppedMm: 2 },
    'Give back chilli',
    'Give back 25 % of the chilli, chopped',
  ],
  [
    { id: 'a', op: 'peel', lines: ['chilli'], keeps: 0.8 },
    'Take the skins off',
    'Take skins and seeds off the chilli; 80 % of the weight goes on',
  ],
  [{ id: 'a', op: 'drain', keep: 'pieces', liquidShare: 0.5 }, 'Drain', 'Lift the pieces out; 50 % of the liquid goes on'],
  [{ id: 'a', op: 'drain', keep: 'liquid', liquidShare: 1 }, 'Drain', 'Strain; all of the liquid goes on'],
  [{ id: 'a', op: 'pressure', atC: 118, minutes: 8 }, 'Pressure-cook', 'Close the cooker and bring it to 118 °C'],
  [{ id: 'a', op: 'sieve', meshMm: 1, scraped: true }, 'Sieve', 'Press through a 1 mm sieve, scraping the sides'],
  [{ id: 'a', op: 'thin', line: 'stock', toMPas: 220 }, 'Let down', 'Let down with stock until it coats (220 mPa·s)'],
  [{ id: 'a', op: 'reduce', vigour: 'lively', to: { by: 'share', kept: 0.5 } }, 'Boil down', 'Boil down, lid off, to 50 %'],
  [
    {
      id: 'a',
      op: 'thicken',
      parts: [
        { line: 'cornflour', parts: 1 },
        { line: 'water', parts: 2 },
      ],
      toMPas: 300,
    },
    'Thicken',
    'Stir in cornflour and water, mixed cold, until it coats (300 mPa·s)',
  ],
  [{ id: 'a', op: 'tune', line: 'lemon', taste: 'sour', to: 1.5 }, 'Tune', 'Tune with lemon, a little at a time'],
  [{ id: 'a', op: 'cup', kg: 0.2 }, 'Cup trial', 'Weigh out 200 g in a cup to try a dose'],
  [
    { id: 'a', op: 'liaison', yolks: { line: 'yolks' }, cream: { line: 'cream' }, toC: 75 },
    'Egg and cream',
    'Temper the yolks and cream with hot soup, stir in, bring to 75 °C',
  ],
  [{ id: 'a', op: 'hold', minutes: 60, atC: 75, lid: 'ajar' }, 'Hold hot', 'Hold at 75 °C, lid ajar'],
  [{ id: 'a', op: 'film', on: 'jug' }, 'Scrape the jug', 'Scrape down the jug'],
  [{ id: 'a', op: 'dish' }, 'Dish out', 'Ladle into warm bowls and count them'],
];

describe('every caution', () => {
  for (const [caution, shown] of CAUTIONS) {
    it(`${caution.code} is one short sentence or two, with its figure`, () => {
      const sentence = cautionSentence(caution, nameOf, 'metric');
      expect(sentence).toContain(shown);
      expect(sentence.length).toBeLessThan(150);
      expect(sentence).not.toMatch(/!|undefined|NaN/);
    });
  }

  it('is red where hands, backs and skin are at stake, and nowhere else', () => {
    const red = CAUTIONS.filter(([caution]) => hurts(caution)).map(([{ code }]) => code);
    expect(red.sort()).toEqual([
      'EGG_TOO_COOL',
      'HARD_TO_CUT',
      'HOLD_TOO_COOL',
      'HOT_BLADE',
      'HOT_FAT',
      'HOT_JUG',
      'NEVER_LIFT',
      'NO_PRESSURE_COOKER',
      'NO_PRESSURE_COOKER',
      'PRICK_OR_BURST',
      'SMOKE_INDOORS',
      'STEAM',
      'TWO_PEOPLE_LIFT',
      'UNDER_PRESSURE',
    ]);
  });
});

describe('every step', () => {
  for (const [step, name, sentence] of STEPS) {
    it(sentence, () => {
      expect(stepName(step, nameOf)).toBe(name);
      expect(stepSentence(step, nameOf, 'metric')).toBe(sentence);
    });
  }

  it('that has a test says it', () => {
    expect(stepTest({ id: 'a', op: 'simmer', minutes: 18, vigour: 'steady', lid: 'ajar' })).toContain('crushes');
    expect(stepTest({ id: 'a', op: 'dish' })).toBeUndefined();
  });
});

describe('a problem of a soup', () => {
  it('says what is wrong and what to do', () => {
    expect(problemSentence({ path: '', code: 'CARD_CIRCLE', circle: ['a', 'b', 'a'] })).toBe(
      'Cards go in a circle: a needs b needs a. Take one of them out.',
    );
    expect(problemSentence({ path: '', code: 'UNKNOWN_CARD', card: 'x', known: [] })).toContain('It has: none.');
    expect(problemSentence({ path: '', code: 'NOTHING_TO_GIVE_BACK', line: 'chilli' })).toContain('chilli');
  });
});

describe('a plan that cannot be', () => {
  it('says why in a sentence', () => {
    expect(planErrorSentence({ code: 'TOO_FEW_FOR_POT', leastBowls: 14 })).toContain('at least 14 bowls');
    expect(planErrorSentence({ code: 'NO_ANSWER', solver: 'NO_BRACKET' })).toContain('boils away');
    expect(planErrorSentence({ code: 'SOUP_HAS_PROBLEMS', problems: [] })).toContain('card');
  });
});

describe('a kitchen that thinks in °F and pounds', () => {
  it('is told no °C and no kilos by any caution or step', () => {
    for (const [caution] of CAUTIONS) expect(cautionSentence(caution, nameOf, 'us')).not.toMatch(/°C|\d (kg|g|mL|L)(?![\w/])/);
    for (const [step] of STEPS) {
      expect(stepSentence(step, nameOf, 'us')).not.toContain('°C');
      expect(stepSetting(step, 'us') ?? '').not.toContain('°C');
    }
  });

  it('reads an oven as its dial does, and ice as nothing below it', () => {
    expect(degrees(celsiusOf(425), 'us')).toBe('425 °F');
    expect(degrees(-18, 'us')).toBe('0 °F');
    expect(degrees(74, 'us')).toBe('165 °F');
    expect(degrees(-0.3, 'metric')).toBe('0 °C');
    expect(degrees(-18, 'metric')).toBe('−18 °C');
    expect(degrees(4.44, 'imperial', 1)).toBe('4.4 °C');
    expect(degreesMore(10, 'us')).toBe('18 °F');
  });

  it('cools by the marks of its own food code', () => {
    expect(stageWords({ fromC: 57, toC: 21, withinMin: 120 }, 'us')).toBe('135 to 70 °F within 2 h');
    expect(stageWords({ toC: 5, withinMin: 360 }, 'us')).toBe('to 41 °F within 6 h of portioning');
    expect(heldMass(0.9, 'us')).toBe('1.98 lb');
    expect(heldMass(0.9004, 'metric')).toBe('900 g');
    expect(reheatingWords('us')).toBe('165 °F within 2 h');
  });
});
