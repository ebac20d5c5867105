import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { DATE, dayWith, wanted } from '../../../../../core/spec/days';
import { BoardInMemory, boardPlace, until } from '../../../../spec/board-in-memory';
import { StoveInMemory, rest, show } from '../../../../spec/stove-in-memory';
import { readClock } from '../../parts/clock-field';
import { dateName } from './dates';
import { Board } from './board';
import { GoingOut } from './going-out';
import { movedCount } from './laid-out';
import { drawn } from './lanes-geometry';
import { Shop } from './shop';

const NOW = Date.UTC(2026, 11, 4, 8);
const DAY = dayWith([wanted('beetroot-horseradish', 60, '18:00'), wanted('celeriac-leek-apple', 30, '18:00')]);

function text(fixture: ComponentFixture<unknown>): string {
  return (fixture.nativeElement as HTMLElement).textContent;
}

function button(fixture: ComponentFixture<unknown>, name: RegExp): HTMLButtonElement {
  const all = [...(fixture.nativeElement as HTMLElement).querySelectorAll('button')];
  const found = all.find((one) => name.test((one.getAttribute('aria-label') ?? '') || one.textContent));
  if (found === undefined) throw new Error(`No button ${String(name)} in ${all.map((one) => one.textContent).join(' | ')}`);
  return found;
}

function has(fixture: ComponentFixture<unknown>, pattern: RegExp): () => boolean {
  return () => pattern.test(text(fixture));
}

