import {
  COOLING_RULES,
  EDGE_PER_M,
  PLACES_SOURCE,
  USUAL_MIX,
  USUAL_PANS,
  USUAL_PLACES,
  forecastCooling,
  freezeMinutes,
  headspaceShare,
  outlookOf,
  iceThatWouldDo,
  splitPlans,
  stuffOf,
  type CoolingPlace,
  type CoolingRule,
} from '@tureen/core/cold';
import type { Kit } from '@tureen/core/kit';
import { iceWayWords, minutesWords, outlookWords, ruleSentence, splitWords, takesWords } from '@tureen/core/messages';
import { showMinutes } from '@tureen/core/units';
import { loadKit } from './files.js';
import { numberOf, quantityOf, type Given } from './options.js';
import { Misused, good, wrong, type CommandResult } from './result.js';
import { table } from './table.js';

const START_C = 80;
/** What a shelf and a chilled tub meet, where a command does not say. */
const FREEZER_C = -18;
const FREEZER_W = 10;
const FRIDGE_C = 4;
const COLDEST_START = 0;
const HOTTEST_START = 105;

/** The kitchen's own places, and the usual ones that it has none of its own for. */
function placesOf({ coldPlaces = [] }: Kit): readonly CoolingPlace[] {
  return [...coldPlaces, ...USUAL_PLACES.filter(({ id }) => !coldPlaces.some((own) => own.id === id))];
}

function placeOf(from: Given, kit: Kit): CoolingPlace {
  const places = placesOf(kit);
  const name = from.values.in ?? 'fridge';
  const place = places.find(({ id }) => id === name);
  if (place === undefined) throw new Misused(`--in is one of ${places.map(({ id }) => id).join(', ')}, not "${name}".`);
  return place;
}

function ruleOf(from: Given): CoolingRule {
  const name = from.values.rule ?? 'two-stage';
  const rule = COOLING_RULES.find(({ id }) => id === name);
  if (rule === undefined) throw new Misused(`--rule is one of ${COOLING_RULES.map(({ id }) => id).join(', ')}, not "${name}".`);
  return rule;
}

function startOf(from: Given): number {
  const startC = from.values.from === undefined ? START_C : numberOf(from.values.from.replace(/ ?°?c$/i, ''), '--from');
  if (startC < COLDEST_START || startC > HOTTEST_START)
    throw new Misused(`--from wants 0 to 105 °C; ${String(startC)} is no soup.`);
  return startC;
}

function depthOf(text: string): number {
  const depthM = quantityOf(text, 'mm', '--depth') / 1000;
  if (depthM < 0.003 || depthM > 0.5) throw new Misused('--depth wants 3 to 500 mm.');
  return depthM;
}

/** How fast a pan of a depth cools somewhere, and how that stands to a rule. */
export function cool(from: Given): CommandResult {
  if (from.values.depth === undefined) throw new Misused('cool wants how deep: --depth 50mm');
  const depthM = depthOf(from.values.depth);
  const kit = loadKit(from.values.kit);
  if (!kit.ok) return kit.result;
  const place = placeOf(from, kit.value);
  const rule = ruleOf(from);
  const startC = startOf(from);
  const stuff = stuffOf(USUAL_MIX, 1);
  const isStirred = from.values.stirred === true;
  const forecast = forecastCooling({ stuff, depthM, startC, place, isStirred, edgePerM: EDGE_PER_M }, 3);
  const outlook = outlookOf(forecast, rule);
  const marks = [57, 21, 5].filter((toC) => toC < startC).map((toC) => ({ toC, minutes: forecast.to(toC) }));
  const text = [
    `${String(Math.round(depthM * 1000))} mm from ${String(startC)} °C, ${place.name.toLowerCase()} (air ${String(place.airC)} °C), ${isStirred ? 'stirred' : 'not stirred'}`,
    table(
      marks.map(({ toC, minutes }) => [
        `  to ${String(toC)} °C`,
        minutes === undefined ? 'not within a day' : minutesWords(minutes),
      ]),
    ),
    `  what takes the heat: ${PLACES_SOURCE}`,
    ruleSentence(rule, 'metric'),
    ...outlook.stages.map((stage) => `  ${outlookWords(stage, 'metric')}`),
    ...(outlook.isMet ? [] : [rule.missed]),
  ].join('\n');
  return good(text, { depthM, startC, place, isStirred, marks, rule, outlook });
}

