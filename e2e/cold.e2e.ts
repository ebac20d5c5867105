import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import type { ColdAnswer } from '@tureen/server/api';
import type { StockAction } from '@tureen/core/stock';
import jsQR from 'jsqr';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { PNG } from 'pngjs';
import { begin, until } from './at-the-stove.js';
import { expect, faults, option, test, watch } from './kitchen.js';

const MINUTE_MS = 60_000;
const ways = (page: Page) => page.locator('.ways button.way');
const cold = async (url: string): Promise<ColdAnswer> => (await fetch(`${url}/api/cold`)).json() as Promise<ColdAnswer>;

let told = 0;
function id(): string {
  told += 1;
  return `00000000-0000-4000-8000-${told.toString(16).padStart(12, '0')}`;
}

/** What somebody entered on another tablet, so many minutes ago. */
async function entered(url: string, ...list: readonly (readonly [minutesAgo: number, action: StockAction])[]): Promise<void> {
  const entries = list.map(([minutesAgo, action]) => ({
    of: 'stock',
    id: id(),
    shape: 1,
    stamp: { counter: 100_000 + told, device: 'other-tablet', seq: told },
    atMs: Date.now() - minutesAgo * MINUTE_MS,
    who: 'CD',
    action,
  }));
  const answer = await fetch(`${url}/api/cold/entries`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ entries }),
  });
  expect(answer.status).toBe(200);
}

/** A pan of what is in the demo's first container, set to cool so long ago. @returns its id. */
async function coolingSince(url: string, minutesAgo: number, kg: number): Promise<string> {
  const contents = (await cold(url)).contents[0]!;
  const container = id();
  const store = { id: 'fridge', name: 'Fridge', kind: 'fridge' } as const;
  const way = { depthM: 0.06, place: 'walk-in', isStirred: false, rule: 'two-stage', words: '60 mm deep: walk-in, not stirred' };
  await entered(
    url,
    [
      minutesAgo,
      { kind: 'filled', container, kg, vessel: 'Wide deep pan', madeMs: Date.now() - minutesAgo * MINUTE_MS, store, contents },
    ],
    [minutesAgo, { kind: 'set to cool', container, startC: 80, ...way }],
  );
  return container;
}

test('a leftover is parted so that it meets the rule, by another rule in other pans, and what meets none is said', async ({
  page,
  server,
}) => {
  const quiet = watch(page);
  await page.goto(`${server.url}/cold`);
  await page.getByRole('link', { name: /^How to cool it/ }).click();
  await expect(ways(page)).toHaveCount(3);
  await expect(ways(page).first()).toHaveAttribute('aria-pressed', 'true');
  await page.getByLabel('how much, kg').fill('18,5');
  await expect(ways(page).first()).toContainText('18.5 kg');
  await expect(ways(page).first()).toContainText('of ice');
  // The pans of each way hold all of it.
  for (const words of await ways(page).locator('strong').allTextContents()) {
    const held = [...words.matchAll(/(\d+) × [a-z ]+, ([\d.]+) kg/g)].reduce(
      (sum, [, count, kg]) => sum + Number(count) * Number(kg),
      0,
    );
    expect(Math.abs(held - 18.5)).toBeLessThan(0.3);
  }
  await ways(page).nth(1).click();
  await expect(page.getByRole('img', { name: /Temperature over hours/ })).toBeVisible();
  await page.getByText('Cook-chill', { exact: true }).click();
  await expect(page.locator('.ways')).toContainText('within 1 h 30 min of portioning');
  await page.getByLabel('how much, kg').fill('400');
  await expect(page.locator('.ways').getByRole('status')).toContainText('No way with these pans meets the rule');
  await expect(page.locator('.ways').getByRole('status')).toContainText(/All of them hold 1\d\d kg/);
  await expect(ways(page)).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('radio', { name: 'Cook-chill' })).toBeChecked();
  quiet();
});

