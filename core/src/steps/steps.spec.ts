import { MASS, sdOf } from '../body/index.js';
import { canteen, context, flowsKg, line, pot40, potOf } from '../../spec/pots.js';
import { SALT, WATER } from '../larder/index.js';
import {
  CREAM_KG,
  EMPTY_POT,
  contents,
  gelatinised,
  parcelKg,
  plusParcel,
  potKg,
  volumeM3,
  type Flow,
  type PotState,
} from '../pot/index.js';
import { saltToAdd, season, cream, shareToAdd, film, filmM, dish } from '../steps/index.js';
import { bowlFacts, bowlsSure, portionKg } from '../dish/index.js';
import {
  alcoholKept,
  blend,
  cover,
  coveringM3,
  grainAfter,
  jugged,
  TOUCH_C,
  read,
  reheat,
  rest,
  roast,
  roastTau,
  simmer,
  sweat,
  takeOut,
  trayed,
  trim,
} from './index.js';
import { heatToJ } from './step.js';

const gaveKg = (result: { outflows: readonly Flow[] }): number => flowsKg(result.outflows);

describe('trim', () => {
  it('2 kg of beetroot, 77 % kept: 0.46 kg goes to the tub', () => {
    const result = trim(EMPTY_POT, { id: 't', op: 'trim', uses: [{ line: 'beetroot' }] }, context([line('beetroot', 2, 25, 0.77)]));
    expect(gaveKg(result)).toBeCloseTo(0.46, 12);
    expect(potKg(result.pot)).toBeCloseTo(1.54, 12);
    expect(result.cautions.map(({ code }) => code)).toEqual(['HARD_TO_CUT']);
  });

  it('a share of a line, or kilos of it', () => {
    const of = (use: { share?: number; kg?: number }): number =>
      potKg(trim(EMPTY_POT, { id: 't', op: 'trim', uses: [{ line: 'onion', ...use }] }, context([line('onion', 2, 6, 0.88)])).pot);
    expect(of({ share: 0.25 })).toBeCloseTo(0.44, 12);
    expect(of({ kg: 1 })).toBeCloseTo(0.88, 12);
  });
});

describe('roast', () => {
  it('1 kg of 25 mm beetroot for 95 min at 200 °C loses 0.8 (1 - 1/e) of its water: 0.8758 x 0.5057 = 0.4429 kg', () => {
    const result = roast(
      potOf(line('beetroot', 1)),
      { id: 'r', op: 'roast', ovenC: 200, minutes: 95, load: 'rounds' },
      context([]),
    );
    expect(gaveKg(result)).toBeCloseTo(0.4429, 4);
    expect(result.counts).toEqual({ trays: 1, rounds: 1, tosses: 0 });
  });

  it('tau 95 min: at 12.5 mm x 0.5^0.8 = 54.6; at 180 °C x e^(20/55) = 136.7; twice one layer x 2^0.7 = 154.3', () => {
    expect(roastTau(0.0125, 200, 1)).toBeCloseTo(54.56, 1);
    expect(roastTau(0.025, 180, 1)).toBeCloseTo(136.66, 1);
    expect(roastTau(0.025, 200, 2)).toBeCloseTo(154.33, 1);
  });

  it('20 kg of 25 mm pieces, 2.22 m2 in one layer, on trays of 0.53 x 0.325 m: 12.9 trays, 2 rounds of 6 at 1.08; or crowded on 6', () => {
    const tray = canteen.trays[0]!;
    const inRounds = trayed(20 / 9, tray, 'rounds');
    expect(inRounds).toEqual(jasmine.objectContaining({ trays: 12, rounds: 2 }));
    expect(inRounds.layers).toBeCloseTo(20 / 9 / 12 / 0.17225, 9);
    const crowded = trayed(20 / 9, tray, 'crowd');
    expect(crowded).toEqual(jasmine.objectContaining({ trays: 6, rounds: 1 }));
    expect(crowded.layers).toBeCloseTo(20 / 9 / 6 / 0.17225, 9);
  });
});

