import type { DayAnswer, SuppliesAnswer } from '@tureen/server/api';
import { choose, expect, faults, test, watch } from './kitchen.js';

const tomorrow = async (url: string): Promise<string> => {
  const { days } = (await (await fetch(`${url}/api/days?from=2020-01-01`)).json()) as { days: { date: string }[] };
  return days[0]!.date;
};
const dayOf = async (url: string, date: string): Promise<DayAnswer> =>
  (await fetch(`${url}/api/days/${date}`)).json() as Promise<DayAnswer>;
const supplies = async (url: string): Promise<SuppliesAnswer> =>
  (await fetch(`${url}/api/supplies`)).json() as Promise<SuppliesAnswer>;

test('the demo’s day with four soups, two ovens, one jug and two people is on time; a pair of hands less, and it is laid out anew', async ({
  page,
  context,
  server,
}) => {
  const quiet = watch(page);
  const date = await tomorrow(server.url);
  await page.goto(`${server.url}/board`);
  await expect(page.getByRole('heading', { name: /^Tomorrow/ })).toBeVisible();
  await expect(page.getByRole('heading', { name: /On time, with .* in hand/ })).toBeVisible();
  const rows = page.getByRole('table', { name: 'What is done when, by whom' }).getByRole('row');
  await expect(rows.filter({ hasText: 'Roast at 190' })).toHaveCount(1);
  await expect(page.getByText('Laid out anew')).toHaveCount(0);
  expect(await faults(page)).toEqual([]);

  // A second screen follows what is changed on the first.
  const other = await context.newPage();
  await other.goto(`${server.url}/board/${date}`);
  await expect(other.getByRole('heading', { name: /On time/ })).toBeVisible();
  await page.bringToFront();
  await page.getByRole('button', { name: 'MO is not here' }).click();
  await expect.poll(async () => (await dayOf(server.url, date)).day?.people.length).toBe(1);
  await expect(page.getByText(/Laid out anew/)).toBeVisible();
  await expect(rows.filter({ hasText: /\bMO\b/ })).toHaveCount(0);
  await expect(other.getByRole('button', { name: 'MO is not here' })).toHaveCount(0);

  // From ten on alone it can’t be done: it says by how much, and the ways out were tried.
  await page.getByLabel('The day goes from').fill('10');
  await page.getByLabel('The day goes from').press('Enter');
  const verdict = page.getByRole('heading', { name: /late, by up to/ });
  await expect(verdict).toBeVisible();
  const ways = page.getByRole('region', { name: 'What would help' });
  const start = ways.getByRole('button', { name: /^Start at/ });
  await expect(start).toBeVisible({ timeout: 30_000 });
  await expect(ways.filter({ hasText: 'then all is on time' })).toHaveCount(1);
  await start.click();
  await expect(page.getByRole('heading', { name: /On time/ })).toBeVisible();
  quiet();
});

test('a block is given to somebody and moved by keys; the plan goes round it, and a reload knows it', async ({ page, server }) => {
  const date = await tomorrow(server.url);
  await page.goto(`${server.url}/board/${date}`);
  const roast = page.getByRole('button', { name: /^Trim and cut the lettuce/ });
  await roast.focus();
  await page.keyboard.press('Enter');
  const chosen = page.getByRole('region', { name: 'What was chosen' });
  await expect(chosen).toBeVisible();
  await chosen.getByRole('button', { name: 'MO does it' }).click();
  await expect.poll(async () => (await dayOf(server.url, date)).day?.pins).toEqual([{ block: 'pea/lettuce', person: 'mo' }]);
  await chosen.getByRole('button', { name: '10 min earlier' }).click();
  await expect.poll(async () => (await dayOf(server.url, date)).day?.pins?.[0]?.at).toMatch(/^\d\d:\d\d$/);
  const at = (await dayOf(server.url, date)).day!.pins![0]!.at!;
  await expect(chosen).toContainText(`${at} to`);
  await page.reload();
  const row = page.getByRole('row').filter({ hasText: 'Trim and cut the lettuce' });
  await expect(row).toContainText(at);
  await expect(row).toContainText('MO');
});

