import { readLine, type ReadingContext } from '../amounts/index.js';
import { roleOf } from '../draft/index.js';

const PROSE_MEASURE =
  /(?<![\d/])\b((?:\d+(?:[.,]\d+)?(?: \d\/\d)?|\d\/\d|[½¼¾]|an?|half an?|one|two|three|four|six|eight|a couple of|a few)\s*(?:(?:good|large|small|generous|big|little|heaped) )?(?:(?:litres?|liters?|pints?|kilos?|pounds?) and an? (?:half|quarter)|kg|kilos?|g|lbs?|oz|pounds?|ounces?|ml|l|litres?|pints?|quarts?|cups?|tablespoon(?:ful)?s?|teaspoon(?:ful)?s?|tbsps?|tsps?|knobs?|pinch(?:es)?|sticks?|sprigs?|handfuls?|cloves?|tins?|cans?|glugs?|splash(?:es)?|drizzles?|bunch(?:es)?)\.?)\s+(?:of\s+)?(?=([a-zà-ÿ]+(?: [a-zà-ÿ]+){0,3}))/gi;
/** "A pumpkin of some 4 lb.": the weight behind the food. */
const PROSE_WEIGHED =
  /\b(?:an?|the|one|two)\s+([a-z]+(?: [a-z]+)?)(?: (?:of|weighing) (?:some |about )?|, (?:about|around|roughly|say) )(\d+(?:[.,]\d+)? ?(?:kg|g|lbs?|oz|pounds?))\b/gi;
/** "A whole head of celery (about 500g)": the weight behind it in brackets. */
const PROSE_HEAD =
  /\b(?:an?|one|the) (?:(?:whole|large|small|big|good) )*(?:head|bunch|bag|piece|wedge) of ([a-z]+(?: [a-z]+)?) \((?:about |around |roughly |say |approx\.? )?(\d+(?:[.,]\d+)? ?(?:kg|g|lbs?|oz|pounds?))\)/gi;
/** "A chopped onion", "an apple": one of what is counted by the piece. */
const PROSE_PIECE =
  /\b(a couple of|an?|another) (?:(?:large|small|medium|big|good|ripe|chopped|diced|sliced|peeled|finely|roughly|grated|crushed) )*([a-zà-ÿ]+(?: [a-zà-ÿ]+)?)(?! (?:masher|peeler|ricer|pan|press|soup|stock))\b/gi;
const PIECE_ROLES = /^(?:vegetable|base|greens)$/;
/** "A bay leaf": one of what is counted, told by its article. */
const PROSE_ONE = /\b(an?|one|two|three|a couple of) (bay lea(?:f|ves)|star anise|cinnamon sticks?)\b/gi;
const PROSE_WORDS = 3;
const PROSE_MANNER = /^(?:young|good|fresh|cold|nice|best|ripe|old|tender|washed)$/i;
/** "2 medium squash (about 4 pounds total)", "1 diced onion": a count, or the weight behind it. */
const PROSE_COUNTED =
  /(?<![\d/.,])\b(\d{1,2}|one|two|three|four|five|six)\s+(?:(?:diced|sliced|chopped|minced|peeled|crushed|ripe|whole|finely|roughly)\s+)*(?!(?:kg|g|lbs?|oz|pounds?|ounces?|ml|l|litres?|liters?|pints?|quarts?|cups?|table\w+|tea\w+|tbsps?|tsps?|knobs?|pinch\w*|sticks?|cloves?|min\w*|hours?|degrees?)\b)([a-z]+(?: [a-z]+){0,2})(?:\s*\((?:about |approx\.? |around )?(\d+(?:[.,]\d+)?\s*(?:pounds?|lbs?|kg|g|oz|ounces?))(?: total| in all)?\))?/gi;

/** Foods of a recipe that has no list: each with its measure, out of the sentences that use them. */
export function foodsInProse(text: string, context: ReadingContext): { heading: string; text: string }[] {
  const isPiece = (food: string): boolean => {
    const reading = readLine(`1 ${food}`, { ...context, guesses: false });
    const row = reading.code === 'READ' ? context.larder.get(reading.ingredient)?.row : undefined;
    return row?.pieces !== undefined && PIECE_ROLES.test(roleOf(row, food));
  };
  const pieces = [...text.matchAll(PROSE_PIECE)].flatMap((hit) => {
    const words = (hit[2] ?? '').split(' ');
    const food = [words.join(' '), words[0] ?? ''].find(isPiece);
    const many = (hit[1] ?? '').toLowerCase();
    const count = many === 'a couple of' ? '2' : /^(?:an?|another)$/.test(many) ? '1' : many;
    return food === undefined ? [] : [{ at: hit.index, measure: count, words: food }];
  });
  const found = [
    ...pieces,
    ...[...text.matchAll(PROSE_HEAD)].map((hit) => ({ at: hit.index, measure: hit[2] ?? '', words: hit[1] ?? '' })),
    ...[...text.matchAll(PROSE_WEIGHED)].map((hit) => ({ at: hit.index, measure: hit[2] ?? '', words: hit[1] ?? '' })),
    ...[...text.matchAll(PROSE_MEASURE)].map((hit) => ({ at: hit.index, measure: hit[1] ?? '', words: hit[2] ?? '' })),
    ...[...text.matchAll(PROSE_ONE)].map((hit) => ({ at: hit.index, measure: hit[1] ?? '', words: hit[2] ?? '' })),
    ...[...text.matchAll(PROSE_COUNTED)].map((hit) => ({
      at: hit.index,
      measure: hit[3] ?? hit[1] ?? '',
      words: hit[2] ?? '',
    })),
  ].sort((a, b) => a.at - b.at);
  const lines = new Set<string>();
  for (const { measure, words } of found) {
    const named = words.split(' ');
    // "400 g young nettle tops": what it is like is no part of its name.
    const each = PROSE_MANNER.test(named[0] ?? '') ? named.slice(1) : named;
    for (let length = Math.min(PROSE_WORDS, each.length); length > 0; length -= 1) {
      const line = `${measure} ${each.slice(0, length).join(' ')}`;
      if (/\b(?:and|an?|the|with|of|in|or|for|over|until|till|to|on)$/i.test(line)) continue;
      const { code } = readLine(line, { ...context, guesses: false });
      if (code !== 'READ') continue;
      lines.add(line);
      break;
    }
  }
  return [...lines].map((line) => ({ heading: '', text: line }));
}
