import { deepEqual } from 'fast-equals';
import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { brimM3, type Kit } from '@tureen/core/kit';
import { namer, planErrorSentence, STANDING_LINE, stopNamer } from '@tureen/core/messages';
import { LEAST_BOWL_G, MOST_BOWLS, MOST_BOWL_G } from '@tureen/core/plan';
import { varied } from '@tureen/core/soup';
import { showMinutes, showVolume } from '@tureen/core/units';
import type { StoredPlan } from '@tureen/server/api';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { combineLatest, debounceTime, from, of, switchMap } from 'rxjs';
import { NumberField } from '../../parts/number-field';
import { Cooking } from '../../cooking/cooking';
import { pictureOf } from '../../parts/ribbon/picture';
import { RibbonPicture } from '../../parts/ribbon/ribbon';
import { Figure } from '../../parts/why/figure';
import { Batches } from '../../services/batches';
import { newId } from '../../services/device';
import { OWN_TIME } from '../../services/own-time';
import { Kitchen } from '../../services/kitchen';
import { isNarrow } from '../../services/narrow';
import { Plans } from '../../services/plans';
import { Soups } from '../../services/soups';
import { Stock } from '../../services/stock';
import { onKeys } from '../../shell/keys';
import { day, mass } from '../figures';
import { requestOf, cartonsOf, isSameRequest, NOTHING_YET, SIDES, wantedOf, type By, type Wanted } from './anchors';
import { PANELS, type PanelName } from './panels';
import { Choice } from '../../parts/choice';
import { KeptBowlsLine } from './kept-bowls';
import { KeptParts, takenFor } from './kept-parts';
import { MoneyPanel } from './money-panel';
import { OddsPanel } from './odds-panel';
import { PullList } from './pull-list';
import { SideBySide } from './side-by-side';
import { StationPanel } from './station-panel';
import { cautionRows, containsText, dietsText, isAbsurd, oddRows, waysOut } from './plan-words';

const KEYSTROKE_MS = 60;
const RIBBON_PX = 170;
/** Round numbers of bowls, one touch each. */
const ROUND = [10, 20, 40, 60, 80, 120] as const;

/** What of a kept plan the screen goes by; its snapshot is of the same ask. */
function essenceOf(plan: StoredPlan | undefined): unknown {
  return plan === undefined ? undefined : [plan.id, plan.version, plan.request, plan.ticks, plan.bowlPrice];
}

/** This soup, that much of it, this pot: what to pull, what does not scale, what to mind; then start. */
@Component({
  selector: 'tt-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Figure,
    FormsModule,
    Choice,
    KeptBowlsLine,
    KeptParts,
    MoneyPanel,
    NumberField,
    NzSelectModule,
    OddsPanel,
    PullList,
    RibbonPicture,
    RouterLink,
    SideBySide,
    StationPanel,
  ],
  templateUrl: './plan.html',
  styleUrl: './plan.less',
})
export class PlanPlace {
  private readonly ownMs = inject(OWN_TIME);
  private readonly router = inject(Router);
  private readonly batches = inject(Batches);
  private readonly plans = inject(Plans);
  private readonly soups = inject(Soups);
  private readonly kitchen = inject(Kitchen);
  private readonly cooking = inject(Cooking);
  private readonly stock = inject(Stock);
  private readonly narrow = isNarrow();
  readonly soupId = input.required<string>();
  /** A plan that was kept, to go on with. */
  readonly plan = input<string | undefined>();

  protected readonly mostBowls = MOST_BOWLS;
  protected readonly leastG = LEAST_BOWL_G;
  protected readonly mostG = MOST_BOWL_G;
  protected readonly standing = STANDING_LINE;
  protected readonly round = ROUND;
  protected readonly panels = PANELS;
  protected readonly panel = signal<PanelName>('pull');

