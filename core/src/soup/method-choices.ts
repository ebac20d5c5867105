import type { Larder } from '../larder/index.js';
import type { Line, MethodChoices } from './line.js';
import type { Soup } from './soup.js';
import type { Branch, SoupStep } from './step.js';
import { linesOf, mapSteps, walk } from './walk.js';

type Op<K extends SoupStep['op']> = Extract<SoupStep, { op: K }>;

function stepsOf<K extends SoupStep['op']>(soup: Soup, op: K): Op<K>[] {
  return walk(soup.root).flatMap(({ step }) => (step.op === op ? [step as Op<K>] : []));
}

function withRoot(soup: Soup, root: Branch): Soup {
  return { ...soup, root };
}

function mapped(soup: Soup, change: (step: SoupStep, branch: Branch) => readonly SoupStep[]): Soup {
  return withRoot(soup, mapSteps(soup.root, change));
}

function withLines(soup: Soup, change: (line: Line) => readonly Line[]): Soup {
  return { ...soup, lines: soup.lines.flatMap(change) };
}

/** A step moved within the root branch to stand before or after the first step of some kind. */
function moved(soup: Soup, which: (step: SoupStep) => boolean, place: 'before' | 'after', op: SoupStep['op']): Soup {
  const moving = soup.root.steps.filter(which);
  const rest = soup.root.steps.filter((step) => !which(step));
  const at = rest.findIndex((step) => step.op === op);
  if (moving.length === 0 || at < 0) return soup;
  const cut = place === 'before' ? at : at + 1;
  return withRoot(soup, { ...soup.root, steps: [...rest.slice(0, cut), ...moving, ...rest.slice(cut)] });
}

/** Oven and pan for the same branch: the middle of what either school does. Common practice. */
const ROAST = { ovenC: 190, minutes: 45, load: 'rounds' } as const;
const SWEAT = { minutes: 10, lid: 'on' } as const;

function colour(soup: Soup, to: NonNullable<MethodChoices['colour']>): Soup {
  if (to === 'sweat') {
    const sweatFor = (step: Op<'roast'>): SoupStep => ({ id: step.id, op: 'sweat', heat: 'gentle', ...SWEAT });
    // Nobody sweats on a tray: what was roasted apart is sweated in a pan.
    const inPan = (branch: Branch): Branch => (branch.vessel === 'tray' ? { ...branch, vessel: 'pot', name: 'Pan' } : branch);
    return mapped({ ...soup, school: 'sweat' }, (step) =>
      step.op === 'roast' ? [sweatFor(step)] : [step.op === 'join' ? { ...step, branch: inPan(step.branch) } : step],
    );
  }
  if (stepsOf(soup, 'roast').length > 0) return soup;
  const first = stepsOf(soup, 'sweat')[0];
  if (first === undefined) return soup;
  return mapped({ ...soup, school: 'roast' }, (step) => (step.id === first.id ? [{ id: step.id, op: 'roast', ...ROAST }] : [step]));
}

/** Lines that are poured as the soup's liquid: to cover and to thin. */
function liquidLines(soup: Soup, larder: Larder): ReadonlySet<string> {
  const poured = new Set(walk(soup.root).flatMap(({ step }) => (step.op === 'cover' || step.op === 'thin' ? [step.line] : [])));
  const isStock = (line: Line): boolean => larder.get(line.ingredient)?.row.group === 'liquids';
  return new Set(soup.lines.filter((line) => poured.has(line.id) || isStock(line)).map(({ id }) => id));
}

function liquid(soup: Soup, to: NonNullable<MethodChoices['liquid']>, larder: Larder): Soup {
  if (to === 'stock') return soup;
  const liquids = liquidLines(soup, larder);
  if (to === 'water') return withLines(soup, (line) => [liquids.has(line.id) ? { ...line, ingredient: 'water' } : line]);
  const covered = new Set(stepsOf(soup, 'cover').map(({ line }) => line));
  // Half and half: what covers is water, what thins and what is measured stays stock; or every second such line.
  const half = covered.size < liquids.size ? covered : new Set([...liquids].filter((_, n) => n % 2 === 0));
  return withLines(soup, (line) => [half.has(line.id) ? { ...line, ingredient: 'water' } : line]);
}

