import { REHEATING, waterInTwoGoes } from '../cold/index.js';
import type { BroughtBack, Container, Contents, StockAction, StockNotice, TakenAs, UseByDay } from '../stock/index.js';
import { showMinutes } from '../units/index.js';
import { degrees } from './cold.js';

/** Grams below a kilo, kilos to the ten grams above it. */
export const kilos = (kg: number): string =>
  kg < 1 ? `${String(Math.round(kg * 1000))} g` : `${String(Number(kg.toFixed(2)))} kg`;

/** Where a container stands and how it is, as words. */
export function stockStateWords({ state, store }: Pick<Container, 'state' | 'store'>): string {
  switch (state) {
    case 'cooling':
      return 'cooling';
    case 'chilled':
      return store.name;
    case 'frozen':
      return `${store.name}, frozen`;
    case 'thawed':
      return `${store.name}, thawed: not frozen again`;
    case 'drying':
      return 'in the freeze-dryer';
    case 'dried':
      return `${store.name}, freeze-dried`;
    case 'gone':
      return 'gone';
  }
}

const SHORTENED: Readonly<Record<NonNullable<UseByDay['shortenedBy']>, string>> = {
  cream: 'shorter because cream is in it',
  egg: 'shorter because egg is in it',
  shellfish: 'shorter because shellfish is in it',
  'what went in': 'shorter because of what went into it',
};

/** Why a container's last day is what it is. */
export function keptWords({ rule, shortenedBy, daysOnceThawed }: UseByDay): string {
  const thaw =
    daysOnceThawed === undefined
      ? ''
      : daysOnceThawed === 0
        ? ' No day is left once it thaws: heat it from frozen and eat it at once.'
        : ` Once thawed: ${String(daysOnceThawed)} day${daysOnceThawed === 1 ? '' : 's'}, that of thawing with them.`;
  return `${shortenedBy === undefined ? '' : `${SHORTENED[shortenedBy]}; else `}${rule.source}.${thaw}`;
}

/** "74 °C within 2 h" */
export function reheatingWords(): string {
  return `${degrees(REHEATING.toC)} within ${showMinutes(REHEATING.withinMin)}`;
}

/** Starch from which a thawed soup weeps, % of it; flour and potato let go of water in ice, and take it up again with heat. Common practice. */
const WEEPS_FROM = 1;
const STARCH_WORDS = ' Starch lets go of water in ice: whisk it while it heats, it comes together.';

/** How a kept soup is brought back. */
export function bringBackWords(
  { isServedCold, holds, bowlG, wetBowlG, row }: Pick<Contents, 'isServedCold' | 'holds' | 'bowlG' | 'wetBowlG' | 'row'>,
  state: Container['state'],
): string {
  if (wetBowlG !== undefined) {
    const { first, then } = waterInTwoGoes(wetBowlG / 1000, bowlG / 1000);
    return `A bowl is ${kilos(bowlG / 1000)} of it: pour ${kilos(first)} of boiling water, stir, wait some minutes; then up to ${kilos(then)} more, as it feels right: too much can’t be undone.`;
  }
  const isFrozen = state === 'frozen';
  const thaw = isFrozen ? 'Thaw it in the fridge, a day or two before. ' : '';
  // Ice draws the water out of cream and egg; the blade puts it back: common practice.
  const isIced = isFrozen || state === 'thawed';
  const whisk =
    isIced && holds.length > 0
      ? ' Blend it once more: it may have parted.'
      : isIced && row.composition.starch > WEEPS_FROM
        ? STARCH_WORDS
        : '';
  return isServedCold
    ? `${thaw}Serve it from the fridge; stir, taste, season.${whisk}`
    : `${thaw}Heat it to ${reheatingWords()}, once.${whisk} Stir, taste, season.`;
}

/** What bringing it back comes to on this kitchen's stove: how long, and what is to be poured for what steams away. */
export function broughtBackWords({ potName, minutes, steamedKg }: BroughtBack, toC: number, holds: Contents['holds']): string {
  const grams = Math.round(steamedKg * 1000);
  const poured =
    grams < 1
      ? ''
      : ` About ${kilos(steamedKg)} steam away: pour as much water or unsalted stock, and body and salt are what they were.`;
  const gently = holds.includes('egg')
    ? ' Egg is in it: not to the boil.'
    : holds.includes('cream')
      ? ' Cream is in it: no hard boil.'
      : '';
  return `In the ${potName}: ${degrees(toC)} after about ${showMinutes(Math.max(1, minutes))}, stirring to the floor.${poured}${gently}`;
}

