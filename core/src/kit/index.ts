export {
  BlenderSchema,
  KitSchema,
  MeasureSchema,
  SieveSchema,
  TraySchema,
  VesselSchema,
  areaM2,
  areaOfTrayM2,
  belowRimM,
  brimM3,
  usableM3,
  type Blender,
  type Kit,
  type Measure,
  type Sieve,
  type Tray,
  type Vessel,
} from './kit.js';
export { boilingPointC, pressurePa } from './air.js';
export { dayOf, isZone } from './day.js';
export { placeFor, type Place } from './place.js';
export { READY_KITS } from './ready.js';
export { DEFAULT_HABITS, HABITS, HABIT_NAMES, habitsOf, type Habit, type HabitName, type Habits } from './habits.js';
export { volumeByWaterM3 } from './weighed.js';
