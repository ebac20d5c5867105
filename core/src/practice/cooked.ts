import { saltPctOf, thicknessOf, massOf, type SimulatedPot } from '../bench/index.js';
import { foldBatch, historyOf, pouredKg, type BatchState, type StoredEntry } from '../batch/index.js';
import { ACID, SALT, type Mix } from '../larder/index.js';
import type { Planned } from '../plan/index.js';
import { bodyMPas, contents, potKg } from '../pot/index.js';
import type { StepRecord } from '../runner/index.js';
import { walk, type SoupStep } from '../soup/index.js';
import { HiddenKitchen, type Mishaps } from './hidden-kitchen.js';
import { Truth, flameOf, hangsOnFigures, unlearnt } from './truth.js';

/** What is hidden of a practice: which kitchen it is, and what is otherwise than anybody there thinks. */
export interface Hidden {
  readonly seed: number;
  readonly mishaps: Mishaps;
}

/** What stands in a vessel. */
export interface Stands {
  readonly kg: number;
  readonly saltPct: number;
  /** As it is served, mPa·s; undefined before it is blended. */
  readonly mPas: number | undefined;
  /** Acid, g/kg. */
  readonly acidGKg: number;
}

/** The vessel of a step as it is and as the record has it, behind one entry that did something to it. */
export interface Moment {
  readonly entryId: string;
  readonly stepId: string;
  readonly atMs: number;
  /** How hot it really was before that, °C. */
  readonly fromC: number;
  readonly believed: Stands;
  readonly true: Stands;
}

/** A batch of a practice: what is believed of it, what is true, and what happened to it on the way. */
export interface Cooked {
  readonly state: BatchState;
  readonly pot: SimulatedPot;
  /** What the step that is under way heats the pot to, °C; undefined where no flame is lit. */
  readonly flameC: number | undefined;
  readonly moments: readonly Moment[];
}

/** What was entered at a step of one of its lines went in at once. */
const GIVES: ReadonlySet<string> = new Set(['added', 'poured', 'brought']);

function truthOf(plain: Planned, { seed, mishaps }: Hidden): Truth {
  return new Truth(plain, new HiddenKitchen(seed, mishaps), seed);
}

/** What was entered, done in one kitchen or in several at once: what is believed is the same in all of them. */
class Cooking {
  /** The kitchen whose moments are noted, and all of them with it. */
  private readonly truth: Truth;
  private readonly truths: readonly Truth[];
  readonly moments: Moment[] = [];
  private readonly branchOf: ReadonlyMap<string, string>;
  private readonly trims: ReadonlySet<string>;
  private readonly byHand = new Map<string, Set<string>>();
  /** By step, which branches run into its own by then, in their order. */
  private readonly joinsBefore: ReadonlyMap<string, readonly { readonly branch: string; readonly into: string }[]>;
  /** Branches in whose vessels something was blended. */
  private readonly blended = new Set<string>();
  private readonly plain: Planned;
  private state: BatchState;
  private readonly before: StoredEntry[] = [];
  private clockMs: number | undefined;
  private readonly stepsOf = new Map<string, SoupStep[]>();
  /** Steps that are done or skipped. */
  private readonly over = new Set<string>();

  constructor(
    private readonly plan: Planned,
    hidden: Hidden,
    others: readonly Hidden[] = [],
  ) {
    this.plain = unlearnt(plan);
    this.truth = truthOf(this.plain, hidden);
    this.truths = [this.truth, ...others.map((other) => truthOf(this.plain, other))];
    const steps = walk(plan.prepared.soup.root);
    this.branchOf = new Map(steps.map(({ step, branch }) => [step.id, branch.id]));
    for (const { step, branch } of steps) this.stepsOf.set(branch.id, [...(this.stepsOf.get(branch.id) ?? []), step]);
    this.trims = new Set(steps.flatMap(({ step }) => (step.op === 'trim' ? [step.id] : [])));
    this.joinsBefore = new Map(
      steps.map(({ step, branch }) => {
        const upTo = branch.steps.slice(0, branch.steps.indexOf(step) + 1);
        return [step.id, upTo.flatMap((one) => (one.op === 'join' ? [{ branch: one.branch.id, into: branch.id }] : []))];
      }),
    );
    this.state = foldBatch(plan.snapshot, [], plan);
  }

  private fold(): void {
    this.state = foldBatch(this.plan.snapshot, this.before, this.plan);
  }

  private mixOf(line: string, kg: number): Mix | undefined {
    const own = this.state.prepared.lines.find(({ line: { id } }) => id === line)?.line;
    return own?.ingredient.perKg.map((share) => share * kg) as Mix | undefined;
  }

  private kgOf(line: string, volume: number): number {
    const own = this.state.prepared.lines.find(({ line: { id } }) => id === line)?.line;
    return own === undefined ? 0 : pouredKg(own.ingredient, volume);
  }

  /** What has to have run in before a step of a branch: the branches that join before it, whether anybody ticked that or not. */
  private join(stepId: string): void {
    for (const { branch, into } of this.joinsBefore.get(stepId) ?? []) {
      for (const truth of this.truths) truth.join(branch, into);
      if (this.blended.has(branch)) this.blended.add(into);
    }
  }

  /** What the next step of a branch, which is under way from the one before on, heats it to. */
  private flameC(branch: string): number | undefined {
    return flameOf((this.stepsOf.get(branch) ?? []).find(({ id }) => !this.over.has(id)));
  }

  /** What stands there cools until then, or warms on its flame. */
  private passes(untilMs: number): void {
    const seconds = Math.max(0, untilMs - (this.clockMs ?? untilMs)) / 1000;
    for (const truth of this.truths) truth.waits(seconds, (branch) => this.flameC(branch));
    this.clockMs = Math.max(untilMs, this.clockMs ?? untilMs);
  }

