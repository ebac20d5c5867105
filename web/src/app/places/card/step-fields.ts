import type { LineReading } from '@tureen/core/amounts';
import type { Answer } from '@tureen/core/draft';
import type { IngredientRow } from '@tureen/core/larder';
import { assumedWords, problemSentence, readingSentence, stepName, type NameOf } from '@tureen/core/messages';
import { linesOf, walk, type Soup, type SoupProblem, type SoupStep } from '@tureen/core/soup';
import type { UnitSystem } from '@tureen/core/units';
import type { EditView } from '../../cooking/answers';
import { mass } from '../figures';
import { NEW_LINE, type Unread } from './editing';
import { pieceSettings, settingsOf, type NumberSetting, type Setting } from './settings';

/** What was typed and is not understood, with what it could be. */
export interface Asked {
  readonly text: string;
  readonly reading: LineReading;
  readonly asks: string;
  readonly choices: readonly { readonly label: string; readonly answer: Answer }[];
  readonly nearest: readonly { readonly id: string; readonly name: string }[];
}

/** One line in one step, as its field shows it. */
export interface LineField {
  readonly id: string;
  readonly stepId: string;
  readonly text: string;
  readonly kg: string;
  readonly share: number;
  readonly movable: boolean;
  readonly optional: boolean;
  /** Whether some of it can be held back from the blender. */
  readonly canHold: boolean;
  readonly assumed: string;
  readonly asked: Asked | undefined;
  readonly problems: readonly string[];
}

/** One step with its lines, as its fields show it. */
export interface StepField {
  readonly id: string;
  readonly step: SoupStep;
  readonly name: string;
  readonly isDish: boolean;
  readonly onTray: boolean;
  readonly takesLines: boolean;
  readonly addsLines: boolean;
  readonly settings: readonly Setting[];
  readonly lines: readonly LineField[];
  readonly unread: Asked | undefined;
  readonly say: string;
  readonly photo: string | undefined;
  /** Whether it can be given a tray or a pot of its own. */
  readonly canPart: boolean;
  readonly problems: readonly string[];
}

/** What the fields of a soup are drawn from. */
export interface Fielding {
  readonly soup: Soup;
  readonly edit: EditView | undefined;
  readonly unread: ReadonlyMap<string, Unread>;
  readonly assumed: ReadonlyMap<string, readonly string[]>;
  readonly rows: readonly IngredientRow[];
  readonly units: UnitSystem;
  readonly nameOf: NameOf;
}

function garnishSettings(step: SoupStep, nameOf: NameOf): NumberSetting[] {
  if (step.op !== 'dish') return [];
  return (step.shares ?? []).flatMap((share, at) =>
    (['finish', 'garnish'] as const).flatMap((kind) =>
      (share[kind] ?? []).map(({ line, gPerBowl }): NumberSetting => ({
        kind: 'number',
        key: `${share.id} ${kind} ${line}`,
        label: `${nameOf(line)} ${kind === 'garnish' ? 'on top' : 'stirred in'}, ${share.name.toLowerCase()}`,
        unit: 'g a bowl',
        least: 0.1,
        most: 500,
        by: 1,
        value: gPerBowl,
        set: (value) => ({
          ...step,
          shares: (step.shares ?? []).map((own, n) =>
            n === at
              ? { ...own, [kind]: (own[kind] ?? []).map((one) => (one.line === line ? { ...one, gPerBowl: value } : one)) }
              : own,
          ),
        }),
      })),
    ),
  );
}

interface Settled {
  readonly units: UnitSystem;
  readonly nameOf: NameOf;
  readonly settings: readonly Setting[];
}

/** Settings by their step, so that a step that did not change keeps the same ones and is not drawn anew. */
const settled = new WeakMap<SoupStep, Settled>();

/** Steps whose fields name lines. */
const NAMES_LINES: ReadonlySet<SoupStep['op']> = new Set(['dish', 'takeOut', 'giveBack', 'peel']);

