import { meanOf, panAfter, panAt, type PanStands } from '../bench/index.js';
import type { StoredEntry } from '../batch/index.js';
import { COOLING_RULES, EDGE_PER_M, USUAL_PLACES, panNow, splitPlans, stuffOf, type CoolingRule } from '../cold/index.js';
import { READY_KITS } from '../kit/index.js';
import { LARDER_ROWS, makeIngredient } from '../larder/index.js';
import type { Planned } from '../plan/index.js';
import { EXAMPLE_SOUPS } from '../soup/index.js';
import {
  STOCK_SHAPE,
  contentsOf,
  foldStock,
  keepingOf,
  type Container,
  type StockAction,
  type StockEntry,
  type StockRules,
} from '../stock/index.js';
import { foldBatch } from '../batch/index.js';
import {
  HiddenKitchen,
  coolingDebriefOf,
  leftInPot,
  leftOverOf,
  lessonOf,
  normalFrom,
  planForPractice,
  truePans,
  type CoolingDebrief,
  type Hidden,
} from './index.js';

const SEEDS = 20;
const MINUTE_MS = 60_000;
const START_MS = Date.UTC(2026, 2, 2, 13);
const RULES: StockRules = { keeping: keepingOf(undefined), dayOf: () => '2026-03-02' };
const KIT = READY_KITS.canteen;
const PLACES = [...(KIT.coldPlaces ?? []), ...USUAL_PLACES];
const FRIDGE = { id: 'fridge', name: 'Fridge', kind: 'fridge' } as const;
const LESSON = lessonOf('big-pot-cools')!;
const RULE: CoolingRule = COOLING_RULES.find(({ id }) => id === 'two-stage')!;
const PROBE_SD_K = 0.4;
const idOf = (n: number): string => `00000000-0000-4000-8000-${n.toString(16).padStart(12, '0')}`;

function planned(): Planned {
  const soup = EXAMPLE_SOUPS.find(({ id }) => id === LESSON.soupId)!;
  const planning = planForPractice(soup, LESSON.bowls, LARDER_ROWS, KIT);
  if (!planning.ok) throw new Error(planning.error.code);
  return planning.plan;
}

/** Somebody who puts the soup away by what the page offers, in a kitchen whose truth only the probe tells. */
class Trainee {
  readonly stock: StockEntry[] = [];
  private nowMs = START_MS;
  private ids = 1000;
  private readonly noise: () => number;
  private readonly left: NonNullable<ReturnType<typeof leftInPot>>;
  private readonly contents;

  constructor(
    plan: Planned,
    readonly entries: readonly StoredEntry[],
    private readonly hidden: Hidden,
  ) {
    this.noise = normalFrom(hidden.seed * 31 + 5);
    this.left = leftInPot(plan, entries, hidden)!;
    this.contents = contentsOf(foldBatch(plan.snapshot, entries, plan))!;
  }

  private enter(action: StockAction): void {
    const n = this.stock.length + 1;
    const stamp = { counter: n, device: 'tablet', seq: n };
    this.stock.push({ of: 'stock', id: idOf(5000 + n), shape: STOCK_SHAPE, stamp, atMs: this.nowMs, who: 'AB', action });
  }

  private newId(): string {
    this.ids += 1;
    return idOf(this.ids);
  }

  private containers(): Container[] {
    return [...foldStock(this.stock, RULES).containers.values()];
  }

  private probe(id: string): number {
    const { counted } = foldStock(this.stock, RULES);
    const { seed, mishaps } = this.hidden;
    const pan = truePans(counted, this.left.pot, new HiddenKitchen(seed, mishaps), KIT).get(id)!;
    return Math.round((pan.at(this.nowMs).middleC + PROBE_SD_K * this.noise()) * 10) / 10;
  }

  /** As the first way says, by how hot the pot is found to be. */
  fill(): void {
    const { kg } = this.left;
    const startC = Math.round(this.left.pot.tempC(this.nowMs));
    const split = splitPlans({
      kg,
      startC,
      stuff: stuffOf(makeIngredient(this.contents.row).perKg, 1),
      pans: KIT.pans ?? [],
      places: KIT.coldPlaces ?? [],
      rule: RULE,
    });
    if (!split.ok) throw new Error('no way to cool it');
    const [way] = split.plans;
    const { depthM, place, isStirred, pans } = way!;
    for (const { pan, count, kgEach } of pans)
      for (let n = 0; n < count; n += 1) {
        const container = this.newId();
        this.enter({
          kind: 'filled',
          container,
          kg: kgEach,
          vessel: pan.name,
          madeMs: START_MS,
          store: FRIDGE,
          contents: this.contents,
        });
        this.enter({ kind: 'set to cool', container, startC, depthM, place: place.id, isStirred, rule: RULE.id, words: '' });
      }
  }

