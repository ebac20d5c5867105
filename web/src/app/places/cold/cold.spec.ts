import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { toCanvas } from 'qrcode';
import { COLD_NOW, ColdInMemory, FREEZER, heldOf } from '../../../../spec/cold-in-memory';
import { rest, show, type Shown } from '../../../../spec/stove-in-memory';
import { kitchenUnits } from '../../services/units';
import { kitchenZone } from '../../services/zone';
import { Cold } from './cold';
import { ContainerPlace } from './container';
import { CoolIt } from './cool-it';
import { Labels } from './labels';
import { PanWatch } from './pan-watch';
import { CAMERA } from './scan';
import { UseUp } from './use-up';

const DAY_MS = 86_400_000;
let cold: ColdInMemory;

/** Hooks of a suite, not of every file: what stands outside of one is everybody's. */
function withCold(): void {
  beforeEach(() => {
    cold = new ColdInMemory();
    kitchenZone.set('Etc/UTC');
    TestBed.configureTestingModule({ providers: cold.providers() });
  });

  afterEach(() => {
    kitchenZone.set(undefined);
    localStorage.removeItem('tureen-cooling-rule');
    localStorage.removeItem('tureen-label-size');
  });
}

async function type<T>(shown: Shown<T>, label: string, text: string): Promise<void> {
  const field = shown.find(`input[aria-label="${label}"]`) as HTMLInputElement | null;
  if (field === null) throw new Error(`No field "${label}".`);
  field.value = text;
  field.dispatchEvent(new Event('input', { bubbles: true }));
  await rest(shown.fixture);
}

async function submit<T>(shown: Shown<T>): Promise<void> {
  shown.find('form')?.dispatchEvent(new Event('submit', { cancelable: true }));
  await rest(shown.fixture);
}

describe('the shelves of the cold', () => {
  withCold();

  it('stand with the soonest day first, each store by itself, with its bowls', async () => {
    cold.filled(0.9, 'swede-barley', 1);
    cold.filled(0.9, 'parsnip-butter', 6);
    cold.filled(1.2, 'parsnip-butter', 2, FREEZER);
    const shown = await show(Cold);
    expect(shown.text()).toMatch(
      /Fridge 6 bowls, soonest first ?.*today 3 bowls ?Parsnip & butter.*7 Mar 3 bowls ?Swede & barley Freezer 4 bowls/,
    );
  });

  it('finds by every word that is typed, and an allergen is one; a label’s address opens its container', async () => {
    const barley = cold.filled(0.9, 'swede-barley');
    cold.filled(0.9, 'parsnip-butter');
    const shown = await show(Cold);
    const names = (): string[] =>
      [...(shown.fixture.nativeElement as HTMLElement).querySelectorAll('.plank .soup-name')].map((one) => one.textContent);
    await type(shown, 'Find a container', 'fridge gluten');
    expect(names()).toEqual(['Swede & barley']);
    // What is free of it is found by the diet's whole name, never by the allergen's.
    await type(shown, 'Find a container', 'gluten-free');
    expect(names()).toEqual(['Parsnip & butter']);
    await type(shown, 'Find a container', 'milk');
    expect(names()).toEqual(['Parsnip & butter']);
    await type(shown, 'Find a container', 'nothing such');
    expect(shown.text()).toContain('Nothing of that name stands here.');
    const navigated = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    await type(shown, 'Find a container', `https://kitchen.example/cold/${barley.toUpperCase()}`);
    shown.find('input[type="search"]')?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    expect(navigated.calls.mostRecent().args[0]).toEqual(['/cold', barley]);
  });

  it('what is left over is there until it is put away, and nothing at all says what will come', async () => {
    const shown = await show(Cold);
    expect(shown.text()).toContain('Nothing stands in fridge or freezer.');
    cold.leftOver(6);
    await rest(shown.fixture);
    expect(shown.text()).toMatch(/Put away 6 kg ?Parsnip & butter/);
    expect(shown.text()).not.toContain('At the end of a batch');
  });
});

