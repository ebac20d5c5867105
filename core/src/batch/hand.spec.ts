import { LARDER_ROWS } from '../larder/index.js';
import { READY_KITS } from '../kit/index.js';
import { makePlan, type Snapshot } from '../plan/index.js';
import { potKg } from '../pot/index.js';
import { EXAMPLE_SOUPS, walk } from '../soup/index.js';
import {
  ENTRY_SHAPE,
  BODY_WITHIN,
  EntrySchema,
  foldBatch,
  historyOf,
  landBody,
  landSalt,
  timersOf,
  type Action,
  type Entry,
} from './index.js';

const MINUTE_MS = 60_000;
const START = 1_700_000_000_000;
const soup = EXAMPLE_SOUPS.find(({ id }) => id === 'celeriac-leek-apple')!;
const planning = makePlan(soup, LARDER_ROWS, READY_KITS.canteen, { bowls: 40, bowlG: 300, potId: 'boiler-40' });
if (!planning.ok) throw new Error(planning.error.code);
const snapshot: Snapshot = planning.plan.snapshot;
const order = walk(soup.root).map(({ step }) => step.id);
const idOf = (op: string): string => walk(soup.root).find(({ step }) => step.op === op)!.step.id;
const row = (id: string) => LARDER_ROWS.find((one) => one.id === id)!;

/** A soup with everything done up to its blade, and the step behind it. */
function blended(id: string): { snapshot: Snapshot; upTo: Action[]; next: string } {
  const own = EXAMPLE_SOUPS.find((one) => one.id === id)!;
  const made = makePlan(own, LARDER_ROWS, READY_KITS.canteen, { bowls: 40, bowlG: 300, potId: 'boiler-40' });
  if (!made.ok) throw new Error(made.error.code);
  const steps = walk(own.root).map(({ step }) => step);
  const at = steps.findIndex(({ op }) => op === 'blend');
  const upTo = steps.slice(0, at + 1).map((step): Action => ({ kind: 'done', stepId: step.id }));
  return { snapshot: made.plan.snapshot, upTo, next: steps[at + 1]!.id };
}

function entries(actions: readonly (Action | readonly [Action, number])[]): Entry[] {
  return actions.map((one, n): Entry => {
    const [action, minute] = 'kind' in one ? [one, n] : one;
    return {
      id: `00000000-0000-4000-8000-${n.toString(16).padStart(12, '0')}`,
      shape: ENTRY_SHAPE,
      stamp: { counter: n + 1, device: 'tablet-a', seq: n },
      atMs: START + minute * MINUTE_MS,
      who: 'AB',
      action,
    };
  });
}

const done = (stepId: string): Action => ({ kind: 'done', stepId });
/** Every step before one, done as planned. */
const before = (stepId: string): Action[] => order.slice(0, order.indexOf(stepId)).map(done);

