import { saltPctIn } from './salt.js';
import slugify from '@sindresorhus/slugify';
import { isBatchStep, type Branch, type Line, type PlainStep, type Soup, type SoupStep } from '../soup/index.js';
import { minutesIn, ovenIn, sentencesOf, speaksOf } from './method.js';
import type { Role } from './role.js';
import type { TakenLine } from './take.js';

/** Kitchen defaults of a soup that says nothing else; common practice. */
const USUAL = {
  ovenC: 190,
  roastMin: 45,
  sweatMin: 10,
  bloomMin: 1,
  meatMin: 5,
  wineMin: 2,
  simmerMin: 20,
  pulsesMin: 35,
  greensMin: 4,
  blendMin: 2,
  reheatMin: 3,
  overM: 0.01,
  liaisonC: 80,
} as const;
/** What is little against the lead and sweats with the onion. */
const LITTLE = 0.35;
/** Salty enough to go in before the salt is set, kg/kg. */
const SALTY = 0.02;
const MOST_SAY = 500;
const MOST_NOTE = 1000;

export interface Composing {
  readonly id: string;
  readonly name: string;
  readonly lines: readonly TakenLine[];
  readonly bowls: number;
  readonly bowlG: number;
  /** Decided by the words when left out. */
  readonly school?: Soup['school'] | undefined;
  readonly served?: Soup['served'] | undefined;
  readonly method?: readonly string[] | undefined;
}

/** Longest id that the file allows. */
const LONGEST_ID = 60;

/** Longest id that is made from words, so that there is room for a figure that tells it from another. */
const LONGEST_SLUG = 50;

/** An id from words: small letters, figures and dashes. @example slug('Carrot & ginger soup') // 'carrot-ginger-soup' */
export function slug(text: string): string {
  const plain = slugify(text, { customReplacements: [['&', ' ']] })
    .slice(0, LONGEST_SLUG)
    .replace(/-+$/, '');
  return plain === '' ? 'soup' : plain;
}

/** An id like a wish that is not taken yet, no longer than an id may be. */
export function freeId(wish: string, taken: ReadonlySet<string>): string {
  const plain = wish.slice(0, LONGEST_ID);
  if (!taken.has(plain)) return plain;
  for (let n = 2; ; n++) {
    const end = `-${String(n)}`;
    const own = plain.slice(0, LONGEST_ID - end.length) + end;
    if (!taken.has(own)) return own;
  }
}

/** The school that the words ask for; sweating where they say nothing. */
export function schoolIn(lines: readonly TakenLine[], method: readonly string[]): Soup['school'] {
  const words = [...lines.map(({ text }) => text), ...method].join(' ');
  if (/\broast(?:ed|ing)?\b(?! pepper)|\boven\b/i.test(words)) return 'roast';
  return 'sweat';
}

export function servedIn(name: string, method: readonly string[]): Soup['served'] {
  return /\b(?:cold|chilled|iced)\b.*\bsoup\b|\bsoup\b.*\b(?:cold|chilled)\b|\bserve (?:it )?(?:cold|chilled)\b|\bchill (?:well|for)\b/i.test(
    [name, ...method].join(' '),
  ) || /\b(?:chilled|iced)\b/i.test(name)
    ? 'cold'
    : 'hot';
}

/** Steps that are put together one after another, each with an id of its own. */
class Stations {
  private readonly taken: Set<string>;
  readonly steps: SoupStep[] = [];

  constructor(taken?: Set<string>) {
    this.taken = taken ?? new Set();
  }

  branch(): Stations {
    return new Stations(this.taken);
  }

  put(id: string, step: (id: string) => SoupStep): void {
    const own = freeId(id, this.taken);
    this.taken.add(own);
    this.steps.push(step(own));
  }

  lines(id: string, lines: readonly Line[]): void {
    const trimmed = lines.filter(({ way, cut }) => way !== undefined || cut !== undefined);
    const plain = lines.filter((line) => !trimmed.includes(line));
    const uses = (list: readonly Line[]): { line: string }[] => list.map((line) => ({ line: line.id }));
    if (trimmed.length > 0) this.put(`trim-${id}`, (own) => ({ id: own, op: 'trim', uses: uses(trimmed) }));
    if (plain.length > 0) this.put(id, (own) => ({ id: own, op: 'add', uses: uses(plain) }));
  }
}

type ByRole = (role: Role) => readonly Line[];

