import { TENDER } from '../pot/index.js';
import { kindOf, type SoupStep } from '../soup/index.js';
import type { PreparedSoup } from './prepared.js';
import type { Run } from './run.js';

/** The two clocks of one line: when its pieces are tender, and when its rawness has cooked out. Minutes. */
export interface LineClock {
  readonly lineId: string;
  /** Step at whose end the pieces are tender; undefined when they never are, or there are none. */
  readonly tenderAt: string | undefined;
  readonly hasPieces: boolean;
  readonly meldNeeds: number;
  readonly hotMinutes: number;
  readonly melded: boolean;
}

const HOT_C = 80;

/** Resting and standing hot meld nothing that counts. */
function cooks(step: SoupStep): boolean {
  return step.op !== 'join' && kindOf(step).cooks;
}

/** Both clocks of every line of a run, told from its records. */
export function clocksOf(prepared: PreparedSoup, run: Pick<Run, 'records'>): LineClock[] {
  return prepared.lines.map(({ line }): LineClock => {
    let inPot = false;
    let hotMinutes = 0;
    let tenderAt: string | undefined;
    let hasPieces = false;
    for (const record of run.records) {
      if (record.inflows.some((flow) => flow.kind === 'ingredient' && flow.lineId === line.id)) inPot = true;
      if (!inPot) continue;
      const cohort = record.pot.cohorts.find(({ lineId }) => lineId === line.id);
      hasPieces ||= cohort !== undefined;
      if (tenderAt === undefined && cohort !== undefined && cohort.softness >= TENDER) tenderAt = record.step.id;
      const cooksHere = cooks(record.step) && record.pot.tempC >= HOT_C;
      if (cooksHere) hotMinutes += Math.max(0, record.minutes - (record.counts?.toBoilMinutes ?? 0));
    }
    const meldNeeds = line.ingredient.row.meldMinutes;
    return { lineId: line.id, tenderAt, hasPieces, meldNeeds, hotMinutes, melded: hotMinutes >= meldNeeds };
  });
}
