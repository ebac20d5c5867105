import fc from 'fast-check';
import { canteen, prepared } from '../../spec/pots.js';
import { EXAMPLE_SOUPS } from '../soup/index.js';
import { minutesOf, timeline, run, type Task } from './index.js';

const task = (stepId: string, minutes: number, more: Partial<Task> = {}): Task => ({
  stepId,
  branchId: 'pot',
  minutes,
  attention: 0.1,
  atBoard: false,
  rounds: 1,
  after: undefined,
  ...more,
});
const cut = (stepId: string, minutes: number, branchId = 'pot'): Task =>
  task(stepId, minutes, { atBoard: true, attention: 1, branchId });

describe('how long it takes', () => {
  it('one hand cuts the second thing while the first sweats: 6 + 10, in which 5 of 12 minutes are cut, and 7 more', () => {
    // A sweat holds half a hand: in its ten minutes five of the second twelve are cut.
    const tasks = [cut('leek', 6), task('sweat', 10, { attention: 0.5 }), cut('potato', 12), task('simmer', 20)];
    const overAt = timeline(tasks, 1);
    expect(overAt.get('sweat')).toBeCloseTo(16, 9);
    expect(overAt.get('potato')).toBeCloseTo(23, 9);
    expect(overAt.get('simmer')).toBeCloseTo(43, 9);
  });

  it('the first tray is in while the next is cut: two rounds of 40 behind 30 minutes at the board are over after 95', () => {
    const tasks = [cut('beet', 30), task('roast', 80, { rounds: 2, attention: 0 })];
    expect(minutesOf(tasks, 1)).toBeCloseTo(15 + 80, 9);
    // Where the board is the slower one, the oven waits for it: 60 minutes of cutting, then the second round of 40.
    expect(minutesOf([cut('beet', 60), task('roast', 40, { rounds: 2, attention: 0 })], 1)).toBeCloseTo(60 + 20, 9);
  });

  it('two hands cut in half the time, and a branch that joins is waited for', () => {
    expect(minutesOf([cut('a', 30), task('simmer', 20)], 2)).toBeCloseTo(35, 9);
    const tasks = [
      cut('beet', 10, 'tray'),
      task('roast', 50, { branchId: 'tray', attention: 0 }),
      task('in', 0, { after: 'tray' }),
      task('blend', 5, { attention: 1 }),
    ];
    expect(minutesOf(tasks, 1)).toBeCloseTo(65, 9);
  });

  it('property: never shorter than its longest branch nor than the work of the hands, never longer than one after the other; every step ends', () => {
    const one = fc.record({
      minutes: fc.double({ min: 0, max: 60, noNaN: true }),
      attention: fc.constantFrom(0, 0.1, 0.5, 1),
      atBoard: fc.boolean(),
      rounds: fc.constantFrom(1, 2, 3),
      branchId: fc.constantFrom('pot', 'tray', 'pan'),
    });
    fc.assert(
      fc.property(fc.array(one, { minLength: 1, maxLength: 12 }), fc.constantFrom(1, 2, 4), (drawn, hands) => {
        const tasks = drawn.map((own, n): Task => ({ ...own, stepId: `s${String(n)}`, after: undefined }));
        const overAt = timeline(tasks, hands);
        expect(overAt.size).toBe(tasks.length);
        const all = Math.max(0, ...overAt.values());
        const inARow = tasks.reduce((sum, { minutes }) => sum + minutes, 0);
        const handsMin =
          tasks.reduce((sum, { minutes, attention, atBoard }) => sum + minutes * (atBoard ? 1 : attention), 0) / hands;
        const longest = Math.max(
          ...['pot', 'tray', 'pan'].map((branch) =>
            tasks.reduce((sum, { minutes, atBoard, branchId }) => (branchId === branch && !atBoard ? sum + minutes : sum), 0),
          ),
        );
        expect(all).toBeLessThanOrEqual(inARow + 1e-6);
        expect(all).toBeGreaterThanOrEqual(Math.max(longest, handsMin) - 1e-6);
      }),
      { numRuns: 300 },
    );
  });

  it('eighty bowls take a canteen about two and three quarter hours, and no soup takes it five', () => {
    for (const soup of EXAMPLE_SOUPS) {
      const hours =
        run(
          prepared(soup, 'boiler-98'),
          (80 * soup.writtenFor.bowlG) / 1000 / ((soup.writtenFor.bowls * soup.writtenFor.bowlG) / 1000),
        ).minutes / 60;
      expect(hours).withContext(soup.id).toBeLessThan(4);
      if (soup.id === 'beetroot-horseradish') {
        expect(hours).toBeGreaterThan(2.2);
        expect(hours).toBeLessThan(3.3);
      }
    }
    expect(canteen.hands).toBe(2);
  });
});
