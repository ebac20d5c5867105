import { LARDER_ROWS, makeLarder, type Mix } from '@tureen/core/larder';
import { enthalpyJ, temperatureC, volumeM3 } from '@tureen/core/pot';
import { READY_KITS, type Kit } from '@tureen/core/kit';
import { prepareSoup, run, type PreparedSoup } from '@tureen/core/runner';
import { makePlan, type Planned } from '@tureen/core/plan';
import { EXAMPLE_SOUPS, type Branch, type Soup, type SoupStep } from '@tureen/core/soup';
import { land, roundTogether, scaleForBowls, unitsOf } from '@tureen/core/solve';
import { loadSolver } from '@tureen/core/solver';
import { asCooked, foldBatch } from '@tureen/core/batch';
import { evidenceOfBatch, learn, reconcile, type BatchEvidence } from '@tureen/core/learn';
import { oddsOf } from '@tureen/core/odds';
import { namesOf, readLine } from '@tureen/core/amounts';
import { COOLING_RULES, USUAL_MIX, USUAL_PANS, USUAL_PLACES, forecastCooling, splitPlans, stuffOf } from '@tureen/core/cold';
import { arrange, planDay } from '@tureen/core/board';
import { readRecipe } from '@tureen/core/method';
import { HiddenKitchen } from '@tureen/core/practice';
import { WITH_METERS, cookedBy, fortyBowls } from '../spec/kitchens.js';
import { randomDay } from '../spec/random-days.js';
import { PASTED } from '../spec/pasted.js';

interface Line {
  readonly name: string;
  readonly figure: string;
  readonly goal: string;
}

const ROUNDS = 41;

/** Median over rounds of the mean time of one call, in microseconds; the first rounds warm up and are left out. */
function medianUs(calls: number, job: () => unknown, rounds = ROUNDS): number {
  const times: number[] = [];
  for (let round = 0; round < rounds; round++) {
    const started = performance.now();
    for (let n = 0; n < calls; n++) job();
    times.push(((performance.now() - started) * 1000) / calls);
  }
  const warm = Math.floor(rounds / 4);
  return times.slice(warm).sort((a, b) => a - b)[Math.floor((rounds - warm) / 2)] ?? Number.NaN;
}

const soup = EXAMPLE_SOUPS[0];
if (soup === undefined) throw new Error('An example soup is needed.');
const kit: Kit = READY_KITS.canteen;
const planning = makePlan(soup, LARDER_ROWS, kit, { bowls: 80, bowlG: 300, potId: 'boiler-40' });
if (!planning.ok) throw new Error(planning.error.code);
const { plan } = planning;
const larder = makeLarder(LARDER_ROWS);

/** The same line with nothing that softens: what the balance alone costs. */
function unsoftened(planned: Planned): Planned['prepared'] {
  const lines = planned.prepared.lines.map((own) => ({
    ...own,
    line: { ...own.line, ingredient: { ...own.line.ingredient, row: { ...own.line.ingredient.row, softening: 0 } } },
  }));
  return { ...planned.prepared, lines };
}

const SOLIDS = ['carrot', 'onion', 'celery', 'potato', 'leek', 'parsnip', 'swede', 'turnip', 'celeriac', 'fennel'];

/** A pot of so many ingredients and steps; steps beyond the first few are simmers, so that growth is one step's. */
function grown(ingredients: number, steps: number): PreparedSoup {
  const lines = Array.from({ length: ingredients }, (_, n) => ({
    id: `l${String(n)}`,
    ingredient: n === 0 ? 'water' : (SOLIDS[n % SOLIDS.length] ?? 'carrot'),
    cut: { shape: 'cube' as const, sizeMm: 12, name: 'dice' },
    amount: { rule: 'scaled' as const, amount: { value: n === 0 ? 4 : 0.3, unit: 'kg' as const } },
  }));
  const all: SoupStep[] = [{ id: 'in', op: 'add', uses: lines.map(({ id }) => ({ line: id })) }];
  for (let n = all.length; n < steps - 2; n++)
    all.push({ id: `s${String(n)}`, op: 'simmer', minutes: 3, vigour: 'steady', lid: 'on' });
  all.push({ id: 'blend', op: 'blend', blender: 'jug', minutes: 2 }, { id: 'dish', op: 'dish' });
  const made: Soup = {
    id: 'grown',
    name: 'Grown',
    lead: 'Carrot',
    school: 'sweat',
    served: 'hot',
    writtenFor: { bowls: 10, bowlG: 300 },
    lines,
    root: { id: 'pot', name: 'Pot', vessel: 'pot', steps: all },
  };
  const preparation = prepareSoup(made, larder, kit, 'boiler-40', 0.3);
  if (!preparation.ok) throw new Error(JSON.stringify(preparation.problems));
  return preparation.prepared;
}

