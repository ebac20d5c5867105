import { branchNames } from '@tureen/core/batch';
import type { Vessel } from '@tureen/core/kit';
import type { IngredientRow } from '@tureen/core/larder';
import { ribbonOf, type Ribbon } from '@tureen/core/runner';
import { namer, stopNamer } from '@tureen/core/messages';
import {
  cardsMade,
  cautionsOf,
  figuresOf,
  notScaling,
  pullList,
  type PlanRequest,
  type Figures,
  type NotScaling,
  type PlanError,
  type Planned,
  type Planning,
  type PullRow,
  type StepCaution,
} from '@tureen/core/plan';
import type { Soup } from '@tureen/core/soup';
import type { UnitSystem } from '@tureen/core/units';
import { pictureOf, type Picture } from '../parts/ribbon/picture';

/** A plan as a screen shows it; everything in it can be sent between threads. */
export interface PlanView {
  readonly soup: Soup;
  readonly request: PlanRequest;
  readonly scale: number;
  readonly vessel: Vessel;
  readonly ribbon: Ribbon;
  readonly figures: Figures;
  readonly pull: readonly PullRow[];
  readonly cautions: readonly StepCaution[];
  readonly notScaling: readonly NotScaling[];
  /** Kilos that each step takes of each line. */
  readonly takes: readonly StepTakes[];
  readonly peakM3: number;
  readonly colour: string;
  /** How coarse the soup ends up, m, and how hot it goes into the bowl. */
  readonly grainM: number;
  readonly dishedC: number;
}

export interface StepTakes {
  readonly stepId: string;
  readonly minutes: number;
  readonly lines: readonly { readonly lineId: string; readonly kg: number }[];
}

/** A card within a soup, at the size that the soup takes of it: a garnish or a base with a pan and minutes of its own. */
export interface SideCard {
  readonly id: string;
  readonly name: string;
  readonly kg: number;
  readonly perBowlG: number;
  readonly minutes: number;
  readonly lines: readonly { readonly name: string; readonly kg: number }[];
}

function sideCards({ prepared, run }: Planned): SideCard[] {
  return cardsMade(prepared, run).map(({ cardId, name, wantedKg, prepared: own, run: made }) => ({
    id: cardId,
    name,
    kg: wantedKg,
    perBowlG: run.bowls > 0 ? (wantedKg / run.bowls) * 1000 : 0,
    minutes: made.minutes,
    lines: own.lines.map(({ line: { id, ingredient } }) => ({ name: ingredient.row.name, kg: made.usedKg.get(id) ?? 0 })),
  }));
}

/** A soup's own amounts as its card shows them: drawn already, so that the screen has only to put it in place. */
export interface CardView extends Pick<PlanView, 'figures' | 'takes' | 'grainM' | 'dishedC'> {
  readonly vesselName: string;
  readonly cards: readonly SideCard[];
  readonly picture: Picture;
}

export type PlanOutcome = { readonly ok: true; readonly view: PlanView } | { readonly ok: false; readonly error: PlanError };

function lastColour(ribbon: Ribbon): string {
  return ribbon.bands.at(-1)?.stops.at(-1)?.colour ?? '#d9cdb7';
}

/** Kilos that each step of a plan takes of each line, and its minutes. */
export function takesOf({ run }: Pick<Planned, 'run'>): StepTakes[] {
  return run.records.map(({ step, inflows, minutes }) => ({
    stepId: step.id,
    minutes,
    lines: inflows.map(({ lineId, parcel }) => ({ lineId, kg: parcel.mix.reduce((sum, kg) => sum + kg, 0) })),
  }));
}

/** A plan as a screen shows it, with what does not go by its factor against the soup as written where that is given. */
export function viewOf(planned: Planned, written: Planned | undefined): PlanView {
  const ribbon = ribbonOf(planned.run, branchNames(planned));
  return {
    soup: planned.prepared.soup,
    request: planned.snapshot.request,
    scale: planned.snapshot.scale,
    vessel: planned.prepared.vessel,
    ribbon,
    figures: figuresOf(planned.prepared, planned.run),
    pull: pullList(planned),
    cautions: cautionsOf(planned.prepared, planned.run),
    notScaling: written === undefined ? [] : notScaling(written, planned),
    takes: takesOf(planned),
    peakM3: planned.run.peakM3,
    colour: lastColour(ribbon),
    grainM: planned.run.records.at(-1)?.before.grainM ?? 0,
    dishedC: planned.run.dished?.tempC ?? 0,
  };
}

/** How a card's ribbon is drawn: whole where the soup is read, a strip with one row of labels where it is typed. */
const CARD_RIBBON = {
  read: { height: 212, quiet: false },
  typed: { height: 132, quiet: true },
  strip: { strip: 'narrow' },
} as const;

export function cardView(
  planned: Planned,
  rows: readonly IngredientRow[],
  units: UnitSystem,
  how: keyof typeof CARD_RIBBON,
): CardView {
  const { soup, vessel, ribbon, figures, takes, grainM, dishedC } = viewOf(planned, undefined);
  const nameOf = namer(soup, rows);
  const picture = pictureOf({ ribbon, nameOf, stationName: stopNamer(soup, nameOf), units, ...CARD_RIBBON[how] });
  return { vesselName: vessel.name, cards: sideCards(planned), figures, takes, grainM, dishedC, picture };
}

/** A planning as a screen shows it, with what does not go by its factor against the soup as written where that is given. */
export function planOutcome(planning: Planning, written: Planned | undefined): PlanOutcome {
  return planning.ok ? { ok: true, view: viewOf(planning.plan, written) } : planning;
}
