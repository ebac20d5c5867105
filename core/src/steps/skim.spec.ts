import { line, flowsKg, context, potOf } from '../../spec/pots.js';
import { FAT } from '../larder/index.js';
import { potKg } from '../pot/index.js';
import { blend, skim } from './index.js';

describe('skimming', () => {
  const pot = potOf(line('vegetable-stock', 4), line('olive-oil', 0.05));

  it('lifts half of the fat that floats and half as much liquid: 50 g of oil, 25 g and 12.5 g', () => {
    const floating = pot.liquid.mix[FAT];
    const { pot: after, outflows, inflows } = skim(pot, { id: 'skim', op: 'skim', share: 0.5 });
    // Oil is all but pure fat; the stock brings a few grams of its own.
    expect(floating).toBeGreaterThan(0.0499);
    expect(outflows.length).toBe(1);
    expect(flowsKg(outflows)).toBeCloseTo((floating / 2) * 1.5, 9);
    expect(inflows).toEqual([]);
    expect(potKg(after)).toBeCloseTo(potKg(pot) - flowsKg(outflows), 12);
    // What clings brings a trace more of it along.
    expect(after.liquid.mix[FAT]).toBeCloseTo(floating / 2, 3);
    expect(after.liquid.mix[FAT]).toBeLessThan(floating / 2);
  });

  it('behind the blade nothing floats', () => {
    const { pot: blended } = blend(
      potOf(line('carrot', 1), line('vegetable-stock', 2), line('olive-oil', 0.05)),
      { id: 'b', op: 'blend', blender: 'stick', minutes: 3 },
      context(),
    );
    expect(skim(blended, { id: 'skim', op: 'skim', share: 1 }).pot).toBe(blended);
  });
});
