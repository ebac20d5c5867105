import { contents, parcelKg, potKg, tintIn } from '../pot/index.js';
import { NO_TINT, allergenNames, colourOf, type Allergen } from '../larder/index.js';
import { cardsMade, figuresOf, type Planned } from '../plan/index.js';
import type { PreparedSoup, Run, StepRecord, Task } from '../runner/index.js';
import { kindOf, type SoupStep } from '../soup/index.js';

/** Something that is done, in whole minutes from the start of its block. */
export interface Activity {
  readonly id: string;
  readonly stepId: string;
  readonly step: SoupStep;
  /** Minutes after the start of its block. */
  readonly startsAfter: number;
  readonly minutes: number;
  /** Twentieths of one person. */
  readonly hands: number;
  readonly blender: 'jug' | 'stick' | 'processor' | undefined;
  readonly ovenC: number | undefined;
  /** Tray places of an oven. */
  readonly trays: number;
  /** Whether its pot stands on the fire. */
  readonly isHeated: boolean;
  /** Whether its pot stands in iced water. */
  readonly isIced: boolean;
  /** Kilos that are handled. */
  readonly kg: number;
}

/** That one block has to be over before a moment of another, and how long it may wait for it. */
export interface Link {
  readonly to: string;
  /** Minutes after that block's start; 0 for the bowls. */
  readonly atMin: number;
  readonly mostWaitMin: number;
}

export type BlockKind = 'trim' | 'roast' | 'pot' | 'side';

/** Activities that follow one another without a gap. */
export interface Block {
  readonly id: string;
  readonly batchId: string;
  readonly kind: BlockKind;
  readonly minutes: number;
  readonly activities: readonly Activity[];
  readonly links: readonly Link[];
  /** Ingredients by the ids of the lines that its steps name. */
  readonly names: ReadonlyMap<string, string>;
  /** Of a piece of trimming, the how manieth of how many; of a roast, the round. */
  readonly part: { readonly n: number; readonly of: number } | undefined;
}

/** All the work that one soup of the day asks for. */
export interface BatchWork {
  readonly batchId: string;
  readonly soupName: string;
  readonly colour: string;
  readonly kg: number;
  readonly allergens: readonly Allergen[];
  readonly potId: string;
  /** When the first bowl is wanted, minutes after midnight. */
  readonly dueMin: number;
  /** How long its pot is kept hot or cold from then on, minutes. */
  readonly servedMin: number;
  readonly blocks: readonly Block[];
}

/** What blocks of a batch end in. */
export const SERVICE = 'service';

/** A whole person, in the twentieths that hands are counted in: a look now and then is two of them. */
export const ONE_PERSON = 20;
/** Someone looks at it now and then, and does something else meanwhile. */
export const LOOK = 2;

/*
 * How long something may wait for what comes next, minutes. Kitchen defaults but the hot hold, which is common practice: a
 * roast stays warm on its tray, soup stands off the heat with its lid on, what is cut lies cold and covered.
 */
const MOST_WAIT = { roast: 30, pot: 30, side: 60, trim: 720, hot: 120, liaison: 20, cold: 1440 } as const;
/** A piece of work at the board that one person does without putting it down, minutes. Kitchen default. */
const AT_THE_BOARD_MIN = 25;

/** Where a block waits for its use. */
interface Pending {
  readonly id: string;
  readonly mostWaitMin: number;
  /** Of so many parts of one step's trimming, the how manieth. */
  readonly part?: { readonly n: number; readonly of: number };
}

interface Making {
  readonly id: string;
  readonly kind: BlockKind;
  readonly activities: Activity[];
  readonly links: Link[];
  readonly part: { readonly n: number; readonly of: number } | undefined;
  minutes: number;
}

function recordKg({ before, pot, inflows, step }: StepRecord): number {
  if (step.op === 'trim') return inflows.reduce((sum, { parcel }) => sum + parcelKg(parcel), 0);
  return Math.max(potKg(before), potKg(pot));
}

/** Turns the tasks of a run into blocks. A batch and each card that it takes from have a maker of their own. */
class BlockMaker {
  readonly blocks: Making[] = [];
  /** By branch, what is done and waits to be used. */
  private readonly pending = new Map<string, Pending[]>();
  private readonly open = new Map<string, Making>();
  /** By branch, what takes no time and waits for the block that it is done in. */
  private readonly atOnce = new Map<string, Task[]>();
  private readonly records: ReadonlyMap<string, StepRecord>;

  constructor(
    private readonly prefix: string,
    run: Run,
    private readonly rootId: string,
    private readonly skip: ReadonlyMap<string, number>,
  ) {
    this.records = new Map(run.records.map((record) => [record.step.id, record]));
    for (const task of run.tasks) this.take(task);
  }

