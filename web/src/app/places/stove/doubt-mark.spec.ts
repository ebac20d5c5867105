import { TestBed } from '@angular/core/testing';
import { StoveInMemory, rest, show } from '../../../../spec/stove-in-memory';
import { DoubtMark } from './doubt-mark';
import { Hand } from './hand';

/** Longer than the mark waits for the cook to be done. */
const WAIT_MS = 1700;

describe('the mark of doubt at the stove', () => {
  let stove: StoveInMemory;

  beforeEach(() => {
    stove = new StoveInMemory('leek-potato');
    TestBed.configureTestingModule({ providers: stove.providers() });
  });

  async function shown(): Promise<string> {
    TestBed.inject(Hand).batchId.set('batch');
    const mark = await show(DoubtMark);
    await new Promise((resolve) => setTimeout(resolve, WAIT_MS));
    await rest(mark.fixture);
    return mark.text();
  }

  it('is not there while nothing was read, and not after a weighing that fits', async () => {
    expect(await shown()).toBe('');
  });

  it('is there after a weighing with the pot on the scale', async () => {
    const dish = stove.steps.at(-1)!.id;
    for (const { id: stepId } of stove.steps.slice(0, -1)) stove.did({ kind: 'done', stepId });
    // 12.4 kg of soup in a boiler of 8.6 kg, and nothing taken off for it.
    stove.did({ kind: 'weighed', stepId: dish, grossKg: 21, tareKg: 0 });
    expect(await shown()).toContain('Does not add up');
  });
});
