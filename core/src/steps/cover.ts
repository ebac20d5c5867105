import { z } from 'zod';
import { DEFAULT_PARAMETERS, areaM2, potsBySize, usableM3, type ModelParameters, type Vessel } from '../kit/index.js';
import { ROOM_C, parcelKg, volumeM3, type Caution, type PotState } from '../pot/index.js';
import { settles } from './entered.js';
import { stepKind, settledLine } from './kind.js';
import { pouredIn, storedC } from './add.js';
import { asItTakes } from './to-come.js';
import { settledAs, lineIdSchema, stepBase, type StepContext, type StepResult } from './step.js';

export const CoverSchema = z.strictObject({
  ...stepBase,
  op: z.literal('cover'),
  line: lineIdSchema,
  /** How far the liquid stands over the bed, m. */
  overM: z.number().min(0).max(0.5),
});
export type Cover = z.infer<typeof CoverSchema>;

interface Bed {
  readonly solidM3: number;
  readonly packing: number;
  readonly pieceM: number;
}

/** The bed at one temperature, so that liquid poured in parts adds up to liquid poured at once. */
function bedOf(pot: PotState, tempC: number, parameters: ModelParameters = DEFAULT_PARAMETERS): Bed {
  let solidM3 = 0;
  let bedM3 = 0;
  let sized = 0;
  for (const cohort of pot.cohorts) {
    const own = volumeM3(cohort.parcel.mix, tempC);
    solidM3 += own;
    bedM3 += own / (parameters.packingRaw + (parameters.packingSoft - parameters.packingRaw) * cohort.softness);
    sized += own * cohort.sizeM;
  }
  return { solidM3, packing: bedM3 > 0 ? solidM3 / bedM3 : 1, pieceM: solidM3 > 0 ? sized / solidM3 : 0 };
}

/**
 * Liquid in all that a bed needs to be covered, m3: a round bed of solid/packing over the pot's floor, never thinner
 * than one piece of the pot's contents where there is a whole layer of them; liquid fills the gaps and stands `overM` above.
 *
 * @example coveringM3({ solidM3: 0.0015, packing: 0.6, pieceM: 0.012 }, pot24cm, 0.01) // 0.00145
 */
export function coveringM3(bed: Bed, vessel: Pick<Vessel, 'widthM' | 'depthM'>, overM: number): number {
  if (bed.solidM3 <= 0) return 0;
  const floorM2 = areaM2(vessel);
  const bedM = Math.max(bed.solidM3 / bed.packing / floorM2, bed.pieceM);
  return floorM2 * (bedM + overM) - bed.solidM3;
}

/** So many kilos over a kilo of pieces and they swim: more than a canteen's widest pot takes when it is filled. Kitchen default. */
const DROWNS = 2.5;

/** Little in a wide pot takes a lot to cover; a narrower one of the kit that holds it would do. */
function drowned(pot: PotState, pouredKg: number, overM: number, { kit, vessel, parameters }: StepContext): Caution[] {
  const piecesKg = pot.cohorts.reduce((sum, { parcel }) => sum + parcelKg(parcel), 0);
  if (!(piecesKg > 0) || pouredKg <= DROWNS * piecesKg) return [];
  const bed = bedOf(pot, ROOM_C, parameters);
  const narrower = potsBySize(kit).find(
    (one) => one.widthM < vessel.widthM && bed.solidM3 + coveringM3(bed, one, overM) <= usableM3(one),
  );
  return [{ code: 'DROWNED', pouredKg, piecesKg, narrower: narrower?.name }];
}

/** Pours a line until it stands a set depth over the pieces: the geometry decides, not the number of bowls. */
export function cover(pot: PotState, settings: Cover, context: StepContext): StepResult {
  const line = context.line(settings.line);
  const pouredAtC = storedC(line);
  const wantedM3 = coveringM3(bedOf(pot, pouredAtC, context.parameters), context.vessel, settings.overM);
  const already = parcelKg(pot.liquid) > 0 ? volumeM3(pot.liquid.mix, pouredAtC) : 0;
  const perKgM3 = volumeM3(line.ingredient.perKg, pouredAtC);
  const massKg = context.heldKg ?? Math.max(0, wantedM3 - already) / perKgM3;
  return settledAs(pouredIn(pot, line, massKg), drowned(pot, massKg, settings.overM, context), massKg);
}

export const coverKind = stepKind<Cover>({
  op: 'cover',
  run: cover,
  lines: settledLine,
  entered: settles,
  given: 'some',
  brings: asItTakes(cover),
});
