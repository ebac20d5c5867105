import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { KEPT_FIGURES } from '@tureen/core/practice';
import type { ChartConfiguration } from 'chart.js';
import type { ChartLook } from '../../parts/chart';
import { KeptWordChart } from './kept-word';

const LOOK: ChartLook = {
  ink: '#111',
  soft: '#666',
  line: '#00f',
  red: '#f00',
  grid: '#ccc',
  paper: '#fff',
  font: { size: 15, family: 'serif' },
};

describe('how often plans kept their word, drawn', () => {
  let fixture: ComponentFixture<KeptWordChart>;
  const host = (): HTMLElement => fixture.nativeElement as HTMLElement;

  beforeEach(() => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    fixture = TestBed.createComponent(KeptWordChart);
    fixture.detectChanges();
  });

  it('says of how many batches, when and by which core', () => {
    const words = host().textContent;
    expect(words).toContain(`${String(KEPT_FIGURES.batches)} batches of ${String(KEPT_FIGURES.soups)} soups`);
    expect(words).toContain(`core ${KEPT_FIGURES.coreVersion}`);
    expect(words).toMatch(/on\s+\d{1,2} [A-Z][a-z]+ \d{4}/);
  });

  it('each goal has a row with what was wanted and found, in hundredths', () => {
    const rows = [...host().querySelectorAll('tbody tr')].map((row) =>
      [...row.querySelectorAll('th, td')].map((cell) => cell.textContent.trim()),
    );
    expect(rows.length).toBe(KEPT_FIGURES.goals.length);
    for (const [n, { name, share, least, most }] of KEPT_FIGURES.goals.entries()) {
      const [what, wanted, found] = rows[n] ?? [];
      expect(what).toBe(name);
      expect(wanted).toContain((least * 100).toFixed(0));
      expect(Number(/\d+/.exec(found ?? '')?.[0])).toBe(Math.round(share * 100));
      expect(found?.includes('✓')).toBe(share >= least && share <= most);
    }
  });

  it('the drawing has a line on which what was said is what came, and one for each of bowls, salt and texture', () => {
    const { make } = fixture.componentInstance as unknown as { make: (look: ChartLook) => ChartConfiguration<'line'> };
    const { datasets } = make(LOOK).data;
    expect(datasets.map(({ label }) => label)).toEqual(['as said', 'bowls', 'salt', 'texture']);
    expect(datasets[0]?.data as unknown).toEqual([
      { x: 0, y: 0 },
      { x: 100, y: 100 },
    ]);
    const [bowls] = KEPT_FIGURES.odds;
    expect(datasets[1]?.data as unknown).toEqual(bowls?.said.map((x, n) => ({ x, y: bowls.came[n] })));
    // Told apart without colour.
    expect(new Set(datasets.slice(1).map(({ pointStyle }) => pointStyle)).size).toBe(3);
  });

  it('what is drawn can be heard', () => {
    const label = host().querySelector('canvas')?.getAttribute('aria-label') ?? '';
    for (const name of ['bowls', 'salt', 'texture']) expect(label).toMatch(new RegExp(`${name}: of 5 came \\d+, of 25 came \\d+`));
  });
});
