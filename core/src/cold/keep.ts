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
    name: 'In the fridge at 5 °C (41 °F) or below',
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
    name: 'In the freezer at −18 °C (0 °F)',
    months: 3,
    atC: -18,
    source: 'USDA consumer advice, for quality: two to three months',
  },
  dried: {
    id: 'dried',
    name: 'Freeze-dried, sealed, dry and dark',
    months: 12,
    atC: 20,
    source: 'kitchen default, for quality, where it was dry and stays sealed: no published limit is followed',
  },
} as const satisfies Readonly<Record<string, KeepingRule>>;

/** What shortens it, in days in the fridge: the kitchen's own settings. Kitchen defaults, common practice. */
export const SHORTER_DAYS: Readonly<Record<'cream' | 'egg' | 'shellfish', number>> = { cream: 4, egg: 2, shellfish: 2 };
