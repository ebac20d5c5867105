import type { Odds } from '@tureen/core/odds';
import { proxy, wrap } from 'comlink';
import { Observable } from 'rxjs';
import type { OddsQuestion, OddsThread } from './odds.worker';

/** How far the sampling is, then its answer. */
export type OddsNews =
  { readonly share: number; readonly odds: undefined } | { readonly share: 1; readonly odds: Odds | undefined };

/** Asks for odds in a thread of its own; whoever stops listening, because the question changed, ends the thread at once. */
export function askOdds(question: OddsQuestion): Observable<OddsNews> {
  return new Observable((listener) => {
    const worker = new Worker(new URL('./odds.worker', import.meta.url), { type: 'module' });
    listener.next({ share: 0, odds: undefined });
    const tell = proxy((share: number) => {
      listener.next({ share, odds: undefined });
    });
    wrap<OddsThread>(worker)
      .odds(question, tell)
      .then(
        (odds) => {
          listener.next({ share: 1, odds });
          listener.complete();
        },
        (error: unknown) => {
          listener.error(error);
        },
      );
    return () => {
      worker.terminate();
    };
  });
}
