import { massOf, saltPctOf, thicknessOf } from '../bench/index.js';
import { BODY_WITHIN, ENTRY_SHAPE, SALT_WITHIN_PCT, type StoredEntry } from '../batch/index.js';
import type { Planned } from '../plan/index.js';
import { SALT } from '../larder/index.js';
import { bandOf, type OddsBand } from '../odds/index.js';
import { bodyMPas, contents, potKg } from '../pot/index.js';
import { servedOf } from '../runner/index.js';
import { walk } from '../soup/index.js';
import { cookedInMany, type Hidden } from './cooked.js';
import type { Mishaps } from './hidden-kitchen.js';

/** What becomes of the same doings in other kitchens. Bowls of the plan's size, salt in %, body in mPa·s as it is served. */
export interface InKitchens {
  readonly kitchens: number;
  readonly bowls: OddsBand;
  readonly saltPct: OddsBand;
  /** Undefined where the card asks for no body. */
  readonly bodyMPas: OddsBand | undefined;
  /** Shares of the kitchens in which it came out as planned. */
  readonly right: { readonly bowls: number; readonly salt: number; readonly body: number | undefined };
}

/** Bowls fewer than planned by less than this share are enough. */
const BOWLS_WITHIN = 0.05;

/** Something that may go wrong, to see what it would come to. */
export interface WhatIf {
  readonly id: string;
  readonly mishaps: Mishaps;
}

/** What may be asked: each by itself. Invented for the bench; the size of each is that of a usual slip. */
export const WHAT_IFS: readonly WhatIf[] = [
  { id: 'nothing', mishaps: {} },
  { id: 'lid off', mishaps: { steam: 3 } },
  { id: 'tray forgotten', mishaps: { roast: 1.6 } },
  { id: 'salted stock', mishaps: { saltedStock: 0.006 } },
  { id: 'small ladle', mishaps: { ladle: 0.75 } },
  { id: 'large ladle', mishaps: { ladle: 1.33 } },
  { id: 'covered well', mishaps: { covered: 1.4 } },
  { id: 'floury', mishaps: { thickness: 2 } },
  { id: 'watery', mishaps: { thickness: 0.5 } },
];

const MINUTE_MS = 60_000;
const ID_DIGITS = 12;

/** A plan done to the letter, with no look at anything: each step ticked when its minutes are over. */
export function asPlanned(plan: Planned): StoredEntry[] {
  const minutes = new Map(plan.run.records.map((record) => [record.step.id, record.minutes]));
  let atMs = 0;
  return walk(plan.prepared.soup.root).flatMap(({ step }, n): StoredEntry[] => {
    if (step.op === 'dish' || step.op === 'join') return [];
    atMs += (minutes.get(step.id) ?? 0) * MINUTE_MS;
    const id = `00000000-0000-4000-8000-${n.toString(16).padStart(ID_DIGITS, '0')}`;
    const stamp = { counter: n + 1, device: 'bench', seq: n + 1 };
    return [{ id, shape: ENTRY_SHAPE, stamp, atMs, who: '', action: { kind: 'done', stepId: step.id } }];
  });
}

function shareOf(values: readonly number[], holds: (value: number) => boolean): number {
  return values.filter(holds).length / Math.max(1, values.length);
}

/**
 * The same doings in so many hidden kitchens, whose truth owes nothing to the model that planned them: other waters, other
 * flames, other knives, and a mishap where one is asked for.
 *
 * @param entries what was done; `asPlanned` for a plan that nobody has cooked.
 */
export function inKitchens(
  plan: Planned,
  entries: readonly StoredEntry[],
  { kitchens, mishaps, seed = 1 }: { readonly kitchens: number; readonly mishaps: Mishaps; readonly seed?: number },
): InKitchens {
  const hidden = Array.from({ length: kitchens }, (_, n): Hidden => ({ seed: seed + n, mishaps }));
  const pots = cookedInMany(plan, entries, hidden);
  const { prepared, run } = plan;
  const { servedC } = prepared;
  const believed = run.last?.before;
  const planKg = believed === undefined ? 0 : potKg(believed);
  const wanted = servedOf(prepared, run);
  const there = pots.filter((pot) => massOf(pot) > 0);
  const bowls = there.map((pot) => (planKg > 0 ? (run.bowls * massOf(pot)) / planKg : 0));
  // What lies on top, and what the bowl does to it, does to the truth what it does to the plan.
  const planSaltPct = believed === undefined || planKg === 0 ? 0 : (contents(believed).mix[SALT] / planKg) * 100;
  const saltToBowl = planSaltPct > 0 ? wanted.saltPct / planSaltPct : 1;
  const bodyToBowl = believed === undefined ? 1 : wanted.bodyMPas / bodyMPas(believed, servedC, prepared.parameters.bodyA);
  const salts = there.map((pot) => saltPctOf(pot) * saltToBowl);
  const wantsBody = walk(prepared.soup.root).some(({ step }) => step.op === 'thin');
  const bodies = wantsBody ? there.map((pot) => thicknessOf(pot, servedC) * bodyToBowl) : undefined;
  return {
    kitchens: there.length,
    bowls: bandOf(bowls),
    saltPct: bandOf(salts),
    bodyMPas: bodies === undefined ? undefined : bandOf(bodies),
    right: {
      bowls: shareOf(bowls, (count) => count >= run.bowls * (1 - BOWLS_WITHIN)),
      salt: shareOf(salts, (pct) => Math.abs(pct - wanted.saltPct) <= SALT_WITHIN_PCT),
      body:
        bodies === undefined
          ? undefined
          : shareOf(bodies, (mPas) => Math.abs(Math.log(mPas / wanted.bodyMPas)) <= Math.log(BODY_WITHIN)),
    },
  };
}
