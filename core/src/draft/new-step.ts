import { REHEATING } from '../cold/index.js';
import type { Larder } from '../larder/index.js';
import { linesOf, walk, type Line, type PlainStep, type Soup } from '../soup/index.js';
import { TOUCH_C } from '../steps/index.js';
import { freeId } from './compose.js';
import { addStep, type Place } from './edit.js';

/** What is usual for a step that is put in by hand. Kitchen defaults, common practice. */
const USUAL = {
  roast: { ovenC: 190, minutes: 40, load: 'rounds' },
  restMin: 15,
  jugC: 68,
  bodyMPas: 250,
  saltPct: 0.8,
  sour: 1,
  liaisonC: 80,
  pressureC: 115,
  holdC: 70,
  keeps: 0.85,
} as const;

/** A step that can be put in by hand: what it is called by, and how it is made for a soup at a place. */
export interface NewStep {
  readonly key: string;
  readonly op: PlainStep['op'];
  /** The soup with what the step needs beside it, and the step; undefined where the soup has nothing for it. */
  readonly make: (soup: Soup, larder: Larder) => { readonly soup: Soup; readonly step: PlainStep } | undefined;
}

function plain(key: string, step: PlainStep): NewStep {
  return { key, op: step.op, make: (soup) => ({ soup, step }) };
}

function needing(key: string, op: PlainStep['op'], make: NewStep['make']): NewStep {
  return { key, op, make };
}

type Fits = (line: Line) => boolean;

/** The first line that fits, as a line of its own that the step settles; a new one of the ingredient named where none does. */
function settled(
  soup: Soup,
  larder: Larder,
  fits: Fits,
  otherwise: string,
): { readonly soup: Soup; readonly line: string } | undefined {
  const like = soup.lines.find(fits);
  const ingredient = like?.ingredient ?? otherwise;
  if (larder.get(ingredient) === undefined) return undefined;
  const id = freeId(ingredient.slice(0, 50), new Set(soup.lines.map((line) => line.id)));
  return { soup: { ...soup, lines: [...soup.lines, { id, ingredient, amount: { rule: 'byStep' } }] }, line: id };
}

/** A new line with an amount. */
function written(
  soup: Soup,
  larder: Larder,
  ingredient: string,
  grams: number,
): { readonly soup: Soup; readonly line: string } | undefined {
  if (larder.get(ingredient) === undefined) return undefined;
  const id = freeId(ingredient.slice(0, 50), new Set(soup.lines.map((line) => line.id)));
  const line: Line = { id, ingredient, amount: { rule: 'scaled', amount: { value: grams, unit: 'g' } } };
  return { soup: { ...soup, lines: [...soup.lines, line] }, line: id };
}

/** Lines that lie in the pot as pieces, first the whole and leafy ones that are fished out. */
function pieces(soup: Soup, larder: Larder): readonly string[] {
  const used = new Set(
    walk(soup.root).flatMap(({ step }) => (step.op === 'trim' || step.op === 'add' ? linesOf(step).map(({ line }) => line) : [])),
  );
  const own = soup.lines.filter(({ id, ingredient }) => used.has(id) && (larder.get(ingredient)?.row.softening ?? 0) > 0);
  return [...own].sort((a, b) => weightOf(b) - weightOf(a)).map(({ id }) => id);
  function weightOf({ ingredient }: Line): number {
    return /bay|bundle|lemongrass|lime-leaves|star-anise|thyme|rosemary/.test(ingredient) ? 1 : 0;
  }
}

/** Grams of a splash, of a yolk and its cream for every bowl. Kitchen defaults. */
const SPLASH_G = 60;
const YOLK_G_PER_BOWL = 4;
const CREAM_G_PER_BOWL = 15;

