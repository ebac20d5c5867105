import type { Mix } from '../larder/index.js';
import { enthalpyJ, vapourEnthalpyJ } from './heat.js';
import type { Parcel } from './parcel.js';

/** Why something crossed the rim. */
export type FlowKind =
  | 'ingredient'
  | 'trim'
  | 'vapour'
  | 'taken out'
  | 'given back'
  | 'drained'
  | 'sieved off'
  | 'film'
  | 'bowls'
  | 'garnish'
  | 'cup'
  | 'ladled out'
  | 'refilled'
  | 'correction';

/** Something that came in or left, computed by the step's own rule. `lineId` names the line, or what was left on. */
export interface Flow {
  readonly kind: FlowKind;
  readonly lineId: string;
  readonly parcel: Parcel;
  readonly tempC: number;
}

export function flowEnthalpyJ(flow: Flow): number {
  const mix: Mix = flow.parcel.mix;
  return flow.kind === 'vapour' ? vapourEnthalpyJ(mix, flow.tempC) : enthalpyJ(mix, flow.tempC);
}
