export {
  UseSchema,
  bodySchema,
  heatToJ,
  lineIdSchema,
  lineWith,
  minutesSchema,
  servedBody,
  setMinutes,
  stepBase,
  then,
  unchanged,
  type SizedLine,
  type Serving,
  type ToCome,
  type StepContext,
  type Surroundings,
  type StepCounts,
  type AnyStep,
  type StepResult,
  type Use,
} from './step.js';
export { AddSchema, add, ingredientFlow, lineParcel, poured, pouredIn, storedC, useKg, type Add } from './add.js';
export { TrimStepSchema, trim, type TrimStep } from './trim.js';
export { brownness } from './dry-heat.js';
export { ONE_LAYER_KG_M2, RoastSchema, crowding, layerM2, minutesToFork, roast, roastTau, trayed, type Roast } from './roast.js';
export { SweatSchema, sweat, sweatTau, type Sweat } from './sweat.js';
export { FrySchema, fry, type Fry } from './fry.js';
export { FryPureeSchema, fryPuree, type FryPuree } from './fry-puree.js';
export { DeglazeSchema, deglaze, type Deglaze } from './deglaze.js';
export { GiveBackSchema, TakeOutSchema, giveBack, takeOut, type GiveBack, type TakeOut } from './take-out.js';
export { CoverSchema, cover, coveringM3, type Cover } from './cover.js';
export { DrainSchema, drain, type Drain } from './drain.js';
export {
  LIDS,
  VIGOURS,
  alcoholKept,
  boilOffKgS,
  cappedVigour,
  heatUp,
  measuredBoilOff,
  type HeatUp,
  type Lid,
  type Vigour,
  type Weighings,
} from './boil.js';
export { SimmerSchema, simmer, type Simmer, type SimmerPart } from './simmer.js';
export { PeelSchema, peel, type Peel } from './peel.js';
export { PressureSchema, pressure, type Pressure } from './pressure.js';
export { ReheatSchema, reheat, type Reheat } from './reheat.js';
export { RestSchema, TOUCH_C, TWO_STAGES, rest, type Rest } from './rest.js';
export { BlendSchema, HOT_JUG_C, blend, grainAfter, jugged, type Blend } from './blend.js';
export { SieveStepSchema, heldShare, sieve, type SieveStep } from './sieve.js';
export { ReduceSchema, ThickenSchema, ThinSchema, reduce, thicken, thin, type Reduce, type Thicken, type Thin } from './to-body.js';
export { HoldSchema, hold, type Hold } from './hold.js';
export { RefillSchema, refill, type Refill } from './refill.js';
export { portion } from './portion.js';
export { LEAVES_AS, LadleOutSchema, ladleOut, type LadleOut, type LeavesAs } from './ladle-out.js';
export { CupSchema, cup, type Cup } from './cup.js';
export { DENSITY_SD_SHARE, POURED_SD, ReadSchema, massSeen, read, type Read, type Seen } from './read.js';
export { SeasonSchema, saltToAdd, season, type SaltCase, type Season } from './season.js';
export { TuneSchema, doseFor, tune, type Dose, type Tune } from './tune.js';
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
export { EGG_SAFE_C, EGG_SCRAMBLES_C, LiaisonSchema, liaison, mixedC, temperingKg, type Liaison } from './liaison.js';
export { FilmSchema, film, filmM, jugAreaM2, wettedM2, type Film } from './film.js';
export { DishSchema, ShareSchema, bowlsFrom, dish, potKgPerBowl, type Dish, type DishByHand, type Share } from './dish.js';
export { SkimSchema, skim, type Skim } from './skim.js';
export { STEP_KINDS } from './kinds.js';
export { sameBody, type Given, type LineChange, type LineUse, type StepKind, type StepTarget } from './kind.js';
export { actsBut, actsOf, actsThenStep, asGiven, type Act, type Entered, type Parts } from './entered.js';
export { NOTHING_TO_COME, afterwards, perKgWithToCome, withToCome } from './to-come.js';
