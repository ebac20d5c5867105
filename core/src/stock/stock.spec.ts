import fc from 'fast-check';
import { LARDER_ROWS, SALT, makeIngredient } from '../larder/index.js';
import { READY_KITS, dayOf } from '../kit/index.js';
import { PlanRequestSchema, figuresOf, makePlan, planToBuy, rerun } from '../plan/index.js';
import { contents, parcelKg, parcelOf } from '../pot/index.js';
import { EXAMPLE_SOUPS, walk } from '../soup/index.js';
import {
  ContentsSchema,
  NOTHING_KG,
  STOCK_SHAPE,
  StockEntrySchema,
  TAKEN_AS,
  bringBack,
  contentsOf,
  daysBetween,
  foldStock,
  keptBowls,
  keptRow,
  keepingOf,
  letDown,
  mayGoInto,
  plusDays,
  readingsOf,
  saltForWaterKg,
  tiesOf,
  type Container,
  type Contents,
  type StockAction,
  type StockEntry,
  type Store,
} from './index.js';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
const START = Date.UTC(2026, 2, 2, 14, 0);
const rules = { keeping: keepingOf('ready-to-eat'), dayOf: (ms: number) => dayOf(ms, 'UTC') };
const fridge: Store = { id: 'fridge', name: 'Fridge', kind: 'fridge' };
const freezer: Store = { id: 'freezer', name: 'Freezer', kind: 'freezer' };
const idOf = (n: number): string => `00000000-0000-4000-8000-${n.toString(16).padStart(12, '0')}`;
const [A, B, C, D] = [idOf(1), idOf(2), idOf(3), idOf(4)] as const;
const BATCH = idOf(99);

function planned(id: string) {
  const soup = EXAMPLE_SOUPS.find((one) => one.id === id)!;
  const planning = makePlan(soup, LARDER_ROWS, READY_KITS.canteen, { bowls: 40, bowlG: 300, potId: 'boiler-40' });
  if (!planning.ok) throw new Error(planning.error.code);
  return planning.plan;
}

const lentil: Contents = contentsOf(planned('red-lentil-tomato'))!;

/** Entries one after another, each so many hours after the start. */
function entries(list: readonly (readonly [hours: number, action: StockAction])[]): StockEntry[] {
  return list.map(([hours, action], n) =>
    StockEntrySchema.parse({
      of: 'stock',
      id: idOf(1000 + n),
      shape: STOCK_SHAPE,
      stamp: { counter: n + 1, device: 'tablet-a', seq: n },
      atMs: START + hours * HOUR_MS,
      who: 'AB',
      action,
    }),
  );
}

function filled(container: string, kg: number, held: Partial<Contents> = {}, store = fridge): StockAction {
  return { kind: 'filled', container, kg, vessel: 'tub', madeMs: START, store, contents: { ...lentil, ...held } };
}

const fold = (list: Parameters<typeof entries>[0]) => foldStock(entries(list), rules);
const total = (values: Iterable<number>): number => [...values].reduce((sum, one) => sum + one, 0);

function balance({ kg, inKg, foundKg, outKg }: Container): number {
  return inKg + foundKg - total(Object.values(outKg)) - kg;
}

