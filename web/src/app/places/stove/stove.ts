import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import type { Deed } from '@tureen/core/batch';
import type { Measure } from '@tureen/core/kit';
import { showMinutes } from '@tureen/core/units';
import { walk, linesOf } from '@tureen/core/soup';
import { map, timer } from 'rxjs';
import { Gauge } from '../../parts/gauge';
import { PotPicture } from '../../parts/pot';
import { RibbonPicture } from '../../parts/ribbon/ribbon';
import { Batches } from '../../services/batches';
import { onKeys } from '../../shell/keys';
import { cautionSentence, hurts, stepName, stepSentence, stepTest } from '@tureen/core/messages';
import { mass, timeOfDay } from '../figures';
import { stationsOf } from '../stations';
import { watchBatch } from '../watched-batch';
import { AmountDialog, type AmountQuestion } from './amount-dialog';
import { bigFigure } from './figure';
import { bowlRows, gaugesOf } from './gauges';
import { HandBar, type Liquid } from './hand-bar';

const SECOND_MS = 1000;
const MINUTE_MS = 60_000;
const FOUR_FIFTHS = 0.8;

/** The batch being cooked, one step at a time, and everything put in it. */
@Component({
  selector: 'tt-stove',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AmountDialog, Gauge, HandBar, PotPicture, RibbonPicture, RouterLink],
  templateUrl: './stove.html',
  styleUrl: './stove.less',
})
export class Stove {
  private readonly batches = inject(Batches);
  readonly batchId = input.required<string>();

  private readonly watched = watchBatch(this.batchId);
  private readonly open = this.watched.open;
  protected readonly trouble = this.watched.trouble;
  protected readonly view = this.watched.view;
  protected readonly units = this.watched.units;
  protected readonly nameOf = this.watched.nameOf;
  protected readonly stopName = this.watched.stopName;
  private readonly nowMs = toSignal(timer(0, SECOND_MS).pipe(map(() => Date.now())), { initialValue: Date.now() });

  protected readonly since = computed(() => timeOfDay(this.open()?.batch.startedAtMs ?? 0));
  protected readonly unsent = computed(() => this.open()?.unsentIds.size ?? 0);
  protected readonly step = computed(() => this.view()?.current?.step);
  private readonly startedAtMs = computed(() => this.view()?.steps.find(({ stepId }) => stepId === this.step()?.id)?.startedAtMs);
  private readonly elapsedMin = computed(() => {
    const started = this.startedAtMs();
    return started === undefined ? undefined : Math.max(0, (this.nowMs() - started) / MINUTE_MS);
  });
  protected readonly sentence = computed(() => {
    const step = this.step();
    return step === undefined ? '' : stepSentence(step, this.nameOf());
  });
  protected readonly test = computed(() => {
    const step = this.step();
    return step === undefined ? undefined : [step.say, stepTest(step)].filter((text) => text !== undefined).join(' ');
  });
  protected readonly figure = computed(() => {
    const step = this.step();
    const view = this.view();
    return step === undefined || view === undefined ? undefined : bigFigure(step, view, this.units(), this.elapsedMin());
  });
  protected readonly timed = computed(() => {
    const op = this.step()?.op;
    return op === 'roast' || op === 'sweat' || op === 'simmer' || op === 'rest';
  });
  protected readonly timerText = computed(() => {
    const elapsed = this.elapsedMin();
    if (elapsed === undefined) return undefined;
    const seconds = Math.floor(elapsed * 60);
    return `${String(Math.floor(seconds / 60))}:${String(seconds % 60).padStart(2, '0')}`;
  });
  protected readonly shares = computed(() => {
    const step = this.step();
    const view = this.view();
    if (step === undefined || view === undefined) return [];
    const toGo = new Map(view.toGoKg);
    return linesOf(step)
      .map(({ line }) => ({
        name: this.nameOf()(line),
        cut: view.soup.lines.find(({ id }) => id === line)?.cut?.name,
        kg: toGo.get(line) ?? 0,
      }))
      .filter(({ kg }) => kg > 0)
      .map(({ name, cut, kg }) => ({ name, cut, amount: mass(kg, this.units()) }));
  });
  protected readonly cautions = computed(() =>
    (this.view()?.cautions ?? [])
      .slice(0, 2)
      .map((caution) => ({ text: cautionSentence(caution, this.nameOf()), hurts: hurts(caution) })),
  );
  protected readonly dishing = computed(() => this.step()?.op === 'dish');

  protected readonly stations = computed(() => {
    const view = this.view();
    if (view === undefined) return [];
    const status = new Map(view.steps.map((one) => [one.stepId, one]));
    const current = view.current?.step.id;
    return stationsOf(view.soup, undefined, this.nameOf()).map((station) => {
      const done = station.steps.filter(({ id }) => status.get(id)?.status === 'done').length;
      const now = station.steps.some(({ id }) => id === current);
      return {
        name: station.name,
        now,
        done: done === station.steps.length,
        steps: now
          ? station.steps.map((step) => ({
              id: step.id,
              name: stepName(step, this.nameOf()),
              status: status.get(step.id)?.status ?? 'ahead',
            }))
          : [],
        count: `${String(done)} of ${String(station.steps.length)}`,
      };
    });
  });

