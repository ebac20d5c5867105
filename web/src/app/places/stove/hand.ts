import { computed, effect, inject, Injectable, linkedSignal, signal, untracked } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Action, StoredEntry } from '@tureen/core/batch';
import { freeId, slug } from '@tureen/core/draft';
import type { Measure } from '@tureen/core/kit';
import { stepName } from '@tureen/core/messages';
import { kindOf, linesOf, walk } from '@tureen/core/soup';
import { showMinutes } from '@tureen/core/units';
import { map, timer } from 'rxjs';
import type { BatchView, FrontView } from '../../cooking/batch-view';
import { allowNotes } from '../../services/bell';
import { Batches } from '../../services/batches';
import { Clock } from '../../services/clock';
import { newId } from '../../services/device';
import { Stock } from '../../services/stock';
import { mass, NOTHING_KG } from '../figures';
import { watchBatch } from '../watched-batch';
import type { Changed } from './change-sheet';
import { effectBetween } from './effect';
import type { Liquid } from './hand-bar';
import { remindedOf } from './reminders';

const SECOND_MS = 1000;
const MINUTE_MS = 60_000;
const SHOWN_MS = 3000;

/** An entry is said within so long, whatever the sums take. */
const SAID_WITHIN_MS = 60;

/** The batch under the hand: which step it is at, what it enters, and what that changed. One for every stove. */
@Injectable()
export class Hand {
  private readonly batches = inject(Batches);
  private readonly clock = inject(Clock);
  private readonly stock = inject(Stock);
  readonly batchId = signal('');
  readonly watched = watchBatch(this.batchId);
  readonly open = this.watched.open;
  readonly view = this.watched.view;
  readonly units = this.watched.units;
  readonly nameOf = this.watched.nameOf;
  readonly nowMs = toSignal(timer(0, SECOND_MS).pipe(map(() => this.clock.now())), { initialValue: this.clock.now() });

  /** What was said of the last entry, and for three seconds what it changed. */
  readonly said = signal('');
  readonly effect = signal('');
  private before: BatchView | undefined;
  private fade: ReturnType<typeof setTimeout> | undefined;
  private speaking: { readonly speak: () => void; readonly timer: ReturnType<typeof setTimeout> } | undefined;

  /** A step that the cook took in hand beside the plan's next, as long as it can be worked at. */
  private readonly picked = signal<string | undefined>(undefined);
  readonly front = computed((): FrontView | undefined => {
    const fronts = this.view()?.fronts ?? [];
    return fronts.find(({ step }) => step.id === this.picked()) ?? fronts[0];
  });
  readonly step = computed(() => this.front()?.step);
  /** What else runs or can be started beside the step in hand. */
  readonly beside = computed(() => (this.view()?.fronts ?? []).filter(({ step }) => step.id !== this.step()?.id));
  readonly startedAtMs = computed(() => this.view()?.steps.find(({ stepId }) => stepId === this.step()?.id)?.startedAtMs);
  readonly elapsedMin = computed(() => {
    const started = this.startedAtMs();
    return started === undefined ? undefined : Math.max(0, (this.nowMs() - started) / MINUTE_MS);
  });
  readonly timed = computed(() => {
    const step = this.step();
    return step !== undefined && step.op !== 'join' && kindOf(step).timed;
  });

  /** What a way to land asks to be given, told against what has gone in since it was chosen. */
  private readonly aim = signal<{ readonly lineId: string; readonly untilKg: number; readonly then: string } | undefined>(
    undefined,
  );
  readonly aimed = computed(() => {
    const aim = this.aim();
    const view = this.view();
    if (aim === undefined || view === undefined) return undefined;
    const leftKg = aim.untilKg - (new Map(view.inKg).get(aim.lineId) ?? 0);
    return leftKg > Math.min(0.01, aim.untilKg / 100)
      ? {
          done: false,
          then: aim.then,
          leftKg,
          lineId: aim.lineId,
          text: `${mass(leftKg, this.units())} more ${this.nameOf()(aim.lineId)}, then stir and ${aim.then}`,
        }
      : {
          done: true,
          then: aim.then,
          leftKg: 0,
          lineId: aim.lineId,
          text: `That is two thirds of it. Stir, and ${aim.then} again.`,
        };
  });

