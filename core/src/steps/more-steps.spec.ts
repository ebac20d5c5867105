import { canteen, context, flowsKg, ingredient, line, pot40, potOf } from '../../spec/pots.js';
import { FAT, SALT, STARCH, WATER, allergenNames, colourOf } from '../larder/index.js';
import {
  COOKED_STARCH_KG,
  EMPTY,
  EMPTY_POT,
  SCOVILLE_KG,
  contents,
  parcelKg,
  plusParcel,
  potKg,
  tintIn,
  type PotState,
} from '../pot/index.js';
import {
  blend,
  brownness,
  cappedVigour,
  cup,
  deglaze,
  drain,
  fry,
  fryPuree,
  giveBack,
  heldShare,
  hold,
  minutesToFork,
  pressure,
  reduce,
  roast,
  servedBody,
  sieve,
  simmer,
  sweat,
  takeOut,
  thicken,
  thin,
  trim,
  type Roast,
  type StepResult,
} from './index.js';

const codes = ({ cautions }: StepResult): string[] => cautions.map(({ code }) => code);
const roasting = (minutes: number, more: Partial<Roast> = {}): Roast => ({
  id: 'r',
  op: 'roast',
  ovenC: 200,
  minutes,
  load: 'rounds',
  ...more,
});

describe('trays', () => {
  const beet = (mm: number): PotState => potOf(line('beetroot', 1, mm));

  it('staggered is one roast cut in two: 20 and 30 minutes lose what 50 do', () => {
    const whole = roast(beet(25), roasting(50), context());
    const first = roast(beet(25), roasting(20), context());
    const second = roast(first.pot, roasting(30), context());
    expect(flowsKg(first.outflows) + flowsKg(second.outflows)).toBeCloseTo(flowsKg(whole.outflows), 9);
  });

  it('smaller dice brown sooner and are sooner fork-tender', () => {
    const browned = (mm: number): number => roast(beet(mm), roasting(30), context()).pot.cohorts[0]!.browned;
    expect(browned(12)).toBeGreaterThan(browned(25));
    const fork = (mm: number): number => minutesToFork(beet(mm), 200, context()).get('beetroot')!;
    expect(fork(12)).toBeLessThan(fork(25));
    expect(fork(25)).toBeLessThan(fork(50));
  });

  it('browns by what it has lost and by the heat: 0.3 of the water at 190 °C is 1 - 1/e', () => {
    expect(brownness(0.3, 190)).toBeCloseTo(1 - Math.exp(-1), 12);
    expect(brownness(0.3, 230)).toBeCloseTo(1 - Math.exp(-Math.E), 12);
    const pale = colourOf(tintIn(contents(beet(25))));
    const roasted = colourOf(tintIn(contents(roast(potOf(line('cauliflower', 1)), roasting(60), context()).pot)));
    expect(roasted).not.toBe(pale);
    const light = (hex: string): number => Number.parseInt(hex.slice(3, 5), 16);
    expect(light(roasted)).toBeLessThan(light(colourOf(tintIn(contents(potOf(line('cauliflower', 1)))))));
  });

  it('takes up two hundredths of its weight in fat, no more than there is', () => {
    const oiled = (kg: number): PotState =>
      roast(potOf(line('beetroot', 1), line('rapeseed-oil', kg)), roasting(40), context()).pot;
    // 1 kg of 25 mm pieces: 20 g.
    expect(oiled(0.05).cohorts[0]!.parcel.mix[FAT]).toBeCloseTo(0.0017 + 0.02, 3);
    expect(oiled(0.05).liquid.mix[FAT]).toBeCloseTo(0.03, 9);
    expect(oiled(0.01).liquid.mix[FAT]).toBeCloseTo(0, 9);
  });

  it('is tossed every quarter of an hour: twice in 45 minutes, and dries a little faster', () => {
    const tossed = roast(beet(25), roasting(45, { tossEveryMin: 15 }), context());
    expect(tossed.counts?.tosses).toBe(2);
    expect(flowsKg(tossed.outflows)).toBeGreaterThan(flowsKg(roast(beet(25), roasting(45), context()).outflows));
  });

  it('warns of whole roots, hot liners and crowds', () => {
    expect(codes(roast(beet(80), roasting(60, { whole: true }), context()))).toContain('PRICK_OR_BURST');
    expect(codes(roast(beet(25), roasting(30, { ovenC: 240 }), context()))).toContain('LINER_HEAT');
    expect(codes(roast(potOf(line('beetroot', 20)), roasting(30, { load: 'crowd' }), context()))).toContain('TRAY_CROWDED');
  });
});

