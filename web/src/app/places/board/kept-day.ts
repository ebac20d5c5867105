import { deepEqual } from 'fast-equals';
import { computed, inject, linkedSignal, signal, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { Day } from '@tureen/core/board';
import type { DayAnswer } from '@tureen/server/api';
import { filter, map, switchMap } from 'rxjs';
import { Days } from '../../services/days';

/** Which state of a day something was changed from; null where there was none. */
interface Seen {
  readonly ms: number | null;
}

/**
 * The day of a date as the server keeps it, and as it is changed here: what was just changed stands on the screen at once,
 * changes are sent one after the other, and one that was made from an older state than the server's is refused and shown so.
 * To be made where things are injected.
 */
export class KeptDay {
  private readonly days = inject(Days);
  /** The last answer, with the date that it is of: for a moment after turning to another date it is still the one before's. */
  private readonly heard: Signal<{ readonly date: string; readonly answer: Awaited<ReturnType<Days['once']>> } | undefined>;
  private readonly answer = computed(() => {
    const heard = this.heard();
    return heard?.date === this.date() ? heard?.answer : undefined;
  });
  private readonly kept: Signal<DayAnswer | undefined>;
  /** Changes on their way to the server: until they are there, what it says is older than what stands here. */
  private underWay = 0;
  private sending: Promise<unknown> = Promise.resolve();
  /** What the server said to this screen's own last change. */
  private own: Seen & { readonly date: string } = { date: '', ms: null };

  readonly day;
  readonly trouble = computed(() => {
    const answer = this.answer();
    return answer?.ok === false ? answer.refusal.sentence : undefined;
  });
  readonly isLoaded = computed(() => this.kept() !== undefined);
  /** Why the last change was not kept. */
  readonly refused = signal('');

  constructor(private readonly date: Signal<string | undefined>) {
    this.heard = toSignal(
      toObservable(date).pipe(
        filter((own) => own !== undefined),
        switchMap((own) => this.days.day$(own).pipe(map((answer) => ({ date: own, answer })))),
      ),
    );
    this.kept = computed(
      () => {
        const answer = this.answer();
        return answer?.ok === true ? answer.value : undefined;
      },
      { equal: deepEqual },
    );
    this.day = linkedSignal<DayAnswer | undefined, Day | undefined>({
      source: this.kept,
      computation: (kept, before) =>
        this.underWay > 0 && before?.value !== undefined && before.value.date === date() ? before.value : (kept?.day ?? undefined),
    });
  }

  /** Keeps the day as it now is, for every screen. @returns whether it was kept. */
  change(day: Day): Promise<boolean> {
    // Made on top of a change that is on its way it goes by what that comes to, otherwise by what is seen here now.
    const from = this.underWay > 0 ? undefined : this.seenOf(day.date);
    this.underWay += 1;
    this.day.set(day);
    this.refused.set('');
    const sent = this.sending.then(() => this.send(day, from ?? (this.own.date === day.date ? this.own : this.seenOf(day.date))));
    this.sending = sent;
    return sent;
  }

  /** The newer of what the server said last and what it said to this screen's own last change. */
  private seenOf(date: string): Seen {
    const told = this.kept()?.changedAtMs ?? null;
    const own = this.own.date === date ? this.own.ms : null;
    return { ms: told === null || own === null ? (told ?? own) : Math.max(told, own) };
  }

  private async send(day: Day, from: Seen): Promise<boolean> {
    const answer = await this.days.save(day, from.ms);
    this.underWay -= 1;
    if (answer.ok) {
      this.own = { date: day.date, ms: answer.value.changedAtMs };
      return true;
    }
    this.refused.set(answer.refusal.sentence);
    if (this.underWay === 0) await this.showAsItIs(day.date);
    return false;
  }

  /** What was refused is not shown as if it were so. */
  private async showAsItIs(date: string): Promise<void> {
    const answer = await this.days.once(date);
    if (!answer.ok || this.date() !== date) return;
    this.own = { date, ms: answer.value.changedAtMs };
    this.day.set(answer.value.day ?? undefined);
  }
}
