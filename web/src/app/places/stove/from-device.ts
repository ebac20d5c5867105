import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { ago, Devices, shown } from '../../services/devices';
import { rounded } from '../../parts/typed';
import { fahrenheitOf } from '@tureen/core/units';
import { kitchenUnits } from '../../services/units';

/** A reading offered by a scale or probe that is heard right now; one that is old is named and never used. */
@Component({
  selector: 'tt-from-device',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `@for (one of offered(); track one.id) {
    @if (one.fresh) {
      <button type="button" class="press" (click)="taken.emit(one.value)">
        From {{ one.called }}: <b>{{ one.text }}</b>
        @if (one.kind === 'scale') {
          <span class="soft">{{ one.steady ? 'at rest' : 'not at rest' }}</span>
        }
      </button>
    } @else {
      <p class="caution" role="status">
        The {{ one.name.toLowerCase() }} {{ one.connected ? 'is silent' : 'is gone' }}: its {{ one.text }} of {{ one.ago }} is not
        used. Type the figure, or look at its plug.
      </p>
    }
  }`,
  styles: `
    .press {
      width: 100%;
      min-height: 56px;
    }
  `,
})
export class FromDevice {
  private readonly all = toSignal(inject(Devices).devices$, { initialValue: [] });
  readonly kind = input.required<'scale' | 'probe'>();
  /** What one unit of the device is in the unit wanted, and what that is called. */
  readonly factor = input(1);
  readonly unit = input('');
  /** The container that is read: a probe that stays in its pan is offered and no other. */
  readonly container = input<string>();
  readonly taken = output<number>();
  /** Those that may be meant: a probe of this pan before one that goes about, and never one of another pan. */
  private readonly meant = computed(() => {
    const own = this.all().filter(({ kind, value }) => kind === this.kind() && value !== undefined);
    const within = own.filter(({ container, connected }) => container !== undefined && container === this.container() && connected);
    return within.length > 0 ? within : own.filter(({ container }) => container === undefined);
  });
  protected readonly offered = computed(() =>
    this.meant().map((one) => {
      const inF = one.unit === 'degC' && this.unit() === '°F';
      const value = rounded(inF ? fahrenheitOf(one.value ?? 0) : (one.value ?? 0) * this.factor());
      const text = one.unit === 'degC' || this.factor() === 1 ? shown(one, kitchenUnits()) : `${value.toFixed(2)} ${this.unit()}`;
      // A probe that stays in its pan is that pan's.
      const called =
        one.container === undefined ? `the ${one.name.toLowerCase()}` : `its ${one.simulated ? 'simulated ' : ''}probe`;
      return { ...one, value, text, called, ago: ago(one.ageMs) };
    }),
  );
}
