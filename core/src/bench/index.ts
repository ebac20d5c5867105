export {
  NOTHING,
  boiledOffKg,
  cooledFor,
  heated,
  massOf,
  mixedC,
  pouredTogether,
  roomOf,
  saltPctOf,
  stiffenedTo,
  stirredIn,
  takenOut,
  thicknessOf,
  type Boil,
  type SimulatedPot,
  type Stirred,
} from './simulated-pot.js';
export { instrument, type Errs, type Instrument, type Normal } from './instrument.js';
export { meanOf, panAfter, panAt, type Meets, type PanStands, type SimulatedPan } from './simulated-pan.js';
