import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { brimM3, type Kit } from '@tureen/core/kit';
import { AskSchema, LEAST_BOWL_G, MOST_BOWLS, MOST_BOWL_G, type Ask, type NotScaling } from '@tureen/core/plan';
import { showMinutes, showVolume } from '@tureen/core/units';
import { NzCheckboxModule } from 'ng-zorro-antd/checkbox';
import { NzInputNumberModule } from 'ng-zorro-antd/input-number';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { debounceTime, from, of, switchMap } from 'rxjs';
import { Cooking } from '../../cooking/cooking';
import type { PlanOutcome } from '../../cooking/views';
import { RibbonPicture } from '../../parts/ribbon/ribbon';
import { Batches } from '../../services/batches';
import { newId } from '../../services/device';
import { Kitchen } from '../../services/kitchen';
import { Soups } from '../../services/soups';
import { onKeys } from '../../shell/keys';
import { cautionSentence, hurts, STANDING_LINE, planErrorSentence } from '@tureen/core/messages';
import { mass, namer } from '../figures';
import { stopNamer } from '../stations';

const KEYSTROKE_MS = 60;
const FIRST_BOWLS = 40;

/** This soup, that many bowls, this pot: what to pull, what does not scale, what to mind; then start. */
@Component({
  selector: 'tt-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, NzCheckboxModule, NzInputNumberModule, NzSelectModule, RibbonPicture, RouterLink],
  templateUrl: './plan.html',
  styleUrl: './plan.less',
})
export class PlanPlace {
  private readonly router = inject(Router);
  private readonly batches = inject(Batches);
  private readonly soups = inject(Soups);
  private readonly kitchen = inject(Kitchen);
  private readonly cooking = inject(Cooking);
  readonly soupId = input.required<string>();