describe('the stock', () => {
  it('is told of splitting, joining, taking and throwing away, and every kilo is somewhere', () => {
    const { containers, notices } = fold([
      [0, filled(A, 6)],
      [1, { kind: 'split', container: A, into: B, vessel: 'pan', kg: 2.5 }],
      [2, filled(C, 1)],
      [3, { kind: 'joined', container: B, other: C, kg: 1 }],
      [4, { kind: 'took', container: A, kg: 0.9, as: 'bowls' }],
      [5, { kind: 'threw away', container: B, kg: 0.5, why: 'stood open' }],
      [6, { kind: 'recounted', container: A, kg: 2.4 }],
    ]);
    expect(notices).toEqual([]);
    expect(containers.get(A)!.kg).toBeCloseTo(2.4, 9);
    expect(containers.get(A)!.foundKg).toBeCloseTo(-0.2, 9);
    expect(containers.get(B)!.kg).toBeCloseTo(3, 9);
    expect(containers.get(B)!.outKg).toEqual({ 'thrown away': 0.5 });
    expect(containers.get(C)!.state).toBe('gone');
    for (const one of containers.values()) expect(balance(one)).toBeCloseTo(0, 9);
  });

  it('two tablets take the last bowls at once: nothing is negative, and both see what was not there', () => {
    const { containers, notices } = fold([
      [0, filled(A, 1)],
      [1, { kind: 'took', container: A, kg: 0.9, as: 'bowls' }],
      [1, { kind: 'took', container: A, kg: 0.6, as: 'bowls' }],
    ]);
    expect(containers.get(A)!.kg).toBe(0);
    expect(containers.get(A)!.outKg.bowls).toBeCloseTo(1, 9);
    expect(notices).toEqual([{ entryId: idOf(1002), container: A, kind: 'more than was there', kg: jasmine.any(Number) }]);
    expect(notices[0]!.kg).toBeCloseTo(0.5, 9);
  });

  it('counts the days of ready-to-eat food: seven with the first, stopped by the freezer, gone on with by thawing (FDA Food Code 2022, 3-501.17)', () => {
    const day = (list: Parameters<typeof entries>[0]) => fold(list).containers.get(A)!.useBy;
    expect(day([[0, filled(A, 2)]]).day).toBe('2026-03-08');
    // Two days in the fridge, the day of making and the day of freezing; then five are left, the day of thawing among them.
    const frozen = day([
      [0, filled(A, 2)],
      [24, { kind: 'moved', container: A, store: freezer }],
    ]);
    expect(frozen).toEqual(jasmine.objectContaining({ day: '2026-06-01', daysOnceThawed: 5 }));
    const thawed = day([
      [0, filled(A, 2)],
      [24, { kind: 'moved', container: A, store: freezer }],
      [24 * 31, { kind: 'moved', container: A, store: fridge }],
    ]);
    expect(thawed.day).toBe('2026-04-06');
    expect(daysBetween('2026-04-02', thawed.day) + 1).toBe(5);
    // Frozen on its last day: none is left when it thaws.
    const late = day([
      [0, filled(A, 2)],
      [24 * 6, { kind: 'moved', container: A, store: freezer }],
      [24 * 20, { kind: 'moved', container: A, store: fridge }],
    ]);
    expect(late.day < '2026-03-22').toBe(true);
  });

  it('is shorter for cream and egg, by a home’s rule, and for what went in', () => {
    const of = (held: Partial<Contents>, own = rules) =>
      foldStock(entries([[0, filled(A, 2, held)]]), own).containers.get(A)!.useBy;
    expect(of({ holds: ['cream'] })).toEqual(jasmine.objectContaining({ day: '2026-03-05', shortenedBy: 'cream' }));
    expect(of({ holds: ['cream', 'egg'] })).toEqual(jasmine.objectContaining({ day: '2026-03-03', shortenedBy: 'egg' }));
    expect(of({}, { ...rules, keeping: keepingOf('home') }).day).toBe('2026-03-05');
    const { containers } = fold([
      [0, filled(A, 2)],
      [24 * 4, { kind: 'took', container: A, kg: 1, as: 'used', batchId: BATCH }],
      [24 * 4 + 1, { ...filled(B, 8), madeMs: START + 4 * DAY_MS, from: { batchId: BATCH } } as StockAction],
      [24 * 4 + 2, { ...filled(C, 8), madeMs: START + 4 * DAY_MS } as StockAction],
      [24 * 4 + 3, { kind: 'joined', container: C, other: B, kg: 1 }],
    ]);
    expect(containers.get(B)!.useBy).toEqual(jasmine.objectContaining({ day: '2026-03-08', shortenedBy: 'what went in' }));
    expect(containers.get(C)!.useBy).toEqual(jasmine.objectContaining({ day: '2026-03-08', shortenedBy: 'what went in' }));
    expect(containers.get(C)!.madeMs).toBe(START + 4 * DAY_MS);
  });

  it('says what can’t be: twice filled, unknown, into itself, a frozen one joined to one that is not, past its day', () => {
    const { notices, containers } = fold([
      [0, filled(A, 2)],
      [0, filled(A, 3)],
      [1, { kind: 'took', container: D, kg: 1, as: 'staff' }],
      [1, { kind: 'split', container: A, into: A, vessel: 'tub', kg: 1 }],
      [1, filled(B, 1, {}, freezer)],
      [2, { kind: 'joined', container: A, other: B, kg: 1 }],
      [2, { kind: 'took', container: B, kg: 0.2, as: 'bowls' }],
      [2, { kind: 'read', container: A, tempC: 40 }],
      [24 * 9, { kind: 'took', container: A, kg: 0.5, as: 'bowls' }],
    ]);
    expect(notices.map(({ kind }) => kind)).toEqual([
      'filled twice',
      'no such container',
      'into itself',
      'frozen and not',
      'taken frozen',
      'not cooled',
      'past its day',
    ]);
    expect(containers.get(A)!.kg).toBeCloseTo(1.5, 9);
  });

  it('cools on record: set to, read, half of it rescued into a second pan, cold; what was undone did not happen', () => {
    const cool: StockAction = {
      kind: 'set to cool',
      container: A,
      startC: 80,
      depthM: 0.06,
      place: 'walk-in',
      isStirred: false,
      rule: 'two-stage',
      words: 'one pan',
    };
    const list = entries([
      [0, filled(A, 6)],
      [0, cool],
      [1, { kind: 'read', container: A, tempC: 55 }],
      [1.1, { kind: 'read', container: A, tempC: 5 }],
      [1.2, { kind: 'undone', container: A, target: idOf(1003) }],
      [1.5, { kind: 'split', container: A, into: B, vessel: 'pan', kg: 3 }],
      [1.5, { ...cool, startC: 50, depthM: 0.03 }],
      [6, { kind: 'cooled', container: A, store: fridge }],
    ]);
    const midway = foldStock(list.slice(0, 6), rules).containers;
    expect(midway.get(A)!.cooling!.readings.map(({ tempC }) => tempC)).toEqual([55]);
    expect(midway.get(B)!.state).toBe('cooling');
    expect(midway.get(B)!.cooling!.readings).toEqual([]);
    const end = foldStock(list, rules).containers;
    expect(end.get(A)).toEqual(jasmine.objectContaining({ state: 'chilled', kg: 3, cooledMs: START + 6 * HOUR_MS }));
    expect(end.get(A)!.cooling!.depthM).toBe(0.03);
    // Set to cool anew without the time it had: the rule begins again, and what was before is not of it.
    expect(readingsOf(end.get(A)!.cooling!)).toEqual([{ atMs: START + 1.5 * HOUR_MS, tempC: 50 }]);
    // The other half was only poured apart: what was read of the whole was read of it.
    expect(readingsOf(end.get(B)!.cooling!).map(({ tempC }) => tempC)).toEqual([80, 55]);
  });

  it('keeps allergens of all, and only the diets of both, when soups are joined', () => {
    const cream = contentsOf(planned('fennel-egg-cream'))!;
    const { containers } = fold([
      [0, filled(A, 1)],
      [0, { ...filled(B, 3), contents: cream } as StockAction],
      [1, { kind: 'joined', container: A, other: B, kg: 3 }],
    ]);
    const { contents: both } = containers.get(A)!;
    for (const one of [...lentil.row.allergens, ...cream.row.allergens]) expect(both.row.allergens).toContain(one);
    expect(both.diets.every((diet) => lentil.diets.includes(diet) && cream.diets.includes(diet))).toBe(true);
    expect(both.holds).toContain('cream');
    const salt = (lentil.row.composition.salt + 3 * cream.row.composition.salt) / 4;
    expect(both.row.composition.salt).toBeCloseTo(salt, 4);
    expect(ContentsSchema.safeParse(both).success).toBe(true);
  });

  it('a kept soup is an ingredient with the composition, salt, allergens and cost of what stood in the pot', () => {
    for (const soup of EXAMPLE_SOUPS) {
      const plan = planned(soup.id);
      const held = contentsOf(plan)!;
      expect(ContentsSchema.safeParse(held).success).withContext(soup.id).toBe(true);
      const pot = contents(plan.run.records.at(-1)!.before);
      const back = parcelOf(makeIngredient(held.row), parcelKg(pot));
      for (const [n, kg] of pot.mix.entries())
        expect(back.mix[n])
          .withContext(`${soup.id} ${String(n)}`)
          .toBeCloseTo(kg, 4);
      expect(back.mix[SALT] / parcelKg(back)).toBeCloseTo(pot.mix[SALT] / parcelKg(pot), 6);
      expect(back.allergens & pot.allergens)
        .withContext(soup.id)
        .toBe(pot.allergens & back.allergens);
      expect(held.row.allergens.length).toBeGreaterThanOrEqual(0);
      expect(held.row.pricePerKg * parcelKg(pot)).toBeCloseTo(pot.carried[8], 2);
    }
  });

  it('holds at the ends of time that an entry may name, and takes none beyond', () => {
    const [entry] = entries([[0, filled(A, 2, {}, freezer)]]);
    const at = (atMs: number) => StockEntrySchema.safeParse({ ...entry!, atMs });
    for (const atMs of [0, 2.5e14]) {
      const parsed = at(atMs);
      if (!parsed.success) throw new Error('It may be named.');
      expect(foldStock([parsed.data], rules).containers.get(A)!.useBy.day).toMatch(/^\d{4}-\d\d-\d\d$/);
    }
    expect(at(8.64e15).success).toBe(false);
  });

  it('days are days of the calendar, over the end of a month, a leap year and the change of the clocks', () => {
    expect(plusDays('2028-02-27', 3)).toBe('2028-03-01');
    expect(plusDays('2026-03-28', 2)).toBe('2026-03-30');
    expect(daysBetween('2026-12-30', '2027-01-02')).toBe(3);
  });
});