test('what is left over of a batch goes into pans that cool on every screen, and into the fridge; nothing is lost without a server', async ({
  page,
  context,
  server,
}) => {
  test.setTimeout(180_000);
  const batchId = await begin(page, server.url, 'parsnip-butter');
  const stored = { kind: 'stored', kg: 18 };
  const entry = {
    id: id(),
    shape: 2,
    stamp: { counter: 1, device: 'other-tablet', seq: 1 },
    atMs: Date.now(),
    who: 'CD',
    action: stored,
  };
  await page.goto(`${server.url}/cold`);
  await fetch(`${server.url}/api/batches/${batchId}/entries`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ entries: [entry] }),
  });
  // Told by the other tablet, seen here without a reload.
  await page.getByRole('link', { name: 'Put away 18 kg' }).click();
  await expect(page.getByLabel('how much, kg')).toHaveValue('18');
  const three = ways(page).filter({ hasText: /^\s*3 × wide shallow pan/ });
  await three.click();
  await page.getByRole('button', { name: 'It stands in these: watch it cool' }).click();
  await expect(page).toHaveURL(/\/cold$/);
  await expect(page.locator('tt-pan-watch')).toHaveCount(3);
  await expect(page.getByRole('link', { name: /^Put away/ })).toHaveCount(0);
  // What stands on the screen at once reaches the server a moment later.
  const kept = async (): Promise<number> =>
    (await cold(server.url)).containers
      .filter(({ state, from }) => state === 'cooling' && from?.batchId === batchId)
      .reduce((sum, { kg }) => sum + kg, 0);
  await expect.poll(kept).toBeCloseTo(18, 1);

  const other = await context.newPage();
  await other.goto(`${server.url}/cold`);
  await expect(other.locator('tt-pan-watch')).toHaveCount(3);
  await page.bringToFront();
  await server.kill();
  const first = page.locator('tt-pan-watch').first();
  await first.getByLabel(/^it reads/).fill('79');
  await first.getByRole('button', { name: 'Read', exact: true }).click();
  await expect(first.getByRole('button', { name: /Take back 79 °C/ })).toBeVisible();
  await expect(page.getByText('1 kept here, not sent').first()).toBeVisible();
  await server.start();
  await expect(page.getByText('all saved')).toBeVisible({ timeout: 20_000 });
  await expect(other.getByRole('button', { name: /Take back 79 °C/ })).toBeVisible({ timeout: 20_000 });
  await first.getByRole('button', { name: /Take back 79 °C/ }).click();
  await expect(other.getByRole('button', { name: /Take back 79 °C/ })).toHaveCount(0);

  await first.getByLabel(/^it reads/).fill('4');
  await first.getByRole('button', { name: 'Read', exact: true }).click();
  await first.getByRole('button', { name: 'Cold: into the fridge' }).click();
  await expect(page.locator('tt-pan-watch')).toHaveCount(2);
  await page.reload();
  await expect(
    page.getByRole('region', { name: 'Fridge' }).getByRole('link', { name: /Parsnip & butter, Wide shallow pan, 20 bowls/ }),
  ).toBeVisible();
});

test('a pan that is too slow is rescued while there is time: half of it into a second pan, with the time that it had', async ({
  page,
  server,
}) => {
  const container = await coolingSince(server.url, 75, 8);
  await entered(
    server.url,
    [40, { kind: 'read', container, tempC: 72 }],
    [20, { kind: 'read', container, tempC: 63 }],
    [5, { kind: 'read', container, tempC: 57 }],
  );
  await page.goto(`${server.url}/cold`);
  const watched = page.locator('tt-pan-watch');
  await expect(watched.locator('li').first()).toContainText('too slow');
  await expect(watched.getByRole('alert').filter({ hasText: 'there is time' })).toBeVisible();
  const mark = /wanted by (\d\d:\d\d)/.exec((await watched.locator('li').first().textContent()) ?? '')?.[1];
  await watched.getByRole('button', { name: /^Half of it into a second pan/ }).click();
  await expect(watched).toHaveCount(2);
  await expect(watched.first()).toContainText('4 kg');
  // The rule goes on with the time that it had: it is not begun anew.
  await expect(watched.first().locator('li').first()).toContainText(`wanted by ${mark ?? 'never'}`);
  await expect(watched.last().locator('li').first()).toContainText(`wanted by ${mark ?? 'never'}`);
  await expect(watched.first().locator('li').first()).not.toContainText('too slow');
});

