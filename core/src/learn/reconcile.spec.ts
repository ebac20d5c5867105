import { WITH_METERS, BY_EYE, cookedBy, fortyBowls } from '../../spec/kitchens.js';
import { HiddenKitchen, SimulatedCook, type Instruments } from '../practice/index.js';
import { foldBatch, type Action, type Entry } from '../batch/index.js';
import { entryOf } from '../../spec/entries.js';
import { READY_KITS } from '../kit/index.js';
import { LARDER_ROWS } from '../larder/index.js';
import { EXAMPLE_SOUPS, type Soup } from '../soup/index.js';
import { correctionsOf, reconcile, type Reconciled, type Suspect } from './index.js';

/** A hundred kitchens take some minutes: `SEEDS=100 npm test` asks for them. */
const SEEDS = Math.max(1, Math.round(Number(process.env.SEEDS ?? 12) / 12));
const LADLE = READY_KITS.canteen.ladles[0]!;

type Slip = (action: Action) => Action | undefined;

/** Only the first amount that is poured by hand. */
function first(change: (action: Extract<Action, { kind: 'added' }>) => Action | undefined): () => Slip {
  return () => {
    let isDone = false;
    return (action) => {
      if (isDone || action.kind !== 'added' || action.kg < 0.3) return action;
      isDone = true;
      return change(action);
    };
  };
}

interface Found {
  readonly named: number;
  readonly of: number;
}

/** How often a slip is named first, over kitchens and soups in which it can happen. */
function namedFirst(make: () => Slip, is: (suspect: Suspect) => boolean): Found {
  let named = 0;
  let of = 0;
  for (let seed = 1; seed <= SEEDS; seed++) {
    for (const [n, soup] of EXAMPLE_SOUPS.entries()) {
      const slips = { count: 0 };
      const slip = make();
      const plan = fortyBowls(soup);
      const cook = cookedBy(plan, new HiddenKitchen(seed * 100 + n), seed * 1000 + n, WITH_METERS, (action) => {
        const entered = slip(action);
        if (entered !== action) slips.count += 1;
        return entered;
      });
      if (slips.count === 0) continue;
      of += 1;
      const [likeliest] = reconcile(plan, cook.entries, LARDER_ROWS)?.suspected ?? [];
      if (likeliest?.suspects.length === 1 && is(likeliest.suspects[0]!)) named += 1;
    }
  }
  return { named, of };
}

function told(what: string, { named, of }: Found): number {
  process.stdout.write(`\n  ${what}: named first in ${String(named)} of ${String(of)}\n`);
  expect(of).withContext(what).toBeGreaterThan(4);
  return named / of;
}

