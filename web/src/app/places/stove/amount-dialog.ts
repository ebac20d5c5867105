import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
  type OnDestroy,
  type OnInit,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { NzModalModule } from 'ng-zorro-antd/modal';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { NamedDialog } from '../../parts/named-dialog';
import { NumberField } from '../../parts/number-field';
import { FromDevice } from './from-device';
import { Keys } from '../../shell/keys';
import { rounded } from '../../parts/typed';

/** A dialog is drawn a little after it is asked for. */
const FOCUS_TRIES = 40;
const FOCUS_AGAIN_MS = 25;
const MOST_SIDE_BY_SIDE = 3;

/** A question with one number for its answer. */
export interface AmountQuestion {
  readonly title: string;
  readonly unit: string;
  readonly step: number;
  readonly least?: number;
  readonly most: number;
  readonly start: number;
  readonly lines?: readonly { readonly id: string; readonly name: string }[];
  readonly lineId?: string | undefined;
  readonly starts?: ReadonlyMap<string, number>;
  /** A word on what the figure means, or what was read and when. */
  readonly note?: string;
  /** What one unit of what a device says is in the unit typed here. */
  readonly factor?: number;
  /** What may offer the figure. */
  readonly from?: 'scale' | 'probe';
}

@Component({
  selector: 'tt-amount-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, FromDevice, NamedDialog, NumberField, NzModalModule, NzSelectModule],
  template: `
    <nz-modal
      [nzVisible]="true"
      [nzTitle]="question().title"
      [ttNamed]="question().title"
      [nzFooter]="null"
      [nzWidth]="few() ? 560 : 460"
      [nzAutofocus]="null"
      (nzOnCancel)="cancelled.emit()"
    >
      <form *nzModalContent class="amount" (submit)="$event.preventDefault(); say()">
        @if (few()) {
          <div class="few" role="group" aria-label="what">
            @for (line of question().lines; track line.id) {
              <button type="button" class="press" [attr.aria-pressed]="lineId() === line.id" (click)="choose(line.id)">
                {{ line.name }}
              </button>
            }
          </div>
        } @else if (question().lines; as lines) {
          <label class="unseen" for="amount-line">what</label>
          <nz-select nzId="amount-line" name="line" [ngModel]="lineId()" (ngModelChange)="choose($event)">
            @for (line of lines; track line.id) {
              <nz-option [nzValue]="line.id" [nzLabel]="line.name" />
            }
          </nz-select>
        }
        <div class="row">
          <button type="button" class="press" (click)="nudge(-1)" aria-label="less">−</button>
          <label class="unseen" for="amount">{{ question().unit }}</label>
          <tt-number
            fieldId="amount"
            name="amount"
            [least]="least()"
            [most]="question().most"
            [step]="question().step"
            [unit]="question().unit"
            [(ngModel)]="amount"
          />
          <span class="unit">{{ question().unit }}</span>
          <button type="button" class="press" (click)="nudge(1)" aria-label="more">+</button>
        </div>
        @if (question().from; as kind) {
          <tt-from-device [kind]="kind" [factor]="question().factor ?? 1" [unit]="question().unit" (taken)="amount.set($event)" />
        }
        @if (question().note; as note) {
          <p class="soft">{{ note }}</p>
        }
        <button type="submit" class="press main" [attr.aria-disabled]="!good() || null">
          Enter it <span class="key" aria-hidden="true">Enter</span>
        </button>
      </form>
    </nz-modal>
  `,
  styles: `
    .amount {
      display: grid;
      gap: 16px;
    }
    .few {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
    }
    .few .press {
      flex: 1;
      min-height: 56px;
    }
    .row {
      display: flex;
      align-items: center;
      gap: 12px;
    }
    tt-number {
      flex: 1;
    }
    .unit {
      font-size: 22px;
      font-weight: 700;
    }
  `,
})
export class AmountDialog implements OnInit, OnDestroy {
  private readonly keys = inject(Keys);
  readonly question = input.required<AmountQuestion>();
  readonly answered = output<{ amount: number; lineId: string | undefined }>();
  readonly cancelled = output();

  protected readonly lineId = linkedSignal(() => this.question().lineId);
  /** So few that all can stand there, to be chosen at one touch. */
  protected readonly few = computed(
    () => (this.question().lines?.length ?? 0) <= MOST_SIDE_BY_SIDE && this.question().lines !== undefined,
  );
  protected readonly amount = linkedSignal<number | null>(() => this.question().start);
  protected readonly good = computed(() => {
    const amount = this.amount();
    return amount !== null && Number.isFinite(amount) && amount >= this.least() && amount <= this.question().most;
  });
  protected readonly least = computed(() => this.question().least ?? 0);
  private release: (() => void) | undefined;
  private timer: ReturnType<typeof setTimeout> | undefined;

  ngOnInit(): void {
    this.release = this.keys.hold();
    this.focus();
  }

  ngOnDestroy(): void {
    this.release?.();
    clearTimeout(this.timer);
  }

  /**
   * Puts the caret in the figure as soon as the dialog stands, so that what is typed first replaces it; and again where a
   * sheet that closes at the same time takes the focus back to where it came from.
   */
  private focus(tries = FOCUS_TRIES): void {
    const field = document.getElementById('amount');
    const own = field?.closest('.ant-modal');
    if (field instanceof HTMLInputElement && field.offsetParent !== null && own?.contains(document.activeElement) !== true) {
      field.focus();
      field.select();
    }
    if (tries === 0) return;
    this.timer = setTimeout(() => {
      this.focus(tries - 1);
    }, FOCUS_AGAIN_MS);
  }

  protected choose(id: string): void {
    this.lineId.set(id);
    this.amount.set(this.question().starts?.get(id) ?? 0);
  }

  protected nudge(by: 1 | -1): void {
    const { step, most } = this.question();
    const next = (this.amount() ?? 0) + by * step;
    this.amount.set(Math.min(most, Math.max(this.least(), rounded(next))));
  }

  protected say(): void {
    const amount = this.amount();
    if (amount !== null && this.good()) this.answered.emit({ amount, lineId: this.lineId() });
  }
}
