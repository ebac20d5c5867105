export { ROLES, cutOf, roleOf, usualCut, type Role, type WrittenCut } from './role.js';
export { PAN_FAT_KG_M2, takeLine, usualWay, type Answer, type Assumed, type TakeContext, type TakenLine } from './take.js';
export { writeLine, writtenLines } from './write-line.js';
export { compose, freeId, newLine, slug, type Composing } from './compose.js';
export {
  addLine,
  addStep,
  moveStation,
  moveStep,
  moveUse,
  placeLine,
  placeOf,
  removeLine,
  removeStep,
  replaceStep,
  rewriteLine,
  workable,
  type Place,
  type Workable,
} from './edit.js';
export { NEW_STEPS, addNewStep, type NewStep } from './new-step.js';
export { branchOff, holdBack } from './apart.js';
export { keepInVariant, type Substitute } from './variants.js';
export { differences, type SoupDifference } from './difference.js';
export { comesTo } from './comes-to.js';
