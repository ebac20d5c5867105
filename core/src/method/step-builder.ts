import { freeId, slug } from '../draft/index.js';
import type { Branch, Line, PlainStep, SoupStep } from '../soup/index.js';
import type { Clause } from './clauses.js';
import type { DraftStep } from './vessel.js';

const MOST_SAY = 500;
/** So many steps a branch of a card has at most. */
export const MOST_STEPS = 60;

function isTrimmed({ way, cut }: Line): boolean {
  return way !== undefined || cut !== undefined;
}

/** A step without the pieces that went elsewhere; undefined where none are left. */
function onlyKnown(step: PlainStep, lineOf: (id: string) => Line | undefined): PlainStep | undefined {
  const isKnown = (line: string): boolean => lineOf(line) !== undefined;
  if (step.op === 'takeOut' || step.op === 'giveBack' || step.op === 'peel') {
    const lines = step.lines.filter(isKnown);
    return lines.length === 0 ? undefined : { ...step, lines };
  }
  if ((step.op === 'cover' || step.op === 'thin' || step.op === 'tune') && !isKnown(step.line)) return undefined;
  if (step.op === 'liaison' && !(isKnown(step.yolks.line) && isKnown(step.cream.line))) return undefined;
  if (step.op === 'thicken' && !step.parts.every(({ line }) => isKnown(line))) return undefined;
  if (step.op === 'blend' && step.holdBack !== undefined) {
    const { holdBack, ...rest } = step;
    const left = holdBack.filter(({ line }) => isKnown(line));
    return left.length === 0 ? rest : { ...rest, holdBack: left };
  }
  return step;
}

/** Makes the steps of a method's vessels, each with an id of its own and the words that it comes from. */
export class StepBuilder {
  /** The root's own name is taken. */
  private readonly taken = new Set<string>(['pot']);
  readonly clausesOf: Record<string, number[]> = {};

  constructor(
    private readonly clauses: readonly Clause[],
    private readonly sentences: readonly string[],
    private readonly saltLine: string | undefined,
    private readonly lastSeason: number | undefined,
  ) {}

  id(wish: string): string {
    const own = freeId(wish.slice(0, 50), this.taken);
    this.taken.add(own);
    return own;
  }

  private say(clauses: readonly number[]): { say?: string } {
    const said = [...new Set(clauses.map((n) => this.clauses[n]?.sentence))].flatMap((n) =>
      n === undefined ? [] : (this.sentences[n] ?? []),
    );
    const words = said.join(' ').slice(0, MOST_SAY);
    return words === '' ? {} : { say: words };
  }

  private done(step: SoupStep, clauses: readonly number[]): SoupStep {
    this.clausesOf[step.id] = [...clauses];
    return { ...step, ...this.say(clauses) };
  }

  private lineUse({ line, share }: { readonly line: string; readonly share?: number | undefined }): {
    line: string;
    share?: number;
  } {
    const top = this.topShare(line);
    const left = 1 - top;
    const own = share === undefined ? undefined : share / (left > 0 ? left : 1);
    return { line, ...(own === undefined || own > 1 - 1e-6 ? {} : { share: own }) };
  }

  /** What of a line goes elsewhere than into this soup's own pots: on the bowls, or into a card. */
  topShare(line: string): number {
    return this.elsewhere.get(line) ?? 0;
  }

  readonly elsewhere = new Map<string, number>();

  /** The steps of a vessel, its joins with it. */
  steps(drafts: readonly DraftStep[], lineOf: (id: string) => Line | undefined): SoupStep[] {
    const out: SoupStep[] = [];
    for (const draft of drafts) {
      if (draft.kind === 'in') {
        // What a step has to settle can't be added as it is: it is put in by what it is.
        const uses = draft.uses.filter(({ line }) => lineOf(line) !== undefined && lineOf(line)?.amount.rule !== 'byStep');
        const trimmed = uses.filter(({ line }) => isTrimmed(lineOf(line) ?? ({} as Line)));
        const plain = uses.filter((use) => !trimmed.includes(use));
        for (const [op, own] of [
          ['trim', trimmed],
          ['add', plain],
        ] as const) {
          if (own.length === 0) continue;
          const last = out.at(-1);
          const list = own.map((use) => this.lineUse(use));
          // What goes in one after another without anything between goes in together.
          const isSame = last?.op === op && !last.uses.some(({ line }) => list.some((one) => one.line === line));
          if (isSame) {
            const clauses = [...(this.clausesOf[last.id] ?? []), draft.clause];
            out[out.length - 1] = this.done({ id: last.id, op: last.op, uses: [...last.uses, ...list] }, [...new Set(clauses)]);
            continue;
          }
          const id = this.id(`${op}-${own[0]?.line ?? 'lines'}`);
          out.push(this.done({ id, op, uses: list }, [draft.clause]));
        }
      } else if (draft.kind === 'cream') {
        const line = lineOf(draft.use.line);
        if (line === undefined) continue;
        const isWhole = draft.use.share === undefined || this.lineUse(draft.use).share === undefined;
        const step: PlainStep =
          isWhole && !isTrimmed(line)
            ? {
                id: this.id('cream'),
                op: 'cream',
                line: line.id,
                target: draft.target ?? (line.amount.rule === 'byStep' ? { by: 'pct', value: 6 } : { by: 'written' }),
              }
            : { id: this.id(`add-${line.id}`), op: isTrimmed(line) ? 'trim' : 'add', uses: [this.lineUse(draft.use)] };
        out.push(this.done(step, [draft.clause]));
      } else if (draft.kind === 'deglaze') {
        if (lineOf(draft.use.line) === undefined) continue;
        out.push(
          this.done({ id: this.id('deglaze'), op: 'deglaze', use: this.lineUse(draft.use), minutes: draft.minutes }, [
            draft.clause,
          ]),
        );
      } else if (draft.kind === 'join') {
        const steps = this.steps(draft.vessel.steps, lineOf);
        if (steps.length === 0) continue;
        const branch: Branch = {
          id: this.id(slug(draft.vessel.name)),
          name: draft.vessel.name,
          vessel: draft.vessel.kind === 'tray' ? 'tray' : 'pot',
          steps: steps.slice(0, MOST_STEPS),
        };
        out.push(this.done({ id: this.id('tip-in'), op: 'join', branch }, [draft.clause]));
      } else {
        const step = onlyKnown(draft.make(this.id(draft.id)), lineOf);
        if (step === undefined) continue;
        if (step.op === 'season') {
          // Only the last "season" settles, but for those that say how much.
          if (this.saltLine === undefined || (draft.clause !== this.lastSeason && draft.id !== 'season-to')) continue;
          if (lineOf(this.saltLine) === undefined) continue;
          const before = out.at(-1);
          // Said twice in one breath.
          if (before?.op === 'season' && before.saltPct === step.saltPct && before.line === this.saltLine) continue;
          out.push(this.done({ ...step, line: this.saltLine }, [draft.clause]));
        } else {
          out.push(this.done(step, [draft.clause]));
        }
      }
    }
    return out;
  }
}
