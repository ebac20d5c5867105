import { showMass } from '@tureen/core/units';
import { EXAMPLE_SOUPS } from '@tureen/core/soup';
import { READY_KITS } from '@tureen/core/kit';
import { LARDER_ROWS } from '@tureen/core/larder';
import { figuresOf, makePlan, writtenPlan } from '@tureen/core/plan';
import { ENTRY_SHAPE, type Action, type StoredEntry } from '@tureen/core/batch';
import { batchView } from '../cooking/batch-view';
import { planOutcome, viewOf } from '../cooking/views';
import { mergedEntries } from '../services/batches';
import { newId } from '../services/device';
import { cautionSentence, hurts, namer, planErrorSentence, stepSentence } from '@tureen/core/messages';
import { factRows, mass } from './figures';
import { matches, wordsOf } from './shelf/find';
import { stationsOf } from './stations';
import { bigFigure } from './stove/figure';

const kit = READY_KITS.canteen;
const beetroot = EXAMPLE_SOUPS.find(({ id }) => id === 'beetroot-horseradish')!;
const request = { bowls: 80, bowlG: 300, potId: 'boiler-40' };
const planning = makePlan(beetroot, LARDER_ROWS, kit, request);
if (!planning.ok) throw new Error(planning.error.code);
const { snapshot } = planning.plan;
const nameOf = namer(beetroot, LARDER_ROWS);

function entry(n: number, action: Action): StoredEntry {
  return { id: newId(), shape: ENTRY_SHAPE, stamp: { counter: n, device: 'spec-tab', seq: n }, atMs: n * 60_000, who: '', action };
}

describe('views', () => {
  it('show what core computed, not something near it', () => {
    const outcome = planOutcome(makePlan(beetroot, LARDER_ROWS, kit, request), writtenPlan(beetroot, LARDER_ROWS, kit));
    expect(outcome.ok && outcome.view.figures).toEqual(figuresOf(planning.plan.prepared, planning.plan.run));
    expect(batchView(snapshot, []).planned).toEqual(figuresOf(planning.plan.prepared, planning.plan.run));
    expect(viewOf(writtenPlan(beetroot, LARDER_ROWS, kit)!, undefined).figures.bowls).toBeCloseTo(10, 3);
  });

  it('can be sent between threads', () => {
    const view = batchView(snapshot, [entry(1, { kind: 'done', stepId: 'trim' })]);
    expect(structuredClone(view).current?.step.id).toBe('oil');
  });

  it('follow salt and cream as they go in', () => {
    const seasoned = batchView(snapshot, [
      entry(1, { kind: 'added', stepId: 'season', line: 'salt', kg: 0.1 }),
      entry(2, { kind: 'added', stepId: 'cream', line: 'cream', kg: 0.5 }),
    ]);
    const plain = batchView(snapshot, []);
    expect(seasoned.creamToGoKg).toBeCloseTo(plain.creamToGoKg - 0.5, 1);
    expect(new Map(seasoned.inKg).get('salt')).toBeCloseTo(0.1, 9);
  });
});

describe('the big figure', () => {
  const steps = ['trim', 'oil', 'roast', 'tip-in', 'bay'].map((stepId, n) => entry(n + 1, { kind: 'done', stepId }));

  it('is kilos still to pour while covering', () => {
    const view = batchView(snapshot, [
      ...steps,
      entry(9, { kind: 'poured', stepId: 'cover', line: 'stock', vessel: 'Jug', volumeM3: 0.001 }),
    ]);
    // One litre of stock is one kilo by the larder: what the empty hand would still pour, less that.
    const all = new Map(batchView(snapshot, steps).toGoKg).get('stock')!;
    expect(all).toBeGreaterThan(1.5);
    const left = showMass(all - 1, 'metric');
    expect(bigFigure(view.fronts[0]!, view, 'metric', undefined)).toEqual({ ...left, note: 'still to pour' });
  });

  it('is minutes left while simmering, and says calmly when they are over', () => {
    const view = batchView(snapshot, [...steps, entry(9, { kind: 'done', stepId: 'cover' })]);
    const minutes = view.steps.find(({ stepId }) => stepId === 'simmer')!.minutes;
    expect(bigFigure(view.fronts[0]!, view, 'metric', 10)).toEqual(
      jasmine.objectContaining({ digits: String(Math.round(minutes - 10)), unit: 'min' }),
    );
    expect(bigFigure(view.fronts[0]!, view, 'metric', minutes + 5).note).toBe('over the time; go by the test');
  });
});

