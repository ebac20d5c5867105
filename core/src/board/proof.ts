import type { Solver } from '../solve/index.js';
import { ONE_PERSON, SERVICE, type Activity, type BatchWork, type Block } from './blocks.js';
import { arrange, type Arrangement, type DayWork } from './arrange.js';
import { EARLIEST_MIN } from './lanes.js';
import type { DayPlan } from './search.js';
import { PERSON_ROOM, SAME_OVEN_K, WASH_MIN, needsWash } from './timetable.js';

/** Minutes in which a block can start. */
interface Window {
  readonly block: Block;
  readonly work: BatchWork;
  first: number;
  last: number;
}

/** Whether something has started by a minute: it has not, it has, or the variable that says so. */
type Begun = 0 | 1 | string;

/** Something that starts once in a span of minutes, or never. */
interface Start {
  readonly first: number;
  readonly last: number;
  readonly begunBy: (at: number) => Begun;
}

/** An amount that is held of something shared, for so many minutes from so long after a start on. */
interface Held {
  readonly start: Start;
  readonly after: number;
  readonly minutes: number;
  readonly amount: number;
}

/** A blending, a roast: what holds something, and of which soup. */
interface Use extends Held {
  readonly work: BatchWork;
  readonly activity: Activity;
}

/** No start is looked for beyond so many rounds of pushing windows against each other. */
const MOST_ROUNDS = 200;

/** Windows of all blocks of a day that begins at a minute or later; undefined where one of them is empty. */
function windowsOf({ batches, pins }: DayWork, fromMin: number): Map<string, Window> | undefined {
  const windows = new Map<string, Window>();
  for (const work of batches)
    for (const block of work.blocks) {
      const pinned = pins?.get(block.id)?.startMin;
      const last = work.dueMin - block.minutes;
      windows.set(block.id, { block, work, first: pinned ?? fromMin, last: pinned ?? last });
    }
  // Two soups of one pot: the later wanted can be in it once the bowls of the other are out.
  for (const one of batches)
    for (const other of batches) {
      if (one === other || one.potId !== other.potId || one.dueMin > other.dueMin) continue;
      const free = one.dueMin + one.servedMin + (needsWash(one, other) ? WASH_MIN : 0);
      for (const block of other.blocks) {
        const window = windows.get(block.id);
        if (block.kind === 'pot' && window !== undefined) window.first = Math.max(window.first, free);
      }
    }
  let isMoving = true;
  for (let round = 0; isMoving && round < MOST_ROUNDS; round++) {
    isMoving = false;
    const push = (window: Window, first: number, last: number): void => {
      if (first <= window.first && last >= window.last) return;
      window.first = Math.max(window.first, first);
      window.last = Math.min(window.last, last);
      isMoving = true;
    };
    for (const window of windows.values()) {
      const { block, work } = window;
      for (const { to, atMin, mostWaitMin } of block.links) {
        const next = windows.get(to);
        if (to === SERVICE) push(window, work.dueMin - mostWaitMin - block.minutes, work.dueMin - block.minutes);
        else if (next !== undefined) {
          push(window, next.first + atMin - mostWaitMin - block.minutes, next.last + atMin - block.minutes);
          push(next, window.first + block.minutes - atMin, window.last + block.minutes + mostWaitMin - atMin);
        }
        if (window.first > window.last) return undefined;
      }
    }
  }
  return windows;
}

/** The question whether a day can begin at a minute or later, as text of the solver's own format. */
class Program {
  private readonly rows: string[] = [];
  private readonly known = new Map<string, boolean>();
  readonly names: ReadonlyMap<string, string>;
  isImpossible = false;

  constructor(
    readonly windows: ReadonlyMap<string, Window>,
    /** Whether what is cut is in one piece; otherwise it may be spread over its span, which only makes more possible. */
    readonly isCutWhole: boolean,
  ) {
    this.names = new Map([...windows.keys()].map((id, n) => [id, `b${String(n)}`]));
    for (const window of windows.values()) {
      // What has started goes on having started.
      for (let at = window.first; at < window.last; at++) this.notBefore(this.begun(window, at), this.begun(window, at + 1));
    }
  }

  begun({ block, first, last }: Window, at: number): Begun {
    if (at < first) return 0;
    if (at >= last) return 1;
    const name = `${this.names.get(block.id) ?? ''}_${String(at - first)}`;
    this.known.set(name, this.isCutWhole || block.kind !== 'trim');
    return name;
  }

