import { provideZonelessChangeDetection, type EnvironmentProviders, type Provider, type Type } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { ENTRY_SHAPE, type Action, type StoredEntry } from '@tureen/core/batch';
import { READY_KITS, type Kit } from '@tureen/core/kit';
import { LARDER_ROWS, makeLarder, nearTo } from '@tureen/core/larder';
import { reconcile } from '@tureen/core/learn';
import { makePlan, rerun, type Snapshot } from '@tureen/core/plan';
import { EXAMPLE_SOUPS, walk, type SoupStep } from '@tureen/core/soup';
import { BehaviorSubject, map, of } from 'rxjs';
import { batchView } from '../src/app/cooking/batch-view';
import { RECONCILER } from '../src/app/cooking/reconciling';
import { Cooking } from '../src/app/cooking/cooking';
import { Asking } from '../src/app/places/stove/asking';
import { Hand } from '../src/app/places/stove/hand';
import { Questions } from '../src/app/places/stove/questions';
import { Batches, type OpenBatch } from '../src/app/services/batches';
import { Devices, type Device } from '../src/app/services/devices';
import { newId } from '../src/app/services/device';

const START = 1_790_000_000_000;
const LARDER = makeLarder(LARDER_ROWS);

/** A batch at the stove with no server behind it: entries are kept in a list, and the core that really cooks folds them. */
export class StoveInMemory {
  readonly snapshot: Snapshot;
  readonly steps: readonly SoupStep[];
  private readonly entries = new BehaviorSubject<readonly StoredEntry[]>([]);
  private readonly devices = new BehaviorSubject<readonly Device[]>([]);
  private made = 0;

  constructor(soupId: string, kit: Kit = READY_KITS.canteen) {
    const soup = EXAMPLE_SOUPS.find(({ id }) => id === soupId);
    if (soup === undefined) throw new Error(`No soup ${soupId}.`);
    const planning = makePlan(soup, LARDER_ROWS, kit, { bowls: 40, bowlG: 300, potId: 'boiler-40' });
    if (!planning.ok) throw new Error(planning.error.code);
    this.snapshot = planning.plan.snapshot;
    this.steps = walk(soup.root).map(({ step }) => step);
  }

  private readonly open$ = this.entries.pipe(
    map((entries) => ({
      ok: true as const,
      value: { batch: { id: 'batch' }, snapshot: this.snapshot, entries, unsentIds: new Set<string>() } as unknown as OpenBatch,
    })),
  );

  providers(): (Provider | EnvironmentProviders)[] {
    const { snapshot } = this;
    return [
      provideZonelessChangeDetection(),
      provideRouter([]),
      Hand,
      Asking,
      Questions,
      {
        provide: Batches,
        useValue: {
          batch$: () => this.open$,
          enter: (_open: unknown, action: Action) => {
            this.did(action);
            return Promise.resolve();
          },
        },
      },
      {
        provide: Cooking,
        useValue: {
          batch: ({ entries }: OpenBatch) => Promise.resolve(batchView(snapshot, entries)),
          batchWith: (_open: OpenBatch, more: readonly StoredEntry[]) =>
            Promise.resolve(batchView(snapshot, [...this.entries.value, ...more])),
          calculator: {
            near: (ids: readonly string[], most: number) =>
              Promise.resolve(ids.map((id) => nearTo(id, LARDER, most).map(({ row }) => row))),
          },
          stocked$: of({ kit: snapshot.kit, rows: LARDER_ROWS }),
        },
      },
      {
        provide: RECONCILER,
        useValue: () => ({
          reconcile: (own: Snapshot, entries: readonly StoredEntry[]) =>
            Promise.resolve(reconcile(rerun(own), entries, LARDER_ROWS)),
        }),
      },
      { provide: Devices, useValue: { devices$: this.devices } },
    ];
  }

