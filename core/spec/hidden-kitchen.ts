/** What is true of a simulated kitchen from batch to batch and what nobody there knows: each figure is drawn once, when it is first asked for. */
import { instrument, type Instrument } from '../src/bench/index.js';
import { drawsFrom } from '../src/odds/index.js';

/** A generator that starts with neighbouring seeds starts alike: it is run in first. */
const RUN_IN = 64;

export function normalFrom(seed: number): () => number {
  const { normal } = drawsFrom(seed);
  for (let n = 0; n < RUN_IN; n++) normal();
  return normal;
}

/** A number of a name, so that a figure does not depend on which others were asked for before it. */
function hash(name: string): number {
  let sum = 7;
  for (const letter of name) sum = (Math.imul(sum, 31) + letter.charCodeAt(0)) | 0;
  return sum;
}

export class HiddenKitchen {
  private readonly figures = new Map<string, number>();
  readonly scale: Instrument;
  readonly viscometer: Instrument;
  readonly meter: Instrument;
  readonly dipBiasM: number;
  readonly eyeBias: number;

  constructor(private readonly seed: number) {
    const normal = normalFrom(seed * 7919);
    this.scale = instrument({ biasSd: 0.003, noiseSd: 0.004, driftPerHour: 0 }, normal);
    this.viscometer = instrument({ biasSd: 0.06, noiseSd: 0.08, driftPerHour: 0 }, normal);
    this.meter = instrument({ biasSd: 0.02, noiseSd: 0.03, driftPerHour: 0 }, normal);
    this.dipBiasM = normal() * 0.002;
    this.eyeBias = normal() * 0.16;
  }

  /** Salt, kg/kg, that is in an ingredient though its label says nothing of it: somebody opened the other carton. */
  readonly unlabelled = new Map<string, number>();

  /** A lasting figure of the kitchen: so many sd of ln off what a card thinks. */
  of(name: string, sd: number): number {
    const have = this.figures.get(name) ?? normalFrom(this.seed * 104_729 + hash(name))();
    this.figures.set(name, have);
    return have * sd;
  }
}
