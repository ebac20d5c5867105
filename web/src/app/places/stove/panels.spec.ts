import { TestBed } from '@angular/core/testing';
import type { Action } from '@tureen/core/batch';
import { handAt, rest, show, StoveInMemory } from '../../../../spec/stove-in-memory';
import { Calculator } from '../../cooking/calculator';
import { WhyAsked } from '../../services/why-asked';
import { DishPanel } from './dish-panel';
import { FinishPanel } from './finish-panel';
import { GaugesPanel } from './gauges-panel';
import { LandingPanel } from './landing-panel';
import { Hand } from './hand';
import { JugPanel } from './jug-panel';
import { PotPanel } from './pot-panel';
import { StationsColumn } from './stations-column';
import { StepInHand } from './step-in-hand';

let stove: StoveInMemory;

async function at(soup: string, op: Parameters<StoveInMemory['cookedUpTo']>[0], ...more: readonly Action[]): Promise<void> {
  stove = new StoveInMemory(soup);
  stove.cookedUpTo(op);
  stove.did(...more);
  await handAt(stove);
}

const heat = (stepId: string, tempC: number): Action => ({ kind: 'temperature', stepId, tempC });

describe('the jug panel', () => {
  it('fills a third while it is hot, as common practice has it, and more once it has cooled', async () => {
    await at('base-two-ways', 'blend', heat('blend', 92));
    const panel = await show(JugPanel);
    expect(panel.text()).toContain('Fill to a third at 92 °C');
    expect(panel.buttons()).toEqual([
      'Jug done, a third full J',
      'Cold scoop, 100 mL',
      'Rest 15 min',
      'half',
      'three quarters',
      'full',
    ]);
    stove.did(heat('blend', 60));
    await rest(panel.fixture);
    expect(panel.text()).toMatch(/Fill to (half|60 %) at 60 °C/);
  });

  it('a fuller jug can’t be entered without its reason in sight, and that it was read is on record', async () => {
    await at('base-two-ways', 'blend', heat('blend', 92));
    const panel = await show(JugPanel);
    await panel.press('three quarters');
    expect(panel.find('[role="alertdialog"]')?.textContent).toContain('throws the lid off');
    expect(panel.find('[role="alertdialog"]')?.textContent).toContain('under 70 °C');
    expect(stove.actions.some(({ kind }) => kind === 'jugged')).toBeFalse();
    await panel.press('Fill to the line');
    expect(panel.find('[role="alertdialog"]')).toBeNull();
    await panel.press('three quarters');
    await panel.press('I have read this');
    expect(stove.last).toEqual({ kind: 'jugged', stepId: 'blend', fillShare: 0.75, tempC: 92, read: true });
    await panel.press('Jug done');
    expect(stove.last).toEqual(jasmine.objectContaining({ read: false }));
    expect(panel.text()).toContain('Jug 3 of');
  });

  it('a cold scoop is on record, as a tenth of a kilo of the soup’s own liquid', async () => {
    await at('base-two-ways', 'blend');
    const panel = await show(JugPanel);
    await panel.press('Cold scoop');
    expect(stove.last).toEqual({ kind: 'added', stepId: 'blend', line: 'water', kg: 0.1 });
    await panel.press('Rest 15 min');
    expect(stove.last).toEqual(jasmine.objectContaining({ kind: 'timed', minutes: 15 }));
  });
});

describe('the finish panel', () => {
  it('says what cold cream does to the pot and what its cartons come to', async () => {
    await at('celeriac-leek-apple', 'cream');
    const cream = stove.steps.find(({ op }) => op === 'cream')!;
    stove.did(heat(cream.id, 92));
    const panel = await show(FinishPanel);
    const said = /^([\d.]+) (k?g) brings the pot to (\d+) °C.*: (\d) opened, (\d+) g left/.exec(panel.text())!;
    const kg = Number(said[1]) / (said[2] === 'g' ? 1000 : 1);
    // A litre of single cream weighs about a kilo: what is opened less what is wanted is left.
    expect(Number(said[4]) - kg).toBeCloseTo(Number(said[5]) / 1000, 1);
    expect(Number(said[3])).toBeLessThan(92);
    expect(Number(said[3])).toBeGreaterThan(80);
  });

  it('warns before the window of egg and cream is left, and says to temper only until the yolks are in', async () => {
    await at('fennel-egg-cream', 'liaison');
    const id = stove.idOf('liaison');
    const panel = await show(FinishPanel);
    const stands: [number, string, string][] = [
      [60, 'Not safe yet', 'status'],
      [74, 'In the window', 'status'],
      [81, 'Off the heat now', 'alert'],
      [86, 'it scrambles', 'alert'],
    ];
    for (const [tempC, says, role] of stands) {
      stove.did(heat(id, tempC));
      await rest(panel.fixture);
      expect(panel.text()).withContext(String(tempC)).toContain(says);
      expect(panel.find('.window')?.getAttribute('role')).withContext(String(tempC)).toBe(role);
    }
    // A probe that is heard is gone by rather than what was entered last.
    stove.probe(75.2);
    await rest(panel.fixture);
    expect(panel.text()).toContain('75 °C by the probe, now. In the window');
    stove.probe(82.9);
    await rest(panel.fixture);
    expect(panel.find('.window')?.getAttribute('role')).toBe('alert');
    stove.probe(undefined);
    await rest(panel.fixture);
    expect(panel.text()).toContain('86 °C as last read.');
    expect(panel.text()).toContain('Temper first');
    const yolks = stove.steps.flatMap((step) => (step.op === 'liaison' ? [step.yolks.line] : []))[0]!;
    stove.did({ kind: 'added', stepId: id, line: yolks, kg: 0.3 });
    await rest(panel.fixture);
    expect(panel.text()).toContain('your local code comes first');
  });
});

