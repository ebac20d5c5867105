import fc from 'fast-check';
import { LARDER_ROWS, makeLarder } from '../larder/index.js';
import { namesOf, readLine, weigh } from '../amounts/index.js';
import { checkSoup, EXAMPLE_SOUPS, linesOf, varied, walk, type Soup, type SoupStep } from '../soup/index.js';
import { READY_KITS } from '../kit/index.js';
import { writtenPlan } from '../plan/index.js';
import {
  addLine,
  addStep,
  comesTo,
  compose,
  differences,
  freeId,
  moveStation,
  moveStep,
  moveUse,
  newLine,
  placeOf,
  removeLine,
  removeStep,
  rewriteLine,
  takeLine,
  workable,
  writtenLines,
  type Place,
  type TakenLine,
} from './index.js';

const larder = makeLarder(LARDER_ROWS);
const context = { larder, names: namesOf(LARDER_ROWS), country: 'gb' } as const;
const rowOf = (id: string): { name: string } | undefined => larder.get(id)?.row;
const leek = EXAMPLE_SOUPS.find(({ id }) => id === 'celeriac-leek-apple')!;

function take(text: string, bowls = 10): TakenLine {
  const taken = takeLine(readLine(text, context), { larder, bowls });
  if (taken === undefined) throw new Error(`not understood: ${text}`);
  return taken;
}

function steps(soup: Soup): SoupStep[] {
  return walk(soup.root).map(({ step }) => step);
}

/** How much of every line the steps take, together. */
function sharesOf(soup: Soup): Map<string, number> {
  const sums = new Map<string, number>();
  for (const { line, share } of steps(soup).flatMap(linesOf)) sums.set(line, (sums.get(line) ?? 0) + share);
  return sums;
}

function placesOf(soup: Soup): Place[] {
  return steps(soup).flatMap(({ id }) => placeOf(soup, id) ?? []);
}

const anySoup = fc.constantFrom(...EXAMPLE_SOUPS.filter(({ cards }) => cards === undefined));

