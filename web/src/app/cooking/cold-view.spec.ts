import { READY_KITS } from '@tureen/core/kit';
import { coolingAnswer } from './cold-view';

describe('how a leftover is cooled, for the screen', () => {
  const ask = { kg: 10, startC: 80, ruleId: 'two-stage' };

  it('goes by the pans and places of the kitchen', () => {
    const words = (kit: Parameters<typeof coolingAnswer>[1]): string =>
      (coolingAnswer(ask, kit)?.ways ?? []).map((way) => way.words).join('\n');
    expect(words(READY_KITS.canteen)).toContain('blast chiller');
    expect(words(READY_KITS.cafe)).not.toContain('blast chiller');
    const home = coolingAnswer({ ...ask, kg: 3 }, READY_KITS.home);
    expect(home?.ways.every((way) => /roasting dish|wide bowl|tub/.test(way.words))).toBeTrue();
  });

  it('draws a curve from now that stays under its rule where the words say that it does', () => {
    const answer = coolingAnswer(ask, READY_KITS.canteen);
    expect(answer?.isMet).toBeTrue();
    for (const way of answer?.ways ?? []) {
      expect(way.middle[0]).toEqual({ x: 0, y: 80 });
      for (const mark of way.rule.slice(1)) {
        const at = way.middle.findLast(({ x }) => x <= mark.x);
        expect(at?.y ?? 100)
          .withContext(way.words)
          .toBeLessThanOrEqual(mark.y + 0.5);
      }
      expect(way.stages.every(({ isMet }) => isMet)).toBeTrue();
    }
  });

  it('says how shallow it would have to lie where nothing meets the rule, and nothing for no soup', () => {
    const answer = coolingAnswer({ ...ask, kg: 500 }, READY_KITS.cafe);
    expect(answer?.isMet).toBeFalse();
    expect(answer?.ways.length).toBe(1);
    expect(answer?.deepestMm ?? 0).toBeGreaterThan(10);
    expect(coolingAnswer({ ...ask, kg: 0 }, READY_KITS.cafe)).toBeUndefined();
    expect(coolingAnswer({ ...ask, ruleId: 'none' }, READY_KITS.cafe)).toBeUndefined();
  });
});
