import type { ComponentFixture } from '@angular/core/testing';
import type { MenuCycle } from '@tureen/core/board';
import { DATE, dayWith, wanted } from '../../../../../core/spec/days';
import { BoardInMemory, boardPlace, until } from '../../../../spec/board-in-memory';
import { Weeks } from './weeks';

/** A Friday. */
const NOW = Date.UTC(2026, 11, 4, 8);

describe('the menu of weeks', () => {
  let memory: BoardInMemory;
  let fixture: ComponentFixture<Weeks>;

  const page = (): HTMLElement => fixture.nativeElement as HTMLElement;
  const text = (): string => page().textContent;
  const cells = (): HTMLButtonElement[] => [...page().querySelectorAll<HTMLButtonElement>('.cell')];
  const cycle = (): MenuCycle | null => memory.menu.value.cycle;

  async function made(): Promise<void> {
    fixture = boardPlace(Weeks, memory, {});
    await until(fixture, () => !text().includes('Looking'));
  }

  function press(name: string | RegExp): void {
    const all = [...page().querySelectorAll('button')];
    const found = all.find((one) => {
      const own = one.getAttribute('aria-label') ?? one.textContent.trim();
      return typeof name === 'string' ? own === name : name.test(own);
    });
    if (found === undefined) throw new Error(`No button ${String(name)} in ${text()}`);
    found.click();
  }

  beforeEach(() => {
    memory = new BoardInMemory(NOW);
  });

  it('is made of this week as it was planned, and plans the days ahead; those that have soups stay, and all is taken back', async () => {
    memory.put(dayWith([wanted('beetroot-horseradish', 60)]));
    memory.put({ ...dayWith([wanted('parsnip-butter', 20)]), date: '2026-12-11' });
    await made();
    press('this week');
    await until(fixture, () => cells().length === 7);
    expect(cells()[4]?.textContent).toContain('60 bowls');
    expect(cells()[4]?.getAttribute('aria-pressed')).toBe('true');
    expect(cycle()?.startsOn).toBe('2026-11-30');
    press('Plan by the menu');
    await until(fixture, () => text().includes('planned by the menu'));
    expect(text()).toContain('3 days planned by the menu. One day had soups already and stayed as planned.');
    expect(memory.kept('2026-12-18')?.batches.map(({ soupId, request }) => [soupId, request.bowls])).toEqual([
      ['beetroot-horseradish', 60],
    ]);
    expect(memory.kept('2026-12-11')?.batches.map(({ soupId }) => soupId)).toEqual(['parsnip-butter']);
    expect(memory.kept(DATE)?.batches.length).toBe(1);
    press('Take back');
    await until(fixture, () => !text().includes('planned by the menu'));
    await until(fixture, () => memory.kept('2027-01-01')?.batches.length === 0);
    expect(memory.kept('2026-12-18')?.batches).toEqual([]);
    expect(memory.kept('2026-12-11')?.batches.length).toBe(1);
  });

  it('starts empty, gets a second week like the first, and a soup of one day can be changed and taken off', async () => {
    await made();
    press('Start with an empty week');
    await until(fixture, () => cells().length === 7);
    memory.menu.next({
      cycle: {
        startsOn: '2026-11-30',
        weeks: [{ days: [[{ soupId: 'leek-potato', bowls: 30, bowlG: 300, at: '12:00', keeps: false }], [], [], [], [], [], []] }],
      },
      changedAtMs: 50,
    });
    await until(fixture, () => cells()[0]?.textContent.includes('30 bowls') === true);
    press('One more week');
    await until(fixture, () => cells().length === 14);
    cells()[7]?.click();
    await until(fixture, () => text().includes('Monday of week 2'));
    press(/^Take .* off the menu$/);
    await until(fixture, () => cells()[7]?.textContent.includes('nothing') === true);
    expect(cycle()?.weeks.map(({ days }) => days[0]?.length)).toEqual([1, 0]);
    press('Drop week 2');
    await until(fixture, () => cells().length === 7);
    expect(cycle()?.weeks.length).toBe(1);
  });

  it('that somebody else changed meanwhile is not overwritten, and says so', async () => {
    await made();
    press('Start with an empty week');
    await until(fixture, () => cells().length === 7);
    const mine = cycle();
    memory.unheardMenu = { cycle: { startsOn: '2026-11-23', weeks: mine?.weeks ?? [] }, changedAtMs: 99 };
    press('One more week');
    await until(fixture, () => text().includes('changed the menu meanwhile'));
    // What is theirs is shown, and kept.
    await until(fixture, () => cells().length === 7);
    expect(cycle()).toEqual(mine);
  });

  it('two changes in a row both stand', async () => {
    await made();
    press('Start with an empty week');
    await until(fixture, () => cells().length === 7);
    press('One more week');
    fixture.detectChanges();
    press('One more week');
    await until(fixture, () => cycle()?.weeks.length === 3);
    expect(text()).not.toContain('meanwhile');
  });
});
