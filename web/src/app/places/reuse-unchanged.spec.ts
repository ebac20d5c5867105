import { reuseUnchanged } from './reuse-unchanged';

describe('keeping what says the same', () => {
  const before = {
    lines: [
      { id: 'a', kg: 1 },
      { id: 'b', kg: 2 },
    ],
    root: { steps: ['x'] },
    set: () => 1,
  };

  it('is the old object where nothing differs, and the old parts where something does', () => {
    const copy = { ...before, lines: before.lines.map((line) => ({ ...line })), root: { steps: ['x'] } };
    expect(reuseUnchanged(before, copy)).toBe(before);
    const now = reuseUnchanged(before, {
      ...copy,
      lines: [
        { id: 'a', kg: 1 },
        { id: 'b', kg: 3 },
      ],
    });
    expect(now).not.toBe(before);
    expect(now.lines[0]).toBe(before.lines[0]);
    expect(now.lines[1]).toEqual({ id: 'b', kg: 3 });
    expect(now.root).toBe(before.root);
  });

  it('takes a shorter list, another key, a missing one and another function as new', () => {
    expect(reuseUnchanged([1, 2, 3], [1, 2])).toEqual([1, 2]);
    expect(reuseUnchanged<object>({ a: undefined }, { b: undefined })).toEqual({ b: undefined });
    expect(reuseUnchanged<object>({ a: 1, b: 2 }, { a: 1 })).toEqual({ a: 1 });
    const set = (): number => 1;
    expect(reuseUnchanged(before, { ...before, set }).set).toBe(set);
    expect(reuseUnchanged<unknown>([1], { 0: 1 })).toEqual({ 0: 1 });
    expect(reuseUnchanged<unknown>(new Map([[1, 2]]), new Map())).toEqual(new Map());
  });
});
