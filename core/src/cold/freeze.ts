import { MELTS_JKG } from './stuff.js';

/** A slab, long bar or ball that is frozen: shape factors of Plank's equation. */
const SHAPES = { slab: [1 / 2, 1 / 8], bar: [1 / 4, 1 / 16], ball: [1 / 6, 1 / 24] } as const;

export interface Freezing {
  readonly shape: keyof typeof SHAPES;
  /** Full thickness or diameter, m. */
  readonly thickM: number;
  readonly densityKgM3: number;
  /** Heat of fusion of the food, J/kg. */
  readonly fusionJKg: number;
  readonly freezesAtC: number;
  readonly airC: number;
  readonly hW: number;
  /** Conductivity of the frozen food, W/(m K). */
  readonly frozenWMK: number;
}

/**
 * Time to freeze what is at its freezing point already, s: Plank (1913), as in textbooks of food engineering.
 */
export function plankS({ shape, thickM, densityKgM3, fusionJKg, freezesAtC, airC, hW, frozenWMK }: Freezing): number {
  const [p, r] = SHAPES[shape];
  return ((densityKgM3 * fusionJKg) / (freezesAtC - airC)) * ((p * thickM) / hW + (r * thickM ** 2) / frozenWMK);
}

/** What ice and thawed soup conduct, W/(m K), and take up, J/(m3 K), from memory. */
const FROZEN_WMK = 1.9;
const FROZEN_J_M3K = 1.9e6;
const THAWED_J_M3K = 3.9e6;

export interface FreezeAsk {
  readonly thickM: number;
  readonly waterShare: number;
  readonly densityKgM3: number;
  readonly startC: number;
  readonly airC: number;
  readonly hW: number;
  /** The middle is frozen through at this, °C. */
  readonly endC?: number;
}

/**
 * Time until the middle of a flat tub is frozen, minutes: Pham (1986), the heat of cooling and of freezing each over its own
 * mean temperature difference; slab, both faces. Constants from memory; the better-known Plank is the check.
 */
export function freezeMinutes({ thickM, waterShare, densityKgM3, startC, airC, hW, endC = -10 }: FreezeAsk): number {
  const middleC = 1.8 + 0.263 * endC + 0.105 * airC;
  const cooling = THAWED_J_M3K * Math.max(0, startC - middleC);
  const freezing = densityKgM3 * waterShare * MELTS_JKG + FROZEN_J_M3K * (middleC - endC);
  const byCooling = Math.max(1, (startC + middleC) / 2 - airC);
  const byFreezing = Math.max(1, middleC - airC);
  const biot = (hW * (thickM / 2)) / FROZEN_WMK;
  return ((cooling / byCooling + freezing / byFreezing) * (thickM / 2) * (1 + biot / 2)) / hW / 60;
}

/** Ice takes this much more room than its water. */
const ICE_GROWS = 0.09;
/** A little air over it all the same. Kitchen default. */
const SAFE = 0.02;

/** Share of a tub left free so that the lid stays on when the soup freezes. */
export function headspaceShare(waterShare: number): number {
  return waterShare * ICE_GROWS + SAFE;
}

/** Conductivity of what is thawed, W/(m K), where soups begin to freeze, °C, and how strongly still fridge air gives heat: from memory. */
const THAWED_WMK = 0.55;
const FREEZES_C = -1;
const FRIDGE_W_M2K = 10;

/**
 * Time until a tub of frozen soup is thawed through in a fridge, minutes: Plank's equation the other way round, the heat coming
 * through what is thawed already, by all faces of a squat tub of that volume and depth.
 */
export function thawMinutes(ask: {
  readonly volumeM3: number;
  readonly depthM: number;
  readonly waterShare: number;
  readonly densityKgM3: number;
  readonly airC?: number;
}): number {
  const { volumeM3, depthM, waterShare, densityKgM3, airC = 4 } = ask;
  const slab = plankS({
    shape: 'slab',
    thickM: depthM,
    densityKgM3,
    fusionJKg: waterShare * MELTS_JKG,
    freezesAtC: airC,
    airC: FREEZES_C,
    hW: FRIDGE_W_M2K,
    frozenWMK: THAWED_WMK,
  });
  const floorM2 = volumeM3 / depthM;
  const sidesM2 = 4 * Math.sqrt(floorM2) * depthM;
  return ((slab / 60) * (2 * floorM2)) / (2 * floorM2 + sidesM2);
}
