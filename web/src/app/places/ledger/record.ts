import { DecimalPipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { toBatchFile } from '@tureen/core/formats';
import { compareEntries, isRemark } from '@tureen/core/batch';
import { noticeWords } from '@tureen/core/messages';
import { Figure } from '../../parts/why/figure';
import { InKitchensPanel } from '../../parts/kitchens/in-kitchens';
import { RibbonPicture } from '../../parts/ribbon/ribbon';
import { Batches } from '../../services/batches';
import { actionText } from '../action-text';
import { day, factRows, mass, money, timeOfDay } from '../figures';
import { saveAs } from '../save-as';
import { AddsUp } from './adds-up';
import { WriteBackList } from './write-back';
import { watchBatch } from '../watched-batch';

/** Entries that are listed at a time. */
const AT_ONCE = 200;

/** One batch as it was: plan beside what was done, what each bowl held, and every entry. */
@Component({
  selector: 'tt-record',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AddsUp, DecimalPipe, Figure, InKitchensPanel, RibbonPicture, RouterLink, WriteBackList],
  templateUrl: './record.html',
  styleUrl: './record.less',
})
export class Record {
  readonly batchId = input.required<string>();

  private readonly batches = inject(Batches);
  private readonly watched = watchBatch(this.batchId);
  protected readonly trouble = this.watched.trouble;
  protected readonly view = this.watched.view;
  protected readonly units = this.watched.units;
  protected readonly nameOf = this.watched.nameOf;
  protected readonly asked = this.watched.asked;
  protected readonly opened = this.watched.open;
  protected readonly ribbon = this.watched.drawn({ height: 190 });
  protected readonly batch = computed(() => this.watched.open()?.batch);
  protected readonly when = computed(() => {
    const batch = this.batch();
    return batch === undefined
      ? ''
      : `${day(batch.startedAtMs)}, from ${timeOfDay(batch.startedAtMs)}${batch.closedAtMs === null ? '' : ` to ${timeOfDay(batch.closedAtMs)}`}`;
  });
  /** Closed figures as they were stored; those of a batch still open as they stand. */
  protected readonly yields = computed(() => {
    const view = this.view();
    const batch = this.batch();
    if (view === undefined || batch === undefined) return [];
    const actual = batch.closedFigures?.actual ?? view.forecast;
    const planned = batch.closedFigures?.planned ?? view.planned;
    const bowls = batch.closedFigures?.dishedBowls ?? view.dishedBowls;
    return [
      { name: 'cooked yield', planned: mass(planned.cookedKg, this.units()), actual: mass(actual.cookedKg, this.units()) },
      { name: 'into bowls', planned: mass(planned.servedKg, this.units()), actual: mass(actual.servedKg, this.units()) },
      { name: 'bowls by weight', planned: planned.bowls.toFixed(0), actual: actual.bowls.toFixed(0) },
      { name: 'bowls counted', planned: String(batch.request.bowls), actual: bowls === undefined ? '–' : String(bowls) },
      ...this.elsewhere(),
      { name: 'cost', planned: money(planned.cost, view.kit.currency), actual: money(actual.cost, view.kit.currency) },
      { name: 'salt', planned: `${planned.saltPct.toFixed(2)} %`, actual: `${actual.saltPct.toFixed(2)} %` },
    ];
  });
  /** What left the pot by another door than the counter. */
  private readonly elsewhere = computed(() => {
    const out = this.view()?.output;
    if (out === undefined) return [];
    const rows = [...out.elsewhereKg].map(([word, kg]) => ({ name: word, planned: '–', actual: mass(kg, this.units()) }));
    return out.storedKg > 0 ? [...rows, { name: 'to the cold', planned: '–', actual: mass(out.storedKg, this.units()) }] : rows;
  });
  protected readonly facts = computed(() => {
    const facts = (this.batch()?.closedFigures?.actual ?? this.view()?.forecast)?.facts;
    return facts === undefined ? [] : factRows(facts);
  });
  /** How many entries a long batch has, until all of them are wanted. */
  protected readonly toFetch = computed(() => this.watched.open()?.short?.total);
  protected readonly isFetching = signal(false);

