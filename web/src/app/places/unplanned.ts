import type { NameOf } from '@tureen/core/messages';
import type { BatchView } from '../cooking/batch-view';

/** What is not as on the card, in words that a counter can pass on. */
export function unplannedOf({ leftOut, swapped, brought }: Omit<BatchView['changes'], 'notices'>, nameOf: NameOf): string[] {
  return [
    ...leftOut.map((id) => `no ${nameOf(id)}`),
    ...swapped.map((id) => `${nameOf(id)} instead`),
    ...brought.map((id) => `${nameOf(id)} too`),
  ];
}
