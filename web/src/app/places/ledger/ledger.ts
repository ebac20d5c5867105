import { ChangeDetectionStrategy, Component, computed, ElementRef, inject, linkedSignal, signal, viewChild } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { toLedgerCsv } from '@tureen/core/formats';
import { NzTableModule } from 'ng-zorro-antd/table';
import { debounceTime, switchMap } from 'rxjs';
import { Choice } from '../../parts/choice';
import { Batches, type BatchList, type BatchSearch } from '../../services/batches';
import { Clock } from '../../services/clock';
import { Kitchen } from '../../services/kitchen';
import { day, mass } from '../figures';
import { LearnedFigures } from '../../services/learned';
import { onKeys } from '../../shell/keys';
import { saveAs } from '../save-as';
import { LedgerTabs } from './ledger-tabs';
import { APARTS, WITHIN, searchOf } from './search';

/** Typing is over when nothing came for so long. */
const TYPED_MS = 200;

/** What was really made: cooked yield beside the planned one. */
@Component({
  selector: 'tt-ledger',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice, LedgerTabs, NzTableModule, RouterLink],
  templateUrl: './ledger.html',
  styleUrl: './ledger.less',
})
export class Ledger {
  private readonly batches = inject(Batches);
  private readonly clock = inject(Clock);
  private readonly field = viewChild<ElementRef<HTMLInputElement>>('find');
  protected readonly words = signal('');
  protected readonly apart = signal('all');
  protected readonly within = signal('any');
  protected readonly aparts = APARTS;
  protected readonly withins = WITHIN;
  private readonly typed = toSignal(toObservable(this.words).pipe(debounceTime(TYPED_MS)), { initialValue: '' });
  private readonly search = computed((): BatchSearch => searchOf(this.typed(), this.within(), this.apart(), this.clock.now()), {
    equal: (a, b) => JSON.stringify(a) === JSON.stringify(b),
  });
  protected readonly isSearching = computed(() => this.words() !== '' || this.apart() !== 'all' || this.within() !== 'any');
  private readonly answer = toSignal(toObservable(this.search).pipe(switchMap((find) => this.batches.found$(find))));
  /** What was asked for beyond the newest. */
  private readonly older = linkedSignal<BatchSearch, readonly BatchList[]>({ source: () => this.search(), computation: () => [] });
  protected readonly fetching = signal(false);
  protected readonly olderTrouble = signal('');
  private readonly learned = toSignal(inject(LearnedFigures).learned$);
  private readonly kitchen = toSignal(inject(Kitchen).kitchen$);
  private readonly units = computed(() => {
    const kitchen = this.kitchen();
    return kitchen?.ok === true ? (kitchen.value.kit?.units ?? 'metric') : 'metric';
  });
  protected readonly trouble = computed(() => {
    const answer = this.answer();
    return answer?.ok === false ? answer.refusal.sentence : undefined;
  });
  /** Batches that are so unlike the others that they wait for a word. */
  private readonly waiting = computed(() => {
    const answer = this.learned();
    return new Set(answer?.ok === true ? answer.value.batches.filter(({ waits }) => waits).map(({ batchId }) => batchId) : []);
  });
  protected readonly rows = computed(() => {
    const answer = this.answer();
    if (answer?.ok !== true) return undefined;
    const newest = answer.value.batches;
    const known = new Set(newest.map(({ id }) => id));
    const all = [...newest, ...this.older().flatMap((list) => list.batches.filter(({ id }) => !known.has(id)))];
    return all.map((batch) => {
      const closed = batch.closedFigures;
      const cooked = closed?.actual.cookedKg;
      const planned = batch.planned.cookedKg;
      return {
        id: batch.id,
        day: day(batch.startedAtMs),
        name: batch.soupName,
        version: batch.version,
        bowls: closed?.dishedBowls ?? undefined,
        asked: batch.request.bowls,
        planned: mass(planned, this.units()),
        cooked: cooked === undefined ? undefined : mass(cooked, this.units()),
        apart: cooked === undefined ? '' : this.signed(cooked - planned),
        salt: closed === null ? '' : `${closed.actual.saltPct.toFixed(2)} %`,
        late: batch.lateEntries,
        waits: this.waiting().has(batch.id),
      };
    });
  });

  /** Where older batches begin; null when all are shown. */
  protected readonly more = computed(() => {
    const last = this.older().at(-1);
    const answer = this.answer();
    return last === undefined ? (answer?.ok === true ? answer.value.next : null) : last.next;
  });

  constructor() {
    onKeys({
      '/': () => {
        this.field()?.nativeElement.focus();
      },
    });
  }

  protected async showOlder(): Promise<void> {
    const from = this.more();
    if (from === null || this.fetching()) return;
    this.fetching.set(true);
    const asked = this.search();
    const answer = await this.batches.list(from, asked);
    this.fetching.set(false);
    if (asked !== this.search()) return;
    this.olderTrouble.set(answer.ok ? '' : answer.refusal.sentence);
    if (answer.ok) this.older.update((lists) => [...lists, answer.value]);
  }

  protected text(event: Event): string {
    return (event.target as HTMLInputElement).value;
  }

  protected all(): void {
    this.words.set('');
    this.apart.set('all');
    this.within.set('any');
  }

  /** What is listed, for a spreadsheet. */
  protected save(): void {
    const answer = this.answer();
    if (answer?.ok !== true) return;
    const newest = answer.value.batches;
    const known = new Set(newest.map(({ id }) => id));
    const all = [...newest, ...this.older().flatMap((list) => list.batches.filter(({ id }) => !known.has(id)))];
    saveAs('ledger.csv', 'text/csv', toLedgerCsv(all));
  }

  private signed(kg: number): string {
    const text = mass(kg, this.units());
    return kg > 0 ? `+${text}` : text;
  }
}
