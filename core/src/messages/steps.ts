import { bodyWord } from '../body/index.js';
import type { SoupStep } from '../soup/index.js';

/** Stations as cooks name them; steps in a row that share one hang together. */
export type Station = 'Prepare' | 'Roast' | 'Sweat' | 'Simmer' | 'Blend' | 'Finish' | 'Dish';

const SHORT: Readonly<Record<SoupStep['op'], string>> = {
  trim: 'Trim',
  roast: 'Roast',
  sweat: 'Sweat',
  add: 'Add',
  takeOut: 'Take out',
  cover: 'Cover',
  fry: 'Fry',
  fryPuree: 'Fry the purée',
  deglaze: 'Deglaze',
  giveBack: 'Give back',
  drain: 'Drain',
  simmer: 'Simmer',
  pressure: 'Pressure-cook',
  sieve: 'Sieve',
  thin: 'Let down',
  reduce: 'Boil down',
  thicken: 'Thicken',
  tune: 'Tune',
  cup: 'Cup trial',
  liaison: 'Egg and cream',
  hold: 'Hold hot',
  rest: 'Cool',
  blend: 'Blend',
  season: 'Salt',
  cream: 'Cream',
  film: 'Scrape',
  dish: 'Dish out',
  join: 'Tip in',
  read: 'Read',
  ladleOut: 'Ladle out',
  refill: 'Refill',
};

/** Name of a line for a sentence: small, without the remarks behind a comma. */
export type NameOf = (lineId: string) => string;

/** One or two words for a step. */
export function stepName(step: SoupStep, nameOf?: NameOf): string {
  if (step.op === 'simmer' && step.vigour === 'bare') return 'Reheat';
  if ((step.op === 'add' || step.op === 'trim') && nameOf !== undefined && step.uses.length === 1) {
    return `${SHORT[step.op]} ${nameOf(step.uses[0]?.line ?? '')}`;
  }
  if ((step.op === 'takeOut' || step.op === 'giveBack') && nameOf !== undefined) {
    const what = step.op === 'takeOut' && step.keep === true ? 'Hold back' : SHORT[step.op];
    return step.lines.length === 1 ? `${what} ${nameOf(step.lines[0] ?? '')}` : what;
  }
  if (step.op === 'film') return step.on === 'jug' ? 'Scrape the jug' : 'Read the pot';
  return SHORT[step.op];
}