  wait(minutes: number): void {
    this.nowMs += minutes * MINUTE_MS;
  }

  private now({ cooling, contents }: Container) {
    if (cooling === undefined) throw new Error('it does not cool');
    const { startMs, startC, depthM, place, isStirred, countsFromMs, readings } = cooling;
    const minute = (ms: number): number => (ms - startMs) / MINUTE_MS;
    return panNow({
      pan: {
        stuff: stuffOf(makeIngredient(contents.row).perKg, 1),
        depthM,
        startC,
        place: PLACES.find(({ id }) => id === place)!,
        isStirred,
        edgePerM: EDGE_PER_M,
      },
      rule: RULE,
      readings: readings.map(({ atMs, tempC }) => ({ minute: Math.max(0, minute(atMs)), tempC })),
      nowMin: Math.round(minute(this.nowMs)),
      countsFromMin: countsFromMs === undefined ? undefined : minute(countsFromMs),
      places: PLACES,
    });
  }

  /** Reads each pan, and does what the page then offers first. @returns whether any still cools. */
  round(): boolean {
    for (const { id, state } of this.containers()) {
      if (state !== 'cooling') continue;
      const tempC = this.probe(id);
      this.enter({ kind: 'read', container: id, tempC });
      const one = this.containers().find((own) => own.id === id)!;
      const own = one.cooling!;
      const now = this.now(one);
      const [first] = now.rescues;
      if (tempC <= RULE.stages.at(-1)!.toC) this.enter({ kind: 'cooled', container: id, store: FRIDGE });
      else if (now.isMissed) this.enter({ kind: 'threw away', container: id, kg: one.kg, why: 'too slow' });
      else if (first !== undefined) {
        const [stage] = RULE.stages;
        const countsFromMs = own.startMs + now.countsFrom(stage!) * MINUTE_MS;
        const anew = (container: string, change: Partial<Extract<StockAction, { kind: 'set to cool' }>>): void => {
          const { depthM, place, isStirred, rule } = own;
          const startC = Math.round(now.meanC * 10) / 10;
          this.enter({
            kind: 'set to cool',
            container,
            startC,
            depthM,
            place,
            isStirred,
            rule,
            words: '',
            countsFromMs,
            ...change,
          });
        };
        if (first.rescue.kind === 'move') anew(id, { place: first.rescue.place.id, isStirred: first.rescue.isStirred });
        else {
          const into = this.newId();
          this.enter({ kind: 'split', container: id, into, vessel: one.vessel, kg: one.kg / 2 });
          anew(id, { depthM: own.depthM / 2 });
          anew(into, { depthM: own.depthM / 2 });
        }
      }
    }
    return this.containers().some(({ state }) => state === 'cooling');
  }

  readOnly(): void {
    for (const { id } of this.containers()) this.enter({ kind: 'read', container: id, tempC: 12 });
  }

  throwAway(): void {
    for (const { id, kg } of this.containers()) this.enter({ kind: 'threw away', container: id, kg, why: 'too slow' });
  }

  /** Believes the forecast, and looks at nothing. */
  believe(): void {
    this.wait(240);
    for (const { id, state } of this.containers())
      if (state === 'cooling') this.enter({ kind: 'cooled', container: id, store: FRIDGE });
  }
}

