import { readLine } from '../amounts/index.js';
import type { Kitchen } from './kitchen.js';
import type { Vessel } from './vessel.js';

const MEASURE =
  /(\d+(?:[.,]\d+)?|\d+\s+\d\/\d|\d\/\d|[½¼¾]|\ban?|\bone|\btwo|\bthree|\bfour|\bhalf an?) ?(ml|l|ltrs?|litres?|liters?|cups?|cupfuls?|pints?|pts?\b\.?|qts?\b\.?|quarts?|gal\b\.?|gallons?|ladlefuls?|ladles?)(?![a-z])/i;

/** What stands in a vessel, kg as it went in: what boils off is not known while a text is read. */
function kgIn(k: Kitchen, vessel: Vessel, counts: (line: string) => boolean): number {
  return [...vessel.lines].reduce((sum, line) => {
    const taken = k.lineOf(line)?.taken;
    if (taken === undefined || !counts(line)) return sum;
    const used = (k.uses.get(line) ?? []).reduce((all, { share = 1 }) => all + share, 0);
    return sum + taken.kg * Math.min(1, used);
  }, 0);
}

/**
 * "1 quart of the soup", "300 ml of the cooking water": the share that it is of what stands in the vessel, or of those of its
 * lines that count. Undefined where no measure is said, or nothing is known to stand there.
 */
export function measuredPart(
  k: Kitchen,
  vessel: Vessel,
  text: string,
  counts: (line: string) => boolean = () => true,
): number | undefined {
  const measure = MEASURE.exec(text)?.[0];
  if (measure === undefined) return undefined;
  const reading = readLine(`${measure.replace(/fuls?$/i, '')} water`, k.context);
  const kg = kgIn(k, vessel, counts);
  return reading.code === 'READ' && reading.kg > 0 && kg > 0 ? Math.min(1, reading.kg / kg) : undefined;
}
