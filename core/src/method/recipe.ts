import { compose, takeLine, type Answer, type TakenLine } from '../draft/index.js';
import type { LineReading, ReadingContext } from '../amounts/index.js';
import type { Soup } from '../soup/index.js';
import { readPaste, type Pasted, type Pasting } from './paste.js';
import { readMethod, type MethodReading } from './read.js';
import type { KitchenContext } from './words-in-use.js';

/** Bowls that a soup is taken to be for while nothing says so. */
const USUAL_BOWLS = 4;
/** A method with fewer things to do than this is a remark: the lines are put together as cooks usually do. */
const LEAST_ACTIONS = 2;

/** What the cook has said of a pasted recipe so far. All of it is kept by the words that it is about, whatever is typed around them. */
export interface RecipeAsk extends Pick<KitchenContext, 'blenders' | 'fixes'> {
  readonly id: string;
  /** The title of the text when left out. */
  readonly name?: string | undefined;
  /** What the text says, else four, when left out. */
  readonly bowls?: number | undefined;
  /** Where the text says none. */
  readonly bowlG: number;
  readonly school?: Soup['school'] | undefined;
  readonly served?: Soup['served'] | undefined;
  /** Answers by the text of the line; null leaves it out. */
  readonly answers?: Readonly<Record<string, Answer | null>> | undefined;
}

export interface RecipeLine {
  readonly heading: string;
  readonly reading: LineReading;
  readonly taken: TakenLine | undefined;
  readonly isLeftOut: boolean;
  /** It was asked about and not answered: it is taken as the first of what it could be, so that the method can speak of it. */
  readonly isSupposed: boolean;
}

export type RecipeReading =
  | {
      readonly ok: true;
      readonly pasted: Pasted;
      readonly lines: readonly RecipeLine[];
      /** Undefined where the text has no method: the soup then follows the usual order. */
      readonly method: MethodReading | undefined;
      /** Undefined while no line of it is understood. */
      readonly soup: Soup | undefined;
    }
  | Extract<Pasting, { ok: false }>;

/** A soup without a title is called after the vegetable that it has most of. */
function nameBy(lines: readonly TakenLine[]): string {
  const [most] = lines
    .filter(({ role }) => role === 'vegetable' || role === 'greens' || role === 'grain')
    .sort((a, b) => b.kg - a.kg);
  const [name] = most?.row.name.split(',') ?? [];
  return name === undefined ? 'Soup' : `${name} soup`;
}

/** What a method does not count by: remarks and settings. */
const IDLE: ReadonlySet<string> = new Set(['remark', 'setting', 'prepare', 'serve', 'store']);

/**
 * Reads a recipe as it is pasted: its lines, its method and the soup that both make. Where it has no method the lines are put
 * together in the usual order of its school.
 *
 * @example readRecipe('Leek soup\n400 g leeks\n1 l stock\n\nSimmer the leeks in the stock for 20 minutes. Blend.', ask, context)
 */
export function readRecipe(text: string, ask: RecipeAsk, context: ReadingContext): RecipeReading {
  const pasting = readPaste(text, context);
  if (!pasting.ok) return pasting;
  const { pasted } = pasting;
  const bowls = ask.bowls ?? pasted.bowls ?? USUAL_BOWLS;
  const lines = pasted.lines.map(({ reading, heading }): RecipeLine => {
    const answer = ask.answers?.[reading.text];
    if (answer === null) return { heading, reading, taken: undefined, isLeftOut: true, isSupposed: false };
    const supposed = answer === undefined && reading.code === 'ASK' ? reading.options[0] : undefined;
    const taken = takeLine(reading, { larder: context.larder, heading, bowls: pasted.bowls ?? USUAL_BOWLS }, answer ?? supposed);
    // "Ham to taste": there is no usual amount of it, so that it is asked.
    const asked: LineReading =
      taken === undefined && reading.code === 'BY_STEP'
        ? { text: reading.text, code: 'NO_AMOUNT', ingredient: reading.ingredient }
        : reading;
    return { heading, reading: asked, taken, isLeftOut: false, isSupposed: supposed !== undefined && taken !== undefined };
  });
  const understood = lines.flatMap(({ taken, heading }) => (taken === undefined ? [] : [{ taken, heading }]));
  const bowlG = pasted.bowlG ?? ask.bowlG;
  const name = ask.name ?? pasted.title ?? nameBy(understood.map(({ taken }) => taken));
  if (understood.length === 0) return { ok: true, pasted, lines, method: undefined, soup: undefined };
  const method = readMethod(
    pasted.methodText,
    understood,
    { id: ask.id, name, bowls, bowlG, served: ask.served },
    { ...context, bowls, blenders: ask.blenders, fixes: ask.fixes },
  );
  const does = method.actions.filter((action) => !IDLE.has(action.does)).length;
  if (does >= LEAST_ACTIONS && ask.school === undefined) return { ok: true, pasted, lines, method, soup: method.tree.soup };
  const soup = compose({
    id: ask.id,
    name,
    lines: understood.map(({ taken }) => taken),
    bowls,
    bowlG,
    school: ask.school,
    served: ask.served,
    method: pasted.method,
  });
  return { ok: true, pasted, lines, method: undefined, soup };
}