describe('what a hand does at the stove', () => {
  it('a step skipped did not happen, what went in by hand is in, and taking it back goes back to it', () => {
    const stockId = walk(soup.root).flatMap(({ step }) => (step.op === 'cover' ? [step.line] : []))[0]!;
    const actions: Action[] = [
      ...before(idOf('cover')),
      { kind: 'poured', stepId: idOf('cover'), line: stockId, vessel: 'Jug', volumeM3: 0.001 },
      { kind: 'skipped', stepId: idOf('cover'), why: 'short of stock' },
    ];
    const state = foldBatch(snapshot, entries(actions));
    const own = state.steps.find(({ stepId }) => stepId === idOf('cover'))!;
    expect(own.status).toBe('skipped');
    expect(state.current?.step.id).toBe(order[order.indexOf(idOf('cover')) + 1]);
    expect(state.inKg.get(stockId)).toBeCloseTo(1, 1);
    expect(state.toGoKg.get(stockId) ?? 0).toBe(0);
    const back = foldBatch(snapshot, entries([...actions, { kind: 'undone', target: own.endedBy! }]));
    expect(back.current?.step.id).toBe(idOf('cover'));
    expect(back.toGoKg.get(stockId)).toBeGreaterThan(1);
  });

  it('timers end by the clock, take more time, run again when they are over, and can be taken back', () => {
    const list = entries([
      [{ kind: 'timed', timer: 'oven', name: 'Oven', stepId: order[0]!, minutes: 30 }, 0],
      [{ kind: 'timed', timer: 'pan', name: 'Pan', minutes: 4 }, 1],
      [{ kind: 'longer', timer: 'oven', minutes: 1 }, 2],
      [{ kind: 'longer', timer: 'pan', minutes: 2 }, 10],
      [{ kind: 'silenced', timer: 'oven' }, 31],
    ]);
    const timers = timersOf(historyOf(list));
    expect(timers.map(({ id, endsAtMs, silenced }) => [id, (endsAtMs - START) / MINUTE_MS, silenced])).toEqual([
      ['pan', 12, false],
      ['oven', 31, true],
    ]);
    const undone = entries([
      { kind: 'timed', timer: 'pan', name: 'Pan', minutes: 4 },
      { kind: 'undone', target: list[0]!.id },
    ]);
    expect(timersOf(historyOf(undone))).toEqual([]);
    expect(foldBatch(snapshot, list).timers.length).toBe(2);
    expect(foldBatch(snapshot, list).steps.every(({ startedAtMs }) => startedAtMs === undefined)).toBeTrue();
  });

  it('another ingredient in a line’s place brings its allergens at once; one never planned too', () => {
    const cream = walk(soup.root).flatMap(({ step }) => (step.op === 'cream' ? [step.line] : []))[0]!;
    const swapped = foldBatch(snapshot, entries([{ kind: 'swapped', line: cream, row: row('coconut-milk') }]));
    expect(foldBatch(snapshot, []).forecast.facts?.allergens).toContain('milk');
    expect(swapped.changes.swapped).toEqual([cream]);
    expect(swapped.prepared.lines.find(({ line }) => line.id === cream)?.line.ingredient.row.id).toBe('coconut-milk');
    const actions: Action[] = [
      ...before('dish'),
      { kind: 'brought', stepId: order.at(-2)!, line: 'nuts', row: row('plain-flour'), kg: 0.2 },
    ];
    const brought = foldBatch(snapshot, entries(actions));
    expect(brought.forecast.facts?.allergens).toEqual(jasmine.arrayContaining([...row('plain-flour').allergens]));
    expect(brought.inKg.get('nuts')).toBeCloseTo(0.2, 9);
    expect(potKg(brought.pot) - potKg(foldBatch(snapshot, entries(before('dish'))).pot)).toBeCloseTo(0.2, 2);
  });

  it('a line left out is out of the forecast, unless it is in the pot already', () => {
    const out = foldBatch(snapshot, entries([{ kind: 'left out', line: 'apple' }]));
    expect(out.changes.leftOut).toEqual(['apple']);
    expect(out.toGoKg.has('apple')).toBeFalse();
    expect(out.forecast.cookedKg).toBeLessThan(out.plannedFigures.cookedKg);
    const trim = walk(soup.root).find(({ step }) => step.op === 'trim' && step.uses.some(({ line }) => line === 'apple'))!.step.id;
    const late = foldBatch(snapshot, entries([...before(trim), done(trim), { kind: 'left out', line: 'apple' }]));
    expect(late.changes.leftOut).toEqual([]);
    expect(late.inKg.get('apple')).toBeGreaterThan(0);
  });

  it('a body read off the spoon moves the estimate; before the blade nothing is proposed', () => {
    const { snapshot: own, upTo, next } = blended('carrot-ginger');
    const early = foldBatch(own, entries(upTo.slice(0, -1)));
    expect(landBody(early)).toEqual(jasmine.objectContaining({ tooEarly: true, ways: [] }));
    const blind = landBody(foldBatch(own, entries(upTo)))!;
    const read: Action = { kind: 'body', stepId: next, reading: { device: 'viscometer', mPas: blind.nowMPas * 4, tempC: 70 } };
    const landing = landBody(foldBatch(own, entries([...upTo, read])))!;
    expect(landing.nowMPas).toBeGreaterThan(blind.nowMPas * 1.6);
    expect(landing.sdLn).toBeLessThan(blind.sdLn);
    // Lemon and coconut milk are still to come, and counted.
    expect(landing.comingKg).toBeGreaterThan(0);
    expect(landing.ways.length).toBeGreaterThan(0);
    expect(landing.ways.length).toBeLessThanOrEqual(3);
    for (const way of landing.ways) {
      expect(way.by).toBe('thin');
      expect(way.then.bodyMPas).toBeGreaterThan(landing.wantedMPas! / BODY_WITHIN);
      expect(way.then.bodyMPas).toBeLessThan(landing.wantedMPas! * BODY_WITHIN);
      expect(way.firstKg).toBeCloseTo((way.kg * 2) / 3, 9);
    }
  });

  it('a body read far from the estimate is asked for again; said twice it is believed, said once or otherwise it is not', () => {
    const { snapshot: own, upTo: after, next } = blended('carrot-ginger');
    const said = (mPas: number): Action => ({ kind: 'body', stepId: next, reading: { device: 'viscometer', mPas, tempC: 70 } });
    const bodyOf = (actions: readonly Action[]): number => landBody(foldBatch(own, entries(actions)))!.nowMPas;
    const blind = bodyOf(after);
    const far = blind * 30;
    const once = foldBatch(own, entries([...after, said(far)]));
    expect(once.cautions.map(({ code }) => code)).toContain('BODY_QUESTIONED');
    expect(landBody(once)!.nowMPas).toBeCloseTo(blind, 6);
    expect(bodyOf([...after, said(far), said(blind / 30)])).toBeCloseTo(blind, 6);
    const twice = foldBatch(own, entries([...after, said(far), said(far * 1.1)]));
    expect(landBody(twice)!.nowMPas).toBeGreaterThan(blind * 5);
    expect(landBody(twice)!.ways.length).toBeGreaterThan(0);
    expect(twice.cautions.map(({ code }) => code)).not.toContain('BODY_QUESTIONED');
  });

  it('salt is landed from either side, by what the pot weighs', () => {
    const salted = [...before(idOf('season'))];
    const state = foldBatch(snapshot, entries(salted));
    const low = landSalt(state)!;
    expect(low.nowPct).toBeLessThan(low.wantedPct);
    const [way] = low.ways;
    // Given and ticked, the bowls hold what is wanted, with the cream that was still to come.
    const given: Action = { kind: 'added', stepId: idOf('season'), line: 'salt', kg: way!.kg };
    expect(foldBatch(snapshot, entries([...salted, given, done(idOf('season'))])).forecast.saltPct).toBeCloseTo(low.wantedPct, 2);
    const over = foldBatch(
      snapshot,
      entries([...salted, { kind: 'added', stepId: idOf('season'), line: 'salt', kg: way!.kg * 2 }]),
    );
    const high = landSalt(over)!;
    expect(high.nowPct).toBeGreaterThan(high.wantedPct + 0.3);
    expect(high.ways[0]!.heavier).toBeGreaterThan(1.2);
  });

  it('what can’t be meant is refused, what is only odd is kept', () => {
    const [base] = entries([done('x')]);
    const says = (action: unknown): boolean => EntrySchema.safeParse({ ...base, action }).success;
    expect(says({ kind: 'temperature', stepId: 'simmer', tempC: 300 })).toBeTrue();
    expect(says({ kind: 'temperature', stepId: 'simmer', tempC: 4000 })).toBeFalse();
    expect(says({ kind: 'timed', timer: 'a', name: '', minutes: 3 })).toBeFalse();
    expect(says({ kind: 'timed', timer: 'a', name: 'x', minutes: 0 })).toBeFalse();
    expect(says({ kind: 'tasted', stepId: 'season', taste: 'salt', side: 3 })).toBeFalse();
    expect(says({ kind: 'tasted', stepId: 'season', taste: 'salt', side: -1 })).toBeTrue();
    expect(says({ kind: 'brought', stepId: 'season', line: 'x', row: { ...row('carrot'), id: 7 }, kg: 1 })).toBeFalse();
  });
});
