import { bodyWord } from '@tureen/core/body';
import { BODY_WITHIN } from '@tureen/core/batch';
import type { Measure } from '@tureen/core/kit';
import type { NameOf } from '@tureen/core/messages';
import { showMinutes, type UnitSystem } from '@tureen/core/units';
import type { BatchView } from '../../cooking/batch-view';
import { mass, timeOfDay } from '../figures';
import type { GaugeFigures } from '../../parts/gauge';
import { NINETY } from './gauges';

/** One way to land a gauge, in one line: what to do first, of how much, and what else it changes. */
export interface LandingLine {
  readonly key: string;
  readonly text: string;
  readonly also: string;
  /** What the hand bar is filled with when it is chosen; nothing for boiling down. */
  readonly aim: { readonly lineId: string; readonly kg: number; readonly then: string } | undefined;
  /** What has to come out first for it to fit. */
  readonly ladleOutKg?: number;
}

export interface BodyGauge {
  readonly gauge: GaugeFigures;
  readonly says: string;
  readonly lines: readonly LandingLine[];
}

const SHOWN_TO = 4.3;
/** Thinner than steam on a spoon: there is nothing yet to have a body. */
export const LEAST_MPAS = 0.5;
const MINUTE_MS = 60_000;

/** Body is felt in proportions, so its gauge goes by its logarithm, from water up. */
function scaled(mPas: number): number {
  return Math.max(0, Math.log10(Math.max(1, mPas)));
}

/** How much of the biggest ladle that is not bigger than the amount: "2½ big ladles". */
export function inLadles(kg: number, densityKgM3: number, ladles: readonly Measure[]): string {
  const volumeM3 = kg / densityKgM3;
  const ladle = [...ladles].sort((a, b) => b.volumeM3 - a.volumeM3).find((one) => one.volumeM3 <= volumeM3 * 1.01);
  if (ladle === undefined) return '';
  const halves = Math.round((volumeM3 / ladle.volumeM3) * 2) / 2;
  const whole = Math.floor(halves);
  return `${String(whole)}${halves > whole ? '½' : ''} × ${ladle.name.toLowerCase()}`;
}

/** The body gauge of a batch with at most three ways to land it; nothing where the pot holds nothing that has a body. */
export function bodyGauge(view: BatchView, nameOf: NameOf, units: UnitSystem, nowMs: number): BodyGauge | undefined {
  const { body, kit } = view;
  if (body === undefined || (!body.tooEarly && !(body.nowMPas > 0))) return undefined;
  const coming = body.comingKg > 0.001 ? ` The ${mass(body.comingKg, units)} still to come are counted in.` : '';
  const blur = body.nowMPas < LEAST_MPAS ? '' : `give or take ${(Math.expm1(body.sdLn) * 100).toFixed(0)} %`;
  const { wantedMPas } = body;
  const lineOf = new Map(view.lines.map(({ lineId, ingredient }) => [ingredient, lineId]));
  return {
    gauge: {
      name: 'Body',
      figure: body.nowMPas < LEAST_MPAS ? 'in pieces' : `${body.nowMPas.toFixed(0)} mPa·s, ${bodyWord(body.nowMPas)}`,
      wanted:
        wantedMPas === undefined
          ? ['the card asks for none', blur].filter((text) => text !== '').join('; ')
          : [`wanted ${wantedMPas.toFixed(0)}, ${bodyWord(wantedMPas)}`, blur].filter((text) => text !== '').join('; '),
      value: scaled(body.nowMPas),
      ...(wantedMPas === undefined ? {} : { low: scaled(wantedMPas / BODY_WITHIN), high: scaled(wantedMPas * BODY_WITHIN) }),
      most: SHOWN_TO,
      ...(body.nowMPas < LEAST_MPAS
        ? {}
        : { from: scaled(body.nowMPas * Math.exp(-NINETY * body.sdLn)), to: scaled(body.nowMPas * Math.exp(NINETY * body.sdLn)) }),
      ...(view.lastRead.bodyMPas === undefined ? {} : { read: scaled(view.lastRead.bodyMPas) }),
    },
    says: body.tooEarly ? 'Too early to judge: it is not blended yet.' : body.ways.length > 0 ? `To land it:${coming}` : '',
    lines: body.ways.flatMap((way): LandingLine[] => {
      const bowls = `${way.then.bowls.toFixed(0)} bowls`;
      const also = `then ${way.then.saltPct.toFixed(2)} % salt, ${bowls}.`;
      if (way.by === 'reduce') {
        const text = `Boil it down, lid off, ${showMinutes(way.minutes)}: until ${timeOfDay(nowMs + way.minutes * MINUTE_MS)}`;
        return [{ key: 'reduce', text, also, aim: undefined }];
      }
      const lineId = lineOf.get(way.ingredient ?? '') ?? '';
      const ladles = inLadles(way.firstKg, view.pot.densityKgM3, kit.ladles);
      const pour: LandingLine = {
        key: `${way.by} ${lineId}`,
        text: `Pour ${mass(way.firstKg, units)} ${nameOf(lineId)}${ladles === '' ? '' : ` (${ladles})`}, stir, look again`,
        also: `${mass(way.kg, units)} in all: ${also}`,
        aim: { lineId, kg: way.firstKg, then: 'read the body' },
      };
      if (!way.overflows) return [pour];
      // What is ladled out need not be let down either: of the pot as it is goes the share that would stand too high.
      const overKg = -way.then.headspaceM3 * view.pot.densityKgM3;
      const ladleOutKg = (way.now.massKg * overKg) / way.then.massKg;
      const out: LandingLine = {
        key: `out ${lineId}`,
        text: `First ladle ${mass(ladleOutKg, units)} into another pot`,
        also: `${mass(way.kg, units)} of ${nameOf(lineId)} do not fit in this one.`,
        aim: undefined,
        ladleOutKg,
      };
      return [out];
    }),
  };
}

/** What the sums say of the salt, in one line. */
export function saltAdvice({ salt }: BatchView, nameOf: NameOf, units: UnitSystem): string {
  const [way] = salt?.ways ?? [];
  if (salt === undefined) return '';
  const now = `By the sums ${salt.nowPct.toFixed(2)} %, wanted ${salt.wantedPct.toFixed(2)} %`;
  if (way === undefined) return `${now}: nothing to add.`;
  const share = way.firstKg < way.kg ? ` first, of ${mass(way.kg, units)}` : '';
  return `${now}: ${mass(way.firstKg, units)} ${nameOf(way.line)}${share}${
    way.heavier > 1.02 ? `; the pot gets ${((way.heavier - 1) * 100).toFixed(0)} % heavier` : ''
  }.`;
}

/** At most three ways to land the salt, as buttons: what to give first, of how much. */
export function saltLines({ salt, pot, kit }: BatchView, nameOf: NameOf, units: UnitSystem): LandingLine[] {
  return (salt?.ways ?? []).map(({ line, kg, firstKg, heavier }) => {
    const lets = heavier > 1.02;
    const ladles = lets ? inLadles(firstKg, pot.densityKgM3, kit.ladles) : '';
    const verb = lets ? 'Pour' : 'Give';
    return {
      key: `salt ${line}`,
      text: `${verb} ${mass(firstKg, units)} ${nameOf(line)}${ladles === '' ? '' : ` (${ladles})`}, stir, taste`,
      also: `${mass(kg, units)} in all${lets ? `; the pot gets ${((heavier - 1) * 100).toFixed(0)} % heavier and thinner` : ''}.`,
      aim: { lineId: line, kg: firstKg, then: 'taste' },
    };
  });
}
