/** A batch of a month, closed or not. Masses kg; money in the kitchen's own. */
export interface MonthBatch {
  readonly soupName: string;
  readonly askedBowls: number;
  readonly bowlG: number;
  readonly plannedKg: number;
  /** What it came to; undefined while it is open. */
  readonly closed:
    | {
        readonly cookedKg: number;
        /** What its ingredients cost. */
        readonly cost: number;
        /** Bowls that its pot gives by what it came to, and those that were counted. */
        readonly bowls: number;
        readonly countedBowls: number | undefined;
        /** All that went in, as bought and with its water. */
        readonly boughtKg: number;
        readonly trimmedKg: number;
        /** Taken out of the pot by the way, and put away at the end. */
        readonly ladledKg: Readonly<Record<string, number>>;
        readonly storedKg: number;
      }
    | undefined;
}

/** Something that was thrown away, and why. */
export interface Waste {
  readonly reason: string;
  readonly kg: number;
}

/** One kind of soup over a month. */
export interface MonthSoup {
  readonly name: string;
  readonly batches: number;
  readonly bowls: number;
  readonly cookedKg: number;
  readonly plannedKg: number;
  readonly cost: number;
  /** Undefined where no bowl went out. */
  readonly costPerBowl: number | undefined;
}

/** Where the kilos of a month went, from the crate to the bowl; they add up: `in` is all the rest together. */
export interface MonthFlow {
  readonly inKg: number;
  readonly trimmedKg: number;
  /** Steam, and what was sieved out or lifted out. */
  readonly goneInCookingKg: number;
  readonly bowlsKg: number;
  readonly otherKg: Readonly<Record<string, number>>;
  readonly storedKg: number;
  /** Left in the pot and on the ladle, or never counted; negative where more was counted than cooked. */
  readonly uncountedKg: number;
}

export interface MonthSheet {
  /** YYYY-MM. */
  readonly month: string;
  readonly batches: number;
  /** Batches of the month that are not closed yet, and are in no figure. */
  readonly open: number;
  readonly bowls: number;
  readonly askedBowls: number;
  readonly cookedKg: number;
  readonly plannedKg: number;
  readonly cost: number;
  readonly costPerBowl: number | undefined;
  readonly soups: readonly MonthSoup[];
  readonly flow: MonthFlow;
  /** What was thrown away, most first: out of pots and containers and from the store. */
  readonly waste: readonly Waste[];
}

type Closed = MonthBatch & { readonly closed: NonNullable<MonthBatch['closed']> };

/** Ways out of a pot that are waste. */
const WASTED: Readonly<Record<string, string>> = { spilt: 'spilt', 'thrown away': 'thrown away out of the pot' };

function sum(values: readonly number[]): number {
  return values.reduce((all, one) => all + one, 0);
}

/** Bowls that went out: as they were counted, or as the pot gives them where nobody did. */
function bowlsOf({ closed: { countedBowls, bowls } }: Closed): number {
  return countedBowls ?? bowls;
}

function perBowl(cost: number, bowls: number): number | undefined {
  return bowls > 0 ? cost / bowls : undefined;
}

function soupOf(name: string, own: readonly Closed[]): MonthSoup {
  const bowls = sum(own.map(bowlsOf));
  const cost = sum(own.map(({ closed }) => closed.cost));
  return {
    name,
    batches: own.length,
    bowls,
    cookedKg: sum(own.map(({ closed }) => closed.cookedKg)),
    plannedKg: sum(own.map(({ plannedKg }) => plannedKg)),
    cost,
    costPerBowl: perBowl(cost, bowls),
  };
}

function flowOf(closed: readonly Closed[]): MonthFlow {
  const inKg = sum(closed.map((one) => one.closed.boughtKg));
  const trimmedKg = sum(closed.map((one) => one.closed.trimmedKg));
  const cookedKg = sum(closed.map((one) => one.closed.cookedKg));
  const bowlsKg = sum(closed.map((one) => (bowlsOf(one) * one.bowlG) / 1000));
  const storedKg = sum(closed.map((one) => one.closed.storedKg));
  const otherKg: Record<string, number> = {};
  for (const { closed: own } of closed) for (const [as, kg] of Object.entries(own.ladledKg)) otherKg[as] = (otherKg[as] ?? 0) + kg;
  return {
    inKg,
    trimmedKg,
    goneInCookingKg: inKg - trimmedKg - cookedKg,
    bowlsKg,
    otherKg,
    storedKg,
    uncountedKg: cookedKg - bowlsKg - storedKg - sum(Object.values(otherKg)),
  };
}

/**
 * What a month came to: bowls, kilos and money by soup, where its kilos went, and what was thrown away.
 *
 * @param elsewhere what was thrown away out of containers and of the store in that month.
 */
export function monthSheet(month: string, batches: readonly MonthBatch[], elsewhere: readonly Waste[]): MonthSheet {
  const closed = batches.filter((one): one is Closed => one.closed !== undefined);
  const names = [...new Set(closed.map(({ soupName }) => soupName))].sort();
  const soups = names
    .map((name) =>
      soupOf(
        name,
        closed.filter(({ soupName }) => soupName === name),
      ),
    )
    .sort((a, b) => b.bowls - a.bowls);
  const flow = flowOf(closed);
  const reasons = new Map<string, number>();
  const wasted: Waste[] = [
    { reason: 'trimmed', kg: flow.trimmedKg },
    ...Object.entries(flow.otherKg).flatMap(([as, kg]) => (WASTED[as] === undefined ? [] : [{ reason: WASTED[as], kg }])),
    ...elsewhere,
  ];
  for (const { reason, kg } of wasted) reasons.set(reason, (reasons.get(reason) ?? 0) + kg);
  const all = soupOf('', closed);
  return {
    month,
    batches: closed.length,
    open: batches.length - closed.length,
    bowls: all.bowls,
    askedBowls: sum(closed.map(({ askedBowls }) => askedBowls)),
    cookedKg: all.cookedKg,
    plannedKg: all.plannedKg,
    cost: all.cost,
    costPerBowl: all.costPerBowl,
    soups,
    flow,
    waste: [...reasons]
      .filter(([, kg]) => kg > 0)
      .map(([reason, kg]) => ({ reason, kg }))
      .sort((a, b) => b.kg - a.kg),
  };
}
