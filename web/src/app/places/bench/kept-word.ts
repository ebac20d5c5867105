import { ChangeDetectionStrategy, Component } from '@angular/core';
import { KEPT_FIGURES } from '@tureen/core/practice';
import type { ChartConfiguration } from 'chart.js';
import { ThemedChart, type ChartLook } from '../../parts/chart';

const NAMES: Readonly<Record<string, string>> = { bowls: 'bowls', salt: 'salt', body: 'texture' };
const POINTS = ['circle', 'rect', 'triangle'] as const;
const DASHES = [[], [8, 5], [2, 4]];

/** How often the plans kept their word in kitchens that nobody knew the truth of: said beside come true, and each goal. */
@Component({
  selector: 'tt-kept-word',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ThemedChart],
  template: `
    <p>
      {{ kept.batches }} batches of {{ kept.soups }} soups, cooked in hidden kitchens by the same sums as the Stove’s on
      {{ date }} (core {{ kept.coreVersion }}). A plan that says “one in twenty ends below this” should be right one time in twenty:
      on the thin line it always is.
    </p>
    <div class="two">
      <tt-chart [label]="label" [make]="make" />
      <div class="scroll" tabindex="0" role="region" aria-label="Goals">
        <table>
          <thead>
            <tr>
              <th scope="col">in so many of a hundred batches</th>
              <th scope="col">goal</th>
              <th scope="col">found</th>
            </tr>
          </thead>
          <tbody>
            @for (goal of goals; track goal.name) {
              <tr>
                <th scope="row">{{ goal.name }}</th>
                <td>{{ goal.wanted }}</td>
                <td>
                  <strong>{{ goal.found }}</strong> {{ goal.isMet ? '✓' : '▲ off' }}
                </td>
              </tr>
            }
          </tbody>
        </table>
      </div>
    </div>
  `,
  styles: `
    :host {
      display: grid;
      gap: 10px;
    }
    p {
      max-width: 860px;
    }
    .two {
      display: grid;
      grid-template-columns: minmax(0, 480px) minmax(0, 1fr);
      gap: 32px;
      align-items: start;
    }
    .scroll {
      overflow-x: auto;
    }
    table {
      border-collapse: collapse;
      font-size: 16px;
    }
    th,
    td {
      padding: 5px 18px 5px 0;
      border-bottom: 1px solid var(--hairline);
      font-weight: 400;
      text-align: left;
      white-space: nowrap;
    }
    tbody th {
      white-space: normal;
    }
    thead th {
      color: var(--ink-soft);
      font-size: 15px;
    }
    @media (width < 1000px) {
      .two {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class KeptWordChart {
  protected readonly kept = KEPT_FIGURES;
  protected readonly date = new Date(`${KEPT_FIGURES.date}T12:00:00Z`).toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'long',
    year: 'numeric',
  });
  protected readonly goals = KEPT_FIGURES.goals.map(({ name, share, least, most }) => ({
    name,
    wanted: most < 1 ? `${pct(least)} to ${pct(most)}` : `at least ${pct(least)}`,
    found: pct(share),
    isMet: share >= least && share <= most,
  }));
  protected readonly label = KEPT_FIGURES.odds
    .map(
      ({ of, said, came }) =>
        `${NAMES[of] ?? of}: ${said.map((one, n) => `of ${pct(one / 100)} came ${pct((came[n] ?? 0) / 100)}`).join(', ')}`,
    )
    .join('; ');
  protected readonly make = (look: ChartLook): ChartConfiguration<'line'> => chartOf(look);
}

function pct(share: number): string {
  return (share * 100).toFixed(0);
}

function chartOf({ ink, soft, grid, paper, font }: ChartLook): ChartConfiguration<'line'> {
  const axis = (text: string) => ({
    type: 'linear' as const,
    min: 0,
    max: 100,
    title: { display: true, text, color: soft, font },
    ticks: { color: soft, font, stepSize: 25 },
    grid: { color: grid },
  });
  return {
    type: 'line',
    data: {
      datasets: [
        {
          label: 'as said',
          data: [
            { x: 0, y: 0 },
            { x: 100, y: 100 },
          ],
          borderColor: soft,
          borderWidth: 1,
          pointStyle: 'line',
          pointRadius: 0,
        },
        ...KEPT_FIGURES.odds.map(({ of, said, came }, n) => ({
          label: NAMES[of] ?? of,
          data: said.map((x, k) => ({ x, y: came[k] ?? 0 })),
          borderColor: ink,
          backgroundColor: paper,
          borderWidth: 2,
          borderDash: DASHES[n] ?? [],
          pointStyle: POINTS[n] ?? 'circle',
          pointRadius: 6,
        })),
      ],
    },
    options: {
      animation: false,
      maintainAspectRatio: false,
      plugins: { legend: { labels: { color: ink, font, usePointStyle: true } } },
      scales: { x: axis('said to end below, of 100'), y: axis('did, of 100') },
    },
  };
}
