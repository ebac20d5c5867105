import { PARAMETERS, PARAMETER_NAMES, type Kit, type LearnedFigure, type ParameterName } from '../kit/index.js';
import type { IngredientRow } from '../larder/index.js';
import type { Suspect, UnitSlip } from '../learn/index.js';
import { moved } from '../runner/index.js';
import { percentMore, showMass, showVolume, type UnitSystem } from '../units/index.js';
import type { NameOf } from './steps.js';

/** What learnt figures are called after: the kitchen's larder, its kit and its soups. */
export interface LearnedNames {
  readonly rows: ReadonlyMap<string, IngredientRow>;
  readonly pots: ReadonlyMap<string, string>;
  readonly soups: ReadonlyMap<string, string>;
}

/** A learnt figure in words: what it is, how it is here and how it would be anywhere, each with its unit. */
export interface LearnedWords {
  readonly name: string;
  readonly here: string;
  readonly usual: string;
  /** Half of the range that holds it nine times in ten, before anything was learnt and now. */
  readonly wide: string;
  readonly narrow: string;
  /** Under which heading it stands. */
  readonly of: 'trimming' | 'the pot and the oven' | 'body by soup' | 'what comes salted' | 'instruments';
}

const NINETY = 1.645;

const DEVICES: Readonly<Record<string, string>> = { count: 'bowls and tubs' };

/** What something was read with, as a cook would say it. */
export function deviceWords(device: string): string {
  return DEVICES[device] ?? device;
}

/** From here a reading is off, and from here far off, in sd. */
const OFF_SD = 2;
const FAR_OFF_SD = 3;

/** How far a reading is off what all else says, in words; empty where it is not. */
export function offWords(sds: number): string {
  const off = Math.abs(sds);
  return off < OFF_SD ? '' : `${off < FAR_OFF_SD ? 'a little' : 'far'} too ${sds > 0 ? 'high' : 'low'}`;
}

function figures(value: number): string {
  return String(Number(value.toPrecision(3)));
}

function percent(share: number, digits = 0): string {
  return `${(share * 100).toFixed(digits)} %`;
}

/** By how much something is more or less, ln, as a percentage with its sign. */
function moreOrLess(by: number): string {
  const pct = Math.expm1(by) * 100;
  return percentMore(pct, Math.abs(pct) < 10 ? 1 : 0);
}

function around(sd: number): string {
  return `±${(Math.sinh(NINETY * sd) * 100).toFixed(0)} %`;
}

const SHORT: Partial<Record<ParameterName, string>> = {
  boilOff: 'boil-off at the simmer',
  bodyA: 'body, all soups',
  bodyAnswers: 'what a pour does to the body, all soups',
  filmMm: 'what clings to pots and jugs',
  lidOn: 'boil-off with the lid on',
  lidAjar: 'boil-off with the lid ajar',
  roastMost: 'most that is lost in the oven',
  roastTauMin: 'how slowly the oven dries',
  sweatMost: 'most that is lost in the pan',
  sweatTauMin: 'how slowly the pan dries',
  packingRaw: 'how close raw pieces lie',
  packingSoft: 'how close soft pieces lie',
};

function isOfBody(name: ParameterName): boolean {
  return name === 'bodyA' || name === 'bodyAnswers';
}

function parameterWords(
  name: ParameterName,
  at: string | undefined,
  { by, sd }: LearnedFigure,
  before: number,
  names: LearnedNames,
): LearnedWords {
  const { value, unit, on, about } = PARAMETERS[name];
  const [kind = '', id = ''] = at?.split(':') ?? [];
  if (kind === 'soup' || kind === 'pot') {
    const named = kind === 'soup' ? (names.soups.get(id) ?? id) : (names.pots.get(id) ?? id);
    return {
      name:
        kind === 'soup'
          ? name === 'bodyA'
            ? named
            : `${named}: what a pour does`
          : `${SHORT[name] ?? about}, ${named.toLowerCase()}`,
      here: moreOrLess(by),
      usual: 'as composed',
      wide: around(before),
      narrow: around(sd),
      of: isOfBody(name) ? 'body by soup' : 'the pot and the oven',
    };
  }
  const shown = (one: number): string =>
    on === 'logit' ? percent(one) : unit === '1' ? `× ${one.toFixed(2)}` : `${figures(one)} ${unit}`;
  const wide = (spread: number): string =>
    on === 'logit'
      ? `±${((100 * (moved(value, on, by + NINETY * spread) - moved(value, on, by - NINETY * spread))) / 2).toFixed(0)} points`
      : around(spread);
  return {
    name: SHORT[name] ?? about,
    here: shown(moved(value, on, by)),
    usual: shown(value),
    wide: wide(before),
    narrow: wide(sd),
    of: isOfBody(name) ? 'body by soup' : 'the pot and the oven',
  };
}

