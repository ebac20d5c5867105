import { takeLine, type TakenLine } from '../draft/index.js';
import { readLine } from '../amounts/index.js';
import type { Clause } from './clauses.js';
import type { Kitchen } from './kitchen.js';
import { BUT } from './food-words.js';
import type { Mention } from './mentions.js';
import { LITTLE_G, SPLASH_G } from './usual.js';

/** What a bowl has of a food that the method names without an amount, g. Kitchen defaults, marked where they are used. */
const CREAM_G = 25;
const VEGETABLE_G = 60;

/** A measure with up to three words behind it. */
const MEASURED_FOOD =
  /(?<![\w½¼¾⅓⅔])((?:\d+\s*[½¼¾⅓⅔]|\d+\s+\d\/\d|\d+(?:[.,]\d+)?|[½¼¾⅓⅔]|\d\/\d|a|an|half a|one|two|three|another)\s*(?:kg|g|ml|l|litres?|liters?|cups?|tbsps?|tablespoons?|tsps?|teaspoons?|spoonfuls?|pints?|quarts?|splash(?:es)?|dash|glug|drop|drizzle|knob|pinch|squeeze|ladle(?:ful)?|little|bit|few drops|(?:few |couple of )?sprigs?|handful|bunch|grating|twist))\b\.?\s*(?:of\s+)?(?:(?:hot|cold|warm|boiling|iced|more|extra|fresh|kosher|sea|fine|ground)\s+)*(?=([a-zà-ÿ]+(?:\s+[a-zà-ÿ]+){0,2}))/gi;

/** A food that stands in the method alone becomes a line. */
export function found(k: Kitchen, name: string, clause: Clause, grams?: number): Mention[] {
  const have = k.all.find(({ taken }) => taken.text === name && k.added.some(({ id }) => id === taken.row.id));
  const existing = have ?? k.all.find(({ taken }) => taken.row.name.toLowerCase() === name && !k.isUsedUp(taken.row.id));
  if (existing !== undefined && grams === undefined) return [{ line: existing.id, at: 0, length: 0 }];
  const reading = readLine(grams === undefined ? `${name} to cover` : `${String(grams)} g ${name}`, k.context);
  const taken = takeLine(reading, { larder: k.context.larder, bowls: k.context.bowls });
  if (taken === undefined) return [];
  return [k.bringIn({ ...taken, text: name }, clause)];
}

/** Foods with an amount that no line has: "a litre of water", "a splash of cold water". */
export function unlisted(k: Kitchen, whole: string, clause: Clause, mentions: readonly Mention[]): Mention[] {
  // "Everything except the ice water": what is left out is not brought in.
  const [text = ''] = whole.split(BUT);
  const bare =
    /\b(?:boiling|hot|cold|warm|just|with|the|in|or|and|some|enough|more)?\s*water\b/i.test(text) &&
    !/\bwater(?:y|ed|cress)/i.test(text);
  const named = mentions.map(({ line }) => k.lineOf(line)?.taken.row.id);
  const brought: Mention[] = [];
  for (const hit of text.matchAll(MEASURED_FOOD)) {
    const food = hit.index + hit[0].length;
    // What a line of the recipe is called is that line.
    if (mentions.some(({ at, length }) => length > 0 && at >= food && at < food + (hit[2] ?? '').length)) continue;
    const taken = measuredFood(k, hit[1] ?? '', hit[2] ?? '', named);
    if (taken !== undefined) brought.push(k.bringIn(taken, clause));
  }
  if (brought.length > 0) return brought;
  if (
    bare &&
    !named.includes('water') &&
    !/\b(?:in|under|with) (?:cold|running|the)[\w ]* water\b|\bwater bath\b|\bsalted water\b/i.test(text)
  ) {
    return /\bto (?:just |barely )?cover\b|\bcover\b/i.test(text) || /\b(?:just |barely )?covered$/i.test(clause.text)
      ? found(k, 'water', clause)
      : found(k, 'water', clause, SPLASH_G * 2);
  }
  return [];
}

