import { SPOON_WORDS } from '@tureen/core/body';
import type { PlainStep, SoupStep } from '@tureen/core/soup';
import { TOUCH_C } from '@tureen/core/steps';
import { degreeUnit, fromScale, onScale, type UnitSystem } from '@tureen/core/units';

/** A figure of a step that can be set: in the unit shown, between two ends. */
export interface NumberSetting {
  readonly kind: 'number';
  readonly key: string;
  readonly label: string;
  readonly unit: string;
  readonly least: number;
  readonly most: number;
  readonly by: number;
  readonly value: number;
  readonly set: (value: number) => SoupStep;
}

/** One of a few words. */
export interface ChoiceSetting {
  readonly kind: 'choice';
  readonly key: string;
  readonly label: string;
  readonly options: readonly { readonly value: string; readonly name: string }[];
  readonly value: string;
  readonly set: (value: string) => SoupStep;
}

export type Setting = NumberSetting | ChoiceSetting;

type Fields<S> = { readonly [K in keyof S]?: S[K] | undefined };

function number<S extends SoupStep>(
  step: S,
  key: string & keyof S,
  label: string,
  unit: string,
  [least, most, by]: readonly [number, number, number],
  factor = 1,
): NumberSetting {
  return {
    kind: 'number',
    key,
    label,
    unit,
    least,
    most,
    by,
    value: Math.round(Number(step[key]) * factor * 1000) / 1000,
    set: (value) => ({ ...step, [key]: value / factor }),
  };
}

function choice<S extends SoupStep>(
  step: S,
  key: string & keyof S,
  label: string,
  options: readonly (readonly [value: string, name: string])[],
): ChoiceSetting {
  return {
    kind: 'choice',
    key,
    label,
    options: options.map(([value, name]) => ({ value, name })),
    value: String(step[key]),
    set: (value) => ({ ...step, [key]: value === 'true' ? true : value === 'false' ? false : value }),
  };
}

function minutes(step: SoupStep & { readonly minutes: number }, most = 240): NumberSetting {
  return number(step, 'minutes', 'for', 'min', [0, most, most <= 20 ? 0.5 : 5]);
}

function tempC(
  step: SoupStep & Fields<{ ovenC: number; toC: number; atC: number }>,
  key: 'ovenC' | 'toC' | 'atC',
  label: string,
  least: number,
  most: number,
  units: UnitSystem,
): NumberSetting {
  const inF = units === 'us';
  const shown = (value: number): number => Math.round(onScale(value, units));
  return {
    kind: 'number',
    key,
    label,
    unit: degreeUnit(units),
    least: shown(least),
    most: shown(most),
    by: inF ? 10 : 5,
    value: shown(Number(step[key])),
    set: (value) => ({ ...step, [key]: Math.min(most, Math.max(least, fromScale(value, units))) }),
  };
}

const LIDS = [
  ['on', 'lid on'],
  ['ajar', 'lid ajar'],
  ['off', 'lid off'],
] as const;
const VIGOURS = [
  ['bare', 'barely'],
  ['steady', 'steadily'],
  ['lively', 'lively'],
  ['rolling', 'rolling'],
] as const;
const YES = [
  ['true', 'yes'],
  ['false', 'no'],
] as const;

/** A body by the word nearest to it off the spoon. */
function body(step: SoupStep & { readonly toMPas: number }): ChoiceSetting {
  const nearest = SPOON_WORDS.reduce((a, b) =>
    Math.abs(Math.log(b.bodyMPas / step.toMPas)) < Math.abs(Math.log(a.bodyMPas / step.toMPas)) ? b : a,
  );
  return {
    kind: 'choice',
    key: 'toMPas',
    label: 'until off the spoon it',
    options: SPOON_WORDS.map(({ word, bodyMPas }) => ({ value: String(bodyMPas), name: `${word} (${String(bodyMPas)} mPa·s)` })),
    value: String(nearest.bodyMPas),
    set: (value) => ({ ...step, toMPas: Number(value) }),
  };
}

/** A share of pieces, in percent; there is always some of it. */
function percent(step: SoupStep, key: 'share', label: string, value: number): NumberSetting {
  const shown = Math.round(value * 1000) / 10;
  return {
    kind: 'number',
    key,
    label,
    unit: '%',
    least: 1,
    most: 100,
    by: 5,
    value: shown,
    set: (next) => ({ ...step, [key]: next / 100 }),
  };
}

