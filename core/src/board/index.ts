export {
  DayBatchSchema,
  DaySchema,
  bowlsWanted,
  broughtBackOn,
  withoutKept,
  MOST_BATCHES,
  MOST_WEATHER,
  PersonSchema,
  PinSchema,
  clockMinute,
  clockOf,
  type BroughtBack,
  type Day,
  type DayBatch,
  type Person,
  type Pin,
} from './day.js';
export {
  LOOK,
  ONE_PERSON,
  SERVICE,
  workOf,
  type Activity,
  type BatchWork,
  type Block,
  type BlockKind,
  type Link,
  type OfTheDay,
} from './blocks.js';
export { MenuCycleSchema, MOST_WEEKS, cycleOfDays, dayByMenu, menuOn, weekOfCycle, type MenuCycle } from './menu-cycle.js';
export { takeOrders, type DayOrder, type OrdersTaken } from './orders.js';
export { NOON, emptyDay, lanesOf, serviceOf, usualPeople, type Hands, type Lanes, type Machine, type Oven } from './lanes.js';
export { SAME_OVEN_K, WASH_MIN, needsWash, type Placed, type PlacedBlock } from './timetable.js';
export { arrange, type Arrangement, type DayWork, type Order, type Wash } from './arrange.js';
export { limitsOf, type Limit } from './bound.js';
export { forTheCold, intoCold, type Cooling, type IntoCold } from './into-cold.js';
export { provePlan } from './proof.js';
export { DaySearch, planDay, type DayPlan } from './search.js';
export {
  SERVED_MIN,
  backId,
  dayWork,
  plansIn,
  type DayProblem,
  type KeptOf,
  type PlanIn,
  type Planning,
  type Progress,
} from './day-work.js';
export { latestBy, waysOut, type Fewer, type Tried, type Way } from './ways-out.js';
