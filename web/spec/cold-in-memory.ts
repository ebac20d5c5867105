import { provideZonelessChangeDetection, type EnvironmentProviders, type Provider } from '@angular/core';
import { provideRouter } from '@angular/router';
import { READY_KITS, USUAL_STORES, dayOf, type Kit } from '@tureen/core/kit';
import { LARDER_ROWS } from '@tureen/core/larder';
import { writtenPlan } from '@tureen/core/plan';
import { EXAMPLE_SOUPS } from '@tureen/core/soup';
import {
  STOCK_SHAPE,
  bringBack,
  contentsOf,
  foldStock,
  keepingOf,
  type BringBackAsk,
  type Container,
  type Contents,
  type StockAction,
  type StockEntry,
  type Store,
} from '@tureen/core/stock';
import type { ColdAnswer, Leftover } from '@tureen/server/api';
import { BehaviorSubject, map, of } from 'rxjs';
import { Cooking } from '../src/app/cooking/cooking';
import { coolingAnswer, watchAnswer, type CoolingQuestion, type WatchQuestion } from '../src/app/cooking/cold-view';
import { Batches } from '../src/app/services/batches';
import { Clock } from '../src/app/services/clock';
import { Devices } from '../src/app/services/devices';
import { newId } from '../src/app/services/device';
import { Kitchen } from '../src/app/services/kitchen';
import { Soups } from '../src/app/services/soups';
import { Stock, coldView, type ColdView } from '../src/app/services/stock';

export const COLD_NOW = Date.UTC(2026, 2, 2, 12);
export const FRIDGE: Store = { id: 'fridge', name: 'Fridge', kind: 'fridge' };
export const FREEZER: Store = { id: 'freezer', name: 'Freezer', kind: 'freezer' };
const MINUTE_MS = 60_000;

/** What a pot of an example holds. */
export function heldOf(soupId: string): Contents {
  const soup = EXAMPLE_SOUPS.find(({ id }) => id === soupId);
  const planned = soup === undefined ? undefined : writtenPlan(soup, LARDER_ROWS, READY_KITS.canteen);
  const contents = planned === undefined ? undefined : contentsOf(planned, 1);
  if (contents === undefined) throw new Error(`No soup ${soupId}.`);
  return contents;
}

/** A cold store with no server behind it: entries are kept in a list, and the core that really folds them. */
export class ColdInMemory {
  private readonly entries = new BehaviorSubject<readonly StockEntry[]>([]);
  private readonly leftovers = new BehaviorSubject<readonly Leftover[]>([]);
  readonly kit: Kit = { ...READY_KITS.canteen, zone: 'Etc/UTC', currency: 'GBP' };
  nowMs = COLD_NOW;
  private made = 0;

  private readonly rules = { keeping: keepingOf(undefined), dayOf: (ms: number) => dayOf(ms, 'Etc/UTC') };

  /** What a screen makes of the server's list. */
  private view(entries: readonly StockEntry[], stored: readonly Leftover[]): ColdView {
    const { containers } = foldStock(entries, this.rules);
    const listed = [...containers.values()].filter(({ state }) => state !== 'gone');
    const answer: ColdAnswer = {
      stored,
      contents: listed.map(({ contents }) => contents),
      containers: listed.map((one, contentsAt) => ({ ...one, contentsAt })),
      recent: [],
      counter: entries.length,
    };
    return coldView(answer, [], this.rules);
  }

  /** What any place needs that looks at containers: the stock, and the thread that reckons of them. */
  coldProviders(): Provider[] {
    return [
      {
        provide: Stock,
        useValue: {
          cold$: this.entries.pipe(map((entries) => ({ ok: true, value: this.view(entries, this.leftovers.value) }))),
          container$: (id: string) =>
            this.entries.pipe(
              map((entries) => {
                const { containers, notices } = foldStock(entries, this.rules);
                const container = containers.get(id);
                return container === undefined
                  ? {
                      ok: false,
                      reachable: true,
                      refusal: { code: 'NO_SUCH_CONTAINER', sentence: 'No such container is known here.' },
                    }
                  : { ok: true, value: { container, entries, notices } };
              }),
            ),
          enter: (...actions: readonly StockAction[]) => {
            this.did(...actions);
            return Promise.resolve();
          },
        },
      },
      {
        provide: Cooking,
        useValue: {
          stocked$: of({ kit: this.kit, rows: LARDER_ROWS }),
          calculator: {
            cooling: (question: CoolingQuestion) => Promise.resolve(coolingAnswer(question, this.kit)),
            watching: (question: WatchQuestion) => Promise.resolve(watchAnswer(question, this.kit)),
            bringBack: (ask: Omit<BringBackAsk, 'kit'>) => Promise.resolve(bringBack({ ...ask, kit: this.kit })),
            contents: () => Promise.resolve(heldOf('parsnip-butter')),
            contentsAsWritten: ({ id }: { id: string }) => Promise.resolve(heldOf(id)),
          },
        },
      },
    ];
  }

