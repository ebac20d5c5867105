import type { Larder } from '../larder/index.js';
import type { Amount, AmountError } from './amount.js';
import type { Country, Names } from './names.js';
import type { Phrase } from './phrase.js';

/** One way to take an unclear line, with the kilos that it would mean. */
export interface Option {
  readonly label: string;
  readonly ingredient: string;
  readonly amount: Amount;
  readonly kg: number;
}

/** What was understood of one written line. Nothing unclear is guessed silently: it is asked, or named. */
export type LineReading = { readonly text: string } & (
  | {
      readonly code: 'READ';
      readonly ingredient: string;
      readonly amount: Amount;
      readonly kg: number;
      /** Ends of a range, kg; equal when one figure was written. */
      readonly lowKg: number;
      readonly highKg: number;
      readonly basis: 'bought' | 'edible';
      readonly way: string | undefined;
      /** What was assumed to get there. */
      readonly assumed: readonly ('FIRST_CUT' | 'MEDIUM_SIZE' | 'MIDDLE_OF_RANGE' | 'CAN_CONTENTS' | 'USUAL_CAN')[];
    }
  | { readonly code: 'BY_STEP'; readonly ingredient: string; readonly says: NonNullable<Phrase['says']> }
  | { readonly code: 'RATIO'; readonly ingredient: string; readonly of: string; readonly factor: number }
  | {
      readonly code: 'ASK';
      readonly what: 'NUMBER' | 'OUNCE' | 'SPOON' | 'CUP' | 'PINT' | 'SIZE' | 'WHICH' | 'COOKED' | 'TOGETHER';
      readonly options: readonly Option[];
    }
  | { readonly code: 'UNKNOWN_FOOD'; readonly name: string; readonly nearest: readonly string[] }
  | { readonly code: 'NO_AMOUNT'; readonly ingredient: string }
  | { readonly code: 'CANNOT_MEASURE'; readonly error: AmountError }
);

export interface ReadingContext {
  readonly larder: Larder;
  readonly names: Names;
  /** The kitchen's country; spoons, cups and pints are asked about when it is not known. */
  readonly country: Country | undefined;
  /** False where a name that is not known need not be offered those like it. */
  readonly guesses?: false;
}
