import { LARDER_ROWS, makeLarder } from '../larder/index.js';
import { READY_KITS, type Kit } from '../kit/index.js';
import { EXAMPLE_SOUPS, SoupSchema, checkSoup, linesOf, walk, type Soup, type SoupProblem, type SoupStep } from './index.js';

const larder = makeLarder(LARDER_ROWS);
const kit = READY_KITS.canteen;
const beetroot = EXAMPLE_SOUPS.find(({ id }) => id === 'beetroot-horseradish')!;

/** A small sound soup to break in one place at a time. */
const sound: Soup = {
  id: 'sound',
  name: 'Sound',
  lead: 'Carrot',
  school: 'sweat',
  served: 'hot',
  writtenFor: { bowls: 4, bowlG: 300 },
  lines: [
    { id: 'carrot', ingredient: 'carrot', way: 'peeled', amount: { rule: 'scaled', amount: { value: 1, unit: 'kg' } } },
    { id: 'water', ingredient: 'water', amount: { rule: 'byStep' } },
  ],
  root: {
    id: 'pot',
    name: 'Pot',
    vessel: 'pot',
    steps: [
      { id: 'trim', op: 'trim', uses: [{ line: 'carrot' }] },
      { id: 'cover', op: 'cover', line: 'water', overM: 0.01 },
      { id: 'blend', op: 'blend', blender: 'jug', minutes: 2 },
      { id: 'dish', op: 'dish' },
    ],
  },
};

function withSteps(steps: readonly SoupStep[]): Soup {
  return { ...sound, root: { ...sound.root, steps } };
}

function said(soup: Soup, own: Kit = kit): string[] {
  return checkSoup(soup, larder, own).map((problem: SoupProblem) => `${problem.path} ${problem.code}`);
}

describe('a soup', () => {
  it('that ships is sound and passes its schema', () => {
    for (const soup of [...EXAMPLE_SOUPS, sound]) {
      expect(SoupSchema.safeParse(soup).success).withContext(soup.id).toBeTrue();
      expect(checkSoup(soup, larder, kit))
        .withContext(soup.id)
        .toEqual([]);
    }
  });

  it('has something roasted, something sweated, something cold, and one without cream', () => {
    expect(new Set(EXAMPLE_SOUPS.map(({ school }) => school))).toEqual(new Set(['roast', 'sweat']));
    expect(EXAMPLE_SOUPS.some(({ served }) => served === 'cold')).toBeTrue();
    expect(EXAMPLE_SOUPS.some(({ root }) => !walk(root).some(({ step }) => step.op === 'cream'))).toBeTrue();
  });

  it('walks in cooking order: what joins comes before where it joins', () => {
    const ids = walk(beetroot.root).map(({ step }) => step.id);
    expect(ids.slice(0, 5)).toEqual(['trim', 'oil', 'roast', 'tip-in', 'bay']);
    expect(walk(beetroot.root)[2]?.path).toBe('root.steps.0.branch.steps.2');
    expect(walk(beetroot.root)[2]?.branch.id).toBe('tray');
  });

  it('knows which lines a step takes', () => {
    expect(linesOf({ id: 'a', op: 'add', uses: [{ line: 'mint', share: 0.6 }, { line: 'oil' }] })).toEqual([
      { line: 'mint', share: 0.6, settles: false },
      { line: 'oil', share: 1, settles: false },
    ]);
    expect(linesOf({ id: 's', op: 'season', line: 'salt', saltPct: 0.8 })).toEqual([{ line: 'salt', share: 1, settles: true }]);
    expect(linesOf({ id: 'd', op: 'dish' })).toEqual([]);
  });
});

