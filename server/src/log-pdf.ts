import { facesIn, pdfBytes, pdfOf, widthMm, write, type Face } from './pdf.js';
import type { ColdLog } from './stock.js';

const A4 = [210, 297] as const;
const MARGIN_MM = 14;
const LINE_MM = 5;
const PT = { title: 16, section: 12, plain: 9.5 } as const;
/** Columns of a line of the sheet, mm from the left edge. */
const COLUMNS = { when: MARGIN_MM, what: 36, figure: 84, state: 130, who: 186 } as const;
const DISCLAIMER = 'Made by the kitchen from what was entered. It is no licence and no inspection: local food law comes first.';

/** Words into lines no wider than a width. */
function wrapped(doc: PDFKit.PDFDocument, text: string, wideMm: number, faces: readonly Face[]): string[] {
  const lines: string[] = [];
  let line = '';
  for (const word of text.split(' ')) {
    const longer = line === '' ? word : `${line} ${word}`;
    if (line !== '' && widthMm(doc, longer, PT.plain, faces) > wideMm) {
      lines.push(line);
      line = word;
    } else line = longer;
  }
  return [...lines, line];
}

/** The day sheet on A4: what is missing first, then each section with its lines. */
export async function logPdf(log: ColdLog): Promise<Uint8Array> {
  const doc = await pdfOf(A4, `Cold log ${log.day}`);
  doc.addPage();
  const faces = facesIn(doc);
  let baseMm = MARGIN_MM + 6;
  const room = (lines: number): void => {
    if (baseMm + lines * LINE_MM <= A4[1] - MARGIN_MM) return;
    doc.addPage();
    baseMm = MARGIN_MM + 6;
  };
  const say = (text: string, sizePt: number, own: readonly Face[], xMm: number = MARGIN_MM): void => {
    write(doc, text, { xMm, baseMm, sizePt, faces: own });
  };
  say(`${log.kitchen}: cold log of ${log.day}`, PT.title, faces.bold);
  baseMm += 8;
  for (const warning of log.warnings) {
    say(warning, PT.plain, faces.bold);
    baseMm += LINE_MM;
  }
  let section = '';
  for (const row of log.rows) {
    const cells = (['what', 'figure', 'state'] as const).map((key, n) => {
      const next = [COLUMNS.figure, COLUMNS.state, COLUMNS.who][n] ?? A4[0];
      return {
        xMm: COLUMNS[key],
        lines: wrapped(doc, row[key], next - COLUMNS[key] - 2, row.isBad && key === 'state' ? faces.bold : faces.plain),
      };
    });
    const high = Math.max(...cells.map(({ lines }) => lines.length));
    room(high + (row.section === section ? 0 : 2));
    if (row.section !== section) {
      ({ section } = row);
      baseMm += 3;
      say(section, PT.section, faces.bold);
      baseMm += LINE_MM + 1;
    }
    say(row.when, PT.plain, faces.plain, COLUMNS.when);
    say(row.who, PT.plain, faces.plain, COLUMNS.who);
    for (const [n, { xMm, lines }] of cells.entries()) {
      for (const [at, line] of lines.entries()) {
        write(doc, line, {
          xMm,
          baseMm: baseMm + at * LINE_MM,
          sizePt: PT.plain,
          faces: row.isBad && n === 2 ? faces.bold : faces.plain,
        });
      }
    }
    baseMm += high * LINE_MM;
  }
  room(3);
  baseMm += LINE_MM;
  say(DISCLAIMER, PT.plain, faces.plain);
  return pdfBytes(doc);
}