function lineOf(taken: TakenLine, id: string): Line {
  return {
    id,
    ingredient: taken.row.id,
    amount: taken.amount,
    written: taken.text.slice(0, 300),
    ...(taken.way === undefined ? {} : { way: taken.way }),
    ...(taken.cut === undefined ? {} : { cut: taken.cut }),
  };
}

/** A taken line as a line of a soup, under an id that is free there. */
export function newLine(taken: TakenLine, ids: ReadonlySet<string>): Line {
  return lineOf(taken, freeId(taken.row.id.slice(0, 50), ids));
}

/** What the lines of a soup turn out to be, once they are seen together. */
function together(lines: readonly TakenLine[]): TakenLine[] {
  const most = Math.max(0, ...lines.filter(({ role }) => role === 'vegetable').map(({ kg }) => kg));
  const hasOnion = lines.some(({ role, row }) => role === 'base' && row.group === 'alliums');
  const vegetables = lines.filter(({ role }) => role === 'vegetable').length;
  return lines.map((line) => {
    const isLittle = line.role === 'vegetable' && line.row.id === 'carrot' && line.kg < LITTLE * most;
    if (isLittle && hasOnion && vegetables > 1) return { ...line, role: 'base' };
    // With no vegetable beside it, the base is the soup.
    if (
      vegetables === 0 &&
      line.role === 'base' &&
      line.row.group !== 'chillies' &&
      !lines.some(({ role }) => role === 'greens' || role === 'grain')
    )
      return { ...line, role: line.row.id === 'garlic' ? 'base' : 'vegetable' };
    return line;
  });
}

function intoPot(
  stations: Stations,
  of: ByRole,
  served: Soup['served'],
  lines: readonly TakenLine[],
  blender: 'jug' | 'stick',
  garnish: readonly { line: string; gPerBowl: number }[],
  lineOfTaken: ReadonlyMap<TakenLine, Line>,
): void {
  const settled = of('liquid').filter(({ amount }) => amount.rule === 'byStep');
  const poured = of('liquid').filter((line) => !settled.includes(line));
  stations.lines('grain', of('grain'));
  stations.lines('bundle', of('bundle'));
  stations.lines('pour', poured);
  for (const { id } of settled) stations.put('cover', (own) => ({ id: own, op: 'cover', line: id, overM: USUAL.overM }));
  const hasPulses = lines.some(({ row, role }) => role === 'grain' && /lentil|split|dried-|barley/.test(row.id));
  stations.put('simmer', (id) => ({
    id,
    op: 'simmer',
    minutes: hasPulses ? USUAL.pulsesMin : USUAL.simmerMin,
    vigour: 'steady',
    lid: 'ajar',
  }));
  if (of('greens').length > 0) {
    stations.lines('greens', of('greens'));
    stations.put('greens-simmer', (id) => ({ id, op: 'simmer', minutes: USUAL.greensMin, vigour: 'steady', lid: 'off' }));
  }
  if (of('bundle').length > 0) {
    stations.put('take-out', (id) => ({ id, op: 'takeOut', lines: of('bundle').map((line) => line.id) }));
  }
  finish(stations, of, served, blender, garnish, lineOfTaken);
}