describe('edits', () => {
  it('moving steps about, again and again, loses none of them but what tips in an emptied tray, and leaves the dishing last', () => {
    const work = (soup: Soup): string[] => {
      return steps(soup).flatMap(({ id, op }) => (op === 'join' ? [] : [id]));
    };
    fc.assert(
      fc.property(anySoup, fc.array(fc.tuple(fc.nat(), fc.nat()), { minLength: 1, maxLength: 12 }), (soup, moves) => {
        let now = soup;
        for (const [a, b] of moves) {
          const all = steps(now);
          const places = placesOf(now);
          now = moveStep(now, all[a % all.length]!.id, places[b % places.length]!);
        }
        expect(work(now).sort()).toEqual(work(soup).sort());
        expect(steps(now).filter((step) => step.op === 'join' && step.branch.steps.length === 0)).toEqual([]);
        expect(now.root.steps.at(-1)?.op).toBe('dish');
        expect(sharesOf(now)).toEqual(sharesOf(soup));
      }),
      { numRuns: 200 },
    );
  });

  it('moving a line, or a part of it, keeps what the steps take of it together', () => {
    fc.assert(
      fc.property(anySoup, fc.nat(), fc.nat(), fc.double({ min: 0.05, max: 1, noNaN: true }), (soup, a, b, share) => {
        const uses = steps(soup).flatMap((step) =>
          step.op === 'trim' || step.op === 'add' ? step.uses.map(({ line }) => ({ step, line })) : [],
        );
        const { step, line } = uses[a % uses.length]!;
        const places = placesOf(soup);
        const moved = moveUse(soup, step.id, line, places[b % places.length]!, share);
        expect(sharesOf(moved).get(line)).toBeCloseTo(sharesOf(soup).get(line)!, 9);
        expect(checkSoup(moved, larder).filter(({ code }) => code === 'SHARES_PASS_ONE' || code === 'SAME_ID')).toEqual([]);
      }),
      { numRuns: 60 },
    );
  });

  it('a half moved to the bowls’ end stands in two places, and back again in one', () => {
    const apart = moveUse(leek, 'trim', 'apple', placeOf(leek, 'pot-film')!, 0.5);
    expect(steps(apart).filter((step) => linesOf(step).some(({ line }) => line === 'apple')).length).toBe(2);
    const other = steps(apart).find((step) => step.id !== 'trim' && linesOf(step).some(({ line }) => line === 'apple'))!;
    const trim = placeOf(apart, 'trim')!;
    const back = moveUse(apart, other.id, 'apple', { ...trim, index: trim.index + 1 });
    expect(steps(back)).toEqual(steps(leek));
  });

  it('a station goes before another as it is', () => {
    const moved = moveStation(leek, ['trim-leek', 'sweat'], 'cover');
    const order = steps(moved).map(({ id }) => id);
    expect(order.slice(0, 5)).toEqual(['butter', 'trim', 'trim-leek', 'sweat', 'cover']);
  });

  it('a line goes in where such things go in, and the soup still cooks', () => {
    for (const [text, before] of [
      ['2 cloves garlic, crushed', 'sweat'],
      ['1 tsp ground cumin', 'trim'],
      ['200 g potato, peeled, diced', 'cover'],
      ['1 bay leaf', 'cover'],
      ['small bunch of dill', 'blend'],
      ['1 tbsp lemon juice', 'pot-film'],
      ['50 g hazelnuts, to serve', 'dish'],
    ] as const) {
      const { soup, lineId } = addLine(leek, take(text));
      expect(checkSoup(soup, larder)).withContext(text).toEqual([]);
      const order = steps(soup);
      const at = order.findIndex((step) => linesOf(step).some(({ line }) => line === lineId));
      expect(at).withContext(text).toBeGreaterThanOrEqual(0);
      expect(at)
        .withContext(text)
        .toBeLessThanOrEqual(order.findIndex(({ id }) => id === before));
      expect(writtenPlan(soup, LARDER_ROWS, READY_KITS.canteen))
        .withContext(text)
        .toBeDefined();
    }
  });

  it('a litre of stock instead of "to cover" is poured in the same place, and back', () => {
    const poured = rewriteLine(leek, 'stock', take('1 litre vegetable stock'));
    expect(checkSoup(poured, larder)).toEqual([]);
    expect(steps(poured).some(({ op }) => op === 'cover')).toBeFalse();
    const again = rewriteLine(poured, 'stock', take('vegetable stock to cover'));
    expect(steps(again).map(({ op }) => op)).toEqual(steps(leek).map(({ op }) => op));
  });

  it('salt and cream may be written or left to their marks', () => {
    const salted = rewriteLine(leek, 'salt', take('2 tsp salt'));
    expect(checkSoup(salted, larder)).toEqual([]);
    const creamed = rewriteLine(leek, 'cream', take('300 ml double cream'));
    expect(checkSoup(creamed, larder)).toEqual([]);
    const made = writtenPlan(creamed, LARDER_ROWS, READY_KITS.canteen)!;
    expect(made.run.usedKg.get('cream')).toBeCloseTo(0.3 * 0.976 * made.snapshot.scale, 6);
  });

  it('removing what is there leaves a soup that cooks, and what is left over is named', () => {
    const without = removeLine(leek, 'apple');
    expect(checkSoup(without, larder)).toEqual([]);
    const broken = removeStep(leek, 'trim');
    const { problems, soup } = workable(broken, larder);
    expect(new Set(problems.map(({ code, path }) => `${path} ${code}`))).toContain('lines.2 LINE_NOT_USED');
    expect(problems.every(({ path }) => /^lines\.[23]/.test(path))).toBeTrue();
    expect(checkSoup(soup, larder)).toEqual([]);
    expect(writtenPlan(soup, LARDER_ROWS, READY_KITS.canteen)).toBeDefined();
    expect(removeStep(leek, leek.root.steps.at(-1)!.id)).toBe(leek);
  });

  it('a step added stands where it was wanted, under an id of its own', () => {
    const { soup, stepId } = addStep(leek, { id: 'blend', op: 'rest', toC: 75, around: 'air' }, placeOf(leek, 'blend')!);
    expect(stepId).toBe('blend-2');
    expect(placeOf(soup, stepId)!.index).toBe(placeOf(soup, 'blend')!.index - 1);
  });
});

describe('ids', () => {
  it('are free, and no longer than the file allows, however long the wish and however many there are', () => {
    expect(freeId('leek', new Set())).toBe('leek');
    expect(freeId('leek', new Set(['leek', 'leek-2']))).toBe('leek-3');
    const taken = new Set<string>();
    for (let n = 0; n < 120; n++) taken.add(freeId('l'.repeat(70), taken));
    expect(taken.size).toBe(120);
    expect([...taken].every((id) => id.length <= 60 && /^[a-z0-9-]+$/.test(id))).toBeTrue();
  });
});

