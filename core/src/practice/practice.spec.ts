import { BY_EYE, WITH_METERS, evidenceFrom, fortyBowls, kitOf } from '../../spec/kitchens.js';
import { learn } from '../learn/index.js';
import fc from 'fast-check';
import { anyAction, entriesOf, entryOf, rowOf } from '../../spec/entries.js';
import { massOf } from '../bench/index.js';
import type { Action } from '../batch/index.js';
import { LARDER_ROWS } from '../larder/index.js';
import { CORE_VERSION, type Planned } from '../plan/index.js';
import { keptWordOf } from '../../spec/kept-word.js';
import { potKg } from '../pot/index.js';
import { EXAMPLE_SOUPS, walk } from '../soup/index.js';
import { oddsOf } from '../odds/index.js';
import { careless, planFor } from '../../spec/practices.js';
import {
  HiddenKitchen,
  KEPT_FIGURES,
  LESSONS,
  SimulatedCook,
  WHAT_IFS,
  asPlanned,
  cookedIn,
  cookedInMany,
  debriefOf,
  inKitchens,
  sensed,
  type Hidden,
  type InKitchens,
  type Lesson,
} from './index.js';

describe('what is true of a batch of a practice', () => {
  const plan = planFor({ soupId: 'leek-potato', bowls: 20 });
  const hidden: Hidden = { seed: 3, mishaps: {} };

  it('is what the cook’s own pot came to: the entries alone say it again', () => {
    for (const kitchen of [WITH_METERS, BY_EYE])
      for (const soupId of EXAMPLE_SOUPS.map(({ id }) => id)) {
        const own = planFor({ soupId, bowls: 30 });
        const cook = new SimulatedCook(own, { seed: 5, instruments: kitchen });
        cook.cook();
        const cooked = cookedIn(own, cook.entries, { seed: 5, mishaps: {} });
        expect(massOf(cooked.pot) / cook.trueKg)
          .withContext(soupId)
          .toBeCloseTo(1, 9);
      }
  });

  it('does not hang on what the kitchen has learnt', () => {
    const first = planFor({ soupId: 'leek-potato', bowls: 40 });
    const kitchen = new HiddenKitchen(11);
    const kit = kitOf(learn(evidenceFrom(first, kitchen, WITH_METERS, [1, 2, 3])));
    const learned = fortyBowls(first.snapshot.soup, kit);
    expect(learned.snapshot.kit.learned).toBeDefined();
    const cook = new SimulatedCook(learned, { seed: 9, instruments: WITH_METERS });
    cook.cook();
    expect(massOf(cookedIn(learned, cook.entries, { seed: 9, mishaps: {} }).pot) / cook.trueKg).toBeCloseTo(1, 9);
  });

  it('is the same again, and no reading changes it', () => {
    const entries = entriesOf(careless(plan));
    const once = cookedIn(plan, entries, hidden);
    expect(cookedIn(plan, entries, hidden)).toEqual(once);
    const last = plan.prepared.soup.root.steps.at(-1)?.id ?? '';
    const looks: Action[] = [
      { kind: 'weighed', stepId: last, grossKg: 3, tareKg: 2 },
      { kind: 'weighed', stepId: last, grossKg: 3, tareKg: 2 },
      { kind: 'salt', stepId: last, saltPct: 2 },
    ];
    const looked = cookedIn(plan, entriesOf([...careless(plan), ...looks]), hidden);
    // Looking takes its time, in which the pot cools.
    expect({ ...looked.pot, tempC: 0 }).toEqual({ ...once.pot, tempC: 0 });
    expect(looked.pot.tempC).toBeLessThan(once.pot.tempC);
    expect(looked.state.massKg).not.toBeCloseTo(once.state.massKg, 1);
  });

  it('has what was roasted or fried apart in the pot by the next step there, whether that was ticked or not', () => {
    for (const { id: soupId } of EXAMPLE_SOUPS) {
      const own = planFor({ soupId, bowls: 24 });
      const joins = walk(own.prepared.soup.root).filter(({ step }) => step.op === 'join');
      const without = cookedIn(own, entriesOf(careless(own)), hidden);
      const ticked = walk(own.prepared.soup.root).flatMap(({ step }): Action[] =>
        step.op === 'dish' ? [] : [{ kind: 'done', stepId: step.id }],
      );
      expect(massOf(without.pot) / massOf(cookedIn(own, entriesOf(ticked), hidden).pot))
        .withContext(`${soupId}, ${String(joins.length)} joins`)
        .toBeCloseTo(1, 9);
    }
  });

  it('with nothing hidden lies near what the plan says', () => {
    const kilos = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10].map((seed) =>
      massOf(cookedIn(plan, entriesOf(careless(plan)), { seed, mishaps: {} }).pot),
    );
    const mean = kilos.reduce((sum, kg) => sum + kg, 0) / kilos.length;
    expect(mean / potKg(plan.run.last!.before)).toBeGreaterThan(0.93);
    expect(mean / potKg(plan.run.last!.before)).toBeLessThan(1.07);
  });

  it('is a pot whatever is entered: no kilo less than none, none that is no number, and the same again', () => {
    const { snapshot } = plan;
    fc.assert(
      fc.property(fc.array(anyAction(snapshot), { maxLength: 14 }), (actions) => {
        const entries = entriesOf(actions);
        const { pot, moments } = cookedIn(plan, entries, hidden);
        for (const of of ['waterKg', 'solidsKg', 'saltKg', 'thinKg'] as const) {
          expect(pot[of]).toBeGreaterThanOrEqual(0);
          expect(Number.isFinite(pot[of])).toBeTrue();
        }
        expect(moments.every(({ true: real }) => Number.isFinite(real.kg) && real.saltPct >= 0 && real.saltPct <= 100)).toBeTrue();
        expect(cookedIn(plan, entries, hidden).pot).toEqual(pot);
        const seen = sensed(plan, pot, true, hidden, entries.length);
        expect(Number.isFinite(seen.grossKg) && Number.isFinite(seen.belowRimM) && Number.isFinite(seen.saltMeterPct)).toBeTrue();
        const { marks } = debriefOf(plan, entries, hidden);
        expect(marks.every(({ points }) => points >= 0 && points <= 2)).toBeTrue();
      }),
      { numRuns: 60 },
    );
  });

  it('goes another way where something is done otherwise, and only from there on', () => {
    const actions = careless(plan);
    const as = cookedIn(plan, entriesOf(actions), hidden);
    const last = actions.length - 1;
    const water: Action = {
      kind: 'brought',
      stepId: 'stepId' in actions[last]! ? (actions[last].stepId ?? '') : '',
      line: 'more-water',
      row: LARDER_ROWS.find(({ id }) => id === 'water')!,
      kg: 1,
    };
    const other = cookedIn(plan, entriesOf([...actions, water]), hidden);
    expect(other.moments.slice(0, -1).map((moment) => moment.true.kg)).toEqual(as.moments.map((moment) => moment.true.kg));
    expect(massOf(other.pot) - massOf(as.pot)).toBeCloseTo(1, 1);
  });
});