/** Every kind of step that can be put in by hand. Lines bring trim and add; a dish and its film are always there. */
export const NEW_STEPS: readonly NewStep[] = [
  plain('roast', { id: 'roast', op: 'roast', ...USUAL.roast }),
  plain('sweat', { id: 'sweat', op: 'sweat', minutes: 10, heat: 'gentle', lid: 'on' }),
  plain('sauté', { id: 'saute', op: 'fry', how: 'sauté', minutes: 8 }),
  plain('bloom', { id: 'bloom', op: 'fry', how: 'bloom', minutes: 1 }),
  plain('toast', { id: 'toast', op: 'fry', how: 'toast', minutes: 1 }),
  plain('smoke', { id: 'smoke', op: 'fry', how: 'smoke', minutes: 20 }),
  plain('fry the purée', { id: 'fry-puree', op: 'fryPuree', minutes: 5 }),
  needing('deglaze', 'deglaze', (soup, larder) => {
    const own = written(soup, larder, 'white-wine', SPLASH_G);
    return own === undefined
      ? undefined
      : { soup: own.soup, step: { id: 'deglaze', op: 'deglaze', use: { line: own.line }, minutes: 2 } };
  }),
  needing('cover', 'cover', (soup, larder) => {
    const own = settled(soup, larder, ({ ingredient }) => /stock|water/.test(ingredient), 'water');
    return own === undefined ? undefined : { soup: own.soup, step: { id: 'cover', op: 'cover', line: own.line, overM: 0.01 } };
  }),
  plain('simmer', { id: 'simmer', op: 'simmer', minutes: 20, vigour: 'steady', lid: 'ajar' }),
  plain('pressure-cook', { id: 'pressure', op: 'pressure', minutes: 10, atC: USUAL.pressureC }),
  plain('skim', { id: 'skim', op: 'skim', share: 0.5 }),
  plain('drain', { id: 'drain', op: 'drain', keep: 'pieces', liquidShare: 0.5 }),
  needing('take out', 'takeOut', (soup, larder) => {
    const [line] = pieces(soup, larder);
    return line === undefined ? undefined : { soup, step: { id: 'take-out', op: 'takeOut', lines: [line] } };
  }),
  needing('hold back', 'takeOut', (soup, larder) => {
    const line = pieces(soup, larder).at(-1);
    return line === undefined
      ? undefined
      : { soup, step: { id: 'hold-back', op: 'takeOut', lines: [line], share: 0.25, keep: true } };
  }),
  needing('give back', 'giveBack', (soup) => {
    const kept = walk(soup.root).flatMap(({ step }) => (step.op === 'takeOut' && step.keep === true ? step.lines : []));
    return kept.length === 0 ? undefined : { soup, step: { id: 'give-back', op: 'giveBack', lines: [...new Set(kept)], share: 1 } };
  }),
  needing('peel', 'peel', (soup, larder) => {
    const line = pieces(soup, larder).at(-1);
    return line === undefined ? undefined : { soup, step: { id: 'peel', op: 'peel', lines: [line], keeps: USUAL.keeps } };
  }),
  plain('cool', { id: 'cool', op: 'rest', toC: USUAL.jugC, around: 'air' }),
  plain('rest', { id: 'rest', op: 'rest', minutes: USUAL.restMin, around: 'air' }),
  plain('to the touch', { id: 'to-touch', op: 'rest', toC: TOUCH_C, around: 'air' }),
  plain('blend', { id: 'blend', op: 'blend', blender: 'jug', minutes: 2 }),
  plain('sieve', { id: 'sieve', op: 'sieve', meshMm: 1, scraped: true }),
  needing('thin', 'thin', (soup, larder) => {
    const own = settled(soup, larder, ({ ingredient }) => ingredient.includes('stock'), 'water');
    return own === undefined
      ? undefined
      : { soup: own.soup, step: { id: 'thin', op: 'thin', line: own.line, toMPas: USUAL.bodyMPas } };
  }),
  plain('reduce', { id: 'reduce', op: 'reduce', vigour: 'lively', to: { by: 'body', mPas: USUAL.bodyMPas } }),
  needing('thicken', 'thicken', (soup, larder) => {
    const starch = settled(soup, larder, () => false, 'cornflour');
    const water = starch === undefined ? undefined : settled(starch.soup, larder, () => false, 'water');
    if (starch === undefined || water === undefined) return undefined;
    const parts = [
      { line: starch.line, parts: 1 },
      { line: water.line, parts: 2 },
    ];
    return { soup: water.soup, step: { id: 'thicken', op: 'thicken', parts, toMPas: USUAL.bodyMPas } };
  }),
  needing('season', 'season', (soup, larder) => {
    const own = settled(soup, larder, ({ ingredient }) => ingredient.endsWith('salt'), 'fine-salt');
    return own === undefined
      ? undefined
      : { soup: own.soup, step: { id: 'season', op: 'season', line: own.line, saltPct: USUAL.saltPct } };
  }),
  needing('balance', 'tune', (soup, larder) => {
    const own = settled(soup, larder, ({ ingredient }) => /lemon-juice|vinegar/.test(ingredient), 'lemon-juice');
    return own === undefined
      ? undefined
      : { soup: own.soup, step: { id: 'balance', op: 'tune', line: own.line, taste: 'sour', to: USUAL.sour } };
  }),
  plain('cup', { id: 'cup', op: 'cup', kg: 0.1 }),
  needing('cream', 'cream', (soup, larder) => {
    const own = settled(soup, larder, ({ ingredient }) => ingredient.includes('cream'), 'double-cream');
    return own === undefined
      ? undefined
      : { soup: own.soup, step: { id: 'cream', op: 'cream', line: own.line, target: { by: 'pct', value: 6 } } };
  }),
  needing('egg and cream', 'liaison', (soup, larder) => {
    const { bowls } = soup.writtenFor;
    const yolks = written(soup, larder, 'egg-yolk', Math.max(1, Math.round(bowls * YOLK_G_PER_BOWL)));
    const cream =
      yolks === undefined
        ? undefined
        : written(yolks.soup, larder, 'double-cream', Math.max(1, Math.round(bowls * CREAM_G_PER_BOWL)));
    if (yolks === undefined || cream === undefined) return undefined;
    return {
      soup: cream.soup,
      step: { id: 'liaison', op: 'liaison', yolks: { line: yolks.line }, cream: { line: cream.line }, toC: USUAL.liaisonC },
    };
  }),
  plain('reheat', { id: 'reheat', op: 'simmer', minutes: 3, vigour: 'bare', lid: 'on' }),
  plain('bring back', { id: 'bring-back', op: 'reheat', toC: REHEATING.toC, lid: 'ajar' }),
  plain('hold hot', { id: 'hold', op: 'hold', minutes: 60, atC: USUAL.holdC, lid: 'on' }),
];

/** A step of that key put into a soup, with the line that it needs; the soup as it was where it has nothing for it. */
export function addNewStep(
  soup: Soup,
  key: string,
  to: Place,
  larder: Larder,
): { readonly soup: Soup; readonly stepId: string | undefined } {
  const made = NEW_STEPS.find((one) => one.key === key)?.make(soup, larder);
  return made === undefined ? { soup, stepId: undefined } : addStep(made.soup, made.step, to);
}
