import { example, kilos, prepared, soupOf } from '../../spec/pots.js';
import { UNREAD_ANSWERS_SD } from '../body/index.js';
import { PARAMETERS, PARAMETER_NAMES, READY_KITS, type Learned } from '../kit/index.js';
import { LARDER_ROWS, SALT, makeLarder } from '../larder/index.js';
import { alreadyMoved, covarianceOf, inputsOf, moved, prepareSoup, run, withMoves, type Input } from './index.js';
import { learnedMoves } from './inputs.js';

const carrot = prepared(
  soupOf(
    [
      kilos('carrot', 'carrot', 2, { way: 'peeled' }),
      kilos('stock', 'vegetable-stock-carton', 4),
      kilos('salt', 'fine-salt', 0.01),
    ],
    [
      { id: 'trim', op: 'trim', uses: [{ line: 'carrot' }] },
      { id: 'stock', op: 'add', uses: [{ line: 'stock' }, { line: 'salt' }] },
      { id: 'simmer', op: 'simmer', minutes: 20, vigour: 'steady', lid: 'off' },
    ],
  ),
);
const inputs = inputsOf(carrot);
const of = (key: string): Input => inputs.find((input) => input.key === key)!;

describe('what a run leans on', () => {
  it('is every parameter once, and of every line its trim, its salt and what is measured out', () => {
    const times = (own: readonly Input[], name: string): number => own.filter(({ parameter }) => parameter === name).length;
    for (const name of PARAMETER_NAMES)
      expect(times(inputs, name))
        .withContext(name)
        .toBe(name === 'measured' || name === 'bodyAnswers' ? 0 : 1);
    // What is not known of it before anything is learnt is what a batch's own estimate begins with.
    const { bias, noise } = PARAMETERS.bodyAnswers;
    expect(Math.hypot(bias, noise)).toBeCloseTo(UNREAD_ANSWERS_SD, 2);
    // How a body answers is reckoned from the one that is meant: from this card on there is one.
    expect(times(inputsOf({ ...carrot, meantLn: Math.log(60) }), 'bodyAnswers')).toBe(1);
    expect(inputs.filter(({ lineId }) => lineId !== undefined).map(({ key }) => key)).toEqual([
      'trim:carrot',
      'measured:carrot',
      'measured:stock',
      'salt:stock',
      // Salt is weighed: it is what it is.
      'measured:salt',
    ]);
  });

  it('shares its spread between the kitchen, its pot and its soup without making more or less of it', () => {
    for (const input of inputs) {
      if (input.parameter === undefined) continue;
      const { bias, noise } = PARAMETERS[input.parameter];
      const variance = input.parts.reduce((sum, { sd }) => sum + sd * sd, 0);
      expect(Math.sqrt(variance)).withContext(input.key).toBeCloseTo(bias, 9);
      expect(input.noiseSd).toBe(noise);
    }
    expect(of('boilOff').parts.map(({ key }) => key)).toEqual(['boilOff', `boilOff@pot:${carrot.vessel.id}`]);
    expect(of('bodyA').parts.map(({ key }) => key)).toEqual(['bodyA', `bodyA@soup:${carrot.soup.id}`]);
    expect(of('trim:carrot').parts.map(({ key }) => key)).toEqual(['trim:carrot:peeled']);
  });

  it('two lines of one ingredient, trimmed the same way, share the knife that trims them', () => {
    const twice = prepared(
      soupOf(
        [kilos('a', 'carrot', 1, { way: 'peeled' }), kilos('b', 'carrot', 1, { way: 'peeled' })],
        [{ id: 'trim', op: 'trim', uses: [{ line: 'a' }, { line: 'b' }] }],
      ),
    );
    const trims = inputsOf(twice).filter(({ of: kind }) => kind === 'trim');
    const [[own = 0, between = 0] = []] = covarianceOf({}, trims);
    expect(between).toBeGreaterThan(0);
    expect(between).toBeLessThan(own);
  });
});

