export { HOLD_BACK_SHARE, SeasonSchema, saltToAdd, season, type SaltCase, type Season } from './season.js';
