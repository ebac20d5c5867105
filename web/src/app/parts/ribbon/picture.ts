import type { Ribbon, Stop } from '@tureen/core/runner';
import { showMass, type UnitSystem } from '@tureen/core/units';
import { alignedPoints, axisOf, bandPath, drawn, heaviest, placed, type Drawn, type Frame } from './layout';

/** What is drawn: a plan alone, or a plan with what really happened over it. */
export interface Drawing {
  readonly ribbon: Ribbon;
  readonly actual?: Ribbon;
  /** Step that the cook stands at. */
  readonly at?: string;
  readonly nameOf: (lineId: string) => string;
  readonly stationName: (stop: Stop) => string;
  readonly units: UnitSystem;
  readonly height?: number;
  /** One row of labels instead of two: for where the ribbon is a strip. */
  readonly quiet?: boolean;
  /** Folded: no labels but the stations; on a narrow screen at a size that can still be read there. */
  readonly strip?: 'narrow' | 'wide' | undefined;
  /** What the two are, where they are not a plan and what came of it. */
  readonly called?: Called;
}

/** What the outline and the fill are called in the table, and both in a sentence. */
export interface Called {
  readonly outline: string;
  readonly fill: string;
  readonly both: string;
}

export interface PictureRow {
  readonly id: string;
  readonly name: string;
  readonly ins: string;
  readonly outs: string;
  readonly plan: string;
  readonly actual: string;
}

/** A ribbon ready to be shown: plain figures and paths, so that it can be worked out in another thread. */
export interface Picture {
  readonly frame: Frame;
  readonly plan: Drawn;
  readonly withActual: boolean;
  readonly actualPath: string | undefined;
  readonly fillColours: readonly { readonly at: number; readonly colour: string }[];
  readonly here: number | undefined;
  readonly hereTop: number;
  readonly scaleTop: number;
  readonly rows: readonly PictureRow[];
  readonly summary: string;
  readonly called: Omit<Called, 'both'>;
}

const FRAME = { width: 1224, left: 2, right: 1158 } as const;
const STRIP = { narrow: { width: 968, left: 2, right: 902 }, wide: FRAME } as const;
const STRIP_HEIGHT = 84;
const USUAL_HEIGHT = 210;

function tableOf({ ribbon, actual, nameOf, stationName, units }: Drawing): PictureRow[] {
  const kg = (massKg: number): string => {
    const { digits, unit } = showMass(massKg, units);
    return `${digits} ${unit}`;
  };
  const real = new Map(actual?.bands.flatMap(({ stops }) => stops.map((stop) => [stop.stepId, stop] as const)) ?? []);
  return ribbon.bands.flatMap(({ stops }) =>
    stops.map((stop) => {
      const action = real.get(stop.stepId);
      return {
        id: stop.stepId,
        name: stationName(stop),
        ins: stop.ins.map((flow) => `${nameOf(flow.lineId)} ${kg(flow.kg)}`).join(', '),
        outs: stop.outs
          .map((flow) => `${flow.kind === 'vapour' ? 'steam' : `${flow.kind} ${nameOf(flow.lineId)}`} ${kg(flow.kg)}`)
          .join(', '),
        plan: kg(stop.afterKg),
        actual: action === undefined ? '' : kg(action.afterKg),
      };
    }),
  );
}

/** Lays a ribbon out for the screen, with the table that says the same. */
export function pictureOf(drawing: Drawing): Picture {
  const { ribbon, actual, nameOf, stationName, units, height = USUAL_HEIGHT, quiet = false, strip } = drawing;
  const mostKg = Math.max(heaviest(ribbon), actual === undefined ? 0 : heaviest(actual));
  const frame: Frame =
    strip !== undefined
      ? { ...STRIP[strip], height: STRIP_HEIGHT, mostKg, units, rows: 0 }
      : { ...FRAME, height, mostKg, units, rows: quiet ? 1 : 2 };
  const plan = drawn(ribbon, frame, nameOf, stationName);
  const { centre, pxPerKg } = axisOf(placed(ribbon, frame), frame);
  const points = actual === undefined ? undefined : alignedPoints(actual, ribbon, frame);
  const { digits, unit } = showMass(ribbon.bands.at(-1)?.stops.at(-1)?.afterKg ?? 0, units);
  return {
    frame,
    plan,
    withActual: actual !== undefined,
    actualPath: points === undefined || points.length < 2 ? undefined : bandPath(points, centre, pxPerKg),
    fillColours: points?.map(({ x, colour }) => ({ at: (x - frame.left) / (frame.right - frame.left), colour })) ?? plan.colours,
    here: drawing.at === undefined ? undefined : (points?.at(-1)?.x ?? frame.left + 1),
    hereTop: centre - (mostKg * pxPerKg) / 2 - 12,
    scaleTop: centre - plan.scalePx / 2,
    rows: tableOf(drawing),
    summary: drawing.called?.both ?? `Ribbon of the batch: ${digits} ${unit} at the end as planned`,
    called: drawing.called ?? { outline: 'Then in the pot, planned', fill: 'Really' },
  };
}
