import { bodyWord } from '@tureen/core/body';
import type { Harm, Mark } from '@tureen/core/practice';
import { tasteWord } from '@tureen/core/season';
import { showMinutes, type UnitSystem } from '@tureen/core/units';
import type { TurnView } from '../../cooking/bench-view';
import { mass } from '../figures';
import { heat, kitchenUnits } from '../../services/units';

export const NAMES: Readonly<Record<Mark, string>> = {
  body: 'texture',
  salt: 'salt',
  yield: 'bowls',
  sour: 'sourness',
  minutes: 'time',
  safety: 'safety',
  waste: 'thrown away',
};

/** A figure of a mark in its own words and unit. */
export function figure(mark: Mark, value: number): string {
  if (mark === 'body') return `${bodyWord(Math.max(1, value))} (${String(Number(value.toPrecision(2)))} mPa·s)`;
  if (mark === 'safety')
    return value === 0 ? 'nobody hurt' : value === 1 ? 'one thing went wrong' : `${value.toFixed(0)} things went wrong`;
  if (mark === 'minutes') return showMinutes(value);
  if (mark === 'waste') return `${(value * 100).toFixed(0)} %`;
  if (mark === 'sour') return `${tasteWord('sour', value)} (${value.toFixed(1)})`;
  return mark === 'salt' ? `${value.toFixed(2)} %` : value.toFixed(0);
}

/** What a harm would have done, why, and how it is kept from happening. */
export function harmWords(harm: Harm): { readonly title: string; readonly words: string } {
  const at = 'tempC' in harm ? heat(harm.tempC) : '';
  switch (harm.kind) {
    case 'hot jug':
      return {
        title: 'The jug would have thrown its lid',
        words:
          harm.fillShare === undefined
            ? `The soup was at ${at} and no jug was looked at. From ${heat(70)} on a jug is filled to a third, with the vent open and a cloth on the lid.`
            : `A jug was filled to ${(harm.fillShare * 100).toFixed(0)} % with soup at ${at}. From ${heat(70)} on a third is the most, with the vent open and a cloth on the lid.`,
      };
    case 'split':
      return {
        title: 'The cream would have split',
        words: `Thin cream went in at ${at}, into ${harm.acidGKg.toFixed(1)} g of acid a kilo. Below ${heat(85)}, with richer cream, or in a soup that is less sour it stays whole.`,
      };
    case 'scrambled':
      return {
        title: 'The egg would have scrambled',
        words: `Yolks and cream met ${at}. Over ${heat(82)} they set in crumbs: let it cool first, and temper the bowl with some of the soup.`,
      };
    case 'raw egg':
      return {
        title: 'The egg would not have been safe',
        words: `It was brought to ${at} only. Egg mixtures are safe from ${heat(71)} on; for those who are frail use pasteurised egg, and follow your local rules.`,
      };
    case 'allergen':
      return {
        title: 'A guest would have been made ill',
        words: `There is ${harm.allergen} in what went to the table, and a guest can’t have it. Look at the allergens again after every swap, and tell the table.`,
      };
    case 'cooled too slowly':
      return {
        title: 'It stayed warm for too long',
        words: `${harm.minutes === undefined ? 'It was not' : `After ${showMinutes(harm.minutes)} it was`} at ${heat(harm.toC)} in the middle of the ${harm.vessel.toLowerCase()}${harm.minutes === undefined ? ' within a day' : ''}; ${showMinutes(harm.withinMin)} are allowed. What grows in that time makes ill and cannot be tasted. Follow your local rules.`,
      };
    case 'left standing':
      return {
        title: 'Some of it was left standing in the pot',
        words: `${mass(harm.kg, kitchenUnits())} were never put away. A full pot stays warm all night: portion it shallow, or throw it away.`,
      };
  }
}

/** What really stood there where belief left the truth, and what would have told. */
export function turnWords(of: TurnView['of'], believed: number, real: number, units: UnitSystem): string {
  switch (of) {
    case 'kg':
      return `${mass(real, units)} stood there, not ${mass(believed, units)} as you believed. A dip or a weighing would have told.`;
    case 'salt':
      return `It held ${real.toFixed(2)} % salt, not ${believed.toFixed(2)} %. A taste or the salt meter would have told.`;
    case 'body':
      return `Off the spoon: ${figure('body', real)}, not ${figure('body', believed)}. A look at the spoon would have told.`;
  }
}
