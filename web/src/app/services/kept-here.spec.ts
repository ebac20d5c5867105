import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { ENTRY_SHAPE, type StoredEntry } from '@tureen/core/batch';
import type { StoredBatch } from '@tureen/server/api';
import { openDB } from 'idb';
import { BehaviorSubject, filter, firstValueFrom, of } from 'rxjs';
import { Copies, MOST_COPIES } from './copies';
import { newId } from './device';
import { Live } from './live';
import { Outbox } from './outbox';
import { Photos, photoUrl } from './photos';
import { clockText, Timers } from './timers';

/** A small picture, as a camera would give it. */
async function picture(colour: string, width = 1600, height = 900): Promise<File> {
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  const context = canvas.getContext('2d')!;
  context.fillStyle = colour;
  context.fillRect(0, 0, width, height);
  const blob = await new Promise<Blob | null>((resolve) => {
    canvas.toBlob(resolve, 'image/png');
  });
  return new File([blob!], 'pan.png', { type: 'image/png' });
}

async function sha256(blob: Blob): Promise<string> {
  const bytes = new Uint8Array(await crypto.subtle.digest('SHA-256', await blob.arrayBuffer()));
  return [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}

async function emptied(name: string, store: string, version = 1): Promise<void> {
  const db = await openDB(name, version, {
    upgrade: (fresh) => {
      fresh.createObjectStore(store, { keyPath: 'id' });
    },
  });
  await db.clear(store);
  db.close();
}

describe('photos', () => {
  let open$: BehaviorSubject<boolean>;
  let sent: Blob[];
  let reply: () => Response | Promise<Response>;
  let photos: Photos;

  beforeEach(async () => {
    await emptied('tidy-tureen-photos', 'unsent');
    open$ = new BehaviorSubject(false);
    sent = [];
    spyOn(window, 'fetch').and.callFake((url, init) => {
      if (url === '/api/photos') sent.push(init?.body as Blob);
      return Promise.resolve(reply());
    });
    TestBed.configureTestingModule({
      providers: [provideZonelessChangeDetection(), { provide: Live, useValue: { open$ } }],
    });
    photos = TestBed.inject(Photos);
  });

  const gone = (): Promise<Response> => Promise.reject(new TypeError('Failed to fetch'));
  const taken = (): Response => new Response('{"id":"x"}', { status: 201 });

  it('without a server is kept here under the hash of its bytes, made small; it goes out when the server is back', async () => {
    reply = gone;
    const answer = await photos.keep(await picture('#7a1236'));
    expect(answer.ok).toBeTrue();
    const id = answer.ok ? answer.value.id : '';
    const blob = (await photos.unsent(id))!;
    expect(await sha256(blob)).toBe(id);
    expect(blob.type).toBe('image/jpeg');
    const drawn = await createImageBitmap(blob);
    expect([drawn.width, drawn.height]).toEqual([1280, 720]);
    expect(photoUrl(id)).toBe(`/api/photos/${id}`);

    reply = taken;
    sent = [];
    open$.next(true);
    for (let n = 0; n < 50 && (await photos.unsent(id)) !== undefined; n++) await new Promise((resolve) => setTimeout(resolve, 20));
    expect(await photos.unsent(id)).toBeUndefined();
    expect(sent.length).toBe(1);
    expect(await sha256(sent[0]!)).toBe(id);
  });

  it('a shut door or a fault of the server’s own loses none: it waits like one without a network', async () => {
    for (const [status, code] of [
      [401, 'PIN_WANTED'],
      [500, 'SERVER_BUG'],
    ] as const) {
      reply = () => new Response(JSON.stringify({ error: { code, sentence: 'Later.' } }), { status });
      const answer = await photos.keep(await picture('#203040', 80, 60));
      expect(answer.ok).withContext(code).toBeTrue();
      expect(answer.ok && (await photos.unsent(answer.value.id)))
        .withContext(code)
        .toBeTruthy();
    }
  });

  it('one that the server will not have is told and not kept; what is no picture is not even sent', async () => {
    reply = () => new Response('{"error":{"code":"NO_PHOTO","sentence":"That is no picture."}}', { status: 415 });
    const refused = await photos.keep(await picture('#ffffff', 60, 40));
    expect(refused.ok).toBeFalse();
    expect(!refused.ok && refused.refusal.sentence).toBe('That is no picture.');
    expect(!refused.ok && refused.reachable).toBeTrue();
    sent = [];
    const text = await photos.keep(new File(['<script>'], 'page.png', { type: 'image/png' }));
    expect(!text.ok && text.refusal.sentence).toContain('page.png can’t be opened as a picture');
    expect(sent).toEqual([]);
    const db = await openDB('tidy-tureen-photos', 1);
    expect(await db.count('unsent')).toBe(0);
    db.close();
  });
});

describe('copies of batches', () => {
  beforeEach(async () => {
    await emptied('tidy-tureen-batches', 'seen');
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
  });

  it('of a burst of ladles the last one is what is kept; nothing is known of a batch never looked at', async () => {
    const copies = TestBed.inject(Copies);
    const batch = (entries: number): StoredBatch =>
      ({ id: 'b1', entries: Array.from({ length: entries }, () => ({ id: newId() })) }) as unknown as StoredBatch;
    for (let n = 1; n <= 8; n++) copies.keep(batch(n));
    expect(await copies.batch('b1')).toBeUndefined();
    await new Promise((resolve) => setTimeout(resolve, 450));
    expect((await copies.batch('b1'))?.entries.length).toBe(8);
    expect(await copies.batch('b2')).toBeUndefined();
  });

  it('the last ones looked at are kept, and no more', async () => {
    const copies = TestBed.inject(Copies);
    for (let n = 0; n < MOST_COPIES + 4; n++) {
      copies.keep({ id: `c${String(n)}`, entries: [] } as unknown as StoredBatch);
      await new Promise((resolve) => setTimeout(resolve, 5));
    }
    await new Promise((resolve) => setTimeout(resolve, 700));
    const db = await openDB('tidy-tureen-batches', 1);
    expect(await db.count('seen')).toBe(MOST_COPIES);
    db.close();
  });
});

describe('timers of the kitchen', () => {
  it('tell the time left, and over it with a plus', () => {
    expect(clockText(90_000, 0)).toBe('1:30');
    expect(clockText(3_725_000, 0)).toBe('1:02:05');
    expect(clockText(0, 61_000)).toBe('+1:01');
    expect(clockText(5_000, 5_000)).toBe('0:00');
  });

  it('are those of every batch that is open, the first to end first, with what was entered here and not sent yet', async () => {
    const timer = (id: string, name: string, endsAtMs: number) => ({
      id,
      entryId: `entry-${id}`,
      name,
      stepId: undefined,
      startedAtMs: 0,
      endsAtMs,
      silenced: false,
      every: undefined,
    });
    const known = [
      { batchId: 'b1', soupName: 'Leek', timer: timer('a', 'Sweat', 9 * 60_000) },
      { batchId: 'b2', soupName: 'Beetroot', timer: timer('c', 'Roast', 3 * 60_000) },
      { batchId: 'b2', soupName: 'Beetroot', timer: timer('d', 'Rest', 60_000) },
    ];
    spyOn(window, 'fetch').and.callFake((url) =>
      Promise.resolve(
        new Response(JSON.stringify(new Request(url).url.includes('timers') ? { timers: known } : { batches: [] }), {
          status: 200,
        }),
      ),
    );
    const entry = (n: number, action: StoredEntry['action']): StoredEntry => ({
      id: newId(),
      shape: ENTRY_SHAPE,
      stamp: { counter: n, device: 'spec', seq: n },
      atMs: 1000 * n,
      who: '',
      action,
    });
    const unsent = [
      { id: '1', batchId: 'b1', entry: entry(1, { kind: 'timed', timer: 'b', name: 'Croutons', minutes: 7 }) },
      { id: '2', batchId: 'b1', entry: entry(2, { kind: 'longer', timer: 'b', minutes: 1 }) },
      { id: '3', batchId: 'b2', entry: entry(3, { kind: 'silenced', timer: 'd' }) },
      { id: '4', batchId: 'b2', entry: entry(4, { kind: 'undone', target: 'entry-c' }) },
    ];
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        { provide: Live, useValue: { open$: of(true), change$: of() } },
        { provide: Outbox, useValue: { unsent$: of(unsent), count$: of(unsent.length) } },
      ],
    });
    const timers = await firstValueFrom(TestBed.inject(Timers).timers$.pipe(filter((list) => list.length === 2)));
    expect(timers.map(({ name, soupName }) => `${name} of ${soupName}`)).toEqual(['Croutons of Leek', 'Sweat of Leek']);
    expect(timers.find(({ name }) => name === 'Croutons')?.endsAtMs).toBe(1000 + 8 * 60_000);
  });
});
