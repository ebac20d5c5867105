import { figureIn } from './measures.js';

/** Foods by their place in the list. */
const BY_COUNT =
  /\b(?:the )?(first|next|last|final) (\d{1,2}|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve) (?:listed )?(?:ingredients|items|things(?= (?:on|in) the list))(?: (?:on|in) the list)?\b/i;
const UP_TO =
  /\b(?:everything|all(?: (?:of )?(?:the )?ingredients)?|(?:the )?ingredients|the list)(?: from [a-z ]{3,30}? (?:to|through)| (?:up|down) (?:to|until)| through)(?: and including)? (?:the |your )?((?!(?:a|an|your|pot|pan|pressure|slow|boil|simmer|bowl|large)\b)[a-z]+(?: [a-z]+)?)/i;

/** A line of a list, as it is written there. */
interface Listed {
  readonly id: string;
  readonly taken: { readonly text: string };
}

/**
 * "The first 8 ingredients", "the next four", "all ingredients through the bay leaf": lines by where they stand in the list.
 *
 * @param lineIn the line that words name, by its id
 */
export function byPlace<T extends Listed>(
  all: readonly T[],
  text: string,
  isUsed: (line: string) => boolean,
  lineIn: (words: string) => string | undefined,
): { readonly lines: readonly T[]; readonly at: number; readonly length: number } | undefined {
  const written = [...new Set(all.map(({ taken }) => taken.text))];
  const of = (texts: readonly string[]): T[] => all.filter(({ taken }) => texts.includes(taken.text));
  const counted = BY_COUNT.exec(text);
  if (counted !== null) {
    const [said, from = '', figure = ''] = counted;
    const many = Math.round(figureIn(figure));
    const free = written.filter((one) => of([one]).some(({ id }) => !isUsed(id)));
    const own = /^(?:last|final)$/i.test(from) ? written.slice(-many) : (/^next$/i.test(from) ? free : written).slice(0, many);
    return { lines: of(own), at: counted.index, length: said.length };
  }
  const upTo = UP_TO.exec(text);
  const last = upTo === null ? undefined : lineIn(upTo[1] ?? '');
  const line = all.find(({ id }) => id === last);
  if (upTo === null || line === undefined) return undefined;
  const own = of(written.slice(0, written.indexOf(line.taken.text) + 1)).filter(({ id }) => !isUsed(id));
  return { lines: own, at: upTo.index, length: upTo[0].length };
}
