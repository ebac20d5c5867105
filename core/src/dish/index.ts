export { bowlsSure, portionKg, type Portion } from './portion.js';
export { DishSchema, ShareSchema, bowlsFrom, dish, potKgPerBowl, type Dish, type DishByHand, type Share } from './dish.js';
export { DAY_SALT_G, SODIUM_IN_NACL, US_DAY_SODIUM_MG, bowlFacts, energyKj, type BowlFacts } from './facts.js';