const containerId = fc.constantFrom(A, B, C, D);
const kilos = fc.double({ min: 0.001, max: 12, noNaN: true });
const store = fc.constantFrom(fridge, freezer);
const anyAction: fc.Arbitrary<StockAction> = fc.oneof(
  {
    weight: 3,
    arbitrary: fc
      .record({ container: containerId, kg: kilos, store })
      .map(({ container, kg, store: at }) => filled(container, kg, {}, at)),
  },
  fc.record({
    kind: fc.constant('split' as const),
    container: containerId,
    into: containerId,
    vessel: fc.constant('pan'),
    kg: kilos,
  }),
  fc.record({ kind: fc.constant('joined' as const), container: containerId, other: containerId, kg: kilos }),
  fc.record({ kind: fc.constant('took' as const), container: containerId, kg: kilos, as: fc.constantFrom(...TAKEN_AS) }),
  fc.record({ kind: fc.constant('threw away' as const), container: containerId, kg: kilos, why: fc.constant('old') }),
  fc.record({
    kind: fc.constant('reheated' as const),
    container: containerId,
    kg: kilos,
    toC: fc.constant(75),
    minutes: fc.constant(9),
  }),
  fc.record({ kind: fc.constant('recounted' as const), container: containerId, kg: fc.double({ min: 0, max: 9, noNaN: true }) }),
  fc.record({ kind: fc.constant('moved' as const), container: containerId, store }),
  fc.record({ kind: fc.constant('set to dry' as const), container: containerId, trays: fc.constant(2), squares: fc.constant(10) }),
  fc.record({ kind: fc.constant('weighed dry' as const), container: containerId, kg: kilos }),
  fc.record({ kind: fc.constant('dried' as const), container: containerId, kg: kilos, store }),
  fc.record({ kind: fc.constant('opened' as const), container: containerId }),
  fc.record({ kind: fc.constant('read' as const), container: containerId, tempC: fc.constant(20) }),
  fc.record({
    kind: fc.constant('undone' as const),
    container: containerId,
    target: fc.integer({ min: 1000, max: 1030 }).map(idOf),
  }),
);

