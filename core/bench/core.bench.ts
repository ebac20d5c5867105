import { READY_KITS } from '@tureen/core/kit';
import { LARDER_ROWS } from '@tureen/core/larder';
import { run } from '@tureen/core/line';
import { makePlan, type Planned } from '@tureen/core/plan';
import { EXAMPLE_SOUPS, type Branch, type SoupStep } from '@tureen/core/soup';
import { scaleForBowls } from '@tureen/core/solve';
import { foldBatch } from '@tureen/core/batch';

interface Line {
  readonly name: string;
  readonly figure: string;
  readonly goal: string;
}

const ROUNDS = 41;

/** Median over rounds of the mean time of one call, in microseconds; the first rounds warm up and are left out. */
function medianUs(calls: number, job: () => unknown): number {
  const times: number[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    const started = performance.now();
    for (let n = 0; n < calls; n++) job();
    times.push(((performance.now() - started) * 1000) / calls);
  }
  return times.slice(10).sort((a, b) => a - b)[Math.floor((ROUNDS - 10) / 2)] ?? Number.NaN;
}

const soup = EXAMPLE_SOUPS[0];
if (soup === undefined) throw new Error('An example soup is needed.');
const planning = makePlan(soup, LARDER_ROWS, READY_KITS.canteen, { bowls: 80, bowlG: 300, potId: 'boiler-40' });
if (!planning.ok) throw new Error(planning.error.code);
const { plan } = planning;

/** The same line with nothing that softens: what the balance alone costs. */
function unsoftened(planned: Planned): Planned['ready'] {
  const lines = planned.ready.lines.map((own) => ({
    ...own,
    line: { ...own.line, ingredient: { ...own.line.ingredient, row: { ...own.line.ingredient.row, softening: 0 } } },
  }));
  return { ...planned.ready, lines };
}

const balance = unsoftened(plan);
const steps = (branch: Branch): number =>
  branch.steps.reduce((sum: number, step: SoupStep) => sum + (step.op === 'join' ? steps(step.branch) + 1 : 1), 0);
const size = `${String(soup.lines.length)} lines, ${String(steps(soup.root))} steps`;
const us = (value: number): string => `${value.toFixed(0)} µs`;
const lines: Line[] = [
  {
    name: `one forward run with cohorts and softening (${size})`,
    figure: us(medianUs(400, () => run(plan.ready, 8.4))),
    goal: '50 µs',
  },
  { name: `one forward run, the balance alone (${size})`, figure: us(medianUs(400, () => run(balance, 8.4))), goal: '5 µs' },
  {
    name: 'backward solve, 80 bowls to amounts',
    figure: `${(medianUs(20, () => scaleForBowls(plan.ready, 80)) / 1000).toFixed(2)} ms`,
    goal: '5 ms',
  },
  {
    name: 'folding a batch with nothing done',
    figure: `${(medianUs(100, () => foldBatch(plan.snapshot, [], plan)) / 1000).toFixed(2)} ms`,
    goal: '–',
  },
];
process.stdout.write(JSON.stringify(lines));