describe('what is wrong with a record', () => {
  it('an honest record is left in peace', () => {
    for (const kitchen of [WITH_METERS, BY_EYE] satisfies Instruments[]) {
      let suspected = 0;
      let of = 0;
      for (let seed = 1; seed <= SEEDS; seed++) {
        for (const [n, soup] of EXAMPLE_SOUPS.entries()) {
          const plan = fortyBowls(soup);
          const { entries } = cookedBy(plan, new HiddenKitchen(seed * 100 + n), seed * 1000 + n, kitchen);
          of += 1;
          // One thing or two at once: whatever is said of an honest record is a false alarm.
          if ((reconcile(plan, entries, LARDER_ROWS)?.suspected.length ?? 0) > 0) suspected += 1;
        }
      }
      expect(told('honest records suspected', { named: suspected, of })).toBeLessThan(0.08);
    }
  });

  it('a jug that was poured and never entered is named', () => {
    expect(
      told(
        'a jug not entered',
        namedFirst(
          first(() => undefined),
          ({ what }) => what === 'missing',
        ),
      ),
    ).toBeGreaterThanOrEqual(0.85);
  });

  it('pounds that were entered as kilos are named', () => {
    const slip = first((action) => ({ ...action, kg: action.kg / 0.453_592_37 }));
    const is = (suspect: Suspect): boolean => suspect.what === 'unit' && suspect.as === 'pounds';
    expect(told('pounds for kilos', namedFirst(slip, is))).toBeGreaterThanOrEqual(0.85);
  });

  it('a ladle that holds half as much again as the one that was counted is named', () => {
    const slip = (): Slip => (action) =>
      action.kind === 'added' && action.kg > 0.3
        ? { kind: 'poured', stepId: action.stepId, line: action.line, vessel: LADLE.name, volumeM3: action.kg / 1010 / 1.5 }
        : action;
    const is = (suspect: Suspect): boolean => suspect.what === 'measure' && Math.abs(suspect.ratio - 1.5) < 0.01;
    // With one pour a jug that was forgotten explains as much, and is as usual.
    expect(told('ladle of 12 for 8', namedFirst(slip, is))).toBeGreaterThanOrEqual(0.7);
  });

  it('a pot whose weight was left on the scale is named', () => {
    const slip = (): Slip => (action) => (action.kind === 'weighed' ? { ...action, tareKg: 0 } : action);
    const is = (suspect: Suspect): boolean => suspect.what === 'tare' && suspect.was === 'left on';
    expect(told('tare left on', namedFirst(slip, is))).toBeGreaterThanOrEqual(0.9);
  });

  it('a salted stock that was opened for an unsalted one is named', () => {
    const kitchenOf = (seed: number, soup: Soup): HiddenKitchen => {
      const hidden = new HiddenKitchen(seed);
      for (const { ingredient } of soup.lines) {
        if (/^vegetable-stock(-low-salt)?$/.test(ingredient)) hidden.unlabelled.set(ingredient, 0.007);
      }
      return hidden;
    };
    const isSalted = ({ lines }: Soup): boolean => lines.some(({ ingredient }) => /^vegetable-stock(-low-salt)?$/.test(ingredient));
    let named = 0;
    let of = 0;
    for (const [n, soup] of EXAMPLE_SOUPS.entries()) {
      if (!isSalted(soup)) continue;
      const plan = fortyBowls(soup);
      const cook = cookedBy(plan, kitchenOf(100 + n, soup), 1000 + n, WITH_METERS);
      const [likeliest] = reconcile(plan, cook.entries, LARDER_ROWS)?.suspected ?? [];
      of += 1;
      if (likeliest?.suspects.length === 1 && likeliest.suspects[0]!.what === 'another') named += 1;
    }
    expect(told('salted stock for unsalted', { named, of })).toBeGreaterThanOrEqual(0.8);
  });
});

describe('readings laid beside one another', () => {
  const soup = EXAMPLE_SOUPS.find(({ id }) => id === 'leek-potato')!;
  const plan = fortyBowls(soup);
  const of = (slip?: Slip): Reconciled => reconcile(plan, cookedBy(plan, new HiddenKitchen(5), 50, WITH_METERS, slip).entries)!;

  it('are moved towards one another, none by more than it is off', () => {
    const { readings, sds } = of();
    expect(readings.length).toBeGreaterThan(4);
    expect(Math.abs(sds)).toBeLessThan(3.1);
    for (const { read, adjusted, sds: off } of readings) {
      expect(Math.sign(read - adjusted)).toBe(Math.sign(off));
      expect(Math.abs(Math.log((read + 1e-9) / (adjusted + 1e-9)))).toBeLessThan(1);
    }
  });

  it('the one that is wrong stands out', () => {
    const { readings } = of((action) => (action.kind === 'weighed' ? { ...action, grossKg: action.grossKg * 1.4 } : action));
    const worst = readings.reduce((a, b) => (Math.abs(b.sds) > Math.abs(a.sds) ? b : a));
    expect(worst.device).toBe('scale');
  });

  it('a batch in which nothing was read says nothing', () => {
    expect(reconcile(plan, [])).toBeUndefined();
  });
});

