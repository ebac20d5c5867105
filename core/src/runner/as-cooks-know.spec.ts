import { byStep, canteen, context, example, kilos, line, potOf, prepared, soupOf } from '../../spec/pots.js';
import { potKg, TENDER, type PotState, type Shape } from '../pot/index.js';
import { STEP_KINDS, blend, cover, fry, minutesToFork, pressure, roast, sweat, type SizedLine } from '../steps/index.js';
import { potsFor } from '../plan/index.js';
import { run } from './index.js';

/**
 * What cooks know without a source, as figures: how soft in how long, how much on a tray, in a pan, over a bed. Common
 * practice all; the model's constants are kitchen defaults that have to come out like this.
 */
const cutTo = (id: string, kg: number, sizeMm: number, shape: Shape): SizedLine => ({ ...line(id, kg, sizeMm), shape });

describe('soft in the oven', () => {
  const roasted = (of: SizedLine, ovenC: number, minutes: number): PotState =>
    roast(potOf(of), { id: 'r', op: 'roast', ovenC, minutes, load: 'rounds' }, context([of])).pot;
  const forkMin = (of: SizedLine, ovenC: number): number => minutesToFork(potOf(of), ovenC, context([of])).get(of.id)!;

  it('whole sweet potatoes in 50 to 60 minutes at 204 °C', () => {
    const minutes = forkMin(cutTo('sweet-potato', 2, 50, 'cylinder'), 204);
    expect(minutes).toBeGreaterThan(48);
    expect(minutes).toBeLessThan(60);
  });

  it('halved squash in 45 to 80 minutes at 175 to 200 °C, wedges in about half an hour at 170', () => {
    for (const ovenC of [175, 200]) {
      const minutes = forkMin(cutTo('butternut', 2, 35, 'slab'), ovenC);
      expect(minutes).toBeGreaterThan(40);
      expect(minutes).toBeLessThan(80);
    }
    expect(forkMin(cutTo('butternut', 2, 32, 'cube'), 170)).toBeLessThan(36);
  });

  it('peppers are no thicker than their wall however they are cut, and soft after 45 minutes at 190 °C', () => {
    const soup = soupOf(
      [kilos('pepper', 'red-pepper', 1, { cut: { shape: 'cube', sizeMm: 50, name: 'halves' } })],
      [{ id: 'in', op: 'add', uses: [{ line: 'pepper' }] }],
    );
    const own = prepared(soup).lines.find(({ line: { id } }) => id === 'pepper')!.line;
    expect(own.sizeM).toBe(0.008);
    expect(roasted(own, 190, 45).cohorts[0]!.softness).toBeGreaterThan(TENDER);
  });

  it('2 lb of carrots in pieces, 45 minutes at 204 °C: soft, and 0.9 kg gives about 0.6', () => {
    const pot = roasted(cutTo('carrot', 0.9, 20, 'cube'), 204, 45);
    expect(pot.cohorts[0]!.softness).toBeGreaterThan(TENDER);
    expect(potKg(pot)).toBeGreaterThan(0.55);
    expect(potKg(pot)).toBeLessThan(0.67);
  });

  it('what comes cooked, and what nobody tries with a fork, is never called hard', () => {
    for (const id of [
      'canned-artichokes',
      'canned-chickpeas',
      'roasted-peppers-jar',
      'sage',
      'dried-porcini',
      'pear',
      'mushroom',
    ]) {
      expect(potOf(line(id, 1)).cohorts[0]?.softness ?? 1)
        .withContext(id)
        .toBeGreaterThanOrEqual(TENDER);
    }
    expect(potOf(line('potato', 1)).cohorts[0]!.softness).toBe(0);
  });
});

