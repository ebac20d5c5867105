/**
 * What really stands in a simulated pot. Kilos, °C; fat and sugar thicken nothing, `stiffness` is 1 for a middling soup. Acid,
 * sugars and fat are parts of `thinKg`.
 */
export interface SimulatedPot {
  readonly waterKg: number;
  readonly solidsKg: number;
  readonly saltKg: number;
  readonly thinKg: number;
  readonly acidKg: number;
  readonly sugarsKg: number;
  readonly fatKg: number;
  readonly tempC: number;
  readonly stiffness: number;
}

/** Something stirred into it. */
export interface Stirred {
  readonly kg: number;
  readonly solidsShare: number;
  readonly saltShare: number;
  readonly tempC: number;
}

/** A purée as a Herschel and Bulkley fluid: tau = tau0 + K rate^n, both rising with the share of solids. Invented for the bench. */
const YIELD_PA = 2400;
const YIELD_POWER = 3.1;
const CONSISTENCY = 150;
const CONSISTENCY_POWER = 2.1;
const INDEX = 0.46;
/** Rate at which kitchens and clinics speak of thickness, 1/s. */
const RATE = 50;
/** Thinner when hot, per kelvin. */
const PER_KELVIN = 0.006;
const REFERENCE_C = 65;
const WATER_J_KG_K = 4180;
const SOLIDS_J_KG_K = 1800;
const LATENT_J_KG = 2_260_000;
/** What steams off an open face: W/m2 for each pascal that the soup's vapour is over the room's. Invented for the bench. */
const STEAMS_W_M2_PA = 0.05;
const ROOM_PA = 1300;
/** What walls and face give to still air, W/(m2 K). Invented for the bench. */
const AIR_W_M2_K = 11;
/** Cooling is worked out in steps of so many seconds, or in so many steps where it is long. */
const COOLING_S = 20;
const MOST_STEPS = 600;
/** What the walls of a pot lose to the kitchen, W/K. */
const LOSS_W_K = 6;
const AIR_C = 22;
const BOILS_C = 100;

/** An empty vessel, as warm as the kitchen. */
export const NOTHING: SimulatedPot = {
  waterKg: 0,
  solidsKg: 0,
  saltKg: 0,
  thinKg: 0,
  acidKg: 0,
  sugarsKg: 0,
  fatKg: 0,
  tempC: AIR_C,
  stiffness: 1,
};

export function massOf({ waterKg, solidsKg, saltKg, thinKg }: SimulatedPot): number {
  return waterKg + solidsKg + saltKg + thinKg;
}

/** Room that a kilo of each takes when cold, m3: water, what is dry in food, salt in water, fat. Handbook figures, rounded, from memory. */
const M3_KG = { water: 1 / 1000, dry: 1 / 1550, salt: 1 / 3000, fat: 1 / 920 };

/** The room that a cold pot takes, m3. */
export function roomOf({ waterKg, solidsKg, saltKg, thinKg, fatKg }: SimulatedPot): number {
  return waterKg * M3_KG.water + (solidsKg + thinKg - fatKg) * M3_KG.dry + saltKg * M3_KG.salt + fatKg * M3_KG.fat;
}

export function saltPctOf(pot: SimulatedPot): number {
  return (pot.saltKg / massOf(pot)) * 100;
}

/** Apparent viscosity at 50 1/s and a temperature, mPa·s. */
export function thicknessOf(pot: SimulatedPot, tempC: number): number {
  const share = pot.solidsKg / massOf(pot);
  const yieldPa = YIELD_PA * share ** YIELD_POWER;
  const consistency = CONSISTENCY * share ** CONSISTENCY_POWER;
  const pas = yieldPa / RATE + consistency * RATE ** (INDEX - 1);
  return pot.stiffness * pas * 1000 * Math.exp(-PER_KELVIN * (tempC - REFERENCE_C));
}

function capacityJK({ waterKg, solidsKg, saltKg, thinKg }: SimulatedPot): number {
  return waterKg * WATER_J_KG_K + (solidsKg + saltKg + thinKg) * SOLIDS_J_KG_K;
}

/** Temperature of two vessels' contents poured together, °C. */
export function mixedC(a: SimulatedPot, b: SimulatedPot): number {
  const [ofA, ofB] = [capacityJK(a), capacityJK(b)];
  return ofA + ofB > 0 ? (ofA * a.tempC + ofB * b.tempC) / (ofA + ofB) : a.tempC;
}

export function stirredIn(pot: SimulatedPot, { kg, solidsShare, saltShare, tempC }: Stirred): SimulatedPot {
  const added: SimulatedPot = {
    ...pot,
    waterKg: kg * (1 - solidsShare - saltShare),
    solidsKg: kg * solidsShare,
    saltKg: kg * saltShare,
    thinKg: 0,
    tempC,
  };
  return {
    ...pot,
    waterKg: pot.waterKg + added.waterKg,
    solidsKg: pot.solidsKg + added.solidsKg,
    saltKg: pot.saltKg + added.saltKg,
    tempC: mixedC(pot, added),
  };
}

