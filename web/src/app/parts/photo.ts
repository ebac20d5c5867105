import { ChangeDetectionStrategy, Component, computed, input, linkedSignal } from '@angular/core';
import { photoUrl } from '../services/photos';

/** The cook's own picture of a step; says so where this kitchen does not have it. */
@Component({
  selector: 'tt-photo',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `@if (missing()) {
      <span class="soft">Its photo is not in this kitchen.</span>
    } @else {
      <a [href]="url()" target="_blank" rel="noopener" [attr.aria-label]="'Photo of ' + of() + ', whole'">
        <img [src]="url()" [alt]="'Photo of ' + of()" loading="lazy" (error)="missing.set(true)" />
      </a>
    }`,
  styles: `
    :host {
      display: block;
    }
    a {
      display: inline-block;
      border: 2px solid var(--cobalt);
      border-radius: 16px;
      overflow: hidden;
      line-height: 0;
    }
    img {
      max-width: 100%;
      height: var(--photo-height, 120px);
      object-fit: cover;
    }
  `,
})
export class Photo {
  readonly photo = input.required<string>();
  /** What is to be seen on it. */
  readonly of = input.required<string>();
  protected readonly url = computed(() => photoUrl(this.photo()));
  protected readonly missing = linkedSignal({ source: this.photo, computation: () => false });
}
