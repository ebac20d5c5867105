import { COLUMN_AMOUNT } from './amount-behind.js';
import { LONGEST_LINE } from './paste-foods.js';

/** Signs before a line: dots, boxes, ticks, stars, dashes. */
const BULLETS = /^\s*(?:[-*•·▢☐☑✓✔□■▪▫●○◦◉◆◇★☆➤►▶▸‣⁃∙–—]|\[[ x]?\])+\s*/i;

/** Bullets, tick boxes and other signs before a line; cells of a table behind one another. */
export function bare(line: string): string {
  const cells = /[|\t]/.test(line)
    ? line
        .split(/[|\t]/)
        .map((cell) => cell.trim())
        .filter((cell) => cell !== '' && !/^[-: ]+$/.test(cell))
        .join(' ')
    : line.replace(/^([a-z][a-z ]*),\s*([\d.]+),\s*(g|kg|ml|l|litres?|cups?|tbsp|tsp|pcs?)\b\s*,?/i, '$1 $2 $3 ');
  // "Q.b.", as much as is enough.
  return cells
    .replace(BULLETS, '')
    .replace(/,? q\. ?b\.?\s*$/i, ' to taste')
    .trim();
}

const CELL_AMOUNT = new RegExp(`^${COLUMN_AMOUNT}$`, 'i');
const CELL_UNIT = /^(?:kg|g|ml|l|lb|oz|tbsp|tsp|cups?|qt|gal|ea|each)$/i;
const LONGEST_CELL = 60;

