import {
  USUAL_STORES,
  type Blender,
  type ColdPlace,
  type ColdStore,
  type Kit,
  type Measure,
  type Pan,
  type Sieve,
  type Tray,
  type Vessel,
} from '@tureen/core/kit';
import { USUAL_PANS, USUAL_PLACES } from '@tureen/core/cold';
import { degreeUnit, onScale, UNITS, type UnitSystem } from '@tureen/core/units';

/** Lists of a kit that are edited as tables. */
export type Shelf = 'pots' | 'ladles' | 'trays' | 'ovens' | 'blenders' | 'bowls' | 'sieves' | 'pans' | 'coldPlaces' | 'coldStores';
type Oven = NonNullable<Kit['ovens']>[number];
type Item = Oven | Vessel | Measure | Tray | Blender | Sieve | Pan | ColdPlace | ColdStore;

/** One figure of a thing in the kit: shown in `unit`, which is `factor` of what is kept and `shift` more. */
export interface Column {
  readonly key: string;
  readonly label: string;
  readonly unit: string;
  readonly factor: number;
  readonly shift?: number;
  readonly least: number;
  readonly most: number;
  readonly by: number;
}

function inSystem(system: UnitSystem) {
  const length = system === 'metric' ? { unit: 'cm', factor: 100, by: 0.5 } : { unit: 'in', factor: 1 / UNITS.in.si, by: 0.25 };
  const mass = system === 'metric' ? { unit: 'kg', factor: 1, by: 0.1 } : { unit: 'lb', factor: 1 / UNITS.lb.si, by: 0.1 };
  const litres =
    system === 'metric'
      ? { unit: 'L', factor: 1000, by: 0.5 }
      : system === 'us'
        ? { unit: 'qt', factor: 1 / UNITS['quart-us'].si, by: 0.5 }
        : { unit: 'pt', factor: 1 / UNITS['pint-imp'].si, by: 1 };
  const shift = onScale(0, system);
  const heat = (leastC: number, mostC: number): Omit<Column, 'key' | 'label'> => ({
    unit: degreeUnit(system),
    factor: onScale(1, system) - shift,
    shift,
    by: system === 'us' ? 1 : 0.5,
    least: onScale(leastC, system),
    most: onScale(mostC, system),
  });
  return { length, mass, litres, heat };
}

/** What can be set of the things on a shelf of the kit, in the kitchen's units. */
export function columnsOf(shelf: Shelf, system: UnitSystem): readonly Column[] {
  const { length, mass, litres, heat } = inSystem(system);
  const size = (key: string, label: string): Column => ({ key, label, ...length, least: 1, most: 300 });
  const millilitres: Column = { key: 'volumeM3', label: 'holds', unit: 'mL', factor: 1e6, by: 10, least: 1, most: 1e6 };
  switch (shelf) {
    case 'pots':
      return [
        size('widthM', 'wide'),
        size('depthM', 'deep'),
        { key: 'tareKg', label: 'empty', ...mass, least: 0, most: 400 },
        { key: 'burnerW', label: 'burner', unit: 'kW', factor: 0.001, by: 0.5, least: 0.1, most: 100 },
        { key: 'efficiency', label: 'heat used', unit: '%', factor: 100, by: 5, least: 1, most: 100 },
      ];
    case 'trays':
      return [
        size('widthM', 'wide'),
        size('depthM', 'deep'),
        { key: 'count', label: 'at once', unit: 'trays', factor: 1, by: 1, least: 1, most: 100 },
      ];
    case 'pans':
      return [
        size('lengthM', 'long'),
        size('widthM', 'wide'),
        size('depthM', 'deep'),
        { key: 'count', label: 'there are', unit: 'of it', factor: 1, by: 1, least: 1, most: 200 },
      ];
    case 'coldPlaces': {
      const air = (key: string, label: string): Column => ({ key, label, ...heat(-60, 60) });
      const takes = (key: string, label: string): Column => ({
        key,
        label,
        unit: 'W/(m² K)',
        factor: 1,
        by: 5,
        least: 1,
        most: 2000,
      });
      return [air('airC', 'above it'), takes('topW', 'takes'), air('belowC', 'under it'), takes('belowW', 'takes')];
    }
    case 'coldStores':
      return [{ key: 'mostC', label: 'at most', ...heat(-40, 15) }];
    case 'blenders':
      return [{ key: 'volumeM3', label: 'holds', ...litres, least: 0.1, most: 1000 }];
    case 'ovens':
      return [];
    case 'sieves':
      return [{ key: 'meshM', label: 'mesh', unit: 'mm', factor: 1000, by: 0.5, least: 0.1, most: 10 }];
    default:
      return [millilitres];
  }
}

