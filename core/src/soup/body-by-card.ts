import { kindOf } from './kind-of.js';
import type { Soup } from './soup.js';
import { walk } from './walk.js';

/** The body that the steps of a card ask for last, mPa·s as it is served; undefined where none does. */
export function bodyByCard(soup: Soup): number | undefined {
  return walk(soup.root)
    .flatMap(({ step }) => {
      const target = step.op === 'join' ? undefined : kindOf(step).target;
      return target?.of === 'body' ? (target.value(step as never) ?? []) : [];
    })
    .at(-1);
}
