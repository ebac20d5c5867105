import { deepEqual } from 'fast-equals';
import { computed, linkedSignal, signal, type Signal, type WritableSignal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { filter, map, switchMap, type Observable } from 'rxjs';
import type { Reply } from './api';

/** A document as the server keeps it, and which state of it this is; null where there is none. */
export interface Stored<T> {
  readonly value: T | null;
  readonly changedAtMs: number | null;
}

/** Where documents of one kind are read and kept, each under a key of its own. */
export interface Store<T> {
  /** A document, told again whenever it changes anywhere. */
  readonly heard$: (key: string) => Observable<Reply<Stored<T>>>;
  readonly once: (key: string) => Promise<Reply<Stored<T>>>;
  /** Keeps it unless somebody has changed it since the state that was seen. */
  readonly save: (value: T, seenMs: number | null) => Promise<Reply<Stored<T>>>;
  readonly keyOf: (value: T) => string;
}

/** Which state something was changed from; null where there was none. */
interface Seen {
  readonly ms: number | null;
}

/** An answer of which only the value is taken otherwise. */
export function asStored<A extends { readonly changedAtMs: number | null }, T>(
  answer: Reply<A>,
  valueOf: (answer: A) => T | null,
): Reply<Stored<T>> {
  return answer.ok ? { ok: true, value: { value: valueOf(answer.value), changedAtMs: answer.value.changedAtMs } } : answer;
}

/**
 * A document as the server keeps it, and as it is changed here: what was just changed stands on the screen at once, changes are
 * sent one after the other, and one that was made from an older state than the server's is refused and shown so. To be made
 * where things are injected.
 */
export class KeptDocument<T> {
  /** The last answer, with the key that it is of: for a moment after turning to another it is still the one before's. */
  private readonly heard: Signal<{ readonly key: string; readonly answer: Reply<Stored<T>> } | undefined>;
  private readonly answer = computed(() => {
    const heard = this.heard();
    return heard?.key === this.key() ? heard?.answer : undefined;
  });
  private readonly kept: Signal<Stored<T> | undefined>;
  /** Changes on their way to the server: until they are there, what it says is older than what stands here. */
  private underWay = 0;
  private sending: Promise<unknown> = Promise.resolve();
  /** What the server said to this screen's own last change. */
  private own: Seen & { readonly key: string } = { key: '', ms: null };

  readonly value: WritableSignal<T | undefined>;
  readonly trouble = computed(() => {
    const answer = this.answer();
    return answer?.ok === false ? answer.refusal.sentence : undefined;
  });
  readonly isLoaded = computed(() => this.kept() !== undefined);
  /** Why the last change was not kept. */
  readonly refused = signal('');

  constructor(
    private readonly key: Signal<string | undefined>,
    private readonly store: Store<T>,
  ) {
    this.heard = toSignal(
      toObservable(key).pipe(
        filter((own) => own !== undefined),
        switchMap((own) => this.store.heard$(own).pipe(map((answer) => ({ key: own, answer })))),
      ),
    );
    this.kept = computed(
      () => {
        const answer = this.answer();
        return answer?.ok === true ? answer.value : undefined;
      },
      { equal: deepEqual },
    );
    this.value = linkedSignal<Stored<T> | undefined, T | undefined>({
      source: this.kept,
      computation: (kept, before) =>
        this.underWay > 0 && before?.value !== undefined && this.store.keyOf(before.value) === key()
          ? before.value
          : (kept?.value ?? undefined),
    });
  }

  /** Keeps the document as it now is, for every screen. @returns whether it was kept. */
  change(value: T): Promise<boolean> {
    const key = this.store.keyOf(value);
    // Made on top of a change that is on its way it goes by what that comes to, otherwise by what is seen here now.
    const from = this.underWay > 0 ? undefined : this.seenOf(key);
    this.underWay += 1;
    this.value.set(value);
    this.refused.set('');
    const sent = this.sending.then(() => this.send(value, key, from ?? (this.own.key === key ? this.own : this.seenOf(key))));
    this.sending = sent;
    return sent;
  }

  /** The newer of what the server said last and what it said to this screen's own last change. */
  private seenOf(key: string): Seen {
    const told = this.kept()?.changedAtMs ?? null;
    const own = this.own.key === key ? this.own.ms : null;
    return { ms: told === null || own === null ? (told ?? own) : Math.max(told, own) };
  }

  private async send(value: T, key: string, from: Seen): Promise<boolean> {
    const answer = await this.store.save(value, from.ms);
    this.underWay -= 1;
    if (answer.ok) {
      this.own = { key, ms: answer.value.changedAtMs };
      return true;
    }
    this.refused.set(answer.refusal.sentence);
    if (this.underWay === 0) await this.showAsItIs(key);
    return false;
  }

  /** What was refused is not shown as if it were so. */
  private async showAsItIs(key: string): Promise<void> {
    const answer = await this.store.once(key);
    if (!answer.ok || this.key() !== key) return;
    this.own = { key, ms: answer.value.changedAtMs };
    this.value.set(answer.value.value ?? undefined);
  }
}