describe('a record that is put right', () => {
  const soup = EXAMPLE_SOUPS.find(({ id }) => id === 'leek-potato')!;
  const plan = fortyBowls(soup);
  const SLIPS: Record<string, () => Slip> = {
    missing: first(() => undefined),
    unit: first((action) => ({ ...action, kg: action.kg / 0.453_592_37 })),
    tare: () => (action) => (action.kind === 'weighed' ? { ...action, tareKg: 0 } : action),
  };

  /** Entries with those that correct them, as a tablet would stamp them. */
  function putRight(entries: readonly Entry[], suspects: readonly Suspect[]): Entry[] {
    const corrections = correctionsOf(foldBatch(plan.snapshot, entries), suspects, 'found by the ledger');
    return [
      ...entries,
      ...corrections.map(({ action, counter }, n) => {
        const entry = entryOf(entries.length + 1 + n, action, { device: 'tablet-b' });
        return counter === undefined ? entry : { ...entry, stamp: { ...entry.stamp, counter } };
      }),
    ];
  }

  for (const [what, slip] of Object.entries(SLIPS)) {
    it(`adds up again, closed or open, and says what it was: ${what}`, () => {
      const hidden = new HiddenKitchen(5);
      const { entries, trueKg } = cookedBy(plan, hidden, 50, WITH_METERS, slip());
      const [likeliest] = reconcile(plan, entries, LARDER_ROWS)!.suspected;
      expect(likeliest!.suspects.map((one) => one.what)).toEqual([what as Suspect['what']]);
      const before = reconcile(plan, entries, LARDER_ROWS)!;
      const closed = [...entries, entryOf(entries.length + 1, { kind: 'closed' })];
      for (const list of [putRight(entries, likeliest!.suspects), putRight(closed, likeliest!.suspects)]) {
        const after = reconcile(plan, list, LARDER_ROWS)!;
        expect(after.sds).toBeLessThan(Math.max(2.5, before.sds / 3));
        expect(after.suspected).toEqual([]);
        const state = foldBatch(plan.snapshot, list);
        expect(state.closed).toBe(list.length > 0 && list.some(({ action }) => action.kind === 'closed'));
        expect(state.changes.notices.length).toBeLessThan(2);
        expect(state.massKg / trueKg).toBeGreaterThan(0.94);
        expect(state.massKg / trueKg).toBeLessThan(1.06);
      }
    });
  }

  it('a suspect that is not there any more corrects nothing', () => {
    const { entries } = cookedBy(plan, new HiddenKitchen(5), 50, WITH_METERS);
    expect(correctionsOf(foldBatch(plan.snapshot, entries), [{ what: 'pot', potId: 'none', name: 'None' }], '')).toEqual([]);
  });
});

describe('bowls that were counted', () => {
  it('say which slip it was, though by the record as it stands their count seems broken off', () => {
    let named = 0;
    for (let seed = 1; seed <= 6; seed++) {
      const plan = fortyBowls(EXAMPLE_SOUPS.find(({ id }) => id === 'celeriac-leek-apple')!);
      // Weighed at the end only, with the pot; jugs of the same vessel could explain it too.
      const cook = new SimulatedCook(plan, {
        seed: 60 + seed,
        hidden: new HiddenKitchen(600 + seed),
        instruments: WITH_METERS,
        slip: (action) => (action.kind === 'weighed' ? { ...action, tareKg: 0 } : action),
        habits: { jug: { name: READY_KITS.canteen.ladles[1]!.name, volumeM3: 1e-3 } },
      });
      cook.cook();
      cook.serves();
      const { suspected } = reconcile(plan, cook.entries, LARDER_ROWS)!;
      const [first] = suspected;
      if (first?.suspects.length === 1 && first.suspects[0]!.what === 'tare') named += 1;
    }
    expect(named).toBe(6);
  });
});

describe('two slips at once', () => {
  it('are named together where each is plain by itself', () => {
    let both = 0;
    let of = 0;
    for (const n of Array.from({ length: 3 * EXAMPLE_SOUPS.length }, (_, k) => k)) {
      const soup = EXAMPLE_SOUPS[n % EXAMPLE_SOUPS.length];
      if (soup === undefined) continue;
      const plan = fortyBowls(soup);
      const pounds = first((action) => ({ ...action, kg: action.kg / 0.453_592_37 }))();
      const slips = { count: 0 };
      const { entries } = cookedBy(plan, new HiddenKitchen(500 + n), 5000 + n, WITH_METERS, (action) => {
        const entered = pounds(action);
        if (entered !== action) slips.count += 1;
        return entered?.kind === 'weighed' ? { ...entered, tareKg: 0 } : entered;
      });
      if (slips.count === 0) continue;
      of += 1;
      const [likeliest] = reconcile(plan, entries, LARDER_ROWS)?.suspected ?? [];
      const named = new Set(likeliest?.suspects.map(({ what }) => what));
      if (named.has('tare') && named.has('unit')) both += 1;
    }
    expect(told('pounds for kilos and the tare left on', { named: both, of })).toBeGreaterThanOrEqual(0.5);
  });
});