describe('the camera', () => {
  withCold();

  /** A camera before which a label is held: its code, drawn again and again as a camera's pictures come. */
  async function before(text: () => string): Promise<{ readonly stream: MediaStream; readonly stop: () => void }> {
    const canvas = document.createElement('canvas');
    canvas.width = 320;
    canvas.height = 240;
    const pen = canvas.getContext('2d');
    const draw = async (): Promise<void> => {
      const code = document.createElement('canvas');
      await toCanvas(code, text(), { width: 180 });
      pen?.fillRect(0, 0, 320, 240);
      pen?.drawImage(code, 70, 30);
    };
    await draw();
    const timer = setInterval(() => void draw(), 100);
    return {
      stream: canvas.captureStream(10),
      stop: () => {
        clearInterval(timer);
      },
    };
  }

  it('reads a label and opens its container; another code is said and looked past', async () => {
    const id = cold.filled(0.9);
    let label = 'a bag of flour';
    const camera = await before(() => label);
    TestBed.overrideProvider(CAMERA, { useValue: () => Promise.resolve(camera.stream) });
    const shown = await show(Cold);
    const navigated = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    await shown.press('Scan a label');
    const until = async (isSo: () => boolean): Promise<void> => {
      for (let n = 0; n < 200 && !isSo(); n++) {
        await new Promise((done) => setTimeout(done, 50));
        await rest(shown.fixture);
      }
    };
    await until(() => shown.text().includes('That is no label'));
    expect(shown.text()).toContain('That is no label of a container');
    label = `https://kitchen.example/cold/${id}`;
    await until(() => navigated.calls.any());
    camera.stop();
    expect(navigated.calls.mostRecent().args[0]).toEqual(['/cold', id]);
    expect(camera.stream.getTracks().every(({ readyState }) => readyState === 'ended')).toBeTrue();
  });

  it('that is not allowed, or not there, is said with what to do', async () => {
    cold.filled(0.9);
    TestBed.overrideProvider(CAMERA, { useValue: () => Promise.reject(new DOMException('', 'NotAllowedError')) });
    const shown = await show(Cold);
    await shown.press('Scan a label');
    await rest(shown.fixture);
    expect(shown.text()).toContain('Allow it in the browser for this page, or type.');
    await shown.press('Close the camera');
    expect(shown.text()).not.toContain('Allow it');
  });
});

