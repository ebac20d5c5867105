import { inject, Injectable } from '@angular/core';
import type { Soup } from '@tureen/core/soup';
import type { AgainAnswer, StoredSoup, OnShelf, SoupVersion } from '@tureen/server/api';
import type { Observable } from 'rxjs';
import { Api, request, type Reply } from './api';
import { Live } from './live';
import { reasonsToAsk, refetched } from './refetch';

/** The soups on the shelf. */
@Injectable({ providedIn: 'root' })
export class Soups {
  private readonly api = inject(Api);
  private readonly live = inject(Live);

  readonly shelf$: Observable<Reply<{ soups: OnShelf[] }>> = refetched(
    reasonsToAsk(this.live, ({ kind }) => kind === 'soup' || kind === 'shelf' || kind === 'batch'),
    () => request<{ soups: OnShelf[] }>(() => this.api.client.shelf.$get()),
    true,
  );

  one(id: string, version?: number): Promise<Reply<StoredSoup>> {
    return request(() =>
      this.api.client.soups[':id'].$get({ param: { id }, query: version === undefined ? {} : { version: String(version) } }),
    );
  }

  /** Soups in the versions that are asked for, the newest where none is; those that are gone are left out. */
  async cardsOf(
    asked: readonly { readonly soupId: string; readonly version?: number | undefined }[],
  ): Promise<{ soupId: string; version: number | undefined; soup: Soup; newest: number }[]> {
    const found = await Promise.all(
      asked.map(async ({ soupId, version }) => {
        const answer = await this.one(soupId, version);
        return answer.ok ? [{ soupId, version, soup: answer.value.soup, newest: answer.value.version }] : [];
      }),
    );
    return found.flat();
  }

  /** Some soups whole, in their newest version. */
  some(ids: readonly string[]): Promise<Reply<{ soups: StoredSoup[] }>> {
    return request(() => this.api.client.soups.$get({ query: { ids: ids.join(',') } }));
  }

  versions(id: string): Promise<Reply<{ versions: SoupVersion[] }>> {
    return request(() => this.api.client.soups[':id'].versions.$get({ param: { id } }));
  }

  /** What was done otherwise than its card says in most of its last batches. */
  again(id: string): Promise<Reply<AgainAnswer>> {
    return request(() => this.api.client.soups[':id'].again.$get({ param: { id } }));
  }

  examples(): Promise<Reply<{ soups: Soup[] }>> {
    return request(() => this.api.client.examples.$get());
  }

  /** Saves a soup as the version after the one it was changed from; 0 puts a new soup on the shelf. The server checks it. */
  save(soup: Soup, basedOn: number, note: string): Promise<Reply<StoredSoup>> {
    return request(() => this.api.client.soups.$post({ json: { soup, basedOn, note } }));
  }

  /** Its tags, and whether it is retired. */
  shelve(id: string, shelf: { tags: string[]; retired: boolean }): Promise<Reply<StoredSoup>> {
    return request(() => this.api.client.soups[':id'].shelf.$put({ param: { id }, json: shelf }));
  }
}