describe('the pan', () => {
  const onion = (): PotState => potOf(line('onion', 1, 6));

  it('a sauté dries and colours, a sweat with the lid on does neither', () => {
    const gold = fry(onion(), { id: 'f', op: 'fry', how: 'sauté', minutes: 12 }, context());
    const pale = sweat(onion(), { id: 's', op: 'sweat', minutes: 12, heat: 'gentle', lid: 'on' }, context());
    expect(flowsKg(gold.outflows)).toBeGreaterThan(2 * flowsKg(pale.outflows));
    expect(gold.pot.cohorts[0]!.browned).toBeGreaterThan(0.2);
    expect(pale.pot.cohorts[0]!.browned).toBe(0);
  });

  it('toasting and blooming burn in seconds and say so; smoke wants air', () => {
    const how = (kind: 'toast' | 'bloom' | 'smoke'): string[] =>
      codes(fry(potOf(line('cumin', 0.01)), { id: 'f', op: 'fry', how: kind, minutes: 0.5 }, context()));
    expect(how('toast')).toContain('BURNS_IN_SECONDS');
    expect(how('bloom')).toContain('BURNS_IN_SECONDS');
    expect(how('smoke')).toEqual(['SMOKE_INDOORS']);
  });

  it('deglazing boils hard: 40 kg/(m2 h) over 0.12566 m2 for 3 min is 0.2513 kg', () => {
    const lines = [line('onion', 1, 6), line('water', 0.5)];
    const result = deglaze(potOf(lines[0]!), { id: 'd', op: 'deglaze', use: { line: 'water' }, minutes: 3 }, context(lines));
    expect(flowsKg(result.outflows)).toBeCloseTo(0.2513, 3);
    expect(potKg(result.pot)).toBeCloseTo(1.5 - 0.2513, 3);
    expect(codes(result)).toEqual(['STEAM']);
  });

  it('wine that deglazes loses alcohol along the retention curve: 15 min keep 40 % (US retention factors, from memory)', () => {
    const wine = potOf(line('white-wine', 1));
    const after = simmer(wine, { id: 's', op: 'simmer', minutes: 15, vigour: 'steady', lid: 'on' }, context());
    expect(contents(after.pot).mix[8] / contents(wine).mix[8]).toBeCloseTo(0.4, 9);
    expect(codes(after)).toContain('ALCOHOL_LEFT');
  });

  it('a purée fried loses water twice as fast as a rolling pot and darkens', () => {
    const puree = blended('sweetcorn', 2);
    const result = fryPuree(puree, { id: 'f', op: 'fryPuree', minutes: 5 }, context());
    expect(flowsKg(result.outflows)).toBeCloseTo((2 * 40 * 0.125664 * 5) / 60, 3);
    expect(colourOf(tintIn(result.pot.liquid))).not.toBe(colourOf(tintIn(puree.liquid)));
  });
});

/** Simmered soft and blended by itself. */
function blended(id: string, kg: number): PotState {
  const soft = simmer(
    potOf(line(id, kg), line('water', kg)),
    { id: 's', op: 'simmer', minutes: 60, vigour: 'bare', lid: 'on' },
    context(),
  );
  return blend(soft.pot, { id: 'b', op: 'blend', blender: 'jug', minutes: 2 }, context()).pot;
}

