import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { toLedgerCsv } from '@tureen/core/formats';
import { NzTableModule } from 'ng-zorro-antd/table';
import { Batches, type BatchList } from '../../services/batches';
import { Kitchen } from '../../services/kitchen';
import { day, mass } from '../figures';
import { LearnedFigures } from '../../services/learned';
import { saveAs } from '../save-as';
import { LedgerTabs } from './ledger-tabs';

/** What was really made: cooked yield beside the planned one. */
@Component({
  selector: 'tt-ledger',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [LedgerTabs, NzTableModule, RouterLink],
  templateUrl: './ledger.html',
  styleUrl: './ledger.less',
})
export class Ledger {
  private readonly batches = inject(Batches);
  private readonly answer = toSignal(this.batches.batches$);
  /** What was asked for beyond the newest. */
  private readonly older = signal<readonly BatchList[]>([]);
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
        apart: cooked === undefined ? '' : this.apart(cooked - planned),
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

  protected async showOlder(): Promise<void> {
    const from = this.more();
    if (from === null || this.fetching()) return;
    this.fetching.set(true);
    const answer = await this.batches.list(from);
    this.fetching.set(false);
    this.olderTrouble.set(answer.ok ? '' : answer.refusal.sentence);
    if (answer.ok) this.older.update((lists) => [...lists, answer.value]);
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

  private apart(kg: number): string {
    const text = mass(kg, this.units());
    return kg > 0 ? `+${text}` : text;
  }
}
