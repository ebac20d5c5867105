import { READY_KITS } from '@tureen/core/kit';
import { LARDER_ROWS } from '@tureen/core/larder';
import { makePlan } from '@tureen/core/plan';
import { EXAMPLE_SOUPS } from '@tureen/core/soup';
import { STOCK_SHAPE, contentsOf, type StockEntry } from '@tureen/core/stock';
import jsQR from 'jsqr';
import { getDocument, type PDFPageProxy } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { startTestServer, type TestServer } from '../spec/test-server.js';

const NOW = Date.UTC(2026, 2, 2, 14, 0);
const PT_MM = 25.4 / 72;

const idOf = (n: number): string => `00000000-0000-4000-9000-${n.toString(16).padStart(12, '0')}`;

function filled(n: number, soupId: string, name?: string): StockEntry {
  const soup = EXAMPLE_SOUPS.find(({ id }) => id === soupId)!;
  const planning = makePlan(soup, LARDER_ROWS, READY_KITS.canteen, { bowls: 40, bowlG: 300, potId: 'boiler-40' });
  if (!planning.ok) throw new Error(planning.error.code);
  const contents = contentsOf(planning.plan, 1)!;
  return {
    of: 'stock',
    id: idOf(500 + n),
    shape: STOCK_SHAPE,
    stamp: { counter: n, device: 'tablet-a', seq: n },
    atMs: NOW,
    who: '',
    action: {
      kind: 'filled',
      container: idOf(n),
      kg: 1.8,
      vessel: 'tub',
      madeMs: NOW,
      store: { id: 'fridge', name: 'Fridge', kind: 'fridge' },
      contents: name === undefined ? contents : { ...contents, name },
    },
  };
}

interface Read {
  readonly text: string;
  readonly xMm: number;
  readonly yMm: number;
}

/** Texts of a page where they stand, from the upper left, by a reader that is not ours. */
async function textsOf(page: PDFPageProxy): Promise<Read[]> {
  const { height } = page.getViewport({ scale: 1 });
  const { items } = await page.getTextContent();
  return items.flatMap((item) =>
    'str' in item && item.str.trim() !== ''
      ? [{ text: item.str, xMm: Number(item.transform[4]) * PT_MM, yMm: (height - Number(item.transform[5])) * PT_MM }]
      : [],
  );
}

/** Black squares of a page's paths, drawn into a picture and read by a QR reader that is not ours. */
async function codesOf(bytes: Uint8Array, size: { widthMm: number; heightMm: number }): Promise<string | undefined> {
  const text = Buffer.from(bytes).toString('latin1');
  const zlib = await import('node:zlib');
  const scale = 12;
  const width = Math.round(size.widthMm * scale);
  const height = Math.round(size.heightMm * scale);
  const pixels = new Uint8ClampedArray(width * height * 4).fill(255);
  for (const { index } of text.matchAll(/stream\r?\n/g)) {
    const start = index + (text[index + 6] === '\r' ? 8 : 7);
    const end = text.indexOf('endstream', start);
    let content: string;
    try {
      content = zlib.inflateSync(bytes.subarray(start, end)).toString('latin1');
    } catch {
      continue;
    }
    for (const [, x = '', y = '', w = '', h = ''] of content.matchAll(/([\d.-]+) ([\d.-]+) ([\d.-]+) ([\d.-]+) re/g)) {
      const [left, top, right, bottom] = [Number(x), Number(y), Number(x) + Number(w), Number(y) + Number(h)].map((pt) =>
        Math.round(pt * PT_MM * scale),
      );
      for (let py = top!; py < bottom!; py += 1)
        for (let px = left!; px < right!; px += 1) pixels.fill(0, (py * width + px) * 4, (py * width + px) * 4 + 3);
    }
  }
  // The default export of a package that is not a module.
  const read = jsQR as unknown as (data: Uint8ClampedArray, width: number, height: number) => { data: string } | null;
  return read(pixels, width, height)?.data;
}

describe('labels as a PDF', () => {
  let server: TestServer;

  beforeEach(async () => {
    server = await startTestServer(() => NOW);
    await server.send('PUT', '/kitchen', { kit: { ...READY_KITS.canteen, zone: 'Etc/UTC' } });
    await server.send('POST', '/cold/entries', {
      entries: [filled(1, 'parsnip-butter'), filled(2, 'fennel-egg-cream'), filled(3, 'swede-barley', 'Żur z łąki & Gemüse')],
    });
  });

  afterEach(() => {
    server.close();
  });

  async function pdf(query: string): Promise<{ status: number; bytes: Uint8Array; kind: string | null }> {
    const response = await server.app.request(`http://localhost/api/cold/labels.pdf?${query}`);
    return {
      status: response.status,
      bytes: new Uint8Array(await response.arrayBuffer()),
      kind: response.headers.get('content-type'),
    };
  }

  const open = (bytes: Uint8Array) => getDocument({ data: Uint8Array.from(bytes), useSystemFonts: false, verbosity: 0 }).promise;

  it('says what is in it, how much, its day and its allergens, each label in its place on the sheet', async () => {
    const { status, bytes, kind } = await pdf(`ids=${[1, 2, 3].map(idOf).join(',')}&from=2`);
    expect(status).toBe(200);
    expect(kind).toBe('application/pdf');
    const document = await open(bytes);
    expect(document.numPages).toBe(1);
    const page = await document.getPage(1);
    const { width, height } = page.getViewport({ scale: 1 });
    expect([Math.round(width * PT_MM), Math.round(height * PT_MM)]).toEqual([210, 297]);
    const texts = await textsOf(page);
    const within = (left: number, top: number): string =>
      texts
        .filter(({ xMm, yMm }) => xMm >= left && xMm < left + 70 && yMm >= top && yMm < top + 37)
        .map(({ text }) => text)
        .join(' ');
    const [first, second, third] = [within(140, 0.5), within(0, 37.5), within(70, 37.5)];
    expect(first).toContain('Parsnip & butter');
    expect(first).toContain('6 bowls, 1.8 kg');
    expect(first).toContain('use by 8 Mar 2026');
    expect(first).toContain('MILK');
    expect(second).toContain('use by 3 Mar 2026');
    expect(second).toContain('EGG');
    // Letters of the second font file too, in their order.
    expect(third.replace(/\s+/g, '')).toContain('ŻurzłąkigemGemüse'.replace('gem', '&'));
  });

  it('its fonts are in it, and its code leads to the container', async () => {
    const { bytes } = await pdf(`ids=${idOf(2)}&size=roll-62`);
    const text = Buffer.from(bytes).toString('latin1');
    expect(text).toMatch(/\/FontFile[23]/);
    expect(text).toContain('Atkinson');
    expect(await codesOf(bytes, { widthMm: 62, heightMm: 40 })).toBe(`http://localhost/cold/${idOf(2)}`);
  });

  it('one page a label on a roll; a size or a container that is not known is named', async () => {
    const { bytes } = await pdf(`ids=${[1, 2].map(idOf).join(',')}&size=roll-50`);
    expect((await open(bytes)).numPages).toBe(2);
    expect((await pdf(`ids=${idOf(1)}&size=a5`)).status).toBe(400);
    expect((await pdf(`ids=${idOf(77)}`)).status).toBe(404);
    expect((await pdf('ids=nonsense')).status).toBe(400);
  });
});
