import AxeBuilder from '@axe-core/playwright';
import type { Practice, StoredBatch } from '@tureen/server/api';
import { expect, test, watch } from './kitchen.js';

const practices = async (url: string): Promise<Practice[]> =>
  ((await (await fetch(`${url}/practice/api/bench`)).json()) as { practices: Practice[] }).practices;
const practised = async (url: string, id: string): Promise<StoredBatch> =>
  (await (await fetch(`${url}/practice/api/batches/${id}`)).json()) as StoredBatch;
const kitchen = async (url: string): Promise<string> => {
  const paths = ['batches', 'batches/open', 'plans', 'shelf', 'cold', 'supplies', 'learned', 'timers'];
  return JSON.stringify(
    await Promise.all(paths.map(async (path) => (await fetch(`${url}/api/${path}`)).json() as Promise<unknown>)),
  );
};

test('a lesson goes from its card to the debrief, through a reload, on two screens; the kitchen beside it is as it was', async ({
  page,
  context,
  server,
}) => {
  test.setTimeout(180_000);
  const quiet = watch(page);
  const before = await kitchen(server.url);
  await page.goto(`${server.url}/bench`);
  await page.getByRole('link', { name: 'To the practice kitchen' }).click();
  await expect(page).toHaveURL(/\/practice\/bench$/);
  await expect(page.getByRole('complementary', { name: 'Practice' })).toContainText('nothing of this reaches the kitchen');
  await expect(page.getByRole('button', { name: 'Begin Too thick' })).toBeVisible({ timeout: 30_000 });
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html).join(' | ')}`)).toEqual([]);
  await page.getByRole('button', { name: 'Begin Too thick' }).click();
  await expect(page).toHaveURL(/\/practice\/stove\//);
  const id = /stove\/([0-9a-f-]+)/.exec(page.url())![1]!;
  await expect(page.getByRole('complementary', { name: 'Practice' })).toContainText('Too thick.');

  // By keys, with a reload in the middle; a second screen sees it as practice.
  const done = page.getByRole('button', { name: /^Done/ });
  const ticks = async (): Promise<number> =>
    (await practised(server.url, id)).entries.filter(({ action }) => action.kind === 'done').length;
  for (let n = 0; n < 4; n++) {
    await expect(done).toBeVisible();
    await page.keyboard.press('Enter');
    await expect.poll(ticks).toBe(n + 1);
  }
  await page.reload();
  await expect(done).toBeVisible();
  await expect(page.getByRole('complementary', { name: 'Practice' })).toContainText('Too thick.');
  const other = await context.newPage();
  await other.goto(`${server.url}/practice/stove/${id}`);
  await expect(other.getByRole('complementary', { name: 'Practice' })).toContainText('Too thick.');
  await other.close();

  // A look tells what is in the pot, and puts nothing on the record.
  const entered = (await practised(server.url, id)).entries.length;
  await page.keyboard.press('y');
  const look = page.getByRole('dialog', { name: 'Look at it' });
  await expect(look).toContainText('kg with the pot');
  await look.getByRole('button', { name: 'Close' }).click();
  expect((await practised(server.url, id)).entries.length).toBe(entered);

  await page.getByRole('link', { name: 'How did it go' }).click();
  await expect(page.getByRole('heading', { name: 'Too thick' })).toBeVisible();
  await expect(page.getByRole('status').filter({ hasText: 'not passed yet' })).toBeVisible();
  await expect(page.getByRole('img', { name: /At the end you believed/ })).toBeVisible();
  const debriefed = await new AxeBuilder({ page }).analyze();
  expect(debriefed.violations.map(({ id: rule, nodes }) => `${rule}: ${nodes.map(({ html }) => html).join(' | ')}`)).toEqual([]);
  await expect.poll(async () => (await practices(server.url)).find(({ batchId }) => batchId === id)?.passed).toBe(false);

  // Again in the same kitchen is the same hidden kitchen.
  const [first] = await practices(server.url);
  await page.getByRole('button', { name: 'Again, this kitchen' }).click();
  await expect(page).not.toHaveURL(new RegExp(id));
  await expect(page).toHaveURL(/\/practice\/stove\//);
  await expect.poll(async () => (await practices(server.url)).map(({ seed }) => seed)).toEqual([first!.seed, first!.seed]);

  // All of it ticked, and back to the blade: the same pot as far as that, and the first one as it was.
  const again = /stove\/([0-9a-f-]+)/.exec(page.url())![1]!;
  for (let n = 0; n < 40; n++) {
    const heading = await page.locator('.step h2').textContent();
    if (heading?.startsWith('Ladle into') === true) break;
    await page.keyboard.press('Enter');
    await page.waitForFunction((text) => document.querySelector('.step h2')?.textContent !== text, heading);
  }
  await page.getByRole('link', { name: 'How did it go' }).click();
  const all = (await practised(server.url, again)).entries.length;
  await page.getByRole('button', { name: 'Back to this moment: Blend' }).click();
  await expect(page).toHaveURL(/\/practice\/stove\//);
  await expect(page).not.toHaveURL(new RegExp(again));
  await expect(page.locator('.step h2')).toBeVisible();
  const back = /stove\/([0-9a-f-]+)/.exec(page.url())![1]!;
  await expect.poll(async () => (await practised(server.url, back)).entries.length).toBeGreaterThan(4);
  expect((await practised(server.url, back)).entries.length).toBeLessThan(all);
  expect((await practised(server.url, again)).entries.length).toBe(all);

  await page.getByRole('link', { name: 'Leave' }).click();
  await expect(page).toHaveURL(`${server.url}/board`);
  await expect(page.getByRole('complementary', { name: 'Practice' })).toHaveCount(0);
  expect(await kitchen(server.url)).toBe(before);
  quiet();
});
