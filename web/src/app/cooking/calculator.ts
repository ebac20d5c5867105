import { namesOf, readLine, type LineReading, type Names } from '@tureen/core/amounts';
import { foldBatch, rememberedActions, type Dated, type Remembered, type StoredEntry } from '@tureen/core/batch';
import {
  addLine,
  comesTo,
  removeLine,
  rewriteLine,
  takeLine,
  workable,
  writtenLines,
  type Answer,
  type Place,
  type TakenLine,
} from '@tureen/core/draft';
import { readRecipe, type MethodReading, type RecipeAsk } from '@tureen/core/method';
import type { Kit } from '@tureen/core/kit';
import { makeLarder, nearTo, type IngredientRow, type Larder } from '@tureen/core/larder';
import {
  planToBuy,
  potsFor,
  rerun,
  roundedPull,
  shelfFactsOf,
  typedPlan,
  writtenPlan,
  type PlanRequest,
  type Planned as PlannedBatch,
  type Planning,
  type ShelfFacts,
  type Snapshot,
} from '@tureen/core/plan';
import type { MethodChoices, Soup } from '@tureen/core/soup';
import { bringBack, contentsOf, type BringBackAsk, type BroughtBack, type Contents } from '@tureen/core/stock';
import { compare, explain, explainPull, type Askable, type Difference, type Why } from '@tureen/core/why';
import type { DraftOutcome, Drafting, EditView, Planned, PullKey, StoodIn, Typed, TypedView, UnderstoodMethod } from './answers';
import { batchView, type BatchView } from './batch-view';
import {
  coolingAnswer,
  watchAnswer,
  type CoolingAnswer,
  type CoolingQuestion,
  type WatchAnswer,
  type WatchQuestion,
} from './cold-view';
import { cardView, planOutcome, type CardView } from './views';

/** Plans that are remembered: those of every pot for one question, and the question before. */
const MOST_PLANNINGS = 12;

interface Followed {
  readonly planned: PlannedBatch;
  readonly entries: Map<string, StoredEntry>;
}

/** Core in a thread of its own. It is told once what the kitchen has, so that a keystroke does not carry the larder along. */
export class Calculator {
  private readonly followed = new Map<string, Followed>();
  private readonly plannings = new Map<string, Planning>();
  private lastWritten: { readonly key: string; readonly planned: PlannedBatch | undefined } | undefined;
  private rows: readonly IngredientRow[] = [];
  private kit: Kit | undefined;
  private isNarrow = false;
  private larder: Larder = new Map();
  private names: Names | undefined;
  /** The soup that is being changed, as it was last asked about. */
  private held: Soup | undefined;

  stock(rows: readonly IngredientRow[], kit: Kit | undefined): void {
    if (rows.length > 0) {
      this.rows = rows;
      this.larder = makeLarder(rows);
      this.names = undefined;
    }
    this.kit = kit;
    // Another kit or larder makes other plans.
    this.plannings.clear();
    this.lastWritten = undefined;
  }

  private context(): { larder: Larder; names: Names; country: Kit['country'] } {
    this.names ??= namesOf(this.rows);
    return { larder: this.larder, names: this.names, country: this.kit?.country };
  }

  /** How wide the screen is: on a narrow one ribbons are drawn as strips. */
  narrow(is: boolean): void {
    this.isNarrow = is;
  }

  private cardOf(planned: PlannedBatch, kit: Kit, how: Parameters<typeof cardView>[3]): CardView {
    return cardView(planned, this.rows, kit.units, this.isNarrow ? 'strip' : how);
  }

  written(soup: Soup, how: Parameters<typeof cardView>[3] = 'read'): CardView | undefined {
    if (this.kit === undefined) return undefined;
    const planned = writtenPlan(soup, this.rows, this.kit);
    return planned === undefined ? undefined : this.cardOf(planned, this.kit, how);
  }

  /** What is to be entered of a batch of a plan that was cooked without the page. */
  remembered(snapshot: Snapshot, of: Remembered): readonly Dated[] {
    return rememberedActions(rerun(snapshot), of);
  }

  /** What a container holds that is filled from a batch; undefined for a pot with nothing in it. */
  contents(snapshot: Snapshot, entries: readonly StoredEntry[], version: number): Contents | undefined {
    return contentsOf(foldBatch(snapshot, entries), version);
  }