  atMost(terms: readonly (readonly [amount: number, of: Begun])[], most: number): void {
    let rest = most;
    const sum = new Map<string, number>();
    for (const [amount, of] of terms) {
      if (of === 1) rest -= amount;
      else if (of !== 0) sum.set(of, (sum.get(of) ?? 0) + amount);
    }
    const parts = [...sum].filter(([, amount]) => amount !== 0);
    if (parts.reduce((all, [, amount]) => all + Math.max(0, amount), 0) <= rest) return;
    if (parts.reduce((all, [, amount]) => all + Math.min(0, amount), 0) > rest) this.isImpossible = true;
    const said = parts.map(([of, amount]) => `${amount < 0 ? '-' : '+'} ${String(Math.abs(amount))} ${of}`);
    if (said.length > 0) this.rows.push(`${said.join(' ')} <= ${String(rest)}`);
  }

  links(): void {
    for (const window of this.windows.values())
      for (const { to, atMin, mostWaitMin } of window.block.links) {
        const next = this.windows.get(to);
        if (next === undefined) continue;
        const after = window.block.minutes - atMin;
        for (let at = next.first; at <= next.last; at++) {
          this.notBefore(this.begun(next, at), this.begun(window, at - after));
          // What waited as long as it may is used: what has started by then has its successor begun.
          this.notBefore(this.begun(window, at - after - mostWaitMin), this.begun(next, at));
        }
      }
  }

  /** When a block starts. */
  startOf(window: Window): Start {
    return { first: window.first, last: window.last, begunBy: (at) => this.begun(window, at) };
  }

  /** Something that starts within a span, or never. */
  optional(first: number, last: number): Start {
    const name = `o${String(this.known.size)}`;
    const begunBy = (at: number): Begun => {
      if (at < first) return 0;
      const own = `${name}_${String(Math.min(at, last) - first)}`;
      this.known.set(own, true);
      return own;
    };
    for (let at = first; at < last; at++) this.notBefore(begunBy(at), begunBy(at + 1));
    return { first, last, begunBy };
  }

  /** What may only have begun once something else has, or where a third thing is so. */
  notBefore(one: Begun, other: Begun, unless: Begun = 0): void {
    this.atMost(
      [
        [1, one],
        [-1, other],
        [-1, unless],
      ],
      0,
    );
  }

  /** At most so much of it at any one minute. */
  shared(all: readonly Held[], most: (at: number) => number): void {
    const from = Math.min(...all.map(({ start, after }) => start.first + after));
    const to = Math.max(...all.map(({ start, after, minutes }) => start.last + after + minutes));
    for (let at = from; at < to; at++)
      this.atMost(
        all.flatMap(({ start, after, minutes, amount }): [number, Begun][] => [
          [amount, start.begunBy(at - after)],
          [-amount, start.begunBy(at - after - minutes)],
        ]),
        most(at),
      );
  }

  /**
   * Washing up between two uses of one thing, whichever comes first: somebody does it in between.
   *
   * @returns the washes, each of which is done or is not.
   */
  washed(one: Use, other: Use): Held[] {
    const isOtherFirst = this.optional(0, 0).begunBy(0);
    const inOrder = (before: Use, after: Use, isTurned: Begun, needs: boolean): Held[] => {
      const first = before.start.first + before.after + before.minutes;
      const last = after.start.last + after.after;
      const done = needs && first + WASH_MIN <= last ? this.optional(first, last - WASH_MIN) : undefined;
      for (let at = after.start.first + after.after; at <= last; at++) {
        const begun = after.start.begunBy(at - after.after);
        this.notBefore(begun, before.start.begunBy(at - before.after - before.minutes), isTurned);
        if (done !== undefined) this.notBefore(begun, done.begunBy(at - WASH_MIN), isTurned);
      }
      if (done === undefined) return [];
      for (let at = first; at <= done.last; at++)
        this.notBefore(done.begunBy(at), before.start.begunBy(at - before.after - before.minutes));
      return [{ start: done, after: 0, minutes: WASH_MIN, amount: 1 }];
    };
    const turned = this.optional(0, 0).begunBy(0);
    // One of the two orders: each frees the other of its own.
    this.atMost(
      [
        [1, isOtherFirst],
        [1, turned],
      ],
      1,
    );
    return [
      ...inOrder(one, other, isOtherFirst, needsWash(one.work, other.work)),
      ...inOrder(other, one, turned, needsWash(other.work, one.work)),
    ];
  }

