import { entriesOf } from '../../spec/entries.js';
import { READY_KITS } from '../kit/index.js';
import { LARDER_ROWS } from '../larder/index.js';
import { figuresOf, makePlan, type Planned } from '../plan/index.js';
import { parcelKg, potKg } from '../pot/index.js';
import { EXAMPLE_SOUPS, walk, type SoupStep } from '../soup/index.js';
import { foldBatch, landBody, landSalt, takenOver, writeBack, type Action, type BatchState } from './index.js';

function planned(id: string): Planned {
  const soup = EXAMPLE_SOUPS.find((one) => one.id === id)!;
  const made = makePlan(soup, LARDER_ROWS, READY_KITS.canteen, { bowls: 40, bowlG: 300, potId: 'boiler-40' });
  if (!made.ok) throw new Error(made.error.code);
  return made.plan;
}

const PLANS = EXAMPLE_SOUPS.map(({ id }) => ({ id, plan: planned(id) }));

function stepsOf({ prepared }: Planned): SoupStep[] {
  return walk(prepared.soup.root).map(({ step }) => step);
}

const done = ({ id }: SoupStep): Action => ({ kind: 'done', stepId: id });

function before(plan: Planned, step: SoupStep): Action[] {
  const steps = stepsOf(plan);
  return steps
    .slice(
      0,
      steps.findIndex(({ id }) => id === step.id),
    )
    .map(done);
}

function at(plan: Planned, actions: readonly Action[]): BatchState {
  return foldBatch(plan.snapshot, entriesOf(actions), plan);
}

/** What a weighing of the pot reads where it is just as it is believed to be. */
function weighed(state: BatchState, stepId: string): Action {
  const { tareKg } = state.prepared.vessel;
  return { kind: 'weighed', stepId, grossKg: potKg(state.pot) + tareKg, tareKg };
}

const WITH_THIN = PLANS.flatMap(({ id, plan }) => {
  const step = stepsOf(plan).find(({ op }) => op === 'thin');
  return step?.op === 'thin' ? [{ id, plan, step }] : [];
});

