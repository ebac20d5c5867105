import { bowlsIn, daysBetween, type Container } from '@tureen/core/stock';
import { bringBackWords, keptWords, stockStateWords } from '@tureen/core/messages';
import { dayOf } from '@tureen/core/kit';
import { kitchenZone } from '../../services/zone';
import { mass } from '../figures';
import { kitchenUnits } from '../../services/units';

/** A container as lists show it. */
export interface ContainerRow {
  readonly id: string;
  readonly name: string;
  readonly vessel: string;
  readonly bowls: number;
  readonly mass: string;
  readonly where: string;
  readonly storeId: string;
  readonly state: Container['state'];
  /** "8 Dec", or "today" and "past" where it is about now. */
  readonly until: string;
  readonly urgency: 'past' | 'today' | 'soon' | 'later';
  readonly why: string;
  readonly colour: string;
  /** How full it is against how full it was, 0 to 1. */
  readonly full: number;
  readonly allergens: readonly string[];
  readonly diets: readonly string[];
  readonly bringBack: string;
  /** What finding goes by beside the diets, in small letters. */
  readonly text: string;
}

/** Whether a typed word finds a container. A diet is found by its whole name only: "gluten" must not find what is free of it. */
export function isFoundBy({ text, diets }: Pick<ContainerRow, 'text' | 'diets'>, word: string): boolean {
  return text.includes(word) || diets.includes(word);
}

const SOON_DAYS = 1;

/** Made once: a shelf of thousands asks it for each. */
const DAY_WORDS = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' });

/** A day of the calendar as a cook says it. @example dayWords('2026-12-08') // '8 Dec' */
export function dayWords(day: string): string {
  return DAY_WORDS.format(new Date(`${day}T00:00:00Z`));
}

function urgencyOf(day: string, today: string): ContainerRow['urgency'] {
  const days = daysBetween(today, day);
  return days < 0 ? 'past' : days === 0 ? 'today' : days <= SOON_DAYS ? 'soon' : 'later';
}

export function containerRow(container: Container, nowMs: number): ContainerRow {
  const { id, contents, vessel, kg, inKg, store, state, useBy } = container;
  const today = dayOf(nowMs, kitchenZone());
  const urgency = urgencyOf(useBy.day, today);
  const where = stockStateWords(container);
  const allergens = contents.row.allergens;
  return {
    id,
    name: contents.name,
    vessel,
    bowls: bowlsIn(kg, contents),
    mass: mass(kg, kitchenUnits()),
    where,
    storeId: store.id,
    state,
    until: urgency === 'today' ? 'today' : dayWords(useBy.day),
    urgency,
    why: keptWords(useBy),
    colour: contents.row.colour,
    full: Math.min(1, kg / Math.max(inKg, kg)),
    allergens,
    diets: contents.diets,
    bringBack: bringBackWords(contents, state, kitchenUnits()),
    text: [contents.name, vessel, where, dayWords(useBy.day), ...allergens].join(' ').toLowerCase(),
  };
}
