import { expectInOrder, saidOf, saidOfPaste } from '../../spec/method-said.js';
import { TOLD_PASTES } from '../../spec/told-pastes.js';
import { TOLD_PASTES_MORE } from '../../spec/told-pastes-more.js';
import { readCorpus } from '../../spec/method-corpus.js';

describe('sheets, prose and blogs as they are pasted', () => {
  for (const { what, country, text, foods, bowls, served, shares = {}, wanted, never } of [...TOLD_PASTES, ...TOLD_PASTES_MORE])
    it(what, () => {
      const { taken, unread, stated, reading } = readCorpus({ country, text });
      expect(unread).toEqual([]);
      if (foods !== undefined) expect(taken.map(({ row }) => row.id).sort()).toEqual([...foods].sort());
      if (bowls !== undefined) expect(stated).toBe(bowls);
      if (served !== undefined) expect(reading.tree.soup.served).toBe(served);
      const { said, sharesOf } = saidOfPaste(text, country);
      for (const [line, wantedShares] of Object.entries(shares)) expect(sharesOf(line)).toEqual([...wantedShares]);
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
