import type { MonthFlow } from '@tureen/core/month';

/** One band of the picture: what it is, how much, and where it lies, in units of the picture. */
export interface FlowBand {
  readonly name: string;
  readonly kg: number;
  readonly path: string;
  readonly labelY: number;
  readonly isWaste: boolean;
  readonly isBowls: boolean;
}

export interface FlowPicture {
  readonly width: number;
  readonly height: number;
  readonly trunk: string;
  readonly bands: readonly FlowBand[];
}

const WIDTH = 660;
const TALL = 260;
const GAP = 30;
const TRUNK = 150;
const ENDS = 360;
/** Less than this share of it is no band. */
const LEAST_SHARE = 0.002;

/** Ways that kilos leave a month, in the order in which they leave: their names and whether they are lost. */
export function waysOut(flow: MonthFlow): { readonly name: string; readonly kg: number; readonly isWaste: boolean }[] {
  return [
    { name: 'trimmed', kg: flow.trimmedKg, isWaste: true },
    { name: 'steam and sieve', kg: flow.goneInCookingKg, isWaste: false },
    ...Object.entries(flow.otherKg).map(([name, kg]) => ({ name, kg, isWaste: name === 'spilt' || name === 'thrown away' })),
    { name: 'kept in the cold', kg: flow.storedKg, isWaste: false },
    { name: 'left in the pot, not counted', kg: flow.uncountedKg, isWaste: true },
    { name: 'in bowls', kg: flow.bowlsKg, isWaste: false },
  ].filter(({ kg }) => kg > flow.inKg * LEAST_SHARE);
}

/** The kilos of a month as one stem that parts into the ways they went, each as broad as it is heavy. */
export function flowPicture(flow: MonthFlow): FlowPicture | undefined {
  const ways = waysOut(flow);
  const all = ways.reduce((sum, { kg }) => sum + kg, 0);
  if (all <= 0) return undefined;
  const scale = TALL / all;
  const height = TALL + GAP * (ways.length - 1) + 20;
  const startY = (height - TALL) / 2;
  let from = startY;
  let to = 10;
  const bands = ways.map(({ name, kg, isWaste }): FlowBand => {
    const thick = kg * scale;
    const [a, b] = [from, to];
    from += thick;
    to += thick + GAP;
    const bend = (TRUNK + ENDS) / 2;
    const line = (x: number, y: number): string => `${x.toFixed(1)} ${y.toFixed(1)}`;
    return {
      name,
      kg,
      isWaste,
      isBowls: name === 'in bowls',
      labelY: b + thick / 2,
      path: `M${line(TRUNK, a)} C${line(bend, a)} ${line(bend, b)} ${line(ENDS, b)} L${line(ENDS, b + thick)} C${line(bend, b + thick)} ${line(bend, a + thick)} ${line(TRUNK, a + thick)} Z`,
    };
  });
  return {
    width: WIDTH,
    height,
    trunk: `M0 ${startY.toFixed(1)} H${String(TRUNK)} V${(startY + TALL).toFixed(1)} H0 Z`,
    bands,
  };
}
