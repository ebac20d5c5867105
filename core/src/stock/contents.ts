import {
  ACID,
  ASH,
  ETHANOL,
  FAT,
  FIBRE,
  ORIGINS,
  PROTEIN,
  SALT,
  STARCH,
  SUGARS,
  WATER,
  allergenNames,
  colourOf,
  dietsOf,
  makeIngredient,
  originBits,
  type Diets,
  type IngredientRow,
} from '../larder/index.js';
import {
  BITE_KG,
  COST,
  POTASSIUM_MG,
  PULP_KG,
  SCOVILLE_KG,
  SODIUM_MG,
  SERVED_HOT_C,
  STARCH_BODY_KG,
  gelatinised,
  parcelKg,
  parcelOf,
  priorMPas,
  tintIn,
  type Parcel,
} from '../pot/index.js';
import { DEFAULT_PARAMETERS } from '../kit/index.js';
import { KEPT_SOUP } from '../soup/index.js';
import { DIETS, SHORTENERS, type Contents } from './entry.js';

/** Where a soup holds several, the one that keeps most diets away stands for it. */
const ORIGIN_ORDER: readonly (typeof ORIGINS)[number][] = ['meat', 'fish', 'egg', 'dairy', 'bee', 'plant'];
/** Most that a row may say of how it thickens and covers. */
const MOST = { pulp: 6, starch: 3, covering: 60, bite: 2 } as const;
const DECIMALS = 6;

function rounded(value: number): number {
  return Number(Math.max(0, value).toFixed(DECIMALS));
}

const DIET_NAMES: Readonly<Record<keyof Diets, (typeof DIETS)[number]>> = {
  vegan: 'vegan',
  vegetarian: 'vegetarian',
  glutenFree: 'gluten-free',
  dairyFree: 'dairy-free',
};

/** Diets by their names on a label. */
export function dietNamesOf(diets: Diets): (typeof DIETS)[number][] {
  return (Object.keys(DIET_NAMES) as (keyof Diets)[]).filter((diet) => diets[diet]).map((diet) => DIET_NAMES[diet]);
}

/** Diets that a parcel keeps to, by their names on a label. */
export function dietNames({ origins, allergens }: Pick<Parcel, 'origins' | 'allergens'>): (typeof DIETS)[number][] {
  return dietNamesOf(dietsOf(origins, allergens));
}

/**
 * A cooked soup as an ingredient: what a kilo of it is made of, its salt, allergens and price, and how it thickens; so it can
 * be planned, bought for nothing and stirred into another soup like any other.
 *
 * @param parcel what is left over; must weigh something.
 */
export function soupAsIngredient(parcel: Parcel, name: string): IngredientRow {
  const kg = parcelKg(parcel);
  const m = parcel.mix;
  const per100 = (part: number): number => rounded((m[part] ?? 0) * (100 / kg));
  const { carried } = parcel;
  const tint = tintIn(parcel);
  const scoville = carried[SCOVILLE_KG] / kg;
  return {
    id: `${KEPT_SOUP}soup`,
    name,
    group: 'kept soup',
    composition: {
      water: per100(WATER),
      fat: per100(FAT),
      protein: per100(PROTEIN),
      starch: per100(STARCH),
      sugars: per100(SUGARS),
      other: 0,
      fibre: per100(FIBRE),
      salt: per100(SALT),
      acid: per100(ACID),
      ethanol: per100(ETHANOL),
      ash: per100(ASH),
      sodiumMg: rounded(carried[SODIUM_MG] / kg / 10),
      potassiumMg: rounded(carried[POTASSIUM_MG] / kg / 10),
      source: 'reckoned: the batch that it was left over from',
    },
    trims: [{ way: 'as is', share: 1, sd: 0, source: 'nothing is trimmed of a soup' }],
    colour: colourOf(tint),
    covering: rounded(Math.min(MOST.covering, tint[3] / kg)),
    softening: 0,
    meldMinutes: 0,
    skins: 0,
    thickens: {
      pulp: rounded(m[FIBRE] > 0 ? Math.min(MOST.pulp, carried[PULP_KG] / m[FIBRE]) : 0),
      starch: rounded(m[STARCH] > 0 ? Math.min(MOST.starch, carried[STARCH_BODY_KG] / m[STARCH]) : 0),
    },
    ...(scoville > 0 ? { scoville: { low: scoville, high: scoville } } : {}),
    bite: rounded(Math.min(MOST.bite, carried[BITE_KG] / kg)),
    storedAtC: 5,
    allergens: allergenNames(parcel.allergens),
    origin: ORIGIN_ORDER.find((origin) => origin === 'plant' || (parcel.origins & originBits(origin)) !== 0) ?? 'plant',
    pricePerKg: rounded(carried[COST] / kg),
  };
}

