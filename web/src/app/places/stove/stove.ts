import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { BodyReading } from '@tureen/core/body';
import type { Measure } from '@tureen/core/kit';
import { linesOf } from '@tureen/core/soup';
import { RibbonPicture } from '../../parts/ribbon/ribbon';
import { keepAwake } from '../../services/awake';
import { onKeys } from '../../shell/keys';
import { NOTHING_KG } from '../figures';
import { bodyRead } from '../tasted';
import { AmountDialog } from './amount-dialog';
import { Asking } from './asking';
import { BodySheet } from './body-sheet';
import { ChangeSheet } from './change-sheet';
import { DoubtMark } from './doubt-mark';
import { GaugesPanel } from './gauges-panel';
import { Hand } from './hand';
import { HandBar } from './hand-bar';
import { HoldingSheet } from './holding-sheet';
import { saltAdvice, type LandingLine } from './landing';
import { NoteSheet } from './note-sheet';
import { PotPanel } from './pot-panel';
import { Questions } from './questions';
import { RecordSheet } from './record-sheet';
import { StationsColumn } from './stations-column';
import { StepInHand } from './step-in-hand';
import { TasteSheet } from './taste-sheet';
import { TimerStrip } from './timer-strip';
import { VesselsSheet } from './vessels-sheet';
import { WipeLock } from './wipe-lock';

type SheetName = 'body' | 'taste' | 'change' | 'vessels' | 'note' | 'record' | 'holding';

/** The batch being cooked, one step at a time, and everything put in it. */
@Component({
  selector: 'tt-stove',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    AmountDialog,
    BodySheet,
    ChangeSheet,
    DoubtMark,
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
  providers: [Asking, Hand, Questions],
  templateUrl: './stove.html',
  styleUrl: './stove.less',
})
export class Stove {
  protected readonly hand = inject(Hand);
  protected readonly asking = inject(Asking);
  protected readonly questions = inject(Questions);
  readonly batchId = input.required<string>();

  /** Where clocks run, jugs or bowls are counted, these need the room, and the ribbon folds. */
  private readonly folded = computed(
    () =>
      this.hand.step()?.op === 'dish' ||
      this.hand.front()?.jug !== undefined ||
      this.hand.view()?.timers.some(({ silenced }) => !silenced) === true,
  );
  protected readonly ribbon = this.hand.watched.drawn({ height: 116, quiet: true, here: true, folded: this.folded });
  protected readonly unsent = computed(() => this.hand.open()?.keptHere ?? 0);
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
      isIn: (inKg.get(id) ?? 0) > NOTHING_KG,
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
        this.questions.dip();
      },
      w: () => {
        this.questions.weight();
      },
      e: () => {
        this.questions.weighed();
      },
      a: () => {
        this.questions.add();
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
        if (step === undefined || step.op === 'dish') this.questions.bowls();
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
        this.questions.temperature();
      },
      f: () => {
        this.questions.timer();
      },
      Backspace: () => {
        this.hand.goBack();
      },
      ' ': () => {
        this.hand.start();
      },
      Enter: () => {
        const step = this.hand.step();
        if (step === undefined || step.op === 'dish') this.questions.close();
        else this.hand.finish();
      },
    };
    onKeys(keys, () => this.locked() || this.sheet() !== undefined || this.asking.question() !== undefined);
  }

  protected show(sheet: SheetName): void {
    if (this.hand.step() !== undefined && this.asking.question() === undefined) this.sheet.set(sheet);
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
    if (ladleOutKg !== undefined) this.questions.ladledOut(ladleOutKg);
    if (aim === undefined) return;
    this.hand.aimAt(aim.lineId, aim.kg, aim.then);
    if (!this.hand.liquids().some(({ lineId }) => lineId === aim.lineId)) this.questions.add(aim.lineId, aim.kg);
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
