export { STANDING_LINE, cautionSentence, hurts } from './cautions.js';
export { problemSentence } from './problems.js';
export { planErrorSentence, planSentence } from './plan-errors.js';
export { namer, stopNamer } from './names.js';
export { minutesSaid, stationOf, stepName, stepSetting, stepSentence, stepTest, type NameOf, type Station } from './steps.js';
export { rowSentence } from './rows.js';
export { DOING_CHOICES, DOING_WORDS, actionDetail, actionTitle, methodAssumptions, newStepName } from './method.js';
export { noticeWords } from './change-notices.js';
export { assumedWords, differenceWords, pastingSentence, readingSentence } from './drafts.js';
export { unsureWords } from './odds.js';
export { iceWayWords, minutesWords, outlookWords, ruleSentence, placeWords, splitWords, stageWords, takesWords } from './cold.js';
export {
  bringBackWords,
  broughtBackWords,
  freezingWords,
  thawingWords,
  keptWords,
  heldMass,
  reheatingWords,
  stockActionWords,
  stockNoticeSentence,
  stockStateWords,
} from './stock.js';
export { daySheetRows, dayWarnings, type HotLook, type SheetRow } from './day-sheet.js';
export {
  deviceWords,
  learnedNames,
  learnedWords,
  oddsWords,
  offWords,
  suspectWords,
  tellApartWords,
  type LearnedNames,
  type LearnedWords,
} from './learned.js';
export {
  dayProblemSentence,
  NO_PANS_LEFT,
  byClock,
  coolingRows,
  dayRows,
  dayVerdict,
  delayWords,
  limitWords,
  wayWords,
  type DayRow,
} from './board.js';
export { FIGURE_WORDS, goneWords, sideBySideWords, valueWords, type DifferenceNames } from './side-by-side.js';
export { WAY_WORDS } from './ways.js';
