import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { eggStands } from '@tureen/core/batch';
import { walk } from '@tureen/core/soup';
import { showMinutes, degrees } from '@tureen/core/units';
import { Devices } from '../../services/devices';
import { mass } from '../figures';
import { Hand } from './hand';

/** What a finish does to the pot before it goes in: its heat, its cartons; and the window of egg and cream. */
@Component({
  selector: 'tt-finish-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (finish(); as now) {
      <p>{{ now }}</p>
    }
    @if (liaison(); as egg) {
      <div class="window" [class.warn]="egg.warn" [attr.role]="egg.warn ? 'alert' : 'status'">
        <svg viewBox="0 0 300 44" aria-hidden="true">
          <path d="M 0 22 H 300" class="rail" />
          <rect [attr.x]="egg.from" y="12" [attr.width]="egg.to - egg.from" height="20" rx="8" class="good" />
          <path [attr.d]="'M ' + egg.at + ' 4 V 40'" class="mark" />
        </svg>
        <p>
          <strong>{{ egg.temp }}</strong>&ngsp;<span class="soft">{{ egg.by }}</span
          >&ngsp;{{ egg.says }}
        </p>
        @if (egg.temper) {
          <p>{{ egg.temper }}</p>
        }
        <p class="soft">{{ egg.watch }} Egg must reach {{ egg.least }}; your local code comes first.</p>
      </div>
    }
  `,
  styles: `
    .window {
      padding: 8px 14px;
      border: 2px solid var(--ink);
      border-radius: var(--round);
    }
    .warn {
      border-color: var(--saffron-ink);
      background: var(--saffron-pale);
    }
    svg {
      display: block;
      width: 100%;
      max-width: 320px;
    }
    .rail {
      stroke: var(--hairline);
      stroke-width: 4;
    }
    .good {
      fill: var(--cream);
      stroke: var(--ink);
      stroke-width: 2;
    }
    .mark {
      stroke: var(--ink);
      stroke-width: 6;
      stroke-linecap: round;
    }
  `,
})
export class FinishPanel {
  private readonly hand = inject(Hand);
  protected readonly finish = computed(() => {
    const front = this.hand.front();
    const view = this.hand.view();
    if (front?.finish === undefined || view === undefined) return undefined;
    const { kg, mixedC, opened, leftKg } = front.finish;
    const steps = walk(view.soup.root).map(({ step }) => step);
    const later = steps.slice(steps.findIndex(({ id }) => id === front.step.id) + 1);
    const reheat = later.find(({ op }) => op === 'simmer');
    const minutes = view.steps.find(({ stepId }) => stepId === reheat?.id)?.minutes;
    const units = this.hand.units();
    const back = minutes === undefined ? '' : `, ${showMinutes(minutes)} back to serving heat`;
    return `${mass(kg, units)} brings the pot to ${degrees(mixedC, units)}${back}. Cartons of a litre: ${String(opened)} opened, ${mass(leftKg, units)} left in the last.`;
  });
  private readonly devices = toSignal(inject(Devices).devices$, { initialValue: [] });
  /** What a probe says right now, to the half degree, so that it is not drawn anew for its noise. */
  private readonly probedC = computed(() => {
    const probe = this.devices().find(({ kind, fresh, value }) => kind === 'probe' && fresh && value !== undefined);
    return probe?.value === undefined ? undefined : Math.round(probe.value * 2) / 2;
  });
  protected readonly liaison = computed(() => {
    const asRead = this.hand.front()?.liaison;
    if (asRead === undefined) return undefined;
    const probedC = this.probedC();
    const egg = probedC === undefined ? asRead : { ...asRead, tempC: probedC, stands: eggStands(probedC) };
    const x = (tempC: number): number => Math.min(296, Math.max(4, ((tempC - 50) / 50) * 300));
    const heat = (c: number): string => degrees(c, this.hand.units());
    const [least, most] = [heat(egg.leastC), heat(egg.mostC)];
    const says = {
      cool: `Not safe yet: bring it to ${least}, stirring, and no further than ${most}.`,
      'in it': `In the window of ${least} to ${most}. Hold it there.`,
      near: `Off the heat now: it scrambles over ${most}.`,
      over: `Over ${most} it scrambles. Let the pot cool before the egg goes in; if it is in, blend it at once.`,
    }[egg.stands];
    const temper = egg.temper;
    return {
      temp: heat(egg.tempC),
      by: probedC === undefined ? 'as last read.' : 'by the probe, now.',
      least,
      at: x(egg.tempC),
      from: x(egg.leastC),
      to: x(egg.mostC),
      watch: probedC === undefined ? 'Probe it often: key H.' : 'Leave the probe in.',
      warn: egg.stands === 'near' || egg.stands === 'over',
      says,
      temper:
        temper === undefined
          ? undefined
          : `Temper first: ${mass(temper.soupKg, this.hand.units())} of hot soup into the egg and cream, in ${String(temper.portions)} goes, stirring.`,
    };
  });
}
