import type { Action, Doing, MethodAssumption } from '../method/index.js';
import { degrees, showMinutes, type UnitSystem } from '../units/index.js';

/** What each thing that a method asks for is called, as a heading; with the foods behind it where there are some. */
export const DOING_WORDS: Readonly<Record<Doing, string>> = {
  prepare: 'Make ready',
  roast: 'Roast',
  sweat: 'Sweat',
  fry: 'Fry to gold',
  bloom: 'Bloom',
  toast: 'Toast',
  smoke: 'Smoke',
  fryPuree: 'Fry the purée',
  deglaze: 'Deglaze',
  add: 'Add',
  join: 'Tip in',
  takeOut: 'Lift out',
  keep: 'Keep back',
  giveBack: 'Give back',
  cover: 'Cover with',
  drain: 'Drain',
  skim: 'Skim',
  boil: 'Bring to the boil',
  simmer: 'Simmer',
  pressure: 'Pressure-cook',
  reduce: 'Reduce',
  warm: 'Warm through',
  rest: 'Rest',
  peel: 'Take the skins off',
  blend: 'Blend',
  sieve: 'Sieve',
  thin: 'Thin',
  thicken: 'Thicken',
  season: 'Season',
  cream: 'Stir in',
  liaison: 'Bind with',
  hold: 'Keep warm',
  chill: 'Chill',
  garnish: 'Put on top',
  serve: 'Serve',
  store: 'Keep',
  setting: 'Set',
  remark: 'Remark',
};

/** What a clause can be set right to, in the order in which cooks work; the last is no step at all. */
export const DOING_CHOICES: readonly Doing[] = [
  'prepare',
  'roast',
  'toast',
  'smoke',
  'sweat',
  'fry',
  'bloom',
  'deglaze',
  'add',
  'cover',
  'boil',
  'simmer',
  'pressure',
  'reduce',
  'skim',
  'takeOut',
  'keep',
  'drain',
  'rest',
  'peel',
  'blend',
  'sieve',
  'thin',
  'season',
  'warm',
  'chill',
  'garnish',
  'serve',
  'store',
  'remark',
];

const ASSUMED: Readonly<Record<MethodAssumption, string>> = {
  MINUTES: 'no minutes written: usual ones',
  OVEN: 'no oven heat written: a usual one',
  SHARE: 'how much of it is not said',
  LINE: 'not among the lines',
  BODY: 'how thick is not said: coats the spoon',
  COARSE: 'mashed: blended for a moment',
  NOT_ALL: 'something that is said here is in no step',
};

/** What was taken for granted of an action, each in a few words. */
export function methodAssumptions(action: Pick<Action, 'assumed'>): readonly string[] {
  return action.assumed.map((one) => ASSUMED[one]);
}

function list(names: readonly string[]): string {
  return names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1) ?? ''}`;
}

/** @example actionTitle({ does: 'add', lines: [{ line: 'leek' }] }, () => 'leek') // 'Add leek' */
export function actionTitle({ does, lines }: Pick<Action, 'does' | 'lines'>, nameOf: (line: string) => string): string {
  const words = DOING_WORDS[does];
  if (lines.length === 0 || does === 'prepare' || does === 'season') return words;
  const names = [...new Set(lines.map(({ line }) => nameOf(line)))];
  if (does === 'join')
    return `${words} ${names.length > 2 ? `${names[0] ?? ''} and ${String(names.length - 1)} more` : list(names)}`;
  return `${words} ${list(names)}`;
}

const LID_WORDS = { on: 'lid on', ajar: 'lid ajar', off: 'lid off' } as const;
const BLENDER_WORDS = { jug: 'in the jug', stick: 'with the stick', processor: 'in the processor' } as const;

function share(of: number): string {
  const known: readonly (readonly [number, string])[] = [
    [0.5, 'half'],
    [1 / 3, 'a third'],
    [0.25, 'a quarter'],
    [2 / 3, 'two thirds'],
    [0.75, 'three quarters'],
  ];
  return known.find(([value]) => Math.abs(value - of) < 0.01)?.[1] ?? `${String(Math.round(of * 100))} %`;
}

/** Heat, minutes, place and test of an action, one behind another; empty where nothing is said. */
export function actionDetail(action: Action, units: UnitSystem): string {
  const { minutes, ovenC, lid, blender, until, condition, vessel, meanwhile, does } = action;
  const time =
    minutes === undefined
      ? undefined
      : minutes.low === minutes.high
        ? showMinutes(minutes.low)
        : `${showMinutes(minutes.low)} to ${showMinutes(minutes.high)}`;
  const oven = ovenC === undefined ? undefined : degrees(ovenC, units);
  const isPlaced = vessel !== undefined && does !== 'season' && does !== 'store' && does !== 'setting' && does !== 'remark';
  const parts = [
    isPlaced ? vessel.toLowerCase() : undefined,
    oven,
    time,
    action.share === undefined ? undefined : `${share(action.share)} of it`,
    lid === undefined ? undefined : LID_WORDS[lid],
    blender === undefined ? undefined : BLENDER_WORDS[blender],
    meanwhile === true ? 'meanwhile' : undefined,
    // What shows that it is done is of the heat, not of what goes in before it.
    until === undefined || does === 'add' ? undefined : `until ${until}`,
    condition,
  ];
  return parts.filter((part) => part !== undefined).join(', ');
}

const NEW_STEP_NAMES: Readonly<Record<string, string>> = {
  roast: 'Roast here',
  sauté: 'Sauté to gold',
  bloom: 'Bloom spices',
  toast: 'Toast dry',
  cover: 'Cover with liquid',
  drain: 'Drain, keep a part',
  peel: 'Take skins off',
  'to the touch': 'Cool to the touch',
  rest: 'Rest for minutes',
  thin: 'Thin to a body',
  reduce: 'Boil down to a body',
  thicken: 'Thicken with starch',
  balance: 'Balance with sour',
  cup: 'Weigh out a cup',
  'bring back': 'Bring back what was cold',
};

/** What a step that can be put in by hand is called. @example newStepName('sweat') // 'Sweat' */
export function newStepName(key: string): string {
  return NEW_STEP_NAMES[key] ?? `${key[0]?.toUpperCase() ?? ''}${key.slice(1)}`;
}
