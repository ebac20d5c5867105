import { SALT, WATER, type Ingredient, type Mix, type Trim } from '../larder/index.js';
import { PARAMETERS, PARAMETER_NAMES, learnedOf, type Kit, type Learned, type ParameterName } from '../kit/index.js';
import { lineWith } from '../steps/index.js';
import type { PreparedSoup, PreparedLine } from './prepared.js';

/** A part of what an input strays by that stays the same from batch to batch: of the kitchen, of this pot, of this soup. */
export interface InputPart {
  readonly key: string;
  /** 1 sd before anything is learnt, on the input's own scale. */
  readonly sd: number;
}

/** One figure that a run leans on and that may be otherwise than its default: what is the kitchen's own in it, and what is the batch's. */
export interface Input {
  readonly key: string;
  readonly of: 'parameter' | 'trim' | 'salt' | 'measured';
  readonly parameter: ParameterName | undefined;
  readonly lineId: string | undefined;
  readonly parts: readonly InputPart[];
  /** 1 sd from one batch to the next. */
  readonly noiseSd: number;
}

/** By input key, how far each is moved, on the log, or on the logit where it is a share. */
export type Moves = ReadonlyMap<string, number>;

/**
 * Of a parameter's variance between kitchens, what is rather between soups or pots of one kitchen. A body constant that is
 * right for one soup is little use for another, so that most of it is the soup's. Kitchen defaults.
 */
const SOUPS_SHARE: Partial<Record<ParameterName, number>> = { bodyA: 0.9, bodyAnswers: 0.8 };
const POTS_SHARE: Partial<Record<ParameterName, number>> = { boilOff: 0.4, filmMm: 0.2 };
/** Of a trim's variance, what one cook's knife does the same way every time. Kitchen default. */
const KNIFE_SHARE = 0.7;
/** How far the salt of a salted ingredient lies off its label: between makes, and from one carton to the next. 1 sd of ln, kitchen defaults. */
const SALT_BIAS = 0.06;
const SALT_NOISE = 0.02;
/** What counts as salted: salt itself is weighed, and below this there is nothing to stray, kg/kg. */
const LEAST_SALT = 0.001;
const MOST_SALT = 0.5;

/** A value moved by so many on its own scale: the log, or the logit where it is a share. */
export function moved(value: number, on: 'log' | 'logit', by: number): number {
  if (on === 'log') return value * Math.exp(by);
  if (value <= 0 || value >= 1) return value;
  const odds = (value / (1 - value)) * Math.exp(by);
  return odds / (1 + odds);
}

/** Spread of a trim share on the logit, from its spread as a share. */
function logitSd({ share, sd }: Pick<Trim, 'share' | 'sd'>): number {
  return share >= 1 ? 0 : sd / (share * (1 - share));
}

function parameterInput(name: ParameterName, soupId: string, potId: string): Input {
  const { bias, noise } = PARAMETERS[name];
  const soups = SOUPS_SHARE[name] ?? 0;
  const pots = POTS_SHARE[name] ?? 0;
  const part = (key: string, share: number): InputPart[] => (share > 0 ? [{ key, sd: bias * Math.sqrt(share) }] : []);
  return {
    key: name,
    of: 'parameter',
    parameter: name,
    lineId: undefined,
    parts: [...part(name, 1 - soups - pots), ...part(`${name}@soup:${soupId}`, soups), ...part(`${name}@pot:${potId}`, pots)],
    noiseSd: noise,
  };
}

/** The part of a knife's work on one ingredient in one way. */
function trimKey(ingredient: string, way: string): string {
  return `trim:${ingredient}:${way}`;
}

const MEASURED = PARAMETERS.measured.noise;

