export {
  ETHANOL_LATENT_JKG,
  diffusivityM2S,
  enthalpyJ,
  heatCapacityJK,
  latentJKg,
  temperatureC,
  vapourEnthalpyJ,
  volumeM3,
} from './heat.js';
export { EMPTY, driedParcel, parcelKg, parcelOf, plusParcel, scaleParcel, type Parcel } from './parcel.js';
export {
  EMPTY_POT,
  ROOM_C,
  UNREAD_MASS_SD,
  contents,
  joined,
  potEnthalpyJ,
  potKg,
  potM3,
  type Cohort,
  type PotState,
  type Shape,
} from './state.js';
export { flowEnthalpyJ, type Flow, type FlowKind } from './flow.js';
export type { Caution } from './caution.js';
export {
  TENDER,
  centreC,
  centreShare,
  minutesToTender,
  ratePerMinute,
  soften,
  softeningDose,
  type Heating,
  type Piece,
} from './soften.js';
