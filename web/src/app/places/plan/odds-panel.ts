import { ChangeDetectionStrategy, Component, computed, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { Kit } from '@tureen/core/kit';
import type { IngredientRow } from '@tureen/core/larder';
import { unsureWords } from '@tureen/core/messages';
import type { HeldTo, Outcome } from '@tureen/core/odds';
import type { PlanRequest } from '@tureen/core/plan';
import type { Soup } from '@tureen/core/soup';
import { showMinutes, type UnitSystem } from '@tureen/core/units';
import { catchError, debounceTime, of, switchMap } from 'rxjs';
import { askOdds, type OddsNews } from '../../cooking/odds';
import { Choice } from '../../parts/choice';
import { InKitchensPanel } from '../../parts/kitchens/in-kitchens';
import { mass } from '../figures';

const SAMPLES = 2000;
const SEED = 20_260_917;
const SETTLED_MS = 150;

const HOLD: readonly { readonly value: HeldTo; readonly name: string; readonly what: string }[] = [
  { value: 'amounts', name: 'the amounts', what: 'Everything is measured out as planned, whatever the pot has become.' },
  { value: 'body', name: 'the body', what: 'It is let down or boiled to the body wanted, so the bowls vary.' },
  { value: 'bowls', name: 'the bowls', what: 'It is let down to the bowls wanted, so the body varies.' },
];

const NAMES: Readonly<Record<Outcome, string>> = {
  bowls: 'bowls',
  servedKg: 'kilos dished out',
  bodyMPas: 'body',
  saltPct: 'salt',
  minutes: 'minutes',
};
const MOST_DRAWN = 120;
const MATTERING = 5;

/** How the batch may turn out: bowls that can be counted on, bands, and what matters most. */
@Component({
  selector: 'tt-odds-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice, InKitchensPanel],
  templateUrl: './odds-panel.html',
  styleUrl: './odds-panel.less',
})
export class OddsPanel {
  readonly soup = input.required<Soup>();
  readonly request = input.required<PlanRequest>();
  readonly kit = input.required<Kit>();
  readonly rows = input.required<readonly IngredientRow[]>();
  readonly units = input.required<UnitSystem>();
  readonly nameOf = input.required<(lineId: string) => string>();

  protected readonly hold = HOLD;
  protected readonly held = signal<HeldTo>('amounts');
  protected readonly kitchens = computed(() => ({
    plan: { soup: this.soup(), request: this.request(), kit: this.kit(), rows: this.rows() },
  }));
  private readonly question = computed(() => ({
    soup: this.soup(),
    request: this.request(),
    kit: this.kit(),
    rows: this.rows(),
    held: this.held(),
    samples: SAMPLES,
    seed: SEED,
  }));
  private readonly news = toSignal<OddsNews | 'failed'>(
    toObservable(this.question).pipe(
      debounceTime(SETTLED_MS),
      switchMap((question) => askOdds(question).pipe(catchError(() => of('failed' as const)))),
    ),
  );
  protected readonly failed = computed(() => this.news() === 'failed');
  protected readonly share = computed(() => {
    const news = this.news();
    return news === undefined || news === 'failed' ? 0 : news.share;
  });
  protected readonly odds = computed(() => {
    const news = this.news();
    return news === undefined || news === 'failed' ? undefined : news.odds;
  });
  protected readonly samples = SAMPLES;
  protected readonly seed = SEED;
  protected readonly heldName = computed(() => HOLD.find(({ value }) => value === this.odds()?.held)?.name ?? '');
  protected readonly what = computed(() => HOLD.find(({ value }) => value === this.held())?.what ?? '');
  protected readonly other = computed(() => {
    const odds = this.odds();
    return odds === undefined || odds.held === this.held() ? '' : 'This soup has no step to hold that by, so the amounts are held.';
  });

  /** Bowls one by one: sure, likely, possible. Beyond a tableful they stand for several each. */
  protected readonly bowls = computed(() => {
    const odds = this.odds();
    if (odds === undefined) return { each: 1, drawn: [] };
    const most = Math.ceil(odds.bands.bowls.p95);
    const each = Math.max(1, Math.ceil(most / MOST_DRAWN));
    return {
      each,
      drawn: Array.from({ length: Math.ceil(most / each) }, (_, n) => {
        const at = (n + 1) * each;
        return at <= odds.bowls.with90 ? 'sure' : at <= odds.bowls.with50 ? 'likely' : 'maybe';
      }),
    };
  });

  protected readonly bands = computed(() => {
    const odds = this.odds();
    if (odds === undefined) return [];
    return (Object.keys(NAMES) as Outcome[]).map((outcome) => {
      const band = odds.bands[outcome];
      const low = Math.min(band.p5, band.p50 * 0.7);
      const high = Math.max(band.p95, band.p50 * 1.3);
      const at = (x: number): number => ((x - low) / Math.max(1e-9, high - low)) * 300;
      return {
        outcome,
        name: NAMES[outcome],
        middle: this.shown(outcome, band.p50),
        from: this.shown(outcome, band.p5),
        to: this.shown(outcome, band.p95),
        p5: at(band.p5),
        p25: at(band.p25),
        p50: at(band.p50),
        p75: at(band.p75),
        p95: at(band.p95),
      };
    });
  });

  protected readonly matters = computed(() => {
    const odds = this.odds();
    if (odds === undefined) return [];
    const outcome: Outcome = odds.held === 'bowls' ? 'bodyMPas' : 'bowls';
    return [...odds.matters]
      .filter((one) => one.outcome === outcome)
      .sort((a, b) => b.share - a.share)
      .slice(0, MATTERING)
      .map(({ key, share }) => ({ words: unsureWords(key, this.nameOf()), share: Math.round(share * 100) }));
  });

  protected readonly matterTitle = computed(() => `What matters most for the ${this.odds()?.held === 'bowls' ? 'body' : 'bowls'}`);

  private shown(outcome: Outcome, value: number): string {
    switch (outcome) {
      case 'bowls':
        return value.toFixed(1);
      case 'servedKg':
        return mass(value, this.units());
      case 'bodyMPas':
        return `${value.toFixed(0)} mPa·s`;
      case 'saltPct':
        return `${value.toFixed(2)} %`;
      case 'minutes':
        return showMinutes(value);
    }
  }
}
