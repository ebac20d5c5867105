import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { READY_KITS } from '@tureen/core/kit';
import { DATE, TWO_COOKS, dayWith, wanted } from '../../../../../core/spec/days';
import { BoardInMemory, boardPlace, until } from '../../../../spec/board-in-memory';
import { DaysFile } from './days-file';
import { MenuCard } from './menu-card';

const NOW = Date.UTC(2026, 11, 4, 8);
const DAY = dayWith([wanted('beetroot-horseradish', 60)], { people: TWO_COOKS.slice(0, 1) });

function text(fixture: ComponentFixture<unknown>): string {
  return (fixture.nativeElement as HTMLElement).textContent;
}

function said(fixture: ComponentFixture<unknown>): () => boolean {
  return () => (fixture.nativeElement as HTMLElement).querySelector('[role=status], [role=alert]') !== null;
}

/** A file as the box gives it. */
function open(fixture: ComponentFixture<unknown>, csv: string): void {
  const box = (fixture.nativeElement as HTMLElement).querySelector('input');
  if (box === null) throw new Error('There is a box for a file.');
  const files = new DataTransfer();
  files.items.add(new File([csv], 'orders.csv', { type: 'text/csv' }));
  box.files = files.files;
  box.dispatchEvent(new Event('change'));
}

describe('orders from a file', () => {
  let memory: BoardInMemory;

  function made(): ComponentFixture<DaysFile> {
    return boardPlace(DaysFile, memory, { day: DAY, kit: READY_KITS.canteen, today: DATE });
  }

  beforeEach(() => {
    memory = new BoardInMemory(NOW);
  });

  it('are taken for the days they are for: added to what is planned, and a day that has nothing yet gets the usual people', async () => {
    memory.put(DAY);
    const fixture = made();
    open(
      fixture,
      'date,soup,bowls,time\n2026-12-04,Beetroot & horseradish,72,12:00\n2026-12-04,Leek & potato,20,13:00\n2026-12-07,Leek & potato,30,\n',
    );
    await until(fixture, said(fixture));
    expect(text(fixture)).toContain('3 soups taken from orders.csv for');
    const days = [...(fixture.nativeElement as HTMLElement).querySelectorAll('[role=status] a')].map((one) => one.textContent);
    expect(days).toEqual(['Today, Friday 4 December', 'Monday 7 December']);
    expect(memory.kept(DATE)?.batches.map(({ id, request }) => [id, request.bowls])).toEqual([
      ['beetroot', 72],
      ['leek-potato', 20],
    ]);
    const monday = memory.kept('2026-12-07');
    expect(monday?.people.length).toBeGreaterThan(0);
    expect(monday?.batches.map(({ at }) => at)).toEqual(['12:00']);
  });

  it('that are over, or of a soup that nobody has, are named, and the rest is taken', async () => {
    const fixture = made();
    open(fixture, 'date,soup,bowls\n2026-12-01,Leek & potato,30\n2026-12-05,Gruel,30\n2026-12-05,Leek & potato,30\n');
    await until(fixture, said(fixture));
    expect(text(fixture)).toContain('Row 2: Tuesday 1 December is over.');
    expect(text(fixture)).toContain('Row 3: Gruel is not on the shelf.');
    expect(text(fixture)).toContain('One soup taken from orders.csv');
    expect(memory.kept('2026-12-05')?.batches.length).toBe(1);
    expect(memory.kept('2026-12-01')).toBeNull();
  });

  it('of a file without the columns change nothing and say which are needed', async () => {
    memory.put(DAY);
    const fixture = made();
    open(fixture, 'what,how many\nsoup,3\n');
    await until(fixture, said(fixture));
    expect(text(fixture)).toContain('It needs the columns “date”, “soup” and “bowls”');
    expect(memory.kept(DATE)).toEqual(DAY);
  });

  it('for a day that somebody changed meanwhile are not taken over it', async () => {
    memory.put(DAY);
    memory.refusal = 'Somebody changed this day meanwhile.';
    const fixture = made();
    open(fixture, 'date,soup,bowls\n2026-12-04,Leek & potato,30\n');
    await until(fixture, said(fixture));
    expect(text(fixture)).toContain('Somebody changed this day meanwhile.');
    expect(text(fixture)).toContain('No soup taken from orders.csv');
    expect(memory.kept(DATE)).toEqual(DAY);
  });
});

describe('the menu card', () => {
  it('names the soups that go out by their time, with what each contains, share by share; what goes into the cold is not on it', async () => {
    const memory = new BoardInMemory(NOW);
    const batches = [
      ...DAY.batches,
      { id: 'late', soupId: 'celeriac-leek-apple', request: { bowls: 30, bowlG: 300 }, at: '11:30' },
      { id: 'kept', soupId: 'leek-potato', request: { bowls: 30, bowlG: 300 }, at: '11:30', keeps: true },
    ];
    memory.put({ ...DAY, batches });
    const fixture = boardPlace(MenuCard, memory, { date: DATE });
    await until(fixture, () => (fixture.nativeElement as HTMLElement).querySelector('h2') !== null);
    const names = [...(fixture.nativeElement as HTMLElement).querySelectorAll('h2')].map((one) => one.textContent.trim());
    expect(names).toEqual(['Celeriac, leek & apple', 'Beetroot & horseradish']);
    expect(text(fixture)).toMatch(/contains .*milk/);
    expect(text(fixture)).toContain('Please ask before you eat');
  });

  it('of a day with nothing on it says so', async () => {
    const fixture = boardPlace(MenuCard, new BoardInMemory(NOW), { date: DATE });
    await until(fixture, () => text(fixture).includes('No soup goes out on this day.'));
    expect(text(fixture)).not.toContain('Please ask');
    TestBed.resetTestingModule();
  });
});