  readonly liquids = computed((): Liquid[] => {
    const open = this.open();
    const view = this.view();
    if (open === undefined || view === undefined) return [];
    const pourable = new Set(open.snapshot.rows.filter(({ densityKgM3 }) => densityKgM3 !== undefined).map(({ id }) => id));
    const inKg = new Map(view.inKg);
    const toGo = new Map(view.toGoKg);
    const aim = this.aimed();
    // What only ever lies on top of a bowl is never poured into the pot.
    const poured = new Set(
      walk(open.snapshot.soup.root).flatMap(({ step }) =>
        step.op === 'dish'
          ? (step.shares ?? []).flatMap(({ finish }) => (finish ?? []).map(({ line }) => line))
          : linesOf(step).map(({ line }) => line),
      ),
    );
    const names = new Map<string, number>();
    return open.snapshot.soup.lines
      .filter(({ id, ingredient }) => pourable.has(ingredient) && poured.has(id))
      .map(({ id }) => {
        const name = this.nameOf()(id);
        const count = (names.get(name) ?? 0) + 1;
        names.set(name, count);
        return {
          lineId: id,
          name: count > 1 ? `${name}, to let down` : name,
          inText: mass(inKg.get(id) ?? 0, this.units()),
          toGoText: mass(aim?.lineId === id ? aim.leftKg : (toGo.get(id) ?? 0), this.units()),
        };
      });
  });
  /** What the step in hand asks to be poured and has not had all of, the first of it; undefined where that is nothing. */
  private readonly asked = computed(() => {
    const step = this.step();
    const toGo = new Map(this.view()?.toGoKg);
    const pourable = new Set(this.liquids().map(({ lineId }) => lineId));
    return step === undefined
      ? undefined
      : linesOf(step).find(({ line }) => pourable.has(line) && (toGo.get(line) ?? 0) > NOTHING_KG)?.line;
  });
  /**
   * The liquid that is poured: what the step asks for, and where it asks for several the next of them once one is in. One that
   * the cook has chosen stays, ladle after ladle, until the step is another.
   */
  readonly liquidId = linkedSignal<string, string | undefined>({
    source: computed(() => `${this.step()?.id ?? ''} ${this.asked() ?? ''} ${this.liquids().length > 0 ? 'known' : ''}`),
    computation: (now, before) =>
      untracked(() => {
        const asked = this.asked();
        const isSameStep = before?.source.split(' ')[0] === now.split(' ')[0];
        if (asked === undefined && isSameStep && before?.value !== undefined) return before.value;
        return asked ?? this.usual();
      }),
  });

  /** What is poured where the step asks for nothing: what covers the vegetables, or else water or stock, never oil. */
  private usual(): string | undefined {
    const soup = this.open()?.snapshot.soup;
    if (soup === undefined) return undefined;
    const cover = walk(soup.root).find(({ step }) => step.op === 'cover')?.step;
    if (cover?.op === 'cover') return cover.line;
    const drinks = new Set(
      this.open()
        ?.snapshot.rows.filter(({ group }) => group === 'liquids')
        .map(({ id }) => id),
    );
    return soup.lines.find(({ ingredient }) => drinks.has(ingredient))?.id;
  }

  readonly liquid = computed(() => this.liquids().find(({ lineId }) => lineId === this.liquidId()));

  /** The step before the one in hand, to go back to. */
  readonly previous = computed(() => {
    const view = this.view();
    const ended = view?.steps.findLast(({ endedBy, stepId }) => endedBy !== undefined && stepId !== view.current?.step.id);
    if (view === undefined || view.closed || ended?.endedBy === undefined) return undefined;
    const step = walk(view.soup.root).find((one) => one.step.id === ended.stepId)?.step;
    return step === undefined ? undefined : { entry: ended.endedBy, name: stepName(step, this.nameOf()) };
  });
  /** Entries that still count, the newest first. */
  readonly counted = computed(() => {
    const open = this.open();
    const view = this.view();
    if (open === undefined || view === undefined) return [];
    const gone = new Set([...view.undone, ...view.late]);
    return [...open.entries]
      .sort((a, b) => b.stamp.counter - a.stamp.counter || b.stamp.seq - a.stamp.seq)
      .filter(({ id, action }) => !gone.has(id) && action.kind !== 'undone');
  });

