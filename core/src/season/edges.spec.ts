import { doseFor, saltToAdd, season, tune } from '../steps/index.js';
import { canteen, context, ingredient, line, potOf } from '../../spec/pots.js';
import { LARDER_ROWS } from '../larder/index.js';
import { writtenPlan } from '../plan/index.js';
import { EXAMPLE_SOUPS } from '../soup/index.js';
import { EMPTY, EMPTY_POT, contents, parcelKg, parcelOf, plusParcel } from '../pot/index.js';
import { plausibleSalt, rescue, tasteWord, tastesOf } from './index.js';

const water = parcelOf(ingredient('water'), 10);
const codes = ({ cautions }: { cautions: readonly { code: string }[] }): string[] => cautions.map(({ code }) => code);

describe('at the edges of seasoning', () => {
  it('an empty pot tastes of nothing and takes no dose', () => {
    expect(tastesOf(EMPTY)).toEqual({ saltPct: 0, sour: 0, sweet: 0, heat: 0, biteGKg: 0 });
    expect(doseFor(EMPTY, parcelOf(ingredient('lemon-juice'), 1), 'sour', 1)).toEqual({ ok: false, code: 'UNREACHABLE' });
    expect(
      season(EMPTY_POT, { id: 's', op: 'season', line: 'fine-salt', saltPct: 0.8 }, context([line('fine-salt', 0)])).inflows,
    ).toEqual([]);
  });

  it('a word begins at its limit: exactly 0.9 is bright, exactly 2.5 sharp', () => {
    expect([0.899, 0.9, 2.499, 2.5].map((x) => tasteWord('sour', x))).toEqual(['even', 'bright', 'bright', 'sharp']);
  });

  it('few of the usual soups are called flat, dry, sharp or sweet', () => {
    const words = EXAMPLE_SOUPS.map((soup) => {
      const { sour, sweet } = tastesOf(writtenPlan(soup, LARDER_ROWS, canteen)!.run.dished!.parcel);
      return [tasteWord('sour', sour), tasteWord('sweet', sweet)];
    });
    const off = words.filter(([sour, sweet]) => sour === 'flat' || sour === 'sharp' || sweet === 'dry' || sweet === 'sweet');
    expect(off.length).toBeLessThanOrEqual(2);
  });

  it('what is tuned says what it could not do, by name; bite counts as heat', () => {
    const lines = [line('water', 10), line('fine-salt', 0), line('black-pepper', 0), line('sugar', 0)];
    const by = (id: string, taste: 'bite' | 'sour' | 'sweet', to: number): ReturnType<typeof tune> =>
      tune(potOf(lines[0]!), { id: 't', op: 'tune', line: id, taste, to }, context(lines));
    expect(by('fine-salt', 'bite', 1).cautions).toEqual([{ code: 'TARGET_UNREACHABLE', what: 'heat' }]);
    expect(by('fine-salt', 'sour', 1).cautions).toEqual([{ code: 'TARGET_UNREACHABLE', what: 'sour' }]);
    expect(by('black-pepper', 'bite', 0.5).cautions).toEqual([]);
    const peppered = by('black-pepper', 'bite', 0.5);
    expect(tastesOf(contents(peppered.pot)).biteGKg).toBeCloseTo(0.5, 5);
    expect((peppered.counts?.settledKg ?? Number.NaN) * 1000).toBeCloseTo(5.0025, 3);
    expect(
      tune(peppered.pot, { id: 't', op: 'tune', line: 'black-pepper', taste: 'bite', to: 0.2 }, context(lines)).cautions,
    ).toEqual([{ code: 'TARGET_PASSED', what: 'heat', overKg: 0 }]);
    // Sweeter than sugar itself can't be.
    expect(codes(by('sugar', 'sweet', 99))).toEqual(['TARGET_UNREACHABLE']);
  });

  it('a tuning that is held gives what was planned, wherever the taste stands', () => {
    const lines = [line('water', 10), line('lemon-juice', 0)];
    const held = tune(
      potOf(lines[0]!),
      { id: 't', op: 'tune', line: 'lemon-juice', taste: 'sour', to: 1 },
      context(lines, { heldKg: 0.123 }),
    );
    expect(parcelKg(held.inflows[0]!.parcel)).toBeCloseTo(0.123, 12);
    expect(held.cautions).toEqual([]);
  });

  it('rescue counts the other’s own salt: 40 g over in 10 kg, with stock at 0.2 %, to 0.8 %: 0.04 / 0.006 = 6.67 kg', () => {
    const salty = plusParcel(parcelOf(ingredient('water'), 10 - 0.12 / 0.998), parcelOf(ingredient('fine-salt'), 0.12 / 0.998));
    const stock = plusParcel(
      parcelOf(ingredient('water'), 2 * (1 - 0.002 / 0.998)),
      parcelOf(ingredient('fine-salt'), (2 * 0.002) / 0.998),
    );
    const saved = rescue(salty, stock, 0.8)!;
    expect(saved.kg).toBeCloseTo(6.667, 2);
    const after = plusParcel(salty, stock, saved.kg / 2);
    expect(tastesOf(after).saltPct).toBeCloseTo(0.8, 9);
    expect(rescue(salty, water, 1.2)?.kg).toBeCloseTo(0, 3);
    expect(rescue(salty, water, 1.5)?.saltPct).toBeCloseTo(1.2, 6);
  });

  it('plausible salt counts what is in already, from 0.3 to 1.6 % with both ends', () => {
    expect(plausibleSalt(0.01, 0.02, 3).pct).toBeCloseTo(1, 12);
    expect([0.0089, 0.009, 0.048, 0.0481].map((kg) => plausibleSalt(kg, 0, 3).plausible)).toEqual([false, true, true, false]);
  });

  it('salts around salted cream to come: 10 kg, a tenth cream at 1 %, to 0.8 %', () => {
    // Finished F = (10 + x) / 0.9; x 0.998 + 0.1 F 0.01 = 0.008 F: 0.998 x = 0.007 (10 + x) / 0.9, x = 0.07778 / 0.99022 = 78.55 g.
    const x = saltToAdd({
      massKg: 10,
      saltKg: 0,
      purity: 0.998,
      wantedShare: 0.008,
      coming: { kg: 0, saltKg: 0, perKg: 0.1 / 0.9, saltPerKg: (0.1 / 0.9) * 0.01 },
    });
    expect(x * 1000).toBeCloseTo(78.55, 2);
    const finished = (10 + x) / 0.9;
    expect((x * 0.998 + 0.1 * finished * 0.01) / finished).toBeCloseTo(0.008, 12);
    expect(saltToAdd({ massKg: 10, saltKg: 0, purity: 0.005, wantedShare: 0.008 })).toBeNaN();
  });

  it('says when salt can’t be reached or is passed, and by how much; nought asked is not implausible', () => {
    const lines = [line('vegetable-stock-cube', 10), line('water', 0), line('fine-salt', 0)];
    const by = (id: string, saltPct: number): ReturnType<typeof season> =>
      season(potOf(lines[0]!), { id: 's', op: 'season', line: id, saltPct }, context(lines));
    expect(codes(by('water', 1.2))).toEqual(['TARGET_UNREACHABLE']);
    const [passed] = by('fine-salt', 0.5).cautions;
    // 90 g in 10 kg by the label (the row sums to exactly 100): 50 wanted, so 40 g over in terms of pure salt: -0.04 / 0.993.
    expect(passed).toEqual(jasmine.objectContaining({ code: 'TARGET_PASSED', what: 'salt' }) as never);
    expect(passed?.code === 'TARGET_PASSED' && passed.overKg * 1000).toBeCloseTo(40 / 0.993, 1);
    expect(codes(by('fine-salt', 0))).toEqual(['TARGET_PASSED']);
    expect(codes(by('fine-salt', 1.7))).toEqual(['SPOON_IMPLAUSIBLE']);
    expect(codes(by('fine-salt', 1.6))).toEqual([]);
    expect(
      codes(season(potOf(line('water', 10)), { id: 's', op: 'season', line: 'fine-salt', saltPct: 0.2 }, context(lines))),
    ).toEqual(['SPOON_IMPLAUSIBLE']);
  });
});
