import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { READY_KITS } from '@tureen/core/kit';
import { LARDER_ROWS } from '@tureen/core/larder';
import { EXAMPLE_SOUPS, type SoupStep } from '@tureen/core/soup';
import { RestSchema, TOUCH_C } from '@tureen/core/steps';
import { Cooking } from '../../cooking/cooking';
import { Calculator } from '../../cooking/calculator';
import { Editing } from './editing';
import { differenceInWords, METHOD_CHOICES } from './method-choices';
import { settingsOf } from './settings';
import { targetsOf } from './targets';

const leek = EXAMPLE_SOUPS.find(({ id }) => id === 'celeriac-leek-apple')!;
const calculator = new Calculator();
calculator.stock(LARDER_ROWS, READY_KITS.canteen);

/** The thread that really cooks, here in the page's own, its answers as late as a worker's. */
const cooking = {
  calculator: {
    edited: (...args: Parameters<Calculator['edited']>) => Promise.resolve(calculator.edited(...args)),
    typed: (...args: Parameters<Calculator['typed']>) => Promise.resolve(calculator.typed(...args)),
    meant: (...args: Parameters<Calculator['meant']>) => Promise.resolve(calculator.meant(...args)),
  },
};

describe('editing', () => {
  let editing: Editing;
  const celeriac = (): unknown => editing.soup()?.lines.find(({ id }) => id === 'celeriac')?.amount;

  beforeEach(() => {
    TestBed.configureTestingModule({
      providers: [provideZonelessChangeDetection(), Editing, { provide: Cooking, useValue: cooking }],
    });
    editing = TestBed.inject(Editing);
    editing.begin(leek);
  });

  it('takes what is typed in one field in one go as one change, and goes back and forth over any number of them', async () => {
    for (const text of ['2 kg celeriac', '2.5 kg celeriac', '2.5 kg celeriac, peeled']) await editing.type('celeriac', text);
    expect(editing.changes()).toBe(1);
    editing.leave();
    await editing.type('celeriac', '3 kg celeriac, peeled');
    for (let n = 0; n < 200; n++) editing.change({ ...editing.soup()!, note: `note ${String(n)}` });
    expect(editing.changes()).toBe(202);
    while (editing.canUndo()) editing.undo();
    expect(editing.soup()).toBe(leek);
    while (editing.canRedo()) editing.redo();
    expect(editing.soup()?.note).toBe('note 199');
    expect(celeriac()).toEqual({ rule: 'scaled', amount: { value: 3, unit: 'kg' } });
  });

  it('keeps what is not understood in its field, marked, and the soup as it was', async () => {
    await editing.type('celeriac', '2 kg celeriak');
    expect(editing.unread().get('celeriac')?.text).toBe('2 kg celeriak');
    expect(editing.soup()).toBe(leek);
    const reading = editing.unread().get('celeriac')!.reading;
    if (reading.code !== 'UNKNOWN_FOOD') throw new Error(reading.code);
    const answer = await editing.meant(reading, 'celeriac');
    await editing.type('celeriac', reading.text, answer);
    expect(celeriac()).toEqual({ rule: 'scaled', amount: { value: 2, unit: 'kg' } });
    expect(editing.unread().size).toBe(0);
  });

  it('an answer that a later keystroke has overtaken is dropped', async () => {
    const slow = editing.type('celeriac', '9 kg celeriac');
    const fast = editing.type('celeriac', '2 kg celeriac');
    await Promise.all([slow, fast]);
    expect(celeriac()).toEqual({ rule: 'scaled', amount: { value: 2, unit: 'kg' } });
  });

  it('what was typed a moment ago is in before it is saved', async () => {
    void editing.type('celeriac', '4 kg celeriac');
    await editing.settled();
    expect(celeriac()).toEqual({ rule: 'scaled', amount: { value: 4, unit: 'kg' } });
  });

  it('a new change forgets what was undone', async () => {
    await editing.type('celeriac', '2 kg celeriac');
    editing.undo();
    editing.change({ ...leek, note: 'other' });
    expect(editing.canRedo()).toBeFalse();
  });
});

