import { expectInOrder, saidOf, saidOfPaste } from '../../spec/method-said.js';
import { TOLD_PASTES } from '../../spec/told-pastes.js';
import { readCorpus } from '../../spec/method-corpus.js';

describe('sheets, prose and blogs as they are pasted', () => {
  for (const { what, country, text, foods, wanted, never } of TOLD_PASTES)
    it(what, () => {
      const { taken, unread } = readCorpus({ country, text });
      expect(unread).toEqual([]);
      if (foods !== undefined) expect(taken.map(({ row }) => row.id).sort()).toEqual([...foods].sort());
      const { said } = saidOfPaste(text, country);
      expectInOrder(said, wanted, never);
    });

  it('what is saved for drizzling is on every bowl', () => {
    const { steps } = saidOf(
      'Simmer the carrots in the water 10 min. Stir in coconut milk (save 1/4 c for drizzle). Blend.',
      '1 lb carrots\n4 cups water\n1 (14-oz) can coconut milk\n',
      'us',
    );
    const dish = steps.find((step) => step.op === 'dish');
    const [share] = dish?.op === 'dish' ? (dish.shares ?? []) : [];
    expect(share?.garnish?.map(({ gPerBowl }) => Math.round(gPerBowl))).toEqual([15]);
  });
});
