import { READY_KITS } from '@tureen/core/kit';
import { LARDER_ROWS } from '@tureen/core/larder';
import { makePlan } from '@tureen/core/plan';
import { EXAMPLE_SOUPS, walk, type SoupStep } from '@tureen/core/soup';
import { ENTRY_SHAPE, type Action, type StoredEntry } from '@tureen/core/batch';
import { batchView, type BatchView } from '../../cooking/batch-view';
import { clockText } from '../../services/timers';
import { effectBetween } from './effect';
import { bodyGauge, inLadles, saltAdvice, saltLines, type BodyGauge } from './landing';
import { remindedOf } from './reminders';

const soup = EXAMPLE_SOUPS.find(({ id }) => id === 'celeriac-leek-apple')!;
const order = walk(soup.root).map(({ step }) => step.id);
const idOf = (op: string): string => walk(soup.root).find(({ step }) => step.op === op)!.step.id;
const nameOf = (id: string): string => id;

function viewAfter(actions: readonly Action[], of = soup, bowls = 40): BatchView {
  const planning = makePlan(of, LARDER_ROWS, READY_KITS.canteen, { bowls, bowlG: 300, potId: 'boiler-40' });
  if (!planning.ok) throw new Error(planning.error.code);
  const entries = actions.map((action, n): StoredEntry => ({
    id: `00000000-0000-4000-8000-${n.toString(16).padStart(12, '0')}`,
    shape: ENTRY_SHAPE,
    stamp: { counter: n + 1, device: 'tablet-a', seq: n },
    atMs: 1_700_000_000_000 + n * 60_000,
    who: '',
    action,
  }));
  return batchView(planning.plan.snapshot, entries);
}

const upTo = (id: string): Action[] => order.slice(0, order.indexOf(id) + 1).map((stepId) => ({ kind: 'done', stepId }));

/** Mushroom soup behind its blade, read twice to be five times as thick as was thought: so far off, it has to be said again. */
function landed(bowls: number): BodyGauge {
  const mushroom = EXAMPLE_SOUPS.find(({ id }) => id === 'mushroom-flour')!;
  const steps = walk(mushroom.root).map(({ step }) => step);
  const at = steps.findIndex(({ op }) => op === 'thin');
  const before = steps.slice(0, at).map((step): Action => ({ kind: 'done', stepId: step.id }));
  const mPas = viewAfter(before, mushroom, bowls).body!.nowMPas * 5;
  const read: Action = { kind: 'body', stepId: steps[at]!.id, reading: { device: 'viscometer', mPas, tempC: 70 } };
  return bodyGauge(viewAfter([...before, read, read], mushroom, bowls), nameOf, 'metric', 0)!;
}

describe('landing', () => {
  it('says that it is too early before the blade, and behind it what to pour, by ladle, two thirds first', () => {
    const early = bodyGauge(viewAfter(upTo(idOf('simmer'))), nameOf, 'metric', 0)!;
    expect(early.says).toContain('Too early');
    expect(early.lines).toEqual([]);
    const own = landed(40);
    expect(own.gauge.value).toBeGreaterThan(own.gauge.high!);
    expect(own.says).toContain('still to come are counted in');
    expect(own.lines.length).toBeGreaterThan(0);
    expect(own.lines.length).toBeLessThanOrEqual(3);
    const [first] = own.lines;
    expect(first?.text).toMatch(/^Pour \d+(\.\d+)? (k?g) .*stir, look again$/);
    expect(first?.also).toMatch(/in all: then \d\.\d\d % salt, \d+ bowls/);
    const kg = Number(/^([\d.]+) kg in all/.exec(first?.also ?? '')?.[1]);
    expect(first?.aim?.kg).toBeCloseTo((kg * 2) / 3, 1);
  });

  it('what does not fit is ladled out first', () => {
    const [first] = landed(105).lines;
    expect(first?.text).toMatch(/^First ladle [\d.]+ k?g into another pot$/);
    expect(first?.ladleOutKg).toBeGreaterThan(0);
  });

  it('a soup whose card asks for no body has a gauge without a band, and nothing to land', () => {
    const own = bodyGauge(viewAfter(upTo(idOf('blend'))), nameOf, 'metric', 0)!;
    expect(own.gauge.wanted).toContain('the card asks for none');
    expect(own.gauge.low).toBeUndefined();
    expect(own.lines).toEqual([]);
  });

  it('counts in the biggest ladle that is not too big, by halves', () => {
    const ladles = [
      { id: 's', name: 'Small ladle', volumeM3: 120e-6 },
      { id: 'b', name: 'Big ladle', volumeM3: 500e-6 },
    ];
    expect(inLadles(1.25, 1000, ladles)).toBe('2½ × big ladle');
    expect(inLadles(0.24, 1000, ladles)).toBe('2 × small ladle');
    expect(inLadles(0.05, 1000, ladles)).toBe('');
  });

  it('the salt is advised by what the pot weighs', () => {
    const view = viewAfter(upTo(idOf('blend')));
    expect(saltAdvice(view, nameOf, 'metric')).toMatch(/^By the sums 0\.\d\d %, wanted 0\.80 %: \d+ g salt first, of \d+ g\.$/);
  });

  it('a clock tells minutes and seconds left, hours where there are any, and what is over with a plus', () => {
    expect(clockText(65_000, 0)).toBe('1:05');
    expect(clockText(0, 65_000)).toBe('+1:05');
    expect(clockText(2 * 3_600_000 + 61_000, 0)).toBe('2:01:01');
  });
});

