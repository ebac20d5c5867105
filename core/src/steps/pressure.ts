import { z } from 'zod';
import { areaM2, type Vessel } from '../kit/index.js';
import { vapourMix, WATER } from '../larder/index.js';
import { potWith, bare, driedParcel, enthalpyJ, latentJKg, mixIn, potM3, type Caution, type PotState } from '../pot/index.js';
import { actsThenStep, tookMinutes } from './entered.js';
import { stepKind } from './kind.js';
import { heatUp } from './boil.js';
import { cookedThrough } from './cooked.js';
import { stepResult, minutesSchema, stepBase, type StepContext, type StepResult } from './step.js';

export const PressureSchema = z.strictObject({
  ...stepBase,
  op: z.literal('pressure'),
  minutes: minutesSchema,
  /** The cooker's own temperature; above boiling whatever the altitude. */
  atC: z.number().min(105).max(121),
});
export type Pressure = z.infer<typeof PressureSchema>;

/** Coming down by itself, minutes. Kitchen default. */
const RELEASE_MIN = 8;

/**
 * Up to the cooker's temperature, there for the minutes set, then let down: what is above boiling flashes off. With
 * H(mix, hot) = H(mix, boiling) + flashed x latent heat the pot ends at boiling exactly.
 */
export function pressure(pot: PotState, settings: Pressure, context: StepContext): StepResult {
  const { boilC, vessel } = context;
  const up = heatUp(pot, settings.atC, vessel, potM3(pot) / areaM2(vessel));
  const hot = cookedThrough(
    pot,
    { fromC: pot.tempC, toC: settings.atC, upMinutes: up.minutes, minutes: settings.minutes },
    context,
  );
  const mix = mixIn(hot);
  const flashKg = Math.min(pot.liquid.mix[WATER], (enthalpyJ(mix, settings.atC) - enthalpyJ(mix, boilC)) / latentJKg(boilC));
  const vapour = vapourMix(flashKg, 0);
  const joules = enthalpyJ(mix, boilC) + flashKg * latentJKg(boilC) - enthalpyJ(mixIn(pot), pot.tempC);
  return stepResult(
    potWith(hot, driedParcel(hot.liquid, vapour), hot.cohorts, boilC),
    [],
    flashKg > 0 ? [{ kind: 'vapour', lineId: 'boil-off', parcel: bare(vapour), tempC: boilC }] : [],
    up.minutes + settings.minutes + RELEASE_MIN,
    joules,
    [{ code: 'UNDER_PRESSURE', tempC: settings.atC }, ...notMadeFor(settings.atC, vessel), ...up.cautions],
    { toBoilMinutes: up.minutes },
  );
}

/** A pot that is no pressure cooker, or is made for less. */
function notMadeFor(wantedC: number, { name, pressureC = 0 }: Vessel): Caution[] {
  return pressureC >= wantedC ? [] : [{ code: 'NO_PRESSURE_COOKER', pot: name, mostC: pressureC, wantedC }];
}

export const pressureKind = stepKind<Pressure>({
  op: 'pressure',
  run: pressure,
  entered: (step, entered) => actsThenStep(tookMinutes(step, entered), entered),
  actualMinutes: true,
  timed: true,
  cooks: true,
});
