import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Ajv from 'ajv/dist/2020.js';
import { z } from 'zod';
import type { Action } from '@tureen/core/batch';
import { BatchFileSchema, toBatchFile } from '@tureen/core/formats';
import { KitShape, READY_KITS } from '@tureen/core/kit';
import { LARDER_ROWS, LarderFileSchema } from '@tureen/core/larder';
import { figuresOf, planToBuy } from '@tureen/core/plan';
import { EXAMPLE_SOUPS, SoupSchema, SoupShape } from '@tureen/core/soup';
import { uuid } from '../../core/spec/entries.js';
import { HiddenKitchen } from '@tureen/core/practice';
import { WITH_METERS, cookedBy, fortyBowls } from '../../core/spec/kitchens.js';
import { tureen } from './main.js';

const ROOT = process.cwd();
const EXAMPLES = readdirSync(join(ROOT, 'examples')).filter((name) => name.endsWith('.json'));
const file = (id: string): string => join(ROOT, 'examples', `${id}.json`);
const json = (path: string): unknown => JSON.parse(readFileSync(path, 'utf8'));

/** The command as a script meets it: a process of its own. */
function shell(...args: readonly string[]): { exit: number | null; out: string; err: string } {
  const { status, stdout, stderr } = spawnSync(process.execPath, ['--import', 'tsx', join(ROOT, 'cli/src/bin.ts'), ...args], {
    encoding: 'utf8',
    cwd: ROOT,
  });
  return { exit: status, out: stdout, err: stderr };
}

