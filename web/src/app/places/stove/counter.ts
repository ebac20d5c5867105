import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { unplannedOf } from '../unplanned';
import { watchBatch } from '../watched-batch';
import { ShareCards } from '../share-cards';
import { onKeys } from '../../shell/keys';

/** For whoever stands at the counter: what is in it, per share, as it is really being cooked. On screen and on paper. */
@Component({
  selector: 'tt-counter',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink, ShareCards],
  template: `<main class="place">
    @if (watched.trouble(); as text) {
      <p class="caution" role="alert">{{ text }}</p>
    } @else if (watched.view(); as batch) {
      <header class="head-line">
        <h1 class="soup-name">{{ batch.soup.name }}</h1>
        <span class="soft">as it is being cooked now</span>
        <span class="right">
          <button type="button" class="press" (click)="print()">Print <span class="key" aria-hidden="true">P</span></button>
          <a class="press main" [routerLink]="['/stove', batchId()]">To the stove</a>
        </span>
      </header>
      @if (changed() !== '') {
        <p class="unplanned" role="status">Not as on the card: {{ changed() }}.</p>
      }
      <p class="in"><strong>In it:</strong> {{ inIt() }}</p>
      <tt-share-cards [shares]="batch.shares" [units]="watched.units()" [currency]="batch.kit.currency" />
      <p class="soft">
        Allergens as the larder knows them, traces and shared tools not counted. Ask the cook where it matters; local food law comes
        first.
      </p>
    } @else {
      <p role="status" class="soft">Fetching the batch…</p>
    }
  </main>`,
  styles: `
    h1 {
      font-size: 40px;
    }
    .in {
      max-width: 1000px;
      margin: 10px 0 18px;
      font-size: 20px;
    }
    .unplanned {
      margin-top: 10px;
      padding: 8px 14px;
      border: 2px solid var(--saffron-ink);
      border-radius: var(--round);
      font-size: 22px;
      font-weight: 650;
    }
    @media print {
      .right {
        display: none;
      }
    }
  `,
})
export class Counter {
  readonly batchId = input.required<string>();
  protected readonly watched = watchBatch(this.batchId);
  protected readonly inIt = computed(() => {
    const view = this.watched.view();
    if (view === undefined) return '';
    const kg = new Map(view.inKg);
    const toGo = new Map(view.toGoKg);
    const sum = (id: string): number => (kg.get(id) ?? 0) + (toGo.get(id) ?? 0);
    const gone = new Set(view.changes.leftOut);
    const names = [...view.names].filter(([id]) => !gone.has(id) && sum(id) > 0).sort(([a], [b]) => sum(b) - sum(a));
    return [...new Set(names.map(([, name]) => name))].join(', ');
  });
  protected readonly changed = computed(() => {
    const changes = this.watched.view()?.changes;
    return changes === undefined ? '' : unplannedOf(changes, this.watched.nameOf()).join(', ');
  });

  constructor() {
    onKeys({
      p: () => {
        this.print();
      },
    });
  }

  protected print(): void {
    window.print();
  }
}