  private readonly kitchenAnswer = toSignal(this.kitchen.kitchen$);
  protected readonly rows = toSignal(this.kitchen.rows$, { initialValue: [] });
  private readonly keptAnswer = toSignal(
    combineLatest([toObservable(this.plan), this.plans.plans$]).pipe(
      switchMap(([id]) => (id === undefined || id === '' ? of(undefined) : this.plans.one(id))),
    ),
  );
  /** Fetched again on every change anywhere; only what is not the same may undo what is being typed here. */
  protected readonly storedPlan = computed(
    () => {
      const answer = this.keptAnswer();
      return answer?.ok === true ? answer.value : undefined;
    },
    { equal: (a, b) => deepEqual(essenceOf(a), essenceOf(b)) },
  );
  private readonly plansAnswer = toSignal(this.plans.plans$);
  /** The batch that was started from this plan: from then on it stays as it is. */
  protected readonly startedBatch = computed(() => {
    const answer = this.plansAnswer();
    const id = this.plan();
    return answer?.ok === true ? (answer.value.plans.find((one) => one.id === id)?.batchId ?? undefined) : undefined;
  });

  private readonly version = computed(() => this.storedPlan()?.version);
  private readonly answer = toSignal(
    combineLatest([toObservable(this.soupId), toObservable(this.version)]).pipe(
      switchMap(([id, version]) => this.soups.one(id, version)),
    ),
  );
  protected readonly kept = computed(() => {
    const answer = this.answer();
    return answer?.ok === true ? answer.value : undefined;
  });
  protected readonly kit = computed((): Kit | undefined => {
    const answer = this.kitchenAnswer();
    return answer?.ok === true ? (answer.value.kit ?? undefined) : undefined;
  });
  protected readonly trouble = computed(() => {
    const answer = this.answer();
    if (answer?.ok === false) return answer.refusal.sentence;
    const plan = this.keptAnswer();
    if (plan?.ok === false) return plan.refusal.sentence;
    const kitchen = this.kitchenAnswer();
    if (kitchen?.ok === true && kitchen.value.kit === null) return 'No kitchen is set up yet. Choose one on the Shelf first.';
    return undefined;
  });
  protected readonly units = computed(() => this.kit()?.units ?? 'metric');

  private readonly storedRequest = computed(() => this.storedPlan()?.request, {
    equal: deepEqual,
  });
  protected readonly wanted = linkedSignal<Wanted>(() => {
    const request = this.storedRequest();
    if (request !== undefined) return wantedOf(request);
    return { ...NOTHING_YET, bowlG: this.kept()?.soup.writtenFor.bowlG ?? null };
  });
  protected readonly soup = computed(() => {
    const soup = this.kept()?.soup;
    return soup === undefined ? undefined : varied(soup, this.wanted().variant);
  });
  protected readonly sides = computed(() => {
    const soup = this.kept()?.soup;
    const hasTrays = (this.kit()?.trays.length ?? 0) > 0 && soup?.school === 'roast';
    const cartons = this.cartons().length > 0;
    return SIDES.filter(({ by }) => (by === 'trays' ? hasTrays : by === 'carton' ? cartons : true));
  });
  protected readonly cartons = computed(() => {
    const soup = this.soup();
    return soup === undefined ? [] : cartonsOf(soup, this.rows());
  });
  protected readonly cartonAt = computed(() => {
    const { line, cartonKg } = this.wanted();
    return this.cartons().findIndex((one) => one.line === line && one.cartonKg === cartonKg);
  });
  protected readonly handy = computed(() => {
    const soup = this.soup();
    const byId = new Map(this.rows().map((row) => [row.id, row.name]));
    return [...new Set(soup?.lines.filter(({ amount }) => amount.rule === 'scaled').map(({ ingredient }) => ingredient) ?? [])].map(
      (id) => ({ id, name: (byId.get(id)?.split(',')[0] ?? id).toLowerCase() }),
    );
  });
  /** Lines that may be left out this time. */
  protected readonly optional = computed(() => {
    const without = new Set(this.wanted().without);
    const byId = new Map(this.rows().map((row) => [row.id, row.name]));
    return (this.soup()?.lines ?? [])
      .filter((line) => line.optional === true)
      .map(({ id, ingredient }) => ({
        id,
        left: without.has(id),
        name: (byId.get(ingredient)?.split(',')[0] ?? id).toLowerCase(),
      }));
  });
  protected readonly pots = computed(
    () =>
      this.kit()?.pots.map((pot) => {
        const { digits, unit } = showVolume(brimM3(pot), this.units());
        return { id: pot.id, name: `${pot.name}, ${digits} ${unit}` };
      }) ?? [],
  );
  protected readonly unit = computed(() => SIDES.find(({ by }) => by === this.wanted().by)?.unit ?? '');
  protected readonly open = computed(() => {
    const soup = this.soup();
    const kit = this.kit();
    return soup === undefined || kit === undefined ? undefined : requestOf(this.wanted(), soup, kit);
  });

