import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { ActionSchema, type Action } from '@tureen/core/batch';
import { LARDER_ROWS } from '@tureen/core/larder';
import { namer } from '@tureen/core/messages';
import { EXAMPLE_SOUPS } from '@tureen/core/soup';
import { show, StoveInMemory } from '../../../spec/stove-in-memory';
import { batchView, type BatchView } from '../cooking/batch-view';
import { Soups } from '../services/soups';
import { actionText, shareName } from './action-text';
import { WriteBackList } from './ledger/write-back';
import { ShareCards } from './share-cards';
import { effectBetween } from './stove/effect';
import { unplannedOf } from './unplanned';

const soup = EXAMPLE_SOUPS.find(({ id }) => id === 'base-two-ways')!;
const nameOf = namer(soup, LARDER_ROWS);
const barley = LARDER_ROWS.find(({ id }) => id === 'pearl-barley')!;

function viewAfter(id: string, ...actions: readonly Action[]): BatchView {
  const stove = new StoveInMemory(id);
  stove.did(...actions);
  return batchView(stove.snapshot, stove.kept);
}

/** One action of every kind that there is. */
const ACTIONS: readonly Action[] = [
  { kind: 'started', stepId: 'simmer' },
  { kind: 'done', stepId: 'simmer', minutes: 12.5 },
  { kind: 'skipped', stepId: 'simmer', why: 'no time' },
  { kind: 'timed', timer: 't1', name: 'Croutons', minutes: 7 },
  { kind: 'longer', timer: 't1', minutes: 1 },
  { kind: 'silenced', timer: 't1' },
  { kind: 'poured', stepId: 'cover', line: 'water', vessel: 'Ladle', volumeM3: 5e-4 },
  { kind: 'added', stepId: 'season', line: 'salt', kg: 0.042 },
  { kind: 'weighed', stepId: 'cover', grossKg: 14.5, tareKg: 4.5 },
  { kind: 'dipped', stepId: 'cover', belowRimM: 0.123 },
  { kind: 'body', stepId: 'season', reading: { device: 'syringe', leftMl: 3.5, tempC: 70 } },
  { kind: 'salt', stepId: 'season', saltPct: 0.712 },
  { kind: 'temperature', stepId: 'season', tempC: 71.6 },
  { kind: 'tasted', stepId: 'season', taste: 'salt', side: -1, taster: 'JK' },
  { kind: 'cup', stepId: 'season', cupKg: 0.2, line: 'salt', doseKg: 0.0012 },
  { kind: 'jugged', stepId: 'blend', fillShare: 0.75, tempC: 92, read: true },
  { kind: 'sieved', stepId: 'blend', lostKg: 0.35 },
  { kind: 'gave back', stepId: 'blend', line: 'water', share: 0.25 },
  { kind: 'held', stepId: 'dish', minutes: 40, atC: 75, lid: 'on', topUp: 'water' },
  { kind: 'ladled out', stepId: 'dish', kg: 1.2, as: 'staff meal' },
  { kind: 'refilled', stepId: 'dish', kg: 4, tempC: 80 },
  { kind: 'swapped', line: 'water', row: barley },
  { kind: 'brought', stepId: 'cover', line: 'barley', row: barley, kg: 0.3 },
  { kind: 'left out', line: 'water' },
  { kind: 'dished', bowls: 12, share: 'creamed', sitting: 2 },
  { kind: 'stored', kg: 2.5 },
  { kind: 'note', text: 'gas low', photo: 'a'.repeat(64) },
  { kind: 'wanted', mPas: 220 },
  { kind: 'undone', target: '00000000-0000-4000-8000-000000000001' },
  {
    kind: 'corrected',
    target: '00000000-0000-4000-8000-000000000001',
    to: { kind: 'added', stepId: 'cover', line: 'stock', kg: 1.2 },
    why: 'pounds entered as kilos',
  },
  { kind: 'closed' },
];

