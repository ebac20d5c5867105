export {
  BlenderSchema,
  KitSchema,
  MeasureSchema,
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
  type Tray,
  type Vessel,
} from './kit.js';
export { boilingPointC, pressurePa } from './air.js';
export { READY_KITS } from './ready.js';