describe('sweat', () => {
  it('1 kg of 6 mm onion for 22 min, gentle, lid off, loses 0.6 (1 - 1/e) of its water: 0.8911 x 0.3793 = 0.3380 kg', () => {
    const result = sweat(
      potOf(line('onion', 1, 6)),
      { id: 's', op: 'sweat', minutes: 22, heat: 'gentle', lid: 'off' },
      context([]),
    );
    expect(gaveKg(result)).toBeCloseTo(0.338, 3);
  });

  it('with the lid on tau is three times longer: 0.8911 x 0.6 (1 - e^(-1/3)) = 0.1516 kg', () => {
    const result = sweat(potOf(line('onion', 1, 6)), { id: 's', op: 'sweat', minutes: 22, heat: 'gentle', lid: 'on' }, context([]));
    expect(gaveKg(result)).toBeCloseTo(0.1516, 3);
  });
});

describe('add and take out', () => {
  it('pieces stand beside the liquid; half a bay bundle lifted out leaves half', () => {
    const pot = potOf(line('vegetable-stock', 2), line('bay', 0.004));
    expect(pot.cohorts.length).toBe(1);
    const result = takeOut(pot, { id: 'o', op: 'takeOut', lines: ['bay'], share: 0.5 });
    expect(gaveKg(result)).toBeCloseTo(0.002, 12);
    expect(potKg(result.pot)).toBeCloseTo(2.002, 12);
  });

  it('2 kg of water at 15 °C and 1 kg of oil at 20: (2 x 4.18 x 15 + 1.99 x 20) / (8.36 + 1.99) = 15.96 °C', () => {
    expect(potOf(line('water', 2), line('rapeseed-oil', 1)).tempC).toBeCloseTo(15.96, 1);
  });
});

describe('cover', () => {
  const bed = { solidM3: 0.0015, packing: 0.6, pieceM: 0.012 };

  it('1.5 L of raw pieces: 1.45 L of liquid at 24 cm, 2.6 at 45 (geometry by hand)', () => {
    // 24 cm: floor 0.045239 m2; bed 0.0025 / 0.045239 = 55.3 mm; + 10 mm = 65.3 mm -> 2.952 L - 1.5 = 1.452
    expect(coveringM3(bed, { widthM: 0.24, depthM: 0.2 }, 0.01)).toBeCloseTo(0.001452, 6);
    // 45 cm: floor 0.159043; bed 15.7 mm; 25.7 mm -> 4.090 L - 1.5 = 2.590
    expect(coveringM3(bed, { widthM: 0.45, depthM: 0.4 }, 0.01)).toBeCloseTo(0.00259, 5);
  });

  it('a bed thinner than a piece is one layer of pieces', () => {
    // 0.3 L at 24 cm would be 11 mm deep; one layer of 25 mm: (0.025 + 0.01) x 0.045239 - 0.0003 = 1.283 L
    expect(coveringM3({ solidM3: 0.0003, packing: 0.6, pieceM: 0.025 }, { widthM: 0.24, depthM: 0.2 }, 0.01)).toBeCloseTo(
      0.001283,
      6,
    );
  });

  it('counts the liquid that is there: 1 L less to pour when 1 L stands', () => {
    const lines = [line('carrot', 8, 12), line('water', 1)];
    const settings = { id: 'c', op: 'cover', line: 'water', overM: 0.01 } as const;
    const dry = cover(potOf(lines[0]!), settings, context(lines));
    const wet = cover(potOf(...lines), settings, context(lines));
    expect(parcelKg(dry.inflows[0]!.parcel) - parcelKg(wet.inflows[0]!.parcel)).toBeCloseTo(1, 2);
  });
});

