import fc from 'fast-check';
import { COMPONENTS, LARDER_ROWS, NOTHING, makeLarder, plusMix, type Mix } from '../larder/index.js';
import { SPOON_READINGS } from '../body/index.js';
import { DEFAULT_PARAMETERS, READY_KITS } from '../kit/index.js';
import { outcomesOf } from '../odds/index.js';
import { figuresOf } from '../plan/index.js';
import { contents, flowEnthalpyJ, potEnthalpyJ, type Flow, type PotState } from '../pot/index.js';
import { LEAVES_AS } from '../steps/index.js';
import { PlainStepSchema } from '../soup/step.js';
import { checkSoup, type Branch, type Line, type Soup, type SoupStep } from '../soup/index.js';
import { prepareSoup, run, type Run } from './index.js';

const larder = makeLarder(LARDER_ROWS);
const kit = READY_KITS.canteen;
const SOLIDS = LARDER_ROWS.filter(({ softening }) => softening > 0).map(({ id }) => id);
const LIQUIDS = ['water', 'vegetable-stock', 'vegetable-stock-cube', 'milk', 'rapeseed-oil', 'butter', 'lemon-juice'];

function seen(massKg: fc.Arbitrary<number>): fc.Arbitrary<Record<string, unknown>> {
  const tempC = fc.double({ min: 0, max: 100, noNaN: true });
  const reading = fc.oneof(
    fc.record({ device: fc.constant('spoon'), word: fc.constantFrom(...SPOON_READINGS), tempC }),
    fc.record({ device: fc.constant('syringe'), leftMl: fc.double({ min: 0, max: 10, noNaN: true }), tempC }),
    fc.record({ device: fc.constant('viscometer'), mPas: fc.double({ min: 0.5, max: 1e5, noNaN: true }), tempC }),
    fc.record({
      device: fc.constant('drain cup'),
      cupMm: fc.constantFrom(4, 5, 6),
      seconds: fc.double({ min: 1, max: 200, noNaN: true }),
      tempC,
    }),
    fc.record({ device: fc.constant('plate ring'), radiusMm: fc.double({ min: 20, max: 200, noNaN: true }), tempC }),
  );
  return fc.oneof(
    fc.record({
      of: fc.constant('mass'),
      device: fc.constantFrom('scale', 'dip'),
      massKg,
      sdKg: fc.double({ min: 0.01, max: 5, noNaN: true }),
    }),
    fc.record({
      of: fc.constant('salt'),
      saltPct: fc.double({ min: 0.05, max: 5, noNaN: true }),
      sdPct: fc.double({ min: 0.01, max: 1, noNaN: true }),
    }),
    fc.record({ of: fc.constant('body'), reading }),
  );
}

