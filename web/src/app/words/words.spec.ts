import type { Caution } from '@tureen/core/pot';
import type { SoupStep } from '@tureen/core/soup';
import { cautionSentence, hurts } from './cautions';
import { planErrorSentence } from './plan-errors';
import { stepName, stepSentence, stepTest } from './steps';

const nameOf = (id: string): string => id;

/** One of every caution, with figures that a sentence must show. */
const CAUTIONS: readonly (readonly [Caution, string])[] = [
  [{ code: 'HARD_TO_CUT', lineIds: ['swede'] }, 'swede'],
  [{ code: 'HOT_FAT' }, 'water away'],
  [{ code: 'TRAY_ROUNDS', rounds: 3, trays: 16 }, '16 trays in one layer: 3 rounds'],
  [{ code: 'TRAY_CROWDED', loadKgM2: 9.44 }, '9.4 kg/m²'],
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
  [{ code: 'READING_QUESTIONED', readKg: 51.4, expectedKg: 13.5 }, '51.4 kg read, 13.5 kg expected'],
  [{ code: 'KEEP_WARM_OR_COLD', hotC: 57, coldC: 5 }, '57 °C or above, or 5 °C or below'],
];

const STEPS: readonly (readonly [SoupStep, string, string])[] = [
  [{ id: 'a', op: 'trim', uses: [{ line: 'leek' }, { line: 'onion' }] }, 'Trim', 'Trim and cut the leek and onion'],
  [{ id: 'a', op: 'roast', ovenC: 190, minutes: 50, load: 'rounds' }, 'Roast', 'Roast at 190 °C in one layer'],
  [{ id: 'a', op: 'sweat', minutes: 10, heat: 'high', lid: 'off' }, 'Sweat', 'Sweat on high heat, stirring, lid off'],
  [{ id: 'a', op: 'add', uses: [{ line: 'oil' }] }, 'Add oil', 'Add the oil'],
  [{ id: 'a', op: 'takeOut', lines: ['bay'] }, 'Take out', 'Fish out the bay'],
  [{ id: 'a', op: 'cover', line: 'stock', overM: 0.015 }, 'Cover', 'Pour stock until it stands 15 mm over the pieces'],
  [
    { id: 'a', op: 'simmer', minutes: 18, vigour: 'steady', lid: 'ajar' },
    'Simmer',
    'Bring to the boil, then simmer steady, lid ajar',
  ],
  [{ id: 'a', op: 'simmer', minutes: 3, vigour: 'bare', lid: 'on' }, 'Reheat', 'Bring back to serving heat, lid on'],
  [{ id: 'a', op: 'rest', toC: 5, around: 'ice bath' }, 'Cool', 'Cool to 5 °C in an ice bath, stirring'],
  [{ id: 'a', op: 'blend', blender: 'stick', minutes: 4 }, 'Blend', 'Blend with the stick, low then high'],
  [{ id: 'a', op: 'season', line: 'salt', saltPct: 0.8 }, 'Salt', 'Salt to 0.80 %, a fifth held back for the tasting'],
  [{ id: 'a', op: 'cream', line: 'cream', target: { by: 'pct', value: 8 } }, 'Cream', 'Stir in the cream'],
  [{ id: 'a', op: 'film', on: 'jug' }, 'Scrape the jug', 'Scrape down the jug'],
  [{ id: 'a', op: 'dish' }, 'Dish out', 'Ladle into warm bowls and count them'],
];

describe('every caution', () => {
  for (const [caution, shown] of CAUTIONS) {
    it(`${caution.code} is one short sentence or two, with its figure`, () => {
      const sentence = cautionSentence(caution, nameOf);
      expect(sentence).toContain(shown);
      expect(sentence.length).toBeLessThan(140);
      expect(sentence).not.toMatch(/!|undefined|NaN/);
    });
  }

  it('is red where hands, backs and skin are at stake, and nowhere else', () => {
    const red = CAUTIONS.filter(([caution]) => hurts(caution)).map(([{ code }]) => code);
    expect(red).toEqual(['HARD_TO_CUT', 'HOT_FAT', 'HOT_JUG', 'HOT_BLADE', 'TWO_PEOPLE_LIFT']);
  });
});

describe('every step', () => {
  for (const [step, name, sentence] of STEPS) {
    it(sentence, () => {
      expect(stepName(step, nameOf)).toBe(name);
      expect(stepSentence(step, nameOf)).toBe(sentence);
    });
  }

  it('that has a test says it', () => {
    expect(stepTest({ id: 'a', op: 'simmer', minutes: 18, vigour: 'steady', lid: 'ajar' })).toContain('crushes');
    expect(stepTest({ id: 'a', op: 'dish' })).toBeUndefined();
  });
});

describe('a plan that cannot be', () => {
  it('says why in a sentence', () => {
    expect(planErrorSentence({ code: 'TOO_FEW_FOR_POT', leastBowls: 14 })).toContain('at least 14 bowls');
    expect(planErrorSentence({ code: 'NO_ANSWER', solver: 'NO_BRACKET' })).toContain('boils away');
    expect(planErrorSentence({ code: 'SOUP_HAS_PROBLEMS', problems: [] })).toContain('card');
  });
});
