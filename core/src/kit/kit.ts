import { z } from 'zod';
import { renamed } from '../shape/index.js';
import { COUNTRIES } from '../amounts/index.js';
import { ClockSchema, isZone } from './day.js';
import { LearnedSchema } from './learned.js';
import { PARAMETER_NAMES } from './parameters.js';

const id = z.string().regex(/^[a-z0-9-]+$/);
const name = z.string().min(1).max(60);
const lengthM = z.number().positive().max(3);
const volumeM3 = z.number().positive().max(1);

/** A round, straight-sided pot on its burner. Efficiency is the share of the burner's power that reaches the food. */
export const VesselSchema = z.strictObject({
  id,
  name,
  widthM: lengthM,
  depthM: lengthM,
  tareKg: z.number().min(0).max(200),
  burnerW: z.number().positive().max(100_000),
  efficiency: z.number().gt(0).max(1),
  /** This pot's own boil-off against the kitchen's, from two weighings; 1 where it has not been measured. */
  boilOff: z.number().min(0.1).max(5).optional(),
  /** To what temperature it may be driven with its lid locked, °C; 0 or left out where it is no pressure cooker. */
  pressureC: z.number().min(0).max(121).optional(),
});
export type Vessel = z.infer<typeof VesselSchema>;

/** Oven trays of one size; `count` is how many the oven takes at once. */
export const TraySchema = z.strictObject({ id, name, widthM: lengthM, depthM: lengthM, count: z.int().min(1).max(100) });
export type Tray = z.infer<typeof TraySchema>;

export const BlenderSchema = z.strictObject({ id, name, kind: z.enum(['jug', 'stick', 'processor']), volumeM3 });
export type Blender = z.infer<typeof BlenderSchema>;

export const MeasureSchema = z.strictObject({
  id,
  name,
  volumeM3,
  /** How the volume is known: as sold, or by weighing it full of water. */
  weighed: z.boolean().optional(),
});
export type Measure = z.infer<typeof MeasureSchema>;

/** A sieve or food mill by the width of its mesh. */
export const SieveSchema = z.strictObject({ id, name, meshM: z.number().min(1e-4).max(0.01) });
export type Sieve = z.infer<typeof SieveSchema>;

/** A pan or tub that soup is cooled and kept in, and how many there are of it. */
export const PanSchema = z.strictObject({
  id,
  name,
  lengthM,
  widthM: lengthM,
  /** To the brim. */
  depthM: lengthM,
  count: z.int().min(1).max(200),
});
export type Pan = z.infer<typeof PanSchema>;

const surroundingsC = z.number().min(-60).max(60);
const takesW = z.number().min(1).max(2000);

/** Where something cools: what is around it and how strongly that takes heat, W/(m2 K). */
export const ColdPlaceSchema = z.strictObject({
  id,
  name,
  /** Over the open face. */
  airC: surroundingsC,
  topW: takesW,
  /** Under and beside it. */
  belowC: surroundingsC,
  belowW: takesW,
  /** Somebody can stand by it and stir. */
  canStir: z.boolean().optional(),
});
export type ColdPlace = z.infer<typeof ColdPlaceSchema>;

/** Rules for keeping soup in the fridge, by the names that a kit gives them. */
export const KEEPS = ['ready-to-eat', 'home'] as const;

/** A fridge or freezer: how warm it may be at most, and at what times of day it is looked at. */
export const ColdStoreSchema = z.strictObject({
  id,
  name,
  kind: z.enum(['fridge', 'freezer']),
  mostC: z.number().min(-40).max(15),
  checks: z.array(ClockSchema).max(12).optional(),
});
export type ColdStore = z.infer<typeof ColdStoreSchema>;

/** A cooling rule of a kitchen's own: from one temperature to another within so many minutes, and what to do when it is missed. */
export const OwnCoolingRuleSchema = z.strictObject({
  stages: z
    .array(
      z.strictObject({
        /** From portioning on where it is left out. */
        fromC: z.number().min(10).max(100).optional(),
        toC: z.number().min(-5).max(60),
        withinMin: z.number().min(5).max(1440),
      }),
    )
    .min(1)
    .max(3)
    .refine((stages) => stages.every(({ fromC = 101, toC }) => fromC > toC), { message: 'it has to end colder than it begins' }),
  missed: z.string().trim().min(1).max(200),
});
export type OwnCoolingRule = z.infer<typeof OwnCoolingRuleSchema>;

