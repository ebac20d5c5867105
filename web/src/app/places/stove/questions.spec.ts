import { TestBed } from '@angular/core/testing';
import { handAt, rest, StoveInMemory } from '../../../../spec/stove-in-memory';
import { Asking } from './asking';
import type { Hand } from './hand';
import { Questions } from './questions';

describe('questions of the hand bar', () => {
  let stove: StoveInMemory;
  let hand: Hand;
  let questions: Questions;
  let asking: Asking;

  async function at(soup: string, op: Parameters<StoveInMemory['cookedUpTo']>[0]): Promise<void> {
    stove = new StoveInMemory(soup);
    stove.cookedUpTo(op);
    hand = await handAt(stove);
    questions = TestBed.inject(Questions);
    asking = TestBed.inject(Asking);
  }

  async function answered(amount: number, lineId = asking.question()?.lineId): Promise<void> {
    asking.answered({ amount, lineId });
    await new Promise((resolve) => setTimeout(resolve, 80));
    await rest();
  }

  it('a dip starts where the pot is reckoned to stand, and is entered in metres', async () => {
    await at('celeriac-leek-apple', 'simmer');
    questions.dip();
    const question = asking.question()!;
    expect(question.start / 100).toBeCloseTo(hand.front()!.pot.belowRimM, 2);
    expect(question.most).toBeCloseTo(hand.view()!.vessel.depthM * 100, 6);
    await answered(12.5);
    expect(stove.last).toEqual({ kind: 'dipped', stepId: 'simmer', belowRimM: 0.125 });
    expect(hand.said()).toBe('Dip of 12.5 cm entered.');
  });

  it('a weight is told with its pot or without; less than the empty pot is kept, said and moves nothing', async () => {
    await at('celeriac-leek-apple', 'simmer');
    const tareKg = hand.view()!.vessel.tareKg;
    const massKg = hand.view()!.pot.massKg;
    questions.weight();
    expect(asking.question()!.starts?.get('gross')).toBeCloseTo(massKg + tareKg, 1);
    expect(asking.question()!.starts?.get('net')).toBeCloseTo(massKg, 1);
    await answered(massKg + tareKg + 0.2);
    expect(stove.last).toEqual(jasmine.objectContaining({ kind: 'weighed', tareKg }));
    questions.weight();
    await answered(massKg, 'net');
    expect(stove.last).toEqual(jasmine.objectContaining({ kind: 'weighed', tareKg: 0 }));
    const before = hand.view()!.pot.massKg;
    questions.weight();
    await answered(1, 'gross');
    expect(stove.last).toEqual(jasmine.objectContaining({ kind: 'weighed', grossKg: 1 }));
    expect(hand.said()).toContain('less than the empty pot: kept, not used');
    expect(hand.view()!.pot.massKg).toBeCloseTo(before, 9);
    expect(hand.view()!.belowTare.length).toBe(1);
  });

  it('what is added starts at four fifths of the salt that is wanted, and at the whole of anything else', async () => {
    await at('celeriac-leek-apple', 'season');
    const wanted = new Map(hand.view()!.toGoKg);
    questions.add();
    expect(asking.question()!.lineId).toBe('salt');
    expect(asking.question()!.start).toBe(Math.round((wanted.get('salt') ?? 0) * 800));
    expect(asking.question()!.starts?.get('cream')).toBe(Math.round((wanted.get('cream') ?? 0) * 1000));
    await answered(60);
    expect(stove.last).toEqual({ kind: 'added', stepId: 'season', line: 'salt', kg: 0.06 });
    questions.add('cream', 0.25);
    expect(asking.question()).toEqual(jasmine.objectContaining({ lineId: 'cream', start: 250 }));
    asking.cancelled();
    expect(stove.last).toEqual(jasmine.objectContaining({ line: 'salt' }));
  });

  it('a heat that no soup has is kept and said', async () => {
    await at('celeriac-leek-apple', 'season');
    questions.temperature();
    expect(asking.question()!.from).toBe('probe');
    await answered(300);
    expect(stove.last).toEqual({ kind: 'temperature', stepId: 'season', tempC: 300 });
    expect(hand.said()).toContain('300 °C is kept, but soup does not get that hot');
    expect(hand.front()!.pot.tempC).toBeLessThan(101);
  });

  it('free timers are numbered as they come', async () => {
    await at('celeriac-leek-apple', 'simmer');
    for (const minutes of [5, 7]) {
      questions.timer();
      await answered(minutes);
    }
    expect(
      hand
        .view()!
        .timers.map(({ name }) => name)
        .sort(),
    ).toEqual(['Timer 1', 'Timer 2']);
  });

  it('bowls are counted by share where there are several, from what is left of each; by themselves where there is one kind', async () => {
    await at('base-two-ways', 'dish');
    questions.bowls();
    expect(asking.question()!.lines?.map(({ name }) => name)).toEqual(['Creamed', 'Coconut', 'Plain']);
    const plain = asking.question()!.starts!.get('plain')!;
    await answered(6, 'plain');
    expect(stove.last).toEqual({ kind: 'dished', bowls: 6, share: 'plain' });
    questions.bowls();
    expect(asking.question()!.starts!.get('plain')).toBe(plain - 6);
    asking.cancelled();
    TestBed.resetTestingModule();
    await at('celeriac-leek-apple', 'dish');
    questions.bowls();
    expect(asking.question()!.lines).toBeUndefined();
    await answered(40);
    expect(stove.last).toEqual({ kind: 'dished', bowls: 40 });
    stove.did({ kind: 'closed' });
    await rest();
    questions.bowls();
    expect(asking.question()).toBeUndefined();
  });

  it('what has to come out first for a rescue to fit is ladled into another pot', async () => {
    await at('celeriac-leek-apple', 'season');
    questions.ladledOut(2.34);
    expect(asking.question()!.start).toBe(2.4);
    await answered(2.4);
    expect(stove.last).toEqual({ kind: 'ladled out', stepId: 'season', kg: 2.4, as: 'to another pot' });
  });
});