/** How small the pieces are chopped before they go back; as they were where it is nought. */
function chopped(step: SoupStep & Fields<{ choppedMm: number | undefined }>): NumberSetting {
  return {
    kind: 'number',
    key: 'choppedMm',
    label: 'chopped to',
    unit: 'mm, 0 as it was',
    least: 0,
    most: 100,
    by: 1,
    value: step.choppedMm ?? 0,
    set: (value) => ({ ...step, choppedMm: value > 0 ? value : undefined }) as SoupStep,
  };
}

/** How often what roasts is tossed; never where it is nought. */
function tossed(step: SoupStep & Fields<{ tossEveryMin: number | undefined }>): NumberSetting {
  return {
    kind: 'number',
    key: 'tossEveryMin',
    label: 'tossed every',
    unit: 'min, 0 never',
    least: 0,
    most: 60,
    by: 5,
    value: step.tossEveryMin ?? 0,
    set: (value) => ({ ...step, tossEveryMin: value > 0 ? Math.max(5, value) : undefined }) as SoupStep,
  };
}

/** Which piece of the pot a step lifts out, gives back or peels, among those that lie in it. */
export function pieceSettings(
  step: SoupStep,
  pieces: readonly { readonly id: string; readonly name: string }[],
): readonly Setting[] {
  if (step.op !== 'takeOut' && step.op !== 'giveBack' && step.op !== 'peel') return [];
  const [first, ...more] = step.lines;
  if (first === undefined || more.length > 0 || pieces.length < 2) return [];
  return [
    {
      kind: 'choice',
      key: 'lines',
      label: 'what',
      options: pieces.map(({ id, name }) => ({ value: id, name })),
      value: first,
      set: (line) => ({ ...step, lines: [line] }),
    },
  ];
}

type SettingsOf<K extends SoupStep['op']> = (step: Extract<SoupStep, { op: K }>, units: UnitSystem) => readonly Setting[];

/** What can be set at every kind of step; a kind that is not here does not compile. */
const SETTINGS: { readonly [K in SoupStep['op']]: SettingsOf<K> } = {
  trim: () => [],
  roast: (step, units) => [
    tempC(step, 'ovenC', 'at', 120, 280, units),
    minutes(step),
    choice(step, 'load', 'trays', [
      ['rounds', 'one layer, in rounds'],
      ['crowd', 'all at once, crowded'],
    ]),
    tossed(step),
  ],
  sweat: (step) => [
    minutes(step, 60),
    choice(step, 'heat', 'heat', [
      ['gentle', 'gentle'],
      ['high', 'high, stirring'],
    ]),
    choice(step, 'lid', 'lid', [LIDS[0], LIDS[2]]),
  ],
  add: () => [],
  takeOut: (step) => [
    percent(step, 'share', 'of it', step.share ?? 1),
    choice({ ...step, keep: step.keep === true }, 'keep', 'kept to give back', YES),
  ],
  cover: (step) => [number(step, 'overM', 'over the pieces', 'mm', [0, 200, 5], 1000)],
  fry: (step) => [
    choice(step, 'how', 'how', [
      ['sauté', 'to gold'],
      ['toast', 'dry toast'],
      ['bloom', 'bloom in fat'],
      ['smoke', 'smoke'],
    ]),
    minutes(step, 20),
  ],
  fryPuree: (step) => [minutes(step, 20)],
  deglaze: (step) => [minutes(step, 20)],
  giveBack: (step) => [percent(step, 'share', 'of what was kept', step.share), chopped(step)],
  peel: (step) => [number(step, 'keeps', 'goes on', '%', [10, 100, 1], 100)],
  skim: (step) => [number(step, 'share', 'of the fat', '%', [5, 100, 5], 100)],
  drain: (step) => [
    choice(step, 'keep', 'keep', [
      ['pieces', 'the pieces'],
      ['liquid', 'the liquid'],
    ]),
    number(step, 'liquidShare', 'liquid that goes on', '%', [0, 100, 10], 100),
  ],
  simmer: (step) => [minutes(step), choice(step, 'vigour', 'how', VIGOURS), choice(step, 'lid', 'lid', LIDS)],
  pressure: (step, units) => [minutes(step, 120), tempC(step, 'atC', 'at', 105, 121, units)],
  sieve: (step) => [number(step, 'meshMm', 'mesh', 'mm', [0.1, 10, 0.5]), choice(step, 'scraped', 'sides scraped', YES)],
  thin: (step) => [body(step)],
  reduce: (step) => [choice(step, 'vigour', 'how', VIGOURS)],
  thicken: (step) => [body(step)],
  tune: (step) => [number(step, 'to', step.taste, '', [0, 5000, 0.1])],
  cup: () => [],
  liaison: (step, units) => [tempC(step, 'toC', 'to', 60, 95, units)],
  hold: (step, units) => [tempC(step, 'atC', 'at', 40, 95, units), choice(step, 'lid', 'lid', LIDS)],
  reheat: (step, units) => [tempC(step, 'toC', 'to', 40, 98, units), choice(step, 'lid', 'lid', LIDS)],
  rest: (step, units) => [
    restUntil(step),
    ...(step.toC === undefined ? [number(step, 'minutes', 'for', 'min', [0, 240, 5])] : [tempC(step, 'toC', 'to', 0, 100, units)]),
    choice(step, 'around', 'in', [
      ['air', 'the air'],
      ['ice bath', 'an ice bath'],
    ]),
  ],
  blend: (step) => [
    choice(step, 'blender', 'with', [
      ['jug', 'jug blender'],
      ['stick', 'stick'],
      ['processor', 'processor'],
    ]),
    minutes(step, 20),
  ],
  season: (step) => [number(step, 'saltPct', 'to', '% salt', [0, 5, 0.05])],
  cream: (step) => creamSettings(step),
  film: () => [],
  dish: () => [],
  join: () => [],
  read: () => [],
  ladleOut: () => [],
  refill: () => [],
};