describe('simmer', () => {
  const water = potOf(line('water', 10));
  const settings = { id: 's', op: 'simmer', minutes: 30, vigour: 'steady', lid: 'off' } as const;

  it('40 cm pot, steady, open, 30 min: 12 kg/(m2 h) x 0.12566 m2 x 0.5 h = 0.754 kg; lid ajar 0.264; lid on 0.075', () => {
    expect(gaveKg(simmer(water, settings, context([])))).toBeCloseTo(0.754, 3);
    expect(gaveKg(simmer(water, { ...settings, lid: 'ajar' }, context([])))).toBeCloseTo(0.2639, 4);
    expect(gaveKg(simmer(water, { ...settings, lid: 'on' }, context([])))).toBeCloseTo(0.0754, 4);
  });

  it('cannot evaporate more than the burner gives: 200 W useful less wall loss', () => {
    // Level 10.43 L / 0.12566 m2 = 8.0 cm at 15 °C; wall 0.1003 m2 x 10 x 80 = 80.2 W; (200 - 80.2) / 2256.5 kJ x 1800 s = 0.0956 kg
    const small = context([], { vessel: { ...pot40(), burnerW: 400, efficiency: 0.5 } });
    const result = simmer(water, { ...settings, vigour: 'rolling' }, small);
    expect(gaveKg(result)).toBeCloseTo(0.0956, 3);
    expect(result.cautions.map(({ code }) => code)).toContain('BURNER_LIMITS');
  });

  it('10 kg from 15 to 100 °C on 4500 W useful: 10 x 4190 x 85 J over 4462 W (wall loss 38) = 13.3 min', () => {
    expect(simmer(water, { ...settings, minutes: 0 }, context([])).counts?.toBoilMinutes).toBeCloseTo(13.3, 1);
  });

  it('keeps alcohol by the US retention factors, and straight lines between', () => {
    for (const [minutes, kept] of [
      [0, 1],
      [15, 0.4],
      [30, 0.35],
      [60, 0.25],
      [90, 0.2],
      [120, 0.1],
      [22.5, 0.375],
      [300, 0.1],
    ] as const) {
      expect(alcoholKept(minutes)).toBeCloseTo(kept, 9);
    }
  });

  it('boils dry with a caution, never below nought', () => {
    const result = simmer(potOf(line('water', 0.2)), { ...settings, minutes: 600, vigour: 'rolling' }, context([]));
    expect(result.cautions.map(({ code }) => code)).toContain('BOILED_DRY');
    expect(result.pot.liquid.mix[WATER]).toBeGreaterThan(0);
  });
});

describe('reheat', () => {
  const cold = (kg: number): PotState => ({ ...potOf(line('water', kg)), tempC: 5 });
  const settings = { id: 'b', op: 'reheat', toC: 74, lid: 'on' } as const;

  it('10 kg of water from 5 to 74 °C: by the burner, less what the wall gives off', () => {
    const { vessel } = context([]);
    // 10 x 4.19 kJ x 69 = 2891 kJ; the wall is 0.1 m2 at 10 W/(m2 K) over (39.5 - 21) K: some 19 W of a burner of kilowatts.
    // Of a floor of 40 cm no more than 60 kW/m2 x 0.126 m2 are taken.
    const usefulW = Math.min(vessel.burnerW * vessel.efficiency, 7540) - 19;
    const result = reheat(cold(10), settings, context([]));
    expect(result.minutes / (2_891_000 / usefulW / 60)).toBeCloseTo(1, 1);
    expect(result.pot.tempC).toBeCloseTo(74, 6);
    expect(result.cautions).toEqual([]);
  });

  it('a thick soup takes longer than its water: the floor gives it 25 kW/m2 at most', () => {
    const thick = {
      ...context([]),
      vessel: { ...context([]).vessel, burnerW: 30_000 },
      parameters: { ...context([]).parameters, bodyA: 5000 },
    };
    const purée: PotState = { ...potOf(line('potato-starch', 0.5)), tempC: 5 };
    const both = { ...purée, liquid: plusParcel(gelatinised(purée.liquid), cold(9.5).liquid) };
    const watts = (heatToJ(both, 74) / reheat(both, settings, thick).minutes) * (1 / 60);
    expect(watts / 0.1257).toBeGreaterThan(24_000);
    expect(watts / 0.1257).toBeLessThan(25_100);
  });

  it('loses what steams away on the way, more without a lid, and nothing where it is hot already', () => {
    const lost = (lid: 'on' | 'off'): number => gaveKg(reheat(cold(20), { ...settings, lid }, context([])));
    expect(lost('off')).toBeGreaterThan(lost('on'));
    expect(lost('on')).toBeGreaterThan(0);
    expect(lost('off')).toBeLessThan(0.3);
    const hot = reheat({ ...cold(5), tempC: 80 }, settings, context([]));
    expect(hot.minutes).toBe(0);
    expect(hot.pot.tempC).toBe(80);
  });

  it('says when it is too cool, and when two hours are not enough (FDA Food Code 2022, 3-403.11)', () => {
    expect(reheat(cold(5), { ...settings, toC: 65 }, context([])).cautions).toContain({
      code: 'REHEAT_TOO_COOL',
      tempC: 65,
      leastC: 74,
    });
    const weak = { ...context([]), vessel: { ...context([]).vessel, burnerW: 700 } };
    const slow = reheat(cold(30), settings, weak);
    expect(slow.minutes).toBeGreaterThan(120);
    expect(slow.cautions.map(({ code }) => code)).toContain('REHEAT_TOO_SLOW');
  });
});

