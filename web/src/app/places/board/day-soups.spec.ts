import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { Day, DayBatch } from '@tureen/core/board';
import { READY_KITS } from '@tureen/core/kit';
import { TWO_COOKS, dayWith, wanted } from '../../../../../core/spec/days';
import { BoardInMemory, boardPlace } from '../../../../spec/board-in-memory';
import type { DaySoup } from '../../cooking/day-view';
import { DaySoups } from './day-soups';

const DAY = dayWith([wanted('beetroot-horseradish', 60), wanted('celeriac-leek-apple', 30)]);
const BATCH = '00000000-0000-4000-8000-000000000001';

function planned(batch: DayBatch, more: Partial<DaySoup> = {}): DaySoup {
  return {
    id: batch.id,
    name: batch.soupId,
    colour: '#a03',
    potId: 'stockpot-20',
    potName: 'Stockpot',
    bowls: batch.request.bowls,
    lateMin: 0,
    trouble: undefined,
    ...more,
  };
}

describe('what is wanted on a day', () => {
  let changed: Day[];
  let started: DayBatch[];

  function made(day: Day = DAY, soups = day.batches.map((batch) => planned(batch))): ComponentFixture<DaySoups> {
    TestBed.resetTestingModule();
    const fixture = boardPlace(DaySoups, new BoardInMemory(Date.UTC(2026, 11, 4, 8)), { day, soups, kit: READY_KITS.canteen });
    changed = [];
    started = [];
    fixture.componentInstance.changed.subscribe((own) => changed.push(own));
    fixture.componentInstance.started.subscribe((own) => started.push(own));
    return fixture;
  }

  const page = (fixture: ComponentFixture<unknown>): HTMLElement => fixture.nativeElement as HTMLElement;

  function press(fixture: ComponentFixture<unknown>, name: string): void {
    const all = [...page(fixture).querySelectorAll('button')];
    const found = all.find((one) => (one.getAttribute('aria-label') ?? one.textContent.trim()) === name);
    if (found === undefined) throw new Error(`No button ${name}.`);
    found.click();
  }

  /** Types into a field by its label and leaves it. */
  async function type(fixture: ComponentFixture<unknown>, label: string, text: string): Promise<void> {
    const all = [...page(fixture).querySelectorAll('input')];
    const field = all.find((one) => one.getAttribute('aria-label') === label || one.id === label);
    if (field === undefined) throw new Error(`No field ${label} in ${all.map((one) => one.getAttribute('aria-label')).join(', ')}`);
    field.focus();
    field.value = text;
    field.dispatchEvent(new Event('input'));
    field.dispatchEvent(new Event('change'));
    field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    field.blur();
    await fixture.whenStable();
  }

  it('is said soup by soup, with its pot, and what is wrong or late beside its name', () => {
    const [beetroot, celeriac] = DAY.batches;
    if (beetroot === undefined || celeriac === undefined) throw new Error('The day has two.');
    const fixture = made(DAY, [planned(beetroot, { trouble: 'No pot holds it.' }), planned(celeriac, { lateMin: 25 })]);
    const rows = [...page(fixture).querySelectorAll('tbody tr:has(th)')].map((row) => row.textContent);
    expect(rows[0]).toContain('▲ No pot holds it.');
    expect(rows[1]).toContain('▲ 25 min late');
  });

  it('changes bowls and grams of one soup and leaves the other alone', async () => {
    const fixture = made();
    await type(fixture, 'Bowls of beetroot-horseradish', '72');
    expect(changed.at(-1)?.batches.map(({ request }) => request.bowls)).toEqual([72, 30]);
    await type(fixture, 'Grams in a bowl of celeriac-leek-apple', '250');
    expect(changed.at(-1)?.batches.map(({ request }) => request.bowlG)).toEqual([300, 250]);
  });

  it('changes when it is wanted, and the hours of the day; no time changes nothing', async () => {
    const fixture = made();
    await type(fixture, 'When beetroot-horseradish is wanted', '13.30');
    expect(changed.at(-1)?.batches[0]?.at).toBe('13:30');
    await type(fixture, 'starts', '6');
    expect(changed.at(-1)?.starts).toBe('06:00');
    const count = changed.length;
    await type(fixture, 'ends', 'late');
    expect(changed.length).toBe(count);
  });

  it('puts a soup into the cold, and takes that back', () => {
    const fixture = made();
    page(fixture).querySelector<HTMLInputElement>('.keeps input')?.click();
    expect(changed.at(-1)?.batches.map(({ keeps }) => keeps)).toEqual([true, undefined]);
    const kept = made(changed.at(-1));
    page(kept).querySelector<HTMLInputElement>('.keeps input')?.click();
    expect(changed.at(-1)?.batches.map(({ keeps }) => keeps)).toEqual([undefined, undefined]);
  });

  it('takes a soup off with all that was settled of it, and nothing that was settled of others', () => {
    const pins = [
      { block: 'beetroot/trim', at: '08:00' },
      { block: 'celeriac/trim', person: 'mo' },
    ];
    const fixture = made({ ...DAY, pins });
    press(fixture, 'Take beetroot-horseradish off the day');
    expect(changed.at(-1)?.batches.map(({ id }) => id)).toEqual(['celeriac']);
    expect(changed.at(-1)?.pins).toEqual([{ block: 'celeriac/trim', person: 'mo' }]);
  });

  it('starts a soup that has a pot; one that has begun keeps its figures and leads to the stove', () => {
    const fixture = made();
    press(fixture, 'Start');
    expect(started.map(({ id }) => id)).toEqual(['beetroot']);
    const [beetroot, celeriac] = DAY.batches;
    if (beetroot === undefined || celeriac === undefined) throw new Error('The day has two.');
    const begun = made({ ...DAY, batches: [{ ...beetroot, batchId: BATCH }, celeriac] });
    const [row] = page(begun).querySelectorAll('tbody tr');
    expect(row?.querySelector('tt-number')).toBeNull();
    expect(row?.querySelector(`a[href="/stove/${BATCH}"]`)?.textContent).toContain('At the stove');
    const noPot = made(DAY, [planned(beetroot, { potId: '' }), planned(celeriac)]);
    const starts = [...page(noPot).querySelectorAll('button')].filter((one) => one.textContent.trim() === 'Start');
    expect(starts.map((one) => one.disabled)).toEqual([true, false]);
  });

  it('has people that come later, go, and are one more; the last of them stays', async () => {
    const fixture = made();
    await type(fixture, 'From when MO is there', '9:30');
    expect(changed.at(-1)?.people[1]).toEqual({ id: 'mo', name: 'MO', from: '09:30', to: undefined });
    press(fixture, 'One more pair of hands');
    expect(changed.at(-1)?.people.map(({ name }) => name)).toEqual(['JT', 'MO', 'Cook 3']);
    expect(new Set(changed.at(-1)?.people.map(({ id }) => id)).size).toBe(3);
    const pins = [{ block: 'beetroot/trim', person: 'mo', at: '08:00' }];
    const pinned = made({ ...DAY, pins });
    press(pinned, 'MO is not here');
    expect(changed.at(-1)?.people.map(({ id }) => id)).toEqual(['jt']);
    // What MO was to do is done by somebody, at the time that was settled.
    expect(changed.at(-1)?.pins).toEqual([{ block: 'beetroot/trim', at: '08:00' }]);
    const alone = made(dayWith(DAY.batches, { people: TWO_COOKS.slice(0, 1) }));
    expect([...page(alone).querySelectorAll('button')].some((one) => one.textContent.trim() === 'Not here')).toBeFalse();
  });

  it('gives a person another name, and keeps the old one where none is typed', async () => {
    const fixture = made();
    const [name] = page(fixture).querySelectorAll<HTMLInputElement>('.people .name');
    if (name === undefined) throw new Error('People have names.');
    for (const [typed, kept] of [
      ['Ada', 'Ada'],
      ['', 'JT'],
    ] as const) {
      name.value = typed;
      name.dispatchEvent(new Event('change'));
      await fixture.whenStable();
      expect(changed.at(-1)?.people[0]?.name).toBe(kept);
    }
  });

  it('takes a kept plan with its card, bowls and pot; one that was cooked is not offered', () => {
    const memory = new BoardInMemory(Date.UTC(2026, 11, 4, 8));
    const request = { bowls: 25, bowlG: 280, potId: 'stockpot-20', without: ['cream'] };
    const plan = {
      soupId: 'leek-potato',
      soupName: 'Leek & potato',
      version: 3,
      request,
      createdAtMs: memory.nowMs,
      batchId: null,
    };
    memory.plans = [
      { id: 'open', ...plan },
      { id: 'cooked', ...plan, batchId: BATCH },
    ];
    const fixture = boardPlace(DaySoups, memory, { day: DAY, soups: [], kit: READY_KITS.canteen });
    const days: Day[] = [];
    fixture.componentInstance.changed.subscribe((own) => days.push(own));
    const taking = fixture.componentInstance as unknown as {
      kept: () => readonly { plan: { id: string }; name: string }[];
      addPlan: (id: string) => void;
    };
    expect(taking.kept().map(({ name }) => name)).toEqual(['Leek & potato, 25 bowls, kept 4 Dec']);
    expect(page(fixture).textContent).toContain('or a kept plan');
    taking.addPlan('cooked');
    expect(days).toEqual([]);
    taking.addPlan('open');
    expect(days[0]?.batches.at(-1)).toEqual({ id: 'leek-potato', soupId: 'leek-potato', version: 3, request, at: '12:00' });
  });
});
