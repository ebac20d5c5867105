import type { Mix } from '../larder/index.js';

/**
 * Thermal properties of food from its composition: Choi and Okos (1986), as in the ASHRAE Handbook: Refrigeration,
 * chapter "Thermal Properties of Foods", tables 1 and 2 (coefficients from memory); -40 to 150 °C, water from 0 °C.
 * Starch, sugars and acid count as carbohydrate, salt as ash. Ethanol is not in the tables: 2440 J/(kg K),
 * 789 kg/m3 and 0.17 W/(m K) throughout (from memory).
 */
type Quadratic = readonly [a: number, b: number, c: number];

const CP: Readonly<Record<'water' | 'protein' | 'fat' | 'carbohydrate' | 'fibre' | 'ash' | 'ethanol', Quadratic>> = {
  water: [4176.2, -0.0909, 5.4731e-3],
  protein: [2008.2, 1.2089, -1.3129e-3],
  fat: [1984.2, 1.4733, -4.8008e-3],
  carbohydrate: [1548.8, 1.9625, -5.9399e-3],
  fibre: [1845.9, 1.8306, -4.6509e-3],
  ash: [1092.6, 1.8896, -3.6817e-3],
  ethanol: [2440, 0, 0],
};

const DENSITY: typeof CP = {
  water: [997.18, 3.1439e-3, -3.7574e-3],
  protein: [1329.9, -0.5184, 0],
  fat: [925.59, -0.41757, 0],
  carbohydrate: [1599.1, -0.31046, 0],
  fibre: [1311.5, -0.36589, 0],
  ash: [2423.8, -0.28063, 0],
  ethanol: [789, 0, 0],
};
/** Salt in solution takes less room than dry ash: 1071 kg/m3 at 10 % and 1148 at 20 % at 20 °C (brine tables, from memory). */
const DISSOLVED_SALT_KG_M3 = 3000;

const CONDUCTIVITY: typeof CP = {
  water: [0.57109, 1.7625e-3, -6.7036e-6],
  protein: [0.17881, 1.1958e-3, -2.7178e-6],
  fat: [0.18071, -2.7604e-4, -1.7749e-7],
  carbohydrate: [0.20141, 1.3874e-3, -4.3312e-6],
  fibre: [0.18331, 1.2497e-3, -3.1683e-6],
  ash: [0.32962, 1.4011e-3, -2.9069e-6],
  ethanol: [0.17, 0, 0],
};

function at(q: Quadratic, t: number): number {
  return q[0] + (q[1] + q[2] * t) * t;
}

/** The three coefficients of cp, each summed over the components, written out: this is asked for at every step. */
function cpConstant(m: Mix): number {
  return (
    m[0] * CP.water[0] +
    m[1] * CP.fat[0] +
    m[2] * CP.protein[0] +
    (m[3] + m[4] + m[7]) * CP.carbohydrate[0] +
    m[5] * CP.fibre[0] +
    (m[6] + m[9]) * CP.ash[0] +
    m[8] * CP.ethanol[0]
  );
}

function cpLinear(m: Mix): number {
  return (
    m[0] * CP.water[1] +
    m[1] * CP.fat[1] +
    m[2] * CP.protein[1] +
    (m[3] + m[4] + m[7]) * CP.carbohydrate[1] +
    m[5] * CP.fibre[1] +
    (m[6] + m[9]) * CP.ash[1]
  );
}

function cpSquare(m: Mix): number {
  return (
    m[0] * CP.water[2] +
    m[1] * CP.fat[2] +
    m[2] * CP.protein[2] +
    (m[3] + m[4] + m[7]) * CP.carbohydrate[2] +
    m[5] * CP.fibre[2] +
    (m[6] + m[9]) * CP.ash[2]
  );
}

/** Heat capacity of a mix at t °C, J/K. */
export function heatCapacityJK(m: Mix, t: number): number {
  return cpConstant(m) + (cpLinear(m) + cpSquare(m) * t) * t;
}

