export { bowlsSure, portionKg, type Portion } from './portion.js';
export { DAY_SALT_G, SODIUM_IN_NACL, US_DAY_SODIUM_MG, bowlFacts, energyKcal, energyKj, type BowlFacts } from './facts.js';
