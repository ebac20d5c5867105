import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { placeFor, type Kit, type Place } from '@tureen/core/kit';
import type { Soup } from '@tureen/core/soup';
import CURRENCY_OF, { type Countries } from 'country-to-currency';
import { from } from 'rxjs';
import { Kitchen, type ReadyKitchen } from '../../services/kitchen';
import { Soups } from '../../services/soups';
import { COUNTRY_CHOICES, PlaceFields, UNIT_CHOICES } from '../kit/place-fields';

const KITCHENS: readonly { readonly ready: ReadyKitchen; readonly name: string; readonly what: string }[] = [
  { ready: 'home', name: 'A home stove', what: '3 and 8 L pots, two oven trays, a 1.5 L jug' },
  { ready: 'cafe', name: 'A café', what: '12 and 20 L pots, five trays, a 2 L jug' },
  { ready: 'canteen', name: 'A canteen', what: '8 to 98 L pots, six trays, a 4 L jug' },
];

/** An empty application asks for a kitchen, then for a first soup, and nothing else. */
@Component({
  selector: 'tt-first-steps',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [PlaceFields],
  template: `
    @if (kit() === null) {
      <h1>Where do you cook?</h1>
      <p class="soft">It fills the kit: pots, trays, blenders, ladles.</p>
      <p class="here">
        @if (changing()) {
          <tt-place-fields [place]="place()" (changed)="put($event)" />
        } @else {
          <span>{{ says() }}</span>
          <button type="button" class="press" (click)="changing.set(true)">Change</button>
        }
      </p>
      <div class="choices">
        @for (kitchen of kitchens; track kitchen.ready) {
          <button type="button" class="press" (click)="choose(kitchen.ready)">
            <strong>{{ kitchen.name }}</strong> <span class="soft">{{ kitchen.what }}</span>
          </button>
        }
      </div>
    } @else {
      <h1>Put the first soup on the shelf</h1>
      <p class="soft">Take one of these to begin with, or open a soup file of your own.</p>
      <div class="choices">
        @for (soup of examples(); track soup.id) {
          <button type="button" class="press" (click)="take(soup)">
            <span class="soup-name">{{ soup.name }}</span> <span class="soft">{{ soup.note }}</span>
          </button>
        }
      </div>
    }
    @if (trouble(); as text) {
      <p class="caution" role="alert">{{ text }}</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 12px;
      max-width: 860px;
      margin: 30px auto;
    }
    .here {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px 14px;
      font-size: 19px;

      .press {
        flex-direction: row;
        align-items: center;
        min-height: 48px;
        padding: 0 18px;
      }
    }
    h1 {
      font-size: 32px;
    }
    .choices {
      display: grid;
      gap: 12px;
      margin-top: 8px;
    }
    .press {
      flex-direction: column;
      align-items: flex-start;
      gap: 2px;
      padding: 14px 22px;
      text-align: left;
    }
    strong,
    .soup-name {
      font-size: 22px;
    }
    .soft {
      font-weight: 400;
    }
  `,
})
export class FirstSteps {
  private readonly kitchen = inject(Kitchen);
  private readonly soups = inject(Soups);
  readonly kit = input.required<Kit | null>();

  protected readonly kitchens = KITCHENS;
  /** Where the kitchen seems to stand, by this browser's language and clock. */
  protected readonly place = signal<Place>(
    placeFor(navigator.language, Intl.DateTimeFormat().resolvedOptions().timeZone, (region) => CURRENCY_OF[region as Countries]),
  );
  protected readonly changing = signal(false);
  protected readonly says = computed(() => {
    const { country, units, currency, zone } = this.place();
    const spoons = COUNTRY_CHOICES.find(({ value }) => value === (country ?? ''))?.label ?? '';
    return [
      country === undefined ? 'Whose spoons and cups: asked each time' : `${spoons} spoons, cups and names`,
      UNIT_CHOICES.find(({ value }) => value === units)?.label,
      currency === undefined ? 'no currency' : `prices in ${currency}`,
      zone === undefined ? 'days by the server’s clock' : `days by ${zone}`,
    ].join(' · ');
  });
  protected readonly trouble = signal('');
  private readonly offered = toSignal(from(this.soups.examples()));
  protected readonly examples = computed(() => {
    const answer = this.offered();
    return answer?.ok === true ? answer.value.soups : [];
  });

  protected put(change: Partial<Place>): void {
    this.place.update((have) => ({ ...have, ...change }));
  }

  protected async choose(ready: ReadyKitchen): Promise<void> {
    const answer = await this.kitchen.choose(ready, this.place());
    this.trouble.set(answer.ok ? '' : answer.refusal.sentence);
  }

  protected async take(soup: Soup): Promise<void> {
    const answer = await this.soups.save(soup, 0, 'as it ships');
    this.trouble.set(answer.ok ? '' : answer.refusal.sentence);
  }
}