describe('the board', () => {
  it('lays the day out, with what each person does first, and says how much is in hand', async () => {
    const memory = new BoardInMemory(NOW);
    memory.put(DAY);
    const fixture = boardPlace(Board, memory, { date: DATE });
    await until(fixture, has(fixture, /On time, with .* in hand/));
    expect(text(fixture)).toContain('Today, Friday 4 December');
    expect(text(fixture)).toMatch(/Next for JT/);
    const svg = (fixture.nativeElement as HTMLElement).querySelector('svg');
    expect(svg?.getAttribute('aria-label')).toContain('Beetroot & horseradish, Celeriac, leek & apple');
    expect(svg?.querySelectorAll('.bar').length).toBeGreaterThan(6);
    // Of today it shows where now is; what has not begun starts after it.
    expect(svg?.querySelector('.now')).not.toBeNull();
  });

  it('bowls that stand in the cold are brought back instead of cooked: work on the lanes, and in the sum of the day', async () => {
    const memory = new BoardInMemory(NOW);
    memory.put(dayWith([wanted('swede-barley', 40)]));
    const container = memory.cold.filled(3.6);
    const board = boardPlace(Board, memory, { date: DATE });
    await until(board, has(board, /12 bowls of it stand in the cold already/));
    button(board, /^\s*Bring them back, cook 28/).click();
    await until(board, () => memory.kept(DATE)?.batches[0]?.request.broughtBack === 12);
    expect(memory.kept(DATE)?.batches[0]?.request.bowls).toBe(28);
    await until(board, has(board, /bring it back to 74 °C/));
    expect(text(board)).toContain('40 bowls in all: 12 brought back, 28 cooked.');
    // Eaten meanwhile: there is nothing left to bring back, and nobody is asked to.
    memory.cold.did({ kind: 'took', container, kg: 3.6, as: 'bowls' });
    await until(board, has(board, /Only 0 bowls of it can be brought back on that day/));
    await until(board, () => !text(board).includes('bring it back to 74 °C'));
    button(board, /Cook all 40/).click();
    await until(board, () => memory.kept(DATE)?.batches[0]?.request.bowls === 40);
    expect(memory.kept(DATE)?.batches[0]?.request.broughtBack).toBeUndefined();
  });

  it('bowls that stand in the cold are promised once on a day, not to each soup of the same card', async () => {
    const memory = new BoardInMemory(NOW);
    const evening = { ...wanted('swede-barley', 20, '18:00'), id: 'evening' };
    const noon = wanted('swede-barley', 40);
    memory.put(dayWith([{ ...noon, request: { ...noon.request, bowls: 28, broughtBack: 12 } }, evening]));
    memory.cold.filled(4.5);
    const board = boardPlace(Board, memory, { date: DATE });
    await until(board, has(board, /3 bowls of it stand in the cold already/));
    button(board, /^\s*Bring them back, cook 17/).click();
    await until(board, () => memory.kept(DATE)?.batches[1]?.request.broughtBack === 3);
    await until(board, has(board, /20 bowls in all: 3 brought back, 17 cooked/));
    expect(text(board)).not.toContain('Only');
  });

  it('bowls that stand in the cold are promised to one day: another has what is left of them', async () => {
    const memory = new BoardInMemory(NOW);
    const noon = wanted('swede-barley', 40);
    memory.put({ ...dayWith([{ ...noon, request: { ...noon.request, bowls: 28, broughtBack: 12 } }]), date: '2026-12-05' });
    memory.put(dayWith([wanted('swede-barley', 20)]));
    memory.cold.filled(4.5);
    const board = boardPlace(Board, memory, { date: DATE });
    await until(board, has(board, /3 bowls of it stand in the cold already, and 12 bowls more that are promised already/));
    button(board, /^\s*Bring them back, cook 17/).click();
    await until(board, () => memory.kept(DATE)?.batches[0]?.request.broughtBack === 3);
  });

  it('what cools stands on today’s with its next mark, and what can still be done; on another day’s it does not', async () => {
    const memory = new BoardInMemory(NOW);
    memory.put(DAY);
    const id = memory.cold.cooling(75);
    memory.cold.ago(40, { kind: 'read', container: id, tempC: 72 });
    memory.cold.ago(20, { kind: 'read', container: id, tempC: 63 });
    memory.cold.ago(5, { kind: 'read', container: id, tempC: 57 });
    const today = boardPlace(Board, memory, { date: DATE });
    await until(today, has(today, /5\d °C ?Swede & barley, 8 kg, cooling/));
    expect(text(today)).toMatch(/21 °C at \d\d:\d\d, wanted by \d\d:\d\d: too slow/);
    expect(text(today)).toMatch(/Half of it into a second pan, before \d\d:\d\d\./);
    today.componentRef.setInput('date', '2026-12-11');
    await until(today, has(today, /Nothing is planned for this day yet/));
    expect(text(today)).not.toContain('cooling');
  });

  it('of a day without anything offers to plan it, or to take another over', async () => {
    const memory = new BoardInMemory(NOW);
    memory.put(DAY);
    const fixture = boardPlace(Board, memory, { date: '2026-12-11' });
    await until(fixture, has(fixture, /Nothing is planned for this day yet/));
    expect(text(fixture)).toContain('or take over');
    button(fixture, /Plan this day/).click();
    await until(fixture, () => memory.kept('2026-12-11') !== null);
    expect(memory.kept('2026-12-11')?.people.length).toBe(2);
  });

  it('laid out anew because a cook is not there says what moved, and whether it holds', async () => {
    const memory = new BoardInMemory(NOW);
    memory.put(DAY);
    const fixture = boardPlace(Board, memory, { date: DATE });
    await until(fixture, has(fixture, /On time/));
    button(fixture, /MO is not here/).click();
    await until(fixture, has(fixture, /Laid out anew/));
    expect(memory.kept(DATE)?.people.map(({ id }) => id)).toEqual(['jt']);
    expect(text(fixture)).not.toContain('Next for MO');
  });

  it('a day that can’t be done says by how much, and a way out is taken by one touch', async () => {
    const memory = new BoardInMemory(NOW - 86_400_000);
    memory.put({ ...DAY, starts: '16:30', ends: '20:00' });
    const fixture = boardPlace(Board, memory, { date: DATE });
    await until(fixture, has(fixture, /late, by up to/));
    await until(fixture, has(fixture, /then all is on time/));
    button(fixture, /^\s*Start at/).click();
    await until(fixture, has(fixture, /On time/));
    const starts = memory.kept(DATE)?.starts ?? '';
    expect(starts < '16:30' && starts > '12:00').toBeTrue();
  });

  it('a block that is chosen says when, and moved it stays where it was put', async () => {
    const memory = new BoardInMemory(NOW);
    memory.put(DAY);
    const fixture = boardPlace(Board, memory, { date: DATE });
    await until(fixture, has(fixture, /On time/));
    button(fixture, /Trim and cut the leek/).click();
    await until(fixture, has(fixture, /10 min earlier/));
    button(fixture, /10 min earlier/).click();
    await until(fixture, () => memory.kept(DATE)?.pins?.length === 1);
    const at = memory.kept(DATE)?.pins?.[0]?.at ?? '';
    await until(fixture, has(fixture, new RegExp(`${at} to`)));
    button(fixture, /JT does it/).click();
    await until(fixture, () => memory.kept(DATE)?.pins?.[0]?.person === 'jt');
    button(fixture, /Leave it to the plan/).click();
    await until(fixture, () => memory.kept(DATE)?.pins?.length === 0);
  });

  it('a block that is dragged stays at the time it is dropped on; dropped on somebody, it is theirs; let go, nothing moves', async () => {
    // A pointer that no hand holds can't be captured.
    spyOn(SVGElement.prototype, 'setPointerCapture');
    const memory = new BoardInMemory(NOW);
    memory.put(DAY);
    const fixture = boardPlace(Board, memory, { date: DATE });
    await until(fixture, has(fixture, /On time/));
    const svg = (fixture.nativeElement as HTMLElement).querySelector('tt-day-lanes svg');
    const bar = [...(svg?.querySelectorAll('.bar:not(.waits)') ?? [])][0];
    if (svg === null || bar === undefined) throw new Error('The day is drawn.');
    const { left, top, width } = svg.getBoundingClientRect();
    const [, from = '', y = ''] = /^M([\d.]+) ([\d.]+)/.exec(bar.getAttribute('d') ?? '') ?? [];
    const scale = width / Number(svg.getAttribute('viewBox')?.split(' ')[2]);
    const at = { x: left + (Number(from) + 2) * scale, y: top + (Number(y) + 2) * scale };
    const point = (kind: string, dx: number, dy = 0): void => {
      const init = { clientX: at.x + dx, clientY: at.y + dy, pointerId: 1, button: 0, bubbles: true };
      bar.dispatchEvent(new PointerEvent(kind, init));
      fixture.detectChanges();
    };
    point('pointerdown', 0);
    point('pointermove', 60);
    expect(bar.getAttribute('transform')).toMatch(/^translate\([1-9]/);
    document.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }));
    fixture.detectChanges();
    expect(bar.getAttribute('transform')).toBeNull();
    expect(memory.kept(DATE)?.pins ?? []).toEqual([]);
    point('pointerdown', 0);
    point('pointermove', 60);
    const said = /\d\d:\d\d/.exec(svg.querySelector('text.post-text[text-anchor=middle]')?.textContent ?? '')?.[0];
    point('pointerup', 60);
    await until(fixture, () => memory.kept(DATE)?.pins?.length === 1);
    expect(memory.kept(DATE)?.pins?.[0]?.at).toBe(said);
    await until(fixture, has(fixture, new RegExp(`${said ?? ''} to`)));
    // A touch that goes nowhere chooses, as it always did.
    point('pointerdown', 0);
    point('pointerup', 1);
    expect(memory.kept(DATE)?.pins?.length).toBe(1);
  });

  it('two changes in a row both stand; what somebody else changed meanwhile is not overwritten', async () => {
    const memory = new BoardInMemory(NOW);
    memory.put(DAY);
    const fixture = boardPlace(Board, memory, { date: DATE });
    await until(fixture, has(fixture, /On time/));
    button(fixture, /One more pair of hands/).click();
    fixture.detectChanges();
    button(fixture, /One more pair of hands/).click();
    await until(fixture, () => memory.kept(DATE)?.people.length === 4);
    memory.refusal = 'Somebody changed this day meanwhile.';
    button(fixture, /One more pair of hands/).click();
    await until(fixture, has(fixture, /Somebody changed this day meanwhile/));
    expect(memory.kept(DATE)?.people.length).toBe(4);
  });

  it('a soup is started at the stove, and from then on it is that batch', async () => {
    const memory = new BoardInMemory(NOW);
    memory.put({ ...DAY, batches: DAY.batches.slice(0, 1) });
    const fixture = boardPlace(Board, memory, { date: DATE });
    await until(fixture, has(fixture, /On time/));
    button(fixture, /^\s*Start\s*$/).click();
    await until(fixture, () => memory.kept(DATE)?.batches[0]?.batchId !== undefined);
    expect(memory.kept(DATE)?.batches[0]?.batchId).toBe(memory.started[0]);
  });

  it('of a day that is over shows it as it was planned', async () => {
    const memory = new BoardInMemory(NOW + 7 * 86_400_000);
    memory.put(DAY);
    const fixture = boardPlace(Board, memory, { date: DATE });
    await until(fixture, has(fixture, /This day is over/));
    expect(text(fixture)).not.toContain('Next for');
  });
});