test('frozen, thawed, used in a new soup: its days go on, and what is made of it keeps no longer', async ({ page, server }) => {
  test.setTimeout(180_000);
  await page.goto(`${server.url}/cold`);
  const freezer = page.getByRole('region', { name: 'Freezer' });
  await freezer
    .getByRole('link', { name: /Parsnip & butter/ })
    .first()
    .click();
  await expect(page.getByText(/Once thawed: 6 days/)).toBeVisible();
  await page.getByRole('button', { name: 'Thaw: into the fridge' }).click();
  await expect(page.getByText('Fridge, thawed: not frozen again')).toBeVisible();
  const thawing = async () => (await cold(server.url)).containers.find(({ state }) => state === 'thawed');
  await expect.poll(async () => (await thawing())?.kg).toBe(0.9);
  const thawed = (await thawing())!;
  await page.getByRole('button', { name: 'Take bowls' }).click();
  await page.getByLabel('bowls', { exact: true }).fill('1');
  await option(page, 'for the staff').click();
  await page.getByRole('button', { name: 'Enter it' }).click();
  await expect(page.getByText('2 bowls', { exact: true }).first()).toBeVisible();
  await page.getByRole('button', { name: /^Take back: 300 g taken/ }).click();
  await expect(page.getByText('3 bowls', { exact: true }).first()).toBeVisible();

  const batchId = await begin(page, server.url, 'celeriac-leek-apple', 20);
  await until(page, /^Pour vegetable stock/);
  await page.keyboard.press('x');
  const sheet = page.getByRole('dialog');
  await sheet.getByPlaceholder('coconut').fill('parsnip');
  await sheet.getByRole('button', { name: /All of it from the cold: Parsnip & butter, 900 g/ }).click();
  await expect(page.getByText(/Parsnip & butter goes in, not planned/)).toBeVisible();
  await expect.poll(async () => (await cold(server.url)).containers.some(({ id: one }) => one === thawed.id)).toBe(false);
  // Taken back at the stove, it stands in its container again; put in once more, it is gone from there.
  await page.keyboard.press('u');
  await expect.poll(async () => (await cold(server.url)).containers.some(({ id: one }) => one === thawed.id)).toBe(true);
  await page.keyboard.press('x');
  await sheet.getByPlaceholder('coconut').fill('parsnip');
  await sheet.getByRole('button', { name: /All of it from the cold: Parsnip & butter, 900 g/ }).click();
  await expect.poll(async () => (await cold(server.url)).containers.some(({ id: one }) => one === thawed.id)).toBe(false);
  const contents = (await cold(server.url)).contents[0]!;
  const made = id();
  await entered(server.url, [
    0,
    {
      kind: 'filled',
      container: made,
      kg: 2,
      vessel: 'Tub of a litre',
      madeMs: Date.now(),
      from: { batchId },
      store: { id: 'fridge', name: 'Fridge', kind: 'fridge' },
      contents: { ...contents, holds: [] },
    },
  ]);
  await page.goto(`${server.url}/cold/${made}`);
  await expect(page.getByText(/shorter because of what went into it/)).toBeVisible();
  const [kept] = (await cold(server.url)).containers.filter((one) => one.id === made);
  expect(kept!.useBy.day).toBe(thawed.useBy.day);
});

