import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { DATE, TWO_COOKS, dayWith } from '../../../../../core/spec/days';
import { BoardInMemory } from '../../../../spec/board-in-memory';
import { KeptDay } from './kept-day';

const DAY = dayWith([], { people: TWO_COOKS.slice(0, 1) });

describe('a day as a screen keeps it', () => {
  let memory: BoardInMemory;
  const date = signal<string | undefined>(DATE);

  beforeEach(() => {
    memory = new BoardInMemory(Date.UTC(2026, 11, 4, 8));
    date.set(DATE);
    TestBed.configureTestingModule({ providers: memory.providers() });
  });

  async function made(): Promise<KeptDay> {
    const day = TestBed.runInInjectionContext(() => new KeptDay(date));
    await rested();
    return day;
  }

  async function rested(): Promise<void> {
    for (let n = 0; n < 4; n++) {
      TestBed.tick();
      await new Promise((done) => setTimeout(done));
    }
  }

  it('of which nothing was planned is loaded and empty; what is changed stands there at once and is kept', async () => {
    const kept = await made();
    expect(kept.isLoaded()).toBeTrue();
    expect(kept.value()).toBeUndefined();
    const sent = kept.change(DAY);
    expect(kept.value()).toEqual(DAY);
    expect(await sent).toBeTrue();
    expect(memory.kept(DATE)).toEqual(DAY);
  });

  it('follows what other screens keep', async () => {
    const kept = await made();
    memory.put({ ...DAY, starts: '06:00' });
    await rested();
    expect(kept.value()?.starts).toBe('06:00');
  });

  it('two changes right behind each other are both kept, the second on top of the first', async () => {
    memory.put(DAY);
    const kept = await made();
    const first = kept.change({ ...DAY, starts: '06:00' });
    const second = kept.change({ ...DAY, starts: '06:00', ends: '16:00' });
    expect(await Promise.all([first, second])).toEqual([true, true]);
    expect(memory.kept(DATE)).toEqual({ ...DAY, starts: '06:00', ends: '16:00' });
    await rested();
    expect(kept.value()).toEqual({ ...DAY, starts: '06:00', ends: '16:00' });
  });

  it('changed by another screen meanwhile it is not overwritten, and stands here as it now is', async () => {
    memory.put(DAY);
    const kept = await made();
    // The other screen's change is on the server, but this screen has not heard of it yet.
    memory.isDeaf = true;
    memory.put({ ...DAY, starts: '05:30' });
    expect(await kept.change({ ...DAY, ends: '18:00' })).toBeFalse();
    expect(memory.kept(DATE)?.starts).toBe('05:30');
    expect(kept.refused()).toContain('Somebody changed this day');
    expect(kept.value()?.starts).toBe('05:30');
    // Changed on top of that it is kept, and says nothing of the refusal any more.
    expect(await kept.change({ ...DAY, starts: '05:30', ends: '18:00' })).toBeTrue();
    expect(kept.refused()).toBe('');
    expect(memory.kept(DATE)?.ends).toBe('18:00');
  });

  it('a change that arrives after a refused one on which it stands is refused too', async () => {
    memory.put(DAY);
    const kept = await made();
    memory.isDeaf = true;
    memory.put({ ...DAY, starts: '05:30' });
    const both = await Promise.all([kept.change({ ...DAY, ends: '18:00' }), kept.change({ ...DAY, ends: '19:00' })]);
    expect(both).toEqual([false, false]);
    expect(memory.kept(DATE)).toEqual({ ...DAY, starts: '05:30' });
    expect(kept.value()?.starts).toBe('05:30');
  });

  it('turned to another date it is that one’s, whatever is on its way', async () => {
    memory.put(DAY);
    const kept = await made();
    let arrive: () => void = () => undefined;
    memory.slow = new Promise<void>((done) => (arrive = done));
    const sent = kept.change({ ...DAY, starts: '06:00' });
    date.set('2026-12-05');
    expect(kept.isLoaded()).toBeFalse();
    await rested();
    expect(kept.isLoaded()).toBeTrue();
    expect(kept.value()).toBeUndefined();
    arrive();
    const other = kept.change({ ...DAY, date: '2026-12-05' });
    expect(await Promise.all([sent, other])).toEqual([true, true]);
    await rested();
    expect(memory.kept(DATE)?.starts).toBe('06:00');
    expect(kept.value()?.date).toBe('2026-12-05');
    expect(memory.kept('2026-12-05')?.date).toBe('2026-12-05');
  });
});
