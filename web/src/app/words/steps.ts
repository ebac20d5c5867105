import type { SoupStep } from '@tureen/core/soup';

/** Stations as cooks name them; steps in a row that share one hang together. */
export type Station = 'Prepare' | 'Roast' | 'Sweat' | 'Simmer' | 'Blend' | 'Finish' | 'Dish';

const SHORT: Readonly<Record<SoupStep['op'], string>> = {
  trim: 'Trim',
  roast: 'Roast',
  sweat: 'Sweat',
  add: 'Add',
  takeOut: 'Take out',
  cover: 'Cover',
  simmer: 'Simmer',
  rest: 'Cool',
  blend: 'Blend',
  season: 'Salt',
  cream: 'Cream',
  film: 'Scrape',
  dish: 'Dish out',
  join: 'Tip in',
  read: 'Read',
};

/** Name of a line for a sentence: small, without the remarks behind a comma. */
export type NameOf = (lineId: string) => string;

/** One or two words for a step. */
export function stepName(step: SoupStep, nameOf?: NameOf): string {
  if (step.op === 'simmer' && step.vigour === 'bare') return 'Reheat';
  if (step.op === 'add' && nameOf !== undefined && step.uses.length === 1) return `Add ${nameOf(step.uses[0]?.line ?? '')}`;
  if (step.op === 'trim' && nameOf !== undefined && step.uses.length === 1) return `Trim ${nameOf(step.uses[0]?.line ?? '')}`;
  if (step.op === 'film') return step.on === 'jug' ? 'Scrape the jug' : 'Read the pot';
  return SHORT[step.op];
}

function list(names: readonly string[]): string {
  return names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1) ?? ''}`;
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
      return `Fish out the ${list(step.lines.map(nameOf))}`;
    case 'cover':
      return `Pour ${nameOf(step.line)} until it stands ${String(Math.round(step.overM * 1000))} mm over the pieces`;
    case 'simmer':
      return step.vigour === 'bare'
        ? 'Bring back to serving heat, lid on'
        : `Bring to the boil, then simmer ${step.vigour}, lid ${step.lid}`;
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
      return 'Sweat';
    case 'cover':
      return 'Simmer';
    case 'simmer':
      return before === 'Finish' ? 'Finish' : 'Simmer';
    case 'blend':
      return 'Blend';
    case 'season':
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
