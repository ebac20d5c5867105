import { inject, Injectable } from '@angular/core';
import type { Buying, SupplyAction } from '@tureen/core/shop';
import type { SuppliesAnswer } from '@tureen/server/api';
import type { Observable } from 'rxjs';
import { Api, request, type Reply } from './api';
import { Clock } from './clock';
import { Device, newId } from './device';
import { Live } from './live';
import { reasonsToAsk, refetched } from './refetch';

/** What is in the store, and how each ingredient is bought. */
@Injectable({ providedIn: 'root' })
export class Supplies {
  private readonly api = inject(Api);
  private readonly device = inject(Device);
  private readonly clock = inject(Clock);

  readonly supplies$: Observable<Reply<SuppliesAnswer>> = refetched(
    reasonsToAsk(inject(Live), ({ kind }) => kind === 'supplies' || kind === 'batch'),
    () => request<SuppliesAnswer>(() => this.api.client.supplies.$get()),
  );

  enter(ingredient: string, action: SupplyAction): Promise<Reply<{ kept: number }>> {
    const entry = { id: newId(), ingredient, action, atMs: Math.round(this.clock.now()), who: this.device.who() };
    return request(() => this.api.client.supplies.$post({ json: { entries: [entry] } }));
  }

  buy(buying: Buying): Promise<Reply<Buying>> {
    return request(() => this.api.client.supplies.buying.$put({ json: buying }));
  }
}
