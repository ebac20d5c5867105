import ICAL from 'ical.js';
import { LARDER_ROWS } from '../larder/index.js';
import type { ShoppingRow } from '../shop/index.js';
import { readCsv } from './csv.js';
import { dayCalendar } from './day-calendar.js';
import { orderText, shoppingCsv } from './shopping.js';

const ROW = {
  id: 'beetroot/roast',
  startMin: 575,
  endMin: 641,
  short: 'Roast',
  what: 'Roast at 190 °C in one layer, 6 trays; then, with oil, over; and a long line, so that it has to be folded by the writer',
  where: 'Oven, top',
  soup: 'Beetroot & horseradish',
  person: 'JT',
};

/** Read back by a reader that is not the writer. */
function read(text: string) {
  const root = new ICAL.Component(ICAL.parse(text) as [string, unknown[], unknown[]]);
  return root.getAllSubcomponents('vevent').map((own) => new ICAL.Event(own));
}

describe('a day as a calendar', () => {
  it('is read back by an independent reader, commas, semicolons and long lines and all', () => {
    const [event] = read(dayCalendar([ROW], '2026-12-04', 'Gannet Quay'));
    expect(event?.summary).toBe('Roast · Beetroot & horseradish');
    expect(event?.description).toBe(`JT: ${ROW.what}`);
    expect(event?.location).toBe('Oven, top');
    expect(event?.startDate.toString()).toBe('2026-12-04T09:35:00');
    expect(event?.duration.toSeconds()).toBe(66 * 60);
  });

  it('goes by the kitchen’s own clock on the day on which it changes, and over midnight', () => {
    const early = { ...ROW, id: 'a', startMin: -30, endMin: 20 };
    const late = { ...ROW, id: 'b', startMin: 150, endMin: 210 };
    const events = read(dayCalendar([early, late], '2027-03-28', 'Gannet Quay'));
    expect(events.map(({ startDate, endDate }) => [String(startDate), String(endDate)])).toEqual([
      ['2027-03-27T23:30:00', '2027-03-28T00:20:00'],
      ['2027-03-28T02:30:00', '2027-03-28T03:30:00'],
    ]);
    expect(new Set(events.map(({ uid }) => uid)).size).toBe(2);
  });
});

describe('a shopping list on its way out', () => {
  const carrot = LARDER_ROWS.find(({ id }) => id === 'carrot');
  const row = (over: Partial<ShoppingRow>): ShoppingRow => ({
    ingredient: 'carrot',
    name: carrot?.name ?? '',
    group: 'roots',
    neededKg: 12.3,
    of: [{ name: 'Carrot & ginger', kg: 12.3 }],
    onHandKg: 0.3,
    shortKg: 12,
    buyKg: 20,
    packs: 2,
    pack: { ingredient: 'carrot', supplier: 'Tideway Greens', packKg: 10, packName: 'sack' },
    overKg: 8,
    cost: 14,
    supplier: 'Tideway Greens',
    ...over,
  });

  it('as CSV has a row for each thing that is bought, and no formula', () => {
    const text = shoppingCsv([row({ name: '=1+1' }), row({ ingredient: 'salt', buyKg: 0 })]);
    const table = readCsv(text);
    if (!table.ok) throw new Error(table.code);
    expect(table.rows.length).toBe(1);
    expect(text).not.toContain('\n=1');
    expect(text).toContain('20,2,sack of 10 kg');
  });

  it('as text is an order for each supplier', () => {
    const text = orderText(
      [row({}), row({ name: 'Dill', supplier: '', pack: undefined, packs: undefined, buyKg: 0.15 })],
      'Gannet Quay',
      'Friday',
    );
    expect(text.split('\n\n').length).toBe(2);
    expect(text).toContain('- Carrot: 2 × sack of 10 kg (20 kg)');
    expect(text).toContain('Without a supplier\nOrder of Gannet Quay for Friday\n- Dill: 0.15 kg');
  });
});
