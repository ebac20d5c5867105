/**
 * `npm run truth`: a thousand batches in hidden kitchens through the code that the Stove uses, and how often it kept its word.
 * With `--keep` the figures are written where the Bench shows them from.
 */
import { writeFileSync } from 'node:fs';
import { LOOSELY, bodyWithin, keptWordOf, salted, share } from '../spec/kept-word.js';
import { BY_EYE, WITH_METERS, fortyBowls } from '../spec/kitchens.js';
import { BODY_WITHIN, SALT_WITHIN_PCT } from '@tureen/core/batch';
import { CORE_VERSION } from '@tureen/core/plan';
import { SimulatedCook, type Ended, type KeptFigures, type KeptGoal } from '@tureen/core/practice';
import { EXAMPLE_SOUPS } from '@tureen/core/soup';

const BATCHES = Number(process.env.BATCHES ?? 1000);
const SAMPLES = 400;
const COOKS_FROM = 5000;
const ODDS_FROM = 9000;
/** Kitchens of each soup that a plan's own bands are held against, and how far a share of so many strays by itself, two in three times. */
const IN_EACH = 300;
const SAMPLES_IN_EACH = 2000;
const STRAYS = 0.03;
const KEPT_IN = 'core/src/practice/kept-figures.json';

const plans = EXAMPLE_SOUPS.map((soup) => fortyBowls(soup));
const each = Math.max(1, Math.ceil(BATCHES / plans.length / 3));

function cooked(kitchen: typeof WITH_METERS): Ended[] {
  return plans.flatMap((plan) =>
    Array.from({ length: each }, (_, n) => new SimulatedCook(plan, { seed: COOKS_FROM + n, instruments: kitchen }).cook()),
  );
}

function landed(
  name: string,
  ends: readonly Ended[],
  { within, bodyLeast, saltLeast }: { within: number; bodyLeast: number; saltLeast: number },
): KeptGoal[] {
  const wanted = ends.filter(({ bodyFactor }) => bodyFactor !== undefined);
  return [
    {
      name: `${name}: body within ${String(within)} times of what is wanted`,
      share: share(wanted, bodyWithin(within)),
      least: bodyLeast,
      most: 1,
    },
    { name: `${name}: salt within ${String(SALT_WITHIN_PCT)} points`, share: share(ends, salted), least: saltLeast, most: 1 },
    { name: `${name}: 90 % band of the kilos held`, share: share(ends, ({ held }) => held.mass), least: 0.85, most: 1 },
    { name: `${name}: 90 % band of the body held`, share: share(ends, ({ held }) => held.body), least: 0.85, most: 1 },
  ];
}

const odds = keptWordOf(plans, each, ODDS_FROM, SAMPLES);
const bySoup = plans.map((plan) => ({ plan, kept: keptWordOf([plan], IN_EACH, ODDS_FROM, SAMPLES_IN_EACH) }));

/** Soups whose own bands hold too little or too much, over all that plans say of them. */
function bySoupGoals(name: string, of: 'half' | 'most', least: number, most: number): KeptGoal {
  const all = bySoup.flatMap(({ kept }) => kept.map((one) => one[of]));
  return { name, share: share(all, (held) => held >= least - STRAYS && held <= most + STRAYS), least: 0.95, most: 1 };
}

const mean = (of: (one: (typeof odds)[number]) => number): number => odds.reduce((sum, one) => sum + of(one), 0) / odds.length;
const goals: KeptGoal[] = [
  ...landed('scale, viscometer, meter', cooked(WITH_METERS), { within: BODY_WITHIN, bodyLeast: 0.93, saltLeast: 0.95 }),
  ...landed('dip and spoon', cooked(BY_EYE), { within: LOOSELY, bodyLeast: 0.9, saltLeast: 0.9 }),
  { name: 'odds of a plan: 50 % bands held', share: mean(({ half }) => half), least: 0.42, most: 0.68 },
  { name: 'odds of a plan: 90 % bands held', share: mean(({ most }) => most), least: 0.84, most: 0.97 },
  bySoupGoals('of bowls, salt and body in each soup: 50 % bands hold 40 to 60', 'half', 0.4, 0.6),
  bySoupGoals('of bowls, salt and body in each soup: 90 % bands hold 85 to 95', 'most', 0.85, 0.95),
];
const batches = each * plans.length * 3;
process.stdout.write(`core ${CORE_VERSION}, ${String(batches)} batches of ${String(plans.length)} soups\n`);
const off = goals.filter(({ share: held, least, most }) => held < least || held > most);
for (const goal of goals) {
  const { name, share: held, least, most } = goal;
  const wanted = most < 1 ? `${(least * 100).toFixed(0)} to ${(most * 100).toFixed(0)}` : `at least ${(least * 100).toFixed(0)}`;
  process.stdout.write(
    `${off.includes(goal) ? '✗' : '✓'} ${name.padEnd(66)} ${(held * 100).toFixed(1).padStart(5)} %   wanted ${wanted} %\n`,
  );
}
for (const { of, said, came, off: strays } of odds) {
  const pairs = said.map((pct, n) => `${String(pct)}: ${(came[n] ?? 0).toFixed(0)}`).join(', ');
  process.stdout.write(
    `  ${of.padEnd(6)} said to end below, % and did: ${pairs}; off the middle by ${(strays * 100).toFixed(1)} %\n`,
  );
}
const pct = (part: number): string => (part * 100).toFixed(0);
for (const { plan, kept } of bySoup) {
  const rows = kept.map(({ of, half, most }) => `${of} ${pct(half)} and ${pct(most)}`);
  process.stdout.write(
    `  ${plan.snapshot.soup.id.padEnd(26)} in ${String(IN_EACH)} kitchens, 50 and 90 % bands held: ${rows.join(', ')}\n`,
  );
}
if (process.argv.includes('--keep')) {
  const round = (value: number): number => Math.round(value * 1000) / 1000;
  const figures: KeptFigures = {
    date: new Date().toISOString().slice(0, 10),
    coreVersion: CORE_VERSION,
    batches,
    soups: plans.length,
    odds: odds.map(({ of, said, came, off: strays }) => ({ of, said: [...said], came: came.map(round), off: round(strays) })),
    goals: goals.map((goal) => ({ ...goal, share: round(goal.share) })),
  };
  writeFileSync(KEPT_IN, `${JSON.stringify(figures, undefined, 2)}\n`);
}
if (off.length > 0) process.exitCode = 1;