const WRITTEN = [
  '1 1/2 cups onion, diced',
  '2-3 cloves of garlic',
  '500 g butternut squash, peeled',
  '1 28-ounce can tomatoes',
  'half a litre of vegetable stock',
  'salt to taste',
  '3 tbsp olive oil',
  '2 large beetroot, peeled',
  '250 ml cream',
  'a bunch of mint',
];

const balance = unsoftened(plan);
const steps = (branch: Branch): number =>
  branch.steps.reduce((sum: number, step: SoupStep) => sum + (step.op === 'join' ? steps(step.branch) + 1 : 1), 0);
const size = `${String(soup.lines.length)} lines, ${String(steps(soup.root))} steps`;
const us = (value: number): string => `${value.toFixed(0)} µs`;
const ms = (value: number): string => `${(value / 1000).toFixed(2)} ms`;

const cache = new Map<string, PreparedSoup>();
function grownTo(ingredients: number, count: number): PreparedSoup {
  const key = `${String(ingredients)} ${String(count)}`;
  const have = cache.get(key) ?? grown(ingredients, count);
  cache.set(key, have);
  return have;
}

const twelve = grown(12, 10);
const twelveBare = {
  ...twelve,
  lines: twelve.lines.map((own) => ({
    ...own,
    line: { ...own.line, ingredient: { ...own.line.ingredient, row: { ...own.line.ingredient.row, softening: 0 } } },
  })),
};
/**
 * The same balance written straight down for this one pot, with nothing looked up and nothing kept: what the runner's
 * figures are to be held against, since they depend on the machine and this does not.
 */
function straightLine(prepared: PreparedSoup, scale: number): number {
  const { vessel, parameters, bowlKg } = prepared;
  const mix = [0, 0, 0, 0, 0, 0, 0, 0, 0, 0];
  let joules = 0;
  for (const { line } of prepared.lines) {
    const kg = line.massKg * scale;
    const { perKg, row } = line.ingredient;
    for (let n = 0; n < 10; n++) mix[n] = (mix[n] ?? 0) + (perKg[n] ?? 0) * kg;
    joules += enthalpyJ(perKg, Math.max(0, row.storedAtC)) * kg;
  }
  const pot = mix as unknown as Mix;
  let tempC = temperatureC(pot, joules, 20);
  let minutes = 0;
  const area = (Math.PI * vessel.widthM ** 2) / 4;
  for (let n = 0; n < 7; n++) {
    const level = volumeM3(pot, tempC) / area;
    const wallW = 10 * Math.PI * vessel.widthM * Math.min(level, vessel.depthM) * Math.max(0, (tempC + prepared.boilC) / 2 - 20);
    minutes += (enthalpyJ(pot, prepared.boilC) - enthalpyJ(pot, tempC)) / (vessel.burnerW * vessel.efficiency - wallW) / 60 + 3;
    tempC = prepared.boilC;
    mix[0] = (mix[0] ?? 0) - ((12 * parameters.boilOff * parameters.lidOn * area) / 3600) * 180;
  }
  const kg = mix.reduce((sum, part) => sum + part, 0);
  return (kg / bowlKg) * minutes;
}

const straightUs = medianUs(2000, () => straightLine(twelve, 2));
const fullUs = medianUs(400, () => run(twelve, 2));
const bareUs = medianUs(400, () => run(twelveBare, 2));
const times = (value: number): string => `${value.toFixed(1)} x`;

