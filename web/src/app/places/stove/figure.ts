import type { UnitSystem } from '@tureen/core/units';
import { showMass, showMinutes } from '@tureen/core/units';
import type { SoupStep } from '@tureen/core/soup';
import { wholeBowls } from '../figures';
import type { BatchView, FrontView } from '../../cooking/batch-view';
import { showDegrees } from '@tureen/core/units';

/** The one number that matters now, with its unit and what it means. */
export interface BigFigure {
  readonly digits: string;
  readonly unit: string;
  readonly note: string;
}

function ofMass(kg: number, units: UnitSystem, note: string): BigFigure {
  return { ...showMass(kg, units), note };
}

function toGo(view: BatchView, lines: readonly string[]): number {
  return view.toGoKg.reduce((sum, [line, kg]) => (lines.includes(line) ? sum + kg : sum), 0);
}

/** What a step's figure is worked out from. */
interface AtHand {
  readonly view: BatchView;
  readonly pot: FrontView['pot'];
  readonly units: UnitSystem;
  /** Since it was started; undefined before that. */
  readonly elapsedMin: number | undefined;
}

type Of<S extends SoupStep> = (step: S, at: AtHand) => BigFigure;

function toPour(note: string): Of<SoupStep & { readonly line: string }> {
  return (step, { view, units }) => ofMass(toGo(view, [step.line]), units, note);
}

function ofUses(note: string): Of<SoupStep & { readonly uses: readonly { readonly line: string }[] }> {
  return ({ uses }, { view, units }) =>
    ofMass(
      toGo(
        view,
        uses.map(({ line }) => line),
      ),
      units,
      note,
    );
}

function minutesOf({ id }: SoupStep, view: BatchView): number {
  return view.steps.find(({ stepId }) => stepId === id)?.minutes ?? 0;
}

/** Minutes on the clock: what is left once it was started, and what is over. */
const clock: Of<SoupStep> = (step, { view, elapsedMin }) => {
  const minutes = minutesOf(step, view);
  const left = elapsedMin === undefined ? minutes : minutes - elapsedMin;
  const note = elapsedMin === undefined ? `of ${showMinutes(minutes)}` : `left of ${showMinutes(minutes)}`;
  return { digits: String(Math.round(Math.abs(left))), unit: 'min', note: left < 0 ? 'over the time; go by the test' : note };
};

const inHand: Of<SoupStep> = (_step, { pot, units }) => ofMass(pot.massKg, units, 'in hand');

/** Of every kind, or it does not compile. */
const FIGURES: { readonly [K in SoupStep['op']]: Of<Extract<SoupStep, { op: K }>> } = {
  trim: ofUses('as bought'),
  add: ofUses('to go in'),
  cover: toPour('still to pour'),
  thin: toPour('still to pour'),
  deglaze: ({ use }, { view, units }) => ofMass(toGo(view, [use.line]), units, 'still to pour'),
  season: toPour('salt in all: four fifths first, taste, then the rest'),
  tune: toPour('wanted by the sums; a little at a time, tasting'),
  cream: toPour('cream still wanted'),
  roast: clock,
  sweat: clock,
  fry: clock,
  fryPuree: clock,
  simmer: clock,
  pressure: clock,
  hold: clock,
  rest: (step, at) =>
    step.toC === undefined
      ? clock(step, at)
      : { ...showDegrees(step.toC, at.units), note: `about ${showMinutes(minutesOf(step, at.view))}` },
  blend: ({ minutes, blender }) => ({
    digits: String(minutes),
    unit: 'min',
    note: blender === 'stick' ? 'in the pot' : 'each jug',
  }),
  dish: (_step, { view }) => ({
    digits: String(wholeBowls(view.forecast.bowls - (view.dishedBowls ?? 0))),
    unit: 'bowls',
    note: `of ${String(view.request.bowlG)} g still in the pot`,
  }),
  film: (_step, { pot, units }) => {
    const sd = showMass(pot.sdKg, units);
    return ofMass(pot.massKg, units, `in the pot, give or take ${sd.digits} ${sd.unit}`);
  },
  takeOut: inHand,
  giveBack: inHand,
  peel: inHand,
  drain: inHand,
  skim: inHand,
  sieve: inHand,
  reduce: inHand,
  reheat: inHand,
  thicken: inHand,
  cup: inHand,
  liaison: inHand,
  refill: inHand,
  ladleOut: inHand,
  read: inHand,
  join: inHand,
};

/** The figure of the step in hand. */
export function bigFigure(
  { step, pot }: Pick<FrontView, 'step' | 'pot'>,
  view: BatchView,
  units: UnitSystem,
  elapsedMin: number | undefined,
): BigFigure {
  const figure = FIGURES[step.op] as Of<SoupStep>;
  return figure(step, { view, pot, units, elapsedMin });
}
