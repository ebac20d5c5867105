import type { Page } from '@playwright/test';
import type { Practice, StoredBatch } from '@tureen/server/api';
import { choose, expect, faults, test, watch } from './kitchen.js';

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

/** The first practice that this page begins is in this hidden kitchen: what its debrief finds does not hang on a draw. */
async function inKitchen(page: Page, seed: number): Promise<void> {
  let isFirst = true;
  await page.route('**/practice/api/bench', async (route) => {
    const asked = route.request();
    if (asked.method() !== 'POST' || !isFirst) return route.fallback();
    isFirst = false;
    return route.continue({ postData: { ...(asked.postDataJSON() as object), seed } });
  });
}

/** Ticks every step up to the bowls, by keys. @returns how many. */
async function tickedAll(page: Page): Promise<number> {
  for (let n = 0; n < 40; n++) {
    const heading = await page.locator('.step h2').textContent();
    if (heading?.startsWith('Ladle into') === true) return n;
    await page.keyboard.press('Enter');
    await page.waitForFunction((text) => document.querySelector('.step h2')?.textContent !== text, heading);
  }
  throw new Error('The bowls never came.');
}

test('a lesson goes from its card to the debrief, through a reload, on two screens; the kitchen beside it is as it was', async ({
  page,
  context,
  server,
}) => {
  test.setTimeout(180_000);
  const quiet = watch(page);
  await inKitchen(page, 7);
  const before = await kitchen(server.url);
  await page.goto(`${server.url}/bench`);
  await page.getByRole('link', { name: 'To the practice kitchen' }).click();
  await expect(page).toHaveURL(/\/practice\/bench$/);
  await expect(page.getByRole('complementary', { name: 'Practice' })).toContainText('nothing of this reaches the kitchen');
  await expect(page.getByRole('button', { name: 'Begin Too thick' })).toBeVisible({ timeout: 30_000 });
  expect(await faults(page)).toEqual([]);
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
  expect(await faults(page)).toEqual([]);
  await expect.poll(async () => (await practices(server.url)).find(({ batchId }) => batchId === id)?.passed).toBe(false);

  // Again in the same kitchen is the same hidden kitchen.
  const [first] = await practices(server.url);
  await page.getByRole('button', { name: 'Again, this kitchen' }).click();
  await expect(page).not.toHaveURL(new RegExp(id));
  await expect(page).toHaveURL(/\/practice\/stove\//);
  await expect.poll(async () => (await practices(server.url)).map(({ seed }) => seed)).toEqual([first!.seed, first!.seed]);

  // All of it ticked, and back to the blade: the same pot as far as that, and the first one as it was.
  const again = /stove\/([0-9a-f-]+)/.exec(page.url())![1]!;
  const pressed = await tickedAll(page);
  await expect.poll(async () => (await practised(server.url, again)).entries.length).toBeGreaterThanOrEqual(pressed);
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

test('a plan is cooked in a hundred kitchens, with something that goes wrong; how often plans keep their word is drawn', async ({
  page,
  server,
}) => {
  const quiet = watch(page);
  await page.goto(`${server.url}/plan/beetroot-horseradish`);
  await page.getByRole('button', { name: '40', exact: true }).click();
  await page.keyboard.press('3');
  const section = page.getByRole('region', { name: 'In a hundred kitchens' });
  const bowls = section.getByRole('row', { name: /^bowls/ });
  await expect(bowls).toContainText('of 100', { timeout: 30_000 });
  // Of its own cell: text of cells stands side by side without a space.
  const held = bowls.getByRole('cell', { name: / of 100$/ });
  const right = async (): Promise<number> => Number(/^\s*(\d+) of 100/.exec((await held.textContent()) ?? '')?.[1]);
  const before = await right();
  expect(before).toBeGreaterThan(60);
  await choose(page, 'what-if', 'the ladle holds a quarter less');
  await expect.poll(right).toBeLessThan(before - 30);
  expect(await faults(page)).toEqual([]);

  await page.goto(`${server.url}/bench`);
  await page.getByText('How often this kitchen’s sums keep their word').click();
  await expect(page.getByRole('img', { name: /bowls: of 5 came \d+/ })).toBeVisible();
  await expect(page.getByRole('row', { name: /odds of a plan: 90 % bands held/ })).toContainText('✓');
  expect(await faults(page)).toEqual([]);
  quiet();
});

test('a jug that nobody looked at is told of in the debrief; a coach speaks when asked', async ({ page, server }) => {
  test.setTimeout(120_000);
  const quiet = watch(page);
  await inKitchen(page, 7);
  await page.goto(`${server.url}/practice/bench`);
  await page.getByRole('button', { name: 'Begin The hot jug' }).click();
  await expect(page).toHaveURL(/\/practice\/stove\//);
  await expect(page.locator('.step h2')).toBeVisible();
  await page.keyboard.press('y');
  const look = page.getByRole('dialog', { name: 'Look at it' });
  await expect(look).toContainText('nothing to taste yet');
  await expect(look.getByText('no jug is filled more than a third')).toBeHidden();
  await look.getByText('What would a coach say?').click();
  await expect(look.getByText('no jug is filled more than a third')).toBeVisible();
  await look.getByRole('button', { name: 'Close' }).click();
  const id = /stove\/([0-9a-f-]+)/.exec(page.url())![1]!;
  const pressed = await tickedAll(page);
  await expect.poll(async () => (await practised(server.url, id)).entries.length).toBeGreaterThanOrEqual(pressed);
  await page.getByRole('link', { name: 'How did it go' }).click();
  await expect(page.getByRole('heading', { name: /The jug would have thrown its lid/ })).toBeVisible();
  await expect(page.getByRole('row', { name: /^safety/ })).toContainText('one thing went wrong');
  await expect(page.getByText('▲ not passed yet')).toBeVisible();
  quiet();
});

test('a pot is put away in practice: probes in the pans, fast time, what the page offers, and a debrief of what was true', async ({
  page,
  server,
}) => {
  test.setTimeout(180_000);
  const quiet = watch(page);
  await inKitchen(page, 7);
  const before = await kitchen(server.url);
  await page.goto(`${server.url}/practice/bench`);
  await page.getByRole('button', { name: 'Begin The big pot must cool' }).click();
  await expect(page).toHaveURL(/\/practice\/cold$/);
  const strip = page.getByRole('complementary', { name: 'Practice' });
  await expect(strip).toContainText('The big pot must cool.');
  await page.getByRole('link', { name: /^Put away/ }).click();
  await page.getByRole('button', { name: /From the simulated probe/ }).click();
  await page.getByRole('button', { name: 'It stands in these: watch it cool' }).click();
  await expect(page).toHaveURL(/\/practice\/cold$/);
  const go = (speed: string) => strip.getByText(speed, { exact: true }).click();
  const cooling = page.locator('tt-pan-watch');
  await expect(cooling.first()).toBeVisible();
  await page.keyboard.press('y');
  await expect(page.getByRole('dialog', { name: 'What would a coach say?' })).toContainText('Read the middle of each pan');
  await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click();

  // A quarter of an hour, later three of them, a reading of each pan, and whatever the page then offers first; until all of it is cold.
  for (let round = 0; round < 40 && (await cooling.count()) > 0; round++) {
    await go('600 ×');
    await page.waitForTimeout(round < 4 ? 1500 : 4500);
    await go('Stop');
    await page.waitForTimeout(1300);
    for (let n = 0; n < (await cooling.count()); n++) {
      const pan = cooling.nth(n);
      const opens = pan.getByRole('button', { name: 'Its curve, the probe, and putting it away' });
      if (await opens.isVisible()) await opens.click();
      await pan.getByRole('button', { name: /From its simulated probe/ }).click();
      await pan.getByRole('button', { name: 'Read', exact: true }).click();
      await expect(pan.getByRole('button', { name: /^Take back/ })).toBeVisible();
      await page.waitForTimeout(600);
      const rescue = pan.locator('.rescue').first();
      const cold = pan.locator('.stores .main');
      if (await cold.isVisible()) {
        await cold.click();
        await page.waitForTimeout(600);
        n -= 1;
      } else if (await rescue.isVisible()) {
        await rescue.click();
        await page.waitForTimeout(1000);
      }
    }
  }
  await expect(cooling).toHaveCount(0);
  await go('Clock 1 ×');
  await strip.getByRole('link', { name: 'How did it go' }).click();
  await expect(page.getByText('✓ passed')).toBeVisible();
  await expect(page.getByRole('row', { name: /^safety/ })).toContainText('nobody hurt');
  await expect(page.getByRole('heading', { name: 'The fewest pans that would have done' })).toBeVisible();
  expect(await faults(page)).toEqual([]);
  expect(await kitchen(server.url)).toBe(before);
  quiet();
});
