import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { PotPicture } from '../../parts/pot';
import { depth, mass, NOTHING_KG } from '../figures';
import { NINETY } from './gauges';
import { Hand } from './hand';
import { Questions } from './questions';
import { degrees } from '@tureen/core/units';

/** The vessel of the step in hand: how full, how heavy, how hot, and what has not gone in yet. */
@Component({
  selector: 'tt-pot-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [PotPicture],
  template: `
    @if (pot(); as now) {
      <section class="pot" aria-label="The pot">
        <p>{{ now.title }}</p>
        <tt-pot
          [vessel]="now.vessel"
          [levelM]="now.levelM"
          [wantedM]="now.wantedM"
          [headspaceM]="now.headspaceM"
          [colour]="now.colour"
          [label]="now.vessel.name + ': ' + now.mass + ', ' + now.title"
        />
        <p class="mass">{{ now.mass }}</p>
        <p class="soft">± {{ now.sd }} · {{ now.temp }}</p>
        @if (now.over !== '') {
          <p class="caution" role="status">{{ now.over }}</p>
        }
        @if (notIn() !== '') {
          <p class="not-in"><strong>Still to add</strong> {{ notIn() }}</p>
        }
        <p class="soft yield">{{ now.yield }}</p>
        @if (questions.scaleKg(); as kg) {
          <button type="button" class="press scale" (click)="questions.weighed()" [attr.aria-label]="'Scale: enter ' + shownOf(kg)">
            Scale: {{ shownOf(kg) }} <span class="key" aria-hidden="true">E</span>
          </button>
        }
      </section>
    }
  `,
  styleUrl: './pot-panel.less',
})
export class PotPanel {
  private readonly hand = inject(Hand);
  protected readonly questions = inject(Questions);
  protected readonly pot = computed(() => {
    const view = this.hand.view();
    if (view === undefined) return undefined;
    const front = this.hand.front();
    const pot = front?.pot ?? view.pot;
    const apart = front?.in.vessel === 'tray' ? 'on the tray' : (front?.in.name ?? '');
    const inPot = front === undefined || front.branchId === view.soup.root.id;
    const units = this.hand.units();
    const { cookedKg, bowls } = view.forecast;
    return {
      title: inPot ? `${depth(Math.max(0, pot.belowRimM), units)} below the rim` : apart,
      mass: mass(pot.massKg, units),
      sd: mass(pot.sdKg > 0.1 ? Math.round(pot.sdKg * 10) / 10 : pot.sdKg, units),
      temp: degrees(pot.tempC, units),
      vessel: view.vessel,
      levelM: inPot ? pot.levelM : 0,
      wantedM: inPot ? (front?.wantedLevelM ?? 0) : 0,
      headspaceM: view.headspaceM,
      colour: pot.colour,
      over:
        inPot && pot.belowRimM < 0
          ? `By the sums ${depth(-pot.belowRimM, units)} over the rim: a ladle too many, or another pot? All of it is kept; take one back, or dip.`
          : '',
      // What a pot weighs is not known better at the end than it is now.
      yield: `comes to ${mass(cookedKg, units)}, ${bowlsText(bowls, view.dishedBowls ?? 0, pot.massKg > 0 ? pot.sdKg / pot.massKg : 0)}`,
    };
  });
  /** To a tenth of a kilo: a scale's last figure never stands still. */
  protected shownOf(kg: number): string {
    return mass(Math.round(kg * 10) / 10, this.hand.units());
  }

  protected readonly notIn = computed(() => {
    const view = this.hand.view();
    if (view === undefined) return '';
    const names = view.toGoKg
      .filter(([, kg]) => kg > NOTHING_KG)
      .map(([line, kg]) => `${this.hand.nameOf()(line)} ${mass(kg, this.hand.units())}`);
    return [...new Set(names)].join(', ');
  });
}

/** Bowls with what nine times in ten they lie between; of those that are counted nothing is unsure any more. */
function bowlsText(bowls: number, counted: number, share: number): string {
  const left = Math.max(0, bowls - counted);
  const by = left * share * NINETY;
  if (!(bowls >= 1)) return 'no bowls';
  const between = by < 0.5 ? left.toFixed(0) : `${Math.max(0, left - by).toFixed(0)} to ${(left + by).toFixed(0)}`;
  return counted > 0 ? `${counted.toFixed(0)} bowls counted, ${between} more` : `${between} bowls`;
}
