import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { Buying, ShoppingRow, SupplyAction } from '@tureen/core/shop';
import { Supplies } from '../../services/supplies';
import { StoreForm } from './store-form';

const ROW: ShoppingRow = {
  ingredient: 'beetroot',
  name: 'Beetroot',
  group: 'roots',
  neededKg: 12,
  of: [{ name: 'Beetroot & horseradish', kg: 12 }],
  onHandKg: 2,
  shortKg: 10,
  buyKg: 10,
  packs: 2,
  pack: { ingredient: 'beetroot', supplier: 'Tideway Greens', packKg: 5, packName: 'net' },
  overKg: 0,
  cost: 16,
  supplier: 'Tideway Greens',
};

describe('what came in, is there, or was thrown away', () => {
  let entered: SupplyAction[] = [];
  let bought: Buying[] = [];
  let refuses = '';
  let said: string[] = [];
  let refused: string[] = [];

  beforeEach(() => {
    entered = [];
    bought = [];
    said = [];
    refused = [];
    refuses = '';
  });

  async function shown(units: 'metric' | 'us'): Promise<ComponentFixture<StoreForm>> {
    const answer = (value: unknown) =>
      Promise.resolve(refuses === '' ? { ok: true, value } : { ok: false, reachable: true, refusal: { sentence: refuses } });
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        {
          provide: Supplies,
          useValue: {
            enter: (_: string, action: SupplyAction) => {
              entered.push(action);
              return answer({ kept: 1 });
            },
            buy: (buying: Buying) => {
              bought.push(buying);
              return answer(buying);
            },
          },
        },
      ],
    });
    const fixture = TestBed.createComponent(StoreForm);
    fixture.componentRef.setInput('row', ROW);
    fixture.componentRef.setInput('units', units);
    fixture.componentRef.setInput('currency', 'GBP');
    fixture.componentInstance.said.subscribe((text) => said.push(text));
    fixture.componentInstance.refused.subscribe((text) => refused.push(text));
    await fixture.whenStable();
    return fixture;
  }

  const field = (fixture: ComponentFixture<StoreForm>, name: RegExp): HTMLInputElement => {
    const all = [...(fixture.nativeElement as HTMLElement).querySelectorAll('input')];
    const found = all.find((one) => name.test(one.getAttribute('aria-label') ?? ''));
    if (found === undefined) throw new Error(`No field ${String(name)} in ${all.map((one) => one.ariaLabel).join(' | ')}`);
    return found;
  };

  async function type(fixture: ComponentFixture<StoreForm>, name: RegExp, text: string): Promise<void> {
    const input = field(fixture, name);
    input.value = text;
    input.dispatchEvent(new Event('input'));
    input.dispatchEvent(new Event('change'));
    await fixture.whenStable();
  }

  async function submit(fixture: ComponentFixture<StoreForm>): Promise<void> {
    (fixture.nativeElement as HTMLElement).querySelector<HTMLButtonElement>('button[type=submit]')?.click();
    await fixture.whenStable();
  }

  it('begins with what was to be bought, and enters it with its price by one touch', async () => {
    const fixture = await shown('metric');
    expect(field(fixture, /that came in/).value).toBe('10');
    await type(fixture, /^Price of a kg/, '1,75');
    await submit(fixture);
    expect(entered).toEqual([{ kind: 'bought', kg: 10, pricePerKg: 1.75 }]);
    expect(said).toEqual(['10 kg Beetroot came in.']);
  });

  it('in a kitchen that weighs in pounds is typed and shown in pounds, price too, and kept in kilos', async () => {
    const fixture = await shown('us');
    expect(Number(field(fixture, /that came in/).value)).toBeCloseTo(22.046, 2);
    await type(fixture, /^Pounds .* that came in/, '20');
    await type(fixture, /^Price of a lb/, '2');
    await submit(fixture);
    const [action] = entered;
    if (action?.kind !== 'bought') throw new Error('It came in.');
    // 20 lb at 2 the pound: 9.07 kg at 4.41 the kilo, 40 in all.
    expect(action.kg).toBeCloseTo(9.0718, 3);
    expect((action.pricePerKg ?? 0) * action.kg).toBeCloseTo(40, 6);
  });

  it('nothing that came is asked about, and nothing is entered', async () => {
    const fixture = await shown('metric');
    await type(fixture, /that came in/, '0');
    await submit(fixture);
    expect(entered).toEqual([]);
    expect(refused).toEqual(['How much Beetroot came? Type it, or count what is there.']);
  });

  it('a count and what is thrown away are entered as they are typed', async () => {
    const fixture = await shown('metric');
    await type(fixture, /that are there/, '0');
    await type(fixture, /thrown away/, '1.5');
    expect(entered).toEqual([
      { kind: 'counted', kg: 0 },
      { kind: 'thrown', kg: 1.5, why: 'gone off' },
    ]);
  });

  it('how it is bought is kept field by field, each with those typed right before it', async () => {
    const fixture = await shown('metric');
    const [supplier, name] = [...(fixture.nativeElement as HTMLElement).querySelectorAll<HTMLInputElement>('p label input')];
    if (supplier === undefined || name === undefined) throw new Error('There are two fields of words.');
    supplier.value = 'Skerry Roots';
    supplier.dispatchEvent(new Event('change'));
    name.value = 'sack';
    name.dispatchEvent(new Event('change'));
    await type(fixture, /in a pack/, '12');
    expect(bought.at(-1)).toEqual({ ingredient: 'beetroot', supplier: 'Skerry Roots', packKg: 12, packName: 'sack' });
  });

  it('a refusal is passed on, and nothing is said to have happened', async () => {
    const fixture = await shown('metric');
    refuses = 'The larder has no such ingredient.';
    await submit(fixture);
    expect(said).toEqual([]);
    expect(refused).toEqual(['The larder has no such ingredient.']);
  });
});
