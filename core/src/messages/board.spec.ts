import { dayWith, wanted } from '../../spec/days.js';
import { randomDay } from '../../spec/random-days.js';
import { dayWork, planDay, plansIn, type Day, type DayPlan } from '../board/index.js';
import { READY_KITS } from '../kit/index.js';
import { LARDER_ROWS } from '../larder/index.js';
import { EXAMPLE_SOUPS } from '../soup/index.js';
import { dayProblemSentence, dayRows, dayVerdict, delayWords, limitWords, wayWords } from './board.js';

const KIT = READY_KITS.canteen;
const DAY = dayWith([wanted('beetroot-horseradish', 60, '12:00', 350), wanted('pea-lettuce-cold', 40)]);

function laid(day: Day): { plan: DayPlan; work: ReturnType<typeof dayWork>['work'] } {
  const { work } = dayWork(day, KIT, (id) => EXAMPLE_SOUPS.find((soup) => soup.id === id), plansIn(LARDER_ROWS, KIT));
  const plan = planDay(work);
  if (plan === undefined) throw new Error('The day has soups.');
  return { plan, work };
}

describe('a day by the clock', () => {
  const { plan, work } = laid(DAY);
  const rows = dayRows(plan, work.batches, work.lanes, 'metric');

  it('has every step of every plan in it once, in the order of the clock', () => {
    expect(rows.map(({ startMin }) => startMin)).toEqual([...rows.map(({ startMin }) => startMin)].sort((a, b) => a - b));
    const said = rows.map(({ what }) => what.toLowerCase()).join('\n');
    // What takes no time of its own stands with what does.
    for (const words of ['roast at', 'bay', 'horseradish', 'dill', 'lettuce', 'rapeseed oil', 'ladle into'])
      expect(said).withContext(words).toContain(words);
    expect(new Set(rows.map(({ id }) => id)).size).toBe(rows.length);
  });

  it('says pieces of one trimming as parts, trays of a roast, and who only looks', () => {
    const parts = rows.filter(({ what }) => what.includes('part 1 of'));
    expect(parts.length).toBeGreaterThan(0);
    const roast = rows.find(({ what }) => what.includes('oast at'));
    expect(roast?.what).toMatch(/\d trays?/);
    expect(roast?.where).toBe('Oven');
    expect(roast?.isLook).toBeTrue();
    const jugs = rows.find(({ where }) => where === 'Jug blender');
    expect(jugs?.isLook).toBeFalse();
    expect(jugs?.person).toMatch(/^(JT|MO)$/);
  });

  it('nothing may be over before it ends, and what comes next never starts before it may be', () => {
    for (const { id, endMin, byMin } of rows)
      expect(byMin)
        .withContext(id)
        .toBeGreaterThanOrEqual(endMin - 1e-9);
  });

  it('has the washing up between two soups, with what is washed off for whom', () => {
    for (let seed = 1; seed <= 60; seed++) {
      const day = randomDay(seed, 4);
      const own = planDay(day, 12, seed);
      if (own === undefined || own.arrangement.washes.length === 0) continue;
      const washes = dayRows(own, day.batches, day.lanes, 'metric').filter(({ id }) => id.startsWith('wash/'));
      expect(washes.length).toBe(own.arrangement.washes.length);
      for (const { what, blockId, person } of washes) {
        expect(what).toMatch(/^Wash the .+ well: soup-\d has .+, soup-\d has none$/);
        expect(blockId).toBe('');
        expect(person).toBeDefined();
      }
      return;
    }
    throw new Error('None of the made-up days washes anything.');
  });
});

describe('what is said of a day', () => {
  it('that is on time: how much is in hand, how much there could be, and what holds it', () => {
    const { plan, work } = laid(DAY);
    const { main, more } = dayVerdict(plan, work.batches, work.lanes);
    expect(main).toBe(`On time, with ${delayWords(plan.inHandMin)} in hand.`);
    expect(more).toContain('Tightest: ');
    if (plan.inHandMin < plan.mostInHandMin) expect(more).toContain(delayWords(plan.mostInHandMin));
    else expect(more).toContain('No order of work gives more');
  });

  it('that is late: how many soups, by how much, and what no order could better', () => {
    const { plan, work } = laid({ ...DAY, starts: '11:00' });
    const { main, more } = dayVerdict(plan, work.batches, work.lanes);
    expect(main).toMatch(/^(One soup is|2 soups are) late, by up to /);
    expect(more).toContain(`less than ${delayWords(-plan.mostInHandMin)} short`);
  });

  it('with work after its end, and none where it ends in time', () => {
    const { plan, work } = laid(DAY);
    expect(dayVerdict(plan, work.batches, work.lanes, 660).more).toContain('1 h after the day ends');
    expect(dayVerdict(plan, work.batches, work.lanes, 900).more).not.toContain('after the day ends');
  });

  it('on which something has no place names it', () => {
    const { plan, work } = laid(DAY);
    const { main } = dayVerdict({ ...plan, unplaced: ['pea'] }, work.batches, work.lanes);
    expect(main).toBe('No place for Pea & lettuce, cold.');
  });

  it('and of what holds it is in the words of a kitchen', () => {
    const { work } = laid(DAY);
    const words = (by: Parameters<typeof limitWords>[0]['by']): string =>
      limitWords({ latestMin: 0, by }, work.batches, work.lanes);
    expect(words({ kind: 'hands' })).toBe('the 2 pairs of hands');
    expect(words({ kind: 'oven' })).toBe('the oven');
    expect(words({ kind: 'blender', of: 'jug' })).toBe('the jug');
    expect(words({ kind: 'pot', potId: 'stockpot-20' })).toBe('the stockpot');
    expect(words({ kind: 'batch', batchId: 'beetroot' })).toBe('the length of Beetroot & horseradish itself');
  });

  it('minutes are said as a cook says them', () => {
    expect([0, 59, 60, 75, 120].map(delayWords)).toEqual(['0 min', '59 min', '1 h', '1 h 15 min', '2 h']);
  });
});

describe('ways out and what is wrong', () => {
  const { work } = laid(DAY);

  it('are imperatives, and roasting beforehand has its caution', () => {
    const words = (way: Parameters<typeof wayWords>[0]): string => wayWords(way, work.batches);
    expect(words({ kind: 'start', atMin: 405 })).toBe('Start at 06:45');
    expect(words({ kind: 'start', atMin: -60 })).toBe('Start at 23:00 the evening before');
    expect(words({ kind: 'fewer', batchId: 'pea', bowls: 32 })).toBe('Make 32 bowls of Pea & lettuce, cold');
    expect(words({ kind: 'roasted before', batchId: 'beetroot' })).toContain('cool it by its rule and keep it cold');
    expect(words({ kind: 'blender', of: 'stick' })).toBe('Borrow a stick blender');
  });

  it('a soup that is gone, or a pot that is, says what to do', () => {
    expect(dayProblemSentence({ code: 'NO_SUCH_SOUP', batchId: 'a' })).toContain('Take it off the day');
    expect(dayProblemSentence({ code: 'NO_POT_HOLDS_IT', batchId: 'a', error: undefined })).toContain('Choose another');
    const error = { code: 'TOO_FEW_FOR_POT', leastBowls: 9 } as const;
    expect(dayProblemSentence({ code: 'NO_POT_HOLDS_IT', batchId: 'a', error })).toContain('at least 9 bowls');
  });
});