/** A row of a table that is a food: its amount, in the first column that has one, before its name. Undefined where it is none. */
export function foodInCells(line: string): string | undefined {
  const cells = line
    .trim()
    .split(/[|\t]| {2,}/)
    .map((cell) => cell.trim())
    .filter((cell) => cell !== '');
  if (cells.length < 2 || cells.some((cell) => cell.length > LONGEST_CELL)) return undefined;
  const food = cells.find((cell) => /^[a-z]/i.test(cell) && !CELL_UNIT.test(cell));
  const amounts = cells.filter((cell) => CELL_AMOUNT.test(cell));
  const amount = amounts.find((cell) => /[a-z#]/i.test(cell)) ?? amounts[0];
  const isNumbered = /^\d{1,2}[.)]?$/.test(cells[0] ?? '') && cells.length === 2;
  // Columns of spaces are told from a sentence by a measure that has one to itself.
  if (!/[|\t]/.test(line) && !/\d.*[a-z]/i.test(amount ?? '')) return undefined;
  if (food === undefined || amount === undefined || isNumbered) return undefined;
  // The unit in a column of its own.
  const unit = /[a-z#]/i.test(amount) ? undefined : cells.find((cell) => CELL_UNIT.test(cell));
  const measure = `${amount}${unit === undefined ? '' : ` ${unit}`}`;
  // A third column in words says how it is cut.
  const manner = cells.slice(cells.indexOf(food) + 1).find((cell) => /^[a-z][a-z ,&'’-]+$/i.test(cell) && !CELL_UNIT.test(cell));
  return manner === undefined ? `${food}  ${measure}` : `${measure} ${food}, ${manner}`;
}

/** The head of a table of foods. */
export const TABLE_HEAD =
  /^[-=_\s]{4,}$|^amount\s+measure\b|^(?:ingredients?|items?|food|product)\b.*\b(?:qty|quantity|amount|unit|weight|measure)s?$/i;

const TAGS = /<\/?([a-z][a-z0-9]*)\b[^<>]{0,200}>/gi;
const BLOCKS = /^(?:li|p|h[1-6]|ul|ol|br|div|tr|table|section|article|header)$/i;
const ENTITIES: Readonly<Record<string, string>> = {
  amp: '&',
  nbsp: ' ',
  frac12: '½',
  frac14: '¼',
  frac34: '¾',
  deg: '°',
  quot: '"',
  lt: '<',
  gt: '>',
  eacute: 'é',
  egrave: 'è',
  ndash: '–',
  mdash: '—',
  rsquo: '’',
};

/** A text without the marks of a web page or of notes, every letter where it was. */
export function unmarked(text: string): string {
  const isPage = /<(?:li|p|br|h[1-6]|div|ul)\b/i.test(text);
  const plainText = isPage
    ? text.replace(TAGS, (tag, name: string) => (BLOCKS.test(name) ? `${' '.repeat(tag.length - 1)}\n` : ' '.repeat(tag.length)))
    : text;
  return plainText
    .replace(/(\d)\uFE0F?\u20E3/g, (sign, figure: string) => `${figure}.`.padEnd(sign.length))
    .replace(/&([a-z0-9]{2,8});/gi, (whole, name: string) => (ENTITIES[name] ?? ' ').padEnd(whole.length))
    .replace(/\*\*|__/g, '  ')
    .replace(/→|⇒/g, ';')
    .replace(/[\p{Extended_Pictographic}\uFE0F\u200D]/gu, (sign) => ' '.repeat(sign.length));
}

/** A row of what was pasted, and where it stands there. */
export interface Row {
  readonly line: string;
  readonly raw: string;
  readonly at: number;
  /** A food by its place: it is never a sentence. */
  readonly isFood?: true;
}

const ONE_LINE =
  /^([A-Z][^.;:\d]{2,60}?)(?:,\s*\d+ ?(?:l|litres?|kg)\b)?[.:]\s+(?:((?:serves|makes|for|enough for) [^.;:]{1,20})[.;:]\s+)?(?=[\d½¼¾]|[a-z][a-z ]+ \d)/i;
const PROSE =
  /^([^\d]{0,80}?(?:this is what (?:i|you) (?:have|had|need)|i (?:have|had|used?)|here['’]s what (?:i|you) (?:use|used|need)|(?:so )?it['’]s|ingredients)[: ]+|(?:for (?:this|the|a|my) [^,.\d]{0,60},? )?(?:you(?:['’]ll| will)? (?:want|need)|(?:take|gather|get(?: together)?))[: ]+)(?=.*(?:\d|\b(?:an?|one|two|three|half|some)\b.*\b(?:an?|one|two|three|half|some|couple)\b.*\b(?:an?|one|two|three|half|some|couple)\b))([^.!?]+(?:\d\.\d[^.!?]*)*)[.!?]\s+(?:((?:and |also )?(?:salt|seasoning|pepper)\b[^.!?\d]{0,80})[.!?]\s+)?(?=[A-Z])/i;

/** A sentence in a row of its own is a list when it has so many foods. */
const LEAST_LISTED = 4;

/** A row that is more than one: title, bowls and foods in one line, or foods in a sentence before the method. */
export function parted(row: Row, next: string | undefined): Row[] {
  const { line, raw, at } = row;
  const inLine = /^(?:prep|cook|time|total|ready|takes)\b/i.test(line) ? null : ONE_LINE.exec(line);
  if (inLine !== null && line.slice(inLine[0].length).includes(';')) {
    const [whole, title = '', bowls] = inLine;
    const rest = line.slice(whole.length);
    return [
      { line: title, raw: '', at },
      ...(bowls === undefined ? [] : [{ line: bowls, raw: '', at }]),
      ...rest.split(/\s*;\s*/).map((food): Row => ({ line: food.replace(/\.$/, ''), raw: '', at, isFood: true })),
    ];
  }
  const isLong = next === undefined || line.length > LONGEST_LINE / 2;
  const prose = PROSE.exec(`${line} X`);
  if (!isLong && (prose?.[2] ?? '').split(/[,;]/).length < LEAST_LISTED) return [row];
  if (prose === null) return [row];
  const [whole, , listed = '', behind] = prose;
  const foods = behind === undefined ? listed : `${listed}, ${behind.toLowerCase()}`;
  const start = raw.indexOf(line) + whole.length;
  return [
    ...foods
      .split(
        /\s*[,;]\s*(?:and\s+)?(?=(?:(?:about|around|roughly|maybe|say) )?(?:[\d½¼¾]|an?\b|one\b|two\b|three\b|half\b)|some\b|salt\b|(?:the )?(?:juice|zest)\b|[a-z]+(?: [a-z]+){0,2},? to (?:serve|garnish|finish|taste)\b)|\s+and\s+(?=[\d½¼¾]|an?\b(?! (?:half|quarter)\b(?! (?:of )?(?:an?|pint|pound) ))|one\b|half\b|some\b)/i,
      )
      .map((food): Row => ({ line: food.replace(/^some /i, ''), raw: '', at, isFood: true })),
    ...(line.length > whole.length ? [{ line: line.slice(whole.length), raw: raw.slice(start), at: at + start }] : []),
  ];
}
