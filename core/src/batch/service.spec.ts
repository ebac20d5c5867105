import { moveStep } from '../draft/index.js';
import { LARDER_ROWS, makeLarder } from '../larder/index.js';
import { READY_KITS } from '../kit/index.js';
import { makePlan, type Snapshot } from '../plan/index.js';
import { bodyMPas, parcelKg, potKg } from '../pot/index.js';
import { potDose } from '../season/index.js';
import { EXAMPLE_SOUPS, checkSoup, walk, type Soup } from '../soup/index.js';
import {
  ENTRY_SHAPE,
  EntrySchema,
  actualRibbon,
  foldBatch,
  frontsOf,
  hourNow,
  missingOf,
  remindsAtMs,
  takenOver,
  writeBack,
  type Action,
  type BatchState,
  type Entry,
} from './index.js';

const MINUTE_MS = 60_000;
const START = 1_700_000_000_000;
const larder = makeLarder(LARDER_ROWS);
const row = (id: string) => LARDER_ROWS.find((one) => one.id === id)!;

function entries(actions: readonly Action[]): Entry[] {
  return actions.map((action, n) =>
    EntrySchema.parse({
      id: `00000000-0000-4000-8000-${n.toString(16).padStart(12, '0')}`,
      shape: ENTRY_SHAPE,
      stamp: { counter: n + 1, device: 'tablet-a', seq: n },
      atMs: START + n * MINUTE_MS,
      who: 'AB',
      action,
    }),
  );
}

class Cooked {
  readonly soup: Soup;
  readonly snapshot: Snapshot;
  readonly order: readonly string[];

  constructor(id: string) {
    this.soup = EXAMPLE_SOUPS.find((one) => one.id === id)!;
    const planning = makePlan(this.soup, LARDER_ROWS, READY_KITS.canteen, { bowls: 40, bowlG: 300, potId: 'boiler-40' });
    if (!planning.ok) throw new Error(planning.error.code);
    this.snapshot = planning.plan.snapshot;
    this.order = walk(this.soup.root).map(({ step }) => step.id);
  }

  idOf(op: string): string {
    return walk(this.soup.root).find(({ step }) => step.op === op)!.step.id;
  }

  before(stepId: string): Action[] {
    return this.order.slice(0, this.order.indexOf(stepId)).map((id): Action => ({ kind: 'done', stepId: id }));
  }

  after(actions: readonly Action[]) {
    return foldBatch(this.snapshot, entries(actions));
  }
}

const celeriac = new Cooked('celeriac-leek-apple');
const twoWays = new Cooked('base-two-ways');

describe('at the blade', () => {
  it('what stayed in the sieve counts as weighed, and the yield follows', () => {
    const tomato = new Cooked('tomato-roast-garlic');
    const sieve = tomato.idOf('sieve');
    const to = [...tomato.before(sieve)];
    const lost = (actions: readonly Action[]): number => {
      const record = tomato.after(actions).run.records.find(({ step }) => step.op === 'sieve')!;
      return record.outflows.reduce((sum, { parcel }) => sum + parcelKg(parcel), 0);
    };
    expect(lost([...to, { kind: 'sieved', stepId: sieve, lostKg: 0.9 }, { kind: 'done', stepId: sieve }])).toBeCloseTo(0.9, 6);
    expect(lost([...to, { kind: 'sieved', stepId: sieve, lostKg: 0 }, { kind: 'done', stepId: sieve }])).toBeCloseTo(0, 9);
    expect(lost([...to, { kind: 'done', stepId: sieve }])).toBeGreaterThan(0.05);
  });

  it('a jug counted off pours nothing: the ribbon is filled up to the blade and no further; half a pour fills half', () => {
    const blend = celeriac.idOf('blend');
    const jug: Action = { kind: 'jugged', stepId: blend, fillShare: 0.33, tempC: 90, read: false };
    const stops = (actions: readonly Action[]) => actualRibbon(celeriac.after(actions)).bands.at(-1)!.stops;
    const to = celeriac.before(blend);
    expect(stops([...to, jug]).map(({ stepId }) => stepId)).toEqual(stops(to).map(({ stepId }) => stepId));
    const cover = celeriac.idOf('cover');
    const poured = stops([...celeriac.before(cover), { kind: 'added', stepId: cover, line: 'stock', kg: 1 }]).at(-1)!;
    expect(poured.stepId).toBe(cover);
    expect(poured.afterKg - poured.beforeKg).toBeCloseTo(1, 6);
  });

  it('jugs are counted off, a probe sets the heat, and one that can’t be is kept and questioned', () => {
    const blend = celeriac.idOf('blend');
    const jug: Action = { kind: 'jugged', stepId: blend, fillShare: 0.33, tempC: 90, read: false };
    const to = celeriac.before(blend);
    const state = celeriac.after([...to, jug, jug, { kind: 'temperature', stepId: blend, tempC: 61 }]);
    expect(state.output.jugs.get(blend)).toBe(2);
    expect(state.pot.tempC).toBe(61);
    const odd = celeriac.after([...to, { kind: 'temperature', stepId: blend, tempC: 300 }]);
    expect(odd.pot.tempC).toBeGreaterThan(90);
    expect(odd.cautions.map(({ code }) => code)).toContain('TEMPERATURE_QUESTIONED');
    expect(odd.history.counted.length).toBe(to.length + 1);
  });
});

