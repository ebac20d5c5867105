import { inject, Injectable } from '@angular/core';
import type { OnShelf } from '@tureen/server/api';
import { combineLatest, Observable, shareReplay, switchMap } from 'rxjs';
import { Cooking } from '../cooking/cooking';
import type { ShelfFacts } from '@tureen/core/plan';
import { Soups } from './soups';

/** Soups that are fetched and worked out at a time; the first of them are those seen first. */
const AT_ONCE = 24;

function keyOf({ id, version }: Pick<OnShelf, 'id' | 'version'>): string {
  return `${id} ${String(version)}`;
}

/** What the shelf shows of every soup, by its id: worked out in the thread a few at a time, once for each version. */
@Injectable({ providedIn: 'root' })
export class ShelfFactsOf {
  private readonly cooking = inject(Cooking);
  private readonly soups = inject(Soups);
  private readonly known = new Map<string, ShelfFacts>();
  private stock: unknown;

  readonly facts$: Observable<ReadonlyMap<string, ShelfFacts>> = combineLatest([
    this.soups.shelf$,
    // Another kit or larder makes another soup of the same lines.
    this.cooking.stocked$,
  ]).pipe(
    switchMap(
      ([answer, stock]) =>
        new Observable<ReadonlyMap<string, ShelfFacts>>((listener) => {
          const shelf = answer.ok ? answer.value.soups : [];
          if (stock !== this.stock) this.known.clear();
          this.stock = stock;
          let isOver = false;
          const tell = (): void => {
            listener.next(
              new Map(
                // What the server keeps with a soup is shown from the first sight on, until it is worked out anew here.
                shelf.map((soup) => [soup.id, this.known.get(keyOf(soup)) ?? soup.facts] as const),
              ),
            );
          };
          const go = async (): Promise<void> => {
            const todo = stock.kit === undefined ? [] : shelf.filter((soup) => !soup.fresh && !this.known.has(keyOf(soup)));
            tell();
            // Each telling draws the shelf anew, so the further down, the more are told at once.
            let tellAt = AT_ONCE;
            for (let from = 0; from < todo.length && !isOver; from += AT_ONCE) {
              await this.learn(todo.slice(from, from + AT_ONCE).map(({ id }) => id));
              const done = from + AT_ONCE;
              if (done < tellAt && done < todo.length) continue;
              tellAt = 2 * done;
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

  private async learn(ids: readonly string[]): Promise<void> {
    const answer = await this.soups.some(ids);
    if (!answer.ok) return;
    const { soups } = answer.value;
    const facts = await this.cooking.calculator.shelved(soups.map(({ soup }) => soup));
    for (const [n, { soup, version }] of soups.entries()) {
      const own = facts[n];
      if (own !== undefined) this.known.set(keyOf({ id: soup.id, version }), own);
    }
  }
}
