import { Injectable, signal } from '@angular/core';
import type { AmountQuestion } from './amount-dialog';

export interface AmountAnswer {
  readonly amount: number;
  readonly lineId: string | undefined;
}

/** One question with a number for its answer, asked over the stove. */
@Injectable()
export class Asking {
  readonly question = signal<AmountQuestion | undefined>(undefined);
  private take: (answer: AmountAnswer) => void = () => undefined;

  ask(question: AmountQuestion, take: (answer: AmountAnswer) => void): void {
    this.take = take;
    this.question.set(question);
  }

  answered(answer: AmountAnswer): void {
    this.question.set(undefined);
    this.take(answer);
  }

  cancelled(): void {
    this.question.set(undefined);
  }
}
