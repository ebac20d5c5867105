export type { Api } from './app.js';
export type { BatchSummary, KeptBatch } from './batches.js';
export type { Failure } from './failure.js';
export type { Change } from './hub.js';
export type { KeptPlan } from './plans.js';
export type { ClosedFigures } from './schema.js';
export type { KeptSoup } from './soups.js';
