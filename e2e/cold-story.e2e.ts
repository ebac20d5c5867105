import { createClient } from '@libsql/client';
import type { Locator, Page } from '@playwright/test';
import type { ColdAnswer } from '@tureen/server/api';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { begin, until } from './at-the-stove.js';
import { expect, test, type RealServer } from './kitchen.js';

const MINUTE_MS = 60_000;

async function cold(url: string): Promise<ColdAnswer> {
  return (await fetch(`${url}/api/cold`)).json() as Promise<ColdAnswer>;
}

/** So many minutes go by in the cold: all that was entered there is that much longer ago, and its lists are made anew. */
async function pass(server: RealServer, minutes: number): Promise<void> {
  await server.stop();
  const client = createClient({ url: `file:${server.file}` });
  const by = minutes * MINUTE_MS;
  for (const path of ['$.value.atMs', '$.value.action.madeMs', '$.value.action.countsFromMs'])
    await client.execute(
      `UPDATE stock_entries SET entry = json_set(entry, '${path}', json_extract(entry, '${path}') - ${String(by)}) WHERE json_extract(entry, '${path}') IS NOT NULL`,
    );
  client.close();
  await server.start();
  // A kit that is set has all that stands in the cold worked out anew.
  const { kit } = (await (await fetch(`${server.url}/api/kitchen`)).json()) as { kit: unknown };
  const put = await fetch(`${server.url}/api/kitchen`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ kit }),
  });
  expect(put.status).toBe(200);
}

/** What another tablet said of a batch: so many kilos were left over. */
async function leftOver(url: string, batchId: string, kg: number, n: number): Promise<void> {
  const id = `00000000-0000-4000-8000-00000000000${String(n)}`;
  const stamp = { counter: 1000 + n, device: 'other-tablet', seq: n };
  const action = { kind: 'stored', kg };
  const answer = await fetch(`${url}/api/batches/${batchId}/entries`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ entries: [{ id, shape: 2, stamp, atMs: Date.now(), who: 'CD', action }] }),
  });
  expect(answer.status).toBe(200);
}

const pans = (page: Page): Locator => page.locator('tt-pan-watch');

/** The curve and the probe of a pan; a list that was just told anew may have put another button there. */
async function opened(pan: Locator): Promise<Locator> {
  await expect(async () => {
    const opens = pan.getByRole('button', { name: 'Its curve, the probe, and putting it away' });
    if (await opens.isVisible()) await opens.click({ timeout: 2000 });
    await expect(pan.getByLabel(/^it reads/)).toBeVisible({ timeout: 1000 });
  }).toPass();
  return pan;
}

async function reads(pan: Locator, tempC: string): Promise<void> {
  await (await opened(pan)).getByLabel(/^it reads/).fill(tempC);
  await pan.getByRole('button', { name: 'Read', exact: true }).click();
  await expect(pan.getByRole('button', { name: new RegExp(`^Take back ${tempC}`) })).toBeVisible();
}

async function textOf(url: string): Promise<string> {
  const data = new Uint8Array(await (await fetch(url)).arrayBuffer());
  const document = await getDocument({ data, verbosity: 0 }).promise;
  const pages = await Promise.all(
    Array.from({ length: document.numPages }, async (_, n) => (await (await document.getPage(n + 1)).getTextContent()).items),
  );
  return pages
    .flat()
    .map((item) => ('str' in item ? item.str : ''))
    .join(' ');
}