describe('bowls of the board', () => {
  it('says what such a day has taken so far, and how many to make by what too many and too few cost', async () => {
    const memory = new BoardInMemory(NOW);
    memory.put(DAY);
    // Fridays of eight weeks took 100 bowls, other days 60.
    memory.past = Array.from({ length: 56 }, (_, n) => ({
      startedAtMs: NOW - (n + 1) * 86_400_000,
      bowls: (n + 1) % 7 === 0 ? 100 : 60,
    }));
    const fixture = boardPlace(Board, memory, { date: DATE });
    await until(fixture, has(fixture, /By 56 days of the past about \d+ bowls/));
    const about = Number(/about (\d+) bowls/.exec(text(fixture))?.[1]);
    expect(about).toBeGreaterThan(80);
    expect(about).toBeLessThan(100);
    const make = Number(/make\s+(\d+)/.exec(text(fixture))?.[1]);
    // Too few cost three times as much as too many: more than the middle.
    expect(make).toBeGreaterThan(about);
    expect(text(fixture)).toContain('90 are planned');
    // Weeks that are all alike: the week before says each day to the bowl.
    expect(text(fixture)).toMatch(
      /Each of 49 past days .*off by [1-9]\d* % on average, .* a week before was off by 0 %; \d+ of 49 lay in the band/,
    );
  });

  it('hang on the weather, told in a word that is kept with the day, once days of the past were noted so', async () => {
    const memory = new BoardInMemory(NOW);
    const DAY_MS = 86_400_000;
    memory.put(DAY);
    // Every third day was wet and took half as many again.
    memory.past = Array.from({ length: 56 }, (_, n) => ({ startedAtMs: NOW - (n + 1) * DAY_MS, bowls: n % 3 === 0 ? 90 : 60 }));
    for (let n = 0; n < 56; n += 3)
      memory.put({ ...DAY, date: new Date(NOW - (n + 1) * DAY_MS).toISOString().slice(0, 10), weather: 'wet' });
    const fixture = boardPlace(Board, memory, { date: DATE });
    await until(fixture, has(fixture, /By 56 days of the past about \d+ bowls/));
    const about = (): number => Number(/about (\d+) bowls/.exec(text(fixture))?.[1]);
    const usual = about();
    const field = (fixture.nativeElement as HTMLElement).querySelector<HTMLInputElement>('#day-weather');
    if (field === null) throw new Error('There is a field for the weather.');
    field.value = 'Wet';
    field.dispatchEvent(new Event('change'));
    await until(fixture, has(fixture, /19 such days of the past: \d\d % more bowls than usual/));
    expect(about()).toBeGreaterThan(usual + 8);
    await until(fixture, () => memory.kept(DATE)?.weather === 'Wet');
  });

  it('that go out are told with how many are left and when they are gone', async () => {
    const stove = new StoveInMemory('celeriac-leek-apple');
    stove.cookedUpTo('dish');
    TestBed.configureTestingModule({ providers: stove.providers() });
    const { text: said, fixture } = await show(GoingOut, { batchId: 'batch', nowMs: 1_790_000_000_000 + 10 * 60_000 });
    expect(said()).toBe('');
    stove.did({ kind: 'dished', bowls: 10 }, { kind: 'dished', bowls: 8 });
    await rest(fixture);
    const left = Number(/^(\d+) bowls left/.exec(said())?.[1]);
    expect(left).toBeGreaterThan(19);
    expect(left).toBeLessThan(24);
    expect(said()).toMatch(/a minute: gone about \d\d:\d\d, nine times in ten between \d\d:\d\d and \d\d:\d\d/);
    const again = stove.kept.at(-1);
    if (again !== undefined) stove.did({ kind: 'undone', target: again.id });
    await rest(fixture);
    expect(Number(/^(\d+) bowls left/.exec(said())?.[1])).toBe(left + 8);
  });
});

