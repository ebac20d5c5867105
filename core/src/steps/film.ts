import { z } from 'zod';
import { DEFAULT_PARAMETERS, areaM2, type Blender, type ModelParameters, type Vessel } from '../kit/index.js';
import { withLiquid, parcelKg, plusParcel, potM3, scaleParcel, volumeM3, type PotState } from '../pot/index.js';
import { actsThenStep } from './entered.js';
import { stepKind } from './kind.js';
import { goneFrom, servedBody, stepBase, unchanged, type StepContext, type StepResult } from './step.js';

export const FilmSchema = z.strictObject({ ...stepBase, op: z.literal('film'), on: z.enum(['pot', 'jug']) });
export type Film = z.infer<typeof FilmSchema>;

/** The kitchen's film is given at this body, mPa·s. */
const REFERENCE_MPAS = 250;
/** A jug's inside is taken as a cube's: 6 V^(2/3). */
const JUG_SIDES = 6;

/**
 * Thickness of what clings to a wall, m: a draining film grows with the root of viscosity (Jeffreys 1930,
 * h = sqrt(η z / (ρ g t))), on the kitchen's own thickness at 250 mPa·s.
 *
 * @example filmM(250) // 0.0003
 */
export function filmM(bodyMPas: number, parameters: ModelParameters = DEFAULT_PARAMETERS): number {
  return (parameters.filmMm / 1000) * Math.sqrt(Math.max(0, bodyMPas) / REFERENCE_MPAS);
}

/** Wetted area of a pot: its floor and its wall up to the level. @example pot 40 cm wide, 15 cm deep of soup: 0.314 m2 */
export function wettedM2(vessel: Vessel, volume: number): number {
  const floor = areaM2(vessel);
  return floor + Math.PI * vessel.widthM * Math.min(vessel.depthM, volume / floor);
}

export function jugAreaM2(blender: Blender): number {
  return JUG_SIDES * blender.volumeM3 ** (2 / 3);
}

/** What clings and is not served: area x thickness of the liquid, never more than there is. */
export function film(pot: PotState, settings: Film, context: StepContext): StepResult {
  const liquidKg = parcelKg(pot.liquid);
  const jug = context.kit.blenders.find(({ kind }) => kind !== 'stick');
  const area = settings.on === 'pot' ? wettedM2(context.vessel, potM3(pot)) : jug === undefined ? 0 : jugAreaM2(jug);
  if (liquidKg <= 0 || area === 0) return unchanged(pot);
  const thick = filmM(servedBody(pot, context), context.parameters);
  const share = Math.min(1, (area * thick) / volumeM3(pot.liquid.mix, pot.tempC));
  const clings = scaleParcel(pot.liquid, share);
  return goneFrom(withLiquid(pot, plusParcel(pot.liquid, clings, -1)), [
    { kind: 'film', lineId: settings.on, parcel: clings, tempC: pot.tempC },
  ]);
}

export const filmKind = stepKind<Film>({ op: 'film', run: film, entered: actsThenStep });