describe('rest', () => {
  it('10 kg of water from 95 to 60 °C: by wall and face, and by what steams from the face', () => {
    // At 95 °C water fills 10.39 L: 8.27 cm of 40 cm; wall 0.1039 + face 0.1257 = 0.2296 m2; m cp = 10 x 4202 = 42,020.
    // By thirds, in the middle of each: at 89 °C 10 x 0.2296 x 69 = 158 W and 5.88 kg/(m2 h) = 469 W; at 77.5 °C 132 and
    // 283 W; at 66 °C 106 and 170 W: 490,000 J each / 627, 415, 276 W = 782, 1181, 1776 s = 62.3 min; 0.44 kg steams away.
    const hot: PotState = { ...potOf(line('water', 10)), tempC: 95 };
    const result = rest(hot, { id: 'r', op: 'rest', toC: 60, around: 'air' }, context([]));
    expect(result.minutes).toBeCloseTo(62.3, -0.5);
    expect(result.pot.tempC).toBeCloseTo(60, 6);
    expect(parcelKg(result.outflows[0]!.parcel)).toBeCloseTo(0.44, 1);
  });

  it('7.5 kg of purée from 100 to 68 °C takes 30 to 50 min; a free face of water (ASHRAE) would give 31', () => {
    const puree: PotState = { ...potOf(line('water', 7.5)), tempC: 100 };
    const stockpot = canteen.pots.find(({ id }) => id === 'stockpot-20')!;
    const { minutes } = rest(puree, { id: 'r', op: 'rest', toC: 68, around: 'air' }, { ...context([]), vessel: stockpot });
    expect(minutes).toBeGreaterThan(30);
    expect(minutes).toBeLessThan(50);
  });

  it('for minutes is a rest too, and tells how hot it is then; two halves come to the whole', () => {
    const hot: PotState = { ...potOf(line('water', 10)), tempC: 95 };
    const half = { id: 'r', op: 'rest', minutes: 15, around: 'air' } as const;
    const whole = rest(hot, { ...half, minutes: 30 }, context([]));
    expect(whole.minutes).toBe(30);
    expect(whole.pot.tempC).toBeLessThan(85);
    expect(rest(rest(hot, half, context([])).pot, half, context([])).pot.tempC).toBeCloseTo(whole.pot.tempC, 0);
  });

  it('a roast tray comes to the touch in about a quarter of an hour (trade)', () => {
    const pieces: PotState = { ...potOf(line('carrot', 1)), tempC: 97, traysM2: 0.172 };
    const { minutes, pot } = rest(pieces, { id: 'r', op: 'rest', toC: TOUCH_C, around: 'air' }, context([]));
    expect(minutes).toBeGreaterThan(8);
    expect(minutes).toBeLessThan(22);
    expect(parcelKg(pot.cohorts[0]!.parcel)).toBeLessThan(1);
  });

  it('says that it cannot go below its surroundings, and the two stages of the FDA Food Code 2022, 3-501.14', () => {
    const result = rest({ ...potOf(line('water', 1)), tempC: 95 }, { id: 'r', op: 'rest', toC: 5, around: 'air' }, context([]));
    expect(result.cautions).toEqual([
      { code: 'STAYS_WARM', lowestC: 21 },
      { code: 'COOL_IN_TWO_STAGES', firstToC: 21, firstMinutes: 120, toC: 5, allMinutes: 360 },
    ]);
  });
});