describe('on trays', () => {
  const roastOf = (kg: number, sizeMm = 25, isActual = false) => {
    const of = line('beetroot', kg, sizeMm);
    const settings = { id: 'r', op: 'roast', ovenC: 200, minutes: 45, load: 'rounds' } as const;
    return roast(potOf(of), isActual ? { ...settings, isActual: true } : settings, context([of]));
  };

  it('a few per cent more than the oven takes is no round more, and costs minutes smoothly', () => {
    // Six gastronorm trays take 6 x 0.17225 x 9 = 9.3 kg of 25 mm pieces in one layer, and 2.5 kg each as a canteen fills them.
    expect(roastOf(9.6).counts).toEqual(jasmine.objectContaining({ rounds: 1, trays: 6 }));
    expect(roastOf(15).counts?.rounds).toBe(1);
    expect(roastOf(18).counts?.rounds).toBe(2);
    const minutes = [9, 9.6, 11, 13, 15].map((kg) => roastOf(kg).minutes);
    expect(minutes).toEqual([...minutes].sort((a, b) => a - b));
    expect(minutes[1]! / minutes[0]!).toBeLessThan(1.05);
    expect(minutes[4]!).toBeLessThan(70);
  });

  it('more on a tray loses as much in more minutes, and less in the same minutes by the clock', () => {
    const lost = (kg: number, isActual: boolean): number => 1 - potKg(roastOf(kg, 25, isActual).pot) / kg;
    expect(lost(15, false)).toBeCloseTo(lost(3, false), 6);
    expect(lost(15, true)).toBeLessThan(0.8 * lost(3, true));
  });

  it('two rounds are each as brown and as dry as one, and the first is colder when all is tipped in', () => {
    const one = roastOf(5);
    const two = roastOf(20);
    expect(two.counts?.rounds).toBe(2);
    expect(potKg(two.pot) / 20).toBeCloseTo(potKg(one.pot) / 5, 6);
    expect(two.pot.cohorts[0]!.browned).toBeCloseTo(one.pot.cohorts[0]!.browned, 6);
    expect(two.pot.tempC).toBeLessThan(one.pot.tempC - 25);
  });

  it('halves lie thick and need two trays for 2.3 kg at most; a parcel of garlic lies at the edge of another tray', () => {
    expect(roastOf(2.3, 50).counts?.trays).toBeLessThanOrEqual(2);
    expect(roastOf(0.036).counts).toEqual(jasmine.objectContaining({ trays: 0, rounds: 1 }));
  });
});

describe('in a pan', () => {
  const mushrooms = (kg: number): SizedLine => line('mushroom', kg, 6);
  const sauté = (kg: number, potId: string, isActual = false) => {
    const vessel = canteen.pots.find(({ id }) => id === potId)!;
    const settings = { id: 'f', op: 'fry', how: 'sauté', minutes: 10 } as const;
    return fry(potOf(mushrooms(kg)), isActual ? { ...settings, isActual: true } : settings, context([mushrooms(kg)], { vessel }));
  };

  it('4.2 kg of mushrooms take some 30 minutes on 6 kW, 15.7 kg about 50 on 14 kW: the burner gives no more', () => {
    const forty = sauté(4.2, 'stockpot-20');
    expect(forty.minutes).toBeGreaterThan(25);
    expect(forty.minutes).toBeLessThan(36);
    const many = sauté(15.7, 'boiler-98');
    expect(many.minutes).toBeGreaterThan(42);
    expect(many.minutes).toBeLessThan(58);
    const told = many.cautions.find(({ code }) => code === 'PAN_CROWDED');
    expect(told).toEqual(jasmine.objectContaining({ setMinutes: 10 }));
    expect(sauté(0.4, 'stockpot-20').minutes).toBe(10);
  });

  it('by the clock less goes off than the burner was short of: never more heat than it gives', () => {
    const vessel = canteen.pots.find(({ id }) => id === 'boiler-98')!;
    for (const minutes of [20, 30, 40]) {
      const step = { id: 'f', op: 'fry', how: 'sauté', minutes, isActual: true } as const;
      const { joules, minutes: took } = fry(potOf(mushrooms(15.7)), step, context([mushrooms(15.7)], { vessel }));
      expect(took).toBe(minutes);
      expect(joules).toBeLessThanOrEqual(vessel.burnerW * vessel.efficiency * minutes * 60 * 1.0001);
    }
  });

  it('a gentle sweat of a canteen’s leeks takes its time too', () => {
    const leeks = line('leek', 6, 6);
    const gentle = sweat(potOf(leeks), { id: 's', op: 'sweat', minutes: 10, heat: 'gentle', lid: 'on' }, context([leeks]));
    expect(gentle.minutes).toBeGreaterThan(15);
  });
});

