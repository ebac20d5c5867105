import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { ChartConfiguration } from 'chart.js';
import type { CurvePoint, CurveView } from '../../cooking/cold-view';
import { ThemedChart, type ChartLook } from '../../parts/chart';
import { timeOfDay } from '../figures';
import { degreeUnit, onScale } from '@tureen/core/units';
import { kitchenUnits } from '../../services/units';

const HOUR_MS = 3_600_000;

/** A cooling curve with the range of nine in ten, and the rule that it has to stay under. */
@Component({
  selector: 'tt-cooling-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ThemedChart],
  template: `<tt-chart [label]="label()" [make]="make()" />`,
  styles: `
    :host {
      display: block;
      min-width: 0;
    }
  `,
})
export class CoolingChart {
  readonly curve = input.required<CurveView>();
  /** The moment at which it begins, so that hours are times of day; hours from now where it is left out. */
  readonly startMs = input<number>();
  /** What its hours count from, where no moment is given. */
  readonly sinceWords = input('hours from now');
  readonly label = input.required<string>();
  protected readonly make = computed(() => {
    const way = this.curve();
    const [startMs, since] = [this.startMs(), this.sinceWords()];
    return (look: ChartLook) => chartOf(way, startMs, since, look);
  });
}

function chartOf(
  way: CurveView,
  startMs: number | undefined,
  sinceWords: string,
  { ink, line, red, grid, paper, font }: ChartLook,
): ChartConfiguration<'line'> {
  const hour = (x: number): string => (startMs === undefined ? String(x) : timeOfDay(startMs + x * HOUR_MS));
  const units = kitchenUnits();
  const drawn = (points: readonly CurvePoint[]): { x: number; y: number }[] =>
    points.map(({ x, y }) => ({ x, y: onScale(y, units) }));
  return {
    type: 'line',
    data: {
      datasets: [
        { label: 'fast', data: drawn(way.fast), borderWidth: 0, pointRadius: 0 },
        {
          label: 'nine in ten',
          data: drawn(way.slow),
          borderWidth: 0,
          pointRadius: 0,
          pointStyle: 'rect',
          fill: '-1',
          backgroundColor: `${line}33`,
        },
        { label: 'warmest place', data: drawn(way.middle), borderColor: line, borderWidth: 3, pointRadius: 0, pointStyle: 'line' },
        {
          label: 'the rule',
          data: drawn(way.rule),
          borderColor: red,
          backgroundColor: red,
          borderWidth: 2,
          borderDash: [7, 5],
          pointRadius: 6,
          pointStyle: 'triangle',
        },
        ...(way.readings.length === 0
          ? []
          : [
              {
                label: 'read',
                data: drawn(way.readings),
                borderColor: ink,
                backgroundColor: paper,
                borderWidth: 3,
                showLine: false,
                pointRadius: 7,
                pointStyle: 'circle' as const,
              },
            ]),
      ],
    },
    options: {
      animation: false,
      responsive: true,
      maintainAspectRatio: false,
      interaction: { mode: 'nearest', axis: 'x', intersect: false },
      scales: {
        x: {
          type: 'linear',
          min: 0,
          max: Math.ceil(way.middle.at(-1)?.x ?? 1),
          title: { display: startMs === undefined, text: sinceWords, color: ink, font },
          ticks: { color: ink, font, stepSize: 1, callback: (x) => hour(Number(x)) },
          grid: { color: grid },
        },
        y: {
          min: onScale(0, units),
          title: { display: true, text: `${degreeUnit(units)}, warmest place`, color: ink, font },
          ticks: { color: ink, font },
          grid: { color: grid },
        },
      },
      plugins: {
        legend: {
          labels: {
            color: ink,
            font,
            usePointStyle: true,
            filter: ({ text }) => text !== 'fast' && (text !== 'nine in ten' || way.slow.length > 0),
          },
        },
        tooltip: {
          filter: ({ dataset }) => dataset.label !== 'fast' && dataset.label !== 'nine in ten',
          callbacks: {
            title: ([one]) =>
              one === undefined
                ? ''
                : startMs === undefined
                  ? `after ${(one.parsed.x ?? 0).toFixed(1)} h`
                  : hour(one.parsed.x ?? 0),
            label: ({ dataset, parsed }) => `${dataset.label ?? ''}: ${(parsed.y ?? 0).toFixed(0)} ${degreeUnit(units)}`,
          },
        },
      },
    },
  };
}