  protected readonly mostBowls = MOST_BOWLS;
  protected readonly leastG = LEAST_BOWL_G;
  protected readonly mostG = MOST_BOWL_G;
  protected readonly standing = STANDING_LINE;
  private readonly kitchenAnswer = toSignal(this.kitchen.kitchen$);
  protected readonly rows = toSignal(this.kitchen.rows$, { initialValue: [] });
  private readonly answer = toSignal(toObservable(this.soupId).pipe(switchMap((id) => this.soups.one(id))));
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
    const kitchen = this.kitchenAnswer();
    if (kitchen?.ok === true && kitchen.value.kit === null) return 'No kitchen is set up yet. Choose one on the Shelf first.';
    return undefined;
  });
  protected readonly units = computed(() => this.kit()?.units ?? 'metric');

  protected readonly bowls = signal<number | null>(FIRST_BOWLS);
  protected readonly bowlG = linkedSignal<number | null>(() => this.kept()?.soup.writtenFor.bowlG ?? 300);
  protected readonly potId = linkedSignal<string | undefined>(() => this.kit()?.pots.at(-2)?.id ?? this.kit()?.pots.at(-1)?.id);
  protected readonly pots = computed(
    () =>
      this.kit()?.pots.map((pot) => {
        const { digits, unit } = showVolume(brimM3(pot), this.units());
        return { id: pot.id, name: `${pot.name}, ${digits} ${unit}` };
      }) ?? [],
  );
  protected readonly ask = computed((): Ask | undefined => {
    const parsed = AskSchema.safeParse({ bowls: this.bowls(), bowlG: this.bowlG(), potId: this.potId() });
    return parsed.success ? parsed.data : undefined;
  });

  private readonly inputs = computed(() => ({ ask: this.ask(), soup: this.kept()?.soup, kit: this.kit(), rows: this.rows() }));
  protected readonly outcome = toSignal(
    toObservable(this.inputs).pipe(
      debounceTime(KEYSTROKE_MS),
      switchMap(({ ask, soup, kit, rows }) => {
        if (ask === undefined || soup === undefined || kit === undefined || rows.length === 0)
          return of<PlanOutcome | undefined>(undefined);
        return from(this.cooking.plan(soup, rows, kit, ask));
      }),
    ),
  );
  protected readonly view = computed(() => {
    const outcome = this.outcome();
    return outcome?.ok === true ? outcome.view : undefined;
  });
  protected readonly error = computed(() => {
    const outcome = this.outcome();
    return outcome?.ok === false ? outcome.error : undefined;
  });
  protected readonly errorSentence = computed(() => {
    const error = this.error();
    return error === undefined ? '' : planErrorSentence(error);
  });
  /** What would make an impossible plan possible, as buttons. */
  protected readonly ways = computed(() => {
    const error = this.error();
    if (error?.code === 'TOO_FEW_FOR_POT')
      return [{ text: `Make ${String(error.leastBowls)} bowls`, bowls: error.leastBowls, potId: undefined }];
    if (error?.code !== 'DOES_NOT_FIT') return [];
    return [
      ...error.pots.map(({ name, potId }) => ({ text: `Take the ${name.toLowerCase()}`, bowls: undefined, potId })),
      ...(error.bowlsThatFit > 0
        ? [{ text: `Make ${String(error.bowlsThatFit)} bowls here`, bowls: error.bowlsThatFit, potId: undefined }]
        : []),
    ];
  });

  protected readonly nameOf = computed(() => {
    const soup = this.kept()?.soup;
    return soup === undefined ? (id: string) => id : namer(soup, this.rows());
  });
  protected readonly stopName = computed(() => {
    const soup = this.kept()?.soup;
    return soup === undefined ? () => '' : stopNamer(soup, this.nameOf());
  });
  protected readonly pull = computed(
    () =>
      this.view()?.pull.map((row) => ({
        ...row,
        bought: mass(row.boughtKg, this.units()),
        edible: mass(row.edibleKg, this.units()),
        tub: row.trimKg > 0.0005 ? mass(row.trimKg, this.units()) : '–',
      })) ?? [],
  );
  protected readonly odd = computed(() => {
    const list = this.view()?.notScaling ?? [];
    return list.map((row) => ({
      what: row.what === 'vegetables' ? 'vegetables, the factor' : row.what,
      value: this.oddValue(row),
      factor: row.written > 0 ? `× ${(row.now / row.written).toFixed(1)}` : '',
    }));
  });
  protected readonly cautions = computed(() => {
    const seen = new Set<string>();
    return (this.view()?.cautions ?? []).flatMap(({ caution }) => {
      if (seen.has(caution.code)) return [];
      seen.add(caution.code);
      return [{ text: cautionSentence(caution, this.nameOf()), hurts: hurts(caution) }];
    });
  });
  protected readonly total = computed(() => {
    const figures = this.view()?.figures;
    return figures === undefined
      ? ''
      : `${mass(figures.cookedKg, this.units())} cooked · ${showMinutes(figures.minutes)} from the first knife`;
  });

  protected readonly ticked = signal<ReadonlySet<string>>(new Set());
  protected readonly starting = signal(false);
  protected readonly refused = signal('');
  private readonly ids = { planId: newId(), batchId: newId() };

  constructor() {
    onKeys({ Enter: () => void this.start() });
  }

  private oddValue({ what, unit, now }: NotScaling): string {
    if (what === 'vegetables') return '';
    if (unit === 'kg') return mass(now, this.units());
    return unit === 'min' ? showMinutes(now) : now.toFixed(0);
  }

  protected take(way: { bowls: number | undefined; potId: string | undefined }): void {
    if (way.bowls !== undefined) this.bowls.set(way.bowls);
    if (way.potId !== undefined) this.potId.set(way.potId);
  }

  protected tick(ingredient: string, on: boolean): void {
    this.ticked.update((have) => {
      const next = new Set(have);
      if (on) next.add(ingredient);
      else next.delete(ingredient);
      return next;
    });
  }

  protected async start(): Promise<void> {
    const wish = this.ask();
    const kept = this.kept();
    if (wish === undefined || kept === undefined || this.view() === undefined || this.starting()) return;
    this.starting.set(true);
    const answer = await this.batches.start(this.ids, kept.soup.id, kept.version, wish);
    this.starting.set(false);
    if (answer.ok) await this.router.navigate(['/stove', answer.value.id]);
    else this.refused.set(answer.refusal.sentence);
  }
}
