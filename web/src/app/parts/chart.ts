import { ChangeDetectionStrategy, Component, DestroyRef, ElementRef, effect, inject, input, viewChild } from '@angular/core';
import {
  Chart,
  Filler,
  Legend,
  LineController,
  LineElement,
  LinearScale,
  PointElement,
  Tooltip,
  type ChartConfiguration,
} from 'chart.js';
import { ThemeChoice } from '../services/theme';

Chart.register(Filler, Legend, LineController, LineElement, LinearScale, PointElement, Tooltip);

/** Colours and type of the theme, for whoever draws a chart. */
export interface ChartLook {
  readonly ink: string;
  readonly soft: string;
  readonly line: string;
  readonly red: string;
  readonly grid: string;
  readonly paper: string;
  readonly font: { readonly size: number; readonly family: string };
}

/** A chart in the theme's own look, drawn anew when its data or the theme changes. What it shows stands in a table beside it. */
@Component({
  selector: 'tt-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<canvas #canvas role="img" [attr.aria-label]="label()"></canvas>`,
  styles: `
    :host {
      display: block;
      position: relative;
      height: 320px;
      min-width: 0;
      overflow: hidden;
    }
    canvas {
      position: absolute;
      inset: 0;
    }
  `,
})
export class ThemedChart {
  readonly label = input.required<string>();
  readonly make = input.required<(look: ChartLook) => ChartConfiguration<'line'>>();
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly theme = inject(ThemeChoice);
  private chart: Chart<'line'> | undefined;

  constructor() {
    effect(() => {
      const make = this.make();
      this.theme.theme();
      const { nativeElement } = this.canvas();
      const style = getComputedStyle(nativeElement);
      const colour = (name: string): string => style.getPropertyValue(name).trim();
      this.chart?.destroy();
      this.chart = new Chart(
        nativeElement,
        make({
          ink: colour('--ink'),
          soft: colour('--ink-soft'),
          line: colour('--cobalt'),
          red: colour('--red'),
          grid: colour('--hairline'),
          paper: colour('--cream'),
          font: { size: 15, family: style.fontFamily },
        }),
      );
    });
    inject(DestroyRef).onDestroy(() => this.chart?.destroy());
  }
}