const lines: Line[] = [
  { name: 'the balance of 12 lines, 10 steps, written straight down', figure: `${straightUs.toFixed(1)} µs`, goal: '–' },
  {
    name: 'one forward run, cohorts, softening, body (12 lines, 10 steps)',
    figure: us(fullUs),
    goal: '40 µs',
  },
  {
    name: 'one forward run, the balance alone (12 lines, 10 steps)',
    figure: us(bareUs),
    goal: '5 µs',
  },
  { name: 'the balance alone, against the straight line', figure: times(bareUs / straightUs), goal: '2 x' },
  { name: `one forward run of the example (${size})`, figure: us(medianUs(400, () => run(plan.prepared, 8.4))), goal: '–' },
  { name: `the same, the balance alone`, figure: us(medianUs(400, () => run(balance, 8.4))), goal: '–' },
];
for (const count of [5, 10, 20, 40])
  lines.push({
    name: `growth: ${String(count)} ingredients, 10 steps`,
    figure: us(medianUs(100, () => run(grownTo(count, 10), 2))),
    goal: '–',
  });
for (const count of [5, 10, 20, 40])
  lines.push({
    name: `growth: 12 ingredients, ${String(count)} steps`,
    figure: us(medianUs(100, () => run(grownTo(12, count), 2))),
    goal: '–',
  });

lines.push({
  name: 'backward solve, 80 bowls to amounts',
  figure: ms(medianUs(20, () => scaleForBowls(plan.prepared, 80))),
  goal: '5 ms',
});
const kgOf = (id: string): number => plan.run.usedKg.get(id) ?? 0;
const units = unitsOf(plan.prepared, kgOf);
lines.push({
  name: 'rounding to what is bought and measured',
  figure: ms(medianUs(20, () => roundTogether(units, kgOf))),
  goal: '50 ms',
});

const solver = await loadSolver();
const pot = plan.run.records.at(-1)?.before;
if (pot === undefined) throw new Error('A pot to land is needed.');
const additions = ['water', 'vegetable-stock', 'fine-salt', 'double-cream', 'butter', 'sugar', 'lemon-juice', 'cornflour'].map(
  (id) => {
    const ingredient = larder.get(id);
    if (ingredient === undefined) throw new Error(id);
    return { id, ingredient, stepKg: id === 'fine-salt' ? 0.01 : 0.1, mostSteps: 60, cooked: id === 'cornflour', tempC: 15 };
  },
);
const bands = {
  salt: { low: 0.6, high: 0.7 },
  body: { low: 18, high: 24 },
  fat: { low: 2.5, high: 4 },
  sour: { low: 0.6, high: 2.5 },
};
const landing = { pot, servedC: 65, bodyA: 14, bands, additions, reduction: undefined, costPerReach: 0.1 };
lines.push({
  name: 'landing four gauges with eight additions',
  figure: ms(medianUs(1, () => land(landing, solver), 21)),
  goal: '30 ms',
});

/** Bytes that live objects and arrays hold, with what is dead cleared away first where that can be asked for. */
function heldBytes(): number {
  globalThis.gc?.();
  const { heapUsed, arrayBuffers } = process.memoryUsage();
  return heapUsed + arrayBuffers;
}

const started = performance.now();
oddsOf(plan.prepared, plan.snapshot.scale, { seed: 1, samples: 10_000, held: 'amounts' });
lines.push({
  name: '10,000 samples of the example’s odds',
  figure: `${((performance.now() - started) / 1000).toFixed(2)} s`,
  goal: '0.5 s',
});
const before = heldBytes();
let most = 0;
oddsOf(plan.prepared, plan.snapshot.scale, { seed: 1, samples: 10_000, held: 'amounts' }, (share) => {
  if (share > 0.97) most = Math.max(most, heldBytes() - before);
  return true;
});
lines.push({ name: 'memory that they hold', figure: `${(most / 1e6).toFixed(1)} MB`, goal: '–' });
lines.push({
  name: '10,000 samples of the pot of 12 lines, 10 steps',
  figure: `${(medianUs(1, () => oddsOf(twelve, 2, { seed: 1, samples: 2000, held: 'amounts' }), 5) / 200_000).toFixed(2)} s`,
  goal: '0.5 s',
});

