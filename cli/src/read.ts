import { readFileSync } from 'node:fs';
import { COUNTRIES, namesOf, type Country } from '@tureen/core/amounts';
import { slug } from '@tureen/core/draft';
import { makeLarder } from '@tureen/core/larder';
import { actionDetail, actionTitle, methodAssumptions, pastingSentence, readingSentence } from '@tureen/core/messages';
import { readRecipe, type Action, type RecipeReading } from '@tureen/core/method';
import { loadKit, loadLarder } from './files.js';
import type { Given } from './options.js';
import { Misused, good, wrong, type CommandResult } from './result.js';
import { table } from './table.js';

const BOWL_G = 300;

type Read = Extract<RecipeReading, { ok: true }>;

/** A line with what was understood of it: as JSON, its kilos as bought or edible, or the question. */
function lineData({ heading, reading, taken, isSupposed }: Read['lines'][number]): object {
  return {
    text: reading.text,
    ...(heading === '' ? {} : { heading }),
    code: reading.code,
    ...(taken === undefined
      ? {}
      : {
          ingredient: taken.row.id,
          role: taken.role,
          kg: taken.kg,
          amount: taken.amount,
          way: taken.way,
          cut: taken.cut,
          assumed: taken.assumed,
          ...(isSupposed ? { supposed: true } : {}),
        }),
    ...(reading.code === 'ASK' ? { asks: reading.what, options: reading.options } : {}),
    ...(reading.code === 'UNKNOWN_FOOD' ? { nearest: reading.nearest } : {}),
  };
}

function actionData(action: Action, { clauses }: NonNullable<Read['method']>, written: string): object {
  const { clause, ...rest } = action;
  const own = clauses[clause];
  return { ...rest, clause, start: own?.start, end: own?.end, text: written.slice(own?.start, own?.end) };
}

function nameIn(read: Read): (line: string) => string {
  const lines = [...(read.soup?.lines ?? []), ...(read.soup?.cards ?? []).flatMap((card) => card.lines)];
  return (line) => lines.find(({ id }) => id === line)?.ingredient.replaceAll('-', ' ') ?? line;
}

/** A written recipe: its lines, what its method asks for with the place of each clause in the text, its steps, its questions. */
export function read(from: Given): CommandResult {
  const file = from.positionals[1];
  if (file === undefined) throw new Misused('Say which recipe: read RECIPE.txt');
  const country = from.values.country;
  if (country !== undefined && !COUNTRIES.includes(country as Country))
    throw new Misused(`--country is one of ${COUNTRIES.join(', ')}.`);
  const rows = loadLarder(from.values.larder);
  if (!rows.ok) return rows.result;
  const kit = from.values.kit === undefined ? undefined : loadKit(from.values.kit);
  if (kit !== undefined && !kit.ok) return kit.result;
  let text: string;
  try {
    text = readFileSync(file, 'utf8');
  } catch {
    return wrong(`${file} is not there or can’t be read. Check its name.`, { file, code: 'NO_FILE' });
  }
  const reading = readRecipe(
    text,
    {
      id: slug(file.replace(/^.*[\\/]/, '').replace(/\.\w+$/, '')),
      bowlG: BOWL_G,
      blenders: kit?.value.blenders.map(({ kind }) => kind),
    },
    { larder: makeLarder(rows.value), names: namesOf(rows.value), country: (country as Country | undefined) ?? kit?.value.country },
  );
  if (!reading.ok) return wrong(`${file}: ${pastingSentence(reading)}`, { file, ...reading });
  const { pasted, lines, method, soup } = reading;
  const questions = lines.flatMap(({ reading: own, taken, isSupposed }) => {
    const asks = taken === undefined || isSupposed ? readingSentence(own) : undefined;
    return asks === undefined ? [] : [{ text: own.text, asks, ...(own.code === 'ASK' ? { options: own.options } : {}) }];
  });
  const nameOf = nameIn(reading);
  const said = [
    pasted.title ?? 'No title',
    '',
    table(
      [
        ['line', 'kg', 'is'],
        ...lines.map(({ reading: own, taken, isSupposed }) => [
          own.text,
          taken === undefined ? '' : taken.kg.toFixed(3),
          `${taken?.row.name ?? ''}${taken === undefined || isSupposed ? '?' : ''}`,
        ]),
      ],
      [1],
    ),
    ...(method === undefined
      ? ['', 'No method in it: the lines follow the usual order.']
      : [
          '',
          ...method.actions.map((action) =>
            [actionTitle(action, nameOf), actionDetail(action, 'metric'), ...methodAssumptions(action)]
              .filter((part) => part !== '')
              .join('; '),
          ),
        ]),
    ...questions.map(({ text: own, asks }) => `? ${own}: ${asks}`),
  ];
  return good(said.join('\n'), {
    title: pasted.title,
    bowls: pasted.bowls,
    lines: lines.map(lineData),
    ...(method === undefined
      ? {}
      : {
          actions: method.actions.map((action) => actionData(action, method, text)),
          clauses: method.clauses,
          stepClauses: method.tree.clausesOf,
          placed: method.tree.placed,
          fromMethod: method.tree.fromMethod,
          equalShares: method.tree.equalShares,
          joinedByGuess: method.tree.joinedByGuess,
          heatsAtOnce: method.tree.heatsAtOnce,
        }),
    soup,
    questions,
  });
}
