import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { ENTRY_SHAPE, type Entry } from '@tureen/core/batch';
import { openDB } from 'idb';
import { BehaviorSubject, filter, firstValueFrom } from 'rxjs';
import { newId } from './device';
import { Live } from './live';
import { Outbox } from './outbox';

type Reply = (entries: readonly Entry[]) => Response | Promise<Response>;

function note(text: string): Entry {
  return {
    id: newId(),
    shape: ENTRY_SHAPE,
    stamp: { counter: 1, device: 'spec-tab', seq: 1 },
    atMs: 0,
    who: '',
    action: { kind: 'note', text },
  };
}

/** What the browser's own database holds, asked of it and not of the service. */
async function held(): Promise<string[]> {
  const db = await openDB('tidy-tureen', 1);
  const all = (await db.getAll('unsent')) as { id: string }[];
  db.close();
  return all.map(({ id }) => id);
}

describe('the outbox', () => {
  let reply: Reply;
  let received: string[];

  beforeEach(async () => {
    received = [];
    spyOn(window, 'fetch').and.callFake(async (_, init) => {
      const { entries } = JSON.parse((init?.body ?? '{"entries":[]}') as string) as { entries: Entry[] };
      const answer = await reply(entries);
      if (answer.ok) received.push(...entries.map(({ id }) => id));
      return answer;
    });
    const db = await openDB('tidy-tureen', 1, {
      upgrade: (fresh) => {
        fresh.createObjectStore('unsent', { keyPath: 'id' });
      },
    });
    await db.clear('unsent');
    db.close();
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
  });

  const good: Reply = () => new Response('{"kept":1,"known":0,"late":[]}', { status: 200 });
  const gone: Reply = () => Promise.reject(new TypeError('Failed to fetch'));
  const emptied = (outbox: Outbox): Promise<number> => firstValueFrom(outbox.count$.pipe(filter((count) => count === 0)));

  it('keeps an entry in the browser until the server says that it has it', async () => {
    reply = gone;
    const outbox = TestBed.inject(Outbox);
    const entry = note('gas low');
    await outbox.keep('b1', entry);
    expect(await held()).toEqual([entry.id]);
    reply = good;
    outbox.send();
    await emptied(outbox);
    expect(await held()).toEqual([]);
    expect(received).toEqual([entry.id]);
  });

  it('finds after a reload what was not sent before it', async () => {
    reply = gone;
    const entry = note('before');
    await TestBed.inject(Outbox).keep('b1', entry);
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    reply = good;
    const again = TestBed.inject(Outbox);
    await firstValueFrom(again.unsent$.pipe(filter((list) => list.length === 1)));
    await emptied(again);
    expect(received).toEqual([entry.id]);
  });

  it('one that the server refuses holds up no other and is kept with its reason', async () => {
    const bad = note('bad');
    const fine = note('fine');
    reply = gone;
    const outbox = TestBed.inject(Outbox);
    await outbox.keep('b1', bad);
    await outbox.keep('b1', fine);
    reply = (entries) =>
      entries.some(({ id }) => id === bad.id)
        ? new Response(JSON.stringify({ error: { code: 'BAD_INPUT', field: 'entries', sentence: 'It can’t be used.' } }), {
            status: 400,
          })
        : good(entries);
    outbox.send();
    const list = await firstValueFrom(outbox.unsent$.pipe(filter((all) => all.length === 1 && all[0]?.refusal !== undefined)));
    expect(list[0]?.refusal?.sentence).toBe('It can’t be used.');
    expect(received).toEqual([fine.id]);
    expect(await held()).toEqual([bad.id]);
  });

  it('a store that fails keeps nothing back: the entry is sent; without a server it is said to be in this page alone', async () => {
    spyOn(IDBObjectStore.prototype, 'put').and.throwError(new DOMException('full', 'QuotaExceededError'));
    reply = good;
    const outbox = TestBed.inject(Outbox);
    const entry = note('sent all the same');
    await outbox.keep('b1', entry);
    await emptied(outbox);
    expect(received).toEqual([entry.id]);
    reply = gone;
    await outbox.keep('b1', note('held'));
    expect(await firstValueFrom(outbox.fragile$)).toBeTrue();
    expect((await firstValueFrom(outbox.unsent$)).length).toBe(1);
    reply = good;
    outbox.send();
    await emptied(outbox);
    expect(await firstValueFrom(outbox.fragile$)).toBeFalse();
  });

  it('works where the browser has no store at all', async () => {
    spyOn(indexedDB, 'open').and.throwError(new DOMException('denied', 'SecurityError'));
    reply = good;
    const outbox = TestBed.inject(Outbox);
    const entry = note('no store');
    await outbox.keep('b1', entry);
    await emptied(outbox);
    expect(received).toEqual([entry.id]);
  });

  it('two tabs hold what either has entered; the one that stays sends what the other left, and counts it', async () => {
    reply = gone;
    const here = TestBed.inject(Outbox);
    const there = TestBed.runInInjectionContext(() => new Outbox());
    const left = note('left by the other tab');
    await there.keep('b1', left);
    await here.keep('b1', note('own'));
    const both = (outbox: Outbox): Promise<unknown> => firstValueFrom(outbox.unsent$.pipe(filter((list) => list.length === 2)));
    await Promise.all([both(here), both(there)]);
    there.ngOnDestroy();
    reply = good;
    here.send();
    await emptied(here);
    expect(received).toContain(left.id);
    expect(received.length).toBe(2);
    expect(await held()).toEqual([]);
  });

  it('a tab that is opened later knows what the others hold, though the store has none of it', async () => {
    spyOn(IDBObjectStore.prototype, 'put').and.throwError(new DOMException('full', 'QuotaExceededError'));
    reply = gone;
    const first = TestBed.inject(Outbox);
    await first.keep('b1', note('in memory'));
    const later = TestBed.runInInjectionContext(() => new Outbox());
    await firstValueFrom(later.unsent$.pipe(filter((list) => list.length === 1)));
    expect(await held()).toEqual([]);
    later.ngOnDestroy();
  });

  it('is said to be kept only once the browser has it: what is counted survives a reload', async () => {
    reply = gone;
    const outbox = TestBed.inject(Outbox);
    const all = Array.from({ length: 15 }, (_, n) => note(String(n)));
    void Promise.all(all.map((one) => outbox.keep('b1', one)));
    expect((await firstValueFrom(outbox.unsent$)).filter(({ kept }) => kept === true).length).toBe(0);
    await firstValueFrom(outbox.unsent$.pipe(filter((list) => list.filter(({ kept }) => kept === true).length === 15)));
    expect((await held()).length).toBe(15);
  });

  it('one that names what another tablet has yet to bring in is tried again when the stream opens', async () => {
    const early = note('of a line that is not there yet');
    reply = () => new Response(JSON.stringify({ error: { code: 'NO_SUCH_LINE', sentence: 'Not known.' } }), { status: 422 });
    const open$ = new BehaviorSubject(false);
    TestBed.overrideProvider(Live, { useValue: { open$ } });
    const outbox = TestBed.inject(Outbox);
    await outbox.keep('b1', early);
    await firstValueFrom(outbox.unsent$.pipe(filter((all) => all[0]?.refusal !== undefined)));
    reply = good;
    open$.next(true);
    await emptied(outbox);
    expect(received).toEqual([early.id]);
  });
});
