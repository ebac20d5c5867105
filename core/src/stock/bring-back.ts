import { REHEATING } from '../cold/index.js';
import { potsBySize, usableM3, type Kit, type Vessel } from '../kit/index.js';
import { makeLarder } from '../larder/index.js';
import { parcelKg, potM3, type Caution } from '../pot/index.js';
import { prepareSoup, run } from '../runner/index.js';
import type { Soup } from '../soup/index.js';
import type { Contents } from './entry.js';

/** How a kept soup is brought back in one of a kitchen's pots. */
export interface BroughtBack {
  readonly potId: string;
  readonly potName: string;
  readonly minutes: number;
  /** What steams away on the way: as much unsalted liquid gives it its body and its salt back, kg. */
  readonly steamedKg: number;
  readonly cautions: readonly Caution[];
}

export interface BringBackAsk {
  readonly contents: Contents;
  readonly kg: number;
  readonly kit: Kit;
  /** The smallest pot that holds it, where none is named. */
  readonly potId?: string | undefined;
  readonly toC?: number | undefined;
  readonly lid?: 'off' | 'ajar' | 'on' | undefined;
}

/** A kept soup as a card of its own: in, and brought back. */
export function bringBackSoup({ contents, kg, toC = REHEATING.toC, lid = 'ajar' }: Omit<BringBackAsk, 'kit' | 'potId'>): Soup {
  const { bowlG, row } = contents;
  return {
    id: 'bring-back',
    name: contents.name,
    lead: row.id,
    school: 'sweat',
    served: 'hot',
    writtenFor: { bowls: Math.max(1, Math.floor((kg * 1000) / bowlG)), bowlG },
    lines: [{ id: 'kept', ingredient: row.id, amount: { rule: 'scaled', amount: { value: kg * 1000, unit: 'g' } } }],
    root: {
      id: 'pot',
      name: 'Pot',
      vessel: 'pot',
      steps: [
        { id: 'in', op: 'add', uses: [{ line: 'kept' }] },
        { id: 'back', op: 'reheat', toC, lid },
        { id: 'dish', op: 'dish' },
      ],
    },
  };
}

/**
 * How long a kept soup takes to be hot enough, and what has to be poured so that it is as it was. Undefined where it can't be
 * reckoned: nothing of it, no pot of that name.
 */
export function bringBack(ask: BringBackAsk): BroughtBack | undefined {
  const { contents, kg, kit, potId } = ask;
  if (!(kg > 0)) return undefined;
  const soup = bringBackSoup(ask);
  const larder = makeLarder([contents.row]);
  const pots = potsBySize(kit);
  const tried = potId === undefined ? pots : pots.filter(({ id }) => id === potId);
  let last: BroughtBack | undefined;
  for (const pot of tried) {
    const found = inPot(soup, larder, kit, pot, contents.bowlG / 1000);
    if (found === undefined) continue;
    last = found.back;
    if (found.holdsIt) return found.back;
  }
  return last;
}

function inPot(
  soup: Soup,
  larder: ReturnType<typeof makeLarder>,
  kit: Kit,
  pot: Vessel,
  bowlKg: number,
): { readonly back: BroughtBack; readonly holdsIt: boolean } | undefined {
  const preparation = prepareSoup(soup, larder, kit, pot.id, bowlKg);
  if (!preparation.ok) return undefined;
  const { records } = run(preparation.prepared, 1);
  const record = records.find(({ step }) => step.op === 'reheat');
  if (record === undefined) return undefined;
  const overM3 = potM3(record.before) - usableM3(pot);
  const { minutes, outflows, cautions } = record;
  const brim: Caution[] = overM3 > 0 ? [{ code: 'OVER_THE_BRIM', overM3, usableM3: usableM3(pot) }] : [];
  return {
    back: {
      potId: pot.id,
      potName: pot.name,
      minutes,
      steamedKg: outflows.reduce((sum, { parcel }) => sum + parcelKg(parcel), 0),
      cautions: [...brim, ...cautions],
    },
    holdsIt: overM3 <= 0,
  };
}
