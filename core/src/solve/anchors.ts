import { z } from 'zod';
import { areaOfTrayM2, usableM3 } from '../kit/index.js';
import { run, type PreparedSoup, type Run } from '../runner/index.js';
import { risingRoot } from '../numbers/index.js';
import { parcelKg, potM3, volumeM3 } from '../pot/index.js';
import { jugged, layerM2, lineIdSchema } from '../steps/index.js';

/**
 * From which side a batch is wanted. The first three and the carton are met exactly; what is on hand, the pot, trays
 * and jugs are limits that the batch fills and does not pass.
 */
export const AnchorSchema = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('bowls'), bowls: z.number().gt(0).max(20_000) }),
  z.strictObject({ by: z.literal('kg'), kg: z.number().gt(0).max(10_000) }),
  z.strictObject({ by: z.literal('litres'), litres: z.number().gt(0).max(10_000) }),
  z.strictObject({
    by: z.literal('carton'),
    line: lineIdSchema,
    cartons: z.int().min(1).max(10_000),
    cartonKg: z.number().gt(0).max(100),
  }),
  z.strictObject({ by: z.literal('on hand'), ingredient: z.string().min(1).max(80), kg: z.number().gt(0).max(100_000) }),
  z.strictObject({ by: z.literal('pot') }),
  z.strictObject({ by: z.literal('trays'), trays: z.int().min(1).max(1000) }),
  z.strictObject({ by: z.literal('jugs'), jugs: z.int().min(1).max(1000) }),
]);
export type Anchor = z.infer<typeof AnchorSchema>;

type Exact = Extract<Anchor, { by: 'bowls' | 'kg' | 'litres' | 'carton' }>;

function isExact(anchor: Anchor): anchor is Exact {
  return anchor.by === 'bowls' || anchor.by === 'kg' || anchor.by === 'litres' || anchor.by === 'carton';
}

/** Kilos of an ingredient that a run uses over all its lines. */
export function ingredientKg(prepared: PreparedSoup, of: Run, ingredient: string): number {
  return prepared.lines.reduce(
    (sum, { line }) => (line.ingredient.row.id === ingredient ? sum + (of.usedKg.get(line.id) ?? 0) : sum),
    0,
  );
}

/** Trays that the fullest roast of a run would fill in one layer, as a fraction. */
function traysFilled(prepared: PreparedSoup, of: Run): number {
  const tray = prepared.kit.trays[0];
  if (tray === undefined) return 0;
  const loads = of.records.filter(({ step }) => step.op === 'roast').map(({ before }) => layerM2(before));
  return Math.max(0, ...loads) / areaOfTrayM2(tray);
}

/** Jugs that the fullest blend of a run would fill, as a fraction. */
function jugsFilled(prepared: PreparedSoup, of: Run): number {
  return Math.max(
    0,
    ...of.records.map(({ step, before }) => {
      if (step.op !== 'blend' || step.blender === 'stick') return 0;
      const jug = prepared.kit.blenders.find(({ kind }) => kind === step.blender);
      if (jug === undefined) return 0;
      const volume = potM3(before);
      return volume / (jug.volumeM3 * jugged(volume, jug.volumeM3, before.tempC).fillShare);
    }),
  );
}

/** The figure of a run that an anchor speaks of, and what it should be. */
export function anchored(
  prepared: PreparedSoup,
  anchor: Anchor,
): { readonly wanted: number; readonly figure: (of: Run) => number } {
  switch (anchor.by) {
    case 'bowls':
      return { wanted: anchor.bowls, figure: (of) => of.bowls };
    case 'kg':
      return { wanted: anchor.kg, figure: (of) => (of.dished === undefined ? 0 : parcelKg(of.dished.parcel)) };
    case 'litres':
      return {
        wanted: anchor.litres,
        figure: (of) => (of.dished === undefined ? 0 : volumeM3(of.dished.parcel.mix, of.dished.tempC) * 1000),
      };
    case 'carton':
      return { wanted: anchor.cartons * anchor.cartonKg, figure: (of) => of.usedKg.get(anchor.line) ?? 0 };
    case 'on hand':
      return { wanted: anchor.kg, figure: (of) => ingredientKg(prepared, of, anchor.ingredient) };
    case 'pot':
      return { wanted: usableM3(prepared.vessel), figure: (of) => of.peakM3 };
    case 'trays':
      return { wanted: anchor.trays, figure: (of) => traysFilled(prepared, of) };
    case 'jugs':
      return { wanted: anchor.jugs, figure: (of) => jugsFilled(prepared, of) };
  }
}

