import type { StoredBatch } from '@tureen/server/api';
import type { Locator, Page } from '@playwright/test';
import { expect } from './kitchen.js';

/** What the step in hand says. */
export const title = (page: Page): Locator => page.locator('section.step h2');

/** A number of bowls of a soup on the stove, at its first step. @returns the id of the batch. */
export async function begin(page: Page, url: string, soup = 'celeriac-leek-apple', bowls = 40): Promise<string> {
  await page.goto(`${url}/plan/${soup}`);
  await page.getByRole('button', { name: String(bowls), exact: true }).click();
  await page.getByRole('button', { name: /Start this batch/ }).click();
  await title(page).waitFor();
  return page.url().split('/').at(-1) ?? '';
}

async function byKey(page: Page): Promise<void> {
  // A sheet that is still closing has the keys.
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await letGo(page);
  await page.keyboard.press('Enter');
}

/** The step's main button by a finger. */
export async function byTouch(page: Page): Promise<void> {
  await page.getByRole('button', { name: /^Done/ }).tap();
}

/** Steps are done one by one, by key or as is said, until the step in hand reads as wanted. */
export async function until(page: Page, wanted: RegExp, done = byKey): Promise<void> {
  for (let n = 0; n < 24; n++) {
    const now = (await title(page).textContent()) ?? '';
    if (wanted.test(now)) return;
    await done(page);
    await expect(title(page)).not.toHaveText(now);
  }
  throw new Error(`No step reads ${String(wanted)}.`);
}

/** A button that was just touched takes Enter and Space for itself: the hand leaves it. */
export async function letGo(page: Page): Promise<void> {
  await page.evaluate(() => {
    if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
  });
}

/** The figure of the question that stands, given and entered by key. */
export async function answer(page: Page, figure: string): Promise<void> {
  // A sheet that is still closing takes the focus once more when it goes.
  await expect(page.getByRole('dialog')).toHaveCount(1);
  await expect(page.locator('#amount')).toBeFocused();
  await page.keyboard.type(figure);
  await page.keyboard.press('Enter');
  await expect(page.locator('#amount')).toHaveCount(0);
}

/** A batch as the server has it. */
export async function kept(url: string, batchId: string): Promise<StoredBatch> {
  return (await fetch(`${url}/api/batches/${batchId}`)).json() as Promise<StoredBatch>;
}