  private readonly inputs = computed(() => ({ open: this.open(), soup: this.kept()?.soup }));
  private readonly planned = toSignal(
    combineLatest([toObservable(this.inputs), this.cooking.stocked$]).pipe(
      debounceTime(KEYSTROKE_MS),
      switchMap(([{ open, soup }]) =>
        open === undefined || soup === undefined ? of(undefined) : from(this.cooking.calculator.plan(soup, open)),
      ),
    ),
  );
  protected readonly request = computed(() => this.planned()?.request);
  protected readonly view = computed(() => {
    const outcome = this.planned()?.outcome;
    return this.open() !== undefined && outcome?.ok === true ? outcome.view : undefined;
  });
  protected readonly rounded = computed(() => this.planned()?.rounded);
  protected readonly error = computed(() => {
    const outcome = this.planned()?.outcome;
    return this.open() !== undefined && outcome?.ok === false ? outcome.error : undefined;
  });
  protected readonly errorSentence = computed(() => {
    const error = this.error();
    return error === undefined ? '' : planErrorSentence(error);
  });
  protected readonly ways = computed(() => waysOut(this.error()));
  protected readonly isAbsurd = computed(() => isAbsurd(this.wanted()));

  protected readonly nameOf = computed(() => {
    const soup = this.view()?.soup ?? this.soup();
    const kept = this.wanted().kept.map(({ row }) => row);
    return soup === undefined ? (id: string) => id : namer(soup, [...this.rows(), ...kept]);
  });
  protected readonly ribbon = computed(() => {
    const view = this.view();
    if (view === undefined) return undefined;
    const { soup, ribbon } = view;
    const nameOf = this.nameOf();
    return pictureOf({
      ribbon,
      nameOf,
      stationName: stopNamer(soup, nameOf),
      units: this.units(),
      height: RIBBON_PX,
      strip: this.narrow() ? 'narrow' : undefined,
    });
  });
  protected readonly odd = computed(() => oddRows(this.view()?.notScaling ?? [], this.units()));
  protected readonly cautions = computed(() => cautionRows(this.view()?.cautions ?? [], this.nameOf(), this.units()));

  protected readonly cooked = computed(() => mass(this.view()?.figures.cookedKg ?? 0, this.units()) + ' cooked');
  protected readonly minutes = computed(() => showMinutes(this.view()?.figures.minutes ?? 0));
  /** What the sentence of fields says, in words, for the head of the paper. */
  protected readonly onPaper = computed(() => {
    const view = this.view();
    if (view === undefined) return '';
    const { bowls } = view.figures;
    return `${bowls.toFixed(0)} bowls of ${view.request.bowlG.toFixed(0)} g in the ${view.vessel.name.toLowerCase()}: ${this.cooked()}, ${this.minutes()} from the first knife. Printed ${day(this.ownMs())}.`;
  });
  protected readonly contains = computed(() => containsText(this.view()?.figures.facts));
  protected readonly diets = computed(() => dietsText(this.view()?.figures.facts));

  protected readonly ticks = linkedSignal<ReadonlySet<string>>(() => new Set(this.storedPlan()?.ticks ?? []));
  protected readonly bowlPrice = linkedSignal<number | null>(() => this.storedPlan()?.bowlPrice ?? null);
  protected readonly busy = signal(false);
  protected readonly refused = signal('');
  protected readonly said = signal('');
  private readonly batchId = newId();
  private readonly freshId = newId();
  /** Whether what is on the screen is what the kept plan says. */
  protected readonly isKept = computed(() => {
    const plan = this.storedPlan();
    return plan !== undefined && isSameRequest(plan.request, this.request());
  });

  constructor() {
    onKeys({
      Enter: () => void this.start(),
      k: () => void this.keep(),
      ...Object.fromEntries(
        PANELS.map(({ value, key }) => [
          key,
          () => {
            this.panel.set(value);
          },
        ]),
      ),
    });
  }

