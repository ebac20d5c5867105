import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { ActivatedRoute, Router, RouterLink } from '@angular/router';
import type { Remembered } from '@tureen/core/batch';
import { dayOf, momentOf } from '@tureen/core/kit';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { AmountField } from '../../parts/amount-field';
import { ClockField } from '../../parts/clock-field';
import { Cooking } from '../../cooking/cooking';
import { Batches } from '../../services/batches';
import { Clock } from '../../services/clock';
import { newId } from '../../services/device';
import { Plans } from '../../services/plans';
import { kitchenZone } from '../../services/zone';
import { weighedIn } from '@tureen/core/units';
import { mass } from '../figures';
import { LedgerTabs } from './ledger-tabs';

/** When most soups are begun, until the cook says otherwise. Kitchen default. */
const USUAL_START = '09:00';
const HOUR_MIN = 60;

/** A batch that was cooked without the page, entered afterwards with what is remembered: the plan stands for all the rest. */
@Component({
  selector: 'tt-past-batch',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AmountField, ClockField, FormsModule, LedgerTabs, NzInputModule, NzSelectModule, RouterLink],
  templateUrl: './past-batch.html',
  styleUrl: './past-batch.less',
})
export class PastBatch {
  private readonly plans = inject(Plans);
  private readonly batches = inject(Batches);
  private readonly cooking = inject(Cooking);
  private readonly clock = inject(Clock);
  private readonly router = inject(Router);
  private readonly batchId = newId();
  private readonly params = toSignal(inject(ActivatedRoute).queryParamMap);
  private readonly answer = toSignal(this.plans.plans$);
  // Plans are worked out again in a thread that has to know the kitchen first.
  private readonly stocked = toSignal(this.cooking.stocked$);

  private readonly units = computed(() => this.stocked()?.kit?.units ?? 'metric');
  protected readonly unit = computed(() => weighedIn(this.units()));
  protected readonly trouble = computed(() => {
    const answer = this.answer();
    return answer?.ok === false ? answer.refusal.sentence : undefined;
  });
  /** Kept plans that nobody has cooked yet. */
  protected readonly choices = computed(() => {
    const answer = this.answer();
    if (answer?.ok !== true) return undefined;
    return answer.value.plans
      .filter(({ batchId }) => batchId === null)
      .map((plan) => ({
        id: plan.id,
        figures: plan.figures,
        name: `${plan.soupName}, ${plan.figures.bowls.toFixed(0)} bowls, ${mass(plan.figures.cookedKg, this.units())}`,
      }));
  });
  protected readonly planId = linkedSignal<string | null>(() => this.params()?.get('plan') ?? this.choices()?.[0]?.id ?? null);
  protected readonly plan = computed(() => this.choices()?.find(({ id }) => id === this.planId()));

  protected readonly today = computed(() => dayOf(this.clock.now(), kitchenZone()));
  protected readonly date = linkedSignal(() => this.today());
  protected readonly at = signal(USUAL_START);
  protected readonly cookedKg = signal<number | null>(null);
  protected readonly bowls = signal<number | null>(null);
  protected readonly keptKg = signal<number | null>(null);
  protected readonly note = signal('');
  protected readonly refused = signal('');
  protected readonly busy = signal(false);

  protected kilos(value: number): number {
    return value * this.unit().kg;
  }

  protected shown(kg: number | null): number | null {
    return kg === null ? null : Math.round((kg / this.unit().kg) * 1000) / 1000;
  }

  protected cooked(kg: number): string {
    return mass(kg, this.units());
  }

  protected text(event: Event): string {
    return (event.target as HTMLInputElement).value;
  }

  protected async enter(): Promise<void> {
    const plan = this.plan();
    if (plan === undefined || this.busy() || this.stocked() === undefined) return;
    const [hours = 0, minutes = 0] = this.at().split(':').map(Number);
    const startedAtMs = momentOf(this.date(), hours * HOUR_MIN + minutes, kitchenZone());
    if (!Number.isFinite(startedAtMs)) {
      this.refused.set('Say on which day it was begun.');
      return;
    }
    this.busy.set(true);
    this.refused.set((await this.entered(plan.id, startedAtMs)) ?? '');
    this.busy.set(false);
  }

  /** @returns why it could not be entered; undefined where it was. */
  private async entered(planId: string, startedAtMs: number): Promise<string | undefined> {
    const kept = await this.plans.one(planId);
    if (!kept.ok) return kept.refusal.sentence;
    const [cookedKg, bowls, keptKg] = [this.cookedKg(), this.bowls(), this.keptKg()];
    const of: Remembered = {
      startedAtMs,
      note: this.note(),
      ...(cookedKg === null ? {} : { cookedKg }),
      ...(bowls === null ? {} : { bowls }),
      ...(keptKg === null ? {} : { keptKg }),
    };
    const actions = await this.cooking.calculator.remembered(kept.value.snapshot, of);
    if ((actions.at(-1)?.atMs ?? startedAtMs) > this.clock.now())
      return 'By its plan it would not be over yet. Say when it was begun, or start it at the stove.';
    const done = await this.batches.remember(this.batchId, planId, startedAtMs, actions);
    if (!done.ok) return done.refusal.sentence;
    await this.router.navigate(['/ledger', this.batchId]);
    return undefined;
  }
}