  /** What is left waiting once all is made: it goes into the bowls. */
  get left(): readonly Pending[] {
    return this.waiting(this.rootId);
  }

  /** The block that the root's pot is in last. */
  get last(): Making | undefined {
    return this.open.get(this.rootId);
  }

  private waiting(branchId: string): Pending[] {
    const have = this.pending.get(branchId) ?? [];
    this.pending.set(branchId, have);
    return have;
  }

  private make(kind: BlockKind, stepId: string, n = 1, of = 1): Making {
    const made: Making = {
      id: `${this.prefix}/${stepId}${of === 1 ? '' : `.${String(n)}`}`,
      kind,
      activities: [],
      links: [],
      minutes: 0,
      part: of === 1 ? undefined : { n, of },
    };
    this.blocks.push(made);
    return made;
  }

  /** Puts an activity at the end of a block; what waits for it is linked to that moment. */
  private put(block: Making, task: Task, minutes: number, part = ''): void {
    const record = this.records.get(task.stepId);
    if (record === undefined) return;
    const { step, counts } = record;
    const rounds = counts?.rounds ?? 1;
    block.activities.push({
      id: `${this.prefix}/${task.stepId}${part}`,
      stepId: task.stepId,
      step,
      startsAfter: block.minutes,
      minutes,
      hands: Math.round(task.attention * ONE_PERSON),
      blender: step.op === 'blend' ? step.blender : undefined,
      ovenC: step.op === 'roast' ? step.ovenC : undefined,
      trays: step.op === 'roast' ? Math.max(1, Math.ceil((counts?.trays ?? 1) / rounds)) : 0,
      isHeated: step.op !== 'join' && step.op !== 'roast' && kindOf(step).cooks,
      isIced: step.op === 'rest' && step.around === 'ice bath',
      kg: recordKg(record) / (step.op === 'roast' ? rounds : 1),
    });
    block.minutes += minutes;
  }

  private link(branchId: string, block: Making): void {
    for (const { id, mostWaitMin } of this.waiting(branchId))
      this.blocks.find((one) => one.id === id)?.links.push({ to: block.id, atMin: block.minutes, mostWaitMin });
    this.pending.set(branchId, []);
  }

  /** What takes no time and stood in no block yet is done when the next one begins. */
  private putAtOnce(branchId: string, block: Making): void {
    for (const task of this.atOnce.get(branchId) ?? []) this.put(block, task, 0);
    this.atOnce.delete(branchId);
  }

  /** The pot's block is over: it waits for whatever comes next in its branch. */
  private closePot(branchId: string): void {
    const open = this.open.get(branchId);
    if (open === undefined) return;
    this.open.delete(branchId);
    this.waiting(branchId).push({ id: open.id, mostWaitMin: branchId === this.rootId ? MOST_WAIT.pot : MOST_WAIT.side });
  }

  private trim(task: Task): void {
    const minutes = this.skip.get(task.stepId) ?? task.minutes;
    if (minutes <= 0) return;
    const parts = Math.max(1, Math.ceil(minutes / AT_THE_BOARD_MIN));
    for (let n = 1; n <= parts; n++) {
      const name = parts === 1 ? '' : `.${String(n)}`;
      const block = this.make('trim', task.stepId, n, parts);
      this.put(block, task, Math.max(1, Math.ceil(minutes / parts)), name);
      this.waiting(task.branchId).push({ id: block.id, mostWaitMin: MOST_WAIT.trim, part: { n, of: parts } });
    }
  }

  /** Each round goes in as soon as enough is cut for it. */
  private roast(task: Task): void {
    this.closePot(task.branchId);
    const before = this.waiting(task.branchId);
    const { rounds } = task;
    const each = task.minutes / rounds;
    const minutes = this.skip.get(task.stepId) ?? task.minutes;
    // Of rounds that are over nothing is left; the one that is in has what is left of it.
    const first = rounds + 1 - Math.max(1, Math.ceil(minutes / each - 1e-9));
    const after: Pending[] = [];
    for (let round = first; round <= rounds; round++) {
      const name = rounds === 1 ? '' : `.${String(round)}`;
      const block = this.make('roast', task.stepId, round, rounds);
      this.pending.set(
        task.branchId,
        before.filter(({ part }) => part === undefined || part.n <= Math.ceil((part.of * round) / rounds)),
      );
      this.link(task.branchId, block);
      this.putAtOnce(task.branchId, block);
      const own = round === first ? minutes - (rounds - round) * each : each;
      this.put(block, task, Math.max(1, Math.ceil(own - 1e-9)), name);
      // Rounds that are out stand warm until the last one is.
      after.push({ id: block.id, mostWaitMin: MOST_WAIT.roast + Math.ceil((rounds - round) * each) });
    }
    this.pending.set(task.branchId, after);
  }

