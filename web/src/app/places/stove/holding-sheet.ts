import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { walk } from '@tureen/core/soup';
import { LEAVES_AS, TWO_STAGES, type LeavesAs } from '@tureen/core/steps';
import { mass } from '../figures';
import { Asking } from './asking';
import { Hand } from './hand';
import { Sheet } from './sheet';
import { degrees } from '@tureen/core/units';

/** What is offered first, min. */
const HALF_HOUR_MIN = 30;

/** What happens to the pot beside the bowls: held hot, topped up, filled up, eaten by the staff, spilt, left over. */
@Component({
  selector: 'tt-holding-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Sheet],
  template: `<tt-sheet title="Beside the bowls" [width]="760" (closed)="closed.emit()">
    @if (hour(); as one) {
      <p class="hour">{{ one.says }}</p>
      <p class="soft">{{ one.law }}</p>
    }
    <p class="row" role="group" aria-label="Held hot">
      <button type="button" class="press" (click)="held('off')">Held hot, lid off</button>
      <button type="button" class="press" (click)="held('on')">Held hot, lid on</button>
      @if (liquid(); as one) {
        <button type="button" class="press" (click)="held('off', one.id)">Held and topped up with {{ one.name }}</button>
      }
      <button type="button" class="press" (click)="refilled()">Filled up from a second pot</button>
    </p>
    <h3>Out of the pot, in no bowl</h3>
    <p class="row" role="group" aria-label="What else leaves the pot">
      @for (one of leaves; track one) {
        <button type="button" class="press" (click)="leave(one)">{{ one }}</button>
      }
      <button type="button" class="press" (click)="store()">left over, to the cold</button>
    </p>
  </tt-sheet>`,
  styles: `
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 10px;
      margin: 12px 0;
    }
    .press {
      min-height: 56px;
    }
    .hour {
      font-size: 20px;
      font-weight: 650;
    }
    h3 {
      margin-top: 18px;
      font-size: 18px;
    }
  `,
})
export class HoldingSheet {
  private readonly hand = inject(Hand);
  private readonly asking = inject(Asking);
  readonly closed = output();
  protected readonly leaves = LEAVES_AS;
  protected readonly hour = computed(() => {
    const hour = this.hand.front()?.hour;
    if (hour === undefined) return undefined;
    const units = this.hand.units();
    const kg = (value: number): string => mass(value, units);
    const body = `body ${hour.bodyFrom.toFixed(0)} → ${hour.bodyTo.toFixed(0)} mPa·s`;
    const salt = `salt ${hour.saltFromPct.toFixed(2)} → ${hour.saltToPct.toFixed(2)} %`;
    return {
      says: `An hour at ${degrees(hour.atC, units)} takes ${kg(hour.lostKg)} with the lid off, ${kg(hour.lidOnKg)} with it on. Lid off: ${body}, ${salt}.`,
      law: `Hold at ${degrees(hour.leastC, units)} or above (${hour.source}); your local law may ask for more, and comes first.`,
    };
  });
  /** What a pot that thickens is let down with: the soup's own liquid. */
  protected readonly liquid = computed(() => {
    const view = this.hand.view();
    if (view === undefined) return undefined;
    const step = walk(view.soup.root).find(({ step: one }) => one.op === 'cover' || one.op === 'thin')?.step;
    const id = step?.op === 'cover' || step?.op === 'thin' ? step.line : this.hand.liquids()[0]?.lineId;
    return id === undefined ? undefined : { id, name: this.hand.nameOf()(id) };
  });

  protected held(lid: 'off' | 'on', topUp?: string): void {
    const front = this.hand.front();
    if (front?.hour === undefined) return;
    const { atC } = front.hour;
    this.closed.emit();
    this.asking.ask(
      {
        title: `Held at ${degrees(atC, this.hand.units())}, lid ${lid}${topUp === undefined ? '' : `, topped up with ${this.hand.nameOf()(topUp)}`}: how long?`,
        unit: 'min',
        step: 5,
        least: 1,
        most: 600,
        start: HALF_HOUR_MIN,
        note: topUp === undefined ? 'Water steams away and it thickens.' : 'As much as steamed away is counted as poured back.',
      },
      ({ amount }) => {
        this.hand.enter(
          { kind: 'held', stepId: front.step.id, minutes: amount, atC, lid, ...(topUp === undefined ? {} : { topUp }) },
          `Held hot for ${String(amount)} min.`,
        );
      },
    );
  }

  protected refilled(): void {
    const front = this.hand.front();
    if (front === undefined) return;
    const tempC = Math.min(100, Math.round(front.pot.tempC));
    this.closed.emit();
    this.asking.ask(
      {
        title: 'How much came from the second pot?',
        unit: 'kg',
        step: 0.5,
        least: 0.01,
        most: 500,
        start: 5,
        note: `The same soup is counted, at ${degrees(tempC, this.hand.units())}. Probe it once it is in.`,
      },
      ({ amount, text }) => {
        this.hand.enter({ kind: 'refilled', stepId: front.step.id, kg: amount, tempC }, `${text} from a second pot.`);
      },
    );
  }

  protected leave(as: LeavesAs): void {
    const step = this.hand.step();
    const inPot = this.hand.front()?.pot.massKg ?? 0;
    if (step === undefined) return;
    this.closed.emit();
    this.asking.ask(
      {
        title: `Out of the pot: ${as}`,
        unit: 'kg',
        step: 0.1,
        least: 0.01,
        most: Math.max(0.1, Math.ceil(inPot)),
        start: Math.min(1, inPot),
      },
      ({ amount, text }) => {
        this.hand.enter({ kind: 'ladled out', stepId: step.id, kg: amount, as }, `${text}: ${as}.`);
      },
    );
  }

  protected store(): void {
    const inPot = this.hand.front()?.pot.massKg ?? 0;
    const { firstToC, firstMinutes, toC, allMinutes } = TWO_STAGES;
    const units = this.hand.units();
    const hours = (minutes: number): string => String(minutes / 60);
    this.closed.emit();
    this.asking.ask(
      {
        title: 'Left over: how much goes to the cold?',
        unit: 'kg',
        step: 0.1,
        least: 0.01,
        most: 500,
        start: Math.max(0.1, Math.round(inPot * 10) / 10),
        note: `Cool it fast: to ${degrees(firstToC, units)} within ${hours(firstMinutes)} hours and to ${degrees(toC, units)} within ${hours(allMinutes)} (FDA Food Code), in shallow pans or an ice bath.`,
      },
      ({ amount, text }) => {
        this.hand.enter({ kind: 'stored', kg: amount }, `${text} to the cold.`);
      },
    );
  }
}
