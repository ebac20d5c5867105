import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { ENTRY_SHAPE, foldBatch, saltPctNow, type Action, type StoredEntry } from '@tureen/core/batch';
import { READY_KITS } from '@tureen/core/kit';
import { LARDER_ROWS } from '@tureen/core/larder';
import { correctionsOf, reconcile, type Correction } from '@tureen/core/learn';
import { namer } from '@tureen/core/messages';
import { makePlan, rerun, type Figures } from '@tureen/core/plan';
import { EXAMPLE_SOUPS, walk } from '@tureen/core/soup';
import type { LearnedAnswer } from '@tureen/server/api';
import { BehaviorSubject, defer, of } from 'rxjs';
import { until } from '../../../../spec/board-in-memory';
import { batchView } from '../../cooking/batch-view';
import { RECONCILER } from '../../cooking/reconciling';
import { Batches, type BatchList, type BatchSearch, type OpenBatch } from '../../services/batches';
import { Clock } from '../../services/clock';
import { Kitchen } from '../../services/kitchen';
import { LearnedFigures } from '../../services/learned';
import { Soups } from '../../services/soups';
import { AddsUp } from './adds-up';
import { Learnt } from './learnt';
import { Ledger } from './ledger';
import { searchOf } from './search';
import { OverTime } from './over-time';

const DAY_MS = 86_400_000;
const NOW = Date.UTC(2026, 2, 2, 12);
const soup = EXAMPLE_SOUPS.find(({ id }) => id === 'leek-potato')!;
const planning = makePlan(soup, LARDER_ROWS, READY_KITS.canteen, { bowls: 40, bowlG: 300, potId: 'stockpot-20' });
if (!planning.ok) throw new Error(planning.error.code);
const { snapshot } = planning.plan;
const id = (n: number): string => `00000000-0000-4000-8000-${n.toString(16).padStart(12, '0')}`;

function entriesOf(actions: readonly Action[]): StoredEntry[] {
  return actions.map((action, n) => ({
    id: id(n + 1),
    shape: ENTRY_SHAPE,
    stamp: { counter: n + 1, device: 'spec-tab', seq: n + 1 },
    atMs: NOW + n * 60_000,
    who: 'AB',
    action,
  }));
}

const steps = walk(soup.root).map(({ step }) => step);
const ticks = steps.filter(({ op }) => op !== 'dish').map(({ id: stepId }): Action => ({ kind: 'done', stepId }));
const dish = steps.at(-1)!.id;
const cooked = foldBatch(snapshot, entriesOf(ticks));
const { tareKg } = cooked.prepared.vessel;

/** A batch that was weighed at the end, with its pot on the scale or taken off. */
function weighed(tared: boolean): StoredEntry[] {
  return entriesOf([
    ...ticks,
    { kind: 'weighed', stepId: dish, grossKg: cooked.massKg + tareKg, tareKg: tared ? tareKg : 0 },
    { kind: 'salt', stepId: dish, saltPct: Math.round(saltPctNow(cooked) * 100) / 100 },
    { kind: 'closed' },
  ]);
}

const text = ({ nativeElement }: ComponentFixture<unknown>): string =>
  (nativeElement as HTMLElement).innerText.replaceAll(/\s+/g, ' ').trim();

function press(fixture: ComponentFixture<unknown>, name: RegExp): Promise<unknown> {
  const buttons = [...(fixture.nativeElement as HTMLElement).querySelectorAll<HTMLElement>('button, a')];
  const button = buttons.find((one) => name.test(one.innerText));
  if (button === undefined) throw new Error(`No button ${String(name)} among ${buttons.map((one) => one.innerText).join(' | ')}`);
  button.click();
  return fixture.whenStable();
}

const LEARNED: LearnedAnswer = {
  figures: [
    { key: 'boilOff', by: 0.18, sd: 0.07, batches: 6 },
    { key: 'trim:beetroot:peeled', by: -0.2, sd: 0.08, batches: 5 },
    { key: 'bodyA@soup:leek-potato', by: 0.3, sd: 0.12, batches: 3 },
    { key: 'bias:dip', by: 0.02, sd: 0.01, batches: 4 },
    { key: 'salt:vegetable-stock-carton', by: 0.1, sd: 0.05, batches: 2 },
  ],
  priorSd: [0.2, 0.14, 0.285, 0.02, 0.06],
  choices: [{ key: 'bias:dip', holds: 0.02 }],
  batches: [
    {
      batchId: id(71),
      soupId: soup.id,
      soupName: soup.name,
      startedAtMs: NOW - 3 * DAY_MS,
      oddSd: 0.1,
      weight: 1,
      waits: false,
      counts: true,
      keys: ['boilOff'],
    },
    {
      batchId: id(72),
      soupId: soup.id,
      soupName: soup.name,
      startedAtMs: NOW - 2 * DAY_MS,
      oddSd: 9,
      weight: 0.1,
      waits: true,
      counts: false,
      keys: ['boilOff'],
    },
  ],
};