  /** The same of a soup as its card has it: for what was cooked without a batch on record. */
  contentsAsWritten(soup: Soup, version: number): Contents | undefined {
    const planned = this.kit === undefined ? undefined : writtenPlan(soup, this.rows, this.kit);
    return planned === undefined ? undefined : contentsOf(planned, version);
  }

  /** How a pan stands that is watched while it cools. */
  watching(question: WatchQuestion): WatchAnswer | undefined {
    return watchAnswer(question, this.kit);
  }

  /** How a leftover is best cooled. */
  cooling(question: CoolingQuestion): CoolingAnswer | undefined {
    return coolingAnswer(question, this.kit);
  }

  /** How a kept soup is brought back on this kitchen's stove. */
  bringBack(ask: Omit<BringBackAsk, 'kit'>): BroughtBack | undefined {
    return this.kit === undefined ? undefined : bringBack({ ...ask, kit: this.kit });
  }

  /** What the shelf shows of soups, as written. */
  shelved(soups: readonly Soup[]): readonly ShelfFacts[] {
    return soups.map((soup) => shelfFactsOf(soup, this.rows, this.kit));
  }

  /** A plan with its pull list in what can be bought; the smallest pot that holds it where the request names none. */
  plan(soup: Soup, request: Omit<PlanRequest, 'potId'> & { potId?: string | undefined }): Planned | undefined {
    const { kit } = this;
    const potId = request.potId ?? this.potFor(soup, request);
    if (kit === undefined || potId === undefined) return undefined;
    const whole: PlanRequest = { ...request, potId };
    const planning = this.planning(soup, kit, whole);
    const outcome = planOutcome(planning, this.writtenOf(soup, kit));
    return { request: whole, outcome, rounded: planning.ok ? roundedPull(planning.plan, kit.units) : undefined };
  }

  /** A plan as it was worked out last for the same question: one planning serves every part of an answer. */
  private planning(soup: Soup, kit: Kit, request: PlanRequest): Planning {
    const key = JSON.stringify([soup, request]);
    const have = this.plannings.get(key);
    if (have !== undefined) return have;
    const planning = planToBuy(soup, this.rows, kit, request);
    const [oldest] = this.plannings.keys();
    if (this.plannings.size >= MOST_PLANNINGS && oldest !== undefined) this.plannings.delete(oldest);
    this.plannings.set(key, planning);
    return planning;
  }

  /** The soup as written: the same however often its bowls are changed. */
  private writtenOf(soup: Soup, kit: Kit): PlannedBatch | undefined {
    const key = JSON.stringify(soup);
    if (this.lastWritten?.key !== key) this.lastWritten = { key, planned: writtenPlan(soup, this.rows, kit) };
    return this.lastWritten.planned;
  }

  /** The smallest pot that holds what is asked, or the biggest there is. */
  private potFor(soup: Soup, request: Omit<PlanRequest, 'potId'>): string | undefined {
    const { kit } = this;
    if (kit === undefined) return undefined;
    const pots = potsFor(soup, kit);
    return (pots.find(({ id }) => this.planning(soup, kit, { ...request, potId: id }).ok) ?? pots.at(-1))?.id;
  }

  /** A batch that is looked at from now on. Its plan does not change: it is run once, however many ladles are poured. */
  batchOpened(batchId: string, snapshot: Snapshot): void {
    if (!this.followed.has(batchId)) this.followed.set(batchId, { planned: rerun(snapshot), entries: new Map() });
  }

  /** A batch that is looked at no more. */
  batchLeft(batchId: string): void {
    this.followed.delete(batchId);
  }

  /** An open batch with what came since it was asked about last: entries are only ever added, so the others need not travel. */
  batch(batchId: string, since: readonly StoredEntry[]): BatchView {
    const { planned, entries } = this.followedOf(batchId);
    for (const entry of since) entries.set(entry.id, entry);
    return batchView(planned.snapshot, [...entries.values()], planned);
  }

  /** The same batch as it would be with some more. */
  batchWith(batchId: string, more: readonly StoredEntry[]): BatchView {
    const { planned, entries } = this.followedOf(batchId);
    return batchView(planned.snapshot, [...entries.values(), ...more], planned);
  }

  private followedOf(batchId: string): Followed {
    const own = this.followed.get(batchId);
    if (own === undefined) throw new Error('A batch is opened before it is asked about.');
    return own;
  }

