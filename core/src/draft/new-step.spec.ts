import { READY_KITS } from '../kit/index.js';
import { LARDER_ROWS, makeLarder } from '../larder/index.js';
import { stepName, stepSentence } from '../messages/index.js';
import { prepareSoup, run } from '../runner/index.js';
import { EXAMPLE_SOUPS, SoupSchema, checkSoup, isBatchStep, walk, type PlainStep, type Soup } from '../soup/index.js';
import { STEP_KINDS } from '../steps/index.js';
import { NEW_STEPS, addNewStep, placeOf, removeStep } from './index.js';

const larder = makeLarder(LARDER_ROWS);
const kit = READY_KITS.canteen;
/** Steps that come with a line, and those that every soup has already. */
const OTHERWISE: readonly string[] = ['trim', 'add', 'film', 'dish'];
/** Steps of a batch, never of a soup. */
const OF_BATCHES: readonly string[] = ['read', 'ladleOut', 'refill'];

function soupBy(id: string): Soup {
  const soup = EXAMPLE_SOUPS.find((one) => one.id === id);
  if (soup === undefined) throw new Error(id);
  return soup;
}

describe('steps put in by hand', () => {
  it('every kind of step of the registry can be put in, or comes with a line', () => {
    const offered = new Set<string>([...NEW_STEPS.map(({ op }) => op), ...OTHERWISE, ...OF_BATCHES]);
    expect(Object.keys(STEP_KINDS).filter((op) => !offered.has(op))).toEqual([]);
  });

  for (const { key, op } of NEW_STEPS) {
    it(`${key}: put in, named, cooked, taken out again`, () => {
      const soup = soupBy(key === 'give back' ? 'squash-coconut-chilli' : 'leek-potato');
      const heat = walk(soup.root).find(({ step }) => step.op === (key === 'give back' ? 'blend' : 'simmer'))?.step;
      const at = heat === undefined ? undefined : placeOf(soup, heat.id);
      if (at === undefined) throw new Error('no place');
      const added = addNewStep(soup, key, { ...at, index: at.index + 1 }, larder);
      const { stepId } = added;
      if (stepId === undefined) throw new Error(`${key} was not put in`);
      const own = walk(added.soup.root).find(({ step }) => step.id === stepId)?.step;
      if (own === undefined || own.op === 'join' || isBatchStep(own)) throw new Error('no step');
      const step: PlainStep = own;
      expect(step.op).toBe(op);
      expect(SoupSchema.safeParse(added.soup).success).toBeTrue();
      expect(checkSoup(added.soup, larder)).toEqual([]);
      expect(stepName(step)).not.toBe('');
      expect(stepSentence(step, (line) => line, 'metric')).not.toBe('');
      const prepared = prepareSoup(added.soup, larder, kit, kit.pots.at(-1)?.id ?? '', 0.3);
      if (!prepared.ok) throw new Error(JSON.stringify(prepared));
      const { bowls, records } = run(prepared.prepared, 1);
      expect(bowls).toBeGreaterThan(0);
      expect(records.some((record) => record.step.id === stepId)).toBeTrue();
      const without = removeStep(added.soup, stepId);
      expect(walk(without.root).length).toBe(walk(soup.root).length);
    });
  }
});