describe('words', () => {
  it('every line of every example in words is read back as the same food and the same kilos', () => {
    for (const soup of EXAMPLE_SOUPS) {
      const words = writtenLines(soup, rowOf);
      for (const line of soup.lines) {
        if (line.ingredient.startsWith('card:')) continue;
        const text = words.get(line.id)!;
        const reading = readLine(text, context);
        const taken = takeLine(reading, { larder, bowls: soup.writtenFor.bowls });
        expect(taken?.row.id).withContext(`${soup.id}: ${text}`).toBe(line.ingredient);
        const { amount } = line;
        if (amount.rule !== 'scaled' || taken?.amount.rule !== 'scaled') continue;
        const kilos = (own: typeof line): number => {
          const weighed = weigh(own.amount.rule === 'scaled' ? own.amount.amount : amount.amount, larder.get(line.ingredient)!);
          return weighed.ok ? weighed.mass.massKg : Number.NaN;
        };
        const own = newLine(taken, new Set());
        expect(kilos(own)).withContext(`${soup.id}: ${text}`).toBeCloseTo(kilos(line), 9);
        expect(own.way).withContext(`${soup.id}: ${text}`).toBe(line.way);
      }
    }
  });

  it('"serves 4" is weighed: a kilo of carrots is more than that', () => {
    const lines = ['1 onion, diced', '1 kg carrots, peeled, sliced', '1 litre vegetable stock', 'salt to taste'].map((text) =>
      take(text, 4),
    );
    const soup = compose({ id: 'carrot', name: 'Carrot', lines, bowls: 4, bowlG: 300 });
    const real = comesTo(soup, LARDER_ROWS, READY_KITS.home)!;
    // 0.11 + 0.79 + 1 kg and a little salt, less what 20 minutes boil off in a 24 cm pot: near 1.7 kg.
    expect(real).toBeGreaterThan(5);
    expect(real).toBeLessThan(6.4);
  });
});

describe('differences', () => {
  it('are none between a soup and itself, and name each change', () => {
    expect(differences(leek, leek, rowOf)).toEqual([]);
    const changed = rewriteLine({ ...leek, methodChoices: { sieve: true } }, 'celeriac', take('2 kg celeriac, peeled, 18 mm dice'));
    const moved = moveStep(changed, 'sweat', placeOf(changed, 'cover')!);
    const list = differences(leek, moved, rowOf);
    expect(list.map(({ what, id }) => `${what} ${id}`)).toEqual(['line celeriac', 'school methodChoices', 'order order']);
    expect(list[0]).toEqual(
      jasmine.objectContaining({ was: '1.4 kg celeriac, peeled, 18 mm dice', is: '2 kg celeriac, peeled, 18 mm dice' }),
    );
  });

  it('name the body that a batch was judged right at', () => {
    const [one] = differences(leek, { ...leek, rightMPas: 340 }, rowOf);
    expect(one).toEqual({ what: 'body', id: 'body', setting: undefined, was: undefined, is: '340' });
  });

  it('of every two examples are the same read either way', () => {
    for (const a of EXAMPLE_SOUPS) {
      for (const b of EXAMPLE_SOUPS) {
        const there = differences(a, b, rowOf).map(({ what, id, setting, was, is }) => [what, id, setting, is, was]);
        const back = differences(b, a, rowOf).map(({ what, id, setting, was, is }) => [what, id, setting, was, is]);
        const sorted = (list: unknown[]): string[] => list.map((one) => JSON.stringify(one)).sort();
        expect(sorted(there)).toEqual(sorted(back));
      }
    }
  });
});

describe('variants', () => {
  const coconut: Soup = {
    ...leek,
    variants: [
      {
        id: 'coconut',
        name: 'coconut and chilli',
        instead: [{ id: 'cream', ingredient: 'coconut-milk', amount: { rule: 'byStep' } }],
        beside: [
          {
            of: 'leek',
            line: {
              id: 'chilli',
              ingredient: 'red-chilli',
              way: 'whole',
              amount: { rule: 'spice', amount: { value: 1, unit: 'piece', size: 'medium' } },
            },
          },
        ],
        without: ['apple'],
      },
    ],
  };

  it('share the rest: what is not spoken of is the soup’s own', () => {
    const own = varied(coconut, 'coconut');
    expect(checkSoup(own, larder)).toEqual([]);
    expect(own.lines.map(({ id }) => id)).toEqual(['butter', 'leek', 'celeriac', 'stock', 'salt', 'cream', 'chilli']);
    expect(own.name).toBe('Celeriac, leek & apple, coconut and chilli');
    expect(varied(coconut, 'none such')).toBe(coconut);
    const sweat = steps(own).find(({ id }) => id === 'trim-leek');
    expect(sweat).toEqual(jasmine.objectContaining({ uses: [{ line: 'leek' }, { line: 'chilli' }] }));
  });

  it('that speak of a line that is not there are named', () => {
    const bad: Soup = { ...leek, variants: [{ id: 'v', name: 'V', without: ['ghost'] }] };
    expect(checkSoup(bad, larder)).toEqual([{ path: 'variants.v', code: 'UNKNOWN_LINE', line: 'ghost' }]);
  });
});
