import { inject, Injectable } from '@angular/core';
import type { LearnedAnswer } from '@tureen/server/api';
import type { Observable } from 'rxjs';
import { Api, request, type Reply } from './api';
import { Live } from './live';
import { reasonsToAsk, refetched } from './refetch';

/** What the kitchen's own batches have shown, and what the cook says of that. */
@Injectable({ providedIn: 'root' })
export class LearnedFigures {
  private readonly api = inject(Api);

  readonly learned$: Observable<Reply<LearnedAnswer>> = refetched(
    reasonsToAsk(inject(Live), ({ kind }) => kind === 'kitchen' || kind === 'batch'),
    () => request<LearnedAnswer>(() => this.api.client.learned.$get()),
  );

  /** Holds a figure at an offset, learns it anew from a moment on, or, with neither, takes that back. */
  choose(key: string, choice: { holds?: number; sinceMs?: number }): Promise<Reply<{ key: string }>> {
    return request(() => this.api.client.learned.figures.$put({ json: { key, ...choice } }));
  }

  /** Whether a batch that is unlike the others counts; null leaves that to the program again. */
  teach(batchId: string, counts: boolean | null): Promise<Reply<{ batchId: string }>> {
    return request(() => this.api.client.learned.batches[':id'].$put({ param: { id: batchId }, json: { counts } }));
  }
}
