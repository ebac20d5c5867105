import { ChangeDetectionStrategy, Component, computed } from '@angular/core';
import { clockOf } from '@tureen/core/board';
import { DayAtWork, KitchenClock } from '../board/day-at-work';

/** What comes next for one person. */
const MOST = 3;

/** Today's work on the wall: for each pair of hands what it does now and next, and whether the bowls are on time. */
@Component({
  selector: 'tt-wall-day',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (view(); as own) {
      <section aria-label="Today’s work">
        <h2 [class.late]="own.isLate">{{ own.isLate ? '▲ ' : '' }}{{ own.main }}</h2>
        <div class="people">
          @for (person of people(); track person.id) {
            <div>
              <h3>{{ person.name }}</h3>
              <ol>
                @for (row of person.rows; track row.id) {
                  <li>
                    <strong>{{ clockOf(row.startMin) }}</strong> {{ row.short }} <span class="soup-name">{{ row.soup }}</span>
                  </li>
                } @empty {
                  <li class="soft">nothing more</li>
                }
              </ol>
            </div>
          }
        </div>
      </section>
    }
  `,
  styles: `
    section {
      display: grid;
      gap: 10px;
      padding-top: 14px;
      border-top: 1px solid var(--hairline);
      font-size: 26px;
    }
    h2 {
      font-size: 34px;
    }
    h2.late {
      color: var(--saffron-ink);
    }
    h3 {
      color: var(--ink-soft);
      font-size: 26px;
      font-weight: 400;
    }
    .people {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(380px, 1fr));
      gap: 14px 40px;
    }
    ol {
      display: grid;
      gap: 6px;
      padding: 0;
      list-style: none;
    }
    li:first-child {
      font-size: 30px;
      font-weight: 700;
    }
    li strong {
      margin-right: 8px;
      font-variant-numeric: tabular-nums;
    }
  `,
})
export class WallDay {
  protected readonly clockOf = clockOf;
  private readonly clock = new KitchenClock();
  private readonly atWork = new DayAtWork(this.clock.today, this.clock);
  /** Nothing where today has no soups, or is over. */
  protected readonly view = computed(() => {
    const day = this.atWork.day();
    return day === undefined || day.batches.length === 0 || this.atWork.isPast() ? undefined : this.atWork.laidOut.view();
  });
  protected readonly people = computed(() => {
    const rows = this.view()?.rows ?? [];
    return (this.atWork.day()?.people ?? []).map(({ id, name }) => ({
      id,
      name,
      rows: rows.filter(({ person, isLook }) => person === name && !isLook).slice(0, MOST),
    }));
  });
}