describe('how often the sums kept their word', () => {
  it('is shown of this core, of a thousand batches, and nothing is off its goal', () => {
    const { coreVersion, batches, odds, goals } = KEPT_FIGURES;
    expect(coreVersion).toBe(CORE_VERSION);
    expect(batches).toBeGreaterThanOrEqual(1000);
    expect(odds.map(({ of }) => of)).toEqual(['bowls', 'salt', 'body']);
    for (const { share, least, most, name } of goals) {
      expect(share).withContext(name).toBeGreaterThanOrEqual(least);
      expect(share).withContext(name).toBeLessThanOrEqual(most);
    }
  });

  it('comes out again as it is kept, of a few of its kitchens: within what so few may stray', () => {
    const plans = EXAMPLE_SOUPS.map((soup) => fortyBowls(soup));
    const again = keptWordOf(plans, 6, 9000, 200);
    for (const [n, { of, came }] of again.entries()) {
      const kept = KEPT_FIGURES.odds[n]!;
      expect(kept.of).toBe(of);
      // 84 batches: two standard deviations of a share by half are 11 points.
      for (const [k, pct] of came.entries())
        expect(Math.abs(pct - kept.came[k]!))
          .withContext(of)
          .toBeLessThan(16);
    }
  });
});

describe('the same in a hundred kitchens', () => {
  const plan = planFor({ soupId: 'leek-potato', bowls: 24 });

  it('is in each what it is in that one alone, mishaps and all', () => {
    for (const mishaps of [{}, { ladle: 0.75, steam: 2 }]) {
      const actions: Action[] = [
        { kind: 'poured', stepId: 'thin-to', line: 'top-up', vessel: 'Jug', volumeM3: 0.001 },
        ...careless(plan),
        { kind: 'ladled out', stepId: 'dish', kg: 0.4, as: 'staff meal' },
      ];
      const entries = entriesOf(actions);
      const hidden = [1, 2, 3, 4].map((seed): Hidden => ({ seed, mishaps }));
      const alone = hidden.map((one) => cookedIn(plan, entries, one).pot);
      expect(cookedInMany(plan, entries, hidden)).toEqual(alone);
    }
    expect(cookedInMany(plan, [], [])).toEqual([]);
  });

  it('as planned, comes out about as the model’s own odds say, though it owes nothing to them', () => {
    for (const soupId of ['leek-potato', 'carrot-ginger', 'squash-coconut-chilli']) {
      const own = planFor({ soupId, bowls: 40 });
      const { bands } = oddsOf(own.prepared, own.snapshot.scale, { seed: 1, samples: 800, held: 'amounts' });
      const { bowls, saltPct, kitchens } = inKitchens(own, asPlanned(own), { kitchens: 100, mishaps: {} });
      expect(kitchens).toBe(100);
      expect(bowls.p50 / bands.bowls.p50)
        .withContext(soupId)
        .toBeGreaterThan(0.93);
      expect(bowls.p50 / bands.bowls.p50)
        .withContext(soupId)
        .toBeLessThan(1.07);
      expect(Math.abs(saltPct.p50 - bands.saltPct.p50))
        .withContext(soupId)
        .toBeLessThan(0.06);
      expect(bowls.p95 - bowls.p5).toBeGreaterThan(0);
    }
  });

  it('each thing that may go wrong moves what it is about, and the way that it should', () => {
    const asks = new Map(WHAT_IFS.map(({ id, mishaps }) => [id, inKitchens(plan, asPlanned(plan), { kitchens: 60, mishaps })]));
    const of = (id: string): InKitchens => asks.get(id)!;
    const none = of('nothing');
    expect(of('lid off').bowls.p50).toBeLessThan(none.bowls.p50);
    expect(of('lid off').saltPct.p50).toBeGreaterThan(none.saltPct.p50);
    expect(of('small ladle').bowls.p50).toBeLessThan(none.bowls.p50 * 0.95);
    expect(of('large ladle').bowls.p50).toBeGreaterThan(none.bowls.p50 * 1.05);
    expect(of('covered well').bowls.p50).toBeGreaterThan(none.bowls.p50);
    expect(of('floury').bodyMPas!.p50).toBeGreaterThan(none.bodyMPas!.p50 * 1.5);
    expect(of('watery').bodyMPas!.p50).toBeLessThan(none.bodyMPas!.p50 / 1.5);
    expect(of('floury').right.body).toBeLessThan(none.right.body!);
    expect(of('tray forgotten')).withContext('nothing is roasted').toEqual(none);
    expect(of('salted stock')).withContext('it has no stock').toEqual(none);
    const stocked = planFor({ soupId: 'celeriac-leek-apple', bowls: 24 });
    const saltOf = (mishaps: Hidden['mishaps']): number =>
      inKitchens(stocked, asPlanned(stocked), { kitchens: 40, mishaps }).saltPct.p50;
    expect(saltOf({ saltedStock: 0.006 })).toBeGreaterThan(saltOf({}) + 0.15);
    const roasted = planFor({ soupId: 'squash-coconut-chilli', bowls: 24 });
    const inAll = (mishaps: Hidden['mishaps']): InKitchens => inKitchens(roasted, asPlanned(roasted), { kitchens: 40, mishaps });
    expect(inAll({ roast: 1.6 }).bowls.p50).toBeLessThan(inAll({}).bowls.p50 - 0.3);
  });
});

