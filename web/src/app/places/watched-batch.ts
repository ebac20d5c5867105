import { computed, inject, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { Stop } from '@tureen/core/line';
import type { UnitSystem } from '@tureen/core/units';
import { from, of, shareReplay, switchMap } from 'rxjs';
import { Cooking } from '../cooking/cooking';
import type { BatchView } from '../cooking/views';
import { Batches, type OpenBatch } from '../services/batches';
import type { NameOf } from '@tureen/core/messages';
import { namer } from './figures';
import { stopNamer } from './stations';

/** A batch as a place looks at it: followed live, folded in the worker. */
export interface WatchedBatch {
  readonly trouble: Signal<string | undefined>;
  readonly open: Signal<OpenBatch | undefined>;
  readonly view: Signal<BatchView | undefined>;
  readonly units: Signal<UnitSystem>;
  readonly nameOf: Signal<NameOf>;
  readonly stopName: Signal<(stop: Stop) => string>;
}

/** Follows the batch of an id for as long as the component that calls this lives. */
export function watchBatch(batchId: Signal<string>): WatchedBatch {
  const batches = inject(Batches);
  const cooking = inject(Cooking);
  const open$ = toObservable(batchId).pipe(
    switchMap((id) => batches.batch$(id)),
    shareReplay({ bufferSize: 1, refCount: true }),
  );
  const answer = toSignal(open$);
  const view = toSignal(
    open$.pipe(switchMap((one) => (one.ok ? from(cooking.thread.batch(one.value.snapshot, one.value.entries)) : of(undefined)))),
  );
  const open = computed(() => {
    const one = answer();
    return one?.ok === true ? one.value : undefined;
  });
  const nameOf = computed((): NameOf => {
    const snapshot = open()?.snapshot;
    return snapshot === undefined ? (id) => id : namer(snapshot.soup, snapshot.rows);
  });
  return {
    open,
    view,
    nameOf,
    trouble: computed(() => {
      const one = answer();
      return one?.ok === false ? one.refusal.sentence : undefined;
    }),
    units: computed(() => view()?.kit.units ?? 'metric'),
    stopName: computed(() => {
      const soup = open()?.snapshot.soup;
      return soup === undefined ? () => '' : stopNamer(soup, nameOf());
    }),
  };
}
