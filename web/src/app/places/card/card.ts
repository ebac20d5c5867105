import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { showMinutes } from '@tureen/core/units';
import { combineLatest, from, map, of, switchMap } from 'rxjs';
import { Cooking } from '../../cooking/cooking';
import { RibbonPicture } from '../../parts/ribbon/ribbon';
import { Kitchen } from '../../services/kitchen';
import { Soups } from '../../services/soups';
import { onKeys } from '../../shell/keys';
import { stepTest } from '@tureen/core/messages';
import { factRows, mass, namer } from '../figures';
import { stationsOf, stopNamer } from '../stations';

/** One soup on one page: its ribbon, its stations, what a bowl of it carries. */
@Component({
  selector: 'tt-card',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RibbonPicture, RouterLink],
  templateUrl: './card.html',
  styleUrl: './card.less',
})
export class Card {
  private readonly router = inject(Router);
  private readonly soups = inject(Soups);
  private readonly kitchen = inject(Kitchen);
  private readonly cooking = inject(Cooking);
  readonly soupId = input.required<string>();

  private readonly loaded = toSignal(
    combineLatest([toObservable(this.soupId), this.soups.soups$]).pipe(
      switchMap(([id]) => combineLatest([this.soups.one(id), this.kitchen.kitchen$, this.kitchen.rows$])),
      switchMap(([answer, kitchen, rows]) => {
        if (!answer.ok) return of({ answer, view: undefined, rows, kit: undefined });
        const kit = kitchen.ok ? (kitchen.value.kit ?? undefined) : undefined;
        if (kit === undefined) return of({ answer, view: undefined, rows, kit });
        return from(this.cooking.written(answer.value.soup, rows, kit)).pipe(map((view) => ({ answer, view, rows, kit })));
      }),
    ),
  );

  protected readonly trouble = computed(() => {
    const answer = this.loaded()?.answer;
    return answer?.ok === false ? answer.refusal.sentence : undefined;
  });
  protected readonly kept = computed(() => {
    const answer = this.loaded()?.answer;
    return answer?.ok === true ? answer.value : undefined;
  });
  protected readonly view = computed(() => this.loaded()?.view);
  protected readonly units = computed(() => this.loaded()?.kit?.units ?? 'metric');
  protected readonly nameOf = computed(() => {
    const soup = this.kept()?.soup;
    return soup === undefined ? (id: string) => id : namer(soup, this.loaded()?.rows ?? []);
  });
  protected readonly stopName = computed(() => {
    const soup = this.kept()?.soup;
    return soup === undefined ? () => '' : stopNamer(soup, this.nameOf());
  });
  protected readonly stations = computed(() => {
    const soup = this.kept()?.soup;
    if (soup === undefined) return [];
    return stationsOf(soup, this.view(), this.nameOf())
      .filter(({ name }) => name !== 'Dish')
      .map((station) => ({
        ...station,
        minutes: showMinutes(station.minutes),
        says: station.steps.flatMap(({ say }) => say ?? []),
        tests: [...new Set(station.steps.flatMap((step) => stepTest(step) ?? []))].slice(0, 1),
        rows: station.rows.map((row) => ({ ...row, amount: mass(row.kg, this.units()) })),
      }));
  });
  protected readonly facts = computed(() => {
    const facts = this.view()?.figures.facts;
    return facts === undefined ? [] : factRows(facts);
  });
  protected readonly total = computed(() => {
    const figures = this.view()?.figures;
    return figures === undefined
      ? ''
      : `${mass(figures.cookedKg, this.units())} cooked, ${showMinutes(figures.minutes)} from the first knife`;
  });

  constructor() {
    const plan = (): void => {
      void this.router.navigate(['/plan', this.soupId()]);
    };
    onKeys({ p: plan, Enter: plan });
  }
}
