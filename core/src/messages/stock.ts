import { REHEATING, waterInTwoGoes } from '../cold/index.js';
import type { BroughtBack, Container, Contents, StockAction, StockNotice, TakenAs, UseByDay } from '../stock/index.js';
import { degrees, showMass, showMinutes, type UnitSystem } from '../units/index.js';

/** What a container holds, in the kitchen's own weights. */
export function heldMass(kg: number, units: UnitSystem): string {
  const { digits, unit } = showMass(units === 'metric' && kg < 1 ? Math.round(kg * 1000) / 1000 : kg, units);
  return `${digits} ${unit}`;
}

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
export function reheatingWords(units: UnitSystem): string {
  return `${degrees(REHEATING.toC, units)} within ${showMinutes(REHEATING.withinMin)}`;
}

/** Starch from which a thawed soup weeps, % of it; flour and potato let go of water in ice, and take it up again with heat. Common practice. */
const WEEPS_FROM = 1;
const STARCH_WORDS = ' Starch lets go of water in ice: whisk it while it heats, it comes together.';

/** How a kept soup is brought back. */
export function bringBackWords(
  { isServedCold, holds, bowlG, wetBowlG, row }: Pick<Contents, 'isServedCold' | 'holds' | 'bowlG' | 'wetBowlG' | 'row'>,
  state: Container['state'],
  units: UnitSystem,
): string {
  if (wetBowlG !== undefined) {
    const { first, then } = waterInTwoGoes(wetBowlG / 1000, bowlG / 1000);
    return `A bowl is ${heldMass(bowlG / 1000, units)} of it: pour ${heldMass(first, units)} of boiling water, stir, wait some minutes; then up to ${heldMass(then, units)} more, as it feels right: too much can’t be undone.`;
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
    : `${thaw}Heat it to ${reheatingWords(units)}, once.${whisk} Stir, taste, season.`;
}

/** What bringing it back comes to on this kitchen's stove: how long, and what is to be poured for what steams away. */
export function broughtBackWords(
  { potName, minutes, steamedKg }: BroughtBack,
  toC: number,
  holds: Contents['holds'],
  units: UnitSystem,
): string {
  const grams = Math.round(steamedKg * 1000);
  const poured =
    grams < 1
      ? ''
      : ` About ${heldMass(steamedKg, units)} steam away: pour as much water or unsalted stock, and body and salt are what they were.`;
  const gently = holds.includes('egg')
    ? ' Egg is in it: not to the boil.'
    : holds.includes('cream')
      ? ' Cream is in it: no hard boil.'
      : '';
  return `In the ${potName}: ${degrees(toC, units)} after about ${showMinutes(Math.max(1, minutes))}, stirring to the floor.${poured}${gently}`;
}

/** How long a flat container takes to freeze through, and how much of it must be free. */
export function freezingWords(
  { minutes, freeShare }: { readonly minutes: number; readonly freeShare: number },
  units: UnitSystem,
): string {
  return `about ${String(Math.max(1, Math.round(minutes / 60)))} h through at ${degrees(-18, units)}; ${String(Math.ceil(freeShare * 100))} % of it left free`;
}

/** How long a frozen container takes to thaw, and how not to do it. */
export function thawingWords(minutes: number): string {
  return `about ${String(Math.max(1, Math.round(minutes / 60)))} h in the fridge; never on the bench`;
}

/** What could not be booked as it was told, and what to do. */
export function stockNoticeSentence({ kind, kg }: StockNotice, units: UnitSystem): string {
  switch (kind) {
    case 'more than was there':
      return `${heldMass(kg ?? 0, units)} more was told than was there: it was empty by then. Look whether another one was meant, or recount it.`;
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
export function stockActionWords(action: StockAction, units: UnitSystem): string {
  switch (action.kind) {
    case 'filled':
      return `${action.vessel} filled, ${heldMass(action.kg, units)}${action.addedKg === undefined ? '' : `, ${heldMass(action.addedKg, units)} of it ice`}, ${action.store.name.toLowerCase()}`;
    case 'set to cool':
      return `set to cool from ${degrees(action.startC, units)}: ${action.words}`;
    case 'read':
      return `read ${degrees(action.tempC, units, 1)}${action.from === undefined ? '' : `, ${action.from}`}`;
    case 'cooled':
      return `cold: into the ${action.store.name.toLowerCase()}`;
    case 'moved':
      return `into the ${action.store.name.toLowerCase()}`;
    case 'opened':
      return 'opened';
    case 'set to dry':
      return `into the freeze-dryer, ${String(action.trays)} ${action.trays === 1 ? 'tray' : 'trays'} of ${String(action.squares)} squares`;
    case 'weighed dry':
      return `weighed in the dryer: ${heldMass(action.kg, units)}`;
    case 'dried':
      return `dry: ${heldMass(action.kg, units)} left, ${action.store.name.toLowerCase()}`;
    case 'split':
      return `${heldMass(action.kg, units)} into a ${action.vessel.toLowerCase()} of its own`;
    case 'joined':
      return `${heldMass(action.kg, units)} of another put to it`;
    case 'took':
      return `${heldMass(action.kg, units)} taken ${TAKEN[action.as]}`;
    case 'reheated':
      return `${heldMass(action.kg, units)} heated to ${degrees(action.toC, units)} in ${String(action.minutes)} min`;
    case 'threw away':
      return `${heldMass(action.kg, units)} thrown away: ${action.why}`;
    case 'recounted':
      return `recounted: ${heldMass(action.kg, units)} there`;
    case 'note':
      return action.text;
    case 'undone':
      return 'taken back';
    case 'checked':
      return `${action.store.name}: ${degrees(action.tempC, units, 1)}`;
  }
}