describe('out and back', () => {
  const chilli = { ...line('red-chilli', 0.03, 25) };
  const pot = potOf(line('water', 10), chilli);

  it('a whole chilli gives up its heat slowly, comes out, and comes back by shares', () => {
    const simmered = simmer(pot, { id: 's', op: 'simmer', minutes: 20, vigour: 'bare', lid: 'on' }, context()).pot;
    // 1 % a minute for 25 mm: 1 - e^-0.2 = 0.1813 of sqrt(5000 x 15000) x 0.03 kg = 8660 x 0.03 = 259.8
    expect(simmered.liquid.carried[SCOVILLE_KG]).toBeCloseTo(259.8 * 0.1813, 1);
    const out = takeOut(simmered, { id: 't', op: 'takeOut', lines: ['red-chilli'], keep: true });
    expect(out.pot.cohorts.length).toBe(0);
    const quarter = giveBack(out.pot, { id: 'g', op: 'giveBack', lines: ['red-chilli'], share: 0.25, choppedMm: 2 });
    expect(parcelKg(quarter.pot.cohorts[0]!.parcel)).toBeCloseTo(0.0075, 9);
    expect(quarter.pot.cohorts[0]!.sizeM).toBe(0.002);
    const rest = giveBack(quarter.pot, { id: 'h', op: 'giveBack', lines: ['red-chilli'], share: 1 });
    expect(flowsKg(rest.inflows)).toBeCloseTo(0.0225, 9);
    expect(rest.pot.aside.length).toBe(0);
    expect(contents(rest.pot).carried[SCOVILLE_KG]).toBeCloseTo(259.8, 1);
  });

  it('drains: pieces go on with a twentieth of their weight clinging, and a measured part of the liquid', () => {
    const stew = potOf(line('water', 10), line('potato', 2));
    const half = drain(stew, { id: 'd', op: 'drain', keep: 'pieces', liquidShare: 0.5 });
    // 0.1 kg clings; 9.9 kg are free, half goes on.
    expect(potKg(half.pot)).toBeCloseTo(2 + 0.1 + 4.95, 9);
    const strained = drain(stew, { id: 'd', op: 'drain', keep: 'liquid', liquidShare: 1 });
    expect(potKg(strained.pot)).toBeCloseTo(9.9, 9);
    expect(strained.pot.cohorts.length).toBe(0);
    expect(flowsKg(strained.outflows)).toBeCloseTo(2.1, 9);
  });

  it('what was simmered leaves its allergens behind: stock strained of celery says celery', () => {
    const stock = drain(potOf(line('water', 5), line('celery', 0.5)), { id: 'd', op: 'drain', keep: 'liquid', liquidShare: 1 }).pot;
    expect(allergenNames(contents(stock).allergens)).toEqual(['celery']);
    const out = takeOut(potOf(line('water', 5), line('bacon', 0.2)), { id: 't', op: 'takeOut', lines: ['bacon'] }).pot;
    expect(contents(out).origins).not.toBe(0);
  });

  it('a cup takes its kilos and nothing else', () => {
    const result = cup(potOf(line('vegetable-stock-cube', 10)), { id: 'c', op: 'cup', kg: 0.2 });
    expect(flowsKg(result.outflows)).toBeCloseTo(0.2, 12);
    expect(result.pot.liquid.mix[SALT] / parcelKg(result.pot.liquid)).toBeCloseTo(0.009 / 1.001, 3);
    expect(cup(EMPTY_POT, { id: 'c', op: 'cup', kg: 0.2 }).outflows).toEqual([]);
  });
});

describe('rinsing', () => {
  it('drained and rinsed beans keep 0.6 of the salt of what goes on; the rest leaves with the liquor', () => {
    const beans = { ...line('canned-white-beans', 1, 10, 0.594), saltKept: 0.6 };
    const result = trim(EMPTY_POT, { id: 't', op: 'trim', uses: [{ line: 'canned-white-beans' }] }, context([beans]));
    // 6.5 g of salt in the can by its row (sum 99.95 %): 0.594 x 6.503 x 0.6 = 2.318 g.
    expect(contents(result.pot).mix[SALT] * 1000).toBeCloseTo(2.318, 2);
    expect(flowsKg(result.inflows)).toBeCloseTo(1, 9);
    expect(result.inflows[0]!.parcel.mix[SALT]).toBeCloseTo(
      contents(result.pot).mix[SALT] + result.outflows[0]!.parcel.mix[SALT],
      12,
    );
  });
});