describe('a cup trial', () => {
  it('takes its cup from the pot; the dose carried over gives the pot as much a kilo as the cup had', () => {
    const season = celeriac.idOf('season');
    const to = celeriac.before(season);
    const potBefore = potKg(celeriac.after(to).pot);
    const tried = celeriac.after([...to, { kind: 'cup', stepId: season, cupKg: 0.2, line: 'salt', doseKg: 0.002 }]);
    expect(potKg(tried.pot)).toBeCloseTo(potBefore - 0.2, 6);
    const doseKg = potDose({ cupKg: 0.2, doseKg: 0.002, potKg: potBefore });
    expect(doseKg / potKg(tried.pot)).toBeCloseTo(0.01, 9);
  });
});

describe('dishing out', () => {
  const dish = twoWays.idOf('dish');
  const to = [...twoWays.before(dish)];

  it('bowls are counted by share and sitting, ladlings by their word, and what is left goes to the cold', () => {
    const state = twoWays.after([
      ...to,
      { kind: 'dished', bowls: 12, share: 'creamed' },
      { kind: 'dished', bowls: 5, share: 'plain' },
      { kind: 'dished', bowls: 8, share: 'creamed', sitting: 2 },
      { kind: 'ladled out', stepId: dish, kg: 1.5, as: 'staff meal' },
      { kind: 'ladled out', stepId: dish, kg: 0.4, as: 'spilt' },
      { kind: 'stored', kg: 2.2 },
    ]);
    expect(state.dishedBowls).toBe(25);
    expect(state.output.byShare.get('creamed')).toBe(20);
    expect([...state.output.bySitting]).toEqual([
      [1, 17],
      [2, 8],
    ]);
    expect(state.output.elsewhereKg.get('staff meal')).toBe(1.5);
    expect(state.output.storedKg).toBe(2.2);
    const without = twoWays.after(to);
    expect(without.forecast.bowls - state.forecast.bowls).toBeCloseTo(1.9 / 0.285, 0);
  });

  it('a dip while bowls go out counts those that have gone', () => {
    const counted: Action[] = [...to, { kind: 'dished', bowls: 20 }];
    const massKg = twoWays.after(to).massKg;
    // Half of the bowls stir in 20 g, an eighth 30 g, the rest nothing: 0.5 x 280 + 0.125 x 270 + 0.375 x 300 = 286.25 g of the pot.
    const left = massKg - 20 * 0.28625;
    const weighed = twoWays.after([...counted, { kind: 'weighed', stepId: dish, grossKg: left + 10, tareKg: 10 }]);
    expect(weighed.massKg).toBeCloseTo(massKg, 6);
    expect(weighed.readings.at(-1)?.questioned).toBeFalse();
  });

  it('each share has its own card: milk in one, none in the other, and together they are the pot', () => {
    const { shares, forecast } = twoWays.after(to);
    const named = new Map(shares.map((share) => [share.id, share]));
    expect(named.get('creamed')?.facts?.allergens).toContain('milk');
    expect(named.get('plain')?.facts?.allergens).not.toContain('milk');
    expect(named.get('plain')?.facts?.creamG).toBe(0);
    expect(shares.reduce((sum, { bowls }) => sum + bowls, 0)).toBeCloseTo(forecast.bowls, 6);
    expect(shares.reduce((sum, { totalKg }) => sum + totalKg, 0)).toBeCloseTo(forecast.servedKg, 6);
  });

  it('an hour on the bain-marie takes water and thickens; a top-up puts the weight back', () => {
    const held = (topUp: string | undefined) =>
      twoWays.after([
        ...to,
        { kind: 'held', stepId: dish, minutes: 60, atC: 75, lid: 'off', ...(topUp === undefined ? {} : { topUp }) },
      ]);
    const fresh = twoWays.after(to);
    const dry = held(undefined);
    expect(dry.massKg).toBeLessThan(fresh.massKg - 0.1);
    expect(dry.forecast.bodyMPas).toBeGreaterThan(fresh.forecast.bodyMPas);
    const stock = walk(twoWays.soup.root).flatMap(({ step }) => (step.op === 'thin' ? [step.line] : []))[0]!;
    expect(held(stock).massKg).toBeCloseTo(fresh.massKg, 1);
  });

  it('the hour that is told beforehand is the hour that comes, whatever has gone out in bowls', () => {
    const hold: Action = { kind: 'held', stepId: dish, minutes: 60, atC: 75, lid: 'off' };
    for (const bowls of [0, 25]) {
      const out: Action[] = [...to, { kind: 'temperature', stepId: dish, tempC: 75 }, { kind: 'dished', bowls }];
      const now = twoWays.after(out);
      const told = hourNow(now.fronts[0]!.step, now.pots.get(twoWays.soup.root.id)!, now)!;
      const then = twoWays.after([...out, hold]);
      expect(told.atC).toBe(75);
      expect(told.lostKg)
        .withContext(String(bowls))
        .toBeCloseTo(now.massKg - then.massKg, 6);
      expect(told.lidOnKg).toBeLessThan(told.lostKg);
      expect(told.saltToPct).toBeGreaterThan(told.saltFromPct);
      // The fewer kilos are left, the more an hour thickens them.
      const bodyOf = ({ pot, prepared }: BatchState): number => bodyMPas(pot, prepared.servedC, prepared.parameters.bodyA);
      if (bowls === 0) expect(told.bodyTo).toBeCloseTo(bodyOf(then), 0);
      else expect(told.bodyTo / told.bodyFrom).toBeGreaterThan(bodyOf(then) / bodyOf(now));
    }
    const blend = celeriac.idOf('blend');
    const before = celeriac.after(celeriac.before(blend));
    expect(hourNow(before.fronts[0]!.step, before.pot, before)).toBeUndefined();
  });

  it('a second pot of the same soup adds bowls and changes neither salt nor body; its heat is mixed in', () => {
    const fresh = twoWays.after([...to, { kind: 'temperature', stepId: dish, tempC: 80 }]);
    const filled = twoWays.after([
      ...to,
      { kind: 'temperature', stepId: dish, tempC: 80 },
      { kind: 'refilled', stepId: dish, kg: 4, tempC: 60 },
    ]);
    expect(filled.massKg).toBeCloseTo(fresh.massKg + 4, 9);
    expect(filled.forecast.saltPct).toBeCloseTo(fresh.forecast.saltPct, 9);
    expect(filled.forecast.bodyMPas).toBeCloseTo(fresh.forecast.bodyMPas, 6);
    expect(filled.forecast.bowls - fresh.forecast.bowls).toBeCloseTo(4 / 0.285, 0);
    // Two pots of one soup mix by weight.
    expect(filled.pot.tempC).toBeCloseTo((fresh.massKg * 80 + 4 * 60) / filled.massKg, 1);
    expect(filled.forecast.facts!.cost).toBeCloseTo(fresh.forecast.facts!.cost, 6);
    expect(celeriac.after([{ kind: 'refilled', stepId: celeriac.order[0]!, kg: 4, tempC: 60 }]).massKg).toBe(0);
  });

  it('a ladle part-way through takes pieces and liquid alike', () => {
    const blend = celeriac.idOf('blend');
    const before = celeriac.after(celeriac.before(blend));
    const after = celeriac.after([...celeriac.before(blend), { kind: 'ladled out', stepId: blend, kg: 3, as: 'to another pot' }]);
    expect(after.massKg).toBeCloseTo(before.massKg - 3, 9);
    const whole = (pot: typeof before.pot): number => pot.cohorts.reduce((sum, { parcel }) => sum + parcelKg(parcel), 0);
    expect(whole(after.pot) / after.massKg).toBeCloseTo(whole(before.pot) / before.massKg, 9);
  });
});

