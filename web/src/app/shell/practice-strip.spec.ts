import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter, Router } from '@angular/router';
import type { Practice } from '@tureen/server/api';
import { lessonOf } from '@tureen/core/practice';
import { NEVER, of } from 'rxjs';
import { until } from '../../../spec/board-in-memory';
import { BENCH_THREAD } from '../cooking/benching';
import { Batches } from '../services/batches';
import { Practices } from '../services/practices';
import { PracticeClock } from '../services/practice-mode';
import { PracticeStrip } from './practice-strip';

const BATCH = '00000000-0000-4000-8000-000000000001';
const PRACTICE: Practice = {
  batchId: BATCH,
  lesson: 'salty-stock',
  way: null,
  seed: 2,
  who: '',
  startedAtMs: 0,
  passed: null,
  points: null,
};
const PUTTING_AWAY: Practice = { ...PRACTICE, batchId: BATCH.replace(/1$/, '2'), lesson: 'big-pot-cools' };

describe('the strip over every place of the practice kitchen', () => {
  let fixture: ComponentFixture<PracticeStrip>;
  let told: number[];

  beforeEach(() => {
    told = [];
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        provideRouter([{ path: '**', children: [] }]),
        { provide: BENCH_THREAD, useValue: () => ({ seenNow: () => new Promise(() => undefined) }) },
        { provide: Batches, useValue: { batch$: () => NEVER } },
        {
          provide: Practices,
          useValue: {
            practices$: of({ ok: true, value: { practices: [PRACTICE, PUTTING_AWAY] } }),
            tellClock: (speed: number) => {
              told.push(speed);
              return Promise.resolve({ ok: true, value: {} });
            },
            of: (id: string) =>
              Promise.resolve(
                [PRACTICE, PUTTING_AWAY].some(({ batchId }) => batchId === id)
                  ? { ok: true, value: id === BATCH ? PRACTICE : PUTTING_AWAY }
                  : { ok: false, reachable: true, refusal: { code: 'NO_SUCH_BATCH', sentence: 'There is no such batch.' } },
              ),
          },
        },
      ],
    });
    fixture = TestBed.createComponent(PracticeStrip);
    fixture.detectChanges();
  });

  afterEach(() => {
    localStorage.removeItem('tureen-practice-clock');
  });

  const text = (): string => (fixture.nativeElement as HTMLElement).textContent;
  const to = async (path: string): Promise<void> => {
    await TestBed.inject(Router).navigateByUrl(path);
    await fixture.whenStable();
    fixture.detectChanges();
  };
  const named = (name: string): HTMLElement | undefined =>
    [...(fixture.nativeElement as HTMLElement).querySelectorAll<HTMLElement>('a, button, label')].find((one) =>
      one.textContent.trim().startsWith(name),
    );

  it('says that it is practice wherever one is, with the way to the lessons and the way out', async () => {
    await to('/shelf');
    expect(text()).toContain('nothing of this reaches the kitchen');
    expect(named('Lessons')).toBeDefined();
    expect(named('Leave')?.getAttribute('href')).toBe('/board');
    expect(named('Look at it')).toBeUndefined();
  });

  it('in the cold it goes with the last lesson that is learnt there, and a coach speaks when asked', async () => {
    await to('/cold/cool?of=1');
    await until(fixture, () => text().includes('The big pot must cool.'));
    expect(named('How did it go')?.getAttribute('href')).toBe(`/bench/${PUTTING_AWAY.batchId}`);
    expect(text()).not.toContain(lessonOf('big-pot-cools')?.hint ?? 'a hint');
    named('Ask the coach')?.click();
    await fixture.whenStable();
    await until(fixture, () => document.body.textContent.includes(lessonOf('big-pot-cools')?.hint ?? 'a hint'));
    await to('/shelf');
    expect(text()).toContain('nothing of this reaches the kitchen');
  });

  it('at a lesson’s stove says which it is and no more than a cook would be told, and offers a look and the debrief', async () => {
    await to(`/stove/${BATCH}`);
    await until(fixture, () => text().includes('The salty stock.'));
    expect(text()).toContain(lessonOf('salty-stock')?.brief ?? 'a brief');
    expect(text()).not.toContain(lessonOf('salty-stock')?.hint ?? 'a hint');
    expect(named('How did it go')?.getAttribute('href')).toBe(`/bench/${BATCH}`);
    named('Look at it')?.click();
    await fixture.whenStable();
    fixture.detectChanges();
    expect(document.querySelector('[role=dialog]')?.textContent).toContain('Look at it');
    // Somewhere else there is nothing to look at.
    await to('/shelf');
    await until(fixture, () => !text().includes('The salty stock.'));
    expect(named('Look at it')).toBeUndefined();
  });

  it('at a batch that is no practice it offers the lessons', async () => {
    await to(`/stove/${BATCH.replace(/1$/, '9')}`);
    expect(named('Lessons')).toBeDefined();
    expect(named('How did it go')).toBeUndefined();
  });

  it('turns the practice’s clock', async () => {
    named('60 ×')?.click();
    await fixture.whenStable();
    expect(TestBed.inject(PracticeClock).speed()).toBe(60);
    await until(fixture, () => told.length > 1);
    // The probe goes by it too.
    expect(told).toEqual([1, 60]);
  });
});
