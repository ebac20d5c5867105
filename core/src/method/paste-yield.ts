import { takeApart } from '../amounts/index.js';
import { figureIn, minutesIn } from './measures.js';
import type { Row } from './paste-rows.js';

const YIELD =
  /^(?:serves|makes|yields?|feeds|does|(?:this |it |to )?(?:makes? |do )?(?:enough|quantit(?:y|ies)|amounts?) (?:for|to (?:serve|feed))|to (?:serve|feed|make)|servings?|portions?|yield|for)\s*:?\s*(?:about |around )?(\d+|one|two|three|four|five|six|seven|eight|ten|twelve)(?:-?ish)?\b(?:\s*(?:-|–|to)\s*(\d+))?(?!\s*(?:min|hour|g\b|ml))/i;
/** "Para 6 / serves 6": behind a stroke or in brackets in a short line. */
const SERVES_BEHIND =
  /^[^\d]{0,60}\d{0,3}\s*[/|(–—-]\s*(?:serves|makes|for)\s*:?\s*(\d+)\b(?!\s*(?:min|hour|g\b|ml|kg|l\b|lit|quart|pint|gal|cup|day|x\b))/i;
/** "Potage for 50": how many at the end of the first line. */
export const FOR_SO_MANY =
  /^([^\d]{4,60}?)(?:,| -| –| —)? (?:enough )?(?:for|para|pour|per|für) (?:a (?:buffet|party|crowd|table|supper|lunch|dinner|gathering) of )?(\d{1,3}|two|three|four|five|six|seven|eight|ten|twelve)(?: people| bowls| persons)?(?: \([^()]*\))?$/i;
/** "Lentil soup for the freezer. Makes 8 portions." */
export const MAKES_BEHIND = /^([^\d.]{4,80})[.,;] ((?:makes|serves|feeds|enough for) [^.;]{1,30})\.?$/i;
/** What a method ends on: "Serves 4-6." */
export const SERVES_AT_END =
  /(?:^|[.!;] )(?:it |this )?((?:serves|makes|feeds|does) (?:about |enough for )?(?:\d+(?: ?(?:-|–|to) ?\d+)?|two|three|four|five|six|seven|eight|ten|twelve)(?:-?ish)?)(?: (?:(?:big|large|good|small|generous|hungry) )?(?:people|portions|bowls|servings|generously|easily|of us|with seconds))?(?:,? (?:\(?(?:about|of about|at|each|roughly) )?[\d½¼¾/ ]+(?:cups?|ml|oz|g)(?: (?:each|per serving|a bowl))?\)?)?(?:,? with (?:bread|toast|rolls|crackers)[a-z ]*)?\.?\s*$/i;
/** "5 generous servings." */
export const SERVINGS_AT_END =
  /(?:^|[.!;] )(\d{1,3})(?: ?(?:-|–|to) ?\d+)? (?:(?:big|large|good|small|generous|hearty) )?(?:servings|portions|bowls|bowlfuls)\.?\s*$/i;
/** "Roast tomato – 20 portions": bowls at the end of a title, or alone. */
export const PORTIONS =
  /(?:^|\s*[–—(,·•|.=:)-]\s*|\s\/\/\s*|\s[x×]\s?)(?:serves |for |makes )?(\d+)(?:\s*(?:-|–|to)\s*\d+)?\s*(?:(?:big|large|small|good|generous|hearty|decent) )?(?:portions?|ptns?|servings?|bowls?|covers|people|pax)(?: ?(?:@|at|of|[x×]) ?\d+(?:\.\d+)? ?(?:ml|cl|g|l|fl\.? ?oz|oz))?\)?(?: \([a-z ]{3,20}\))?$/i;