  text(): string {
    const names = [...this.known];
    return [
      'Minimize',
      ` obj: 0 ${names[0]?.[0] ?? 'none'}`,
      'Subject To',
      ...this.rows.map((row, n) => ` r${String(n)}: ${row}`),
      'Bounds',
      ...names.map(([name]) => ` 0 <= ${name} <= 1`),
      'General',
      ...names.flatMap(([name, isWhole]) => (isWhole ? [` ${name}`] : [])),
      'End',
    ].join('\n');
  }
}

/** Two that can't go on at once, each pair of them in some order with so many minutes between. */
function apart(program: Program, all: readonly Use[], between: (before: Use, after: Use) => number | undefined): void {
  for (const [n, one] of all.entries())
    for (const other of all.slice(n + 1)) {
      const [after, before] = [between(one, other), between(other, one)];
      if (after === undefined || before === undefined) continue;
      program.shared(
        [
          { ...one, minutes: one.minutes + after, amount: 1 },
          { ...other, minutes: other.minutes + before, amount: 1 },
        ],
        () => 1,
      );
    }
}

/** The question whether all bowls of a day can be on time where nothing begins before a minute; undefined where plainly not. */
function question(day: DayWork, fromMin: number, isCutWhole: boolean): Program | undefined {
  const { lanes } = day;
  const windows = windowsOf(day, fromMin);
  if (windows === undefined) return undefined;
  const program = new Program(windows, isCutWhole);
  program.links();
  const uses = (amountOf: (activity: Activity) => number): Use[] =>
    [...windows.values()].flatMap((window) =>
      window.block.activities.flatMap((activity): Use[] => {
        const amount = activity.minutes > 0 ? amountOf(activity) : 0;
        const { startsAfter: after, minutes } = activity;
        return amount > 0 ? [{ start: program.startOf(window), after, minutes, amount, work: window.work, activity }] : [];
      }),
    );
  const washes: Held[] = [];
  for (const of of ['jug', 'stick', 'processor'] as const) {
    const count = lanes.blenders.filter(({ kind }) => kind === of).length;
    const all = uses(({ blender }) => (blender === of ? 1 : 0));
    program.shared(all, () => count);
    if (count !== 1) continue;
    apart(program, all, (one, other) => (one.work !== other.work && needsWash(one.work, other.work) ? WASH_MIN : 0));
    const [one, other, ...more] = all;
    if (one !== undefined && other !== undefined && more.length === 0 && one.work !== other.work)
      washes.push(...program.washed(one, other));
  }
  const there = (at: number): number => lanes.hands.filter((one) => one.fromMin <= at && at < one.toMin).length;
  program.shared(
    [...uses(({ hands }) => hands), ...washes.map((wash) => ({ ...wash, amount: ONE_PERSON }))],
    (at) => PERSON_ROOM * there(at),
  );
  // What can't be one person's together: a whole task beside half of one (dual feasible functions; Fekete and Schepers, from memory).
  for (const of of [1, 2]) {
    const parts = (units: number): number => Math.floor(((of + 1) * units) / PERSON_ROOM);
    program.shared(
      [...uses(({ hands }) => parts(hands)), ...washes.map((wash) => ({ ...wash, amount: parts(ONE_PERSON) }))],
      (at) => of * there(at),
    );
  }
  program.shared(
    uses(({ isHeated }) => (isHeated ? 1 : 0)),
    () => lanes.hobs,
  );
  program.shared(
    uses(({ isIced }) => (isIced ? 1 : 0)),
    () => lanes.iceBaths,
  );
  const places = lanes.ovens.reduce((sum, one) => sum + one.places, 0);
  const roasts = uses(({ trays, ovenC }) => (ovenC === undefined ? 0 : trays));
  program.shared(roasts, () => places);
  const heat = ({ activity: { ovenC = 0 } }: Use): number => ovenC;
  if (lanes.ovens.length === 1)
    apart(program, roasts, (one, other) => (Math.abs(heat(one) - heat(other)) > SAME_OVEN_K ? 0 : undefined));
  return program.isImpossible ? undefined : program;
}

