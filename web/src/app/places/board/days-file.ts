import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { emptyDay, takeOrders, type Day } from '@tureen/core/board';
import { daysCsv, readDays, refusedOrderSentence, unreadSentence, type OrderRead } from '@tureen/core/formats';
import type { Kit } from '@tureen/core/kit';
import { Days } from '../../services/days';
import { Soups } from '../../services/soups';
import { saveAs } from '../save-as';
import { dateName } from './dates';

const MOST_BYTES = 2_000_000;

/** Orders for one day or many from a CSV, and the day as one. */
@Component({
  selector: 'tt-days-file',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `
    <p class="line">
      <label class="press quiet" for="days-file">Orders from CSV</label>
      <input id="days-file" class="unseen" type="file" accept=".csv,.tsv,text/csv" (change)="bring($event)" />
      @if (day(); as own) {
        @if (own.batches.length > 0) {
          <button type="button" class="press quiet" (click)="save(own)">Save as CSV</button>
        }
      }
    </p>
    @if (said(); as text) {
      <p class="soft" role="status">
        {{ text }}
        @for (one of takenFor(); track one.date) {
          <a [routerLink]="['/board', one.date]">{{ one.name }}</a>
        }
      </p>
    }
    @for (text of refused(); track text) {
      <p class="caution" role="alert">
        <span>{{ text }}</span>
      </p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
    }
    p.soft a {
      margin-left: 8px;
      text-decoration: underline;
    }
  `,
})
export class DaysFile {
  readonly day = input<Day | undefined>();
  readonly kit = input.required<Kit>();
  readonly today = input.required<string>();
  private readonly days = inject(Days);
  private readonly shelf = toSignal(inject(Soups).shelf$);
  protected readonly said = signal('');
  /** Days that orders were taken for. */
  protected readonly takenFor = signal<readonly { readonly date: string; readonly name: string }[]>([]);
  protected readonly refused = signal<readonly string[]>([]);

  private soups(): readonly { readonly id: string; readonly name: string; readonly bowlG: number }[] {
    const answer = this.shelf();
    return answer?.ok === true ? answer.value.soups.filter(({ retired }) => !retired) : [];
  }

  protected save(day: Day): void {
    const names = new Map(this.soups().map(({ id, name }) => [id, name]));
    saveAs(
      `day ${day.date}.csv`,
      'text/csv',
      daysCsv([day], (id) => names.get(id) ?? id),
    );
  }

  protected async bring(event: Event): Promise<void> {
    const box = event.target as HTMLInputElement;
    const file = box.files?.[0];
    box.value = '';
    if (file === undefined) return;
    this.said.set('');
    this.takenFor.set([]);
    if (file.size > MOST_BYTES) this.refused.set([unreadSentence('TOO_BIG', file.name)]);
    else await this.take(await file.text(), file.name);
  }

  /** Takes what can be taken, day by day, and says what was not and why. */
  private async take(text: string, name: string): Promise<void> {
    const read = readDays(text, this.soups());
    if (!read.ok) {
      this.refused.set([unreadSentence(read.code, name)]);
      return;
    }
    const refused = read.refused.map(refusedOrderSentence);
    const past = read.orders.filter(({ date }) => date < this.today());
    for (const { row, date } of past) refused.push(`Row ${String(row)}: ${dateName(date)} is over.`);
    const ahead = read.orders.filter(({ date }) => date >= this.today());
    const dates = [...new Set(ahead.map(({ date }) => date))].sort();
    let soups = 0;
    const taken: string[] = [];
    for (const date of dates) {
      const orders = ahead.filter((order) => order.date === date);
      const trouble = await this.takeFor(date, orders);
      refused.push(...trouble.refused);
      if (!trouble.isKept) continue;
      soups += orders.length - trouble.refused.length;
      taken.push(date);
    }
    this.refused.set(refused);
    const count = soups === 0 ? 'No soup' : soups === 1 ? 'One soup' : `${String(soups)} soups`;
    this.said.set(`${count} taken from ${name}${taken.length === 0 ? '.' : ' for'}`);
    this.takenFor.set(taken.map((date) => ({ date, name: dateName(date, this.today()) })));
  }

  private async takeFor(date: string, orders: readonly OrderRead[]): Promise<{ isKept: boolean; refused: string[] }> {
    const answer = await this.days.once(date);
    if (!answer.ok) return { isKept: false, refused: [answer.refusal.sentence] };
    const { day, changedAtMs } = answer.value;
    const { day: full, tooMany } = takeOrders(day ?? emptyDay(date, this.kit()), orders);
    const saved = await this.days.save(full, changedAtMs);
    if (!saved.ok) return { isKept: false, refused: [saved.refusal.sentence] };
    const names = new Map(this.soups().map(({ id, name }) => [id, name]));
    return {
      isKept: true,
      refused: tooMany.map(({ soupId }) => `${dateName(date)} has no room for ${names.get(soupId) ?? soupId}: it has 24 soups.`),
    };
  }
}
