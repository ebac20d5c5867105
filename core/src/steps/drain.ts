import { z } from 'zod';
import { potWith, withLiquid, parcelKg, scaleParcel, type Flow, type PotState } from '../pot/index.js';
import { actsThenStep } from './entered.js';
import { stepKind } from './kind.js';
import { goneFrom, stepBase, type StepResult } from './step.js';

export const DrainSchema = z.strictObject({
  ...stepBase,
  op: z.literal('drain'),
  /** What goes on: the pieces, or the liquid (a strained stock). */
  keep: z.enum(['pieces', 'liquid']),
  /** Share of the drained liquid that goes on all the same; the rest is kept elsewhere or thrown away. */
  liquidShare: z.number().min(0).max(1),
});
export type Drain = z.infer<typeof DrainSchema>;

/** Liquid that clings to drained pieces, kg per kg of them. Kitchen default. */
const CLINGS = 0.05;

/** Parts pieces and liquid. What clings to the pieces goes where they go. */
export function drain(pot: PotState, settings: Drain): StepResult {
  const liquidKg = parcelKg(pot.liquid);
  const piecesKg = pot.cohorts.reduce((sum, { parcel }) => sum + parcelKg(parcel), 0);
  const clingsShare = liquidKg > 0 ? Math.min(1, (CLINGS * piecesKg) / liquidKg) : 0;
  const free = 1 - clingsShare;
  const outflows: Flow[] = [];
  const off = free * (1 - settings.liquidShare);
  if (liquidKg > 0 && off > 0) {
    outflows.push({ kind: 'drained', lineId: 'liquid', parcel: scaleParcel(pot.liquid, off), tempC: pot.tempC });
  }
  if (settings.keep === 'pieces') {
    const stays = clingsShare + free * settings.liquidShare;
    return goneFrom(withLiquid(pot, scaleParcel(pot.liquid, stays)), outflows);
  }
  for (const { lineId, parcel } of pot.cohorts) outflows.push({ kind: 'taken out', lineId, parcel, tempC: pot.tempC });
  if (clingsShare > 0)
    outflows.push({ kind: 'drained', lineId: 'clings', parcel: scaleParcel(pot.liquid, clingsShare), tempC: pot.tempC });
  const liquid = scaleParcel(pot.liquid, free * settings.liquidShare);
  return goneFrom(potWith(pot, liquid, [], pot.tempC), outflows);
}

export const drainKind = stepKind<Drain>({ op: 'drain', run: drain, entered: actsThenStep });
