import type { Page } from '@playwright/test';
import { expect, test, watch, option } from './kitchen.js';

/** Moves the focus on by Tab until it stands on what is wanted; fails where it can't be reached so. */
async function tabTo(page: Page, wanted: RegExp, most = 160): Promise<void> {
  for (let n = 0; n < most; n++) {
    await page.keyboard.press('Tab');
    const on = await page.evaluate(() => {
      const at = document.activeElement;
      if (at === null || at === document.body) return '';
      const label = at.id === '' ? null : document.querySelector(`label[for="${at.id}"]`);
      return [at.getAttribute('aria-label'), label?.textContent, at.closest('label')?.textContent, at.id, at.textContent]

        .map((text) => (text ?? '').trim())
        .filter((text) => text !== '')
        .join(' | ');
    });
    if (wanted.test(on)) return;
  }
  throw new Error(`No Tab reaches ${String(wanted)}.`);
}

/** Focus is always seen: an outline, a shadow or a border that is there only with it. */
async function focusIsSeen(page: Page): Promise<boolean> {
  return page.evaluate(() => {
    const at = document.activeElement;
    if (!(at instanceof HTMLElement)) return false;
    const near = at.closest<HTMLElement>('.ant-select, tt-number, label') ?? at;
    return [at, near].some((node) => {
      const { outlineStyle, outlineWidth, boxShadow } = getComputedStyle(node);
      return (outlineStyle !== 'none' && parseFloat(outlineWidth) > 0) || boxShadow !== 'none';
    });
  });
}

test('a soup typed, changed, planned and its kitchen set, all by keyboard', async ({ page, server }) => {
  test.setTimeout(120_000);
  const quiet = watch(page);
  await page.goto(`${server.url}/shelf`);
  await page.getByRole('link', { name: /Celeriac/ }).waitFor();
  await page.keyboard.press('n');
  await tabTo(page, /Type or paste/);
  await page.keyboard.type('Quay soup\n1.5 kg carrots, peeled\n300 g onions, diced\n1 litre vegetable stock\n150 ml cream\nsalt');
  await expect(page.getByRole('heading', { name: 'All 5 lines understood' })).toBeVisible();
  await tabTo(page, /^Put it on the shelf/);
  expect(await focusIsSeen(page)).toBe(true);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Quay soup' })).toBeVisible();

  await page.keyboard.press('e');
  await tabTo(page, /^Line: 1\.5 kg carrots/);
  expect(await focusIsSeen(page)).toBe(true);
  await page.keyboard.press('Home');
  await page.keyboard.press('Delete');
  await page.keyboard.type('2');
  await expect(page.getByLabel(/^Line: 2\.5 kg carrots/)).toBeFocused();
  await expect(page.getByRole('table', { name: /Ribbon/ })).toContainText('carrot 2.5 kg');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('table', { name: /Ribbon/ })).toContainText('carrot 1.5 kg');
  await page.keyboard.press('Control+y');
  await expect(page.getByRole('table', { name: /Ribbon/ })).toContainText('carrot 2.5 kg');
  await page.keyboard.press('Control+s');
  await expect(page.getByText('Saved as version 2.')).toBeVisible();

  await page.keyboard.press('p');
  await expect(page.getByRole('spinbutton', { name: 'Make' })).toBeVisible();
  await tabTo(page, /amount/);
  await page.keyboard.type('20');
  await page.keyboard.press('Tab');
  const carrots = page.getByRole('row', { name: /Carrot/ }).first();
  await expect(carrots).toContainText('kg');
  await tabTo(page, /Carrot.*why\?/);
  expect(await focusIsSeen(page)).toBe(true);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toContainText('To take from the shelves: carrot');
  await page.keyboard.press('Escape');
  await page.keyboard.press('k');
  await expect(page.getByRole('button', { name: /^Kept/ })).toBeVisible();

  await tabTo(page, /Gannet Quay/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toBeVisible();
  await tabTo(page, /^Larder/);
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/larder$/);
  await page
    .getByRole('button', { name: /^Beetroot/ })
    .first()
    .waitFor();
  await page.keyboard.press('/');
  await page.keyboard.type('carrot');
  await expect(page.getByRole('button', { name: /^Beetroot/ })).toHaveCount(0);
  await tabTo(page, /^Carrot/);
  await page.keyboard.press('Enter');
  await page.getByRole('spinbutton', { name: 'fat' }).waitFor();
  await tabTo(page, /price/i);
  expect(await focusIsSeen(page)).toBe(true);

  await tabTo(page, /Gannet Quay/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toBeVisible();
  await tabTo(page, /^Kit/);
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/kit$/);
  await page.getByLabel('Altitude').waitFor();
  await tabTo(page, /Altitude/);
  await page.keyboard.press('Control+a');
  await page.keyboard.type('800');
  await tabTo(page, /^Save the kit/);
  await page.keyboard.press('Enter');
  await expect(page.getByText('The kit is saved.')).toBeVisible();
  quiet();
});