describe('the stock over any entries', () => {
  const any = fc
    .array(fc.tuple(fc.double({ min: 0, max: 400, noNaN: true }), anyAction), { maxLength: 30 })
    .map((list) => entries(list));

  it('never throws, loses nothing, makes nothing: what went in and was found is what went out and is there', () => {
    fc.assert(
      fc.property(any, (list) => {
        const { containers, notices, counted } = foldStock(list, rules);
        for (const one of containers.values()) {
          expect(one.kg).toBeGreaterThanOrEqual(0);
          expect(Math.abs(balance(one))).toBeLessThan(1e-9);
          expect(one.state === 'gone').toBe(one.kg < NOTHING_KG);
          expect(one.useBy.day).toMatch(/^\d{4}-\d\d-\d\d$/);
        }
        // What one container gave another got: all that came from outside was filled in.
        const own = [...containers.values()];
        const refused = new Set(notices.flatMap(({ entryId, kind }) => (kind === 'filled twice' ? [entryId] : [])));
        const filledKg = total(counted.map(({ id, action }) => (action.kind === 'filled' && !refused.has(id) ? action.kg : 0)));
        const between = total(own.map(({ outKg }) => (outKg.split ?? 0) + (outKg.joined ?? 0)));
        expect(total(own.map(({ inKg }) => inKg)) - between).toBeCloseTo(filledKg, 8);
      }),
      { numRuns: 300 },
    );
  });

  it('is the same in whatever order entries come, and however often', () => {
    fc.assert(
      fc.property(any, fc.infiniteStream(fc.integer({ min: 0, max: 1e6 })), (list, dice) => {
        const shuffled = list
          .map((entry) => ({ entry, key: dice.next().value as number }))
          .sort((a, b) => a.key - b.key)
          .map(({ entry }) => entry);
        expect([...foldStock([...shuffled, ...list], rules).containers].sort()).toEqual(
          [...foldStock(list, rules).containers].sort(),
        );
      }),
      { numRuns: 60 },
    );
  });

  it('folded onto what was known before is what it is folded at once', () => {
    fc.assert(
      fc.property(any, fc.nat(30), (list, cut) => {
        fc.pre(list.every(({ action }) => action.kind !== 'undone'));
        const before = foldStock(list.slice(0, cut), rules).containers;
        expect(foldStock(list.slice(cut), rules, before).containers).toEqual(foldStock(list, rules).containers);
      }),
      { numRuns: 60 },
    );
  });

  it('ties every container that an entry touches, so that they are folded together', () => {
    fc.assert(
      fc.property(any, (list) => {
        // By the ties of its entries a container folds as it does among all.
        const all = foldStock(list, rules).containers;
        for (const id of all.keys()) {
          const tied = new Set([id]);
          for (let before = 0; before !== tied.size;) {
            before = tied.size;
            for (const entry of list) if (tiesOf(entry).some((one) => tied.has(one))) tiesOf(entry).forEach((one) => tied.add(one));
          }
          const own = list.filter((entry) => tiesOf(entry).some((one) => tied.has(one)));
          expect(foldStock(own, rules).containers.get(id)).toEqual(all.get(id));
        }
      }),
      { numRuns: 60 },
    );
  });
});