/** How long a flat container takes to freeze through, and how much of it must be free. */
export function freezingWords({ minutes, freeShare }: { readonly minutes: number; readonly freeShare: number }): string {
  return `about ${String(Math.max(1, Math.round(minutes / 60)))} h through at -18 °C; ${String(Math.ceil(freeShare * 100))} % of it left free`;
}

/** How long a frozen container takes to thaw, and how not to do it. */
export function thawingWords(minutes: number): string {
  return `about ${String(Math.max(1, Math.round(minutes / 60)))} h in the fridge; never on the bench`;
}

/** What could not be booked as it was told, and what to do. */
export function stockNoticeSentence({ kind, kg }: StockNotice): string {
  switch (kind) {
    case 'more than was there':
      return `${kilos(kg ?? 0)} more was told than was there: it was empty by then. Look whether another one was meant, or recount it.`;
    case 'no such container':
      return 'This was told of a container that is not known: was its filling taken back?';
    case 'filled twice':
      return 'This container was filled already; the second filling does not count.';
    case 'into itself':
      return 'Nothing can be poured into itself; that does not count.';
    case 'frozen and not':
      return 'One of them was frozen and the other not, so they were not joined: thaw it first.';
    case 'taken frozen':
      return 'It was taken while it stood in the freezer by the record: put right where it stands.';
    case 'past its day':
      return 'It was taken after its last day.';
    case 'not in the dryer':
      return 'This was told of a container that was not set to dry.';
    case 'dried and not':
      return 'Dried soup and wet, or one in the dryer, do not go together, and what is dry is not dried again; that does not count.';
    case 'heavier than before':
      return 'It can’t weigh more dried than it did wet; that does not count. Were the trays weighed with it?';
    case 'not cooled':
      return 'A temperature was read of it though it was not set to cool.';
  }
}

const TAKEN: Readonly<Record<TakenAs, string>> = {
  bowls: 'for bowls',
  staff: 'for the staff',
  sample: 'as a sample',
  used: 'into another soup',
  other: 'for something else',
};

/** One thing that happened to a container, as a line of its history. */
export function stockActionWords(action: StockAction): string {
  switch (action.kind) {
    case 'filled':
      return `${action.vessel} filled, ${kilos(action.kg)}${action.addedKg === undefined ? '' : `, ${kilos(action.addedKg)} of it ice`}, ${action.store.name.toLowerCase()}`;
    case 'set to cool':
      return `set to cool from ${degrees(action.startC)}: ${action.words}`;
    case 'read':
      return `read ${degrees(action.tempC)}${action.from === undefined ? '' : `, ${action.from}`}`;
    case 'cooled':
      return `cold: into the ${action.store.name.toLowerCase()}`;
    case 'moved':
      return `into the ${action.store.name.toLowerCase()}`;
    case 'opened':
      return 'opened';
    case 'set to dry':
      return `into the freeze-dryer, ${String(action.trays)} ${action.trays === 1 ? 'tray' : 'trays'} of ${String(action.squares)} squares`;
    case 'weighed dry':
      return `weighed in the dryer: ${kilos(action.kg)}`;
    case 'dried':
      return `dry: ${kilos(action.kg)} left, ${action.store.name.toLowerCase()}`;
    case 'split':
      return `${kilos(action.kg)} into a ${action.vessel.toLowerCase()} of its own`;
    case 'joined':
      return `${kilos(action.kg)} of another put to it`;
    case 'took':
      return `${kilos(action.kg)} taken ${TAKEN[action.as]}`;
    case 'reheated':
      return `${kilos(action.kg)} heated to ${degrees(action.toC)} in ${String(action.minutes)} min`;
    case 'threw away':
      return `${kilos(action.kg)} thrown away: ${action.why}`;
    case 'recounted':
      return `recounted: ${kilos(action.kg)} there`;
    case 'note':
      return action.text;
    case 'undone':
      return 'taken back';
    case 'checked':
      return `${action.store.name}: ${degrees(action.tempC)}`;
  }
}
