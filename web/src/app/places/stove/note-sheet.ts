import { ChangeDetectionStrategy, Component, inject, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Photos } from '../../services/photos';
import { Sheet } from './sheet';

/** A note in the cook's own words, with or without a photo. */
@Component({
  selector: 'tt-note-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, NzInputModule, Sheet],
  template: `<tt-sheet title="A note" (closed)="closed.emit()">
    <form (submit)="$event.preventDefault(); say()">
      <label for="note-text">What should be remembered of this batch?</label>
      <textarea
        id="note-text"
        name="note"
        nz-input
        rows="3"
        maxlength="1000"
        [ngModel]="text()"
        (ngModelChange)="text.set($event)"
      ></textarea>
      <p class="row">
        <label class="press" for="note-photo">{{ photo() === undefined ? 'Add a photo' : 'Photo is in' }}</label>
        <input id="note-photo" class="unseen" type="file" accept="image/*" capture="environment" (change)="take($event)" />
        <button type="submit" class="press main" [attr.aria-disabled]="(text().trim() === '' && photo() === undefined) || null">
          Keep the note
        </button>
      </p>
      @if (trouble() !== '') {
        <p class="caution" role="alert">{{ trouble() }}</p>
      }
    </form>
  </tt-sheet>`,
  styles: `
    textarea {
      width: 100%;
      margin: 8px 0 12px;
      font-size: 20px;
    }
    .row {
      display: flex;
      gap: 12px;
    }
    .press {
      min-height: 56px;
    }
  `,
})
export class NoteSheet {
  private readonly photos = inject(Photos);
  readonly noted = output<{ readonly text: string; readonly photo: string | undefined }>();
  readonly closed = output();
  protected readonly text = signal('');
  protected readonly photo = signal<string | undefined>(undefined);
  protected readonly trouble = signal('');

  protected async take(event: Event): Promise<void> {
    const [file] = (event.target as HTMLInputElement).files ?? [];
    if (file === undefined) return;
    const answer = await this.photos.keep(file);
    this.trouble.set(answer.ok ? '' : answer.refusal.sentence);
    if (answer.ok) this.photo.set(answer.value.id);
  }

  protected say(): void {
    if (this.text().trim() === '' && this.photo() === undefined) return;
    this.noted.emit({ text: this.text().trim(), photo: this.photo() });
  }
}
