import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { takenOver, type WriteBack } from '@tureen/core/batch';
import { NzCheckboxModule } from 'ng-zorro-antd/checkbox';
import { Soups } from '../../services/soups';

/** A difference from the card that may be taken over, and how it reads. */
export interface Offer {
  readonly item: WriteBack;
  readonly text: string;
  /** What it rests on: "in 4 of 5". */
  readonly beside?: string;
}

/** Differences from a card, item by item: what is ticked becomes the soup's next version. */
@Component({
  selector: 'tt-take-over',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzCheckboxModule, RouterLink],
  template: `
    @if (saved(); as version) {
      <p role="status">Saved as version {{ version }}. <a class="press" [routerLink]="['/shelf', soupId()]">See the card</a></p>
    } @else {
      <ul>
        @for (offer of offers(); track offer.item.key) {
          <li>
            <!-- eslint-disable-next-line @angular-eslint/template/label-has-associated-control -- NG-ZORRO puts the input inside -->
            <label nz-checkbox [nzChecked]="ticked().has(offer.item.key)" (nzCheckedChange)="tick(offer.item.key, $event)"
              >{{ offer.text }}
              @if (offer.beside) {
                <span class="soft">{{ offer.beside }}</span>
              }
            </label>
          </li>
        }
      </ul>
      <p>
        <button type="button" class="press main" [disabled]="ticked().size === 0 || saving()" (click)="save()">
          Save as a new version
        </button>
      </p>
      @if (trouble() !== '') {
        <p class="caution" role="alert">{{ trouble() }}</p>
      }
    }
  `,
  styles: `
    ul {
      display: grid;
      gap: 4px;
      margin: 8px 0 14px;
    }
    label {
      display: flex;
      align-items: center;
      min-height: 48px;
      font-size: 18px;
    }
    .soft {
      margin-left: 8px;
    }
  `,
})
export class TakeOver {
  private readonly soups = inject(Soups);
  readonly offers = input.required<readonly Offer[]>();
  readonly soupId = input.required<string>();
  /** What the version is saved with. */
  readonly note = input.required<string>();
  protected readonly saving = signal(false);
  protected readonly trouble = signal('');
  /** What is offered, as one text: what is ticked stays while that is the same. */
  private readonly offered = computed(() => [this.soupId(), ...this.offers().map(({ item }) => item.key)].join());
  protected readonly saved = linkedSignal({ source: this.soupId, computation: (): number | undefined => undefined });
  /** What is ticked; nothing is taken over unasked. */
  protected readonly ticked = linkedSignal({ source: this.offered, computation: (): ReadonlySet<string> => new Set<string>() });

  protected tick(key: string, on: boolean): void {
    const next = new Set(this.ticked());
    if (on) next.add(key);
    else next.delete(key);
    this.ticked.set(next);
  }

  /** Takes what is ticked over into the newest version, which may be younger than the one that was cooked. */
  protected async save(): Promise<void> {
    this.saving.set(true);
    const newest = await this.soups.one(this.soupId());
    if (!newest.ok) {
      this.trouble.set(newest.refusal.sentence);
      this.saving.set(false);
      return;
    }
    const chosen = this.offers().flatMap(({ item }) => (this.ticked().has(item.key) ? [item] : []));
    const answer = await this.soups.save(takenOver(newest.value.soup, chosen), newest.value.version, this.note());
    this.saving.set(false);
    this.trouble.set(answer.ok ? '' : answer.refusal.sentence);
    if (answer.ok) this.saved.set(answer.value.version);
  }
}
