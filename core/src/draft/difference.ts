import { walk, type Soup, type SoupStep } from '../soup/index.js';
import { writtenLines } from './write-line.js';

/** One thing in which two versions of a soup differ. `was` or `is` is undefined where it is new or gone. */
export interface SoupDifference {
  readonly what: 'name' | 'note' | 'bowls' | 'served' | 'body' | 'line' | 'step' | 'order' | 'school' | 'variant';
  readonly id: string;
  /** The setting of a step or school that changed. */
  readonly setting: string | undefined;
  readonly was: string | undefined;
  readonly is: string | undefined;
}

type NameRow = (ingredient: string) => { readonly name: string } | undefined;

function text(value: unknown): string | undefined {
  if (value === undefined || value === null) return undefined;
  return typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean'
    ? String(value)
    : JSON.stringify(value);
}

const NOT_SETTINGS = new Set(['id', 'op', 'branch']);

function steps(soup: Soup): Map<string, SoupStep> {
  return new Map(walk(soup.root).map(({ step }) => [step.id, step]));
}

function ofRecords(
  what: SoupDifference['what'],
  id: string,
  was: Readonly<Record<string, unknown>>,
  is: Readonly<Record<string, unknown>>,
): SoupDifference[] {
  return [...new Set([...Object.keys(was), ...Object.keys(is)])]
    .filter((key) => !NOT_SETTINGS.has(key))
    .flatMap((setting) => {
      const before = text(was[setting]);
      const after = text(is[setting]);
      return before === after ? [] : [{ what, id, setting, was: before, is: after }];
    });
}

/** Everything in which two versions of a soup differ, in the order in which a card is read; empty when they are the same. */
export function differences(was: Soup, is: Soup, rowOf: NameRow): SoupDifference[] {
  const list: SoupDifference[] = [];
  const put = (what: SoupDifference['what'], id: string, before: unknown, after: unknown): void => {
    if (text(before) !== text(after)) list.push({ what, id, setting: undefined, was: text(before), is: text(after) });
  };
  put('name', 'name', was.name, is.name);
  put('served', 'served', was.served, is.served);
  put('body', 'body', was.rightMPas, is.rightMPas);
  put(
    'bowls',
    'bowls',
    `${String(was.writtenFor.bowls)} × ${String(was.writtenFor.bowlG)} g`,
    `${String(is.writtenFor.bowls)} × ${String(is.writtenFor.bowlG)} g`,
  );
  const before = writtenLines(was, rowOf);
  const after = writtenLines(is, rowOf);
  const amountOf = (soup: Soup, id: string): string => JSON.stringify(soup.lines.find((line) => line.id === id) ?? null);
  for (const id of new Set([...before.keys(), ...after.keys()])) {
    if (before.get(id) !== after.get(id)) put('line', id, before.get(id), after.get(id));
    else if (amountOf(was, id) !== amountOf(is, id))
      list.push({ what: 'line', id, setting: 'amount', was: before.get(id), is: after.get(id) });
  }
  list.push(...ofRecords('school', 'methodChoices', was.methodChoices ?? {}, is.methodChoices ?? {}));
  const stepsBefore = steps(was);
  const stepsAfter = steps(is);
  for (const id of new Set([...stepsBefore.keys(), ...stepsAfter.keys()])) {
    const a = stepsBefore.get(id);
    const b = stepsAfter.get(id);
    if (a?.op !== b?.op || a === undefined || b === undefined) put('step', id, a?.op, b?.op);
    else list.push(...ofRecords('step', id, { ...a }, { ...b }));
  }
  const shared = (all: Map<string, SoupStep>, other: Map<string, SoupStep>): string =>
    [...all.keys()].filter((id) => other.has(id)).join(' → ');
  put('order', 'order', shared(stepsBefore, stepsAfter), shared(stepsAfter, stepsBefore));
  put('note', 'note', was.note, is.note);
  for (const id of new Set([...(was.variants ?? []), ...(is.variants ?? [])].map((variant) => variant.id))) {
    const of = (soup: Soup): unknown => soup.variants?.find((variant) => variant.id === id);
    if (JSON.stringify(of(was)) !== JSON.stringify(of(is))) put('variant', id, of(was), of(is));
  }
  return list;
}