describe('a step that is done as the page says', () => {
  it('a right reading before it changes nothing: what was still to pour is in all the same', () => {
    expect(WITH_THIN.length).toBeGreaterThan(5);
    for (const { id, plan, step } of WITH_THIN) {
      const start = before(plan, step);
      const plain = at(plan, [...start, done(step)]);
      const read = weighed(at(plan, start), step.id);
      const dipped = at(plan, [...start, read, done(step)]);
      expect(dipped.readings.every(({ questioned }) => !questioned))
        .withContext(id)
        .toBeTrue();
      expect(potKg(dipped.pot) / potKg(plain.pot))
        .withContext(id)
        .toBeCloseTo(1, 6);
      expect(dipped.inKg.get(step.line)! / plain.inKg.get(step.line)!)
        .withContext(id)
        .toBeCloseTo(1, 6);
    }
  });

  it('a let-down poured through another line of the same liquid, or through water, is not poured again by the tick', () => {
    let tried = 0;
    for (const { id, plan, step } of WITH_THIN) {
      const start = before(plan, step);
      const wantedKg = at(plan, start).toGoKg.get(step.line) ?? 0;
      if (wantedKg < 0.05) continue;
      tried += 1;
      const other: Action = {
        kind: 'brought',
        stepId: step.id,
        line: 'water-by-hand',
        row: LARDER_ROWS.find((row) => row.id === 'water')!,
        kg: wantedKg,
      };
      const plain = at(plan, [...start, done(step)]);
      const poured = at(plan, [...start, other, done(step)]);
      expect(potKg(poured.pot) / potKg(plain.pot))
        .withContext(id)
        .toBeLessThan(1.03);
      expect(potKg(poured.pot) / potKg(plain.pot))
        .withContext(id)
        .toBeGreaterThan(0.97);
    }
    expect(tried).toBeGreaterThan(4);
  });

  it('the salt that the step asks for is the salt that the gauge asks for, and the bowls hold what the card says', () => {
    for (const { id, plan } of PLANS) {
      const season = stepsOf(plan).findLast(({ op }) => op === 'season');
      if (season?.op !== 'season') continue;
      const state = at(plan, before(plan, season));
      const salt = landSalt(state)!;
      expect(salt.ways[0]?.kg).withContext(id).toBe(state.toGoKg.get(season.line));
      const after = at(plan, [...before(plan, season), done(season)]);
      expect(after.forecast.saltPct).withContext(id).toBeCloseTo(season.saltPct, 2);
      // Right behind a right salting nothing more is asked for, whatever is still to come.
      expect(landSalt(after)!.ways).withContext(id).toEqual([]);
      expect(landSalt(after)!.nowPct).withContext(id).toBeCloseTo(season.saltPct, 2);
    }
  });

  it('salted by the gauge, two thirds at a time, thrice is enough: what it then believes is what the card says', () => {
    for (const { id, plan } of PLANS) {
      const season = stepsOf(plan).find(({ op }) => op === 'season');
      if (season?.op !== 'season') continue;
      const actions = before(plan, season);
      for (let n = 0; n < 3; n++) {
        const way = landSalt(at(plan, actions))?.ways[0];
        if (way === undefined) break;
        // Never all of it at once while much is missing.
        if (n === 0) expect(way.firstKg).withContext(id).toBeLessThan(way.kg);
        actions.push({ kind: 'added', stepId: season.id, line: way.line, kg: way.firstKg });
      }
      const { nowPct = 0, wantedPct = 1 } = landSalt(at(plan, actions)) ?? {};
      expect(nowPct / wantedPct)
        .withContext(id)
        .toBeCloseTo(1, 2);
    }
  });

  it('what is read, ladled or weighed when the bowls are ticked already leaves the batch its figures', () => {
    for (const { id, plan } of PLANS) {
      const dish = stepsOf(plan).findLast(({ op }) => op === 'dish')!;
      const upTo = before(plan, dish);
      const plain = at(plan, [...upTo, done(dish)]);
      const { saltPct, bodyMPas } = plain.forecast;
      const late: Action[] = [
        { kind: 'salt', stepId: dish.id, saltPct },
        { kind: 'body', stepId: dish.id, reading: { device: 'viscometer', mPas: bodyMPas, tempC: 65 } },
        { kind: 'ladled out', stepId: dish.id, kg: 0.2, as: 'staff meal' },
        { kind: 'temperature', stepId: dish.id, tempC: 70 },
      ];
      for (const one of late) {
        const read = at(plan, [...upTo, done(dish), one, { kind: 'closed' }]);
        const first = at(plan, [...upTo, one, done(dish), { kind: 'closed' }]);
        expect(read.forecast.saltPct).withContext(`${id}: ${one.kind}`).toBeCloseTo(first.forecast.saltPct, 9);
        expect(read.forecast.cookedKg).withContext(`${id}: ${one.kind}`).toBeCloseTo(first.forecast.cookedKg, 9);
        expect(read.forecast.saltPct / saltPct)
          .withContext(`${id}: ${one.kind}`)
          .toBeGreaterThan(0.9);
      }
    }
  });

  it('a body that the card asks for nowhere is asked for at the stove, lands, and is kept where it was right', () => {
    const { plan } = PLANS.find(({ id }) => id === 'celeriac-leek-apple')!;
    const blend = stepsOf(plan).find(({ op }) => op === 'blend')!;
    const upTo = [...before(plan, blend), done(blend)];
    const none = landBody(at(plan, upTo))!;
    expect(none.wantedMPas).toBeUndefined();
    expect(none.ways).toEqual([]);
    const behind = stepsOf(plan)[stepsOf(plan).indexOf(blend) + 1]!;
    const read: Action = { kind: 'body', stepId: behind.id, reading: { device: 'viscometer', mPas: 160, tempC: 65 } };
    const asked = at(plan, [...upTo, read, { kind: 'wanted', mPas: 60 }]);
    expect(landBody(asked)!.wantedMPas).toBe(60);
    const way = landBody(asked)!.ways.find(({ by }) => by === 'thin')!;
    const line = asked.prepared.lines.find(({ line: { ingredient } }) => ingredient.row.id === way.ingredient)!.line.id;
    const poured = at(plan, [...upTo, read, { kind: 'wanted', mPas: 60 }, { kind: 'added', stepId: behind.id, line, kg: way.kg }]);
    expect(landBody(poured)!.nowMPas / 60).toBeCloseTo(1, 1);
    // What lets it down behind the blade is its body, and is not written into the cover as well.
    expect(writeBack(poured).filter(({ what }) => what === 'poured')).toEqual([]);
    const back = writeBack(poured).find(({ what }) => what === 'right body')!;
    expect(back).toEqual(jasmine.objectContaining({ what: 'right body', was: undefined }));
    const card = takenOver(plan.snapshot.soup, [back]);
    expect(card.rightMPas).toBeCloseTo(60, -1);
    // The next batch of it is landed on that, and offers nothing to keep while it is met.
    const next = {
      ...plan,
      snapshot: { ...plan.snapshot, soup: card },
      prepared: { ...plan.prepared, soup: { ...plan.prepared.soup, rightMPas: card.rightMPas } },
    };
    expect(landBody(at(next, upTo))!.wantedMPas).toBe(card.rightMPas);
    // Asked for by a word, it is there as soon as that word is the nearest.
    const near = at(plan, [
      ...upTo,
      { ...read, reading: { device: 'viscometer', mPas: 95, tempC: 65 } },
      { kind: 'wanted', mPas: 60 },
    ]);
    expect(landBody(near)!.nowMPas).toBeGreaterThan(70);
    expect(landBody(near)!.ways).toEqual([]);
    // What was asked for goes with an undo, and the word of the cook before what was once right.
    expect(landBody(at(next, [...upTo, { kind: 'wanted', mPas: 220 }]))!.wantedMPas).toBe(220);
  });

  it('what a tick has given stays given, whatever is entered behind it', () => {
    const cream = LARDER_ROWS.find(({ id }) => id === 'double-cream')!;
    let tried = 0;
    for (const { id, plan } of PLANS) {
      const settling = stepsOf(plan).filter(({ op }) => op === 'season' || op === 'thin' || op === 'cream' || op === 'tune');
      const [last] = settling.slice(-1);
      if (last === undefined) continue;
      const ticked = [...before(plan, last), done(last)];
      const given = at(plan, ticked).inKg;
      const behind: readonly Action[] = [
        { kind: 'brought', stepId: last.id, line: 'more-cream', row: cream, kg: 0.4 },
        { kind: 'held', stepId: last.id, minutes: 90, atC: 80, lid: 'off' },
        { kind: 'body', stepId: last.id, reading: { device: 'spoon', word: 'clings', tempC: 65 } },
      ];
      for (const later of behind) {
        const { inKg } = at(plan, [...ticked, later]);
        for (const step of settling) {
          if (!('line' in step)) continue;
          tried += 1;
          expect(inKg.get(step.line)).withContext(`${id} ${step.id} ${later.kind}`).toBe(given.get(step.line));
        }
      }
    }
    expect(tried).toBeGreaterThan(60);
  });

  it('the let-down that the step asks for is the one that the gauge offers, and the soup then has its body', () => {
    let offered = 0;
    for (const { id, plan, step } of WITH_THIN) {
      const start = before(plan, step);
      const state = at(plan, start);
      const way = landBody(state)!.ways.find(({ ingredient, by }) => {
        const row = state.prepared.lines.find(({ line }) => line.id === step.line)!.line.ingredient.row.id;
        return by === 'thin' && ingredient === row;
      });
      if (way !== undefined) {
        offered += 1;
        expect(way.kg).withContext(id).toBe(state.toGoKg.get(step.line)!);
      }
      const after = landBody(at(plan, [...start, done(step)]))!;
      expect(after.ways).withContext(id).toEqual([]);
      expect(after.nowMPas / step.toMPas)
        .withContext(id)
        .toBeGreaterThan(0.9);
      expect(after.nowMPas / step.toMPas)
        .withContext(id)
        .toBeLessThan(1.1);
    }
    expect(offered).toBeGreaterThan(3);
  });

  it('a soup that asks for no body is offered none, however thick it is read', () => {
    const { plan } = PLANS.find((one) => one.id === 'celeriac-leek-apple')!;
    const steps = stepsOf(plan);
    const next = steps[steps.findIndex(({ op }) => op === 'blend') + 1]!;
    const read: Action = { kind: 'body', stepId: next.id, reading: { device: 'spoon', word: 'clings', tempC: 70 } };
    const landing = landBody(at(plan, [...before(plan, next), read]))!;
    expect(landing.wantedMPas).toBeUndefined();
    expect(landing.ways).toEqual([]);
  });

  it('what lies on top of a bowl salts the bowl, not the soup', () => {
    let seen = 0;
    for (const { id, plan } of PLANS) {
      const dish = stepsOf(plan).at(-1);
      const garnished = dish?.op === 'dish' && (dish.shares ?? []).some(({ garnish }) => (garnish ?? []).length > 0);
      const season = stepsOf(plan).findLast(({ op }) => op === 'season');
      if (!garnished || season?.op !== 'season') continue;
      seen += 1;
      expect(figuresOf(plan.prepared, plan.run).saltPct).withContext(id).toBeCloseTo(season.saltPct, 2);
    }
    expect(seen).toBeGreaterThan(0);
  });
});

