import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import { cautionSentence, hurts, stepSentence, stepTest } from '@tureen/core/messages';
import { linesOf } from '@tureen/core/soup';
import { showMinutes } from '@tureen/core/units';
import { Photo } from '../../parts/photo';
import { actionText } from '../action-text';
import { mass, NOTHING_KG } from '../figures';
import { unplannedOf } from '../unplanned';
import { Asking } from './asking';
import { DishPanel } from './dish-panel';
import { bigFigure } from './figure';
import { FinishPanel } from './finish-panel';
import { Hand } from './hand';
import { JugPanel } from './jug-panel';
import type { LandingLine } from './landing';
import { LandingPanel } from './landing-panel';
import { Questions } from './questions';

/** Reasons that are offered for a skip, never demanded. */
const REASONS = ['not needed', 'done before', 'no time', 'ran out'] as const;
/** Steps before which it is asked whether all is in. */
const LAST_CALLS: ReadonlySet<string> = new Set(['simmer', 'pressure', 'blend', 'season', 'cream', 'liaison', 'film', 'dish']);
/** Of what lies beside the pot, given back at one touch. */
const SHARES = [
  { name: 'a quarter', share: 0.25 },
  { name: 'half', share: 0.5 },
  { name: 'all of it', share: 1 },
] as const;

/** One step: what to do, its figure, its test, its caution, and what ends it. */
@Component({
  selector: 'tt-step-in-hand',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DishPanel, FinishPanel, JugPanel, LandingPanel, Photo, RouterLink],
  templateUrl: './step-in-hand.html',
  styleUrl: './step-in-hand.less',
})
export class StepInHand {
  protected readonly hand = inject(Hand);
  private readonly asking = inject(Asking);
  protected readonly questions = inject(Questions);
  readonly bowls = output();
  readonly holding = output();
  readonly land = output<LandingLine>();
  /** What was landed is to be read or tasted again. */
  readonly again = output<string>();
  readonly timer = output();
  /** Something is not as planned. */
  readonly unplanned = output();
  protected readonly reasons = REASONS;
  protected readonly backShares = SHARES;
  protected readonly skipping = linkedSignal({ source: this.hand.step, computation: () => false });

  protected readonly sentence = computed(() => {
    const step = this.hand.step();
    return step === undefined ? '' : stepSentence(step, this.hand.nameOf(), this.hand.units());
  });
  protected readonly test = computed(() => {
    const step = this.hand.step();
    return step === undefined ? undefined : [step.say, stepTest(step)].filter((text) => text !== undefined).join(' ');
  });
  protected readonly figure = computed(() => {
    const front = this.hand.front();
    const view = this.hand.view();
    return front === undefined || view === undefined
      ? undefined
      : bigFigure(front, view, this.hand.units(), this.hand.elapsedMin());
  });
  protected readonly timerText = computed(() => {
    const elapsed = this.hand.elapsedMin();
    if (elapsed === undefined) return undefined;
    const seconds = Math.floor(elapsed * 60);
    return `${String(Math.floor(seconds / 60))}:${String(seconds % 60).padStart(2, '0')}`;
  });
  protected readonly shares = computed(() => {
    const step = this.hand.step();
    const view = this.hand.view();
    if (step === undefined || view === undefined) return [];
    const toGo = new Map(view.toGoKg);
    return linesOf(step)
      .map(({ line }) => ({
        name: this.hand.nameOf()(line),
        cut: view.soup.lines.find(({ id }) => id === line)?.cut?.name,
        kg: toGo.get(line) ?? 0,
      }))
      .filter(({ kg }) => kg > 0)
      .map(({ name, cut, kg }) => ({ name, cut, amount: mass(kg, this.hand.units()) }));
  });
  protected readonly cautions = computed(() =>
    (this.hand.front()?.cautions ?? [])
      // The jug's own panel says this one, with its fill line.
      .filter(({ code }) => code !== 'HOT_JUG' || this.hand.front()?.jug === undefined)
      .slice(0, 2)
      .map((caution) => ({ text: cautionSentence(caution, this.hand.nameOf(), this.hand.units()), hurts: hurts(caution) })),
  );
  /** What has been forgotten, before a boil, a blade, a finish, or the last of it. */
  protected readonly missing = computed(() => {
    const view = this.hand.view();
    if (view === undefined || !LAST_CALLS.has(this.hand.step()?.op ?? '')) return '';
    const units = this.hand.units();
    return view.missing
      .map(({ lineId, inKg, plannedKg }) => {
        const name = this.hand.nameOf()(lineId);
        return inKg > NOTHING_KG
          ? `${name}, ${mass(inKg, units)} of ${mass(plannedKg, units)}`
          : `${name}, ${mass(plannedKg, units)}`;
      })
      .join('; ');
  });
  protected readonly dishing = computed(() => this.hand.step()?.op === 'dish');
  protected readonly givesBack = computed(() => {
    const step = this.hand.step();
    return step?.op === 'giveBack' ? step.lines.map((id) => ({ id, name: this.hand.nameOf()(id) })) : [];
  });
  protected readonly sieves = computed(() => this.hand.step()?.op === 'sieve');
  protected readonly foam = computed(() => {
    const foam = this.hand.front()?.foam;
    const op = this.hand.step()?.op;
    if (foam === undefined || op === 'blend') return undefined;
    const litres = (m3: number): string => (m3 * 1000).toFixed(1);
    return `Foam: ${litres(foam.nowM3)} L now, ${litres(foam.settledM3)} L once it has settled.`;
  });