describe('pressure', () => {
  it('makes raw roots tender in less than half the time, and flashes off what is above boiling', () => {
    const roots = potOf(line('water', 5), line('carrot', 3, 15));
    const soft = (minutes: number, atC: number): number =>
      pressure(roots, { id: 'p', op: 'pressure', minutes, atC }, context()).pot.cohorts[0]!.softness;
    const simmered = simmer(roots, { id: 's', op: 'simmer', minutes: 12, vigour: 'steady', lid: 'on' }, context()).pot.cohorts[0]!
      .softness;
    expect(soft(5, 118)).toBeGreaterThan(simmered);
    const result = pressure(roots, { id: 'p', op: 'pressure', minutes: 5, atC: 120 }, context());
    // 8 kg x 4.0 kJ/(kg K) x 20 K / 2256.5 kJ/kg = 0.28 kg
    expect(flowsKg(result.outflows)).toBeCloseTo(0.28, 1);
    expect(result.pot.tempC).toBe(100);
    expect(codes(result)).toContain('UNDER_PRESSURE');
  });
});

describe('blade and sieve', () => {
  it('a cold scoop counts as liquid and cools the jug', () => {
    const lines = [line('water', 4), line('carrot', 4, 12), line('ice', 1)];
    const hot = simmer(
      potOf(lines[0]!, lines[1]!),
      { id: 's', op: 'simmer', minutes: 20, vigour: 'steady', lid: 'on' },
      context(),
    ).pot;
    const result = blend(hot, { id: 'b', op: 'blend', blender: 'jug', minutes: 1, coldScoop: { line: 'ice' } }, context(lines));
    expect(potKg(result.pot)).toBeCloseTo(potKg(hot) + 1, 9);
    expect(result.pot.tempC).toBeLessThan(hot.tempC - 8);
    expect(flowsKg(result.inflows)).toBeCloseTo(1, 12);
  });

  it('every jug gets the same: pieces and liquid over the jugs', () => {
    const lines = [line('water', 4), line('carrot', 4, 12)];
    const hot = simmer(potOf(...lines), { id: 's', op: 'simmer', minutes: 20, vigour: 'steady', lid: 'on' }, context()).pot;
    const { counts } = blend(hot, { id: 'b', op: 'blend', blender: 'jug', minutes: 1 }, context());
    // 8 L and a little in jugs of 4 L a third full at 100 °C: 7.
    expect(counts?.jugs).toBe(7);
    expect(counts!.jugPiecesKg! * 7).toBeCloseTo(4, 9);
    expect(counts!.jugLiquidKg! * 7).toBeCloseTo(potKg(hot) - 4, 9);
  });

  it('counts starch only once it is cooked', () => {
    const raw = blend(
      potOf(line('potato', 2), line('water', 2)),
      { id: 'b', op: 'blend', blender: 'jug', minutes: 1 },
      context(),
    ).pot;
    expect(raw.liquid.carried[COOKED_STARCH_KG]).toBe(0);
    const cooked = blended('potato', 2);
    expect(cooked.liquid.carried[COOKED_STARCH_KG]).toBeCloseTo(cooked.liquid.mix[STARCH], 9);
  });

  it('a sieve holds e^-1 of what is as coarse as its mesh (Rosin and Rammler), and less of a finer grain', () => {
    expect(heldShare(1e-3, 1e-3)).toBeCloseTo(Math.exp(-1), 12);
    const tomato = blended('tomato', 4);
    const pressed = (meshMm: number, scraped: boolean): number =>
      flowsKg(sieve(tomato, { id: 's', op: 'sieve', meshMm, scraped }, context()).outflows);
    expect(pressed(0.5, true)).toBeGreaterThan(pressed(2, true));
    expect(pressed(1, false)).toBeGreaterThan(pressed(1, true));
    expect(flowsKg(sieve(blended('cauliflower', 4), { id: 's', op: 'sieve', meshMm: 1, scraped: true }, context()).outflows)).toBe(
      0,
    );
  });
});

