import { addKind } from './add.js';
import { blendKind } from './blend.js';
import { coverKind } from './cover.js';
import { creamKind } from './cream.js';
import { cupKind } from './cup.js';
import { deglazeKind } from './deglaze.js';
import { dishKind } from './dish.js';
import { drainKind } from './drain.js';
import { filmKind } from './film.js';
import { fryPureeKind } from './fry-puree.js';
import { fryKind } from './fry.js';
import { holdKind } from './hold.js';
import { ladleOutKind } from './ladle-out.js';
import { liaisonKind } from './liaison.js';
import { peelKind } from './peel.js';
import { pressureKind } from './pressure.js';
import { readKind } from './read.js';
import { refillKind } from './refill.js';
import { reheatKind } from './reheat.js';
import { restKind } from './rest.js';
import { roastKind } from './roast.js';
import { seasonKind } from './season.js';
import { sieveKind } from './sieve.js';
import { skimKind } from './skim.js';
import { simmerKind } from './simmer.js';
import { sweatKind } from './sweat.js';
import { giveBackKind, takeOutKind } from './take-out.js';
import { reduceKind, thickenKind, thinKind } from './to-body.js';
import { trimKind } from './trim.js';
import { tuneKind } from './tune.js';

/** Every kind of step that changes a pot. A new one is put here, and the compiler asks for the rest. */
export const STEP_KINDS = {
  trim: trimKind,
  roast: roastKind,
  sweat: sweatKind,
  fry: fryKind,
  fryPuree: fryPureeKind,
  deglaze: deglazeKind,
  add: addKind,
  takeOut: takeOutKind,
  giveBack: giveBackKind,
  peel: peelKind,
  cover: coverKind,
  drain: drainKind,
  skim: skimKind,
  simmer: simmerKind,
  pressure: pressureKind,
  reheat: reheatKind,
  rest: restKind,
  blend: blendKind,
  sieve: sieveKind,
  thin: thinKind,
  reduce: reduceKind,
  thicken: thickenKind,
  season: seasonKind,
  tune: tuneKind,
  cup: cupKind,
  cream: creamKind,
  liaison: liaisonKind,
  hold: holdKind,
  film: filmKind,
  dish: dishKind,
  read: readKind,
  ladleOut: ladleOutKind,
  refill: refillKind,
} as const;
