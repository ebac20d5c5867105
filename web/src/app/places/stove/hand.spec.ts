import { TestBed } from '@angular/core/testing';
import { READY_KITS } from '@tureen/core/kit';
import { LARDER_ROWS } from '@tureen/core/larder';
import { EXAMPLE_SOUPS, linesOf } from '@tureen/core/soup';
import { handAt, rest, StoveInMemory } from '../../../../spec/stove-in-memory';
import { Asking } from './asking';
import type { Hand } from './hand';
import { typedIn } from '../../parts/typed';

const ladle = { id: 'ladle', name: 'Ladle', volumeM3: 5e-4 };

describe('the hand', () => {
  let stove: StoveInMemory;
  let hand: Hand;

  async function at(soup: string, op: Parameters<StoveInMemory['cookedUpTo']>[0]): Promise<void> {
    stove = new StoveInMemory(soup);
    stove.cookedUpTo(op);
    hand = await handAt(stove);
  }

  it('pours the liquid that the step asks for, whole or in part, and says what that changed for three seconds', async () => {
    await at('celeriac-leek-apple', 'cover');
    const before = hand.view()!.pot.massKg;
    hand.pour(ladle);
    await rest();
    expect(stove.last).toEqual({ kind: 'poured', stepId: 'cover', line: 'stock', vessel: 'Ladle', volumeM3: 5e-4 });
    expect(hand.view()!.pot.massKg - before).toBeCloseTo(0.5, 1);
    expect(hand.effect()).toMatch(/^pot [\d.]+ kg → [\d.]+ kg/);
    hand.pour(ladle, 0.25);
    await rest();
    expect(stove.last).toEqual(jasmine.objectContaining({ vessel: '25 % of Ladle', volumeM3: 1.25e-4 }));
    await new Promise((resolve) => setTimeout(resolve, 3100));
    expect(hand.effect()).toBe('');
  });

  it('a liquid that was chosen stays, ladle after ladle, until the step is another', async () => {
    await at('mushroom-flour', 'thin');
    const own = hand.liquid()!.lineId;
    const other = hand.liquids().find(({ lineId }) => lineId !== own)!.lineId;
    hand.liquidId.set(other);
    for (let n = 0; n < 3; n++) {
      hand.pour({ ...ladle, volumeM3: 5e-5 });
      await rest();
      expect(hand.liquid()?.lineId).toBe(other);
      expect(stove.last).toEqual(jasmine.objectContaining({ kind: 'poured', line: other }));
    }
    hand.finish();
    await rest();
    expect(hand.step()?.op).not.toBe('thin');
  });

  it('where a step asks for nothing to pour, it is stock or water that is at hand, never oil; a garnish is no liquid', async () => {
    for (const { id, lines } of EXAMPLE_SOUPS) {
      await at(id, 'blend');
      const rows = new Map(LARDER_ROWS.map((row) => [row.id, row.group]));
      const line = lines.find((one) => one.id === hand.liquid()?.lineId);
      if (line !== undefined) expect(rows.get(line.ingredient)).withContext(id).toBe('liquids');
      const dish = stove.steps.find(({ op }) => op === 'dish');
      const garnish =
        dish?.op === 'dish' ? (dish.shares ?? []).flatMap(({ garnish: on }) => (on ?? []).map((one) => one.line)) : [];
      const elsewhere = new Set(stove.steps.flatMap((step) => (step.op === 'dish' ? [] : linesOf(step).map((one) => one.line))));
      for (const one of hand.liquids()) {
        expect(garnish.includes(one.lineId) && !elsewhere.has(one.lineId))
          .withContext(`${id} ${one.name}`)
          .toBeFalse();
      }
      TestBed.resetTestingModule();
    }
  });

  it('takes back the newest that still counts, one after the other', async () => {
    await at('celeriac-leek-apple', 'cover');
    hand.pour(ladle);
    await rest();
    hand.pour({ ...ladle, name: 'Jug', volumeM3: 1e-3 });
    await rest();
    hand.undo();
    await rest();
    hand.undo();
    await rest();
    expect(hand.view()!.inKg.find(([line]) => line === 'stock')?.[1] ?? 0).toBeCloseTo(0, 9);
    // The next one takes back the step that was done before.
    hand.undo();
    await rest();
    expect(hand.step()?.id).toBe(stove.steps[stove.steps.findIndex(({ op }) => op === 'cover') - 1]!.id);
  });

  it('is filled by a way to land, counts down what has gone in, and then asks for another look', async () => {
    await at('celeriac-leek-apple', 'cover');
    hand.pour(ladle);
    await rest();
    hand.aimAt('stock', 1, 'read the body');
    expect(hand.aimed()).toEqual(jasmine.objectContaining({ done: false, lineId: 'stock' }));
    expect(hand.aimed()?.text).toContain('1 kg more vegetable stock');
    hand.pour(ladle);
    await rest();
    expect(hand.aimed()?.leftKg).toBeCloseTo(0.5, 1);
    hand.pour(ladle);
    await rest();
    expect(hand.aimed()).toEqual(jasmine.objectContaining({ done: true, then: 'read the body' }));
    hand.stopAiming();
    expect(hand.aimed()).toBeUndefined();
  });

  it('starts a step with its clock and its reminders, and ends it with the minutes that it really took', async () => {
    await at('celeriac-leek-apple', 'sweat');
    hand.start();
    await rest();
    const timed = stove.actions.find(({ kind }) => kind === 'timed');
    expect(stove.actions.some(({ kind }) => kind === 'started')).toBeTrue();
    expect(timed).toEqual(jasmine.objectContaining({ stepId: 'sweat', every: { minutes: 3, of: 'stir' } }));
    const count = stove.actions.length;
    hand.start();
    expect(stove.actions.length).withContext('started once').toBe(count);
    hand.finish();
    await rest();
    expect(stove.last).toEqual(jasmine.objectContaining({ kind: 'done', stepId: 'sweat' }));
    expect(stove.last?.kind === 'done' && (stove.last.minutes ?? 0)).toBeGreaterThan(1);
  });

  it('skips with or without a reason, never the dishing; goes back to what was ended last', async () => {
    await at('celeriac-leek-apple', 'sweat');
    hand.skip('no time');
    await rest();
    expect(stove.last).toEqual({ kind: 'skipped', stepId: 'sweat', why: 'no time' });
    hand.goBack();
    await rest();
    expect(hand.step()?.id).toBe('sweat');
    stove.cookedUpTo('dish');
    await rest();
    const count = stove.actions.length;
    hand.skip(undefined);
    expect(stove.actions.length).toBe(count);
  });

  it('closes with the dishing, and once closed a main press does nothing', async () => {
    await at('celeriac-leek-apple', 'dish');
    hand.finish();
    await rest();
    expect(stove.last).toEqual({ kind: 'closed' });
    expect(hand.view()?.closed).toBeTrue();
    const count = stove.actions.length;
    hand.finish();
    expect(stove.actions.length).toBe(count);
  });

  it('what was never planned gets a line of its own, beside one of the same name', async () => {
    await at('celeriac-leek-apple', 'cover');
    const row = stove.snapshot.rows.find(({ id }) => id === 'leek')!;
    hand.changed({ kind: 'brought', row, kg: 0.3 });
    await rest();
    const action = stove.last;
    expect(action?.kind === 'brought' && action.line).not.toBe('leek');
    expect(
      hand
        .view()!
        .names.map(([, name]) => name.toLowerCase())
        .filter((name) => name.includes('leek')).length,
    ).toBe(2);
  });
});

