import { computed, inject, Injectable } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { linesOf } from '@tureen/core/soup';
import { LEAVES_AS } from '@tureen/core/steps';
import { Devices } from '../../services/devices';
import { mass, wholeBowls } from '../figures';
import { Asking } from './asking';
import { Hand } from './hand';

const FOUR_FIFTHS = 0.8;
/** A weight with the pot in it. */
const GROSS = 'gross';
/** Hotter than this no soup gets: it is kept, and said. */
const HOTTEST_C = 110;

/** What becomes of what is left when service is over. */
const KEPT = 'to the cold';
const RESTS = [
  { id: KEPT, name: 'To the cold' },
  { id: 'staff meal', name: 'Staff meal' },
  { id: 'thrown away', name: 'Thrown away' },
] as const;

/** Questions of the hand bar with a number for their answer, and the entry that each becomes. */
@Injectable()
export class Questions {
  private readonly hand = inject(Hand);
  private readonly asking = inject(Asking);
  private readonly devices = toSignal(inject(Devices).devices$, { initialValue: [] });
  /** What a scale that is heard and at rest says right now; nothing for what stands on a tray. */
  readonly scaleKg = computed(() => {
    const front = this.hand.front();
    const inPot = front !== undefined && front.branchId === this.hand.view()?.soup.root.id && front.pot.massKg > 0;
    const scale = this.devices().find(({ kind, fresh, steady, value }) => kind === 'scale' && fresh && steady && (value ?? 0) > 0);
    return inPot ? scale?.value : undefined;
  });

  /**
   * Ends the batch. Where bowls were counted and soup is still in the pot that nothing was said of, it is asked what becomes of it:
   * a record that loses half a kilo without a word is no record.
   */
  close(): void {
    const view = this.hand.view();
    const leftKg = (this.hand.front()?.pot.massKg ?? view?.pot.massKg ?? 0) - (view?.output.storedKg ?? 0);
    if (view === undefined || (view.dishedBowls ?? 0) <= 0 || leftKg * 1000 < view.request.bowlG / 2) {
      this.hand.finish();
      return;
    }
    this.askOfRest(leftKg, view.request.bowlG / 2000);
  }

  /** What becomes of what is left in the pot, part by part, until it is less than is worth a question; then the batch is closed. */
  private askOfRest(leftKg: number, leastKg: number): void {
    const left = mass(leftKg, this.hand.units());
    this.asking.ask(
      {
        title: 'What becomes of the rest?',
        unit: 'kg',
        step: 0.1,
        least: 0,
        most: 500,
        start: Math.round(leftKg * 100) / 100,
        lines: RESTS,
        lineId: KEPT,
        note: `By the sums ${left} are still in the pot. Say what goes where; 0 where nothing is left. Then the batch is closed.`,
      },
      ({ amount, text, lineId }) => {
        const dish = this.hand.step();
        const as = LEAVES_AS.find((one) => one === lineId);
        if (amount > 0 && as !== undefined && dish !== undefined)
          this.hand.enter({ kind: 'ladled out', stepId: dish.id, kg: amount, as }, `${text}: ${as}.`);
        else if (amount > 0) this.hand.enter({ kind: 'stored', kg: amount }, `${text} to the cold.`);
        const restKg = leftKg - amount;
        if (amount > 0 && restKg >= leastKg) this.askOfRest(restKg, leastKg);
        else this.hand.finish();
      },
    );
  }

  dip(): void {
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

  weight(): void {
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

  /**
   * What the scale says, entered at one touch. Whether the pot's own weight is in it is told by which of the two is nearer to
   * what is reckoned to stand there; what was taken off is said.
   */
  weighed(): void {
    const shownKg = this.scaleKg();
    const step = this.hand.step();
    const front = this.hand.front();
    const view = this.hand.view();
    if (shownKg === undefined || step === undefined || front === undefined || view === undefined) return;
    const { tareKg } = view.vessel;
    const isNet = Math.abs(shownKg - front.pot.massKg) < Math.abs(shownKg - front.pot.massKg - tareKg);
    const units = this.hand.units();
    this.hand.enter(
      { kind: 'weighed', stepId: step.id, grossKg: shownKg, tareKg: isNet ? 0 : tareKg },
      `${mass(shownKg, units)} from the scale, ${isNet ? 'tared: nothing taken off' : `tare ${mass(tareKg, units)} taken off`}.`,
    );
  }

  add(lineId = this.hand.aimed()?.lineId, kg = this.hand.aimed()?.leftKg): void {
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

  temperature(): void {
    const step = this.hand.step();
    const front = this.hand.front();
    if (step === undefined || front === undefined) return;
    this.asking.ask(
      { title: 'How hot is it?', unit: '°C', step: 1, most: 400, start: Math.round(front.pot.tempC), from: 'probe' },
      ({ amount, text }) => {
        this.hand.enter(
          { kind: 'temperature', stepId: step.id, tempC: amount },
          amount > HOTTEST_C ? `${text} is kept, but soup does not get that hot: look at the probe.` : `${text} entered.`,
        );
      },
    );
  }

  timer(): void {
    this.asking.ask({ title: 'A timer beside the steps', unit: 'min', step: 1, most: 600, start: 5 }, ({ amount }) => {
      const count = (this.hand.view()?.timers ?? []).filter(({ stepId }) => stepId === undefined).length + 1;
      this.hand.timer(`Timer ${String(count)}`, amount);
    });
  }

  bowls(): void {
    const view = this.hand.view();
    if (view === undefined || view.closed) return;
    const left = (bowls: number, out: number): number => wholeBowls(bowls - out);
    const [first, ...others] = view.shares;
    const shared = first !== undefined && others.length > 0;
    const starts = new Map(view.shares.map(({ id, whole }) => [id, left(whole, view.output.byShare.get(id) ?? 0)]));
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

  /** So much into another pot, as a way to land asks for. */
  ladledOut(kg: number): void {
    const step = this.hand.step();
    if (step === undefined) return;
    this.asking.ask(
      { title: 'Ladled into another pot', unit: 'kg', step: 0.1, least: 0.01, most: 500, start: Math.ceil(kg * 10) / 10 },
      ({ amount, text }) => {
        this.hand.enter({ kind: 'ladled out', stepId: step.id, kg: amount, as: 'to another pot' }, `${text} into another pot.`);
      },
    );
  }
}
