/** A pan of soup that cools: the lump that is warm longest, and the half of it that lies at its colder face or faces, °C. */
export interface SimulatedPan {
  readonly middleC: number;
  readonly faceC: number;
}

/** What a face meets: how cold it is, and what it takes, W/(m2 K). */
export interface Meets {
  readonly outC: number;
  readonly takesW: number;
}

/** Where a pan stands, and what is in it. */
export interface PanStands {
  readonly depthM: number;
  readonly above: Meets;
  readonly below: Meets;
  /** J/(m3 K) and W/(m K) of what is in it. */
  readonly heat: number;
  readonly conducts: number;
  /** Stirred it is as warm in the middle as at its faces. */
  readonly isStirred: boolean;
}

/** A pan that was just filled, or mixed: as warm all through. */
export function panAt(tempC: number): SimulatedPan {
  return { middleC: tempC, faceC: tempC };
}

export function meanOf({ middleC, faceC }: SimulatedPan): number {
  return (middleC + faceC) / 2;
}

/** What two things that one lump meets come to. */
function together(a: Meets, b: Meets): Meets {
  const takesW = a.takesW + b.takesW;
  return { takesW, outC: takesW > 0 ? (a.outC * a.takesW + b.outC * b.takesW) / takesW : a.outC };
}

/** A pan that is stirred: one lump, by Newton. */
function stirredAfter(pan: SimulatedPan, { above, below, heat, depthM }: PanStands, seconds: number): SimulatedPan {
  const { outC, takesW } = together(above, below);
  return panAt(outC + (meanOf(pan) - outC) * Math.exp((-takesW * seconds) / (heat * depthM)));
}

/**
 * A pan some seconds later: two lumps in a row, solved exactly, so that one long wait is the same as many short ones.
 *
 * (h/2) m' = -U (m - f) - e (m - far) and (h/2) f' = U (m - f) - H (f - out), by the two modes of that symmetric pair; h is the
 * heat that a square metre of the layer holds for a kelvin. Where both faces take alike, U is that of a layer's own slowest mode
 * between two cold faces; where one takes all, that of a layer twice as deep, and the weaker face is the middle's own.
 */
export function panAfter(pan: SimulatedPan, stands: PanStands, seconds: number): SimulatedPan {
  const { depthM, above, below, heat, conducts, isStirred } = stands;
  if (isStirred) return stirredAfter(pan, stands, seconds);
  const [near, far] = above.takesW > below.takesW ? [above, below] : [below, above];
  const evenness = near.takesW > 0 ? far.takesW / near.takesW : 1;
  const inside = ((Math.PI ** 2 * conducts) / (2 * depthM)) * ((1 + evenness) / 2) ** 2;
  const own: Meets = { outC: far.outC, takesW: (1 - evenness) * far.takesW };
  const face = together(near, { outC: far.outC, takesW: evenness * far.takesW });
  // Where both end: the pair at rest.
  const whole = inside * (own.takesW + face.takesW) + own.takesW * face.takesW;
  const restMiddle =
    whole > 0 ? ((inside + face.takesW) * own.takesW * own.outC + inside * face.takesW * face.outC) / whole : meanOf(pan);
  const restFace =
    whole > 0 ? ((inside + own.takesW) * face.takesW * face.outC + inside * own.takesW * own.outC) / whole : meanOf(pan);
  const half = (face.takesW - own.takesW) / 2;
  const centre = inside + (face.takesW + own.takesW) / 2;
  const root = Math.hypot(half, inside);
  const rate = 2 / (heat * depthM);
  const slow = Math.exp(-(centre - root) * rate * seconds);
  const quick = Math.exp(-(centre + root) * rate * seconds);
  // The slow mode's direction; the quick one stands across it.
  const length = Math.hypot(inside, root - half);
  const a = length > 0 ? inside / length : Math.SQRT1_2;
  const b = length > 0 ? (root - half) / length : Math.SQRT1_2;
  const middleOff = pan.middleC - restMiddle;
  const faceOff = pan.faceC - restFace;
  const along = (middleOff * a + faceOff * b) * slow;
  const across = (middleOff * b - faceOff * a) * quick;
  return { middleC: restMiddle + along * a + across * b, faceC: restFace + along * b - across * a };
}
