import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Container } from '@tureen/core/stock';
import { watchPan } from '../watched-pan';
import { heat } from '../../services/units';

/** A container that cools, for the wall: how warm, which mark is next and by when, and what can still be done. */
@Component({
  selector: 'tt-wall-cooling',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<section [attr.aria-label]="container().contents.name + ', cooling'">
    <h2>
      <span class="soup-name">{{ container().contents.name }}</span> <span class="soft">{{ pan.weighs() }}, cooling</span>
    </h2>
    @if (pan.answer(); as answer) {
      <p>
        <strong>{{ heat(pan.temp()) }}</strong>
        @if (pan.next(); as stage) {
          <span [class.slow]="stage.state === 'too slow'"
            ><span aria-hidden="true">{{ stage.state === 'in time' ? '✓' : stage.state === 'close' ? '▲' : '✗' }}</span>
            {{ heat(stage.toC) }} {{ stage.words }}</span
          >
        }
      </p>
      @for (rescue of pan.rescues(); track rescue) {
        <p class="caution" role="alert">
          <span>{{ rescue }}</span>
        </p>
      }
      @if (answer.missed; as text) {
        <p class="caution" role="alert">
          <span>{{ text }}</span>
        </p>
      }
    }
  </section>`,
  styles: `
    section {
      display: grid;
      gap: 6px;
      padding-top: 14px;
      border-top: 1px solid var(--hairline);
      font-size: 26px;
    }
    h2,
    p {
      margin: 0;
    }
    h2 {
      font-size: 34px;
    }
    h2 .soft {
      font-weight: 400;
      font-size: 26px;
    }
    strong {
      margin-right: 18px;
      font-size: 56px;
      line-height: 1;
    }
    .slow {
      color: var(--red);
      font-weight: 700;
    }
  `,
})
export class WallCooling {
  protected readonly heat = heat;
  readonly container = input.required<Container>();
  protected readonly pan = watchPan(this.container);
}