  /** Why a figure is what it is, of a plan, or of the soup as written where no request is given. */
  why(soup: Soup, request: PlanRequest | undefined, figure: Askable | PullKey): Why | undefined {
    if (this.kit === undefined) return undefined;
    if (typeof figure !== 'string') return request === undefined ? undefined : this.whyPulled(soup, request, figure);
    if (request === undefined) {
      const planned = writtenPlan(workable(soup, this.larder).soup, this.rows, this.kit);
      return planned === undefined ? undefined : explain(planned.prepared, planned.run, figure);
    }
    const planning = this.planning(soup, this.kit, request);
    return planning.ok ? explain(planning.plan.prepared, planning.plan.run, figure) : undefined;
  }

  /** Why a figure of a batch is what it is, from what really happened and what is still ahead. */
  whyOf(snapshot: Snapshot, entries: readonly StoredEntry[], figure: Askable): Why {
    const state = foldBatch(snapshot, entries);
    return explain(state.prepared, state.run, figure);
  }

  private whyPulled(soup: Soup, request: PlanRequest, row: PullKey): Why | undefined {
    const planning = this.kit === undefined ? undefined : this.planning(soup, this.kit, request);
    if (planning?.ok !== true || this.kit === undefined) return undefined;
    return explainPull(planning.plan, roundedPull(planning.plan, this.kit.units), row.ingredient, row.way);
  }

  /** What each option of a school would change, against the soup as it is. */
  choiceDifferences(soup: Soup, options: readonly MethodChoices[]): readonly (Difference | undefined)[] {
    const { kit } = this;
    const now = kit === undefined ? undefined : writtenPlan(soup, this.rows, kit);
    if (kit === undefined || now === undefined) return options.map(() => undefined);
    return options.map((option) => {
      const other = writtenPlan({ ...soup, methodChoices: { ...soup.methodChoices, ...option } }, this.rows, kit);
      return other === undefined ? undefined : compare(now, other);
    });
  }

  private taking(text: string, bowls: number, heading = ''): { reading: LineReading; taken: TakenLine | undefined } {
    const reading = readLine(text, this.context());
    return { reading, taken: takeLine(reading, { larder: this.larder, heading, bowls }) };
  }

  /** A soup's amounts as they stand: what is being typed is not scaled to the bowls that it was written for. */
  private typedView(soup: Soup): CardView | undefined {
    if (this.kit === undefined) return undefined;
    const planned = typedPlan(soup, this.rows, this.kit);
    return planned === undefined ? undefined : this.cardOf(planned, this.kit, 'typed');
  }

  /** What comes nearest to each ingredient, of the larder's own rows. */
  near(ids: readonly string[], most: number): readonly (readonly IngredientRow[])[] {
    return ids.map((id) => nearTo(id, this.larder, most).map(({ row }) => row));
  }

  edited(soup: Soup): EditView {
    this.held = soup;
    const { soup: rest, problems } = workable(soup, this.larder);
    return {
      soup,
      problems,
      words: [...writtenLines(soup, (id) => this.larder.get(id)?.row)],
      view: this.typedView(rest),
    };
  }

  /**
   * A line typed anew in the place of one, or as a new one; what is not understood changes nothing. Where no soup is given
   * it is the one that was asked about last: a keystroke need not carry it here and back.
   */
  typed(given: Soup | undefined, lineId: string | undefined, text: string, at?: Place, answer?: Answer): Typed {
    const soup = given ?? this.held;
    if (soup === undefined) throw new Error('No soup is being changed.');
    this.held = soup;
    const { bowls } = soup.writtenFor;
    const { reading, taken: read } = this.taking(text, bowls);
    const taken = answer === undefined ? read : takeLine(reading, { larder: this.larder, bowls }, answer);
    if (taken === undefined) return { ok: false, reading };
    const { assumed, kg } = taken;
    if (lineId === undefined) {
      const added = addLine(soup, taken, at);
      return { ok: true, edit: this.since(soup, added.soup), lineId: added.lineId, assumed, kg };
    }
    return { ok: true, edit: this.since(soup, rewriteLine(soup, lineId, taken)), lineId, assumed, kg };
  }