describe('an entry for a step that nobody could be at yet', () => {
  const cover = celeriac.idOf('cover');
  const cream = celeriac.idOf('cream');
  const pour: Action = { kind: 'poured', stepId: cream, line: 'cream', vessel: 'Carton', volumeM3: 1e-3 };

  it('counts where it was told to have happened, and is shown until somebody has come as far', () => {
    const at = celeriac.before(cover);
    const state = celeriac.after([...at, pour]);
    expect(state.early.length).toBe(1);
    expect(state.history.counted.map(({ id }) => id)).toContain(state.early[0]!);
    expect(state.inKg.get('cream')).toBeGreaterThan(0.9);
    expect(state.current?.step.id).toBe(cover);
    const later = celeriac.after([...at, pour, ...celeriac.before(cream).slice(at.length)]);
    expect(later.early).toEqual([]);
    expect(later.inKg.get('cream')).toBeCloseTo(state.inKg.get('cream')!, 9);
  });

  it('a weight less than the empty pot is kept and flagged, and moves nothing, however often it is read', () => {
    const at = celeriac.before(cover);
    const light: Action = { kind: 'weighed', stepId: cover, grossKg: 2, tareKg: 8 };
    const before = celeriac.after(at);
    const after = celeriac.after([...at, light, light, light]);
    expect(after.massKg).toBe(before.massKg);
    expect(after.belowTare.length).toBe(3);
    expect(after.readings).toEqual(before.readings);
    const tared: Action = { kind: 'weighed', stepId: cover, grossKg: before.massKg + 0.1, tareKg: 0 };
    expect(celeriac.after([...at, tared]).belowTare).toEqual([]);
    expect(celeriac.after([...at, tared]).massKg).toBeGreaterThan(before.massKg);
  });

  it('at the step in hand, beside it, or with a note nothing is early', () => {
    const at = celeriac.before(cover);
    const here: Action = { kind: 'poured', stepId: cover, line: 'stock', vessel: 'Ladle', volumeM3: 5e-4 };
    expect(celeriac.after([...at, here]).early).toEqual([]);
    expect(celeriac.after([...at, { kind: 'note', stepId: cream, text: 'fetch the cream' }]).early).toEqual([]);
    expect(celeriac.after([...at, pour, { kind: 'closed' }]).early).toEqual([]);
  });
});