/** How many of which pans meet a rule. */
export function split(from: Given): CommandResult {
  if (from.values.kg === undefined) throw new Misused('split wants how much: --kg 18kg');
  const kg = quantityOf(from.values.kg, 'kg', '--kg');
  if (!(kg > 0 && kg <= 2000)) throw new Misused('--kg wants more than nothing, and up to 2000 kg.');
  const stuff = stuffOf(USUAL_MIX, 1);
  const rule = ruleOf(from);
  const kit = loadKit(from.values.kit);
  if (!kit.ok) return kit.result;
  const { pans = USUAL_PANS, coldPlaces = USUAL_PLACES } = kit.value;
  const places = from.values.in === undefined ? coldPlaces.filter(({ id }) => id !== 'kitchen') : [placeOf(from, kit.value)];
  const ask = { kg, stuff, startC: startOf(from), pans, places, rule };
  const found = splitPlans(ask);
  if (found.ok)
    return good(
      [
        ruleSentence(rule, 'metric'),
        ...found.plans.flatMap((plan, n) => [
          `${String(n + 1)}. ${splitWords(plan, 'metric')}`,
          ...plan.outlook.stages.map((stage) => `     ${outlookWords(stage, 'metric')}`),
          `     ${takesWords(plan)}`,
        ]),
      ].join('\n'),
      found,
    );
  const best =
    found.best === undefined
      ? []
      : [
          `Nearest: ${splitWords(found.best, 'metric')}`,
          ...found.best.outlook.stages.map((stage) => `  ${outlookWords(stage, 'metric')}`),
        ];
  const held = found.holdsKg >= kg ? [] : [`All pans hold ${String(Math.floor(found.holdsKg))} kg.`];
  const shallow =
    found.depthM === undefined
      ? 'Not even a film of it would.'
      : `It would have to lie ${String(Math.floor(found.depthM * 1000))} mm deep or less: more pans, or half of it now and half later kept hot.`;
  const ice = iceThatWouldDo(ask);
  const iced = ice === undefined ? [] : [iceWayWords(ice, kg, 'metric')];
  return wrong(
    [
      ruleSentence(rule, 'metric'),
      'No way with these pans meets it in nine of ten cases.',
      ...held,
      ...best,
      shallow,
      ...iced,
    ].join('\n'),
    { ...found, ice },
  );
}

/** How long a flat tub takes to freeze through, and how full it may be. */
export function freeze(from: Given): CommandResult {
  if (from.values.depth === undefined) throw new Misused('freeze wants how thick: --depth 50mm');
  const thickM = depthOf(from.values.depth);
  const stuff = stuffOf(USUAL_MIX, 1);
  const startC = from.values.from === undefined ? FRIDGE_C : startOf(from);
  const minutes = freezeMinutes({
    thickM,
    waterShare: stuff.waterShare,
    densityKgM3: stuff.densityKgM3,
    startC,
    airC: FREEZER_C,
    hW: FREEZER_W,
  });
  const full = 1 - headspaceShare(stuff.waterShare);
  const text = [
    `${String(Math.round(thickM * 1000))} mm from ${String(startC)} °C in a freezer of ${String(FREEZER_C)} °C: about ${showMinutes(minutes)} until the middle is frozen (Pham 1986).`,
    `Fill to ${String(Math.floor(full * 100))} % and no more: ice needs room.`,
    ...(startC > 5 ? ['Cool it to 5 °C first: warm food thaws what lies beside it.'] : []),
  ].join('\n');
  return good(text, { thickM, startC, minutes, fullShare: full });
}
