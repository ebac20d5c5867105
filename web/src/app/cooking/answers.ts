import type { LineReading } from '@tureen/core/amounts';
import type { Answer, Assumed, Role } from '@tureen/core/draft';
import type { Action, Clause, Pasting, RecipeAsk } from '@tureen/core/method';
import type { PlanRequest, RoundedPull } from '@tureen/core/plan';
import type { Line, Soup, SoupProblem } from '@tureen/core/soup';
import type { Difference } from '@tureen/core/why';
import type { CardView, PlanOutcome } from './views';

/* What the thread that cooks is asked and answers: plain data, since it travels between threads. */
/** One line of a paste as it is understood, and where it would go. */
export interface UnderstoodLine {
  readonly heading: string;
  readonly reading: LineReading;
  readonly isLeftOut: boolean;
  /** Taken as the first of what it could be, until it is answered. */
  readonly isSupposed: boolean;
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

/** What the cook said to the questions of a paste, by the text of the line; null leaves the line out. */
export type Answers = Readonly<Record<string, Answer | null>>;

export interface Drafting extends Pick<RecipeAsk, 'id' | 'bowlG' | 'school' | 'served' | 'fixes'> {
  readonly text: string;
  readonly answers: Answers;
  readonly name: string;
}

/** A written method as it is understood: clauses by their places in the text, what each asks for, and what is marked. */
export interface UnderstoodMethod {
  readonly clauses: readonly Pick<Clause, 'start' | 'end' | 'text'>[];
  readonly actions: readonly Action[];
  /** Names of lines by their ids, for what the actions are about. */
  readonly names: readonly (readonly [line: string, name: string])[];
  /** Lines in no sentence, put in by what they are. */
  readonly placed: readonly string[];
  readonly equalShares: readonly string[];
  readonly joinedByGuess: readonly string[];
  readonly heatsAtOnce: readonly number[];
}

/** A recipe that was pasted as far as it is understood, the soup that it makes, and what its amounts come to. */
export interface Drafted {
  readonly title: string | undefined;
  readonly stated: number | undefined;
  /** Lines of the text that are neither food nor work: who wrote it, nutrition, what a reader said. */
  readonly notes: readonly string[];
  readonly lines: readonly UnderstoodLine[];
  readonly method: UnderstoodMethod | undefined;
  readonly soup: Soup | undefined;
  readonly bowls: number | undefined;
  readonly view: CardView | undefined;
}

export type DraftOutcome =
  { readonly ok: true; readonly drafted: Drafted } | { readonly ok: false; readonly pasting: Extract<Pasting, { ok: false }> };

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
