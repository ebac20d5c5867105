import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { ago, Devices, shown } from '../../services/devices';
import { kitchenUnits } from '../../services/units';

/** The scales and probes that can be heard: what each says, how old that is, and what can be told to it. */
@Component({
  selector: 'tt-devices',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<main class="place">
    <h1>Devices</h1>
    <p class="soft">
      A reading older than five seconds is never used. A bridge speaks for real devices: JSON lines over HTTP, as docs/devices.md
      says.
    </p>
    <ul>
      @for (one of devices(); track one.id) {
        <li>
          <strong>{{ one.name }}</strong>
          <span class="value" [class.old]="!one.fresh">{{ one.value }}</span>
          <span>{{ one.says }}</span>
          <span class="row">
            @if (one.kind === 'scale') {
              <button type="button" class="press" (click)="tell(one.id, 'tare')">Tare</button>
            }
            @if (one.simulated) {
              @if (one.connected) {
                <button type="button" class="press" (click)="tell(one.id, 'off')">Pull its plug</button>
              } @else {
                <button type="button" class="press" (click)="tell(one.id, 'on')">Put its plug back</button>
              }
            }
          </span>
        </li>
      } @empty {
        <li>No device has been heard of. The demo brings a simulated scale and probe; your own speak through a bridge.</li>
      }
    </ul>
    @if (trouble() !== '') {
      <p class="caution" role="alert">{{ trouble() }}</p>
    }
  </main>`,
  styles: `
    ul {
      max-width: 980px;
      margin-top: 14px;
    }
    li {
      display: grid;
      grid-template-columns: 200px 150px 1fr auto;
      align-items: center;
      gap: 14px;
      padding: 12px 0;
      border-bottom: 1px solid var(--hairline);
      font-size: 19px;
    }
    .value {
      font-size: 30px;
      font-weight: 700;
      font-variant-numeric: tabular-nums;
    }
    .old {
      color: var(--ink-soft);
      text-decoration: line-through;
    }
    .row {
      display: flex;
      gap: 8px;
    }
  `,
})
export class DevicesPlace {
  private readonly service = inject(Devices);
  private readonly all = toSignal(this.service.devices$, { initialValue: [] });
  protected readonly trouble = signal('');
  protected readonly devices = computed(() =>
    this.all().map((one) => ({
      ...one,
      value: shown(one, kitchenUnits()),
      says: !one.connected
        ? `gone; last heard ${ago(one.ageMs)}`
        : one.fresh
          ? `${one.kind === 'scale' ? (one.steady ? 'steady, ' : 'not at rest, ') : ''}${ago(one.ageMs)}`
          : `silent: ${ago(one.ageMs)}, not used`,
    })),
  );

  protected async tell(id: string, what: 'tare' | 'off' | 'on'): Promise<void> {
    const answer = await this.service.command(id, what);
    this.trouble.set(answer.ok ? '' : answer.refusal.sentence);
  }
}