describe('what would have hurt somebody', () => {
  const hidden: Hidden = { seed: 3, mishaps: {} };
  const kinds = (plan: Planned, actions: readonly Action[], lesson?: Lesson, mishaps = hidden.mishaps): string[] =>
    debriefOf(plan, entriesOf(actions), { ...hidden, mishaps }, lesson).harms.map(({ kind }) => kind);

  it('a jug of hot soup that was filled too far, in any lesson; one filled a third is none, and neither is a cool one', () => {
    const plan = planFor({ soupId: 'squash-coconut-chilli', bowls: 24 });
    const blend = walk(plan.prepared.soup.root).find(({ step }) => step.op === 'blend')!.step.id;
    const filled = (fillShare: number): Action[] =>
      careless(plan).flatMap((action): Action[] =>
        action.kind === 'done' && action.stepId === blend
          ? [{ kind: 'jugged', stepId: blend, fillShare, tempC: 95, read: true }, action]
          : [action],
      );
    expect(kinds(plan, careless(plan))).toEqual([]);
    expect(kinds(plan, filled(0.33))).toEqual([]);
    expect(kinds(plan, filled(0.6))).toEqual(['hot jug']);
    // Taken back it was not done.
    const entries = entriesOf(filled(0.6));
    const jugged = entries.find(({ action }) => action.kind === 'jugged')!;
    const undone = entryOf(entries.length + 1, { kind: 'undone', target: jugged.id });
    expect(debriefOf(plan, [...entries, undone], hidden).harms).toEqual([]);
    // A good while later it is cool.
    const at = entries.indexOf(jugged);
    const waited = entries.map((entry, n) => (n < at ? entry : { ...entry, atMs: entry.atMs + 4 * 3_600_000 }));
    expect(debriefOf(plan, waited, hidden).harms).toEqual([]);
  });

  it('thin cream in what is sour and hot; not where it had stood, and not in what is mild', () => {
    const lesson = LESSONS.find(({ id }) => id === 'cream-splits')!;
    const plan = planFor(lesson);
    expect(kinds(plan, careless(plan), lesson, lesson.mishaps)).toEqual(['split']);
    expect(kinds(plan, careless(plan), lesson)).toEqual([]);
    const cream = walk(plan.prepared.soup.root).find(({ step }) => step.op === 'cream')!.step.id;
    const entries = entriesOf(careless(plan));
    const at = entries.findIndex(({ action }) => action.kind === 'done' && action.stepId === cream);
    const waited = entries.map((entry, n) => (n < at ? entry : { ...entry, atMs: entry.atMs + 40 * 60_000 }));
    expect(debriefOf(plan, waited, { ...hidden, mishaps: lesson.mishaps }, lesson).harms).toEqual([]);
  });

  it('what a guest can’t have, whether it was planned or swapped in', () => {
    const lesson = LESSONS.find(({ id }) => id === 'allergy')!;
    const plan = planFor(lesson);
    expect(kinds(plan, careless(plan), lesson)).toEqual(['allergen']);
    const milky = plan.prepared.lines.map(({ line }) => line).filter(({ ingredient }) => ingredient.row.allergens.includes('milk'));
    const swapped = (id: string): Action[] => milky.map(({ id: line }) => ({ kind: 'swapped', line, row: rowOf(id) }));
    expect(kinds(plan, [...swapped('cashews'), ...careless(plan)], lesson)).toEqual(['allergen']);
    expect(kinds(plan, [...swapped('coconut-milk'), ...careless(plan)], lesson)).toEqual([]);
  });

  it('while a simmer is under way the pot is on its flame; off it, it cools', () => {
    const plan = planFor({ soupId: 'leek-potato', bowls: 20 });
    const simmer = walk(plan.prepared.soup.root).findIndex(({ step }) => step.op === 'simmer');
    const entries = entriesOf(careless(plan).slice(0, simmer));
    const lastMs = entries.at(-1)!.atMs;
    const warmed = cookedIn(plan, entries, hidden, lastMs + 3_600_000);
    expect(warmed.flameC).toBe(100);
    expect(warmed.pot.tempC).toBeCloseTo(100, 6);
    const all = entriesOf(careless(plan));
    const cooled = cookedIn(plan, all, hidden, all.at(-1)!.atMs + 3_600_000);
    expect(cooled.flameC).toBeUndefined();
    expect(cooled.pot.tempC).toBeLessThan(cookedIn(plan, all, hidden).pot.tempC - 8);
    expect(massOf(cooled.pot)).toBe(massOf(cookedIn(plan, all, hidden).pot));
  });
});

