import { computed, inject, Injectable, signal } from '@angular/core';
import type { Answer, Place } from '@tureen/core/draft';
import type { LineReading } from '@tureen/core/amounts';
import type { Soup } from '@tureen/core/soup';
import { Cooking } from '../../cooking/cooking';
import type { EditView } from '../../cooking/thread';

/** What is typed in a line and not understood yet: it is kept in its field and marked, and the soup stays as it was. */
export interface Unread {
  readonly text: string;
  readonly reading: LineReading;
}

/** Field of a line that is not in the soup yet, by the step that it would follow. */
export const NEW_LINE = 'new:';

/**
 * A soup while it is being changed: every change is a new soup, so that undoing is going back to an old one, without
 * limit. What is typed in one field in one go is one change.
 */
@Injectable()
export class Editing {
  private readonly cooking = inject(Cooking);
  private readonly past = signal<readonly Soup[]>([]);
  private readonly future = signal<readonly Soup[]>([]);
  private readonly current = signal<Soup | undefined>(undefined);
  private typing: string | undefined;
  private asked = 0;
  private underWay: Promise<unknown> = Promise.resolve();

  readonly soup = this.current.asReadonly();
  readonly edit = signal<EditView | undefined>(undefined);
  readonly unread = signal<ReadonlyMap<string, Unread>>(new Map());
  readonly assumed = signal<ReadonlyMap<string, readonly string[]>>(new Map());
  readonly canUndo = computed(() => this.past().length > 0);
  readonly canRedo = computed(() => this.future().length > 0);
  readonly changes = computed(() => this.past().length);

  /** Begins with a soup; what was undone or redone before is forgotten. */
  begin(soup: Soup): void {
    this.past.set([]);
    this.future.set([]);
    this.unread.set(new Map());
    this.assumed.set(new Map());
    this.typing = undefined;
    this.show(soup);
  }

  private show(soup: Soup): void {
    this.current.set(soup);
    this.asked += 1;
    const turn = this.asked;
    void this.cooking.thread.edited(soup).then((edit) => {
      // An answer to an older question is no answer any more.
      if (turn === this.asked) this.edit.set(edit);
    });
  }

  private push(): void {
    const now = this.current();
    if (now !== undefined) this.past.update((list) => [...list, now]);
    this.future.set([]);
  }

  /** One change. */
  change(next: Soup): void {
    if (next === this.current()) return;
    this.push();
    this.typing = undefined;
    this.show(next);
  }

  undo(): void {
    const last = this.past().at(-1);
    const now = this.current();
    if (last === undefined || now === undefined) return;
    this.past.update((list) => list.slice(0, -1));
    this.future.update((list) => [...list, now]);
    this.typing = undefined;
    this.unread.set(new Map());
    this.show(last);
  }

  redo(): void {
    const next = this.future().at(-1);
    const now = this.current();
    if (next === undefined || now === undefined) return;
    this.future.update((list) => list.slice(0, -1));
    this.past.update((list) => [...list, now]);
    this.typing = undefined;
    this.show(next);
  }

  /** The field is left: what is typed next is another change. */
  leave(): void {
    this.typing = undefined;
  }

  private mark(field: string, unread: Unread | undefined): void {
    this.unread.update((have) => {
      const next = new Map(have);
      if (unread === undefined) next.delete(field);
      else next.set(field, unread);
      return next;
    });
  }

  /** Resolves once everything that was typed is in the soup, or marked. */
  async settled(): Promise<void> {
    await this.underWay;
  }

  /** What is typed in the field of a line. An empty one, or one that is not understood, leaves the soup as it was. */
  type(lineId: string, text: string, answer?: Answer): Promise<void> {
    const typed = this.typeNow(lineId, text, answer);
    this.underWay = typed;
    return typed;
  }

  private async typeNow(lineId: string, text: string, answer?: Answer): Promise<void> {
    const soup = this.current();
    if (soup === undefined) return;
    this.asked += 1;
    const turn = this.asked;
    const typed = await this.cooking.thread.typed(soup, lineId, text, undefined, answer);
    if (turn !== this.asked) return;
    if (!typed.ok) {
      this.mark(lineId, { text, reading: typed.reading });
      return;
    }
    this.mark(lineId, undefined);
    this.assumed.update((have) => new Map(have).set(lineId, typed.assumed));
    if (this.typing !== lineId) this.push();
    this.typing = lineId;
    this.current.set(typed.edit.soup);
    this.edit.set(typed.edit);
  }

  /** A new line, typed behind a step. @returns whether it was understood and put in. */
  add(stepId: string, text: string, at: Place | undefined, answer?: Answer): Promise<boolean> {
    const added = this.addNow(stepId, text, at, answer);
    this.underWay = added;
    return added;
  }

  private async addNow(stepId: string, text: string, at: Place | undefined, answer?: Answer): Promise<boolean> {
    const soup = this.current();
    if (soup === undefined || text.trim() === '') return false;
    const field = NEW_LINE + stepId;
    const typed = await this.cooking.thread.typed(soup, undefined, text, at, answer);
    if (!typed.ok) {
      this.mark(field, { text, reading: typed.reading });
      return false;
    }
    this.mark(field, undefined);
    this.push();
    this.typing = undefined;
    this.asked += 1;
    this.current.set(typed.edit.soup);
    this.edit.set(typed.edit);
    this.assumed.update((have) => new Map(have).set(typed.lineId, typed.assumed));
    return true;
  }

  /** What a misspelt food was meant to be, with its kilos. */
  meant(reading: Extract<LineReading, { code: 'UNKNOWN_FOOD' }>, ingredient: string): Promise<Answer | undefined> {
    return this.cooking.thread.meant(reading.text, reading.name, ingredient);
  }
}