describe('ice and bringing back', () => {
  it('let down with a fifth of water: as salty, thinner, every part but salt a sixth less, still a whole kilo', () => {
    const thinner = letDown(lentil, 10, 2);
    const [was, now] = [lentil.row.composition, thinner.row.composition];
    const saltKg = saltForWaterKg(lentil, 2);
    // What is in 10 kg, in 10 kg and 2 kg of water and that salt.
    const share = 10 / (12 + saltKg);
    expect(now.salt).toBeCloseTo(was.salt, 9);
    for (const part of ['fat', 'protein', 'starch', 'sugars', 'fibre'] as const)
      expect(now[part]).toBeCloseTo(was[part] * share, 5);
    const { water, fat, protein, starch, sugars, other, fibre, salt, acid, ethanol, ash } = now;
    expect(total([water, fat, protein, starch, sugars, other, fibre, salt, acid, ethanol, ash])).toBeCloseTo(100, 4);
    expect((saltKg * 1000) / 2).toBeCloseTo((was.salt * 10) / (1 - was.salt / 100), 6);
    expect(thinner.bodyMPas).toBeLessThan(lentil.bodyMPas * 0.85);
    expect(thinner.bodyMPas).toBeGreaterThan(lentil.bodyMPas * 0.4);
    expect(ContentsSchema.parse(thinner)).toEqual(thinner);
  });

  it('ice in a pan did not come out of the pot, and is there all the same', () => {
    const { containers } = fold([[0, { ...filled(A, 6), addedKg: 1 } as StockAction]]);
    expect(containers.get(A)!.kg).toBe(6);
    expect(containers.get(A)!.filledKg).toBe(5);
    expect(balance(containers.get(A)!)).toBeCloseTo(0, 9);
  });

  it('every example can be brought back to 74 °C in each ready kitchen: in the smallest pot that holds it, in time', () => {
    for (const soup of EXAMPLE_SOUPS) {
      const contents = contentsOf(planned(soup.id))!;
      for (const [name, kit] of Object.entries(READY_KITS)) {
        const back = bringBack({ contents, kg: 3, kit })!;
        const where = `${soup.id} in ${name}`;
        expect(back.minutes).withContext(where).toBeGreaterThan(3);
        expect(back.minutes).withContext(where).toBeLessThan(120);
        expect(back.steamedKg).withContext(where).toBeGreaterThan(0);
        expect(back.steamedKg).withContext(where).toBeLessThan(0.3);
        expect(back.cautions.map(({ code }) => code))
          .withContext(where)
          .not.toContain('OVER_THE_BRIM');
      }
    }
  });

  it('a pot that is too small is said, one that is not there is nothing; twice as much takes longer', () => {
    const kit = READY_KITS.canteen;
    const small = [...kit.pots].sort((a, b) => a.widthM - b.widthM)[0]!;
    const codes = bringBack({ contents: lentil, kg: 60, kit, potId: small.id })!.cautions.map(({ code }) => code);
    expect(codes).toContain('OVER_THE_BRIM');
    expect(bringBack({ contents: lentil, kg: 3, kit, potId: 'no such pot' })).toBeUndefined();
    expect(bringBack({ contents: lentil, kg: 0, kit })).toBeUndefined();
    const minutes = (kg: number): number => bringBack({ contents: lentil, kg, kit, potId: 'boiler-40' })!.minutes;
    expect(minutes(12)).toBeGreaterThan(minutes(6) * 1.7);
  });
});

