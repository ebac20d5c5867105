/**
 * The colour of a mixture, by the two-constant theory of Kubelka and Munk (1931): absorption K and scattering S of
 * the parts add by mass, and an opaque layer reflects R = 1 + K/S - sqrt((K/S)^2 + 2 K/S). Averaging screen colours
 * would turn beetroot and cream to mud. Per kilogram: K for red, green and blue light, and one S for all three.
 */
export type Tint = readonly [kRed: number, kGreen: number, kBlue: number, s: number];

export const NO_TINT: Tint = [0, 0, 0, 0];

/** Water still scatters a little, or a pot of it would have no colour to show. Kitchen default. */
const LEAST_SCATTER = 1e-4;

/** sRGB byte to linear light: IEC 61966-2-1. */
function linear(byte: number): number {
  const v = byte / 255;
  return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
}

function byteOf(light: number): number {
  const v = light <= 0.0031308 ? light * 12.92 : 1.055 * light ** (1 / 2.4) - 0.055;
  return Math.round(Math.min(1, Math.max(0, v)) * 255);
}

function absorption(byte: number): number {
  const r = Math.min(0.999, Math.max(0.004, linear(byte)));
  return (1 - r) ** 2 / (2 * r);
}

/** @param colour '#rrggbb' of the food alone. @param covering scattering against a vegetable's, which is 1. */
export function tintOf(colour: string, covering: number): Tint {
  const s = Math.max(LEAST_SCATTER, covering);
  const channel = (at: number): number => absorption(Number.parseInt(colour.slice(at, at + 2), 16)) * s;
  return [channel(1), channel(3), channel(5), s];
}

export function plusTint(a: Tint, b: Tint, times: number): Tint {
  return [a[0] + b[0] * times, a[1] + b[1] * times, a[2] + b[2] * times, a[3] + b[3] * times];
}

/** @example colourOf(tintOf('#c06080', 1)) // '#c06080' */
export function colourOf(tint: Tint): string {
  const s = Math.max(tint[3], LEAST_SCATTER * 1e-6);
  const channel = (k: number): string => {
    const q = k / s;
    return byteOf(1 + q - Math.sqrt(q * q + 2 * q))
      .toString(16)
      .padStart(2, '0');
  };
  return `#${channel(tint[0])}${channel(tint[1])}${channel(tint[2])}`;
}