describe('a figure that is asked for', () => {
  it('is typed in the kitchen’s own unit and comes back in the one that was asked', async () => {
    const stove = new StoveInMemory('celeriac-leek-apple', { ...READY_KITS.canteen, units: 'us' });
    await handAt(stove);
    const asking = TestBed.inject(Asking);
    const taken: { amount: number; text: string }[] = [];
    asking.ask({ title: 'Weigh', unit: 'kg', step: 0.1, least: 4.5, most: 1000, start: 10 }, ({ amount, text }) => {
      taken.push({ amount, text });
    });
    // A pound is 0.45359237 kg exactly (international yard and pound, 1959).
    expect(asking.question()).toEqual(jasmine.objectContaining({ unit: 'lb', start: 22.05, least: 9.92, step: 0.25 }));
    asking.answered({ amount: 20, lineId: undefined });
    expect(taken[0]?.amount).toBeCloseTo(20 * 0.45359237, 9);
    expect(taken[0]?.text).toBe('20 lb');
    asking.ask({ title: 'Dip', unit: 'cm', step: 0.5, most: 30, start: 12.7 }, ({ amount }) => taken.push({ amount, text: '' }));
    expect(asking.question()).toEqual(jasmine.objectContaining({ unit: 'in', start: 5 }));
    asking.answered({ amount: 4, lineId: undefined });
    expect(taken[1]?.amount).toBeCloseTo(10.16, 9);
    asking.ask({ title: 'Salt', unit: 'g', step: 5, most: 1000, start: 100, starts: new Map([['salt', 100]]) }, () => undefined);
    expect(asking.question()?.starts?.get('salt')).toBe(3.53);
    asking.cancelled();
    expect(asking.question()).toBeUndefined();
  });

  it('a temperature is asked in °F where its thermometer is marked so, and held in °C', () => {
    const { unit, factor, shift } = typedIn('°C', 1, 'us');
    expect(unit).toBe('°F');
    expect(100 * factor + shift).toBeCloseTo(212, 9);
    expect((165 - shift) / factor).toBeCloseTo(73.889, 3);
  });

  it('what is the same everywhere stays as it is: minutes, bowls, per cent, and all of metric', () => {
    for (const unit of ['min', 'bowls', '%']) expect(typedIn(unit, 5, 'us')).toEqual({ unit, factor: 1, shift: 0, step: 5 });
    expect(typedIn('°C', 1, 'imperial')).toEqual({ unit: '°C', factor: 1, shift: 0, step: 1 });
    expect(typedIn('kg', 0.1, 'metric')).toEqual({ unit: 'kg', factor: 1, shift: 0, step: 0.1 });
    expect(typedIn('kg', 0.01, 'imperial').step).toBe(0.05);
  });
});
