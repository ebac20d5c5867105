import type { Country } from '../src/amounts/index.js';
import { walk, type PlainStep } from '../src/soup/index.js';
import type { Action } from '../src/method/index.js';
import { readCorpus } from './method-corpus.js';

/** What was read of a method over a list of lines: its doings in a few words each, and the steps that came of them. */
export interface Said {
  readonly said: readonly string[];
  readonly steps: readonly PlainStep[];
  readonly actions: readonly Action[];
  readonly minutesOf: (op: string) => number[];
  /** Of a line, the shares that go in or on top, one after the other, to hundredths. */
  readonly sharesOf: (line: string) => number[];
}

/** Reads a method over lines of a recipe; places other than the pot are told behind an @, settings are left out. */
export function saidOf(method: string, lines: string, country: Country = 'gb'): Said {
  return saidOfPaste(`Soup\nServes 4\n\nIngredients\n${lines}\nMethod\n${method}`, country);
}

/** The same of a recipe that is pasted whole. */
export function saidOfPaste(text: string, country: Country): Said {
  const { reading } = readCorpus({ text, country });
  const said = reading.actions
    .filter(({ does }) => !/^(?:setting|serve)$/.test(does))
    .map(({ does, lines: own, minutes, vessel }) =>
      [
        does,
        ...own.map(({ line }) => line),
        ...(minutes === undefined ? [] : [`${String((minutes.low + minutes.high) / 2)}'`]),
        ...(vessel === undefined || vessel === 'Pot' ? [] : [`@${vessel}`]),
      ].join(' '),
    );
  const steps = walk(reading.tree.soup.root).map(({ step }) => step as PlainStep);
  return {
    said,
    steps,
    actions: reading.actions,
    sharesOf: (line) =>
      reading.actions
        .filter(({ does }) => does !== 'keep' && does !== 'prepare')
        .flatMap(({ lines }) => lines.filter((use) => use.line === line).map(({ share = 1 }) => Math.round(share * 100) / 100)),
    minutesOf: (op) =>
      steps.flatMap((step) => (step.op === op && 'minutes' in step && step.minutes !== undefined ? [step.minutes] : [])),
  };
}

/** Expects what is wanted among what was said, in that order, and nothing of what must never be said. */
export function expectInOrder(said: readonly string[], wanted: readonly string[], never?: RegExp): void {
  let from = 0;
  for (const one of wanted) {
    const at = said.indexOf(one, from);
    expect(at)
      .withContext(`${one} in: ${said.join(' | ')}`)
      .toBeGreaterThanOrEqual(from);
    from = Math.max(from, at + 1);
  }
  if (never === undefined) return;
  expect(said.filter((one) => never.test(one)))
    .withContext(said.join(' | '))
    .toEqual([]);
}
