import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, linkedSignal } from '@angular/core';
import { Photos, photoUrl } from '../services/photos';

/** The cook's own picture of a step; says so where this kitchen does not have it. */
@Component({
  selector: 'tt-photo',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `@if (missing()) {
      <span class="soft">Its photo is not in this kitchen, or not sent yet.</span>
    } @else {
      <a [href]="url()" target="_blank" rel="noopener" [attr.aria-label]="'Photo of ' + of() + ', whole'">
        <img [src]="url()" [alt]="'Photo of ' + of()" loading="lazy" (error)="look()" />
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
  private readonly photos = inject(Photos);
  /** Where it is found in this browser while the server has not got it. */
  private readonly here = linkedSignal<string, string | undefined>({ source: this.photo, computation: () => undefined });
  protected readonly url = computed(() => this.here() ?? photoUrl(this.photo()));
  protected readonly missing = linkedSignal({ source: this.photo, computation: () => false });

  constructor() {
    inject(DestroyRef).onDestroy(() => {
      this.forget();
    });
  }

  /** What the server can't show may still wait here to be sent. */
  protected async look(): Promise<void> {
    const blob = this.here() === undefined ? await this.photos.unsent(this.photo()) : undefined;
    this.forget();
    if (blob === undefined) this.missing.set(true);
    else this.here.set(URL.createObjectURL(blob));
  }

  private forget(): void {
    const here = this.here();
    if (here !== undefined) URL.revokeObjectURL(here);
  }
}