/** One food with its measure out of the method; undefined where it is none, or one of the recipe's own lines. */
function measuredFood(k: Kitchen, measure: string, behind: string, named: readonly (string | undefined)[]): TakenLine | undefined {
  const words = behind.split(/\s+/);
  for (let length = Math.min(3, words.length); length > 0; length -= 1) {
    const food = words.slice(0, length).join(' ');
    if (/^(?:the|soup|it|hot|mixture|liquid|more|if)\b/i.test(food)) continue;
    if (/^salt\b/i.test(food) && !/tsp|teaspoon|tbsp|tablespoon|\bg\b/i.test(measure)) continue;
    // "A splash more stock" is of the stock that the recipe has.
    if (/^(?:stock|broth)\b/i.test(food) && named.some((id) => id?.includes('stock') === true)) break;
    // A cook's splash of water is more than a line's of vinegar; all else weighs what it weighs in a line.
    const vague = /splash|ladle/i.test(measure)
      ? `${String(SPLASH_G)} g`
      : /little|bit/i.test(measure)
        ? `${String(LITTLE_G)} g`
        : measure.replace(/few drops/i, 'drop');
    // Salt with a measure is of the salt that the recipe has.
    const salt = /^salt\b/i.test(food) ? k.all.find(({ taken }) => taken.role === 'salt')?.taken.row.name : undefined;
    const reading = readLine(`${vague} ${salt ?? food}`, { ...k.context, guesses: false });
    if (reading.code !== 'READ' && reading.code !== 'ASK') continue;
    const taken = takeLine(
      reading,
      { larder: k.context.larder, bowls: k.context.bowls },
      reading.code === 'ASK' ? reading.options[0] : undefined,
    );
    if (taken === undefined || named.includes(taken.row.id)) return undefined;
    // "A squeeze of lemon" is of the juice that the recipe has.
    if (/^(?:lemon|lime|orange)$/.test(taken.row.id) && k.all.some(({ taken: own }) => own.row.id === `${taken.row.id}-juice`))
      return undefined;
    const isOwn = k.all.some(
      ({ taken: own, id }) =>
        own.row.id === taken.row.id &&
        !k.added.some((one) => one.id === id) &&
        !(own.role === 'salt' && own.amount.rule === 'byStep'),
    );
    return isOwn ? undefined : { ...taken, text: `${measure} ${food}`.trim() };
  }
  return undefined;
}

/** Foods that the method names without an amount and no line has: "add the cream and the potatoes". */
export function unknown(k: Kitchen, text: string, clause: Clause): Mention[] {
  const foods = text
    .replace(/^[\w-]+ (?:in |on |over |with )?/, '')
    .split(/\s*,\s*(?:and\s+)?|\s+and\s+/i)
    .map((food) => food.replace(/^(?:the|some|your|a few|in|with) /i, '').trim());
  return foods.flatMap((food) => {
    if (food === '' || food.split(' ').length > 3 || /\b(?:salt|pepper|seasoning|soup|mixture)\b/i.test(food)) return [];
    const cream = k.context.country === 'us' ? 'heavy cream' : 'double cream';
    const reading = readLine(food === 'cream' ? cream : food, { ...k.context, guesses: false });
    if (reading.code !== 'NO_AMOUNT') return [];
    const kitchen = { larder: k.context.larder, bowls: k.context.bowls };
    const own = takeLine(reading, kitchen);
    const row = k.context.larder.get(reading.ingredient)?.row;
    const perBowlG =
      row === undefined
        ? undefined
        : /^(?:dairy|coconut and plant creams)$/.test(row.group)
          ? CREAM_G
          : row.softening > 0
            ? VEGETABLE_G
            : undefined;
    const guess =
      perBowlG === undefined
        ? undefined
        : readLine(`${String(perBowlG * k.context.bowls)} g ${food === 'cream' ? cream : food}`, k.context);
    const taken = own ?? (guess === undefined ? undefined : takeLine(guess, kitchen));
    // How much is a guess, and marked as one.
    return taken === undefined ? [] : [{ ...k.bringIn({ ...taken, text: food }, clause), vague: true as const }];
  });
}

/** The water that something dried was soaked in, where it goes in too. */
export function soakedIn(k: Kitchen, text: string, clause: Clause): Mention[] {
  const words = k.soakWater;
  if (
    words === undefined ||
    !/\b(?:soaking|strained|their|its|reserved|porcini|mushroom|shiitake) (?:soaking )?(?:liquid|liquor|water|juices?)\b/i.test(
      text,
    )
  )
    return [];
  k.soakWater = undefined;
  const own = k.all.find(({ taken }) => taken.row.id === 'water' && taken.kg > 0);
  const amount = /(\d+(?:[.,]\d+)? ?(?:ml|l|litres?|cups?|c)\b)(?: of (?:the |it)?)?/i.exec(words)?.[1];
  if (own !== undefined && (amount === undefined || /\bof the\b/i.test(words))) {
    // "Soak it in 200 ml of the water": so much of the recipe's own; "in the boiling water": all of it.
    const share = amount === undefined ? undefined : k.measuredAs(own.id, amount);
    return [{ line: own.id, at: 0, length: 0, ...(share === undefined ? {} : { share }) }];
  }
  return unlisted(k, words, clause, []);
}