describe('the words of a record', () => {
  it('there is a sentence for every kind of action, with its figures and no hole in it', () => {
    const kinds = ActionSchema.options.map((option) => option.shape.kind.value);
    expect(ACTIONS.map(({ kind }) => kind).sort()).toEqual([...kinds].sort());
    for (const action of ACTIONS) {
      expect(ActionSchema.safeParse(action).success).withContext(action.kind).toBeTrue();
      const text = actionText(action, soup, nameOf, 'metric');
      expect(text.length).withContext(action.kind).toBeGreaterThan(4);
      expect(text)
        .withContext(action.kind)
        .not.toMatch(/undefined|NaN|\[object/);
    }
  });

  it('says amounts in the kitchen’s units and names as they are known', () => {
    const said = (action: Action, units: 'metric' | 'us' = 'metric'): string => actionText(action, soup, nameOf, units);
    const of = (kind: Action['kind']): Action => ACTIONS.find((action) => action.kind === kind)!;
    expect(said(of('poured'))).toBe('500 mL of water poured (ladle)');
    expect(said(of('poured'), 'us')).toContain('fl oz');
    expect(said(of('weighed'))).toBe('weighed 14.5 kg, tare 4.5 kg');
    expect(said(of('dipped'))).toBe('dip: 12.3 cm below the rim');
    expect(said(of('dipped'), 'us')).toBe('dip: 4.8 in below the rim');
    expect(said(of('weighed'), 'us')).toBe('weighed 32 lb, tare 9.92 lb');
    expect(said({ kind: 'weighed', stepId: 'cover', grossKg: 10, tareKg: 0 })).toBe('weighed 10 kg, scale tared');
    expect(said(of('held'))).toBe('held 40 min at 75 °C, lid on, topped up with water');
    expect(said(of('refilled'))).toBe('4 kg from a second pot, 80 °C');
    expect(said(of('jugged'))).toBe('jug filled to 75 % at 92 °C, the caution was read');
    expect(said(of('dished'))).toBe('12 bowls counted, Creamed, sitting 2');
    expect(said(of('note'))).toBe('gas low (photo)');
    expect(shareName('nobody', soup)).toBeUndefined();
  });
});

describe('what an entry changed', () => {
  it('is told in the figures that moved, and only those', () => {
    const id = 'celeriac-leek-apple';
    const steps = new StoveInMemory(id).steps;
    const upTo = (op: string): Action[] =>
      steps
        .slice(
          0,
          steps.findIndex((step) => step.op === op),
        )
        .map((step) => ({ kind: 'done', stepId: step.id }));
    const before = viewAfter(id, ...upTo('cover'));
    const poured = viewAfter(id, ...upTo('cover'), {
      kind: 'poured',
      stepId: 'cover',
      line: 'stock',
      vessel: 'Ladle',
      volumeM3: 1e-3,
    });
    expect(effectBetween(before, poured, 'metric')).toMatch(/^pot 6\.\d+ kg → 7\.\d+ kg/);
    expect(effectBetween(before, before, 'metric')).toBe('');
    const noted = viewAfter(id, ...upTo('cover'), { kind: 'note', text: 'gas low' });
    expect(effectBetween(before, noted, 'metric')).toBe('');
    const dishing = viewAfter(id, ...upTo('dish'));
    const counted = viewAfter(id, ...upTo('dish'), { kind: 'dished', bowls: 5 });
    expect(effectBetween(dishing, counted, 'metric')).toContain('counted 0 → 5');
    expect(effectBetween(poured, before, 'metric')).toMatch(/7\.\d+ kg → 6\.\d+ kg/);
    const back = effectBetween(viewAfter(id, ...upTo('simmer')), before, 'metric');
    expect(back).toContain('back to Cover');
  });
});

describe('for the counter', () => {
  it('what was swapped, left out or brought is said in few words', () => {
    expect(unplannedOf({ leftOut: ['water'], swapped: ['salt'], brought: [] }, nameOf)).toEqual(['no water', 'fine salt instead']);
  });

  it('every share has its card: its allergens, what one bowl holds, what all of them took; shares add up', async () => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    const view = viewAfter('base-two-ways');
    const cards = await show(ShareCards, { shares: view.shares, currency: 'EUR' });
    const items = [...(cards.fixture.nativeElement as HTMLElement).querySelectorAll('li')].map((li) => li.textContent);
    expect(items.length).toBe(3);
    expect(items.find((text) => text.includes('Creamed'))).toMatch(/Contains\s*milk/);
    expect(items.find((text) => text.includes('Plain'))).toMatch(/Contains\s*none of the 14/);
    const bowls = items.map((text) => Number(/(\d+) bowls/.exec(text)?.[1]));
    expect(bowls.reduce((sum, count) => sum + count, 0)).toBeCloseTo(view.forecast.bowls, -1);
    expect(items.every((text) => text.includes('€'))).toBeTrue();
  });
});

describe('put back into the card', () => {
  it('only what is ticked goes into the newest version; a refusal is said and nothing is lost', async () => {
    const stove = new StoveInMemory('celeriac-leek-apple');
    stove.cookedUpTo('cover');
    stove.did({ kind: 'added', stepId: 'cover', line: 'stock', kg: 2 }, { kind: 'done', stepId: 'cover' });
    stove.cookedUpTo('dish');
    stove.did({ kind: 'closed' });
    const view = batchView(stove.snapshot, stove.kept);
    const saved: unknown[] = [];
    let ok = false;
    const soups = {
      one: () => Promise.resolve({ ok: true, value: { soup: stove.snapshot.soup, version: 4 } }),
      save: (next: unknown, basedOn: number, note: string) => {
        saved.push([next, basedOn, note]);
        return Promise.resolve(
          ok
            ? { ok: true, value: { version: 5 } }
            : { ok: false, reachable: true, refusal: { code: 'SOUP_CHANGED_SINCE', sentence: 'Somebody saved version 5.' } },
        );
      },
    };
    TestBed.configureTestingModule({ providers: [...stove.providers(), { provide: Soups, useValue: soups }] });
    const list = await show(WriteBackList, {
      view,
      nameOf: namer(stove.snapshot.soup, LARDER_ROWS),
      soupId: 'celeriac-leek-apple',
      cookedAtMs: Date.UTC(2026, 10, 3, 9),
    });
    // Two kilos in the pot of forty bowls are so many grams on a card that is written for ten.
    const onCard = (2000 / stove.snapshot.scale).toFixed(0);
    expect(list.text()).toContain(`vegetable stock: ${onCard} g by weight, instead of to cover`);
    const save = (): HTMLButtonElement => list.find('button.main') as HTMLButtonElement;
    expect(save().disabled).toBeTrue();
    list.find('input[type=checkbox]')?.click();
    await list.fixture.whenStable();
    await list.press('Save as a new version');
    expect(list.text()).toContain('Somebody saved version 5.');
    ok = true;
    await list.press('Save as a new version');
    expect(list.text()).toContain('Saved as version 5');
    const [next, basedOn, note] = saved.at(-1) as [{ lines: { id: string; amount: { rule: string } }[] }, number, string];
    expect(basedOn).toBe(4);
    expect(note).toBe('as cooked on 3 Nov');
    expect(next.lines.find(({ id }) => id === 'stock')?.amount.rule).toBe('scaled');
  });
});
