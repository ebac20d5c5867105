import { lanesOf, type BatchWork, type Block, type DayWork } from '@tureen/core/board';
import { READY_KITS, type Kit } from '@tureen/core/kit';
import type { SoupStep } from '@tureen/core/soup';
import type { Allergen } from '@tureen/core/larder';

/** Numbers from a seed: the same seed gives the same days. */
export function dice(seed: number): (least: number, most: number) => number {
  let state = seed >>> 0;
  return (least, most) => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return least + Math.floor((state / 4_294_967_296) * (most - least + 1));
  };
}

const ALLERGENS: readonly Allergen[] = ['milk', 'celery', 'nuts', 'egg'];
const KITS: readonly Kit[] = [READY_KITS.home, READY_KITS.cafe, READY_KITS.canteen];

const SIMMER: SoupStep = { id: 'simmer', op: 'simmer', minutes: 10, lid: 'off', vigour: 'steady' };

/** Work of a made-up soup: cut, perhaps roasted, cooked, blended. */
export function randomWork(batchId: string, potId: string, throwDice: (a: number, b: number) => number): BatchWork {
  const id = (name: string): string => `${batchId}/${name}`;
  const block = (
    name: string,
    kind: Block['kind'],
    minutes: readonly number[],
    of: Partial<Block['activities'][number]>,
    links: Block['links'],
  ): Block => {
    let startsAfter = 0;
    const activities = minutes.map((own, n) => {
      const activity = {
        id: `${id(name)}.${String(n)}`,
        stepId: name,
        step: SIMMER,
        startsAfter,
        minutes: own,
        hands: 2,
        blender: undefined,
        ovenC: undefined,
        trays: 0,
        isHeated: false,
        isIced: false,
        kg: 1,
        ...(n === 0 ? of : {}),
      };
      startsAfter += own;
      return activity;
    });
    return { id: id(name), batchId, kind, minutes: startsAfter, activities, links, names: new Map(), part: undefined };
  };
  const blender = throwDice(0, 3) === 0 ? ('stick' as const) : ('jug' as const);
  const roasts = throwDice(0, 1) === 0;
  const blocks: Block[] = [
    block('blend', 'pot', [throwDice(3, 35), throwDice(0, 12)], { blender, hands: 20, isIced: blender === 'stick' }, [
      { to: 'service', atMin: 0, mostWaitMin: 120 },
    ]),
    block('cook', 'pot', [throwDice(5, 15), throwDice(10, 50)], { isHeated: true, hands: 10 }, [
      { to: id('blend'), atMin: 0, mostWaitMin: 30 },
    ]),
  ];
  const rounds = roasts ? throwDice(1, 3) : 0;
  const ovenC = 180 + 20 * throwDice(0, 2);
  const roundMin = throwDice(20, 50);
  for (let round = 1; round <= rounds; round++)
    blocks.push(
      block(`roast-${String(round)}`, 'roast', [roundMin], { ovenC, trays: 2 }, [
        { to: id('cook'), atMin: 0, mostWaitMin: 30 + (rounds - round) * roundMin },
      ]),
    );
  const pieces = throwDice(1, 3);
  for (let n = 0; n < pieces; n++)
    blocks.push(
      block(`trim-${String(n)}`, 'trim', [throwDice(2, 25)], { hands: 20 }, [
        { to: roasts ? id('roast-1') : id('cook'), atMin: 0, mostWaitMin: 720 },
      ]),
    );
  const allergens = ALLERGENS.filter(() => throwDice(0, 2) === 0);
  return { batchId, soupName: batchId, colour: '#c50', kg: 10, allergens, potId, dueMin: 720, servedMin: 60, blocks };
}

/** A day of so many made-up soups on one of the kits that ship. */
export function randomDay(seed: number, soups: number): DayWork {
  const throwDice = dice(seed);
  const kit = KITS[throwDice(0, KITS.length - 1)] ?? READY_KITS.cafe;
  const people = Array.from({ length: throwDice(1, 3) }, (_, n) => ({ id: `cook-${String(n)}`, name: `Cook ${String(n)}` }));
  const batches = Array.from({ length: soups }, (_, n) => {
    const work = randomWork(`soup-${String(n)}`, kit.pots[n % kit.pots.length]?.id ?? '', throwDice);
    return { ...work, dueMin: 720 + 60 * throwDice(0, 3) + 300 * Math.floor(n / kit.pots.length) };
  });
  return { lanes: lanesOf(kit, { people }), batches, fromMin: 360 };
}