describe('settings', () => {
  it('of every step of every example give back a step with the value that was set', () => {
    for (const soup of EXAMPLE_SOUPS) {
      for (const step of soup.root.steps) {
        for (const setting of settingsOf(step, 'metric')) {
          if (setting.kind === 'choice') continue;
          const wanted = Math.min(setting.most, setting.value + setting.by);
          const again = settingsOf(setting.set(wanted), 'metric').find(({ key }) => key === setting.key);
          expect(again?.value).withContext(`${soup.id} ${step.id} ${setting.key}`).toBeCloseTo(wanted, 3);
        }
      }
    }
  });

  it('a rest goes by the thermometer, the hand or the clock, and keeps its words and its photo through all three', () => {
    const rest = { id: 'r', op: 'rest', toC: 80, around: 'air', say: 'by the window', photo: 'a'.repeat(64) } as const;
    const until = (step: SoupStep, value: string): SoupStep => {
      const setting = settingsOf(step, 'metric').find(({ key }) => key === 'until');
      if (setting?.kind !== 'choice') throw new Error('A rest ends somehow.');
      return setting.set(value);
    };
    const timed = until(rest, 'minutes');
    const handled = until(timed, 'touch');
    for (const step of [timed, handled, until(handled, 'temperature')]) {
      expect(RestSchema.safeParse(step).success).toBeTrue();
      expect(step).toEqual(jasmine.objectContaining({ say: rest.say, photo: rest.photo }));
    }
    expect(settingsOf(timed, 'metric').map(({ key }) => key)).toEqual(['until', 'minutes', 'around']);
    expect(handled).toEqual(jasmine.objectContaining({ toC: TOUCH_C }));
  });

  it('show an oven in the kitchen’s own degrees', () => {
    const roast = { id: 'r', op: 'roast', ovenC: 200, minutes: 40, load: 'rounds' } as const;
    const oven = settingsOf(roast, 'us').find(({ key }) => key === 'ovenC');
    expect([oven?.value, oven?.kind === 'number' ? oven.unit : '']).toEqual([392, '°F']);
  });
});

describe('gauges of a card', () => {
  it('stand in the order of tasting, and there is none for cream where there is none', () => {
    const view = calculator.written(leek)!;
    expect(targetsOf(leek, view, 'metric').map(({ name }) => name)).toEqual([
      'Salt',
      'Body',
      'Grain',
      'Cream',
      'Bowl',
      'Into the bowl',
    ]);
    const plain = EXAMPLE_SOUPS.find(({ id }) => id === 'swede-barley')!;
    expect(targetsOf(plain, calculator.written(plain)!, 'metric').map(({ name }) => name)).not.toContain('Cream');
    expect(targetsOf(leek, view, 'us').at(-1)?.figure).toMatch(/^\d{3} °F$/);
    for (const gauge of targetsOf(leek, view, 'metric')) {
      expect(gauge.low).withContext(gauge.name).toBeLessThan(gauge.high);
      expect(gauge.figure)
        .withContext(gauge.name)
        .toMatch(/\d.* (%|mPa·s|mm|g|°C)|\d+ g/);
    }
  });
});

describe('method choices', () => {
  it('say what they would change, in the figures of the two runs', () => {
    const [sweat, roast] = calculator.choiceDifferences(leek, [{ colour: 'sweat' }, { colour: 'roast' }]);
    expect(differenceInWords(sweat, 'GBP')).toBe('as it is now');
    expect(differenceInWords(roast, 'GBP')).toMatch(/time \+/);
    expect(differenceInWords(undefined, 'GBP')).toBeUndefined();
    expect(METHOD_CHOICES.length).toBe(13);
  });
});
