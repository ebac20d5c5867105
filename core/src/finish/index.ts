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
