import type { MethodChoices } from '@tureen/core/soup';
import { showMinutes } from '@tureen/core/units';
import type { Difference } from '@tureen/core/why';
import { money } from '../figures';

export interface MethodChoice {
  readonly key: keyof MethodChoices;
  readonly title: string;
  readonly options: readonly { readonly value: string | boolean; readonly name: string }[];
}

/** Where cooks disagree, in the order in which it comes up. */
export const METHOD_CHOICES: readonly MethodChoice[] = [
  {
    key: 'colour',
    title: 'Colour',
    options: [
      { value: 'roast', name: 'roast' },
      { value: 'sweat', name: 'sweat' },
    ],
  },
  {
    key: 'sweatHeat',
    title: 'Sweating',
    options: [
      { value: 'gentle', name: 'gently' },
      { value: 'high', name: 'on high heat' },
    ],
  },
  {
    key: 'garlic',
    title: 'Garlic',
    options: [
      { value: 'first', name: 'first' },
      { value: 'with the onion', name: 'with the onion' },
      { value: 'after the onion', name: 'after the onion' },
      { value: 'roasted whole', name: 'roasted whole' },
    ],
  },
  {
    key: 'liquid',
    title: 'Liquid',
    options: [
      { value: 'stock', name: 'stock' },
      { value: 'half', name: 'half and half' },
      { value: 'water', name: 'water' },
    ],
  },
  {
    key: 'salt',
    title: 'Salt',
    options: [
      { value: 'early', name: 'mostly early' },
      { value: 'late', name: 'late' },
    ],
  },
  {
    key: 'spices',
    title: 'Spices, in a bigger batch',
    options: [
      { value: 'straight', name: 'straight' },
      { value: 'damped', name: 'held back' },
      { value: 'by taste', name: 'by taste' },
    ],
  },
  {
    key: 'sieve',
    title: 'Sieve',
    options: [
      { value: true, name: 'sieved' },
      { value: false, name: 'as it is' },
    ],
  },
  {
    key: 'thickness',
    title: 'Thickness',
    options: [
      { value: 'thick-then-thin', name: 'thick, then let down' },
      { value: 'exact', name: 'poured to measure' },
    ],
  },
  {
    key: 'thin',
    title: 'Letting down',
    options: [
      { value: 'before the blade', name: 'before the blade' },
      { value: 'after the blade', name: 'after the blade' },
    ],
  },
  {
    key: 'concentrate',
    title: 'Too thin',
    options: [
      { value: 'reduce', name: 'boil down' },
      { value: 'thicken', name: 'bind with starch' },
    ],
  },
  {
    key: 'finish',
    title: 'Finish',
    options: [
      { value: 'cream', name: 'cream' },
      { value: 'coconut', name: 'coconut' },
      { value: 'potato', name: 'potato, cooked in' },
      { value: 'none', name: 'none' },
    ],
  },
  {
    key: 'cream',
    title: 'Cream goes in',
    options: [
      { value: 'hot', name: 'hot' },
      { value: 'rested', name: 'after a rest' },
    ],
  },
  {
    key: 'moreSaltWhenCold',
    title: 'Eaten cold',
    options: [
      { value: true, name: 'more salt' },
      { value: false, name: 'the same' },
    ],
  },
];

/** Said of an option that is how the soup is cooked anyway. */
export const NOTHING = 'as it is now';

interface Told {
  readonly name: string;
  readonly of: (side: Difference['before']) => number;
  readonly shown: (change: number) => string;
  readonly least: number;
}

const TOLD: readonly Told[] = [
  { name: 'body', of: ({ bodyMPas }) => bodyMPas, shown: (x) => `${x.toFixed(0)} mPa·s`, least: 1 },
  { name: 'salt', of: ({ saltPct }) => saltPct, shown: (x) => `${x.toFixed(2)} %`, least: 0.005 },
  { name: 'time', of: ({ minutes }) => minutes, shown: showMinutes, least: 0.5 },
];

/** What choosing an option would change, in a few words; undefined where it can't be cooked so. */
export function differenceInWords(difference: Difference | undefined, currency: string | undefined): string | undefined {
  if (difference === undefined) return undefined;
  const { before, after, allergensIn, allergensOut, dietsLost, dietsWon } = difference;
  const words = TOLD.flatMap(({ name, of, shown, least }) => {
    const change = of(after) - of(before);
    return Math.abs(change) < least ? [] : [`${name} ${change > 0 ? '+' : '−'}${shown(Math.abs(change))}`];
  });
  const cost = after.costPerBowl - before.costPerBowl;
  if (Math.abs(cost) >= 0.005) words.push(`a bowl ${cost > 0 ? '+' : '−'}${money(Math.abs(cost), currency)}`);
  if (allergensIn.length > 0) words.push(`brings ${allergensIn.join(', ')}`);
  if (allergensOut.length > 0) words.push(`no ${allergensOut.join(', ')}`);
  if (dietsWon.length > 0) words.push(`becomes ${dietsWon.join(', ')}`);
  if (dietsLost.length > 0) words.push(`no longer ${dietsLost.join(', ')}`);
  return words.length === 0 ? NOTHING : words.join(' · ');
}