  constructor() {
    effect(() => {
      const view = this.view();
      const before = this.before;
      if (view === undefined || before === undefined || view === before) return;
      this.before = undefined;
      untracked(() => {
        this.speaking?.speak();
        this.effect.set(effectBetween(before, view, this.units()));
      });
      clearTimeout(this.fade);
      this.fade = setTimeout(() => {
        this.effect.set('');
      }, SHOWN_MS);
    });
  }

  enter(action: Action, said: string): void {
    const open = this.open();
    if (open === undefined) return;
    this.before = this.view();
    this.effect.set('');
    this.say(said);
    void this.batches.enter(open, action);
  }

  /**
   * Says what was entered together with the figures that it changed, so that the screen is drawn once; by itself where those
   * take longer.
   */
  private say(said: string): void {
    clearTimeout(this.speaking?.timer);
    const speak = (): void => {
      clearTimeout(this.speaking?.timer);
      this.speaking = undefined;
      this.said.set(said);
    };
    this.speaking = { speak, timer: setTimeout(speak, SAID_WITHIN_MS) };
  }

  take(stepId: string): void {
    this.picked.set(stepId);
  }

  /** So much of a vessel of the liquid chosen: all of it, or a part. */
  pour(measure: Measure, part = 1): void {
    const step = this.step();
    const liquid = this.liquid();
    if (step === undefined || liquid === undefined) return;
    const share = part === 1 ? measure.name : `${String(Math.round(part * 100))} % of ${measure.name}`;
    const volumeM3 = measure.volumeM3 * part;
    this.enter(
      { kind: 'poured', stepId: step.id, line: liquid.lineId, vessel: share.slice(0, 60), volumeM3 },
      `${share} of ${liquid.name} poured.`,
    );
  }

  add(line: string, kg: number): void {
    const step = this.step();
    if (step === undefined || !(kg > 0)) return;
    this.enter({ kind: 'added', stepId: step.id, line, kg }, `${mass(kg, this.units())} of ${this.nameOf()(line)} added.`);
  }

  aimAt(lineId: string, kg: number, then: string): void {
    if (this.liquids().some((one) => one.lineId === lineId)) this.liquidId.set(lineId);
    const inKg = new Map(this.view()?.inKg ?? []).get(lineId) ?? 0;
    this.aim.set({ lineId, untilKg: inKg + kg, then });
  }

  stopAiming(): void {
    this.aim.set(undefined);
  }

  changed(change: Changed): void {
    const step = this.step();
    if (step === undefined) return;
    if (change.kind === 'left out') this.enter(change, `${this.nameOf()(change.line)} is left out.`);
    else if (change.kind === 'swapped') {
      this.enter(change, `${change.row.name} in the place of ${this.nameOf()(change.line)}.`);
    } else {
      const taken = new Set(this.view()?.lines.map(({ lineId }) => lineId));
      const line = freeId(slug(change.row.id), taken);
      const { row, kg, container } = change;
      const batchId = this.open()?.batch.id;
      const said = `${row.name} goes in, not planned.`;
      if (container === undefined || batchId === undefined) {
        this.enter({ kind: 'brought', row, kg, stepId: step.id, line }, said);
        return;
      }
      // What was kept leaves its container: the new soup keeps no longer than it.
      const entryId = newId();
      this.enter({ kind: 'brought', row, kg, stepId: step.id, line, kept: { container, entryId } }, said);
      void this.stock.enterAs(entryId, { kind: 'took', container, kg, as: 'used', batchId });
    }
  }

