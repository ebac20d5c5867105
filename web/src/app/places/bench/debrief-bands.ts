import type { DebriefView } from '../../cooking/bench-view';
import { bandPath, scaleBar } from '../../parts/ribbon/layout';
import { kitchenUnits } from '../../services/units';

export interface Bands {
  readonly width: number;
  readonly height: number;
  readonly bands: readonly {
    readonly name: string;
    readonly kind: 'believed' | 'true' | 'best';
    readonly path: string;
    readonly labelY: number;
  }[];
  readonly turns: readonly { readonly n: number; readonly x: number }[];
  readonly labels: readonly { readonly x: number; readonly text: string; readonly anchor: 'middle' | 'end' }[];
  readonly kiloPx: number;
  readonly barText: string;
}

const WIDTH = 1224;
const LEFT = 150;
const TOP = 40;
const ROOM = 58;
const GAP = 12;
/** Labels nearer than this to the one before them are left out, px. */
const LABEL_PX = 92;

/** What was believed, what was true and the best from there, one over the other, as thick as they were heavy. */
export function bandsOf({ moments, bestKg, turns }: Pick<DebriefView, 'moments' | 'bestKg' | 'turns'>): Bands {
  const mostKg = Math.max(bestKg, ...moments.flatMap(({ believedKg, trueKg }) => [believedKg, trueKg]), 0.1);
  const pxPerKg = ROOM / mostKg;
  const step = (WIDTH - LEFT) / Math.max(1, moments.length - 1);
  const x = (n: number): number => LEFT + n * step;
  const drawn = (kilos: readonly number[], row: number): string =>
    bandPath(
      kilos.map((kg, n) => ({ x: x(n), kg })),
      TOP + row * (ROOM + GAP) + ROOM / 2,
      pxPerKg,
    );
  const real = moments.map(({ trueKg }) => trueKg);
  const rows = [
    { name: 'you believed', kind: 'believed' as const, kilos: moments.map(({ believedKg }) => believedKg) },
    { name: 'what was true', kind: 'true' as const, kilos: real },
    { name: 'the best from there', kind: 'best' as const, kilos: [...real.slice(0, -1), bestKg] },
  ];
  const labels: { x: number; text: string; anchor: 'middle' | 'end' }[] = [];
  for (const [n, { step: text }] of moments.entries()) {
    const last = labels.at(-1);
    if (last === undefined || (last.text !== text && x(n) - last.x >= LABEL_PX))
      labels.push({ x: x(n), text, anchor: x(n) > WIDTH - LABEL_PX / 2 ? 'end' : 'middle' });
  }
  const bar = scaleBar(mostKg, kitchenUnits());
  return {
    width: WIDTH,
    height: TOP + rows.length * (ROOM + GAP) + 34,
    bands: rows.map(({ name, kind, kilos }, row) => ({
      name,
      kind,
      path: drawn(kilos, row),
      labelY: TOP + row * (ROOM + GAP) + ROOM / 2 + 5,
    })),
    turns: turns.map(({ at }, k) => ({ n: k + 1, x: x(at) })),
    labels,
    kiloPx: bar.kg * pxPerKg,
    barText: bar.text,
  };
}
