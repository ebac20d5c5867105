import { readFileSync } from 'node:fs';
import type { LearnedAnswer, StoredBatch } from '@tureen/server/api';
import { choose, expect, faults, option, test, watch } from './kitchen.js';

const learned = async (url: string): Promise<LearnedAnswer> => (await fetch(`${url}/api/learned`)).json() as Promise<LearnedAnswer>;
const batch = async (url: string, id: string): Promise<StoredBatch> =>
  (await fetch(`${url}/api/batches/${id}`)).json() as Promise<StoredBatch>;
const waiting = async (url: string): Promise<string[]> =>
  (await learned(url)).batches.filter(({ waits }) => waits).map(({ batchId }) => batchId);

test('the two batches of the demo whose record is wrong are found; one is put right, and the kitchen learns from it', async ({
  page,
  server,
}) => {
  const quiet = watch(page);
  const [tare = '', jug = ''] = await waiting(server.url);
  expect(await waiting(server.url)).toHaveLength(2);
  await page.goto(`${server.url}/ledger`);
  await expect(page.getByText('unlike the others')).toHaveCount(2);
  const before = await batch(server.url, tare);
  await page
    .getByRole('row')
    .filter({ hasText: 'unlike the others' })
    .filter({ hasText: before.soupName })
    .getByRole('link')
    .first()
    .click();
  const doubt = page.getByRole('region', { name: 'Does not add up' });
  await expect(doubt.getByRole('button').first()).toContainText('The pot was on the scale: 4.5 kg of what was weighed is the pot');
  expect(await faults(page)).toEqual([]);
  await doubt.getByRole('button').first().focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^Put right: The pot was on the scale/)).toBeVisible();
  await expect.poll(() => waiting(server.url)).toEqual([jug]);
  await expect(page.getByText('It does: readings and entries agree')).toBeVisible();
  // The batch is opened, put right and closed again by entries that are sent one after the other.
  await expect.poll(async () => (await batch(server.url, tare)).closedAtMs).toBe(before.closedAtMs);
  const after = await batch(server.url, tare);
  expect(after.entries.find(({ action }) => action.kind === 'weighed')).toEqual(
    before.entries.find(({ action }) => action.kind === 'weighed'),
  );
  expect(after.closedFigures!.actual.cookedKg).toBeLessThan(before.closedFigures!.actual.cookedKg);
  await expect(page.getByText('put right below')).not.toHaveCount(0);

  // A reload shows the same, and the batch can be saved as one file that holds all of it.
  await page.reload();
  await expect(page.getByText('It does: readings and entries agree')).toBeVisible();
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save as a file' }).click()]);
  const saved = JSON.parse(readFileSync(await file.path(), 'utf8')) as StoredBatch;
  expect(saved.entries.length).toBe(after.entries.length);
  expect(saved.snapshot.soup.id).toBe(after.snapshot.soup.id);

  // The other one: nothing of what is offered, and it counts as it stands.
  await page.goto(`${server.url}/ledger/${jug}`);
  await expect(doubt.getByRole('button', { name: /went in and was not entered|held 2 L/ }).first()).toBeVisible();
  await doubt.getByRole('button', { name: 'None of these' }).click();
  await expect(page.getByText(/Left as it is/)).toBeVisible();
  await expect.poll(() => waiting(server.url)).toEqual([]);
  await page.goto(`${server.url}/ledger`);
  await page.getByRole('row').nth(3).waitFor();
  await expect(page.getByText('unlike the others')).toHaveCount(0);
  quiet();
});

test('what was learnt is told with its batches, is in the next plan, and is held or learnt anew as the cook says', async ({
  page,
  server,
  browser,
}) => {
  const quiet = watch(page);
  await page.goto(`${server.url}/ledger/learnt`);
  const row = page.getByRole('row').filter({ has: page.getByRole('button', { name: 'celeriac, peeled' }) });
  // What the larder thinks, and what this kitchen's knives keep.
  await expect(row).toContainText('75 %');
  await page.getByRole('button', { name: 'celeriac, peeled' }).click();
  await expect(page.getByRole('link', { name: /^Celeriac, leek & apple, / }).first()).toBeVisible();
  // Another screen has it open too, and follows.
  const other = await (await browser.newContext()).newPage();
  await other.goto(`${server.url}/ledger/learnt`);
  await other.getByRole('button', { name: 'celeriac, peeled' }).waitFor();
  await page.getByRole('button', { name: 'Keep it so' }).click();
  await expect(row.getByText('held')).toBeVisible();
  await expect(other.getByText('held')).toBeVisible();
  await other.context().close();
  await page.reload();
  await expect(row.getByText('held')).toBeVisible();
  await page.getByRole('button', { name: 'celeriac, peeled' }).click();
  await page.getByRole('button', { name: 'Learn from all batches again' }).click();
  await expect(row.getByText('held')).toHaveCount(0);

  const kit = (await (await page.request.get(`${server.url}/api/kitchen`)).json()) as {
    kit: { learned: { figures: { key: string }[] } };
  };
  expect(kit.kit.learned.figures.map(({ key }) => key)).toContain('trim:celeriac:peeled');
  await page.goto(`${server.url}/plan/celeriac-leek-apple`);
  await page.getByRole('button', { name: '40', exact: true }).click();
  await page.getByRole('button', { name: /Start this batch/ }).waitFor();
  // As bought and after trim: by the larder three quarters of it are left, by this kitchen's knives more.
  const pulled =
    (await page
      .getByRole('row', { name: /^Celeriac/ })
      .first()
      .textContent()) ?? '';
  const [bought = 0, kept = 0] = [...pulled.matchAll(/([\d.]+) kg/g)].map(([, kg]) => Number(kg));
  expect(kept / bought).toBeGreaterThan(0.76);
  expect(kept / bought).toBeLessThan(0.81);
  quiet();
});