/** A learnt figure in words. @param before 1 sd of it before anything was learnt. */
export function learnedWords(figure: LearnedFigure, before: number, names: LearnedNames): LearnedWords {
  const { key, by, sd } = figure;
  const [base = '', at] = key.split('@');
  const parameter = PARAMETER_NAMES.find((name) => name === base);
  if (parameter !== undefined) return parameterWords(parameter, at, figure, before, names);
  const [kind = '', id = '', way = ''] = key.split(':');
  const row = names.rows.get(id);
  const spread = { wide: around(before), narrow: around(sd) };
  if (kind === 'trim') {
    const usual = row?.trims.find((one) => one.way === way)?.share;
    const share = (off: number): number => moved(usual ?? 0.5, 'logit', off);
    const points = (one: number): string =>
      `±${((100 * (share(by + NINETY * one) - share(by - NINETY * one))) / 2).toFixed(1)} points`;
    return {
      name: `${(row?.name ?? id).toLowerCase()}, ${way}`,
      here: usual === undefined ? moreOrLess(by) : percent(share(by)),
      usual: usual === undefined ? '' : percent(usual),
      wide: points(before),
      narrow: points(sd),
      of: 'trimming',
    };
  }
  if (kind === 'salt') {
    const usual = row?.composition.salt;
    return {
      name: `salt in ${(row?.name ?? id).toLowerCase()}`,
      here: usual === undefined ? moreOrLess(by) : `${(usual * Math.exp(by)).toFixed(2)} %`,
      usual: usual === undefined ? '' : `${usual.toFixed(2)} %`,
      ...spread,
      of: 'what comes salted',
    };
  }
  return {
    name: `${deviceWords(id)} read`,
    here: moreOrLess(by),
    usual: 'true',
    ...spread,
    of: 'instruments',
  };
}

const SLIPS: Readonly<Record<UnitSlip, string>> = {
  pounds: 'pounds, not kilos',
  ounces: 'ounces, not grams',
  grams: 'grams, not ounces',
  tablespoons: 'tablespoons, not teaspoons',
  teaspoons: 'teaspoons, not tablespoons',
  tenfold: 'ten times as much',
  tenth: 'a tenth of it',
};

/** What may have gone wrong, as a cook would say it, with its figures. */
export function suspectWords(
  suspect: Suspect,
  around: {
    readonly nameOf: NameOf;
    readonly stepName: (stepId: string) => string;
    readonly units: UnitSystem;
    readonly measureM3: (name: string) => number | undefined;
  },
): string {
  const { nameOf, stepName, units, measureM3 } = around;
  const kilos = (kg: number): string => {
    const { digits, unit } = showMass(kg, units);
    return `${digits} ${unit}`;
  };
  switch (suspect.what) {
    case 'measure': {
      const size = measureM3(suspect.vessel);
      if (suspect.as !== undefined) return `It was the ${suspect.as.toLowerCase()}, not the ${suspect.vessel.toLowerCase()}`;
      if (size === undefined) return `The ${suspect.vessel.toLowerCase()} held ${figures(suspect.ratio)} times what was counted`;
      const [was, is] = [showVolume(size, units), showVolume(size * suspect.ratio, units)];
      return `The ${suspect.vessel.toLowerCase()} held ${is.digits} ${is.unit}, not ${was.digits} ${was.unit}`;
    }
    case 'unit':
      return `The ${kilos(suspect.kg)} of ${nameOf(suspect.line)} were ${SLIPS[suspect.as]}: ${kilos(suspect.isKg)}`;
    case 'twice':
      return `${suspect.kg === undefined ? 'A pour' : kilos(suspect.kg)} of ${nameOf(suspect.line)} was entered twice`;
    case 'missing':
      return `About ${kilos(Number(suspect.kg.toPrecision(2)))} of ${nameOf(suspect.line)} went in and was not entered`;
    case 'tare':
      return suspect.was === 'left on'
        ? `The pot was on the scale: ${kilos(suspect.tareKg)} of what was weighed is the pot`
        : `The scale was tared already: the pot’s ${kilos(suspect.tareKg)} were taken off twice`;
    case 'pot':
      return `It stood in the ${suspect.name.toLowerCase()} when it was dipped`;
    case 'another':
      return `${suspect.row.name} went in for the ${nameOf(suspect.line)}`;
    case 'not done':
      return `“${stepName(suspect.stepId)}” was ticked and not done`;
  }
}

/** What would tell suspects apart, as something to do. */
export function tellApartWords(suspects: readonly Suspect[]): string {
  const has = (what: Suspect['what']): boolean => suspects.some((suspect) => suspect.what === what);
  if (has('measure')) return 'To tell: fill the measure with water and weigh it.';
  if (has('tare')) return 'To tell: weigh the empty pot.';
  if (has('another')) return 'To tell: read the label of the carton that was opened.';
  if (has('unit') || has('twice') || has('missing')) return 'To tell: see what is left of it, and what was bought.';
  if (has('pot')) return 'To tell: measure the pot that it stood in.';
  return 'To tell: ask who was at that step.';
}

/** How many times likelier than chance, in words. */
export function oddsWords(odds: number): string {
  if (odds >= 10_000) return 'far likelier than chance';
  if (odds >= 100) return 'a hundred times likelier than chance';
  if (odds >= 30) return 'thirty times likelier than chance';
  return `${odds.toFixed(0)} times likelier than chance`;
}

/** Names that learnt figures are told with. */
export function learnedNames(
  rows: readonly IngredientRow[],
  kit: Pick<Kit, 'pots'> | undefined,
  soups: readonly { readonly id: string; readonly name: string }[],
): LearnedNames {
  return {
    rows: new Map(rows.map((row) => [row.id, row])),
    pots: new Map(kit?.pots.map(({ id, name }) => [id, name])),
    soups: new Map(soups.map(({ id, name }) => [id, name])),
  };
}
