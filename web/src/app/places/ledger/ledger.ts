import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { NzTableModule } from 'ng-zorro-antd/table';
import { Batches } from '../../services/batches';
import { Kitchen } from '../../services/kitchen';
import { day, mass } from '../figures';

/** What was really made: cooked yield beside the planned one. */
@Component({
  selector: 'tt-ledger',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzTableModule, RouterLink],
  templateUrl: './ledger.html',
  styleUrl: './ledger.less',
})
export class Ledger {
  private readonly answer = toSignal(inject(Batches).batches$);
  private readonly kitchen = toSignal(inject(Kitchen).kitchen$);
  private readonly units = computed(() => {
    const kitchen = this.kitchen();
    return kitchen?.ok === true ? (kitchen.value.kit?.units ?? 'metric') : 'metric';
  });
  protected readonly trouble = computed(() => {
    const answer = this.answer();
    return answer?.ok === false ? answer.refusal.sentence : undefined;
  });
  protected readonly rows = computed(() => {
    const answer = this.answer();
    if (answer?.ok !== true) return undefined;
    return answer.value.batches.map((batch) => {
      const closed = batch.closedFigures;
      const cooked = closed?.actual.cookedKg;
      const planned = batch.planned.cookedKg;
      return {
        id: batch.id,
        day: day(batch.startedAtMs),
        name: batch.soupName,
        version: batch.version,
        bowls: closed?.dishedBowls ?? undefined,
        asked: batch.ask.bowls,
        planned: mass(planned, this.units()),
        cooked: cooked === undefined ? undefined : mass(cooked, this.units()),
        apart: cooked === undefined ? '' : this.apart(cooked - planned),
        salt: closed === null ? '' : `${closed.actual.saltPct.toFixed(2)} %`,
        late: batch.lateEntries,
      };
    });
  });

  private apart(kg: number): string {
    const text = mass(kg, this.units());
    return kg > 0 ? `+${text}` : text;
  }
}