  providers(): (Provider | EnvironmentProviders)[] {
    const answer = { ok: true as const, value: { kit: this.kit, mode: 'own' as const } };
    return [
      provideZonelessChangeDetection(),
      provideRouter([]),
      ...this.coldProviders(),
      { provide: Kitchen, useValue: { kitchen$: of(answer), coldStores$: of(USUAL_STORES), rows$: of(LARDER_ROWS) } },
      { provide: Clock, useValue: { now: () => this.nowMs } },
      { provide: Devices, useValue: { devices$: of([]) } },
      {
        provide: Soups,
        useValue: {
          shelf$: of({ ok: true, value: { soups: [] } }),
          one: (id: string) =>
            Promise.resolve({ ok: true, value: { soup: EXAMPLE_SOUPS.find((soup) => soup.id === id), version: 1 } }),
        },
      },
      {
        provide: Batches,
        useValue: { fetched: () => Promise.resolve({ ok: true, value: { snapshot: {}, entries: [], version: 1 } }) },
      },
    ];
  }

  /** Puts entries on record, as from this screen. */
  did(...actions: readonly StockAction[]): void {
    const more = actions.map((action): StockEntry => {
      this.made += 1;
      const stamp = { counter: this.made, device: 'spec-tablet', seq: this.made };
      return { of: 'stock', id: newId(), shape: STOCK_SHAPE, stamp, atMs: this.nowMs, who: 'AB', action };
    });
    this.entries.next([...this.entries.value, ...more]);
  }

  /** So many minutes before now. */
  ago(minutes: number, ...actions: readonly StockAction[]): void {
    const { nowMs } = this;
    this.nowMs = nowMs - minutes * MINUTE_MS;
    this.did(...actions);
    this.nowMs = nowMs;
  }

  /** A container that stands in the fridge since so many days. @returns its id. */
  filled(kg: number, soupId = 'swede-barley', daysAgo = 0, store = FRIDGE): string {
    const container = newId();
    const madeMs = this.nowMs - daysAgo * 1440 * MINUTE_MS;
    this.ago(daysAgo * 1440, { kind: 'filled', container, kg, vessel: 'Tub', madeMs, store, contents: heldOf(soupId) });
    return container;
  }

  /** A deep pan in the walk-in, set to cool so many minutes ago. @returns its id. */
  cooling(minutesAgo: number, kg = 8, depthM = 0.06): string {
    const container = newId();
    const madeMs = this.nowMs - minutesAgo * MINUTE_MS;
    const way = { depthM, place: 'walk-in', isStirred: false, rule: 'two-stage', words: '60 mm deep: walk-in' };
    this.ago(
      minutesAgo,
      { kind: 'filled', container, kg, vessel: 'Deep pan', madeMs, store: FRIDGE, contents: heldOf('swede-barley') },
      { kind: 'set to cool', container, startC: 80, ...way },
    );
    return container;
  }

  /** So much was left over of a batch. */
  leftOver(kg: number): Leftover {
    const left = { entryId: newId(), batchId: newId(), soupName: 'Parsnip & butter', kg, filledKg: 0, atMs: this.nowMs, who: '' };
    this.leftovers.next([left]);
    this.entries.next(this.entries.value);
    return left;
  }

  container(id: string): Container {
    const found = foldStock(this.entries.value, this.rules).containers.get(id);
    if (found === undefined) throw new Error('No such container.');
    return found;
  }

  get containers(): readonly Container[] {
    return [...foldStock(this.entries.value, this.rules).containers.values()];
  }

  get actions(): readonly StockAction[] {
    return this.entries.value.map(({ action }) => action);
  }

  get last(): StockAction | undefined {
    return this.actions.at(-1);
  }
}
