import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Deed } from '@tureen/core/batch';
import { walk } from '@tureen/core/soup';
import { showVolume } from '@tureen/core/units';
import { RibbonPicture } from '../../parts/ribbon/ribbon';
import { stepName } from '@tureen/core/messages';
import { day, factRows, mass, timeOfDay } from '../figures';
import { watchBatch } from '../watched-batch';

/** One batch as it was: plan beside deed, what each bowl held, and every entry. */
@Component({
  selector: 'tt-record',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RibbonPicture, RouterLink],
  templateUrl: './record.html',
  styleUrl: './record.less',
})
export class Record {
  readonly batchId = input.required<string>();

  private readonly watched = watchBatch(this.batchId);
  protected readonly trouble = this.watched.trouble;
  protected readonly view = this.watched.view;
  protected readonly units = this.watched.units;
  protected readonly nameOf = this.watched.nameOf;
  protected readonly stopName = this.watched.stopName;
  protected readonly batch = computed(() => this.watched.open()?.batch);
  protected readonly when = computed(() => {
    const batch = this.batch();
    return batch === undefined
      ? ''
      : `${day(batch.startedAtMs)}, from ${timeOfDay(batch.startedAtMs)}${batch.closedAtMs === null ? '' : ` to ${timeOfDay(batch.closedAtMs)}`}`;
  });
  /** Closed figures as they were stored; those of a batch still open as they stand. */
  protected readonly yields = computed(() => {
    const view = this.view();
    const batch = this.batch();
    if (view === undefined || batch === undefined) return [];
    const actual = batch.closedFigures?.actual ?? view.forecast;
    const planned = batch.closedFigures?.planned ?? view.planned;
    const bowls = batch.closedFigures?.dishedBowls ?? view.dishedBowls;
    return [
      { name: 'cooked yield', planned: mass(planned.cookedKg, this.units()), actual: mass(actual.cookedKg, this.units()) },
      { name: 'into bowls', planned: mass(planned.servedKg, this.units()), actual: mass(actual.servedKg, this.units()) },
      { name: 'bowls by weight', planned: planned.bowls.toFixed(0), actual: actual.bowls.toFixed(0) },
      { name: 'bowls counted', planned: String(batch.ask.bowls), actual: bowls === undefined ? '–' : String(bowls) },
      { name: 'salt', planned: `${planned.saltPct.toFixed(2)} %`, actual: `${actual.saltPct.toFixed(2)} %` },
    ];
  });
  protected readonly facts = computed(() => {
    const facts = (this.batch()?.closedFigures?.actual ?? this.view()?.forecast)?.facts;
    return facts === undefined ? [] : factRows(facts);
  });
  protected readonly entries = computed(() => {
    const open = this.watched.open();
    const view = this.view();
    if (open === undefined || view === undefined) return [];
    const undone = new Set(view.undone);
    const late = new Set(view.late);
    return [...open.entries]
      .sort((a, b) => a.stamp.counter - b.stamp.counter)
      .filter(({ deed }) => deed.kind !== 'undone')
      .map((entry) => ({
        id: entry.id,
        time: timeOfDay(entry.atMs),
        who: entry.who,
        text: this.deedText(entry.deed),
        undone: undone.has(entry.id),
        late: late.has(entry.id),
      }));
  });

  private deedText(deed: Deed): string {
    const steps = new Map(
      walk(this.view()?.soup.root ?? { id: '', name: '', vessel: 'pot', steps: [] }).map(({ step }) => [step.id, step]),
    );
    const named = (id: string): string => {
      const step = steps.get(id);
      return step === undefined ? id : stepName(step, this.nameOf());
    };
    switch (deed.kind) {
      case 'started':
        return `${named(deed.stepId)}: timer started`;
      case 'done':
        return `${named(deed.stepId)}: done${deed.minutes === undefined ? '' : `, ${String(deed.minutes)} min`}`;
      case 'poured': {
        const { digits, unit } = showVolume(deed.volumeM3, this.units());
        return `${digits} ${unit} of ${this.nameOf()(deed.line)} poured (${deed.vessel.toLowerCase()})`;
      }
      case 'added':
        return `${mass(deed.kg, this.units())} of ${this.nameOf()(deed.line)} added`;
      case 'weighed':
        return `weighed ${deed.grossKg.toFixed(1)} kg, tare ${deed.tareKg.toFixed(1)} kg`;
      case 'dipped':
        return `dip: ${(deed.belowRimM * 100).toFixed(1)} cm below the rim`;
      case 'dished':
        return `${String(deed.bowls)} bowls counted`;
      case 'note':
        return deed.text;
      case 'closed':
        return 'batch closed';
      case 'undone':
        return 'taken back';
    }
  }
}