/** A step of any kind over lines s0..s3 (pieces), l0..l1 (liquids), salt and cream; ids are given afterwards. */
function steps(lines: readonly string[]): fc.Arbitrary<Record<string, unknown>> {
  const minutes = fc.double({ min: 0, max: 240, noNaN: true });
  const kg = fc.double({ min: 0, max: 40, noNaN: true });
  const anyLine = fc.constantFrom(...lines);
  const solid = fc.constantFrom(...lines.filter((id) => id.startsWith('s')));
  const body = fc.double({ min: 1, max: 20_000, noNaN: true });
  return fc.oneof(
    fc.record({ op: fc.constant('trim'), uses: fc.array(fc.record({ line: solid, kg }), { minLength: 1, maxLength: 3 }) }),
    fc.record({ op: fc.constant('add'), uses: fc.array(fc.record({ line: anyLine, kg }), { minLength: 1, maxLength: 3 }) }),
    fc.record({
      op: fc.constant('roast'),
      ovenC: fc.double({ min: 120, max: 280, noNaN: true }),
      minutes,
      load: fc.constantFrom('rounds', 'crowd'),
    }),
    fc.record({ op: fc.constant('sweat'), minutes, heat: fc.constantFrom('gentle', 'high'), lid: fc.constantFrom('on', 'off') }),
    fc.record({
      op: fc.constant('takeOut'),
      lines: fc.array(solid, { minLength: 1, maxLength: 2 }),
      share: fc.double({ min: 0.01, max: 1, noNaN: true }),
    }),
    fc.record({ op: fc.constant('cover'), line: fc.constantFrom('l0', 'l1'), overM: fc.double({ min: 0, max: 0.1, noNaN: true }) }),
    fc.record({
      op: fc.constant('simmer'),
      minutes,
      vigour: fc.constantFrom('bare', 'steady', 'lively', 'rolling'),
      lid: fc.constantFrom('on', 'ajar', 'off'),
    }),
    fc.record({
      op: fc.constant('reheat'),
      toC: fc.double({ min: 40, max: 98, noNaN: true }),
      lid: fc.constantFrom('off', 'ajar', 'on'),
    }),
    fc.record({
      op: fc.constant('rest'),
      toC: fc.double({ min: 0, max: 100, noNaN: true }),
      around: fc.constantFrom('air', 'ice bath'),
    }),
    fc.record({
      op: fc.constant('blend'),
      blender: fc.constantFrom('jug', 'stick'),
      minutes,
      holdBack: fc.array(fc.record({ line: solid, share: fc.double({ min: 0.01, max: 1, noNaN: true }) }), { maxLength: 1 }),
    }),
    fc.record({ op: fc.constant('season'), line: fc.constant('salt'), saltPct: fc.double({ min: 0, max: 5, noNaN: true }) }),
    fc.record({
      op: fc.constant('cream'),
      line: fc.constant('cream'),
      target: fc.oneof(
        fc.record({ by: fc.constant('pct'), value: fc.double({ min: 0, max: 60, noNaN: true }) }),
        fc.record({ by: fc.constant('gPerBowl'), value: fc.double({ min: 0, max: 200, noNaN: true }) }),
        fc.record({ by: fc.constant('fatPer100'), value: fc.double({ min: 0, max: 40, noNaN: true }) }),
      ),
    }),
    fc.record({ op: fc.constant('film'), on: fc.constantFrom('pot', 'jug') }),
    fc.record({ op: fc.constant('fry'), how: fc.constantFrom('sauté', 'toast', 'bloom', 'smoke'), minutes }),
    fc.record({ op: fc.constant('fryPuree'), minutes }),
    fc.record({ op: fc.constant('skim'), share: fc.double({ min: 0.05, max: 1, noNaN: true }) }),
    fc.record({ op: fc.constant('deglaze'), use: fc.record({ line: fc.constantFrom('l0', 'l1'), kg }), minutes }),
    fc.record({ op: fc.constant('takeOut'), lines: fc.array(solid, { minLength: 1, maxLength: 2 }), keep: fc.constant(true) }),
    fc.record({
      op: fc.constant('giveBack'),
      lines: fc.array(solid, { minLength: 1, maxLength: 2 }),
      share: fc.double({ min: 0.01, max: 1, noNaN: true }),
    }),
    fc.record({
      op: fc.constant('peel'),
      lines: fc.array(solid, { minLength: 1, maxLength: 2 }),
      keeps: fc.double({ min: 0.05, max: 1, noNaN: true }),
    }),
    fc.record({
      op: fc.constant('drain'),
      keep: fc.constantFrom('pieces', 'liquid'),
      liquidShare: fc.double({ min: 0, max: 1, noNaN: true }),
    }),
    fc.record({ op: fc.constant('pressure'), minutes, atC: fc.double({ min: 105, max: 121, noNaN: true }) }),
    fc.record({
      op: fc.constant('sieve'),
      meshMm: fc.double({ min: 0.1, max: 10, noNaN: true }),
      scraped: fc.boolean(),
    }),
    fc.record({ op: fc.constant('thin'), line: fc.constantFrom('l0', 'l1'), toMPas: body }),
    fc.record({
      op: fc.constant('reduce'),
      vigour: fc.constantFrom('bare', 'steady', 'lively', 'rolling'),
      to: fc.oneof(
        fc.record({ by: fc.constant('body'), mPas: body }),
        fc.record({ by: fc.constant('share'), kept: fc.double({ min: 0.06, max: 1, noNaN: true }) }),
      ),
    }),
    fc.record({
      op: fc.constant('thicken'),
      parts: fc.array(fc.record({ line: anyLine, parts: fc.double({ min: 0.1, max: 10, noNaN: true }) }), {
        minLength: 1,
        maxLength: 2,
      }),
      toMPas: body,
    }),
    fc.record({
      op: fc.constant('tune'),
      line: anyLine,
      taste: fc.constantFrom('sour', 'sweet', 'heat', 'bite'),
      to: fc.double({ min: 0, max: 100, noNaN: true }),
    }),
    fc.record({ op: fc.constant('cup'), kg: fc.double({ min: 0.01, max: 5, noNaN: true }) }),
    fc.record({
      op: fc.constant('liaison'),
      yolks: fc.record({ line: anyLine, kg }),
      cream: fc.record({ line: fc.constant('cream'), kg }),
      toC: fc.double({ min: 60, max: 95, noNaN: true }),
    }),
    fc.record({
      op: fc.constant('hold'),
      minutes,
      atC: fc.double({ min: 40, max: 95, noNaN: true }),
      lid: fc.constantFrom('on', 'ajar', 'off'),
      topUp: fc.constantFrom('l0', 'l1'),
    }),
    fc.record({ op: fc.constant('read'), seen: seen(kg) }),
    fc.record({
      op: fc.constant('ladleOut'),
      kg: fc.double({ min: 0.01, max: 20, noNaN: true }),
      as: fc.constantFrom(...LEAVES_AS),
    }),
    fc.record({
      op: fc.constant('refill'),
      kg: fc.double({ min: 0.01, max: 20, noNaN: true }),
      tempC: fc.double({ min: 0, max: 100, noNaN: true }),
    }),
  );
}

