import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { Plans } from '../../services/plans';
import { Soups } from '../../services/soups';
import { day } from '../figures';

/** Plan without a soup: choose one. */
@Component({
  selector: 'tt-choose-soup',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `<main class="place">
    <h1>Plan which soup?</h1>
    @if (trouble(); as text) {
      <p class="caution" role="alert">{{ text }}</p>
    }
    @if (plans().length > 0) {
      <h2>Kept plans, not started yet</h2>
      <ul>
        @for (plan of plans(); track plan.id) {
          <li>
            <a class="press" [routerLink]="['/plan', plan.soupId]" [queryParams]="{ plan: plan.id }"
              ><span class="soup-name">{{ plan.soupName }}</span>
              <span class="soft">{{ plan.figures.bowls.toFixed(0) }} bowls · kept {{ day(plan.createdAtMs) }}</span></a
            >
            <button type="button" class="press" (click)="drop(plan.id)">Drop</button>
          </li>
        }
      </ul>
      <h2>Or a new one</h2>
    }
    <ul>
      @for (soup of soups(); track soup.id) {
        <li>
          <a class="press" [routerLink]="['/plan', soup.id]"
            ><span class="soup-name">{{ soup.name }}</span> <span class="soft">{{ soup.school }} · {{ soup.served }}</span></a
          >
        </li>
      } @empty {
        <li>The shelf is empty. <a class="press main" routerLink="/shelf">Put a soup on it</a></li>
      }
    </ul>
  </main>`,
  styles: `
    ul {
      display: grid;
      gap: 12px;
      max-width: 760px;
    }
    li {
      display: flex;
      gap: 10px;
    }
    h2 {
      font-size: 20px;
    }
    a.press {
      width: 100%;
      box-sizing: border-box;
      justify-content: space-between;
    }
    .soup-name {
      font-size: 22px;
      color: var(--cobalt);
    }
    .soft {
      font-weight: 400;
    }
  `,
})
export class ChooseSoup {
  private readonly kept = inject(Plans);
  private readonly answer = toSignal(inject(Soups).shelf$);
  private readonly plansAnswer = toSignal(this.kept.plans$);
  protected readonly day = day;
  protected readonly plans = computed(() => {
    const answer = this.plansAnswer();
    return answer?.ok === true ? answer.value.plans.filter(({ batchId }) => batchId === null) : [];
  });
  protected readonly refused = signal('');
  protected readonly soups = computed(() => {
    const answer = this.answer();
    return answer?.ok === true ? answer.value.soups.filter(({ retired }) => !retired) : [];
  });
  protected readonly trouble = computed(() => {
    const answer = this.answer();
    return answer?.ok === false ? answer.refusal.sentence : this.refused();
  });

  protected async drop(id: string): Promise<void> {
    const answer = await this.kept.drop(id);
    this.refused.set(answer.ok ? '' : answer.refusal.sentence);
  }
}
