import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { READY_KITS } from '@tureen/core/kit';
import { LARDER_ROWS, type IngredientRow } from '@tureen/core/larder';
import { BehaviorSubject, map, of } from 'rxjs';
import { until } from '../../../../spec/board-in-memory';
import { Kitchen } from '../../services/kitchen';
import { LarderPlace } from './larder';

interface Corrected {
  readonly id: string;
  readonly row: IngredientRow | null;
  readonly why: string;
}

/** A larder with no server behind it: corrections and prices stand in lists, the rows are those that ship. */
class LarderInMemory {
  readonly corrected: Corrected[] = [];
  readonly prices: { ingredient: string; pricePerKg: number; day?: string | undefined; source: string }[] = [];
  refusal = '';
  private readonly rows = new BehaviorSubject<readonly IngredientRow[]>(LARDER_ROWS);

  readonly service = {
    larder$: this.rows.pipe(map((rows) => ({ rows, own: this.corrected.map(({ id }) => id) }))),
    kitchen$: of({ ok: true, value: { kit: { ...READY_KITS.canteen, currency: 'EUR' }, mode: 'own' } }),
    ingredient: (id: string) =>
      Promise.resolve({
        ok: true,
        value: {
          now: this.rows.value.find((row) => row.id === id) ?? null,
          shipped: LARDER_ROWS.find((row) => row.id === id) ?? null,
          corrections: this.corrected
            .filter((one) => one.id === id)
            .map(({ row, why }, n) => ({ id: n, row, why, createdAtMs: 1_790_000_000_000 })),
          prices: [],
        },
      }),
    correct: (id: string, row: IngredientRow | null, why: string) => {
      if (this.refusal !== '')
        return Promise.resolve({ ok: false, reachable: true, refusal: { code: 'X', sentence: this.refusal } });
      this.corrected.push({ id, row, why });
      const now = row ?? LARDER_ROWS.find((one) => one.id === id);
      const others = this.rows.value.filter((one) => one.id !== id);
      this.rows.next(now === undefined ? others : [...others, now]);
      return Promise.resolve({ ok: true, value: { id } });
    },
    addPrices: (list: { ingredient: string; pricePerKg: number; day?: string }[], source: string) => {
      this.prices.push(...list.map((one) => ({ ...one, source })));
      return Promise.resolve({ ok: true, value: { kept: list.length } });
    },
  };
}

