import type { LineReading } from '@tureen/core/amounts';
import type { Answer, Assumed, Pasted, Pasting, Role } from '@tureen/core/draft';
import type { PlanRequest, RoundedPull } from '@tureen/core/plan';
import type { Line, Soup, SoupProblem } from '@tureen/core/soup';
import type { Difference } from '@tureen/core/why';
import type { CardView, PlanOutcome } from './views';

/* What the thread that cooks is asked and answers: plain data, since it travels between threads. */
/** One line of a paste as it is understood, and where it would go. */
export interface UnderstoodLine {
  readonly heading: string;
  readonly reading: LineReading;
  readonly taken:
    | {
        readonly ingredient: string;
        readonly name: string;
        readonly kg: number;
        readonly role: Role;
        readonly assumed: readonly Assumed[];
        readonly rule: string;
      }
    | undefined;
}

export type Understood =
  | { readonly ok: true; readonly pasted: Pick<Pasted, 'title' | 'bowls' | 'method'>; readonly lines: readonly UnderstoodLine[] }
  | { readonly ok: false; readonly pasting: Extract<Pasting, { ok: false }> };

/** What the cook said to the questions of a paste, by the number of the line; null leaves the line out. */
export type Answers = Readonly<Record<number, Answer | null>>;

export interface Drafting {
  readonly text: string;
  readonly answers: Answers;
  readonly id: string;
  readonly name: string;
  readonly bowlG: number;
  readonly school: Soup['school'] | undefined;
  readonly served: Soup['served'] | undefined;
}

/** A soup put together of a paste, with what its amounts come to. */
export interface Drafted {
  readonly soup: Soup;
  readonly bowls: number | undefined;
  readonly stated: number | undefined;
  readonly unasked: number;
  readonly view: CardView | undefined;
}

/** A soup while it is being changed: its lines in words, what is wrong, and the view of what can be cooked of it. */
export interface EditView {
  readonly soup: Soup;
  readonly words: readonly (readonly [lineId: string, text: string])[];
  readonly problems: readonly SoupProblem[];
  readonly view: CardView | undefined;
}

/** What is worked out of a soup that is being typed: of the soup itself only what is another one now. */
export interface TypedView extends Omit<EditView, 'soup'> {
  /** Lines that read otherwise now, and new ones at the end. */
  readonly lines: readonly Line[];
  readonly root: Soup['root'] | undefined;
}

export type Typed =
  | {
      readonly ok: true;
      readonly edit: TypedView;
      readonly lineId: string;
      readonly assumed: readonly Assumed[];
      readonly kg: number;
    }
  | { readonly ok: false; readonly reading: LineReading };

/** A substitute as it would be: the whole soup with it, the line itself where there is one, and what it changes. */
export type StoodIn =
  | { readonly ok: true; readonly soup: Soup; readonly line: Line | undefined; readonly difference: Difference | undefined }
  | { readonly ok: false; readonly reading: LineReading };

/** What came of a request: with the pot that was found for it. */
export interface Planned {
  readonly request: PlanRequest;
  readonly outcome: PlanOutcome;
  readonly rounded: RoundedPull | undefined;
}

/** Names a row of a pull list. */
export interface PullKey {
  readonly ingredient: string;
  readonly way: string | undefined;
}