interface Case {
  readonly soup: Soup;
  readonly scale: number;
  readonly potId: string;
}

const LINE_IDS = ['s0', 's1', 's2', 's3', 'l0', 'l1', 'salt', 'cream'];

const cases: fc.Arbitrary<Case> = fc
  .record({
    ingredients: fc.tuple(
      ...Array.from({ length: 4 }, () => fc.constantFrom(...SOLIDS)),
      ...Array.from({ length: 2 }, () => fc.constantFrom(...LIQUIDS)),
    ),
    sizes: fc.array(fc.double({ min: 1, max: 80, noNaN: true }), { minLength: 8, maxLength: 8 }),
    shapes: fc.array(fc.constantFrom('slab' as const, 'cylinder' as const, 'cube' as const), { minLength: 8, maxLength: 8 }),
    root: fc.array(steps(LINE_IDS), { minLength: 1, maxLength: 18 }),
    side: fc.array(steps(LINE_IDS), { minLength: 1, maxLength: 5 }),
    joinAt: fc.nat(14),
    scale: fc.double({ min: 0.05, max: 30, noNaN: true }),
    potId: fc.constantFrom(...kit.pots.map(({ id }) => id)),
  })
  .map(({ ingredients, sizes, shapes, root, side, joinAt, scale, potId }): Case => {
    const named = (prefix: string, list: readonly Record<string, unknown>[]): SoupStep[] =>
      list.map((step, n) => ({ ...step, id: `${prefix}${String(n)}` }) as unknown as SoupStep);
    const sideBranch: Branch = { id: 'side', name: 'Side', vessel: 'tray', steps: named('side-', side) };
    const rootSteps = named('root-', root);
    rootSteps.splice(Math.min(joinAt, rootSteps.length), 0, { id: 'join', op: 'join', branch: sideBranch });
    const rows = [...ingredients, 'fine-salt', 'double-cream'];
    const lines: Line[] = LINE_IDS.map((id, n) => ({
      id,
      ingredient: rows[n]!,
      cut: { shape: shapes[n]!, sizeMm: sizes[n]!, name: 'cut' },
      amount: { rule: 'scaled', amount: { value: 1, unit: 'kg' } },
      ...(id.startsWith('s') && id !== 'salt' ? { way: larder.get(rows[n]!)!.row.trims[0]!.way } : {}),
    }));
    return {
      scale,
      potId,
      soup: {
        id: 'random',
        name: 'Random',
        lead: 'Any',
        school: 'sweat',
        served: 'hot',
        writtenFor: { bowls: 10, bowlG: 300 },
        lines,
        root: { id: 'pot', name: 'Pot', vessel: 'pot', steps: [...rootSteps, { id: 'dish', op: 'dish' }] },
      },
    };
  });

function flowsMix(flows: readonly Flow[]): Mix {
  return flows.reduce((sum, { parcel }) => plusMix(sum, parcel.mix), NOTHING);
}

function flowsJ(flows: readonly Flow[]): number {
  return flows.reduce((sum, flow) => sum + flowEnthalpyJ(flow), 0);
}

/** What keeps a soup from being cooked; random ones may leave lines unused, take too much and give back what was never out. */
const RUNNABLE = new Set(['LINE_NOT_USED', 'SHARES_PASS_ONE', 'TRIM_WITHOUT_BOARD', 'STEP_MUST_SETTLE', 'NOTHING_TO_GIVE_BACK']);

/** Makes the lines ready through a tidy soup that touches each, then runs the random steps on them. */
function runCase({ soup, scale, potId }: Case): Run {
  const blocking = checkSoup(soup, larder, kit).filter(({ code }) => !RUNNABLE.has(code));
  expect(blocking).toEqual([]);
  const tidySteps: SoupStep[] = [
    { id: 'touch', op: 'trim', uses: LINE_IDS.map((line) => ({ line })) },
    { id: 'cream', op: 'cream', line: 'cream', target: { by: 'pct', value: 0 } },
    { id: 'dish', op: 'dish' },
  ];
  const preparation = prepareSoup({ ...soup, root: { ...soup.root, steps: tidySteps } }, larder, kit, potId, 0.3);
  if (!preparation.ok) throw new Error(JSON.stringify(preparation.problems));
  return run({ ...preparation.prepared, soup }, scale);
}

