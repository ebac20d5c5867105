import { z } from 'zod';
import { ClockSchema } from '../kit/index.js';
import { PlanRequestSchema } from '../plan/index.js';

const id = z
  .string()
  .regex(/^[a-z0-9-]+$/)
  .max(60);

/** A pair of hands of the day; there from its beginning to its end unless said otherwise. */
export const PersonSchema = z.strictObject({
  id,
  name: z.string().trim().min(1).max(30),
  from: ClockSchema.optional(),
  to: ClockSchema.optional(),
});
export type Person = z.infer<typeof PersonSchema>;

/** A soup of the day: how much of it, when it is wanted, and in which pot if that is settled. */
export const DayBatchSchema = z.strictObject({
  id,
  soupId: z.string().min(1).max(60),
  /** The card's version; the newest where it is left out. */
  version: z.int().min(1).optional(),
  /** Without a pot the smallest that holds it and is free. */
  request: PlanRequestSchema.omit({ potId: true }).extend({ potId: z.string().min(1).max(60).optional() }),
  /** When the first bowl is wanted. */
  at: ClockSchema,
  /** Whether it is for the freezer: ready by then, and not held hot. */
  keeps: z.boolean().optional(),
  /** The batch that was started of it. */
  batchId: z.uuid().optional(),
});
export type DayBatch = z.infer<typeof DayBatchSchema>;

/** Bowls that a batch of a day stands for: those that are cooked and those that are brought back. */
export function bowlsWanted({ bowls, broughtBack = 0 }: DayBatch['request']): number {
  return bowls + broughtBack;
}

/** Bowls of a soup that stand in the cold and are promised to somebody. */
export interface BroughtBack {
  readonly soupId: string;
  readonly bowls: number;
  readonly bowlG: number;
}

/** What batches of a day bring back from the cold. */
export function broughtBackOn(batches: readonly Pick<DayBatch, 'soupId' | 'request'>[]): BroughtBack[] {
  return batches.flatMap(({ soupId, request: { broughtBack = 0, bowlG } }) =>
    broughtBack > 0 ? [{ soupId, bowls: broughtBack, bowlG }] : [],
  );
}

/** The same bowls on another day, all of them cooked: what stands in the cold today has gone by then. */
export function withoutKept(request: DayBatch['request']): DayBatch['request'] {
  return { ...request, bowls: bowlsWanted(request), broughtBack: undefined, kept: undefined };
}

/** What the cook has settled of one block: when it starts, who does it. */
export const PinSchema = z.strictObject({
  block: z.string().max(200),
  at: ClockSchema.optional(),
  person: id.optional(),
});
export type Pin = z.infer<typeof PinSchema>;

/** Most soups of one day: more is a slip. */
export const MOST_BATCHES = 24;

/** Most characters of the word for a day's weather. */
export const MOST_WEATHER = 20;

export const DaySchema = z
  .strictObject({
    /** YYYY-MM-DD on the kitchen's calendar. */
    date: z.iso.date(),
    /** When the first hands come in, and when the last should be gone. */
    starts: ClockSchema,
    ends: ClockSchema,
    /** The weather in a word of the kitchen's own, such as cold or wet: how many bowls go out hangs on it. */
    weather: z.string().trim().min(1).max(MOST_WEATHER).optional(),
    people: z.array(PersonSchema).min(1).max(20),
    batches: z.array(DayBatchSchema).max(MOST_BATCHES),
    pins: z.array(PinSchema).max(400).optional(),
  })
  .refine(({ starts, ends }) => starts < ends, { path: ['ends'], message: 'the day has to end after it starts' })
  .refine(({ people }) => new Set(people.map((one) => one.id)).size === people.length, {
    path: ['people'],
    message: 'each person once',
  })
  .refine(({ batches }) => new Set(batches.map((one) => one.id)).size === batches.length, {
    path: ['batches'],
    message: 'each soup of the day needs an id of its own',
  });
export type Day = z.infer<typeof DaySchema>;

/** Minutes after midnight. @example minuteOf('07:30') // 450 */
export function clockMinute(clock: string): number {
  const [hours = 0, minutes = 0] = clock.split(':').map(Number);
  return hours * 60 + minutes;
}

/** A minute of the day on the wall clock; what lies before midnight or after it is on the neighbouring day. @example clockOf(450) // '07:30' */
export function clockOf(minute: number): string {
  const own = ((Math.round(minute) % 1440) + 1440) % 1440;
  return `${String(Math.floor(own / 60)).padStart(2, '0')}:${String(own % 60).padStart(2, '0')}`;
}