describe('the command line', () => {
  let folder: string;
  const written = (name: string, content: unknown): string => {
    const path = join(folder, name);
    writeFileSync(path, typeof content === 'string' ? content : JSON.stringify(content));
    return path;
  };

  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'tureen-spec-'));
  });

  afterEach(() => {
    rmSync(folder, { recursive: true, force: true });
  });

  it('plans from a shell, and ends with 0, 1 and 2', () => {
    const good = shell('plan', file('leek-potato'), '--bowls', '40', '--bowl', '300g', '--json');
    expect(good.exit).toBe(0);
    const told = JSON.parse(good.out) as { figures: { bowls: number; cookedKg: number } };
    expect(told.figures.bowls).toBeGreaterThan(39.95);
    expect(told.figures.bowls).toBeLessThan(41.5);
    const bad = shell('check', written('soup.json', { id: 'x' }));
    expect(bad.exit).toBe(1);
    expect(bad.err).toContain('lines');
    expect(shell('frobnicate').exit).toBe(2);
    expect(shell('plan', file('leek-potato'), '--bowls', 'many').err).toContain('--bowls wants a number');
  });

  it('says the same as a plan made in the application', async () => {
    for (const soup of EXAMPLE_SOUPS.slice(0, 5)) {
      const result = await tureen(['plan', file(soup.id), '--bowls', '40', '--bowl', '300g', '--pot', 'boiler-40']);
      const planning = planToBuy(soup, LARDER_ROWS, READY_KITS.canteen, { bowls: 40, bowlG: 300, potId: 'boiler-40' });
      if (!planning.ok) throw new Error(planning.error.code);
      expect((result.data as { figures: unknown }).figures).toEqual(figuresOf(planning.plan.prepared, planning.plan.run));
      expect(result.text).toContain(soup.name);
    }
  });

  it('checks every example and finds nothing wrong', async () => {
    expect(EXAMPLES.length).toBeGreaterThanOrEqual(8);
    for (const name of EXAMPLES)
      expect((await tureen(['check', join(ROOT, 'examples', name)])).exit)
        .withContext(name)
        .toBe(0);
  });

  it('names the path in the file of what is wrong', async () => {
    const soup = structuredClone(json(file('beetroot-horseradish'))) as {
      root: { steps: { branch: { steps: Record<string, unknown>[] } }[] };
      lines: Record<string, unknown>[];
    };
    soup.root.steps[0]!.branch.steps[2]!.ovenC = 'hot';
    const shape = await tureen(['check', written('hot.json', soup)]);
    expect(shape.exit).toBe(1);
    expect(shape.text).toContain('root.steps.0.branch.steps.2.ovenC');
    soup.root.steps[0]!.branch.steps[2]!.ovenC = 190;
    soup.lines[0]!.ingredient = 'beatroot';
    const larder = await tureen(['check', written('beat.json', soup)]);
    expect(larder.text).toContain('lines.0.ingredient: The larder has no "beatroot".');
    expect((await tureen(['check', written('no.json', '{ not json')])).text).toContain('it is not JSON');
    expect((await tureen(['check', join(folder, 'nowhere.json')])).text).toContain('not there');
  });

  it('plans from other sides, and says when they contradict', async () => {
    const from = async (...args: string[]): Promise<Awaited<ReturnType<typeof tureen>>> =>
      tureen(['plan', file('beetroot-horseradish'), '--pot', 'boiler-40', ...args]);
    const onHand = await from('--on-hand', 'beetroot=5kg', '--fill-pot');
    const list = (onHand.data as { pullList: { ingredient: string; boughtKg: number }[] }).pullList;
    expect(list.find(({ ingredient }) => ingredient === 'beetroot')?.boughtKg).toBeLessThanOrEqual(5 + 1e-9);
    const kilos = await from('--kg', '12kg', '--exact');
    expect((kilos.data as { figures: { servedKg: number } }).figures.servedKg).toBeCloseTo(12, 4);
    const against = await from('--bowls', '40', '--on-hand', 'beetroot=1kg');
    expect(against.exit).toBe(1);
    expect(against.text).toContain('can’t be met together');
    const carton = await from('--cartons', 'cream=2x600g', '--exact');
    expect(
      (carton.data as { pullList: { ingredient: string; boughtKg: number }[] }).pullList.find(
        ({ ingredient }) => ingredient === 'double-cream',
      )?.boughtKg,
    ).toBeCloseTo(1.2, 4);
    expect((await from('--bowls', '4000')).text).toContain('more than this pot may boil');
  });

  it('reads a written recipe: lines in kilos, what its method asks for with its place in the text, steps, questions', async () => {
    const file = join(folder, 'soup.txt');
    const text =
      'Leek soup\n500 g leeks, sliced\n1 litre stock\n2 cups cream\n\nSweat the leeks for 10 minutes, then add the stock and simmer for 20 minutes. Blend w/ the cream.';
    writeFileSync(file, text);
    const { exit, data } = await tureen(['read', file, '--json']);
    expect(exit).toBe(0);
    const read = data as {
      lines: { ingredient?: string; kg?: number }[];
      actions: { does: string; start: number; end: number; text: string; minutes?: { low: number } }[];
      soup: { root: { steps: { op: string }[] } };
      questions: { text: string }[];
    };
    expect(read.lines.slice(0, 2).map(({ ingredient, kg }) => [ingredient, kg])).toEqual([
      ['leek', 0.5],
      ['vegetable-stock', 1],
    ]);
    for (const { start, end, text: clause } of read.actions) expect(text.slice(start, end)).toBe(clause);
    expect(read.actions.map(({ does }) => does)).toEqual(['add', 'sweat', 'add', 'simmer', 'cream', 'blend']);
    // What is asked is supposed until it is answered, and still asked.
    expect(read.lines[2]).toEqual(jasmine.objectContaining({ code: 'ASK', ingredient: 'whipping-cream', supposed: true }));
    expect(read.soup.root.steps.map(({ op }) => op)).toContain('sweat');
    expect(read.questions.map(({ text: line }) => line)).toEqual(['2 cups cream']);
    expect((await tureen(['read', join(folder, 'none.txt')])).exit).toBe(1);
    expect((await tureen(['read'])).exit).toBe(2);
  });

  it('reconciles a batch from its file, and learns from a folder of them', async () => {
    const leek = EXAMPLE_SOUPS.find(({ id }) => id === 'leek-potato')!;
    const plan = fortyBowls(leek);
    const batches = mkdtempSync(join(tmpdir(), 'tureen-batches-'));
    const files = [1, 2, 3].map((n) => {
      const cook = cookedBy(plan, new HiddenKitchen(5), 50 + n, WITH_METERS, n === 3 ? tareLeftOn : undefined);
      const text = toBatchFile({
        id: uuid(n),
        soupName: leek.name,
        startedAtMs: 1_700_000_000_000 + n * 86_400_000,
        snapshot: plan.snapshot,
        entries: cook.entries,
      });
      const path = join(batches, `${String(n)}.json`);
      writeFileSync(path, text);
      return path;
    });
    const honest = await tureen(['reconcile', files[0]!]);
    expect(honest.exit).toBe(0);
    expect(honest.text).toContain('Readings and entries agree.');
    const wrong = await tureen(['reconcile', files[2]!, '--json']);
    expect((wrong.data as { suspected: { suspects: { what: string }[] }[] }).suspected[0]!.suspects[0]!.what).toBe('tare');
    expect(wrong.text).toMatch(/The pot was on the scale: 4\.5 kg of what was weighed is the pot: .*likelier than chance/);
    const learnt = await tureen(['learn', batches]);
    expect(learnt.exit).toBe(0);
    const { figures, odd } = learnt.data as { figures: { key: string; batches: number }[]; odd: string[] };
    expect(odd).toEqual([uuid(3)]);
    expect(figures.find(({ key }) => key === 'bodyA@soup:leek-potato')?.batches).toBe(2);
    expect(learnt.text).toContain('Unlike the others, and left out: Leek & potato');
    expect((await tureen(['learn', join(batches, 'none')])).exit).toBe(1);
    expect((await tureen(['learn'])).exit).toBe(2);
    expect((await tureen(['reconcile', file('leek-potato')])).exit).toBe(1);
    rmSync(batches, { recursive: true });
  });

  it('lands, gives odds, says why', async () => {
    const at = [file('leek-potato'), '--bowls', '40'];
    const landed = await tureen(['land', ...at, '--band', 'salt=0.6..0.7', '--band', 'body=120..160']);
    expect(landed.exit).toBe(0);
    const gauges = (landed.data as { gauges: { salt: number; body: number } }).gauges;
    expect(gauges.salt).toBeLessThanOrEqual(0.7 + 1e-6);
    expect(gauges.body).toBeLessThanOrEqual(160);
    const missed = await tureen(['land', ...at, '--band', 'salt=0.1..0.2', '--add', 'fine-salt']);
    expect(missed.exit).toBe(1);
    expect(missed.text).toContain('too high');
    const odds = await tureen(['odds', ...at, '--samples', '40', '--seed', '3', '--hold', 'body']);
    expect(odds.text).toContain('with 90 % confidence');
    expect(odds.data).toEqual((await tureen(['odds', ...at, '--samples', '40', '--seed', '3', '--hold', 'body'])).data);
    const why = await tureen(['why', file('leek-potato'), 'salt', '--bowls', '40']);
    const parts = (why.data as { value: number; parts: { value: number }[] }).parts;
    expect(parts.reduce((sum, { value }) => sum + value, 0)).toBeCloseTo((why.data as { value: number }).value, 6);
  });

  it('knows the larder by its names in three countries, and units', async () => {
    const id = async (...args: string[]): Promise<unknown> => ((await tureen(['larder', ...args])).data as { id?: string }).id;
    expect(await id('zucchini', '--country', 'us')).toBe('courgette');
    expect(await id('eschalot', '--country', 'au')).toBe('shallot');
    expect((await tureen(['larder', 'zuchini'])).text).toContain('Perhaps: courgette');
    expect((await tureen(['units', '1', 'pint-imp', 'ml'])).text).toBe('1 pint-imp = 568.261 ml');
    expect((await tureen(['units', '1', 'g', 'ml'])).exit).toBe(1);
    expect((await tureen(['units', '1', 'furlong', 'ml'])).exit).toBe(2);
    expect((await tureen(['units'])).text).toContain('cup-metric');
  });

  it('lays a cook’s own larder over the one that ships, and refuses what cannot be', async () => {
    const row = { ...LARDER_ROWS.find(({ id }) => id === 'carrot')!, id: 'purple-carrot', name: 'Purple carrot', us: undefined };
    const own = written('own.json', { ingredients: [row] });
    expect((await tureen(['larder', 'purple carrot', '--larder', own])).exit).toBe(0);
    const bad = written('bad.json', { ingredients: [{ ...row, composition: { ...row.composition, water: 50 } }] });
    const refused = await tureen(['larder', 'purple carrot', '--larder', bad]);
    expect(refused.exit).toBe(1);
    expect(refused.text).toContain('SUM_IS_OFF');
  });

  it('takes a kitchen of its own: its measured boil-off changes the plan', async () => {
    const kit = written('kit.json', { ...READY_KITS.canteen, parameters: { boilOff: 3 } });
    const stock = async (...args: string[]): Promise<number> =>
      (
        (await tureen(['why', file('celeriac-leek-apple'), 'stock', '--bowls', '40', '--pot', 'boiler-40', ...args])).data as {
          value: number;
        }
      ).value;
    expect(await stock('--kit', kit)).toBeGreaterThan(await stock());
    expect((await tureen(['plan', file('leek-potato'), '--kit', written('k.json', {})])).exit).toBe(1);
  });
});

