import { provideZonelessChangeDetection, type EnvironmentProviders, type Provider, type Type } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { broughtBackOn, type Day, type MenuCycle } from '@tureen/core/board';
import { READY_KITS, type Kit } from '@tureen/core/kit';
import { LARDER_ROWS } from '@tureen/core/larder';
import { foldSupplies, type Buying, type SupplyAction, type SupplyEntry } from '@tureen/core/shop';
import { EXAMPLE_SOUPS } from '@tureen/core/soup';
import type { DayAnswer, MenuAnswer, PlanSummary } from '@tureen/server/api';
import { BehaviorSubject, defer, map, of } from 'rxjs';
import { DAY_THREAD, PROOF, type DayThread, type Proof } from '../src/app/cooking/day-planning';
import type { ProofAsk } from '../src/app/cooking/day-view';
import { DayPlanner } from '../src/app/cooking/day-view';
import { Batches } from '../src/app/services/batches';
import { ColdInMemory } from './cold-in-memory';
import { Clock } from '../src/app/services/clock';
import { Days } from '../src/app/services/days';
import { newId } from '../src/app/services/device';
import { Kitchen } from '../src/app/services/kitchen';
import { Plans } from '../src/app/services/plans';
import { Soups } from '../src/app/services/soups';
import { Supplies } from '../src/app/services/supplies';
import { Timers } from '../src/app/services/timers';

/** The core itself as the thread would be: the same answers, only here. */
function thread(): DayThread {
  const planner = new DayPlanner();
  return {
    stock: (rows, kit) => {
      planner.stock(rows, kit);
      return Promise.resolve();
    },
    first: (ask) => Promise.resolve(planner.first(ask)),
    better: () => Promise.resolve(planner.better()),
    open: () => Promise.resolve(planner.open()),
    take: (plan) => Promise.resolve(planner.take(plan)),
    ways: () => Promise.resolve(planner.ways()),
    menu: (day) => Promise.resolve(planner.menu(day)),
    useUp: (ask) => Promise.resolve(planner.useUp(ask)),
    shop: (days, supplies, buying) => Promise.resolve(planner.shop(days, supplies, buying)),
  };
}

/** A board with no server behind it: days stand in a list, and the core that really plans lays them out. */
export class BoardInMemory {
  readonly days = new Map<string, BehaviorSubject<DayAnswer>>();
  readonly started: string[] = [];
  /** The menu as the server has it, where screens have not heard of it yet. */
  unheardMenu: MenuAnswer | undefined;
  readonly menu = new BehaviorSubject<MenuAnswer>({ cycle: null, changedAtMs: null });
  readonly cold = new ColdInMemory();
  private readonly entries = new BehaviorSubject<readonly SupplyEntry[]>([]);
  private readonly ways = new BehaviorSubject<readonly Buying[]>([]);
  /** What proves a day; without a solver here it stays as it was laid out. */
  prove: (ask: ProofAsk) => Proof = ({ plan }) => ({ plan: Promise.resolve(plan), stop: () => undefined });
  /** Screens hear of nothing any more until they ask. */
  isDeaf = false;
  private readonly unheard = new Map<string, DayAnswer>();
  /** What a save waits for before it is there. */
  slow: Promise<unknown> = Promise.resolve();
  /** What a save is refused with, once. */
  refusal = '';
  /** Batches of the past: when they were started, and how many bowls went out. */
  past: readonly { readonly startedAtMs: number; readonly bowls: number }[] = [];
  /** Plans that were kept. */
  plans: readonly Pick<PlanSummary, 'id' | 'soupId' | 'soupName' | 'version' | 'request' | 'createdAtMs' | 'batchId'>[] = [];
  private made = 0;

  constructor(
    readonly nowMs: number,
    private readonly kit: Kit = READY_KITS.canteen,
  ) {
    this.cold.nowMs = nowMs;
  }

  private of(date: string): BehaviorSubject<DayAnswer> {
    const have = this.days.get(date) ?? new BehaviorSubject<DayAnswer>({ day: null, changedAtMs: null });
    this.days.set(date, have);
    return have;
  }

  put(day: Day): void {
    this.made += 1;
    const answer = { day, changedAtMs: this.made };
    if (this.isDeaf) this.unheard.set(day.date, answer);
    else this.of(day.date).next(answer);
  }

  /** A day as the server has it, heard of or not. */
  private known(date: string): DayAnswer {
    return this.unheard.get(date) ?? this.of(date).value;
  }

  kept(date: string): Day | null {
    return this.known(date).day;
  }

  supply(ingredient: string, action: SupplyAction, daysAgo = 0): void {
    this.entries.next([
      ...this.entries.value,
      { id: newId(), ingredient, action, atMs: this.nowMs - daysAgo * 86_400_000, who: 'MO' },
    ]);
  }

  private async save(day: Day, seenMs: number | null) {
    await this.slow;
    const sentence = this.refusal;
    this.refusal = '';
    const have = this.known(day.date);
    const isStale = have.changedAtMs !== seenMs;
    if (sentence !== '' || isStale)
      return {
        ok: false as const,
        reachable: true,
        refusal: { code: 'DAY_CHANGED_SINCE', sentence: sentence || 'Somebody changed this day meanwhile.' },
      };
    this.put(day);
    return { ok: true as const, value: this.known(day.date) };
  }