describe('the shopping list', () => {
  it('says what to buy for which soup; what came in is off it, and a count is believed', async () => {
    const memory = new BoardInMemory(NOW);
    memory.put(DAY);
    const fixture = boardPlace(Shop, memory, { date: DATE });
    await until(fixture, has(fixture, /Beetroot/));
    const row = [...(fixture.nativeElement as HTMLElement).querySelectorAll('li')].find((one) =>
      one.textContent.includes(' Beetroot'),
    );
    expect(row?.textContent).toContain('Beetroot & horseradish');
    button(fixture, /how Beetroot is bought/).click();
    fixture.detectChanges();
    button(fixture, /^\s*It came in\s*$/).click();
    await until(fixture, has(fixture, /Beetroot came in\./));
    await until(fixture, has(fixture, /On hand already/));
    memory.supply('beetroot', { kind: 'counted', kg: 0 });
    await until(fixture, () => !text(fixture).includes('On hand already'));
  });

  it('what goes off soon is offered to the soups that use most of it, and one touch puts them on the day', async () => {
    const memory = new BoardInMemory(NOW);
    memory.supply('leek', { kind: 'bought', kg: 3 }, 11);
    memory.supply('lentils', { kind: 'bought', kg: 5 }, 90);
    const fixture = boardPlace(Shop, memory, { date: DATE });
    await until(fixture, has(fixture, /Goes off soon/));
    const offered = [...(fixture.nativeElement as HTMLElement).querySelectorAll('article')].map((one) => one.textContent);
    expect(offered[0]).toMatch(/uses .*leek/);
    expect(text(fixture)).not.toMatch(/kg\s+Lentils/i);
    const [, bowls = '', name = ''] = /(\d+) bowls of ([A-Z][^ ]*)/.exec(offered[0] ?? '') ?? [];
    button(fixture, /^Add to the day: /).click();
    await until(fixture, () => (memory.kept(DATE)?.batches.length ?? 0) > 0);
    const [first] = memory.kept(DATE)?.batches ?? [];
    expect(String(first?.request.bowls)).toBe(bowls);
    expect(first?.soupId).toContain(name.toLowerCase());
    await until(fixture, has(fixture, /On the day now/));
    // What is planned uses them now: they are offered no more.
    await until(
      fixture,
      () => !(fixture.nativeElement as HTMLElement).querySelector('article')?.textContent.includes(`${bowls} bowls of ${name}`),
    );
  });

  it('of a day without soups says so', async () => {
    const fixture = boardPlace(Shop, new BoardInMemory(NOW), { date: DATE });
    await until(fixture, has(fixture, /nothing to buy/));
  });
});