describe('a soup with its inputs moved', () => {
  it('is the same soup where nothing is', () => {
    expect(withMoves(carrot, new Map())).toBe(carrot);
    expect(withMoves(carrot, new Map([['nothing', 1]])).lines.map(({ line }) => line)).toEqual(
      carrot.lines.map(({ line }) => line),
    );
  });

  it('keeps shares shares, however far they are moved', () => {
    for (const by of [-9, -1, 0, 1, 9]) {
      const { lines, parameters } = withMoves(
        carrot,
        new Map([
          ['trim:carrot', by],
          ['roastMost', by],
        ]),
      );
      const kept = lines.find(({ line }) => line.id === 'carrot')!.line.keptShare;
      for (const share of [kept, parameters.roastMost]) {
        expect(share).toBeGreaterThan(0);
        expect(share).toBeLessThan(1);
      }
    }
    expect(moved(0.5, 'logit', Math.log(3))).toBeCloseTo(0.75, 12);
    expect(moved(2, 'log', Math.log(3))).toBeCloseTo(6, 12);
  });

  it('takes the salt of what is saltier from its water: a kilo stays a kilo', () => {
    const { lines } = withMoves(carrot, new Map([['salt:stock', Math.log(2)]]));
    const [before, after] = [carrot, { lines }].map(
      (one) => one.lines.find(({ line }) => line.id === 'stock')!.line.ingredient.perKg,
    );
    expect(after![SALT]).toBeCloseTo(2 * before![SALT], 12);
    expect(after!.reduce((sum, part) => sum + part, 0)).toBeCloseTo(
      before!.reduce((sum, part) => sum + part, 0),
      12,
    );
  });

  it('boils off more where it boils off more, and by as much as it says', () => {
    const steam = (by: number): number =>
      run(withMoves(carrot, new Map([['boilOff', by]])), 1)
        .records.find(({ step }) => step.id === 'simmer')!
        .outflows.filter(({ kind }) => kind === 'vapour')
        .reduce((sum, { parcel }) => sum + parcel.mix[0], 0);
    expect(steam(Math.log(1.5)) / steam(0)).toBeCloseTo(1.5, 2);
  });
});

describe('inputs that were learnt', () => {
  const learned: Learned = {
    figures: [
      { key: 'boilOff', by: 0.2, sd: 0.05, batches: 6 },
      { key: `boilOff@pot:${carrot.vessel.id}`, by: -0.05, sd: 0.04, batches: 6 },
      { key: 'trim:carrot:peeled', by: 0.3, sd: 0.1, batches: 4 },
      { key: 'boilOff@pot:elsewhere', by: 3, sd: 0.1, batches: 1 },
    ],
    together: [[0, 1, -0.5]],
  };
  const kit = { ...carrot.kit, learned };

  it('add up what was learnt of the kitchen and of the pot, and of no other pot', () => {
    const moves = learnedMoves(kit, inputs);
    expect(moves.get('boilOff')).toBeCloseTo(0.15, 12);
    expect(moves.get('trim:carrot')).toBeCloseTo(0.3, 12);
    expect(moves.size).toBe(2);
    expect(learnedMoves(carrot.kit, inputs).size).toBe(0);
  });

  it('are as unsure as both together are, with what they have in common', () => {
    const [[variance = 0] = []] = covarianceOf(kit, [of('boilOff')]);
    const expected = 0.05 ** 2 + 0.04 ** 2 + 2 * -0.5 * 0.05 * 0.04 + PARAMETERS.boilOff.noise ** 2;
    expect(variance).toBeCloseTo(expected, 12);
  });

  it('are symmetric: what a has in common with b, b has with a', () => {
    const rows = covarianceOf(kit, inputs);
    for (const [i, row] of rows.entries()) for (const [j, value] of row.entries()) expect(value).toBeCloseTo(rows[j]![i]!, 12);
  });

  it('are what a soup is moved by already, with what was given by hand', () => {
    const soup = example('leek-potato');
    const given = (change: Partial<typeof READY_KITS.canteen>) => {
      const made = prepareSoup(soup, makeLarder(LARDER_ROWS), { ...READY_KITS.canteen, ...change }, 'stockpot-20', 0.3);
      if (!made.ok) throw new Error(JSON.stringify(made.problems));
      return alreadyMoved(made.prepared, inputsOf(made.prepared)).get('boilOff') ?? 0;
    };
    const pots = READY_KITS.canteen.pots.map((pot) => ({ ...pot, boilOff: 1.5 }));
    expect(given({})).toBe(0);
    expect(given({ parameters: { boilOff: 1.2 } })).toBeCloseTo(Math.log(1.2), 12);
    expect(given({ pots })).toBeCloseTo(Math.log(1.5), 12);
    expect(given({ pots, parameters: { boilOff: 1.2 } })).toBeCloseTo(Math.log(1.8), 12);
    expect(given({ learned: { figures: [{ key: 'boilOff', by: 0.3, sd: 0.1, batches: 2 }], together: [] } })).toBeCloseTo(0.3, 12);
    // Measured by hand: what was learnt does not come on top.
    expect(given({ pots, learned: { figures: [{ key: 'boilOff', by: 0.3, sd: 0.1, batches: 2 }], together: [] } })).toBeCloseTo(
      Math.log(1.5),
      12,
    );
  });
});
