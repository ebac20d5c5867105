import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import Ajv from 'ajv/dist/2020.js';
import { parse } from 'csv-parse/sync';
import jsonld from 'jsonld';
import type { Page } from '@playwright/test';
import { choose, expect, test, watch, type RealServer, option } from './kitchen';

const FIXTURES = join(import.meta.dirname, 'fixtures');
const understood = (page: Page, text: RegExp | string): Promise<void> =>
  expect(page.getByRole('heading', { name: text })).toBeVisible();

async function open(page: Page, server: RealServer, file: string): Promise<void> {
  await page.goto(`${server.url}/shelf/new`);
  await page.getByLabel('Type or paste').waitFor();
  await page.locator('#soup-file').setInputFiles(join(FIXTURES, file));
}

interface Kept {
  readonly soup: {
    readonly name: string;
    readonly school: string;
    readonly lines: { readonly id: string; readonly ingredient: string; readonly written?: string; readonly optional?: boolean }[];
    readonly root: { readonly steps: { readonly id: string; readonly op: string }[] };
  };
  readonly version: number;
  readonly note: string;
}

async function kept(page: Page, server: RealServer, id: string): Promise<Kept> {
  return (await (await page.request.get(`${server.url}/api/soups/${id}`)).json()) as Kept;
}

/** Typing into the page what a cook types, then what it says. */
async function paste(page: Page, server: RealServer, text: string): Promise<void> {
  await page.goto(`${server.url}/shelf/new`);
  await page.getByLabel('Type or paste').fill(text);
}

test('a soup typed as one would write it: asked where unclear, saved only when told to, on the shelf with its bowls', async ({
  page,
  server,
}) => {
  const quiet = watch(page);
  await paste(page, server, '2 large beetroot, peeled; 1 1/2 cups onion, diced; stock to cover; 150 ml cream; salt');
  await understood(page, 'All 5 lines understood');
  await expect(page.getByText('320 g')).toBeVisible();
  await expect(page.getByText('254 g').first()).toBeVisible();
  await paste(page, server, 'Night soup\n1 kg carots, peeled\n1 can coconut milk\n1 litre water or vegetable stock\nsalt');
  await understood(page, /2 of 4 lines understood; 2 to answer/);
  await page.getByRole('button', { name: 'Carrot', exact: true }).click();
  await understood(page, /3 of 4 lines understood; 1 to answer/);
  // Until it is answered it is taken as the first, and the button says so.
  await expect(page.getByText('Until it is answered: 998 g water.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Put it on the shelf with one guess' })).toBeVisible();
  await page.getByRole('button', { name: /^Vegetable stock/ }).click();
  await understood(page, 'All 4 lines understood');
  const before = ((await (await page.request.get(`${server.url}/api/soups`)).json()) as { soups: unknown[] }).soups.length;
  await expect(page.getByLabel('Name')).toHaveValue('Night soup');
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await expect(page.getByRole('heading', { name: 'Night soup' })).toBeVisible();
  const after = ((await (await page.request.get(`${server.url}/api/soups`)).json()) as { soups: unknown[] }).soups.length;
  expect(after).toBe(before + 1);
  const { soup } = await kept(page, server, 'night-soup');
  expect(soup.lines.map(({ ingredient }) => ingredient)).toEqual(['carrot', 'coconut-milk', 'vegetable-stock', 'fine-salt']);
  quiet();
});

test('each format is read from its file, and nothing is saved by reading', async ({ page, server }) => {
  const quiet = watch(page);
  const count = async (): Promise<number> =>
    ((await (await page.request.get(`${server.url}/api/soups`)).json()) as { soups: unknown[] }).soups.length;
  const before = await count();
  await open(page, server, 'carrot.txt');
  await understood(page, /8 of 8 lines and \d+ of \d+ things to do understood/);
  await expect(page.getByLabel('Name')).toHaveValue('Carrot & ginger, from a card');
  await expect(page.getByText(/It says 4\. Its amounts come to [\d.]+ bowls/)).toBeVisible();
  await open(page, server, 'page.html');
  await understood(page, /5 of 5 lines and \d+ of \d+ things to do understood/);
  await expect(page.getByLabel('Name')).toHaveValue('Roast parsnip & apple');
  await expect(page.locator('tt-method-steps')).toContainText('Roast');
  expect(await page.title()).not.toContain('must not run');
  await open(page, server, 'recipe.jsonld');
  await understood(page, /5 of 5 lines and \d+ of \d+ things to do understood/);
  await open(page, server, 'lines.csv');
  await understood(page, 'All 5 lines understood');
  await open(page, server, 'own.json');
  await understood(page, 'A whole soup, from its own file');
  expect(await count()).toBe(before);
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await expect(page.getByRole('heading', { name: 'Our own leek' })).toBeVisible();
  expect(await count()).toBe(before + 1);
  const own = JSON.parse(readFileSync(join(FIXTURES, 'own.json'), 'utf8')) as unknown;
  expect((await kept(page, server, 'our-own')).soup).toEqual(own);
  quiet();
});