/** Kitchen default, °C: cool enough for a jug that is more than a third full. */
const USUAL_REST_C = 68;
/** Common practice before a jug, minutes. */
const USUAL_REST_MIN = 15;

/** Whether a rest goes by the thermometer, the hand or the clock, with what is usual for each. */
function restUntil(step: Extract<PlainStep, { op: 'rest' }>): ChoiceSetting {
  const { toC } = step;
  return {
    kind: 'choice',
    key: 'until',
    label: 'until',
    options: [
      { value: 'temperature', name: 'a temperature' },
      { value: 'touch', name: 'it can be handled' },
      { value: 'minutes', name: 'minutes are over' },
    ],
    value: toC === undefined ? 'minutes' : toC === TOUCH_C ? 'touch' : 'temperature',
    set: (value) =>
      value === 'minutes'
        ? { ...step, toC: undefined, minutes: USUAL_REST_MIN }
        : { ...step, minutes: undefined, toC: value === 'touch' ? TOUCH_C : USUAL_REST_C },
  };
}

/** What can be set at a step, in the kitchen's units; the lines that it takes are beside it. */
export function settingsOf(step: SoupStep, units: UnitSystem): readonly Setting[] {
  return (SETTINGS[step.op] as (own: SoupStep, system: UnitSystem) => readonly Setting[])(step, units);
}

function creamSettings(step: Extract<PlainStep, { op: 'cream' }>): readonly Setting[] {
  const { target } = step;
  const how: ChoiceSetting = {
    kind: 'choice',
    key: 'by',
    label: 'as',
    options: [
      { value: 'written', name: 'its line says' },
      { value: 'gPerBowl', name: 'grams a bowl' },
      { value: 'pct', name: '% of the soup' },
      { value: 'fatPer100', name: 'g fat in 100 g' },
    ],
    value: target.by,
    set: (by) => ({
      ...step,
      target: by === 'written' ? { by } : { by: by as 'pct', value: target.by === 'written' ? 6 : target.value },
    }),
  };
  if (target.by === 'written') return [how];
  const amount: NumberSetting = {
    kind: 'number',
    key: 'value',
    label: 'to',
    unit: target.by === 'gPerBowl' ? 'g' : target.by === 'pct' ? '%' : 'g',
    least: 0,
    most: target.by === 'gPerBowl' ? 500 : target.by === 'pct' ? 60 : 40,
    by: target.by === 'gPerBowl' ? 5 : 0.5,
    value: target.value,
    set: (value) => ({ ...step, target: { ...target, value } }),
  };
  return [amount, how];
}
