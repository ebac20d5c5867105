import { computed, inject, Injectable, signal } from '@angular/core';
import type { Answer, Place } from '@tureen/core/draft';
import type { LineReading } from '@tureen/core/amounts';
import type { Soup } from '@tureen/core/soup';
import { Cooking } from '../../cooking/cooking';
import { reuseUnchanged } from '../reuse-unchanged';
import type { EditView, TypedView } from '../../cooking/answers';

/** What is typed in a line and not understood yet: it is kept in its field and marked, and the soup stays as it was. */
export interface Unread {
  readonly text: string;
  readonly reading: LineReading;
}

/** Which way an arrow key moves a thing in cooking order, which it then does instead of scrolling; 0 for any other key. */
export function arrowOf(event: KeyboardEvent): -1 | 0 | 1 {
  const by = /^Arrow(?:Up|Left)$/.test(event.key) ? -1 : /^Arrow(?:Down|Right)$/.test(event.key) ? 1 : 0;
  if (by !== 0) event.preventDefault();
  return by;
}

/** Gives the focus back to what was moved, once it stands at its new place. */
export function refocus(selector: string): void {
  setTimeout(() => document.querySelector<HTMLElement>(selector)?.focus(), REDRAWN_MS);
}

const REDRAWN_MS = 60;

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
  /** The soup that the thread holds, when it is this one: then it need not be sent again. */
  private inThread: Soup | undefined;
  private readonly newest = new Map<string, string>();
  private underWay: Promise<unknown> = Promise.resolve();

  readonly soup = this.current.asReadonly();
  readonly edit = signal<EditView | undefined>(undefined);
  readonly unread = signal<ReadonlyMap<string, Unread>>(new Map());
  readonly assumed = signal<ReadonlyMap<string, readonly string[]>>(new Map());
  readonly canUndo = computed(() => this.past().length > 0);
  readonly canRedo = computed(() => this.future().length > 0);
  /** Where the cook is: the step and the line touched last, and the step that another is being put after. */
  readonly atStep = signal('');
  readonly atLine = signal('');
  readonly addingAfter = signal('');
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
    this.inThread = undefined;
    this.asked += 1;
    const turn = this.asked;
    void this.cooking.calculator.edited(soup).then((edit) => {
      // An answer to an older question is no answer any more.
      if (turn === this.asked) this.take(edit, soup);
    });
  }

  /** What is worked out comes from another thread as a whole new copy: what says the same as before stays what it was. */
  private take({ words, problems, view }: Omit<EditView, 'soup'>, soup: Soup): void {
    const before = this.edit();
    this.inThread = soup;
    this.current.set(soup);
    this.edit.set({
      soup,
      words: reuseUnchanged(before?.words, words),
      problems: reuseUnchanged(before?.problems, problems),
      view: view === undefined ? undefined : { ...view, takes: reuseUnchanged(before?.view?.takes, view.takes) },
    });
  }

  /** A soup as it is after something was typed in it. */
  private typedIn(soup: Soup, { lines, root }: TypedView): Soup {
    const now = new Map(lines.map((line) => [line.id, line]));
    const had = new Set(soup.lines.map(({ id }) => id));
    return {
      ...soup,
      lines: [...soup.lines.map((line) => now.get(line.id) ?? line), ...lines.filter(({ id }) => !had.has(id))],
      root: root === undefined ? soup.root : reuseUnchanged(soup.root, root),
    };
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

  /** One change of the soup as it is now. */
  changed(change: (soup: Soup) => Soup): void {
    const soup = this.current();
    if (soup !== undefined) this.change(change(soup));
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
    if (unread === undefined && !this.unread().has(field)) return;
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
    this.newest.set(lineId, text);
    const typed = this.underWay.then(async () => {
      // What has been typed over meanwhile need not be worked out.
      if (this.newest.get(lineId) === text) await this.typeNow(lineId, text, answer);
    });
    this.underWay = typed;
    return typed;
  }

  /** Sends what was typed, and the soup with it where the thread does not hold it: nobody knows what it holds until it answers. */
  private async ask(soup: Soup, lineId: string | undefined, text: string, at: Place | undefined, answer: Answer | undefined) {
    const given = soup === this.inThread ? undefined : soup;
    this.inThread = undefined;
    this.asked += 1;
    const turn = this.asked;
    const typed = await this.cooking.calculator.typed(given, lineId, text, at, answer);
    if (turn !== this.asked) return undefined;
    if (!typed.ok) this.inThread = soup;
    return typed;
  }

  private async typeNow(lineId: string, text: string, answer?: Answer): Promise<void> {
    const soup = this.current();
    if (soup === undefined) return;
    const typed = await this.ask(soup, lineId, text, undefined, answer);
    if (typed === undefined) return;
    if (!typed.ok) {
      this.mark(lineId, { text, reading: typed.reading });
      return;
    }
    this.mark(lineId, undefined);
    this.assume(lineId, typed.assumed);
    if (this.typing !== lineId) this.push();
    this.typing = lineId;
    this.take(typed.edit, this.typedIn(soup, typed.edit));
  }

  private assume(lineId: string, assumed: readonly string[]): void {
    if ((this.assumed().get(lineId) ?? []).join() === assumed.join()) return;
    this.assumed.update((have) => new Map(have).set(lineId, assumed));
  }

  /** A new line, typed behind a step. @returns whether it was understood and put in. */
  add(stepId: string, text: string, at: Place | undefined, answer?: Answer): Promise<boolean> {
    const added = this.underWay.then(() => this.addNow(stepId, text, at, answer));
    this.underWay = added;
    return added;
  }

  private async addNow(stepId: string, text: string, at: Place | undefined, answer?: Answer): Promise<boolean> {
    const soup = this.current();
    if (soup === undefined || text.trim() === '') return false;
    const field = NEW_LINE + stepId;
    const typed = await this.ask(soup, undefined, text, at, answer);
    if (typed === undefined) return false;
    if (!typed.ok) {
      this.mark(field, { text, reading: typed.reading });
      return false;
    }
    this.mark(field, undefined);
    this.push();
    this.typing = undefined;
    this.take(typed.edit, this.typedIn(soup, typed.edit));
    this.assume(typed.lineId, typed.assumed);
    return true;
  }

  /** What a misspelt food was meant to be, with its kilos. */
  meant(reading: Extract<LineReading, { code: 'UNKNOWN_FOOD' }>, ingredient: string): Promise<Answer | undefined> {
    return this.cooking.calculator.meant(reading.text, reading.name, ingredient);
  }
}
