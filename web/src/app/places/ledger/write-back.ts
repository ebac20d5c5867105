import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { NameOf } from '@tureen/core/messages';
import type { BatchView } from '../../cooking/batch-view';
import { day } from '../figures';
import { TakeOver, type Offer } from './take-over';
import { writeBackWords } from './write-back-words';

/** The card beside what was done in one batch. */
@Component({
  selector: 'tt-write-back',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [TakeOver],
  template: `
    <h2>Put back into the card</h2>
    @if (offers().length === 0) {
      <p class="soft">Cooked as the card says: nothing to put back.</p>
    } @else {
      <tt-take-over [offers]="offers()" [soupId]="soupId()" [note]="note()" />
    }
  `,
})
export class WriteBackList {
  readonly view = input.required<BatchView>();
  readonly nameOf = input.required<NameOf>();
  readonly soupId = input.required<string>();
  readonly cookedAtMs = input.required<number>();
  protected readonly note = computed(() => `as cooked on ${day(this.cookedAtMs())}`);
  protected readonly offers = computed((): Offer[] => {
    const { soup, kit, writeBack } = this.view();
    return writeBack.map((item) => ({ item, text: writeBackWords(item, soup, this.nameOf(), kit.units) }));
  });
}