function finish(
  stations: Stations,
  of: ByRole,
  served: Soup['served'],
  blender: 'jug' | 'stick',
  garnish: readonly { line: string; gPerBowl: number }[],
  lineOfTaken: ReadonlyMap<TakenLine, Line>,
): void {
  const saltShare = new Map([...lineOfTaken].map(([taken, line]) => [line.id, taken.row.composition.salt / 100]));
  const isSalty = ({ id }: Line): boolean => (saltShare.get(id) ?? 0) > SALTY;
  stations.lines('herbs', of('herb'));
  stations.put('blend', (id) => ({ id, op: 'blend', blender, minutes: USUAL.blendMin }));
  if (blender === 'jug') stations.put('jug-film', (id) => ({ id, op: 'film', on: 'jug' }));
  stations.lines('salty', of('season').filter(isSalty));
  stations.lines(
    'salt',
    of('salt').filter(({ amount }) => amount.rule !== 'byStep'),
  );
  for (const { id, written } of of('salt').filter(({ amount }) => amount.rule === 'byStep')) {
    stations.put('season', (own) => ({ id: own, op: 'season', line: id, saltPct: saltPctIn(written) }));
  }
  stations.lines(
    'tune',
    of('season').filter((line) => !isSalty(line)),
  );
  const [yolks] = of('yolk');
  const [first, ...rest] = of('cream');
  if (yolks !== undefined && first !== undefined) {
    stations.put('liaison', (id) => ({
      id,
      op: 'liaison',
      yolks: { line: yolks.id },
      cream: { line: first.id },
      toC: USUAL.liaisonC,
    }));
  } else if (yolks !== undefined) {
    stations.lines('yolks', of('yolk'));
  }
  const creams = yolks === undefined ? of('cream') : rest;
  for (const { id, amount } of creams) {
    stations.put('cream', (own) => ({
      id: own,
      op: 'cream',
      line: id,
      target: amount.rule === 'byStep' ? { by: 'pct', value: 6 } : { by: 'written' },
    }));
  }
  stations.lines('finish', of('finish'));
  if (served === 'hot' && yolks === undefined) {
    stations.put('reheat', (id) => ({ id, op: 'simmer', minutes: USUAL.reheatMin, vigour: 'bare', lid: 'on' }));
  }
  stations.put('pot-film', (id) => ({ id, op: 'film', on: 'pot' }));
  stations.put('dish', (id) => ({
    id,
    op: 'dish',
    ...(garnish.length === 0 ? {} : { shares: [{ id: 'bowls', name: 'All bowls', part: 1, garnish: [...garnish] }] }),
  }));
}

/** A method's own figures and words put at the steps that it speaks of; what fits none becomes the soup's note. */
function withMethod(soup: Soup, method: readonly string[]): Soup {
  const say = new Map<PlainStep['op'], string[]>();
  const minutes = new Map<PlainStep['op'], number>();
  const rest: string[] = [];
  let ovenC: number | undefined;
  const ops = new Set<PlainStep['op']>();
  const collect = (branch: Branch): void => {
    for (const step of branch.steps) {
      if (step.op === 'join') collect(step.branch);
      else if (!isBatchStep(step)) ops.add(step.op);
    }
  };
  collect(soup.root);
  for (const sentence of sentencesOf(method)) {
    ovenC ??= ovenIn(sentence);
    const op = speaksOf(sentence);
    if (op === undefined || !ops.has(op)) {
      rest.push(sentence);
      continue;
    }
    const [own] = say.get(op) ?? [];
    say.set(op, [...(own === undefined ? [] : (say.get(op) ?? [])), sentence]);
    const stated = minutesIn(sentence);
    if (stated !== undefined && !minutes.has(op)) minutes.set(op, stated);
  }
  const told = new Set<PlainStep['op']>();
  const change = (branch: Branch): Branch => ({
    ...branch,
    steps: branch.steps.map((step): SoupStep => {
      if (step.op === 'join') return { ...step, branch: change(step.branch) };
      if (isBatchStep(step) || told.has(step.op)) return step;
      told.add(step.op);
      const words = say.get(step.op)?.join(' ').slice(0, MOST_SAY);
      const said = words === undefined ? step : { ...step, say: words };
      if (said.op === 'roast') return { ...said, minutes: minutes.get('roast') ?? said.minutes, ovenC: ovenC ?? said.ovenC };
      if (said.op === 'sweat' || said.op === 'simmer') return { ...said, minutes: minutes.get(said.op) ?? said.minutes };
      return said;
    }),
  });
  const note = rest.join(' ').slice(0, MOST_NOTE);
  return { ...soup, root: change(soup.root), ...(note === '' ? {} : { note }) };
}

/** The line that a soup without any liquid is given, so that it can be cooked. */
const WATER: Line = { id: 'water', ingredient: 'water', amount: { rule: 'byStep' }, written: 'water to cover' };
/** The same where nothing is heated, so that there is no pot to cover. */
const COLD_WATER: Line = {
  id: 'water',
  ingredient: 'water',
  amount: { rule: 'scaled', amount: { value: 250, unit: 'g' } },
  written: '250 g water',
};

/**
 * Puts understood lines into a soup with its stations, in the order in which cooks of the school put them in, with the
 * method's own minutes and degrees where it gives some. Everything in it is there to be rearranged.
 */
