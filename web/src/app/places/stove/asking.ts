import { inject, Injectable, signal } from '@angular/core';
import type { AmountQuestion } from './amount-dialog';
import { Hand } from './hand';
import { rounded, typedIn } from '../../parts/typed';

export interface AmountAnswer {
  /** In the unit that was asked for, whatever it was typed in. */
  readonly amount: number;
  readonly lineId: string | undefined;
  /** As it was typed, with its unit. */
  readonly text: string;
}

/** One question with a number for its answer, asked over the stove: in metric by whoever asks, in the kitchen's own units at the screen. */
@Injectable()
export class Asking {
  private readonly hand = inject(Hand);
  readonly question = signal<AmountQuestion | undefined>(undefined);
  private take: (typed: { readonly amount: number; readonly lineId: string | undefined }) => void = () => undefined;

  ask(question: AmountQuestion, take: (answer: AmountAnswer) => void): void {
    const { unit, factor, shift, step } = typedIn(question.unit, question.step, this.hand.units());
    const shown = (value: number): number => rounded(value * factor + shift);
    this.take = ({ amount, lineId }) => {
      take({ amount: (amount - shift) / factor, lineId, text: `${String(amount)} ${unit}` });
    };
    this.question.set({
      ...question,
      unit,
      step,
      factor,
      // Nobody sets a thermometer to a tenth.
      start: question.unit === '°C' ? Math.round(shown(question.start)) : shown(question.start),
      most: shown(question.most),
      ...(question.least === undefined ? {} : { least: shown(question.least) }),
      ...(question.starts === undefined ? {} : { starts: new Map([...question.starts].map(([id, value]) => [id, shown(value)])) }),
    });
  }

  answered(answer: { readonly amount: number; readonly lineId: string | undefined }): void {
    this.question.set(undefined);
    this.take(answer);
  }

  cancelled(): void {
    this.question.set(undefined);
  }
}