/** Weighed with the pot on the scale, and nothing taken off for it. */
function tareLeftOn(action: Action): Action {
  return action.kind === 'weighed' ? { ...action, tareKg: 0 } : action;
}

describe('the published schemas', () => {
  const PUBLISHED = { soup: SoupShape, kit: KitShape, larder: LarderFileSchema, batch: BatchFileSchema } as const;

  for (const [name, schema] of Object.entries(PUBLISHED)) {
    it(`docs/${name}.schema.json is what the program reads by`, () => {
      const { title, ...published } = json(join(ROOT, `docs/${name}.schema.json`)) as Record<string, unknown>;
      expect(title).toBeTruthy();
      expect(published).toEqual(
        JSON.parse(JSON.stringify(z.toJSONSchema(schema, { io: 'input', target: 'draft-2020-12' }))) as never,
      );
    });
  }

  it('an independent validator passes every example and larder file, and refuses what the program refuses', () => {
    const ajv = new Ajv({ strict: false });
    const soup = ajv.compile(json(join(ROOT, 'docs/soup.schema.json')) as object);
    for (const name of EXAMPLES)
      expect(soup(json(join(ROOT, 'examples', name))))
        .withContext(name)
        .toBeTrue();
    const larder = ajv.compile(json(join(ROOT, 'docs/larder.schema.json')) as object);
    const data = join(ROOT, 'core/src/larder/data');
    for (const name of readdirSync(data).filter((one) => one.endsWith('.json')))
      expect(larder(json(join(data, name))))
        .withContext(name)
        .toBeTrue();
    const good = json(file('leek-potato')) as Record<string, unknown>;
    for (const bad of [
      { ...good, lines: [] },
      { ...good, surprise: 1 },
      { ...good, served: 'tepid' },
    ]) {
      expect(soup(bad)).toBeFalse();
      expect(SoupSchema.safeParse(bad).success).toBeFalse();
    }
  });

  it('cools, splits and freezes: hours with their ranges, pans that meet the rule, what is missed', async () => {
    const cool = await tureen(['cool', '--depth', '50mm', '--in', 'walk-in', '--json']);
    expect(cool.exit).toBe(0);
    const { marks, outlook } = cool.data as { marks: { toC: number; minutes: { middle: number } }[]; outlook: { isMet: boolean } };
    expect(marks.map(({ toC }) => toC)).toEqual([57, 21, 5]);
    expect(outlook.isMet).toBeFalse();
    expect(cool.text).toContain('FDA Food Code 2022');
    expect(cool.text).toContain('too slow');
    const split = await tureen(['split', '--kg', '18kg']);
    expect(split.exit).toBe(0);
    expect(split.text).toMatch(/1\. 1 × wide deep pan, 18 kg, \d+ mm deep: ice bath, with [\d.]+ kg of ice, stirred/);
    expect((await tureen(['split', '--kg', '200kg', '--in', 'fridge'])).exit).toBe(1);
    expect((await tureen(['split', '--kg', '4kg', '--kit', 'home'])).text).toContain('roasting dish');
    expect((await tureen(['freeze', '--depth', '50mm'])).text).toMatch(/about \d+ h/);
    for (const bad of [
      ['cool'],
      ['cool', '--depth', '3m'],
      ['cool', '--depth', '50mm', '--from', '300'],
      ['cool', '--depth', '50mm', '--in', 'moon'],
      ['split'],
    ])
      expect((await tureen(bad)).exit)
        .withContext(bad.join(' '))
        .toBe(2);
  });
});