test('18 kg from the pot to the label and back: split, watched, rescued, labelled, frozen, thawed, and in a new soup with its date', async ({
  page,
  context,
  server,
}) => {
  test.setTimeout(300_000);
  const batchId = await begin(page, server.url, 'parsnip-butter');
  await page.goto(`${server.url}/cold`);
  await leftOver(server.url, batchId, 18, 1);
  await page.getByRole('link', { name: 'Put away 18 kg' }).click();
  await page
    .locator('.ways button.way')
    .filter({ hasText: /^\s*3 × wide shallow pan/ })
    .click();
  await page.getByRole('button', { name: 'It stands in these: watch it cool' }).click();
  await expect(pans(page)).toHaveCount(3);
  const ours = async () => (await cold(server.url)).containers.filter(({ from }) => from?.batchId === batchId);
  await expect.poll(async () => (await ours()).length).toBe(3);
  await page.reload();
  await expect(pans(page)).toHaveCount(3);

  // A while later: the stand-in reads one, and a second one is far behind it.
  await pass(server, 45);
  await page.goto(`${server.url}/cold`);
  const other = await context.newPage();
  await other.goto(`${server.url}/cold`);
  // A tab behind another is drawn once a second.
  await page.bringToFront();
  const first = await opened(pans(page).first());
  await first.getByRole('button', { name: /From its simulated probe/ }).click();
  await first.getByRole('button', { name: 'Read', exact: true }).click();
  await expect(first.getByRole('button', { name: /^Take back/ })).toBeVisible();
  await expect(first.locator('li').first()).not.toContainText('too slow');
  const slow = pans(page).nth(1);
  await reads(slow, '68');
  await pass(server, 20);
  await page.goto(`${server.url}/cold`);
  await other.goto(`${server.url}/cold`);
  await page.bringToFront();
  const all = await pans(page).count();
  const isLate = async (n: number): Promise<boolean> =>
    (await (await opened(pans(page).nth(n))).getByRole('button', { name: /^Take back 68/ }).count()) > 0;
  let late = 0;
  while (late < all - 1 && !(await isLate(late))) late += 1;
  await reads(pans(page).nth(late), '59');
  const behind = pans(page).filter({ hasText: 'too slow' });
  await expect(behind).toHaveCount(1);
  await expect(behind.getByRole('alert').filter({ hasText: 'there is time' })).toBeVisible();
  await behind.getByRole('button', { name: /^Half of it into a second pan/ }).click();
  await expect(pans(page)).toHaveCount(4);
  await expect(pans(other)).toHaveCount(4);

  // Cold, told while the network is gone.
  await pass(server, 260);
  await page.goto(`${server.url}/cold`);
  await expect(pans(page)).toHaveCount(4);
  for (let n = 0; n < 4; n++) await opened(pans(page).nth(n));
  await server.kill();
  for (let left = 4; left > 0; left--) {
    const pan = await opened(pans(page).first());
    await reads(pan, '4');
    await pan.getByRole('button', { name: 'Cold: into the fridge' }).click();
    await expect(pans(page)).toHaveCount(left - 1);
  }
  await expect(page.getByText(/8 kept here, not sent/).first()).toBeVisible();
  await server.start();
  await expect(page.getByText('all saved')).toBeVisible({ timeout: 20_000 });
  await expect.poll(async () => (await ours()).map(({ state }) => state)).toEqual(Array.from({ length: 4 }, () => 'chilled'));
  expect((await ours()).reduce((sum, { kg }) => sum + kg, 0)).toBeCloseTo(18, 1);
  await expect(pans(other)).toHaveCount(0, { timeout: 20_000 });

  // A label for each, read back from the PDF.
  const ids = (await ours()).map(({ id }) => id);
  await page.goto(`${server.url}/cold/labels?ids=${ids.join(',')}`);
  await expect(page.getByRole('img', { name: /^Label: Parsnip & butter, use by/ })).toHaveCount(4);
  const text = await textOf(`${server.url}${(await page.getByRole('link', { name: 'As PDF' }).getAttribute('href')) ?? ''}`);
  expect(text.match(/Parsnip & butter/g)?.length).toBe(4);
  expect(text).toContain('MILK');

  // Into the freezer, two days there, and out again: its count went on standing.
  const [one] = await ours();
  await page.goto(`${server.url}/cold/${one!.id}`);
  await page.getByRole('button', { name: 'Freeze: into the freezer' }).click();
  const state = async () => (await ours()).find(({ id }) => id === one!.id)?.state;
  await expect.poll(state).toBe('frozen');
  await pass(server, 2 * 1440);
  await page.goto(`${server.url}/cold/${one!.id}`);
  await page.getByRole('button', { name: 'Thaw: into the fridge' }).click();
  await expect.poll(state).toBe('thawed');
  const thawed = (await ours()).find(({ id }) => id === one!.id)!;

  // In a new soup, and what is left of that keeps no longer than what went in.
  const next = await begin(page, server.url, 'swede-barley', 20);
  await until(page, /^Pour/);
  await page.keyboard.press('x');
  const sheet = page.getByRole('dialog');
  await sheet.getByPlaceholder('coconut').fill('parsnip');
  const dayOfMonth = new Date(`${thawed.useBy.day}T00:00:00Z`).getUTCDate();
  await sheet
    .getByRole('button', { name: new RegExp(`All of it from the cold: Parsnip & butter, .* use by ${String(dayOfMonth)} `) })
    .click();
  await expect(page.getByText(/Parsnip & butter goes in, not planned/)).toBeVisible();
  await expect.poll(async () => (await ours()).length).toBe(3);
  await leftOver(server.url, next, 4, 2);
  await page.goto(`${server.url}/cold`);
  await page.getByRole('link', { name: 'Put away 4 kg' }).click();
  await page.getByLabel('now at, °C').fill('3');
  await page.getByRole('button', { name: 'It stands in these: put it away' }).click();
  const made = async () => (await cold(server.url)).containers.find(({ from }) => from?.batchId === next);
  await expect.poll(async () => (await made())?.state).toBe('chilled');
  expect((await ours()).some(({ id }) => id === thawed.id)).toBe(false);
  expect((await made())!.useBy.day).toBe(thawed.useBy.day);
  await page.goto(`${server.url}/cold/${(await made())!.id}`);
  await expect(page.getByText(/shorter because of what went into it/)).toBeVisible();
});
