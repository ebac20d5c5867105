import { READY_KITS } from '@tureen/core/kit';
import { LARDER_ROWS } from '@tureen/core/larder';
import { EXAMPLE_SOUPS } from '@tureen/core/soup';
import { Calculator } from '../../cooking/calculator';
import { requestOf, cartonsOf, isSameRequest, NOTHING_YET, SIDES, wantedOf, type Wanted } from './anchors';

const kit = READY_KITS.canteen;
const beetroot = EXAMPLE_SOUPS.find(({ id }) => id === 'beetroot-horseradish')!;
const nothing: Wanted = { ...NOTHING_YET, bowlG: 300 };
const calculator = new Calculator();
calculator.stock(LARDER_ROWS, kit);

describe('what a cook wants', () => {
  it('is no ask before an amount is given, nor with an absurd one', () => {
    expect(requestOf(nothing, beetroot, kit)).toBeUndefined();
    for (const amount of [0, -4, Number.NaN, 1e9]) expect(requestOf({ ...nothing, amount }, beetroot, kit)).toBeUndefined();
    expect(requestOf({ ...nothing, amount: 40, bowlG: 5 }, beetroot, kit)).toBeUndefined();
    expect(requestOf({ ...nothing, by: 'on hand', amount: 3 }, beetroot, kit)).toBeUndefined();
  });

  it('from every side is an ask that can be planned, and reads back as it was wanted', () => {
    const carton = cartonsOf(beetroot, LARDER_ROWS)[0]!;
    const sides: Readonly<Record<(typeof SIDES)[number]['by'], Partial<Wanted>>> = {
      bowls: { amount: 40 },
      kg: { amount: 12 },
      litres: { amount: 12 },
      'on hand': { amount: 5, ingredient: 'beetroot' },
      carton: { amount: 1, line: carton.line, cartonKg: carton.cartonKg },
      pot: { potId: 'boiler-40' },
      trays: { amount: 3 },
      jugs: { amount: 4 },
    };
    for (const { by } of SIDES) {
      const wanted: Wanted = { ...nothing, by, ...sides[by] };
      const open = requestOf(wanted, beetroot, kit)!;
      const planned = calculator.plan(beetroot, open)!;
      expect(planned.outcome.ok).withContext(by).toBeTrue();
      expect(wantedOf({ ...planned.request, potId: wanted.potId ?? '' }))
        .withContext(by)
        .toEqual({ ...wanted, potId: wanted.potId ?? '' });
    }
  });

  it('with no pot named is put into the smallest that holds it', () => {
    const pot = (amount: number): string | undefined =>
      calculator.plan(beetroot, requestOf({ ...nothing, amount }, beetroot, kit)!)?.request.potId;
    expect(pot(20)).toBe('saucepot-8');
    expect(pot(50)).toBe('stockpot-20');
    expect(pot(90)).toBe('boiler-40');
    expect(pot(200)).toBe('boiler-98');
  });

  it('asks are the same in whatever order their fields stand', () => {
    const request = { bowls: 40, bowlG: 300, potId: 'boiler-40' };
    expect(isSameRequest(request, { potId: 'boiler-40', bowls: 40, bowlG: 300 })).toBeTrue();
    expect(isSameRequest(request, { ...request, bowls: 41 })).toBeFalse();
    expect(isSameRequest(request, { ...request, anchors: [{ by: 'pot' }] })).toBeFalse();
    expect(isSameRequest(request, undefined)).toBeFalse();
  });

  it('cartons begin with the finish', () => {
    expect(cartonsOf(beetroot, LARDER_ROWS)[0]).toEqual({ line: 'cream', name: 'carton of 300ml double cream', cartonKg: 0.296 });
  });
});
