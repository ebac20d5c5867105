import type { Country } from '../amounts/index.js';
import { minutesIn, ovenIn, shareBefore } from './index.js';

const MINUTES: readonly (readonly [string, number, number])[] = [
  ['for 10 minutes', 10, 10],
  ['10-12 mins', 10, 12],
  ['20 to 25 minutes', 20, 25],
  ['1 hour and 15 minutes', 75, 75],
  ['1 1/2 hours', 90, 90],
  ['1½ hrs', 90, 90],
  ['half an hour or so', 30, 30],
  ['an hour and a half', 90, 90],
  ['three-quarters of an hour', 45, 45],
  ['quarter of an hour', 15, 15],
  ['50 minutes to an hour', 50, 60],
  ['over an hour', 60, 60],
  ['twenty minutes', 20, 20],
  ['a couple of minutes', 2, 2],
  ['a few minutes', 3, 3],
  ['a minute', 1, 1],
  ['30 seconds', 0.5, 0.5],
  ['a further 5 minutes', 5, 5],
  ['5 minutes more', 5, 5],
  ['5 more minutes', 5, 5],
  ['until golden, about 20', 20, 20],
  ['after 25', 25, 25],
  ['2h', 120, 120],
  ['1 hr 30 till a knife slides in', 90, 90],
  ['1h45', 105, 105],
];

const OVENS: readonly (readonly [string, Country, number | undefined])[] = [
  ['heat the oven to 200C/180C fan/gas 6', 'gb', 200],
  ['preheat oven to 180°C fan-forced', 'au', 200],
  ['at gas mark 5', 'gb', 190],
  ['gas 6', 'gb', 200],
  // (425 - 32) x 5 / 9
  ['preheat oven to 425 degrees', 'us', 218],
  ['at 400°F', 'us', 204],
  ['roast at 220 degrees', 'au', 220],
  ['at 170 degrees', 'gb', 170],
  ['in a hot oven', 'gb', 220],
  ['in a moderate oven', 'gb', 180],
  ['with 200 ml stock', 'gb', undefined],
  ['for 40 minutes', 'gb', undefined],
  ['roast at 190 for 45 minutes', 'gb', 190],
];

describe('figures of a method', () => {
  for (const [text, low, high] of MINUTES) {
    it(`“${text}” is ${String(low)} to ${String(high)} min`, () => {
      const time = minutesIn(text);
      expect([time?.low, time?.high]).toEqual([low, high]);
    });
  }

  for (const [text, country, ovenC] of OVENS) {
    it(`“${text}” (${country}) is ${String(ovenC)} °C`, () => {
      expect(ovenIn(text, country)).toBe(ovenC);
    });
  }

  it('a share is read from the words before it: half, the rest, most; a few is only a guess and says so', () => {
    expect(shareBefore('add half of the')).toEqual({ share: 0.5 });
    expect(shareBefore('the rest of the')).toEqual({ rest: true });
    expect(shareBefore('the remaining')).toEqual({ rest: true });
    expect(shareBefore('two thirds of the')).toEqual({ share: 2 / 3 });
    expect(shareBefore('most of the')).toEqual({ share: 0.8 });
    expect(shareBefore('a few of the')).toEqual({ share: 0.15, vague: true });
    expect(shareBefore('stir in the')).toEqual({});
  });
});
