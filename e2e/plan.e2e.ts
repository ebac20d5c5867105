import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parse } from 'csv-parse/sync';
import { choose, expect, test, watch, option } from './kitchen';

const ROOT = join(import.meta.dirname, '..');

test('forty bowls from the shelf’s first view to the pull list: six touches at most, within twenty seconds', async ({
  browser,
  server,
}) => {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, hasTouch: true })).newPage();
  const quiet = watch(page);
  await page.goto(server.url);
  await page.getByRole('link', { name: /Celeriac/ }).waitFor();
  const began = Date.now();
  let touches = 0;
  const touch = async (name: string, role: 'link' | 'button'): Promise<void> => {
    touches += 1;
    await page.getByRole(role, { name }).tap();
  };
  await touch('Celeriac, leek & apple', 'link');
  await touch('Plan a batch', 'link');
  // No number of bowls is there before the cook gives one.
  await expect(page.getByRole('spinbutton', { name: 'Make' })).toHaveValue('');
  await touch('40', 'button');
  await expect(page.getByText('of 7 on the bench')).toBeVisible();
  expect(touches).toBeLessThanOrEqual(6);
  expect(Date.now() - began).toBeLessThan(20_000);
  await expect(page.getByRole('row', { name: /Cooking apple/ })).toContainText('large');
  await expect(page.getByRole('heading', { name: 'Does not go by one factor' })).toBeVisible();
  await expect(page.getByRole('button', { name: /1 h \d+ min, minutes: why/ })).toBeVisible();
  await page.getByText('Celeriac').first().tap();
  quiet();
});

test('from every side; an amount that can’t be is named', async ({ page, server }) => {
  const quiet = watch(page);
  await page.goto(`${server.url}/plan/beetroot-horseradish`);
  await page.getByRole('button', { name: 'what fits the pot' }).click();
  await expect(page.getByText('on the bench')).toBeVisible();
  const bowls = page.getByRole('button', { name: /bowls, bowls: why/ });
  await expect(bowls).toContainText(/2\d\d bowls/);
  await choose(page, 'by', /cartons used up/);
  await expect(bowls).not.toContainText(/2\d\d bowls/);
  await choose(page, 'carton', /carton of 1l double cream/);
  // A litre of double cream is 976 g; 20 g a bowl is for 48 of them, and what is bought in whole pieces may make one or two more.
  await expect(bowls).toContainText(/(?:4[789]|50) bowls/);
  await choose(page, 'by', /kg on hand/);
  await page.getByRole('spinbutton', { name: 'Make' }).fill('10');
  await expect(page.getByRole('row', { name: /Beetroot/ }).first()).toContainText(/(9\.[6-9]\d?|10) kg/);
  await choose(page, 'by', /kg of soup/);
  await page.getByRole('spinbutton', { name: 'Make' }).fill('12');
  await expect(bowls).toContainText(/4[01] bowls/);
  await choose(page, 'by', /oven trays/);
  await page.getByRole('spinbutton', { name: 'Make' }).fill('6');
  await expect(page.getByText('on the bench')).toBeVisible();
  await choose(page, 'by', 'bowls');
  await page.getByRole('spinbutton', { name: 'Make' }).fill('0');
  await expect(page.getByRole('alert')).toContainText('Give an amount above 0');
  quiet();
});

test('the looks of a plan: stations, odds, cost and side by side; any figure is asked why', async ({ page, server }) => {
  const quiet = watch(page);
  await page.goto(`${server.url}/plan/beetroot-horseradish`);
  await page.getByRole('button', { name: '80', exact: true }).click();
  await expect(page.getByText('on the bench')).toBeVisible();
  await page.keyboard.press('2');
  await expect(page.getByRole('heading', { name: /Blend/ })).toBeVisible();
  await expect(page.getByText(/fill the jug/)).toBeVisible();
  await page.keyboard.press('3');
  await expect(page.getByText('Bowls to count on')).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText(/\(9 in 10\)/)).toBeVisible();
  await option(page, 'the bowls').click();
  await expect(page.getByText('This soup has no step to hold that by, so the amounts are held.')).toBeVisible({ timeout: 60_000 });
  await page.keyboard.press('4');
  await page.getByRole('spinbutton', { name: 'sold for' }).fill('4.5');
  await page.getByRole('spinbutton', { name: 'sold for' }).blur();
  await expect(page.getByText('left of it')).toBeVisible();
  await page.keyboard.press('5');
  await choose(page, 'other-colour', /sweated/);
  await expect(page.getByRole('row', { name: /from the first knife/ })).toContainText('−');
  await page.getByRole('button', { name: /minutes: why/ }).click();
  const why = page.getByRole('dialog', { name: 'Why' });
  await expect(why).toContainText('Roast at 190 °C');
  await expect(why).toContainText('By these rules');
  await page.keyboard.press('Escape');
  await expect(why).toHaveCount(0);
  quiet();
});

