/** What stands on a label. */
export interface LabelText {
  readonly name: string;
  /** "6 bowls, 1.8 kg" */
  readonly amount: string;
  readonly made: string;
  readonly useBy: string;
  /** The allergens that law names; stressed among what else is said. */
  readonly allergens: readonly string[];
  readonly bringBack: string;
  /** Where its code leads. */
  readonly url: string;
}

/** A text on a label: its left and the line that it stands on, mm from the upper left; size in points. */
export interface PlacedText {
  readonly xMm: number;
  readonly baseMm: number;
  readonly sizePt: number;
  readonly isBold: boolean;
  readonly text: string;
}

export interface LabelLayout {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly texts: readonly PlacedText[];
  readonly code: { readonly xMm: number; readonly yMm: number; readonly sizeMm: number };
  /** What there was no room for, least needed first; allergens and the day are never among it. */
  readonly dropped: readonly ('bring back' | 'made' | 'amount')[];
}

/** How wide a text is, mm. */
export type MeasureMm = (text: string, sizePt: number, isBold: boolean) => number;

/** Labels as they are sold: on sheets of A4, or on a roll. */
export const LABEL_SIZES = [
  { id: 'a4-24', name: 'A4 sheet, 3 × 8 of 70 × 37 mm', widthMm: 70, heightMm: 37, columns: 3, rows: 8, pageMm: [210, 297] },
  { id: 'roll-62', name: 'Roll, 62 × 40 mm', widthMm: 62, heightMm: 40, columns: 1, rows: 1, pageMm: [62, 40] },
  { id: 'roll-50', name: 'Roll, 50 × 30 mm', widthMm: 50, heightMm: 30, columns: 1, rows: 1, pageMm: [50, 30] },
] as const;
export type LabelSize = (typeof LABEL_SIZES)[number];

export const MM_A_POINT = 25.4 / 72;
const LINE = 1.22;
const MARGIN_MM = 2.6;
const GAP_MM = 1.6;
/** A code is read by a telephone from this size on, mm. */
const LEAST_CODE_MM = 12;
const CODE_SHARE = 0.44;
const PT = { name: 15, useBy: 15, plain: 9 } as const;
/** The smallest that print may be: letters 0.9 mm high, Regulation (EU) 1169/2011, Article 13.3, for the smallest packs. */
const LEAST_PT = 5.2;
const STEP = 0.94;
const ELLIPSIS = '…';

/** Words into lines no wider than a width; a word that is too wide by itself is cut. */
function lines(text: string, widthMm: number, of: (text: string) => number): string[] {
  const done: string[] = [];
  let line = '';
  for (const word of text.split(/\s+/).filter((one) => one !== '')) {
    const longer = line === '' ? word : `${line} ${word}`;
    if (of(longer) <= widthMm) {
      line = longer;
      continue;
    }
    if (line !== '') done.push(line);
    line = word;
    while (of(line) > widthMm && line.length > 1) {
      let cut = line.length - 1;
      while (cut > 1 && of(line.slice(0, cut)) > widthMm) cut -= 1;
      done.push(line.slice(0, cut));
      line = line.slice(cut);
    }
  }
  return line === '' ? done : [...done, line];
}

interface Block {
  readonly text: string;
  readonly sizePt: number;
  readonly isBold: boolean;
  /** Lines that it may take at most; what is more is cut where it may be, and does not fit where it may not. */
  readonly most: number;
  readonly canCut: boolean;
}

/** Blocks one under another beside the code and under it; undefined where they don't fit. */
function placed(
  blocks: readonly Block[],
  { widthMm, heightMm }: Pick<LabelSize, 'widthMm' | 'heightMm'>,
  codeMm: number,
  measure: MeasureMm,
): PlacedText[] | undefined {
  const texts: PlacedText[] = [];
  const codeTop = heightMm - MARGIN_MM - codeMm;
  let y = MARGIN_MM;
  for (const { text, sizePt, isBold, most, canCut } of blocks) {
    const high = sizePt * MM_A_POINT * LINE;
    const of = (some: string): number => measure(some, sizePt, isBold);
    // A line that begins above the code may reach over it only where it ends above it too.
    let rest = text.trim().replace(/\s+/g, ' ');
    for (let n = 0; rest !== ''; n += 1) {
      const isBeside = y + high > codeTop;
      const room = widthMm - 2 * MARGIN_MM - (isBeside ? codeMm + GAP_MM : 0);
      const [first, ...others] = lines(rest, room, of);
      if (first === undefined) break;
      if (y + high > heightMm - MARGIN_MM + 1e-9) return undefined;
      const isLast = n === most - 1 && others.length > 0;
      if (isLast && !canCut) return undefined;
      let shown = first;
      if (isLast) {
        while (shown.length > 1 && of(shown + ELLIPSIS) > room) shown = shown.slice(0, -1);
        shown = `${shown.trimEnd()}${ELLIPSIS}`;
      }
      texts.push({ xMm: MARGIN_MM, baseMm: y + sizePt * MM_A_POINT, sizePt, isBold, text: shown });
      y += high;
      rest = isLast ? '' : rest.slice(rest.indexOf(first) + first.length).trim();
    }
  }
  return texts;
}