function finish(soup: Soup, to: NonNullable<MethodChoices['finish']>): Soup {
  const creams = stepsOf(soup, 'cream');
  const lines = new Set(creams.map(({ line }) => line));
  if (to === 'cream') return soup;
  if (to === 'coconut') return withLines(soup, (line) => [lines.has(line.id) ? { ...line, ingredient: 'coconut-milk' } : line]);
  const usedElsewhere = (id: string): boolean =>
    walk(soup.root).some(({ step }) => step.op !== 'cream' && linesOf(step).some(({ line }) => line === id));
  const without = mapped(
    withLines(soup, (line) => (lines.has(line.id) && !usedElsewhere(line.id) ? [] : [line])),
    (step) => (step.op === 'cream' ? [] : [step]),
  );
  return to === 'none' ? without : withPotato(without);
}

/** Potato instead of cream: a tenth of the written batch, cooked in from the start. Kitchen default. */
const POTATO_SHARE = 0.1;

function withPotato(soup: Soup): Soup {
  const kg = (soup.writtenFor.bowls * soup.writtenFor.bowlG * POTATO_SHARE) / 1000;
  const id = 'school-potato';
  const line: Line = {
    id,
    ingredient: 'potato',
    way: 'peeled',
    cut: { shape: 'cube', sizeMm: 12, name: '12 mm dice' },
    amount: { rule: 'scaled', amount: { value: kg, unit: 'kg' } },
  };
  const at = soup.root.steps.findIndex(({ op }) => op === 'cover' || op === 'simmer');
  if (at < 0) return soup;
  const steps = [...soup.root.steps];
  steps.splice(at, 0, { id: `${id}-in`, op: 'trim', uses: [{ line: id }] });
  return { ...soup, lines: [...soup.lines, line], root: { ...soup.root, steps } };
}

/** Exact: what would thin at the end is left out, and the pot is poured to what it needs from the start. */
function thickness(soup: Soup, to: NonNullable<MethodChoices['thickness']>): Soup {
  if (to === 'thick-then-thin') return soup;
  const thins = new Set(stepsOf(soup, 'thin').map(({ id }) => id));
  const lines = new Set(stepsOf(soup, 'thin').map(({ line }) => line));
  const left = mapped(soup, (step) => (thins.has(step.id) ? [] : [step]));
  const still = new Set(walk(left.root).flatMap(({ step }) => linesOf(step).map(({ line }) => line)));
  return withLines(left, (line) => (lines.has(line.id) && !still.has(line.id) ? [] : [line]));
}

function concentrate(soup: Soup, to: NonNullable<MethodChoices['concentrate']>): Soup {
  if (to === 'reduce') {
    const reduced = mapped(soup, (step) =>
      step.op === 'thicken' ? [{ id: step.id, op: 'reduce', vigour: 'lively', to: { by: 'body', mPas: step.toMPas } }] : [step],
    );
    const still = new Set(walk(reduced.root).flatMap(({ step }) => linesOf(step).map(({ line }) => line)));
    return withLines(reduced, (line) => (still.has(line.id) ? [line] : []));
  }
  const reductions = stepsOf(soup, 'reduce').filter(({ to: target }) => target.by === 'body');
  if (reductions.length === 0) return soup;
  const lines: Line[] = [
    { id: 'school-starch', ingredient: 'cornflour', amount: { rule: 'byStep' } },
    { id: 'school-slurry-water', ingredient: 'water', amount: { rule: 'byStep' } },
  ];
  const parts = [
    { line: 'school-starch', parts: 1 },
    { line: 'school-slurry-water', parts: 2 },
  ];
  return mapped({ ...soup, lines: [...soup.lines, ...lines] }, (step) =>
    step.op === 'reduce' && step.to.by === 'body' ? [{ id: step.id, op: 'thicken', parts, toMPas: step.to.mPas }] : [step],
  );
}

function sieved(soup: Soup, yes: boolean): Soup {
  if (!yes) return mapped(soup, (step) => (step.op === 'sieve' ? [] : [step]));
  if (stepsOf(soup, 'sieve').length > 0) return soup;
  const last = stepsOf(soup, 'blend').at(-1);
  return mapped(soup, (step) =>
    step.id === last?.id ? [step, { id: `${step.id}-sieve`, op: 'sieve', meshMm: 1, scraped: true }] : [step],
  );
}

/** Early: two thirds of the salt before the simmer, the rest to the mark at the end. Late: all at the end. */
const EARLY_SHARE = 2 / 3;