  /** A scale that is heard says so many kilos, at rest or not; none is heard where nothing is given. */
  scale(kg: number | undefined, steady = true): void {
    this.devices.next(kg === undefined ? [] : [{ kind: 'scale', fresh: true, steady, value: kg } as Device]);
  }

  /** A probe that is heard says so many degrees; none is heard where nothing is given. */
  probe(tempC: number | undefined): void {
    this.devices.next(tempC === undefined ? [] : [{ kind: 'probe', fresh: true, value: tempC } as Device]);
  }

  /** The id of the first step of a kind. */
  idOf(op: SoupStep['op']): string {
    const step = this.steps.find((one) => one.op === op);
    if (step === undefined) throw new Error(`No ${op} in this soup.`);
    return step.id;
  }

  /** Puts entries on record, as from this screen. */
  did(...actions: readonly Action[]): void {
    const more = actions.map((action): StoredEntry => {
      this.made += 1;
      const stamp = { counter: this.made, device: 'spec', seq: this.made };
      return { id: newId(), shape: ENTRY_SHAPE, stamp, atMs: START + this.made * 1000, who: 'AB', action };
    });
    this.entries.next([...this.entries.value, ...more]);
  }

  /** Every step before the first of a kind is done. */
  cookedUpTo(op: SoupStep['op']): void {
    const at = this.steps.findIndex((one) => one.op === op);
    this.did(...this.steps.slice(0, at).map(({ id }): Action => ({ kind: 'done', stepId: id })));
  }

  /** Entries as they were kept. */
  get kept(): readonly StoredEntry[] {
    return this.entries.value;
  }

  get actions(): readonly Action[] {
    return this.entries.value.map(({ action }) => action);
  }

  get last(): Action | undefined {
    return this.actions.at(-1);
  }
}

/** Lets promises, signals and the drawing come to rest. */
export async function rest(fixture?: ComponentFixture<unknown>): Promise<void> {
  for (let n = 0; n < 4; n++) {
    await new Promise((resolve) => setTimeout(resolve));
    TestBed.tick();
    await fixture?.whenStable();
  }
}

/** The hand over a stove in memory, its batch open. */
export async function handAt(stove: StoveInMemory): Promise<Hand> {
  TestBed.configureTestingModule({ providers: stove.providers() });
  const hand = TestBed.inject(Hand);
  hand.batchId.set('batch');
  await rest();
  return hand;
}

export interface Shown<T> {
  readonly fixture: ComponentFixture<T>;
  /** Everything it says, with single spaces; of a sheet, what stands in the sheet. */
  readonly text: () => string;
  readonly find: (selector: string) => HTMLElement | null;
  /** Presses the first button or choice whose words or label begin so. */
  readonly press: (name: string) => Promise<void>;
  readonly buttons: () => readonly string[];
}

/** Puts a component of the stove on the page, with the hand that it works by. */
export async function show<T>(component: Type<T>, inputs: Readonly<Record<string, unknown>> = {}): Promise<Shown<T>> {
  const fixture = TestBed.createComponent(component);
  for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
  await rest(fixture);
  const root = (): HTMLElement => {
    const sheets = document.querySelectorAll<HTMLElement>('.ant-modal-body');
    return sheets[sheets.length - 1] ?? (fixture.nativeElement as HTMLElement);
  };
  const tidy = (text: string | null): string => (text ?? '').replace(/\s+/g, ' ').trim();
  const named = (button: Element): string => tidy(button.getAttribute('aria-label') ?? button.textContent);
  const all = (): HTMLElement[] => [...root().querySelectorAll<HTMLElement>('button, tt-choice label')];
  return {
    fixture,
    text: () => tidy(root().textContent),
    find: (selector) => root().querySelector<HTMLElement>(selector),
    buttons: () => all().map(named),
    press: async (name) => {
      const button = all().find((one) => named(one).startsWith(name));
      if (button === undefined) throw new Error(`No button "${name}" among ${all().map(named).join(' | ')}.`);
      button.click();
      await rest(fixture);
    },
  };
}
