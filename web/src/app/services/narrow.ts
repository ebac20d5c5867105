import { BreakpointObserver } from '@angular/cdk/layout';
import { inject, type Signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { map, type Observable } from 'rxjs';

/** Below this a ribbon with its labels can't be read: it folds to a strip. */
const NARROW = '(width < 1100px)';

/** Whether the screen is a narrow one, now and whenever that changes. To be called where things are injected. */
export function narrow$(): Observable<boolean> {
  return inject(BreakpointObserver)
    .observe(NARROW)
    .pipe(map(({ matches }) => matches));
}

/** The same as a signal, for as long as the component that calls this lives. */
export function isNarrow(): Signal<boolean> {
  return toSignal(narrow$(), { requireSync: true });
}
