import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter, Router } from '@angular/router';
import { foldBatch, type Action, type StoredEntry } from '@tureen/core/batch';
import { READY_KITS } from '@tureen/core/kit';
import { LARDER_ROWS } from '@tureen/core/larder';
import { rerun, type Snapshot } from '@tureen/core/plan';
import { LESSONS, leftOverOf, lessonOf, planForPractice, type Way } from '@tureen/core/practice';
import { EXAMPLE_SOUPS, walk } from '@tureen/core/soup';
import { STOCK_SHAPE, contentsOf, type StockAction, type StockEntry } from '@tureen/core/stock';
import type { Practice } from '@tureen/server/api';
import { of } from 'rxjs';
import { until } from '../../../../spec/board-in-memory';
import { BENCH_THREAD, type BenchThread } from '../../cooking/benching';
import { debriefView, inKitchensView, puttingAwayView, seenNow } from '../../cooking/bench-view';
import { Batches } from '../../services/batches';
import { Practices } from '../../services/practices';
import { bandsOf } from './debrief-bands';
import { DebriefPlace } from './debrief';
import { harmWords } from './debrief-words';
import { LookAtIt } from './look-at-it';

const BATCH = '00000000-0000-4000-8000-000000000001';
const PRACTICE: Practice = {
  batchId: BATCH,
  lesson: 'too-thick',
  way: null,
  seed: 2,
  who: '',
  startedAtMs: 0,
  passed: null,
  points: null,
};

function snapshotOf(lessonId: string): Snapshot {
  const lesson = lessonOf(lessonId);
  const soup = EXAMPLE_SOUPS.find(({ id }) => id === lesson?.soupId);
  if (lesson === undefined || soup === undefined) throw new Error(`No lesson ${lessonId}.`);
  const planning = planForPractice(soup, lesson.bowls, LARDER_ROWS, READY_KITS.canteen);
  if (!planning.ok) throw new Error(planning.error.code);
  return planning.plan.snapshot;
}

/** Every step ticked, up to one of a kind. */
function ticked(snapshot: Snapshot, upTo?: string): StoredEntry[] {
  const steps = walk(snapshot.soup.root).flatMap(({ step }) => (step.op === 'join' || step.op === 'dish' ? [] : [step]));
  const end = upTo === undefined ? steps.length : steps.findIndex(({ op }) => op === upTo);
  return steps.slice(0, end).map(({ id }, n) => ({
    id: `00000000-0000-4000-8000-${(n + 1000).toString(16).padStart(12, '0')}`,
    shape: 2,
    stamp: { counter: n + 1, device: 'spec-device', seq: n },
    atMs: n * 60_000,
    who: '',
    action: { kind: 'done', stepId: id } satisfies Action,
  }));
}

const THREAD: BenchThread = {
  seenNow: (ask, look, nowMs) => Promise.resolve(seenNow(ask, look, nowMs)),
  debriefView: (ask) => Promise.resolve(debriefView(ask)),
  puttingAwayView: (ask) => Promise.resolve(puttingAwayView(ask)),
  inKitchensView: (...asked) => Promise.resolve(inKitchensView(...asked)),
};

