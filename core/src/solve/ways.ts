import { reduceKg, thickenKg, thinKg, type BodySolved } from '../body/index.js';
import { areaM2, usableM3 } from '../kit/index.js';
import type { Ingredient } from '../larder/index.js';
import type { PreparedSoup } from '../runner/index.js';
import {
  COST,
  CREAM_KG,
  bare,
  bodyMPas,
  contents,
  enthalpyJ,
  gelatinised,
  parcelKg,
  parcelOf,
  plusParcel,
  potM3,
  temperatureC,
  volumeM3,
  type Parcel,
  type PotState,
} from '../pot/index.js';
import { tastesOf, type Tastes } from '../season/index.js';
import { boilOffKgS, cappedVigour } from '../steps/index.js';

/** What a pot is at one moment, for setting beside what it would be. Cost in the kitchen's currency; headspace m3. */
export interface PotSummary extends Tastes {
  readonly massKg: number;
  readonly bowls: number;
  readonly bodyMPas: number;
  readonly creamPct: number;
  readonly tempC: number;
  readonly cost: number;
  readonly headspaceM3: number;
}

/** One way to a body: what to stir in or how long to boil, what to give first, and what all else comes to. */
export interface Way {
  readonly by: 'thin' | 'reduce' | 'thicken';
  /** Ingredient id; undefined for boiling down. */
  readonly ingredient: string | undefined;
  readonly kg: number;
  readonly minutes: number;
  /** Two thirds first, then look again. */
  readonly firstKg: number;
  readonly now: PotSummary;
  readonly then: PotSummary;
  /** It would stand over what may be boiled in the pot. */
  readonly overflows: boolean;
}

/** Of any dose, what goes in before the next look. Common practice. */
export const FIRST_SHARE = 2 / 3;

function potSummaryOf(pot: PotState, prepared: PreparedSoup): PotSummary {
  const all = contents(pot);
  const massKg = parcelKg(all);
  return {
    ...tastesOf(all),
    massKg,
    bowls: massKg / prepared.bowlKg,
    bodyMPas: bodyMPas(pot, prepared.servedC, prepared.parameters.bodyA),
    creamPct: massKg > 0 ? (all.carried[CREAM_KG] / massKg) * 100 : 0,
    tempC: pot.tempC,
    cost: all.carried[COST],
    headspaceM3: usableM3(prepared.vessel) - potM3(pot),
  };
}

/** A pot with a parcel stirred in at its own temperature. */
function stirred(pot: PotState, parcel: Parcel, tempC: number): PotState {
  const liquid = plusParcel(pot.liquid, parcel);
  const joules = enthalpyJ(pot.liquid.mix, pot.tempC) + enthalpyJ(parcel.mix, tempC);
  return { ...pot, liquid, tempC: temperatureC(liquid.mix, joules, pot.tempC) };
}

function wayOf(
  prepared: PreparedSoup,
  pot: PotState,
  by: Way['by'],
  ingredient: string | undefined,
  kg: number,
  minutes: number,
  after: PotState,
): Way {
  const then = potSummaryOf(after, prepared);
  return {
    by,
    ingredient,
    kg,
    minutes,
    firstKg: kg * FIRST_SHARE,
    now: potSummaryOf(pot, prepared),
    then,
    overflows: then.headspaceM3 < 0,
  };
}

export interface Means {
  /** Liquids at hand to thin with. */
  readonly liquids: readonly Ingredient[];
  /** Thickeners at hand: an ingredient, or a mix of some by parts (slurry, roux). */
  readonly thickeners: readonly {
    readonly id: string;
    readonly parts: readonly { readonly ingredient: Ingredient; readonly parts: number }[];
  }[];
}

/**
 * Every way from the body of a pot to another with what is at hand, each with its consequences. Those that can't get
 * there are left out; empty when the pot is there, or nothing does it.
 */
export function waysToBody(prepared: PreparedSoup, pot: PotState, toMPas: number, means: Means): Way[] {
  const { servedC, parameters, vessel, boilC } = prepared;
  const a = parameters.bodyA;
  const there = (solved: BodySolved): number => (solved.ok && solved.kg > 0 ? solved.kg : 0);
  const ways: Way[] = [];
  for (const liquid of means.liquids) {
    const kg = there(thinKg(pot, parcelOf(liquid, 1), toMPas, servedC, a));
    const after = stirred(pot, parcelOf(liquid, kg), Math.max(0, liquid.row.storedAtC));
    if (kg > 0) ways.push(wayOf(prepared, pot, 'thin', liquid.row.id, kg, 0, after));
  }
  for (const { id, parts } of means.thickeners) {
    const sum = parts.reduce((total, one) => total + one.parts, 0);
    const perKg = parts
      .map(({ ingredient, parts: own }) => parcelOf(ingredient, own / sum))
      .reduce((all, part) => plusParcel(all, part));
    const kg = there(thickenKg(pot, perKg, toMPas, servedC, a));
    const cooked = gelatinised(perKg);
    if (kg > 0) ways.push(wayOf(prepared, pot, 'thicken', id, kg, 1, stirred(pot, plusParcel(cooked, cooked, kg - 1), 20)));
  }
  const boilKg = there(reduceKg(pot, toMPas, servedC, a));
  if (boilKg > 0) {
    const vigour = cappedVigour('lively', bodyMPas(pot, servedC, a));
    const { kgS } = boilOffKgS(vessel, volumeM3(pot.liquid.mix, boilC) / areaM2(vessel), boilC, { vigour, lid: 'off' }, parameters);
    const after = { ...pot, liquid: plusParcel(pot.liquid, bare([boilKg, 0, 0, 0, 0, 0, 0, 0, 0, 0]), -1), tempC: boilC };
    if (kgS > 0) ways.push(wayOf(prepared, pot, 'reduce', undefined, boilKg, boilKg / kgS / 60, after));
  }
  return ways;
}
