import baseTwoWays from '../../../examples/base-two-ways.json';
import beetrootHorseradish from '../../../examples/beetroot-horseradish.json';
import carrotGinger from '../../../examples/carrot-ginger.json';
import celeriacLeekApple from '../../../examples/celeriac-leek-apple.json';
import fennelEggCream from '../../../examples/fennel-egg-cream.json';
import leekPotato from '../../../examples/leek-potato.json';
import mushroomFlour from '../../../examples/mushroom-flour.json';
import parsnipButter from '../../../examples/parsnip-butter.json';
import peaLettuceCold from '../../../examples/pea-lettuce-cold.json';
import redLentilTomato from '../../../examples/red-lentil-tomato.json';
import squashCoconutChilli from '../../../examples/squash-coconut-chilli.json';
import swedeBarley from '../../../examples/swede-barley.json';
import sweetcornSmokedChilli from '../../../examples/sweetcorn-smoked-chilli.json';
import tomatoRoastGarlic from '../../../examples/tomato-roast-garlic.json';
import { SoupSchema, type Soup } from './soup.js';

/** Invented soups that ship with the application: something to look at, to start from and to test with. */
export const EXAMPLE_SOUPS: readonly Soup[] = [
  beetrootHorseradish,
  celeriacLeekApple,
  peaLettuceCold,
  parsnipButter,
  fennelEggCream,
  swedeBarley,
  baseTwoWays,
  carrotGinger,
  leekPotato,
  mushroomFlour,
  redLentilTomato,
  squashCoconutChilli,
  sweetcornSmokedChilli,
  tomatoRoastGarlic,
].map((file) => SoupSchema.parse(file));