  /** All entries of a long batch one by one: to be read, checked, cooked again or taken along. */
  protected fetchAll(): void {
    const open = this.watched.open();
    if (open === undefined) return;
    this.isFetching.set(true);
    this.batches.needWhole(open.batch.id);
  }

  private readonly listed = computed(() =>
    [...(this.toFetch() === undefined ? (this.watched.open()?.entries ?? []) : [])]
      .sort(compareEntries)
      .filter(({ action }) => action.kind !== 'undone'),
  );
  /** The first so many; later ones when they are asked for. */
  private readonly shown = signal(AT_ONCE);
  protected readonly later = computed(() => Math.max(0, this.listed().length - this.shown()));

  protected readonly cookAgain = signal(false);
  /** What was entered, to be done again in other kitchens, once that is asked for. */
  protected readonly kitchens = computed(() => {
    const open = this.watched.open();
    return open === undefined || open.short !== undefined || !this.cookAgain()
      ? undefined
      : { plan: open.snapshot, entries: open.entries };
  });

  protected runAgain(): void {
    this.cookAgain.set(true);
    if (this.toFetch() !== undefined) this.fetchAll();
  }

  /** The batch with all that it was computed from, for another kitchen or the command line. */
  protected async save(): Promise<void> {
    const open = this.watched.open();
    if (open === undefined) return;
    const { id, soupName, startedAtMs } = open.batch;
    const all = open.short === undefined ? open.entries : await this.batches.allEntries(id);
    if (all === undefined) {
      this.saveTrouble.set('All its entries are needed for that, and the server does not answer. Try again once it does.');
      return;
    }
    this.saveTrouble.set('');
    const text = toBatchFile({ id, soupName, startedAtMs, snapshot: open.snapshot, entries: all });
    saveAs(`${soupName}, ${day(startedAtMs)}.json`, 'application/json', text);
  }

  protected readonly saveTrouble = signal('');

  /** What is being said of it; it stays until it is entered. */
  protected readonly remark = signal('');

  protected typed({ target }: Event): void {
    if (target instanceof HTMLInputElement) this.remark.set(target.value);
  }

  /** A note on the batch, today or a month behind: it moves no figure. */
  protected async say(event: Event): Promise<void> {
    event.preventDefault();
    const open = this.watched.open();
    const text = this.remark().trim();
    if (open === undefined || text === '') return;
    await this.batches.enter(open, { kind: 'note', text });
    this.remark.set('');
  }

  protected async takeBack(id: string): Promise<void> {
    const open = this.watched.open();
    if (open !== undefined) await this.batches.enter(open, { kind: 'undone', target: id });
  }

  protected showLater(): void {
    this.shown.update((count) => count + AT_ONCE);
  }

  protected readonly entries = computed(() => {
    const open = this.watched.open();
    const view = this.view();
    if (open === undefined || view === undefined) return [];
    const undone = new Set(view.undone);
    const corrected = new Set(view.corrected);
    const late = new Set(view.late);
    const told = new Map(view.changes.notices.map((one) => [one.entryId, noticeWords(one)]));
    return this.listed()
      .slice(0, this.shown())
      .map((entry) => ({
        id: entry.id,
        time: day(entry.atMs) === day(open.batch.startedAtMs) ? timeOfDay(entry.atMs) : day(entry.atMs),
        who: entry.who,
        text: actionText(entry.action, view.soup, this.nameOf(), this.units()),
        undone: undone.has(entry.id),
        corrected: corrected.has(entry.id),
        late: late.has(entry.id),
        told: told.get(entry.id) ?? '',
        isRemark: isRemark(entry.action) && !undone.has(entry.id),
      }));
  });
}