describe('kept soup in a plan', () => {
  const row = keptRow({ id: A, contents: lentil });
  const kept = [{ container: A, kg: 1.5, row }];
  const request = { bowls: 40, bowlG: 300, potId: 'boiler-40' };

  it('is taken to the gram whatever the batch; bowls and salt are as asked, it is hot all through, its allergens come with it', () => {
    for (const soup of EXAMPLE_SOUPS) {
      const without = planToBuy(soup, LARDER_ROWS, READY_KITS.canteen, request);
      const planning = planToBuy(soup, LARDER_ROWS, READY_KITS.canteen, { ...request, kept });
      if (!planning.ok || !without.ok) throw new Error(soup.id);
      const { plan } = planning;
      const figures = figuresOf(plan.prepared, plan.run);
      const before = figuresOf(without.plan.prepared, without.plan.run);
      expect(plan.run.usedKg.get('kept-1')).withContext(soup.id).toBeCloseTo(1.5, 9);
      expect(plan.run.bowls).withContext(soup.id).toBeGreaterThanOrEqual(39.9);
      expect(plan.run.bowls).withContext(soup.id).toBeLessThan(41.5);
      const saltOf = ({ facts }: typeof figures): number => (facts!.saltG / facts!.massG) * 100;
      const isSettled = walk(soup.root).some(({ step }) => step.op === 'season');
      if (isSettled) expect(saltOf(figures)).withContext(soup.id).toBeCloseTo(saltOf(before), 1);
      for (const one of row.allergens) expect(figures.facts!.allergens).withContext(soup.id).toContain(one);
      if (soup.served === 'hot') {
        const boiled = plan.run.records.find(({ step }) => step.id === 'kept-boil')!;
        expect(boiled.pot.tempC).withContext(soup.id).toBeGreaterThan(74);
      }
      // What is stored is cooked again as the same.
      const again = rerun(plan.snapshot);
      expect(again.run.bowls).withContext(soup.id).toBeCloseTo(plan.run.bowls, 9);
    }
  });

  it('is taken only as what its container holds: no row of the larder is passed off as it, and none twice', () => {
    expect(PlanRequestSchema.safeParse({ ...request, kept }).success).toBeTrue();
    const onion = LARDER_ROWS.find(({ id }) => id === 'onion')!;
    expect(PlanRequestSchema.safeParse({ ...request, kept: [{ container: A, kg: 1, row: onion }] }).success).toBeFalse();
    expect(PlanRequestSchema.safeParse({ ...request, kept: [...kept, ...kept] }).success).toBeFalse();
  });

  it('of two containers each is a row and a line of its own', () => {
    const other = keptRow({ id: B, contents: lentil });
    const planning = planToBuy(EXAMPLE_SOUPS[0]!, LARDER_ROWS, READY_KITS.canteen, {
      ...request,
      kept: [...kept, { container: B, kg: 0.5, row: other }],
    });
    if (!planning.ok) throw new Error('It fits.');
    expect(planning.plan.run.usedKg.get('kept-2')).toBeCloseTo(0.5, 9);
  });
});

