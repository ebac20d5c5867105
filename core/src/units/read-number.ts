/** What a written number stands for. */
export type NumberRead =
  | { readonly ok: true; readonly value: number }
  | { readonly ok: false; readonly code: 'EMPTY' | 'NOT_A_NUMBER' }
  /** Both a decimal and a thousand could be meant: what it would be as either. */
  | { readonly ok: false; readonly code: 'AMBIGUOUS'; readonly decimal: number; readonly thousands: number };

/** What parts thousands beside point and comma: spaces of every width, and the Swiss apostrophe. */
const GROUP = "[ \\u00a0\\u202f\\u2009'’]";
const GROUPED = new RegExp(`^\\d{1,3}(?:${GROUP}\\d{3})+$`);
const GROUPS = new RegExp(GROUP, 'g');
const FRACTIONS: Readonly<Record<string, number>> = {
  '½': 1 / 2,
  '⅓': 1 / 3,
  '⅔': 2 / 3,
  '¼': 1 / 4,
  '¾': 3 / 4,
  '⅛': 1 / 8,
};

const NONE: NumberRead = { ok: false, code: 'NOT_A_NUMBER' };

function is(value: number): NumberRead {
  return Number.isFinite(value) ? { ok: true, value } : NONE;
}

/** "1/2", "1 1/2", "½", "1½"; undefined for what is no fraction. */
function fraction(text: string): number | undefined {
  const written = /^(?:(\d+)\s+)?(\d+)\s*[/⁄]\s*(\d+)$/.exec(text);
  if (written !== null) {
    const [, whole, top, bottom] = written;
    return Number(bottom) === 0 ? undefined : Number(whole ?? 0) + Number(top) / Number(bottom);
  }
  const sign = /^(\d*)\s*([½⅓⅔¼¾⅛])$/.exec(text);
  return sign === null ? undefined : Number(sign[1] ?? 0) + (FRACTIONS[sign[2] ?? ''] ?? 0);
}

function withoutGroups(text: string): string | undefined {
  if (/^\d+$/.test(text)) return text;
  return GROUPED.test(text) ? text.replace(GROUPS, '') : undefined;
}

/** Whether a mark parts thousands in a text as it should: one to three figures, then always three. */
function groupsBy(mark: '.' | ',', text: string): boolean {
  return new RegExp(`^\\d{1,3}(?:\\${mark}\\d{3})+$`).test(text);
}

function unsigned(text: string): NumberRead {
  const part = fraction(text);
  if (part !== undefined) return is(part);
  const marks = text.replace(/[^.,]/g, '');
  if (marks === '') {
    const plain = withoutGroups(text);
    return plain === undefined ? NONE : is(Number(plain));
  }
  const last = marks.at(-1) as '.' | ',';
  const other = last === '.' ? ',' : '.';
  const count = (mark: string): number => marks.split(mark).length - 1;
  if (count(last) > 1) {
    // Many of one mark part thousands, and then no other stands among them.
    return count(other) === 0 && groupsBy(last, text) ? is(Number(text.replaceAll(last, ''))) : NONE;
  }
  const at = text.lastIndexOf(last);
  const [head, tail] = [text.slice(0, at), text.slice(at + 1)];
  if (!/^\d*$/.test(tail) || (tail === '' && head === '')) return NONE;
  if (count(other) > 0) {
    return groupsBy(other, head) && tail !== '' ? is(Number(`${head.replaceAll(other, '')}.${tail}`)) : NONE;
  }
  const whole = head === '' ? '0' : withoutGroups(head);
  if (whole === undefined) return NONE;
  const decimal = Number(`${whole}.${tail === '' ? '0' : tail}`);
  // Three figures behind a single mark are a thousand just as well, unless what stands before it could not begin one.
  const couldGroup = tail.length === 3 && /^[1-9]\d{0,2}$/.test(head);
  return couldGroup ? { ok: false, code: 'AMBIGUOUS', decimal, thousands: Number(head + tail) } : is(decimal);
}

/**
 * Reads a number as it is written in English, German, French, Spanish or Italian: point or comma before the decimals, points,
 * commas, spaces or apostrophes between thousands, kitchen fractions. What can be read in two ways is said to be.
 *
 * @param between the least and most that can be meant: where only one reading lies between them, that one is taken.
 * @example readNumber('1,5') // 1.5; readNumber('1.234,5') // 1234.5; readNumber('1,500') // AMBIGUOUS: 1.5 or 1500
 */
export function readNumber(text: string, between?: { readonly least: number; readonly most: number }): NumberRead {
  const trimmed = text.trim();
  if (trimmed === '') return { ok: false, code: 'EMPTY' };
  const isNegative = /^[-−]/.test(trimmed);
  const read = unsigned(trimmed.replace(/^[-−+]\s*/, ''));
  const sign = isNegative ? -1 : 1;
  if (read.ok) return { ok: true, value: sign * read.value };
  if (read.code !== 'AMBIGUOUS') return read;
  const decimal = sign * read.decimal;
  const thousands = sign * read.thousands;
  const fits = (value: number): boolean => between === undefined || (value >= between.least && value <= between.most);
  if (fits(decimal) !== fits(thousands)) return { ok: true, value: fits(decimal) ? decimal : thousands };
  return { ok: false, code: 'AMBIGUOUS', decimal, thousands };
}

/**
 * Which mark stands before the decimals in a column of numbers, told by those that can be read in one way only; undefined
 * where they do not tell, or tell otherwise.
 */
export function decimalMarkIn(texts: readonly string[]): '.' | ',' | undefined {
  const marks = new Set<'.' | ','>();
  for (const text of texts) {
    const read = readNumber(text);
    if (!read.ok) continue;
    const trimmed = text.trim();
    const last = Math.max(trimmed.lastIndexOf('.'), trimmed.lastIndexOf(','));
    if (last < 0) continue;
    const mark = trimmed[last] as '.' | ',';
    // A mark that comes more than once parts thousands: the other one is the decimals'.
    const isDecimal = trimmed.split(mark).length === 2;
    marks.add(isDecimal ? mark : mark === '.' ? ',' : '.');
  }
  const [only] = marks;
  return marks.size === 1 ? only : undefined;
}

/**
 * A number as it is shown in a field: a point before the decimals, nothing between thousands, at most so many decimals, so
 * that typed again it is the same number.
 *
 * @example showNumber(1234.5) // '1234.5'; showNumber(2) // '2'
 */
export function showNumber(value: number, decimals = 3): string {
  return String(Number(value.toFixed(decimals)));
}