test('the same by touch, with fingers only', async ({ browser, server }) => {
  test.setTimeout(120_000);
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, hasTouch: true });
  const page = await context.newPage();
  const quiet = watch(page);
  await page.goto(`${server.url}/shelf`);
  await page.getByRole('link', { name: /^New soup/ }).tap();
  await page.getByLabel('Type or paste').tap();
  await page.getByLabel('Type or paste').fill('Quay soup\n1.5 kg carrots, peeled\n1 litre vegetable stock\nsalt');
  await page.getByRole('button', { name: 'Put it on the shelf' }).tap();
  await expect(page.getByRole('heading', { name: 'Quay soup' })).toBeVisible();
  await page.getByRole('button', { name: /^Change it/ }).tap();
  const line = page.getByLabel(/^Line: 1\.5 kg carrots/);
  await line.tap();
  await page.getByRole('button', { name: 'Hold some back' }).tap();
  await expect(page.getByRole('region', { name: 'Give back carrot' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).tap();
  await expect(page.getByRole('region', { name: 'Give back carrot' })).toHaveCount(0);
  await option(page, 'Method choices').tap();
  await page.getByRole('button', { name: /^sieved/ }).tap();
  await expect(page.getByRole('button', { name: /^sieved/ })).toContainText('chosen');
  await page.getByRole('button', { name: 'Save as version 2' }).tap();
  await expect(page.getByText('Saved as version 2.')).toBeVisible();
  await page.getByRole('link', { name: /^Plan a batch/ }).tap();
  await page.getByRole('button', { name: '20', exact: true }).tap();
  const tick = page.getByRole('checkbox', { name: /Carrot/ });
  await page.getByText('Carrot', { exact: false }).first().waitFor();
  await page.locator('label').filter({ hasText: 'Carrot' }).first().tap();
  await expect(tick).toBeChecked();
  await option(page, 'Odds').tap();
  await expect(page.getByRole('heading', { name: 'Where it may end up, the amounts held' })).toBeVisible();
  await option(page, 'the body').tap();
  await expect(page.getByRole('heading', { name: /^Where it may end up/ })).toBeVisible();
  await page.getByRole('button', { name: /Gannet Quay/ }).tap();
  await page.getByRole('link', { name: /^Kit/ }).tap();
  await page.getByText('Check a ladle by weighing water').tap();
  await expect(page.getByLabel('Grams of water')).toBeVisible();

  // Whatever can be touched is big enough for a wet thumb.
  const small = await page.evaluate(() =>
    Array.from(document.querySelectorAll<HTMLElement>('button, a.press, summary'))
      .filter((node) => node.offsetParent !== null)
      .map((node) => ({ text: node.textContent.trim(), height: node.getBoundingClientRect().height }))
      .filter(({ height }) => height < 44),
  );
  expect(small).toEqual([]);
  await context.close();
  quiet();
});
