import { DecimalPipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, output, resource, signal } from '@angular/core';
import type { StoredEntry } from '@tureen/core/batch';
import { noticeWords } from '@tureen/core/messages';
import { Cooking } from '../../cooking/cooking';
import { newId } from '../../services/device';
import { actionText } from '../action-text';
import { timeOfDay } from '../figures';
import { effectBetween } from './effect';
import { Hand } from './hand';
import { Sheet } from './sheet';

/** Entries that are listed at a time. */
const AT_ONCE = 100;

/** Everything entered, the newest first. Any of it can be taken back, with what that does shown before it is done. */
@Component({
  selector: 'tt-record-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DecimalPipe, Sheet],
  template: `<tt-sheet title="What was entered" [width]="760" (closed)="closed.emit()">
    <ol class="entries">
      @for (one of entries(); track one.id) {
        <li [class.asked]="asked()?.id === one.id">
          <span class="soft">{{ one.time }}</span>
          <span
            >{{ one.text }} <span class="soft">{{ one.who }}{{ one.flags }}</span></span
          >
          <button type="button" class="press" (click)="asked.set(one.entry)" [attr.aria-label]="'Take back: ' + one.text">
            Take back
          </button>
          @if (asked()?.id === one.id) {
            <p class="effect" role="status">
              Without it: {{ effect.value() ?? 'working it out…' }}
              <button type="button" class="press main" (click)="takeBack(one.entry)">Take it back</button>
              <button type="button" class="press" (click)="asked.set(undefined)">Keep it</button>
            </p>
          }
        </li>
      } @empty {
        <li>Nothing has been entered yet.</li>
      }
    </ol>
    @if (toFetch(); as total) {
      <p role="status" class="soft">Fetching all {{ total | number }} entries…</p>
    } @else if (older() > 0) {
      <p>
        <button type="button" class="press" (click)="showOlder()">{{ older() }} older</button>
      </p>
    }
  </tt-sheet>`,
  styles: `
    .entries {
      display: grid;
      gap: 4px;
      max-height: 60vh;
      overflow: auto;
    }
    li {
      display: grid;
      grid-template-columns: 56px 1fr auto;
      align-items: center;
      gap: 4px 12px;
      padding: 4px 0;
      border-bottom: 1px solid var(--hairline);
    }
    .effect {
      display: flex;
      flex-wrap: wrap;
      grid-column: 1 / -1;
      align-items: center;
      gap: 10px;
      font-weight: 650;
    }
    .press {
      min-height: 56px;
    }
  `,
})
export class RecordSheet {
  private readonly hand = inject(Hand);
  private readonly cooking = inject(Cooking);
  readonly closed = output();
  protected readonly asked = signal<StoredEntry | undefined>(undefined);
  /** The newest so many; older ones when they are asked for. */
  private readonly shown = signal(AT_ONCE);
  /** How many a long batch has, until all of them are here one by one. */
  protected readonly toFetch = computed(() => this.hand.open()?.short?.total);
  protected readonly older = computed(() => Math.max(0, this.hand.counted().length - this.shown()));
  protected readonly entries = computed(() => {
    const view = this.hand.view();
    const open = this.hand.open();
    if (view === undefined || open === undefined) return [];
    const early = new Set(view.early);
    const belowTare = new Set(view.belowTare);
    const told = new Map(view.changes.notices.map((one) => [one.entryId, noticeWords(one)]));
    return this.hand
      .counted()
      .filter(({ together }) => together === undefined)
      .slice(0, this.shown())
      .map((entry) => ({
        id: entry.id,
        entry,
        time: timeOfDay(entry.atMs),
        text: actionText(entry.action, view.soup, this.hand.nameOf(), this.hand.units()),
        who: entry.who,
        flags: [
          ...(open.unsentIds.has(entry.id) ? ['not sent yet'] : []),
          ...(early.has(entry.id) ? ['its step has not begun'] : []),
          ...(belowTare.has(entry.id) ? ['less than the empty pot, not used'] : []),
          ...[told.get(entry.id)].filter((words) => words !== undefined),
        ]
          .map((flag) => ` · ${flag}`)
          .join(''),
      }));
  });
  protected readonly effect = resource({
    params: () => {
      const open = this.hand.open();
      const view = this.hand.view();
      const entry = this.asked();
      return open === undefined || view === undefined || entry === undefined ? undefined : { open, view, entry };
    },
    loader: async ({ params: { open, view, entry } }) => {
      const counter = open.entries.reduce((most, { stamp }) => Math.max(most, stamp.counter), 0) + 1;
      const undo: StoredEntry = {
        ...entry,
        id: newId(),
        arrival: undefined,
        stamp: { counter, device: 'asked', seq: 1 },
        action: { kind: 'undone', target: entry.id },
      };
      const without = await this.cooking.batchWith(open, [undo]);
      const text = effectBetween(view, without, this.hand.units());
      return text === '' ? 'no figure changes.' : text;
    },
  });

  constructor() {
    this.hand.needWhole();
  }

  protected showOlder(): void {
    this.shown.update((count) => count + AT_ONCE);
  }

  protected takeBack(entry: StoredEntry): void {
    this.asked.set(undefined);
    this.hand.takeBack(entry);
  }
}
