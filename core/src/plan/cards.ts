import { cardYieldKg, run, scaleForYield, type CardAmounts, type PreparedSoup, type Run } from '../runner/index.js';
import { CARD } from '../soup/index.js';

/** A card that a plan makes: how much of it is wanted, and its own run at that size. */
export interface CardMade {
  readonly cardId: string;
  readonly name: string;
  readonly wantedKg: number;
  readonly scale: number;
  readonly prepared: PreparedSoup;
  readonly run: Run;
}

/** Kilos of each card's outcome that a run takes, by card id. */
export function cardAmounts(prepared: Pick<PreparedSoup, 'lines'>, of: Run): CardAmounts {
  const kg = new Map<string, number>();
  for (const { line } of prepared.lines) {
    const { id } = line.ingredient.row;
    if (!id.startsWith(CARD)) continue;
    const card = id.slice(CARD.length);
    kg.set(card, (kg.get(card) ?? 0) + (of.usedKg.get(line.id) ?? 0));
  }
  return kg;
}

/** Every card that a run needs made, with the cards within them, each at the size it is wanted in. */
export function cardsMade(prepared: Pick<PreparedSoup, 'lines' | 'cards'>, of: Run): CardMade[] {
  return [...cardAmounts(prepared, of)].flatMap(([cardId, wantedKg]): CardMade[] => {
    const card = prepared.cards.get(cardId);
    if (card === undefined || wantedKg <= 0) return [];
    const scale = scaleForYield(card, wantedKg) ?? wantedKg / Math.max(1e-9, cardYieldKg(run(card, 1)));
    const made = run(card, scale);
    return [{ cardId, name: card.soup.name, wantedKg, scale, prepared: card, run: made }, ...cardsMade(card, made)];
  });
}
