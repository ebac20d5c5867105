import { computed, inject, linkedSignal, resource, type Signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Container } from '@tureen/core/stock';
import { map, timer } from 'rxjs';
import { watchOf, type WatchAnswer } from '../cooking/cold-view';
import { Cooking } from '../cooking/cooking';
import { Clock } from '../services/clock';
import { mass, timeOfDay } from './figures';
import { kitchenUnits } from '../services/units';

const LOOK_MS = 30_000;
const MINUTE_MS = 60_000;

/** A container that cools, as a place that is not its own looks at it. */
export interface WatchedPan {
  /** What is reckoned of it now; the last answer stands until the next is there. */
  readonly answer: Signal<WatchAnswer | undefined>;
  /** The mark that is not passed yet, with when it comes. */
  readonly next: Signal<(WatchAnswer['stages'][number] & { readonly words: string }) | undefined>;
  /** In the warmest place by now, whole °C; and what it weighs. */
  readonly temp: Signal<number>;
  readonly weighs: Signal<string>;
  /** What can still be done, each with until when. */
  readonly rescues: Signal<readonly string[]>;
}

/** Looks at a container every half minute, and at once when something is read of it. */
export function watchPan(container: Signal<Container>): WatchedPan {
  const cooking = inject(Cooking);
  const clock = inject(Clock);
  const stocked = toSignal(cooking.stocked$);
  const nowMs = toSignal(timer(0, LOOK_MS).pipe(map(() => clock.now())), { initialValue: clock.now() });
  const asked = resource({
    params: () => (stocked() === undefined ? undefined : watchOf(container(), nowMs())),
    loader: ({ params }) => cooking.calculator.watching(params),
  });
  const answer = linkedSignal<WatchAnswer | undefined, WatchAnswer | undefined>({
    source: () => asked.value(),
    computation: (now, before) => now ?? before?.value,
  });
  const at = (minute: number): string => timeOfDay((container().cooling?.startMs ?? 0) + minute * MINUTE_MS);
  const next = computed(() => {
    const known = answer();
    const stage = known?.stages.find(({ toC }) => known.nowC > toC) ?? known?.stages.at(-1);
    if (stage === undefined) return undefined;
    const when = stage.middleMin === undefined ? 'not within a day' : `at ${at(stage.middleMin)}`;
    return { ...stage, words: `${when}, wanted by ${at(stage.byMin)}: ${stage.state}` };
  });
  const rescues = computed(() => (answer()?.rescues ?? []).map(({ words, lastMin }) => `${words}, before ${at(lastMin)}.`));
  const temp = computed(() => Math.round(answer()?.nowC ?? 0));
  const weighs = computed(() => mass(container().kg, kitchenUnits()));
  return { answer, next, temp, weighs, rescues };
}
