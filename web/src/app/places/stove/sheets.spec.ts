import { TestBed } from '@angular/core/testing';
import type { BodyReading } from '@tureen/core/body';
import { handAt, rest, show, StoveInMemory } from '../../../../spec/stove-in-memory';
import { Asking } from './asking';
import { BodySheet } from './body-sheet';
import { ChangeSheet, type Changed } from './change-sheet';
import { HoldingSheet } from './holding-sheet';
import { Questions } from './questions';
import { RecordSheet } from './record-sheet';
import { TasteSheet } from './taste-sheet';
import { VesselsSheet } from './vessels-sheet';
import { WipeLock } from './wipe-lock';

let stove: StoveInMemory;

async function at(soup: string, op: Parameters<StoveInMemory['cookedUpTo']>[0]): Promise<void> {
  stove = new StoveInMemory(soup);
  stove.cookedUpTo(op);
  await handAt(stove);
}

/** Answers the question that stands, as its dialog would. */
async function answered(amount: number, lineId?: string): Promise<string> {
  const asking = TestBed.inject(Asking);
  const question = asking.question()!;
  asking.answered({ amount, lineId: lineId ?? question.lineId });
  await rest();
  return question.title;
}

function type(sheet: { find: (selector: string) => HTMLElement | null }, selector: string, text: string): void {
  const field = sheet.find(selector) as HTMLInputElement;
  field.value = text;
  field.dispatchEvent(new Event('input', { bubbles: true }));
}

afterEach(() => {
  localStorage.removeItem('tureen-taster');
});

describe('beside the bowls', () => {
  it('an hour’s cost is told; held, topped up, filled up, left over: each asks its figure and is on record', async () => {
    await at('base-two-ways', 'dish');
    const dish = stove.idOf('dish');
    const sheet = await show(HoldingSheet);
    const said = /takes ([\d.]+) g with the lid off, ([\d.]+) g with it on\. Lid off: body (\d+) → (\d+) mPa·s/.exec(sheet.text())!;
    expect(Number(said[1])).toBeGreaterThan(Number(said[2]));
    expect(Number(said[4])).toBeGreaterThan(Number(said[3]));
    expect(sheet.text()).toContain('Hold at 63 °C or above (Food Safety and Hygiene (England) Regulations 2013)');
    await sheet.press('Held hot, lid on');
    expect(await answered(40)).toMatch(/^Held at \d+ °C, lid on: how long\?/);
    expect(stove.last).toEqual(jasmine.objectContaining({ kind: 'held', stepId: dish, minutes: 40, lid: 'on' }));
    await sheet.press('Held and topped up with water');
    await answered(30);
    expect(stove.last?.kind === 'held' && stove.last.topUp).toBe('water');
    await sheet.press('Filled up from a second pot');
    await answered(4);
    expect(stove.last).toEqual(jasmine.objectContaining({ kind: 'refilled', kg: 4 }));
    await sheet.press('thrown away');
    await answered(0.3);
    expect(stove.last).toEqual({ kind: 'ladled out', stepId: dish, kg: 0.3, as: 'thrown away' });
    await sheet.press('left over, to the cold');
    expect(TestBed.inject(Asking).question()?.note).toContain('to 21 °C within 2 hours and to 5 °C within 6');
    await answered(2);
    expect(stove.last).toEqual({ kind: 'stored', kg: 2 });
  });
});

describe('closing', () => {
  it('with counted bowls and soup in the pot it is asked what becomes of the rest, part by part, and then it is closed', async () => {
    await at('celeriac-leek-apple', 'dish');
    const questions = TestBed.inject(Questions);
    const asking = TestBed.inject(Asking);
    stove.did({ kind: 'dished', bowls: 38 });
    await rest();
    questions.close();
    expect(asking.question()?.title).toBe('What becomes of the rest?');
    expect(asking.question()?.lines?.map(({ name }) => name)).toEqual(['To the cold', 'Staff meal', 'Thrown away']);
    const leftKg = asking.question()!.start;
    expect(asking.question()?.note).toMatch(/By the sums [\d.]+ k?g are still in the pot/);
    await answered(0.3, 'staff meal');
    expect(stove.last).toEqual(jasmine.objectContaining({ kind: 'ladled out', kg: 0.3, as: 'staff meal' }));
    expect(asking.question()!.start).toBeCloseTo(leftKg - 0.3, 1);
    await answered(leftKg - 0.3, 'to the cold');
    expect(asking.question()).toBeUndefined();
    expect(stove.actions.slice(-4).map(({ kind }) => kind)).toEqual(['ladled out', 'stored', 'done', 'closed']);
  });

  it('a batch whose bowls nobody counted is closed as it is', async () => {
    await at('celeriac-leek-apple', 'dish');
    TestBed.inject(Questions).close();
    await rest();
    expect(TestBed.inject(Asking).question()).toBeUndefined();
    expect(stove.last).toEqual({ kind: 'closed' });
  });
});