  private inPot(task: Task): void {
    const { branchId, stepId } = task;
    const minutes = this.skip.get(stepId) ?? task.minutes;
    if (task.after !== undefined) {
      this.closePot(task.after);
      this.waiting(branchId).push(...this.waiting(task.after));
      this.pending.delete(task.after);
      this.atOnce.set(branchId, [...(this.atOnce.get(branchId) ?? []), ...(this.atOnce.get(task.after) ?? [])]);
    }
    const op = this.records.get(stepId)?.step.op;
    if (op === 'blend' && (this.open.get(branchId)?.minutes ?? 0) > 0) this.closePot(branchId);
    if (minutes <= 0 && this.open.get(branchId) === undefined && branchId !== this.rootId) {
      // A tray's branch: oil on what is cut goes into the oven with it.
      this.atOnce.set(branchId, [...(this.atOnce.get(branchId) ?? []), task]);
      return;
    }
    const block = this.open.get(branchId) ?? this.make(branchId === this.rootId ? 'pot' : 'side', stepId);
    this.open.set(branchId, block);
    this.link(branchId, block);
    this.putAtOnce(branchId, block);
    this.put(block, task, Math.max(0, Math.ceil(minutes - 0.05)));
  }

  private take(task: Task): void {
    const record = this.records.get(task.stepId);
    if (record === undefined || this.skip.get(task.stepId) === 0) {
      if (task.after !== undefined) this.waiting(task.branchId).push(...this.waiting(task.after));
      return;
    }
    if (task.atBoard) this.trim(task);
    else if (record.step.op === 'roast') this.roast(task);
    else this.inPot(task);
  }
}

/** What of a soup's bowls wants them filled soon. */
function mostHold(run: Run, isCold: boolean): number {
  if (isCold) return MOST_WAIT.cold;
  return run.records.some(({ step }) => step.op === 'liaison') ? MOST_WAIT.liaison : MOST_WAIT.hot;
}

/** Of a card that a batch takes from nobody enters how far it is. */
const NOTHING_DONE: ReadonlyMap<string, number> = new Map();

export interface OfTheDay {
  readonly batchId: string;
  readonly dueMin: number;
  readonly servedMin: number;
  /** Whether it goes into the cold instead of into bowls: then nothing of it is held hot. */
  readonly keeps?: boolean | undefined;
  /** Minutes that are left of steps that have begun, by step id; 0 of those that are done. */
  readonly left?: ReadonlyMap<string, number>;
}

/**
 * What a planned soup asks of the kitchen: trimming in pieces of one person's work, rounds of the oven, the pot until the
 * blade and from the blade on, each in whole minutes rounded up. The minutes are the plan's own.
 */
export function workOf({ prepared, run, snapshot }: Planned, { batchId, dueMin, servedMin, keeps, left }: OfTheDay): BatchWork {
  const skip = left ?? new Map<string, number>();
  const { soup } = snapshot;
  const own = new BlockMaker(batchId, run, soup.root.id, skip);
  const hold = mostHold(run, soup.served === 'cold' || keeps === true);
  const last = own.last;
  last?.links.push({ to: SERVICE, atMin: 0, mostWaitMin: hold });
  const namesOf = (lines: PreparedSoup['lines']): ReadonlyMap<string, string> =>
    new Map(lines.map(({ line }) => [line.id, line.ingredient.row.name]));
  const ownNames = namesOf(prepared.lines);
  const all = own.blocks.map((making) => ({ ...making, names: ownNames }));
  const toEnd = (making: readonly Making[], ids: readonly Pending[]): void => {
    for (const { id, mostWaitMin } of ids) making.find((one) => one.id === id)?.links.push({ to: SERVICE, atMin: 0, mostWaitMin });
  };
  toEnd(own.blocks, own.left);
  for (const made of cardsMade(prepared, run)) {
    const card = new BlockMaker(`${batchId}/${made.cardId}`, made.run, made.prepared.soup.root.id, NOTHING_DONE);
    const end = card.last;
    // What a card makes is there before the pot goes to the bowls.
    end?.links.push({ to: SERVICE, atMin: 0, mostWaitMin: MOST_WAIT.trim });
    toEnd(card.blocks, card.left);
    const names = namesOf(made.prepared.lines);
    all.push(...card.blocks.map((block) => ({ ...block, kind: block.kind === 'pot' ? ('side' as const) : block.kind, names })));
  }
  const dished = run.records.at(-1);
  const facts = figuresOf(prepared, run).facts;
  const before = dished === undefined ? undefined : contents(dished.before);
  return {
    batchId,
    soupName: soup.name,
    colour: colourOf(before === undefined ? NO_TINT : tintIn(before)),
    kg: run.peakKg,
    allergens: facts?.allergens ?? allergenNames(0),
    potId: prepared.vessel.id,
    dueMin,
    servedMin,
    blocks: all.map((block) => ({ ...block, batchId })),
  };
}
