import { inject, Injectable } from '@angular/core';
import type { KeptSoup } from '@tureen/server/api';
import { combineLatest, Observable, shareReplay, switchMap } from 'rxjs';
import { Cooking } from '../cooking/cooking';
import type { ShelfFacts } from '../cooking/thread';
import { Soups } from './soups';

/** Soups that are worked out before what is known so far is told. */
const AT_ONCE = 24;

function keyOf({ soup, version }: KeptSoup): string {
  return `${soup.id} ${String(version)}`;
}

/** What the shelf shows of every soup, by its id: worked out in the thread a few at a time, once for each version. */
@Injectable({ providedIn: 'root' })
export class ShelfFactsOf {
  private readonly cooking = inject(Cooking);
  private readonly known = new Map<string, ShelfFacts>();

  readonly facts$: Observable<ReadonlyMap<string, ShelfFacts>> = combineLatest([
    inject(Soups).soups$,
    // Another kit or larder makes another soup of the same lines.
    this.cooking.stocked$,
  ]).pipe(
    switchMap(
      ([answer, stock]) =>
        new Observable<ReadonlyMap<string, ShelfFacts>>((listener) => {
          const soups = answer.ok ? answer.value.soups : [];
          if (stock !== this.stock) this.known.clear();
          this.stock = stock;
          let isOver = false;
          const tell = (): void => {
            listener.next(
              new Map(
                soups.flatMap((kept) => {
                  const own = this.known.get(keyOf(kept));
                  return own === undefined ? [] : [[kept.soup.id, own] as const];
                }),
              ),
            );
          };
          const go = async (): Promise<void> => {
            const todo = stock.kit === undefined ? [] : soups.filter((kept) => !this.known.has(keyOf(kept)));
            tell();
            for (let from = 0; from < todo.length && !isOver; from += AT_ONCE) {
              const some = todo.slice(from, from + AT_ONCE);
              const facts = await this.cooking.thread.shelved(some.map(({ soup }) => soup));
              for (const [n, kept] of some.entries()) {
                const own = facts[n];
                if (own !== undefined) this.known.set(keyOf(kept), own);
              }
              tell();
            }
          };
          void go();
          return () => {
            isOver = true;
          };
        }),
    ),
    shareReplay({ bufferSize: 1, refCount: false }),
  );

  private stock: unknown;
}