interface Piece {
  readonly id: string;
  readonly name: string;
}

function settingsFor(step: SoupStep, units: UnitSystem, nameOf: NameOf, pieces: readonly Piece[]): readonly Setting[] {
  const have = settled.get(step);
  if (have?.units === units && (!NAMES_LINES.has(step.op) || have.nameOf === nameOf)) return have.settings;
  const settings = [...pieceSettings(step, pieces), ...settingsOf(step, units), ...garnishSettings(step, nameOf)];
  settled.set(step, { units, nameOf, settings });
  return settings;
}

function asked(unread: Unread | undefined, rows: readonly IngredientRow[], units: UnitSystem): Asked | undefined {
  if (unread === undefined) return undefined;
  const { text, reading } = unread;
  return {
    text,
    reading,
    asks: readingSentence(reading) ?? '',
    choices:
      reading.code !== 'ASK'
        ? []
        : reading.options.map(({ label, ingredient, amount, kg }) => ({
            label: `${label}, ${mass(kg, units)}`,
            answer: { ingredient, amount, kg },
          })),
    nearest:
      reading.code !== 'UNKNOWN_FOOD'
        ? []
        : reading.nearest.map((id) => ({ id, name: rows.find((row) => row.id === id)?.name ?? id })),
  };
}

function under(problems: readonly SoupProblem[], path: string, butNot?: string): string[] {
  return problems
    .filter((problem) => problem.path === path || problem.path.startsWith(`${path}.`))
    .filter((problem) => butNot === undefined || !problem.path.startsWith(butNot))
    .map(problemSentence);
}

/** The fields of every step of a soup, in cooking order. */
export function fieldsOf({ soup, edit, unread, assumed, rows, units, nameOf }: Fielding): StepField[] {
  const words = new Map(edit?.words ?? []);
  const problems = edit?.problems ?? [];
  const lines = new Map(soup.lines.map((line, at) => [line.id, { line, at }]));
  const kilos = new Map(
    edit?.view?.takes.map((own) => [own.stepId, new Map(own.lines.map(({ lineId, kg }) => [lineId, kg]))]) ?? [],
  );
  const all = walk(soup.root);
  const pieces = all
    .flatMap(({ step }) => (step.op === 'trim' || step.op === 'add' ? step.uses.map(({ line }) => line) : []))
    .filter((line, n, own) => own.indexOf(line) === n)
    .map((id) => ({ id, name: nameOf(id) }));
  const blended = all.findIndex(({ step }) => step.op === 'blend');
  return all.map(({ step, branch, path }, at) => {
    const takesLines = step.op === 'trim' || step.op === 'add';
    return {
      id: step.id,
      step,
      name: stepName(step, nameOf),
      isDish: step.op === 'dish',
      onTray: branch.vessel === 'tray',
      takesLines,
      addsLines: takesLines || step.op === 'dish' || step.op === 'simmer' || step.op === 'season',
      settings: settingsFor(step, units, nameOf, pieces),
      lines: linesOf(step).map(({ line: id, share }): LineField => {
        const own = lines.get(id);
        const asks = unread.get(id);
        const kg = kilos.get(step.id)?.get(id);
        return {
          id,
          stepId: step.id,
          text: asks?.text ?? words.get(id) ?? '',
          kg: kg === undefined ? '' : mass(kg, units),
          share,
          movable: takesLines,
          optional: own?.line.optional === true,
          canHold: takesLines && blended > at,
          assumed: assumedWords((assumed.get(id) ?? []) as Parameters<typeof assumedWords>[0]),
          asked: asked(asks, rows, units),
          problems: problems.length === 0 ? [] : under(problems, `lines.${String(own?.at)}`),
        };
      }),
      unread: asked(unread.get(NEW_LINE + step.id), rows, units),
      say: step.say ?? '',
      photo: step.photo,
      canPart: takesLines && branch.id === soup.root.id,
      problems: problems.length === 0 ? [] : under(problems, path, `${path}.branch`),
    };
  });
}
