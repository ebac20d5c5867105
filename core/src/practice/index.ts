export { DIP_M, EYE_LN, HiddenKitchen, normalFrom, numberOf, type Mishaps } from './hidden-kitchen.js';
export { Truth, after, unlearnt } from './truth.js';
export { WHAT_IFS, asPlanned, inKitchens, type InKitchens, type Spread, type WhatIf } from './what-if.js';
export { cookedIn, cookedInMany, type Cooked, type Hidden, type Moment, type Stands } from './cooked.js';
export { belowRimM, sensed, spoonWordOf, type Senses, type Tasted } from './senses.js';
export { LESSONS, lessonOf, planForPractice, type Lesson, type Mark } from './lessons.js';
export { harmsOf, type Harm } from './harms.js';
export { debriefOf, type Best, type Debrief, type Judged, type Turn } from './debrief.js';
export { KEPT_FIGURES, type KeptFigures, type KeptGoal } from './kept-figures.js';
