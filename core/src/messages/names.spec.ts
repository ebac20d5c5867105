import { LARDER_ROWS } from '../larder/index.js';
import { EXAMPLE_SOUPS } from '../soup/index.js';
import { namer, stopNamer } from './index.js';

describe('names', () => {
  it('a line is called what the kitchen calls it, or by the card that it is taken from', () => {
    const corn = EXAMPLE_SOUPS.find(({ id }) => id === 'sweetcorn-smoked-chilli')!;
    const nameOf = namer(corn, LARDER_ROWS);
    for (const { id, ingredient } of corn.lines) {
      expect(nameOf(id)).not.toContain('card:');
      expect(nameOf(id)).not.toContain(',');
      expect(nameOf(id)).withContext(ingredient).toBe(nameOf(id).toLowerCase());
    }
    const stock = corn.lines.find(({ ingredient }) => ingredient.startsWith('card:'))!;
    expect(nameOf(stock.id)).toBe(corn.cards!.find(({ id }) => `card:${id}` === stock.ingredient)!.name.toLowerCase());
    expect(nameOf('nothing')).toBe('nothing');
    const stops = stopNamer(corn, nameOf);
    expect(stops({ stepId: 'no-such' } as Parameters<typeof stops>[0])).toBe('no-such');
  });
});