  /** What has been changed against the plan, for whoever stands at the counter. */
  protected readonly changed = computed(() => {
    const changes = this.hand.view()?.changes;
    return changes === undefined ? [] : unplannedOf(changes, this.hand.nameOf());
  });
  protected readonly allergens = computed(() => {
    const found = this.hand.view()?.forecast.facts?.allergens ?? [];
    return found.length === 0 ? 'none of the 14' : found.join(', ');
  });
  /** Entries at steps that nobody could be at yet: they count, and somebody should look. */
  protected readonly early = computed(() => {
    const view = this.hand.view();
    const open = this.hand.open();
    if (view === undefined || open === undefined || view.early.length === 0) return undefined;
    const early = new Set(view.early);
    const first = open.entries.find(({ id }) => early.has(id));
    if (first === undefined) return undefined;
    const what = actionText(first.action, view.soup, this.hand.nameOf(), this.hand.units());
    const others = early.size > 1 ? ` and ${String(early.size - 1)} more` : '';
    return `Entered at a step that has not begun: ${what}${others}. It is kept and counts there; take it back in the record (R) if that is wrong.`;
  });
  protected readonly ended = computed(() => {
    const view = this.hand.view();
    if (view === undefined) return '';
    const bowls = view.dishedBowls === undefined ? '' : `, ${String(view.dishedBowls)} bowls counted`;
    const units = this.hand.units();
    return `${mass(view.forecast.cookedKg, units)} cooked, ${mass(view.planned.cookedKg, units)} planned${bowls}.`;
  });
  protected readonly last = computed(() => showMinutes(this.hand.view()?.forecast.minutes ?? 0));

  protected giveBack(line: string, share: number): void {
    const step = this.hand.step();
    if (step !== undefined) {
      this.hand.enter({ kind: 'gave back', stepId: step.id, line, share }, `${this.hand.nameOf()(line)} given back.`);
    }
  }

  protected weighSieve(): void {
    const step = this.hand.step();
    if (step === undefined) return;
    this.asking.ask(
      {
        title: 'What stayed in the sieve, scraped?',
        unit: 'g',
        step: 10,
        most: 20_000,
        start: 0,
        note: 'Weighed, it replaces the estimate of the loss.',
      },
      ({ amount, text }) => {
        this.hand.enter({ kind: 'sieved', stepId: step.id, lostKg: amount / 1000 }, `${text} stayed in the sieve.`);
      },
    );
  }
}
