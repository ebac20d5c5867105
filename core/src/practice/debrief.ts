import { massOf, saltPctOf, stirredIn, thicknessOf, type SimulatedPot } from '../bench/index.js';
import type { StoredEntry } from '../batch/index.js';
import { SALT } from '../larder/index.js';
import type { Planned } from '../plan/index.js';
import { bodyMPas, contents, potKg } from '../pot/index.js';
import { walk } from '../soup/index.js';
import { harmsOf, type Harm } from './harms.js';
import { cookedIn, type Cooked, type Hidden, type Moment } from './cooked.js';
import type { Lesson, Mark } from './lessons.js';
import { sourIn, sourOf } from './sour.js';

/** One thing that is judged: what was wanted, what is true, what was believed, and how good that is. */
export interface Judged {
  readonly mark: Mark;
  readonly wanted: number;
  readonly true: number;
  readonly believed: number;
  /** 2 right, 1 near, 0 off. */
  readonly points: 0 | 1 | 2;
}

/** What it would have taken at the end, by somebody who knew what stands in the pot. */
export interface Best {
  /** Water to let down with, kg; 0 where it is thin enough. */
  readonly waterKg: number;
  /** Salt still to add, kg, once it is let down; negative: so much too much is in. */
  readonly saltKg: number;
  readonly bowls: number;
}

/** A moment from which on kilos, salt or body were others than was believed. */
export interface Turn {
  readonly of: 'kg' | 'salt' | 'body';
  readonly moment: Moment;
}

export interface Debrief {
  readonly cooked: Cooked;
  readonly marks: readonly Judged[];
  readonly isPassed: boolean;
  readonly best: Best;
  /** Where what was believed first left what was true, in the order in which it came. */
  readonly turns: readonly Turn[];
  readonly harms: readonly Harm[];
}

/** How near is right and how near is nearly right: body as a factor, salt in points, bowls as a share. */
const BODY = { right: 1.35, near: 1.8 };
const SALT_PCT = { right: 0.08, near: 0.16 };
const YIELD = { right: 0.07, near: 0.14 };
/** Sourness, as ln of the index. */
const SOUR_LN = { right: 0.15, near: 0.4 };
/** Minutes by the clock, as times the plan's: so many are right, and nearly. */
const MINUTES = { right: 1.2, near: 1.5 };
/** Below this share of the plan's minutes nobody has waited for anything: the clock says nothing of the cook. */
const WAITED = 0.5;
/** Further apart than this is worth a word: shares of the kilos, points of salt, body as ln. */
const APART = { kg: 0.06, saltPct: 0.1, bodyLn: 0.35 };
const HALVINGS = 60;
const MINUTE_MS = 60_000;

function points(off: number, { right, near }: { right: number; near: number }): Judged['points'] {
  return off <= right ? 2 : off <= near ? 1 : 0;
}

/** Whether a card asks for a body. */
function wantsBody({ prepared }: Planned): boolean {
  return walk(prepared.soup.root).some(({ step }) => step.op === 'thin');
}

