import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { READY_KITS } from '@tureen/core/kit';
import { monthSheet, type MonthBatch, type MonthSheet } from '@tureen/core/month';
import { of } from 'rxjs';
import { until } from '../../../../spec/board-in-memory';
import { Batches } from '../../services/batches';
import { Clock } from '../../services/clock';
import { Kitchen } from '../../services/kitchen';
import { MonthPlace, monthBy } from './month';
import { flowPicture, waysOut } from './month-flow';

const BATCH: MonthBatch = {
  soupName: 'Leek & potato',
  askedBowls: 40,
  bowlG: 300,
  plannedKg: 12.4,
  closed: {
    cookedKg: 12,
    cost: 20,
    bowls: 39,
    countedBowls: 36,
    boughtKg: 15,
    trimmedKg: 1.2,
    ladledKg: { 'staff meal': 0.5 },
    storedKg: 0.4,
  },
};

describe('the month', () => {
  let asked: string[];
  let sheets: Record<string, MonthSheet>;

  beforeEach(() => {
    asked = [];
    sheets = {
      '2026-03': monthSheet('2026-03', [BATCH, { ...BATCH, closed: undefined }], [{ reason: 'kept soup: past its day', kg: 2 }]),
    };
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        provideRouter([]),
        { provide: Clock, useValue: { now: () => new Date(2026, 2, 14, 12).getTime() } },
        { provide: Kitchen, useValue: { kitchen$: of({ ok: true, value: { kit: READY_KITS.canteen } }) } },
        {
          provide: Batches,
          useValue: {
            month$: (month: string) => {
              asked.push(month);
              return of({ ok: true, value: sheets[month] ?? monthSheet(month, [], []) });
            },
          },
        },
      ],
    });
  });

  const text = ({ nativeElement }: ComponentFixture<unknown>): string =>
    (nativeElement as HTMLElement).innerText.replaceAll(/\s+/g, ' ').trim();

  it('says bowls, kilos and money of the month it is, by soup; what is open is in no figure', async () => {
    const fixture = TestBed.createComponent(MonthPlace);
    await until(fixture, () => text(fixture).includes('Leek & potato'));
    expect(text(fixture)).toMatch(/36 of 40 asked/);
    expect(text(fixture)).toMatch(/12 kg −3.2 % to plan/);
    expect(text(fixture)).toMatch(/£20.00/);
    expect(text(fixture)).toMatch(/£0.56/);
    expect(text(fixture)).toMatch(/and 1 open, in no figure/);
    expect(text(fixture)).toMatch(/kept soup: past its day 2 kg/);
    expect(text(fixture)).toMatch(/March 2026 £0.56 1 batch/);
  });

  it('goes back a month by touch and by key, and never beyond the month that it is', async () => {
    const fixture = TestBed.createComponent(MonthPlace);
    await until(fixture, () => text(fixture).includes('March 2026'));
    const [back, on] = [...(fixture.nativeElement as HTMLElement).querySelectorAll<HTMLButtonElement>('.month button')];
    on!.click();
    await fixture.whenStable();
    expect(text(fixture)).toMatch(/March 2026/);
    back!.click();
    await until(fixture, () => text(fixture).includes('February 2026'));
    expect(text(fixture)).toMatch(/No batch of this month is closed\./);
    document.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight' }));
    await until(fixture, () => text(fixture).includes('Leek & potato'));
    expect(monthBy('2026-01', -1)).toBe('2025-12');
    expect(monthBy('2026-12', 1)).toBe('2027-01');
  });

  it('draws every way out as broad as it is heavy, and all of them as broad as what went in', () => {
    const { flow } = sheets['2026-03']!;
    const ways = waysOut(flow);
    expect(ways.map(({ name }) => name)).toEqual([
      'trimmed',
      'steam and sieve',
      'staff meal',
      'kept in the cold',
      'left in the pot, not counted',
      'in bowls',
    ]);
    expect(ways.reduce((sum, { kg }) => sum + kg, 0)).toBeCloseTo(flow.inKg, 9);
    const { bands } = flowPicture(flow)!;
    // How high a band begins and ends at its stem.
    const thick = (path: string): number => {
      const numbers = (path.match(/-?[\d.]+/g) ?? []).map(Number);
      return (numbers.at(-1) ?? 0) - (numbers[1] ?? 0);
    };
    for (const { path, kg } of bands) expect(thick(path) / (260 / 15)).toBeCloseTo(kg, 1);
    expect(flowPicture(monthSheet('2026-01', [], []).flow)).toBeUndefined();
  });
});