  private since(before: Soup, soup: Soup): TypedView {
    const { words, problems, view } = this.edited(soup);
    const had = new Set(before.lines);
    return {
      words,
      problems,
      view,
      lines: soup.lines.filter((line) => !had.has(line)),
      root: soup.root === before.root ? undefined : soup.root,
    };
  }

  /** A line replaced by what is typed, or left out where nothing is: the soup so, and what that changes in a bowl. */
  substituted(soup: Soup, lineId: string, text: string): StoodIn {
    const { kit } = this;
    const { reading, taken } = this.taking(text === '' ? 'x' : text, soup.writtenFor.bowls);
    if (text !== '' && taken === undefined) return { ok: false, reading };
    const other = taken === undefined || text === '' ? removeLine(soup, lineId) : rewriteLine(soup, lineId, taken);
    const before = kit === undefined ? undefined : writtenPlan(soup, this.rows, kit);
    const after = kit === undefined ? undefined : writtenPlan(other, this.rows, kit);
    return {
      ok: true,
      soup: other,
      line: text === '' ? undefined : other.lines.find(({ id }) => id === lineId),
      difference: before === undefined || after === undefined ? undefined : compare(before, after),
    };
  }

  /** Reads a pasted recipe, puts it together as far as it is understood, and weighs what it comes to. */
  drafted({ text, answers, fixes, id, name, bowlG, school, served }: Drafting): DraftOutcome {
    const ask: RecipeAsk = {
      id,
      name,
      bowlG,
      school,
      served,
      answers,
      fixes,
      blenders: this.kit?.blenders.map(({ kind }) => kind),
    };
    const first = readRecipe(text, ask, this.context());
    if (!first.ok) return { ok: false, pasting: first };
    const real = this.kit === undefined || first.soup === undefined ? undefined : comesTo(first.soup, this.rows, this.kit);
    const bowls = real === undefined || real < 0.1 ? undefined : Math.round(real * 10) / 10;
    const again = bowls === undefined ? first : readRecipe(text, { ...ask, bowls }, this.context());
    const read = again.ok ? again : first;
    return {
      ok: true,
      drafted: {
        title: read.pasted.title,
        stated: read.pasted.bowls,
        notes: read.pasted.notes,
        lines: read.lines.map(({ heading, reading, taken, isLeftOut, isSupposed }) => ({
          heading,
          reading,
          isLeftOut,
          isSupposed,
          taken:
            taken === undefined
              ? undefined
              : {
                  ingredient: taken.row.id,
                  name: taken.row.name,
                  kg: taken.kg,
                  role: taken.role,
                  assumed: taken.assumed,
                  rule: taken.amount.rule,
                },
        })),
        method: read.method === undefined ? undefined : this.methodView(read.method),
        soup: read.soup,
        bowls,
        view: read.soup === undefined ? undefined : this.written(read.soup, 'typed'),
      },
    };
  }

  private methodView({ clauses, actions, tree }: MethodReading): UnderstoodMethod {
    const lines = [...tree.soup.lines, ...(tree.soup.cards ?? []).flatMap((card) => card.lines)];
    const nameOf = (ingredient: string): string => this.larder.get(ingredient)?.row.name.split(',')[0]?.toLowerCase() ?? ingredient;
    return {
      clauses: clauses.map(({ start, end, text }) => ({ start, end, text })),
      actions,
      names: lines.map((line) => [line.id, nameOf(line.ingredient)] as const),
      placed: tree.placed,
      equalShares: tree.equalShares,
      joinedByGuess: tree.joinedByGuess,
      heatsAtOnce: tree.heatsAtOnce,
    };
  }

  /** What a line could stand for, with its kilos: for a misspelt food, what it is nearest to. */
  meant(text: string, wrong: string, ingredient: string): Answer | undefined {
    const row = this.larder.get(ingredient)?.row;
    if (row === undefined) return undefined;
    const { taken } = this.taking(text.replace(wrong, row.name.split(',')[0] ?? row.name), USUAL_BOWLS);
    const { taken: whole } = taken?.row.id === ingredient ? { taken } : this.taking(text.replace(wrong, row.name), USUAL_BOWLS);
    if (whole?.row.id !== ingredient || (whole.amount.rule !== 'scaled' && whole.amount.rule !== 'spice')) return undefined;
    return { ingredient, amount: whole.amount.amount, kg: whole.kg };
  }
}

/** Bowls that a soup is taken to be for while nothing says so. */
const USUAL_BOWLS = 4;