describe('blend', () => {
  it('25 mm after 20 s in a jug: 0.25 + 24.75 / e = 9.36 mm; after two minutes 0.31', () => {
    expect(grainAfter('jug', 0.025, 20)).toBeCloseTo(0.00936, 5);
    expect(grainAfter('jug', 0.025, 120)).toBeCloseTo(0.00031, 5);
  });

  it('12 L in a 4 L jug: 9 a third full when boiling hot, 5 when cooled', () => {
    expect(jugged(0.012, 0.004, 95)).toEqual({ jugs: 9, fillShare: 1 / 3 });
    expect(jugged(0.012, 0.004, 60)).toEqual({ jugs: 5, fillShare: 0.6 });
  });

  it('merges pieces, keeps back a quarter whole, and names what is not tender or was left in', () => {
    const pot = potOf(line('carrot', 1, 12), line('bay', 0.002), line('water', 1));
    const settings = { id: 'b', op: 'blend', blender: 'stick', minutes: 2, holdBack: [{ line: 'carrot', share: 0.25 }] } as const;
    const result = blend(pot, { ...settings, holdBack: [...settings.holdBack] }, context([]));
    expect(parcelKg(result.pot.cohorts[0]!.parcel)).toBeCloseTo(0.25, 12);
    expect(parcelKg(result.pot.liquid)).toBeCloseTo(1.752, 12);
    expect(result.cautions).toEqual([
      { code: 'LEFT_IN_FOR_THE_BLADE', lineIds: ['bay'] },
      { code: 'NOT_TENDER', lineIds: ['carrot'] },
    ]);
  });
});

describe('season', () => {
  it('10 kg without salt to 0.8 %: x / (10 + x) = 0.008, x = 80.6 g', () => {
    expect(saltToAdd({ massKg: 10, saltKg: 0, purity: 1, wantedShare: 0.008 })).toBeCloseTo(0.0806, 4);
  });

  it('cream to come makes it more: 10 kg that will be 90 % of the soup wants 0.8 % of 11.1 kg: 89.7 g', () => {
    // (0 + x) = 0.008 (10 + x) / 0.9 -> x = 0.08889 / (1 - 0.008889) = 0.08969
    expect(
      saltToAdd({
        massKg: 10,
        saltKg: 0,
        purity: 1,
        wantedShare: 0.008,
        coming: { kg: 0, saltKg: 0, perKg: 0.1 / 0.9, saltPerKg: 0 },
      }),
    ).toBeCloseTo(0.08969, 5);
  });

  it('counts the salt of a cube stock, and says how much is over', () => {
    // 10 kg at 0.9 %: 10 g over 0.8 % of 10 kg; over by (0.09 - 0.08) / (0.998 - 0.008) = 10.1 g of this salt
    const result = season(
      potOf(line('vegetable-stock-cube', 10)),
      { id: 's', op: 'season', line: 'fine-salt', saltPct: 0.8 },
      context([line('fine-salt', 0)]),
    );
    expect(potKg(result.pot)).toBeCloseTo(10, 9);
    expect(result.cautions).toEqual([{ code: 'TARGET_PASSED', what: 'salt', overKg: jasmine.any(Number) as unknown as number }]);
    expect((result.cautions[0] as { overKg: number }).overKg).toBeCloseTo(0.0101, 4);
  });
});

describe('cream', () => {
  it('9 kg to a tenth of the whole: 1 kg; with half in already 0.5', () => {
    expect(shareToAdd(9, 0, 1, 0.1)).toBeCloseTo(1, 12);
    expect(shareToAdd(9.5, 0.5, 1, 0.1)).toBeCloseTo(0.5, 12);
  });

  it('20 g a bowl of 300 g and 3 g of fat in 100 g are both met', () => {
    const lines = [line('water', 9), line('double-cream', 0)];
    const by = (target: Parameters<typeof cream>[1]['target']): PotState =>
      cream(potOf(lines[0]!), { id: 'c', op: 'cream', line: 'double-cream', target }, context(lines)).pot;
    const bowl = by({ by: 'gPerBowl', value: 20 });
    expect((contents(bowl).carried[CREAM_KG] / potKg(bowl)) * 300).toBeCloseTo(20, 9);
    const fat = by({ by: 'fatPer100', value: 3 });
    // 48 % cream: 9 kg x 0.03 / (0.48 - 0.03) = 0.6 kg
    expect(potKg(fat)).toBeCloseTo(9.6, 9);
  });

  it('a target richer than the cream itself is said, not reached', () => {
    const lines = [line('water', 9), line('single-cream', 0)];
    const result = cream(
      potOf(lines[0]!),
      { id: 'c', op: 'cream', line: 'single-cream', target: { by: 'fatPer100', value: 30 } },
      context(lines),
    );
    expect(result.cautions).toEqual([{ code: 'TARGET_UNREACHABLE', what: 'cream' }]);
    expect(potKg(result.pot)).toBeCloseTo(9, 12);
  });
});