describe('to a body', () => {
  const lines = [line('water', 0), line('cornflour', 0), line('plain-flour', 0), line('butter', 0), line('potato', 0)];
  const soup = blended('carrot', 5);
  const now = servedBody(soup, context());

  it('thinning, boiling down and thickening by four means land within 1 %', () => {
    const at = (result: StepResult): number => servedBody(result.pot, context());
    expect(at(thin(soup, { id: 't', op: 'thin', line: 'water', toMPas: now / 2 }, context(lines))) / (now / 2)).toBeCloseTo(1, 2);
    const boiled = reduce(soup, { id: 'r', op: 'reduce', vigour: 'steady', to: { by: 'body', mPas: now * 1.5 } }, context(lines));
    expect(at(boiled) / (now * 1.5)).toBeCloseTo(1, 2);
    const means: readonly (readonly { line: string; parts: number }[])[] = [
      [
        { line: 'cornflour', parts: 1 },
        { line: 'water', parts: 2 },
      ],
      [
        { line: 'plain-flour', parts: 1 },
        { line: 'butter', parts: 1 },
      ],
      [{ line: 'potato', parts: 1 }],
    ];
    for (const parts of means) {
      const thick = thicken(soup, { id: 'k', op: 'thicken', parts: [...parts], toMPas: now * 1.5 }, context(lines));
      expect(Math.abs(at(thick) / (now * 1.5) - 1))
        .withContext(parts[0]!.line)
        .toBeLessThan(0.01);
      expect(thick.counts?.settledKg).toBeGreaterThan(0);
    }
  });

  it('minutes of boiling down follow from the pot: 1 kg at 12 kg/(m2 h) over 0.125664 m2 is 39.8 min', () => {
    const pot = { ...potOf(line('water', 10)), tempC: 100 };
    const result = reduce(pot, { id: 'r', op: 'reduce', vigour: 'steady', to: { by: 'share', kept: 0.9 } }, context());
    expect(result.counts?.settledKg).toBeCloseTo(1, 9);
    expect(result.minutes).toBeCloseTo(39.79, 1);
  });

  it('a soup too thick to boil hard is boiled gently, and says so', () => {
    expect([200, 600, 2000].map((body) => cappedVigour('rolling', body))).toEqual(['rolling', 'lively', 'steady']);
    expect(cappedVigour('bare', 5000)).toBe('bare');
    const stiff = { ...soup, bodyLn: Math.log(1500 / now) };
    const hard = simmer(stiff, { id: 's', op: 'simmer', minutes: 10, vigour: 'rolling', lid: 'off' }, context());
    const gentle = simmer(stiff, { id: 's', op: 'simmer', minutes: 10, vigour: 'steady', lid: 'off' }, context());
    expect(flowsKg(hard.outflows)).toBeCloseTo(flowsKg(gentle.outflows), 12);
    expect(codes(hard)).toContain('TOO_THICK_TO_BOIL_HARD');
  });

  it('already there or past it adds nothing; dry starch lumps', () => {
    const past = thin(soup, { id: 't', op: 'thin', line: 'water', toMPas: now * 2 }, context(lines));
    expect(past.pot).toBe(soup);
    expect(codes(past)).toEqual(['TARGET_PASSED']);
    const dry = thicken(
      soup,
      { id: 'k', op: 'thicken', parts: [{ line: 'cornflour', parts: 1 }], toMPas: now * 2 },
      context(lines),
    );
    expect(codes(dry)).toContain('LUMPS');
  });

  it('counts the cream that will come: thinned first, creamed after, the finished soup has the body', () => {
    const creamed = { fixed: EMPTY, perKg: contents(potOf(line('double-cream', 0.1 / 0.9))) };
    const thinned = thin(soup, { id: 't', op: 'thin', line: 'water', toMPas: now / 2 }, context(lines, { toCome: creamed })).pot;
    const kg = (potKg(thinned) * 0.1) / 0.9;
    const all = { ...thinned, liquid: plusParcel(thinned.liquid, potOf(line('double-cream', kg)).liquid) };
    expect(servedBody(all, context()) / (now / 2)).toBeCloseTo(1, 3);
  });
});

