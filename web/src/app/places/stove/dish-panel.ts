import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { walk } from '@tureen/core/soup';
import { mass } from '../figures';
import { Hand } from './hand';

const BY = [1, 5, 10] as const;

/** Bowls counted up by touch, per share with its garnish and by sitting. */
@Component({
  selector: 'tt-dish-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `
    <ul class="shares">
      @for (share of shares(); track share.id) {
        <li>
          <p>
            <strong>{{ share.name }}</strong>&ngsp;<span class="out">{{ share.out }}</span
            >&ngsp;<span class="soft">of {{ share.of }} out</span>
            <span class="soft with">{{ share.with }}</span>
          </p>
          <p class="row" role="group" [attr.aria-label]="share.name + ' bowls'">
            @for (by of bys; track by) {
              <button type="button" class="press" (click)="count(share.id, by)">+{{ by }}</button>
            }
          </p>
        </li>
      }
    </ul>
    <p class="row" role="group" aria-label="Sitting">
      <button
        type="button"
        class="press small"
        [attr.aria-pressed]="sitting() === 2"
        (click)="sitting.set(sitting() === 2 ? 1 : 2)"
      >
        Second sitting
      </button>
      <a class="press small" [routerLink]="['/stove', hand.batchId(), 'counter']">Counter card</a>
      <button type="button" class="press small" (click)="holding.emit()">
        Held, left over <span class="key" aria-hidden="true">O</span>
      </button>
    </p>
    @if (elsewhere() !== '') {
      <p class="soft">{{ elsewhere() }}</p>
    }
  `,
  styles: `
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
    }
    .press {
      min-height: 56px;
      min-width: 64px;
    }
    .small {
      padding: 0 12px;
      font-size: 16px;
    }
    .shares {
      display: grid;
      gap: 8px;
    }
    .shares li {
      display: grid;
      grid-template-columns: 1fr auto;
      align-items: center;
      gap: 4px 10px;
      line-height: 1.2;
    }
    .with {
      display: block;
    }
    .out {
      font-size: 28px;
      font-weight: 700;
    }
  `,
})
export class DishPanel {
  protected readonly hand = inject(Hand);
  readonly holding = output();
  protected readonly bys = BY;
  protected readonly sitting = signal<number>(1);
  protected readonly shares = computed(() => {
    const view = this.hand.view();
    if (view === undefined) return [];
    const step = walk(view.soup.root).find(({ step: one }) => one.op === 'dish')?.step;
    const settings = new Map((step?.op === 'dish' ? (step.shares ?? []) : []).map((share) => [share.id, share]));
    const single = view.shares.length === 1;
    return view.shares.map(({ id, name, whole }) => {
      const own = settings.get(id);
      const on = [...(own?.finish ?? []), ...(own?.garnish ?? [])].map(
        ({ line, gPerBowl }) => `${String(Math.round(gPerBowl * 10) / 10)} g ${this.hand.nameOf()(line)}`,
      );
      return {
        id,
        name,
        of: whole,
        out: single ? (view.dishedBowls ?? 0) : (view.output.byShare.get(id) ?? 0),
        with: on.length === 0 ? '' : `each with ${on.join(', ')}`,
      };
    });
  });
  protected readonly elsewhere = computed(() => {
    const out = this.hand.view()?.output;
    if (out === undefined) return '';
    const units = this.hand.units();
    const parts = [...out.elsewhereKg].map(([word, kg]) => `${word} ${mass(kg, units)}`);
    const second = out.bySitting.get(2);
    return [
      ...(second === undefined ? [] : [`second sitting ${String(second)} bowls`]),
      ...parts,
      ...(out.storedKg > 0 ? [`to the cold ${mass(out.storedKg, units)}`] : []),
    ].join(' · ');
  });

  count(shareId: string | undefined, bowls: number): void {
    const view = this.hand.view();
    if (view === undefined) return;
    const share = view.shares.length > 1 ? view.shares.find(({ id }) => id === shareId) : undefined;
    this.hand.enter(
      {
        kind: 'dished',
        bowls,
        ...(share === undefined ? {} : { share: share.id }),
        ...(this.sitting() === 1 ? {} : { sitting: this.sitting() }),
      },
      `${String(bowls)} ${bowls === 1 ? 'bowl' : 'bowls'} counted${share === undefined ? '' : `, ${share.name}`}.`,
    );
  }
}
