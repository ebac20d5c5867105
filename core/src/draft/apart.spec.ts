import { LARDER_ROWS, makeLarder } from '../larder/index.js';
import { READY_KITS } from '../kit/index.js';
import { writtenPlan } from '../plan/index.js';
import { checkSoup, EXAMPLE_SOUPS, SoupSchema, walk, type Soup } from '../soup/index.js';
import { branchOff, holdBack, moveStep, placeOf, removeStep } from './index.js';

const larder = makeLarder(LARDER_ROWS);
const leek = EXAMPLE_SOUPS.find(({ id }) => id === 'celeriac-leek-apple')!;
const ops = (soup: Soup): string[] => walk(soup.root).map(({ step }) => step.op);
const trimOf = (soup: Soup, lineId: string): string =>
  walk(soup.root).find(({ step }) => step.op === 'trim' && step.uses.some(({ line }) => line === lineId))!.step.id;

function grainMm(soup: Soup): number {
  const planned = writtenPlan(soup, LARDER_ROWS, READY_KITS.canteen)!;
  return Math.max(...planned.run.records.at(-1)!.before.cohorts.map(({ sizeM }) => sizeM * 1000), 0);
}

describe('what is cooked apart', () => {
  it('held back: lifted out before the blender and given back behind it, so that the bowl has pieces', () => {
    const held = holdBack(leek, 'celeriac', 0.2);
    const order = ops(held);
    expect(order.indexOf('takeOut')).toBe(order.indexOf('blend') - 1);
    expect(order.indexOf('giveBack')).toBeGreaterThan(order.indexOf('blend'));
    expect(order.length).toBe(ops(leek).length + 2);
    expect(checkSoup(held, larder)).toEqual([]);
    expect(SoupSchema.safeParse(held).success).toBeTrue();
    expect(grainMm(leek)).toBe(0);
    expect(grainMm(held)).toBeGreaterThan(5);
  });

  it('nothing is held back of a line that no step takes, or where nothing is blended', () => {
    expect(holdBack(leek, 'no-such-line')).toBe(leek);
    const whole = removeStep(leek, walk(leek.root).find(({ step }) => step.op === 'blend')!.step.id);
    expect(holdBack(whole, 'celeriac')).toBe(whole);
  });

  for (const vessel of ['tray', 'pot'] as const) {
    it(`a ${vessel} of its own runs in where its step stood, and can be cooked`, () => {
      const id = trimOf(leek, 'celeriac');
      const at = placeOf(leek, id);
      const off = branchOff(leek, id, vessel);
      const join = off.root.steps[at!.index];
      if (join?.op !== 'join') throw new Error(String(join?.op));
      expect(join.branch.vessel).toBe(vessel);
      expect(join.branch.steps.map(({ op }) => op)).toEqual(['trim', vessel === 'tray' ? 'roast' : 'simmer']);
      expect(checkSoup(off, larder)).toEqual([]);
      expect(SoupSchema.safeParse(off).success).toBeTrue();
      expect(writtenPlan(off, LARDER_ROWS, READY_KITS.canteen)?.run.records.some(({ step }) => step.op === 'join')).toBeTrue();
      expect(branchOff(off, id, vessel)).toBe(off);
    });
  }

  it('a tray that its last step leaves is gone', () => {
    const id = trimOf(leek, 'celeriac');
    const off = branchOff(leek, id, 'tray');
    const roast = walk(off.root).find(({ step }) => step.op === 'roast')!.step.id;
    const back = moveStep(removeStep(off, roast), id, { branchId: leek.root.id, index: 0 });
    expect(ops(back)).not.toContain('join');
    expect(ops(back).filter((op) => op === 'trim').length).toBe(ops(leek).filter((op) => op === 'trim').length);
  });
});