test('kept soup is put into a plan, is on its pull list and in its pot, and leaves its container when the batch starts', async ({
  page,
  server,
}) => {
  const quiet = watch(page);
  const contents = (await cold(server.url)).contents.find(({ name }) => name === 'Parsnip & butter')!;
  const container = id();
  const store = { id: 'fridge', name: 'Fridge', kind: 'fridge' } as const;
  await entered(server.url, [30, { kind: 'filled', container, kg: 2, vessel: 'Tub', madeMs: Date.now(), store, contents }]);
  await page.goto(`${server.url}/plan/celeriac-leek-apple`);
  await page.getByRole('button', { name: '40', exact: true }).click();
  await page.getByRole('button', { name: 'Put 2 kg of Parsnip & butter in' }).click();
  await expect(page.getByText('2 kg of Parsnip & butter, from the cold (Fridge) goes in before the blade.')).toBeVisible();
  await expect(page.getByText('Parsnip & butter, from the cold').nth(1)).toBeVisible();
  await expect(page.locator('.total')).toContainText(/4\d bowls/);
  await page.getByRole('button', { name: /Keep this plan/ }).click();
  await expect(page.getByRole('button', { name: 'Kept' })).toBeVisible();
  await page.reload();
  await expect(page.getByText(/2 kg of Parsnip & butter, from the cold/)).toBeVisible();
  await page.getByRole('button', { name: /Start this batch/ }).click();
  await page.locator('section.step h2').waitFor();
  await expect.poll(async () => (await cold(server.url)).containers.some(({ id: one }) => one === container)).toBe(false);
  await until(page, /Parsnip & butter/i);
  await expect(page.locator('section.step')).toContainText('2');
  quiet();
});

test('two screens take the last bowls of one container at once: both see what happened, nothing is negative', async ({
  page,
  browser,
  server,
}) => {
  await page.goto(`${server.url}/cold`);
  await page.getByRole('link', { name: /Swede & barley, Tub of a litre, 2 bowls/ }).click();
  await expect(page).toHaveURL(/\/cold\/[0-9a-f-]{36}$/);
  // The other one stands where no word of another screen gets through.
  const away = await browser.newContext();
  const stream = '**/api/stream**';
  await away.route(stream, (route) => route.abort());
  const other = await away.newPage();
  await other.goto(page.url());
  for (const screen of [page, other]) {
    await screen.getByRole('button', { name: 'Take bowls' }).click();
    await screen.getByLabel('bowls', { exact: true }).fill('2');
  }
  await page.getByRole('button', { name: 'Enter it' }).click();
  await expect(page.getByText('Nothing is left in it.')).toBeVisible();
  await other.getByRole('button', { name: 'Enter it' }).click();
  await expect(other.getByText('Nothing is left in it.')).toBeVisible();
  await away.unroute(stream);
  await other.reload();
  for (const screen of [page, other]) {
    await expect(screen.getByText('Nothing is left in it.')).toBeVisible();
    await expect(screen.getByRole('alert').filter({ hasText: '600 g more was told than was there' })).toBeVisible();
    await expect(screen.getByRole('button', { name: /^Take back: 600 g taken for bowls/ })).toHaveCount(2);
  }
  await away.close();
});

test('a label that is scanned opens its container; the kitchen’s own rule is one to cool by, and the wall shows what cools', async ({
  page,
  server,
}) => {
  test.setTimeout(120_000);
  const [tub] = (await cold(server.url)).containers;
  await page.goto(`${server.url}/cold`);
  await page.getByRole('searchbox', { name: 'Find a container' }).waitFor();
  await page.keyboard.press('/');
  // A scanner types what it reads, and Enter.
  await page.keyboard.type(`${server.url}/cold/${tub!.id}`);
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(new RegExp(`/cold/${tub!.id}$`));
  await page.goto(`${server.url}/kit`);
  await page.getByText('A cooling rule of our own').click();
  await page.getByRole('button', { name: 'Write one' }).click();
  await page.getByLabel('stage 1 to, °C').fill('10');
  await page.getByLabel('stage 1 within, minutes').fill('240');
  await page.getByRole('button', { name: 'Save the kit' }).click();
  await expect(page.getByText('The kit is saved.')).toBeVisible();
  await page.goto(`${server.url}/cold/cool`);
  await page.getByText('Our own', { exact: true }).click();
  await expect(page.locator('.ways')).toContainText('60 to 10 °C within 4 h (this kitchen’s own rule)');
  await page.locator('nz-select').first().click();
  await page.getByText('Swede & barley').last().click();
  await expect(page.locator('.ways')).toContainText('this soup by what is in it');
  await ways(page).first().click();
  await page.getByRole('button', { name: /watch it cool/ }).click();
  await expect(page.locator('tt-pan-watch').first()).toContainText('10 °C at');
  await page.goto(`${server.url}/wall`);
  const wall = page.getByRole('region', { name: 'Swede & barley, cooling' }).first();
  await expect(wall).toContainText(/10 °C at \d\d:\d\d, wanted by \d\d:\d\d: in time/);
});

