import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import {
  DaySchema,
  clockOf,
  dayWork,
  forTheCold,
  intoCold,
  latestBy,
  planDay,
  plansIn,
  provePlan,
  waysOut,
  type Day,
} from '@tureen/core/board';
import { dayCalendar } from '@tureen/core/formats';
import { NO_PANS_LEFT, byClock, coolingRows, dayProblemSentence, dayRows, dayVerdict, wayWords } from '@tureen/core/messages';
import type { Kit } from '@tureen/core/kit';
import { shoppingList } from '@tureen/core/shop';
import { loadSolver } from '@tureen/core/solver';
import { EXAMPLE_SOUPS, type Soup } from '@tureen/core/soup';
import { load, loadKit, loadLarder, loadSoup, type Loaded } from './files.js';
import type { Given } from './options.js';
import { Misused, good, wrong, type CommandResult } from './result.js';
import { table } from './table.js';

/** Orders of work that are tried for a day. */
const TRIES = 400;
/** So long the solver looks for a better order, or for the proof that there is none, seconds. */
const PROOF_S = 8;

/** The soups that ship, with those of a folder laid over them. */
function soupsOf(folder: string | undefined): Loaded<readonly Soup[]> {
  if (folder === undefined) return { ok: true, value: EXAMPLE_SOUPS };
  let names: string[];
  try {
    names = readdirSync(folder).filter((name) => name.endsWith('.json'));
  } catch {
    throw new Misused(`--soups wants a folder with soups; there is none at "${folder}".`);
  }
  const own: Soup[] = [];
  for (const name of names) {
    const soup = loadSoup(join(folder, name));
    if (!soup.ok) return soup;
    own.push(soup.value);
  }
  const ids = new Set(own.map(({ id }) => id));
  return { ok: true, value: [...own, ...EXAMPLE_SOUPS.filter(({ id }) => !ids.has(id))] };
}

function worked(
  from: Given,
): Loaded<{ day: Day; planning: ReturnType<typeof dayWork>; rows: Parameters<typeof plansIn>[0]; kit: Kit }> {
  const file = from.positionals[1];
  if (file === undefined) throw new Misused('Which day? Give its file, such as DAY.json.');
  const day = load(file, DaySchema);
  if (!day.ok) return day;
  const kit = loadKit(from.values.kit);
  if (!kit.ok) return kit;
  const rows = loadLarder(from.values.larder);
  if (!rows.ok) return rows;
  const soups = soupsOf(from.values.soups);
  if (!soups.ok) return soups;
  const soupOf = (id: string): Soup | undefined => soups.value.find((soup) => soup.id === id);
  return {
    ok: true,
    value: {
      day: day.value,
      planning: dayWork(day.value, kit.value, soupOf, plansIn(rows.value, kit.value)),
      rows: rows.value,
      kit: kit.value,
    },
  };
}

/** `tureen day DAY.json`: a day laid out on kit and hands; with `--ics` as a calendar. */
export async function dayPlanned(from: Given): Promise<CommandResult> {
  const found = worked(from);
  if (!found.ok) return found.result;
  const { day, planning } = found.value;
  const { batches, lanes } = planning.work;
  const problems = planning.problems.map((problem) => `${problem.batchId}: ${dayProblemSentence(problem)}`);
  const first = planDay(planning.work, TRIES);
  const plan =
    first === undefined ? undefined : provePlan(planning.work, first, await loadSolver(), PROOF_S, () => performance.now());
  if (plan === undefined) return wrong(['Nothing of this day can be planned.', ...problems].join('\n'), { problems });
  const cooling = intoCold(forTheCold(day, planning.plans, plan), found.value.kit);
  problems.push(...cooling.without.map((id) => `${id}: ${NO_PANS_LEFT}`));
  const { units } = found.value.kit;
  const rows = byClock([...dayRows(plan, batches, lanes, units), ...coolingRows(cooling.cooled, batches, units)]);
  if (from.values.ics === true) {
    const text = dayCalendar(rows, day.date, day.date);
    return good(text, { calendar: text });
  }
  const { main, more } = dayVerdict(plan, batches, lanes);
  const ways = waysOut(planning.work, plan, () => []).map(({ way, lateMin }) => ({ words: wayWords(way, batches), lateMin }));
  const isLate = latestBy(plan) > 0;
  const listed = rows.map(({ startMin, endMin, person, what, where, soup }) => [
    clockOf(startMin),
    clockOf(endMin),
    person ?? '',
    what,
    where,
    soup,
  ]);
  const text = [
    main,
    more,
    ...problems,
    ...ways.map(
      ({ words, lateMin }) => `- ${words}: ${lateMin === 0 ? 'then all is on time' : `then late by ${String(lateMin)} min`}`,
    ),
    '',
    table([['from', 'to', 'who', 'what', 'where', 'soup'], ...listed]),
  ].join('\n');
  const data = {
    date: day.date,
    onTime: !isLate,
    inHandMin: plan.inHandMin,
    mostInHandMin: plan.mostInHandMin,
    late: Object.fromEntries(plan.lateMin),
    unplaced: plan.unplaced,
    problems: planning.problems,
    ways,
    rows: rows.map((row) => ({ ...row, start: clockOf(row.startMin), end: clockOf(row.endMin) })),
  };
  return isLate || problems.length > 0 ? wrong(text, data) : good(text, data);
}

/** `tureen shop DAY.json`: what a day needs, added up by ingredient. */
export function shopped(from: Given): CommandResult {
  const found = worked(from);
  if (!found.ok) return found.result;
  const { planning, rows } = found.value;
  const wanted = [...planning.plans.values()].map((plan) => ({ name: plan.snapshot.soup.name, plan }));
  const list = shoppingList(wanted, rows, [], []);
  const problems = planning.problems.map((problem) => `${problem.batchId}: ${dayProblemSentence(problem)}`);
  const lines = list.map(({ name, buyKg, of }) => [
    name,
    `${String(Math.round(buyKg * 1000) / 1000)} kg`,
    of.map((one) => `${one.kg.toFixed(2)} ${one.name}`).join(' + '),
  ]);
  const text = [...problems, table([['ingredient', 'buy', 'for, kg'], ...lines])].join('\n');
  const data = { problems: planning.problems, list: list.map((row) => ({ ...row, pack: row.pack ?? null })) };
  return problems.length > 0 ? wrong(text, data) : good(text, data);
}
