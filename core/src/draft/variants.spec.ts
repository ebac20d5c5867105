import { EXAMPLE_SOUPS, SoupSchema, varied, type Line } from '../soup/index.js';
import { keepInVariant } from './index.js';

const leek = EXAMPLE_SOUPS.find(({ id }) => id === 'celeriac-leek-apple')!;
const line = (id: string, ingredient: string): Line => ({
  id,
  ingredient,
  amount: { rule: 'scaled', amount: { value: 1, unit: 'kg' } },
});

describe('variants', () => {
  it('one name gathers several lines, each once; the soup itself stays as it is', () => {
    const pear = keepInVariant(leek, 'Pear', { lineId: 'apple', line: line('apple', 'pear') });
    const more = keepInVariant(pear, 'pear', { lineId: 'celeriac', line: line('celeriac', 'parsnip') });
    const again = keepInVariant(more, 'Pear', { lineId: 'apple', line: undefined });
    expect(again.variants?.length).toBe(1);
    expect(again.variants?.[0]).toEqual(
      jasmine.objectContaining({ name: 'Pear', instead: [line('celeriac', 'parsnip')], without: ['apple'] }),
    );
    expect(again.lines).toBe(leek.lines);
    expect(SoupSchema.safeParse(again).success).toBeTrue();
    const cooked = varied(again, again.variants![0]!.id);
    expect(cooked.lines.find(({ id }) => id === 'celeriac')?.ingredient).toBe('parsnip');
    expect(cooked.lines.some(({ id }) => id === 'apple')).toBeFalse();
  });

  it('what was left out can be taken back in, and another name is another variant', () => {
    const without = keepInVariant(leek, 'Plain', { lineId: 'apple', line: undefined });
    const back = keepInVariant(without, 'Plain', { lineId: 'apple', line: line('x', 'pear') });
    expect(back.variants?.[0]).toEqual(
      jasmine.objectContaining({ id: without.variants![0]!.id, instead: [line('apple', 'pear')], without: undefined }),
    );
    expect(keepInVariant(back, 'Other', { lineId: 'leek', line: undefined }).variants?.map(({ name }) => name)).toEqual([
      'Plain',
      'Other',
    ]);
  });
});
