import { createHash } from 'node:crypto';
import type { Action, Entry } from '@tureen/core/batch';
import type { Branch, Soup } from '@tureen/core/soup';
import type { Page } from '@playwright/test';
import { answer, begin, kept, letGo, title, until } from './at-the-stove.js';
import { expect, test, watch } from './kitchen.js';

/** Another tablet's entry, straight to the server; its clock is so many minutes off. */
async function elsewhere(url: string, batchId: string, action: Action, offMin = 0): Promise<string> {
  const entry: Entry = {
    id: crypto.randomUUID(),
    shape: 2,
    stamp: { counter: 1000, device: 'other-tablet', seq: 1 },
    atMs: Date.now() + offMin * 60_000,
    who: 'CD',
    action,
  };
  const response = await fetch(`${url}/api/batches/${batchId}/entries`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ entries: [entry] }),
  });
  expect(response.status).toBe(200);
  return entry.id;
}

const probe = async (page: Page, tempC: string): Promise<void> => {
  await letGo(page);
  await page.keyboard.press('h');
  await answer(page, tempC);
};

test('egg and cream are warned of before their window is left; 300 °C is kept and not believed', async ({ page, server }) => {
  const quiet = watch(page);
  const batchId = await begin(page, server.url, 'fennel-egg-cream');
  await until(page, /^Temper/);
  const egg = page.locator('tt-finish-panel .window');
  await probe(page, '66');
  await expect(egg).toContainText('Not safe yet');
  await expect(egg).toHaveRole('status');
  await probe(page, '75');
  await expect(egg).toContainText('In the window');
  await probe(page, '80');
  // Still in the window: the warning is there before it is left.
  await expect(egg).toHaveRole('alert');
  await expect(egg).toContainText('Off the heat now');
  await probe(page, '88');
  await expect(egg).toContainText('it scrambles');
  await probe(page, '300');
  await expect(page.getByText(/300 °C is kept, but soup does not get that hot/)).toBeVisible();
  await expect(egg).not.toContainText('300');
  await expect
    .poll(async () =>
      (await kept(server.url, batchId)).entries.flatMap(({ action }) => (action.kind === 'temperature' ? [action.tempC] : [])),
    )
    .toEqual([66, 75, 80, 88, 300]);
  quiet();
});

test('a pour over the rim, an entry of a step not begun, one after the close: said, kept and flagged', async ({ page, server }) => {
  const quiet = watch(page);
  const batchId = await begin(page, server.url);
  await until(page, /^Pour vegetable stock/);
  await page.keyboard.press('a');
  await answer(page, '60000');
  await expect(page.getByText(/over the rim|higher than|does not fit|too full/i).first()).toBeVisible();
  await letGo(page);
  await page.keyboard.press('u');
  // Another tablet, its clock ten minutes fast, has poured cream already.
  const cream: Action = { kind: 'poured', stepId: 'cream', line: 'cream', vessel: 'Carton', volumeM3: 1e-3 };
  await elsewhere(server.url, batchId, cream, 10);
  const early = page.getByText(/Entered at a step that has not begun: 1 L of single cream poured/);
  await expect(early).toBeVisible();
  await page.keyboard.press('r');
  const record = page.getByRole('dialog');
  await expect(record.getByRole('listitem').filter({ hasText: 'single cream' })).toContainText('CD · its step has not begun');
  await record.getByRole('button', { name: /Take back: 1 L of single cream/ }).click();
  await record.getByRole('button', { name: 'Take it back' }).click();
  await page.keyboard.press('Escape');
  await expect(early).toHaveCount(0);
  await until(page, /^Ladle into/);
  await page.keyboard.press('Enter');
  await expect(title(page)).toHaveText('The batch is closed');
  // Closed here; late is what comes once the server has heard of it.
  await expect.poll(async () => (await kept(server.url, batchId)).closedAtMs).not.toBeNull();
  await elsewhere(server.url, batchId, { kind: 'dished', bowls: 2 });
  await page.goto(`${server.url}/ledger/${batchId}`);
  await expect(page.getByRole('listitem').filter({ hasText: /2 bowls counted.*late, not counted/ })).toHaveCount(1);
  expect((await kept(server.url, batchId)).lateEntries).toBe(1);
  quiet();
});

