import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { MM_A_POINT } from '@tureen/core/labels';

/** Pages of one size in mm, begun empty. The package is loaded with the first of them: no kitchen waits for it at the start. */
export async function pdfOf([wide, high]: readonly [number, number], title: string): Promise<PDFKit.PDFDocument> {
  const { default: Pdf } = await import('pdfkit');
  return new Pdf({ autoFirstPage: false, size: [point(wide), point(high)], margin: 0, info: { Title: title } });
}

/** All bytes of a document, which is ended by it. */
export async function pdfBytes(doc: PDFKit.PDFDocument): Promise<Uint8Array> {
  const chunks: Uint8Array[] = [];
  doc.on('data', (bytes: Uint8Array) => chunks.push(bytes));
  const ended = new Promise<void>((resolve) => doc.on('end', resolve));
  doc.end();
  await ended;
  return Buffer.concat(chunks);
}

/** Fonts that go into the file, so that it prints alike everywhere: letters of most European tongues in two files. */
const FONTS = { plain: ['latin-400', 'latin-ext-400'], bold: ['latin-700', 'latin-ext-700'] } as const;
const FAMILY = 'atkinson-hyperlegible-next';

export interface Face {
  readonly name: string;
  readonly font: { hasGlyphForCodePoint(code: number): boolean };
}

export type Faces = Readonly<Record<keyof typeof FONTS, readonly Face[]>>;

const fontFiles = new Map<string, Buffer>();

function fontFile(name: string): Buffer {
  let bytes = fontFiles.get(name);
  if (bytes === undefined) {
    const require = createRequire(import.meta.url);
    bytes = readFileSync(require.resolve(`@fontsource/${FAMILY}/files/${FAMILY}-${name}-normal.woff`));
    fontFiles.set(name, bytes);
  }
  return bytes;
}

export function facesIn(doc: PDFKit.PDFDocument): Faces {
  const of = (weight: keyof typeof FONTS): Face[] =>
    FONTS[weight].map((name) => {
      doc.registerFont(name, fontFile(name));
      // What pdfkit keeps of a font is not in its types.
      const { _font } = doc.font(name) as unknown as { _font: { font: Face['font'] } };
      return { name, font: _font.font };
    });
  return { plain: of('plain'), bold: of('bold') };
}

/** A text in pieces of one font each: what the first does not have, the second may. */
export function pieces(text: string, faces: readonly Face[]): { text: string; face: string }[] {
  const done: { text: string; face: string }[] = [];
  for (const letter of text) {
    const code = letter.codePointAt(0) ?? 0;
    const face = (faces.find(({ font }) => font.hasGlyphForCodePoint(code)) ?? faces[0])?.name ?? '';
    const last = done.at(-1);
    if (last?.face === face) last.text += letter;
    else done.push({ text: letter, face });
  }
  return done;
}

/** Points of so many millimetres. */
export const point = (mm: number): number => mm / MM_A_POINT;

/** How wide a text is, mm, in the fonts that its letters need. */
export function widthMm(doc: PDFKit.PDFDocument, text: string, sizePt: number, faces: readonly Face[]): number {
  return pieces(text, faces).reduce(
    (sum, piece) => sum + doc.font(piece.face).fontSize(sizePt).widthOfString(piece.text) * MM_A_POINT,
    0,
  );
}

/** Writes a text on a line, mm from the upper left of the page. */
export function write(
  doc: PDFKit.PDFDocument,
  text: string,
  {
    xMm,
    baseMm,
    sizePt,
    faces,
  }: { readonly xMm: number; readonly baseMm: number; readonly sizePt: number; readonly faces: readonly Face[] },
): void {
  let x = point(xMm);
  for (const piece of pieces(text, faces)) {
    doc.font(piece.face).fontSize(sizePt);
    doc.text(piece.text, x, point(baseMm), { lineBreak: false, baseline: 'alphabetic' });
    x += doc.widthOfString(piece.text);
  }
}
