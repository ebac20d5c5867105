import { massOf, thicknessOf } from '../bench/index.js';
import { planToBuy, type Planned } from '../plan/index.js';
import { parcelKg, potKg } from '../pot/index.js';
import { walk, type MethodChoices, type Soup, type SoupStep } from '../soup/index.js';
import { cookedIn, type Hidden } from './cooked.js';
import { asPlanned } from './what-if.js';

/** How the vegetables of a soup are cooked before there is liquid on them. */
export type Way = NonNullable<MethodChoices['colour']>;

/** What one way comes to. What goes off and what is poured is the plan's, the rest is true of one hidden kitchen. */
export interface WayEnd {
  readonly way: Way;
  /** Water that the card thinks goes off in oven or pan, kg. */
  readonly plannedOffKg: number;
  /** Liquid that the card pours, kg. */
  readonly liquidKg: number;
  readonly minutes: number;
  readonly plannedBowls: number;
  /** Bowls that are really there, done to the letter with no look at anything. */
  readonly bowls: number;
  /** mPa·s as it is served. */
  readonly bodyMPas: number;
}

/** A soup cooked one way, as a card of its own; the soup itself where that is how it is written. */
export function cookedAs(soup: Soup, way: Way): Soup {
  if (soup.school === way) return soup;
  return { ...soup, id: `${soup.id}-${way}`, methodChoices: { ...soup.methodChoices, colour: way } };
}

const POURED: ReadonlySet<SoupStep['op']> = new Set(['cover', 'thin', 'add']);

function endOf(way: Way, plan: Planned, hidden: Hidden): WayEnd {
  const { run, prepared } = plan;
  const liquids = new Set(prepared.lines.flatMap(({ line }) => (line.ingredient.row.group === 'liquids' ? [line.id] : [])));
  const dry = new Set(
    walk(prepared.soup.root).flatMap(({ step }) => (step.op === 'roast' || step.op === 'sweat' ? [step.id] : [])),
  );
  const off = run.records.filter(({ step }) => dry.has(step.id)).flatMap(({ outflows }) => outflows);
  const poured = run.records
    .filter(({ step }) => POURED.has(step.op))
    .flatMap(({ inflows }) => inflows.filter(({ lineId }) => liquids.has(lineId)));
  const { pot } = cookedIn(plan, asPlanned(plan), hidden);
  const kg = run.last === undefined ? 0 : potKg(run.last.before);
  return {
    way,
    plannedOffKg: off.reduce((sum, { kind, parcel }) => (kind === 'vapour' ? sum + parcelKg(parcel) : sum), 0),
    liquidKg: poured.reduce((sum, { parcel }) => sum + parcelKg(parcel), 0),
    minutes: run.minutes,
    plannedBowls: run.bowls,
    bowls: kg > 0 ? (run.bowls * massOf(pot)) / kg : 0,
    bodyMPas: massOf(pot) > 0 ? thicknessOf(pot, prepared.servedC) : 0,
  };
}

/**
 * What each way of cooking a soup comes to in one hidden kitchen, done as the card says.
 *
 * @param soup as it ships.
 * @returns ways that can't be planned on this kit are left out.
 */
export function waysIn(soup: Soup, ways: readonly Way[], { snapshot }: Planned, hidden: Hidden): WayEnd[] {
  return ways.flatMap((way): WayEnd[] => {
    const planning = planToBuy(cookedAs(soup, way), snapshot.rows, snapshot.kit, snapshot.request);
    return planning.ok ? [endOf(way, planning.plan, hidden)] : [];
  });
}
