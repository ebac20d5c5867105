import { handsOf, type Kit } from '../kit/index.js';
import { clockMinute, type Day } from './day.js';

/** A pair of hands, by the hours in which it is there. Minutes after midnight. */
export interface Hands {
  readonly id: string;
  readonly name: string;
  readonly fromMin: number;
  readonly toMin: number;
}

/** An oven, with the tray places that it has. */
export interface Oven {
  readonly id: string;
  readonly name: string;
  readonly places: number;
}

export interface Machine {
  readonly id: string;
  readonly name: string;
  readonly kind: 'jug' | 'stick' | 'processor';
}

/** What a day's work is laid out on. */
export interface Lanes {
  readonly hands: readonly Hands[];
  readonly ovens: readonly Oven[];
  readonly blenders: readonly Machine[];
  readonly pots: readonly { readonly id: string; readonly name: string }[];
  /** Pots that can be heated at once. */
  readonly hobs: number;
  /** Pots that can stand in iced water at once. */
  readonly iceBaths: number;
}

/** The earliest and the latest minute that a day is laid out in: the evening before and the night after. */
export const EARLIEST_MIN = -720;
export const LATEST_MIN = 2160;

/** A place that takes so much heat from below, W/(m² K), is iced water. */
const ICED_W = 100;
/** Where no ice bath is named there is a sink. Kitchen default. */
const ONE_SINK = 1;

/** A kitchen's lanes on a day. Who is not said to come later or go earlier is there whenever he is needed. */
export function lanesOf(kit: Kit, day: Pick<Day, 'people'>): Lanes {
  const places = kit.trays[0]?.count ?? 0;
  const ovens = kit.ovens ?? (places > 0 ? [{ id: 'oven', name: 'Oven' }] : []);
  return {
    hands: day.people.map(({ id, name, from, to }) => ({
      id,
      name,
      fromMin: from === undefined ? EARLIEST_MIN : clockMinute(from),
      toMin: to === undefined ? LATEST_MIN : clockMinute(to),
    })),
    ovens: ovens.map(({ id, name }) => ({ id, name, places })),
    blenders: kit.blenders.map(({ id, name, kind }) => ({ id, name, kind })),
    pots: kit.pots.map(({ id, name }) => ({ id, name })),
    hobs: kit.hobs ?? kit.pots.length,
    iceBaths: Math.max(ONE_SINK, (kit.coldPlaces ?? []).filter(({ belowW }) => belowW >= ICED_W).length),
  };
}

/** Who cooks on a day where nobody is named: as many as the kit says. */
export function usualPeople(kit: Kit): Day['people'] {
  return Array.from({ length: handsOf(kit) }, (_, n) => ({ id: `cook-${String(n + 1)}`, name: `Cook ${String(n + 1)}` }));
}

/** A kitchen's day where nobody has said when it begins and ends. Kitchen defaults. */
const USUAL_HOURS = { starts: '07:00', ends: '15:00' } as const;

/** A day with nothing planned yet, by the kitchen's usual hours and hands. */
export function emptyDay(date: string, kit: Kit): Day {
  return { date, ...USUAL_HOURS, people: usualPeople(kit), batches: [] };
}

/** When bowls are wanted where nobody has said. Kitchen default. */
export const NOON = '12:00';

/** When a further soup of a day is wanted: with the first that is served, or at noon. */
export function serviceOf({ batches }: Day): string {
  return batches.find(({ keeps }) => keeps !== true)?.at ?? NOON;
}