/** Scales that are looked at: a spoonful of the soup as written to a hundred thousand times. */
const LEAST_SCALE = 1e-4;
const MOST_SCALE = 1e5;
const MOST_RUNS = 80;
/** How near the answer comes, as a share of what was asked. */
const TOLERANCE = 1e-7;
/** Two anchors that ask for scales this near to each other agree. */
const AGREE = 1e-3;

export type ScaleFound =
  | { readonly ok: true; readonly scale: number; readonly evaluations: number }
  | { readonly ok: false; readonly code: 'NO_BRACKET' | 'NOT_A_NUMBER' | 'DID_NOT_CONVERGE' | 'NOT_IN_THIS_SOUP' };

/**
 * The scale at which one anchor is met: a root on the real forward run. To 1e-7 of what is asked, in at most 80 runs,
 * scales 1e-4 to 1e5; anything else is an outcome with a code.
 */
export function scaleFor(prepared: PreparedSoup, anchor: Anchor, guess = 1): ScaleFound {
  const { wanted, figure } = anchored(prepared, anchor);
  if (figure(run(prepared, 1)) <= 0) return { ok: false, code: 'NOT_IN_THIS_SOUP' };
  const root = risingRoot((scale) => figure(run(prepared, scale)) - wanted, {
    guess: Math.min(MOST_SCALE, Math.max(LEAST_SCALE, guess)),
    least: LEAST_SCALE,
    most: MOST_SCALE,
    tolerance: wanted * TOLERANCE,
    mostEvaluations: MOST_RUNS,
  });
  return root.ok ? { ok: true, scale: root.x, evaluations: root.evaluations } : { ok: false, code: root.code };
}

export interface Contradiction {
  readonly first: Anchor;
  readonly second: Anchor;
  /** What the second would come to if the first were met, and what was asked. */
  readonly wouldBe: number;
  readonly asked: number;
}

export type Anchoring =
  | { readonly ok: true; readonly scale: number; readonly run: Run; readonly limiting: Anchor }
  | { readonly ok: false; readonly code: 'CONTRADICTION'; readonly contradictions: readonly Contradiction[] }
  | { readonly ok: false; readonly code: Extract<ScaleFound, { ok: false }>['code']; readonly anchor: Anchor };

/**
 * The scale that several anchors leave: an exact one is met if every limit lets it; with limits alone the tightest
 * decides. Anchors that can't be met together are reported with what each would come to.
 */
export function scaleForAnchors(prepared: PreparedSoup, anchors: readonly Anchor[]): Anchoring {
  const found: { anchor: Anchor; scale: number }[] = [];
  for (const anchor of anchors) {
    const one = scaleFor(prepared, anchor);
    if (!one.ok) return { ok: false, code: one.code, anchor };
    found.push({ anchor, scale: one.scale });
  }
  const exact = found.filter(({ anchor }) => isExact(anchor));
  const limits = found.filter(({ anchor }) => !isExact(anchor));
  const tightest = limits.reduce<(typeof found)[number] | undefined>(
    (a, b) => (a === undefined || b.scale < a.scale ? b : a),
    undefined,
  );
  const lead = exact[0] ?? tightest;
  if (lead === undefined) return { ok: false, code: 'NOT_IN_THIS_SOUP', anchor: { by: 'pot' } };
  const at = run(prepared, lead.scale);
  const against = [
    ...exact.slice(1).filter(({ scale }) => Math.abs(scale / lead.scale - 1) > AGREE),
    ...(isExact(lead.anchor) ? limits.filter(({ scale }) => scale < lead.scale * (1 - AGREE)) : []),
  ];
  if (against.length > 0) {
    return {
      ok: false,
      code: 'CONTRADICTION',
      contradictions: against.map(({ anchor }) => {
        const { wanted, figure } = anchored(prepared, anchor);
        return { first: lead.anchor, second: anchor, wouldBe: figure(at), asked: wanted };
      }),
    };
  }
  return { ok: true, scale: lead.scale, run: at, limiting: lead.anchor };
}