const context = { larder, names: namesOf(LARDER_ROWS), country: 'gb' as const };
const hundred = Array.from({ length: 100 }, (_, n) => WRITTEN[n % WRITTEN.length] ?? '');
lines.push({
  name: 'parsing 100 recipe lines, none seen before',
  figure: ms(
    medianUs(
      1,
      () => {
        context.names.before.clear();
        return hundred.map((text) => readLine(text, context));
      },
      9,
    ),
  ),
  goal: '–',
});
const readAll = PASTED.map(({ country, text }) =>
  medianUs(
    1,
    () => {
      context.names.before.clear();
      return readRecipe(text, { id: 'bench', bowlG: 300 }, { ...context, country });
    },
    5,
  ),
).sort((a, b) => a - b);
lines.push({
  name: `reading one of ${String(readAll.length)} pasted recipes with its method, none of it seen before`,
  figure: ms(readAll[Math.floor(readAll.length / 2)] ?? Number.NaN),
  goal: '60 ms',
});
lines.push({ name: 'the slowest of them', figure: ms(readAll.at(-1) ?? Number.NaN), goal: '60 ms' });
lines.push({
  name: 'folding a batch with nothing done',
  figure: ms(medianUs(100, () => foldBatch(plan.snapshot, [], plan))),
  goal: '–',
});
const leek = EXAMPLE_SOUPS.find(({ id }) => id === 'leek-potato') ?? soup;
const forty = fortyBowls(leek);
const cooks = [1, 2, 3, 4, 5, 6, 7, 8].map((n) => cookedBy(forty, new HiddenKitchen(3), n, WITH_METERS).entries);
lines.push({
  name: 'what one batch teaches, made at its close',
  figure: ms(medianUs(1, () => evidenceOfBatch(asCooked(forty, cooks[0] ?? [])), 9)),
  goal: '–',
});
const one = cooks.flatMap((entries) => evidenceOfBatch(asCooked(forty, entries)) ?? []);
const eighty = Array.from({ length: 80 }, (_, n): BatchEvidence => {
  const own = one[n % one.length];
  if (own === undefined) throw new Error('Batches are needed.');
  // Ten soups of a kitchen: each with figures of its own beside those that they share.
  const keys = own.keys.map((key) => (key.includes('@soup') || key.startsWith('trim:') ? `${key}${String(n % 10)}` : key));
  return { ...own, keys, batchId: String(n), atMs: n * 86_400_000 };
});
lines.push({
  name: 'learning from 80 batches of ten soups',
  figure: ms(medianUs(1, () => learn(eighty), 9)),
  goal: '2 s; 200 ms after one more',
});
lines.push({
  name: 'reconciling an honest batch',
  figure: ms(medianUs(1, () => reconcile(forty, cooks[0] ?? [], LARDER_ROWS), 9)),
  goal: '–',
});
const slipped = cookedBy(forty, new HiddenKitchen(3), 1, WITH_METERS, (action) =>
  action.kind === 'weighed' ? { ...action, tareKg: 0 } : action,
).entries;
lines.push({
  name: 'finding what is wrong with one that is not',
  figure: ms(medianUs(1, () => reconcile(forty, slipped, LARDER_ROWS), 5)),
  goal: '–',
});
const cooling = stuffOf(USUAL_MIX, 1);
const [walkIn] = USUAL_PLACES.filter(({ id }) => id === 'walk-in');
const [twoStages] = COOLING_RULES;
if (walkIn !== undefined && twoStages !== undefined) {
  lines.push({
    name: 'a cooling forecast with its bands',
    figure: ms(
      medianUs(5, () => forecastCooling({ stuff: cooling, depthM: 0.04, startC: 80, place: walkIn, isStirred: false }, 5), 9),
    ),
    goal: '5 ms',
  });
  const ask = { kg: 18, stuff: cooling, startC: 80, pans: USUAL_PANS, places: USUAL_PLACES, rule: twoStages };
  lines.push({ name: 'a split plan over all places and pans', figure: ms(medianUs(1, () => splitPlans(ask), 9)), goal: '200 ms' });
}
for (const soups of [2, 4, 8, 16]) {
  const day = randomDay(soups, soups);
  const ids = day.batches.map(({ batchId }) => batchId);
  lines.push(
    {
      name: `a day of ${String(soups)} soups, its first order of work`,
      figure: ms(medianUs(1, () => arrange(day, { batchIds: ids, earlyMin: new Map() }), 9)),
      goal: '100 ms',
    },
    { name: `a day of ${String(soups)} soups, 120 orders`, figure: ms(medianUs(1, () => planDay(day, 120, 1), 3)), goal: '2 s' },
  );
}
process.stdout.write(JSON.stringify(lines));
