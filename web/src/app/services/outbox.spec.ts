import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Entry } from '@tureen/core/batch';
import { openDB } from 'idb';
import { filter, firstValueFrom } from 'rxjs';
import { newId } from './device';
import { Outbox } from './outbox';

type Reply = (entries: readonly Entry[]) => Response | Promise<Response>;

function note(text: string): Entry {
  return {
    id: newId(),
    shape: 1,
    stamp: { counter: 1, device: 'spec-tab', seq: 1 },
    atMs: 0,
    who: '',
    deed: { kind: 'note', text },
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
});
