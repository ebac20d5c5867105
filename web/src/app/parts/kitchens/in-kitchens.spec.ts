import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { READY_KITS } from '@tureen/core/kit';
import { LARDER_ROWS } from '@tureen/core/larder';
import { planToBuy } from '@tureen/core/plan';
import { EXAMPLE_SOUPS } from '@tureen/core/soup';
import { until } from '../../../../spec/board-in-memory';
import { BENCH_THREAD } from '../../cooking/benching';
import { inKitchensView, type KitchensAsk } from '../../cooking/bench-view';
import { InKitchensPanel } from './in-kitchens';

const soup = EXAMPLE_SOUPS.find(({ id }) => id === 'leek-potato')!;
const PLAN: KitchensAsk['plan'] = {
  soup,
  rows: LARDER_ROWS,
  kit: READY_KITS.canteen,
  request: { bowls: 24, bowlG: 300, potId: 'stockpot-20' },
};

describe('a plan in a hundred kitchens', () => {
  let asked: string[];

  beforeEach(() => {
    asked = [];
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        {
          provide: BENCH_THREAD,
          useValue: () => ({
            inKitchensView: (ask: KitchensAsk, whatIf: string, kitchens: number) => {
              asked.push(whatIf);
              return new Promise((resolve) => {
                resolve(inKitchensView(ask, whatIf, kitchens));
              });
            },
          }),
        },
      ],
    });
  });

  function shown(ask: KitchensAsk): ComponentFixture<InKitchensPanel> {
    const fixture = TestBed.createComponent(InKitchensPanel);
    fixture.componentRef.setInput('ask', ask);
    fixture.detectChanges();
    return fixture;
  }

  const text = (fixture: ComponentFixture<InKitchensPanel>): string => (fixture.nativeElement as HTMLElement).textContent;
  const cells = (fixture: ComponentFixture<InKitchensPanel>): string[][] =>
    [...(fixture.nativeElement as HTMLElement).querySelectorAll('tbody tr')].map((row) =>
      [...row.querySelectorAll('th, td')].map((cell) => cell.textContent.replace(/\s+/g, ' ').trim()),
    );

  it('says of bowls, salt and texture what was planned, how far kitchens stray, and in how many it is right', async () => {
    const fixture = shown({ plan: PLAN });
    expect(text(fixture)).toContain('Cooking it in a hundred kitchens');
    await until(fixture, () => cells(fixture).length > 0);
    const [bowls, salt, texture] = cells(fixture);
    expect(bowls?.[0]).toBe('bowls');
    expect(bowls?.[1]).toMatch(/^2\d$/);
    expect(bowls?.[3]).toMatch(/^\d+ to \d+$/);
    expect(salt?.[3]).toMatch(/^0\.\d\d % to 0\.\d\d %$/);
    expect(texture?.[0]).toBe('texture');
    expect(texture?.[4]).toMatch(/^\d+ of 100$/);
    expect(text(fixture)).toContain('with no look at the pot');
    expect(text(fixture)).toContain('salt within 0.05 points, texture within 1.25 times');
  });

  it('with something that goes wrong, says what that comes to', async () => {
    const fixture = shown({ plan: PLAN });
    await until(fixture, () => cells(fixture).length > 0);
    const before = Number(cells(fixture)[0]?.[4]?.split(' ')[0]);
    (fixture.componentInstance as unknown as { whatIf: { set: (id: string) => void } }).whatIf.set('small ladle');
    await until(fixture, () => asked.includes('small ladle') && Number(cells(fixture)[0]?.[4]?.split(' ')[0]) < before);
    expect(Number(cells(fixture)[0]?.[4]?.split(' ')[0])).toBeLessThan(before - 20);
  });

  it('has words for whatever may go wrong', () => {
    const fixture = shown({ plan: PLAN });
    const { whatIfs } = fixture.componentInstance as unknown as { whatIfs: { id: string; words: string }[] };
    expect(whatIfs.length).toBeGreaterThan(7);
    for (const { id, words } of whatIfs)
      expect(words === id || words.length < 12)
        .withContext(id)
        .toBeFalse();
  });

  it('of a batch it does again what was entered; of a pot with nothing in it, it says so', async () => {
    const planning = planToBuy(soup, LARDER_ROWS, READY_KITS.canteen, { bowls: 24, bowlG: 300, potId: 'stockpot-20' });
    if (!planning.ok) throw new Error(planning.error.code);
    const fixture = shown({ plan: planning.plan.snapshot, entries: [] });
    await until(fixture, () => text(fixture).includes('Nothing is in the pot yet.'));
    expect(cells(fixture)).toEqual([]);
  });

  it('says so where the plan can’t be cooked', async () => {
    const fixture = shown({ plan: { ...PLAN, request: { bowls: 900, bowlG: 300, potId: 'stockpot-20' } } });
    await until(fixture, () => text(fixture).includes('can’t be cooked in the bench'));
    expect(cells(fixture)).toEqual([]);
  });
});