  start(): void {
    const step = this.step();
    if (step === undefined || !this.timed() || this.startedAtMs() !== undefined) return;
    const { minutes = 0, rounds = 1 } = this.view()?.steps.find(({ stepId }) => stepId === step.id) ?? {};
    this.enter({ kind: 'started', stepId: step.id }, 'Timer started.');
    allowNotes();
    if (!(minutes > 0)) return;
    const name = stepName(step, this.nameOf());
    const every = remindedOf(step, this.front()?.cautions ?? []);
    for (let round = 1; round <= rounds; round++) {
      const of = rounds === 1 ? name : `${name}, round ${String(round)} of ${String(rounds)}`;
      const own = (minutes * round) / rounds;
      this.enter(
        { kind: 'timed', timer: newId(), name: of, stepId: step.id, minutes: own, ...(every === undefined ? {} : { every }) },
        `Timer of ${showMinutes(own)} started.`,
      );
    }
  }

  timer(name: string, minutes: number): void {
    if (!(minutes > 0)) return;
    allowNotes();
    this.enter({ kind: 'timed', timer: newId(), name, minutes }, `Timer of ${showMinutes(minutes)} started.`);
  }

  /** One jug blended: filled to the line of the heat, or as full as is said. Above the line its reason has been read. */
  jugged(fillShare = this.front()?.jug?.fillShare): void {
    const front = this.front();
    if (front?.jug === undefined || fillShare === undefined) return;
    const read = fillShare > front.jug.fillShare + 0.01;
    this.enter(
      { kind: 'jugged', stepId: front.step.id, fillShare, tempC: Math.round(front.pot.tempC), read },
      `Jug ${String(front.jug.done + 1)} blended.`,
    );
  }

  finish(): void {
    const step = this.step();
    if (step === undefined) {
      if (this.view()?.closed === false) this.enter({ kind: 'closed' }, 'Closed.');
      return;
    }
    const elapsed = this.elapsedMin();
    const isActual = step.op !== 'join' && kindOf(step).actualMinutes;
    const minutes =
      isActual && elapsed !== undefined && elapsed >= 1 ? { minutes: Math.round(this.cookedMinutes(elapsed) * 10) / 10 } : {};
    this.enter({ kind: 'done', stepId: step.id, ...minutes }, `${stepName(step, this.nameOf())}: done.`);
    if (step.op === 'dish') this.enter({ kind: 'closed' }, 'Closed.');
  }

  /** Minutes of its own that the clock's are: a simmer's clock also runs while the pot comes to the boil, a roast's over every round. */
  private cookedMinutes(elapsed: number): number {
    const step = this.step();
    const reckoned = this.view()?.steps.find(({ stepId }) => stepId === step?.id);
    if (step === undefined || step.op === 'join' || reckoned === undefined) return elapsed;
    return kindOf(step).ofClock(elapsed, step, reckoned);
  }

  skip(why: string | undefined): void {
    const step = this.step();
    if (step === undefined || step.op === 'dish') return;
    this.enter(
      { kind: 'skipped', stepId: step.id, ...(why === undefined ? {} : { why }) },
      `${stepName(step, this.nameOf())}: skipped.`,
    );
  }

  goBack(): void {
    const previous = this.previous();
    if (previous !== undefined) this.enter({ kind: 'undone', target: previous.entry }, `Back to: ${previous.name}.`);
  }

  undo(): void {
    const [target] = this.counted();
    if (target !== undefined) this.takeBack(target);
  }

  /** All entries of a long batch one by one, however long they take. */
  needWhole(): void {
    const open = this.open();
    if (open?.short !== undefined) this.batches.needWhole(open.batch.id);
  }

  /** Takes an entry back; kept soup that it brought in stands in its container again. */
  takeBack({ id, action, together }: StoredEntry): void {
    if (together !== undefined) {
      this.needWhole();
      this.say('Older entries are being fetched. Take it back again in a moment.');
      return;
    }
    this.enter({ kind: 'undone', target: id }, 'Taken back.');
    if (action.kind !== 'brought' || action.kept === undefined) return;
    const { container, entryId } = action.kept;
    void this.stock.enter({ kind: 'undone', container, target: entryId });
  }
}