describe('what is kept, for a plan', () => {
  const kept = (list: Parameters<typeof entries>[0]): Container[] => [...fold(list).containers.values()];

  it('bowls of the same soup: soonest day first, what is frozen beside them, nothing past its day, nothing of another', () => {
    const all = kept([
      [0, filled(A, 3)],
      [0, filled(B, 1.3)],
      [0, filled(C, 2)],
      [0, filled(D, 4, { soupId: 'parsnip-butter' })],
      [24, { kind: 'moved', container: C, store: freezer }],
      [48, { kind: 'took', container: A, kg: 0.5, as: 'bowls' }],
    ]);
    const today = keptBowls(all, 'red-lentil-tomato', 250, '2026-03-04');
    expect(today.ready.map(({ container: { id }, bowls }) => [id, bowls])).toEqual([
      [A, 10],
      [B, 5],
    ]);
    expect([today.bowls, today.frozenBowls]).toEqual([15, 8]);
    expect(keptBowls(all, 'red-lentil-tomato', 250, '2026-03-09').bowls).toBe(0);
  });

  it('goes into another soup only where nothing is in it that the other is told to be free of', () => {
    const vegan = { vegan: true, vegetarian: true, glutenFree: true, dairyFree: true };
    const into = { soupId: 'carrot', isServedCold: false, allergens: lentil.row.allergens, diets: vegan };
    const plain: Contents = { ...lentil, diets: ['vegan', 'vegetarian', 'gluten-free', 'dairy-free'] };
    expect(mayGoInto(plain, into)).toBeTrue();
    expect(mayGoInto({ ...plain, diets: ['gluten-free', 'dairy-free'] }, into)).toBeFalse();
    expect(mayGoInto({ ...plain, row: { ...plain.row, allergens: ['milk'] } }, { ...into, allergens: [] })).toBeFalse();
    expect(mayGoInto(plain, { ...into, isServedCold: true })).toBeFalse();
    expect(mayGoInto(plain, { ...into, soupId: 'red-lentil-tomato' })).toBeFalse();
    // The boil that makes it safe would make it curdle.
    expect(mayGoInto({ ...plain, holds: ['egg'] }, into)).toBeFalse();
    expect(mayGoInto({ ...plain, holds: ['egg'], isServedCold: true }, { ...into, isServedCold: true })).toBeTrue();
  });
});