test('batches over time are followed soup by soup, in a picture and as a table', async ({ page, server }) => {
  const quiet = watch(page);
  await page.goto(`${server.url}/ledger/over-time`);
  await expect(page.getByText(/On average .* against plan/)).toBeVisible();
  const rows = page.getByRole('region', { name: 'The same as a table' }).getByRole('row');
  const all = await rows.count();
  expect(all).toBeGreaterThan(15);
  await option(page, 'Salt').click();
  await expect(page.getByRole('img', { name: /^salt of \d+ batches against plan/ })).toBeVisible();
  await choose(page, 'over-time-soup', /Beetroot/);
  await expect(page.getByRole('img', { name: /^salt of 1\d batches/ })).toBeVisible();
  expect(await rows.count()).toBeLessThan(all);
  // What was done otherwise than the card says in most of its last batches is written into it at once.
  await expect(page.getByRole('heading', { name: 'Again and again' })).toBeVisible();
  await page.getByRole('checkbox', { name: /this body is right: .* in 5 of 5/ }).check();
  await page.getByRole('button', { name: 'Save as a new version' }).click();
  await expect(page.getByText(/Saved as version 2/)).toBeVisible();
  await page.getByRole('navigation', { name: 'Ledger' }).getByRole('link', { name: 'Batches' }).click();
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save as CSV' }).click()]);
  const lines = readFileSync(await file.path(), 'utf8')
    .trim()
    .split('\r\n');
  expect(lines[0]).toContain('yield cooked kg');
  expect(lines.length).toBe(all);
  quiet();
});

test('batches are found by words, by key and by how far off; a month is added up, before and behind', async ({ page, server }) => {
  const quiet = watch(page);
  await page.goto(`${server.url}/ledger`);
  const rows = page.locator('tbody tr');
  await expect(rows.first()).toBeVisible();
  const all = await rows.count();
  await page.keyboard.press('/');
  await page.keyboard.type('parsnip');
  await expect.poll(() => rows.count()).toBeLessThan(all);
  for (const name of await rows.locator('.soup-name').allTextContents()) expect(name).toContain('Parsnip');
  await page.getByRole('searchbox').fill('nothing is called so');
  await expect(page.getByText('No batch is so.')).toBeVisible();
  await page.getByRole('button', { name: 'Show all' }).click();
  await expect(rows).toHaveCount(all);
  await page.getByText('5 % short').click();
  await expect.poll(() => rows.count()).toBeLessThan(all);
  for (const text of await rows.locator('td:nth-child(6)').allTextContents()) expect(text.trim()).toMatch(/^[−–-]/);

  await page.getByRole('link', { name: 'Month' }).click();
  // On the first of a month nothing of it is closed yet: the one before is full.
  const month = page.locator('.month strong');
  await expect(month).toHaveText(/\d{4}$/);
  const first = await month.textContent();
  await page.keyboard.press('ArrowLeft');
  await expect(month).not.toHaveText(first ?? '');
  await expect(page.getByRole('heading', { name: 'From the crate to the bowl' })).toBeVisible();
  await expect(page.getByRole('row', { name: /Beetroot/ })).toBeVisible();
  await page.getByRole('button', { name: 'The month behind it' }).click();
  await expect(month).toHaveText(first ?? '');
  quiet();
});