describe('mass, whatever order things come in', () => {
  it('what is believed is what went in less what left by rule, moved only by readings', () => {
    for (const { id, plan, step } of WITH_THIN) {
      const start = before(plan, step);
      const toGo = at(plan, start).toGoKg.get(step.line) ?? 0;
      const part: Action = { kind: 'added', stepId: step.id, line: step.line, kg: Math.max(0.05, toGo / 3) };
      // Every reading is right where it is taken: it must move nothing, whatever stands before or behind it.
      const orders: readonly (readonly (Action | 'read')[])[] = [
        ['read', part, done(step)],
        [part, 'read', done(step)],
        [part, done(step), 'read'],
        ['read', done(step)],
        [done(step), 'read'],
        [done(step)],
      ];
      for (const [n, order] of orders.entries()) {
        const entered = [...start];
        for (const one of order) entered.push(one === 'read' ? weighed(at(plan, entered), step.id) : one);
        const state = at(plan, entered);
        let kg = 0;
        let correctedKg = 0;
        const root = state.prepared.soup.root.id;
        for (const { inflows, outflows } of state.happened) {
          for (const { kind, parcel } of inflows) {
            kg += parcelKg(parcel);
            if (kind === 'correction') correctedKg += parcelKg(parcel);
          }
          for (const { kind, parcel } of outflows) {
            kg -= parcelKg(parcel);
            if (kind === 'correction') correctedKg += parcelKg(parcel);
          }
        }
        expect(state.readings.some(({ questioned }) => questioned))
          .withContext(`${id} ${String(n)}`)
          .toBeFalse();
        expect(correctedKg)
          .withContext(`${id} ${String(n)}`)
          .toBeLessThan(1e-6);
        expect(state.happened.at(-1)?.branchId)
          .withContext(`${id} ${String(n)}`)
          .toBe(root);
        expect(potKg(state.pot))
          .withContext(`${id} ${String(n)}`)
          .toBeCloseTo(kg, 6);
      }
    }
  });
});
