import { ingredient, line, potOf } from '../../spec/pots.js';
import {
  SCOVILLE_KG,
  brownedParcel,
  contents,
  bodyMPas,
  joined,
  joinedAll,
  parcelKg,
  parcelOf,
  plusParcel,
  potAnswering,
  potEnthalpyJ,
  potKg,
  potOf as standing,
  readHere,
  sinceReadLn,
  soften,
  tintIn,
  withCarried,
  type PotState,
} from './index.js';
import { colourOf } from '../larder/index.js';

describe('a soup that answers otherwise than its composition says', () => {
  const A = 14;
  const thick = potOf(line('water', 5), line('carrot', 2, 12));
  const purée = { ...thick, liquid: thick.cohorts.reduce((all, { parcel }) => plusParcel(all, parcel), thick.liquid), cohorts: [] };
  const composed = bodyMPas(purée, 65, A);
  const answering = (answers: number, meantLn: number): PotState => ({
    ...potAnswering(answers, meantLn),
    liquid: purée.liquid,
    tempC: purée.tempC,
  });

  it('is as composed where it is meant to be, and off by the power of it elsewhere', () => {
    expect(bodyMPas(answering(-0.2, Math.log(composed)), 65, A) / composed).toBeCloseTo(1, 9);
    // Meant to be half as thick: it is twice too thick, less a fifth of that in ln.
    expect(Math.log(bodyMPas(answering(-0.2, Math.log(composed / 2)), 65, A) / composed)).toBeCloseTo(-0.2 * Math.LN2, 9);
    expect(potAnswering(0, 3).bodyLn).toBe(0);
  });

  it('goes on from where it is read without a jump, and answers to nothing before that', () => {
    const pot = answering(0.3, Math.log(composed / 3));
    expect(sinceReadLn(pot, A)).toBe(0);
    const read = readHere(pot, A);
    expect(bodyMPas(read, 65, A) / bodyMPas(pot, 65, A)).toBeCloseTo(1, 9);
    const wetter = joined(read, standing(parcelOf(ingredient('water'), 2), 65));
    const since = sinceReadLn(wetter, A);
    expect(since).toBeLessThan(-0.3);
    expect(Math.log(bodyMPas(wetter, 65, A) / bodyMPas({ ...wetter, answers: 0 }, 65, A))).toBeCloseTo(0.3 * since, 9);
  });
});

describe('pots put together', () => {
  const soup = { ...potOf(line('water', 5), line('carrot', 2, 12)), tempC: 90, airShare: 0.06, simmeredMinutes: 20 };
  const wine = parcelOf(ingredient('white-wine'), 1);

  it('many at once come to what one after the other does', () => {
    const parts = [
      { liquid: wine, cohort: undefined, tempC: 14 },
      { liquid: parcelOf(ingredient('double-cream'), 0.5), cohort: undefined, tempC: 4 },
    ];
    const once = joinedAll(soup, parts);
    const stepwise = parts.reduce((pot, { liquid, tempC }) => joined(pot, standing(liquid, tempC)), soup);
    expect(potKg(once)).toBeCloseTo(potKg(stepwise), 12);
    expect(once.tempC).toBeCloseTo(stepwise.tempC, 9);
    expect(potEnthalpyJ(once) / potEnthalpyJ(stepwise)).toBeCloseTo(1, 12);
    // 6 % air in 7 kg over 8.5 kg: 4.94 %.
    expect(once.airShare).toBeCloseTo((0.06 * 7) / 8.5, 12);
    expect(stepwise.airShare).toBeCloseTo(once.airShare, 12);
  });

  it('fresh alcohol sets the clock back in proportion: half fresh, half the minutes', () => {
    const boozy = { ...standing(wine, 90), simmeredMinutes: 30 };
    expect(joinedAll(boozy, [{ liquid: wine, cohort: undefined, tempC: 14 }]).simmeredMinutes).toBeCloseTo(15, 12);
    expect(joined(boozy, standing(wine, 14)).simmeredMinutes).toBeCloseTo(15, 12);
    expect(joinedAll(soup, [{ liquid: parcelOf(ingredient('water'), 1), cohort: undefined, tempC: 14 }]).simmeredMinutes).toBe(20);
  });

  it('nothing added changes nothing; into nothing it is what was added', () => {
    const nothing = standing(parcelOf(ingredient('water'), 0), 20);
    expect(joined(soup, nothing)).toBe(soup);
    expect(joined(nothing, soup)).toBe(soup);
    expect(joinedAll(soup, []).tempC).toBeCloseTo(90, 9);
  });

  it('what is carried goes with its parcel and can be set anew', () => {
    const hot = withCarried(parcelOf(ingredient('water'), 2), SCOVILLE_KG, 50);
    expect(contents(standing(hot, 20)).carried[SCOVILLE_KG]).toBe(50);
    expect(parcelKg(hot)).toBe(2);
    // 1.6 a kilo as bought, 2 kg bought of which 1.54 go on: all of it is paid for by what goes on.
    expect(parcelOf(ingredient('beetroot'), 1.54, 2).carried[8]).toBeCloseTo(3.2, 12);
  });

  it('browning darkens and is no colour at nought', () => {
    const pale = parcelOf(ingredient('cauliflower'), 1);
    expect(brownedParcel(pale, 0)).toBe(pale);
    const green = (p: typeof pale): number => Number.parseInt(colourOf(tintIn(p)).slice(3, 5), 16);
    expect(green(brownedParcel(pale, 0.5))).toBeLessThan(green(pale));
    expect(green(brownedParcel(pale, 1))).toBeLessThan(green(brownedParcel(pale, 0.5)));
  });

  it('starch counts as cooked once the centre has been at 70 °C, and stays so', () => {
    const piece = { shape: 'cube', sizeM: 0.04, mix: ingredient('potato').perKg, softening: 1 } as const;
    const after = (minutes: number, before = 0): number =>
      soften(piece, { softness: 0, gelatinised: before }, { fromC: 20, outerC: 100, minutes, pace: 1 }).gelatinised;
    expect(after(2)).toBe(0);
    expect(after(30)).toBe(1);
    expect(after(0.1, 1)).toBe(1);
    // Two heatings soften as one of both lengths once the centre is hot: 1 - (1 - a)(1 - b).
    const steady = (minutes: number, softness: number): number =>
      soften(piece, { softness, gelatinised: 1 }, { fromC: 100, outerC: 100, minutes, pace: 1 }).softness;
    expect(steady(4, steady(3, 0))).toBeCloseTo(steady(7, 0), 12);
    expect(steady(4, 0)).toBeCloseTo(1 - Math.exp(-1), 9);
  });
});
