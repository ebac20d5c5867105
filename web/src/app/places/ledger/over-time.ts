import { ChangeDetectionStrategy, Component, computed, inject, resource, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { controlChart, type ControlChart } from '@tureen/core/learn';
import { percentMore } from '@tureen/core/units';
import type { BatchSummary } from '@tureen/server/api';
import type { ChartConfiguration } from 'chart.js';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { ThemedChart, type ChartLook } from '../../parts/chart';
import { Choice, type ChoiceOption } from '../../parts/choice';
import { Batches } from '../../services/batches';
import { day } from '../figures';
import { LedgerTabs } from './ledger-tabs';
import { NextVersion } from './next-version';

type Measure = 'yield' | 'salt' | 'body' | 'bowls' | 'cost';

/** What is followed: what was cooked against what was planned, %. */
const MEASURES: Readonly<
  Record<
    Measure,
    { readonly name: string; readonly of: string; readonly read: (batch: Closed) => readonly [number, number] | undefined }
  >
> = {
  yield: { name: 'Yield', of: 'cooked yield', read: ({ planned, closed }) => [closed.actual.cookedKg, planned.cookedKg] },
  salt: { name: 'Salt', of: 'salt', read: ({ planned, closed }) => [closed.actual.saltPct, planned.saltPct] },
  body: { name: 'Body', of: 'body', read: ({ planned, closed }) => [closed.actual.bodyMPas, planned.bodyMPas] },
  bowls: {
    name: 'Bowls',
    of: 'bowls counted',
    read: ({ request, closed }) => (closed.dishedBowls === null ? undefined : [closed.dishedBowls, request.bowls]),
  },
  cost: {
    name: 'Cost',
    of: 'cost of a bowl',
    read: ({ planned, closed }) => [closed.actual.cost / closed.actual.bowls, planned.cost / planned.bowls],
  },
};

/** Of what is more than chance, so much is told in words; the picture and the table mark the rest. */
const MOST_TOLD = 3;
/** Batches that are asked for at most, in pages: some years of a kitchen. */
const MOST_PAGES = 20;

interface Closed extends BatchSummary {
  readonly closed: NonNullable<BatchSummary['closedFigures']>;
}

interface Point {
  readonly id: string;
  readonly atMs: number;
  readonly day: string;
  readonly name: string;
  readonly version: number;
  readonly offPct: number;
  readonly planned: number;
  readonly actual: number;
}

/** What batches came to against their plans, soup by soup, and where that is more than chance. */
@Component({
  selector: 'tt-over-time',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice, FormsModule, LedgerTabs, NextVersion, NzSelectModule, RouterLink, ThemedChart],
  templateUrl: './over-time.html',
  styleUrl: './over-time.less',
})
export class OverTime {
  private readonly batches = inject(Batches);
  private readonly newest = toSignal(this.batches.batches$);
  protected readonly measures: readonly ChoiceOption<Measure>[] = (Object.keys(MEASURES) as Measure[]).map((value) => ({
    value,
    name: MEASURES[value].name,
  }));
  protected readonly measure = signal<Measure>('yield');
  /** Which soup; empty for all. */
  protected readonly soup = signal('');

  protected readonly all = resource({
    params: () => this.newest(),
    loader: async ({ params: first }) => {
      if (!first.ok) return undefined;
      const list: BatchSummary[] = [...first.value.batches];
      let from = first.value.next;
      for (let page = 1; from !== null && page < MOST_PAGES; page++) {
        const answer = await this.batches.list(from);
        if (!answer.ok) break;
        list.push(...answer.value.batches);
        from = answer.value.next;
      }
      return list;
    },
  });

  private readonly closed = computed((): Closed[] => {
    const list = this.all.hasValue() ? this.all.value() : [];
    return list
      .flatMap((batch) => (batch.closedFigures === null ? [] : [{ ...batch, closed: batch.closedFigures }]))
      .sort((a, b) => a.startedAtMs - b.startedAtMs);
  });
  protected readonly none = computed(() => this.all.hasValue() && this.closed().length === 0);

  protected readonly soups = computed(() =>
    [...new Map(this.closed().map(({ soupId, soupName }) => [soupId, soupName]))]
      .map(([id, name]) => ({ id, name, count: this.closed().filter(({ soupId }) => soupId === id).length }))
      .sort((a, b) => b.count - a.count),
  );

  protected readonly points = computed((): Point[] => {
    const { read } = MEASURES[this.measure()];
    const soup = this.soup();
    return this.closed()
      .filter(({ soupId }) => soup === '' || soupId === soup)
      .flatMap((batch): Point[] => {
        const [actual, planned] = read(batch) ?? [Number.NaN, Number.NaN];
        if (!(planned > 0) || !Number.isFinite(actual)) return [];
        return [
          {
            id: batch.id,
            atMs: batch.startedAtMs,
            day: day(batch.startedAtMs),
            name: batch.soupName,
            version: batch.version,
            offPct: (actual / planned - 1) * 100,
            planned,
            actual,
          },
        ];
      });
  });
  private readonly chart = computed(() => controlChart(this.points().map(({ offPct }) => offPct)));
  protected readonly of = computed(() => MEASURES[this.measure()].of);

  /** What it comes to, in one sentence. */
  protected readonly lead = computed(() => {
    const points = this.points();
    if (points.length === 0) return 'No closed batch says anything of it.';
    const chart = this.chart();
    if (chart === undefined) return `${String(points.length)} so far; from four on chance and change can be told apart.`;
    const { middle, high } = chart;
    return `On average ${percentMore(middle)} against plan; chance alone moves a batch by up to ${Math.abs(high - middle).toFixed(1)} points.`;
  });

