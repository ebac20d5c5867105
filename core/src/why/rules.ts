import { PARAMETERS, learnedOf, type ParameterName } from '../kit/index.js';
import type { PreparedSoup } from '../runner/index.js';
import type { Askable } from './askable.js';

/** A rule that a figure rests on: in words, its source, and the kitchen figure in it with where that comes from. */
export interface Rule {
  readonly rule: string;
  readonly source: string;
  readonly parameter:
    | {
        readonly name: ParameterName;
        readonly value: number;
        readonly unit: string;
        readonly from: 'default' | 'kitchen' | 'learnt';
        /** How many batches it was learnt from; 0 where it was not. */
        readonly batches: number;
      }
    | undefined;
}

type Plain = Omit<Rule, 'parameter'> & { readonly parameter?: ParameterName };

const BALANCE: Plain = { rule: 'what came in less what left is what stays, for every component', source: 'balance' };
const TRIM: Plain = { rule: 'trimming leaves the larder row’s share of what was bought', source: 'the row’s own source' };
const BOIL_OFF: Plain = {
  rule: 'water lost = flux by vigour x open area x minutes x what the lid leaves, never above what the burner can evaporate',
  source: 'kitchen default; energy balance',
  parameter: 'boilOff',
};
const ROAST: Plain = {
  rule: 'water lost = most (1 - exp(-t / tau)), tau by size, oven and load',
  source: 'kitchen default',
  parameter: 'roastMost',
};
const FILM: Plain = {
  rule: 'what clings = wetted area x thickness, which grows with the root of the body',
  source: 'Jeffreys (1930); kitchen default',
  parameter: 'filmMm',
};
const COVER: Plain = {
  rule: 'liquid to a set depth over a bed of pieces in a round pot',
  source: 'geometry; kitchen default',
  parameter: 'packingRaw',
};

const ONE_LAYER: Plain = {
  rule: 'trays by the area of the pieces in one layer; rounds by what the oven takes at once',
  source: 'geometry; common practice',
};

const RULES: Readonly<Record<Askable | 'pull', readonly Plain[]>> = {
  sodium: [
    BALANCE,
    { rule: '39.34 % of the salt is sodium, and what the foods hold of their own', source: 'atomic masses; the rows’ own sources' },
    FILM,
  ],
  fibre: [BALANCE, FILM],
  steam: [BOIL_OFF],
  boil: [{ rule: 'heat wanted over the burner’s useful power less wall loss', source: 'energy balance' }],
  trays: [ONE_LAYER],
  rounds: [ONE_LAYER],
  jugs: [{ rule: 'a jug is filled less the hotter it is, to leave room for steam', source: 'common practice' }],
  contains: [
    { rule: 'the larder row names what an ingredient brings; nothing that is cooked loses it', source: 'the row’s own source' },
  ],
  grain: [
    { rule: 'coarsest grain = finest of the blade + (what went in - finest) exp(-seconds / tau)', source: 'kitchen default' },
    { rule: 'a sieve passes nothing coarser than its mesh', source: 'definition' },
  ],
  heat: [
    { rule: 'heat of what joins is shared by its heat capacity', source: 'Choi and Okos (1986), as in ASHRAE Refrigeration' },
    { rule: 'a pot boils at the temperature of its altitude', source: 'ICAO standard atmosphere; steam tables' },
  ],
  pull: [
    {
      rule: 'each line as written, times the factor that the plan came to; what a step settles, by that step',
      source: 'definition',
    },
    TRIM,
    {
      rule: 'all lines rounded together to whole pieces and the scale’s steps, with the least drift from one proportion',
      source: 'definition',
    },
  ],
  salt: [BALANCE, { rule: 'NaCl from every source, by mass', source: 'balance' }, FILM],
  fat: [BALANCE, FILM],
  energy: [
    BALANCE,
    {
      rule: 'fat 37, protein 17, carbohydrate 17, fibre 8, alcohol 29, organic acids 13 kJ/g',
      source: 'Regulation (EU) 1169/2011, Annex XIV',
    },
  ],
  cost: [{ rule: 'price of what was bought; trimmed parts are paid for by what goes on', source: 'the larder’s prices' }],
  litres: [
    {
      rule: 'volumes of the components at the temperature of the bowl',
      source: 'Choi and Okos (1986), as in ASHRAE Refrigeration',
    },
    BALANCE,
  ],
  yield: [BALANCE, TRIM, ROAST, BOIL_OFF, FILM],
  bowls: [BALANCE, TRIM, ROAST, BOIL_OFF, FILM],
  body: [
    {
      rule: 'serum + A B^2.5 f(T), B = fibre + 0.9 cooked starch + 0.1 protein, % of mass',
      source: 'Rao, Bourne and Cooley (1981); kitchen default',
      parameter: 'bodyA',
    },
    {
      rule: 'that to the power of how this soup answers, about the body that it is meant to have',
      source: 'learnt from batches; kitchen default',
      parameter: 'bodyAnswers',
    },
  ],
  minutes: [
    { rule: 'to the boil: heat wanted over the burner’s useful power less wall loss', source: 'energy balance' },
    { rule: 'branches run side by side; a joining waits for the later', source: 'definition' },
  ],
  stock: [COVER, BOIL_OFF],
  cream: [{ rule: 'cream to its target in the finished soup', source: 'balance' }],
};

type Known = Pick<PreparedSoup, 'parameters' | 'kit' | 'soup' | 'vessel'>;

/** Where a parameter has its value from: given by hand, learnt from so many batches, or as for any kitchen. */
function originOf(name: ParameterName, { kit, soup, vessel }: Known): { from: 'default' | 'kitchen' | 'learnt'; batches: number } {
  if (kit.parameters?.[name] !== undefined) return { from: 'kitchen', batches: 0 };
  const keys = [name, `${name}@soup:${soup.id}`, `${name}@pot:${vessel.id}`];
  const batches = Math.max(0, ...keys.map((key) => learnedOf(kit.learned, key)?.batches ?? 0));
  return { from: batches > 0 ? 'learnt' : 'default', batches };
}

/** Rules behind a figure, with the kitchen's own figures where it has them. */
export function ruleOf(figure: Askable | 'pull', prepared: Known): Rule[] {
  return RULES[figure].map(({ rule, source, parameter }) => ({
    rule,
    source,
    parameter:
      parameter === undefined
        ? undefined
        : {
            name: parameter,
            value: prepared.parameters[parameter],
            unit: PARAMETERS[parameter].unit,
            ...originOf(parameter, prepared),
          },
  }));
}
