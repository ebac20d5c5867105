import fc from 'fast-check';
import type { SupplyAction } from '../src/shop/index.js';

/** Anything that may happen to an ingredient in the store. */
export const ANY_SUPPLY_ACTION: fc.Arbitrary<SupplyAction> = fc.oneof(
  fc.record({ kind: fc.constant('bought' as const), kg: fc.double({ min: 0.01, max: 50, noNaN: true }) }),
  fc.record({ kind: fc.constant('counted' as const), kg: fc.double({ min: 0, max: 50, noNaN: true }) }),
  fc.record({
    kind: fc.constant('thrown' as const),
    kg: fc.double({ min: 0.01, max: 5, noNaN: true }),
    why: fc.constant('old'),
  }),
);