describe('tasting', () => {
  it('goes salt, sour, sweet, heat, body; says the side; remembers the taster', async () => {
    await at('celeriac-leek-apple', 'season');
    const sheet = await show(TasteSheet);
    expect(sheet.buttons().slice(0, 6)).toEqual(['salt', 'sour', 'sweet', 'heat', 'body', 'Try in a cup']);
    await sheet.press('sour');
    type(sheet, '#taster', 'JK');
    await rest(sheet.fixture);
    const sides = [...(sheet.find('.sides')?.querySelectorAll('button') ?? [])];
    expect(sides.length).toBe(5);
    sides[1]?.click();
    await rest(sheet.fixture);
    expect(stove.last).toEqual({ kind: 'tasted', stepId: 'season', taste: 'sour', side: -1, taster: 'JK' });
    sheet.fixture.destroy();
    const again = await show(TasteSheet);
    await again.press('sour');
    expect(again.text()).toContain('Before: JK:');
  });

  it('a dose tried in a cup is carried over by weight, two thirds first; a meter’s figure is a reading', async () => {
    await at('celeriac-leek-apple', 'season');
    const sheet = await show(TasteSheet);
    await sheet.press('Try in a cup');
    type(sheet, '#dose-g', '2');
    (sheet.find('#dose-g') as HTMLInputElement).dispatchEvent(new Event('blur'));
    await rest(sheet.fixture);
    const [, all, first] = /For the pot that is ([\d.]+) g; give ([\d.]+) g first/.exec(sheet.text())!;
    expect(Number(first)).toBeCloseTo((Number(all) * 2) / 3, 0);
    await sheet.press('Liked: carry it to the pot');
    expect(stove.last).toEqual(jasmine.objectContaining({ kind: 'cup', cupKg: 0.2, doseKg: 0.002 }));
    await sheet.press('salt');
    await sheet.press('Read by a salt meter');
    expect(await answered(0.65)).toBe('Salt by the meter');
    expect(stove.last).toEqual({ kind: 'salt', stepId: 'season', saltPct: 0.65 });
  });
});

describe('the body', () => {
  it('is read by a word of the spoon, or by four devices with their units; a figure that can’t be is not taken', async () => {
    await at('celeriac-leek-apple', 'season');
    const sheet = await show(BodySheet, { tempC: 71.4 });
    const read: BodyReading[] = [];
    sheet.fixture.componentInstance.read.subscribe((one) => read.push(one));
    await sheet.press('coats');
    await sheet.press('coats to clings');
    expect(read.splice(1)).toEqual([{ device: 'spoon', word: 'coats to clings', tempC: 71.4 }]);
    const figure = async (device: string, text: string): Promise<void> => {
      await sheet.press(device);
      type(sheet, '#body-figure', text);
      (sheet.find('#body-figure') as HTMLInputElement).dispatchEvent(new Event('blur'));
      await rest(sheet.fixture);
      await sheet.press('Enter it');
    };
    await figure('Syringe', '3');
    expect(sheet.text()).toMatch(/That means level \d/);
    await figure('Plate', '55');
    await figure('Drain cup', '20');
    await figure('Viscometer', '120');
    expect(read.map(({ device }) => device)).toEqual(['spoon', 'syringe', 'plate ring', 'drain cup', 'viscometer']);
    expect(read[1]).toEqual(jasmine.objectContaining({ leftMl: 3 }));
    expect(read[3]).toEqual(jasmine.objectContaining({ seconds: 20, cupMm: 4 }));
    expect(sheet.text()).toContain('A person with a swallowing disorder eats the texture that their clinician set');
  });
});