/** "(50 x 8 oz)", behind a name. */
export const TIMES_EACH = /[(–—-]\s*(\d{1,4}) ?[x×] ?\d{1,4}(?:[.,]\d+)? ?(?:fl\.? ?)?(?:oz|ml|g|cl)\)?\s*$|\s[x×] ?(\d{1,4})$/i;
/** "Yield: 12.5 L", "Serves 4": a line that says no more. */
export const YIELD_LINE = /^(?:makes|yields?|batch(?: size)?|serves)\b(?:[^.;]|\.\d){1,40}\.?$/i;
export const YIELD_BEHIND = /^[^\d]{3,80}[.!;] ((?:yields?|makes|serves|feeds) [^.;]{1,40})\.?$/i;
/** "Ingredients (6 servings)". */
export const HEADING_FOR =
  /^(?:#+\s*)?ingredients?\s*[(:–-]*\s*(?:for |serves )?(\d{1,3})(?: ?(?:-|–|to) ?\d+)?\s*(?:servings?|portions?|people|serves|bowls|ptn|ptns|covers)?\)?:?$/i;
/** A title is a name: no sentence, no list. */
const MOST_TITLE_WORDS = 12;
/** What a yield is said in when it is not said in bowls, L; a bowl holds so much where nobody says. */
const BY_VOLUME =
  /^(?:serves|makes|yields?|yield|batch|(?:quantit(?:y|ies)|amounts?|recipe|enough|weights?) (?:for|to make)|for|to make)\s*[:=–-]?\s*(?:about |around |approx\.? )?(\d+(?:[.,/]\d+)?(?: \d\/\d)?|an?|one|two|three|four|five|six)\s*(?:-|–|to\s+\d+)?\s*(quarts?|qts?|litres?|liters?|ltrs?|l|gallons?|gals?|pints?|pts?|cups?|kg|kilos?)\b/i;
/** "Ingredients (for 2 litres)"; "makes about 3.5 L / 12 x 280 ml". */
const VOLUME_BEHIND =
  /^[^\d]{0,60}\((?:for|makes|yields?|approx\.?|about|ca\.?) (?:about )?(\d+(?:[.,]\d+)?) (quarts?|litres?|liters?|l|gallons?|pints?)\)/i;
/** "Squash soup from the restaurant (10 L)". */
const VOLUME_OF_TITLE = /^[^\d]{4,80}\((\d+(?:[.,]\d+)?) ?(litres?|liters?|l)\)$/i;
const SO_MANY_OF = /\b(?:makes|yields?|serves)\b.*?\b(\d{1,3}) ?[x×] ?\d{2,4} ?(?:ml|g)\b/i;
const LITRES: readonly (readonly [RegExp, number])[] = [
  [/^q/i, 0.946],
  [/^gal/i, 3.785],
  [/^p/i, 0.5],
  [/^c/i, 0.24],
];
const BOWL_L = 0.3;
/** "No. of portions: 40", "Portions - 40". */
const PORTIONS_FIRST =
  /^(?:no\.? of |number of )?(?:(?:portions?|servings?|covers|bowls?)\s*[:=–-]?\s*(?:approx\.? |about )?|(?:quantit(?:y|ies)|yields?)\s*[:=–-]\s*)(\d{1,3})\b(?! ?(?:ml|g|kg|l|lt?rs?|lit\w+|q\w*|gal\w*|p\w{1,3}|cups?|min\w*|[x×]|[-–.,/]|to\b)\b)(?! ?[-–.,/x×] ?\d)/i;
/** "Cream of celery (school kitchen, 120 x 150 ml)". */
const TIMES = /^[^\d]{4,70}\([^()]*?\b(\d{2,3}) ?[x×] ?\d{2,3} ?ml\)/i;
const SAID_BESIDE = /\b(\d+)\s*(?:portions?|ptns?|pax|servings?|bowls?|covers|people|serves)\b/i;

/** What one portion holds, beside the word for it or behind their number: "(180 ml)", "50 x 8 oz", "250 ml portions". */
const PORTION_SIZE =
  /\b(?:portions?|ptns?|servings?|serves|bowls?|covers|pax|people|makes)\b[^.;\d]{0,14}(?:\d{1,3}[^.;\d]{0,24})?[\s(@x×=]+(?:about |approx\.? )?(\d+(?:[.,]\d+)?) ?(ml|cl|g|fl\.? ?oz|oz)\b|\b\d{1,3} ?[x×] ?(\d+(?:[.,]\d+)?) ?-?(ml|cl|g|fl\.? ?oz|oz)\b|\b(\d+(?:[.,]\d+)?) ?-?(ml|cl|g|fl\.? ?oz|oz)\.? (?:portions?|servings?|bowls?|serves|cups)\b/i;
/** Grams in a unit of it. An ounce of weight is 28.35 g, one of volume 28.4 or 29.6 mL: nobody ladles by the difference. */
const PORTION_UNIT_G: readonly (readonly [RegExp, number])[] = [
  [/^c/i, 10],
  [/oz$/i, 29],
];
/** No cup is smaller, and no bowl larger, g. */
const LEAST_PORTION_G = 50;
const MOST_PORTION_G = 700;

/** How much one portion of a recipe is, g, where its heading says so: of a soup a millilitre is taken for a gram. */
export function portionIn(line: string): number | undefined {
  const hit = line.length > LONGEST_NAME ? null : PORTION_SIZE.exec(line);
  if (hit === null) return undefined;
  const unit = hit[2] ?? hit[4] ?? hit[6] ?? '';
  return portionG(hit[1] ?? hit[3] ?? hit[5] ?? '', unit);
}

function portionG(figure: string, unit: string): number | undefined {
  const grams = figureIn(figure) * (PORTION_UNIT_G.find(([form]) => form.test(unit))?.[1] ?? 1);
  return grams >= LEAST_PORTION_G && grams <= MOST_PORTION_G ? Math.round(grams) : undefined;
}

/** "Service: 200 ml per cover", "ladle 8 oz into each bowl". */
const SERVED =
  /\b(?:serve|service|serving|plate|plating|portion|ladle|dish|pour|bowl)\w*\b[^.;]{0,30}?\b(\d+(?:[.,]\d+)?) ?(ml|cl|g|fl\.? ?oz|oz)\b(?: of)?(?: (?:the )?soup)? ?(?:per|a|each|in each|into each|to each|\/) ?(?:cover|portion|bowl|person|guest|head|serving|cup)\b|^(?:plate|service|serve|portion):? (?:up )?(?:(?:the )?soup,? )?(\d+(?:[.,]\d+)?) ?(ml|g)\b(?: of)?(?: the)?(?: soup\b|[,.;]|$)/im;

/** How much of the soup a bowl gets, g, where the words about serving say so. */
export function servedIn(line: string): number | undefined {
  const hit = SERVED.exec(line.slice(0, LONGEST_SAID));
  return hit === null ? undefined : portionG(hit[1] ?? hit[3] ?? '', hit[2] ?? hit[4] ?? '');
}

/** "Portions: 16 @ 8 oz": a count of bowls, which counts before any volume that the batch is said to have. */
export function portionsIn(line: string): number | undefined {
  const hit = PORTIONS_FIRST.exec(line);
  return hit === null ? undefined : Number(hit[1]);
}

export function bowlsIn(text: string): number | undefined {
  // "(my way, feeds 4-5)"
  const line = text.replace(/^\((?:[^()\d]*, )?([^()]*)\)$/, '$1');
  const parts = BY_PORTION.exec(line);
  if (parts !== null) return Math.max(1, Math.round((figureIn(parts[1] ?? '') * 1000) / Number(parts[2])));
  // "(4 as a main, 6 as a starter)"
  const asMain = /^(\d{1,2}) (?:as a (?:main|starter|light lunch|lunch|meal)|generously)\b/i.exec(line);
  if (asMain !== null) return Number(asMain[1]);
  const portioned = SO_MANY_OF.exec(line) ?? PORTIONS_FIRST.exec(line) ?? TIMES.exec(line);
  if (portioned !== null) return Number(portioned[1]);
  const volume = BY_VOLUME.exec(line) ?? VOLUME_BEHIND.exec(line) ?? VOLUME_OF_TITLE.exec(line);
  if (volume !== null) {
    const beside = SAID_BESIDE.exec(line.slice(volume[0].length));
    if (beside !== null) return Number(beside[1]);
    const litres = figureIn(volume[1] ?? '') * (LITRES.find(([unit]) => unit.test(volume[2] ?? ''))?.[1] ?? 1);
    return litres > 0 ? Math.max(1, Math.round(litres / BOWL_L)) : undefined;
  }
  const found = YIELD.exec(line) ?? SERVES_BEHIND.exec(line);
  if (found === null) return undefined;
  const low = figureIn(found[1] ?? '');
  const high = found[2] === undefined ? low : Number(found[2]);
  // "Serves 4-5": there are no half bowls.
  const bowls = Math.round((low + high) / 2);
  return bowls > 0 && bowls <= 1000 ? bowls : undefined;
}

/** "Carrot soup · serves 4 · 1 hr": a title and what is said of it, behind dots or strokes. */
export function titleOf(first: Row | undefined): { readonly title: string; readonly bowls: number | undefined } | undefined {
  const [title = '', ...said] = (first?.raw ?? '').split(/\s+[·•|/]\s+/).map((part) => part.trim());
  if (said.length === 0 || title.length < LEAST_TITLE_LETTERS || /\d/.test(title)) return undefined;
  const bowls = said
    .map((part) => bowlsIn(part) ?? Number(PORTIONS.exec(part.replace(/ ?@ ?\d+ ?(?:ml|g)$/i, ''))?.[1] ?? Number.NaN))
    .find((one) => one > 0);
  const isTimed = said.some((part) => minutesIn(part) !== undefined && part.split(/\s+/).length < LEAST_SAID);
  // "Kitchen sheet / SWEET POTATO, LIME & PEANUT / 60 portions"
  const loud = /[a-z]/.test(title) ? said.find((part) => /^[A-Z][A-Z ,&'’-]{5,}$/.test(part)) : undefined;
  return bowls === undefined && !isTimed ? undefined : { title: loud ?? title.replace(/^#+\s*/, ''), bowls };
}

/** "SPICED PARSNIP (veg) - 5L", "Leek soup, 12 litres": a name with the size of its batch, told from a food by its capitals or by what it calls itself. */
const SIZED_NAME = /^([A-Z](?:[^\d(]|\([^)]*\)){3,60}?)\s*([-–—,:]\s*|\s+)(\d+(?:[.,]\d+)?) ?(l|ltrs?|litres?|liters?)\b\.?$/i;
export function sizedName(line: string): { readonly title: string; readonly bowls: number } | undefined {
  const hit = SIZED_NAME.exec(line);
  const [, title = '', apart = '', litres = ''] = hit ?? [];
  const isSoup = /\b(?:soup|bisque|chowder|velout[ée]|potage|gazpacho|(?:cream|pur[ée]e|cr[eè]me) (?:of|de|d['’]))/i.test(title);
  // A list in capitals has one space before its figures.
  // "Pea & mint (Tues special) — 4 L" is of two things, and no amount of either.
  const isPair = /[-–—]/.test(apart) && /&|\band\b|\(/i.test(title);
  const isName = isSoup || isPair || (apart !== ' ' && /^[^a-z]+(?:\([^)]*\))?$/.test(title));
  if (hit === null || !isName) return undefined;
  return { title: title.trim(), bowls: Math.max(1, Math.round(Number(litres.replace(',', '.')) / BOWL_L)) };
}

const LEAST_TITLE_LETTERS = 4;
/** So many words are more than a time. */
const LEAST_SAID = 5;

/** "One-pot tomato soup" is no pot of one. */
const ONE_POT =
  /^(?:one|two|three|four|five|ten)[- ](?:pot|pan|tray|ingredient|hour|minute|step|bean|onion|pea|mushroom|cheese|way)\b/i;
/** "Carrot soup - batch 10 L". */
export const BATCH_BEHIND = /(?:\s*[/,(–—-]\s*|\s{2,})(?:yields?|makes|batch)\b.*$/i;
/** "Batch 10 L, portion 250 ml". */
const BY_PORTION =
  /\b(?:batch|makes|yields?):? (\d+(?:[.,]\d+)?) ?(?:l|litres?|kg)\b.{0,20}?\bportions?:? (?:of )?(\d{2,4}) ?(?:ml|g)\b/i;

/** "My mum's leek soup, the way she wrote it on an envelope". */
const WHOSE = /^(?:my|our|mum['’]s|mom['’]s|nan['’]s|gran(?:ny|ma)?['’]s)\b.*\b(?:soup|bisque|chowder|broth|potage|velout[ée])\b/i;
const LONGEST_NAME = 140;
/** Words about serving stand in a sentence of their own. */
const LONGEST_SAID = 2000;

/** A first line names the soup when it is no food with an amount. */
export function isTitle(line: string, isFirst: boolean, more: boolean): boolean {
  if (isFirst && more && ONE_POT.test(line) && !/[\d.!;]/.test(line)) return true;
  const own = line.replace(BATCH_BEHIND, '');
  if (own !== line && own.length > 2) return true;
  if (isFirst && more && line.length < LONGEST_NAME && WHOSE.test(line) && !/[\d½¼¾]/.test(line)) return true;
  if (
    !isFirst ||
    !more ||
    line.length > 80 ||
    /[.!;]$/.test(line) ||
    line.split(/\s+/).filter((word) => /\w/.test(word)).length > MOST_TITLE_WORDS
  )
    return false;
  if (
    /^(?:an?|the|my|our)\b.*\b(?:soup|bisque|chowder|broth|potage|velout[ée]|cream of|pur[ée]e)\b/i.test(line) &&
    !/\d/.test(line)
  )
    return true;
  if (/^(?:cream|cr[eè]me|pur[ée]e) (?:of|de|d['’]) ?(?!tartar)[a-z]/i.test(line) && !/^[^(]*\d/.test(line)) return true;
  // A name with a figure behind it is a name: "Leek & potato soup (approx 12 l)".
  if (/^[^\d½¼¾]*\b(?:soup|bisque|chowder|velout[ée]|potage|gazpacho)\b/i.test(line)) return true;
  const { value, says, ratio } = takeApart(line);
  return value === undefined && says === undefined && ratio === undefined;
}