function lineInputs({ soup }: Pick<PreparedSoup, 'soup'>, { line }: PreparedLine): Input[] {
  const own = soup.lines.find(({ id }) => id === line.id);
  const { row, perKg } = line.ingredient;
  const trim = row.trims.find(({ way }) => way === own?.way);
  const sd = trim === undefined ? 0 : logitSd(trim);
  const base = { parameter: undefined, lineId: line.id };
  const inputs: Input[] = [];
  if (trim !== undefined && sd > 0) {
    const parts = [{ key: trimKey(row.id, trim.way), sd: sd * Math.sqrt(KNIFE_SHARE) }];
    inputs.push({ ...base, key: `trim:${line.id}`, of: 'trim', parts, noiseSd: sd * Math.sqrt(1 - KNIFE_SHARE) });
  }
  // What a pan's floor takes is poured by eye; all else is measured out, what a step settles too.
  if (own?.amount.rule !== 'panFloor') {
    inputs.push({ ...base, key: `measured:${line.id}`, of: 'measured', parts: [], noiseSd: MEASURED });
  }
  if (perKg[SALT] > LEAST_SALT && perKg[SALT] < MOST_SALT) {
    inputs.push({
      ...base,
      key: `salt:${line.id}`,
      of: 'salt',
      parts: [{ key: `salt:${row.id}`, sd: SALT_BIAS }],
      noiseSd: SALT_NOISE,
    });
  }
  return inputs;
}

/** Everything that can turn out otherwise in a batch of a prepared soup: every model parameter, and of every line its trim, its salt and what is measured out. */
export function inputsOf(prepared: Pick<PreparedSoup, 'soup' | 'lines' | 'vessel' | 'meantLn'>): Input[] {
  // How a body answers is reckoned from the one that is meant: where none is, nothing says from where.
  const isLeantOn = (name: ParameterName): boolean =>
    name !== 'measured' && (name !== 'bodyAnswers' || prepared.meantLn !== undefined);
  return [
    ...PARAMETER_NAMES.filter(isLeantOn).map((name) => parameterInput(name, prepared.soup.id, prepared.vessel.id)),
    ...prepared.lines.flatMap((own) => lineInputs(prepared, own)),
  ];
}

/** An ingredient with other salt in it, in the place of water. */
function saltier(ingredient: Ingredient, by: number): Ingredient {
  const more = Math.min(ingredient.perKg[SALT] * Math.expm1(by), ingredient.perKg[WATER]);
  const perKg = ingredient.perKg.map((share, n) => (n === SALT ? share + more : n === WATER ? share - more : share));
  return { ...ingredient, perKg: perKg as unknown as Mix };
}

interface LineKeys {
  readonly trim: string;
  readonly measured: string;
  readonly salt: string;
}

const LINE_KEYS = new WeakMap<PreparedLine, LineKeys>();

/** What a line's inputs are called. Kept, since a soup is moved thousands of times over. */
function lineKeys(own: PreparedLine): LineKeys {
  const have = LINE_KEYS.get(own);
  if (have !== undefined) return have;
  const { id } = own.line;
  const keys = { trim: `trim:${id}`, measured: `measured:${id}`, salt: `salt:${id}` };
  LINE_KEYS.set(own, keys);
  return keys;
}

/** The soup with its inputs moved. Keys that it does not lean on move nothing. */
export function withMoves(prepared: PreparedSoup, moves: Moves): PreparedSoup {
  if (moves.size === 0) return prepared;
  const parameters: Record<ParameterName, number> = { ...prepared.parameters };
  for (const name of PARAMETER_NAMES) {
    const by = moves.get(name);
    if (by !== undefined) parameters[name] = moved(parameters[name], PARAMETERS[name].on, by);
  }
  return {
    ...prepared,
    parameters,
    lines: prepared.lines.map((own) => {
      const { line, follows } = own;
      const keys = lineKeys(own);
      const trim = moves.get(keys.trim);
      const mass = moves.get(keys.measured);
      const salt = moves.get(keys.salt);
      if (trim === undefined && mass === undefined && salt === undefined) return own;
      return {
        follows,
        line: lineWith(
          line,
          mass === undefined ? line.massKg : line.massKg * Math.exp(mass),
          trim === undefined ? line.keptShare : moved(line.keptShare, 'logit', trim),
          salt === undefined ? line.ingredient : saltier(line.ingredient, salt),
        ),
      };
    }),
  };
}