export const SHELVES: readonly { readonly shelf: Shelf; readonly title: string; readonly one: string; readonly least: number }[] = [
  { shelf: 'pots', title: 'Pots', one: 'pot', least: 1 },
  { shelf: 'ladles', title: 'Ladles and jugs', one: 'ladle', least: 1 },
  { shelf: 'trays', title: 'Oven trays', one: 'tray', least: 0 },
  { shelf: 'ovens', title: 'Ovens, each for all trays of the first size', one: 'oven', least: 1 },
  { shelf: 'blenders', title: 'Blenders', one: 'blender', least: 1 },
  { shelf: 'bowls', title: 'Bowls', one: 'bowl', least: 0 },
  { shelf: 'sieves', title: 'Sieves', one: 'sieve', least: 0 },
  { shelf: 'pans', title: 'Pans and tubs to cool in', one: 'pan', least: 1 },
  { shelf: 'coldPlaces', title: 'Where it cools', one: 'place', least: 1 },
  { shelf: 'coldStores', title: 'Fridges and freezers', one: 'fridge or freezer', least: 1 },
];

/** What a kitchen has where it has set none of its own. */
const USUAL: Partial<Record<Shelf, readonly Item[]>> = {
  ovens: [{ id: 'oven', name: 'Oven' }],
  pans: USUAL_PANS,
  coldPlaces: USUAL_PLACES,
  coldStores: USUAL_STORES,
};

export function itemsOf(kit: Kit, shelf: Shelf): readonly Item[] {
  return kit[shelf] ?? USUAL[shelf] ?? [];
}

/** A thing to begin with when one more is added: like the last one there, or a usual one. */
export function fresh(kit: Kit, shelf: Shelf): Item {
  const have = itemsOf(kit, shelf);
  const ids = new Set(have.map(({ id }) => id));
  let n = have.length + 1;
  while (ids.has(`${shelf}-${String(n)}`)) n += 1;
  const own = { id: `${shelf}-${String(n)}`, name: `New ${SHELVES.find((one) => one.shelf === shelf)?.one ?? 'thing'}` };
  const last = have.at(-1);
  if (last !== undefined) return { ...last, ...own };
  switch (shelf) {
    case 'trays':
      return { ...own, widthM: 0.53, depthM: 0.325, count: 2 };
    case 'pans':
      return { ...own, lengthM: 0.53, widthM: 0.325, depthM: 0.065, count: 2 };
    case 'coldPlaces':
      return { ...own, airC: 4, topW: 10, belowC: 4, belowW: 10 };
    case 'coldStores':
      return { ...own, kind: 'fridge', mostC: 5 };
    case 'ovens':
      return own;
    case 'sieves':
      return { ...own, meshM: 0.001 };
    default:
      return { ...own, volumeM3: 400e-6 };
  }
}

/** What a thing on a shelf can be, where it can be one of several. */
export const KINDS: Partial<Record<Shelf, readonly string[]>> = {
  blenders: ['jug', 'stick', 'processor'],
  coldStores: ['fridge', 'freezer'],
};

/** A kit with one of its shelves changed. */
export function withItems(kit: Kit, shelf: Shelf, items: readonly Item[]): Kit {
  return { ...kit, [shelf]: items };
}