describe('a container', () => {
  withCold();

  async function page(id: string, ask?: string): Promise<Shown<ContainerPlace>> {
    return show(ContainerPlace, { containerId: id, ...(ask === undefined ? {} : { ask }) });
  }

  it('says its day and why, its allergens, and how it is brought back', async () => {
    const shown = await page(cold.filled(0.9, 'swede-barley', 2));
    expect(shown.text()).toContain('3 bowls');
    expect(shown.text()).toContain('use by 6 Mar');
    expect(shown.text()).toContain('FDA Food Code 2022, 3-501.17');
    expect(shown.text()).toMatch(/contains gluten.*celery/);
    expect(shown.text()).toContain('Heat it to 74 °C within 2 h, once.');
    expect(shown.text()).toMatch(/a bowl ?300 g, \d+ kcal, salt [\d.]+ g/);
    expect(shown.text()).toMatch(/to freeze ?about \d+ h through at −18 °C; \d+ % of it left free/);
  });

  it('says how long this kitchen’s pot takes to bring it back and what is to be poured; the minutes are its own until they are typed', async () => {
    const shown = await page(cold.filled(3), 'reheated');
    await rest(shown.fixture);
    const [, minutes] = /74 °C after about (\d+) min, stirring to the floor\. About \d+ g steam away/.exec(shown.text()) ?? [];
    expect(Number(minutes)).toBeGreaterThan(2);
    const field = shown.find('input[aria-label="in, minutes"]') as HTMLInputElement;
    expect(Number(field.value)).toBeCloseTo(Number(minutes), -0.5);
    await type(shown, 'in, minutes', '40');
    await type(shown, 'how much, kg', '1');
    await submit(shown);
    expect(cold.actions.at(-1)).toEqual(jasmine.objectContaining({ kind: 'reheated', kg: 1, toC: 74, minutes: 40 }));
  });

  it('is told in pounds and °F in a kitchen that thinks in them, typed so, and kept in kilos and °C', async () => {
    kitchenUnits.set('us');
    const shown = await page(cold.filled(3), 'reheated');
    await rest(shown.fixture);
    expect(shown.text()).toMatch(/165 °F after about \d+ min, stirring to the floor\. About [\d.]+ oz steam away/);
    expect(shown.text()).not.toContain('°C');
    await type(shown, 'how much, lb', '2');
    await type(shown, 'to, °F', '170');
    await type(shown, 'in, minutes', '40');
    await submit(shown);
    const told = cold.actions.at(-1);
    expect(told?.kind === 'reheated' ? told.kg : NaN).toBeCloseTo(0.907185, 6);
    expect(told?.kind === 'reheated' ? told.toC : NaN).toBeCloseTo(76.667, 3);
    kitchenUnits.set('metric');
  });

  it('gives bowls, and not more than whole ones are counted; what was taken is taken back', async () => {
    const id = cold.filled(1);
    const shown = await page(id);
    await shown.press('Take bowls');
    await type(shown, 'bowls', '2');
    await shown.press('for the staff');
    await submit(shown);
    expect(cold.last).toEqual({ kind: 'took', container: id, kg: 0.6, as: 'staff' });
    expect(shown.text()).toContain('1 bowl');
    await shown.press('Take back: 600 g taken for the staff');
    expect(cold.container(id).kg).toBe(1);
  });

  it('what is typed stays when another screen enters something, and a figure that is none enters nothing', async () => {
    const id = cold.filled(1);
    const shown = await page(id);
    await shown.press('Recount');
    await type(shown, 'how much, kg', '0.7');
    cold.filled(2);
    await rest(shown.fixture);
    expect((shown.find('input[aria-label="how much, kg"]') as HTMLInputElement).value).toBe('0.7');
    await type(shown, 'how much, kg', 'much');
    const before = cold.actions.length;
    await submit(shown);
    expect(cold.actions.length).toBe(before);
    await type(shown, 'how much, kg', '0.7');
    await submit(shown);
    expect(cold.container(id).foundKg).toBeCloseTo(-0.3, 9);
    expect(shown.text()).toMatch(/by recounting ?−300 g/);
  });

  it('is frozen, thawed with the days that are left, and then not offered the freezer again', async () => {
    const id = cold.filled(0.9, 'swede-barley', 2);
    const shown = await page(id);
    await shown.press('Freeze: into the freezer');
    expect(shown.text()).toContain('Once thawed: 4 days');
    expect(shown.text()).toContain('Thaw it in the fridge, a day or two before.');
    expect(shown.text()).toMatch(/to thaw ?about \d+ h in the fridge/);
    await shown.press('Thaw: into the fridge');
    expect(shown.text()).toContain('Fridge, thawed: not frozen again');
    expect(shown.buttons().some((name) => name.startsWith('Freeze:'))).toBeFalse();
    expect(cold.container(id).useBy.day).toBe('2026-03-05');
  });

  it('is thrown away only with a reason, and then nothing is left but to recount', async () => {
    const id = cold.filled(0.9, 'swede-barley', 9);
    const shown = await page(id, 'threw away');
    expect(shown.text()).toContain('past its day: 27 Feb');
    const before = cold.actions.length;
    await submit(shown);
    expect(cold.actions.length).toBe(before);
    await shown.press('past its day');
    await submit(shown);
    expect(cold.last).toEqual({ kind: 'threw away', container: id, kg: 0.9, why: 'past its day' });
    expect(shown.text()).toContain('Nothing is left in it.');
    expect(shown.buttons().filter((name) => !name.startsWith('Take back'))).toEqual(['There is some: recount']);
  });

  it('is freeze-dried: how it lies in its trays, weighed until it falls no more, and how a bowl comes back', async () => {
    const id = cold.filled(3, 'swede-barley');
    const shown = await page(id);
    await shown.press('Freeze-dry');
    await type(shown, 'tray long, mm', '500');
    await type(shown, 'tray wide, mm', '200');
    await type(shown, 'tray deep, mm', '20');
    expect(shown.text()).toMatch(
      /3 kg in 2 trays, 1\.5\d? kg each, 15 mm deep; a bowl is 2 squares of 150 g\. Dry, all of it should weigh about/,
    );
    await submit(shown);
    expect(shown.text()).toContain('In the freeze-dryer');
    expect(shown.buttons()).not.toContain('Take bowls');
    const cakeG = Number(/its solids are (\d+) g/.exec(shown.text())?.[1]) / 0.97;
    const weigh = async (grams: number): Promise<void> => {
      await type(shown, 'all cakes weigh, g', grams.toFixed(0));
      await submit(shown);
    };
    await weigh(cakeG * 2);
    expect(shown.text()).toContain('one more, an hour later, tells');
    cold.nowMs += 3 * 3_600_000;
    await weigh(cakeG + 1);
    expect(shown.text()).toContain('it still falls');
    cold.nowMs += 3 * 3_600_000;
    await weigh(cakeG);
    expect(shown.text()).toContain('two weighings agree, it is dry.');
    await shown.press('Dry, ');
    const { state, outKg, contents } = cold.container(id);
    expect(state).toBe('dried');
    expect(outKg['dried off']).toBeCloseTo(3 - cakeG / 1000, 2);
    expect(contents.wetBowlG).toBe(300);
    expect(shown.text()).toMatch(
      /A bowl is \d+ g of it: pour \d+ g of boiling water, stir, wait some minutes; then up to \d+ g more/,
    );
    expect(shown.buttons()).not.toContain('Heat it');
  });

  it('heated less hot or slower than the code is said while it is typed', async () => {
    const shown = await page(cold.filled(0.9));
    await shown.press('Heat it');
    expect(shown.text()).not.toContain('This is less hot or slower than that.');
    await type(shown, 'to, °C', '70');
    expect(shown.text()).toContain('This is less hot or slower than that.');
    await type(shown, 'to, °C', '75');
    await type(shown, 'in, minutes', '130');
    expect(shown.text()).toContain('This is less hot or slower than that.');
  });

  it('one that is not known says so', async () => {
    const shown = await page('00000000-0000-4000-8000-000000000009');
    expect(shown.text()).toContain('No such container is known here.');
  });
});

