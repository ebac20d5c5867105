import type { KeptEntry } from '@tureen/core/batch';

/** What other screens are told. Entries travel whole; for the rest a screen asks again. */
export type Change =
  | { readonly kind: 'entries'; readonly batchId: string; readonly entries: readonly KeptEntry[] }
  | { readonly kind: 'batch'; readonly batchId: string }
  | { readonly kind: 'soup'; readonly soupId: string }
  | { readonly kind: 'plan'; readonly planId: string }
  | { readonly kind: 'kitchen' }
  | { readonly kind: 'larder' };

export type Listener = (change: Change) => void;

/** Passes changes on to every open stream. */
export class Hub {
  private readonly listeners = new Set<Listener>();

  tell(change: Change): void {
    for (const listener of this.listeners) listener(change);
  }

  /** @returns what to call to stop listening. */
  listen(listener: Listener): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }
}