describe('over a bed', () => {
  const covered = (pot: PotState, widthM: number): number => {
    const stock = line('vegetable-stock', 9);
    const vessel = { ...canteen.pots[0]!, widthM, depthM: 0.5 };
    const result = cover(pot, { id: 'c', op: 'cover', line: 'vegetable-stock', overM: 0.01 }, context([stock], { vessel }));
    return result.counts!.settledKg!;
  };
  const squash = line('butternut', 1.5, 25);

  it('1.5 kg of squash in 24 cm take 1.4 to 1.5 L raw; roasted and tipped in 0.9 to 1.1', () => {
    const raw = covered(potOf(squash), 0.24);
    expect(raw).toBeGreaterThan(1.35);
    expect(raw).toBeLessThan(1.5);
    const roasted = roast(potOf(squash), { id: 'r', op: 'roast', ovenC: 200, minutes: 45, load: 'rounds' }, context([squash])).pot;
    const over = covered(roasted, 0.24);
    expect(over).toBeGreaterThan(0.9);
    expect(over).toBeLessThan(1.1);
  });

  it('a wider pot takes more over the same pieces', () => {
    expect(covered(potOf(squash), 0.32)).toBeGreaterThan(covered(potOf(squash), 0.24));
  });

  it('roasted pieces that are covered do not boil dry in twenty minutes', () => {
    const soup = soupOf(
      [
        kilos('squash', 'butternut', 1.6, { cut: { shape: 'cube', sizeMm: 25, name: 'chunks' } }),
        byStep('stock', 'vegetable-stock'),
      ],
      [
        { id: 'in', op: 'add', uses: [{ line: 'squash' }] },
        { id: 'roast', op: 'roast', ovenC: 200, minutes: 45, load: 'rounds' },
        { id: 'cover', op: 'cover', line: 'stock', overM: 0.01 },
        { id: 'simmer', op: 'simmer', minutes: 20, vigour: 'steady', lid: 'ajar' },
      ],
    );
    const done = run(prepared(soup, 'saucepot-8'), 1);
    expect(done.records.flatMap(({ cautions }) => cautions.map(({ code }) => code))).not.toContain('BOILED_DRY');
    expect(potKg(done.last!.before)).toBeGreaterThan(1.5);
  });
});

describe('a clock that ran over a step', () => {
  const roasting = { id: 'r', op: 'roast', ovenC: 200, minutes: 45, load: 'rounds' } as const;

  it('is told back as the step’s own minutes, and what is done so comes to what was reckoned', () => {
    const of = line('beetroot', 20);
    const planned = roast(potOf(of), roasting, context([of]));
    const rounds = planned.counts!.rounds!;
    expect(rounds).toBe(2);
    const own = STEP_KINDS.roast.ofClock(planned.minutes, roasting, { minutes: planned.minutes, rounds });
    expect(own).toBeCloseTo(planned.minutes / 2, 9);
    const asTold = roast(potOf(of), { ...roasting, minutes: own, isActual: true }, context([of]));
    expect(asTold.minutes).toBeCloseTo(planned.minutes, 9);
    expect(potKg(asTold.pot)).toBeCloseTo(potKg(planned.pot), 9);
  });

  it('a pan that took longer dries as far, a stick that took longer blends as fine', () => {
    const mushrooms = line('mushroom', 15.7, 6);
    const frying = { id: 'f', op: 'fry', how: 'sauté', minutes: 10 } as const;
    const big = { vessel: canteen.pots.find(({ id }) => id === 'boiler-98')! };
    const pan = fry(potOf(mushrooms), frying, context([mushrooms], big));
    const panOwn = STEP_KINDS.fry.ofClock(pan.minutes, frying, { minutes: pan.minutes });
    const panTold = fry(potOf(mushrooms), { ...frying, minutes: panOwn, isActual: true }, context([mushrooms], big));
    expect(potKg(panTold.pot) / potKg(pan.pot)).toBeCloseTo(1, 2);
    const carrots = line('carrot', 45);
    const blending = { id: 'b', op: 'blend', blender: 'stick', minutes: 3 } as const;
    const stick = blend(potOf(carrots), blending, context([carrots]));
    const stickOwn = STEP_KINDS.blend.ofClock(stick.minutes, blending, { minutes: stick.minutes });
    const stickTold = blend(potOf(carrots), { ...blending, minutes: stickOwn, isActual: true }, context([carrots]));
    expect(stickTold.pot.grainM).toBeCloseTo(stick.pot.grainM, 9);
  });

  it('of a simmer counts only what was at the simmer', () => {
    const simmering = { id: 's', op: 'simmer', minutes: 25, vigour: 'steady', lid: 'off' } as const;
    expect(STEP_KINDS.simmer.ofClock(61, simmering, { minutes: 61 })).toBe(25);
    expect(STEP_KINDS.simmer.ofClock(20, simmering, { minutes: 61 })).toBe(0);
  });
});

