import type { BodyReading } from '@tureen/core/body';

/** How far a taste is from right, from far too little to far too much. */
export const SIDES = ['far too little', 'a little more', 'right', 'a little much', 'far too much'] as const;

/** What a reading of the body said, in its own unit. */
export function bodyRead(reading: BodyReading): string {
  switch (reading.device) {
    case 'spoon':
      return reading.word;
    case 'syringe':
      return `${reading.leftMl.toFixed(1)} mL left after 10 s`;
    case 'viscometer':
      return `${reading.mPas.toFixed(0)} mPa·s`;
    case 'drain cup':
      return `${reading.seconds.toFixed(0)} s from the ${String(reading.cupMm)} mm cup`;
    case 'plate ring':
      return `${reading.radiusMm.toFixed(0)} mm on the plate`;
  }
}
