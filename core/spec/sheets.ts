import { namesOf, type Country } from '../src/amounts/index.js';
import { LARDER_ROWS, makeLarder } from '../src/larder/index.js';
import { readRecipe, type Action } from '../src/method/index.js';
import { walk, type Soup, type SoupStep } from '../src/soup/index.js';

const LARDER = makeLarder(LARDER_ROWS);
const NAMES = namesOf(LARDER_ROWS);

export interface Sheet {
  readonly soup: Soup;
  readonly steps: readonly SoupStep[];
  /** Kinds of its steps, without trimming and what stays in pots. */
  readonly ops: readonly SoupStep['op'][];
  readonly of: <Op extends SoupStep['op']>(op: Op) => readonly Extract<SoupStep, { op: Op }>[];
  readonly kg: (food: string) => number;
  /** Lines that were not read without help. */
  readonly questions: readonly string[];
  readonly garnish: readonly { readonly line: string; readonly gPerBowl: number }[];
  readonly actions: readonly Action[];
}

/** A recipe as it is pasted: its soup, all steps of it, and its lines by food, kg. */
export function readSheet(text: string, country: Country = 'gb'): Sheet {
  const reading = readRecipe(text, { id: 'sheet', bowlG: 300 }, { country, larder: LARDER, names: NAMES });
  if (!reading.ok || reading.soup === undefined) throw new Error('Nothing was read.');
  const { soup, method } = reading;
  const steps = walk(soup.root).map(({ step }) => step);
  return {
    soup,
    steps,
    ops: steps.map(({ op }) => op).filter((op) => op !== 'trim' && op !== 'film'),
    of: <Op extends SoupStep['op']>(op: Op) => steps.filter((step): step is Extract<SoupStep, { op: Op }> => step.op === op),
    kg: (food: string) =>
      reading.lines.filter(({ taken }) => taken?.row.id === food).reduce((sum, { taken }) => sum + (taken?.kg ?? 0), 0),
    questions: reading.lines.filter(({ reading: line }) => line.code !== 'READ').map(({ reading: { text: line } }) => line),
    garnish: steps.flatMap((step) => (step.op === 'dish' ? (step.shares ?? []).flatMap((share) => share.garnish ?? []) : [])),
    actions: method?.actions ?? [],
  };
}
