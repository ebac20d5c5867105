import { COMPONENTS, ORIGINS, allergenNames, colourOf, originBits, type Ingredient, type IngredientRow } from '../larder/index.js';
import {
  BITE_KG,
  COOKED_STARCH_KG,
  COST,
  POTASSIUM_MG,
  SCOVILLE_KG,
  PULP_KG,
  SKINS_KG,
  STARCH_BODY_KG,
  SODIUM_MG,
  parcelKg,
  scaleParcel,
  tintIn,
  volumeM3,
  type Parcel,
} from '../pot/index.js';
import { risingRoot } from '../numbers/index.js';
import { CARD } from '../soup/index.js';
import type { PreparedSoup } from './prepared.js';
import { run, runFigures, type RunEnd } from './run.js';

const NEAREST = 1e-6;
const MOST_RUNS = 60;

/** Kilos that a card's run comes to: what its last step dishes. */
export function cardYieldKg(of: RunEnd): number {
  return of.dished === undefined ? 0 : parcelKg(of.dished.parcel);
}

/**
 * The scale at which a card comes to so many kilos. Root on the real run, to 1e-6 of what is wanted, at most 60 runs;
 * undefined when it can't come to that.
 */
export function scaleForYield(prepared: PreparedSoup, wantedKg: number): number | undefined {
  const root = risingRoot((scale) => cardYieldKg(runFigures(prepared, scale)) - wantedKg, {
    guess: 1,
    least: 1e-5,
    most: 1e5,
    tolerance: wantedKg * NEAREST,
    mostEvaluations: MOST_RUNS,
  });
  return root.ok ? root.x : undefined;
}

function rowOf(prepared: PreparedSoup, perKg: Parcel, hasPieces: boolean, densityKgM3: number): IngredientRow {
  const { soup } = prepared;
  const c = perKg.carried;
  const grams = Object.fromEntries(COMPONENTS.map((name, n) => [name, perKg.mix[n as 0] * 100])) as Record<
    (typeof COMPONENTS)[number],
    number
  >;
  const origin = ORIGINS.find((one) => one !== 'plant' && (perKg.origins & originBits(one)) !== 0) ?? 'plant';
  return {
    id: `${CARD}${soup.id}`,
    name: soup.name,
    group: hasPieces ? 'pastes and sauces' : 'liquids',
    composition: {
      ...grams,
      other: 0,
      sodiumMg: c[SODIUM_MG] / 10,
      potassiumMg: c[POTASSIUM_MG] / 10,
      source: `the card “${soup.name}”`,
    },
    trims: [{ way: 'as it comes', share: 1, sd: 0, source: 'nothing is trimmed' }],
    densityKgM3,
    colour: colourOf(tintIn(perKg)),
    covering: c[3],
    softening: hasPieces ? 4 : 0,
    meldMinutes: 0,
    skins: c[SKINS_KG],
    bite: c[BITE_KG],
    storedAtC: soup.served === 'cold' ? 5 : 20,
    allergens: allergenNames(perKg.allergens),
    origin,
    pricePerKg: c[COST],
  };
}

/**
 * What a card comes to, as an ingredient: composition, salt, cost, allergens and colour of its outcome at the size it is
 * wanted in; as written when no size is given. Undefined when it makes nothing.
 */
export function asIngredient(prepared: PreparedSoup, wantedKg: number | undefined): Ingredient | undefined {
  const scale = wantedKg === undefined || wantedKg <= 0 ? 1 : (scaleForYield(prepared, wantedKg) ?? 1);
  const of = run(prepared, scale);
  const massKg = cardYieldKg(of);
  if (of.dished === undefined || !(massKg > 0)) return undefined;
  // What was paid and not served (film, waste) is paid for by what is.
  const paid = of.costSum;
  const perKg = scaleParcel(of.dished.parcel, 1 / massKg);
  const before = of.records.at(-1)?.before;
  const hasPieces = (before?.cohorts.length ?? 0) > 0;
  const densityKgM3 = 1 / volumeM3(perKg.mix, 20);
  const row = { ...rowOf(prepared, perKg, hasPieces, densityKgM3), pricePerKg: paid / massKg };
  return {
    row,
    perKg: perKg.mix,
    sodiumMgPerKg: perKg.carried[SODIUM_MG],
    potassiumMgPerKg: perKg.carried[POTASSIUM_MG],
    scoville: perKg.carried[SCOVILLE_KG],
    cookedStarchPerKg: perKg.carried[COOKED_STARCH_KG],
    pulpPerKg: perKg.carried[PULP_KG],
    starchBodyPerKg: perKg.carried[STARCH_BODY_KG],
    tint: tintIn(perKg),
    allergens: perKg.allergens,
    origins: perKg.origins,
  };
}
