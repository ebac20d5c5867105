import { provideZonelessChangeDetection, type Type } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { READY_KITS } from '@tureen/core/kit';
import { BowlPicture } from './bowl';
import { Gauge } from './gauge';
import { PotPicture } from './pot';

async function shown<T>(type: Type<T>, inputs: Readonly<Record<string, unknown>>): Promise<ComponentFixture<T>> {
  const fixture = TestBed.createComponent(type);
  for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
  await fixture.whenStable();
  return fixture;
}

function attribute(fixture: ComponentFixture<unknown>, selector: string, name: string): number {
  return Number((fixture.nativeElement as HTMLElement).querySelector(selector)?.getAttribute(name));
}

describe('pictures', () => {
  beforeEach(() => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
  });

  it('the pot has its true proportions, and its level stands where it is', async () => {
    const vessel = READY_KITS.canteen.pots.find(({ id }) => id === 'boiler-40')!;
    const fixture = await shown(PotPicture, {
      vessel,
      levelM: 0.16,
      wantedM: 0.24,
      headspaceM: 0.04,
      colour: '#a6265b',
      label: 'pot',
    });
    const width = attribute(fixture, 'rect', 'width');
    const height = attribute(fixture, 'rect', 'height');
    // Half full: 0.4 m wide, 0.16 m of soup.
    expect(width / height).toBeCloseTo(0.4 / 0.16, 6);
    const bottom = attribute(fixture, 'rect', 'y') + height;
    expect((bottom - attribute(fixture, '.wanted', 'y1')) / height).toBeCloseTo(0.24 / 0.16, 6);
    expect((bottom - attribute(fixture, '.head', 'y1')) / height).toBeCloseTo(0.28 / 0.16, 6);
  });

  it('a bowl shows cream as a swirl as big as its share, roasting as specks, heat as steam', async () => {
    const has = (fixture: ComponentFixture<unknown>, selector: string): boolean =>
      (fixture.nativeElement as HTMLElement).querySelector(selector) !== null;
    const plain = await shown(BowlPicture, { colour: '#7ba23a', creamShare: 0, roasted: false, hot: false });
    expect([has(plain, '.swirl'), has(plain, '.speck'), has(plain, '.steam')]).toEqual([false, false, false]);
    const little = await shown(BowlPicture, { colour: '#a6265b', creamShare: 0.02, roasted: true, hot: true });
    const much = await shown(BowlPicture, { colour: '#a6265b', creamShare: 0.12, roasted: true, hot: true });
    expect([has(much, '.swirl'), has(much, '.speck'), has(much, '.steam')]).toEqual([true, true, true]);
    expect(attribute(much, '.swirl', 'stroke-width')).toBeGreaterThan(attribute(little, '.swirl', 'stroke-width'));
  });

  it('a gauge puts its mark in the band when it is right, outside when not, and says both figures', async () => {
    const inputs = {
      name: 'Salt',
      figure: '0.80 %',
      wanted: '0.80 % of the finished soup',
      value: 0.8,
      low: 0.75,
      high: 0.85,
      most: 1.4,
    };
    const right = await shown(Gauge, { of: inputs });
    const left = attribute(right, '.band', 'x');
    const end = left + attribute(right, '.band', 'width');
    expect(attribute(right, '.mark', 'x1')).toBeGreaterThan(left);
    expect(attribute(right, '.mark', 'x1')).toBeLessThan(end);
    const flat = await shown(Gauge, { of: { ...inputs, value: 0.4 } });
    expect(attribute(flat, '.mark', 'x1')).toBeLessThan(left);
    expect((right.nativeElement as HTMLElement).querySelector('svg')?.getAttribute('aria-label')).toBe(
      'Salt 0.80 %, wanted 0.80 % of the finished soup',
    );
  });

  it('a gauge shows its blur and the last reading only where they are known', async () => {
    const plain = { name: 'Body', figure: '120', wanted: '120', value: 1, low: 0.9, high: 1.1, most: 2 };
    const has = (fixture: Awaited<ReturnType<typeof shown>>, what: string): boolean =>
      (fixture.nativeElement as HTMLElement).querySelector(what) !== null;
    const blind = await shown(Gauge, { of: plain });
    expect([has(blind, '.blur'), has(blind, '.read')]).toEqual([false, false]);
    const read = await shown(Gauge, { of: { ...plain, from: 0.8, to: 1.4, read: 1.3 } });
    expect(attribute(read, '.blur', 'x')).toBe(120);
    expect(attribute(read, '.blur', 'width')).toBe(90);
    expect(has(read, '.read')).toBeTrue();
  });
});
