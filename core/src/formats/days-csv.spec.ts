import { takeOrders, type Day } from '../board/index.js';
import { daysCsv, readDays, type OrderRead } from './days-csv.js';
import { refusedOrderSentence } from './sentences.js';

const SHELF = [
  { id: 'beetroot', name: 'Beetroot & horseradish', bowlG: 350 },
  { id: 'pea', name: 'Pea & lettuce, cold', bowlG: 250 },
  { id: 'one', name: 'Leek', bowlG: 300 },
  { id: 'two', name: 'leek', bowlG: 300 },
];
const DAY: Day = { date: '2026-12-04', starts: '07:00', ends: '15:00', people: [{ id: 'jt', name: 'JT' }], batches: [] };

function read(csv: string): { orders: readonly OrderRead[]; said: string[] } {
  const days = readDays(csv, SHELF);
  if (!days.ok) throw new Error(days.code);
  return { orders: days.orders, said: days.refused.map(refusedOrderSentence) };
}

describe('days from CSV', () => {
  it('are read by name or id, with commas, semicolons or tabs, noon where no time stands', () => {
    const { orders, said } = read(
      'Date;Soup;Bowls;Time;Cold\n2026-12-04;beetroot and horseradish;80;12:30;\n2026-12-04;pea;1 000;9.05;yes\n2026-12-05;Pea & lettuce, cold;16;;\n',
    );
    expect(said).toEqual([]);
    expect(orders.map(({ date, soupId, bowls, bowlG, at, keeps }) => [date, soupId, bowls, bowlG, at, keeps])).toEqual([
      ['2026-12-04', 'beetroot', 80, 350, '12:30', false],
      ['2026-12-04', 'pea', 1000, 250, '09:05', true],
      ['2026-12-05', 'pea', 16, 250, '12:00', false],
    ]);
  });

  it('say of every row that can’t be taken what is wrong with it, and take the others', () => {
    const { orders, said } = read(
      [
        'date,soup,bowls,time',
        '04/12/2026,pea,10,',
        '2026-02-30,pea,10,',
        '2026-12-04,gazelle,10,',
        '2026-12-04,leek,10,',
        '2026-12-04,pea,none,',
        '2026-12-04,pea,-4,',
        '2026-12-04,pea,50000,',
        '2026-12-04,pea,10,25:00',
        '2026-12-04,,10,',
        '2026-12-04,pea,12,',
      ].join('\n'),
    );
    expect(orders.length).toBe(1);
    expect(said).toEqual([
      'Row 2: 04/12/2026 is no date: write it as 2031-02-28.',
      'Row 3: 2026-02-30 is no date: write it as 2031-02-28.',
      'Row 4: gazelle is not on the shelf.',
      'Row 5: leek is the name of two soups: give one of them another name.',
      'Row 6: pea has no bowls.',
      'Row 7: pea has no bowls.',
      'Row 8: pea has more than 5000 bowls, which is taken for a slip.',
      'Row 9: 25:00 is no time: write it as 12:30.',
      'Row 10: an empty cell is not on the shelf.',
    ]);
  });

  it('without the columns it needs are no days', () => {
    expect(readDays('soup,bowls\npea,4\n', SHELF)).toEqual({ ok: false, code: 'NO_DAY_COLUMN' });
    expect(readDays('', SHELF)).toEqual({ ok: false, code: 'NO_ROWS' });
  });

  it('add up the same soup for the same time', () => {
    expect(read('date,soup,bowls\n2026-12-04,pea,10\n2026-12-04,Pea & lettuce cold,6\n').orders.map(({ bowls }) => bowls)).toEqual([
      16,
    ]);
  });

  it('come back as they were written', () => {
    const { orders } = read('date,soup,bowls,time,cold\n2026-12-04,beetroot,80,12:30,\n2026-12-04,pea,16,12:00,yes\n');
    const { day } = takeOrders(DAY, orders);
    const again = read(daysCsv([day], (id) => SHELF.find((soup) => soup.id === id)?.name ?? id));
    expect(takeOrders(DAY, again.orders).day).toEqual(day);
  });
});

describe('orders taken on a day', () => {
  const order = { soupId: 'pea', bowls: 20, bowlG: 250, at: '12:00', keeps: false };

  it('twice are taken once, and another number of bowls takes the place of the first', () => {
    const once = takeOrders(DAY, [order]).day;
    expect(takeOrders(once, [order]).day).toEqual(once);
    expect(takeOrders(once, [{ ...order, bowls: 30 }]).day.batches.map(({ id, request }) => [id, request.bowls])).toEqual([
      ['pea', 30],
    ]);
  });

  it('leave a batch that was started as it is, and add what is wanted beyond it', () => {
    const batchId = '00000000-0000-4000-8000-000000000001';
    const [own] = takeOrders(DAY, [order]).day.batches;
    if (own === undefined) throw new Error('It was taken.');
    const cooking: Day = { ...DAY, batches: [{ ...own, batchId }] };
    expect(takeOrders(cooking, [order]).day).toEqual(cooking);
    const more = takeOrders(cooking, [{ ...order, bowls: 32 }]).day;
    expect(more.batches.map(({ id, request }) => [id, request.bowls])).toEqual([
      ['pea', 20],
      ['pea-2', 12],
    ]);
    // Called off again: what is not begun goes, what cooks stays.
    expect(takeOrders(more, [order]).day).toEqual(cooking);
  });

  it('are for another time, or for the cold, a batch of their own', () => {
    const { day } = takeOrders(DAY, [order, { ...order, at: '16:00' }, { ...order, keeps: true }]);
    expect(new Set(day.batches.map(({ id }) => id)).size).toBe(3);
  });

  it('beyond what a day has room for are told', () => {
    const many = Array.from({ length: 26 }, (_, n) => ({
      ...order,
      at: `${String(8 + Math.floor(n / 4)).padStart(2, '0')}:${String((n % 4) * 15).padStart(2, '0')}`,
    }));
    const { day, tooMany } = takeOrders(DAY, many);
    expect(day.batches.length).toBe(24);
    expect(tooMany.length).toBe(2);
  });
});
