/** Simulated kitchens for specs of learning and of finding slips: a soup cooked some times by one kitchen that keeps its truth to itself. */
import { asCooked, type Action } from '../src/batch/index.js';
import { READY_KITS, potsBySize, type Kit } from '../src/kit/index.js';
import { LARDER_ROWS } from '../src/larder/index.js';
import { evidenceOfBatch, type BatchEvidence, type Learning } from '../src/learn/index.js';
import { planToBuy, type Planned } from '../src/plan/index.js';
import type { Soup } from '../src/soup/index.js';
import { HiddenKitchen, SimulatedCook, type Instruments } from '../src/practice/index.js';

export const WITH_METERS: Instruments = { mass: 'scale', body: 'viscometer', meter: true };
export const BY_EYE: Instruments = { mass: 'dip', body: 'spoon', meter: false };

const DAY_MS = 86_400_000;
const START_MS = 1_700_000_000_000;

/** Forty bowls of a soup in the smallest pot of the canteen that holds them. */
export function fortyBowls(soup: Soup, kit: Kit = READY_KITS.canteen): Planned {
  for (const { id } of potsBySize(kit)) {
    const planning = planToBuy(soup, LARDER_ROWS, kit, { bowls: 40, bowlG: soup.writtenFor.bowlG, potId: id });
    if (planning.ok) return planning.plan;
  }
  throw new Error(`${soup.id} fits no pot.`);
}

/** The canteen with what its batches have shown. */
export function kitOf({ figures, together }: Learning): Kit {
  return { ...READY_KITS.canteen, learned: { figures: [...figures], together: [...together] } };
}

/** A batch cooked by a kitchen, with every slip on record that `slip` makes. */
export function cookedBy(
  plan: Planned,
  hidden: HiddenKitchen,
  seed: number,
  kitchen: Instruments,
  slip?: (action: Action) => Action | undefined,
): SimulatedCook {
  const cook = new SimulatedCook(plan, { seed, instruments: kitchen, hidden, ...(slip === undefined ? {} : { slip }) });
  cook.cook();
  return cook;
}

/** What so many batches of one plan say of a kitchen, a day apart. */
export function evidenceFrom(
  plan: Planned,
  hidden: HiddenKitchen,
  kitchen: Instruments,
  seeds: readonly number[],
): BatchEvidence[] {
  return seeds.flatMap((seed, n) => {
    const cook = cookedBy(plan, hidden, seed, kitchen);
    const evidence = evidenceOfBatch(asCooked(plan, cook.entries));
    return evidence === undefined ? [] : [{ ...evidence, batchId: `batch-${String(seed)}`, atMs: START_MS + n * DAY_MS }];
  });
}
