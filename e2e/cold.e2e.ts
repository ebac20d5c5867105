import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, test, watch } from './kitchen';

const ways = (page: Page) => page.locator('.ways button.way');
const seriousIn = async (page: Page): Promise<string[]> =>
  (await new AxeBuilder({ page }).analyze()).violations.map(
    ({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html).join(' | ')}`,
  );

test('a leftover is parted so that it meets the rule, by another rule in other pans, and what meets none is said', async ({
  page,
  server,
}) => {
  const quiet = watch(page);
  await page.goto(`${server.url}/cold`);
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
  await expect(page.locator('h3')).toHaveText((await ways(page).nth(1).locator('strong').textContent()) ?? '');
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

test('a pan is watched by what is read of it, and that is kept over a reload', async ({ page, server }) => {
  await page.goto(`${server.url}/cold`);
  await ways(page).nth(2).click();
  await page.getByRole('button', { name: 'It cools so from now: watch it' }).click();
  const watched = page.locator('tt-pan-watch');
  await expect(watched.locator('li').first()).toContainText(
    /21 °C at \d\d:\d\d \(\d\d:\d\d to \d\d:\d\d in nine of ten\), wanted by/,
  );
  await page.getByLabel('it reads, °C').fill('79');
  await page.getByRole('button', { name: 'Read', exact: true }).click();
  await expect(page.getByRole('button', { name: /Take back 79 °C/ })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: /Take back 79 °C/ })).toBeVisible();
  await expect(watched.locator('li')).toHaveCount(2);
  await page.getByRole('button', { name: /Take back 79 °C/ }).click();
  await page.getByRole('button', { name: 'Stop watching' }).click();
  await expect(page.getByRole('button', { name: 'It cools so from now: watch it' })).toBeVisible();
});

test('axe finds nothing on the cold place in light and dark, and it fits a tablet held upright', async ({ page, server }) => {
  await page.goto(`${server.url}/cold`);
  await expect(ways(page)).toHaveCount(3);
  await page.getByRole('button', { name: /watch it/ }).click();
  await expect(page.locator('tt-pan-watch li')).toHaveCount(2);
  expect(await seriousIn(page)).toEqual([]);
  await page.getByRole('button', { name: /Gannet Quay/ }).click();
  await page.getByRole('button', { name: 'Dark screen' }).click();
  await page.goto(`${server.url}/cold`);
  await expect(ways(page)).toHaveCount(3);
  expect(await seriousIn(page)).toEqual([]);
  await page.setViewportSize({ width: 768, height: 1024 });
  await expect.poll(() => page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(768);
});
