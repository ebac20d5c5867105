import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter, Router } from '@angular/router';
import { ENTRY_SHAPE, type Action, type StoredEntry } from '@tureen/core/batch';
import { READY_KITS } from '@tureen/core/kit';
import { LARDER_ROWS } from '@tureen/core/larder';
import { makePlan, type Figures, type Snapshot } from '@tureen/core/plan';
import { EXAMPLE_SOUPS, walk } from '@tureen/core/soup';
import { of } from 'rxjs';
import { until } from '../../../../spec/board-in-memory';
import { batchView } from '../../cooking/batch-view';
import { Cooking } from '../../cooking/cooking';
import { Batches, type OpenBatch } from '../../services/batches';
import { SideBySide } from './side-by-side';

const DAY_MS = 86_400_000;
const NOW = Date.UTC(2026, 2, 2, 12);
const soup = EXAMPLE_SOUPS.find(({ id }) => id === 'leek-potato')!;
const water = soup.lines.find(({ ingredient }) => ingredient === 'water')!.id;
const id = (n: number): string => `00000000-0000-4000-8000-${n.toString(16).padStart(12, '0')}`;

function planned(bowls: number): Snapshot {
  const planning = makePlan(soup, LARDER_ROWS, READY_KITS.canteen, { bowls, bowlG: 300, potId: 'stockpot-20' });
  if (!planning.ok) throw new Error(planning.error.code);
  return planning.plan.snapshot;
}

/** A closed batch of the soup, with so much water poured beside what the plan had. */
function batch(n: number, bowls: number, moreM3 = 0) {
  const actions = walk(soup.root).flatMap(({ step }): Action[] => [
    ...(step.id === 'reheat' && moreM3 > 0
      ? [{ kind: 'poured' as const, stepId: step.id, line: water, vessel: 'Jug', volumeM3: moreM3 }]
      : []),
    { kind: 'done', stepId: step.id },
  ]);
  const entries = [...actions, { kind: 'closed' as const }].map((action, at): StoredEntry => ({
    id: id(1000 * n + at),
    shape: ENTRY_SHAPE,
    stamp: { counter: at + 1, device: 'spec-tab', seq: at + 1 },
    atMs: NOW - n * DAY_MS + at * 60_000,
    who: 'AB',
    action,
  }));
  const snapshot = planned(bowls);
  const summary = {
    id: id(n),
    soupId: soup.id,
    version: 1,
    soupName: soup.name,
    request: snapshot.request,
    startedAtMs: NOW - n * DAY_MS,
    closedAtMs: NOW - n * DAY_MS + 3_600_000,
    closedFigures: null as { actual: Figures } | null,
  };
  return { batch: summary, snapshot, entries };
}

describe('two batches side by side, on the screen', () => {
  let all: ReturnType<typeof batch>[];
  let isReachable: boolean;

  beforeEach(() => {
    isReachable = true;
    all = [batch(1, 40, 0.001), batch(5, 40), batch(9, 20)];
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        provideRouter([]),
        {
          provide: Batches,
          useFactory: () => ({
            batch$: (asked: string) => of({ ok: true, value: all.find((one) => one.batch.id === asked) }),
            found$: () =>
              of(
                isReachable
                  ? { ok: true, value: { batches: all.map((one) => one.batch), next: null } }
                  : { ok: false, reachable: false, refusal: { code: 'NO_SERVER', sentence: 'There is no server.' } },
              ),
          }),
        },
        {
          provide: Cooking,
          useValue: {
            batch: ({ snapshot, entries }: OpenBatch) => Promise.resolve(batchView(snapshot, entries)),
          },
        },
      ],
    });
  });

  async function beside(own: number, other?: number): Promise<ComponentFixture<SideBySide>> {
    const fixture = TestBed.createComponent(SideBySide);
    fixture.componentRef.setInput('batchId', id(own));
    if (other !== undefined) fixture.componentRef.setInput('with', id(other));
    await until(fixture, () => /What differed|No other batch|no server/.test(text(fixture)));
    return fixture;
  }
  const text = ({ nativeElement }: ComponentFixture<unknown>): string =>
    (nativeElement as HTMLElement).innerText.replaceAll(/\s+/g, ' ').trim();

  it('is laid beside the batch of its soup before it, and says what there was more of', async () => {
    const fixture = await beside(1);
    expect(text(fixture)).toContain('25 Feb, v1');
    expect(text(fixture)).toMatch(/(?:998 g|1(?:\.0\d)? kg) more water/);
    expect(text(fixture)).toMatch(/Thinner: /);
    const host = fixture.nativeElement as HTMLElement;
    expect(host.querySelector('tt-ribbon svg')?.getAttribute('aria-label')).toContain('1 Mar, v1 filled');
    expect([...host.querySelectorAll('caption')].map((one) => one.innerText.trim())).toContain('How long it took');
    expect(host.querySelectorAll('tr.told').length).toBeGreaterThan(1);
  });

  it('one of another size is brought to the size of this one', async () => {
    const fixture = await beside(5, 9);
    expect(text(fixture)).toContain('brought to the size of this one: × 2.00');
  });

  it('the two are turned round by a touch', async () => {
    const fixture = await beside(1, 5);
    const go = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    [...(fixture.nativeElement as HTMLElement).querySelectorAll('button')]
      .find((one) => one.innerText.includes('Turn round'))
      ?.click();
    expect(go).toHaveBeenCalledOnceWith(['/ledger', id(5), 'side-by-side'], { queryParams: { with: id(1) } });
  });

  it('a batch that is the only one of its soup says so', async () => {
    all = [batch(1, 40)];
    expect(text(await beside(1))).toContain('No other batch of this soup is closed yet');
  });

  it('without a list it says so, and not that there is no other', async () => {
    isReachable = false;
    const fixture = await beside(1);
    expect(text(fixture)).toContain('There is no server.');
    expect(text(fixture)).not.toContain('No other batch');
  });

  it('shows the figures that a batch was closed with', async () => {
    const [own] = all;
    const { forecast } = batchView(own!.snapshot, own!.entries);
    own!.batch.closedFigures = { actual: { ...forecast, cookedKg: 7.77 } };
    expect(text(await beside(1))).toContain('7.77 kg');
  });

  it('a batch beside one that was cooked the same differs in nothing', async () => {
    all = [batch(1, 40), batch(5, 40)];
    expect(text(await beside(1))).toContain('Nothing that a cook would notice.');
  });
});
