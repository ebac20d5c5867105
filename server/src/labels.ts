import { dayOf } from '@tureen/core/kit';
import { LABEL_SIZES, labelText, layOut, onPages, type LabelLayout, type LabelSize } from '@tureen/core/labels';
import type { Container } from '@tureen/core/stock';
import { inArray } from 'drizzle-orm';
import QRCode from 'qrcode';
import type { Database } from './database.js';
import { readKit } from './kitchen.js';
import { facesIn, pdfBytes, pdfOf, point, widthMm, write, type Faces } from './pdf.js';
import { containers } from './schema.js';

function drawLabel(doc: PDFKit.PDFDocument, faces: Faces, layout: LabelLayout, url: string, leftMm: number, topMm: number): void {
  for (const { xMm, baseMm, sizePt, isBold, text } of layout.texts) {
    write(doc, text, { xMm: leftMm + xMm, baseMm: topMm + baseMm, sizePt, faces: faces[isBold ? 'bold' : 'plain'] });
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
  const doc = await pdfOf(size.pageMm, 'Labels');
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
    const label = labelText(container, origin, (ms) => dayOf(ms, kit?.zone), kit?.units ?? 'metric');
    const layout = layOut(label, size, (text, sizePt, isBold) => widthMm(doc, text, sizePt, own[isBold ? 'bold' : 'plain']));
    drawLabel(doc, faces, layout, label.url, place.xMm, place.yMm);
  }
  if (list.length === 0) doc.addPage();
  return { pdf: await pdfBytes(doc), unknown: ids.filter((id) => !known.has(id)) };
}

/** A size of label by its name; undefined for one that is not known. */
export function labelSize(id: string): LabelSize | undefined {
  return LABEL_SIZES.find((size) => size.id === id);
}