describe('what has been forgotten', () => {
  const cream = celeriac.idOf('cream');
  const dish = celeriac.idOf('dish');
  const upTo = (stepId: string, instead: Readonly<Record<string, Action>>): Action[] =>
    celeriac.before(stepId).map((action) => (action.kind === 'done' ? (instead[action.stepId] ?? action) : action));
  const missing = (actions: readonly Action[]): string[] => missingOf(celeriac.after(actions)).map(({ lineId }) => lineId);

  it('nothing is while all is done as planned, at any step of any soup', () => {
    for (const id of ['celeriac-leek-apple', 'base-two-ways', 'squash-coconut-chilli', 'fennel-egg-cream']) {
      const cooked = new Cooked(id);
      for (const stepId of cooked.order)
        expect(missingOf(cooked.after(cooked.before(stepId))))
          .withContext(`${id} ${stepId}`)
          .toEqual([]);
    }
  });

  it('a line is whose step was skipped without a word; not with a reason, nor once it is in or said to be left out', () => {
    const skipped = upTo(dish, { [cream]: { kind: 'skipped', stepId: cream } });
    expect(missing(skipped)).toEqual(['cream']);
    expect(missing(upTo(dish, { [cream]: { kind: 'skipped', stepId: cream, why: 'ran out' } }))).toEqual([]);
    expect(missing([...skipped, { kind: 'added', stepId: dish, line: 'cream', kg: 0.6 }])).toEqual([]);
    expect(missing([...skipped, { kind: 'left out', line: 'cream' }])).toEqual([]);
    expect(missing(celeriac.before(cream))).toEqual([]);
  });

  it('a part is: less than half of what was planned, weighed in by hand', () => {
    const trim = walk(celeriac.soup.root).find(({ step }) => step.op === 'trim')!.step;
    const [use] = trim.op === 'trim' ? trim.uses : [];
    const line = use!.line;
    const plannedKg = celeriac.after([]).planned.run.usedKg.get(line)!;
    const weighed = (share: number): Action[] => [
      { kind: 'added', stepId: trim.id, line, kg: plannedKg * share },
      ...celeriac.before(dish),
    ];
    expect(missing(weighed(0.4))).toEqual([line]);
    expect(missing(weighed(0.6))).toEqual([]);
  });
});

