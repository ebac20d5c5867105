import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Action, Entry, StoredEntry } from '@tureen/core/batch';
import type { Practice } from '@tureen/server/api';
import { NEVER } from 'rxjs';
import { Api } from './api';
import { Clock } from './clock';
import { Device } from './device';
import { Live } from './live';
import { Practices } from './practices';

const NOW = 1_800_000_000_000;
const MINUTE_MS = 60_000;
const BATCH = '00000000-0000-4000-8000-000000000001';
const PRACTICE: Practice = {
  batchId: BATCH,
  lesson: 'first-bowl',
  way: null,
  seed: 7,
  who: 'JT',
  startedAtMs: 0,
  passed: null,
  points: null,
};

function entryOf(n: number, action: Action): StoredEntry {
  return {
    id: `00000000-0000-4000-8000-${(100 + n).toString(16).padStart(12, '0')}`,
    shape: 2,
    stamp: { counter: n, device: 'spec-device', seq: n },
    atMs: NOW - 600 * MINUTE_MS + n * MINUTE_MS,
    who: 'JT',
    action,
  };
}

describe('practices as the page asks for them', () => {
  let begun: { batchId: string; lesson: string; seed: number; who: string }[];
  let sent: { id: string; entries: Entry[] }[];
  let clocks: { practiceMs: number; speed: number }[];
  let refuses: boolean;
  let practices: Practices;

  const answered = (body: unknown): Response =>
    new Response(JSON.stringify(body), { headers: { 'content-type': 'application/json' } });

  beforeEach(() => {
    begun = [];
    sent = [];
    clocks = [];
    refuses = false;
    const client = {
      bench: {
        $get: () => Promise.resolve(answered({ practices: [PRACTICE] })),
        $post: ({ json }: { json: (typeof begun)[number] }) => {
          if (refuses)
            return Promise.resolve(
              new Response(JSON.stringify({ error: { code: 'NO_KITCHEN', sentence: 'No kitchen.' } }), { status: 409 }),
            );
          begun.push(json);
          return Promise.resolve(answered({ ...PRACTICE, batchId: json.batchId, seed: json.seed }));
        },
        clock: {
          $put: ({ json }: { json: (typeof clocks)[number] }) => {
            clocks.push(json);
            return Promise.resolve(answered({ speed: json.speed }));
          },
        },
      },
      batches: {
        ':id': {
          entries: {
            $post: ({ param, json }: { param: { id: string }; json: { entries: Entry[] } }) => {
              sent.push({ id: param.id, entries: json.entries });
              return Promise.resolve(answered({ entries: json.entries }));
            },
          },
        },
      },
    };
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        { provide: Api, useValue: { client } },
        { provide: Device, useValue: { who: () => ' JT ' } },
        { provide: Clock, useValue: { now: () => NOW + 0.4 } },
        { provide: Live, useValue: { change$: NEVER, open$: NEVER } },
      ],
    });
    practices = TestBed.inject(Practices);
  });

  it('another kitchen is another number each time; the same is the same', async () => {
    await practices.begin('too-thick');
    await practices.begin('too-thick');
    await practices.begin('too-thick', 7);
    const [first, second, third] = begun;
    expect(first?.seed).toBeGreaterThan(0);
    expect(first?.seed).toBeLessThanOrEqual(1_000_000);
    expect(first?.seed).not.toBe(second?.seed ?? 0);
    expect(third?.seed).toBe(7);
    expect(begun.map(({ who }) => who)).toEqual(['JT', 'JT', 'JT']);
    expect(new Set(begun.map(({ batchId }) => batchId)).size).toBe(3);
  });

  it('back to a moment is the same kitchen with what was entered up to there, as if it were now: the pot has not cooled', async () => {
    const entries = [1, 2, 3, 4].map((n) => entryOf(n, { kind: 'done', stepId: `step-${String(n)}` }));
    const answer = await practices.backTo(PRACTICE, entries, entries[2]?.id ?? '');
    expect(answer.ok).toBeTrue();
    expect(begun.map(({ lesson, seed }) => ({ lesson, seed }))).toEqual([{ lesson: 'first-bowl', seed: 7 }]);
    const copies = sent[0]?.entries ?? [];
    expect(sent[0]?.id).toBe(begun[0]?.batchId ?? '');
    expect(copies.map(({ action }) => action)).toEqual(entries.slice(0, 3).map(({ action }) => action));
    expect(copies.map(({ atMs }) => atMs)).toEqual([NOW - 2 * MINUTE_MS, NOW - MINUTE_MS, NOW]);
    // Entries of their own: those gone back from stay as they are.
    expect(copies.some(({ id }) => entries.some((one) => one.id === id))).toBeFalse();
  });

  it('what was taken back is not entered again', async () => {
    const first = entryOf(1, { kind: 'done', stepId: 'step-1' });
    const entries = [first, entryOf(2, { kind: 'undone', target: first.id }), entryOf(3, { kind: 'done', stepId: 'step-3' })];
    await practices.backTo(PRACTICE, entries, entries[2]?.id ?? '');
    expect(sent[0]?.entries.map(({ action }) => action)).toEqual([{ kind: 'done', stepId: 'step-3' }]);
  });

  it('where the kitchen refuses, nothing is entered and the reason comes back', async () => {
    refuses = true;
    const answer = await practices.backTo(
      PRACTICE,
      [entryOf(1, { kind: 'done', stepId: 'step-1' })],
      entryOf(1, { kind: 'closed' }).id,
    );
    expect(answer.ok ? '' : answer.refusal.sentence).toBe('No kitchen.');
    expect(sent).toEqual([]);
  });

  it('the clock is told in whole milliseconds', async () => {
    await practices.tellClock(60);
    expect(clocks).toEqual([{ practiceMs: NOW, speed: 60 }]);
  });
});