describe('what an entry changed', () => {
  it('is told in the figures that moved, and in none that did not', () => {
    const before = viewAfter(upTo(idOf('trim')));
    const cover = idOf('cover');
    const at = viewAfter(order.slice(0, order.indexOf(cover)).map((stepId) => ({ kind: 'done', stepId })));
    const poured = viewAfter([
      ...order.slice(0, order.indexOf(cover)).map((stepId): Action => ({ kind: 'done', stepId })),
      { kind: 'added', stepId: cover, line: 'stock', kg: 1 },
    ]);
    const text = effectBetween(at, poured, 'metric');
    expect(text).toMatch(/^pot [\d.]+ kg → [\d.]+ kg/);
    expect(text).not.toContain('counted');
    expect(effectBetween(at, at, 'metric')).toBe('');
    expect(effectBetween(at, before, 'metric')).toContain('back to');
    const counted = viewAfter([
      ...order.slice(0, -1).map((stepId): Action => ({ kind: 'done', stepId })),
      { kind: 'dished', bowls: 7 },
    ]);
    const none = viewAfter(order.slice(0, -1).map((stepId): Action => ({ kind: 'done', stepId })));
    expect(effectBetween(none, counted, 'metric')).toContain('counted 0 → 7');
  });
});

describe('salt as buttons', () => {
  it('too little is given two thirds first; too much is poured at, with what it does to the pot', () => {
    const season = idOf('season');
    const to = order.slice(0, order.indexOf(season)).map((stepId): Action => ({ kind: 'done', stepId }));
    const low = saltLines(viewAfter(to), nameOf, 'metric');
    expect(low.length).toBe(1);
    expect(low[0]?.text).toMatch(/^Give \d+ g salt, stir, taste$/);
    const wanted = viewAfter(to).salt!.ways[0]!.kg;
    expect(low[0]?.aim?.kg).toBeCloseTo((wanted * 2) / 3, 9);
    const over = saltLines(viewAfter([...to, { kind: 'added', stepId: season, line: 'salt', kg: wanted * 1.6 }]), nameOf, 'metric');
    expect(over.length).toBeGreaterThan(0);
    expect(over.length).toBeLessThanOrEqual(3);
    expect(over[0]?.text).toMatch(/^Pour /);
    expect(over[0]?.also).toContain('heavier and thinner');
  });
});

describe('reminders', () => {
  it('go with the step: a tray is tossed as its step says, a pan stirred, a calm pot left alone', () => {
    const roast: SoupStep = { id: 'r', op: 'roast', ovenC: 200, minutes: 40, load: 'rounds', tossEveryMin: 15 };
    expect(remindedOf(roast, [])).toEqual({ minutes: 15, of: 'toss' });
    expect(remindedOf({ ...roast, tossEveryMin: undefined }, [])).toBeUndefined();
    const sweat: SoupStep = { id: 's', op: 'sweat', minutes: 10, heat: 'gentle', lid: 'on' };
    expect(remindedOf(sweat, [])?.of).toBe('stir');
    const simmer: SoupStep = { id: 'm', op: 'simmer', minutes: 20, vigour: 'steady', lid: 'ajar' };
    expect(remindedOf(simmer, [])).toBeUndefined();
    expect(remindedOf(simmer, [{ code: 'CATCHES', bodyMPas: 900 }])?.of).toBe('stir');
  });
});