/** Whether the cook has given a figure by hand, for the kitchen or for this pot: then that holds, whatever batches have shown. */
function isByHand({ parameters, pots }: Pick<Kit, 'parameters' | 'pots'>, { parameter, parts }: Input): boolean {
  if (parameter === undefined) return false;
  const isPots = pots.some(({ id, boilOff }) => boilOff !== undefined && parts.some(({ key }) => key === `boilOff@pot:${id}`));
  return parameters?.[parameter] !== undefined || isPots;
}

/** A value of a parameter as an offset from its default, on its own scale. */
function offsetOf(name: ParameterName, value: number): number {
  const { value: usual, on } = PARAMETERS[name];
  return on === 'log' ? Math.log(value / usual) : Math.log(value / (1 - value)) - Math.log(usual / (1 - usual));
}

/** How far a prepared soup's inputs lie off the defaults already: by what was learnt, and by what was given by hand. */
export function alreadyMoved(prepared: Pick<PreparedSoup, 'kit' | 'parameters' | 'vessel'>, inputs: readonly Input[]): Moves {
  const learnt = learnedMoves(prepared.kit, inputs);
  return new Map(
    inputs.flatMap(({ key, parameter }): [string, number][] => {
      const pots = parameter === 'boilOff' ? Math.log(prepared.vessel.boilOff ?? 1) : 0;
      const by = parameter === undefined ? (learnt.get(key) ?? 0) : offsetOf(parameter, prepared.parameters[parameter]) + pots;
      return by === 0 || !Number.isFinite(by) ? [] : [[key, by]];
    }),
  );
}

/** How far what is learnt moves each input of a soup. */
export function learnedMoves(kit: Pick<Kit, 'learned' | 'parameters' | 'pots'>, inputs: readonly Input[]): Moves {
  const { learned } = kit;
  if (learned === undefined) return new Map();
  return new Map(
    inputs.flatMap((input): [string, number][] => {
      if (isByHand(kit, input)) return [];
      const by = input.parts.reduce((sum, { key }) => sum + (learnedOf(learned, key)?.by ?? 0), 0);
      return by === 0 ? [] : [[input.key, by]];
    }),
  );
}

/** How far each part may still be off, and how two of them go together: a correlation by their two keys. */
function togetherOf(learned: Learned | undefined): (a: InputPart, b: InputPart) => number {
  const at = new Map(learned?.figures.map(({ key }, n) => [key, n]));
  const pairs = new Map(
    learned?.together.map(([a, b, r]) => [a < b ? `${String(a)} ${String(b)}` : `${String(b)} ${String(a)}`, r]),
  );
  const sdOf = ({ key, sd }: InputPart): number => learned?.figures[at.get(key) ?? -1]?.sd ?? sd;
  return (a, b) => {
    if (a.key === b.key) return sdOf(a) ** 2;
    const i = at.get(a.key);
    const j = at.get(b.key);
    if (i === undefined || j === undefined) return 0;
    return (pairs.get(i < j ? `${String(i)} ${String(j)}` : `${String(j)} ${String(i)}`) ?? 0) * sdOf(a) * sdOf(b);
  };
}

/** Covariance of the inputs of one batch to come: what is not known of the kitchen, and on the diagonal what one batch adds. */
export function covarianceOf(kit: Pick<Kit, 'learned'>, inputs: readonly Input[]): number[][] {
  const of = togetherOf(kit.learned);
  return inputs.map((a, i) =>
    inputs.map((b, j) => {
      let sum = i === j ? a.noiseSd ** 2 : 0;
      for (const x of a.parts) for (const y of b.parts) sum += of(x, y);
      return sum;
    }),
  );
}
