import { makeLarder, type Ingredient } from '@tureen/core/larder';
import { findName, namesOf, COUNTRIES, type Country } from '@tureen/core/amounts';
import { GAUGES, gaugesOf, land, type Addition, type Bands, type Gauge } from '@tureen/core/solve';
import { loadSolver } from '@tureen/core/solver';
import { HELD, oddsOf, type HeldTo } from '@tureen/core/odds';
import { ASKABLE, explain, type Askable } from '@tureen/core/why';
import { UNIT_CODES, UNITS, convert, type UnitCode } from '@tureen/core/units';
import { potKg } from '@tureen/core/pot';
import { boilOffKgS } from '@tureen/core/steps';
import { loadLarder } from './files.js';
import { numberOf, type Given } from './options.js';
import { Misused, good, wrong, type CommandResult } from './result.js';
import { planned } from './plan.js';
import { table } from './table.js';

/** What is reached for when nothing else is named, first things first. */
const REACH = ['water', 'vegetable-stock', 'fine-salt', 'double-cream', 'butter', 'sugar', 'lemon-juice', 'cornflour'];
const COOKED_GROUPS = new Set(['flours and starches', 'potatoes']);
/** Steps that a cook can pour or weigh, by how strong the thing is: kg for a pot of 10 kg. */
const STEP_PER_10_KG = { strong: 0.005, usual: 0.05 } as const;

function bandsOf(texts: readonly string[]): Bands {
  const bands: Record<string, { low: number; high: number }> = {};
  for (const text of texts) {
    const found = /^(\w+)=([\d.]*)\.\.([\d.]*)$/.exec(text);
    if (found === null || !GAUGES.includes(found[1] as Gauge)) {
      throw new Misused(`--band wants gauge=low..high with a gauge of ${GAUGES.join(', ')}, not "${text}".`);
    }
    bands[found[1] ?? ''] = {
      low: found[2] === '' ? Number.NEGATIVE_INFINITY : numberOf(found[2] ?? '', '--band'),
      high: found[3] === '' ? Number.POSITIVE_INFINITY : numberOf(found[3] ?? '', '--band'),
    };
  }
  return bands;
}

function additionOf(ingredient: Ingredient, potKilos: number): Addition {
  const { row } = ingredient;
  const strong = row.group === 'seasoning' || row.group === 'flours and starches' || row.id === 'lemon-juice';
  const stepKg = (STEP_PER_10_KG[strong ? 'strong' : 'usual'] * Math.max(1, potKilos)) / 10;
  return {
    id: row.id,
    ingredient,
    stepKg,
    mostSteps: 100,
    cooked: COOKED_GROUPS.has(row.group),
    tempC: Math.max(0, row.storedAtC),
  };
}