test('what runs side by side is shown; the other step is taken in hand by one key or touch', async ({ page, server }) => {
  const read = async (): Promise<{ soup: Soup; version: number }> =>
    (await (await fetch(`${server.url}/api/soups/beetroot-horseradish`)).json()) as { soup: Soup; version: number };
  const { soup, version } = await read();
  const join = soup.root.steps.find(({ op }) => op === 'join');
  if (join === undefined) throw new Error('A soup with a tray is needed.');
  const rest = soup.root.steps.filter((step) => step !== join);
  const blend = rest.findIndex(({ op }) => op === 'blend');
  const root: Branch = { ...soup.root, steps: [...rest.slice(0, blend), join, ...rest.slice(blend)] };
  const saved = await fetch(`${server.url}/api/soups`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ soup: { ...soup, root }, basedOn: version, note: 'the tray joins before the blade' }),
  });
  expect(saved.status).toBe(201);
  await begin(page, server.url, 'beetroot-horseradish');
  const beside = page.getByRole('region', { name: 'Beside this step' }).getByRole('button');
  await expect(beside).toContainText('can start');
  const before = (await title(page).textContent()) ?? '';
  await page.keyboard.press('m');
  await expect(title(page)).not.toHaveText(before);
  await page.keyboard.press('m');
  await expect(title(page)).toHaveText(before);
  await beside.click();
  await expect(title(page)).not.toHaveText(before);
});

test('a photo taken without a server is shown at once and arrives when there is one', async ({ page, server }) => {
  const batchId = await begin(page, server.url);
  await until(page, /^Sweat/);
  const picture = await page.screenshot();
  await expect(page.getByText('all saved')).toBeVisible();
  await server.kill();
  await page.keyboard.press('n');
  await page.locator('#note-photo').setInputFiles({ name: 'pan.png', mimeType: 'image/png', buffer: picture });
  await expect(page.getByText('Photo is in')).toBeVisible();
  await page.locator('#note-text').fill('as soft as this');
  await page.getByRole('button', { name: 'Keep the note' }).click();
  await expect(page.getByText(/1 kept here/).first()).toBeVisible();
  await server.start();
  await expect(page.getByText('all saved')).toBeVisible({ timeout: 60_000 });
  const { entries } = await kept(server.url, batchId);
  const photo = entries.flatMap(({ action }) => (action.kind === 'note' ? [action.photo] : []))[0];
  let bytes = Buffer.alloc(0);
  await expect
    .poll(async () => {
      const response = await fetch(`${server.url}/api/photos/${photo ?? ''}`);
      bytes = Buffer.from(await response.arrayBuffer());
      return response.status;
    })
    .toBe(200);
  expect(createHash('sha256').update(bytes).digest('hex')).toBe(photo);
});