function salt(soup: Soup, to: NonNullable<MethodChoices['salt']>): Soup {
  const seasons = stepsOf(soup, 'season');
  const last = seasons.at(-1);
  if (last === undefined) return soup;
  if (to === 'late') return mapped(soup, (step) => (step.op === 'season' && step.id !== last.id ? [] : [step]));
  if (seasons.length > 1) return soup;
  const at = soup.root.steps.findIndex(({ op }) => op === 'simmer');
  if (at < 0) return soup;
  const steps = [...soup.root.steps];
  steps.splice(at, 0, { ...last, id: `${last.id}-early`, saltPct: last.saltPct * EARLY_SHARE });
  return withRoot(soup, { ...soup.root, steps });
}

/** Garlic's place beside the onion: its own use is taken out of where it stands and put where the school has it. */
function garlic(soup: Soup, to: NonNullable<MethodChoices['garlic']>): Soup {
  const line = soup.lines.find(({ ingredient }) => ingredient === 'garlic');
  const onion = soup.lines.find(
    ({ ingredient }) => ingredient.includes('onion') || ingredient === 'shallot' || ingredient === 'leek',
  );
  if (line === undefined || onion === undefined) return soup;
  const uses = (step: SoupStep, id: string): boolean => step.op === 'trim' && step.uses.some((use) => use.line === id);
  const without = mapped(soup, (step) => {
    if (step.op !== 'trim' || !uses(step, line.id)) return [step];
    const left = step.uses.filter((use) => use.line !== line.id);
    return left.length === 0 ? [] : [{ ...step, uses: left }];
  });
  const put: SoupStep = { id: 'school-garlic', op: 'trim', uses: [{ line: line.id }] };
  const place = { done: false };
  const placed = mapped(without, (step) => {
    if (place.done) return [step];
    const isOnion = uses(step, onion.id);
    if (to === 'first' && isOnion) {
      place.done = true;
      return [put, { id: 'school-garlic-fry', op: 'fry', how: 'bloom', minutes: 0.5 }, step];
    }
    if (to === 'with the onion' && isOnion) {
      place.done = true;
      return [step, put];
    }
    if (to === 'after the onion' && (step.op === 'sweat' || step.op === 'fry' || step.op === 'roast')) {
      place.done = true;
      return [step, put, { id: 'school-garlic-fry', op: 'fry', how: 'bloom', minutes: 0.5 }];
    }
    if (to === 'roasted whole' && (step.op === 'cover' || step.op === 'simmer')) {
      place.done = true;
      const branch: Branch = {
        id: 'school-garlic-tray',
        name: 'Garlic',
        vessel: 'tray',
        steps: [put, { id: 'school-garlic-roast', op: 'roast', ovenC: 180, minutes: 40, load: 'rounds' }],
      };
      return [{ id: 'school-garlic-in', op: 'join', branch }, step];
    }
    return [step];
  });
  return place.done ? placed : soup;
}

function creamWhen(soup: Soup, to: NonNullable<MethodChoices['cream']>): Soup {
  const restId = 'school-cream-rest';
  const without = mapped(soup, (step) => (step.id === restId ? [] : [step]));
  if (to === 'hot') return without;
  return mapped(without, (step) => (step.op === 'cream' ? [{ id: restId, op: 'rest', toC: 80, around: 'air' }, step] : [step]));
}

/**
 * A soup with its method choices worked into its steps: the same soup, cooked another way. Settings that do not apply (no
 * sweat to heat, no cream to rest) leave it as it is.
 */
export function withMethodChoices(soup: Soup, larder: Larder): Soup {
  const s = soup.methodChoices;
  if (s === undefined) return soup;
  let out = soup;
  if (s.colour !== undefined) out = colour(out, s.colour);
  if (s.liquid !== undefined) out = liquid(out, s.liquid, larder);
  if (s.finish !== undefined) out = finish(out, s.finish);
  if (s.thickness !== undefined) out = thickness(out, s.thickness);
  if (s.concentrate !== undefined) out = concentrate(out, s.concentrate);
  if (s.sieve !== undefined) out = sieved(out, s.sieve);
  if (s.salt !== undefined) out = salt(out, s.salt);
  if (s.garlic !== undefined) out = garlic(out, s.garlic);
  if (s.sweatHeat !== undefined) {
    const { sweatHeat } = s;
    out = mapped(out, (step) => (step.op === 'sweat' ? [{ ...step, heat: sweatHeat }] : [step]));
  }
  if (s.cream !== undefined) out = creamWhen(out, s.cream);
  if (s.thin !== undefined)
    out = moved(out, ({ op }) => op === 'thin', s.thin === 'before the blade' ? 'before' : 'after', 'blend');
  return out;
}