describe('the dish panel', () => {
  it('counts by share and sitting, each share with what its bowls carry', async () => {
    await at('base-two-ways', 'dish');
    const panel = await show(DishPanel);
    expect(panel.text()).toMatch(/Creamed 0 of \d+ out ?each with 20 g double cream/);
    const press = async (share: string, by: string): Promise<void> => {
      panel
        .find(`[aria-label="${share} bowls"]`)
        ?.querySelectorAll('button')
        .forEach((one) => {
          if (one.textContent.trim() === by) one.click();
        });
      await rest(panel.fixture);
    };
    await press('Creamed', '+10');
    expect(stove.last).toEqual({ kind: 'dished', bowls: 10, share: 'creamed' });
    await panel.press('Second sitting');
    await press('Plain', '+5');
    expect(stove.last).toEqual({ kind: 'dished', bowls: 5, share: 'plain', sitting: 2 });
    expect(panel.text()).toContain('Creamed 10 of');
    expect(panel.text()).toContain('second sitting 5 bowls');
  });

  it('a soup with one kind of bowl counts without a share', async () => {
    await at('celeriac-leek-apple', 'dish');
    const panel = await show(DishPanel);
    await panel.press('+1');
    expect(stove.last).toEqual({ kind: 'dished', bowls: 1 });
  });
});

describe('the step in hand', () => {
  it('tells what has been forgotten before the last of it, until it is in', async () => {
    await at('celeriac-leek-apple', 'cream', { kind: 'skipped', stepId: 'cream' });
    const step = await show(StepInHand);
    stove.cookedUpTo('cream');
    const dish = stove.steps.findIndex(({ op }) => op === 'dish');
    stove.did(...stove.steps.slice(0, dish).flatMap(({ id }): Action[] => (id === 'cream' ? [] : [{ kind: 'done', stepId: id }])));
    await rest(step.fixture);
    expect(step.text()).toContain('Ladle into warm bowls');
    expect(step.text()).toMatch(/Still to add: single cream, [\d.]+ k?g\./);
    stove.did({ kind: 'added', stepId: stove.idOf('dish'), line: 'cream', kg: 0.5 });
    await rest(step.fixture);
    expect(step.text()).not.toContain('Still to add');
  });

  it('shows an entry of a step that has not begun until that step is reached', async () => {
    await at('celeriac-leek-apple', 'sweat');
    const cream = stove.idOf('cream');
    const step = await show(StepInHand);
    expect(step.text()).not.toContain('has not begun');
    stove.did({ kind: 'poured', stepId: cream, line: 'cream', vessel: 'Carton', volumeM3: 1e-3 });
    await rest(step.fixture);
    expect(step.text()).toContain(
      'Entered at a step that has not begun: 1 L of single cream poured (carton). It is kept and counts there',
    );
    stove.did({ kind: 'dipped', stepId: cream, belowRimM: 0.1 });
    await rest(step.fixture);
    expect(step.text()).toContain('poured (carton) and 1 more');
    stove.cookedUpTo('cream');
    await rest(step.fixture);
    expect(step.text()).not.toContain('has not begun');
  });

  it('offers reasons for a skip and asks for none', async () => {
    await at('celeriac-leek-apple', 'sweat');
    const step = await show(StepInHand);
    expect(step.buttons()).not.toContain('ran out');
    await step.press('Skip, and why');
    await step.press('ran out');
    expect(stove.last).toEqual({ kind: 'skipped', stepId: 'sweat', why: 'ran out' });
  });

  it('a whole chilli comes back by shares, and a second half is all that was left', async () => {
    await at('squash-coconut-chilli', 'giveBack');
    const step = await show(StepInHand);
    expect(step.text()).toMatch(/Give back of the .*, then taste:/);
    await step.press('a quarter');
    expect(stove.last).toEqual(jasmine.objectContaining({ kind: 'gave back', share: 0.25 }));
  });
});

