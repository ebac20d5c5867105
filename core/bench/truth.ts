/** `npm run truth`: a thousand batches in hidden kitchens through the code that the Stove uses, and how often it kept its word. */
import { SimulatedCook, type Ended } from '../spec/simulated-cook.js';
import { BY_EYE, WITH_METERS, fortyBowls } from '../spec/kitchens.js';
import { BODY_WITHIN, SALT_WITHIN_PCT } from '@tureen/core/batch';
import { oddsOf } from '@tureen/core/odds';
import { CORE_VERSION } from '@tureen/core/plan';
import { EXAMPLE_SOUPS } from '@tureen/core/soup';

const BATCHES = Number(process.env.BATCHES ?? 1000);
const LOOSELY = 1.5;

interface Goal {
  readonly name: string;
  readonly share: number;
  readonly least: number;
  readonly most: number;
}

const plans = EXAMPLE_SOUPS.map((soup) => fortyBowls(soup));
const each = Math.max(1, Math.ceil(BATCHES / plans.length / 3));

function share<T>(all: readonly T[], holds: (one: T) => boolean): number {
  return all.filter(holds).length / all.length;
}

function cooked(kitchen: typeof WITH_METERS): Ended[] {
  return plans.flatMap((plan) => Array.from({ length: each }, (_, n) => new SimulatedCook(plan, 5000 + n, kitchen).cook()));
}

function landed(name: string, ends: readonly Ended[], factor: number, least: number): Goal[] {
  const bodies = ends.flatMap(({ bodyFactor }) => bodyFactor ?? []);
  const salts = ends.flatMap(({ saltOffPct }) => saltOffPct ?? []);
  return [
    {
      name: `${name}: body within ${String(factor)} of what is wanted`,
      share: share(bodies, (b) => Math.abs(Math.log(b)) <= Math.log(factor)),
      least,
      most: 1,
    },
    {
      name: `${name}: salt within ${String(SALT_WITHIN_PCT)} points`,
      share: share(salts, (off) => Math.abs(off) <= SALT_WITHIN_PCT),
      least: least - 0.05,
      most: 1,
    },
    { name: `${name}: 90 % band of the kilos held`, share: share(ends, ({ held }) => held.mass), least: 0.78, most: 1 },
    { name: `${name}: 90 % band of the body held`, share: share(ends, ({ held }) => held.body), least: 0.8, most: 1 },
  ];
}

/** How often the plan's bands of a share held what came of it without a look. */
function reliability(): Goal[] {
  const inside = { half: 0, most: 0, all: 0 };
  for (const plan of plans) {
    const { bands } = oddsOf(plan.prepared, plan.snapshot.scale, { seed: 1, samples: 400, held: 'amounts' });
    for (let n = 0; n < each; n++) {
      const came = new SimulatedCook(plan, 9000 + n, BY_EYE).asPlanned();
      for (const [value, band] of [
        [came.bowls, bands.bowls],
        [came.saltPct, bands.saltPct],
        [came.mPas, bands.bodyMPas],
      ] as const) {
        inside.half += Number(value >= band.p25 && value <= band.p75);
        inside.most += Number(value >= band.p5 && value <= band.p95);
        inside.all += 1;
      }
    }
  }
  return [
    { name: 'odds of a plan: 50 % bands held', share: inside.half / inside.all, least: 0.42, most: 0.68 },
    { name: 'odds of a plan: 90 % bands held', share: inside.most / inside.all, least: 0.84, most: 0.97 },
  ];
}

const goals = [
  ...landed('scale, viscometer, meter', cooked(WITH_METERS), BODY_WITHIN, 0.93),
  ...landed('dip and spoon', cooked(BY_EYE), LOOSELY, 0.85),
  ...reliability(),
];
process.stdout.write(`core ${CORE_VERSION}, ${String(each * plans.length * 3)} batches of ${String(plans.length)} soups\n`);
const off = goals.filter(({ share: held, least, most }) => held < least || held > most);
for (const goal of goals) {
  const { name, share: held, least, most } = goal;
  const wanted = most < 1 ? `${(least * 100).toFixed(0)} to ${(most * 100).toFixed(0)}` : `at least ${(least * 100).toFixed(0)}`;
  process.stdout.write(
    `${off.includes(goal) ? '✗' : '✓'} ${name.padEnd(62)} ${(held * 100).toFixed(1).padStart(5)} %   wanted ${wanted} %\n`,
  );
}
if (off.length > 0) process.exitCode = 1;