  /** What is more than chance, in words, newest first. */
  private readonly signals = computed(() => {
    const points = this.points();
    const newest = [...(this.chart()?.signals ?? [])].sort((a, b) => b.at - a.at);
    return newest.flatMap(({ what, at, count, side }) => {
      const last = points[at];
      const first = points[at - count + 1];
      if (last === undefined || first === undefined) return [];
      const words =
        what === 'far off'
          ? `${last.day}: ${last.name} came out far too ${side}`
          : what === 'one side'
            ? `${String(count)} in a row ${side} since ${first.day}`
            : `${String(count)} in a row ${side === 'high' ? 'rising' : 'falling'} since ${first.day}: something drifts`;
      return [{ id: last.id, words }];
    });
  });

  protected readonly told = computed(() => this.signals().slice(0, MOST_TOLD));
  protected readonly untold = computed(() => this.signals().length - this.told().length);

  protected readonly rows = computed(() => {
    const far = new Set(this.chart()?.signals.flatMap(({ what, at }) => (what === 'far off' ? [at] : [])));
    return this.points()
      .map((point, n) => ({ ...point, off: percentMore(point.offPct), isFar: far.has(n) }))
      .toReversed();
  });

  protected readonly make = computed(() => {
    const points = this.points();
    const chart = this.chart();
    const isOneSoup = this.soup() !== '';
    return (look: ChartLook) => chartOf(points, chart, isOneSoup, look);
  });
}

function chartOf(
  points: readonly Point[],
  chart: ControlChart | undefined,
  isOneSoup: boolean,
  { ink, soft, line, grid, paper, font }: ChartLook,
): ChartConfiguration<'line'> {
  const xs = points.map(({ atMs }) => atMs);
  const least = Math.min(...xs);
  const most = Math.max(...xs);
  const pad = Math.max(86_400_000, (most - least) * 0.03);
  const across = (y: number): { x: number; y: number }[] => [
    { x: least - pad, y },
    { x: most + pad, y },
  ];
  const odd = new Set(chart?.signals.filter(({ what }) => what === 'far off').map(({ at }) => at));
  const all = [...points.map(({ offPct }) => offPct), ...(chart === undefined ? [] : [chart.low, chart.high])];
  const reach = Math.ceil(Math.max(2, ...all.map(Math.abs)) * 1.08);
  // A new version is a line from top to bottom where it was first cooked.
  const versions = isOneSoup ? points.filter(({ version }, n) => n > 0 && version !== points[n - 1]?.version) : [];
  return {
    type: 'line',
    data: {
      datasets: [
        ...(chart === undefined
          ? []
          : [
              { label: 'low', data: across(chart.low), borderWidth: 0, pointRadius: 0 },
              {
                label: 'what chance does',
                data: across(chart.high),
                borderWidth: 0,
                pointRadius: 0,
                pointStyle: 'rect' as const,
                fill: '-1',
                backgroundColor: `${line}26`,
              },
              {
                label: 'its middle',
                data: across(chart.middle),
                borderColor: soft,
                borderWidth: 2,
                borderDash: [7, 5],
                pointRadius: 0,
                pointStyle: 'line' as const,
              },
            ]),
        { label: 'as planned', data: across(0), borderColor: ink, borderWidth: 2, pointRadius: 0, pointStyle: 'line' as const },
        ...versions.map(({ atMs, version }) => ({
          label: `version ${String(version)}`,
          data: [
            { x: atMs - pad / 2, y: -reach },
            { x: atMs - pad / 2, y: reach },
          ],
          borderColor: soft,
          borderWidth: 1,
          borderDash: [3, 4],
          pointRadius: 0,
          pointStyle: 'line' as const,
        })),
        {
          label: 'batches',
          data: points.map(({ atMs, offPct }) => ({ x: atMs, y: offPct })),
          showLine: isOneSoup,
          borderColor: line,
          borderWidth: 1.5,
          backgroundColor: points.map((_, n) => (odd.has(n) ? paper : line)),
          pointBorderColor: points.map((_, n) => (odd.has(n) ? ink : line)),
          pointBorderWidth: 2.5,
          pointRadius: points.map((_, n) => (odd.has(n) ? 9 : 6)),
          pointStyle: points.map((_, n) => (odd.has(n) ? 'triangle' : 'circle')),
        },
      ],
    },
    options: {
      animation: false,
      responsive: true,
      maintainAspectRatio: false,
      interaction: { mode: 'nearest', intersect: false },
      scales: {
        x: {
          type: 'linear',
          min: least - pad,
          max: most + pad,
          ticks: { color: ink, font, maxTicksLimit: 8, callback: (x) => day(Number(x)) },
          grid: { display: false },
        },
        y: {
          min: -reach,
          max: reach,
          title: { display: true, text: '% against plan', color: ink, font },
          ticks: { color: ink, font, callback: (y) => `${Number(y) > 0 ? '+' : ''}${String(Math.round(Number(y) * 10) / 10)} %` },
          grid: { color: grid },
        },
      },
      plugins: {
        legend: { labels: { color: ink, font, usePointStyle: true, boxHeight: 8, filter: ({ text }) => text !== 'low' } },
        tooltip: {
          filter: ({ dataset }) => dataset.label === 'batches',
          callbacks: {
            title: ([one]) => {
              const point = one === undefined ? undefined : points[one.dataIndex];
              return point === undefined ? '' : `${point.name}, ${point.day}`;
            },
            label: ({ parsed }) => percentMore(parsed.y ?? 0),
          },
        },
      },
    },
  };
}