describe('beside the step', () => {
  it('the column counts what is done, and names what runs meanwhile', async () => {
    await at('celeriac-leek-apple', 'cover');
    const column = await show(StationsColumn);
    expect(column.text()).toMatch(/Sweat\s*done/);
    expect(column.text()).not.toContain('Meanwhile');
  });

  it('the step goes back to the one before it', async () => {
    await at('celeriac-leek-apple', 'cover');
    const step = await show(StepInHand);
    await step.press('Back to:');
    expect(stove.last?.kind).toBe('undone');
  });

  it('the pot says how far below the rim it stands and what is not in yet; a pour over the rim is said and kept', async () => {
    await at('celeriac-leek-apple', 'cover');
    const panel = await show(PotPanel);
    expect(panel.text()).toMatch(/[\d.]+ cm below the rim/);
    expect(panel.text()).toMatch(/Still to add.*vegetable stock/);
    stove.did({ kind: 'added', stepId: 'cover', line: 'stock', kg: 60 });
    await rest(panel.fixture);
    expect(panel.text()).toMatch(/over the rim/i);
    expect(stove.last).toEqual(jasmine.objectContaining({ kg: 60 }));
  });

  it('a scale at rest is taken at one touch, with the pot’s own weight or without, whichever fits; a restless one is not offered', async () => {
    await at('celeriac-leek-apple', 'simmer');
    const panel = await show(PotPanel);
    const view = TestBed.inject(Hand).view()!;
    const { tareKg } = view.vessel;
    const scale = (): string | undefined => panel.buttons().find((name) => name.startsWith('Scale:'));
    expect(scale()).toBeUndefined();
    stove.scale(view.pot.massKg + tareKg + 0.1, false);
    await rest(panel.fixture);
    expect(scale()).toBeUndefined();
    stove.scale(view.pot.massKg + tareKg + 0.1);
    await rest(panel.fixture);
    await panel.press('Scale:');
    expect(stove.last).toEqual(jasmine.objectContaining({ kind: 'weighed', tareKg }));
    stove.scale(view.pot.massKg + 0.1);
    await rest(panel.fixture);
    await panel.press('Scale:');
    expect(stove.last).toEqual(jasmine.objectContaining({ kind: 'weighed', tareKg: 0 }));
  });

  it('the gauges hold their tongue where there is nothing to say: no cream in a soup without, too early before the blade', async () => {
    await at('beetroot-horseradish', 'cover');
    const gauges = await show(GaugesPanel);
    expect(gauges.text()).toContain('Too early to judge');
    const names = [...(gauges.fixture.nativeElement as HTMLElement).querySelectorAll('tt-gauge')].map((one) =>
      one.textContent.trim(),
    );
    expect(names[0]).toMatch(/^Salt/);
    expect(names.length).toBe(stove.steps.some(({ op }) => op === 'cream') ? 3 : 2);
  });

  it('a figure of the batch is asked why, and is told from what really happened', async () => {
    await at('celeriac-leek-apple', 'season');
    stove.did({ kind: 'added', stepId: 'season', line: 'salt', kg: 0.05 });
    const gauges = await show(GaugesPanel);
    const salt = gauges.buttons().find((name) => name.endsWith('%, salt: why?'));
    expect(salt).toBeDefined();
    await gauges.press(salt!);
    const question = TestBed.inject(WhyAsked).question()!;
    expect(question.figure).toBe('salt');
    const { snapshot, entries, nameOf } = question.batch!()!;
    const why = new Calculator().whyOf(snapshot, entries, 'salt');
    const byHand = why.parts.find(({ id, kind }) => id === 'salt' && kind === 'ingredient')!;
    // Fifty grams by hand and what is still wanted by the plan.
    expect(byHand.value).toBeGreaterThan(50);
    expect(nameOf('salt')).toBe('fine salt');
    expect(why.parts.reduce((sum, { value }) => sum + value, 0)).toBeCloseTo(why.value, 6);
  });

  it('a way to land fills the hand, first pour at two thirds', async () => {
    await at('mushroom-flour', 'thin');
    const stepId = TestBed.inject(Hand).step()!.id;
    const clings: Action = { kind: 'body', stepId, reading: { device: 'viscometer', mPas: 1500, tempC: 60 } };
    stove.did(clings, clings);
    const landing = await show(LandingPanel);
    const chosen: unknown[] = [];
    landing.fixture.componentInstance.land.subscribe((way) => chosen.push(way));
    const way = landing.buttons().find((name) => /Pour|First ladle/.test(name));
    expect(way).toBeDefined();
    await landing.press(way!);
    expect(chosen.length).toBe(1);
  });
});