function close(a: number, b: number, size: number): boolean {
  return Math.abs(a - b) <= 1e-9 * Math.max(1, size);
}

function leastOf(pot: PotState): number {
  return Math.min(...[pot.liquid, ...pot.cohorts.map(({ parcel }) => parcel)].flatMap(({ mix }) => [...mix]));
}

describe('the balance, over random soups', () => {
  it('what came in plus heat is what left by its own rule plus what stayed: mass, each component, enthalpy; nothing negative', () => {
    let kinds = new Set<string>();
    fc.assert(
      fc.property(cases, (one) => {
        const result = runCase(one);
        kinds = new Set([...kinds, ...result.records.map(({ step }) => step.op)]);
        const inflows = result.records.flatMap((record) => record.inflows);
        const outflows = result.records.flatMap((record) => record.outflows);
        const came = flowsMix(inflows);
        const went = plusMix(flowsMix(outflows), contents(result.pot).mix);
        const size = came.reduce((a, b) => a + b, 0);
        for (const [n, name] of COMPONENTS.entries())
          expect(close(came[n]!, went[n]!, size))
            .withContext(name)
            .toBeTrue();
        const joules = result.records.reduce((sum, record) => sum + record.joules, 0);
        const moved = inflows.concat(outflows).reduce((sum, flow) => sum + Math.abs(flowEnthalpyJ(flow)), 0);
        expect(close(flowsJ(inflows) + joules, flowsJ(outflows) + potEnthalpyJ(result.pot), moved))
          .withContext('enthalpy')
          .toBeTrue();
        for (const { pot, outflows: left, step } of result.records) {
          expect(leastOf(pot)).withContext(step.op).toBeGreaterThanOrEqual(-1e-12);
          for (const { parcel } of left)
            expect(Math.min(...parcel.mix))
              .withContext(step.op)
              .toBeGreaterThanOrEqual(-1e-12);
          expect(Number.isFinite(pot.tempC)).toBeTrue();
        }
      }),
      { numRuns: 1200 },
    );
    // Every kind that a soup can hold came up, and readings and joins beside them.
    const all = [...PlainStepSchema.options.map((option) => option.shape.op.value), 'join', 'read', 'ladleOut', 'refill'];
    expect([...kinds].sort()).toEqual(all.sort());
  });

  it('holds at every single step that is not a join', () => {
    fc.assert(
      fc.property(cases, (one) => {
        for (const { before, pot, inflows, outflows, joules, step } of runCase(one).records) {
          if (step.op === 'join') continue;
          const came = plusMix(contents(before).mix, flowsMix(inflows));
          const went = plusMix(contents(pot).mix, flowsMix(outflows));
          const size = came.reduce((a, b) => a + b, 0);
          for (const n of COMPONENTS.keys())
            expect(close(came[n]!, went[n]!, size))
              .withContext(step.op)
              .toBeTrue();
          const inJ = potEnthalpyJ(before) + flowsJ(inflows) + joules;
          const outJ = potEnthalpyJ(pot) + flowsJ(outflows);
          expect(close(inJ, outJ, Math.abs(inJ) + Math.abs(joules)))
            .withContext(`${step.op} enthalpy`)
            .toBeTrue();
        }
      }),
      { numRuns: 300 },
    );
  });

  it('gives no figure that is not a number, whatever the schema lets in', () => {
    const finite = (value: unknown, path: string): void => {
      if (typeof value === 'number') expect(Number.isFinite(value)).withContext(path).toBeTrue();
      else if (typeof value === 'object' && value !== null)
        for (const [key, inner] of Object.entries(value)) finite(inner, `${path}.${key}`);
    };
    fc.assert(
      fc.property(cases, (one) => {
        const result = runCase(one);
        const preparation = { bowlKg: 0.3, servedC: 65, parameters: DEFAULT_PARAMETERS, kit, lines: [], cards: new Map() };
        finite(figuresOf(preparation, result), 'figures');
        finite(outcomesOf(preparation, result), 'outcomes');
        for (const { step, counts, minutes, joules, cautions } of result.records)
          finite({ counts, minutes, joules, cautions }, step.op);
      }),
      { numRuns: 400 },
    );
  });
});
