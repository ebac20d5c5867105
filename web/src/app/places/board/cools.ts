import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Container } from '@tureen/core/stock';
import { watchPan } from '../watched-pan';
import { heat } from '../../services/units';

/** A container that cools, as a line of the day: how warm it is, which mark is next and by when, what can still be done. */
@Component({
  selector: 'tt-cools',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `@if (pan.answer() !== undefined) {
    <p>
      <strong>{{ heat(pan.temp()) }}</strong>
      <span
        ><a class="soup-name" [routerLink]="['/cold', container().id]">{{ container().contents.name }}</a
        >, {{ pan.weighs() }}, cooling</span
      >
      @if (pan.next(); as stage) {
        <span [class.slow]="stage.state === 'too slow'"
          ><span aria-hidden="true">{{ stage.state === 'in time' ? '✓' : stage.state === 'close' ? '▲' : '✗' }}</span>
          {{ heat(stage.toC) }} {{ stage.words }}</span
        >
      }
    </p>
    @if (pan.rescues().length > 0) {
      <p class="caution" role="alert">
        <span>{{ pan.rescues().join(' Or: ') }}</span>
      </p>
    }
    @if (pan.answer()?.missed; as text) {
      <p class="caution" role="alert">
        <span>{{ text }}</span>
      </p>
    }
  }`,
  styles: `
    p:not(.caution) {
      display: flex;
      flex-wrap: wrap;
      gap: 6px 10px;
      align-items: baseline;
      font-size: 19px;
    }
    strong {
      font-size: 30px;
    }
    a {
      color: var(--cobalt);
    }
    .slow {
      color: var(--red);
      font-weight: 700;
    }
  `,
})
export class Cools {
  protected readonly heat = heat;
  readonly container = input.required<Container>();
  protected readonly pan = watchPan(this.container);
}
