/** How long something is kept, counted in days with the day it was made as the first, or in months in the freezer. */
export interface KeepingRule {
  readonly id: string;
  readonly name: string;
  readonly days?: number;
  readonly months?: number;
  readonly atC: number;
  readonly source: string;
}

export const KEEPING_RULES = {
  readyToEat: {
    id: 'ready-to-eat',
    name: 'In the fridge at 5 °C or below',
    days: 7,
    atC: 5,
    source: 'FDA Food Code 2022, 3-501.17: seven days, the day it was made as the first',
  },
  home: {
    id: 'home',
    name: 'In a fridge at home',
    days: 4,
    atC: 5,
    source: 'USDA consumer advice: soups and stews three to four days',
  },
  freezer: {
    id: 'freezer',
    name: 'In the freezer at -18 °C',
    months: 3,
    atC: -18,
    source: 'USDA consumer advice, for quality: two to three months',
  },
} as const satisfies Readonly<Record<string, KeepingRule>>;

/** What shortens it, in days in the fridge: the kitchen's own settings. Kitchen defaults, common practice. */
export const SHORTER_DAYS: Readonly<Record<'cream' | 'egg' | 'shellfish', number>> = { cream: 4, egg: 2, shellfish: 2 };

const DAY_MS = 86_400_000;

export interface UseBy {
  /** The last day on which it may be eaten, by the calendar of UTC noon of that day. */
  readonly atMs: number;
  readonly rule: KeepingRule;
  /** What made it shorter than the rule, where something did. */
  readonly shortenedBy: 'cream' | 'egg' | 'shellfish' | 'what went in' | undefined;
}

/**
 * The last day on which a soup may be eaten: by its rule, shortened by what is in it, and never after the first of what went
 * into it. Thawing and reheating start no new count: `madeMs` stays what it was.
 */
export function useBy(
  madeMs: number,
  rule: KeepingRule,
  holds: readonly (keyof typeof SHORTER_DAYS)[],
  wentIn: readonly number[] = [],
): UseBy {
  const days = rule.days ?? (rule.months ?? 1) * 30;
  const shortest = holds.reduce<keyof typeof SHORTER_DAYS | undefined>(
    (best, one) => (rule.days !== undefined && SHORTER_DAYS[one] < (best === undefined ? days : SHORTER_DAYS[best]) ? one : best),
    undefined,
  );
  const own = madeMs + ((shortest === undefined ? days : SHORTER_DAYS[shortest]) - 1) * DAY_MS;
  const first = wentIn.length === 0 ? Infinity : Math.min(...wentIn);
  return first < own ? { atMs: first, rule, shortenedBy: 'what went in' } : { atMs: own, rule, shortenedBy: shortest };
}