test('hostile and broken files are named and refused, and nothing is changed', async ({ page, server }) => {
  const quiet = watch(page);
  await page.goto(`${server.url}/shelf/new`);
  const give = (name: string, body: string | Buffer): Promise<void> =>
    page.locator('#soup-file').setInputFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(body) });
  const alert = page.getByRole('alert');
  await give('broken.json', '{"id": ');
  await expect(alert).toContainText('broken.json: It is not JSON');
  await give('other.json', '{"id":"x"}');
  await expect(alert).toContainText('is not as a soup’s file has it');
  await give('zip.txt', Buffer.from('504b0304140000000800', 'hex'));
  await expect(alert).toContainText('It is not a text but a file of another kind');
  await give('big.txt', Buffer.alloc(3 * 1024 * 1024, 'a'));
  await expect(alert).toContainText('bigger than 2 MB');
  await give('no-recipe.html', '<html><body>nothing</body></html>');
  await expect(alert).toContainText('no recipe in it');
  await give('columns.csv', 'colour,taste\nred,sweet\n');
  await expect(alert).toContainText('Its columns are not known');
  await give('many.txt', '1 onion\n'.repeat(100_000));
  await expect(alert).toContainText('one soup is at most 400');
  await page
    .getByLabel('Type or paste')
    .fill(
      '<img src=x onerror="document.title=\'gone\'">\n<script>document.title="gone"</script> 2 onions\n1e999 kg leek\n-5 kg carrots',
    );
  await expect(page.getByRole('heading', { name: /to answer/ })).toBeVisible();
  expect(await page.title()).not.toContain('gone');
  await expect(page.locator('.lines img, .lines script')).toHaveCount(0);
  quiet();
});

test('a card is changed by typing, by key and by dragging; undone and redone; saved as a version; compared', async ({
  page,
  server,
}) => {
  const quiet = watch(page);
  await page.goto(`${server.url}/shelf/celeriac-leek-apple`);
  await expect(page.getByRole('heading', { name: 'One bowl' })).toBeVisible();
  await page.keyboard.press('e');
  const line = page.getByLabel(/^Line: 1\.4 kg celeriac/);
  await line.waitFor();
  const table = page.getByRole('table', { name: /Ribbon of the batch/ });
  await expect(table).toContainText('celeriac 1.4 kg');
  await line.fill('2 kg celeriac, peeled, 18 mm dice');
  await expect(table).toContainText('celeriac 2 kg');
  await expect(page.getByText(/its amounts come to 1\d\.\d bowls/)).toBeVisible();

  // A misspelling is marked where it stands, and the rest goes on.
  const again = page.getByLabel(/^Line: 2 kg celeriac/);
  await again.fill('2 kg celeriak, peeled');
  await expect(page.getByRole('alert')).toContainText('is not in the larder');
  await expect(table).toContainText('celeriac 2 kg');
  await page.getByRole('alert').getByRole('button', { name: 'Celeriac' }).click();
  await expect(page.getByRole('alert')).toHaveCount(0);

  const undo = page.getByRole('button', { name: 'Undo' });
  const redo = page.getByRole('button', { name: 'Redo' });
  await expect(async () => {
    if (await undo.isEnabled()) await undo.click({ timeout: 1000 });
    await expect(undo).toBeDisabled({ timeout: 100 });
  }).toPass({ timeout: 30_000 });
  await expect(table).toContainText('celeriac 1.4 kg');
  await expect(redo).toBeEnabled();
  // The button may go while it is being pressed for the last time.
  await expect(async () => {
    if (await redo.isEnabled()) await redo.click({ timeout: 1000 });
    await expect(redo).toBeDisabled({ timeout: 100 });
  }).toPass({ timeout: 30_000 });
  await expect(table).toContainText('celeriac 2 kg');

  // A new line goes in where it is typed.
  await page.getByLabel(/^Line: 0\.6 kg leek/).focus();
  const fresh = page.getByLabel('Add a line after Trim leek');
  await fresh.fill('2 cloves garlic, crushed');
  await fresh.press('Enter');
  await expect(page.getByLabel('Line: 2 cloves garlic, crushed')).toBeVisible();

  // A step by key, a station by key, a setting.
  const handle = page.locator('[data-handle="sweat"]');
  await handle.focus();
  await page.keyboard.press('ArrowDown');
  await expect(page.locator('[data-handle="sweat"]')).toBeFocused();
  await page.keyboard.press('ArrowUp');
  const minutes = page.locator('section[aria-label="Simmer"]').getByRole('spinbutton').first();
  await minutes.fill('35');
  await minutes.press('Tab');
  await page.getByRole('button', { name: /^Blend, station/ }).focus();
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: /^Blend, station 3/ })).toBeVisible();

  await page.getByLabel('Note to this version').fill('more celeriac, garlic');
  await page.getByRole('button', { name: 'Save as version 2' }).click();
  await expect(page.getByText('Saved as version 2.')).toBeVisible();
  const saved = await kept(page, server, 'celeriac-leek-apple');
  expect([saved.version, saved.note]).toEqual([2, 'more celeriac, garlic']);
  expect(saved.soup.lines.some(({ ingredient }) => ingredient === 'garlic')).toBe(true);
  await option(page, 'Versions').click();
  const rows = page.getByRole('row');
  await expect(rows.filter({ hasText: 'Line celeriac' })).toContainText('1.4 kg celeriac');
  await expect(rows.filter({ hasText: 'Step simmer, minutes' })).toContainText('35');
  quiet();
});

