import { entriesOf } from '../../spec/entries.js';
import { WITH_METERS } from '../../spec/kitchens.js';
import { careless, planFor, practised } from '../../spec/practices.js';
import { massOf } from '../bench/index.js';
import type { Planned } from '../plan/index.js';
import { potKg } from '../pot/index.js';
import { EXAMPLE_SOUPS, walk } from '../soup/index.js';
import {
  HiddenKitchen,
  LESSONS,
  SimulatedCook,
  asPlanned,
  cookedAs,
  cookedIn,
  debriefOf,
  lessonOf,
  waysIn,
  type Hidden,
  type Way,
} from './index.js';

const SEEDS = 20;

describe('each lesson', () => {
  for (const lesson of LESSONS.filter(({ isPuttingAway }) => isPuttingAway !== true)) {
    it(`“${lesson.title}” is passed by a cook who looks, and not by one who only does what the card says`, () => {
      const plan = planFor(lesson);
      let good = 0;
      let blind = 0;
      let missed = 0;
      for (let seed = 1; seed <= SEEDS; seed++) {
        const hidden: Hidden = { seed, mishaps: lesson.mishaps };
        const cook = new SimulatedCook(plan, { seed, instruments: WITH_METERS, hidden: new HiddenKitchen(seed, lesson.mishaps) });
        cook.swapsFor(lesson.guests ?? []);
        cook.cook();
        good += Number(debriefOf(plan, cook.entries, hidden, lesson).isPassed);
        const without = debriefOf(plan, entriesOf(careless(plan)), hidden, lesson);
        blind += Number(without.isPassed);
        missed += Number((without.marks.find(({ mark }) => mark === lesson.about)?.points ?? 2) < 2);
      }
      process.stdout.write(
        `\n  ${lesson.id.padEnd(16)} looks ${String(good)}, looks at nothing ${String(blind)} of ${String(SEEDS)}\n`,
      );
      expect(good).toBeGreaterThanOrEqual(SEEDS * 0.75);
      const isWrong = Object.keys(lesson.mishaps).length > 0;
      // Where a kitchen has no mishap of its own, luck may do: that it does less well is all that can be asked.
      if (isWrong) expect(missed).toBeGreaterThanOrEqual(SEEDS * 0.75);
      else expect(blind).toBeLessThan(good);
    });
  }
});

describe('a lesson that may be cooked two ways', () => {
  const lesson = lessonOf('roast-or-sweat')!;
  const shipped = EXAMPLE_SOUPS.find(({ id }) => id === lesson.soupId)!;
  const planned = (way: Way): Planned => practised(cookedAs(shipped, way), lesson.bowls);

  it('has no tray where it is sweated, and is the card as it ships where it is roasted', () => {
    const vessels = (way: Way): string[] =>
      walk(planned(way).prepared.soup.root).flatMap(({ step }) => (step.op === 'join' ? [step.branch.vessel] : []));
    expect(vessels('roast')).toEqual(['tray']);
    expect(vessels('sweat')).toEqual(['pot']);
    expect(cookedAs(shipped, 'roast')).toBe(shipped);
    expect(cookedAs(shipped, 'sweat').id).not.toBe(shipped.id);
  });

  it('sweated, is passed by a cook who looks, and no hot oven takes anything from it', () => {
    const plan = planned('sweat');
    let good = 0;
    for (let seed = 1; seed <= SEEDS; seed++) {
      const cook = new SimulatedCook(plan, { seed, instruments: WITH_METERS, hidden: new HiddenKitchen(seed, lesson.mishaps) });
      cook.cook();
      good += Number(debriefOf(plan, cook.entries, { seed, mishaps: lesson.mishaps }, lesson).isPassed);
    }
    expect(good).toBeGreaterThanOrEqual(SEEDS * 0.75);
    const hidden: Hidden = { seed: 2, mishaps: lesson.mishaps };
    expect(massOf(cookedIn(plan, asPlanned(plan), hidden).pot)).toBe(
      massOf(cookedIn(plan, asPlanned(plan), { ...hidden, mishaps: {} }).pot),
    );
  });

  it('is debriefed by both ways in the same kitchen: what a hot oven takes is missing from the roasted pot alone', () => {
    for (const from of ['roast', 'sweat'] as const)
      for (let seed = 1; seed <= 5; seed++) {
        const [roast, sweat] = waysIn(shipped, lesson.ways!, planned(from), { seed, mishaps: lesson.mishaps });
        expect(roast!.way).toBe('roast');
        expect(roast!.plannedOffKg).toBeGreaterThan(5 * sweat!.plannedOffKg);
        // What the oven takes is poured, beside what covers less where the pieces have shrunk.
        expect(roast!.liquidKg).toBeGreaterThan(sweat!.liquidKg);
        expect(roast!.minutes).toBeGreaterThan(sweat!.minutes);
        expect(roast!.bowls / roast!.plannedBowls).toBeLessThan(0.93);
        expect(sweat!.bowls / sweat!.plannedBowls).toBeGreaterThan(0.93);
        const alone = planned('roast');
        const own = cookedIn(alone, asPlanned(alone), { seed, mishaps: lesson.mishaps });
        expect(roast!.bowls).toBeCloseTo((alone.run.bowls * massOf(own.pot)) / potKg(alone.run.last!.before), 6);
      }
  });
});