test('a day is planned from nothing, taken over from another, and a soup of it started at the stove', async ({ page, server }) => {
  const quiet = watch(page);
  await page.goto(`${server.url}/board/2031-03-05`);
  await page.getByRole('button', { name: 'Plan this day' }).click();
  await choose(page, 'add-soup', /Parsnip/);
  await expect(page.getByRole('heading', { name: /On time/ })).toBeVisible();
  const bowls = page.getByRole('spinbutton', { name: /Bowls of Parsnip/ });
  await bowls.fill('2000');
  await bowls.press('Enter');
  await expect(page.getByText(/more than this pot may boil/)).toBeVisible();
  await bowls.fill('30');
  await bowls.press('Enter');
  await expect(page.getByRole('heading', { name: /On time/ })).toBeVisible();
  const when = page.getByRole('textbox', { name: /When Parsnip/ });
  await when.fill('25:00');
  await when.press('Enter');
  await expect(page.getByText('Not a time: write it as 12:30')).toBeVisible();
  await when.fill('13');
  await when.press('Enter');
  await expect.poll(async () => (await dayOf(server.url, '2031-03-05')).day?.batches[0]?.at).toBe('13:00');
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(page).toHaveURL(/\/stove\//);
  const batchId = /stove\/([0-9a-f-]+)/.exec(page.url())![1];
  await expect.poll(async () => (await dayOf(server.url, '2031-03-05')).day?.batches[0]?.batchId).toBe(batchId);

  // Taken over by the next day it is a day of its own.
  await page.goto(`${server.url}/board/2031-03-06`);
  await expect(page.getByText('Nothing is planned for this day yet.')).toBeVisible();
  quiet();
});

test('the shopping list adds the day up, less what is on hand; what comes in is off it, at its price', async ({ page, server }) => {
  const quiet = watch(page);
  const date = await tomorrow(server.url);
  await page.goto(`${server.url}/board/${date}`);
  await page.getByRole('link', { name: 'Shop' }).click();
  const greens = page.getByRole('region', { name: 'Tideway Greens' });
  const beetroot = greens.getByRole('listitem').filter({ hasText: /net of 5 kg Beetroot/ });
  await expect(beetroot).toContainText(/\d × net of 5/);
  await expect(beetroot).toContainText('3.4 kg on hand');
  expect(await faults(page)).toEqual([]);
  await beetroot.getByRole('button', { name: /^It came in/ }).click();
  await beetroot.getByRole('spinbutton', { name: /that came in/ }).fill('15');
  await beetroot.getByRole('spinbutton', { name: /^Price of a kg/ }).fill('1,75');
  await beetroot.getByRole('button', { name: 'It came in', exact: true }).click();
  await expect(page.getByText('15 kg Beetroot came in.')).toBeVisible();
  await expect(page.getByRole('region', { name: 'On hand already' })).toContainText('eetroot');
  await expect
    .poll(async () => (await supplies(server.url)).supplies.find(({ ingredient }) => ingredient === 'beetroot')?.onHandKg)
    .toBeCloseTo(18.4, 6);
  const larder = (await (await fetch(`${server.url}/api/larder`)).json()) as { rows: { id: string; pricePerKg: number }[] };
  expect(larder.rows.find(({ id }) => id === 'beetroot')?.pricePerKg).toBe(1.75);
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'CSV' }).click()]);
  expect(file.suggestedFilename()).toBe(`shopping ${date}.csv`);
  quiet();
});