test('what is being typed and chosen stays while other screens enter things', async ({ page, server }) => {
  const busy = await coolingSince(server.url, 20, 2);
  const happens = async (tempC: number): Promise<void> => {
    const heard = page.waitForResponse((answer) => answer.url().endsWith('/api/cold'));
    await entered(server.url, [1, { kind: 'read', container: busy, tempC }]);
    await heard;
    await page.waitForTimeout(300);
  };
  await page.goto(`${server.url}/cold`);
  await page
    .getByRole('link', { name: /Celeriac, leek & apple/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Throw away' }).click();
  await page.getByLabel('how much, kg').fill('0.4');
  await happens(70);
  await expect(page.getByLabel('how much, kg')).toHaveValue('0.4');
  await page.goto(`${server.url}/cold/cool`);
  await page.getByLabel('how much, kg').fill('7');
  await happens(69);
  await expect(page.getByLabel('how much, kg')).toHaveValue('7');
  await page.goto(`${server.url}/cold/labels`);
  const first = page.getByRole('checkbox').first();
  await expect(first).toBeChecked();
  await first.uncheck();
  await happens(68);
  await expect(first).not.toBeChecked();
});

test('labels: the PDF says what it should, the pictures’ codes open the container, and a label of another kitchen is named', async ({
  page,
  server,
}) => {
  await page.goto(`${server.url}/cold`);
  await page
    .getByRole('link', { name: /Celeriac, leek & apple/ })
    .first()
    .click();
  await page.getByRole('link', { name: 'Label', exact: true }).click();
  await expect(page.getByRole('img', { name: /^Label: Celeriac, leek & apple, use by/ })).toHaveCount(1);
  await page.getByText('Roll, 62 × 40 mm').click();
  const href = (await page.getByRole('link', { name: 'As PDF' }).getAttribute('href')) ?? '';
  const pdf = await (await fetch(`${server.url}${href}`)).arrayBuffer();
  const document = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise;
  const { items } = await (await document.getPage(1)).getTextContent();
  const text = items.map((item) => ('str' in item ? item.str : '')).join(' ');
  expect(text).toContain('Celeriac, leek & apple');
  expect(text).toContain('MILK');
  const downloaded = page.waitForEvent('download');
  await page.getByRole('button', { name: 'As pictures, PNG' }).click();
  const picture = PNG.sync.read(readFileSync(await (await downloaded).path()));
  expect([picture.width, picture.height]).toEqual([732, 472]);
  // The default export of a package that is not a module.
  const read = jsQR as unknown as (data: Uint8ClampedArray, width: number, height: number) => { data: string } | null;
  const code = read(new Uint8ClampedArray(picture.data), picture.width, picture.height)?.data ?? '';
  await page.goto(code);
  await expect(page.getByRole('heading', { name: 'Celeriac, leek & apple' })).toBeVisible();
  await page.goto(`${server.url}/cold/11111111-1111-4111-8111-111111111111`);
  await expect(page.getByRole('alert')).toContainText('Its label may be of another kitchen');
});

/** What a camera sees that looks at a picture held in the middle before it: raw video, the format that the browser's camera device is fed with. */
function filmOf(picture: PNG): Buffer {
  const [wide, high] = [1280, 720];
  const luma = Buffer.alloc(wide * high, 120);
  const [left, top] = [(wide - picture.width) >> 1, (high - picture.height) >> 1];
  for (let y = 0; y < picture.height; y++)
    for (let x = 0; x < picture.width; x++) luma[(top + y) * wide + left + x] = picture.data[(y * picture.width + x) * 4]!;
  const frame = Buffer.concat([Buffer.from('FRAME\n'), luma, Buffer.alloc((wide * high) / 2, 128)]);
  return Buffer.concat([
    Buffer.from(`YUV4MPEG2 W${String(wide)} H${String(high)} F10:1 Ip A1:1 C420jpeg\n`),
    ...Array.from({ length: 5 }, () => frame),
  ]);
}

test('a device’s camera before which a printed label is held opens its container', async ({ page, server }) => {
  await page.goto(`${server.url}/cold`);
  await page
    .getByRole('link', { name: /Celeriac, leek & apple/ })
    .first()
    .click();
  const opened = page.url();
  await page.getByRole('link', { name: 'Label', exact: true }).click();
  await page.getByText('Roll, 62 × 40 mm').click();
  const downloaded = page.waitForEvent('download');
  await page.getByRole('button', { name: 'As pictures, PNG' }).click();
  const label = PNG.sync.read(readFileSync(await (await downloaded).path()));
  const folder = mkdtempSync(join(tmpdir(), 'tureen-camera-'));
  const film = join(folder, 'label.y4m');
  writeFileSync(film, filmOf(label));
  const { launchOptions } = test.info().project.use;
  // The permission is asked of nobody, all else is as on a tablet: a device is listed, opened and gives pictures.
  const camera = [
    '--use-fake-ui-for-media-stream',
    '--use-fake-device-for-media-stream',
    `--use-file-for-fake-video-capture=${film}`,
  ];
  const tablet = await chromium.launch({ ...launchOptions, args: [...(launchOptions?.args ?? []), ...camera] });
  try {
    const there = await tablet.newPage({ serviceWorkers: 'block' });
    await there.goto(`${server.url}/cold`);
    await there.getByRole('button', { name: 'Scan a label' }).click();
    await there.waitForURL(opened);
    await expect(there.getByRole('heading', { name: 'Celeriac, leek & apple' })).toBeVisible();
  } finally {
    await tablet.close();
    rmSync(folder, { recursive: true, force: true });
  }
});

test('the log: a fridge is looked at and put right, what is missing is named, and the day is saved as a table', async ({
  page,
  server,
}) => {
  await page.goto(`${server.url}/cold/log`);
  await page.getByRole('button', { name: /^Fridge reads/ }).click();
  await page.getByLabel('Fridge reads, °C').fill('34');
  await page.getByRole('button', { name: 'Enter it' }).click();
  const checks = page.getByRole('region', { name: 'Fridges and freezers' });
  await expect(checks).toContainText('too warm, at most 5 °C');
  await checks.getByRole('button', { name: /^Correct Fridge/ }).click();
  await page.getByLabel('it was, °C').fill('3,4');
  await page.getByLabel('why').fill('a point was left out');
  await page.getByRole('button', { name: 'Correct it' }).click();
  await expect(checks).toContainText('3.4 °C');
  await expect(checks).toContainText('first written 34 °C');
  await expect(checks).not.toContainText('too warm');
  const downloaded = page.waitForEvent('download');
  await page.getByRole('button', { name: 'CSV' }).click();
  const table = readFileSync(await (await downloaded).path(), 'utf8');
  expect(table).toContain('day,section,when,what,figure,state,who');
  expect(table).toContain('3.4 °C');
  await page.getByRole('button', { name: 'the day before' }).click();
  await expect(checks.getByText('not looked at')).toHaveCount(3);
});

test('axe finds nothing in the cold, in light and dark, and it fits a tablet held upright', async ({ page, server }) => {
  test.setTimeout(180_000);
  await coolingSince(server.url, 30, 6);
  const [container] = (await cold(server.url)).containers;
  const paths = ['', '/cool', '/use-up', '/labels', '/log', `/${container!.id}?ask=threw%20away`];
  const look = async (isDark: boolean): Promise<void> => {
    for (const path of paths) {
      await page.goto(`${server.url}/cold${path}`);
      await page.getByRole('heading', { level: 1 }).waitFor();
      await expect(page.getByText(/ …$/)).toHaveCount(0);
      expect(await faults(page, { isDark }), path).toEqual([]);
    }
  };
  await look(false);
  await page.getByRole('button', { name: /Gannet Quay/ }).click();
  await page.getByRole('button', { name: 'Dark screen' }).click();
  await look(true);
  await page.setViewportSize({ width: 768, height: 1024 });
  for (const path of paths) {
    await page.goto(`${server.url}/cold${path}`);
    await page.getByRole('heading', { level: 1 }).waitFor();
    await expect.poll(() => page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(768);
  }
});
