import { cautionSentence, planSentence, problemSentence } from '@tureen/core/messages';
import { makeLarder, type IngredientRow } from '@tureen/core/larder';
import { clocksOf, prepareSoup, run } from '@tureen/core/runner';
import {
  cardsMade,
  cautionsOf,
  figuresOf,
  makePlan,
  planToBuy,
  pullList,
  sharesOf,
  type PlanRequest,
  type Planned,
} from '@tureen/core/plan';
import { mostStrayed, type Rounding } from '@tureen/core/solve';
import { bodyWord } from '@tureen/core/body';
import { tasteWord, tastesOf } from '@tureen/core/season';
import { showMass, showMinutes, type UnitSystem } from '@tureen/core/units';
import type { Kit } from '@tureen/core/kit';
import type { Soup } from '@tureen/core/soup';
import { loadKit, loadLarder, loadSoup } from './files.js';
import { requestOf, type Given } from './options.js';
import { Misused, good, wrong, type CommandResult } from './result.js';
import { table } from './table.js';

export interface Loadeds {
  readonly soup: Soup;
  readonly kit: Kit;
  readonly rows: readonly IngredientRow[];
}

/** Soup, kit and larder as the options name them. */
export function loadAll(from: Given): { ok: true; value: Loadeds } | { ok: false; result: CommandResult } {
  const file = from.positionals[1];
  if (file === undefined) throw new Misused('Name the file of a soup.');
  const soup = loadSoup(file);
  if (!soup.ok) return soup;
  const kit = loadKit(from.values.kit);
  if (!kit.ok) return kit;
  const rows = loadLarder(from.values.larder);
  if (!rows.ok) return rows;
  return { ok: true, value: { soup: soup.value, kit: kit.value, rows: rows.value } };
}

/** The plan that the options ask for, or why there is none. */
export function planned(
  from: Given,
): { ok: true; value: Loadeds & { plan: Planned; request: PlanRequest } } | { ok: false; result: CommandResult } {
  const loaded = loadAll(from);
  if (!loaded.ok) return loaded;
  const { soup, kit, rows } = loaded.value;
  const request = requestOf(from, kit, soup, (one) => makePlan(soup, rows, kit, one).ok);
  const planning = (from.values.exact === true ? makePlan : planToBuy)(soup, rows, kit, request);
  if (planning.ok) return { ok: true, value: { ...loaded.value, plan: planning.plan, request } };
  const { error } = planning;
  if (error.code === 'SOUP_HAS_PROBLEMS') return { ok: false, result: problemsResult(error.problems) };
  return { ok: false, result: wrong(planSentence(error), error) };
}

function problemsResult(problems: readonly (Parameters<typeof problemSentence>[0] & { readonly path: string })[]): CommandResult {
  const lines = problems.map((problem) => `  ${problem.path}: ${problemSentence(problem)}`);
  return wrong(['The soup can’t be cooked as it stands:', ...lines].join('\n'), { problems });
}

export function check(from: Given): CommandResult {
  const loaded = loadAll(from);
  if (!loaded.ok) return loaded.result;
  const { soup, kit, rows } = loaded.value;
  const preparation = prepareSoup(soup, makeLarder(rows), kit, kit.pots[0]?.id ?? '', soup.writtenFor.bowlG / 1000);
  if (!preparation.ok) return problemsResult(preparation.problems);
  const of = run(preparation.prepared, 1);
  const raw = clocksOf(preparation.prepared, of).filter(({ melded }) => !melded);
  const notes = raw.map(
    ({ lineId, meldNeeds, hotMinutes }) =>
      `  ${lineId}: wants ${showMinutes(meldNeeds)} of heat and gets ${showMinutes(hotMinutes)}.`,
  );
  return good([`${soup.name} can be cooked: ${String(soup.lines.length)} lines.`, ...notes].join('\n'), { ok: true, raw });
}

function mass(kg: number, units: UnitSystem): string {
  const { digits, unit } = showMass(kg, units);
  return `${digits} ${unit}`;
}

