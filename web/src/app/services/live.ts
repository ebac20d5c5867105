import { inject, Injectable } from '@angular/core';
import type { Change } from '@tureen/server/api';
import { BehaviorSubject, Subject } from 'rxjs';
import { Clock } from './clock';

const CHANNEL = 'tureen-live';
type Told =
  { readonly kind: 'change'; readonly change: Change } | { readonly kind: 'open'; readonly open: boolean; readonly offMs?: number };

/**
 * What happened on other screens. One browser holds one event stream: the tab that has the lock listens and tells the
 * others; when it goes, the next one takes over.
 */
@Injectable({ providedIn: 'root' })
export class Live {
  private readonly changes = new Subject<Change>();
  private readonly opened = new BehaviorSubject(false);
  private readonly clock = inject(Clock);
  private readonly channel = new BroadcastChannel(CHANNEL);

  readonly change$ = this.changes.asObservable();
  /** True while the stream is open; a turn to true means that something may have been missed. */
  readonly open$ = this.opened.asObservable();

  constructor() {
    this.channel.onmessage = ({ data }: MessageEvent<Told>) => {
      this.take(data);
    };
    void navigator.locks.request(
      CHANNEL,
      () =>
        new Promise<never>(() => {
          this.listen();
        }),
    );
  }

  private take(told: Told): void {
    if (told.kind === 'change') this.changes.next(told.change);
    else {
      if (told.offMs !== undefined) this.clock.heard(told.offMs);
      this.opened.next(told.open);
    }
  }

  private tell(told: Told): void {
    this.take(told);
    this.channel.postMessage(told);
  }

  private listen(): void {
    const source = new EventSource('/api/stream?ngsw-bypass=true');
    source.addEventListener('hello', ({ data }: MessageEvent<string>) => {
      const serverMs = Number(data);
      this.tell({ kind: 'open', open: true, ...(serverMs > 0 ? { offMs: serverMs - Date.now() } : {}) });
    });
    source.addEventListener('change', ({ data }: MessageEvent<string>) => {
      this.tell({ kind: 'change', change: JSON.parse(data) as Change });
    });
    source.onerror = () => {
      this.tell({ kind: 'open', open: false });
    };
  }
}
