import { weigh } from '../amounts/index.js';
import { areaM2, boilingPointC, type Kit, type Vessel } from '../kit/index.js';
import type { Larder } from '../larder/index.js';
import type { ReadyLine } from '../steps/index.js';
import { checkSoup, walk, type Line, type Soup, type SoupProblem } from '../soup/index.js';

/** A soup with its larder rows and kit looked up once, to be run many times at many scales. */
export interface Ready {
  readonly soup: Soup;
  readonly kit: Kit;
  readonly vessel: Vessel;
  readonly boilC: number;
  readonly bowlKg: number;
  readonly lines: readonly ReadyAtOne[];
}

/** A line at scale 1; `scales` is false where the pan or a step decides. */
export interface ReadyAtOne {
  readonly line: ReadyLine;
  readonly scales: boolean;
}

export type Readied =
  | { readonly ok: true; readonly ready: Ready }
  | {
      readonly ok: false;
      readonly problems: readonly (SoupProblem | { readonly path: string; readonly code: 'UNKNOWN_POT'; readonly potId: string })[];
    };

/** Piece size where a line names none: what is already small. Kitchen default. */
const UNCUT = { shape: 'cube', sizeMm: 6 } as const;

function readyLine(line: Line, larder: Larder, vessel: Vessel, finishes: ReadonlySet<string>): ReadyAtOne {
  const ingredient = larder.get(line.ingredient);
  if (ingredient === undefined) throw new Error('A soup is checked before it is made ready.');
  const keptShare = line.way === undefined ? 1 : (ingredient.row.trims.find(({ way }) => way === line.way)?.share ?? 1);
  const cut = line.cut ?? UNCUT;
  let massKg = 0;
  if (line.amount.rule === 'panFloor') massKg = line.amount.kgPerM2 * areaM2(vessel);
  if (line.amount.rule === 'scaled') {
    const weighed = weigh(line.amount.amount, ingredient);
    if (!weighed.ok) throw new Error('A soup is checked before it is made ready.');
    massKg = weighed.mass.basis === 'edible' ? weighed.mass.massKg / keptShare : weighed.mass.massKg;
  }
  return {
    scales: line.amount.rule === 'scaled',
    line: { id: line.id, ingredient, massKg, keptShare, shape: cut.shape, sizeM: cut.sizeMm / 1000, finish: finishes.has(line.id) },
  };
}

/** Checks a soup against larder and kit, and looks everything up for the runner. */
export function makeReady(soup: Soup, larder: Larder, kit: Kit, potId: string, bowlKg: number): Readied {
  const problems = checkSoup(soup, larder, kit);
  const vessel = kit.pots.find(({ id }) => id === potId);
  if (vessel === undefined) return { ok: false, problems: [...problems, { path: 'potId', code: 'UNKNOWN_POT', potId }] };
  if (problems.length > 0) return { ok: false, problems };
  const finishes = new Set(walk(soup.root).flatMap(({ step }) => (step.op === 'cream' ? [step.line] : [])));
  return {
    ok: true,
    ready: {
      soup,
      kit,
      vessel,
      boilC: boilingPointC(kit.altitudeM),
      bowlKg,
      lines: soup.lines.map((line) => readyLine(line, larder, vessel, finishes)),
    },
  };
}
