import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { MOST_BATCHES, backId, broughtBackOn, serviceOf, type Day, type DayBatch, type Person } from '@tureen/core/board';
import { freeId } from '@tureen/core/draft';
import type { Kit } from '@tureen/core/kit';
import { LEAST_BOWL_G, MOST_BOWL_G, MOST_BOWLS } from '@tureen/core/plan';
import type { OnShelf } from '@tureen/server/api';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { switchMap } from 'rxjs';
import type { DaySoup } from '../../cooking/day-view';
import { ClockField } from '../../parts/clock-field';
import { NumberField } from '../../parts/number-field';
import { Days } from '../../services/days';
import { Plans } from '../../services/plans';
import { Soups } from '../../services/soups';
import { coldToday } from '../cold-today';
import { day } from '../figures';
import { KeptBowlsLine } from '../plan/kept-bowls';
import { SoupPicker, USUAL_BOWLS } from './soup-picker';

/** What is wanted on a day: its soups with bowls and times, its hours, its people. Every change is a whole new day. */
@Component({
  selector: 'tt-day-soups',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ClockField, FormsModule, KeptBowlsLine, NumberField, NzInputModule, NzSelectModule, RouterLink, SoupPicker],
  templateUrl: './day-soups.html',
  styleUrl: './day-soups.less',
})
export class DaySoups {
  readonly day = input.required<Day>();
  readonly soups = input.required<readonly DaySoup[]>();
  readonly kit = input.required<Kit>();
  readonly changed = output<Day>();
  readonly started = output<DayBatch>();

  protected readonly mostBowls = MOST_BOWLS;
  protected readonly leastG = LEAST_BOWL_G;
  protected readonly mostG = MOST_BOWL_G;

  private readonly shelfAnswer = toSignal(inject(Soups).shelf$);
  protected readonly shelf = computed(() => {
    const answer = this.shelfAnswer();
    return answer?.ok === true ? answer.value.soups.filter(({ retired }) => !retired) : [];
  });
  private readonly plansAnswer = toSignal(inject(Plans).plans$);
  /** Plans that were kept and not cooked yet. */
  protected readonly kept = computed(() => {
    const answer = this.plansAnswer();
    return (answer?.ok === true ? answer.value.plans : [])
      .filter(({ batchId }) => batchId === null)
      .map((plan) => ({ plan, name: `${plan.soupName}, ${plan.request.bowls.toFixed(0)} bowls, kept ${day(plan.createdAtMs)}` }));
  });
  protected readonly isFull = computed(() => this.day().batches.length >= MOST_BATCHES);
  protected readonly rows = computed(() =>
    this.day().batches.map((batch) => {
      const planned = this.soups().find(({ id }) => id === batch.id);
      const name = planned?.name ?? this.shelf().find(({ id }) => id === batch.soupId)?.name ?? batch.soupId;
      return { batch, planned, name };
    }),
  );

  protected text(event: Event): string {
    return (event.target as HTMLInputElement).value;
  }

  protected set(change: Partial<Day>): void {
    this.changed.emit({ ...this.day(), ...change });
  }

  protected setBatch(id: string, change: Partial<DayBatch>): void {
    this.set({ batches: this.day().batches.map((batch) => (batch.id === id ? { ...batch, ...change } : batch)) });
  }

  protected setRequest(batch: DayBatch, change: Partial<DayBatch['request']>): void {
    this.setBatch(batch.id, { request: { ...batch.request, ...change } });
  }

  private readonly cold = coldToday();
  private readonly days = inject(Days);
  private readonly ahead = toSignal(toObservable(this.cold.today).pipe(switchMap((today) => this.days.from$(today))));
  /** What other days, from today on, bring back from the cold. */
  private readonly broughtBackElsewhere = computed(() => {
    const answer = this.ahead();
    const days = answer?.ok === true ? answer.value.days : [];
    return days.flatMap(({ date, broughtBack = [] }) => (date === this.day().date ? [] : broughtBack));
  });

  /** Kept bowls of the same soup that others of the day, and other days, bring back, in bowls of this one's size. */
  protected broughtBackBeside({ id, soupId, request: { bowlG } }: DayBatch): number {
    const beside = broughtBackOn(this.day().batches.filter((other) => other.id !== id));
    return [...beside, ...this.broughtBackElsewhere()]
      .filter((other) => other.soupId === soupId)
      .reduce((sum, other) => sum + Math.ceil((other.bowls * other.bowlG) / bowlG), 0);
  }

  /** So many are cooked and so many come from the cold; none from there where that is taken back. */
  protected bringBack(batch: DayBatch, { bowls, broughtBack }: { readonly bowls: number; readonly broughtBack: number }): void {
    this.setRequest(batch, { bowls, broughtBack: broughtBack === 0 ? undefined : broughtBack });
  }

  protected setPot(batch: DayBatch, potId: string): void {
    this.setRequest(batch, { potId: potId === '' ? undefined : potId });
  }

  protected setKeeps(batch: DayBatch, keeps: boolean): void {
    this.setBatch(batch.id, { keeps: keeps ? true : undefined });
  }

  protected remove(id: string): void {
    const pins = this.day().pins?.filter(({ block }) => !block.startsWith(`${id}/`) && !block.startsWith(`${backId(id)}/`));
    this.set({ batches: this.day().batches.filter((batch) => batch.id !== id), ...(pins === undefined ? {} : { pins }) });
  }

  protected add(soup: OnShelf): void {
    const { batches } = this.day();
    const id = freeId(soup.id, new Set(batches.map((batch) => batch.id)));
    const at = serviceOf(this.day());
    this.set({ batches: [...batches, { id, soupId: soup.id, request: { bowls: USUAL_BOWLS, bowlG: soup.bowlG }, at }] });
  }

  /** A plan that was kept, as it was asked for: its card, bowls, pot and choices. */
  protected addPlan(planId: string | null): void {
    const plan = this.kept().find((one) => one.plan.id === planId)?.plan;
    if (plan === undefined) return;
    const { batches } = this.day();
    const id = freeId(plan.soupId, new Set(batches.map((batch) => batch.id)));
    const { soupId, version, request } = plan;
    this.set({ batches: [...batches, { id, soupId, version, request, at: serviceOf(this.day()) }] });
  }

  protected setPerson(id: string, change: { name?: string; from?: string; to?: string }): void {
    const people = this.day().people.map((person): Person => {
      if (person.id !== id) return person;
      const { from, to } = { ...person, ...change };
      return { ...person, ...change, from: from === '' ? undefined : from, to: to === '' ? undefined : to };
    });
    this.set({ people });
  }

  protected addPerson(): void {
    const { people } = this.day();
    const id = freeId('cook', new Set(people.map((person) => person.id)));
    this.set({ people: [...people, { id, name: `Cook ${String(people.length + 1)}` }] });
  }

  protected removePerson(id: string): void {
    const { people, pins } = this.day();
    if (people.length < 2) return;
    const kept = pins?.map(({ person, ...pin }) => (person === id || person === undefined ? pin : { ...pin, person }));
    this.set({ people: people.filter((person) => person.id !== id), ...(kept === undefined ? {} : { pins: kept }) });
  }
}