/** Water that brings a pot down to a body, kg: by halving, on the hidden pot itself. */
function waterTo(pot: SimulatedPot, wantedMPas: number, servedC: number): number {
  const letDownBy = (kg: number): SimulatedPot => stirredIn(pot, { kg, solidsShare: 0, saltShare: 0, tempC: pot.tempC });
  if (massOf(pot) <= 0 || thicknessOf(pot, servedC) <= wantedMPas) return 0;
  let low = 0;
  let high = massOf(pot) * 4;
  for (let n = 0; n < HALVINGS; n++) {
    const middle = (low + high) / 2;
    if (thicknessOf(letDownBy(middle), servedC) > wantedMPas) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** How long it took by the clock of the practice, against the plan; nothing where the steps were ticked off without their minutes. */
function minutesJudged({ run }: Planned, entries: readonly StoredEntry[]): Judged[] {
  const times = entries.map(({ atMs }) => atMs);
  const minutes = times.length === 0 ? 0 : (Math.max(...times) - Math.min(...times)) / MINUTE_MS;
  if (!(run.minutes > 0) || minutes < WAITED * run.minutes) return [];
  return [
    { mark: 'minutes', wanted: run.minutes, true: minutes, believed: run.minutes, points: points(minutes / run.minutes, MINUTES) },
  ];
}

/** Of kilos, salt and body each the first moment at which it was not what was believed, and stayed so. */
function turnsOf(moments: readonly Moment[]): Turn[] {
  const isApart: Readonly<Record<Turn['of'], (moment: Moment) => boolean>> = {
    kg: ({ believed, true: real }) => Math.abs(real.kg - believed.kg) > APART.kg * Math.max(real.kg, 0.1),
    salt: ({ believed, true: real }) => Math.abs(real.saltPct - believed.saltPct) > APART.saltPct,
    body: ({ believed, true: real }) =>
      believed.mPas !== undefined && real.mPas !== undefined && Math.abs(Math.log(real.mPas / believed.mPas)) > APART.bodyLn,
  };
  const at = new Map(moments.map((moment, n) => [moment, n]));
  return (['kg', 'salt', 'body'] as const)
    .flatMap((of): Turn[] => {
      const n = moments.findIndex(
        (moment, k) => isApart[of](moment) && (moments[k + 1] === undefined || isApart[of](moments[k + 1] ?? moment)),
      );
      const moment = moments[n];
      return moment === undefined ? [] : [{ of, moment }];
    })
    .sort((a, b) => (at.get(a.moment) ?? 0) - (at.get(b.moment) ?? 0));
}

/** What a batch of a practice came to, against its plan: every mark by the truth. */
export function debriefOf(plan: Planned, entries: readonly StoredEntry[], hidden: Hidden, lesson?: Lesson): Debrief {
  const cooked = cookedIn(plan, entries, hidden);
  const { servedC, parameters } = plan.prepared;
  const wanted = plan.run.last?.before;
  const planKg = wanted === undefined ? 0 : potKg(wanted);
  const wantedSalt = wanted === undefined || planKg === 0 ? 0 : (contents(wanted).mix[SALT] / planKg) * 100;
  const wantedBody = wanted === undefined ? 0 : bodyMPas(wanted, servedC, parameters.bodyA);
  const { pot, state } = cooked;
  const kg = massOf(pot);
  // Bowls that have gone out count: what stood in the pot before them is judged.
  const believed = state.happened.findLast(({ step }) => step.op === 'dish')?.before ?? state.pot;
  const believedKg = Math.max(1e-9, potKg(believed));
  const bowls = (of: number): number => (planKg === 0 ? 0 : (plan.run.bowls * of) / planKg);
  const trueBody = kg > 0 ? thicknessOf(pot, servedC) : 0;
  const trueSalt = kg > 0 ? saltPctOf(pot) : 0;
  const body: Judged = {
    mark: 'body',
    wanted: wantedBody,
    true: trueBody,
    believed: bodyMPas(believed, servedC, parameters.bodyA),
    points: kg > 0 ? points(Math.exp(Math.abs(Math.log(trueBody / wantedBody))), BODY) : 0,
  };
  const sour = wanted === undefined ? 0 : sourIn(wanted);
  const trueSour = sourOf(kg, pot);
  const harms = harmsOf(plan, entries, cooked, lesson);
  const marks: Judged[] = [
    // A card that asks for no body is not judged by one.
    ...(wantsBody(plan) ? [body] : []),
    {
      mark: 'salt',
      wanted: wantedSalt,
      true: trueSalt,
      believed: (contents(believed).mix[SALT] / believedKg) * 100,
      points: kg > 0 ? points(Math.abs(trueSalt - wantedSalt), SALT_PCT) : 0,
    },
    {
      mark: 'yield',
      wanted: plan.run.bowls,
      true: bowls(kg),
      believed: bowls(believedKg),
      // Of bowls it counts that it is known how many there are: who knows can plan for it.
      points: kg > 0 ? points(Math.abs(Math.log(kg / believedKg)), YIELD) : 0,
    },
    ...(lesson?.about === 'sour'
      ? [
          {
            mark: 'sour',
            wanted: sour,
            true: trueSour,
            believed: sourIn(believed),
            points: trueSour > 0 && sour > 0 ? points(Math.abs(Math.log(trueSour / sour)), SOUR_LN) : 0,
          } as const,
        ]
      : []),
    ...minutesJudged(plan, entries),
    { mark: 'safety', wanted: 0, true: harms.length, believed: 0, points: kg > 0 && harms.length === 0 ? 2 : 0 },
  ];
  const waterKg = wantsBody(plan) ? waterTo(pot, wantedBody, servedC) : 0;
  const letDown = stirredIn(pot, { kg: waterKg, solidsShare: 0, saltShare: 0, tempC: pot.tempC });
  const share = wantedSalt / 100;
  const saltKg = kg > 0 && share < 1 ? (share * massOf(letDown) - letDown.saltKg) / (1 - share) : 0;
  const about = lesson === undefined ? undefined : marks.find(({ mark }) => mark === lesson.about);
  return {
    cooked,
    marks,
    isPassed:
      kg > 0 && (about === undefined || about.points === 2) && marks.every((one) => one.points > 0 || one.mark === 'minutes'),
    best: { waterKg, saltKg, bowls: bowls(massOf(letDown)) },
    turns: turnsOf(cooked.moments),
    harms,
  };
}