describe('film', () => {
  it('is 0.3 mm at 250 mPa·s and grows with the root of the body: 0.6 mm at 1000', () => {
    expect(filmM(250)).toBeCloseTo(0.3e-3, 12);
    expect(filmM(1000)).toBeCloseTo(0.6e-3, 12);
  });

  it('40 cm pot with 15 cm of water: (0.12566 + 0.18850) m2 x 0.0125 mm = 3.9 mL', () => {
    // 15 cm x 0.125664 m2 = 18.85 L of water at 15 °C, 996.4 kg/m3 by Choi and Okos: 18.782 kg. Water at 65 °C has
    // 0.4299 mPa·s by Vogel’s equation: 0.3 mm x sqrt(0.4299 / 250) = 0.01244 mm; x 0.31416 m2 x 0.9964 = 3.894 g.
    const result = film(potOf(line('water', 18.782)), { id: 'f', op: 'film', on: 'pot' }, context([]));
    expect(gaveKg(result)).toBeCloseTo(0.003894, 6);
  });
});

describe('dish', () => {
  it('24 kg in bowls of 300 g: 80', () => {
    const result = dish(potOf(line('water', 24)), { id: 'd', op: 'dish' }, context([]));
    expect(result.counts?.bowls).toBeCloseTo(80, 9);
    expect(potKg(result.pot)).toBe(0);
  });

  it('facts of a bowl, by hand: 9 kg water, 0.9 kg double cream, 0.1 kg salt, 300 g of it', () => {
    const lines = [line('water', 9), line('double-cream', 0.9), line('fine-salt', 0.1)];
    const facts = bowlFacts(contents(potOf(...lines)), 0.3, 60)!;
    // A bowl is 3 % of 10 kg: cream 27 g, fat 12.96 g, NaCl 0.998 x 3 = 2.994 g; sodium 2994 x 0.3934 + 27 x 0.22 = 1183.8 mg;
    // label salt 2.5 x 1.1838 = 2.96 g, 59.2 % of WHO's 5 g; energy 12.96 x 37 + 0.432 x 17 + 0.54 x 17 + 0.027 x 13 = 496.4 kJ
    expect(facts.creamG).toBeCloseTo(27, 6);
    expect(facts.fatG).toBeCloseTo(12.96, 4);
    expect(facts.saltG).toBeCloseTo(2.994, 3);
    expect(facts.sodiumMg).toBeCloseTo(1183.8, 0);
    expect(facts.labelSaltG).toBeCloseTo(2.96, 2);
    expect(facts.dayShare).toBeCloseTo(0.592, 3);
    expect(facts.energyKj).toBeCloseTo(496.4, 0);
    expect(facts.allergens).toEqual(['milk']);
  });

  it('1 g of NaCl holds 0.3934 g of sodium and reads 0.983 g on a label', () => {
    const facts = bowlFacts(contents(potOf(line('fine-salt', 1))), 0.001, 20)!;
    const perGram = facts.labelSaltG / facts.saltG;
    expect(perGram).toBeCloseTo(0.9835, 4);
    expect(facts.saltG).toBeCloseTo(contents(potOf(line('fine-salt', 1))).mix[SALT], 9);
  });
});

describe('bowls', () => {
  it('by ladle: two of 120 mL of 1000 kg/m3 are 0.24 kg, less a twentieth with 5 % air', () => {
    const soup = contents(potOf(line('water', 10)));
    const density = 10 / volumeM3(soup.mix, 60);
    expect(portionKg({ by: 'ladle', volumeM3: 120e-6, count: 2 }, soup, 60)).toBeCloseTo(240e-6 * density, 12);
    expect(portionKg({ by: 'ladle', volumeM3: 120e-6, count: 2 }, soup, 60, 0.05)).toBeCloseTo(240e-6 * density * 0.95, 12);
    expect(portionKg({ by: 'fill', volumeM3: 300e-6 }, soup, 60)).toBeCloseTo(300e-6 * density, 12);
    expect(portionKg({ by: 'weight', kg: 0.3 }, soup, 60)).toBe(0.3);
  });

  it('with 90 % confidence: (24 - 1.2816 x 0.6) / 0.3 = 77.4, so 77; with 50 %, 80', () => {
    expect(bowlsSure(24, 0.6, 0.3, 90)).toBe(77);
    expect(bowlsSure(24, 0.6, 0.3, 50)).toBe(80);
    expect(bowlsSure(0.1, 1, 0.3, 90)).toBe(0);
  });
});

