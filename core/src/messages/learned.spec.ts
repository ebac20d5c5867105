import { LARDER_ROWS } from '../larder/index.js';
import { READY_KITS, PARAMETER_NAMES } from '../kit/index.js';
import type { Suspect } from '../learn/index.js';
import { learnedNames, learnedWords, oddsWords, suspectWords, tellApartWords } from './index.js';

const names = learnedNames(LARDER_ROWS, READY_KITS.canteen, [{ id: 'leek-potato', name: 'Leek & potato' }]);
const of = (key: string, by = 0.1, sd = 0.05, before = 0.2) => learnedWords({ key, by, sd, batches: 3 }, before, names);

describe('a learnt figure in words', () => {
  it('is told on its own scale, with its unit, beside its default', () => {
    expect(of('boilOff', Math.log(1.25))).toEqual({
      name: 'boil-off at the simmer',
      here: '× 1.25',
      usual: '× 1.00',
      wide: '±33 %',
      narrow: '±8 %',
      of: 'the pot and the oven',
    });
    expect(of('roastTauMin', 0)).toEqual(jasmine.objectContaining({ here: '95 min', usual: '95 min' }));
    expect(of('roastMost', 0)).toEqual(jasmine.objectContaining({ here: '80 %', wide: '±5 points' }));
    // 77 % on the logit is ln(0.77 / 0.23) = 1.208; 0.2 less is 73.3 %.
    expect(of('trim:beetroot:peeled', -0.2)).toEqual(
      jasmine.objectContaining({ name: 'beetroot, peeled', here: '73 %', usual: '77 %', of: 'trimming' }),
    );
    expect(of('salt:vegetable-stock-carton', Math.log(1.5))).toEqual(
      jasmine.objectContaining({ here: '0.90 %', usual: '0.60 %', of: 'what comes salted' }),
    );
    expect(of('bias:count', -0.02).name).toBe('bowls and tubs read');
  });

  it('of one pot or soup is named after it', () => {
    expect(of('boilOff@pot:boiler-40').name).toBe('boil-off at the simmer, broad boiler');
    expect(of('bodyA@soup:leek-potato', 0.3)).toEqual(jasmine.objectContaining({ name: 'Leek & potato', here: '+35 %' }));
    expect(of('bodyA@soup:gone').name).toBe('gone');
  });

  it('has words for every parameter, and for a key that nobody knows any more', () => {
    for (const name of PARAMETER_NAMES) expect(`${of(name).name} ${of(name).here}`).not.toMatch(/undefined|NaN/);
    expect(`${of('trim:none:peeled').name} ${of('trim:none:peeled').here}`).toBe('none, peeled +11 %');
  });
});

const around = {
  nameOf: (line: string) => (line === 'stock' ? 'vegetable stock' : line),
  stepName: () => 'Cream in',
  units: 'metric' as const,
  measureM3: (name: string) => (name === 'Ladle' ? 240e-6 : undefined),
};

describe('a suspect in words', () => {
  it('is what a cook would say, with its figures', () => {
    const carton = LARDER_ROWS.find(({ id }) => id === 'vegetable-stock-carton')!;
    const said: readonly [Suspect, string][] = [
      [{ what: 'measure', vessel: 'Ladle', as: undefined, ratio: 1.25 }, 'The ladle held 300 mL, not 240 mL'],
      [{ what: 'measure', vessel: 'Ladle', as: 'Big ladle', ratio: 2 }, 'It was the big ladle, not the ladle'],
      [{ what: 'measure', vessel: 'Mug', as: undefined, ratio: 1.5 }, 'The mug held 1.5 times what was counted'],
      [
        { what: 'unit', entryId: 'a', line: 'stock', kg: 2, as: 'pounds', isKg: 0.907 },
        'The 2 kg of vegetable stock were pounds, not kilos: 907 g',
      ],
      [{ what: 'twice', entryId: 'a', line: 'stock', kg: 1 }, '1 kg of vegetable stock was entered twice'],
      [{ what: 'twice', entryId: 'a', line: 'stock', kg: undefined }, 'A pour of vegetable stock was entered twice'],
      [{ what: 'missing', stepId: 's', line: 'stock', kg: 1.04 }, 'About 1 kg of vegetable stock went in and was not entered'],
      [{ what: 'tare', tareKg: 4.5, was: 'left on' }, 'The pot was on the scale: 4.5 kg of what was weighed is the pot'],
      [{ what: 'tare', tareKg: 4.5, was: 'taken twice' }, 'The scale was tared already: the pot’s 4.5 kg were taken off twice'],
      [{ what: 'pot', potId: 'b', name: 'Deep boiler' }, 'It stood in the deep boiler when it was dipped'],
      [{ what: 'another', line: 'stock', row: carton }, 'Vegetable stock, carton went in for the vegetable stock'],
      [{ what: 'not done', entryId: 'a', stepId: 's' }, '“Cream in” was ticked and not done'],
    ];
    for (const [suspect, words] of said) {
      expect(suspectWords(suspect, around)).toBe(words);
      expect(tellApartWords([suspect])).toMatch(/^To tell: .+\.$/);
    }
  });

  it('odds are told as a cook can weigh them', () => {
    expect(oddsWords(12.4)).toBe('12 times likelier than chance');
    expect(oddsWords(45)).toBe('thirty times likelier than chance');
    expect(oddsWords(400)).toBe('a hundred times likelier than chance');
    expect(oddsWords(1e9)).toBe('far likelier than chance');
  });
});