/** Enthalpy of a mix against 0 °C, J: the exact integral of cp. */
export function enthalpyJ(m: Mix, t: number): number {
  return (cpConstant(m) + (cpLinear(m) / 2 + (cpSquare(m) / 3) * t) * t) * t;
}

/**
 * The temperature at which a mix holds an enthalpy, °C. Newton from `guessC` on a smooth rising cubic: at most 12
 * rounds, stops below 1e-12 K. An empty mix keeps the guess.
 */
export function temperatureC(m: Mix, joules: number, guessC: number): number {
  const a = cpConstant(m);
  if (a <= 0) return guessC;
  const b = cpLinear(m);
  const c = cpSquare(m);
  let t = guessC;
  for (let round = 0; round < 12; round++) {
    const step = ((a + (b / 2 + (c / 3) * t) * t) * t - joules) / (a + (b + c * t) * t);
    t -= step;
    if (Math.abs(step) < 1e-12) break;
  }
  return t;
}

/** Volume of a mix at t °C without air, m3: ASHRAE, same chapter, eq. 6. */
export function volumeM3(m: Mix, t: number): number {
  return (
    m[0] / at(DENSITY.water, t) +
    m[1] / at(DENSITY.fat, t) +
    m[2] / at(DENSITY.protein, t) +
    (m[3] + m[4] + m[7]) / at(DENSITY.carbohydrate, t) +
    m[5] / at(DENSITY.fibre, t) +
    m[6] / DISSOLVED_SALT_KG_M3 +
    m[9] / at(DENSITY.ash, t) +
    m[8] / at(DENSITY.ethanol, t)
  );
}

/** Conductivity of a mix times its volume, W m2/K: in parallel by volume share (ASHRAE, same chapter). */
function conductivityVolume(m: Mix, t: number): number {
  return (
    (m[0] / at(DENSITY.water, t)) * at(CONDUCTIVITY.water, t) +
    (m[1] / at(DENSITY.fat, t)) * at(CONDUCTIVITY.fat, t) +
    (m[2] / at(DENSITY.protein, t)) * at(CONDUCTIVITY.protein, t) +
    ((m[3] + m[4] + m[7]) / at(DENSITY.carbohydrate, t)) * at(CONDUCTIVITY.carbohydrate, t) +
    (m[5] / at(DENSITY.fibre, t)) * at(CONDUCTIVITY.fibre, t) +
    ((m[6] + m[9]) / at(DENSITY.ash, t)) * at(CONDUCTIVITY.ash, t) +
    (m[8] / at(DENSITY.ethanol, t)) * at(CONDUCTIVITY.ethanol, t)
  );
}

/** Thermal conductivity of a mix at t °C, W/(m K). */
export function conductivityWMK(m: Mix, t: number): number {
  return conductivityVolume(m, t) / volumeM3(m, t);
}

/** Thermal diffusivity of a mix at t °C, m2/s: its conductivity over density and cp. */
export function diffusivityM2S(m: Mix, t: number): number {
  return conductivityVolume(m, t) / heatCapacityJK(m, t);
}

/**
 * Latent heat of water, J/kg, 0 to 120 °C: the parabola through 2500.9 kJ/kg at 0 °C, 2308.0 at 80 and 2256.5 at 100
 * (steam tables, from memory); within 0.2 % between.
 */
export function latentJKg(t: number): number {
  return 2_500_900 + (-2280.25 - 1.6375 * t) * t;
}

/** Latent heat of ethanol, J/kg, taken as constant (from memory, at its boiling point). */
export const ETHANOL_LATENT_JKG = 838_000;

/** What vapour carries away, J: the liquid's enthalpy at the temperature at which it leaves plus the latent heat. */
export function vapourEnthalpyJ(m: Mix, t: number): number {
  return enthalpyJ(m, t) + m[0] * latentJKg(t) + m[8] * ETHANOL_LATENT_JKG;
}