test('a plan is kept with its ticks, changed, and stays when its batch starts', async ({ page, server }) => {
  const quiet = watch(page);
  await page.goto(`${server.url}/plan/celeriac-leek-apple`);
  await page.getByRole('button', { name: '40', exact: true }).click();
  await page.getByRole('row', { name: /Leek/ }).getByRole('checkbox').check();
  await expect(page).toHaveURL(/plan=/);
  await expect(page.getByText('1 of 7 on the bench')).toBeVisible();
  await page.reload();
  await expect(page.getByText('1 of 7 on the bench')).toBeVisible();
  await expect(page.getByRole('spinbutton', { name: 'Make' })).toHaveValue('40');
  await page.getByRole('spinbutton', { name: 'Make' }).fill('60');
  // The kept plan is in the stockpot, and sixty bowls are too much for that.
  await page.getByRole('button', { name: 'Take the broad boiler' }).click();
  await page.getByRole('button', { name: /Keep the change/ }).click();
  await expect(page.getByText('The plan is kept as it now stands.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Kept', exact: false }).filter({ hasText: 'Kept' })).toBeDisabled();
  const id = new URL(page.url()).searchParams.get('plan') ?? '';
  const plan = async (): Promise<{ figures: { bowls: number }; version: number }> =>
    (await (await page.request.get(`${server.url}/api/plans/${id}`)).json()) as { figures: { bowls: number }; version: number };
  // All of the sixty are there, and what whole pieces make more of is not another three.
  expect((await plan()).figures.bowls).toBeGreaterThan(59.5);
  expect((await plan()).figures.bowls).toBeLessThan(63);
  await page.goto(`${server.url}/plan`);
  await page.getByRole('link', { name: /Celeriac.*6[0-2] bowls/ }).click();
  await page.getByRole('button', { name: /Start this batch/ }).click();
  await expect(page.locator('.step h2')).toBeVisible();
  await page.goto(`${server.url}/plan/celeriac-leek-apple?plan=${id}`);
  await expect(page.getByText('its batch has started')).toBeVisible();
  await expect(page.getByRole('button', { name: /To its batch/ })).toBeVisible();
  quiet();
});

test('its figures are the command line’s', async ({ page, server }) => {
  await page.goto(`${server.url}/plan/beetroot-horseradish`);
  await page.getByRole('button', { name: '60', exact: true }).click();
  await page.getByRole('button', { name: /Keep this plan/ }).click();
  await expect(page).toHaveURL(/plan=/);
  const id = new URL(page.url()).searchParams.get('plan') ?? '';
  const plan = (await (await page.request.get(`${server.url}/api/plans/${id}`)).json()) as {
    request: { potId: string };
    snapshot: { soup: unknown; kit: unknown };
    figures: Record<string, unknown>;
  };
  const folder = mkdtempSync(join(tmpdir(), 'tureen-cli-'));
  writeFileSync(join(folder, 'soup.json'), JSON.stringify(plan.snapshot.soup));
  writeFileSync(join(folder, 'kit.json'), JSON.stringify(plan.snapshot.kit));
  // What the kitchen pays is in its own larder.
  const larder = (await (await page.request.get(`${server.url}/api/larder`)).json()) as { rows: unknown };
  writeFileSync(join(folder, 'larder.json'), JSON.stringify({ ingredients: larder.rows }));
  const printed = execFileSync(
    process.execPath,
    [
      '--import',
      'tsx',
      'cli/src/bin.ts',
      'plan',
      join(folder, 'soup.json'),
      '--bowls',
      '60',
      '--bowl',
      '300g',
      '--pot',
      plan.request.potId,
      '--kit',
      join(folder, 'kit.json'),
      '--larder',
      join(folder, 'larder.json'),
      '--json',
    ],
    { cwd: ROOT, encoding: 'utf8' },
  );
  rmSync(folder, { recursive: true, force: true });
  const said = JSON.parse(printed) as { figures: Record<string, unknown>; pullList: { ingredient: string; boughtKg: number }[] };
  expect(said.figures).toEqual(plan.figures);
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save as CSV' }).click()]);
  const rows = parse(readFileSync(await download.path(), 'utf8'), { columns: true, bom: true }) as Record<string, string>[];
  expect(rows.length).toBe(said.pullList.length);
  const beet = said.pullList.find(({ ingredient }) => ingredient === 'beetroot');
  // What is bought is rounded together, within a few per cent of what the plan asks.
  expect(
    Math.abs(Number(rows.find((row) => row.ingredient === 'Beetroot')?.['as bought kg']) / (beet?.boughtKg ?? 0) - 1),
  ).toBeLessThan(0.05);
});