describe('the bench', () => {
  let entries: StoredEntry[];
  let begun: { lesson: string; seed: number | undefined; way?: Way }[];
  let wentBack: { upTo: string; of: number }[];
  let judges: boolean;
  let practice: Practice;
  let kitchen: Snapshot;
  let stock: StockEntry[];
  const snapshot = snapshotOf(PRACTICE.lesson);

  beforeEach(() => {
    entries = ticked(snapshot);
    begun = [];
    wentBack = [];
    judges = true;
    practice = PRACTICE;
    kitchen = snapshot;
    stock = [];
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        provideRouter([{ path: '**', children: [] }]),
        { provide: BENCH_THREAD, useValue: () => THREAD },
        {
          provide: Batches,
          useValue: { batch$: () => of({ ok: true, value: { snapshot: kitchen, entries, batch: {}, keptHere: 0 } }) },
        },
        {
          provide: Practices,
          useValue: {
            judge: () =>
              Promise.resolve(
                judges
                  ? { ok: true, value: { ...practice, passed: false, points: 3 } }
                  : { ok: false, reachable: true, refusal: { code: 'NO_SUCH_BATCH', sentence: 'There is no such batch.' } },
              ),
            stockOf: () => Promise.resolve({ ok: true, value: { entries: stock } }),
            backTo: (_practice: Practice, own: readonly StoredEntry[], upTo: string) => {
              wentBack.push({ upTo, of: own.length });
              return Promise.resolve({ ok: true, value: { ...PRACTICE, batchId: BATCH.replace(/1$/, '3') } });
            },
            begin: (lesson: string, seed?: number, way?: Way | null) => {
              begun.push({ lesson, seed, ...(way === undefined || way === null ? {} : { way }) });
              return Promise.resolve({ ok: true, value: { ...PRACTICE, batchId: BATCH.replace(/1$/, '2') } });
            },
          },
        },
      ],
    });
  });

  const text = (fixture: ComponentFixture<unknown>): string => (fixture.nativeElement as HTMLElement).textContent;

  function debrief(): ComponentFixture<DebriefPlace> {
    const fixture = TestBed.createComponent(DebriefPlace);
    fixture.componentRef.setInput('batchId', BATCH);
    fixture.detectChanges();
    return fixture;
  }

  it('a debrief says what was wanted, true and believed, where it turned, and what would have landed it', async () => {
    const fixture = debrief();
    await until(fixture, () => (fixture.nativeElement as HTMLElement).querySelector('table') !== null);
    expect(text(fixture)).toContain('▲ not passed yet');
    const rows = [...(fixture.nativeElement as HTMLElement).querySelectorAll('tbody tr')].map((row) =>
      [...row.querySelectorAll('th, td')].map((cell) => cell.textContent.trim()),
    );
    expect(rows.map(([name]) => name)).toEqual(['texture', 'salt', 'bowls', 'safety']);
    expect(rows[0]?.at(-1)).toBe('off');
    expect(rows[1]?.at(-1)).toBe('right');
    expect(text(fixture)).toMatch(/[12] Blend/);
    expect(text(fixture)).toMatch(/Off the spoon: .*mPa·s/);
    expect(text(fixture)).toMatch(/What would have landed it\s*[\d.]+ kg more water and \d+ g more salt, for \d+ bowls/);
    expect(text(fixture)).toContain(lessonOf(PRACTICE.lesson)?.hint ?? '');
    expect((fixture.nativeElement as HTMLElement).querySelectorAll('svg path').length).toBe(3);
  });

  it('a lesson of two ways is begun by a button each, and debriefed by how both end in this kitchen', async () => {
    practice = { ...PRACTICE, lesson: 'roast-or-sweat', way: 'roast' };
    kitchen = snapshotOf('roast-or-sweat');
    entries = ticked(kitchen);
    const fixture = debrief();
    await until(fixture, () => (fixture.nativeElement as HTMLElement).querySelector('.ways tbody') !== null);
    const rows = [...(fixture.nativeElement as HTMLElement).querySelectorAll('.ways tbody tr')].map((row) =>
      [...row.querySelectorAll('th, td')].map((cell) => cell.textContent.trim()),
    );
    expect(rows.map(([name]) => name)).toEqual(['roasted', 'sweated']);
    const [roasted, sweated] = rows.map((row) => ({ planned: Number(row[4]), there: Number(row[5]) }));
    expect(roasted?.there).toBeLessThan((roasted?.planned ?? 0) - 1);
    expect(Math.abs((sweated?.there ?? 0) - (sweated?.planned ?? 0))).toBeLessThanOrEqual(1);
    const again = [...(fixture.nativeElement as HTMLElement).querySelectorAll('button')].find((one) =>
      one.textContent.includes('this kitchen'),
    );
    again?.click();
    await until(fixture, () => begun.length === 1);
    expect(begun).toEqual([{ lesson: 'roast-or-sweat', seed: 2, way: 'roast' }]);
  });

  it('where nothing was cooked it says so, and not that it was landed', async () => {
    entries = [];
    const fixture = debrief();
    await until(fixture, () => text(fixture).includes('Nothing is in the pot'));
    expect(text(fixture)).not.toContain('it was landed');
    expect(text(fixture)).not.toContain('What you believed was true');
  });

  it('it is begun again in the same kitchen, or in another', async () => {
    const fixture = debrief();
    await until(fixture, () => text(fixture).includes('Again, this kitchen'));
    const go = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    for (const name of ['Again, this kitchen', 'Again, another kitchen'])
      [...(fixture.nativeElement as HTMLElement).querySelectorAll('button')]
        .find((one) => one.textContent.trim() === name)
        ?.click();
    await fixture.whenStable();
    expect(begun).toEqual([
      { lesson: 'too-thick', seed: 2 },
      { lesson: 'too-thick', seed: undefined },
    ]);
    expect(go).toHaveBeenCalledTimes(2);
  });

  it('a moment can be gone back to: the same kitchen, with what was entered up to there', async () => {
    const fixture = debrief();
    await until(fixture, () => text(fixture).includes('Back to this moment'));
    const go = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    const buttons = [...(fixture.nativeElement as HTMLElement).querySelectorAll('button')];
    buttons.find((one) => one.getAttribute('aria-label') === 'Back to this moment: Blend')?.click();
    await fixture.whenStable();
    const blend = walk(snapshot.soup.root).find(({ step }) => step.op === 'blend')?.step.id;
    const entry = entries.find(({ action }) => action.kind === 'done' && action.stepId === blend);
    expect(wentBack).toEqual([{ upTo: entry?.id ?? '', of: entries.length }]);
    expect(go).toHaveBeenCalledOnceWith(['/stove', BATCH.replace(/1$/, '3')]);
  });

  it('of a batch that is no practice it says so', async () => {
    judges = false;
    const fixture = debrief();
    await until(fixture, () => text(fixture).includes('There is no such batch.'));
    expect(text(fixture)).toContain('To the lessons');
  });

  async function looked(look = 1): Promise<string> {
    const fixture = TestBed.createComponent(LookAtIt);
    fixture.componentRef.setInput('practice', PRACTICE);
    fixture.componentRef.setInput('look', look);
    fixture.detectChanges();
    await until(fixture, () => (fixture.nativeElement as HTMLElement).querySelector('dl') !== null);
    return text(fixture);
  }

  it('a look says what scale, dip stick, spoon, tongue and meter say of what is really in the pot', async () => {
    const seen = await looked();
    expect(seen).toMatch(/[\d.]+ kg with the pot, which weighs [\d.]+ kg empty/);
    expect(seen).toMatch(/[\d.]+ cm from the rim down to the soup/);
    // The lesson is about what is far too thick.
    expect(seen).toMatch(/clings|stands/);
    expect(seen).toMatch(/the salt is right|a little too/);
    expect(seen).toContain('mPa·s as it is served');
  });

  it('a look says how hot it is and how sour, and a coach says something only when asked', async () => {
    const seen = await looked();
    expect(seen).toMatch(/\d+ °C, it (boils|trembles|steams|lies)/);
    expect(seen).toMatch(/sour/);
    expect(seen).not.toContain('coach');
    const fixture = TestBed.createComponent(LookAtIt);
    fixture.componentRef.setInput('practice', PRACTICE);
    fixture.componentRef.setInput('hint', 'Look at the spoon.');
    fixture.detectChanges();
    await until(fixture, () => (fixture.nativeElement as HTMLElement).querySelector('details') !== null);
    const details = (fixture.nativeElement as HTMLElement).querySelector('details');
    expect(details?.open).toBeFalse();
    expect(details?.textContent).toContain('Look at the spoon.');
  });

  it('of an empty pot a tongue says nothing', async () => {
    entries = [];
    expect(await looked()).toContain('nothing to taste yet');
  });

  it('a debrief puts what would have hurt somebody first, with its step', async () => {
    const own = lessonOf('hot-jug');
    practice = { ...PRACTICE, lesson: 'hot-jug' };
    kitchen = snapshotOf('hot-jug');
    entries = ticked(kitchen);
    const fixture = debrief();
    await until(fixture, () => (fixture.nativeElement as HTMLElement).querySelector('.harm') !== null);
    const harm = (fixture.nativeElement as HTMLElement).querySelector('.debrief-cards section');
    expect(harm?.className).toContain('harm');
    expect(harm?.textContent).toContain('The jug would have thrown its lid');
    expect(harm?.textContent).toContain('Blend');
    expect(text(fixture)).toContain('one thing went wrong');
    expect(text(fixture)).toContain(own?.hint ?? 'a hint');
  });

  it('a debrief of what was put away says how each pan really cooled, what readings showed, and what would have done', async () => {
    practice = { ...PRACTICE, lesson: 'big-pot-cools' };
    kitchen = snapshotOf('big-pot-cools');
    const startMs = Date.UTC(2026, 2, 2, 13);
    entries = leftOverOf(rerun(kitchen), startMs, (n) => `00000000-0000-4000-8000-${n.toString(16).padStart(12, '0')}`);
    const stored = entries.find(({ action }) => action.kind === 'stored')!;
    const contents = contentsOf(foldBatch(kitchen, entries), 1)!;
    const store = { id: 'fridge', name: 'Fridge', kind: 'fridge' } as const;
    const did = (minute: number, action: StockAction): void => {
      const n = stock.length + 1;
      const id = `00000000-0000-4000-8000-${(n + 5000).toString(16).padStart(12, '0')}`;
      const stamp = { counter: n, device: 'spec-device', seq: n };
      stock.push({ of: 'stock', id, shape: STOCK_SHAPE, stamp, atMs: startMs + minute * 60_000, who: '', action });
    };
    const container = '00000000-0000-4000-8000-00000000f001';
    const kg = stored.action.kind === 'stored' ? stored.action.kg : 0;
    const from = { batchId: BATCH, entryId: stored.id };
    did(1, { kind: 'filled', container, kg, vessel: 'Wide deep pan', madeMs: startMs, store, contents, from });
    const way = { startC: 75, depthM: 0.1, place: 'walk-in', isStirred: false, rule: 'two-stage', words: '' };
    did(1, { kind: 'set to cool', container, ...way });
    did(60, { kind: 'read', container, tempC: 30 });
    const fixture = debrief();
    await until(fixture, () => (fixture.nativeElement as HTMLElement).querySelector('.harm') !== null);
    const words = text(fixture);
    expect(words).toContain('It stayed warm for too long');
    expect(words).toMatch(/✗\s+to 21 °C from 57 °C: (\d+ h|not within).* of 2 h allowed; missed, by what you read/);
    expect(words).toMatch(/The fewest pans that would have done\s*\d+ pans?, up to \d+ mm deep: .*21 °C after/);
    expect(words).toContain(lessonOf('big-pot-cools')?.hint ?? 'a hint');
    expect(words).toContain('Back to the cold');
    const go = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    [...(fixture.nativeElement as HTMLElement).querySelectorAll('button')]
      .find((one) => one.textContent.trim() === 'Again, this kitchen')
      ?.click();
    await fixture.whenStable();
    expect(begun).toEqual([{ lesson: 'big-pot-cools', seed: 2 }]);
    expect(go).toHaveBeenCalledTimes(1);
  });

  it('what would have hurt somebody is said with its figure, and how it is kept from happening', () => {
    const step = { entryId: 'e', stepId: 's' };
    expect(harmWords({ kind: 'hot jug', ...step, tempC: 91, fillShare: 0.6 }).words).toContain('filled to 60 % with soup at 91 °C');
    expect(harmWords({ kind: 'hot jug', ...step, tempC: 91 }).words).toContain('no jug was looked at');
    expect(harmWords({ kind: 'split', ...step, tempC: 96, acidGKg: 3.94 }).words).toContain('3.9 g of acid a kilo');
    expect(harmWords({ kind: 'scrambled', ...step, tempC: 94 }).words).toContain('Over 82 °C');
    expect(harmWords({ kind: 'raw egg', ...step, tempC: 66 }).words).toContain('follow your local rules');
    const slow = { kind: 'cooled too slowly', vessel: 'Deep pan', toC: 21, withinMin: 120 } as const;
    expect(harmWords({ ...slow, minutes: 200 }).words).toContain(
      'After 3 h 20 min it was at 21 °C in the middle of the deep pan; 2 h',
    );
    expect(harmWords(slow).words).toContain('not at 21 °C in the middle of the deep pan within a day');
    expect(harmWords({ kind: 'left standing', kg: 4 }).words).toContain('4 kg were never put away');
    expect(harmWords({ kind: 'allergen', allergen: 'milk' }).words).toContain('There is milk');
  });

  it('a second look sees a little otherwise, and the same one the same', async () => {
    const first = await looked(1);
    expect(await looked(1)).toBe(first);
    expect(await looked(2)).not.toBe(first);
  });

  it('a spoon says nothing before the blade, and a tongue that there is no salt yet', async () => {
    entries = ticked(snapshot, 'blend');
    const seen = await looked();
    expect(seen).toContain('nothing yet: it is in pieces');
    expect(seen).toContain('far too little salt');
    expect(seen).not.toContain('mPa·s');
  });

  it('ribbons are as thick as they were heavy, on one scale, and what leads beyond the edge is written before it', () => {
    const moment = (step: string, believedKg: number, trueKg: number) => ({ entryId: step, step, believedKg, trueKg });
    const drawn = bandsOf({
      moments: [moment('Trim', 2, 2), moment('Cover', 6, 5), moment('Dish out', 6, 5)],
      bestKg: 10,
      turns: [{ at: 1, entryId: 'Cover', of: 'kg', step: 'Cover', believed: 6, true: 5 }],
    });
    expect(drawn.bands.map(({ kind }) => kind)).toEqual(['believed', 'true', 'best']);
    const thick = (path: string): number => {
      const [first, second] = path.slice(1).split('L');
      const y = (part: string | undefined, at: number): number => Number((part ?? '').trim().split(/\s+/).at(at));
      return Math.abs(y(first, -1) - y(second, 1));
    };
    const [believed, real, best] = drawn.bands.map(({ path }) => thick(path));
    expect((believed ?? 0) / (real ?? 1)).toBeCloseTo(6 / 5, 1);
    expect((best ?? 0) / (real ?? 1)).toBeCloseTo(2, 1);
    expect(drawn.labels.map(({ text: label, anchor }) => [label, anchor])).toEqual([
      ['Trim', 'middle'],
      ['Cover', 'middle'],
      ['Dish out', 'end'],
    ]);
    expect(drawn.turns).toEqual([{ n: 1, x: jasmine.any(Number) as unknown as number }]);
  });

  it('every lesson has a soup that ships, a hint and a brief, and none is called like another', () => {
    for (const { soupId, hint, brief, learn } of LESSONS) {
      expect(EXAMPLE_SOUPS.some(({ id }) => id === soupId))
        .withContext(soupId)
        .toBeTrue();
      for (const words of [hint, brief, learn]) expect(words).toMatch(/^[A-Z].*\.$/);
    }
    expect(new Set(LESSONS.map(({ title }) => title)).size).toBe(LESSONS.length);
  });
});