describe('side by side', () => {
  const beetroot = EXAMPLE_SOUPS.find(({ id }) => id === 'beetroot-horseradish')!;
  const join = walk(beetroot.root).find(({ step }) => step.op === 'join')!.step.id;
  const none = (): boolean => false;

  it('what has to be tipped in first holds up its pot; a tray that joins later is roasted meanwhile', () => {
    const tray = walk(beetroot.root)[0]!.branch.id;
    expect(frontsOf(beetroot.root, none).map(({ branch }) => branch.id)).toEqual([tray]);
    const cover = walk(beetroot.root).findIndex(({ step }) => step.op === 'cover');
    const later = moveStep(beetroot, join, { branchId: beetroot.root.id, index: beetroot.root.steps.length - 1 });
    expect(cover).toBeGreaterThan(0);
    const fronts = frontsOf(later.root, none);
    expect(fronts.map(({ branch }) => branch.id).sort()).toEqual([tray, later.root.id].sort());
    const roasted = new Set(walk(later.root).flatMap(({ step, branch }) => (branch.id === tray ? [step.id] : [])));
    expect(frontsOf(later.root, (id) => roasted.has(id)).map(({ branch }) => branch.id)).toEqual([later.root.id]);
  });

  it('every front is the first of its branch that is not over, whatever is over', () => {
    for (const soup of EXAMPLE_SOUPS) {
      const order = walk(soup.root);
      for (let n = 0; n < order.length; n++) {
        const over = new Set(order.slice(0, n).map(({ step }) => step.id));
        const fronts = frontsOf(soup.root, (id) => over.has(id));
        expect(fronts[0]?.step.id).toBe(order[n]!.step.id);
        expect(new Set(fronts.map(({ branch }) => branch.id)).size).toBe(fronts.length);
      }
    }
  });

  it('reminders come on the way and stop before the end', () => {
    const timer = { stepId: undefined, silenced: false, startedAtMs: START, endsAtMs: START + 40 * MINUTE_MS };
    const at = (minutes: number): number[] =>
      remindsAtMs({ ...timer, every: { minutes, of: 'toss' } }).map((ms) => (ms - START) / MINUTE_MS);
    expect(at(15)).toEqual([15, 30]);
    expect(at(10)).toEqual([10, 20, 30]);
    expect(at(39)).toEqual([]);
    expect(remindsAtMs({ ...timer, every: undefined })).toEqual([]);
  });
});

