import type { UnitSystem } from '@tureen/core/units';
import { showMass, showMinutes } from '@tureen/core/units';
import { wholeBowls } from '../figures';
import type { BatchView, FrontView } from '../../cooking/batch-view';

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

/** The figure of the step in hand. */
export function bigFigure(
  { step, pot }: Pick<FrontView, 'step' | 'pot'>,
  view: BatchView,
  units: UnitSystem,
  elapsedMin: number | undefined,
): BigFigure {
  switch (step.op) {
    case 'cover':
    case 'thin':
      return ofMass(toGo(view, [step.line]), units, 'still to pour');
    case 'season':
      return ofMass(toGo(view, [step.line]), units, 'salt still wanted; give four fifths, then taste');
    case 'tune':
      return ofMass(toGo(view, [step.line]), units, 'wanted by the sums; a little at a time, tasting');
    case 'cream':
      return ofMass(toGo(view, [step.line]), units, 'cream still wanted');
    case 'add':
    case 'trim':
      return ofMass(
        toGo(
          view,
          step.uses.map(({ line }) => line),
        ),
        units,
        step.op === 'trim' ? 'as bought' : 'to go in',
      );
    case 'roast':
    case 'sweat':
    case 'simmer': {
      const minutes = view.steps.find(({ stepId }) => stepId === step.id)?.minutes ?? step.minutes;
      const left = elapsedMin === undefined ? minutes : minutes - elapsedMin;
      const over = left < 0;
      return {
        digits: String(Math.round(Math.abs(left))),
        unit: 'min',
        note: over
          ? 'over the time; go by the test'
          : elapsedMin === undefined
            ? `of ${showMinutes(minutes)}`
            : `left of ${showMinutes(minutes)}`,
      };
    }
    case 'rest':
      return {
        digits: String(Math.round(step.toC)),
        unit: '°C',
        note: `about ${showMinutes(view.steps.find(({ stepId }) => stepId === step.id)?.minutes ?? 0)}`,
      };
    case 'blend':
      return { digits: String(step.minutes), unit: 'min', note: step.blender === 'stick' ? 'in the pot' : 'each jug' };
    case 'dish':
      return {
        digits: String(wholeBowls(view.forecast.bowls - (view.dishedBowls ?? 0))),
        unit: 'bowls',
        note: `of ${String(view.ask.bowlG)} g still in the pot`,
      };
    case 'film':
      return ofMass(
        pot.massKg,
        units,
        `in the pot, give or take ${showMass(pot.sdKg, units).digits} ${showMass(pot.sdKg, units).unit}`,
      );
    default:
      return ofMass(pot.massKg, units, 'in hand');
  }
}
