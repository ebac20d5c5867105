export { PLACES_SOURCE, USUAL_PANS, USUAL_PLACES } from '../kit/index.js';
export { USUAL_MIX, stuffOf, tableAt, type Stuff } from './stuff.js';
export { HINDERED, HINDRANCES, hindered, type CoolingPlace, type Hindrance } from './place.js';
export { coolSlab, type Curve, type Slab } from './slab.js';
export {
  COOLING_SPREAD,
  LONGEST_MIN,
  coolingCurve,
  forecastCooling,
  minutesTo,
  nineInTen,
  type CoolingForecast,
  type CoolingPan,
  type Minutes,
} from './cooling.js';
export {
  COOLING_RULES,
  OWN_RULE,
  REHEATING,
  outlookOf,
  ownRule,
  rulesFor,
  type CoolingRule,
  type CoolingStage,
  type RuleOutlook,
  type StageOutlook,
} from './rule.js';
export {
  EDGE_PER_M,
  deepestLayer,
  fewestPans,
  splitPlans,
  type Split,
  type SplitAsk,
  type SplitPans,
  type SplitPlan,
} from './split.js';
export { USUAL_DRY_TRAY, dryLoad, drynessOf, waterInTwoGoes, type DryLoad, type DryTray, type Dryness } from './freeze-dry.js';
export { icedC, icedMix, iceThatWouldDo, type IceWay } from './ice.js';
export { KEEPING_RULES, SHORTER_DAYS, type KeepingRule } from './keep.js';
export { freezeMinutes, headspaceShare, plankS, thawMinutes, type FreezeAsk, type Freezing } from './freeze.js';
export { lastMinuteFor, rescuedTo, watchCooling, type CoolingReading, type Rescue, type Watched } from './watch.js';
export { countsFrom, panNow, type PanNow, type PanWatched, type StillPossible, type WatchedStage } from './pan-now.js';
