/** A tray of a freeze-dryer, marked off in squares alike. Lengths m. */
export interface DryTray {
  readonly lengthM: number;
  readonly widthM: number;
  readonly depthM: number;
  readonly squares: number;
}

/** A middling tray of a small dryer. Kitchen default. */
export const USUAL_DRY_TRAY: DryTray = { lengthM: 0.46, widthM: 0.19, depthM: 0.025, squares: 10 };
/** Of a tray's depth that is filled at most: it is carried level, and it swells as it freezes. Kitchen default. */
const FILLED = 0.75;
/** Water that a dry cake still holds, share of the cake. Kitchen default, common practice: dry foam that snaps. */
const LEFT_IN_CAKE = 0.03;

export interface DryLoad {
  readonly trays: number;
  readonly kgEach: number;
  readonly depthM: number;
  readonly kgPerSquare: number;
  readonly solidsKg: number;
  /** What all dry cakes together should weigh, kg. */
  readonly cakeKg: number;
}

/** How a soup lies in the trays of a freeze-dryer, all filled alike, and what should be left of it. */
export function dryLoad(ask: {
  readonly kg: number;
  readonly densityKgM3: number;
  readonly waterShare: number;
  readonly tray: DryTray;
}): DryLoad {
  const { kg, densityKgM3, waterShare, tray } = ask;
  const floorM2 = tray.lengthM * tray.widthM;
  const trays = Math.max(1, Math.ceil(kg / (floorM2 * tray.depthM * FILLED * densityKgM3) - 1e-9));
  const kgEach = kg / trays;
  const solidsKg = kg * (1 - waterShare);
  return {
    trays,
    kgEach,
    depthM: kgEach / densityKgM3 / floorM2,
    kgPerSquare: kgEach / tray.squares,
    solidsKg,
    cakeKg: solidsKg / (1 - LEFT_IN_CAKE),
  };
}

/** Two weighings agree when they differ by no more than this share, or by what a kitchen scale shows, kg. Kitchen defaults. */
const AGREE = { share: 0.005, kg: 0.002 } as const;
/** Apart by less than this, two weighings say nothing of each other, min. Kitchen default. */
const APART_MIN = 60;

export interface DryWeighing {
  readonly minute: number;
  readonly kg: number;
}

export interface Dryness {
  readonly kg: number;
  /** Water in what was weighed last, share of it; undefined where less was weighed than the solids that went in. */
  readonly moisture: number | undefined;
  /** What it fell by since the weighing before, kg; undefined for the first. */
  readonly fellKg: number | undefined;
  /** It falls no more: two weighings far enough apart agree. */
  readonly isSettled: boolean;
  /** Settled, and no wetter than a dry cake can be: well above, the middle is still ice and the scale too coarse to tell. */
  readonly isDry: boolean;
}

/** Well above what a dry cake holds. Kitchen default. */
const STILL_WET = 0.1;

/** What weighings of a drying soup say; undefined before the first. */
export function drynessOf(weighings: readonly DryWeighing[], solidsKg: number): Dryness | undefined {
  const last = weighings.at(-1);
  if (last === undefined) return undefined;
  const before = weighings.findLast(({ minute }) => last.minute - minute >= APART_MIN);
  const fellKg = before === undefined ? undefined : before.kg - last.kg;
  const moisture = last.kg > 0 && last.kg >= solidsKg * (1 - AGREE.share) ? Math.max(0, 1 - solidsKg / last.kg) : undefined;
  const isSettled = fellKg !== undefined && Math.abs(fellKg) <= Math.max(AGREE.kg, AGREE.share * last.kg);
  return { kg: last.kg, moisture, fellKg, isSettled, isDry: isSettled && moisture !== undefined && moisture < STILL_WET };
}

/** Of the water that brings a serving back, what is poured first: the rest by feel, since too much can't be undone. Common practice. */
const FIRST_GOES = 2 / 3;

/** Water for a serving of dried soup, in two goes, kg. @param wetKg what the serving weighed as soup. */
export function waterInTwoGoes(wetKg: number, dryKg: number): { readonly first: number; readonly then: number } {
  const all = Math.max(0, wetKg - dryKg);
  return { first: all * FIRST_GOES, then: all * (1 - FIRST_GOES) };
}
