import { READY_KITS } from '@tureen/core/kit';
import { STOCK_SHAPE, type StockAction, type StockEntry } from '@tureen/core/stock';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { startTestServer, type TestServer } from '../spec/test-server.js';
import type { ColdLog } from './stock.js';

const MIDNIGHT = Date.UTC(2026, 2, 2);
const at = (hours: number): number => MIDNIGHT + hours * 3_600_000;

describe('the cold log of a day', () => {
  let server: TestServer;
  let n = 0;
  let nowMs = at(23);

  function entry(hours: number, action: StockAction): StockEntry {
    n += 1;
    const id = `00000000-0000-4000-9000-${n.toString(16).padStart(12, '0')}`;
    return {
      of: 'stock',
      id,
      shape: STOCK_SHAPE,
      stamp: { counter: n, device: 'tablet-a', seq: n },
      atMs: at(hours),
      who: 'AB',
      action,
    };
  }

  const looked = (hours: number, tempC: number, corrects?: { entryId: string; why: string }): StockEntry =>
    entry(hours, {
      kind: 'checked',
      store: { id: 'fridge', name: 'Fridge', kind: 'fridge' },
      tempC,
      ...(corrects === undefined ? {} : { corrects }),
    });

  const log = async (day: string): Promise<ColdLog> => (await server.send('GET', `/cold/log?day=${day}`)).body as ColdLog;

  beforeEach(async () => {
    n = 0;
    nowMs = at(23);
    server = await startTestServer(() => nowMs);
    await server.send('PUT', '/kitchen', { kit: { ...READY_KITS.canteen, zone: 'Etc/UTC' } });
  });

  afterEach(() => {
    server.close();
  });

  it('has the looks of the day in their place, names what is missing, and takes a correction of a later day', async () => {
    const first = looked(8.2, 34);
    await server.send('POST', '/cold/entries', { entries: [first, looked(32, 4)] });
    const before = await log('2026-03-02');
    expect(before.rows.map(({ what, state }) => [what, state])).toEqual([
      ['Fridge', 'too warm, at most 5 °C'],
      ['Fridge', 'not looked at'],
      ['Freezer', 'not looked at'],
    ]);
    expect(before.warnings.length).toBe(2);
    await server.send('POST', '/cold/entries', { entries: [looked(33, 3.4, { entryId: first.id, why: 'a point was left out' })] });
    nowMs = at(47);
    const after = await log('2026-03-02');
    expect(after.rows[0]!.figure).toBe('3.4 °C');
    expect(after.rows[0]!.state).toContain('first written 34 °C, corrected by AB: a point was left out');
    expect((await log('2026-03-03')).rows.filter(({ figure }) => figure !== '').map(({ figure }) => figure)).toEqual(['4 °C']);
  });

  it('is a PDF with the same lines, and a day that is none is named', async () => {
    await server.send('POST', '/cold/entries', { entries: Array.from({ length: 60 }, (_, at) => looked(at / 3, 3)) });
    const response = await server.app.request('http://localhost/api/cold/log.pdf?day=2026-03-02');
    expect(response.headers.get('content-type')).toBe('application/pdf');
    const document = await getDocument({ data: new Uint8Array(await response.arrayBuffer()), verbosity: 0 }).promise;
    expect(document.numPages).toBe(2);
    const pages = await Promise.all(
      [1, 2].map(async (page) => {
        const { items } = await (await document.getPage(page)).getTextContent();
        return items.map((item) => ('str' in item ? item.str : '')).join(' ');
      }),
    );
    expect(pages[0]).toContain('Canteen: cold log of 2026-03-02');
    expect(pages[0]).toContain('Fridges and freezers');
    expect([...pages.join(' ').matchAll(/3 °C/g)].length).toBe(60);
    expect(pages[1]).toContain('local food law comes first');
    expect((await server.send('GET', '/cold/log?day=yesterday')).status).toBe(400);
  });
});
