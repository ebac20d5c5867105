import { inject, Injectable } from '@angular/core';
import { USUAL_STORES, type ColdStore, type Kit, type Place } from '@tureen/core/kit';
import type { IngredientRow } from '@tureen/core/larder';
import { filter, map, shareReplay, type Observable } from 'rxjs';
import type { IngredientHistory, StoredLarder } from '@tureen/server/api';
import { Api, request, type Reply } from './api';
import { Live } from './live';
import { reasonsToAsk, refetched } from './refetch';
import { kitchenZone } from './zone';
import { kitchenUnits } from './units';

export interface KitchenState {
  readonly kit: Kit | null;
  readonly mode: 'demo' | 'own' | 'practice';
}

export type ReadyKitchen = 'home' | 'cafe' | 'canteen';

/** The kitchen's kit and larder. */
@Injectable({ providedIn: 'root' })
export class Kitchen {
  private readonly api = inject(Api);
  private readonly live = inject(Live);

  readonly kitchen$: Observable<Reply<KitchenState>> = refetched(
    reasonsToAsk(this.live, ({ kind }) => kind === 'kitchen'),
    async () => {
      const answer = await request<KitchenState>(() => this.api.client.kitchen.$get());
      if (answer.ok) {
        kitchenZone.set(answer.value.kit?.zone);
        kitchenUnits.set(answer.value.kit?.units ?? 'metric');
      }
      return answer;
    },
    true,
  );

  /** Asked again whenever the stream opens, so that a first try without a server is not the last. */
  readonly larder$: Observable<StoredLarder> = refetched(
    reasonsToAsk(this.live, ({ kind }) => kind === 'larder'),
    () => request<StoredLarder>(() => this.api.client.larder.$get()),
    true,
  ).pipe(
    map((answer) => (answer.ok ? answer.value : undefined)),
    filter((larder) => larder !== undefined),
    shareReplay({ bufferSize: 1, refCount: false }),
  );

  readonly rows$: Observable<readonly IngredientRow[]> = this.larder$.pipe(map(({ rows }) => rows));

  /** Fridges and freezers; a usual one of each where the kitchen has named none. */
  readonly coldStores$: Observable<readonly ColdStore[]> = this.kitchen$.pipe(
    map((answer) => (answer.ok ? answer.value.kit?.coldStores : undefined) ?? USUAL_STORES),
  );

  /** Saves the kit as it now is. */
  save(kit: Kit): Promise<Reply<{ kit: Kit }>> {
    return request(() => this.api.client.kitchen.$put({ json: { kit } }));
  }

  ingredient(id: string): Promise<Reply<IngredientHistory>> {
    return request(() => this.api.client.larder[':id'].$get({ param: { id } }));
  }

  correct(id: string, row: IngredientRow | null, why: string): Promise<Reply<{ id: string }>> {
    return request(() => this.api.client.larder[':id'].$put({ param: { id }, json: { row, why } }));
  }

  addPrices(
    prices: { ingredient: string; pricePerKg: number; day?: string | undefined }[],
    source: string,
  ): Promise<Reply<{ kept: number }>> {
    return request(() => this.api.client.prices.$post({ json: { prices, source } }));
  }

  /** Sets the kitchen up with a kit that ships, where it stands. */
  choose(ready: ReadyKitchen, place: Place): Promise<Reply<{ kit: Kit }>> {
    return request(() => this.api.client.kitchen.$put({ json: { ready, place } }));
  }
}
