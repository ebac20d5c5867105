import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Change } from '@tureen/server/api';
import { filter, firstValueFrom } from 'rxjs';
import { Clock } from './clock';
import { Live, LIVE_TIMES, OPEN_STREAM } from './live';

/** An event stream that says what a spec tells it to. */
class Stream extends EventTarget {
  readyState: number = EventSource.OPEN;
  onerror: (() => void) | null = null;
  closed = false;

  close(): void {
    this.closed = true;
    this.readyState = EventSource.CLOSED;
  }

  says(event: string, data: unknown): void {
    this.dispatchEvent(new MessageEvent(event, { data: typeof data === 'string' ? data : JSON.stringify(data) }));
  }
}

/** Everything a thousand times faster than in a kitchen, but for what a slow machine needs. */
const TIMES = { silentMs: 400, asleepMs: 60_000, lookMs: 20, anewMs: 20 };
const HELLO = { nowMs: 0, build: 'main-AAAAAAAA.js' };

describe('what happened on other screens', () => {
  let streams: Stream[];
  let tabs: Live[];

  beforeEach(() => {
    streams = [];
    tabs = [];
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        { provide: LIVE_TIMES, useValue: TIMES },
        {
          provide: OPEN_STREAM,
          useValue: () => {
            const stream = new Stream();
            streams.push(stream);
            return stream as unknown as EventSource;
          },
        },
      ],
    });
  });

  afterEach(() => {
    for (const one of tabs) one.ngOnDestroy();
  });

  function tab(): Live {
    const live = TestBed.runInInjectionContext(() => new Live());
    tabs.push(live);
    return live;
  }

  async function stream(n: number): Promise<Stream> {
    for (let tried = 0; tried < 100 && streams[n] === undefined; tried++) await new Promise((resolve) => setTimeout(resolve, 5));
    const found = streams[n];
    if (found === undefined) throw new Error(`No stream ${String(n)} was opened.`);
    return found;
  }

  const isOpen = (live: Live): Promise<boolean> => firstValueFrom(live.open$);
  const turnsTo = (live: Live, open: boolean): Promise<boolean> => firstValueFrom(live.open$.pipe(filter((own) => own === open)));

  it('one tab listens; a second that comes later is told at once that the server is there, its clock and its build', async () => {
    const first = tab();
    (await stream(0)).says('hello', { ...HELLO, nowMs: Date.now() + 600_000 });
    expect(await isOpen(first)).toBeTrue();
    const second = tab();
    await turnsTo(second, true);
    expect(await firstValueFrom(second.build$)).toBe('main-AAAAAAAA.js');
    expect(TestBed.inject(Clock).offMs()).toBeCloseTo(600_000, -3);
    expect(streams.length).toBe(1);
    TestBed.inject(Clock).heard(0);
  });

  it('changes reach every tab', async () => {
    const [first, second] = [tab(), tab()];
    const source = await stream(0);
    source.says('hello', HELLO);
    await turnsTo(second, true);
    const heard = Promise.all([first, second].map((live) => firstValueFrom(live.change$)));
    source.says('change', { kind: 'kitchen' } satisfies Change);
    expect(await heard).toEqual([{ kind: 'kitchen' }, { kind: 'kitchen' }]);
    TestBed.inject(Clock).heard(0);
  });

  it('when the tab that listens goes, the next one takes over', async () => {
    const [first, second] = [tab(), tab()];
    (await stream(0)).says('hello', HELLO);
    await turnsTo(second, true);
    first.ngOnDestroy();
    const source = await stream(1);
    expect(streams[0]?.closed).toBeTrue();
    const heard = firstValueFrom(second.change$);
    source.says('change', { kind: 'larder' } satisfies Change);
    expect(await heard).toEqual({ kind: 'larder' });
    TestBed.inject(Clock).heard(0);
  });

  it('a stream that was silent for longer than pings are apart is taken for dead, and made anew', async () => {
    const live = tab();
    (await stream(0)).says('hello', HELLO);
    expect(await isOpen(live)).toBeTrue();
    await turnsTo(live, false);
    expect(streams[0]?.closed).toBeTrue();
    const source = await stream(1);
    source.says('hello', HELLO);
    expect(await isOpen(live)).toBeTrue();
    // Pings keep it alive.
    for (let n = 0; n < 8; n++) {
      await new Promise((resolve) => setTimeout(resolve, TIMES.silentMs / 4));
      source.says('ping', '1');
    }
    expect(await isOpen(live)).toBeTrue();
    expect(streams.length).toBe(2);
    TestBed.inject(Clock).heard(0);
  });

  it('a stream that was closed for good is made anew', async () => {
    const live = tab();
    const source = await stream(0);
    source.says('hello', HELLO);
    source.readyState = EventSource.CLOSED;
    source.onerror?.();
    expect(await isOpen(live)).toBeFalse();
    (await stream(1)).says('hello', HELLO);
    expect(await isOpen(live)).toBeTrue();
    TestBed.inject(Clock).heard(0);
  });
});
