import type { Range } from './measures.js';

/** What a method asks for, in the order of a kitchen. */
export const DOINGS = [
  'prepare',
  'roast',
  'sweat',
  'fry',
  'bloom',
  'toast',
  'smoke',
  'fryPuree',
  'deglaze',
  'add',
  'join',
  'takeOut',
  'keep',
  'giveBack',
  'cover',
  'drain',
  'skim',
  'boil',
  'simmer',
  'pressure',
  'reduce',
  'warm',
  'rest',
  'peel',
  'blend',
  'sieve',
  'thin',
  'thicken',
  'season',
  'cream',
  'liaison',
  'hold',
  'chill',
  'garnish',
  'serve',
  'store',
  'setting',
  'remark',
] as const;
export type Doing = (typeof DOINGS)[number];

/** A line, and the share of it that is meant; all that is left of it where no share is said. */
export interface LineUse {
  readonly line: string;
  readonly share?: number | undefined;
}

/** What was taken for granted where the words leave it open. */
export type MethodAssumption = 'MINUTES' | 'OVEN' | 'SHARE' | 'LINE' | 'BODY' | 'COARSE' | 'NOT_ALL';

/** One thing that the method asks for, with its place in the text. */
export interface Action {
  readonly n: number;
  readonly does: Doing;
  /** The clauses that say it, by their numbers. */
  readonly clause: number;
  readonly lines: readonly LineUse[];
  /** The vessel that it is done in. */
  readonly vessel?: string | undefined;
  readonly minutes?: Range | undefined;
  readonly ovenC?: number | undefined;
  readonly share?: number | undefined;
  readonly lid?: 'on' | 'ajar' | 'off' | undefined;
  readonly blender?: 'jug' | 'stick' | 'processor' | undefined;
  /** What shows that it is done, in the cook's own words. */
  readonly until?: string | undefined;
  /** When it is done only if something is so. */
  readonly condition?: string | undefined;
  readonly meanwhile?: boolean | undefined;
  readonly assumed: readonly MethodAssumption[];
}