function list(names: readonly string[]): string {
  return names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1) ?? ''}`;
}

const FRY: Readonly<Record<Extract<SoupStep, { op: 'fry' }>['how'], string>> = {
  sauté: 'Sauté to gold, stirring',
  toast: 'Toast in the dry pan, watching',
  bloom: 'Bloom in the hot fat, seconds only',
  smoke: 'Smoke under the lid',
};

function share(of: number): string {
  return of === 1 ? 'all' : `${String(Math.round(of * 100))} %`;
}

function asFigure(mPas: number): string {
  return ` (${String(Math.round(mPas))} mPa·s)`;
}

/** What to do, in the imperative. */
export function stepSentence(step: SoupStep, nameOf: NameOf): string {
  switch (step.op) {
    case 'trim':
      return `Trim and cut the ${list(step.uses.map(({ line }) => nameOf(line)))}`;
    case 'roast':
      return `Roast at ${String(step.ovenC)} °C in one layer`;
    case 'sweat':
      return `Sweat ${step.heat === 'gentle' ? 'gently' : 'on high heat, stirring'}, lid ${step.lid}`;
    case 'add':
      return `Add the ${list(step.uses.map(({ line }) => nameOf(line)))}`;
    case 'takeOut':
      return step.keep === true
        ? `Lift out ${share(step.share ?? 1)} of the ${list(step.lines.map(nameOf))} and keep it by`
        : `Fish out the ${list(step.lines.map(nameOf))}`;
    case 'cover':
      return `Pour ${nameOf(step.line)} until it stands ${String(Math.round(step.overM * 1000))} mm over the pieces`;
    case 'simmer':
      return step.vigour === 'bare'
        ? 'Bring back to serving heat, lid on'
        : `Bring to the boil, then simmer ${step.vigour}, lid ${step.lid}`;
    case 'fry':
      return FRY[step.how];
    case 'fryPuree':
      return 'Fry the purée, stirring, until its colour deepens';
    case 'deglaze':
      return `Splash in the ${nameOf(step.use.line)} and lift what is stuck`;
    case 'giveBack':
      return `Give back ${share(step.share)} of the ${list(step.lines.map(nameOf))}${step.choppedMm === undefined ? '' : ', chopped'}`;
    case 'drain':
      return step.keep === 'pieces'
        ? `Lift the pieces out; ${step.liquidShare === 0 ? 'no liquid goes on' : `${share(step.liquidShare)} of the liquid goes on`}`
        : `Strain; ${share(step.liquidShare)} of the liquid goes on`;
    case 'pressure':
      return `Close the cooker and bring it to ${String(step.atC)} °C`;
    case 'sieve':
      return `Press through a ${String(step.meshMm)} mm sieve${step.scraped ? ', scraping the sides' : ''}`;
    case 'thin':
      return `Let down with ${nameOf(step.line)} until it ${bodyWord(step.toMPas)}${asFigure(step.toMPas)}`;
    case 'reduce':
      return step.to.by === 'body'
        ? `Boil down, lid off, until it ${bodyWord(step.to.mPas)}${asFigure(step.to.mPas)}`
        : `Boil down, lid off, to ${share(step.to.kept)}`;
    case 'thicken':
      return `Stir in ${list(step.parts.map(({ line }) => nameOf(line)))}, mixed cold, until it ${bodyWord(step.toMPas)}${asFigure(step.toMPas)}`;
    case 'tune':
      return `Tune with ${nameOf(step.line)}, a little at a time`;
    case 'cup':
      return `Weigh out ${String(Math.round(step.kg * 1000))} g in a cup to try a dose`;
    case 'liaison':
      return `Temper the ${nameOf(step.yolks.line)} and ${nameOf(step.cream.line)} with hot soup, stir in, bring to ${String(step.toC)} °C`;
    case 'hold':
      return `Hold at ${String(step.atC)} °C, lid ${step.lid}`;
    case 'rest':
      return `Cool to ${String(step.toC)} °C ${step.around === 'ice bath' ? 'in an ice bath, stirring' : 'in the air'}`;
    case 'blend':
      return `Blend with the ${step.blender === 'stick' ? 'stick, low then high' : step.blender}`;
    case 'season':
      return `Salt to ${step.saltPct.toFixed(2)} %, a fifth held back for the tasting`;
    case 'cream':
      return `Stir in the ${nameOf(step.line)}`;
    case 'film':
      return step.on === 'jug' ? 'Scrape down the jug' : 'Scrape down the pot and read it: dip or weigh';
    case 'dish':
      return 'Ladle into warm bowls and count them';
    case 'join':
      return `Tip in the ${step.branch.name.toLowerCase()}, juices too`;
    case 'read':
      return 'Read the pot';
    case 'ladleOut':
      return `Ladle out: ${step.as}`;
    case 'refill':
      return `Fill up with ${step.kg.toFixed(1)} kg from a second pot`;
  }
}

/** How to tell that it is done; the clock is only a reminder. */
export function stepTest(step: SoupStep): string | undefined {
  switch (step.op) {
    case 'roast':
      return 'Done when a fork slides in.';
    case 'sweat':
      return 'Done when the onion is translucent, without colour.';
    case 'simmer':
      return step.vigour === 'bare' ? 'Done when it steams all over.' : 'Done when a piece crushes against the side.';
    case 'fry':
      return 'Done by the nose: it smells before it burns.';
    case 'pressure':
      return 'Done when a knife meets nothing, once the pressure is down.';
    case 'thin':
    case 'reduce':
    case 'thicken':
      return 'Look off the back of a spoon; the first two thirds, then look again.';
    case 'liaison':
      return 'Done when it coats the spoon and the probe says so.';
    case 'blend':
      return 'Done when nothing catches between two spoons.';
    case 'season':
      return 'Taste from a small bowl that has cooled, and again a minute later.';
    case 'cover':
      return 'Look: the pieces just under.';
    default:
      return undefined;
  }
}

/** The station of every step of a branch in cooking order. */
export function stationOf(step: SoupStep, before: Station): Station {
  switch (step.op) {
    case 'roast':
      return 'Roast';
    case 'sweat':
    case 'fry':
      return 'Sweat';
    case 'cover':
    case 'deglaze':
    case 'pressure':
      return 'Simmer';
    case 'simmer':
      return before === 'Finish' ? 'Finish' : 'Simmer';
    case 'blend':
    case 'sieve':
      return 'Blend';
    case 'season':
    case 'tune':
    case 'liaison':
    case 'hold':
    case 'cream':
    case 'rest':
      return 'Finish';
    case 'dish':
      return 'Dish';
    case 'film':
      return step.on === 'pot' ? 'Finish' : before;
    case 'trim':
    case 'add':
      return before === 'Roast' || before === 'Sweat' ? 'Simmer' : before === 'Blend' ? 'Finish' : before;
    default:
      return before === 'Roast' ? 'Simmer' : before;
  }
}
