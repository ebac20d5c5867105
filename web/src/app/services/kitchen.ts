import { inject, Injectable } from '@angular/core';
import type { Kit } from '@tureen/core/kit';
import type { IngredientRow } from '@tureen/core/larder';
import { filter, map, merge, shareReplay, startWith, switchMap, type Observable } from 'rxjs';
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

  /** Asked again whenever the stream opens, so that a first try without a server is not the last. */
  readonly rows$: Observable<readonly IngredientRow[]> = this.live.open$.pipe(
    filter((open) => open),
    startWith(undefined),
    switchMap(() => ask<{ rows: IngredientRow[] }>(() => this.api.client.larder.$get())),
    map((answer) => (answer.ok ? answer.value.rows : undefined)),
    filter((rows) => rows !== undefined),
    shareReplay({ bufferSize: 1, refCount: false }),
  );

  choose(ready: ReadyKitchen): Promise<Answer<{ kit: Kit }>> {
    return ask(() => this.api.client.kitchen.$put({ json: { ready } }));
  }
}