/** A line that strays by less is not spoken of. */
const TOLD_DRIFT = 0.005;

/** How far rounding to what can be bought has moved the lines; the one that strays most by name. */
function roundedSentence(rounding: Rounding, name: (id: string) => string): string {
  const most = mostStrayed(rounding);
  const stray =
    most === undefined || Math.abs(most.drift) < TOLD_DRIFT
      ? ''
      : `; ${name(most.lineId)} strays most, by ${(Math.expm1(most.drift) * 100).toFixed(0)} %`;
  return `rounded to what can be bought and weighed, with a drift of ${(rounding.drift * 100).toFixed(2)} %${stray}`;
}

export function plan(from: Given): CommandResult {
  const made = planned(from);
  if (!made.ok) return made.result;
  const { plan: own, kit, soup } = made.value;
  const { run: of, rounding } = own;
  const figures = figuresOf(own.prepared, of);
  const list = pullList({ prepared: own.prepared, run: of });
  const cards = cardsMade(own.prepared, of);
  const cautions = cautionsOf(own.prepared, of);
  const pot = kit.pots.find(({ id }) => id === own.snapshot.request.potId)?.name ?? '';
  const name = (id: string): string =>
    own.prepared.lines.find(({ line }) => line.id === id)?.line.ingredient.row.name.toLowerCase() ?? id;
  const tastes = of.dished === undefined ? undefined : tastesOf(of.dished.parcel);
  const rows = list.map(({ name: ingredient, boughtKg, edibleKg, trimKg, cost, way }) => [
    ingredient,
    mass(boughtKg, kit.units),
    trimKg > 1e-9 ? mass(edibleKg, kit.units) : '',
    way ?? '',
    cost.toFixed(2),
  ]);
  const text = [
    `${soup.name}: ${figures.bowls.toFixed(1).replace(/\.0$/, '')} bowls of ${String(own.snapshot.request.bowlG)} g in the ${pot.toLowerCase()}`,
    '',
    table([['', 'bought', 'edible', '', 'cost'], ...rows], [1, 2, 4]),
    ...cards.map(
      ({ name: card, wantedKg, scale }) => `\nMakes ${card}: ${mass(wantedKg, kit.units)}, ${scale.toFixed(2)} times the card.`,
    ),
    '',
    `cooked  ${mass(figures.cookedKg, kit.units)}   served ${mass(figures.servedKg, kit.units)}   time ${showMinutes(figures.minutes)}`,
    `salt    ${figures.saltPct.toFixed(2)} %   body ${figures.bodyMPas.toFixed(0)} mPa·s (${bodyWord(figures.bodyMPas)}; by composition, 50 % either way before a reading)`,
    ...(tastes === undefined
      ? []
      : [`taste   ${tasteWord('sour', tastes.sour)}, ${tasteWord('sweet', tastes.sweet)}, ${tasteWord('heat', tastes.heat)}`]),
    `cost    ${figures.cost.toFixed(2)}, ${(figures.cost / figures.bowls).toFixed(2)} a bowl`,
    ...sharesOf(of).map(({ name: share, whole }) => `bowls   ${String(whole)} ${share.toLowerCase()}`),
    ...(rounding === undefined ? [] : [roundedSentence(rounding, name)]),
    '',
    ...cautions.map(({ stepId, caution }) => `! ${stepId ?? 'batch'}: ${cautionSentence(caution, name, kit.units)}`),
    'Local food law and your kitchen’s own safety plan come first.',
  ].join('\n');
  return good(text, {
    soup: soup.id,
    request: own.snapshot.request,
    scale: own.snapshot.scale,
    figures,
    pullList: list,
    cards: cards.map(({ cardId, wantedKg, scale }) => ({ cardId, wantedKg, scale })),
    servings: of.servings.map(({ id, bowls, bowlKg }) => ({ id, bowls, bowlKg })),
    tastes,
    rounding,
    cautions,
  });
}