describe('what is seen of it', () => {
  const plan = planFor({ soupId: 'leek-potato', bowls: 20 });
  const hidden: Hidden = { seed: 3, mishaps: {} };
  const { pot } = cookedIn(plan, entriesOf(careless(plan)), hidden);

  it('is near the truth, the same look the same, another a little other', () => {
    const first = sensed(plan, pot, true, hidden, 1);
    expect(sensed(plan, pot, true, hidden, 1)).toEqual(first);
    expect(sensed(plan, pot, true, hidden, 2)).not.toEqual(first);
    expect((first.grossKg - first.tareKg) / massOf(pot)).toBeGreaterThan(0.97);
    expect((first.grossKg - first.tareKg) / massOf(pot)).toBeLessThan(1.03);
    expect(first.belowRimM).toBeGreaterThan(0);
    expect(first.belowRimM).toBeLessThan(plan.prepared.vessel.depthM);
    expect(first.spoon).toBeDefined();
  });

  it('a spoon says nothing of pieces, and what was left on the scale is on it', () => {
    expect(sensed(plan, pot, false, hidden, 1).spoon).toBeUndefined();
    const more = sensed(plan, pot, true, { ...hidden, mishaps: { onScaleKg: 1.2 } }, 1);
    expect(more.grossKg - sensed(plan, pot, true, hidden, 1).grossKg).toBeCloseTo(1.2, 1);
  });

  it('a tongue tells too much from too little', () => {
    expect(sensed(plan, { ...pot, saltKg: pot.saltKg * 2 }, true, hidden, 1).salt).toBe(2);
    expect(sensed(plan, { ...pot, saltKg: pot.saltKg * 0.2 }, true, hidden, 1).salt).toBe(-2);
  });
});