describe('written back to the card', () => {
  const { order, soup } = celeriac;
  const stock = walk(soup.root).flatMap(({ step }) => (step.op === 'cover' ? [step.line] : []))[0]!;
  const cream = walk(soup.root).flatMap(({ step }) => (step.op === 'cream' ? [step.line] : []))[0]!;
  const vegetable = walk(soup.root).flatMap(({ step }) => (step.op === 'trim' ? step.uses : []))[0]!.line;
  const actions = (id: string): Action[] => {
    const trimId = walk(soup.root).find(({ step }) => step.op === 'trim' && step.uses.some(({ line }) => line === vegetable))!.step
      .id;
    switch (id) {
      case celeriac.idOf('cover'):
        return [{ kind: 'added', stepId: id, line: stock, kg: 9 }];
      case celeriac.idOf('sweat'):
        return [{ kind: 'done', stepId: id, minutes: 19 }];
      case trimId:
        return [{ kind: 'added', stepId: id, line: vegetable, kg: 3 }];
      case celeriac.idOf('season'):
        return [{ kind: 'brought', stepId: id, line: 'nutmeg-too', row: row('nutmeg'), kg: 0.008 }];
      default:
        return [];
    }
  };
  const cooked: Action[] = [
    { kind: 'swapped', line: cream, row: row('coconut-milk') },
    ...order.flatMap((id): Action[] => {
      const own = actions(id);
      return own.some(({ kind }) => kind === 'done') ? own : [...own, { kind: 'done', stepId: id }];
    }),
    { kind: 'closed' },
  ];
  const state = celeriac.after(cooked);
  const items = writeBack(state);

  it('names what was done otherwise, at the card’s own size, and nothing that went as planned', () => {
    for (const { id } of EXAMPLE_SOUPS) {
      const one = new Cooked(id);
      const asPlanned = one.order.map((stepId): Action => ({ kind: 'done', stepId }));
      expect(writeBack(one.after([...asPlanned, { kind: 'closed' }])))
        .withContext(id)
        .toEqual([]);
    }
    const of = (what: string) => items.find((item) => item.what === what);
    const { scale } = celeriac.snapshot;
    const poured = of('poured');
    if (poured?.what !== 'poured') throw new Error('no stock');
    expect(poured.line).toBe(stock);
    expect(poured.is * scale).toBeCloseTo(9, 9);
    expect(of('swapped')).toEqual(jasmine.objectContaining({ line: cream, is: 'coconut-milk' }));
    expect(of('minutes')).toEqual(jasmine.objectContaining({ stepId: celeriac.idOf('sweat'), is: 19 }));
    expect(of('brought')).toEqual(jasmine.objectContaining({ ingredient: 'nutmeg', kg: 0.008 / scale }));
    const amount = items.find((item) => item.what === 'amount' && item.line === vegetable)!;
    if (amount.what !== 'amount') throw new Error('no amount');
    expect(amount.is * scale).toBeCloseTo(3, 6);
  });

  it('what is ticked is taken over and makes a soup that can be cooked; planned at that size it comes out as it was done', () => {
    const next = takenOver(soup, items);
    expect(checkSoup(next, larder)).toEqual([]);
    const planning = makePlan(next, LARDER_ROWS, READY_KITS.canteen, {
      ...celeriac.snapshot.request,
      bowls: Math.round(state.forecast.bowls),
    });
    if (!planning.ok) throw new Error(planning.error.code);
    const ratio = planning.plan.snapshot.scale / celeriac.snapshot.scale;
    expect(ratio).toBeGreaterThan(0.9);
    expect(ratio).toBeLessThan(1.1);
    expect(planning.plan.run.usedKg.get(stock)! / ratio).toBeCloseTo(9, 0);
    const only = takenOver(
      soup,
      items.filter(({ what }) => what === 'minutes'),
    );
    expect(only.lines).toEqual(soup.lines);
    expect(takenOver(soup, [])).toEqual(soup);
  });
});