export function compose(ask: Composing): Soup {
  const method = ask.method ?? [];
  const lines = together(ask.lines);
  const school = ask.school ?? schoolIn(lines, method);
  const served = ask.served ?? servedIn(ask.name, method);
  const ids = new Set<string>();
  const own = new Map<TakenLine, Line>();
  for (const taken of lines) {
    const line = newLine(taken, ids);
    ids.add(line.id);
    own.set(taken, line);
  }
  const garnish = lines
    .filter(({ role, kg }) => role === 'garnish' && kg > 0)
    .map((taken) => ({ line: own.get(taken)?.id ?? '', gPerBowl: Math.min(500, Math.max(0.01, (taken.kg / ask.bowls) * 1000)) }));
  const topped = new Set(garnish.map(({ line }) => line));
  for (const [taken, line] of own) {
    if (topped.has(line.id)) own.set(taken, { ...line, amount: { rule: 'byStep' } });
    // Nothing is covered in a raw soup: what was to cover is poured by the glass.
    else if (school === 'raw' && taken.role === 'liquid' && line.amount.rule === 'byStep') {
      own.set(taken, { ...line, amount: COLD_WATER.amount });
    } else if (school === 'raw' && line.amount.rule === 'panFloor') {
      own.set(taken, { ...line, amount: { rule: 'scaled', amount: { value: 10, unit: 'g' } } });
    }
  }
  const of: ByRole = (role) => lines.filter((taken) => taken.role === role).flatMap((taken) => own.get(taken) ?? []);
  const hasLiquid = of('liquid').length > 0;
  const water = school === 'raw' ? COLD_WATER : WATER;
  const withWater: ByRole = (role) => (role === 'liquid' && !hasLiquid ? [water] : of(role));
  const all = [...own.values(), ...(hasLiquid ? [] : [water])];
  const blender = /\b(?:stick|hand|immersion)[ -]?blender\b|\bstick\b/i.test(method.join(' ')) ? 'stick' : 'jug';

  const pot = new Stations();
  if (school === 'roast') {
    const tray = pot.branch();
    tray.lines('tray', [...of('base'), ...of('vegetable')]);
    tray.lines('oil', [...of('fat'), ...of('spice'), ...of('meat')]);
    tray.put('roast', (id) => ({ id, op: 'roast', ovenC: USUAL.ovenC, minutes: USUAL.roastMin, load: 'rounds' }));
    pot.put('tip-in', (id) => ({ id, op: 'join', branch: { id: 'tray', name: 'Tray', vessel: 'tray', steps: tray.steps } }));
  } else if (school === 'sweat') {
    pot.lines('fat', of('fat'));
    if (of('meat').length > 0) {
      pot.lines('meat', of('meat'));
      pot.put('brown', (id) => ({ id, op: 'fry', how: 'sauté', minutes: USUAL.meatMin }));
    }
    if (of('base').length > 0) {
      pot.lines('base', of('base'));
      pot.put('sweat', (id) => ({ id, op: 'sweat', minutes: USUAL.sweatMin, heat: 'gentle', lid: 'on' }));
    }
    if (of('spice').length > 0) {
      pot.lines('spice', of('spice'));
      pot.put('bloom', (id) => ({ id, op: 'fry', how: 'bloom', minutes: USUAL.bloomMin }));
    }
  }
  pot.lines('flour', of('flour'));
  if (school !== 'raw')
    for (const { id } of of('wine'))
      pot.put('deglaze', (step) => ({ id: step, op: 'deglaze', use: { line: id }, minutes: USUAL.wineMin }));
  if (school === 'sweat') pot.lines('vegetables', of('vegetable'));
  if (school === 'raw') {
    for (const role of ['base', 'spice', 'vegetable', 'wine', 'liquid', 'grain', 'greens', 'fat', 'bundle', 'meat'] as const) {
      pot.lines(role, withWater(role));
    }
    finish(pot, of, 'cold', blender, garnish, own);
  } else {
    intoPot(pot, withWater, served, lines, blender, garnish, own);
  }
  const lead =
    lines
      .filter(({ role }) => role === 'vegetable' || role === 'greens' || role === 'grain')
      .reduce<TakenLine | undefined>((a, b) => (a === undefined || b.kg > a.kg ? b : a), undefined) ?? lines[0];
  const soup: Soup = {
    id: ask.id,
    name: ask.name.slice(0, 80),
    lead: lead?.row.name.split(',')[0] ?? ask.name,
    school,
    served: school === 'raw' ? 'cold' : served,
    writtenFor: { bowls: ask.bowls, bowlG: ask.bowlG },
    lines: all,
    root: { id: 'pot', name: 'Pot', vessel: 'pot', steps: pot.steps },
  };
  return withMethod(soup, method);
}
