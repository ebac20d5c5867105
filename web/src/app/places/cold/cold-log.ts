import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { writeCsv } from '@tureen/core/formats';
import { dayOf, type ColdStore } from '@tureen/core/kit';
import type { SheetRow } from '@tureen/core/messages';
import { plusDays } from '@tureen/core/stock';
import { NzInputModule } from 'ng-zorro-antd/input';
import { switchMap } from 'rxjs';
import { QuantityField } from '../../parts/quantity-field';
import { Clock } from '../../services/clock';
import { Stock } from '../../services/stock';
import { kitchenZone } from '../../services/zone';
import { saveAs } from '../save-as';
import { FromDevice } from '../stove/from-device';
import { dayWords } from './container-words';
import { heat } from '../../services/units';

const COLDEST_C = -40;
const WARMEST_C = 60;

/** The log that a kitchen is asked for: fridges and freezers, cooling, what was kept hot, heated and thrown away, day by day. */
@Component({
  selector: 'tt-cold-log',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, FromDevice, NzInputModule, QuantityField, RouterLink],
  templateUrl: './cold-log.html',
  styleUrl: './cold-log.less',
})
export class ColdLogPlace {
  protected readonly heat = heat;
  private readonly stock = inject(Stock);
  private readonly clock = inject(Clock);
  protected readonly today = dayOf(this.clock.now(), kitchenZone());
  protected readonly day = signal(this.today);
  private readonly answer = toSignal(toObservable(this.day).pipe(switchMap((day) => this.stock.log$(day))));
  protected readonly coldest = COLDEST_C;
  protected readonly warmest = WARMEST_C;
  protected readonly trouble = computed(() => {
    const answer = this.answer();
    return answer?.ok === false ? answer.refusal.sentence : undefined;
  });
  protected readonly log = computed(() => {
    const answer = this.answer();
    return answer?.ok === true ? answer.value : undefined;
  });
  protected readonly dayName = computed(() =>
    this.day() === this.today ? `today, ${dayWords(this.day())}` : dayWords(this.day()),
  );
  protected readonly sections = computed(() => {
    const bySection = new Map<string, SheetRow[]>();
    for (const row of this.log()?.rows ?? []) bySection.set(row.section, [...(bySection.get(row.section) ?? []), row]);
    return [...bySection].map(([name, rows]) => ({ name, rows }));
  });
  /** Fridges and freezers with how often each is still to be looked at today. */
  protected readonly stores = computed(() =>
    (this.log()?.stores ?? []).map(({ store, checks }) => ({
      store,
      open: checks.filter(({ state }) => state === 'to come' || state === 'missed').length,
    })),
  );
  protected readonly looking = signal<ColdStore | undefined>(undefined);
  protected readonly correcting = signal<SheetRow | undefined>(undefined);
  protected readonly tempC = signal<number | null>(null);
  protected readonly why = signal('');

  protected go(days: number): void {
    this.looking.set(undefined);
    this.correcting.set(undefined);
    this.day.update((day) => plusDays(day, days));
  }

  protected look(store: ColdStore): void {
    this.correcting.set(undefined);
    this.tempC.set(null);
    this.looking.set(this.looking()?.id === store.id ? undefined : store);
  }

  protected correct(row: SheetRow): void {
    this.looking.set(undefined);
    this.tempC.set(null);
    this.why.set('');
    this.correcting.set(row);
  }

  protected async enter(): Promise<void> {
    const store = this.looking();
    const tempC = this.tempC();
    if (store === undefined || tempC === null) return;
    const { id, name, kind } = store;
    this.looking.set(undefined);
    await this.stock.enter({ kind: 'checked', store: { id, name, kind }, tempC });
  }

  protected async enterCorrection(): Promise<void> {
    const row = this.correcting();
    const tempC = this.tempC();
    const store = this.stores().find((one) => one.store.name === row?.what)?.store;
    if (row?.entryId === undefined || store === undefined || tempC === null || this.why().trim() === '') return;
    const { id, name, kind } = store;
    this.correcting.set(undefined);
    await this.stock.enter({
      kind: 'checked',
      store: { id, name, kind },
      tempC,
      corrects: { entryId: row.entryId, why: this.why().trim() },
    });
  }

  protected print(): void {
    window.print();
  }

  protected csv(): void {
    const log = this.log();
    if (log === undefined) return;
    const rows = log.rows.map(({ section, when, what, figure, state, who }) => [log.day, section, when, what, figure, state, who]);
    saveAs(`cold-log-${log.day}.csv`, 'text/csv', writeCsv(['day', 'section', 'when', 'what', 'figure', 'state', 'who'], rows));
  }
}
