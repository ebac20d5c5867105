import { hotHolding } from '../kit/index.js';
import { UNREAD } from '../body/index.js';
import { stepContext } from '../runner/index.js';
import { cartonsFor } from '../finish/index.js';
import {
  EGG_SAFE_C,
  EGG_SCRAMBLES_C,
  mixedC,
  temperingKg,
  HOT_JUG_C,
  hold,
  jugged,
  lineParcel,
  portion,
  servedBody,
  storedC,
} from '../steps/index.js';
import { contents, parcelKg, plusParcel, potKg, potM3, type PotState } from '../pot/index.js';
import { SALT } from '../larder/index.js';
import { linesOf, type SoupStep } from '../soup/index.js';
import type { BatchState } from './fold.js';

/** What a jug may hold as hot as the soup is, and how many it takes. Volumes m3, masses kg. */
export interface JugNow {
  readonly name: string;
  readonly volumeM3: number;
  readonly fillShare: number;
  readonly jugs: number;
  readonly done: number;
  readonly piecesKg: number;
  readonly liquidKg: number;
  readonly tempC: number;
  /** Below this a jug may be filled higher, °C. */
  readonly coolC: number;
}

/** Foam of the blade: what the pot measures now, and what it will once the air is out. m3. */
export interface FoamNow {
  readonly nowM3: number;
  readonly settledM3: number;
}

/** Egg and cream against their window. `near` warns before it is left. */
export interface LiaisonNow {
  readonly tempC: number;
  readonly leastC: number;
  readonly mostC: number;
  readonly stands: 'cool' | 'in it' | 'near' | 'over';
  readonly temper: { readonly soupKg: number; readonly portions: number } | undefined;
}

/** What a finish does to the pot's heat, and what its cartons come to. */
export interface FinishNow {
  readonly line: string;
  readonly kg: number;
  readonly mixedC: number;
  readonly opened: number;
  readonly leftKg: number;
}

/** What an hour on the bain-marie does to what is still in the pot. Body mPa·s as served, salt % of the mass. */
export interface HourNow {
  readonly atC: number;
  /** Hot holding may not be cooler, °C. */
  readonly leastC: number;
  /** Whose rule that is. */
  readonly source: string;
  /** Water that steams away with the lid off, and with it on, kg. */
  readonly lostKg: number;
  readonly lidOnKg: number;
  readonly bodyFrom: number;
  readonly bodyTo: number;
  readonly saltFromPct: number;
  readonly saltToPct: number;
}

/** A warning comes so many kelvin before an egg scrambles: what a pot gains while a cook turns round. Kitchen default. */
const WARN_BEFORE_K = 4;
/** Carton that is counted where nothing else is known. Common practice, m3. */
const CARTON_M3 = 1e-3;
const WATER_KG_M3 = 1000;

/** The jug for the step in hand, filled by the heat of the pot as last read; undefined where it needs none. */
export function jugNow(step: SoupStep | undefined, pot: PotState, { prepared, output }: BatchState): JugNow | undefined {
  if (step?.op !== 'blend' || step.blender === 'stick') return undefined;
  const blender = prepared.kit.blenders.find(({ kind }) => kind === step.blender);
  if (blender === undefined || potKg(pot) <= 0) return undefined;
  const { jugs, fillShare } = jugged(potM3(pot), blender.volumeM3, pot.tempC);
  const piecesKg = pot.cohorts.reduce((sum, { parcel }) => sum + parcelKg(parcel), 0);
  return {
    name: blender.name,
    volumeM3: blender.volumeM3,
    fillShare,
    jugs,
    done: output.jugs.get(step.id) ?? 0,
    piecesKg: piecesKg / jugs,
    liquidKg: parcelKg(pot.liquid) / jugs,
    tempC: pot.tempC,
    coolC: HOT_JUG_C,
  };
}

/** Air in the pot that will leave it; undefined where there is next to none. */
export function foamNow(pot: PotState): FoamNow | undefined {
  if (pot.airShare < 0.005) return undefined;
  return { nowM3: potM3(pot), settledM3: potM3({ ...pot, airShare: 0 }) };
}

