import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { DayRow } from '@tureen/core/messages';
import { dayWith, wanted } from '../../../../../core/spec/days';
import { BoardInMemory, boardPlace, until } from '../../../../spec/board-in-memory';
import { DayList } from '../board/day-list';
import { WallDay } from './wall-day';

const NOW = Date.UTC(2026, 11, 4, 8);
const DAY = dayWith([wanted('beetroot-horseradish', 60, '18:00'), wanted('celeriac-leek-apple', 30, '18:00')], { ends: '20:00' });

function text(fixture: ComponentFixture<unknown>): string {
  return (fixture.nativeElement as HTMLElement).textContent;
}

describe('today’s work on the wall', () => {
  it('is what each pair of hands does next, with its time and soup, and whether the bowls are on time', async () => {
    const memory = new BoardInMemory(NOW);
    memory.put(DAY);
    const fixture = boardPlace(WallDay, memory, {});
    await until(fixture, () => text(fixture).includes('On time'));
    const people = [...(fixture.nativeElement as HTMLElement).querySelectorAll('h3')].map((one) => one.textContent);
    expect(people).toEqual(['JT', 'MO']);
    for (const list of (fixture.nativeElement as HTMLElement).querySelectorAll('ol')) {
      const items = [...list.querySelectorAll('li')].map((one) => one.textContent);
      expect(items.length).toBeGreaterThan(0);
      expect(items.length).toBeLessThanOrEqual(3);
      const times = items.map((item) => /\d\d:\d\d/.exec(item)?.[0] ?? '');
      expect(times).toEqual([...times].sort());
      for (const item of items) expect(item).toMatch(/Beetroot & horseradish|Celeriac, leek & apple/);
    }
  });

  it('follows what another screen changes', async () => {
    const memory = new BoardInMemory(NOW);
    memory.put(DAY);
    const fixture = boardPlace(WallDay, memory, {});
    await until(fixture, () => text(fixture).includes('MO'));
    memory.put({ ...DAY, people: DAY.people.slice(0, 1) });
    await until(fixture, () => !text(fixture).includes('MO'));
    expect(text(fixture)).toContain('JT');
  });

  it('is nothing on a day without soups, and once the day is over', async () => {
    const memory = new BoardInMemory(NOW);
    memory.put({ ...DAY, batches: [] });
    const empty = boardPlace(WallDay, memory, {});
    await empty.whenStable();
    expect(text(empty).trim()).toBe('');
    memory.put({ ...DAY, batches: DAY.batches.map((batch) => ({ ...batch, at: '00:30' })) });
    await empty.whenStable();
    empty.detectChanges();
    expect(text(empty).trim()).toBe('');
  });
});

describe('a day by the clock, as a list', () => {
  const row = (id: string, startMin: number, person: string | undefined, more: Partial<DayRow> = {}): DayRow => ({
    id,
    blockId: `block-${id}`,
    batchId: 'batch',
    stepId: id,
    startMin,
    endMin: startMin + 10,
    byMin: startMin + 20,
    person,
    isLook: false,
    what: `Do ${id}`,
    short: id,
    where: 'Stockpot',
    soup: 'Leek',
    ...more,
  });
  const rows = [row('trim', 480, 'JT'), row('sweat', 495, 'MO', { isLook: true }), row('rest', 510, undefined, { blockId: '' })];
  let fixture: ComponentFixture<DayList>;
  let chosen: string[];

  beforeEach(() => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    fixture = TestBed.createComponent(DayList);
    fixture.componentRef.setInput('rows', rows);
    fixture.componentRef.setInput('people', DAY.people);
    chosen = [];
    fixture.componentInstance.chose.subscribe((id) => chosen.push(id));
    fixture.detectChanges();
  });

  const shown = (): string[][] =>
    [...(fixture.nativeElement as HTMLElement).querySelectorAll('tbody tr')].map((tr) =>
      [...tr.querySelectorAll('td')].map((td) => td.textContent.trim()),
    );

  it('says from when to when, who, what, where and for which soup; a look is told as one', () => {
    expect(shown()).toEqual([
      ['08:00', '08:10', 'JT', 'Do trim', 'Stockpot', 'Leek'],
      ['08:15', '08:25', 'MO, a look', 'Do sweat', 'Stockpot', 'Leek'],
      ['08:30', '08:40', '', 'Do rest', 'Stockpot', 'Leek'],
    ]);
  });

  it('is of one person where one is asked for', async () => {
    const press = async (name: string): Promise<void> => {
      const all = [...(fixture.nativeElement as HTMLElement).querySelectorAll<HTMLElement>('tt-choice label, tt-choice button')];
      all.find((one) => one.textContent.trim() === name)?.click();
      await fixture.whenStable();
      fixture.detectChanges();
    };
    await press('MO');
    expect(shown().map(([, , who]) => who)).toEqual(['MO, a look']);
  });

  it('gives what can be moved to whoever asks, and leaves alone what can’t', () => {
    const buttons = [...(fixture.nativeElement as HTMLElement).querySelectorAll<HTMLButtonElement>('tbody button')];
    expect(buttons.map((one) => one.textContent.trim())).toEqual(['Do trim', 'Do sweat']);
    buttons[1]?.click();
    expect(chosen).toEqual(['block-sweat']);
  });
});
