import { inject, signal, type Signal } from '@angular/core';
import type { Day, MenuCycle } from '@tureen/core/board';
import type { DayAnswer, MenuAnswer } from '@tureen/server/api';
import { map } from 'rxjs';
import type { Reply } from '../../services/api';
import { Days } from '../../services/days';
import { KeptDocument, asStored } from '../../services/kept-document';

/** The day of a date, as it is kept and as it is changed here. To be made where things are injected. */
export class KeptDay extends KeptDocument<Day> {
  constructor(date: Signal<string | undefined>) {
    const days = inject(Days);
    const stored = (answer: Reply<DayAnswer>) => asStored(answer, ({ day }) => day);
    super(date, {
      heard$: (key) => days.day$(key).pipe(map(stored)),
      once: async (key) => stored(await days.once(key)),
      save: async (day, seenMs) => stored(await days.save(day, seenMs)),
      keyOf: (day) => day.date,
    });
  }
}

/** A kitchen has one menu of weeks. */
const ONLY = 'menu';

/** The menu of weeks, as it is kept and as it is changed here. To be made where things are injected. */
export class KeptMenu extends KeptDocument<MenuCycle> {
  constructor() {
    const days = inject(Days);
    const stored = (answer: Reply<MenuAnswer>) => asStored(answer, ({ cycle }) => cycle);
    super(signal(ONLY), {
      heard$: () => days.menu$.pipe(map(stored)),
      once: async () => stored(await days.menu()),
      save: async (cycle, seenMs) => stored(await days.saveMenu(cycle, seenMs)),
      keyOf: () => ONLY,
    });
  }
}
