import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Container } from '@tureen/core/stock';
import { mass } from '../figures';
import { watchPan } from '../watched-pan';

/** A container that cools, as a line of the day: how warm it is, which mark is next and by when, what can still be done. */
@Component({
  selector: 'tt-cools',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `@if (answer() !== undefined) {
    <p>
      <strong>{{ temp() }} °C</strong>
      <span
        ><a class="soup-name" [routerLink]="['/cold', container().id]">{{ container().contents.name }}</a
        >, {{ weighs() }}, cooling</span
      >
      @if (next(); as stage) {
        <span [class.slow]="stage.state === 'too slow'"
          ><span aria-hidden="true">{{ stage.state === 'in time' ? '✓' : stage.state === 'close' ? '▲' : '✗' }}</span>
          {{ stage.toC }} °C {{ stage.words }}</span
        >
      }
    </p>
    @if (rescues().length > 0) {
      <p class="caution" role="alert">
        <span>{{ rescues().join(' Or: ') }}</span>
      </p>
    }
    @if (answer()?.missed; as text) {
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
  readonly container = input.required<Container>();
  private readonly watched = watchPan(this.container);
  protected readonly answer = this.watched.answer;
  protected readonly next = this.watched.next;
  protected readonly rescues = this.watched.rescues;
  protected readonly weighs = computed(() => mass(this.container().kg, 'metric'));
  protected readonly temp = computed(() => Math.round(this.answer()?.nowC ?? 0));
}
