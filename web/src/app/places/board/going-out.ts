import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { paceOf, perMinute, runsOut, usualPace, type Out } from '@tureen/core/service';
import { timeOfDay, wholeBowls } from '../figures';
import { watchBatch } from '../watched-batch';

const MINUTE_MS = 60_000;

/** A batch whose bowls are going out: how many are left, how fast they go, and when the last one is gone. */
@Component({
  selector: 'tt-going-out',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `@if (told(); as one) {
    <p>
      <strong>{{ one.left }}</strong> bowls left of <a class="soup-name" [routerLink]="['/stove', batchId()]">{{ one.name }}</a>
      <span>{{ one.words }}</span>
    </p>
  }`,
  styles: `
    p {
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
  `,
})
export class GoingOut {
  readonly batchId = input.required<string>();
  readonly nowMs = input.required<number>();

  private readonly watched = watchBatch(this.batchId);
  private readonly out = computed((): Out[] => {
    const open = this.watched.open();
    const taken = new Set(this.watched.view()?.undone ?? []);
    return (open?.entries ?? []).flatMap(({ id, action, atMs }) =>
      action.kind === 'dished' && !taken.has(id) ? [{ atMs, bowls: action.bowls }] : [],
    );
  });
  protected readonly told = computed(() => {
    const view = this.watched.view();
    const out = this.out();
    if (view === undefined || out.length === 0) return undefined;
    const nowMs = this.nowMs();
    const left = wholeBowls(view.forecast.bowls - (view.dishedBowls ?? 0));
    const pace = paceOf(usualPace(view.request.bowls), out, Math.min(...out.map(({ atMs }) => atMs)), nowMs);
    const { middleMin, bandMin } = runsOut(left, pace);
    const at = (minutes: number): string => timeOfDay(nowMs + minutes * MINUTE_MS);
    return {
      name: view.soup.name,
      left,
      words:
        left <= 0
          ? 'Nothing is left.'
          : `${perMinute(pace).toFixed(1)} a minute: gone about ${at(middleMin)}, nine times in ten between ${at(bandMin[0])} and ${at(bandMin[1])}`,
    };
  });
}