  take(entry: StoredEntry): void {
    const { action, atMs } = entry;
    this.before.push(entry);
    this.passes(atMs);
    if (!('stepId' in action) || action.stepId === undefined) return;
    const { stepId } = action;
    const branch = this.branchOf.get(stepId) ?? this.plan.prepared.soup.root.id;
    this.join(stepId);
    const fromC = this.truth.potOf(branch).tempC;
    if (GIVES.has(action.kind)) {
      if (action.kind === 'brought') this.fold();
      if (this.trims.has(stepId)) return;
      const line = 'line' in action ? action.line : '';
      const kg = action.kind === 'poured' ? this.kgOf(line, action.volumeM3) : 'kg' in action ? action.kg : 0;
      const mix = this.mixOf(line, kg);
      if (mix === undefined) return;
      this.byHand.set(stepId, (this.byHand.get(stepId) ?? new Set()).add(line));
      for (const truth of this.truths) truth.give(line, mix, branch, action.kind === 'poured' ? 'ladle' : 'scale');
    } else if (action.kind === 'done') this.tick(stepId);
    else if (action.kind === 'ladled out') this.takeOut(action.kg, branch);
    else if (action.kind === 'cup') this.takeOut(action.cupKg, branch);
    else return;
    // Nobody asks for the moments of many kitchens, and each costs a fold of all that was entered.
    if (this.truths.length === 1) this.note(entry, stepId, branch, fromC);
  }

  private takeOut(kg: number, branch: string): void {
    for (const truth of this.truths) truth.take(kg, branch);
  }

  private tick(stepId: string): void {
    this.over.add(stepId);
    this.fold();
    const given = this.byHand.get(stepId);
    const isOwn = ({ step }: StepRecord): boolean => step.id === stepId && step.op !== 'read' && step.op !== 'join';
    const records = this.state.happened.filter(isOwn);
    const isPlain = this.plain === this.plan || !records.some(hangsOnFigures);
    const asPlain = isPlain ? records : foldBatch(this.plain.snapshot, this.before, this.plain).happened.filter(isOwn);
    for (const [n, record] of records.entries()) {
      const { step } = record;
      // What was entered by hand stands in the record as an addition of its own: it is in already.
      const isAct = step.op === 'add' && record.inflows.length > 0 && record.inflows.every(({ lineId }) => given?.has(lineId));
      if (step.op === 'blend') this.blended.add(record.branchId);
      if (isAct) continue;
      const isIn = (line: string): boolean => given?.has(line) === true && !this.trims.has(stepId);
      for (const truth of this.truths) truth.happens(record, asPlain[n] ?? record, isIn);
    }
  }

  private note({ id, atMs }: StoredEntry, stepId: string, branch: string, fromC: number): void {
    this.fold();
    const { servedC, parameters } = this.plan.prepared;
    const pot = this.truth.potOf(branch);
    const kg = massOf(pot);
    const thought = this.state.pots.get(branch) ?? this.state.pot;
    const thoughtKg = potKg(thought);
    // What is in pieces has no body yet.
    const isBlended = this.blended.has(branch) && kg > 0 && thoughtKg > 0;
    this.moments.push({
      entryId: id,
      stepId,
      atMs,
      fromC,
      believed: {
        kg: thoughtKg,
        saltPct: thoughtKg > 0 ? (contents(thought).mix[SALT] / thoughtKg) * 100 : 0,
        mPas: isBlended ? bodyMPas(thought, servedC, parameters.bodyA) : undefined,
        acidGKg: thoughtKg > 0 ? (contents(thought).mix[ACID] / thoughtKg) * 1000 : 0,
      },
      true: {
        kg,
        saltPct: kg > 0 ? saltPctOf(pot) : 0,
        mPas: isBlended ? thicknessOf(pot, servedC) : undefined,
        acidGKg: kg > 0 ? (pot.acidKg / kg) * 1000 : 0,
      },
    });
  }

  pots(): SimulatedPot[] {
    return this.truths.map(({ pot }) => pot);
  }

  end(entries: readonly StoredEntry[], untilMs: number | undefined): Cooked {
    if (untilMs !== undefined) this.passes(untilMs);
    return {
      state: foldBatch(this.plan.snapshot, entries, this.plan),
      pot: this.truth.pot,
      flameC: this.flameC(this.plan.prepared.soup.root.id),
      moments: this.moments,
    };
  }
}

/**
 * What really stands in the pot behind all that was entered, in so many kitchens: of each what `cookedIn` says, but all at once.
 *
 * @returns a pot for each of them, in their order.
 */
export function cookedInMany(
  plan: Planned,
  entries: readonly StoredEntry[],
  [first, ...others]: readonly Hidden[],
): SimulatedPot[] {
  if (first === undefined) return [];
  const cooking = new Cooking(plan, first, others);
  for (const entry of historyOf(entries).counted) cooking.take(entry);
  return cooking.pots();
}

/**
 * What really stands in the pot behind all that was entered, in a kitchen that keeps its truth to itself. The same plan,
 * seed and entries give the same pot, wherever that is worked out; a reading changes nothing of it.
 *
 * @param untilMs how it stands then; when the last thing was entered where that is left out.
 */
export function cookedIn(plan: Planned, entries: readonly StoredEntry[], hidden: Hidden, untilMs?: number): Cooked {
  const cooking = new Cooking(plan, hidden);
  for (const entry of historyOf(entries).counted) cooking.take(entry);
  return cooking.end(entries, untilMs);
}
