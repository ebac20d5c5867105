import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { USUAL_DRY_TRAY, dryLoad, drynessOf, stuffOf, type DryTray } from '@tureen/core/cold';
import { dayOf } from '@tureen/core/kit';
import { makeIngredient } from '@tureen/core/larder';
import { solidsShare, type Container, type Store } from '@tureen/core/stock';
import { NumberField } from '../../parts/number-field';
import { Clock } from '../../services/clock';
import { recall, remember } from '../../services/remembered';
import { Stock } from '../../services/stock';
import { kitchenZone } from '../../services/zone';
import { mass } from '../figures';

const TRAY_KEY = 'tureen-dry-tray';
const MINUTE_MS = 60_000;
const DRY_STORE: Store = { id: 'dry-store', name: 'Dry store', kind: 'room' };

function trayKept(): DryTray {
  const [lengthM, widthM, depthM, squares] = (recall(TRAY_KEY) ?? '').split(' ').map(Number);
  const isWhole = [lengthM, widthM, depthM, squares].every((one) => one !== undefined && one > 0);
  return isWhole ? { lengthM: lengthM ?? 0, widthM: widthM ?? 0, depthM: depthM ?? 0, squares: squares ?? 0 } : USUAL_DRY_TRAY;
}

/** A soup that goes into the freeze-dryer: how it lies in its trays, what should be left of it, and when it falls no more. */
@Component({
  selector: 'tt-freeze-dry',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, NumberField],
  template: `@if (container().drying) {
      <h2>In the freeze-dryer</h2>
      <p>{{ expected() }}</p>
      @if (verdict(); as text) {
        <p class="verdict" role="status">{{ text }}</p>
      }
      <form (submit)="$event.preventDefault(); weigh()">
        <label
          >all cakes weigh
          <span class="figure"
            ><tt-number label="all cakes weigh, g" [least]="1" [most]="mostG()" [step]="5" name="cakes" [(ngModel)]="typedG" />
            g</span
          ></label
        >
        <button type="submit" class="press" [attr.aria-disabled]="typedG() === null || null">Enter the weight</button>
        @if (dryness(); as known) {
          <button type="button" class="press" [class.main]="known.isDry" (click)="dried()">
            Dry, {{ weighs(known.kg) }}: into the dry store
          </button>
        }
      </form>
    } @else {
      <form (submit)="$event.preventDefault(); begin()">
        <p>A tray of the dryer</p>
        <label
          >long
          <span class="figure"
            ><tt-number
              label="tray long, mm"
              [least]="50"
              [most]="2000"
              [step]="10"
              name="long"
              [ngModel]="mm('lengthM')"
              (ngModelChange)="set('lengthM', $event)"
            />
            mm</span
          ></label
        >
        <label
          >wide
          <span class="figure"
            ><tt-number
              label="tray wide, mm"
              [least]="50"
              [most]="2000"
              [step]="10"
              name="wide"
              [ngModel]="mm('widthM')"
              (ngModelChange)="set('widthM', $event)"
            />
            mm</span
          ></label
        >
        <label
          >deep
          <span class="figure"
            ><tt-number
              label="tray deep, mm"
              [least]="5"
              [most]="200"
              [step]="1"
              name="deep"
              [ngModel]="mm('depthM')"
              (ngModelChange)="set('depthM', $event)"
            />
            mm</span
          ></label
        >
        <label
          >squares
          <span class="figure"
            ><tt-number
              label="squares of a tray"
              [least]="1"
              [most]="200"
              [step]="1"
              name="squares"
              [ngModel]="tray().squares"
              (ngModelChange)="squares($event)" /></span
        ></label>
        <p class="wide" role="status">{{ laid() }}</p>
        @if (isPast()) {
          <p class="caution">
            <span>It is past its day: dried, it would be past it all the same.</span>
          </p>
        }
        <button type="submit" class="press main">It lies in these: into the dryer</button>
      </form>
    }
    <p class="caution">
      <span
        >Cold when it goes in, carried level, not to the brim. Dry is not sterile: sealed at once against damp; a soft middle goes
        back in. Your maker’s instructions and local food law come first.</span
      >
    </p>`,
  styleUrl: './container.less',
})
export class FreezeDry {
  private readonly stock = inject(Stock);
  private readonly clock = inject(Clock);
  readonly container = input.required<Container>();
  protected readonly tray = signal(trayKept());
  protected readonly typedG = signal<number | null>(null);

