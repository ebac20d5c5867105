import { inject, Injectable } from '@angular/core';
import { historyOf, type Entry, type StoredEntry } from '@tureen/core/batch';
import type { Way } from '@tureen/core/practice';
import type { StockEntry } from '@tureen/core/stock';
import type { Practice } from '@tureen/server/api';
import type { Observable } from 'rxjs';
import { Api, request, type Reply } from './api';
import { Device, newId } from './device';
import { Clock } from './clock';
import { Live } from './live';
import { reasonsToAsk, refetched } from './refetch';

/** Hidden kitchens are told apart by a number up to this. */
const MOST_SEED = 1_000_000;

/** Practices of the bench; only the practice kitchen has any. */
@Injectable({ providedIn: 'root' })
export class Practices {
  private readonly api = inject(Api);
  private readonly device = inject(Device);
  private readonly clock = inject(Clock);

  readonly practices$: Observable<Reply<{ practices: Practice[] }>> = refetched(
    reasonsToAsk(inject(Live), ({ kind }) => kind === 'practice'),
    () => request<{ practices: Practice[] }>(() => this.api.client.bench.$get()),
  );

  of(batchId: string): Promise<Reply<Practice>> {
    return request(() => this.api.client.bench[':batchId'].$get({ param: { batchId } }));
  }

  /** What was put away of what a practice left over. */
  stockOf(batchId: string): Promise<Reply<{ entries: StockEntry[] }>> {
    return request(() => this.api.client.bench[':batchId'].stock.$get({ param: { batchId } }));
  }

  /** Begins a lesson in a hidden kitchen: another one where no seed is named, and the lesson's first way where it has several. */
  begin(lesson: string, seed?: number, way?: Way | null): Promise<Reply<Practice>> {
    const batchId = newId();
    // An id is as random as anything that the page has.
    const drawn = (Number.parseInt(batchId.slice(0, 8), 16) % MOST_SEED) + 1;
    const json = { batchId, planId: newId(), lesson, seed: seed ?? drawn, who: this.device.who().trim(), way: way ?? undefined };
    return request(() => this.api.client.bench.$post({ json }));
  }

  /**
   * The same hidden kitchen as it stood behind an entry: a practice of its own, so that the one gone back from is kept. What was
   * entered up to there is entered again.
   */
  async backTo({ lesson, seed, way }: Practice, entries: readonly StoredEntry[], entryId: string): Promise<Reply<Practice>> {
    const { counted } = historyOf(entries);
    const upTo = counted.slice(0, counted.findIndex(({ id }) => id === entryId) + 1);
    const begun = await this.begin(lesson, seed, way);
    if (!begun.ok || upTo.length === 0) return begun;
    const { batchId } = begun.value;
    // The moment is now: the pot has not cooled since.
    const sinceMs = this.clock.now() - (upTo.at(-1)?.atMs ?? 0);
    const copies: Entry[] = upTo.map(({ shape, stamp, atMs, who, action }) => ({
      id: newId(),
      shape,
      stamp,
      atMs: Math.round(atMs + sinceMs),
      who,
      action,
    }));
    const kept = await request<unknown>(() =>
      this.api.client.batches[':id'].entries.$post({ param: { id: batchId }, json: { entries: copies } }),
    );
    return kept.ok ? begun : kept;
  }

  /** Says what the clock of the practice shows and how fast it goes, so that the probe goes by it too. */
  tellClock(speed: number): Promise<Reply<unknown>> {
    return request<unknown>(() => this.api.client.bench.clock.$put({ json: { practiceMs: Math.round(this.clock.now()), speed } }));
  }

  /** Judges a practice by what is true of it, and keeps what it came to. */
  judge(batchId: string): Promise<Reply<Practice>> {
    return request(() => this.api.client.bench[':batchId'].result.$post({ param: { batchId } }));
  }

  forget(who: string): Promise<Reply<{ forgotten: number }>> {
    return request(() => this.api.client.bench.$delete({ query: { who } }));
  }
}