test('a note is added long after; a batch is laid beside the one before it, beside another, and the other way round', async ({
  page,
  server,
}) => {
  const quiet = watch(page);
  const { batches } = (await (await fetch(`${server.url}/api/batches`)).json()) as { batches: { id: string; soupId: string }[] };
  const [own, before, older] = batches.filter(({ soupId }) => soupId === 'beetroot-horseradish');
  await page.goto(`${server.url}/ledger/${own!.id}`);
  // A note, long after the close: kept, no figure moved, found again by its words, and taken back.
  const closed = async (): Promise<{ closedFigures: unknown; lateEntries: number }> =>
    (await (await fetch(`${server.url}/api/batches/${own!.id}`)).json()) as { closedFigures: unknown; lateEntries: number };
  const { closedFigures, lateEntries } = await closed();
  await page.getByLabel('A note on this batch').fill('earthier beetroot than usual');
  await page.keyboard.press('Enter');
  const entered = page.getByRole('region', { name: 'Entries' });
  await expect(entered).toContainText('earthier beetroot than usual');
  await expect(page.getByLabel('A note on this batch')).toHaveValue('');
  await expect
    .poll(async () => JSON.stringify(await (await fetch(`${server.url}/api/batches?words=earthier`)).json()))
    .toContain(own!.id);
  expect(await closed()).toMatchObject({ closedFigures, lateEntries });
  await entered.getByRole('button', { name: 'Take back: earthier beetroot than usual' }).click();
  await expect(entered.getByRole('button', { name: /^Take back/ })).toHaveCount(0);
  await expect(entered).toContainText('taken back');
  await page.getByRole('link', { name: 'Beside another batch' }).click();
  await expect(page.getByRole('heading', { name: 'What differed this time' })).toBeVisible();
  const picture = page.getByRole('img', { name: /^Two batches over one another/ });
  await expect(picture).toBeVisible();
  const first = await picture.getAttribute('aria-label');
  await expect(page.getByRole('table', { name: 'What came of it' }).getByRole('row', { name: /cooked yield/ })).toContainText('kg');
  expect(await faults(page)).toEqual([]);
  await page.keyboard.press('s');
  await expect(page).toHaveURL(`${server.url}/ledger/${before!.id}/side-by-side?with=${own!.id}`);
  await expect(picture).not.toHaveAttribute('aria-label', first ?? '');
  await page.goto(`${server.url}/ledger/${own!.id}/side-by-side?with=${older!.id}`);
  await expect(picture).toBeVisible();
  await expect(picture).not.toHaveAttribute('aria-label', first ?? '');
  quiet();
});

test('a batch that was cooked without the page is entered by its plan with what is remembered, and stands closed on its day', async ({
  page,
  server,
}) => {
  const quiet = watch(page);
  const plans = async (): Promise<{ id: string; batchId: string | null; figures: { cookedKg: number } }[]> =>
    (
      (await (await fetch(`${server.url}/api/plans`)).json()) as {
        plans: { id: string; batchId: string | null; figures: { cookedKg: number } }[];
      }
    ).plans;
  const id = crypto.randomUUID();
  const request = { bowls: 40, bowlG: 300, potId: 'stockpot-20' };
  const made = await fetch(`${server.url}/api/plans`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ id, soupId: 'beetroot-horseradish', version: 1, request }),
  });
  expect(made.status).toBe(201);
  const own = (await plans()).find((plan) => plan.id === id)!;
  await page.goto(`${server.url}/ledger`);
  await page.getByRole('link', { name: 'Cooked without the page' }).click();
  await expect(page.getByRole('heading', { name: 'Cooked without the page' })).toBeVisible();
  await choose(page, 'past-plan', /Beetroot & horseradish, 4\d bowls/);
  expect(await faults(page)).toEqual([]);
  // Nothing is entered of a time to come, and nothing that was typed is lost.
  const tomorrow = new Date(Date.now() + 86_400_000).toISOString().slice(0, 10);
  await page.getByLabel('begun on').fill(tomorrow);
  await page.getByLabel('Bowls that went out').fill('36');
  await page.getByRole('button', { name: 'Enter this batch' }).click();
  await expect(page.getByRole('alert')).toContainText('it would not be over yet');
  const day = new Date(Date.now() - 3 * 86_400_000).toISOString().slice(0, 10);
  await page.getByLabel('begun on').fill(day);
  await page.getByLabel('What stood in the pot').fill((own.figures.cookedKg * 0.95).toFixed(1));
  await page.getByLabel('Worth knowing').fill('two of us, no power till ten');
  await page.getByRole('button', { name: 'Enter this batch' }).click();
  await expect(page).toHaveURL(/\/ledger\/[0-9a-f-]{36}$/);
  await expect(page.getByText('two of us, no power till ten').first()).toBeVisible();
  const batchId = page.url().split('/').at(-1)!;
  await expect.poll(async () => (await batch(server.url, batchId)).closedFigures?.dishedBowls).toBe(36);
  const kept = await batch(server.url, batchId);
  expect(new Date(kept.startedAtMs).toISOString().slice(0, 10)).toBe(day);
  expect(kept.closedFigures!.actual.cookedKg).toBeLessThan(own.figures.cookedKg * 0.985);
  expect(kept.closedFigures!.actual.cookedKg).toBeGreaterThan(own.figures.cookedKg * 0.93);
  quiet();
});