describe('a pan that cools', () => {
  withCold();

  const watched = async (id: string): Promise<Shown<PanWatch>> => show(PanWatch, { container: cold.container(id), isFirst: true });

  it('is read, and what is read last decides whether it is cold', async () => {
    const id = cold.cooling(20);
    const shown = await watched(id);
    expect(shown.text()).toContain('No reading says yet that it is cold');
    await type(shown, 'it reads, Swede & barley, °C', '4');
    await submit(shown);
    expect(cold.last).toEqual({ kind: 'read', container: id, tempC: 4 });
    shown.fixture.componentRef.setInput('container', cold.container(id));
    await rest(shown.fixture);
    expect(shown.text()).not.toContain('No reading says yet');
    await shown.press('Cold: into the freezer');
    expect(cold.container(id).state).toBe('frozen');
  });

  describe('in a kitchen that thinks in °F', () => {
    beforeEach(() => {
      kitchenUnits.set('us');
    });
    afterEach(() => {
      kitchenUnits.set('metric');
    });

    it('is read in °F and kept in °C, and all that is said of it is in °F and pounds', async () => {
      const id = cold.cooling(20);
      const shown = await watched(id);
      expect(shown.text()).toMatch(/\d °F/);
      expect(shown.text()).not.toContain('°C');
      expect(shown.text()).not.toMatch(/\d k?g\b/);
      await type(shown, 'it reads, Swede & barley, °F', '40');
      await submit(shown);
      const read = cold.last;
      expect(read?.kind === 'read' ? read.tempC : NaN).toBeCloseTo(4.444, 3);
      shown.fixture.componentRef.setInput('container', cold.container(id));
      await rest(shown.fixture);
      expect(shown.text()).toContain('Take back 40 °F');
      expect(shown.text()).not.toContain('No reading says yet');
    });
  });

  it('too slow: half of it goes into a second pan, both shallower, with the time that the rule has left', async () => {
    const id = cold.cooling(75);
    cold.ago(40, { kind: 'read', container: id, tempC: 72 });
    cold.ago(20, { kind: 'read', container: id, tempC: 63 });
    cold.ago(5, { kind: 'read', container: id, tempC: 57 });
    const shown = await watched(id);
    expect(shown.text()).toContain('Too slow, and there is time.');
    const by = /wanted by (\d\d:\d\d)/.exec(shown.text())?.[1];
    await shown.press('Half of it into a second pan');
    const [one, two, ...others] = cold.containers;
    expect(others).toEqual([]);
    expect([one?.kg, two?.kg]).toEqual([4, 4]);
    expect([one?.cooling?.depthM, two?.cooling?.depthM]).toEqual([0.03, 0.03]);
    expect(one?.cooling?.countsFromMs).toBe(two?.cooling?.countsFromMs);
    expect((one?.cooling?.countsFromMs ?? 0) < COLD_NOW).toBeTrue();
    shown.fixture.componentRef.setInput('container', cold.container(id));
    await rest(shown.fixture);
    expect(shown.text()).toContain(`wanted by ${by ?? 'never'}`);
  });

  it('missed: it is heated once and its rule begins again, or it goes', async () => {
    const id = cold.cooling(300);
    cold.ago(10, { kind: 'read', container: id, tempC: 40 });
    const shown = await watched(id);
    expect(shown.text()).toContain('reheat it once to 74 °C (165 °F)');
    await shown.press('Heated to 74 °C: cool it again');
    const { cooling, notes } = cold.container(id);
    expect([cooling?.startC, cooling?.countsFromMs, cooling?.readings.length]).toEqual([74, undefined, 0]);
    expect(notes[0]).toContain('missed its cooling');
  });
});

