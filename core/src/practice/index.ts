export { HiddenKitchen, normalFrom, numberOf, type Mishaps } from './hidden-kitchen.js';
export { Truth } from './truth.js';
