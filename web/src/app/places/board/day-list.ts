import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { clockOf, type Person } from '@tureen/core/board';
import type { DayRow } from '@tureen/core/messages';
import { Choice } from '../../parts/choice';

const ALL = 'all';

/** A day by the clock, of all or of one person: the same as the picture in words, for readers, paper and the wall. */
@Component({
  selector: 'tt-day-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice],
  template: `
    <div class="head no-print">
      <tt-choice label="whose work" [options]="whose()" [value]="who()" (chosen)="who.set($event)" />
    </div>
    <table>
      <caption class="unseen">
        What is done when, by whom
      </caption>
      <thead>
        <tr>
          <th scope="col">From</th>
          <th scope="col">To</th>
          <th scope="col">Who</th>
          <th scope="col">What</th>
          <th scope="col">Where</th>
          <th scope="col">Soup</th>
        </tr>
      </thead>
      <tbody>
        @for (row of shown(); track row.id) {
          <tr [class.chosen]="row.blockId !== '' && row.blockId === chosen()" [class.look]="row.isLook">
            <td>{{ clock(row.startMin) }}</td>
            <td>{{ clock(row.endMin) }}</td>
            <td>{{ row.person ?? '' }}{{ row.isLook && row.person ? ', a look' : '' }}</td>
            <td>
              @if (row.blockId === '') {
                {{ row.what }}
              } @else {
                <button type="button" class="what" [attr.aria-pressed]="row.blockId === chosen()" (click)="chose.emit(row.blockId)">
                  {{ row.what }}
                </button>
              }
            </td>
            <td>{{ row.where }}</td>
            <td class="soup-name">{{ row.soup }}</td>
          </tr>
        }
      </tbody>
    </table>
  `,
  styles: `
    .head {
      margin-bottom: 10px;
    }
    table {
      width: 100%;
      border-collapse: collapse;
    }
    th,
    td {
      padding: 7px 12px 7px 0;
      border-bottom: 1px solid var(--hairline);
      text-align: left;
      vertical-align: top;
    }
    thead th {
      color: var(--ink-soft);
      font-weight: 400;
      font-size: 15px;
    }
    td:nth-child(-n + 3),
    td:nth-child(n + 5) {
      white-space: nowrap;
    }
    .what {
      padding: 0;
      border: 0;
      background: none;
      color: var(--cobalt);
      font: inherit;
      font-weight: 650;
      text-align: left;
      cursor: pointer;
    }
    .look .what {
      font-weight: 400;
    }
    .chosen td {
      background: var(--cobalt-pale);
    }
  `,
})
export class DayList {
  readonly rows = input.required<readonly DayRow[]>();
  readonly people = input.required<readonly Person[]>();
  readonly chosen = input('');
  readonly chose = output<string>();

  protected readonly clock = clockOf;
  protected readonly who = signal(ALL);
  protected readonly whose = computed(() => [
    { value: ALL, name: 'Everybody' },
    ...this.people().map(({ name }) => ({ value: name, name })),
  ]);
  protected readonly shown = computed(() => {
    const who = this.who();
    return who === ALL ? this.rows() : this.rows().filter(({ person }) => person === who);
  });
}
