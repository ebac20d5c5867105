import { computed, inject, type Signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { dayOf } from '@tureen/core/kit';
import type { Container } from '@tureen/core/stock';
import { map, timer } from 'rxjs';
import { Clock } from '../services/clock';
import { Stock } from '../services/stock';
import { kitchenZone } from '../services/zone';

const LOOK_MS = 60_000;

/** What stands in the cold, undefined until it is known, and which day it is in the kitchen. */
export function coldToday(): { readonly containers: Signal<readonly Container[] | undefined>; readonly today: Signal<string> } {
  const clock = inject(Clock);
  const answer = toSignal(inject(Stock).cold$);
  const now = (): string => dayOf(clock.now(), kitchenZone());
  return {
    containers: computed(() => {
      const known = answer();
      return known?.ok === true ? known.value.containers : undefined;
    }),
    today: toSignal(timer(0, LOOK_MS).pipe(map(now)), { initialValue: now() }),
  };
}
