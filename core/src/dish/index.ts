export { DishSchema, dish, type Dish } from './dish.js';
export { DAY_SALT_G, SODIUM_IN_NACL, bowlFacts, type BowlFacts } from './facts.js';
