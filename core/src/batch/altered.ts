import type { IngredientRow } from '../larder/index.js';
import { makeReady } from '../line/index.js';
import { makeLarder } from '../larder/index.js';
import type { Planned, Snapshot } from '../plan/index.js';
import { walk, linesOf, withoutLines, type Line, type SoupStep } from '../soup/index.js';
import type { History } from './history.js';

/** What a cook changed of the soup itself while it was cooked. */
export interface Altered {
  readonly planned: Pick<Planned, 'ready'>;
  /** Lines that do not go in, and those whose ingredient is another or that came on the way. */
  readonly leftOut: readonly string[];
  readonly swapped: readonly string[];
  readonly brought: readonly string[];
}

/** Lines that have gone in already, by hand or with a step that is done: what is in the pot can't be left out any more. */
function gone(snapshot: Snapshot, { counted }: History): Set<string> {
  const lines = new Set<string>();
  const done = new Set<string>();
  for (const { deed } of counted) {
    if (deed.kind === 'poured' || deed.kind === 'added') lines.add(deed.line);
    if (deed.kind === 'done') done.add(deed.stepId);
  }
  for (const { step } of walk(snapshot.soup.root)) {
    if (done.has(step.id)) for (const { line } of linesOf(step)) lines.add(line);
  }
  return lines;
}

/**
 * The plan's soup with what the cook put in another's place, brought, or left out; the plan itself where nothing was. An
 * alteration that the soup can't be made ready with is set aside, so that the record stays readable.
 */
export function alteredBy(snapshot: Snapshot, history: History, planned: Planned): Altered {
  const rows = new Map<string, IngredientRow>(snapshot.rows.map((row) => [row.id, row]));
  const given = gone(snapshot, history);
  const swapped = new Map<string, string>();
  const brought = new Map<string, Line>();
  const leftOut = new Set<string>();
  for (const { deed } of history.counted) {
    if (deed.kind === 'swapped') {
      rows.set(deed.row.id, deed.row);
      swapped.set(deed.line, deed.row.id);
    } else if (deed.kind === 'brought') {
      rows.set(deed.row.id, deed.row);
      brought.set(deed.line, {
        id: deed.line,
        ingredient: deed.row.id,
        amount: { rule: 'scaled', amount: { value: deed.kg, unit: 'kg' } },
      });
    } else if (deed.kind === 'left out' && !given.has(deed.line)) leftOut.add(deed.line);
  }
  const none: Altered = { planned, leftOut: [], swapped: [], brought: [] };
  if (swapped.size === 0 && brought.size === 0 && leftOut.size === 0) return none;
  const { soup, kit, ask, cardKg } = snapshot;
  const lines = soup.lines.map((line) => ({ ...line, ingredient: swapped.get(line.id) ?? line.ingredient }));
  const own = new Set(lines.map(({ id }) => id));
  const changed = withoutLines({ ...soup, lines, variants: undefined }, leftOut);
  const came = [...brought.values()].filter(({ id }) => !own.has(id));
  const whole = { ...changed, lines: [...changed.lines, ...came] };
  // A line has to be taken by a step to be made ready; what came on the way goes in by its own entry, not by a step.
  const taking: SoupStep = { id: 'brought-on-the-way', op: 'add', uses: came.map(({ id }) => ({ line: id })) };
  const steps = came.length === 0 ? whole.root.steps : [taking, ...whole.root.steps];
  const readied = makeReady(
    { ...whole, root: { ...whole.root, steps } },
    makeLarder([...rows.values()]),
    kit,
    ask.potId,
    ask.bowlG / 1000,
    new Map(Object.entries(cardKg ?? {})),
  );
  if (!readied.ok) return none;
  const ready = { ...readied.ready, soup: { ...readied.ready.soup, root: whole.root } };
  return { planned: { ready }, leftOut: [...leftOut], swapped: [...swapped.keys()], brought: [...brought.keys()] };
}
