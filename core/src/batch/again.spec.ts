import { EXAMPLE_SOUPS, walk, type Soup } from '../soup/index.js';
import { againAndAgain, type PutBack } from './again.js';
import { takenOver, type WriteBack } from './write-back.js';

function example(): Soup {
  const soup = EXAMPLE_SOUPS.find(({ id }) => id === 'beetroot-horseradish') ?? EXAMPLE_SOUPS[0];
  if (soup === undefined) throw new Error('no example soup');
  return soup;
}

describe('what is done to a soup again and again', () => {
  const soup = example();
  const line = soup.lines.find(({ amount }) => amount.rule === 'scaled')?.id ?? '';
  const poured = (is: number): WriteBack => ({ key: `amount ${line}`, what: 'amount', line, unit: 'kg', was: 2, is });
  const by = (items: readonly WriteBack[], card = soup): PutBack => ({ soup: card, items });

  it('more of a line in four of five is offered, with the middle of what was given', () => {
    const again = againAndAgain(soup, [by([poured(2.6)]), by([poured(2.2)]), by([]), by([poured(2.4)]), by([poured(2.8)])]);
    // Of 2.2, 2.4, 2.6 and 2.8 the middle is 2.5.
    expect(again).toEqual([{ item: poured(2.5), times: 4, of: 5 }]);
    const changed = takenOver(soup, [again[0]?.item ?? poured(2)]);
    const amountOf = (card: Soup): number => {
      const amount = card.lines.find(({ id }) => id === line)?.amount;
      return amount?.rule === 'scaled' ? amount.amount.value : Number.NaN;
    };
    expect(amountOf(changed) / amountOf(soup)).toBeCloseTo(1.25, 2);
  });

  it('twice, now more and now less, or in fewer than most is chance', () => {
    expect(againAndAgain(soup, [by([poured(2.6)]), by([poured(2.6)])])).toEqual([]);
    expect(againAndAgain(soup, [by([poured(2.6)]), by([poured(1.6)]), by([poured(2.6)]), by([poured(1.6)])])).toEqual([]);
    const seldom = [by([poured(2.6)]), by([]), by([]), by([]), by([poured(2.6)])];
    expect(againAndAgain(soup, seldom)).toEqual([]);
  });

  it('only the newest five are looked at', () => {
    const old = [by([]), by([]), by([]), by([]), by([]), by([poured(2.6)]), by([poured(2.6)]), by([poured(2.6)])];
    expect(againAndAgain(soup, old)).toEqual([]);
  });

  it('batches by an older card count where it was the same, and where it was not they say nothing', () => {
    const older = takenOver(soup, [poured(1)]);
    const items = [poured(2.6)];
    expect(againAndAgain(soup, [by(items), by(items), by(items, older)])).toEqual([]);
    expect(againAndAgain(soup, [by(items), by(items, older), by(items), by([], older), by(items)])).toEqual([
      { item: poured(2.6), times: 3, of: 3 },
    ]);
    const step = walk(soup.root).find((one) => one.step.op === 'simmer')?.step.id ?? '';
    const longer: WriteBack = { key: `minutes ${step}`, what: 'minutes', stepId: step, unit: 'min', was: 20, is: 30 };
    // Another amount in the older card leaves its simmer as it is.
    expect(againAndAgain(soup, [by([longer]), by([longer], older), by([longer], older)])).toEqual([
      { item: longer, times: 3, of: 3 },
    ]);
  });

  it('what was brought in each time, and what took the place of a line, keep what they are', () => {
    const brought: WriteBack = { key: 'brought x', what: 'brought', line: 'x', ingredient: 'nutmeg', stepId: 'season', kg: 0.001 };
    const swapped = (is: string): WriteBack => ({ key: `swapped ${line}`, what: 'swapped', line, was: 'beetroot', is });
    const again = againAndAgain(soup, [
      by([brought, swapped('carrot')]),
      by([{ ...brought, kg: 0.003 }, swapped('parsnip')]),
      by([{ ...brought, kg: 0.002 }, swapped('carrot')]),
    ]);
    expect(again).toEqual([{ item: { ...brought, kg: 0.002 }, times: 3, of: 3 }]);
  });
});