  protected want(change: Partial<Wanted>): void {
    this.wanted.update((have) => ({ ...have, ...change }));
  }

  protected leave(lineId: string): void {
    const { without } = this.wanted();
    this.want({ without: without.includes(lineId) ? without.filter((id) => id !== lineId) : [...without, lineId] });
  }

  protected turn(by: By): void {
    const [carton] = this.cartons();
    this.want({
      by,
      amount: by === 'carton' || by === 'trays' || by === 'jugs' ? 1 : null,
      potId: undefined,
      ingredient: by === 'on hand' ? this.handy()[0]?.id : undefined,
      line: by === 'carton' ? carton?.line : undefined,
      cartonKg: by === 'carton' ? (carton?.cartonKg ?? null) : null,
    });
  }

  protected takeCarton(at: number): void {
    const carton = this.cartons()[at];
    if (carton !== undefined) this.want({ line: carton.line, cartonKg: carton.cartonKg });
  }

  protected async tick({ tick, on }: { tick: string; on: boolean }): Promise<void> {
    this.ticks.update((have) => {
      const next = new Set(have);
      if (on) next.add(tick);
      else next.delete(tick);
      return next;
    });
    await this.note();
  }

  protected async priced(price: number | null): Promise<void> {
    this.bowlPrice.set(price);
    await this.note();
  }

  /** What is ticked and priced is kept with the plan, which is kept for it if it was not. */
  private async note(): Promise<void> {
    const id = this.plan() ?? (await this.keep());
    if (id === undefined) return;
    const answer = await this.plans.note(id, { ticks: [...this.ticks()], bowlPrice: this.bowlPrice() });
    if (!answer.ok) this.refused.set(answer.refusal.sentence);
  }

  /** Keeps the plan as it stands: a new one, or the one that was being changed. @returns its id where that went well. */
  protected async keep(): Promise<string | undefined> {
    const open = this.open();
    const kept = this.kept();
    if (open === undefined || kept === undefined) return undefined;
    // What was changed a moment ago counts: the plan on the screen may be a keystroke behind.
    const planned = await this.cooking.calculator.plan(kept.soup, open);
    if (planned?.outcome.ok !== true) return undefined;
    const { request } = planned;
    const id = this.plan();
    this.refused.set('');
    if (id !== undefined && this.startedBatch() === undefined) {
      const answer = await this.plans.change({ id, version: kept.version, request });
      if (answer.ok) this.said.set('The plan is kept as it now stands.');
      else this.refused.set(answer.refusal.sentence);
      return answer.ok ? id : undefined;
    }
    const fresh = id === undefined ? this.freshId : newId();
    const answer = await this.plans.keep({ id: fresh, soupId: kept.soup.id, version: kept.version, request });
    if (!answer.ok) {
      this.refused.set(answer.refusal.sentence);
      return undefined;
    }
    this.said.set('The plan is kept. It can be changed until its batch starts.');
    await this.router.navigate([], { queryParams: { plan: fresh }, replaceUrl: true });
    return fresh;
  }

  /** The plan with what is on the screen now: kept already, or kept for it. */
  private async keepAsItStands(): Promise<string | undefined> {
    const request = this.storedPlan()?.request;
    const open = this.open();
    const kept = this.kept();
    const planned = open === undefined || kept === undefined ? undefined : await this.cooking.calculator.plan(kept.soup, open);
    return request !== undefined && isSameRequest(request, planned?.request) ? this.plan() : this.keep();
  }

  protected async start(): Promise<void> {
    const batch = this.startedBatch();
    if (batch !== undefined) {
      await this.router.navigate(['/stove', batch]);
      return;
    }
    if (this.view() === undefined || this.busy()) return;
    this.busy.set(true);
    const id = await this.keepAsItStands();
    const { kept } = this.wanted();
    const answer = id === undefined ? undefined : await this.batches.start(this.batchId, id);
    if (answer?.ok === true && kept.length > 0) await this.stock.enter(...kept.map((part) => takenFor(part, answer.value.id)));
    this.busy.set(false);
    if (answer?.ok === true) await this.router.navigate(['/stove', answer.value.id]);
    else if (answer?.ok === false) this.refused.set(answer.refusal.sentence);
  }
}