  protected readonly notIn = computed(() => {
    const view = this.view();
    if (view === undefined) return '';
    const names = view.toGoKg.filter(([, kg]) => kg > 0.0005).map(([line]) => this.nameOf()(line));
    return [...new Set(names)].join(', ');
  });

  protected readonly pot = computed(() => {
    const view = this.view();
    if (view === undefined) return undefined;
    const inPot = view.current?.branchId === view.soup.root.id || view.current === undefined;
    const { pot } = view;
    return {
      inPot,
      title: inPot ? `${(Math.max(0, pot.belowRimM) * 100).toFixed(1)} cm below the rim` : 'on the tray',
      mass: mass(pot.massKg, this.units()),
      sd: mass(pot.sdKg > 0.1 ? Math.round(pot.sdKg * 10) / 10 : pot.sdKg, this.units()),
      temp: `${String(Math.round(pot.tempC))} °C`,
    };
  });
  protected readonly gauges = computed(() => {
    const view = this.view();
    return view === undefined ? [] : gaugesOf(view, this.units());
  });
  protected readonly bowl = computed(() => {
    const view = this.view();
    return view === undefined ? [] : bowlRows(view);
  });
  protected readonly ended = computed(() => {
    const view = this.view();
    if (view === undefined) return '';
    const bowls = view.dishedBowls === undefined ? '' : `, ${String(view.dishedBowls)} bowls counted`;
    return `${mass(view.forecast.cookedKg, this.units())} cooked, ${mass(view.planned.cookedKg, this.units())} planned${bowls}.`;
  });
  protected readonly last = computed(() => showMinutes(this.view()?.forecast.minutes ?? 0));

  protected readonly liquids = computed((): Liquid[] => {
    const open = this.open();
    const view = this.view();
    if (open === undefined || view === undefined) return [];
    const pourable = new Set(open.snapshot.rows.filter(({ densityKgM3 }) => densityKgM3 !== undefined).map(({ id }) => id));
    const inKg = new Map(view.inKg);
    const toGo = new Map(view.toGoKg);
    const names = new Map<string, number>();
    return open.snapshot.soup.lines
      .filter(({ ingredient }) => pourable.has(ingredient))
      .map(({ id }) => {
        const name = this.nameOf()(id);
        const count = (names.get(name) ?? 0) + 1;
        names.set(name, count);
        return {
          lineId: id,
          name: count > 1 ? `${name}, to let down` : name,
          inText: mass(inKg.get(id) ?? 0, this.units()),
          toGoText: mass(toGo.get(id) ?? 0, this.units()),
        };
      });
  });
  /** The liquid that the step in hand asks for; chosen once, it stays until the step changes. */
  protected readonly liquidId = linkedSignal<string | undefined>(() => {
    const step = this.step();
    const ids = new Set(this.open()?.snapshot.soup.lines.map(({ id }) => id));
    const asked = step === undefined ? [] : linesOf(step).map(({ line }) => line);
    const pourable = this.liquids().map(({ lineId }) => lineId);
    const stock = walk(this.open()?.snapshot.soup.root ?? { id: '', name: '', vessel: 'pot', steps: [] }).find(
      ({ step: one }) => one.op === 'cover',
    )?.step;
    return asked.find((id) => pourable.includes(id)) ?? (stock?.op === 'cover' && ids.has(stock.line) ? stock.line : pourable[0]);
  });
  protected readonly liquid = computed(() => this.liquids().find(({ lineId }) => lineId === this.liquidId()));
  protected readonly ladles = computed(() => this.view()?.kit.ladles ?? []);

  protected readonly undoable = computed(() => {
    const open = this.open();
    const view = this.view();
    if (open === undefined || view === undefined) return undefined;
    const gone = new Set([...view.undone, ...view.late]);
    return [...open.entries]
      .sort((a, b) => a.stamp.counter - b.stamp.counter || a.stamp.seq - b.stamp.seq)
      .findLast(({ id, deed }) => !gone.has(id) && deed.kind !== 'undone');
  });

  protected readonly question = signal<AmountQuestion | undefined>(undefined);
  protected readonly said = signal('');

  constructor() {
    const ladle = (n: number) => () => {
      const measure = this.ladles()[n - 1];
      if (measure !== undefined) this.pour(measure);
    };
    onKeys({
      ...Object.fromEntries(Array.from({ length: 9 }, (_, n) => [String(n + 1), ladle(n + 1)])),
      d: () => {
        this.askDip();
      },
      w: () => {
        this.askWeight();
      },
      a: () => {
        this.askAdd();
      },
      u: () => {
        this.undo();
      },
      ' ': () => {
        this.start();
      },
      Enter: () => {
        this.finish();
      },
    });
  }

  private enter(deed: Deed, said: string): void {
    const open = this.open();
    if (open === undefined) return;
    this.said.set(said);
    void this.batches.enter(open, deed);
  }

