import type { DeviceState } from './devices/protocol.js';
import type { StoredEntry } from '@tureen/core/batch';

/** What other screens are told. Entries travel whole; for the rest a screen asks again. */
export type Change =
  | { readonly kind: 'entries'; readonly batchId: string; readonly entries: readonly StoredEntry[] }
  | { readonly kind: 'batch'; readonly batchId: string }
  | { readonly kind: 'soup'; readonly soupId: string }
  | { readonly kind: 'plan'; readonly planId: string }
  | { readonly kind: 'supplies' }
  | { readonly kind: 'practice' }
  | { readonly kind: 'day'; readonly date: string }
  | { readonly kind: 'menu' }
  | { readonly kind: 'cold' }
  | { readonly kind: 'shelf' }
  | { readonly kind: 'kitchen' }
  | { readonly kind: 'larder' }
  | { readonly kind: 'device'; readonly device: DeviceState };

export type Listener = (change: Change) => void;

/** Server-sent events, ready to be written. */
export type Sent = (bytes: Uint8Array) => void;

/** Changes of so many milliseconds go out together: a screen can't tell, and fifty of them are written to far less often. */
const TOGETHER_MS = 15;

/** Passes changes on to every open stream. What is written to them is made once, however many there are. */
export class Hub {
  private readonly listeners = new Set<Listener>();
  private readonly streams = new Set<Sent>();
  private readonly encoder = new TextEncoder();
  private pending = '';

  tell(change: Change): void {
    for (const listener of this.listeners) listener(change);
    if (this.streams.size === 0) return;
    if (this.pending === '') {
      setTimeout(() => {
        this.flush();
      }, TOGETHER_MS);
    }
    this.pending += `event: change\ndata: ${JSON.stringify(change)}\n\n`;
  }

  private flush(): void {
    const bytes = this.encoder.encode(this.pending);
    this.pending = '';
    for (const send of this.streams) send(bytes);
  }

  /** Whether anybody listens. */
  get heard(): boolean {
    return this.streams.size > 0;
  }

  /** @returns what to call to stop listening. */
  listen(listener: Listener): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  /** Hands changes to a stream, as events. @returns what to call when it ends. */
  stream(send: Sent): () => void {
    this.streams.add(send);
    return () => this.streams.delete(send);
  }
}
