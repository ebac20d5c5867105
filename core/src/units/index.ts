export { UNITS, UNIT_CODES, type Dimension, type Unit, type UnitCode, type UnitSystem } from './unit.js';
export { celsiusOf, convert, fahrenheitOf, type ConvertError, type Converted } from './convert.js';
export { decimalMarkIn, readNumber, showNumber, type NumberRead } from './read-number.js';
export {
  degreeUnit,
  degrees,
  degreesMore,
  fromScale,
  onScale,
  percentMore,
  showDegrees,
  showMass,
  showMinutes,
  showVolume,
  weighedIn,
  type DegreeUnit,
  type Shown,
} from './show.js';
