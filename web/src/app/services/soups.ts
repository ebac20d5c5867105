import { inject, Injectable } from '@angular/core';
import type { Soup } from '@tureen/core/soup';
import type { KeptSoup } from '@tureen/server/api';
import { filter, merge, shareReplay, startWith, switchMap, type Observable } from 'rxjs';
import { Api, ask, type Answer } from './api';
import { Live } from './live';

/** The soups on the shelf. */
@Injectable({ providedIn: 'root' })
export class Soups {
  private readonly api = inject(Api);
  private readonly live = inject(Live);

  readonly soups$: Observable<Answer<{ soups: KeptSoup[] }>> = merge(
    this.live.change$.pipe(filter(({ kind }) => kind === 'soup')),
    this.live.open$.pipe(filter((open) => open)),
  ).pipe(
    startWith(undefined),
    switchMap(() => ask<{ soups: KeptSoup[] }>(() => this.api.client.soups.$get())),
    shareReplay({ bufferSize: 1, refCount: false }),
  );

  one(id: string): Promise<Answer<KeptSoup>> {
    return ask(() => this.api.client.soups[':id'].$get({ param: { id } }));
  }

  examples(): Promise<Answer<{ soups: Soup[] }>> {
    return ask(() => this.api.client.examples.$get());
  }

  /** Puts a soup on the shelf as version 1. `soup` may come from a file: the server checks it. */
  add(soup: Soup, note: string): Promise<Answer<KeptSoup>> {
    return ask(() => this.api.client.soups.$post({ json: { soup, basedOn: 0, note } }));
  }
}
