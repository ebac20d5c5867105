import { ChangeDetectionStrategy, Component, provideZonelessChangeDetection, signal } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { FormsModule } from '@angular/forms';
import { rest } from '../../../spec/stove-in-memory';
import { NumberField } from './number-field';

@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, NumberField],
  template: `<tt-number
    fieldId="n"
    unit="g"
    [least]="0"
    [most]="most()"
    [step]="10"
    [(ngModel)]="value"
    (committed)="committed.push($event)"
  />`,
})
class Form {
  readonly value = signal<number | null>(100);
  readonly most = signal(50_000);
  readonly committed: number[] = [];
}

describe('the number field', () => {
  let fixture: ComponentFixture<Form>;
  let form: Form;

  beforeEach(async () => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    fixture = TestBed.createComponent(Form);
    form = fixture.componentInstance;
    await rest(fixture);
  });

  const field = (): HTMLInputElement => (fixture.nativeElement as HTMLElement).querySelector('input')!;
  const buttons = (): HTMLButtonElement[] => [...(fixture.nativeElement as HTMLElement).querySelectorAll('button')];

  async function type(text: string): Promise<void> {
    field().value = text;
    field().dispatchEvent(new Event('input'));
    await rest(fixture);
  }

  async function leave(): Promise<void> {
    field().dispatchEvent(new Event('blur'));
    await rest(fixture);
  }

  it('holds what was meant, whatever hand wrote it, and shows it so once it is left', async () => {
    for (const [text, value, shown] of [
      ['1,5', 1.5, '1.5'],
      ['22,6', 22.6, '22.6'],
      ['2,20', 2.2, '2.2'],
      ['1 000', 1000, '1000'],
      ['1.234,5', 1234.5, '1234.5'],
      ['12,5 g', 12.5, '12.5'],
      ['1/2', 0.5, '0.5'],
    ] as const) {
      await type(text);
      expect(form.value()).withContext(text).toBe(value);
      expect(field().value).withContext(text).toBe(text);
      await leave();
      expect(field().value).withContext(text).toBe(shown);
    }
  });

  it('asks what could be two numbers, holds none until it is answered, and takes the answer', async () => {
    await type('1,500');
    expect(form.value()).toBeNull();
    expect(buttons().map((button) => button.textContent.trim())).toEqual(['1.5 g', '1500 g']);
    await leave();
    expect(field().value).toBe('1,500');
    buttons()[1]?.click();
    await rest(fixture);
    expect(form.value()).toBe(1500);
    expect(field().value).toBe('1500');
    expect(buttons()).toEqual([]);
    form.most.set(200);
    await rest(fixture);
    await type('1,500');
    expect(form.value()).toBe(1.5);
    expect(buttons()).toEqual([]);
  });

  it('holds nothing of what is no number or lies outside, says so, and keeps what was typed', async () => {
    for (const [text, says] of [
      ['1,2,3', 'That is no number.'],
      ['90000', 'Give a number from 0 to 50000 g.'],
      ['ten', 'That is no number.'],
    ] as const) {
      await type(text);
      expect(form.value()).withContext(text).toBeNull();
      expect((fixture.nativeElement as HTMLElement).querySelector('[role=alert]')?.textContent).toBe(says);
      await leave();
      expect(field().value).toBe(text);
    }
    expect(form.committed).toEqual([]);
  });

  it('is stepped by the arrow keys within its bounds, and says once what it was left with', async () => {
    field().dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowUp' }));
    await rest(fixture);
    expect(form.value()).toBe(110);
    await type('2,5');
    await leave();
    await leave();
    expect(form.committed).toEqual([110, 2.5]);
    form.value.set(7);
    await rest(fixture);
    expect(field().value).toBe('7');
  });
});
