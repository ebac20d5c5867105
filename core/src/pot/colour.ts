import { tintOf } from '../larder/index.js';
import type { Carried, Parcel } from './parcel.js';

/** Deep roast brown, and how much of it full browning lays over a vegetable. Kitchen defaults. */
const BROWN = tintOf('#6b3f1d', 1);
const MOST_OVERLAID = 0.3;

/** A parcel with browning laid over it: absorption moves towards brown's at the same scattering. @param by 0 to 1, added to what is there. */
export function brownedParcel(p: Parcel, by: number): Parcel {
  if (by <= 0) return p;
  const c = p.carried;
  const share = MOST_OVERLAID * by;
  const channel = (place: 0 | 1 | 2): number => c[place] + (BROWN[place] * c[3] - c[place]) * share;
  const carried: Carried = [
    channel(0),
    channel(1),
    channel(2),
    c[3],
    c[4],
    c[5],
    c[6],
    c[7],
    c[8],
    c[9],
    c[10],
    c[11],
    c[12],
    c[13],
  ];
  return { mix: p.mix, carried, allergens: p.allergens, origins: p.origins };
}
