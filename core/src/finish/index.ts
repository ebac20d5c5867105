export {
  CreamSchema,
  CreamTargetSchema,
  cream,
  creamShare,
  creamToAdd,
  shareToAdd,
  type Cream,
  type CreamTarget,
} from './cream.js';
export { splitFigures, splitRemedies, splitRisk, type Risk } from './split.js';
export { EGG_SAFE_C, EGG_SCRAMBLES_C, LiaisonSchema, liaison, mixedC, temperingKg, type Liaison } from './liaison.js';
export { cartonsFor } from './cartons.js';
