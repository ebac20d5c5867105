import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { walk } from '@tureen/core/soup';
import { mass } from '../figures';
import { Hand } from './hand';
import { degrees } from '@tureen/core/units';

const REST_MIN = 15;
const FILLS = [1 / 3, 0.5, 0.75, 1] as const;
const SCOOP_KG = 0.1;

function percent(share: number): string {
  return share === 1 / 3
    ? 'a third'
    : share === 0.5
      ? 'half'
      : share === 0.75
        ? 'three quarters'
        : share === 1
          ? 'full'
          : `${(share * 100).toFixed(0)} %`;
}

/** Jugs counted off, each filled to the line that the soup's heat allows; more is told why not, and only then done. */
@Component({
  selector: 'tt-jug-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (jug(); as now) {
      @if (over(); as fill) {
        <div role="alertdialog" aria-labelledby="too-full">
          <p id="too-full" class="caution hurt">
            {{ name(fill) === 'full' ? 'Filled to the brim' : 'Filled ' + name(fill) }} at {{ now.temp }}: steam under the blade
            throws the lid off and hot soup at your face and arms. The line for this heat is {{ now.most }}. Let it cool under
            {{ now.cool }} first, or fill less.
          </p>
          <p class="fills">
            <button type="button" class="press main" (click)="over.set(undefined)">Fill to the line</button>
            <button type="button" class="press" (click)="filled(fill)">I have read this; it was filled so</button>
          </p>
        </div>
      } @else {
        <div class="jug">
          <svg viewBox="0 0 90 110" aria-hidden="true">
            <path d="M 12 6 H 66 L 60 104 H 18 Z" class="glass" />
            <path [attr.d]="now.fill" class="soup" [style.fill]="colour()" />
            <path [attr.d]="now.line" class="line" />
          </svg>
          <div>
            <p class="count">
              Jug <strong>{{ now.next }}</strong> of about {{ now.jugs }}
            </p>
            <p>
              Fill to <strong>{{ now.most }}</strong> at {{ now.temp }}: {{ now.litres }} L, about {{ now.pieces }} pieces and
              {{ now.liquid }} liquid in each.
            </p>
            <p class="soft">Lid vented, a cloth over it, start low.</p>
          </div>
        </div>
        <p class="fills" role="group" aria-label="Jug filled to">
          <button type="button" class="press main" (click)="filled(now.share)">
            Jug done, {{ now.most }} full <span class="key" aria-hidden="true">J</span>
          </button>
          <button type="button" class="press" (click)="scoop()">Cold scoop, 100 mL</button>
          <button type="button" class="press" (click)="rest()">Rest {{ restMin }} min</button>
          @for (fill of now.more; track fill) {
            <button type="button" class="press" (click)="over.set(fill)">{{ name(fill) }}</button>
          }
        </p>
      }
    }
  `,
  styles: `
    .jug {
      display: grid;
      grid-template-columns: 76px 1fr;
      gap: 14px;
      align-items: center;
    }
    .glass {
      fill: var(--cream);
      stroke: var(--ink);
      stroke-width: 3;
    }
    .soup {
      stroke: var(--ink);
      stroke-width: 2;
    }
    .line {
      stroke: var(--ink);
      stroke-width: 4;
      stroke-dasharray: 8 4;
    }
    .count {
      font-size: 24px;
    }
    .caution {
      margin-bottom: 8px;
    }
    .fills {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
    }
    .press {
      min-height: 56px;
      padding: 0 12px;
    }
  `,
})
export class JugPanel {
  private readonly hand = inject(Hand);
  protected readonly restMin = REST_MIN;
  protected readonly over = signal<number | undefined>(undefined);
  protected readonly colour = computed(() => this.hand.view()?.pot.colour ?? null);
  protected readonly name = percent;
  protected readonly jug = computed(() => {
    const jug = this.hand.front()?.jug;
    if (jug === undefined) return undefined;
    const top = 104 - 98 * jug.fillShare;
    const inset = (y: number): number => 6 * ((y - 6) / 98);
    const edge = inset(top);
    return {
      next: jug.done + 1,
      jugs: Math.max(jug.jugs, jug.done + 1),
      share: jug.fillShare,
      most: percent(jug.fillShare),
      temp: degrees(jug.tempC, this.hand.units()),
      cool: degrees(jug.coolC, this.hand.units()),
      litres: (jug.volumeM3 * jug.fillShare * 1000).toFixed(1),
      pieces: mass(jug.piecesKg, this.hand.units()),
      liquid: mass(jug.liquidKg, this.hand.units()),
      fill: `M ${String(12 + edge)} ${String(top)} H ${String(66 - edge)} L 60 104 H 18 Z`,
      line: `M 8 ${String(top)} H 72`,
      more: FILLS.filter((fill) => fill > jug.fillShare + 0.01),
    };
  });

  protected filled(fillShare: number): void {
    this.over.set(undefined);
    this.hand.jugged(fillShare);
  }

  /** A scoop of what is cold and thin: the step's own, else the soup's liquid. Never forgotten again. */
  protected scoop(): void {
    const step = this.hand.step();
    const view = this.hand.view();
    if (step?.op !== 'blend' || view === undefined) return;
    const cover = walk(view.soup.root).find(({ step: one }) => one.op === 'cover' || one.op === 'thin')?.step;
    const line = step.coldScoop?.line ?? (cover?.op === 'cover' || cover?.op === 'thin' ? cover.line : this.hand.liquidId());
    if (line !== undefined) this.hand.add(line, SCOOP_KG);
  }

  protected rest(): void {
    this.hand.timer('Rest before the jug', REST_MIN);
  }
}