/** Two pots in one: kilos and heat add up, and each of them makes as thick as what it brings. */
export function pouredTogether(a: SimulatedPot, b: SimulatedPot): SimulatedPot {
  const solidsKg = a.solidsKg + b.solidsKg;
  return {
    waterKg: a.waterKg + b.waterKg,
    solidsKg,
    saltKg: a.saltKg + b.saltKg,
    thinKg: a.thinKg + b.thinKg,
    acidKg: a.acidKg + b.acidKg,
    sugarsKg: a.sugarsKg + b.sugarsKg,
    fatKg: a.fatKg + b.fatKg,
    tempC: mixedC(a, b),
    stiffness: solidsKg > 0 ? (a.stiffness * a.solidsKg + b.stiffness * b.solidsKg) / solidsKg : 1,
  };
}

/** Some of it taken out as it stands; out of nothing comes nothing. */
export function takenOut(pot: SimulatedPot, kg: number): SimulatedPot {
  const massKg = massOf(pot);
  if (massKg <= 0) return pot;
  const left = Math.max(0, 1 - kg / massKg);
  return {
    ...pot,
    waterKg: pot.waterKg * left,
    solidsKg: pot.solidsKg * left,
    saltKg: pot.saltKg * left,
    thinKg: pot.thinKg * left,
    acidKg: pot.acidKg * left,
    sugarsKg: pot.sugarsKg * left,
    fatKg: pot.fatKg * left,
  };
}

/** Pressure of water vapour over hot water, Pa: Magnus' form. */
function vapourPa(tempC: number): number {
  return 610.94 * Math.exp((17.625 * tempC) / (tempC + 243.04));
}

/** A pot off the flame for some seconds: it steams from its open face and gives warmth to the air through face and wall. */
export function cooledFor(
  pot: SimulatedPot,
  faces: { readonly openM2: number; readonly wallM2: number },
  seconds: number,
): SimulatedPot {
  const capacity = capacityJK(pot);
  if (capacity <= 0 || !(seconds > 0)) return pot;
  const steps = Math.min(MOST_STEPS, Math.ceil(seconds / COOLING_S));
  const stepS = seconds / steps;
  let { tempC } = pot;
  for (let n = 0; n < steps && tempC > AIR_C; n++) {
    const steams = STEAMS_W_M2_PA * faces.openM2 * Math.max(0, vapourPa(tempC) - ROOM_PA);
    const watts = steams + AIR_W_M2_K * (faces.openM2 + faces.wallM2) * (tempC - AIR_C);
    // A long step may not fall below what stands around it.
    tempC = Math.max(AIR_C, tempC - Math.min((watts * stepS) / capacity, tempC - AIR_C));
  }
  return { ...pot, tempC };
}

/** Some seconds on a burner: it warms until it boils, then the power that is left drives water off. */
export function heated(pot: SimulatedPot, powerW: number, seconds: number): SimulatedPot {
  const netW = powerW - LOSS_W_K * (pot.tempC - AIR_C);
  const capacity = capacityJK(pot);
  if (capacity <= 0) return pot;
  const warmed = pot.tempC + (netW * seconds) / capacity;
  if (warmed <= BOILS_C) return { ...pot, tempC: Math.max(AIR_C, warmed) };
  const overJ = (warmed - BOILS_C) * capacity;
  return { ...pot, tempC: BOILS_C, waterKg: Math.max(0, pot.waterKg - overJ / LATENT_J_KG) };
}

/** A pot whose solids make it so thick at a temperature: the stiffness that does it. */
export function stiffenedTo(pot: SimulatedPot, mPas: number, tempC: number): SimulatedPot {
  return { ...pot, stiffness: pot.stiffness * (mPas / thicknessOf(pot, tempC)) };
}

/** How a cook sets a flame, by the bubbles; a lid lets some of the steam through. */
export interface Boil {
  readonly areaM2: number;
  /** The most that the burner brings into the pot, W. */
  readonly powerW: number;
  readonly vigour: 'bare' | 'steady' | 'lively' | 'rolling';
  readonly lid: 'on' | 'ajar' | 'off';
  readonly minutes: number;
}

/**
 * Power that is seen as such bubbles, of a square metre of soup, W/m2. Invented for the bench, since kitchens do not measure it:
 * a hob gives a pot of 25 cm some 1.5 kW, which is 30 kW/m2 with the flame full, and what rolls is short of that.
 */
const SEEN_AS: Readonly<Record<Boil['vigour'], number>> = { bare: 3600, steady: 4600, lively: 12_500, rolling: 22_000 };
const STEAM_LEAVES: Readonly<Record<Boil['lid'], number>> = { on: 0.12, ajar: 0.55, off: 1 };
/** Soup this thick is not driven hard: it would catch. mPa·s, and the share of the flame that is left. */
const CATCHES_MPAS = 300;
const GENTLE = 0.5;

/** Water that leaves a pot at the boil, kg: the power that the flame is set to, as far as the burner goes, less what the wall loses. */
export function boiledOffKg(pot: SimulatedPot, { areaM2, powerW, vigour, lid, minutes }: Boil): number {
  const gentle = thicknessOf(pot, BOILS_C) > CATCHES_MPAS ? GENTLE : 1;
  const wanted = SEEN_AS[vigour] * areaM2 * gentle;
  const netW = Math.max(0, Math.min(wanted, powerW - LOSS_W_K * (BOILS_C - AIR_C)));
  return (netW * STEAM_LEAVES[lid] * minutes * 60) / LATENT_J_KG;
}