test('a whole service by keys', async ({ page, server }) => {
  test.setTimeout(180_000);
  const quiet = watch(page);
  const batchId = await begin(page, server.url, 'base-two-ways');
  await letGo(page);
  const key = (name: string): Promise<void> => page.keyboard.press(name);
  const said = (text: RegExp) => expect(page.getByRole('status').filter({ hasText: text }).first()).toBeVisible();

  await until(page, /^Sweat/);
  await key(' ');
  await said(/Timer of/);
  await key('f');
  await answer(page, '4');
  await said(/Timer of 4 min/);
  await until(page, /^Pour water/);
  await key('3');
  await said(/of water poured/);
  await key('v');
  await page.getByRole('button', { name: 'half of the Carton' }).focus();
  await key('Enter');
  await said(/50 % of Carton/);
  await key('u');
  await said(/Taken back/);
  await key('d');
  await answer(page, '12');
  await said(/Dip of 12 cm/);
  await key('n');
  await page.locator('#note-text').focus();
  await page.keyboard.type('gas is low');
  await key('Tab');
  await page.getByRole('button', { name: 'Keep the note' }).focus();
  await key('Enter');
  await said(/Noted/);
  await until(page, /^Blend/);
  await key('j');
  await key('j');
  await expect(page.locator('.count')).toContainText('Jug 3 of');
  await until(page, /^Salt to/);
  await key('t');
  await page.getByRole('button', { name: 'Read by a salt meter' }).focus();
  await key('Enter');
  await answer(page, '0.7');
  await said(/Salt of 0\.7 % read/);
  await key('b');
  await page.getByRole('button', { name: /^coats \d/ }).focus();
  await key('Enter');
  await said(/Body read/);
  await key('Backspace');
  await said(/Back to/);
  await until(page, /^Ladle into/);
  await key('c');
  await answer(page, '12');
  await said(/12 bowls counted, Creamed/);
  await key('o');
  const sheet = page.getByRole('dialog');
  await expect(sheet).toContainText(/An hour at \d\d °C takes [\d.]+ g with the lid off/);
  await page.getByRole('button', { name: /^Held and topped up with/ }).focus();
  await key('Enter');
  await answer(page, '40');
  await said(/Held hot for 40 min/);
  await key('o');
  await page.getByRole('button', { name: 'Filled up from a second pot' }).focus();
  await key('Enter');
  await answer(page, '3');
  await said(/3 kg from a second pot/);
  await key('Enter');
  await answer(page, '0');
  await expect(title(page)).toHaveText('The batch is closed');
  await expect.poll(async () => (await kept(server.url, batchId)).closedAtMs).not.toBeNull();
  const kinds = (await kept(server.url, batchId)).entries.map(({ action }) => action.kind);
  for (const kind of [
    'timed',
    'poured',
    'undone',
    'dipped',
    'note',
    'jugged',
    'salt',
    'body',
    'dished',
    'held',
    'refilled',
    'closed',
  ] as const) {
    expect(kinds).toContain(kind);
  }
  quiet();
});

test('a batch of fifteen hundred entries opens with fewer of them, and any of them can still be taken back', async ({
  page,
  server,
}) => {
  const quiet = watch(page);
  const batchId = await begin(page, server.url);
  const uuid = (n: number): string => `00000000-0000-4000-8000-${n.toString(16).padStart(12, '0')}`;
  for (let from = 0; from < 1500; from += 500) {
    const entries = Array.from({ length: 500 }, (_, at) => ({
      id: uuid(from + at + 1),
      shape: 2,
      stamp: { counter: from + at + 1, device: 'far-tablet', seq: from + at + 1 },
      atMs: Date.now() - 60_000,
      who: '',
      action: { kind: 'poured', stepId: 'cover', line: 'stock', vessel: 'Ladle', volumeM3: 0.000_01 },
    }));
    const answer = await fetch(`${server.url}/api/batches/${batchId}/entries`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ entries }),
    });
    expect(answer.status).toBe(200);
  }
  const told = page.waitForResponse((response) => response.url().endsWith(`/batches/${batchId}?entries=fewer`));
  await page.goto(`${server.url}/stove/${batchId}`);
  expect(((await (await told).json()) as { entries: unknown[] }).entries.length).toBeLessThan(300);
  await expect(title(page)).toBeVisible();
  await page.getByRole('button', { name: /^Record/ }).click();
  const sheet = page.getByRole('dialog');
  await expect(sheet.getByRole('button', { name: '1400 older' })).toBeVisible();
  await sheet
    .getByRole('button', { name: /^Take back/ })
    .first()
    .click();
  await expect(sheet.getByRole('status')).toContainText('Without it');
  await sheet.getByRole('button', { name: 'Take it back' }).click();
  await expect.poll(async () => (await kept(server.url, batchId)).entries.length).toBe(1501);
  await page.goto(`${server.url}/ledger/${batchId}`);
  await page.getByRole('button', { name: 'Show all 1,501 entries' }).click();
  await expect(page.getByRole('region', { name: 'Entries' }).getByRole('listitem')).toHaveCount(200);
  await expect(page.getByRole('region', { name: 'Does it add up' })).not.toContainText('once all entries');
  quiet();
});
