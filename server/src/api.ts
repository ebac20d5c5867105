export type { Api } from './app.js';
export type { BatchSummary, KeptBatch } from './batches.js';
export type { Failure } from './failure.js';
export type { Change } from './hub.js';
export type { IngredientHistory, KeptLarder, KeptPrice } from './larder.js';
export type { KeptPlan, PlanSummary } from './plans.js';
export type { ClosedFigures } from './schema.js';
export type { KeptSoup, SoupVersion } from './soups.js';