const figures = (cookedKg: number): Figures => ({ ...cooked.forecast, cookedKg });

function summary(n: number, offPct: number, version = 1): BatchList['batches'][number] {
  const planned = figures(12);
  return {
    id: id(n),
    soupId: soup.id,
    version,
    soupName: soup.name,
    request: snapshot.request,
    planned,
    startedAtMs: NOW - (100 - n) * DAY_MS,
    closedAtMs: NOW - (100 - n) * DAY_MS + 3_600_000,
    closedFigures: { planned, actual: figures(12 * (1 + offPct / 100)), dishedBowls: 39, coreVersion: '0' },
    lateEntries: 0,
  };
}

describe('the ledger', () => {
  let asked: unknown[];
  let corrected: readonly Correction[];
  let searched: BatchSearch[];
  const learned = new BehaviorSubject<unknown>({ ok: true, value: LEARNED });
  let list: BatchList;
  let older: BatchList;

  beforeEach(() => {
    asked = [];
    corrected = [];
    searched = [];
    list = { batches: [], next: null };
    older = { batches: [], next: null };
    learned.next({ ok: true, value: LEARNED });
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        provideRouter([]),
        { provide: Clock, useValue: { now: () => NOW } },
        {
          provide: Kitchen,
          useValue: { kitchen$: of({ ok: true, value: { kit: READY_KITS.canteen, mode: 'own' } }), rows$: of(LARDER_ROWS) },
        },
        { provide: Soups, useValue: { shelf$: of({ ok: true, value: { soups: [{ id: soup.id, name: soup.name }] } }) } },
        {
          provide: LearnedFigures,
          useValue: {
            learned$: learned,
            choose: (...args: unknown[]) => {
              asked.push(args);
              return Promise.resolve({ ok: true, value: {} });
            },
            teach: (...args: unknown[]) => {
              asked.push(args);
              return Promise.resolve({ ok: true, value: {} });
            },
          },
        },
        {
          provide: Batches,
          useFactory: () => ({
            batches$: of({ ok: true, value: list }),
            found$: (find: BatchSearch) =>
              defer(() => {
                searched.push(find);
                return of({ ok: true, value: list });
              }),
            list: () => Promise.resolve({ ok: true, value: older }),
            correct: (_open: OpenBatch, corrections: readonly Correction[]) => {
              corrected = corrections;
              return Promise.resolve();
            },
          }),
        },
        {
          provide: RECONCILER,
          useValue: () => ({
            reconcile: (...[own, entries, rows]: Parameters<typeof reconcileOf>) =>
              Promise.resolve(reconcileOf(own, entries, rows)),
            corrections: (own: typeof snapshot, entries: StoredEntry[], suspects: never[], why: string) =>
              Promise.resolve(correctionsOf(foldBatch(own, entries), suspects, why)),
          }),
        },
      ],
    });
  });

  function reconcileOf(own: typeof snapshot, entries: readonly StoredEntry[], rows: typeof LARDER_ROWS) {
    return reconcile(rerun(own), entries, rows);
  }

  async function addsUp(entries: readonly StoredEntry[], n = 5): Promise<ComponentFixture<AddsUp>> {
    const fixture = TestBed.createComponent(AddsUp);
    const open = {
      batch: { ...summary(n, 0), closedAtMs: NOW },
      snapshot,
      entries,
      unsentIds: new Set<string>(),
      keptHere: 0,
    } as unknown as OpenBatch;
    fixture.componentRef.setInput('open', open);
    fixture.componentRef.setInput('view', batchView(snapshot, entries));
    fixture.componentRef.setInput('nameOf', namer(soup, LARDER_ROWS));
    await fixture.whenStable();
    return fixture;
  }

  it('says that a batch adds up, with what was read beside what fits best', async () => {
    const fixture = await addsUp(weighed(true));
    expect(text(fixture)).toMatch(/It does: readings and entries agree/);
    expect(text(fixture)).toMatch(/scale .* kg .* kg/);
    expect(text(fixture)).not.toMatch(/far too/);
  });

  it('asks whether one that adds up by itself and is unlike the others counts', async () => {
    const fixture = await addsUp(weighed(true), 72);
    expect(text(fixture)).toMatch(/It does: .* unlike the other batches/);
    await press(fixture, /Leave it out/);
    expect(asked).toEqual([[id(72), false]]);
    expect(text(fixture)).toMatch(/Left out: the kitchen learns nothing from it/);
    await press(fixture, /Let it count/);
    expect(asked.at(-1)).toEqual([id(72), true]);
    expect(text(await addsUp(weighed(true)))).not.toMatch(/unlike/);
  });

  it('names the tare that was left on, and puts it right as an entry when it is accepted', async () => {
    const fixture = await addsUp(weighed(false));
    expect(text(fixture)).toMatch(/It does not add up/);
    expect(text(fixture)).toMatch(/The pot was on the scale: 4\.5 kg of what was weighed is the pot/);
    expect(text(fixture)).toMatch(/weigh the empty pot/);
    expect(text(fixture)).toMatch(/scale .* far too high/);
    await press(fixture, /The pot was on the scale/);
    const kinds = corrected.map(({ action }) => action.kind);
    expect(kinds[0]).toBe('undone');
    expect(kinds.at(-1)).toBe('closed');
    const fix = corrected.map(({ action }) => action).find((action) => action.kind === 'corrected' && action.to.kind === 'weighed');
    expect(fix?.kind === 'corrected' && fix.to).toEqual(jasmine.objectContaining({ tareKg }));
    expect(fix?.kind === 'corrected' && fix.why).toMatch(/on the scale/);
    expect(text(fixture)).toMatch(/Put right: The pot was on the scale/);
  });

  it('none of these leaves the record and lets the batch count', async () => {
    const fixture = await addsUp(weighed(false));
    await press(fixture, /None of these/);
    expect(asked).toEqual([[id(5), true]]);
    expect(corrected).toEqual([]);
    expect(text(fixture)).toMatch(/Left as it is/);
    expect(text(fixture)).not.toMatch(/It does not add up/);
  });

  it('a batch in which nothing was read says so', async () => {
    const fixture = await addsUp(entriesOf(ticks));
    expect(text(fixture)).toMatch(/Nothing was weighed, dipped, read or counted/);
  });

  it('shows what was learnt with its default, its spread and its batches', async () => {
    const fixture = TestBed.createComponent(Learnt);
    await fixture.whenStable();
    const said = text(fixture);
    expect(said).toMatch(/beetroot, peeled 73 % 77 %/);
    expect(said).toMatch(/boil-off at the simmer × 1\.20 × 1\.00/);
    expect(said).toMatch(/Leek & potato \+35 % as composed/);
    expect(said).toMatch(/dip read ?held/);
    expect(said).toMatch(/is unlike the others and teaches nothing until you say so/);
    await press(fixture, /boil-off at the simmer/);
    expect(text(fixture)).toMatch(/From Leek & potato, 27 Feb/);
    await press(fixture, /Keep it so/);
    expect(asked.at(-1)).toEqual(['boilOff', { holds: 0.18 }]);
    await press(fixture, /Learn anew from now/);
    expect(asked.at(-1)).toEqual(['boilOff', { sinceMs: NOW }]);
    await press(fixture, /dip read/);
    await press(fixture, /Learn from all batches again/);
    expect(asked.at(-1)).toEqual(['bias:dip', {}]);
    await press(fixture, /Leave it out/);
    expect(asked.at(-1)).toEqual([id(72), false]);
  });

  it('a kitchen that has closed nothing yet is told what to do, and a server that is away is said', async () => {
    learned.next({ ok: true, value: { figures: [], priorSd: [], choices: [], batches: [] } });
    const fixture = TestBed.createComponent(Learnt);
    await fixture.whenStable();
    expect(text(fixture)).toMatch(/Nothing has been learnt yet/);
    learned.next({ ok: false, reachable: false, refusal: { code: 'UNREACHABLE', sentence: 'The server does not answer.' } });
    await fixture.whenStable();
    expect(text(fixture)).toMatch(/The server does not answer/);
  });

  it('follows batches over time, by pages, and names what is more than chance', async () => {
    const offs = [1, -1, 1, -1, 1, -1, 1, -1];
    list = {
      batches: offs
        .slice(4)
        .map((off, n) => summary(90 + n, off))
        .reverse(),
      next: { startedAtMs: 5, id: id(5) },
    };
    older = {
      batches: [
        ...offs
          .slice(0, 4)
          .map((off, n) => summary(80 + n, off))
          .reverse(),
        summary(70, 25),
      ],
      next: null,
    };
    const fixture = TestBed.createComponent(OverTime);
    await fixture.whenStable();
    await fixture.whenStable();
    expect(text(fixture)).toMatch(/against plan; chance alone moves a batch by up to/);
    expect(text(fixture)).toMatch(/31 Jan: Leek & potato came out far too high/);
    expect((fixture.nativeElement as HTMLElement).querySelectorAll('tbody tr').length).toBe(9);
    expect(text(fixture)).toMatch(/\+25\.0 %/);
    (fixture.nativeElement as HTMLElement).querySelectorAll<HTMLElement>('input[type=radio]')[3]!.click();
    await fixture.whenStable();
    expect(text(fixture)).toMatch(/−2\.5 %/);
  });

  it('over time says what it needs where nothing has been closed', async () => {
    const fixture = TestBed.createComponent(OverTime);
    await fixture.whenStable();
    await fixture.whenStable();
    expect(text(fixture)).toMatch(/No batch has been closed yet/);
  });

  it('finds batches by words and by how far off they were; what is typed is asked once it is over; all are shown again', async () => {
    list = { batches: [{ ...summary(72, 3) }], next: null };
    const fixture = TestBed.createComponent(Ledger);
    await fixture.whenStable();
    searched.length = 0;
    const field = (fixture.nativeElement as HTMLElement).querySelector<HTMLInputElement>('input[type=search]')!;
    for (const typed of ['o', 'ov', 'oven 2026-02']) {
      field.value = typed;
      field.dispatchEvent(new Event('input'));
    }
    list = { batches: [], next: null };
    await until(fixture, () => searched.length > 0);
    expect(searched).toEqual([
      { words: 'oven', sinceMs: new Date(2026, 1, 1).getTime(), beforeMs: new Date(2026, 2, 1).getTime() },
    ]);
    await until(fixture, () => text(fixture).includes('No batch is so'));
    const short = [...(fixture.nativeElement as HTMLElement).querySelectorAll('label')].find((one) =>
      one.innerText.includes('5 % short'),
    );
    short!.click();
    await until(fixture, () => searched.length > 1);
    expect(searched[1]).toEqual(jasmine.objectContaining({ apart: 'short' }));
    list = { batches: [{ ...summary(72, 3) }], next: null };
    await press(fixture, /Show all/);
    await until(fixture, () => (fixture.nativeElement as HTMLElement).querySelectorAll('tbody tr').length === 1);
    await until(fixture, () => JSON.stringify(searched.at(-1)) === '{}');
    expect(text(fixture)).not.toMatch(/No batch is so/);
  });

  it('what is looked for goes by whole days', () => {
    const now = new Date(2026, 2, 2, 12).getTime();
    const midnight = new Date(2026, 2, 2).getTime();
    expect(searchOf('', 'any', 'all', now)).toEqual({});
    expect(searchOf('leek', '7', 'over', now)).toEqual({ words: 'leek', sinceMs: midnight - 7 * DAY_MS, apart: 'over' });
    expect(searchOf('2026-02-28', 'any', 'all', now)).toEqual({
      sinceMs: new Date(2026, 1, 28).getTime(),
      beforeMs: new Date(2026, 2, 1).getTime(),
    });
  });

  it('marks in its list what is unlike the others, and goes on to older batches', async () => {
    list = { batches: [{ ...summary(72, 3) }], next: { startedAtMs: 5, id: id(5) } };
    older = { batches: [summary(60, -2)], next: null };
    const fixture = TestBed.createComponent(Ledger);
    await fixture.whenStable();
    expect(text(fixture)).toMatch(/unlike the others/);
    await press(fixture, /Older batches/);
    await fixture.whenStable();
    expect((fixture.nativeElement as HTMLElement).querySelectorAll('tbody tr').length).toBe(2);
    expect(text(fixture)).not.toMatch(/Older batches/);
  });
});
