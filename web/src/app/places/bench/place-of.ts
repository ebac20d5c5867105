import type { Lesson } from '@tureen/core/practice';

/** Where a lesson is learnt: at the stove of its batch, or in the cold. */
export function placeOf(lesson: Lesson | undefined, batchId: string): string[] {
  return lesson?.isPuttingAway === true ? ['/cold'] : ['/stove', batchId];
}
