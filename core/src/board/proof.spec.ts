import { faultsOf } from '../../spec/day-checker.js';
import { latestFirstStart } from '../../spec/every-start.js';
import { dice, randomDay, randomWork } from '../../spec/random-days.js';
import { READY_KITS } from '../kit/index.js';
import { loadSolver } from '../solver/index.js';
import type { DayWork } from './arrange.js';
import type { Block } from './blocks.js';
import { lanesOf } from './lanes.js';
import { provePlan } from './proof.js';
import { planDay } from './search.js';

/** Most days take less than three seconds; a loaded machine is given more. */
const PROOF_S = 60;

describe('a day against every start of everything', () => {
  const kit = READY_KITS.canteen;
  const onGrid = (seed: number): DayWork => {
    const throwDice = dice(seed * 7919);
    const inFives = (least: number, most: number): number => {
      // What is no minutes decides between kinds; what is minutes is a multiple of five.
      const thrown = throwDice(least, most);
      return most > 4 ? Math.max(5, Math.round(thrown / 5) * 5) : thrown;
    };
    const batches = ['a', 'b'].map((id, n) => {
      const work = randomWork(id, kit.pots[n]?.id ?? '', (least, most) => (most === 1 && least === 0 ? 1 : inFives(least, most)));
      const [blend, cook, trim] = ['blend', 'cook', 'trim-0'].map((name) => work.blocks.find((one) => one.id === `${id}/${name}`));
      if (blend === undefined || cook === undefined || trim === undefined) throw new Error('A made-up soup has these.');
      return { ...work, allergens: [], dueMin: 240, blocks: [withJug(blend), cook, trim] };
    });
    return { lanes: lanesOf(kit, { people: [{ id: 'jt', name: 'JT' }] }), batches, fromMin: 0 };
  };
  const withJug = (block: Block): Block => ({
    ...block,
    activities: block.activities.map((one) => (one.blender === undefined ? one : { ...one, blender: 'jug' as const })),
  });

  it('is never better than that, never said to be able to, and nearly always as good', () => {
    let best = 0;
    const days = 40;
    for (let seed = 1; seed <= days; seed++) {
      const work = onGrid(seed);
      const proved = latestFirstStart(work);
      const plan = planDay(work, 120, seed);
      expect(plan?.unplaced).withContext(String(seed)).toEqual([]);
      expect(plan?.arrangement.firstMin ?? Number.NaN)
        .withContext(String(seed))
        .toBeLessThanOrEqual(proved);
      expect(plan?.mostInHandMin ?? Number.NaN)
        .withContext(String(seed))
        .toBeGreaterThanOrEqual(proved);
      best += Number(plan?.arrangement.firstMin === proved);
    }
    process.stdout.write(`\ndays of two soups by every start: ${String(best)} of ${String(days)} laid out as well as can be\n`);
    expect(best / days).toBeGreaterThanOrEqual(0.9);
  });

  it('and where the solver says that no order is better, none is: by every start it is as good as can be', async () => {
    const solver = await loadSolver();
    for (let seed = 1; seed <= 12; seed++) {
      const work = onGrid(seed);
      const first = planDay(work, 1, seed);
      if (first === undefined) throw new Error('The day has soups.');
      const plan = provePlan(work, first, solver, PROOF_S, () => performance.now());
      const best = latestFirstStart(work);
      expect([plan.arrangement.firstMin, plan.mostInHandMin]).withContext(String(seed)).toEqual([best, best]);
      expect(faultsOf(work, plan.arrangement)).toEqual([]);
    }
  });
});

describe('days of three soups', () => {
  it('are proved as good as can be, eight of ten at least, each in a way that can be done', async () => {
    const solver = await loadSolver();
    let proved = 0;
    let open = 0;
    const days = 10;
    for (let seed = 8; seed < 8 + days; seed++) {
      const day = randomDay(seed * 31, 3);
      const first = planDay(day, 400);
      if (first === undefined) throw new Error('The day has soups.');
      expect(first.unplaced).toEqual([]);
      if (first.inHandMin < first.mostInHandMin) open += 1;
      const plan = provePlan(day, first, solver, PROOF_S, () => performance.now());
      expect(faultsOf(day, plan.arrangement, plan.lateMin))
        .withContext(String(seed))
        .toEqual([]);
      expect(plan.inHandMin).toBeGreaterThanOrEqual(first.inHandMin);
      expect(plan.inHandMin).toBeLessThanOrEqual(plan.mostInHandMin);
      proved += Number(plan.inHandMin === plan.mostInHandMin);
    }
    process.stdout.write(
      `\ndays of three soups: ${String(proved)} of ${String(days)} proved, ${String(open)} of them by the solver\n`,
    );
    expect(open).toBeGreaterThan(1);
    expect(proved).toBeGreaterThanOrEqual(8);
  });
});

describe('days of eight soups', () => {
  it('are laid out within a fiftieth of what no order can better, nearly all of them', () => {
    let onTime = 0;
    let near = 0;
    for (let seed = 1; seed <= 20; seed++) {
      const day = randomDay(seed * 31, 8);
      const plan = planDay(day, 400);
      if (plan === undefined || plan.lateMin.size > 0 || plan.unplaced.length > 0) continue;
      onTime += 1;
      const lastMin = Math.max(...day.batches.map(({ dueMin }) => dueMin));
      near += Number(plan.mostInHandMin - plan.inHandMin <= 0.02 * (lastMin - day.fromMin - plan.mostInHandMin));
    }
    process.stdout.write(`\ndays of eight soups: ${String(near)} of ${String(onTime)} within 2 % of the bound\n`);
    expect(onTime).toBeGreaterThan(10);
    expect(near / onTime).toBeGreaterThan(0.8);
  });
});

describe('a day that is late', () => {
  it('is put on time by the solver where some order of work is, or proved to be late by any', async () => {
    const solver = await loadSolver();
    const day = randomDay(16 * 31, 3);
    const on = planDay(day, 400);
    if (on === undefined) throw new Error('The day has soups.');
    const best = provePlan(day, on, solver, PROOF_S, () => performance.now());
    const fromMin = best.arrangement.firstMin;
    // Begun as late as is possible at all, what the first orders make of it is late.
    const late = planDay({ ...day, fromMin }, 1);
    if (late === undefined) throw new Error('The day has soups.');
    const rescued = provePlan({ ...day, fromMin }, late, solver, PROOF_S, () => performance.now());
    expect(rescued.lateMin.size).toBe(0);
    expect(faultsOf(day, rescued.arrangement)).toEqual([]);
    const tooLate = planDay({ ...day, fromMin: fromMin + 5 }, 40);
    if (tooLate === undefined) throw new Error('The day has soups.');
    const denied = provePlan({ ...day, fromMin: fromMin + 5 }, tooLate, solver, PROOF_S, () => performance.now());
    expect(denied.lateMin.size).toBeGreaterThan(0);
    expect(denied.mostInHandMin).toBeLessThan(0);
  });
});
