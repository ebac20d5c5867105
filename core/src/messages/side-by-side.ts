import { bodyWord } from '../body/index.js';
import type { Difference, FigureName } from '../compare/index.js';
import type { FlowKind } from '../pot/index.js';
import { showMass, showMinutes, type UnitSystem } from '../units/index.js';
import type { NameOf } from './steps.js';

/** How what differs is told: of lines and steps by their names, of money by how the kitchen writes it. */
export interface DifferenceNames {
  readonly nameOf: NameOf;
  readonly stepNameOf: (stepId: string) => string;
  readonly units: UnitSystem;
  readonly money: (amount: number) => string;
}

const GONE_WORDS: Readonly<Partial<Record<FlowKind, string>>> = {
  trim: 'trimmed off',
  vapour: 'boiled off',
  'taken out': 'taken out',
  drained: 'drained',
  'sieved off': 'left in the sieve',
  film: 'left on pot and blade',
};

export function goneWords(kind: FlowKind): string {
  return GONE_WORDS[kind] ?? kind;
}

export const FIGURE_WORDS: Readonly<Record<FigureName, string>> = {
  cookedKg: 'cooked yield',
  bowls: 'bowls',
  saltPct: 'salt',
  bodyMPas: 'body',
  cost: 'cost',
  minutes: 'minutes',
};

function massWords(kg: number, units: UnitSystem): string {
  const { digits, unit } = showMass(Math.abs(kg), units);
  return `${digits} ${unit}`;
}

/** @example bodyWords(232) // 'coats, 230 mPa·s' */
function bodyWords(bodyMPas: number): string {
  return `${bodyWord(bodyMPas)}, ${String(Number(bodyMPas.toPrecision(2)))} mPa·s`;
}

function moreWords(off: number, more = 'more', less = 'less'): string {
  return off > 0 ? more : less;
}

/** One value of a difference, with its unit. */
export function valueWords(
  difference: Difference,
  value: number,
  { units, money }: Pick<DifferenceNames, 'units' | 'money'>,
): string {
  if (difference.of === 'line' || difference.of === 'gone') return massWords(value, units);
  if (difference.of === 'found') return `${value < 0 ? '−' : '+'}${massWords(value, units)}`;
  if (difference.of === 'minutes') return showMinutes(value);
  switch (difference.figure) {
    case 'cookedKg':
      return massWords(value, units);
    case 'bowls':
      return value.toFixed(0);
    case 'saltPct':
      return `${value.toFixed(2)} %`;
    case 'bodyMPas':
      return value > 0 ? bodyWords(value) : '–';
    case 'cost':
      return money(value);
    case 'minutes':
      return showMinutes(value);
  }
}

/** What the second batch had other than the first, in a sentence. */
export function sideBySideWords(difference: Difference, names: DifferenceNames): string {
  const { first, second } = difference;
  const off = second - first;
  switch (difference.of) {
    case 'line': {
      const name = names.nameOf(difference.lineId);
      if (first === 0) return `${massWords(second, names.units)} of ${name}, where the first had none`;
      if (second === 0) return `No ${name}, where the first had ${massWords(first, names.units)}`;
      return `${massWords(off, names.units)} ${moreWords(off)} ${name}`;
    }
    case 'found':
      return `By its readings there was ${massWords(off, names.units)} ${moreWords(off)} in the pot than was entered`;
    case 'gone':
      return `${massWords(off, names.units)} ${moreWords(off)} ${goneWords(difference.kind)}`;
    case 'minutes': {
      const name = names.stepNameOf(difference.stepId);
      if (second === 0) return `${name}: not done`;
      return first === 0
        ? `${name}: ${showMinutes(second)}, where the first had none`
        : `${name}: ${showMinutes(Math.abs(off))} ${moreWords(off, 'longer', 'shorter')}`;
    }
    case 'figure':
      return figureWords(difference.figure, first, second, names);
  }
}

function figureWords(figure: FigureName, first: number, second: number, { units, money }: DifferenceNames): string {
  const off = second - first;
  switch (figure) {
    case 'cookedKg':
      return `${massWords(off, units)} ${moreWords(off)} cooked`;
    case 'bowls':
      return `${Math.abs(off).toFixed(0)} bowls ${moreWords(off)}`;
    case 'saltPct':
      return `Salt ${Math.abs(off).toFixed(2)} points ${moreWords(off, 'higher', 'lower')}`;
    case 'bodyMPas':
      return `${moreWords(off, 'Thicker', 'Thinner')}: ${bodyWords(second)}, the first ${bodyWords(first)}`;
    case 'cost':
      return `${money(Math.abs(off))} ${moreWords(off, 'dearer', 'cheaper')}`;
    case 'minutes':
      return `${showMinutes(Math.abs(off))} ${moreWords(off, 'longer', 'shorter')} in all`;
  }
}
