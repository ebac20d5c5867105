import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { BodyReading } from '@tureen/core/body';
import type { Measure } from '@tureen/core/kit';
import { linesOf } from '@tureen/core/soup';
import { RibbonPicture } from '../../parts/ribbon/ribbon';
import { keepAwake } from '../../services/awake';
import { onKeys } from '../../shell/keys';
import { bodyRead } from '../tasted';
import { mass, timeOfDay, wholeBowls } from '../figures';
import { AmountDialog } from './amount-dialog';
import { Asking } from './asking';
import { BodySheet } from './body-sheet';
import { ChangeSheet } from './change-sheet';
import { GaugesPanel } from './gauges-panel';
import { Hand } from './hand';
import { HandBar } from './hand-bar';
import { HoldingSheet } from './holding-sheet';
import { saltAdvice, type LandingLine } from './landing';
import { NoteSheet } from './note-sheet';
import { PotPanel } from './pot-panel';
import { RecordSheet } from './record-sheet';
import { StationsColumn } from './stations-column';
import { StepInHand } from './step-in-hand';
import { TasteSheet } from './taste-sheet';
import { TimerStrip } from './timer-strip';
import { VesselsSheet } from './vessels-sheet';
import { WipeLock } from './wipe-lock';

const FOUR_FIFTHS = 0.8;
/** A weight with the pot in it. */
const GROSS = 'gross';
/** Hotter than this no soup gets: it is kept, and said. */
const HOTTEST_C = 110;

type SheetName = 'body' | 'taste' | 'change' | 'vessels' | 'note' | 'record' | 'holding';

/** The batch being cooked, one step at a time, and everything put in it. */
@Component({
  selector: 'tt-stove',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    AmountDialog,
    BodySheet,
    ChangeSheet,
    GaugesPanel,
    HandBar,
    HoldingSheet,
    NoteSheet,
    PotPanel,
    RecordSheet,
    RibbonPicture,
    RouterLink,
    StationsColumn,
    StepInHand,
    TasteSheet,
    TimerStrip,
    VesselsSheet,
    WipeLock,
  ],
  providers: [Asking, Hand],
  templateUrl: './stove.html',
  styleUrl: './stove.less',
})
export class Stove {
  protected readonly hand = inject(Hand);
  protected readonly asking = inject(Asking);
  readonly batchId = input.required<string>();

  /** While clocks run they need the room, and the ribbon folds. */
  private readonly clocked = computed(() => this.hand.view()?.timers.some(({ silenced }) => !silenced) === true);
  protected readonly ribbon = this.hand.watched.drawn({ height: 116, quiet: true, here: true, folded: this.clocked });
  protected readonly since = computed(() => timeOfDay(this.hand.open()?.batch.startedAtMs ?? 0));
  protected readonly unsent = computed(() => this.hand.open()?.unsentIds.size ?? 0);
  protected readonly sheet = signal<SheetName | undefined>(undefined);
  /** The vessel of which a part is wanted. */
  protected readonly part = signal<Measure | undefined>(undefined);
  protected readonly locked = signal(false);
  protected readonly advice = computed(() => {
    const view = this.hand.view();
    return view === undefined ? '' : saltAdvice(view, this.hand.nameOf(), this.hand.units());
  });
  protected readonly changeable = computed(() => {
    const view = this.hand.view();
    const inKg = new Map(view?.inKg ?? []);
    return (view?.lines ?? []).map(({ lineId: id, ingredient }) => ({
      id,
      ingredient,
      name: this.hand.nameOf()(id),
      isIn: (inKg.get(id) ?? 0) > 0.0005,
    }));
  });
  /** Lines that the step in hand takes. */
  protected readonly ofStep = computed(() => {
    const step = this.hand.step();
    return step === undefined ? [] : linesOf(step).map(({ line }) => line);
  });

