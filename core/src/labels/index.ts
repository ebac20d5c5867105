export {
  LABEL_SIZES,
  MM_A_POINT,
  layOut,
  onPages,
  type LabelLayout,
  type LabelSize,
  type LabelText,
  type MeasureMm,
  type PlacedText,
} from './layout.js';
export { labelText } from './label-text.js';
