import { instrument, type Errs, type Instrument } from '../bench/index.js';
import { drawsFrom } from '../odds/index.js';

/** A generator that starts with neighbouring seeds starts alike: it is run in first. */
const RUN_IN = 64;

/** Standard normal deviates from a seed. */
export function normalFrom(seed: number): () => number {
  const { normal } = drawsFrom(seed);
  for (let n = 0; n < RUN_IN; n++) normal();
  return normal;
}

/** What seeds are multiplied by, so that draws of different things never run alongside each other: primes. */
const INSTRUMENTS = 7919;
const FIGURES = 104_729;

/** A number of a name, so that a figure does not depend on which others were asked for before it. */
export function numberOf(name: string): number {
  let sum = 7;
  for (const letter of name) sum = (Math.imul(sum, 31) + letter.charCodeAt(0)) | 0;
  return sum;
}

/** How the instruments of hidden kitchens err, as shares of what is read: for good, and each time. Invented for the bench. */
export const ERRS = {
  scale: { biasSd: 0.003, noiseSd: 0.004, driftPerHour: 0 },
  viscometer: { biasSd: 0.06, noiseSd: 0.08, driftPerHour: 0 },
  meter: { biasSd: 0.02, noiseSd: 0.03, driftPerHour: 0 },
} as const satisfies Record<string, Errs>;
/** How far a dip is off, 1 sd in m, and an eye that judges a spoon, 1 sd of ln of the body: for good, and each time. */
export const DIP_M = { biasSd: 0.002, noiseSd: 0.0035 };
export const EYE_LN = { biasSd: 0.16, noiseSd: 0.12 };

/** What is otherwise than anybody in a kitchen thinks. */
export interface Mishaps {
  /** Salt, kg/kg, that is in an ingredient though its label says nothing of it: somebody opened the other carton. */
  readonly unlabelledSalt?: Readonly<Record<string, number>>;
  /** Salt, kg/kg, in whatever is stock. */
  readonly saltedStock?: number;
  /** How many times as much a roast loses: a tray that was forgotten. */
  readonly roast?: number;
  /** What a ladle really holds of what it is said to. */
  readonly ladle?: number;
  /** What stands on the scale that nobody took off, kg. */
  readonly onScaleKg?: number;
  /** How many times as thick as the card thinks what is blended gets. */
  readonly thickness?: number;
  /** How many times as sour an ingredient is as the card thinks. */
  readonly sharp?: Readonly<Record<string, number>>;
  /** How hot liquids stand ready, °C, where they are not as cold as the larder thinks. */
  readonly liquidsC?: number;
  /** How many times as much goes in where it is poured until the vegetables are covered. */
  readonly covered?: number;
  /** How many times as much steam leaves: a lid left off, a tray forgotten. */
  readonly steam?: number;
  /** What places that cool really take of what is thought, by place: a door that does not close, a fan that stands still. */
  readonly coldTakes?: Readonly<Record<string, number>>;
}

/** What is true of a simulated kitchen from batch to batch and what nobody there knows: each figure is drawn once, when it is first asked for. */
export class HiddenKitchen {
  private readonly figures = new Map<string, number>();
  readonly scale: Instrument;
  readonly viscometer: Instrument;
  readonly meter: Instrument;
  readonly dipBiasM: number;
  readonly eyeBias: number;
  readonly unlabelled: Map<string, number>;

  constructor(
    private readonly seed: number,
    readonly mishaps: Mishaps = {},
  ) {
    const normal = normalFrom(seed * INSTRUMENTS);
    this.scale = instrument(ERRS.scale, normal);
    this.viscometer = instrument(ERRS.viscometer, normal);
    this.meter = instrument(ERRS.meter, normal);
    this.dipBiasM = normal() * DIP_M.biasSd;
    this.eyeBias = normal() * EYE_LN.biasSd;
    this.unlabelled = new Map(Object.entries(mishaps.unlabelledSalt ?? {}));
  }

  /** A lasting figure of the kitchen: so many sd of ln off what a card thinks. */
  of(name: string, sd: number): number {
    const have = this.figures.get(name) ?? normalFrom(this.seed * FIGURES + numberOf(name))();
    this.figures.set(name, have);
    return have * sd;
  }
}
