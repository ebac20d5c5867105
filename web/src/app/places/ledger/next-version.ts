import { ChangeDetectionStrategy, Component, computed, inject, input, resource } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { LEAST_AGAIN } from '@tureen/core/batch';
import { namer } from '@tureen/core/messages';
import { Kitchen } from '../../services/kitchen';
import { Soups } from '../../services/soups';
import { TakeOver, type Offer } from './take-over';
import { writeBackWords } from './write-back-words';

/** What was done otherwise than a soup's card says in most of its last batches, to be taken over at once. */
@Component({
  selector: 'tt-next-version',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [TakeOver],
  template: `
    <h2>Again and again</h2>
    @if (again.isLoading()) {
      <p role="status" class="soft">Fetching the last batches…</p>
    } @else if (refused(); as sentence) {
      <p class="caution" role="alert">{{ sentence }}</p>
    } @else if (offers().length === 0) {
      <p class="soft">{{ none() }}</p>
    } @else {
      <p class="soft">Done otherwise than the card says in most of the last batches. Written in, the next plan knows it.</p>
      <tt-take-over [offers]="offers()" [soupId]="soupId()" [note]="note()" />
    }
  `,
  styles: `
    :host {
      display: block;
      max-width: 760px;
      margin-top: 28px;
    }
  `,
})
export class NextVersion {
  private readonly soups = inject(Soups);
  private readonly rows = toSignal(inject(Kitchen).rows$, { initialValue: [] });
  private readonly kitchen = toSignal(inject(Kitchen).kitchen$);
  readonly soupId = input.required<string>();

  protected readonly again = resource({ params: () => this.soupId(), loader: ({ params }) => this.soups.again(params) });
  private readonly answer = computed(() => {
    const reply = this.again.hasValue() ? this.again.value() : undefined;
    return reply?.ok === true ? reply.value : undefined;
  });
  protected readonly refused = computed(() => {
    const reply = this.again.hasValue() ? this.again.value() : undefined;
    return reply === undefined || reply.ok ? undefined : reply.refusal.sentence;
  });

  protected readonly offers = computed((): Offer[] => {
    const answer = this.answer();
    if (answer === undefined) return [];
    const { soup, again } = answer;
    // What was brought in is no line of the card yet.
    const brought = again.flatMap(({ item }) => (item.what === 'brought' ? [{ id: item.line, ingredient: item.ingredient }] : []));
    const swapped = new Map(again.flatMap(({ item }) => (item.what === 'swapped' ? [[item.line, item.is] as const] : [])));
    const lines = [...soup.lines.map((line) => ({ ...line, ingredient: swapped.get(line.id) ?? line.ingredient })), ...brought];
    const nameOf = namer({ ...soup, lines: lines as typeof soup.lines }, this.rows());
    const kitchen = this.kitchen();
    const units = (kitchen?.ok === true ? kitchen.value.kit?.units : undefined) ?? 'metric';
    return again.map(({ item, times, of }) => ({
      item,
      text: writeBackWords(item, soup, nameOf, units),
      beside: `in ${String(times)} of ${String(of)}`,
    }));
  });
  protected readonly note = computed(() => `as done again and again in ${String(this.answer()?.batchIds.length ?? 0)} batches`);
  protected readonly none = computed(() => {
    const looked = this.answer()?.batchIds.length ?? 0;
    return looked < LEAST_AGAIN
      ? `Of ${looked === 1 ? 'one closed batch' : `${String(looked)} closed batches`} nothing can be said yet: from ${String(LEAST_AGAIN)} on it can.`
      : `In the last ${String(looked)} batches nothing was done otherwise than the card says more often than not.`;
  });
}
