import { deepEqual } from 'fast-equals';
import { walk, type Soup } from '../soup/index.js';
import type { WriteBack } from './write-back.js';

/** A difference from the card that came up in most of a soup's last batches, with its figure in the middle of theirs. */
export interface Again {
  readonly item: WriteBack;
  /** In so many batches, of so many that were cooked by this part of the card. */
  readonly times: number;
  readonly of: number;
}

/** What one batch would put back into the card that it was cooked by. */
export interface PutBack {
  readonly soup: Soup;
  readonly items: readonly WriteBack[];
}

/** Batches that are looked at, the newest; what came up in fewer than `LEAST_AGAIN` is chance. Kitchen defaults. */
export const LOOKED_AT = 5;
export const LEAST_AGAIN = 3;

/** What of a card an item speaks of. A batch that was cooked by another one says nothing of the card as it is. */
function spokenOf(soup: Soup, item: WriteBack): unknown {
  if (item.what === 'right body') return soup.rightMPas ?? null;
  if (item.what === 'brought') return soup.lines.find(({ id }) => id === item.line) ?? null;
  if ('line' in item) return soup.lines.find(({ id }) => id === item.line);
  return walk(soup.root).find(({ step }) => step.id === item.stepId)?.step;
}

/** Which way it went: more, less, or what took its place. */
function wayOf(item: WriteBack): string {
  if (item.what === 'brought') return item.ingredient;
  if (item.what === 'swapped') return item.is;
  if (!('is' in item)) return '';
  return item.was === undefined ? '' : item.is > item.was ? 'more' : 'less';
}

function middle(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const half = Math.floor(sorted.length / 2);
  const [low, high] = sorted.length % 2 === 1 ? [sorted[half], sorted[half]] : [sorted[half - 1], sorted[half]];
  return ((low ?? 0) + (high ?? 0)) / 2;
}

function inTheMiddle(items: readonly [WriteBack, ...WriteBack[]]): WriteBack {
  const [first] = items;
  if (first.what === 'brought') return { ...first, kg: middle(items.flatMap((one) => (one.what === 'brought' ? [one.kg] : []))) };
  const values = items.flatMap((one) => ('is' in one && typeof one.is === 'number' ? [one.is] : []));
  return values.length === items.length ? ({ ...first, is: middle(values) } as WriteBack) : first;
}

/**
 * What a kitchen does to a soup again and again: "1.1 kg more water in four of five".
 *
 * @param now the card as it is
 * @param batches what the last batches would put back, the newest first; more than `LOOKED_AT` are not looked at
 * @returns differences that came up in at least three of them and in most of those that could have shown them, all the same way
 */
export function againAndAgain(now: Soup, batches: readonly PutBack[]): Again[] {
  const looked = batches.slice(0, LOOKED_AT);
  const keys = [...new Set(looked.flatMap(({ items }) => items.map(({ key }) => key)))];
  return keys.flatMap((key): Again[] => {
    const [sample] = looked.flatMap(({ items }) => items.filter((one) => one.key === key));
    if (sample === undefined) return [];
    const card = spokenOf(now, sample);
    if (card === undefined) return [];
    const able = looked.filter(({ soup }) => deepEqual(spokenOf(soup, sample), card));
    const found = able.flatMap(({ items }) => items.filter((one) => one.key === key));
    const ways = [...new Set(found.map(wayOf))].map((way) => found.filter((one) => wayOf(one) === way));
    const [first, ...others] = ways.reduce<WriteBack[]>((a, b) => (b.length > a.length ? b : a), []);
    const times = others.length + 1;
    if (first === undefined || times < LEAST_AGAIN || times * 2 <= able.length) return [];
    return [{ item: inTheMiddle([first, ...others]), times, of: able.length }];
  });
}
