import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { READY_KITS, type Kit } from '@tureen/core/kit';
import { BehaviorSubject, of } from 'rxjs';
import { rest, show, type Shown } from '../../../../spec/stove-in-memory';
import { Devices } from '../../services/devices';
import { Kitchen, type KitchenState } from '../../services/kitchen';
import type { Reply } from '../../services/api';
import { KitPlace } from './kit';

const CANTEEN: Kit = { ...READY_KITS.canteen, kitchen: 'Spec canteen' };
const LEARNED = { figures: [{ key: 'boilOff', by: 0.1, sd: 0.1, batches: 2 }], together: [] };

describe('the kit', () => {
  const answer = (kit: Kit | null): Reply<KitchenState> => ({ ok: true, value: { kit, mode: 'own' } });
  let kitchen: BehaviorSubject<Reply<KitchenState>>;
  let saved: Kit[];

  beforeEach(() => {
    kitchen = new BehaviorSubject(answer(CANTEEN));
    saved = [];
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        provideRouter([]),
        {
          provide: Kitchen,
          useValue: {
            kitchen$: kitchen,
            save: (kit: Kit) => {
              saved.push(kit);
              return Promise.resolve({ ok: true, value: { kit } });
            },
          },
        },
        { provide: Devices, useValue: { devices$: of([]) } },
      ],
    });
  });

  function name(shown: Shown<KitPlace>): HTMLInputElement {
    return shown.find('section.kitchen input') as HTMLInputElement;
  }

  async function call(shown: Shown<KitPlace>, text: string): Promise<void> {
    name(shown).value = text;
    name(shown).dispatchEvent(new Event('change'));
    await rest(shown.fixture);
  }

  const isOff = (shown: Shown<KitPlace>): boolean =>
    [...(shown.fixture.nativeElement as HTMLElement).querySelectorAll('button')].find((one) =>
      one.innerText.includes('Save the kit'),
    )!.disabled;

  it('shows what the kitchen has, and saves nothing before Save', async () => {
    const shown = await show(KitPlace);
    expect(name(shown).value).toBe('Spec canteen');
    expect(isOff(shown)).toBeTrue();
    await call(shown, 'Spec galley');
    expect(isOff(shown)).toBeFalse();
    expect(saved).toEqual([]);
    await shown.press('Save the kit');
    expect(saved.map((kit) => kit.kitchen)).toEqual(['Spec galley']);
    expect(saved[0]!.pots).toEqual(CANTEEN.pots);
  });

  it('what is typed stays while a batch is closed elsewhere, and what was learnt by it is not saved as the kit’s own', async () => {
    const shown = await show(KitPlace);
    await call(shown, 'Spec galley');
    // The server is asked again, and says the same but for what it has learnt.
    kitchen.next(answer({ ...structuredClone(CANTEEN), learned: LEARNED }));
    await rest(shown.fixture);
    expect(name(shown).value).toBe('Spec galley');
    expect(isOff(shown)).toBeFalse();
    await shown.press('Save the kit');
    expect(saved[0]!.kitchen).toBe('Spec galley');
    expect(saved[0]!.learned).toBeUndefined();
  });

  it('what somebody else has saved is shown where nothing is typed, and is told by its figures', async () => {
    const shown = await show(KitPlace);
    kitchen.next(answer({ ...CANTEEN, kitchen: 'Another name' }));
    await rest(shown.fixture);
    expect(name(shown).value).toBe('Another name');
    expect(isOff(shown)).toBeTrue();
  });

  it('learning alone changes nothing that could be saved', async () => {
    const shown = await show(KitPlace);
    kitchen.next(answer({ ...CANTEEN, learned: LEARNED }));
    await rest(shown.fixture);
    expect(isOff(shown)).toBeTrue();
  });

  it('is put back as it was', async () => {
    const shown = await show(KitPlace);
    await call(shown, 'Spec galley');
    await shown.press('Put it back');
    expect(name(shown).value).toBe('Spec canteen');
    expect(isOff(shown)).toBeTrue();
  });

  it('water boils the colder the higher the kitchen stands', async () => {
    kitchen.next(answer({ ...CANTEEN, altitudeM: 1500 }));
    const shown = await show(KitPlace);
    // Standard atmosphere: 84.6 kPa at 1500 m, at which water boils at 95.0 °C (steam tables).
    expect(shown.text()).toMatch(/water boils at 9[45]\.\d °C/);
  });

  it('a kitchen that has none is sent to where it gets one, and a server that is away is said', async () => {
    kitchen.next(answer(null));
    expect((await show(KitPlace)).text()).toContain('No kitchen is set up yet');
    kitchen.next({ ok: false, reachable: false, refusal: { code: 'UNREACHABLE', sentence: 'The server does not answer.' } });
    expect((await show(KitPlace)).text()).toContain('The server does not answer.');
  });
});