describe('a day on the command line', () => {
  let folder: string;
  const written = (name: string, content: unknown): string => {
    const path = join(folder, name);
    writeFileSync(path, JSON.stringify(content));
    return path;
  };

  beforeAll(() => {
    folder = mkdtempSync(join(tmpdir(), 'tureen-day-'));
  });

  afterAll(() => {
    rmSync(folder, { recursive: true, force: true });
  });

  it('day lays a day out on kit and hands, late or not, as a table, as data and as a calendar', async () => {
    const day = {
      date: '2026-12-04',
      starts: '08:00',
      ends: '15:00',
      people: [{ id: 'jt', name: 'JT' }],
      batches: [{ id: 'noon', soupId: 'parsnip-butter', request: { bowls: 30, bowlG: 300 }, at: '12:00' }],
    };
    const path = written('day.json', day);
    const { exit, text, data } = await tureen(['day', path]);
    expect(exit).toBe(0);
    expect(text).toContain('On time, with');
    expect(text).toMatch(/\d\d:\d\d\s+\d\d:\d\d\s+JT\s+Trim and cut the parsnip/);
    const { rows, inHandMin } = data as { rows: { start: string; endMin: number }[]; inHandMin: number };
    expect(rows.length).toBeGreaterThan(3);
    // The first thing to do starts as many minutes after the day begins as are in hand.
    const [hours = 0, minutes = 0] = (rows[0]?.start ?? '').split(':').map(Number);
    expect(hours * 60 + minutes - 8 * 60).toBe(inHandMin);
    expect(Math.max(...rows.map(({ endMin }) => endMin))).toBeLessThanOrEqual(12 * 60);
    const calendar = await tureen(['day', path, '--ics']);
    expect(calendar.text.match(/BEGIN:VEVENT/g)?.length).toBe(rows.length);
    const rushed = await tureen(['day', written('rushed.json', { ...day, starts: '11:30' }), '--json']);
    expect(rushed.exit).toBe(1);
    expect((rushed.data as { late: Record<string, number> }).late.noon).toBeGreaterThan(30);
    expect(rushed.text).toContain('Start at');
    expect((await tureen(['day', written('bad-day.json', { ...day, ends: '07:00' })])).text).toContain('ends: ');
  });

  it('shop adds up what a day needs', async () => {
    const batch = { soupId: 'parsnip-butter', request: { bowls: 30, bowlG: 300 }, at: '12:00' };
    const day = (ids: readonly string[]) => ({
      date: '2026-12-04',
      starts: '08:00',
      ends: '15:00',
      people: [{ id: 'jt', name: 'JT' }],
      batches: ids.map((id) => ({ id, ...batch })),
    });
    interface List {
      list: { ingredient: string; neededKg: number }[];
    }
    const parsnips = async (name: string, ids: readonly string[]) =>
      ((await tureen(['shop', written(name, day(ids)), '--kit', 'canteen'])).data as List).list.find(
        ({ ingredient }) => ingredient === 'parsnip',
      )?.neededKg ?? 0;
    const one = await parsnips('one.json', ['a']);
    const two = await parsnips('two.json', ['a', 'b']);
    expect(one).toBeGreaterThan(2);
    // The second is cooked in a wider pot, where a little more boils away.
    expect(two / one).toBeGreaterThan(1.9);
    expect(two / one).toBeLessThan(2.1);
  });
});