const EGG_OR_SHELLFISH: Readonly<Partial<Record<IngredientRow['allergens'][number], (typeof SHORTENERS)[number]>>> = {
  egg: 'egg',
  crustaceans: 'shellfish',
  molluscs: 'shellfish',
};

/** What of a soup shortens how long it keeps: cream by what was stirred in, egg and shellfish by its allergens. */
export function shortenersOf(allergens: IngredientRow['allergens'], creamG: number): (typeof SHORTENERS)[number][] {
  const held = new Set(allergens.flatMap((one) => EGG_OR_SHELLFISH[one] ?? []));
  if (creamG > 0 && allergens.includes('milk')) held.add('cream');
  return SHORTENERS.filter((one) => held.has(one));
}

/** A bowl is full to a gram of a kilo. */
const ROUNDING = 1e-6;

/** Whole bowls that a mass gives, never more than there are. */
export function bowlsIn(kg: number, { bowlG }: Pick<Contents, 'bowlG'>): number {
  return Math.floor((kg * 1000) / bowlG + ROUNDING);
}

/** Salt that keeps a soup as salty as it is when so much water or ice goes in, kg. */
export function saltForWaterKg({ row }: Pick<Contents, 'row'>, waterKg: number): number {
  return (waterKg * row.composition.salt) / (100 - row.composition.salt);
}

/** What a row's composition alone gives as body, served hot: for how a body moves, not for what it is. */
function bodyOfRow(row: IngredientRow): number {
  return priorMPas(gelatinised(parcelOf(makeIngredient(row), 1)), SERVED_HOT_C, DEFAULT_PARAMETERS.bodyA);
}

/**
 * A soup let down with water or with ice that melts in it, and salted to be as salty as before.
 *
 * @param kg what it weighs without the water
 */
export function letDown(contents: Contents, kg: number, waterKg: number): Contents {
  const share = kg / (kg + waterKg + saltForWaterKg(contents, waterKg));
  const thin = (part: number): number => rounded(part * share);
  const { row } = contents;
  const c = row.composition;
  const parts = {
    fat: thin(c.fat),
    protein: thin(c.protein),
    starch: thin(c.starch),
    sugars: thin(c.sugars),
    other: thin(c.other),
    fibre: thin(c.fibre),
    salt: c.salt,
    acid: thin(c.acid),
    ethanol: thin(c.ethanol),
    ash: thin(c.ash),
  };
  const water = rounded(100 - Object.values(parts).reduce((sum, part) => sum + part, 0));
  const thinner: IngredientRow = {
    ...row,
    composition: { ...c, ...parts, water, sodiumMg: thin(c.sodiumMg), potassiumMg: thin(c.potassiumMg) },
    ...(row.scoville === undefined ? {} : { scoville: { low: thin(row.scoville.low), high: thin(row.scoville.high) } }),
    bite: thin(row.bite),
    covering: thin(row.covering),
    pricePerKg: thin(row.pricePerKg),
  };
  const was = bodyOfRow(row);
  const bodyMPas = was > 0 ? rounded((contents.bodyMPas * bodyOfRow(thinner)) / was) : contents.bodyMPas;
  return { ...contents, row: thinner, bodyMPas };
}

/** What of a soup is not water or spirits, share. */
export function solidsShare({ row: { composition: c } }: Pick<Contents, 'row'>): number {
  return (c.fat + c.protein + c.starch + c.sugars + c.other + c.fibre + c.salt + c.acid + c.ash) / 100;
}

