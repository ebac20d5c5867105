import { inject, Injectable, InjectionToken, type OnDestroy } from '@angular/core';
import type { Change } from '@tureen/server/api';
import { BehaviorSubject, Subject } from 'rxjs';
import { Clock } from './clock';
import { OWN_TIME } from './own-time';
import { keptAs, SERVER_PATH } from './practice-mode';

const CHANNEL = keptAs('tureen-live');
/**
 * After how many milliseconds what is taken for granted: the server pings every 15 s, so after two that did not come the
 * stream is dead; a tab that leads and is silent for longer than that is asleep, and another takes over.
 */
export const LIVE_TIMES = new InjectionToken('LIVE_TIMES', {
  providedIn: 'root',
  factory: () => ({ silentMs: 40_000, asleepMs: 60_000, lookMs: 5000, anewMs: 3000 }),
});

type Message =
  | { readonly kind: 'change'; readonly change: Change }
  | { readonly kind: 'open'; readonly open: boolean; readonly offMs?: number; readonly build?: string | undefined }
  | { readonly kind: 'alive' }
  | { readonly kind: 'asked' };

/** How an event stream is opened. Replaced in specs. */
export const OPEN_STREAM = new InjectionToken<() => EventSource>('OPEN_STREAM', {
  providedIn: 'root',
  factory: () => () => new EventSource(`${SERVER_PATH}/api/stream?ngsw-bypass=true`),
});

/** What the server says first: its clock, and which build of the page it hands out. */
interface Hello {
  readonly nowMs: number;
  readonly build: string | null;
}

/**
 * What happened on other screens. One browser holds one event stream: the tab that has the lock listens and tells the
 * others, newcomers too; when it goes or falls asleep, the next one takes over. A stream that is silent or closed is made
 * anew.
 */
@Injectable({ providedIn: 'root' })
export class Live implements OnDestroy {
  private readonly changes = new Subject<Change>();
  private readonly opened = new BehaviorSubject(false);
  private readonly builds = new BehaviorSubject<string | undefined>(undefined);
  private readonly clock = inject(Clock);
  private readonly ownMs = inject(OWN_TIME);
  private readonly openStream = inject(OPEN_STREAM);
  private readonly times = inject(LIVE_TIMES);
  private readonly channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel(CHANNEL);

  private source: EventSource | undefined;
  private leads = false;
  private heardAtMs = this.ownMs();
  private anew: ReturnType<typeof setTimeout> | undefined;
  private readonly looking: ReturnType<typeof setInterval>;
  private isGone = false;
  private letGo: (() => void) | undefined;
  private last: Extract<Message, { kind: 'open' }> = { kind: 'open', open: false };

  readonly change$ = this.changes.asObservable();
  /** True while the stream is open; a turn to true means that something may have been missed. */
  readonly open$ = this.opened.asObservable();
  /** Which build of the page the server hands out now; undefined until it has said so. */
  readonly build$ = this.builds.asObservable();

  constructor() {
    if (this.channel !== undefined) {
      this.channel.onmessage = ({ data }: MessageEvent<Message>) => {
        if (data.kind !== 'asked') this.take(data);
        else if (this.leads) this.channel?.postMessage(this.last);
      };
      this.channel.postMessage({ kind: 'asked' } satisfies Message);
    }
    this.lead(false);
    this.looking = setInterval(() => {
      this.look();
    }, this.times.lookMs);
  }

  /** Waits for its turn to listen for all tabs, or takes it from one that sleeps. */
  private lead(steal: boolean): void {
    // Not everywhere are there locks; then every tab listens for itself.
    const locks = 'locks' in navigator ? navigator.locks : undefined;
    if (locks === undefined || this.channel === undefined) {
      this.leads = true;
      this.listen();
      return;
    }
    locks
      .request(
        CHANNEL,
        { steal },
        () =>
          new Promise<void>((resolve) => {
            this.letGo = resolve;
            if (this.isGone) {
              resolve();
              return;
            }
            this.leads = true;
            this.listen();
          }),
      )
      .catch(() => {
        // Another tab took the lock: this one is told by it from now on.
        this.leads = false;
        this.source?.close();
        this.source = undefined;
        clearTimeout(this.anew);
        if (!this.isGone) this.lead(false);
      });
  }

  ngOnDestroy(): void {
    this.isGone = true;
    clearInterval(this.looking);
    clearTimeout(this.anew);
    this.source?.close();
    this.channel?.close();
    this.letGo?.();
  }

  /** Looks whether what should be heard is still heard. */
  private look(): void {
    const silentMs = this.ownMs() - this.heardAtMs;
    if (this.leads) {
      if (silentMs > this.times.silentMs) this.lost();
    } else if (silentMs > this.times.asleepMs && document.visibilityState === 'visible') {
      this.heardAtMs = this.ownMs();
      this.take({ kind: 'open', open: false });
      this.lead(true);
    }
  }

  private take(told: Message): void {
    this.heardAtMs = this.ownMs();
    if (told.kind === 'change') this.changes.next(told.change);
    else if (told.kind === 'open') {
      if (told.offMs !== undefined) this.clock.heard(told.offMs);
      if (told.build !== undefined) this.builds.next(told.build);
      this.opened.next(told.open);
    }
  }

  private tell(told: Message): void {
    if (told.kind === 'open') this.last = told;
    this.take(told);
    this.channel?.postMessage(told);
  }

  /** The stream has ended or is silent: everybody is told, and it is opened anew. */
  private lost(): void {
    this.source?.close();
    this.source = undefined;
    if (this.opened.value || this.last.open) this.tell({ kind: 'open', open: false });
    this.heardAtMs = this.ownMs();
    clearTimeout(this.anew);
    this.anew = setTimeout(() => {
      this.listen();
    }, this.times.anewMs);
  }

  private listen(): void {
    const source = this.openStream();
    this.source = source;
    this.heardAtMs = this.ownMs();
    source.addEventListener('hello', ({ data }: MessageEvent<string>) => {
      const { nowMs, build } = JSON.parse(data) as Hello;
      this.tell({ kind: 'open', open: true, offMs: nowMs - this.ownMs(), build: build ?? undefined });
    });
    source.addEventListener('ping', () => {
      this.tell({ kind: 'alive' });
    });
    source.addEventListener('change', ({ data }: MessageEvent<string>) => {
      this.tell({ kind: 'change', change: JSON.parse(data) as Change });
    });
    source.onerror = () => {
      if (source !== this.source) return;
      // A browser tries again by itself unless it was told for good that there is nothing.
      if (source.readyState === EventSource.CLOSED) this.lost();
      else if (this.opened.value) this.tell({ kind: 'open', open: false });
    };
  }
}