  protected pour(measure: Measure): void {
    const step = this.step();
    const liquid = this.liquid();
    if (step === undefined || liquid === undefined) return;
    this.enter(
      { kind: 'poured', stepId: step.id, line: liquid.lineId, vessel: measure.name, volumeM3: measure.volumeM3 },
      `${measure.name} of ${liquid.name} poured.`,
    );
  }

  protected askDip(): void {
    if (this.step() === undefined) return;
    this.question.set({
      kind: 'dip',
      title: 'Dip: how far below the rim?',
      unit: 'cm',
      step: 0.5,
      most: (this.view()?.vessel.depthM ?? 1) * 100,
      start: Math.round(Math.max(0, this.view()?.pot.belowRimM ?? 0) * 200) / 2,
    });
  }

  protected askWeight(): void {
    const view = this.view();
    if (this.step() === undefined || view === undefined) return;
    const tareKg = view.vessel.tareKg;
    this.question.set({
      kind: 'weigh',
      title: `Weigh: pot and all (tare ${tareKg.toFixed(1)} kg is taken off)`,
      unit: 'kg',
      step: 0.1,
      most: 1000,
      start: Math.round((view.pot.massKg + tareKg) * 10) / 10,
    });
  }

  protected askAdd(): void {
    const step = this.step();
    const view = this.view();
    if (step === undefined || view === undefined) return;
    const lines = view.soup.lines.map(({ id }) => ({ id, name: this.nameOf()(id) }));
    const lineId = linesOf(step)[0]?.line ?? lines[0]?.id;
    const toGo = new Map(view.toGoKg);
    const starts = new Map(
      lines.map(({ id }) => [
        id,
        Math.round((toGo.get(id) ?? 0) * (step.op === 'season' && id === step.line ? FOUR_FIFTHS : 1) * 1000),
      ]),
    );
    this.question.set({
      kind: 'add',
      title: 'Add by weight',
      unit: 'g',
      step: 5,
      most: 500_000,
      start: starts.get(lineId ?? '') ?? 0,
      lines,
      lineId,
      starts,
    });
  }

  protected askBowls(): void {
    this.question.set({
      kind: 'bowls',
      title: 'How many bowls went out?',
      unit: 'bowls',
      step: 1,
      most: 20_000,
      start: Math.max(0, Math.floor((this.view()?.forecast.bowls ?? 0) - (this.view()?.dishedBowls ?? 0))),
    });
  }

  protected answered(value: { readonly amount: number; readonly lineId: string | undefined }): void {
    const question = this.question();
    const step = this.step();
    const view = this.view();
    this.question.set(undefined);
    if (question === undefined || view === undefined) return;
    const { amount } = value;
    if (question.kind === 'bowls') {
      this.enter({ kind: 'dished', bowls: amount }, `${String(amount)} bowls counted.`);
      return;
    }
    if (step === undefined) return;
    switch (question.kind) {
      case 'dip':
        this.enter({ kind: 'dipped', stepId: step.id, belowRimM: amount / 100 }, `Dip of ${String(amount)} cm entered.`);
        return;
      case 'weigh':
        this.enter(
          { kind: 'weighed', stepId: step.id, grossKg: amount, tareKg: view.vessel.tareKg },
          `Weight of ${String(amount)} kg entered.`,
        );
        return;
      case 'add':
        if (value.lineId !== undefined && amount > 0) {
          this.enter(
            { kind: 'added', stepId: step.id, line: value.lineId, kg: amount / 1000 },
            `${String(amount)} g of ${this.nameOf()(value.lineId)} added.`,
          );
        }
    }
  }

  protected start(): void {
    const step = this.step();
    if (step === undefined || !this.timed() || this.startedAtMs() !== undefined) return;
    this.enter({ kind: 'started', stepId: step.id }, 'Timer started.');
  }

  protected finish(): void {
    const step = this.step();
    if (step === undefined) {
      if (this.view()?.closed === false) this.enter({ kind: 'closed' }, 'Closed.');
      return;
    }
    const elapsed = this.elapsedMin();
    const cooks = step.op === 'roast' || step.op === 'sweat' || step.op === 'simmer';
    const minutes =
      cooks && elapsed !== undefined && elapsed >= 1 ? { minutes: Math.round(this.cookedMinutes(elapsed) * 10) / 10 } : {};
    this.enter({ kind: 'done', stepId: step.id, ...minutes }, `${stepName(step, this.nameOf())}: done.`);
    if (step.op === 'dish') this.enter({ kind: 'closed' }, 'Closed.');
  }

  /** Minutes at the heat itself: a simmer's clock also runs while the pot comes to the boil, a roast's over every round. */
  private cookedMinutes(elapsed: number): number {
    const step = this.step();
    const all = this.view()?.steps.find(({ stepId }) => stepId === step?.id)?.minutes;
    if (step === undefined || all === undefined || !('minutes' in step)) return elapsed;
    return step.op === 'simmer' ? Math.max(0, elapsed - (all - step.minutes)) : elapsed * (step.minutes / Math.max(all, 1e-9));
  }

  protected undo(): void {
    const target = this.undoable();
    if (target === undefined) return;
    this.enter({ kind: 'undone', target: target.id }, 'Taken back.');
  }
}