describe('the larder', () => {
  let memory: LarderInMemory;
  let fixture: ComponentFixture<LarderPlace>;

  beforeEach(() => {
    memory = new LarderInMemory();
    TestBed.configureTestingModule({
      providers: [provideZonelessChangeDetection(), { provide: Kitchen, useValue: memory.service }],
    });
    fixture = TestBed.createComponent(LarderPlace);
    (fixture.nativeElement as HTMLElement).style.cssText = 'display: block; height: 700px; width: 1200px';
    fixture.detectChanges();
  });

  const page = (): HTMLElement => fixture.nativeElement as HTMLElement;
  const text = (): string => page().textContent;

  async function find(words: string): Promise<void> {
    const field = page().querySelector<HTMLInputElement>('input[type=search]');
    if (field === null) throw new Error('There is a field to find by.');
    field.value = words;
    field.dispatchEvent(new Event('input'));
    await fixture.whenStable();
    fixture.detectChanges();
  }

  async function open(id: string): Promise<void> {
    (fixture.componentInstance as unknown as { choose(id: string): void }).choose(id);
    await until(fixture, () => page().querySelector('input.title') !== null);
  }

  function field(label: string): HTMLInputElement {
    const found = [...page().querySelectorAll<HTMLLabelElement>('label')].find(
      (one) => one.querySelector('span')?.textContent.trim() === label,
    );
    const input = found?.querySelector('input') ?? page().querySelector<HTMLInputElement>(`input[aria-label="${label}"]`);
    if (input === null) throw new Error(`No field ${label}.`);
    return input;
  }

  async function type(label: string, value: string): Promise<void> {
    const input = field(label);
    input.focus();
    input.value = value;
    for (const event of ['input', 'change']) input.dispatchEvent(new Event(event));
    input.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    input.blur();
    await fixture.whenStable();
    fixture.detectChanges();
  }

  async function press(name: string): Promise<void> {
    const found = [...page().querySelectorAll('button')].find((one) => one.textContent.trim().startsWith(name));
    if (found === undefined) throw new Error(`No button ${name}.`);
    found.click();
    await fixture.whenStable();
    fixture.detectChanges();
  }

  const count = (): number => Number(/(\d+) of \d+ ingredients/.exec(text())?.[1] ?? Number.NaN);

  it('finds by any name, by group and by allergen, all words together; nothing found says what to do', async () => {
    const all = count();
    expect(all).toBe(LARDER_ROWS.length);
    await find('celeriac');
    const celeriac = count();
    expect(celeriac).toBeGreaterThan(0);
    expect(celeriac).toBeLessThan(20);
    await find('milk');
    const milk = count();
    expect(milk).toBeGreaterThan(3);
    await find('milk cream');
    expect(count()).toBeLessThan(milk);
    await find('no such thing at all');
    expect(text()).toContain('No ingredient has that name. Open one that is like it and copy it.');
  });

  it('saves nothing before it is said where a figure is from; then the original stands beside it', async () => {
    await open('celeriac');
    await type('water', '88.4');
    await press('Save');
    expect(memory.corrected).toEqual([]);
    expect(text()).toContain('Say where the new figures are from');
    await type('Source of the correction', 'our own oven, dried to the end');
    await press('Save');
    await until(fixture, () => memory.corrected.length === 1);
    const [kept] = memory.corrected;
    expect(kept?.id).toBe('celeriac');
    expect(kept?.row?.composition.water).toBe(88.4);
    expect(kept?.why).toBe('our own oven, dried to the end');
    await until(fixture, () => text().includes('Saved. The original is kept beside it.'));
    const shipped = LARDER_ROWS.find(({ id }) => id === 'celeriac')?.composition.water ?? Number.NaN;
    await until(fixture, () => text().includes(`was ${String(shipped)}`));
  });

  it('says what does not add up in a correction while it is typed', async () => {
    await open('celeriac');
    expect(page().querySelectorAll('.one .caution').length).toBe(0);
    await type('water', '20');
    expect(page().querySelectorAll('.one .caution').length).toBeGreaterThan(0);
    expect(page().querySelector('.off')).not.toBeNull();
  });

  it('says what the server would not take, and keeps what was typed', async () => {
    await open('celeriac');
    memory.refusal = 'Water, starch and the rest come to 190 g.';
    await type('water', '88.4');
    await type('Source of the correction', 'a label');
    await press('Save');
    await until(fixture, () => text().includes('come to 190 g'));
    expect(field('water').value).toBe('88.4');
  });

  it('makes a new ingredient like the one that is open, under an id of its own', async () => {
    await open('celeriac');
    await press('Copy as a new one');
    expect(text()).toContain('A new ingredient, like the one it was copied from');
    await type('Source of the correction', 'the label of the frozen one');
    await press('Save');
    await until(fixture, () => memory.corrected.length === 1);
    const made = memory.corrected[0]?.row;
    expect(made?.id).toBe('celeriac-our-own');
    expect(made?.varietyOf).toBe('celeriac');
    expect(made?.aka).toBeUndefined();
  });

  async function bring(csv: string): Promise<void> {
    const box = page().querySelector<HTMLInputElement>('#prices-file');
    if (box === null) throw new Error('There is a box for a file.');
    const files = new DataTransfer();
    files.items.add(new File([csv], 'prices.csv', { type: 'text/csv' }));
    box.files = files.files;
    box.dispatchEvent(new Event('change'));
    await until(fixture, () => page().querySelector('[role=status], [role=alert]') !== null);
  }

  it('takes prices from a file, names each row that it can’t, and takes the others', async () => {
    await bring('ingredient,price,per,date\nceleriac,2.40,kg,2026-11-30\ngazelle,9.00,kg,\nonion,1.10,lb,\n');
    expect(text()).toContain('2 prices taken from prices.csv, 1 rows not.');
    expect(text()).toContain('Row 3: gazelle is not in the larder.');
    expect(memory.prices.map(({ ingredient, day, source }) => [ingredient, day, source])).toEqual([
      ['celeriac', '2026-11-30', 'prices.csv'],
      ['onion', undefined, 'prices.csv'],
    ]);
    expect(memory.prices[1]?.pricePerKg).toBeCloseTo(1.1 / 0.453_592_37, 6);
  });

  it('of a file that is none says so and changes nothing', async () => {
    await bring('what,how much\nceleriac,2.40\n');
    expect(text()).toContain('Nothing was changed.');
    expect(memory.prices).toEqual([]);
  });
});
