import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { BehaviorSubject } from 'rxjs';
import { Devices, type Device } from '../../services/devices';
import { kitchenUnits } from '../../services/units';
import { FromDevice } from './from-device';

const probe = (id: string, value: number, container?: string): Device => ({
  id,
  kind: 'probe',
  name: `Probe ${id}`,
  simulated: false,
  connected: true,
  container,
  value,
  unit: 'degC',
  steady: true,
  ageMs: 0,
  fresh: true,
});

describe('a reading of a device', () => {
  const devices = new BehaviorSubject<readonly Device[]>([]);

  async function offered(container?: string): Promise<string> {
    TestBed.configureTestingModule({
      providers: [provideZonelessChangeDetection(), { provide: Devices, useValue: { devices$: devices } }],
    });
    const fixture = TestBed.createComponent(FromDevice);
    fixture.componentRef.setInput('kind', 'probe');
    fixture.componentRef.setInput('container', container);
    await fixture.whenStable();
    return (fixture.nativeElement as HTMLElement).innerText.replaceAll(/\s+/g, ' ').trim();
  }

  it('of a pan is that of the probe that stays in it, and never another pan’s', async () => {
    devices.next([probe('pot', 92), probe('one', 48, 'pan-1'), probe('two', 31, 'pan-2')]);
    expect(await offered('pan-1')).toBe('From its probe: 48.0 °C');
  });

  it('of a pan without a probe of its own is that of one that goes about', async () => {
    devices.next([probe('pot', 92), probe('two', 31, 'pan-2')]);
    expect(await offered('pan-1')).toBe('From the probe pot: 92.0 °C');
  });

  it('of the pot is never that of a pan; a probe that was pulled out of its pan is not used', async () => {
    devices.next([{ ...probe('one', 48, 'pan-1'), connected: false, fresh: false }, probe('pot', 92)]);
    expect(await offered()).toBe('From the probe pot: 92.0 °C');
  });

  it('is said on the kitchen’s own scale, and given in the unit that was asked for', async () => {
    kitchenUnits.set('us');
    devices.next([probe('pot', 74)]);
    expect(await offered()).toBe('From the probe pot: 165.2 °F');
    TestBed.resetTestingModule();
    for (const [unit, given] of [
      ['°F', 165.2],
      ['°C', 74],
    ] as const) {
      const taken: number[] = [];
      TestBed.configureTestingModule({
        providers: [provideZonelessChangeDetection(), { provide: Devices, useValue: { devices$: devices } }],
      });
      const fixture = TestBed.createComponent(FromDevice);
      fixture.componentRef.setInput('kind', 'probe');
      fixture.componentRef.setInput('unit', unit);
      fixture.componentInstance.taken.subscribe((value) => taken.push(value));
      await fixture.whenStable();
      (fixture.nativeElement as HTMLElement).querySelector('button')?.click();
      expect(taken).toEqual([given]);
      TestBed.resetTestingModule();
    }
    kitchenUnits.set('metric');
  });
});