describe('the debrief', () => {
  it('holds the minutes of the clock against the plan, where anybody waited, and fails nobody by them', () => {
    const plan = planFor({ soupId: 'leek-potato', bowls: 20 });
    const took = (minutes: number): ReturnType<typeof debriefOf> => {
      const all = entriesOf(careless(plan));
      const stepMs = (minutes * 60_000) / (all.length - 1);
      return debriefOf(
        plan,
        all.map((entry, n) => ({ ...entry, atMs: n * stepMs })),
        { seed: 3, mishaps: {} },
      );
    };
    const judged = (minutes: number) => took(minutes).marks.find(({ mark }) => mark === 'minutes');
    const planned = plan.run.minutes;
    expect(judged(planned * 1.1)).toEqual({
      mark: 'minutes',
      wanted: planned,
      true: jasmine.any(Number),
      believed: planned,
      points: 2,
    });
    expect(judged(planned * 1.1)!.true).toBeCloseTo(planned * 1.1, 6);
    expect(judged(planned * 1.4)!.points).toBe(1);
    expect(judged(planned * 3)!.points).toBe(0);
    expect(judged(planned * 0.1)).toBeUndefined();
    const others = ({ marks }: ReturnType<typeof debriefOf>): boolean =>
      marks.every(({ mark, points }) => points > 0 || mark === 'minutes');
    expect(others(took(planned * 3))).toBeTrue();
    expect(took(planned * 3).isPassed).toBeTrue();
  });

  it('says what would have landed it: with that done the body and the salt are what was wanted', () => {
    const lesson = LESSONS.find(({ id }) => id === 'too-thick')!;
    const plan = planFor(lesson);
    const { best, marks, turns } = debriefOf(plan, entriesOf(careless(plan)), { seed: 2, mishaps: lesson.mishaps }, lesson);
    const body = marks.find(({ mark }) => mark === 'body')!;
    expect(body.true).toBeGreaterThan(body.wanted);
    expect(best.waterKg).toBeGreaterThan(0.1);
    expect(best.bowls).toBeGreaterThan(marks.find(({ mark }) => mark === 'yield')!.true);
    // What is thicker than the card thinks shows behind the blade, and nowhere before.
    const turn = turns.find(({ of }) => of === 'body');
    expect(turn?.moment.stepId).toBe(walk(plan.prepared.soup.root).find(({ step }) => step.op === 'blend')?.step.id);
  });

  it('of a pot that nothing was put into passes nobody', () => {
    const plan = planFor({ soupId: 'leek-potato', bowls: 20 });
    expect(debriefOf(plan, [], { seed: 1, mishaps: {} }).isPassed).toBeFalse();
  });
});
