import { inject, Injectable } from '@angular/core';
import type { DeviceState } from '@tureen/server/api';
import { combineLatest, filter, from, map, merge, scan, shareReplay, startWith, switchMap, timer, type Observable } from 'rxjs';
import { Api, request, type Reply } from './api';
import { Live } from './live';
import { OWN_TIME } from './own-time';
import { degreeUnit, onScale, type UnitSystem } from '@tureen/core/units';

/** Older than this a reading is not used: the pot has been stirred, poured into or lifted since. Kitchen default. */
export const FRESH_MS = 5000;
const LOOK_MS = 500;

/** A device with its last reading, and how old that is by this screen's own clock. */
export interface Device {
  readonly id: string;
  readonly kind: 'scale' | 'probe';
  readonly name: string;
  readonly simulated: boolean;
  readonly connected: boolean;
  /** The container in whose pan a probe stays. */
  readonly container: string | undefined;
  readonly value: number | undefined;
  readonly unit: 'kg' | 'degC' | undefined;
  readonly steady: boolean;
  readonly ageMs: number;
  /** Connected, and heard of just now. */
  readonly fresh: boolean;
}

interface Heard {
  readonly state: DeviceState;
  readonly atMs: number;
}

/** Scales and probes of the kitchen, as far as they can be heard. */
@Injectable({ providedIn: 'root' })
export class Devices {
  private readonly api = inject(Api);
  private readonly live = inject(Live);
  private readonly ownMs = inject(OWN_TIME);

  private readonly heard$: Observable<ReadonlyMap<string, Heard>> = merge(
    merge(this.live.open$.pipe(filter((open) => open))).pipe(
      startWith(undefined),
      switchMap(() => from(request<{ devices: DeviceState[] }>(() => this.api.client.devices.$get()))),
      map((answer) => (answer.ok ? answer.value.devices : [])),
    ),
    this.live.change$.pipe(
      filter((change) => change.kind === 'device'),
      map(({ device }) => [device]),
    ),
  ).pipe(
    scan(
      (have: ReadonlyMap<string, Heard>, states) =>
        new Map([
          ...have,
          ...states.map((state) => [state.id, { state, atMs: this.ownMs() - (state.reading?.ageMs ?? 0) }] as const),
        ]),
      new Map<string, Heard>(),
    ),
  );

  readonly devices$: Observable<readonly Device[]> = combineLatest([this.heard$, timer(0, LOOK_MS)]).pipe(
    map(([heard]) =>
      [...heard.values()].map(({ state, atMs }) => {
        const ageMs = Math.max(0, this.ownMs() - atMs);
        return {
          id: state.id,
          kind: state.kind,
          name: state.name,
          simulated: state.simulated,
          connected: state.connected,
          container: state.container,
          value: state.reading?.value,
          unit: state.reading?.unit,
          steady: state.reading?.steady ?? false,
          ageMs,
          fresh: state.connected && state.reading !== undefined && ageMs <= FRESH_MS,
        };
      }),
    ),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  command(id: string, what: 'tare' | 'off' | 'on'): Promise<Reply<{ id: string }>> {
    return request(() => this.api.client.devices[':id'].commands.$post({ param: { id }, json: { do: what } }));
  }
}

/** What a device shows, with its unit. */
export function shown({ value, unit }: Pick<Device, 'value' | 'unit'>, units: UnitSystem): string {
  if (value === undefined) return 'nothing yet';
  return unit === 'kg' ? `${value.toFixed(2)} kg` : `${onScale(value, units).toFixed(1)} ${degreeUnit(units)}`;
}

/** How long ago, in words for a glance. */
export function ago(ageMs: number): string {
  const seconds = Math.round(ageMs / 1000);
  return seconds < 60 ? `${String(seconds)} s ago` : `${String(Math.floor(seconds / 60))} min ago`;
}
