import { walk, type Soup, type SoupStep } from '@tureen/core/soup';
import type { PlanView } from '../cooking/views';
import { stationOf, stepSetting, type NameOf, type Station } from '@tureen/core/messages';
import type { UnitSystem } from '@tureen/core/units';

export interface StationRow {
  readonly lineId: string;
  readonly name: string;
  readonly cut: string | undefined;
  readonly kg: number;
}

export interface StationGroup {
  readonly name: Station;
  readonly setting: string;
  readonly steps: readonly SoupStep[];
  readonly rows: readonly StationRow[];
  readonly minutes: number;
}

/** Steps that come first take the name of the heat they lead up to. */
function firstStation(steps: readonly SoupStep[]): Station {
  const heat = steps.find(({ op }) => op === 'roast' || op === 'sweat' || op === 'fry');
  return heat?.op === 'roast' ? 'Roast' : heat !== undefined ? 'Sweat' : 'Prepare';
}

/** The stations of a soup in cooking order, each with the lines that go in there. */
export function stationsOf(
  soup: Soup,
  view: Pick<PlanView, 'takes'> | undefined,
  nameOf: NameOf,
  units: UnitSystem,
): StationGroup[] {
  const steps = walk(soup.root).map(({ step }) => step);
  const first = firstStation(steps);
  const lines = new Map(soup.lines.map((line) => [line.id, line]));
  const takes = new Map(view?.takes.map((one) => [one.stepId, one]) ?? []);
  const groups: { name: Station; steps: SoupStep[] }[] = [];
  let before: Station = 'Prepare';
  let heated = false;
  for (const step of steps) {
    heated ||= step.op === 'roast' || step.op === 'sweat' || step.op === 'fry';
    const station: Station =
      !heated && before === 'Prepare' && step.op !== 'cover' ? first : stationOf(step, before === 'Prepare' ? first : before);
    const last = groups.at(-1);
    if (last?.name === station) last.steps.push(step);
    else groups.push({ name: station, steps: [step] });
    before = heated ? station : before;
  }
  return groups.map(({ name, steps: own }) => ({
    name,
    steps: own,
    setting: own.flatMap((step) => stepSetting(step, units) ?? []).join(' · '),
    minutes: own.reduce((sum, { id }) => sum + (takes.get(id)?.minutes ?? 0), 0),
    rows: own.flatMap(({ id }) =>
      (takes.get(id)?.lines ?? [])
        .filter(({ lineId }) => lines.has(lineId))
        .map(({ lineId, kg }) => ({ lineId, kg, name: nameOf(lineId), cut: lines.get(lineId)?.cut?.name })),
    ),
  }));
}
