import kept from './kept-figures.json';

/** A share that is to lie between two others. */
export interface KeptGoal {
  readonly name: string;
  readonly share: number;
  readonly least: number;
  readonly most: number;
}

/** How often the sums kept their word, over batches cooked in hidden kitchens: what `npm run truth -- --keep` last found. */
export interface KeptFigures {
  readonly date: string;
  readonly coreVersion: string;
  readonly batches: number;
  readonly soups: number;
  /** Of bowls, salt and body: of so many in a hundred that a plan said would end below a figure, how many did. */
  readonly odds: readonly {
    readonly of: string;
    readonly said: readonly number[];
    readonly came: readonly number[];
    /** How far it ended from the plan's middle, as a share of it: root of the mean square. */
    readonly off: number;
  }[];
  readonly goals: readonly KeptGoal[];
}

export const KEPT_FIGURES: KeptFigures = kept;