  private saveMenu(cycle: MenuCycle, seenMs: number | null) {
    const { changedAtMs } = this.unheardMenu ?? this.menu.value;
    if (changedAtMs !== seenMs) {
      const refusal = { code: 'MENU_CHANGED_SINCE', sentence: 'Somebody changed the menu meanwhile.' };
      return { ok: false as const, reachable: true, refusal };
    }
    this.made += 1;
    this.menu.next({ cycle, changedAtMs: this.made });
    return { ok: true as const, value: this.menu.value };
  }

  providers(): (Provider | EnvironmentProviders)[] {
    const shelf = EXAMPLE_SOUPS.map(({ id, name, writtenFor }) => ({ id, name, bowlG: writtenFor.bowlG, retired: false }));
    return [
      provideZonelessChangeDetection(),
      provideRouter([{ path: '**', children: [] }]),
      { provide: DAY_THREAD, useValue: thread },
      { provide: PROOF, useValue: (ask: ProofAsk) => this.prove(ask) },
      { provide: Clock, useValue: { now: () => this.nowMs, offMs: () => 0 } },
      {
        provide: Days,
        useValue: {
          day$: (date: string) => this.of(date).pipe(map((value) => ({ ok: true, value }))),
          once: (date: string) => Promise.resolve({ ok: true, value: this.known(date) }),
          from$: (from: string) =>
            of({
              ok: true,
              value: {
                days: [...this.days]
                  .filter(([date, { value }]) => date >= from && value.day !== null)
                  .map(([date, { value }]) => ({
                    date,
                    soups: value.day?.batches.length ?? 0,
                    bowls: 1,
                    ...(value.day?.weather === undefined ? {} : { weather: value.day.weather }),
                    broughtBack: broughtBackOn(value.day?.batches ?? []),
                  })),
              },
            }),
          save: (day: Day, seenMs: number | null) => this.save(day, seenMs),
          menu$: this.menu.pipe(map((value) => ({ ok: true, value }))),
          menu: () => Promise.resolve({ ok: true, value: this.unheardMenu ?? this.menu.value }),
          saveMenu: (cycle: MenuCycle, seenMs: number | null) => Promise.resolve(this.saveMenu(cycle, seenMs)),
        },
      },
      {
        provide: Soups,
        useValue: {
          shelf$: of({ ok: true, value: { soups: shelf } }),
          some: (ids: readonly string[]) =>
            Promise.resolve({
              ok: true,
              value: { soups: EXAMPLE_SOUPS.filter(({ id }) => ids.includes(id)).map((soup) => ({ soup, version: 1 })) },
            }),
          cardsOf: (asked: readonly { soupId: string; version: number | undefined }[]) =>
            Promise.resolve(
              asked.flatMap(({ soupId, version }) => {
                const soup = EXAMPLE_SOUPS.find(({ id }) => id === soupId);
                return soup === undefined ? [] : [{ soupId, version, soup, newest: 1 }];
              }),
            ),
        },
      },
      { provide: Kitchen, useValue: { kitchen$: of({ ok: true, value: { kit: this.kit, mode: 'own' } }), rows$: of(LARDER_ROWS) } },
      {
        provide: Batches,
        useValue: {
          open$: of({ ok: true, value: { batches: [] } }),
          batches$: defer(() =>
            of({
              ok: true,
              value: {
                batches: this.past.map(({ startedAtMs, bowls }) => ({ startedAtMs, closedFigures: { dishedBowls: bowls } })),
                next: null,
              },
            }),
          ),
          batch$: () => of({ ok: false, reachable: false, refusal: { sentence: 'none here' } }),
          start: (batchId: string) => {
            this.started.push(batchId);
            return Promise.resolve({ ok: true, value: { id: batchId } });
          },
        },
      },
      {
        provide: Plans,
        useValue: {
          keep: ({ id }: { id: string }) => Promise.resolve({ ok: true, value: { id } }),
          plans$: defer(() => of({ ok: true, value: { plans: this.plans } })),
        },
      },
      ...this.cold.coldProviders(),
      { provide: Timers, useValue: { timers$: of([]) } },
      {
        provide: Supplies,
        useValue: {
          supplies$: this.entries.pipe(
            map((entries) => ({ ok: true, value: { supplies: foldSupplies(entries, []), buying: this.ways.value } })),
          ),
          enter: (ingredient: string, action: SupplyAction) => {
            this.supply(ingredient, action);
            return Promise.resolve({ ok: true, value: { kept: 1 } });
          },
          buy: (buying: Buying) => {
            this.ways.next([...this.ways.value.filter((one) => one.ingredient !== buying.ingredient), buying]);
            this.entries.next([...this.entries.value]);
            return Promise.resolve({ ok: true, value: buying });
          },
        },
      },
    ];
  }
}

/** Waits until something is so; fails after a while with what is on the page. */
export async function until(fixture: ComponentFixture<unknown>, isSo: () => boolean): Promise<void> {
  for (let n = 0; n < 300; n++) {
    await fixture.whenStable();
    fixture.detectChanges();
    if (isSo()) return;
    await new Promise((done) => setTimeout(done, 20));
  }
  throw new Error(`It never came: ${(fixture.nativeElement as HTMLElement).textContent}`);
}

/** Makes a place of the board; `inputs` are set before it is first drawn. */
export function boardPlace<T>(
  place: Type<T>,
  memory: BoardInMemory,
  inputs: Readonly<Record<string, unknown>>,
): ComponentFixture<T> {
  TestBed.configureTestingModule({ imports: [place], providers: memory.providers() });
  const fixture = TestBed.createComponent(place);
  for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
  fixture.detectChanges();
  return fixture;
}
