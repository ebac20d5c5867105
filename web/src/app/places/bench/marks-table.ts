import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Judged } from '@tureen/core/practice';
import { NAMES, figure } from './debrief-words';

const HOW: Readonly<Record<Judged['points'], string>> = { 2: 'right', 1: 'near', 0: 'off' };

/** What a practice is judged by: what was wanted, what was true, what was believed, and how near that is. */
@Component({
  selector: 'tt-marks-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<table class="figure-table">
    <caption class="unseen">
      What it came to
    </caption>
    <thead>
      <tr>
        <th scope="col">judged</th>
        <th scope="col">wanted</th>
        <th scope="col">true</th>
        <th scope="col">you believed</th>
        <th scope="col">how near</th>
      </tr>
    </thead>
    <tbody>
      @for (mark of marks(); track mark.name) {
        <tr>
          <th scope="row">{{ mark.name }}</th>
          <td>{{ mark.wanted }}</td>
          <td>
            <strong>{{ mark.true }}</strong>
          </td>
          <td>{{ mark.believed }}</td>
          <td>{{ mark.how }}</td>
        </tr>
      }
    </tbody>
  </table>`,
})
export class MarksTable {
  readonly judged = input.required<readonly Judged[]>();
  protected readonly marks = computed(() =>
    this.judged().map(({ mark, wanted, true: real, believed, points }) => ({
      name: NAMES[mark],
      wanted: figure(mark, wanted),
      true: figure(mark, real),
      believed: figure(mark, believed),
      how: HOW[points],
    })),
  );
}