describe('stations', () => {
  it('hang together in cooking order, every step in one of them', () => {
    const groups = stationsOf(beetroot, viewOf(writtenPlan(beetroot, LARDER_ROWS, kit)!, undefined), nameOf, 'metric');
    expect(groups.map(({ name }) => name)).toEqual(['Roast', 'Simmer', 'Blend', 'Finish', 'Dish']);
    expect(groups.reduce((sum, { steps }) => sum + steps.length, 0)).toBe(18);
    expect(groups[0]?.rows.map(({ name }) => name)).toEqual(['beetroot', 'onion', 'cooking apple', 'garlic', 'rapeseed oil']);
    expect(groups[0]?.setting).toBe('190 °C · 50 min');
  });

  it('name sweating and cold soups as they are', () => {
    const names = (id: string): string[] =>
      stationsOf(
        EXAMPLE_SOUPS.find((soup) => soup.id === id)!,
        undefined,
        (line) => line,
        'metric',
      ).map(({ name }) => name);
    expect(names('celeriac-leek-apple')[0]).toBe('Sweat');
    expect(names('pea-lettuce-cold').at(-1)).toBe('Dish');
  });
});

describe('finding', () => {
  const of = (id: string, allergens: readonly string[], vegan: boolean, creamShare: number): string => {
    const soup = EXAMPLE_SOUPS.find((one) => one.id === id)!;
    const diets = { vegan, vegetarian: true, glutenFree: true, dairyFree: vegan };
    const ingredients = soup.lines.map(({ ingredient }) => ingredient);
    return wordsOf({ soup, ingredients, allergens, creamShare, diets, tags: ['noon'], names: ['Beetroot Beet'] });
  };
  const beet = of('beetroot-horseradish', ['milk', 'celery'], false, 0.07);
  const parsnip = of('parsnip-butter', ['milk'], false, 0);

  it('takes every word, in any place: name, crate, allergen, diet, tag', () => {
    expect(matches('roast beet', beet)).toBeTrue();
    expect(matches('dill', beet)).toBeTrue();
    expect(matches('noon milk', beet)).toBeTrue();
    expect(matches('gluten-free', beet)).toBeTrue();
    expect(matches('sweat beet', beet)).toBeFalse();
    expect(matches('', beet)).toBeTrue();
    expect(matches('vegan', beet)).toBeFalse();
  });

  it('"no" turns the next word round', () => {
    expect(matches('no celery', beet)).toBeFalse();
    expect(matches('sweat no celery', parsnip) || matches('roast no celery', parsnip)).toBeTrue();
    expect(matches('no cream', parsnip)).toBeTrue();
    expect(matches('no cream', beet)).toBeFalse();
  });
});

describe('words', () => {
  it('are imperative, with their figure', () => {
    const sentences = batchView(snapshot, []).soup.root.steps.map((step) => stepSentence(step, nameOf, 'metric'));
    expect(sentences).toContain('Pour vegetable stock until it stands 10 mm over the pieces');
    expect(sentences).toContain('Salt to 0.80 %, a fifth held back for the tasting');
    for (const sentence of sentences) expect(sentence).not.toMatch(/!|undefined|NaN/);
  });

  it('warn in red only where someone can be hurt', () => {
    const hot = { code: 'HOT_JUG', fillShare: 1 / 3, tempC: 96.2 } as const;
    expect(cautionSentence(hot, nameOf, 'metric')).toBe(
      '96 °C: fill the jug a third, vent the lid, hold it with a cloth. Steam burns.',
    );
    expect(hurts(hot)).toBeTrue();
    expect(hurts({ code: 'TRAY_ROUNDS', rounds: 2, trays: 9 })).toBeFalse();
    expect(
      cautionSentence({ code: 'COOL_IN_TWO_STAGES', firstToC: 21, firstMinutes: 120, toC: 5, allMinutes: 360 }, nameOf, 'metric'),
    ).toContain('21 °C within 2 h and 5 °C within 6 h');
  });

  it('say by how much a plan does not fit', () => {
    expect(
      planErrorSentence({ code: 'DOES_NOT_FIT', peakM3: 0.06, usableM3: 0.035, overM3: 0.025, bowlsThatFit: 50, pots: [] }),
    ).toBe('Too much for this pot: 60 L at its fullest, 25 L more than may boil in it.');
  });

  it('give a bowl cream only where there is some', () => {
    const facts = planning.plan.run.dished === undefined ? undefined : figuresOf(planning.plan.prepared, planning.plan.run).facts;
    expect(factRows(facts!).map(({ name }) => name)).toContain('cream');
    expect(factRows({ ...facts!, creamG: 0 }).map(({ name }) => name)).not.toContain('cream');
    expect(mass(1.3478, 'metric')).toBe('1.35 kg');
  });
});

describe('entries', () => {
  it('merge once each, the server’s copy first', () => {
    const a = entry(1, { kind: 'closed' });
    expect(mergedEntries([{ ...a, arrival: 7 }], [a, entry(2, { kind: 'closed' })]).map(({ arrival }) => arrival)).toEqual([
      7,
      undefined,
    ]);
  });

  it('have ids of the right form without a secure page', () => {
    expect(newId()).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
    expect(new Set(Array.from({ length: 1000 }, newId)).size).toBe(1000);
  });
});
