import { inject, Injectable } from '@angular/core';
import type { Kit } from '@tureen/core/kit';
import type { IngredientRow } from '@tureen/core/larder';
import { filter, merge, of, shareReplay, startWith, switchMap, type Observable } from 'rxjs';
import { Api, ask, type Answer } from './api';
import { Live } from './live';

export interface KitchenState {
  readonly kit: Kit | null;
  readonly mode: 'demo' | 'own';
}

export type ReadyKitchen = 'home' | 'cafe' | 'canteen';

/** The kitchen's kit and larder. */
@Injectable({ providedIn: 'root' })
export class Kitchen {
  private readonly api = inject(Api);
  private readonly live = inject(Live);

  readonly kitchen$: Observable<Answer<KitchenState>> = merge(
    this.live.change$.pipe(filter(({ kind }) => kind === 'kitchen')),
    this.live.open$.pipe(filter((open) => open)),
  ).pipe(
    startWith(undefined),
    switchMap(() => ask<KitchenState>(() => this.api.client.kitchen.$get())),
    shareReplay({ bufferSize: 1, refCount: false }),
  );

  readonly rows$: Observable<readonly IngredientRow[]> = of(undefined).pipe(
    switchMap(() => ask<{ rows: IngredientRow[] }>(() => this.api.client.larder.$get())),
    switchMap((answer) => (answer.ok ? of(answer.value.rows) : of([]))),
    shareReplay({ bufferSize: 1, refCount: false }),
  );

  choose(ready: ReadyKitchen): Promise<Answer<{ kit: Kit }>> {
    return ask(() => this.api.client.kitchen.$put({ json: { ready } }));
  }
}