describe('what was entered', () => {
  it('any of it is taken back, with what that does in sight before it is done', async () => {
    await at('celeriac-leek-apple', 'cover');
    stove.did(
      { kind: 'poured', stepId: 'cover', line: 'stock', vessel: 'Ladle', volumeM3: 5e-4 },
      { kind: 'note', stepId: 'cover', text: 'low flame' },
    );
    await rest();
    const sheet = await show(RecordSheet);
    await sheet.press('Take back: 500 mL of vegetable stock');
    expect(sheet.find('.effect')?.textContent).toMatch(/Without it: pot [\d.]+ kg → [\d.]+ kg/);
    const count = stove.actions.length;
    await sheet.press('Keep it');
    expect(stove.actions.length).toBe(count);
    await sheet.press('Take back: low flame');
    expect(sheet.find('.effect')?.textContent).toContain('no figure changes');
    await sheet.press('Take it back');
    expect(stove.last?.kind).toBe('undone');
    expect(sheet.buttons().some((name) => name.includes('low flame'))).toBeFalse();
  });
});

describe('other vessels and other ingredients', () => {
  it('every vessel of the kit and the common ones pour whole or in part', async () => {
    await at('celeriac-leek-apple', 'cover');
    const sheet = await show(VesselsSheet, { ladles: stove.snapshot.kit.ladles, liquid: 'vegetable stock' });
    const poured: number[] = [];
    sheet.fixture.componentInstance.poured.subscribe(({ measure, part }) => poured.push(measure.volumeM3 * part));
    await sheet.press('half of the Cup');
    await sheet.press('whole of the Carton');
    await sheet.press('three quarters of the Tablespoon');
    expect(poured).toEqual([125e-6, 1e-3, 11.25e-6]);
  });

  it('something in a line’s place, something left out, something more: what is in can’t be left out', async () => {
    await at('celeriac-leek-apple', 'cover');
    const lines = [
      { id: 'leek', ingredient: 'leek', name: 'leek', isIn: true },
      { id: 'onion', ingredient: 'onion', name: 'onion', isIn: false },
      { id: 'cream', ingredient: 'single-cream', name: 'single cream', isIn: false },
    ];
    const sheet = await show(ChangeSheet, { lines, ofStep: ['leek', 'onion'] });
    const changed: Changed[] = [];
    sheet.fixture.componentInstance.changed.subscribe((one) => changed.push(one));
    // Of the step in hand only what is not in yet, each with what is near: one touch more.
    expect(sheet.buttons().filter((name) => name.endsWith('is left out'))).toEqual(['onion is left out']);
    await sheet.press('White onion in the place of onion');
    await sheet.press('onion is left out');
    expect(changed.splice(0)).toEqual([
      jasmine.objectContaining({ kind: 'swapped', line: 'onion' }),
      { kind: 'left out', line: 'onion' },
    ] as unknown as Changed[]);
    type(sheet, '#change-find', 'barley');
    await rest(sheet.fixture);
    await sheet.press('Pearl barley');
    expect(changed[0]).toEqual(jasmine.objectContaining({ kind: 'brought', kg: 0.1 }));
    type(sheet, '#change-find', 'no such thing');
    await rest(sheet.fixture);
    expect(sheet.text()).toContain('The larder has nothing of that name');
  });
});

describe('the wipe-lock', () => {
  it('opens by a press that lasts, and by no shorter one; keys do nothing meanwhile', async () => {
    await at('celeriac-leek-apple', 'cover');
    const lock = await show(WipeLock);
    let opened = 0;
    lock.fixture.componentInstance.opened.subscribe(() => (opened += 1));
    const button = lock.find('button')!;
    jasmine.clock().install();
    try {
      button.dispatchEvent(new PointerEvent('pointerdown'));
      jasmine.clock().tick(900);
      button.dispatchEvent(new PointerEvent('pointerup'));
      jasmine.clock().tick(2000);
      expect(opened).toBe(0);
      button.dispatchEvent(new PointerEvent('pointerdown'));
      jasmine.clock().tick(1300);
      expect(opened).toBe(1);
    } finally {
      jasmine.clock().uninstall();
    }
  });
});
