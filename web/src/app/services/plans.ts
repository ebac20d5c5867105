import { inject, Injectable } from '@angular/core';
import type { PlanRequest } from '@tureen/core/plan';
import type { StoredPlan, PlanSummary } from '@tureen/server/api';
import type { Observable } from 'rxjs';
import { Api, request, type Reply } from './api';
import { Live } from './live';
import { reasonsToAsk, refetched } from './refetch';

export interface PlanWish {
  readonly id: string;
  readonly soupId: string;
  readonly version: number;
  readonly request: PlanRequest;
}

/** Plans that are kept: made, changed until their batch starts, ticked off. */
@Injectable({ providedIn: 'root' })
export class Plans {
  private readonly api = inject(Api);
  private readonly live = inject(Live);

  readonly plans$: Observable<Reply<{ plans: PlanSummary[] }>> = refetched(
    reasonsToAsk(this.live, ({ kind }) => kind === 'plan' || kind === 'batch'),
    () => request<{ plans: PlanSummary[] }>(() => this.api.client.plans.$get()),
  );

  one(id: string): Promise<Reply<StoredPlan>> {
    return request(() => this.api.client.plans[':id'].$get({ param: { id } }));
  }

  keep({ id, soupId, version, request: wish }: PlanWish): Promise<Reply<{ id: string }>> {
    return request(() => this.api.client.plans.$post({ json: { id, soupId, version, request: wish } }));
  }

  change({ id, version, request: wish }: Omit<PlanWish, 'soupId'>): Promise<Reply<{ id: string }>> {
    return request(() => this.api.client.plans[':id'].$put({ param: { id }, json: { version, request: wish } }));
  }

  note(id: string, note: { ticks: string[]; bowlPrice: number | null }): Promise<Reply<{ id: string }>> {
    return request(() => this.api.client.plans[':id'].note.$put({ param: { id }, json: note }));
  }

  drop(id: string): Promise<Reply<{ id: string }>> {
    return request(() => this.api.client.plans[':id'].$delete({ param: { id } }));
  }
}