  private readonly load = computed(() => {
    const { kg, contents } = this.container();
    const { densityKgM3 } = stuffOf(makeIngredient(contents.row).perKg, 1);
    return dryLoad({ kg, densityKgM3, waterShare: 1 - solidsShare(contents), tray: this.tray() });
  });
  protected readonly laid = computed(() => {
    const { trays, kgEach, depthM, kgPerSquare, cakeKg } = this.load();
    const { kg, contents } = this.container();
    const perBowl = contents.bowlG / 1000 / kgPerSquare;
    const squares = `a bowl is ${String(Number(perBowl.toFixed(1)))} squares of ${mass(kgPerSquare, 'metric')}`;
    return `${mass(kg, 'metric')} in ${String(trays)} ${trays === 1 ? 'tray' : `trays, ${mass(kgEach, 'metric')} each`}, ${(depthM * 1000).toFixed(0)} mm deep; ${squares}. Dry, all of it should weigh about ${mass(cakeKg, 'metric')}.`;
  });

  private readonly solidsKg = computed(() => (this.container().drying?.wetKg ?? 0) * solidsShare(this.container().contents));
  protected readonly mostG = computed(() => Math.max(1, Math.round(this.container().kg * 1000)));
  protected readonly dryness = computed(() => {
    const { drying } = this.container();
    const weighings = (drying?.weighings ?? []).map(({ atMs, kg }) => ({
      minute: (atMs - (drying?.startMs ?? 0)) / MINUTE_MS,
      kg,
    }));
    return drynessOf(weighings, this.solidsKg());
  });
  protected readonly expected = computed(() => {
    const { drying } = this.container();
    if (drying === undefined) return '';
    const trays = `${mass(drying.wetKg, 'metric')} in ${String(drying.trays)} ${drying.trays === 1 ? 'tray' : 'trays'}`;
    return `${trays}; its solids are ${mass(this.solidsKg(), 'metric')}. Weigh all cakes without their trays, an hour apart or more: dry when they fall no more.`;
  });
  protected readonly verdict = computed(() => {
    const known = this.dryness();
    if (known === undefined) return '';
    const { kg, moisture, fellKg, isDry, isSettled } = known;
    const head = `${mass(kg, 'metric')} last`;
    if (moisture === undefined) return `${head}: less than its own solids. Look at the scale, or what was spilt.`;
    const wet = `about ${(moisture * 100).toFixed(0)} % of it water`;
    if (isDry) return `✓ ${head}, ${wet}: two weighings agree, it is dry.`;
    if (isSettled)
      return `▲ ${head}, ${wet}: it falls no more, yet is too heavy to be dry. Break a cake: ice or softness in the middle goes back in.`;
    const fell =
      fellKg === undefined ? 'one more, an hour later, tells' : `it still falls: ${mass(fellKg, 'metric')} since the one before`;
    return `${head}, ${wet}; ${fell}.`;
  });

  protected readonly isPast = computed(() => this.container().useBy.day < dayOf(this.clock.now(), kitchenZone()));

  protected mm(key: 'lengthM' | 'widthM' | 'depthM'): number {
    return Math.round(this.tray()[key] * 1000);
  }

  protected set(key: 'lengthM' | 'widthM' | 'depthM', mm: number | null): void {
    if (mm !== null && mm > 0) this.keep({ ...this.tray(), [key]: mm / 1000 });
  }

  protected squares(count: number | null): void {
    if (count !== null && count >= 1) this.keep({ ...this.tray(), squares: Math.round(count) });
  }

  private keep(tray: DryTray): void {
    this.tray.set(tray);
    remember(TRAY_KEY, [tray.lengthM, tray.widthM, tray.depthM, tray.squares].join(' '));
  }

  protected weighs(kg: number): string {
    return mass(kg, 'metric');
  }

  protected begin(): void {
    const { trays } = this.load();
    void this.stock.enter({ kind: 'set to dry', container: this.container().id, trays, squares: this.tray().squares });
  }

  protected async weigh(): Promise<void> {
    const grams = this.typedG();
    if (grams === null || grams <= 0) return;
    await this.stock.enter({ kind: 'weighed dry', container: this.container().id, kg: grams / 1000 });
    this.typedG.set(null);
  }

  protected dried(): void {
    const known = this.dryness();
    if (known !== undefined)
      void this.stock.enter({ kind: 'dried', container: this.container().id, kg: known.kg, store: DRY_STORE });
  }
}