test('a step and a line are moved by dragging', async ({ page, server }) => {
  await page.goto(`${server.url}/shelf/celeriac-leek-apple`);
  await expect(page.getByRole('heading', { name: 'One bowl' })).toBeVisible();
  await page.keyboard.press('e');
  const from = page.locator('[data-line-handle="apple"]');
  const to = page.locator('#lines-trim-leek');
  await from.waitFor();
  // The ribbon stays at the top: both ends have to lie below it.
  await page.locator('section[aria-label="Sweat"]').evaluate((node) => {
    node.scrollIntoView({ block: 'center' });
  });
  const a = (await from.boundingBox())!;
  const b = (await to.boundingBox())!;
  await page.mouse.move(a.x + a.width / 2, a.y + a.height / 2);
  await page.mouse.down();
  await page.mouse.move(a.x + 20, a.y - 20, { steps: 4 });
  await page.mouse.move(b.x + 120, b.y + b.height / 2, { steps: 12 });
  await page.mouse.up();
  await expect(page.locator('#lines-trim-leek').getByLabel(/apple/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Save as version 2' }).click();
  await expect(page.getByText('Saved as version 2.')).toBeVisible();
  const { soup } = await kept(page, server, 'celeriac-leek-apple');
  expect(JSON.stringify(soup.root.steps.find(({ id }) => id === 'trim-leek'))).toContain('apple');
});

test('a school is chosen with its difference in sight, and both people who edit one soup are heard', async ({
  page,
  browser,
  server,
}) => {
  await page.goto(`${server.url}/shelf/beetroot-horseradish`);
  await option(page, 'Method choices').click();
  await expect(page.getByRole('button', { name: /^sweat/ })).toContainText(/time −/);
  await page.getByRole('button', { name: /^sieved/ }).click();
  await expect(page.getByRole('button', { name: /^sieved/ })).toContainText('chosen');

  const other = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await other.goto(`${server.url}/shelf/beetroot-horseradish`);
  await other.getByRole('heading', { name: 'One bowl' }).waitFor();
  await other.keyboard.press('e');
  await other.getByLabel(/^Line: 6 clove garlic/).fill('9 cloves garlic, peeled');
  await expect(other.getByRole('button', { name: 'Undo' })).toBeEnabled();
  await other.getByRole('button', { name: 'Save as version 2' }).click();
  await expect(other.getByText('Saved as version 2.')).toBeVisible();

  await expect(page.getByText('Version 2 was saved on another screen meanwhile')).toBeVisible();
  await page.getByRole('button', { name: /^Save as version/ }).click();
  const clash = page.getByRole('alert').filter({ hasText: 'Nothing was overwritten' });
  await expect(clash).toContainText('9 cloves garlic');
  await expect(clash).toContainText('School');
  expect((await kept(page, server, 'beetroot-horseradish')).version).toBe(2);
  await page.getByRole('button', { name: 'Save yours as version 3' }).click();
  await expect(page.getByText('Saved as version 3.')).toBeVisible();
});

test('tags, duplicating, retiring and bringing back', async ({ page, server }) => {
  const quiet = watch(page);
  await page.goto(`${server.url}/shelf/swede-barley`);
  // The card is drawn anew once its figures are there: what was opened before that is shut.
  await expect(async () => {
    await option(page, 'More').click();
    await expect(page.getByLabel('A new tag')).toBeVisible({ timeout: 2000 });
  }).toPass();
  await page.getByLabel('A new tag').fill('wet days');
  await page.getByRole('button', { name: 'Tag it' }).click();
  await expect(page.getByRole('button', { name: 'Take the tag wet days off' })).toBeVisible();
  await page.getByRole('button', { name: 'Duplicate' }).click();
  await expect(page.getByRole('heading', { name: 'Swede & barley, again' })).toBeVisible();
  await page.getByRole('button', { name: 'Retire it' }).click();
  await expect(page).toHaveURL(/\/shelf$/);
  await expect(page.getByRole('link', { name: /again/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'wet days', exact: true }).click();
  await expect(page.locator('.board a')).toHaveCount(1);
  await page.getByRole('button', { name: 'wet days', exact: true }).click();
  await page.getByRole('button', { name: /retired, 1/ }).click();
  await page.getByRole('button', { name: 'Bring back' }).click();
  await page.goto(`${server.url}/shelf`);
  await expect(page.getByRole('link', { name: /again/ })).toBeVisible();
  quiet();
});

test('a substitute says what it changes; kept as a variant it is planned beside the soup itself; optional lines can be left out', async ({
  page,
  server,
}) => {
  const quiet = watch(page);
  await page.goto(`${server.url}/shelf/celeriac-leek-apple`);
  await page.getByRole('heading', { name: 'One bowl' }).waitFor();
  await page.keyboard.press('e');
  await option(page, 'Substitutes').click();
  await choose(page, 'stand-line', /single cream/);
  await page.getByLabel('take').fill('300 ml coconut milk');
  await expect(page.locator('.says')).toContainText(/a bowl [+−]/);
  await page.getByLabel('or keep both, this one as').fill('coconut');
  await page.getByRole('button', { name: 'Keep it as a variant' }).click();
  await expect(page.getByText('coconut: 300 ml coconut milk')).toBeVisible();
  await page.getByLabel(/^Line: 1 large cooking apple/).focus();
  await page.getByRole('button', { name: 'Optional', exact: true }).click();
  await page.getByRole('button', { name: 'Save as version 2' }).click();
  await page.getByRole('link', { name: /Plan a batch/ }).click();
  await page.getByRole('button', { name: '40', exact: true }).click();
  await expect(page.getByRole('row', { name: /Single cream/ })).toBeVisible();
  await choose(page, 'variant', 'coconut');
  await expect(page.getByRole('row', { name: /Coconut milk/ })).toBeVisible();
  await expect(page.getByRole('row', { name: /Single cream/ })).toHaveCount(0);
  await page.getByRole('button', { name: /^with cooking apple/ }).click();
  await expect(page.getByRole('row', { name: /Cooking apple/ })).toHaveCount(0);
  quiet();
});

test('every way out is read back by a reader that is not ours', async ({ page, server }) => {
  await page.goto(`${server.url}/shelf/beetroot-horseradish`);
  await option(page, 'More').click();
  const take = async (name: RegExp): Promise<string> => {
    const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name }).click()]);
    return readFileSync(await download.path(), 'utf8');
  };
  const { soup } = await kept(page, server, 'beetroot-horseradish');

  const own = JSON.parse(await take(/Its own file/)) as unknown;
  expect(own).toEqual(soup);
  const schema = JSON.parse(readFileSync(join(import.meta.dirname, '../docs/soup.schema.json'), 'utf8')) as object;
  expect(new Ajv({ strict: false }).validate(schema, own)).toBe(true);

  const recipe = JSON.parse(await take(/Recipe, JSON-LD/)) as object;
  // The vocabulary stands in for the context that the network would bring.
  const [node] = await jsonld.expand({ ...recipe, '@context': { '@vocab': 'https://schema.org/' } });
  const property = (name: string): { '@value'?: string }[] =>
    (node?.[`https://schema.org/${name}`] ?? []) as { '@value'?: string }[];
  expect(node?.['@type']).toEqual(['https://schema.org/Recipe']);
  expect(property('name').map((one) => one['@value'])).toEqual(['Beetroot & horseradish']);
  expect(property('recipeIngredient').length).toBe(soup.lines.length);

  const rows = parse(await take(/Amounts, CSV/), { columns: true, bom: true }) as Record<string, string>[];
  expect(rows.map((row) => row.ingredient)).toEqual(soup.lines.map(({ ingredient }) => ingredient));
  const beet = rows.find((row) => row.ingredient === 'beetroot');
  expect(Number(beet?.['kg as bought'])).toBeGreaterThan(1);

  expect(await take(/^Text/)).toContain('1.75 kg beetroot');
  await expect(page.getByText(/It can’t hold .*its steps/)).toBeVisible();
});

test('a bad formula in a name does not become one in a spreadsheet', async ({ page, server }) => {
  await paste(page, server, '=HYPERLINK("x")\n1 kg carrots\n1 litre water\nsalt');
  await page.getByRole('button', { name: /Put it on the shelf/ }).click();
  await option(page, 'More').click();
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: /Amounts, CSV/ }).click()]);
  const rows = parse(readFileSync(await download.path(), 'utf8'), { columns: true, bom: true }) as Record<string, string>[];
  expect(rows[0]?.soup?.startsWith("'=")).toBe(true);
});