describe('how to cool it', () => {
  withCold();

  it('puts what is left over into the pans of the way that is chosen, each on record, all of it', async () => {
    const { entryId, batchId } = cold.leftOver(18);
    const navigated = spyOn(TestBed.inject(Router), 'navigateByUrl').and.resolveTo(true);
    const shown = await show(CoolIt, { of: entryId });
    await rest(shown.fixture);
    expect((shown.find('input[aria-label="how much, kg"]') as HTMLInputElement).value).toBe('18');
    expect(shown.text()).toContain('this soup by what is in it');
    await shown.press('3 × wide shallow pan');
    await shown.press('It stands in these: watch it cool');
    expect(navigated.calls.mostRecent().args[0]).toBe('/cold');
    const { containers } = cold;
    expect(containers.map(({ state, from }) => [state, from])).toEqual(
      Array.from({ length: 3 }, () => ['cooling', { batchId, entryId }]),
    );
    expect(containers.reduce((sum, { kg }) => sum + kg, 0)).toBeCloseTo(18, 2);
    expect(containers.every(({ contents }) => contents.row.allergens.includes('milk'))).toBeTrue();
  });

  it('pans that stand covered are reckoned so, and watched so', async () => {
    const { entryId } = cold.leftOver(10);
    spyOn(TestBed.inject(Router), 'navigateByUrl').and.resolveTo(true);
    const shown = await show(CoolIt, { of: entryId });
    await rest(shown.fixture);
    await shown.press('covered');
    await rest(shown.fixture);
    await shown.press('It stands in these: watch it cool');
    expect(cold.containers.every(({ cooling }) => cooling?.hindered?.join() === 'covered')).toBeTrue();
    expect(cold.containers[0]?.cooling?.words).toContain(', covered');
  });

  it('ice in place of liquid to come: as hot as it is then, with the salt for it; in its pans it is thinner and all there', async () => {
    const { entryId } = cold.leftOver(18);
    spyOn(TestBed.inject(Router), 'navigateByUrl').and.resolveTo(true);
    const shown = await show(CoolIt, { of: entryId });
    await rest(shown.fixture);
    await type(shown, 'of its liquid still to come, as ice, kg', '3');
    await rest(shown.fixture);
    expect(shown.text()).toMatch(/Stir the ice in until it is gone: 21 kg at 5\d °C\. \d+ g of salt keep it as salty as it is\./);
    await shown.press('It stands in these: watch it cool');
    const { containers } = cold;
    expect(containers.reduce((sum, { kg }) => sum + kg, 0)).toBeCloseTo(21, 2);
    expect(containers.reduce((sum, { filledKg }) => sum + filledKg, 0)).toBeCloseTo(18, 2);
    expect(containers.every(({ cooling }) => (cooling?.startC ?? 80) < 60)).toBeTrue();
    const water = containers[0]?.contents.row.composition.water ?? 0;
    expect(water).toBeGreaterThan(heldOf('parsnip-butter').row.composition.water);
  });

  it('without a soup it answers all the same, and is put on record only once it is said which', async () => {
    const shown = await show(CoolIt);
    await rest(shown.fixture);
    expect(shown.text()).toContain('a middling blended soup');
    await shown.press('It stands in these: watch it cool');
    expect(shown.text()).toContain('Say first which soup it is.');
    expect(cold.actions).toEqual([]);
  });

  it('what is cold already is put away without a watch', async () => {
    const { entryId } = cold.leftOver(2);
    spyOn(TestBed.inject(Router), 'navigateByUrl').and.resolveTo(true);
    const shown = await show(CoolIt, { of: entryId });
    await type(shown, 'now at, °C', '4');
    await rest(shown.fixture);
    await shown.press('It stands in these: put it away');
    expect(cold.actions.every(({ kind }) => kind === 'filled')).toBeTrue();
    expect(cold.containers.every(({ state }) => state === 'chilled')).toBeTrue();
  });
});

