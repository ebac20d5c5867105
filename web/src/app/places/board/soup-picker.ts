import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import type { OnShelf } from '@tureen/server/api';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { Soups } from '../../services/soups';

/** Bowls of a soup that is put on a day or a menu, until the cook says otherwise. */
export const USUAL_BOWLS = 40;

/** Puts a soup of the shelf on something: a day, a menu. */
@Component({
  selector: 'tt-soup-picker',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, NzSelectModule, RouterLink],
  template: `<label [for]="fieldId()">{{ label() }}</label>
    <nz-select
      [nzId]="fieldId()"
      [nzDisabled]="isFull()"
      nzPlaceHolder="choose a soup"
      [ngModel]="null"
      (ngModelChange)="choose($event)"
    >
      @for (soup of shelf(); track soup.id) {
        <nz-option [nzValue]="soup.id" [nzLabel]="soup.name" />
      }
    </nz-select>
    @if (isEmpty()) {
      <a routerLink="/shelf">The shelf is empty: put a soup on it first</a>
    }`,
  styles: `
    :host {
      display: contents;
    }
    nz-select {
      min-width: 300px;
    }
  `,
})
export class SoupPicker {
  readonly fieldId = input.required<string>();
  readonly label = input.required<string>();
  /** Whether there is no room for one more. */
  readonly isFull = input(false);
  readonly chosen = output<OnShelf>();

  private readonly answer = toSignal(inject(Soups).shelf$);
  protected readonly shelf = computed(() => {
    const answer = this.answer();
    return answer?.ok === true ? answer.value.soups.filter(({ retired }) => !retired) : [];
  });
  protected readonly isEmpty = computed(() => this.answer()?.ok === true && this.shelf().length === 0);

  protected choose(id: string | null): void {
    const soup = this.shelf().find((one) => one.id === id);
    if (soup !== undefined) this.chosen.emit(soup);
  }
}