  constructor() {
    effect(() => {
      this.hand.batchId.set(this.batchId());
    });
    keepAwake(computed(() => this.hand.view()?.closed === false));
    const ladle = (n: number) => () => {
      const measure = this.hand.view()?.kit.ladles[n - 1];
      if (measure !== undefined) this.hand.pour(measure);
    };
    const keys = {
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
        this.hand.undo();
      },
      b: () => {
        this.show('body');
      },
      t: () => {
        this.show('taste');
      },
      x: () => {
        this.show('change');
      },
      n: () => {
        this.show('note');
      },
      r: () => {
        this.sheet.set('record');
      },
      l: () => {
        this.locked.set(true);
      },
      j: () => {
        this.hand.jugged();
      },
      c: () => {
        const step = this.hand.step();
        if (step === undefined || step.op === 'dish') this.askBowls();
      },
      o: () => {
        if (this.hand.front()?.hour !== undefined) this.show('holding');
      },
      v: () => {
        this.part.set(undefined);
        this.show('vessels');
      },
      m: () => {
        const [other] = this.hand.beside();
        if (other !== undefined) this.hand.take(other.step.id);
      },
      h: () => {
        this.askTemperature();
      },
      f: () => {
        this.askTimer();
      },
      Backspace: () => {
        this.hand.goBack();
      },
      ' ': () => {
        this.hand.start();
      },
      Enter: () => {
        this.hand.finish();
      },
    };
    onKeys(keys, () => this.locked() || this.sheet() !== undefined || this.asking.question() !== undefined);
  }

  protected show(sheet: SheetName): void {
    if (this.hand.step() !== undefined && this.asking.question() === undefined) this.sheet.set(sheet);
  }

  protected askDip(): void {
    const step = this.hand.step();
    const front = this.hand.front();
    if (step === undefined || front === undefined) return;
    this.asking.ask(
      {
        title: 'Dip: how far below the rim?',
        unit: 'cm',
        step: 0.5,
        most: (this.hand.view()?.vessel.depthM ?? 1) * 100,
        start: Math.round(Math.max(0, front.pot.belowRimM) * 200) / 2,
      },
      ({ amount, text }) => {
        this.hand.enter({ kind: 'dipped', stepId: step.id, belowRimM: amount / 100 }, `Dip of ${text} entered.`);
      },
    );
  }

  protected askWeight(): void {
    const step = this.hand.step();
    const front = this.hand.front();
    const view = this.hand.view();
    if (step === undefined || front === undefined || view === undefined) return;
    const { tareKg, name } = view.vessel;
    const tare = mass(tareKg, this.hand.units());
    const { massKg } = front.pot;
    this.asking.ask(
      {
        title: 'Weigh the pot',
        unit: 'kg',
        step: 0.1,
        most: 1000,
        start: Math.round((massKg + tareKg) * 10) / 10,
        from: 'scale',
        lines: [
          { id: GROSS, name: `Pot and all: ${tare} tare taken off` },
          { id: 'net', name: 'Scale tared: nothing taken off' },
        ],
        lineId: GROSS,
        starts: new Map([
          [GROSS, massKg + tareKg],
          ['net', massKg],
        ]),
        note: `Less than ${tare} is less than the empty ${name.toLowerCase()} weighs: such a figure is kept, and not used.`,
      },
      ({ amount, lineId, text }) => {
        const isGross = lineId === GROSS;
        this.hand.enter(
          { kind: 'weighed', stepId: step.id, grossKg: amount, tareKg: isGross ? tareKg : 0 },
          isGross && amount < tareKg
            ? `${text} is less than the empty pot: kept, not used. Another pot, or its tare in the kit is wrong.`
            : `Weight of ${text} entered.`,
        );
      },
    );
  }

  protected askAdd(lineId = this.hand.aimed()?.lineId, kg = this.hand.aimed()?.leftKg): void {
    const step = this.hand.step();
    const view = this.hand.view();
    if (step === undefined || view === undefined) return;
    const lines = view.soup.lines.map(({ id }) => ({ id, name: this.hand.nameOf()(id) }));
    const chosen = lineId ?? linesOf(step)[0]?.line ?? lines[0]?.id;
    const toGo = new Map(view.toGoKg);
    const starts = new Map(
      lines.map(({ id }) => {
        const wanted = (toGo.get(id) ?? 0) * (step.op === 'season' && id === step.line ? FOUR_FIFTHS : 1);
        return [id, Math.round((id === lineId && kg !== undefined ? kg : wanted) * 1000)];
      }),
    );
    this.asking.ask(
      {
        title: 'Add by weight',
        unit: 'g',
        step: 5,
        most: 500_000,
        start: starts.get(chosen ?? '') ?? 0,
        lines,
        lineId: chosen,
        starts,
      },
      ({ amount, lineId: line }) => {
        if (line !== undefined) this.hand.add(line, amount / 1000);
      },
    );
  }

  protected askTemperature(): void {
    const step = this.hand.step();
    const front = this.hand.front();
    if (step === undefined || front === undefined) return;
    this.asking.ask(
      { title: 'How hot is it?', unit: '°C', step: 1, most: 400, start: Math.round(front.pot.tempC), from: 'probe' },
      ({ amount }) => {
        this.hand.enter(
          { kind: 'temperature', stepId: step.id, tempC: amount },
          amount > HOTTEST_C
            ? `${String(amount)} °C is kept, but soup does not get that hot: look at the probe.`
            : `${String(amount)} °C entered.`,
        );
      },
    );
  }

  protected askTimer(): void {
    this.asking.ask({ title: 'A timer beside the steps', unit: 'min', step: 1, most: 600, start: 5 }, ({ amount }) => {
      const count = (this.hand.view()?.timers ?? []).filter(({ stepId }) => stepId === undefined).length + 1;
      this.hand.timer(`Timer ${String(count)}`, amount);
    });
  }

  protected askBowls(): void {
    const view = this.hand.view();
    if (view === undefined || view.closed) return;
    const left = (bowls: number, out: number): number => wholeBowls(bowls - out);
    const [first, ...others] = view.shares;
    const shared = first !== undefined && others.length > 0;
    const starts = new Map(view.shares.map(({ id, bowls }) => [id, left(bowls, view.out.byShare.get(id) ?? 0)]));
    const all = left(view.forecast.bowls, view.dishedBowls ?? 0);
    this.asking.ask(
      {
        title: 'How many bowls went out?',
        unit: 'bowls',
        step: 1,
        most: 20_000,
        start: shared ? (starts.get(first.id) ?? 0) : all,
        ...(shared ? { lines: view.shares.map(({ id, name }) => ({ id, name })), lineId: first.id, starts } : {}),
      },
      ({ amount, lineId }) => {
        const share = shared ? view.shares.find(({ id }) => id === lineId) : undefined;
        this.hand.enter(
          { kind: 'dished', bowls: amount, ...(share === undefined ? {} : { share: share.id }) },
          `${String(amount)} bowls counted${share === undefined ? '' : `, ${share.name}`}.`,
        );
      },
    );
  }

  protected bodyRead(reading: BodyReading): void {
    const step = this.hand.step();
    this.sheet.set(undefined);
    this.hand.stopAiming();
    if (step !== undefined) this.hand.enter({ kind: 'body', stepId: step.id, reading }, `Body read: ${bodyRead(reading)}.`);
  }

  protected noted({ text, photo }: { readonly text: string; readonly photo: string | undefined }): void {
    this.sheet.set(undefined);
    const stepId = this.hand.step()?.id;
    this.hand.enter(
      { kind: 'note', text, ...(stepId === undefined ? {} : { stepId }), ...(photo === undefined ? {} : { photo }) },
      'Noted.',
    );
  }

  protected land({ aim, ladleOutKg }: LandingLine): void {
    const step = this.hand.step();
    if (ladleOutKg !== undefined && step !== undefined) {
      this.asking.ask(
        { title: 'Ladled into another pot', unit: 'kg', step: 0.1, least: 0.01, most: 500, start: Math.ceil(ladleOutKg * 10) / 10 },
        ({ amount, text }) => {
          this.hand.enter({ kind: 'ladled out', stepId: step.id, kg: amount, as: 'to another pot' }, `${text} into another pot.`);
        },
      );
    }
    if (aim === undefined) return;
    this.hand.aimAt(aim.lineId, aim.kg, aim.then);
    if (!this.hand.liquids().some(({ lineId }) => lineId === aim.lineId)) this.askAdd(aim.lineId, aim.kg);
  }

  protected lookAgain(how: string): void {
    this.hand.stopAiming();
    this.show(how === 'taste' ? 'taste' : 'body');
  }

  protected longer(timer: string): void {
    this.hand.enter({ kind: 'longer', timer, minutes: 1 }, 'A minute more.');
  }

  protected heard(timer: string): void {
    this.hand.enter({ kind: 'silenced', timer }, 'Timer stopped.');
  }
}