test('orders come from a file; the menu card says what each soup contains; the wall shows who does what next', async ({
  page,
  server,
}) => {
  const quiet = watch(page);
  const date = await tomorrow(server.url);
  await page.goto(`${server.url}/board/${date}`);
  await expect(page.getByRole('heading', { name: /On time/ })).toBeVisible();
  const before = (await dayOf(server.url, date)).day!.batches.length;
  const today = new Date(Date.parse(`${date}T12:00:00Z`) - 86_400_000).toISOString().slice(0, 10);
  const csv = `date,soup,bowls,time\n${date},"Celeriac, leek & apple",12,13:00\n${today},"Celeriac, leek & apple",10,23:59\n${date},Gruel,3,\n`;
  await page.getByLabel('Orders from CSV').setInputFiles({ name: 'orders.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  await expect(page.getByText(/Gruel is not on the shelf/)).toBeVisible();
  await expect.poll(async () => (await dayOf(server.url, date)).day?.batches.length).toBe(before + 1);
  await expect.poll(async () => (await dayOf(server.url, today)).day?.batches.length).toBe(1);

  await page.goto(`${server.url}/board/${date}/menu`);
  await expect(page.getByRole('heading', { name: 'Celeriac, leek & apple' }).last()).toBeVisible();
  await expect(page.getByText(/contains .*celery/).first()).toBeVisible();
  expect(await faults(page)).toEqual([]);

  await page.goto(`${server.url}/wall`);
  const work = page.getByRole('region', { name: 'Today’s work' });
  await expect(work).toContainText('Celeriac, leek & apple');
  await expect(work.getByRole('listitem').first()).toContainText(/\d\d:\d\d/);
  quiet();
});

test('the menu of weeks: a soup put on a weekday, the days ahead planned by it, and taken back', async ({ page, server }) => {
  const quiet = watch(page);
  await page.goto(`${server.url}/board`);
  await page.getByRole('link', { name: 'Menu of weeks' }).click();
  await expect(page.getByRole('heading', { name: 'Menu of weeks' })).toBeVisible();
  const wednesday = page.locator('.cell').nth(2);
  await expect(wednesday).toContainText('70 bowls');
  await wednesday.click();
  await choose(page, 'add-to-menu', /Beetroot/);
  await expect(wednesday).toContainText('40 bowls, 12:00');
  await page.reload();
  await expect(wednesday).toContainText('40 bowls, 12:00');
  await page.getByRole('button', { name: 'Plan by the menu' }).click();
  await expect(page.getByText(/(19|20) days planned by the menu/)).toBeVisible();
  expect(await faults(page)).toEqual([]);
  await page.getByRole('link', { name: 'To the first of them' }).click();
  await expect(page.getByText('By the clock')).toBeVisible();
  await page.goBack();
  await page.getByRole('button', { name: 'Plan by the menu' }).click();
  await expect(page.getByText('No days planned by the menu.')).toBeVisible();
  quiet();
});

test('a block is dragged along the clock and onto somebody’s lane; it stays there', async ({ page, server }) => {
  const date = await tomorrow(server.url);
  await page.goto(`${server.url}/board/${date}`);
  await page.getByRole('button', { name: /^Trim and cut the lettuce/ }).click();
  const chosen = page.getByRole('region', { name: 'What was chosen' });
  await expect(chosen).toContainText(' to ');
  const bar = page.locator('tt-day-lanes .bar.chosen').first();
  await bar.scrollIntoViewIfNeeded();
  const box = (await bar.boundingBox())!;
  const at = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  const pull = async (x: number, y: number): Promise<void> => {
    await page.mouse.move(at.x, at.y);
    await page.mouse.down();
    await page.mouse.move(x, y, { steps: 6 });
  };
  await pull(at.x - 90, at.y);
  const label = await page.locator('tt-day-lanes text.post-text[text-anchor=middle]').textContent();
  await page.mouse.up();
  await expect.poll(async () => (await dayOf(server.url, date)).day?.pins?.[0]?.at).toBe(label?.trim());
  await expect(chosen).toContainText(`${label?.trim() ?? ''} to`);
  // Onto the lane of whoever's lies further off.
  const moved = (await bar.boundingBox())!;
  const middle = moved.y + moved.height / 2;
  at.x = moved.x + moved.width / 2;
  at.y = middle;
  const lanes = await page.locator('tt-day-lanes text.hands').all();
  const rows = await Promise.all(lanes.map(async (lane) => (await lane.boundingBox())!));
  const other = rows.map(({ y, height }) => y + height / 2).sort((a, b) => Math.abs(b - middle) - Math.abs(a - middle))[0]!;
  await pull(at.x + 2, other);
  await page.mouse.up();
  await expect.poll(async () => (await dayOf(server.url, date)).day?.pins?.[0]?.person).toMatch(/^(jt|mo)$/);
  expect((await dayOf(server.url, date)).day?.pins?.[0]?.at).toBe(label?.trim());
});

test('a day of which another order might be better is looked at by the solver, in the browser, until it is proved', async ({
  page,
  server,
}) => {
  const check = watch(page);
  const batches = [
    { id: 'celeriac', soupId: 'celeriac-leek-apple', request: { bowls: 40, bowlG: 300 }, at: '12:00' },
    { id: 'parsnip', soupId: 'parsnip-butter', request: { bowls: 50, bowlG: 300 }, at: '12:30' },
  ];
  const date = '2027-03-01';
  const day = { date, starts: '06:00', ends: '15:00', people: [{ id: 'jt', name: 'JT' }], batches };
  const kept = await fetch(`${server.url}/api/days/${date}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ day, seenMs: null }),
  });
  expect(kept.status).toBe(200);
  const solver = page.waitForResponse((answer) => answer.url().endsWith('/highs.wasm'));
  await page.goto(`${server.url}/board/${date}`);
  expect((await solver).status()).toBe(200);
  await expect(page.locator('.verdict')).toContainText('No order of work gives more.');
  check();
});
