import { vapourMix } from '../larder/index.js';
import { withLiquid, EMPTY, bare, parcelKg, plusParcel, potKg, scaleParcel, type Parcel, type PotState } from '../pot/index.js';
import type { StepContext, StepResult, ToCome } from './step.js';

export const NOTHING_TO_COME: ToCome = { fixed: EMPTY, perKg: EMPTY };

/** What one step brings after another: the second counts what the first has brought. */
export function afterwards(first: ToCome, second: ToCome): ToCome {
  return {
    fixed: plusParcel(plusParcel(first.fixed, second.fixed), second.perKg, parcelKg(first.fixed)),
    perKg: plusParcel(plusParcel(first.perKg, second.perKg), second.perKg, parcelKg(first.perKg)),
  };
}

/** A pot with what is to come in it, at its own heat: for its composition and its body. */
export function withToCome(pot: PotState, toCome: ToCome | undefined): PotState {
  if (toCome === undefined) return pot;
  return withLiquid(pot, plusParcel(plusParcel(pot.liquid, toCome.fixed), toCome.perKg, potKg(pot)));
}

/** A kilo of something poured now, with what it will make later steps bring. */
export function perKgWithToCome(perKg: Parcel, toCome: ToCome | undefined): Parcel {
  return toCome === undefined ? perKg : plusParcel(perKg, toCome.perKg, parcelKg(perKg));
}

/** What a step takes in from its lines by its own rule, as so much at all events. */
export function asItTakes<S>(
  run: (pot: PotState, step: S, context: StepContext) => StepResult,
): (step: S, pot: PotState, context: StepContext) => ToCome {
  return (step, pot, context) => {
    const { inflows, outflows } = run(pot, step, context);
    if (inflows.length === 0) return NOTHING_TO_COME;
    const all = inflows.reduce((sum, { parcel }) => plusParcel(sum, parcel), EMPTY);
    // What the knife takes off never reaches the pot.
    return {
      fixed: outflows.reduce((sum, { kind, parcel }) => (kind === 'trim' ? plusParcel(sum, parcel, -1) : sum), all),
      perKg: EMPTY,
    };
  };
}

/** Water that a later step will steam away, as so much less at all events. */
export function steamsAway(kg: number): ToCome {
  return kg > 0 ? { fixed: bare(vapourMix(-kg, 0)), perKg: EMPTY } : NOTHING_TO_COME;
}

/** So much of a parcel for every kilo of a pot. */
export function perKiloOf(pot: PotState, parcel: Parcel): ToCome {
  const massKg = potKg(pot);
  return massKg > 0 ? { fixed: EMPTY, perKg: scaleParcel(parcel, 1 / massKg) } : NOTHING_TO_COME;
}
