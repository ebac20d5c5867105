import { computed, inject, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { UnitSystem } from '@tureen/core/units';
import { distinctUntilChanged, filter, from, of, shareReplay, switchMap } from 'rxjs';
import { Cooking, followedKey } from '../cooking/cooking';
import type { BatchView } from '../cooking/batch-view';
import type { Reply } from '../services/api';
import { Batches, type OpenBatch } from '../services/batches';
import { namer, stopNamer, type NameOf } from '@tureen/core/messages';
import type { BatchAsked } from '../services/why-asked';
import { isNarrow } from '../services/narrow';
import { pictureOf, type Picture } from '../parts/ribbon/picture';

/** A batch as a place looks at it: followed live, folded in the worker. */
export interface WatchedBatch {
  readonly trouble: Signal<string | undefined>;
  readonly open: Signal<OpenBatch | undefined>;
  readonly view: Signal<BatchView | undefined>;
  readonly units: Signal<UnitSystem>;
  readonly nameOf: Signal<NameOf>;
  /** The batch as it stands, to ask why of a figure. */
  readonly asked: Signal<BatchAsked | undefined>;
  /** Its ribbon at a height, px: what was planned under what really happened, and where the cook stands if that is shown. */
  readonly drawn: (how: {
    readonly height: number;
    readonly quiet?: boolean;
    readonly here?: boolean;
    /** Folded to a strip though the screen is wide. */
    readonly folded?: Signal<boolean>;
  }) => Signal<Picture | undefined>;
}

function keyOf(answer: Reply<OpenBatch>): string {
  if (!answer.ok) return 'none';
  const { entries } = answer.value;
  // Which of them the server has tells what was late, once there is a close.
  const arrived = entries.some(({ action }) => action.kind === 'closed')
    ? entries.filter(({ arrival }) => arrival !== undefined).length
    : 0;
  return `${followedKey(answer.value)} ${String(entries.length)} ${String(arrived)}`;
}

/** Follows the batch of an id, once there is one, for as long as the component that calls this lives. */
export function watchBatch(batchId: Signal<string>): WatchedBatch {
  const batches = inject(Batches);
  const cooking = inject(Cooking);
  const narrow = isNarrow();
  const open$ = toObservable(batchId).pipe(
    filter((id) => id !== ''),
    switchMap((id) => batches.batch$(id)),
    shareReplay({ bufferSize: 1, refCount: true }),
  );
  const answer = toSignal(open$);
  const view = toSignal(
    open$.pipe(
      // Entries are only ever added: as many of them, and as many late, are the same. That one has been sent changes no figure.
      distinctUntilChanged((a, b) => keyOf(a) === keyOf(b)),
      switchMap((one) => (one.ok ? from(cooking.batch(one.value)) : of(undefined))),
    ),
  );
  const open = computed(() => {
    const one = answer();
    return one?.ok === true ? one.value : undefined;
  });
  const nameOf = computed((): NameOf => {
    const snapshot = open()?.snapshot;
    const planned = snapshot === undefined ? (id: string) => id : namer(snapshot.soup, snapshot.rows);
    const now = new Map(view()?.names ?? []);
    return (id) => now.get(id) ?? planned(id);
  });
  return {
    open,
    view,
    nameOf,
    trouble: computed(() => {
      const one = answer();
      return one?.ok === false ? one.refusal.sentence : undefined;
    }),
    asked: computed(() => {
      const own = open();
      return own === undefined ? undefined : { snapshot: own.snapshot, entries: own.entries, nameOf: nameOf() };
    }),
    units: computed(() => view()?.kit.units ?? 'metric'),
    drawn: ({ here, folded, ...how }) =>
      computed(() => {
        const batch = view();
        if (batch === undefined) return undefined;
        const { soup, kit, plannedRibbon: ribbon, actualRibbon: actual, current } = batch;
        const at = here === true ? { at: current?.step.id ?? 'end' } : {};
        return pictureOf({
          ribbon,
          actual,
          nameOf: nameOf(),
          stationName: stopNamer(soup, nameOf()),
          units: kit.units,
          strip: narrow() ? 'narrow' : folded?.() === true ? 'wide' : undefined,
          ...at,
          ...how,
        });
      }),
  };
}
