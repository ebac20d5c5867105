import type { Branch } from '../soup/index.js';

/** Degrees by which two heats may differ and still share an oven. Kitchen default. */
const SHARED_K = 10;

interface Roasted {
  readonly fromMin: number;
  readonly toMin: number;
  readonly ovenC: number;
}

/**
 * Heats that one oven would have to give at the same time, °C: every tray is in just so long that it is ready where it joins,
 * so two that overlap there at heats too far apart can't share an oven. Empty where they can.
 */
export function heatsAtOnce(root: Branch): readonly number[] {
  const roasts = roastsOf(root);
  for (const [n, one] of roasts.entries()) {
    for (const other of roasts.slice(n + 1)) {
      const isTogether = one.fromMin < other.toMin && other.fromMin < one.toMin;
      if (isTogether && Math.abs(one.ovenC - other.ovenC) > SHARED_K) return [one.ovenC, other.ovenC].sort((a, b) => a - b);
    }
  }
  return [];
}

/** The roasts of all that runs into a branch, on its clock: each tray ends where it joins. */
function roastsOf(branch: Branch): Roasted[] {
  const found: Roasted[] = [];
  let now = 0;
  for (const step of branch.steps) {
    if (step.op === 'join') {
      const own = step.branch.steps.flatMap((one) => (one.op === 'roast' ? [one] : []));
      let end = now;
      for (const roast of [...own].reverse()) {
        found.push({ fromMin: end - roast.minutes, toMin: end, ovenC: roast.ovenC });
        end -= roast.minutes;
      }
    } else if ('minutes' in step && typeof step.minutes === 'number') now += step.minutes;
  }
  return found;
}
