import type { Amount, LineReading } from '../amounts/index.js';
import type { Line } from '../soup/index.js';
import type { IngredientRow, Larder } from '../larder/index.js';
import { assumedAmount, cutOf, roleOf, usualCut, type Role } from './role.js';

/** What may be taken for granted of a line, each shown beside it. */
export type Assumed = Extract<LineReading, { code: 'READ' }>['assumed'][number] | 'TO_TASTE';

/** A written line that has been understood: ready to be put into a soup. */
export interface TakenLine {
  readonly text: string;
  readonly row: IngredientRow;
  readonly role: Role;
  readonly amount: Line['amount'];
  readonly way: string | undefined;
  readonly cut: Line['cut'];
  /** As bought or edible, kg; 0 where a step settles it. */
  readonly kg: number;
  readonly assumed: readonly Assumed[];
}

/** An answer to what was asked of a line. */
export interface Answer {
  readonly ingredient: string;
  readonly amount: Amount;
  readonly kg: number;
}

/** Frying fat by the floor of the pan, kg/m2: a film that coats it. Kitchen default. */
export const PAN_FAT_KG_M2 = 0.5;

export interface TakeContext {
  readonly larder: Larder;
  readonly heading?: string | undefined;
  /** Bowls that the soup is written for, for what is written "to taste". */
  readonly bowls: number;
}

function taken(
  text: string,
  row: IngredientRow,
  role: Role,
  rest: Pick<TakenLine, 'amount' | 'kg' | 'assumed' | 'way'>,
): TakenLine {
  // "Stock, made with 3 cubes".
  const said = row.densityKgM3 === undefined ? cutOf(text) : undefined;
  const needsCut = row.trims.some(({ share }) => share < 1) || row.softening > 0;
  return { text, row, role, cut: said ?? (needsCut ? usualCut(role, row) : undefined), ...rest };
}

/** What is written for a spice follows the soup's own school of spice scaling; all else follows the batch. */
function ruled(amount: Amount, row: IngredientRow, role: Role): Line['amount'] {
  const isSpice = row.group === 'spices' || row.group === 'chillies';
  return isSpice && role !== 'garnish' ? { rule: 'spice', amount } : { rule: 'scaled', amount };
}

/**
 * Turns a reading into a line that can be put into a soup; undefined where it still has to be asked. An `answer` is what
 * the cook said to a question.
 */
export function takeLine(reading: LineReading, context: TakeContext, answer?: Answer): TakenLine | undefined {
  const { larder, heading, bowls } = context;
  const { text } = reading;
  const row = (id: string): IngredientRow | undefined => larder.get(id)?.row;
  if (answer !== undefined) {
    const own = row(answer.ingredient);
    if (own === undefined) return undefined;
    const role = roleOf(own, text, heading);
    return taken(text, own, role, { amount: ruled(answer.amount, own, role), kg: answer.kg, assumed: [], way: usualWay(own) });
  }
  if (reading.code === 'READ') {
    const own = row(reading.ingredient);
    if (own === undefined) return undefined;
    const role = roleOf(own, text, heading);
    const { kg, assumed, way } = reading;
    return taken(text, own, role, { amount: ruled(reading.amount, own, role), kg, assumed, way });
  }
  if (reading.code !== 'BY_STEP' && reading.code !== 'NO_AMOUNT') return undefined;
  const own = row(reading.ingredient);
  if (own === undefined) return undefined;
  const role = roleOf(own, text, heading);
  const says = reading.code === 'BY_STEP' ? reading.says : undefined;
  if (says === 'for frying' || (role === 'fat' && says !== undefined)) {
    return taken(text, own, role, { amount: { rule: 'panFloor', kgPerM2: PAN_FAT_KG_M2 }, kg: 0, assumed: [], way: undefined });
  }
  // "Ice cold water", "water as needed": the step that pours it says how much.
  if (role === 'salt' || (role === 'liquid' && says === 'to cover') || says === 'to the mark' || own.id === 'water') {
    return taken(text, own, role, { amount: { rule: 'byStep' }, kg: 0, assumed: [], way: undefined });
  }
  const amount = assumedAmount(role, own, bowls);
  if (amount === undefined) return undefined;
  return taken(text, own, role, {
    amount: ruled(amount, own, role),
    kg: amount.value / 1000,
    assumed: ['TO_TASTE'],
    way: usualWay(own),
  });
}

/** The way of trimming that a row names first, where it takes something away. */
export function usualWay(row: IngredientRow): string | undefined {
  const [first] = row.trims;
  return first !== undefined && first.share < 1 ? first.way : undefined;
}
