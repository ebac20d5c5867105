export {
  UseSchema,
  heatToJ,
  lineIdSchema,
  minutesSchema,
  stepBase,
  type ReadyLine,
  type StepContext,
  type StepCounts,
  type StepResult,
  type Use,
} from './step.js';
export { AddSchema, add, ingredientFlow, pouredIn, standing, useKg, type Add } from './add.js';
export { TrimStepSchema, trim, type TrimStep } from './trim.js';
export { RoastSchema, roast, roastTau, trayed, type Roast } from './roast.js';
export { SweatSchema, sweat, sweatTau, type Sweat } from './sweat.js';
export { TakeOutSchema, takeOut, type TakeOut } from './take-out.js';
export { CoverSchema, cover, coveringM3, type Cover } from './cover.js';
export { LIDS, SimmerSchema, VIGOURS, alcoholKept, boilOffKgS, simmer, type Simmer } from './simmer.js';
export { RestSchema, rest, type Rest } from './rest.js';
export { BlendSchema, blend, grainAfter, jugged, type Blend } from './blend.js';
export { ReadSchema, read, type Read } from './read.js';
