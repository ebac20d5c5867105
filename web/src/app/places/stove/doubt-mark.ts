import { ChangeDetectionStrategy, Component, computed, inject, resource } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { debounceTime, distinctUntilChanged, map } from 'rxjs';
import { Cooking } from '../../cooking/cooking';
import { Reconciling } from '../../cooking/reconciling';
import { Hand } from './hand';

/** Looked at anew when nothing more has been entered for so long, ms. */
const QUIET_MS = 1500;
const READINGS: ReadonlySet<string> = new Set(['weighed', 'dipped', 'body', 'salt', 'corrected', 'undone', 'brought', 'swapped']);

/** A quiet mark at the stove while readings and entries can hardly both be right; it opens what would explain it. */
@Component({
  selector: 'tt-doubt-mark',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `
    @if (isDoubted()) {
      <a class="press quiet" [routerLink]="['/ledger', batchId()]"><span aria-hidden="true">▲</span> Does not add up</a>
    }
  `,
  styles: `
    a {
      color: var(--saffron-ink);
    }
  `,
})
export class DoubtMark {
  private readonly hand = inject(Hand);
  private readonly reconciling = inject(Reconciling);
  private readonly stocked = toSignal(inject(Cooking).stocked$);
  protected readonly batchId = computed(() => this.hand.open()?.batch.id ?? '');

  /** Changes with every entry that says something of what stands in the pot. */
  private readonly key = toSignal(
    toObservable(
      computed(() => {
        const open = this.hand.open();
        // Of a batch that is told shortened, single entries can't be doubted.
        const isWhole = open !== undefined && open.short === undefined;
        const told = isWhole ? open.entries.filter(({ action }) => READINGS.has(action.kind)).length : 0;
        return told === 0 ? '' : `${open?.batch.id ?? ''} ${String(told)}`;
      }),
    ).pipe(
      debounceTime(QUIET_MS),
      distinctUntilChanged(),
      map((key) => (key === '' ? undefined : key)),
    ),
  );

  private readonly found = resource({
    params: () => {
      const rows = this.stocked()?.rows;
      const key = this.key();
      return rows === undefined || key === undefined ? undefined : { key, rows };
    },
    loader: ({ params: { rows } }) => {
      const open = this.hand.open();
      return open === undefined
        ? Promise.resolve(false)
        : this.reconciling.ask.reconcile(open.snapshot, open.entries, rows).then((one) => (one?.suspected.length ?? 0) > 0);
    },
  });
  protected readonly isDoubted = computed(() => this.found.hasValue() && this.found.value());
}
