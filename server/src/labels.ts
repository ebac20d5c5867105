import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dayOf } from '@tureen/core/kit';
import { LABEL_SIZES, MM_A_POINT, labelText, layOut, onPages, type LabelLayout, type LabelSize } from '@tureen/core/labels';
import type { Container } from '@tureen/core/stock';
import { inArray } from 'drizzle-orm';
import Pdf from 'pdfkit';
import QRCode from 'qrcode';
import type { Database } from './database.js';
import { readKit } from './kitchen.js';
import { containers } from './schema.js';

/** Fonts that go into the file, so that it prints alike everywhere: letters of most European tongues in two files. */
const FONTS = { plain: ['latin-400', 'latin-ext-400'], bold: ['latin-700', 'latin-ext-700'] } as const;
const FAMILY = 'atkinson-hyperlegible-next';

interface Face {
  readonly name: string;
  readonly font: { hasGlyphForCodePoint(code: number): boolean };
}

type Faces = Readonly<Record<keyof typeof FONTS, readonly Face[]>>;

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

function facesIn(doc: PDFKit.PDFDocument): Faces {
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
function pieces(text: string, faces: readonly Face[]): { text: string; face: string }[] {
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

const point = (mm: number): number => mm / MM_A_POINT;

function drawLabel(doc: PDFKit.PDFDocument, faces: Faces, layout: LabelLayout, url: string, leftMm: number, topMm: number): void {
  for (const { xMm, baseMm, sizePt, isBold, text } of layout.texts) {
    let x = point(leftMm + xMm);
    for (const piece of pieces(text, faces[isBold ? 'bold' : 'plain'])) {
      doc.font(piece.face).fontSize(sizePt);
      doc.text(piece.text, x, point(topMm + baseMm), { lineBreak: false, baseline: 'alphabetic' });
      x += doc.widthOfString(piece.text);
    }
  }
  const { modules } = QRCode.create(url, { errorCorrectionLevel: 'M' });
  const { xMm, yMm, sizeMm } = layout.code;
  const one = sizeMm / modules.size;
  for (let row = 0; row < modules.size; row += 1) {
    for (let column = 0; column < modules.size; column += 1) {
      if (modules.get(row, column) === 0) continue;
      doc.rect(point(leftMm + xMm + column * one), point(topMm + yMm + row * one), point(one) + 0.02, point(one) + 0.02);
    }
  }
  doc.fill('black');
}

/** Labels of containers as a PDF, one after another in the order in which they were asked for, from a place of the sheet on. */
export async function labelsPdf(
  database: Database,
  ids: readonly string[],
  size: LabelSize,
  startAt: number,
  origin: string,
): Promise<{ readonly pdf: Uint8Array; readonly unknown: readonly string[] }> {
  const rows = await database.db
    .select({ container: containers.container })
    .from(containers)
    .where(inArray(containers.id, [...ids]));
  const known = new Map(rows.map(({ container }) => [container.id, container]));
  const list = ids.flatMap((id): Container[] => {
    const one = known.get(id);
    return one === undefined ? [] : [one];
  });
  const kit = await readKit(database);
  const days = { dayWords: longDay, dayOf: (ms: number) => dayOf(ms, kit?.zone) };
  const [pageW, pageH] = size.pageMm;
  const doc = new Pdf({ autoFirstPage: false, size: [point(pageW), point(pageH)], margin: 0, info: { Title: 'Labels' } });
  const chunks: Uint8Array[] = [];
  doc.on('data', (bytes: Uint8Array) => chunks.push(bytes));
  const ended = new Promise<void>((resolve) => doc.on('end', resolve));
  const places = onPages(list.length, size, startAt);
  let page = -1;
  let faces: Faces | undefined;
  for (const [n, container] of list.entries()) {
    const place = places[n];
    if (place === undefined) break;
    while (page < place.page) {
      doc.addPage();
      page += 1;
    }
    faces ??= facesIn(doc);
    const own = faces;
    const label = labelText(container, origin, days);
    const layout = layOut(label, size, (text, sizePt, isBold) =>
      pieces(text, own[isBold ? 'bold' : 'plain']).reduce(
        (sum, piece) => sum + doc.font(piece.face).fontSize(sizePt).widthOfString(piece.text) * MM_A_POINT,
        0,
      ),
    );
    drawLabel(doc, faces, layout, label.url, place.xMm, place.yMm);
  }
  if (list.length === 0) doc.addPage();
  doc.end();
  await ended;
  return { pdf: Buffer.concat(chunks), unknown: ids.filter((id) => !known.has(id)) };
}

/** A day with its year, as a label needs it. @example longDay('2026-12-08') // '8 Dec 2026' */
function longDay(day: string): string {
  return new Date(`${day}T00:00:00Z`).toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    timeZone: 'UTC',
  });
}

/** A size of label by its name; undefined for one that is not known. */
export function labelSize(id: string): LabelSize | undefined {
  return LABEL_SIZES.find((size) => size.id === id);
}
