/** What specs enter at the stove: actions as entries of one tablet, and whatever a hand could enter at a plan. */
import fc from 'fast-check';
import { ENTRY_SHAPE, type Action, type Entry } from '../src/batch/index.js';
import { READY_KITS } from '../src/kit/index.js';
import { LARDER_ROWS, type IngredientRow } from '../src/larder/index.js';
import { makePlan, type Snapshot } from '../src/plan/index.js';
import { walk } from '../src/soup/index.js';
import { example } from './pots.js';

const START_MS = 1_700_000_000_000;
const MINUTE_MS = 60_000;

export function uuid(n: number): string {
  return `00000000-0000-4000-8000-${n.toString(16).padStart(12, '0')}`;
}

/** The nth entry of a tablet, made in its nth minute unless another is given. */
export function entryOf(
  n: number,
  action: Action,
  { device = 'tablet-a', minute = n }: { device?: string; minute?: number } = {},
): Entry {
  return {
    id: uuid(n),
    shape: ENTRY_SHAPE,
    stamp: { counter: n, device, seq: n },
    atMs: START_MS + minute * MINUTE_MS,
    who: 'AB',
    action,
  };
}

/** Actions in their order, a minute apart. */
export function entriesOf(actions: readonly Action[]): Entry[] {
  return actions.map((action, n) => entryOf(n + 1, action));
}

export function rowOf(id: string): IngredientRow {
  const found = LARDER_ROWS.find((row) => row.id === id);
  if (found === undefined) throw new Error(`The larder has no ${id}.`);
  return found;
}

/** An example planned in the canteen. */
export function snapshotOf(id: string, bowls = 40): Snapshot {
  const soup = example(id);
  for (const { id: potId } of READY_KITS.canteen.pots) {
    const planning = makePlan(soup, LARDER_ROWS, READY_KITS.canteen, { bowls, bowlG: 300, potId });
    if (planning.ok) return planning.plan.snapshot;
  }
  throw new Error(`No pot of the canteen holds ${String(bowls)} bowls of ${id}.`);
}

export function stepIds({ soup }: Snapshot): string[] {
  return walk(soup.root).map(({ step }) => step.id);
}

/** Any action that the schema lets in, at steps and lines of a plan and at some that it does not know. */
export function anyAction(snapshot: Snapshot): fc.Arbitrary<Action> {
  const stepId = fc.constantFrom(...stepIds(snapshot), 'flambe');
  const line = fc.constantFrom(...snapshot.soup.lines.map(({ id }) => id), 'extra-a', 'extra-b');
  const row = fc.constantFrom(...LARDER_ROWS);
  const kg = fc.oneof(fc.double({ min: 1e-4, max: 3, noNaN: true }), fc.constantFrom(1e-9, 0.2, 5000));
  const minutes = fc.oneof(fc.integer({ min: 1, max: 90 }), fc.constantFrom(0.1, 1440));
  return fc.oneof(
    fc.record({ kind: fc.constant('started' as const), stepId }),
    { arbitrary: fc.record({ kind: fc.constant('done' as const), stepId }), weight: 4 },
    fc.record({ kind: fc.constant('done' as const), stepId, minutes }),
    fc.record({ kind: fc.constant('skipped' as const), stepId }),
    fc.record({
      kind: fc.constant('poured' as const),
      stepId,
      line,
      vessel: fc.constant('Jug'),
      volumeM3: fc.constantFrom(1e-6, 0.001, 1),
    }),
    { arbitrary: fc.record({ kind: fc.constant('added' as const), stepId, line, kg }), weight: 3 },
    fc.record({
      kind: fc.constant('weighed' as const),
      stepId,
      grossKg: fc.constantFrom(0, 3, 20, 5000),
      tareKg: fc.constantFrom(0, 8),
    }),
    fc.record({ kind: fc.constant('dipped' as const), stepId, belowRimM: fc.constantFrom(0, 0.1, 0.25, 3) }),
    fc.record({ kind: fc.constant('salt' as const), stepId, saltPct: fc.constantFrom(0.01, 0.7, 20) }),
    fc.record({ kind: fc.constant('temperature' as const), stepId, tempC: fc.constantFrom(-40, 4, 75, 400) }),
    fc.record({ kind: fc.constant('cup' as const), stepId, cupKg: fc.constantFrom(0.1, 5), line, doseKg: fc.constant(0.001) }),
    fc.record({ kind: fc.constant('wanted' as const), mPas: fc.constantFrom(1, 220, 20_000) }),
    fc.record({ kind: fc.constant('sieved' as const), stepId, lostKg: fc.constantFrom(0, 0.4, 500) }),
    fc.record({ kind: fc.constant('gave back' as const), stepId, line, share: fc.constantFrom(0.5, 1) }),
    fc.record({
      kind: fc.constant('held' as const),
      stepId,
      minutes: fc.constantFrom(1, 60, 1440),
      atC: fc.constantFrom(40, 70, 95),
      lid: fc.constantFrom('off' as const, 'ajar' as const, 'on' as const),
      topUp: line,
    }),
    fc.record({
      kind: fc.constant('ladled out' as const),
      stepId,
      kg,
      as: fc.constantFrom('staff meal' as const, 'spilt' as const),
    }),
    fc.record({ kind: fc.constant('refilled' as const), stepId, kg, tempC: fc.constantFrom(0, 70, 110) }),
    { arbitrary: fc.record({ kind: fc.constant('swapped' as const), line, row }), weight: 3 },
    { arbitrary: fc.record({ kind: fc.constant('brought' as const), stepId, line, row, kg }), weight: 2 },
    { arbitrary: fc.record({ kind: fc.constant('left out' as const), line }), weight: 2 },
    fc.record({ kind: fc.constant('dished' as const), bowls: fc.constantFrom(0, 7, 20_000) }),
    fc.record({ kind: fc.constant('stored' as const), kg }),
  );
}

/** A sequence of any entries, a sixth of them undos of earlier or later ones; now and then the batch is closed. */
export function anyEntries(snapshot: Snapshot, maxLength: number): fc.Arbitrary<Entry[]> {
  const one = fc.oneof(
    { arbitrary: anyAction(snapshot), weight: 16 },
    { arbitrary: fc.nat({ max: maxLength }).map((n): Action => ({ kind: 'undone', target: uuid(n + 1) })), weight: 3 },
    {
      arbitrary: fc.tuple(fc.nat({ max: maxLength }), anyAction(snapshot)).map(([n, to]): Action => {
        return { kind: 'corrected', target: uuid(n + 1), to: to as Extract<Action, { kind: 'corrected' }>['to'] };
      }),
      weight: 2,
    },
    { arbitrary: fc.constant<Action>({ kind: 'closed' }), weight: 1 },
  );
  return fc.array(one, { minLength: 1, maxLength }).map(entriesOf);
}