describe('checking a soup names', () => {
  const [carrot, water] = sound.lines as [Soup['lines'][number], Soup['lines'][number]];
  const steps = sound.root.steps;

  it('an unknown way of trimming, with those there are', () => {
    const problems = checkSoup({ ...sound, lines: [{ ...carrot, way: 'spiralised' }, water] }, larder, kit);
    expect(problems).toEqual([{ path: 'lines.0.way', code: 'UNKNOWN_WAY', way: 'spiralised', known: ['peeled', 'scrubbed'] }]);
  });

  it('shares that pass one, and lines split within it pass', () => {
    const split = (a: number, b: number): Soup =>
      withSteps([
        { id: 'a', op: 'trim', uses: [{ line: 'carrot', share: a }] },
        { id: 'b', op: 'trim', uses: [{ line: 'carrot', share: b }] },
        ...steps.slice(1),
      ]);
    expect(said(split(0.7, 0.3))).toEqual([]);
    expect(said(split(0.7, 0.4))).toEqual(['lines.0 SHARES_PASS_ONE']);
  });

  it('two steps or two lines of one id', () => {
    expect(said(withSteps([...steps.slice(0, 2), { id: 'trim', op: 'film', on: 'jug' }, ...steps.slice(2)]))).toEqual([
      'root.steps.2.id SAME_ID',
    ]);
    expect(said({ ...sound, lines: [...sound.lines, carrot] })).toContain('lines.2.id SAME_ID');
  });

  it('an amount left to a step that never settles it', () => {
    expect(said(withSteps([steps[0]!, { id: 'water', op: 'add', uses: [{ line: 'water' }] }, ...steps.slice(2)]))).toEqual([
      'lines.1 STEP_MUST_SETTLE',
    ]);
  });

  it('a way of trimming that no board carries out', () => {
    expect(said(withSteps([{ id: 'carrot', op: 'add', uses: [{ line: 'carrot' }] }, ...steps.slice(1)]))).toEqual([
      'lines.0.way TRIM_WITHOUT_BOARD',
    ]);
  });

  it('a soup that is never dished', () => {
    expect(said(withSteps(steps.slice(0, -1)))).toEqual(['root.steps NO_DISH']);
  });

  it('lines that steps ask for and the soup does not have', () => {
    expect(said(withSteps([...steps.slice(0, 2), { id: 'out', op: 'takeOut', lines: ['ghost'] }, ...steps.slice(2)]))).toEqual([
      'root.steps.2 UNKNOWN_LINE',
    ]);
    expect(
      said(
        withSteps([
          ...steps.slice(0, 2),
          { id: 'blend', op: 'blend', blender: 'jug', minutes: 1, holdBack: [{ line: 'ghost', share: 1 }] },
          steps[3]!,
        ]),
      ),
    ).toEqual(['root.steps.2 UNKNOWN_LINE']);
  });

  it('kit that it needs and is not there, and only when a kit is given', () => {
    const bare: Kit = { ...kit, trays: [], blenders: kit.blenders.filter(({ kind }) => kind === 'stick') };
    expect(said(sound, bare)).toEqual(['root.steps.2 NO_BLENDER']);
    expect(said(beetroot, bare)).toContain('root.steps.0.branch.steps.2 NO_TRAYS');
    expect(checkSoup(beetroot, larder)).toEqual([]);
  });
});

describe('the schema of a soup refuses', () => {
  it('numbers out of range, unknown fields, unknown steps', () => {
    const bad: unknown[] = [
      { ...sound, writtenFor: { bowls: 0, bowlG: 300 } },
      { ...sound, surprise: true },
      { ...sound, id: 'Not An Id' },
      { ...sound, lines: [] },
      { ...sound, root: { ...sound.root, steps: [{ id: 'x', op: 'flambé' }] } },
      { ...sound, root: { ...sound.root, steps: [{ id: 'x', op: 'simmer', minutes: -1, vigour: 'steady', lid: 'on' }] } },
      { ...sound, root: { ...sound.root, steps: [{ id: 'x', op: 'read', massKg: 1, sdKg: 1 }] } },
    ];
    for (const soup of bad) expect(SoupSchema.safeParse(soup).success).withContext(JSON.stringify(soup).slice(0, 60)).toBeFalse();
  });

  it('branches nested beyond a kitchen’s', () => {
    let branch: unknown = { id: 'b', name: 'B', vessel: 'pot', steps: [{ id: 'x', op: 'film', on: 'jug' }] };
    for (let n = 0; n < 12; n++) branch = { id: 'b', name: 'B', vessel: 'pot', steps: [{ id: 'j', op: 'join', branch }] };
    expect(SoupSchema.safeParse({ ...sound, root: branch }).success).toBeFalse();
  });
});