/** The pot of a plan before its bowls, landed in the bands asked for. */
export async function landing(from: Given): Promise<CommandResult> {
  const made = planned(from);
  if (!made.ok) return made.result;
  const { plan, rows } = made.value;
  const bands = bandsOf(from.values.band ?? []);
  if (Object.keys(bands).length === 0) throw new Misused('Say what to land: --band salt=0.7..0.9 --band body=150..250');
  const larder = makeLarder(rows);
  const pot = plan.run.records.at(-1)?.before;
  if (pot === undefined) return wrong('There is nothing in the pot to land.', { code: 'EMPTY' });
  const names = from.values.add ?? REACH;
  const additions = names.map((id) => {
    const ingredient = larder.get(id);
    if (ingredient === undefined) throw new Misused(`--add wants a larder id, not "${id}".`);
    return additionOf(ingredient, potKg(pot));
  });
  const { vessel, parameters, boilC, servedC } = plan.prepared;
  const { kgS } = boilOffKgS(vessel, 0.1, boilC, { vigour: 'steady', lid: 'off' }, parameters);
  const answer = land(
    {
      pot,
      servedC,
      bodyA: parameters.bodyA,
      bands,
      additions,
      reduction: { kgPerMinute: kgS * 60, stepMinutes: 1, mostSteps: 120, costPerMinute: 0.02 },
      costPerReach: 0.1,
    },
    await loadSolver(),
  );
  if (!answer.ok && answer.code === 'SOLVER_FAILED') return wrong(`The solver gave up (${answer.status}).`, answer);
  const landed = answer.ok ? answer.landed : answer.nearest;
  const now = gaugesOf(pot, servedC, parameters.bodyA);
  const gauges = GAUGES.filter((gauge) => bands[gauge] !== undefined).map((gauge) => [
    gauge,
    now[gauge].toPrecision(3),
    '→',
    landed.gauges[gauge].toPrecision(3),
    `wanted ${String(bands[gauge]?.low)} to ${String(bands[gauge]?.high)}`,
  ]);
  const amounts = [...landed.steps].map(([id, steps]) => {
    const stepKg = additions.find((one) => one.id === id)?.stepKg ?? 0;
    return { id, kg: steps * stepKg };
  });
  const doing = [
    ...amounts.map(({ id, kg }) => `  ${(kg * 1000).toFixed(0)} g ${id}`),
    ...(landed.minutes > 0 ? [`  boil down ${String(landed.minutes)} min, lid off`] : []),
  ];
  const misses = answer.ok ? [] : answer.misses;
  const text = [
    answer.ok ? 'Stir in, two thirds first, then look again:' : 'Not all of it can be met. The nearest:',
    ...(doing.length === 0 ? ['  nothing: it is there'] : doing),
    '',
    table(gauges),
    ...misses.map(({ gauge, side, by }) => `${gauge} stays ${by.toPrecision(3)} too ${side}.`),
  ].join('\n');
  const data = { ok: answer.ok, amounts, minutes: landed.minutes, cost: landed.cost, gauges: landed.gauges, misses };
  return answer.ok ? good(text, data) : wrong(text, data);
}

const OUTCOME_UNIT = { bowls: 'bowls', servedKg: 'kg', bodyMPas: 'mPa·s', saltPct: '% salt', minutes: 'min' } as const;

export function odds(from: Given): CommandResult {
  const made = planned(from);
  if (!made.ok) return made.result;
  const { values } = from;
  const held = (values.hold ?? 'amounts') as HeldTo;
  if (!HELD.includes(held)) throw new Misused(`--hold wants one of ${HELD.join(', ')}.`);
  const samples = numberOf(values.samples ?? '2000', '--samples');
  if (!Number.isInteger(samples) || samples < 20 || samples > 200_000)
    throw new Misused('--samples wants a whole number from 20 to 200000.');
  const seed = numberOf(values.seed ?? '1', '--seed');
  const { plan } = made.value;
  const answer = oddsOf(plan.prepared, plan.snapshot.scale, { seed, samples, held });
  const rows = Object.entries(answer.bands).map(([name, band]) => [
    OUTCOME_UNIT[name as keyof typeof OUTCOME_UNIT],
    ...[band.p5, band.p25, band.p50, band.p75, band.p95].map((x) => x.toPrecision(4)),
  ]);
  const text = [
    `${String(answer.bowls.with90)} bowls with 90 % confidence, ${String(answer.bowls.with50)} with 50 %; ${answer.held} held, ${String(answer.samples)} samples, seed ${String(seed)}`,
    '',
    table([['', '5 %', '25 %', '50 %', '75 %', '95 %'], ...rows], [1, 2, 3, 4, 5]),
    '',
    'What matters most for the bowls:',
    ...answer.matters
      .filter(({ outcome }) => outcome === 'bowls')
      .map(({ key, share, perSd }) => `  ${key}: ${(share * 100).toFixed(0)} % of the spread, ${perSd.toFixed(2)} bowls an sd`),
  ].join('\n');
  return good(text, answer);
}

export function why(from: Given): CommandResult {
  const figure = from.positionals[2] as Askable | undefined;
  if (figure === undefined || !ASKABLE.includes(figure)) throw new Misused(`why wants a figure: ${ASKABLE.join(', ')}.`);
  const made = planned(from);
  if (!made.ok) return made.result;
  const { plan } = made.value;
  const answer = explain(plan.prepared, plan.run, figure);
  const rows = answer.parts.map(({ id, kind, value }) => [id, kind ?? '', value.toPrecision(4)]);
  const rules = answer.rules.map(
    ({ rule, source, parameter }) =>
      `  ${rule} (${source}${parameter === undefined ? '' : `; ${parameter.name} ${String(parameter.value)} ${parameter.unit}, ${parameter.from}`})`,
  );
  const text = [
    `${figure}: ${answer.value.toPrecision(5)} ${answer.unit}${answer.how === 'sum' ? ', the sum of' : `, ${answer.attribution ?? ''}`}`,
    table(rows, [2]),
    'Rules:',
    ...rules,
  ].join('\n');
  return good(text, answer);
}