/** What a kitchen cooks with. */
export const KitShape = z.strictObject({
  kitchen: name,
  altitudeM: z.number().min(-400).max(5000),
  units: z.enum(['metric', 'us', 'imperial']),
  /** Whose spoons, cups and names are meant when words are read; asked about where it is not known. */
  country: z.enum(COUNTRIES).optional(),
  /** What prices are in, as a three-letter code. */
  currency: z
    .string()
    .regex(/^[A-Z]{3}$/)
    .optional(),
  /** Where its days begin, as a name of the IANA time zone database; the server's own where it is left out. */
  zone: z.string().max(60).refine(isZone, { message: 'it is no time zone' }).optional(),
  /** People who cook at once; 1 where it is left out. */
  hands: z.int().min(1).max(50).optional(),
  pots: z.array(VesselSchema).min(1).max(50),
  trays: z.array(TraySchema).max(20),
  /** Ovens by name, each with places for all trays of the first size; one where it is left out and there are trays. */
  ovens: z.array(z.strictObject({ id, name })).min(1).max(10).optional(),
  /** Pots that can be heated at once; all of them where it is left out. */
  hobs: z.int().min(1).max(50).optional(),
  blenders: z.array(BlenderSchema).min(1).max(20),
  ladles: z.array(MeasureSchema).min(1).max(20),
  bowls: z.array(MeasureSchema).max(20),
  /** Sieves and their mesh. */
  sieves: z.array(SieveSchema).max(20).optional(),
  /** What soup is cooled in; usual pans where it is left out. */
  pans: z.array(PanSchema).max(30).optional(),
  /** Where it is cooled; usual places where it is left out. */
  coldPlaces: z.array(ColdPlaceSchema).max(20).optional(),
  /** Fridges and freezers in which it is kept; one of each where it is left out. */
  coldStores: z.array(ColdStoreSchema).max(20).optional(),
  /** Its own cooling rule, beside those that are published. */
  coolingRule: OwnCoolingRuleSchema.optional(),
  /** By which rule it keeps soup in the fridge; as ready-to-eat food where it is left out. */
  keeps: z.enum(KEEPS).optional(),
  /** The kitchen's own figures where it has measured them. */
  parameters: z.partialRecord(z.enum(PARAMETER_NAMES), z.number().positive().max(1000)).optional(),
  /** What its own batches have shown, as a plan takes it over: the server puts it in, nobody types it. */
  learned: LearnedSchema.optional(),
});
export type Kit = z.infer<typeof KitShape>;

/** Shape 1 called the kitchen's own figures habits. */
export function liftKit(value: unknown): unknown {
  return renamed(value, { habits: 'parameters' });
}

/** A kit as a file or a request brings it, in the words of today or of an older shape. */
export const KitSchema = z.unknown().transform(liftKit).pipe(KitShape);

/** People who cook at once. */
export function handsOf({ hands = 1 }: Pick<Kit, 'hands'>): number {
  return hands;
}

export function areaM2(vessel: Pick<Vessel, 'widthM'>): number {
  return (Math.PI / 4) * vessel.widthM ** 2;
}

export function areaOfTrayM2(tray: Tray): number {
  return tray.widthM * tray.depthM;
}

export function brimM3(vessel: Vessel): number {
  return areaM2(vessel) * vessel.depthM;
}

/** Share of a pot's depth left free so that it does not boil over. Kitchen default. */
const HEADSPACE_SHARE = 0.12;

/** The volume that may be boiled in a pot, m3. */
export function usableM3(vessel: Vessel): number {
  return brimM3(vessel) * (1 - HEADSPACE_SHARE);
}

/** How far below the rim a volume stands, m; negative when it would be over. */
export function belowRimM(vessel: Vessel, volume: number): number {
  return vessel.depthM - volume / areaM2(vessel);
}

/** A kit's pots for food that is cooked under pressure, the smallest first: pressure cookers, or all where there is none. */
export function pressurePots(kit: Pick<Kit, 'pots'>): readonly Vessel[] {
  const pots = potsBySize(kit);
  const cookers = pots.filter(({ pressureC = 0 }) => pressureC > 0);
  return cookers.length > 0 ? cookers : pots;
}

/** A kit's pots, the smallest first. */
export function potsBySize(kit: Pick<Kit, 'pots'>): readonly Vessel[] {
  return [...kit.pots].sort((a, b) => usableM3(a) - usableM3(b));
}