describe('a simulated pan', () => {
  const even: PanStands = {
    depthM: 0.05,
    above: { outC: 3, takesW: 10 },
    below: { outC: 3, takesW: 10 },
    heat: 4.1e6,
    conducts: 0.55,
    isStirred: false,
  };

  it('stirred is one lump by Newton, worked out by hand', () => {
    // 20 W/K over 4.1e6 · 0.05 J/K: it falls by e in 10,250 s.
    const { middleC, faceC } = panAfter(panAt(83), { ...even, isStirred: true }, 10_250);
    expect(middleC).toBeCloseTo(3 + 80 / Math.E, 9);
    expect(faceC).toBe(middleC);
  });

  it('in two lumps it obeys its own equations, its heat balances to 1e-9, and waits add up', () => {
    const uneven: PanStands = { ...even, above: { outC: 20, takesW: 10 }, below: { outC: 0.5, takesW: 200 } };
    for (const stands of [even, uneven]) {
      const start = panAfter(panAt(85), stands, 600);
      const once = panAfter(start, stands, 4000);
      const twice = panAfter(panAfter(start, stands, 1300), stands, 2700);
      expect(twice.middleC).toBeCloseTo(once.middleC, 9);
      expect(twice.faceC).toBeCloseTo(once.faceC, 9);
      // Heat out of it against the fall of its mean, by Simpson over the faces.
      const evenness = Math.min(stands.above.takesW, stands.below.takesW) / Math.max(stands.above.takesW, stands.below.takesW);
      const outW = (pan: { middleC: number; faceC: number }): number => {
        const [near, far] = stands.above.takesW > stands.below.takesW ? [stands.above, stands.below] : [stands.below, stands.above];
        return (
          near.takesW * (pan.faceC - near.outC) +
          evenness * far.takesW * (pan.faceC - far.outC) +
          (1 - evenness) * far.takesW * (pan.middleC - far.outC)
        );
      };
      const parts = 2000;
      let sum = 0;
      for (let n = 0; n <= parts; n += 1)
        sum += (n === 0 || n === parts ? 1 : n % 2 === 1 ? 4 : 2) * outW(panAfter(start, stands, (4000 * n) / parts));
      const gone = (sum * (4000 / parts)) / 3;
      const held = stands.heat * stands.depthM * (meanOf(start) - meanOf(once));
      expect(Math.abs(gone / held - 1)).toBeLessThan(1e-9);
    }
  });

  it('ends at what it meets, and is warmest in its middle on the way', () => {
    const cold = panAfter(panAt(80), even, 10 * 24 * 3600);
    expect(cold.middleC).toBeCloseTo(3, 6);
    const later = panAfter(panAt(80), even, 3600);
    expect(later.middleC).toBeGreaterThan(later.faceC);
    expect(later.faceC).toBeGreaterThan(3);
  });
});

describe('putting a big pot away', () => {
  const plan = planned();
  const entries = leftOverOf(plan, START_MS, idOf);
  const judged = (trainee: Trainee, hidden: Hidden): CoolingDebrief => coolingDebriefOf(plan, entries, trainee.stock, hidden)!;

  it('is passed by who reads and acts in time, and not by who believes the forecast: by what it is about', () => {
    let good = 0;
    let blind = 0;
    for (let seed = 1; seed <= SEEDS; seed += 1) {
      const hidden: Hidden = { seed, mishaps: LESSON.mishaps };
      const reads = new Trainee(plan, entries, hidden);
      reads.fill();
      for (let n = 0; n < 40; n += 1) {
        reads.wait(15);
        if (!reads.round()) break;
      }
      const done = judged(reads, hidden);
      if (done.isPassed) good += 1;
      const believes = new Trainee(plan, entries, hidden);
      believes.fill();
      believes.believe();
      const end = judged(believes, hidden);
      if (!end.isPassed && end.harms.every(({ kind }) => kind === 'cooled too slowly')) blind += 1;
      expect(end.best)
        .withContext(`kitchen ${String(seed)}: nothing would have done`)
        .toBeDefined();
    }
    expect(good).toBe(SEEDS);
    expect(blind).toBe(SEEDS);
  });

  it('what is left in the pot hurts too, what was thrown away is waste and hurts nobody, and the same is the same again', () => {
    const hidden: Hidden = { seed: 4, mishaps: LESSON.mishaps };
    const idle = new Trainee(plan, entries, hidden);
    expect(judged(idle, hidden).harms.map(({ kind }) => kind)).toEqual(['left standing']);
    expect(judged(idle, hidden).isPassed).toBeFalse();
    const believes = new Trainee(plan, entries, hidden);
    believes.fill();
    believes.believe();
    const slow = judged(believes, hidden);
    expect(slow.harms.length).toBeGreaterThan(0);
    expect(judged(believes, hidden)).toEqual(slow);
    believes.throwAway();
    const thrown = judged(believes, hidden);
    expect(thrown.harms).toEqual([]);
    expect(thrown.marks.find(({ mark }) => mark === 'waste')!.true).toBeCloseTo(1, 6);
    expect(thrown.isPassed).toBeFalse();
  });

  it('no reading changes what is true', () => {
    const hidden: Hidden = { seed: 9, mishaps: LESSON.mishaps };
    const trainee = new Trainee(plan, entries, hidden);
    trainee.fill();
    const before = judged(trainee, hidden).pans.map(({ stages }) => stages.map(({ minutes }) => minutes));
    trainee.wait(30);
    trainee.readOnly();
    expect(judged(trainee, hidden).pans.map(({ stages }) => stages.map(({ minutes }) => minutes))).toEqual(before);
  });
});