function blocksOf(label: LabelText, scale: number, dropped: LabelLayout['dropped']): Block[] {
  const pt = (size: number): number => Math.max(LEAST_PT, size * scale);
  const plain = (text: string, most: number): Block => ({ text, sizePt: pt(PT.plain), isBold: false, most, canCut: true });
  const allergens = label.allergens.map((one) => one.toUpperCase()).join(', ');
  return [
    { text: label.name, sizePt: pt(PT.name), isBold: true, most: 2, canCut: true },
    { text: label.useBy, sizePt: pt(PT.useBy), isBold: true, most: 2, canCut: false },
    ...(dropped.includes('amount') ? [] : [plain(label.amount, 1)]),
    ...(dropped.includes('made') ? [] : [plain(label.made, 1)]),
    {
      text: allergens === '' ? 'Contains none of the 14 allergens.' : `Contains ${allergens}`,
      sizePt: pt(PT.plain),
      isBold: allergens !== '',
      most: Infinity,
      canCut: false,
    },
    ...(dropped.includes('bring back') ? [] : [plain(label.bringBack, 4)]),
  ];
}

/**
 * Lays a label out: as large as it fits, smaller where it must, and where the smallest does not fit without what is least
 * needed. Allergens are never cut or left out, nor is the day.
 */
export function layOut(label: LabelText, size: Pick<LabelSize, 'widthMm' | 'heightMm'>, measure: MeasureMm): LabelLayout {
  const drops: readonly LabelLayout['dropped'][] = [[], ['bring back'], ['bring back', 'made'], ['bring back', 'made', 'amount']];
  const { widthMm, heightMm } = size;
  const made = (dropped: LabelLayout['dropped'], scale: number, codeMm: number): LabelLayout | undefined => {
    const texts = placed(blocksOf(label, scale, dropped), size, codeMm, measure);
    const code = { xMm: widthMm - MARGIN_MM - codeMm, yMm: heightMm - MARGIN_MM - codeMm, sizeMm: codeMm };
    return texts === undefined ? undefined : { widthMm, heightMm, texts, code, dropped };
  };
  const codeMm = Math.max(LEAST_CODE_MM, heightMm * CODE_SHARE);
  for (const dropped of drops) {
    for (let scale = 1; scale * PT.plain >= LEAST_PT; scale *= STEP) {
      const fits = made(dropped, scale, codeMm);
      if (fits !== undefined) return fits;
    }
    const small = made(dropped, 0, LEAST_CODE_MM);
    if (small !== undefined) return small;
  }
  // Nothing less will do: all allergens, in what print is left.
  const least = drops.at(-1) ?? [];
  const texts = blocksOf(label, 0, least).map((block) => ({ ...block, sizePt: LEAST_PT * 0.8 }));
  const code = { xMm: widthMm - MARGIN_MM - LEAST_CODE_MM, yMm: heightMm - MARGIN_MM - LEAST_CODE_MM, sizeMm: LEAST_CODE_MM };
  return { widthMm, heightMm, texts: placed(texts, size, LEAST_CODE_MM, measure) ?? [], code, dropped: least };
}

/** Where labels stand on their pages, upper left, mm; a sheet may begin at a later place. */
export function onPages(
  count: number,
  { columns, rows, widthMm, heightMm, pageMm }: LabelSize,
  startAt = 0,
): readonly { readonly page: number; readonly xMm: number; readonly yMm: number }[] {
  const each = columns * rows;
  const [pageW, pageH] = pageMm;
  const left = (pageW - columns * widthMm) / 2;
  const top = (pageH - rows * heightMm) / 2;
  return Array.from({ length: count }, (_, n) => {
    const at = n + (startAt % each);
    const place = at % each;
    return {
      page: Math.floor(at / each),
      xMm: left + (place % columns) * widthMm,
      yMm: top + Math.floor(place / columns) * heightMm,
    };
  });
}
