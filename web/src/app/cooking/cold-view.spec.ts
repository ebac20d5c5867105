import { READY_KITS } from '@tureen/core/kit';
import { coolingAnswer, watchAnswer, type WatchQuestion } from './cold-view';

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
      expect(way.curve.middle[0]).toEqual({ x: 0, y: 80 });
      for (const mark of way.curve.rule.slice(1)) {
        const at = way.curve.middle.findLast(({ x }) => x <= mark.x);
        expect(at?.y ?? 100)
          .withContext(way.words)
          .toBeLessThanOrEqual(mark.y + 0.5);
      }
      expect(way.stages.every(({ isMet }) => isMet)).toBeTrue();
    }
  });

  it('says what shelf and hands each way takes; lids and neighbours want it shallower or in more pans', () => {
    const fridge = { ...READY_KITS.cafe, coldPlaces: (READY_KITS.cafe.coldPlaces ?? []).filter(({ id }) => id === 'fridge') };
    const open = coolingAnswer({ ...ask, kg: 8 }, fridge);
    const shut = coolingAnswer({ ...ask, kg: 8, hindered: ['covered', 'stacked'] }, fridge);
    expect(open?.ways[0]?.takes).toMatch(/^takes \d+\.\d m² of shelf and (?:\d+ h )?\d+ min of somebody’s hands$/);
    expect(shut?.ways[0]?.pans.length ?? 0).toBeGreaterThan(open?.ways[0]?.pans.length ?? 99);
  });

  it('ice in place of liquid to come: heavier, cooler at once; and where nothing meets the rule, how much would do', () => {
    const iced = coolingAnswer({ ...ask, iceKg: 2 }, READY_KITS.canteen);
    expect(iced?.iced?.kg).toBe(12);
    expect(iced?.iced?.startC ?? 80).toBeLessThan(62);
    expect(iced?.ways[0]?.pans.reduce((sum, { kg }) => sum + kg, 0)).toBeCloseTo(12, 6);
    const pans = (READY_KITS.cafe.pans ?? []).slice(0, 1).map((pan) => ({ ...pan, count: 2 }));
    const coldPlaces = (READY_KITS.cafe.coldPlaces ?? []).filter(({ id }) => id === 'fridge');
    const short = coolingAnswer({ ...ask, kg: 9 }, { ...READY_KITS.cafe, pans, coldPlaces });
    expect(short?.isMet).toBeFalse();
    expect(short?.iceWords).toMatch(
      /^With [\d.]+ kg of its 9 kg held back when it is let down, and stirred in as ice, it stands at \d+ °C at once/,
    );
  });

  it('says how shallow it would have to lie where nothing meets the rule, and nothing for no soup', () => {
    const answer = coolingAnswer({ ...ask, kg: 500 }, READY_KITS.cafe);
    expect(answer?.isMet).toBeFalse();
    expect(answer?.ways).toEqual([]);
    expect(answer?.holdsKg ?? 500).toBeLessThan(500);
    expect(answer?.deepestMm ?? 0).toBeGreaterThan(10);
    expect(coolingAnswer({ ...ask, kg: 0 }, READY_KITS.cafe)).toBeUndefined();
    expect(coolingAnswer({ ...ask, ruleId: 'none' }, READY_KITS.cafe)).toBeUndefined();
  });
});

describe('a pan that is watched', () => {
  const deep: WatchQuestion = {
    depthM: 0.06,
    placeId: 'walk-in',
    isStirred: false,
    startC: 75,
    ruleId: 'two-stage',
    nowMin: 20,
    readings: [],
  };

  it('is told to be too slow while something can still be done, with until when and what comes of it', () => {
    const answer = watchAnswer(deep, READY_KITS.canteen);
    expect(answer?.stages[0]?.state).toBe('too slow');
    const [first] = answer?.rescues ?? [];
    expect(first).toBeDefined();
    for (const rescue of answer?.rescues ?? []) {
      expect(rescue.lastMin).toBeGreaterThanOrEqual(20);
      expect(rescue.thenMin).toBeLessThanOrEqual(answer?.stages[0]?.byMin ?? 0);
    }
    expect(answer?.missed).toBeUndefined();
  });

  it('covered and stacked, it is freed first, where it stands', () => {
    const free = watchAnswer({ ...deep, depthM: 0.03 }, READY_KITS.canteen);
    const shut = watchAnswer({ ...deep, depthM: 0.03, hindered: ['covered', 'stacked'] }, READY_KITS.canteen);
    expect(shut?.stages[0]?.middleMin ?? 0).toBeGreaterThan((free?.stages[0]?.middleMin ?? 0) * 1.15);
    expect(shut?.rescues[0]?.words).toBe('Lid off, and set apart from the others');
    expect(free?.rescues.map(({ words }) => words)).not.toContain('Lid off, and set apart from the others');
  });

  it('says what the rule asks for when it is too late, and nothing to do when it is in time', () => {
    const late = watchAnswer({ ...deep, nowMin: 600 }, READY_KITS.cafe);
    expect(late?.rescues).toEqual([]);
    expect(late?.missed).toContain('throw it away');
    const shallow = watchAnswer({ ...deep, depthM: 0.018 }, READY_KITS.canteen);
    expect(shallow?.stages.map(({ state }) => state)).toEqual(['in time', 'in time']);
    expect(shallow?.rescues).toEqual([]);
  });

  it('goes by what is read, and names a reading that is a slip', () => {
    const cold = watchAnswer(
      {
        ...deep,
        readings: [
          { minute: 30, tempC: 58 },
          { minute: 60, tempC: 42 },
        ],
      },
      READY_KITS.canteen,
    );
    const plain = watchAnswer(deep, READY_KITS.canteen);
    expect(cold?.stages[0]?.middleMin ?? Infinity).toBeLessThan(plain?.stages[0]?.middleMin ?? 0);
    const readings = [20, 40, 60].map((minute) => ({ minute, tempC: 73 - minute / 10 }));
    const odd = watchAnswer({ ...deep, readings: [...readings, { minute: 50, tempC: 20 }] }, READY_KITS.canteen);
    expect(odd?.odd).toEqual([{ minute: 50, tempC: 20 }]);
  });
});
