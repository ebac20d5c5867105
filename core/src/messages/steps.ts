import { bodyWord } from '../body/index.js';
import { TOUCH_C, setMinutes } from '../steps/index.js';
import type { SoupStep } from '../soup/index.js';
import { degrees, type UnitSystem } from '../units/index.js';

/** Stations as cooks name them; steps in a row that share one hang together. */
export type Station = 'Prepare' | 'Roast' | 'Sweat' | 'Simmer' | 'Blend' | 'Finish' | 'Dish';

/** Name of a line for a sentence: small, without the remarks behind a comma. */
export type NameOf = (lineId: string) => string;

/** One or two words for a step. */
export function stepName(step: SoupStep, nameOf?: NameOf): string {
  if (step.op === 'simmer' && step.vigour === 'bare') return 'Reheat';
  if ((step.op === 'add' || step.op === 'trim') && nameOf !== undefined && step.uses.length === 1) {
    return `${WORDS[step.op].short} ${nameOf(step.uses[0]?.line ?? '')}`;
  }
  if ((step.op === 'takeOut' || step.op === 'giveBack') && nameOf !== undefined) {
    const what = step.op === 'takeOut' && step.keep === true ? 'Hold back' : WORDS[step.op].short;
    return step.lines.length === 1 ? `${what} ${nameOf(step.lines[0] ?? '')}` : what;
  }
  if (step.op === 'film') return step.on === 'jug' ? 'Scrape the jug' : 'Read the pot';
  return WORDS[step.op].short;
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

/** The minutes that a step is set to, behind its sentence. */
export function minutesSaid(step: SoupStep): string {
  const minutes = setMinutes(step) ?? 0;
  return minutes > 0 ? `, ${String(Math.round(minutes))} minutes` : '';
}

function share(of: number): string {
  return of === 1 ? 'all' : `${String(Math.round(of * 100))} %`;
}

function asFigure(mPas: number): string {
  return ` (${String(Math.round(mPas))} mPa·s)`;
}

/** What is said of one kind of step. */
interface StepWords<S extends SoupStep> {
  /** One or two words for it. */
  readonly short: string;
  /** What to do, in the imperative. */
  readonly sentence: (step: S, nameOf: NameOf, units: UnitSystem) => string;
  /** How to tell that it is done; the clock is only a reminder. */
  readonly test?: (step: S) => string;
  /** What the heat or the blade is set to, as a station's heading says it. */
  readonly setting?: (step: S, units: UnitSystem) => string | undefined;
  /** The station that it belongs to, after the one before it. */
  readonly station: (before: Station, step: S) => Station;
}

/** Of every kind, or it does not compile. */
const WORDS: { readonly [K in SoupStep['op']]: StepWords<Extract<SoupStep, { op: K }>> } = {
  trim: {
    short: 'Trim',
    sentence: (step, nameOf) => `Trim and cut the ${list(step.uses.map(({ line }) => nameOf(line)))}`,
    station: (before) => (before === 'Roast' || before === 'Sweat' ? 'Simmer' : before === 'Blend' ? 'Finish' : before),
  },
  roast: {
    short: 'Roast',
    setting: ({ ovenC, minutes }, units) => `${degrees(ovenC, units)} · ${String(minutes)} min`,
    sentence: (step, _, units) => `Roast at ${degrees(step.ovenC, units)} in one layer`,
    test: () => 'Done when a fork slides in.',
    station: () => 'Roast',
  },
  sweat: {
    short: 'Sweat',
    setting: ({ heat, lid, minutes }) => `${heat} · lid ${lid} · ${String(minutes)} min`,
    sentence: (step) => `Sweat ${step.heat === 'gentle' ? 'gently' : 'on high heat, stirring'}, lid ${step.lid}`,
    test: () => 'Done when the onion is translucent, without colour.',
    station: () => 'Sweat',
  },
  add: {
    short: 'Add',
    sentence: (step, nameOf) => `Add the ${list(step.uses.map(({ line }) => nameOf(line)))}`,
    station: (before) => (before === 'Roast' || before === 'Sweat' ? 'Simmer' : before === 'Blend' ? 'Finish' : before),
  },
  takeOut: {
    short: 'Take out',
    sentence: (step, nameOf) =>
      step.keep === true
        ? `Lift out ${share(step.share ?? 1)} of the ${list(step.lines.map(nameOf))} and keep it by`
        : `Fish out the ${list(step.lines.map(nameOf))}`,
    station: (before) => (before === 'Roast' ? 'Simmer' : before),
  },
  cover: {
    short: 'Cover',
    sentence: (step, nameOf) =>
      `Pour ${nameOf(step.line)} until it stands ${String(Math.round(step.overM * 1000))} mm over the pieces`,
    test: () => 'Look: the pieces just under.',
    station: () => 'Simmer',
  },
  fry: {
    short: 'Fry',
    sentence: (step) => FRY[step.how],
    test: () => 'Done by the nose: it smells before it burns.',
    station: () => 'Sweat',
  },
  fryPuree: {
    short: 'Fry the purée',
    sentence: () => 'Fry the purée, stirring, until its colour deepens',
    station: (before) => (before === 'Roast' ? 'Simmer' : before),
  },
  deglaze: {
    short: 'Deglaze',
    sentence: (step, nameOf) => `Splash in the ${nameOf(step.use.line)} and lift what is stuck`,
    station: () => 'Simmer',
  },
  giveBack: {
    short: 'Give back',
    sentence: (step, nameOf) =>
      `Give back ${share(step.share)} of the ${list(step.lines.map(nameOf))}${step.choppedMm === undefined ? '' : ', chopped'}`,
    station: (before) => (before === 'Roast' ? 'Simmer' : before),
  },
  peel: {
    short: 'Take the skins off',
    sentence: (step, nameOf) =>
      `Take skins and seeds off the ${list(step.lines.map(nameOf))}; ${share(step.keeps)} of the weight goes on`,
    station: (before) => before,
  },
  reheat: {
    short: 'Bring back',
    setting: ({ toC, lid }, units) => `${degrees(toC, units)} · lid ${lid}`,
    sentence: ({ toC, lid }, _, units) => `Bring it back to ${degrees(toC, units)} all through, stirring, lid ${lid}`,
    test: () => 'Done when a probe says so in the middle and at the floor.',
    station: () => 'Finish',
  },
  drain: {
    short: 'Drain',
    sentence: (step) =>
      step.keep === 'pieces'
        ? `Lift the pieces out; ${step.liquidShare === 0 ? 'no liquid goes on' : `${share(step.liquidShare)} of the liquid goes on`}`
        : `Strain; ${share(step.liquidShare)} of the liquid goes on`,
    station: (before) => (before === 'Roast' ? 'Simmer' : before),
  },
  skim: {
    short: 'Skim',
    sentence: (step) => `Skim off ${share(step.share)} of the fat that floats`,
    test: () => 'Done when the spoon comes up with broth and not with fat.',
    station: (before) => (before === 'Roast' ? 'Simmer' : before),
  },
  simmer: {
    short: 'Simmer',
    setting: ({ vigour, lid, minutes }) => (vigour === 'bare' ? undefined : `${vigour} · lid ${lid} · ${String(minutes)} min`),
    sentence: (step) =>
      step.vigour === 'bare'
        ? 'Bring back to serving heat, lid on'
        : `Bring to the boil, then simmer ${step.vigour}, lid ${step.lid}`,
    test: (step) => (step.vigour === 'bare' ? 'Done when it steams all over.' : 'Done when a piece crushes against the side.'),
    station: (before) => (before === 'Finish' ? 'Finish' : 'Simmer'),
  },
  pressure: {
    short: 'Pressure-cook',
    sentence: (step, _, units) => `Close the cooker and bring it to ${degrees(step.atC, units)}`,
    test: () => 'Done when a knife meets nothing, once the pressure is down.',
    station: () => 'Simmer',
  },
  sieve: {
    short: 'Sieve',
    sentence: (step) => `Press through a ${String(step.meshMm)} mm sieve${step.scraped ? ', scraping the sides' : ''}`,
    station: () => 'Blend',
  },
  thin: {
    short: 'Let down',
    sentence: (step, nameOf) => `Let down with ${nameOf(step.line)} until it ${bodyWord(step.toMPas)}${asFigure(step.toMPas)}`,
    test: () => 'Look off the back of a spoon; the first two thirds, then look again.',
    station: (before) => (before === 'Roast' ? 'Simmer' : before),
  },
  reduce: {
    short: 'Boil down',
    sentence: (step) =>
      step.to.by === 'body'
        ? `Boil down, lid off, until it ${bodyWord(step.to.mPas)}${asFigure(step.to.mPas)}`
        : `Boil down, lid off, to ${share(step.to.kept)}`,
    test: () => 'Look off the back of a spoon; the first two thirds, then look again.',
    station: (before) => (before === 'Roast' ? 'Simmer' : before),
  },
  thicken: {
    short: 'Thicken',
    sentence: (step, nameOf) =>
      `Stir in ${list(step.parts.map(({ line }) => nameOf(line)))}, mixed cold, until it ${bodyWord(step.toMPas)}${asFigure(step.toMPas)}`,
    test: () => 'Look off the back of a spoon; the first two thirds, then look again.',
    station: (before) => (before === 'Roast' ? 'Simmer' : before),
  },
  tune: {
    short: 'Tune',
    sentence: (step, nameOf) => `Tune with ${nameOf(step.line)}, a little at a time`,
    station: () => 'Finish',
  },
  cup: {
    short: 'Cup trial',
    sentence: (step) => `Weigh out ${String(Math.round(step.kg * 1000))} g in a cup to try a dose`,
    station: (before) => (before === 'Roast' ? 'Simmer' : before),
  },
  liaison: {
    short: 'Egg and cream',
    sentence: (step, nameOf, units) =>
      `Temper the ${nameOf(step.yolks.line)} and ${nameOf(step.cream.line)} with hot soup, stir in, bring to ${degrees(step.toC, units)}`,
    test: () => 'Done when it coats the spoon and the probe says so.',
    station: () => 'Finish',
  },
  hold: {
    short: 'Hold hot',
    sentence: (step, _, units) => `Hold at ${degrees(step.atC, units)}, lid ${step.lid}`,
    station: () => 'Finish',
  },
  rest: {
    short: 'Cool',
    setting: ({ toC, minutes }, units) => (toC === undefined ? `${String(minutes ?? 0)} min` : `to ${degrees(toC, units)}`),
    sentence: ({ toC, around }, _, units) => {
      const how =
        toC === undefined ? 'Let it rest' : toC === TOUCH_C ? 'Cool until it can be handled' : `Cool to ${degrees(toC, units)}`;
      return `${how} ${around === 'ice bath' ? 'in an ice bath, stirring' : 'in the air'}`;
    },
    station: () => 'Finish',
  },
  blend: {
    short: 'Blend',
    setting: ({ blender, minutes }) => `${blender} · ${String(minutes)} min`,
    sentence: (step) => `Blend with the ${step.blender === 'stick' ? 'stick, low then high' : step.blender}`,
    test: () => 'Done when nothing catches between two spoons.',
    station: () => 'Blend',
  },
  season: {
    short: 'Salt',
    setting: ({ saltPct }) => `salt ${saltPct.toFixed(2)} %`,
    sentence: (step) => `Salt to ${step.saltPct.toFixed(2)} %, a fifth held back for the tasting`,
    test: () => 'Taste from a small bowl that has cooled, and again a minute later.',
    station: () => 'Finish',
  },
  cream: {
    short: 'Cream',
    sentence: (step, nameOf) => `Stir in the ${nameOf(step.line)}`,
    station: () => 'Finish',
  },
  film: {
    short: 'Scrape',
    sentence: (step) => (step.on === 'jug' ? 'Scrape down the jug' : 'Scrape down the pot and read it: dip or weigh'),
    station: (before, step) => (step.on === 'pot' ? 'Finish' : before),
  },
  dish: {
    short: 'Dish out',
    sentence: () => 'Ladle into warm bowls and count them',
    station: () => 'Dish',
  },
  join: {
    short: 'Add to the pot',
    sentence: (step) => `Add the ${step.branch.name.toLowerCase()} to the pot, juices too`,
    station: (before) => (before === 'Roast' ? 'Simmer' : before),
  },
  read: {
    short: 'Read',
    sentence: () => 'Read the pot',
    station: (before) => (before === 'Roast' ? 'Simmer' : before),
  },
  ladleOut: {
    short: 'Ladle out',
    sentence: (step) => `Ladle out: ${step.as}`,
    station: (before) => (before === 'Roast' ? 'Simmer' : before),
  },
  refill: {
    short: 'Refill',
    sentence: (step) => `Fill up with ${step.kg.toFixed(1)} kg from a second pot`,
    station: (before) => (before === 'Roast' ? 'Simmer' : before),
  },
};

function wordsOf<S extends SoupStep>(step: S): StepWords<S> {
  return WORDS[step.op] as unknown as StepWords<S>;
}

/** What to do, in the imperative. */
export function stepSentence(step: SoupStep, nameOf: NameOf, units: UnitSystem): string {
  return wordsOf(step).sentence(step, nameOf, units);
}

/** How to tell that it is done; undefined where there is nothing to look at. */
export function stepTest(step: SoupStep): string | undefined {
  return wordsOf(step).test?.(step);
}

/** The station of every step of a branch in cooking order. */
export function stationOf(step: SoupStep, before: Station): Station {
  return wordsOf(step).station(before, step);
}

/** What the heat, the blade or the hand is set to in a step; undefined where there is nothing to set. */
export function stepSetting(step: SoupStep, units: UnitSystem): string | undefined {
  const setting = WORDS[step.op].setting as ((of: SoupStep, units: UnitSystem) => string | undefined) | undefined;
  return setting?.(step, units);
}