describe('holding', () => {
  it('steams away 2.5 kg/(m2 h) at 70 °C: 1 h, lid off, 0.314 kg; a top-up puts it back', () => {
    const lines = [line('water', 10)];
    const settings = { id: 'h', op: 'hold', minutes: 60, atC: 70, lid: 'off' } as const;
    expect(flowsKg(hold(potOf(...lines), settings, context(lines)).outflows)).toBeCloseTo(2.5 * 0.125664, 4);
    const topped = hold(potOf(...lines), { ...settings, topUp: 'water' }, context(lines));
    expect(potKg(topped.pot)).toBeCloseTo(10, 9);
    expect(topped.pot.tempC).toBe(70);
  });

  it('how hot it has to be held goes by where the kitchen stands: 63 °C in Britain, 60 in Australia, 57 by the FDA, and where it is not said', () => {
    const settings = { id: 'h', op: 'hold', minutes: 10, atC: 58, lid: 'on' } as const;
    const least = (country: 'gb' | 'us' | 'au' | undefined): number | undefined => {
      const own = context([], { kit: { ...canteen, country } });
      const [caution] = hold(potOf(line('water', 5)), settings, own).cautions;
      return caution?.code === 'HOLD_TOO_COOL' ? caution.leastC : undefined;
    };
    expect([least('gb'), least('au'), least('us'), least(undefined)]).toEqual([63, 60, undefined, undefined]);
  });

  it('thickens meanwhile, and 50 °C is too cool (FDA Food Code 2022, 3-501.16: 57 °C)', () => {
    const soup = blended('carrot', 5);
    const held = hold(soup, { id: 'h', op: 'hold', minutes: 120, atC: 75, lid: 'off' }, context());
    expect(servedBody(held.pot, context())).toBeGreaterThan(servedBody(soup, context()));
    expect(codes(hold(soup, { id: 'h', op: 'hold', minutes: 10, atC: 50, lid: 'on' }, context()))).toEqual(['HOLD_TOO_COOL']);
  });
});

describe('what a cook knows', () => {
  const water = (kg: number): PotState => potOf(line('water', kg));
  const open = (minutes: number): Parameters<typeof simmer>[1] => ({
    id: 's',
    op: 'simmer',
    minutes,
    vigour: 'steady',
    lid: 'off',
  });

  it('longer open simmer, less mass; wider pot, more boil-off', () => {
    const lost = (minutes: number, widthM: number): number =>
      flowsKg(simmer(water(10), open(minutes), context([], { vessel: { ...pot40(), widthM } })).outflows);
    expect(lost(40, 0.4)).toBeGreaterThan(lost(20, 0.4));
    expect(lost(20, 0.5)).toBeGreaterThan(lost(20, 0.3));
  });

  it('higher altitude, slower: boiling at 95 °C softens less', () => {
    const softness = (boilC: number): number =>
      simmer(potOf(line('water', 5), line('carrot', 2, 12)), open(15), context([], { boilC })).pot.cohorts[0]!.softness;
    expect(softness(95)).toBeLessThan(softness(100));
  });

  it('more water, thinner; a mix of two liquids lies between them', () => {
    const puree = blended('parsnip', 3);
    const letDown = (kg: number): number =>
      servedBody({ ...puree, liquid: plusParcel(puree.liquid, potOf(line('water', kg)).liquid) }, context());
    expect(letDown(0)).toBeCloseTo(servedBody(puree, context()), 9);
    expect(letDown(1)).toBeLessThan(letDown(0.5));
    expect(letDown(0.5)).toBeLessThan(letDown(0));
    const lines = [line('water', 1), line('vegetable-stock', 1)];
    const by = (id: string): number =>
      thin(puree, { id: 't', op: 'thin', line: id, toMPas: 100 }, context(lines)).counts!.settledKg!;
    expect(by('vegetable-stock') / by('water')).toBeCloseTo(1, 1);
  });

  it('a kitchen’s own figure takes the default’s place: twice the boil-off', () => {
    const own = context([], { parameters: { ...context().parameters, boilOff: 2 } });
    expect(
      flowsKg(simmer(water(10), open(20), own).outflows) / flowsKg(simmer(water(10), open(20), context()).outflows),
    ).toBeCloseTo(2, 9);
    expect(canteen.parameters).toBeUndefined();
    expect(ingredient('water').perKg[WATER]).toBe(1);
  });
});