describe('what has to go', () => {
  withCold();

  it('by its days, with bowls and what it is worth; what is past is to be thrown away', async () => {
    cold.filled(0.9, 'swede-barley', 9);
    cold.filled(0.9, 'swede-barley', 6);
    cold.filled(1.2, 'parsnip-butter', 5);
    cold.filled(0.9, 'swede-barley', 0);
    const shown = await show(UseUp);
    const text = shown.text();
    expect(text).toMatch(/27 Feb, past 3 bowls, worth £[\d.]+ ▲? ?Past its last day|▲ 27 Feb, past 3 bowls/);
    expect(text).toMatch(/today 3 bowls, worth £[\d.]+/);
    expect(text).toMatch(/tomorrow 4 bowls, worth £[\d.]+/);
    expect(text).not.toContain('8 Mar');
    const links = [...(shown.fixture.nativeElement as HTMLElement).querySelectorAll('a.soup-name')].map(
      (link) => link.getAttribute('href') ?? '',
    );
    expect(links[0]).toContain('ask=threw%20away');
    expect(links[1]).toContain('ask=took');
  });
});

describe('labels', () => {
  withCold();

  it('are those of what was filled today, or of what is asked; chosen ones stay chosen', async () => {
    const today = cold.filled(0.9);
    cold.filled(0.9, 'parsnip-butter', 3);
    const shown = await show(Labels);
    await shown.press('A4 sheet');
    const drawn = (): string[] =>
      [...(shown.fixture.nativeElement as HTMLElement).querySelectorAll('canvas')].map(
        (canvas) => canvas.getAttribute('aria-label') ?? '',
      );
    expect(drawn()).toEqual(['Label: Swede & barley, use by 8 Mar 2026, contains gluten, celery']);
    expect(shown.find('a[target="_blank"]')?.getAttribute('href')).toBe(`/api/cold/labels.pdf?ids=${today}&size=a4-24&from=0`);
    const boxes = (): HTMLInputElement[] => [
      ...(shown.fixture.nativeElement as HTMLElement).querySelectorAll<HTMLInputElement>('input[type="checkbox"]'),
    ];
    boxes()[1]?.click();
    await rest(shown.fixture);
    expect(drawn().length).toBe(2);
    cold.filled(0.6);
    await rest(shown.fixture);
    expect(drawn().length).toBe(2);
    expect(shown.buttons()).toContain('Print 2 labels');
  });

  it('are drawn at 300 dots to the inch, black on white, of the size that is chosen', async () => {
    cold.filled(0.9);
    const shown = await show(Labels);
    await shown.press('Roll, 50 × 30 mm');
    const canvas = shown.find('canvas') as HTMLCanvasElement;
    expect([canvas.width, canvas.height]).toEqual([591, 354]);
    const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
    let dark = 0;
    for (let at = 0; at < data.length; at += 4) if ((data[at] ?? 255) < 128) dark += 1;
    const share = dark / (canvas.width * canvas.height);
    expect(share).toBeGreaterThan(0.03);
    expect(share).toBeLessThan(0.4);
  });
});

describe('days of the cold', () => {
  withCold();

  it('a day is a day of the kitchen, wherever the screen stands', async () => {
    const id = cold.filled(0.9, 'swede-barley', 0);
    cold.nowMs = COLD_NOW + 6 * DAY_MS;
    const shown = await show(ContainerPlace, { containerId: id });
    expect(shown.text()).toContain('use by today');
  });
});