/** Where a temperature stands against the window of egg and cream. @example eggStands(80) // 'near' */
export function eggStands(tempC: number): LiaisonNow['stands'] {
  if (tempC > EGG_SCRAMBLES_C) return 'over';
  if (tempC > EGG_SCRAMBLES_C - WARN_BEFORE_K) return 'near';
  return tempC >= EGG_SAFE_C ? 'in it' : 'cool';
}

/** Where the pot stands against the window of egg and cream; undefined at other steps. */
export function liaisonNow(step: SoupStep | undefined, pot: PotState, { prepared, inKg }: BatchState): LiaisonNow | undefined {
  if (step?.op !== 'liaison') return undefined;
  const line = (id: string) => prepared.lines.find((own) => own.line.id === id)?.line;
  const yolks = line(step.yolks.line);
  const cream = line(step.cream.line);
  const { tempC } = pot;
  const isIn = (inKg.get(step.yolks.line) ?? 0) > 0;
  const bowl =
    yolks === undefined || cream === undefined
      ? undefined
      : plusParcel(lineParcel(yolks, yolks.massKg), lineParcel(cream, cream.massKg));
  const temper =
    bowl === undefined || yolks === undefined || isIn || potKg(pot) <= 0 ? undefined : temperingKg(pot, bowl, storedC(yolks));
  return { tempC, leastC: EGG_SAFE_C, mostC: EGG_SCRAMBLES_C, stands: eggStands(tempC), temper };
}

/** What the cream of the step in hand, as much as is still wanted, does to the heat of the pot. */
export function finishNow(step: SoupStep | undefined, pot: PotState, { prepared, toGoKg }: BatchState): FinishNow | undefined {
  if (step?.op !== 'cream') return undefined;
  const [use] = linesOf(step);
  const line = prepared.lines.find((own) => own.line.id === use?.line)?.line;
  const kg = toGoKg.get(step.line) ?? 0;
  if (line === undefined || kg <= 0 || parcelKg(contents(pot)) <= 0) return undefined;
  const cartonKg = CARTON_M3 * (line.ingredient.row.densityKgM3 ?? WATER_KG_M3);
  return { line: step.line, kg, mixedC: mixedC(pot, lineParcel(line, kg), storedC(line)), ...cartonsFor(kg, cartonKg) };
}

/** No bain-marie holds hotter, °C. Kitchen default. */
const HELD_MOST_C = 85;
const HOUR_MIN = 60;

/** An hour of holding from now, bowls that have gone out left out; undefined before the dishing and when the pot is empty. */
export function hourNow(step: SoupStep | undefined, pot: PotState, { prepared, dishedKg }: BatchState): HourNow | undefined {
  const all = potKg(pot);
  if (step?.op !== 'dish' || all - dishedKg <= 0) return undefined;
  const left = portion(pot, 1 - dishedKg / all);
  const line = (id: string): never => {
    throw new Error(`An hour without a top-up asks for no line, ${id} neither.`);
  };
  const context = stepContext(prepared, line, prepared.unread ?? UNREAD);
  const { leastC, source } = hotHolding(prepared.kit.country);
  const atC = Math.min(HELD_MOST_C, Math.max(leastC, Math.round(pot.tempC)));
  const held = (lid: 'off' | 'on'): PotState => hold(left, { id: step.id, op: 'hold', minutes: HOUR_MIN, atC, lid }, context).pot;
  const open = held('off');
  const saltPct = (one: PotState): number => (contents(one).mix[SALT] / potKg(one)) * 100;
  return {
    atC,
    leastC,
    source,
    lostKg: potKg(left) - potKg(open),
    lidOnKg: potKg(left) - potKg(held('on')),
    bodyFrom: servedBody(left, context),
    bodyTo: servedBody(open, context),
    saltFromPct: saltPct(left),
    saltToPct: saltPct(open),
  };
}