describe('freeze-dried', () => {
  const dry: Store = { id: 'dry-store', name: 'Dry store', kind: 'room' };

  it('its solids are all there, its water is booked as gone, its bowls are as light as they are, its days are others', () => {
    const { containers, notices } = fold([
      [0, filled(A, 3)],
      [24, { kind: 'set to dry', container: A, trays: 2, squares: 10 }],
      [30, { kind: 'weighed dry', container: A, kg: 1.1 }],
      [48, { kind: 'weighed dry', container: A, kg: 0.6 }],
      [50, { kind: 'dried', container: A, kg: 0.6, store: dry }],
    ]);
    const own = containers.get(A)!;
    expect(notices).toEqual([]);
    expect(own.state).toBe('dried');
    expect(own.kg).toBeCloseTo(0.6, 9);
    expect(own.outKg['dried off']).toBeCloseTo(2.4, 9);
    expect(balance(own)).toBeCloseTo(0, 9);
    const [was, now] = [lentil.row.composition, own.contents.row.composition];
    for (const part of ['fat', 'protein', 'starch', 'sugars', 'fibre', 'salt'] as const)
      expect(now[part] * 0.6).toBeCloseTo(was[part] * 3, 4);
    expect(own.contents.bowlG).toBeCloseTo(60, 6);
    expect(own.contents.wetBowlG).toBe(300);
    expect(ContentsSchema.parse(own.contents)).toEqual(own.contents);
    expect(own.useBy.day).toBe(plusDays('2026-03-04', 360));
    expect(own.useBy.rule.id).toBe('dried');
    const again = makeIngredient(own.contents.row);
    expect(again.perKg[SALT] * 0.6).toBeCloseTo(makeIngredient(lentil.row).perKg[SALT] * 3, 3);
  });

  it('past its day when it went in, it stays so', () => {
    const { containers } = fold([
      [0, filled(A, 3)],
      [24 * 8, { kind: 'set to dry', container: A, trays: 2, squares: 10 }],
      [24 * 9, { kind: 'dried', container: A, kg: 0.6, store: dry }],
    ]);
    expect(containers.get(A)!.useBy.day).toBe('2026-03-08');
  });

  it('what can’t be is told: heavier than wet, never in the dryer, twice, with what is wet, parted in it', () => {
    const { containers, notices } = fold([
      [0, filled(A, 1)],
      [0, filled(B, 1)],
      [1, { kind: 'weighed dry', container: B, kg: 0.3 }],
      [1, { kind: 'set to dry', container: A, trays: 1, squares: 10 }],
      [2, { kind: 'split', container: A, into: C, vessel: 'bag', kg: 0.1 }],
      [3, { kind: 'dried', container: A, kg: 1.4, store: dry }],
      [4, { kind: 'joined', container: B, other: A, kg: 1 }],
      [5, { kind: 'dried', container: A, kg: 0.2, store: dry }],
      [6, { kind: 'set to dry', container: A, trays: 1, squares: 10 }],
      [7, { kind: 'moved', container: A, store: freezer }],
      [8, { kind: 'moved', container: A, store: dry }],
    ]);
    expect(notices.map(({ kind }) => kind)).toEqual([
      'not in the dryer',
      'dried and not',
      'heavier than before',
      'dried and not',
      'dried and not',
    ]);
    expect(containers.get(A)!.state).toBe('dried');
    expect(containers.get(A)!.useBy.rule.id).toBe('dried');
  });
});
