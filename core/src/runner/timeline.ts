/**
 * How long a soup takes the hands and the heat that there are. Steps of a branch follow one another, branches run side by
 * side; what is trimmed is trimmed beforehand, in the order in which it is wanted, by whatever hands no step holds just then:
 * the second tray is cut while the first is in, the potatoes while the leeks sweat.
 */
export interface Task {
  readonly stepId: string;
  readonly branchId: string;
  readonly minutes: number;
  /** Hands that it holds while it runs; of a task at the board as many as are free. */
  readonly attention: number;
  /** Done at the board, by as many hands as there are; its minutes are one person's. */
  readonly atBoard: boolean;
  /** Rounds that it goes in, each as soon as enough has been cut for it. */
  readonly rounds: number;
  /** The branch that has to be over before it, where it brings one in. */
  readonly after: string | undefined;
}

/** One piece of work in its branch: it starts when so much of its branch's board work is done, in a person's minutes. */
interface Piece {
  readonly stepId: string;
  readonly branchId: string;
  readonly minutes: number;
  readonly attention: number;
  readonly cutMin: number;
  readonly after: string | undefined;
}

interface Board {
  readonly stepId: string;
  readonly branchId: string;
  left: number;
}

/** A moment, minutes: what is nearer is the same. */
const MOMENT = 1e-9;
/** Share of hands below which nobody is free for the board. */
const NO_HAND = 0.05;

/** A branch's work as pieces in order, and what is to be cut for it. */
function piecesOf(tasks: readonly Task[]): { pieces: Map<string, Piece[]>; board: Board[] } {
  const pieces = new Map<string, Piece[]>();
  const board: Board[] = [];
  const cut = new Map<string, number>();
  /** Of the work cut so far, what had been cut when the branch last did something with it. */
  const used = new Map<string, number>();
  for (const { stepId, branchId, minutes, attention, atBoard, rounds, after } of tasks) {
    const own = pieces.get(branchId) ?? [];
    pieces.set(branchId, own);
    const have = cut.get(branchId) ?? 0;
    if (atBoard) {
      board.push({ stepId, branchId, left: minutes });
      cut.set(branchId, have + minutes);
      continue;
    }
    const since = used.get(branchId) ?? 0;
    for (let round = 1; round <= rounds; round++) {
      const cutMin = since + ((have - since) * round) / rounds;
      own.push({ stepId, branchId, minutes: minutes / rounds, attention, cutMin, after });
    }
    used.set(branchId, have);
  }
  return { pieces, board };
}

/** The kitchen at work on it, from moment to moment. */
class AtWork {
  readonly overAt = new Map<string, number>();
  private now = 0;
  /** The first of the board's work that is not done. */
  private atBoard = 0;
  private readonly pieces: ReadonlyMap<string, readonly Piece[]>;
  private readonly board: readonly Board[];
  private readonly next = new Map<string, number>();
  private readonly cut = new Map<string, number>();
  private readonly running = new Map<string, { readonly piece: Piece; readonly endsAt: number }>();

  constructor(
    tasks: readonly Task[],
    private readonly hands: number,
  ) {
    ({ pieces: this.pieces, board: this.board } = piecesOf(tasks));
  }

  toTheEnd(): ReadonlyMap<string, number> {
    for (;;) {
      this.startWhatCan();
      const step = this.untilNext();
      if (!Number.isFinite(step)) return this.overAt;
      this.advance(step);
    }
  }

  private held(): number {
    let held = 0;
    for (const { piece } of this.running.values()) held += piece.attention;
    return held;
  }

  private waiting(branch: string): Piece | undefined {
    return this.running.has(branch) ? undefined : this.pieces.get(branch)?.[this.next.get(branch) ?? 0];
  }

  private isOver(branch: string): boolean {
    return (
      !this.running.has(branch) &&
      this.waiting(branch) === undefined &&
      this.board.every((one, n) => n < this.atBoard || one.branchId !== branch)
    );
  }

  private canStart({ branchId, cutMin, after, minutes, attention }: Piece): boolean {
    if ((this.cut.get(branchId) ?? 0) < cutMin - MOMENT) return false;
    if (after !== undefined && !this.isOver(after)) return false;
    return minutes <= MOMENT || this.running.size === 0 || this.held() + attention <= this.hands + MOMENT;
  }

  private startWhatCan(): void {
    for (let started = true; started;) {
      started = false;
      for (const branch of this.pieces.keys()) {
        const piece = this.waiting(branch);
        if (piece === undefined || !this.canStart(piece)) continue;
        this.next.set(branch, (this.next.get(branch) ?? 0) + 1);
        if (piece.minutes <= MOMENT) this.overAt.set(piece.stepId, this.now);
        else this.running.set(branch, { piece, endsAt: this.now + piece.minutes });
        started = true;
      }
    }
  }

  /** A person's minutes that go into the board each minute; none while no hand is free. */
  private boardPace(): number {
    const free = this.hands - this.held();
    return free < NO_HAND * this.hands ? 0 : free;
  }

  /** Work at the board until its head is done, or until its branch can go on with a part of it. */
  private boardLeft({ branchId, left }: Board): number {
    const wanted = (this.waiting(branchId)?.cutMin ?? 0) - (this.cut.get(branchId) ?? 0);
    return wanted > MOMENT ? Math.min(left, wanted) : left;
  }

  private untilNext(): number {
    const head = this.board[this.atBoard];
    const pace = this.boardPace();
    let step = head === undefined || pace === 0 ? Number.POSITIVE_INFINITY : this.boardLeft(head) / pace;
    for (const { endsAt } of this.running.values()) step = Math.min(step, endsAt - this.now);
    return step;
  }

  private advance(step: number): void {
    const head = this.board[this.atBoard];
    const pace = this.boardPace();
    this.now += step;
    if (head !== undefined && pace > 0) {
      const done = Math.min(head.left, step * pace);
      head.left -= done;
      this.cut.set(head.branchId, (this.cut.get(head.branchId) ?? 0) + done);
      if (head.left <= MOMENT) {
        this.overAt.set(head.stepId, this.now);
        this.atBoard += 1;
      }
    }
    for (const [branch, { piece, endsAt }] of this.running) {
      if (endsAt > this.now + MOMENT) continue;
      this.running.delete(branch);
      this.overAt.set(piece.stepId, this.now);
    }
  }
}

/** When each step is over, minutes from the first knife. @param hands people at work; positive. */
export function timeline(tasks: readonly Task[], hands: number): ReadonlyMap<string, number> {
  return new AtWork(tasks, hands).toTheEnd();
}

/** How long all of it takes, minutes. */
export function minutesOf(tasks: readonly Task[], hands: number): number {
  let last = 0;
  for (const at of timeline(tasks, hands).values()) last = Math.max(last, at);
  return last;
}
