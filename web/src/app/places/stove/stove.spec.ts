import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { READY_KITS, type Measure } from '@tureen/core/kit';
import { HandBar } from './hand-bar';

describe('the hand bar', () => {
  let fixture: ComponentFixture<HandBar>;
  const stock = { lineId: 'stock', name: 'vegetable stock', inText: '1 kg', toGoText: '1.2 kg' };

  beforeEach(async () => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    fixture = TestBed.createComponent(HandBar);
    fixture.componentRef.setInput('liquids', [stock]);
    fixture.componentRef.setInput('liquid', stock);
    fixture.componentRef.setInput('ladles', READY_KITS.canteen.ladles);
    await fixture.whenStable();
  });

  const ladles = (): HTMLButtonElement[] => [
    ...(fixture.nativeElement as HTMLElement).querySelectorAll<HTMLButtonElement>('.ladle'),
  ];

  it('pours one ladle of the liquid chosen at one touch', () => {
    const poured: Measure[] = [];
    fixture.componentInstance.poured.subscribe((measure) => poured.push(measure));
    ladles()[1]?.click();
    ladles()[1]?.click();
    expect(poured.map(({ volumeM3 }) => volumeM3)).toEqual([0.0003, 0.0003]);
    expect(ladles()[1]?.textContent).toContain('300 mL of vegetable stock, Ladle');
  });

  it('asks how much of a ladle where it is held, and then pours nothing by itself', () => {
    jasmine.clock().install();
    const asked: (Measure | undefined)[] = [];
    const poured: Measure[] = [];
    fixture.componentInstance.more.subscribe((measure) => asked.push(measure));
    fixture.componentInstance.poured.subscribe((measure) => poured.push(measure));
    const ladle = ladles()[1];
    ladle?.dispatchEvent(new PointerEvent('pointerdown'));
    jasmine.clock().tick(700);
    ladle?.dispatchEvent(new PointerEvent('pointerup'));
    ladle?.click();
    expect(asked.map((measure) => measure?.volumeM3)).toEqual([0.0003]);
    expect(poured).toEqual([]);
    ladle?.dispatchEvent(new PointerEvent('pointerdown'));
    jasmine.clock().tick(100);
    ladle?.dispatchEvent(new PointerEvent('pointerup'));
    ladle?.click();
    expect(poured.length).toBe(1);
    jasmine.clock().uninstall();
  });

  it('draws ladles at their sizes: width as the cube root of what they hold', () => {
    const width = (n: number): number => {
      const [, left, right] = /M ([\d.]+) 30 H ([\d.]+)/.exec(ladles()[n]?.querySelector('.cup')?.getAttribute('d') ?? '') ?? [];
      return Number(right) - Number(left);
    };
    expect(width(2) / width(0)).toBeCloseTo(Math.cbrt(500 / 120), 3);
  });

  it('is still when no step is in hand', async () => {
    fixture.componentRef.setInput('disabled', true);
    await fixture.whenStable();
    expect(ladles().every(({ disabled }) => disabled)).toBeTrue();
  });
});