describe('read', () => {
  const pot = potOf(line('water', 10));
  const weighed = (massKg: number): Parameters<typeof read>[1] => ({
    id: 'r',
    op: 'read',
    seen: { of: 'mass', massKg, sdKg: 0.5 },
  });

  it('two equal doubts meet half-way: 10 kg +- 0.5 and a reading of 10.4 +- 0.5', () => {
    const result = read(pot, weighed(10.4), context([]));
    // In ln: half of ln 1.04 = 0.01961, so 10 e^0.01961 = 10.198.
    expect(potKg(result.pot)).toBeCloseTo(10.198, 3);
    expect(parcelKg(result.inflows[0]!.parcel)).toBeCloseTo(0.198, 3);
    // Variance 0.05^2 halves to 0.00125. The reading is d^2 = 0.03922^2 / 0.005 = 0.3077 off, so the factor is
    // (3 + 0.3077) / 4 = 0.8269, of which 0.0025 / 0.003125 = 0.8 tells of the mass (the rest of the scale's bias):
    // 1 - 0.1731 x 0.8 = 0.8615. sd = sqrt(0.00125 x 0.8615) = 0.03282.
    expect(sdOf(result.estimate!, MASS)).toBeCloseTo(0.03282, 5);
  });

  it('a wild one is questioned and changes nothing: 3 sd of the difference is 0.2121 in ln, 10 e^0.2121 = 12.363', () => {
    const wild = read(pot, weighed(12.4), context([]));
    expect(wild.pot).toBe(pot);
    expect(wild.cautions).toEqual([{ code: 'READING_QUESTIONED', readKg: 12.4, expectedKg: potKg(pot) }]);
    expect(read(pot, weighed(12.3), context([])).cautions).toEqual([]);
  });

  it('a wild one that is said again is believed; one that says something else is wild too', () => {
    const wild = read(pot, weighed(14), context([]));
    const again = read(wild.pot, weighed(14.2), context([], { estimate: wild.estimate! }));
    expect(again.cautions).toEqual([]);
    expect(potKg(again.pot)).toBeGreaterThan(13.5);
    expect(potKg(again.pot)).toBeLessThan(14.3);
    const other = read(wild.pot, weighed(6), context([], { estimate: wild.estimate! }));
    expect(other.cautions.map(({ code }) => code)).toEqual(['READING_QUESTIONED']);
    expect(potKg(other.pot)).toBe(10);
  });

  it('a good one in between ends the doubt: the slip that comes later is a first one again', () => {
    const wild = read(pot, weighed(14), context([]));
    const good = read(wild.pot, weighed(10.1), context([], { estimate: wild.estimate! }));
    expect(good.cautions).toEqual([]);
    const later = read(good.pot, weighed(14), context([], { estimate: good.estimate! }));
    expect(later.cautions.map(({ code }) => code)).toEqual(['READING_QUESTIONED']);
  });

  it('a salt meter finds salt in soup that was thought to have none, the second time for good', () => {
    const meter = (saltPct: number): Parameters<typeof read>[1] => ({
      id: 'r',
      op: 'read',
      seen: { of: 'salt', saltPct, sdPct: saltPct * 0.04 },
    });
    const first = read(pot, meter(0.4), context([]));
    expect(first.cautions).toEqual([{ code: 'SALT_QUESTIONED', readPct: 0.4, expectedPct: 0 }]);
    const second = read(first.pot, meter(0.41), context([], { estimate: first.estimate! }));
    expect(second.cautions).toEqual([]);
    expect((contents(second.pot).mix[SALT] / potKg(second.pot)) * 100).toBeCloseTo(0.41, 1);
    // Hardly any salt more or less is never wild, however many times as much it is.
    expect(read(pot, meter(0.05), context([])).cautions).toEqual([]);
  });
});