describe('little in a wide pot, much under a stick, and what a pot is made for', () => {
  const blended = (kg: number, blender: 'stick' | 'jug', isActual = false) => {
    const own = { ...potOf(line('carrot', kg)), tempC: 60 };
    const soft = { ...own, cohorts: own.cohorts.map((cohort) => ({ ...cohort, softness: 1 })) };
    const settings = { id: 'b', op: 'blend', blender, minutes: 3 } as const;
    return blend(soft, isActual ? { ...settings, isActual: true } : settings, context([line('carrot', kg)]));
  };

  it('a stick takes longer for 45 kg than for 10, and three minutes of it leave 45 kg coarser', () => {
    expect(blended(10, 'stick').minutes).toBe(3);
    expect(blended(45, 'stick').minutes).toBeGreaterThan(4.5);
    expect(blended(45, 'stick').pot.grainM).toBeCloseTo(blended(10, 'stick').pot.grainM, 9);
    expect(blended(45, 'stick', true).pot.grainM).toBeGreaterThan(blended(10, 'stick').pot.grainM * 1.1);
  });

  it('a cup of soup hardly reaches the blade of a jug', () => {
    const codes = (kg: number, blender: 'stick' | 'jug'): string[] => blended(kg, blender).cautions.map(({ code }) => code);
    expect(codes(0.12, 'jug')).toContain('TOO_LITTLE_FOR_JUG');
    expect(codes(0.12, 'stick')).not.toContain('TOO_LITTLE_FOR_JUG');
    expect(codes(1.2, 'jug')).not.toContain('TOO_LITTLE_FOR_JUG');
  });

  it('a third of a kilo in a wide boiler drowns, and it is told which pot would do', () => {
    const parsnip = line('parsnip', 0.34, 12);
    const stock = line('water', 9);
    const covered = (potId: string) =>
      cover(
        potOf(parsnip),
        { id: 'c', op: 'cover', line: 'water', overM: 0.01 },
        context([stock], { vessel: canteen.pots.find(({ id }) => id === potId)! }),
      ).cautions;
    expect(covered('boiler-98')).toEqual([
      jasmine.objectContaining({ code: 'DROWNED', narrower: canteen.pots.find(({ id }) => id === 'saucepot-8')!.name }),
    ]);
    expect(
      cover(potOf(line('parsnip', 2, 12)), { id: 'c', op: 'cover', line: 'water', overM: 0.01 }, context([stock])).cautions,
    ).toEqual([]);
  });

  it('florets blanched in much water drown in nothing: it is poured off again', () => {
    const blanched = (isPouredOff: boolean): string[] =>
      run(
        prepared(
          soupOf(
            [kilos('broccoli', 'broccoli', 0.3, { cut: { shape: 'cube', sizeMm: 20, name: 'florets' } }), byStep('water', 'water')],
            [
              { id: 'in', op: 'add', uses: [{ line: 'broccoli' }] },
              { id: 'cover', op: 'cover', line: 'water', overM: 0.03 },
              { id: 'blanch', op: 'simmer', minutes: 1, vigour: 'steady', lid: 'off' },
              ...(isPouredOff ? [{ id: 'drain', op: 'drain', keep: 'pieces', liquidShare: 0 } as const] : []),
              { id: 'blend', op: 'blend', blender: 'stick', minutes: 2 },
            ],
          ),
        ),
        1,
      ).records.flatMap(({ cautions }) => cautions.map(({ code }) => code));
    expect(blanched(false)).toContain('DROWNED');
    expect(blanched(true)).not.toContain('DROWNED');
  });

  it('pressure is for pots that are made for it, and a soup that wants it is planned in one', () => {
    const codes = (pressureC: number): string[] =>
      pressure(
        potOf(line('water', 2)),
        { id: 'p', op: 'pressure', minutes: 10, atC: 115 },
        context([], { vessel: { ...canteen.pots[1]!, pressureC } }),
      ).cautions.map(({ code }) => code);
    expect(codes(118)).not.toContain('NO_PRESSURE_COOKER');
    expect(codes(110)).toContain('NO_PRESSURE_COOKER');
    expect(codes(0)).toContain('NO_PRESSURE_COOKER');
    expect(potsFor(example('red-lentil-tomato'), canteen).map(({ id }) => id)).toEqual(['stockpot-20']);
    expect(potsFor(example('leek-potato'), canteen).length).toBe(canteen.pots.length);
  });
});
