/** Water as it comes from the tap, kg/m3 at 15 °C (quoted from memory; 0.3 % less at 25 °C). */
const TAP_WATER_KG_M3 = 999.1;

/** Volume of a ladle or jug from the water that it holds, m3. @example volumeByWaterM3(0.14) // 1.401e-4 */
export function volumeByWaterM3(waterKg: number): number {
  return waterKg / TAP_WATER_KG_M3;
}