/** Starts that the solver found, of all that is in one piece: when each has begun for the first time. */
function startsIn({ windows, names, isCutWhole }: Program, columns: ReturnType<Solver['solve']>['Columns']): Map<string, number> {
  const starts = new Map<string, number>();
  for (const [id, { block, first, last }] of windows) {
    if (block.kind === 'trim' && !isCutWhole) continue;
    let at = first;
    while (at < last && (columns[`${names.get(id) ?? ''}_${String(at - first)}`]?.Primal ?? 0) < 0.5) at += 1;
    starts.set(id, at);
  }
  return starts;
}

/** A plan with all but what is cut at the starts that the solver found; undefined where the hands or the washing don't fit them. */
function laidAt(day: DayWork, plan: DayPlan, starts: ReadonlyMap<string, number>): Arrangement | undefined {
  const pins = new Map([...starts].map(([id, startMin]) => [id, { ...day.pins?.get(id), startMin }]));
  const laid = arrange({ ...day, pins: new Map([...(day.pins ?? []), ...pins]) }, plan.order);
  if (laid === undefined) return undefined;
  const own = laid.blocks.flatMap(({ block, startMin }) => (day.pins?.get(block.id)?.startMin === undefined ? [startMin] : []));
  return { ...laid, firstMin: Math.min(...own, ...laid.washes.map(({ startMin }) => startMin)) };
}

/** Whether a day can begin at a minute or later, and a plan that does where one was found. */
function ask(
  day: DayWork,
  plan: DayPlan,
  at: number,
  solver: Solver,
  untilMs: number,
  clock: () => number,
): 'no' | 'not known' | { readonly arrangement: Arrangement | undefined } {
  let isAsked = false;
  for (const isCutWhole of [false, true]) {
    const program = question(day, at, isCutWhole);
    const leftS = (untilMs - clock()) / 1000;
    if (program === undefined) return 'no';
    if (leftS <= 0) break;
    const { Status, Columns } = solver.solve(program.text(), { time_limit: leftS, output_flag: false });
    if (Status === 'Infeasible') return 'no';
    if (Status !== 'Optimal') break;
    isAsked = true;
    const arrangement = laidAt(day, plan, startsIn(program, Columns));
    if (arrangement !== undefined && arrangement.firstMin >= at) return { arrangement };
  }
  return isAsked ? { arrangement: undefined } : 'not known';
}

/**
 * A plan with its bound drawn closer than `limitsOf` draws it, and often a better plan: the mixed-integer solver is asked
 * whether all bowls can be on time where nothing begins before a minute of the clock, and halves what is open (a step
 * formulation of starting times, from memory). Who of several people does what and who washes up is left open in the question,
 * so that what it denies no order of work can do; what it finds is laid out with all of that, or is not taken.
 *
 * @param seconds how long it may take; what was not settled by then stays as it was known.
 * @param clock the time in milliseconds.
 */
export function provePlan(day: DayWork, plan: DayPlan, solver: Solver, seconds: number, clock: () => number): DayPlan {
  if (plan.unplaced.length > 0) return plan;
  const untilMs = clock() + seconds * 1000;
  const isLate = plan.lateMin.size > 0;
  let best = plan;
  let [can, cannot] = [isLate ? EARLIEST_MIN : plan.arrangement.firstMin, day.fromMin + plan.mostInHandMin + 1];
  // Where bowls are late the first question is whether they need be.
  let at = isLate ? day.fromMin : can + 1;
  while (at < cannot) {
    const said = ask(day, best, at, solver, untilMs, clock);
    if (said === 'not known') break;
    if (said === 'no') cannot = at;
    else {
      can = at;
      const { arrangement } = said;
      // What would have had to begin before now is no plan, though it says how much is missing.
      if (
        arrangement !== undefined &&
        arrangement.firstMin >= day.fromMin &&
        (isLate || arrangement.overMin <= best.arrangement.overMin)
      ) {
        best = { ...best, arrangement, lateMin: new Map(), inHandMin: arrangement.firstMin - day.fromMin };
        can = arrangement.firstMin;
      }
    }
    at = Math.max(can + 1, Math.floor((can + cannot) / 2));
  }
  return { ...best, mostInHandMin: cannot - 1 - day.fromMin };
}