describe('times and dates of the board', () => {
  it('a clock is read however it is written, and what is none is none', () => {
    expect(['9', '930', '9.30', '9:05', '09h30', ' 12 ', '0000'].map(readClock)).toEqual([
      '09:00',
      '09:30',
      '09:30',
      '09:05',
      '09:30',
      '12:00',
      '00:00',
    ]);
    expect(['', '24', '9:60', '9.5', 'noon', '1:2:3'].map(readClock)).toEqual(Array.from({ length: 6 }, () => undefined));
  });

  it('days are named from today', () => {
    expect(dateName('2026-12-04')).toBe('Friday 4 December');
    expect(dateName('2027-01-01', '2026-12-31')).toBe('Tomorrow, Friday 1 January');
    expect(dateName('2028-02-29', '2028-03-01')).toBe('Yesterday, Tuesday 29 February');
    expect(dateName('nonsense')).toBe('nonsense');
  });
});

describe('the picture of a day', () => {
  const picture = {
    lanes: [
      { id: 'oven', name: 'Oven', isHands: false },
      { id: 'jt', name: 'JT', isHands: true },
    ],
    ways: [
      {
        batchId: 'a',
        name: 'A soup',
        colour: '#a00',
        stays: [
          { lane: 'jt', fromMin: 480, toMin: 500, kg: 4, blockId: 'a/trim', waits: false },
          { lane: 'oven', fromMin: 500, toMin: 560, kg: 16, blockId: 'a/roast', waits: false },
          { lane: 'oven', fromMin: 520, toMin: 540, kg: 1, blockId: 'b/roast', waits: false },
        ],
        bends: [{ fromLane: 'jt', fromMin: 500, toLane: 'oven', toMin: 500, kg: 4 }],
      },
    ],
    chips: [{ lane: 'jt', fromMin: 505, toMin: 506, text: 'a long word' }],
    posts: [{ atMin: 600, text: '40 bowls' }],
    fromMin: 480,
    toMin: 660,
    mostKg: 16,
  };

  it('is as thick as it is heavy, side by side where two share a lane, and no word is cut', () => {
    const own = drawn(picture, 1000, 530);
    const heights = own.bars.map(({ path }) => {
      const [, top = '0', , bottom = '0'] = /^M[\d.]+ ([\d.]+)H([\d.]+)V([\d.]+)/.exec(path) ?? [];
      return Number(bottom) - Number(top);
    });
    expect(heights[1]).toBeGreaterThan(heights[0] ?? 0);
    expect(heights[0]).toBeGreaterThan(heights[2] ?? 0);
    const tops = own.bars.map(({ path }) => Number(/^M[\d.]+ ([\d.]+)/.exec(path)?.[1]));
    expect(Math.abs((tops[1] ?? 0) - (tops[2] ?? 0))).toBeGreaterThan(5);
    expect(own.chips[0]?.text).toBe('');
    expect(own.chips[0]?.title).toBe('a long word');
    expect(own.nowX).toBeGreaterThan(132);
    expect(drawn(picture, 1000, 700).nowX).toBeUndefined();
    // The hour of a service is on its post.
    expect(own.hours.find(({ x }) => x === own.posts[0]?.x)?.text).toBe('');
  });

  it('counts what starts at another time', () => {
    const row = (id: string, startMin: number) => ({ id, startMin }) as never;
    const before = { rows: [row('a', 10), row('b', 20), row('c', 30)] } as never;
    expect(movedCount(before, { rows: [row('a', 10), row('b', 40), row('d', 5)] } as never)).toBe(1);
    expect(movedCount(undefined, before)).toBe(0);
  });
});
