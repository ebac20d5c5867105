import { DestroyRef, inject, Injectable } from '@angular/core';
import { fromEvent, Subject, type Observable } from 'rxjs';
import { filter } from 'rxjs/operators';

const NOT_TYPED = /^(radio|checkbox|button|submit)$/;

/** True while somebody types: then a letter is a letter. In what is only ticked or chosen nobody types. */
export function isTyping(target: EventTarget | null): boolean {
  if (target instanceof HTMLInputElement) return !NOT_TYPED.test(target.type);
  return target instanceof HTMLElement && (target.isContentEditable || /^(TEXTAREA|SELECT)$/.test(target.tagName));
}

/** True where Enter or Space already presses something. */
function pressesItself(target: EventTarget | null): boolean {
  return target instanceof HTMLElement && /^(BUTTON|A|SUMMARY)$/.test(target.tagName);
}

/** Keys pressed outside of fields and dialogs, as single words: a place's component listens while it is shown. */
@Injectable({ providedIn: 'root' })
export class Keys {
  private readonly pressed = new Subject<KeyboardEvent>();
  readonly key$: Observable<KeyboardEvent> = this.pressed.asObservable();
  private closed = 0;

  constructor() {
    fromEvent<KeyboardEvent>(document, 'keydown')
      .pipe(filter((event) => !event.ctrlKey && !event.metaKey && !event.altKey && !event.repeat && this.closed === 0))
      .subscribe((event) => {
        if (isTyping(event.target)) return;
        if ((event.key === 'Enter' || event.key === ' ') && pressesItself(event.target)) return;
        this.pressed.next(event);
      });
  }

  /** Holds all keys back while a dialog is open. @returns what lets them through again. */
  hold(): () => void {
    this.closed += 1;
    return () => {
      this.closed -= 1;
    };
  }
}

/**
 * Calls a handler for the keys it names, as long as the component that asks is alive and does not say that it is busy.
 * What is opened by one key is drawn a moment later: the next key must not slip past it.
 */
export function onKeys(
  handlers: Readonly<Record<string, (event: KeyboardEvent) => void>>,
  busy: () => boolean = () => false,
): void {
  const subscription = inject(Keys).key$.subscribe((event) => {
    if (busy()) return;
    const handler = handlers[event.key] ?? handlers[event.key.toLowerCase()];
    if (handler === undefined) return;
    event.preventDefault();
    handler(event);
  });
  inject(DestroyRef).onDestroy(() => {
    subscription.unsubscribe();
  });
}