/**
 * A soup freeze-dried: all that is not water in what is left of it, its bowls as light as they are now. Less than its solids
 * can't be left; what was weighed short is taken as dry.
 */
export function driedContents(contents: Contents, wetKg: number, dryKg: number): Contents {
  const { row, bowlG, wetBowlG = bowlG } = contents;
  const c = row.composition;
  const up = Math.min(wetKg / dryKg, 1 / Math.max(solidsShare(contents), 1e-8));
  const more = (part: number): number => rounded(part * up);
  const parts = {
    fat: more(c.fat),
    protein: more(c.protein),
    starch: more(c.starch),
    sugars: more(c.sugars),
    other: more(c.other),
    fibre: more(c.fibre),
    salt: more(c.salt),
    acid: more(c.acid),
    ash: more(c.ash),
  };
  const water = rounded(100 - Object.values(parts).reduce((sum, part) => sum + part, 0));
  return {
    ...contents,
    bowlG: Math.max(0.1, (bowlG * dryKg) / wetKg),
    wetBowlG,
    row: {
      ...row,
      // Spirits go with the water.
      composition: { ...c, ...parts, water, ethanol: 0, sodiumMg: more(c.sodiumMg), potassiumMg: more(c.potassiumMg) },
      ...(row.scoville === undefined ? {} : { scoville: { low: more(row.scoville.low), high: more(row.scoville.high) } }),
      bite: Math.min(MOST.bite, more(row.bite)),
      covering: Math.min(MOST.covering, more(row.covering)),
      pricePerKg: more(row.pricePerKg),
    },
  };
}

/** Two soups in one container: composition by weight, every allergen of both, the diets that both keep to. */
export function mixedContents(a: Contents, aKg: number, b: Contents, bKg: number): Contents {
  const share = bKg / (aKg + bKg);
  const between = (x: number, y: number): number => rounded(x + (y - x) * share);
  const [one, two] = [a.row.composition, b.row.composition];
  const isSame = a.name === b.name;
  const name = isSame || a.name.includes(` and ${b.name}`) ? a.name : `${a.name} and ${b.name}`.slice(0, 80);
  const heat = between(a.row.scoville?.low ?? 0, b.row.scoville?.low ?? 0);
  const sameSoup = isSame && a.soupId === b.soupId && a.version === b.version;
  return {
    ...(sameSoup ? a : { bowlG: a.bowlG }),
    name,
    isServedCold: a.isServedCold && b.isServedCold,
    bodyMPas: rounded(Math.exp(Math.log(a.bodyMPas || 1) * (1 - share) + Math.log(b.bodyMPas || 1) * share)),
    holds: SHORTENERS.filter((each) => a.holds.includes(each) || b.holds.includes(each)),
    diets: DIETS.filter((each) => a.diets.includes(each) && b.diets.includes(each)),
    row: {
      ...a.row,
      name,
      composition: {
        water: between(one.water, two.water),
        fat: between(one.fat, two.fat),
        protein: between(one.protein, two.protein),
        starch: between(one.starch, two.starch),
        sugars: between(one.sugars, two.sugars),
        other: between(one.other, two.other),
        fibre: between(one.fibre, two.fibre),
        salt: between(one.salt, two.salt),
        acid: between(one.acid, two.acid),
        ethanol: between(one.ethanol, two.ethanol),
        ash: between(one.ash, two.ash),
        sodiumMg: between(one.sodiumMg, two.sodiumMg),
        potassiumMg: between(one.potassiumMg, two.potassiumMg),
        source: one.source,
      },
      thickens: {
        pulp: between(a.row.thickens?.pulp ?? 1, b.row.thickens?.pulp ?? 1),
        starch: between(a.row.thickens?.starch ?? 1, b.row.thickens?.starch ?? 1),
      },
      bite: between(a.row.bite, b.row.bite),
      ...(heat > 0 ? { scoville: { low: heat, high: heat } } : {}),
      allergens: [...new Set([...a.row.allergens, ...b.row.allergens])],
      origin: ORIGIN_ORDER.find((origin) => a.row.origin === origin || b.row.origin === origin) ?? 'plant',
      pricePerKg: between(a.row.pricePerKg, b.row.pricePerKg),
    },
  };
}