export function larder(from: Given): CommandResult {
  const name = from.positionals.slice(1).join(' ');
  if (name === '') throw new Misused('larder wants the name of an ingredient.');
  const country = from.values.country as Country | undefined;
  if (country !== undefined && !COUNTRIES.includes(country)) throw new Misused(`--country wants one of ${COUNTRIES.join(', ')}.`);
  const rows = loadLarder(from.values.larder);
  if (!rows.ok) return rows.result;
  const byId = rows.value.find(({ id }) => id === name);
  const found = byId === undefined ? findName(namesOf(rows.value), name, country) : ({ code: 'FOUND', id: byId.id } as const);
  if (found.code !== 'FOUND') {
    const ids = found.code === 'WHICH' ? found.ids : found.nearest;
    const offer = ids.length === 0 ? 'Nothing near it is known.' : `Perhaps: ${ids.join(', ')}.`;
    return wrong(`The larder knows no single "${name}". ${offer}`, found);
  }
  const row = rows.value.find(({ id }) => id === found.id);
  if (row === undefined) return wrong(`The larder lost "${found.id}".`, found);
  const { composition: c } = row;
  const parts = (['water', 'fat', 'protein', 'starch', 'sugars', 'other', 'fibre', 'salt', 'acid', 'ethanol', 'ash'] as const)
    .filter((part) => c[part] > 0)
    .map((part) => [`  ${part}`, c[part].toFixed(2), 'g']);
  const weights = [
    ...Object.entries(row.pieces ?? {}),
    ...Object.entries(row.cups ?? {}).map(([cut, g]) => [`cup, ${cut}`, g] as const),
    ...Object.entries(row.spoons ?? {}),
  ];
  const text = [
    `${row.name} (${row.id}), ${row.group}${row.us === undefined ? '' : `; US ${row.us}`}${row.au === undefined ? '' : `; Australia ${row.au}`}`,
    'per 100 g of the edible part:',
    table(parts, [1]),
    `  sodium ${String(c.sodiumMg)} mg, potassium ${String(c.potassiumMg)} mg (${c.source})`,
    'trimmed:',
    ...row.trims.map(
      ({ way, share, sd, source }) => `  ${way}: ${(share * 100).toFixed(0)} % ± ${(sd * 100).toFixed(0)} (${source})`,
    ),
    ...(weights.length === 0 ? [] : ['weighs, edible:', ...weights.map(([size, g]) => `  ${size}: ${String(g)} g`)]),
    `allergens: ${row.allergens.join(', ') || 'none of the 14'}`,
  ].join('\n');
  return good(text, row);
}

export function units(from: Given): CommandResult {
  const [, value, fromUnit, toUnit] = from.positionals;
  if (value === undefined) {
    const rows = UNIT_CODES.map((code) => [code, UNITS[code].label, UNITS[code].dimension, String(UNITS[code].si)]);
    return good(table(rows), Object.fromEntries(UNIT_CODES.map((code) => [code, UNITS[code]])));
  }
  const code = (text: string | undefined): UnitCode => {
    if (text === undefined || !UNIT_CODES.includes(text as UnitCode))
      throw new Misused(`units wants two of ${UNIT_CODES.join(', ')}.`);
    return text as UnitCode;
  };
  const converted = convert(numberOf(value, 'units'), code(fromUnit), code(toUnit));
  if (!converted.ok) return wrong(`${String(fromUnit)} and ${String(toUnit)} measure different things.`, converted.error);
  return good(`${value} ${String(fromUnit)} = ${converted.value.toPrecision(6)} ${String(toUnit)}`, {
    value: converted.value,
    unit: toUnit,
  });
}
