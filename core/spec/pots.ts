/** What specs cook with: the larder that ships, one pot, lines by ingredient. */
import { UNREAD } from '../src/body/index.js';
import { LARDER_ROWS, makeLarder, type Ingredient } from '../src/larder/index.js';
import { DEFAULT_PARAMETERS, READY_KITS, type Vessel } from '../src/kit/index.js';
import { prepareSoup, type PreparedSoup } from '../src/runner/index.js';
import { EMPTY_POT, parcelKg, type Flow, type Parcel, type PotState } from '../src/pot/index.js';
import { EXAMPLE_SOUPS, type Line, type Soup, type SoupStep } from '../src/soup/index.js';
import { add, type SizedLine, type StepContext } from '../src/steps/index.js';

export const larder = makeLarder(LARDER_ROWS);
export const canteen = READY_KITS.canteen;

export function ingredient(id: string): Ingredient {
  const found = larder.get(id);
  if (found === undefined) throw new Error(`The larder has no ${id}.`);
  return found;
}

export function pot40(): Vessel {
  const found = canteen.pots.find(({ id }) => id === 'boiler-40');
  if (found === undefined) throw new Error('The canteen has a broad boiler.');
  return found;
}

/** So many kilos of an ingredient as a line of that name, in cubes. */
export function line(id: string, massKg: number, sizeMm = 25, keptShare = 1): SizedLine {
  const finish = id.endsWith('cream');
  return { id, ingredient: ingredient(id), massKg, keptShare, saltKept: 1, shape: 'cube', sizeM: sizeMm / 1000, finish };
}

/** At sea level, in the broad boiler, served hot. */
export function context(lines: readonly SizedLine[] = [], change: Partial<StepContext> = {}): StepContext {
  return {
    kit: canteen,
    parameters: DEFAULT_PARAMETERS,
    vessel: pot40(),
    boilC: 100,
    servedC: 65,
    bowlKg: 0.3,
    toCome: undefined,
    heldKg: undefined,
    estimate: UNREAD,
    line: (id) => {
      const found = lines.find((own) => own.id === id);
      if (found === undefined) throw new Error(`No line ${id}.`);
      return found;
    },
    ...change,
  };
}

/** A pot with lines put in as they are. */
export function potOf(...lines: readonly SizedLine[]): PotState {
  return add(EMPTY_POT, { id: 'a', op: 'add', uses: lines.map(({ id }) => ({ line: id })) }, context(lines)).pot;
}

export function flowsKg(flows: readonly { readonly parcel: Parcel; readonly kind?: Flow['kind'] }[]): number {
  return flows.reduce((sum, { parcel }) => sum + parcelKg(parcel), 0);
}

export function example(id: string): Soup {
  const found = EXAMPLE_SOUPS.find((soup) => soup.id === id);
  if (found === undefined) throw new Error(`No example ${id}.`);
  return found;
}

/** A soup prepared in the canteen, or a failed spec that says why. */
export function prepared(soup: Soup, potId = 'boiler-40', bowlKg = 0.3): PreparedSoup {
  const preparation = prepareSoup(soup, larder, canteen, potId, bowlKg);
  if (!preparation.ok) throw new Error(JSON.stringify(preparation.problems));
  return preparation.prepared;
}

/** A line of a soup by weight; whole unless a way is named. */
export function kilos(id: string, of: string, kg: number, more: Partial<Line> = {}): Line {
  return { id, ingredient: of, amount: { rule: 'scaled', amount: { value: kg, unit: 'kg' } }, ...more };
}

export function byStep(id: string, of: string): Line {
  return { id, ingredient: of, amount: { rule: 'byStep' } };
}

/** A soup of one branch, for ten bowls of 300 g. */
export function soupOf(lines: Line[], steps: readonly SoupStep[], more: Partial<Soup> = {}): Soup {
  return {
    id: 'spec',
    name: 'Spec',
    lead: 'Carrot',
    school: 'sweat',
    served: 'hot',
    writtenFor: { bowls: 10, bowlG: 300 },
    lines,
    root: { id: 'pot', name: 'Pot', vessel: 'pot', steps: [...steps, { id: 'dish', op: 'dish' }] },
    ...more,
  };
}
