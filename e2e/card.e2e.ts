import { join } from 'node:path';
import type { Branch, Soup, SoupStep } from '@tureen/core/soup';
import { expect, faults, test, watch, option } from './kitchen.js';

const LEEK = 'celeriac-leek-apple';

/** Every step of a soup with the branch that it stands in. */
function walk(branch: Branch): { step: SoupStep; branch: Branch }[] {
  return branch.steps.flatMap((step) => [...(step.op === 'join' ? walk(step.branch) : []), { step, branch }]);
}

async function open(page: import('@playwright/test').Page, url: string, id = LEEK): Promise<void> {
  await page.goto(`${url}/shelf/${id}`);
  await expect(page.getByRole('heading', { name: 'One bowl' })).toBeVisible();
  await page.keyboard.press('e');
  await page
    .getByLabel(/^Line: /)
    .first()
    .waitFor();
}

async function saved(page: import('@playwright/test').Page, url: string, version: number): Promise<Soup> {
  await page.getByRole('button', { name: `Save as version ${String(version)}` }).click();
  await expect(page.getByText(`Saved as version ${String(version)}.`)).toBeVisible();
  return ((await (await page.request.get(`${url}/api/soups/${LEEK}`)).json()) as { soup: Soup }).soup;
}

test('some of a line is held back and given back, and a step gets a tray of its own', async ({ page, server }) => {
  const quiet = watch(page);
  await open(page, server.url);
  const grain = page.locator('tt-gauge').filter({ hasText: 'Grain' });
  await page.getByLabel(/^Line: 1\.4 kg celeriac/).focus();
  await page.getByRole('button', { name: 'Hold some back' }).click();
  const lifted = page.getByRole('region', { name: 'Hold back celeriac' });
  await expect(lifted).toBeVisible();
  await expect(page.getByRole('region', { name: 'Give back celeriac' })).toBeVisible();
  await expect(grain).toContainText('coarse');
  const share = lifted.getByRole('spinbutton');
  await share.fill('25');
  await share.blur();
  await expect(page.getByRole('table', { name: /Ribbon of the batch/ })).toContainText(/Give back celeriac\s*celeriac 2\d\d g/);

  await page
    .getByRole('region', { name: 'Trim', exact: true })
    .getByLabel(/^Line: /)
    .first()
    .focus();
  await page.getByRole('region', { name: 'Trim', exact: true }).getByRole('button', { name: 'Step after' }).click();
  await page.getByRole('button', { name: 'This one on a tray of its own' }).click();
  await expect(page.getByRole('region', { name: 'Roast' })).toContainText('on the tray');
  const soup = await saved(page, server.url, 2);
  const steps = walk(soup.root);
  expect(steps.find(({ step }) => step.op === 'roast')?.branch.vessel).toBe('tray');
  expect(steps.flatMap(({ step }) => (step.op === 'takeOut' ? [step.share, step.keep] : []))).toEqual([0.25, true]);
  quiet();
});

test('a step is shown to a junior by a photo and a note; what is no picture is refused', async ({ page, server }) => {
  const quiet = watch(page);
  await open(page, server.url);
  const sweat = page.getByRole('region', { name: 'Sweat' });
  await sweat.getByRole('spinbutton').focus();
  const picture = await page.screenshot();
  const file = sweat.getByLabel('Photo of Sweat');
  await file.setInputFiles({ name: 'page.png', mimeType: 'image/png', buffer: Buffer.from('<script>alert(1)</script>') });
  await expect(sweat.getByRole('alert')).toContainText('page.png can’t be opened as a picture');
  await file.setInputFiles({ name: 'pan.png', mimeType: 'image/png', buffer: picture });
  await expect(sweat.getByRole('img', { name: 'Photo of Sweat' })).toBeVisible();
  await expect(sweat.getByRole('alert')).toHaveCount(0);
  await sweat.getByLabel('Note at Sweat').fill('No colour: turn it down when it hisses.');
  await sweat.getByLabel('Note at Sweat').blur();
  const soup = await saved(page, server.url, 2);
  const photo = walk(soup.root).find(({ step }) => step.op === 'sweat')?.step.photo ?? '';
  expect(photo).toMatch(/^[0-9a-f]{64}$/);
  const bytes = await page.request.get(`${server.url}/api/photos/${photo}`);
  expect(bytes.headers()['content-type']).toBe('image/jpeg');
  expect((await bytes.body()).length).toBeLessThan(400_000);
  await expect(page.getByRole('img', { name: 'Photo of Sweat' })).toBeVisible();
  await expect(page.getByText('No colour: turn it down when it hisses.')).toBeVisible();
  await option(page, 'More').click();
  await expect(page.getByText('They stay in this kitchen.').first()).toBeVisible();
  expect(await faults(page)).toEqual([]);
  quiet();
});

test('two lines typed one after the other, faster than they are worked out, are both in', async ({ page, server }) => {
  await open(page, server.url);
  const type = (label: RegExp, text: string) =>
    page.getByLabel(label).evaluate((node, value) => {
      (node as HTMLInputElement).value = value;
      node.dispatchEvent(new Event('input', { bubbles: true }));
    }, text);
  await Promise.all([
    type(/^Line: 1\.4 kg celeriac/, '2 kg celeriac, peeled, 18 mm dice'),
    type(/^Line: 0\.6 kg leek/, '0.9 kg leek, white and pale green, sliced'),
  ]);
  const soup = await saved(page, server.url, 2);
  const amountOf = (id: string): unknown => soup.lines.find((line) => line.id === id)?.amount;
  expect(amountOf('celeriac')).toEqual({ rule: 'scaled', amount: { value: 2, unit: 'kg' } });
  expect(amountOf('leek')).toEqual({ rule: 'scaled', amount: { value: 0.9, unit: 'kg' } });
});

for (const [format, width] of [
  ['A4', 718],
  ['Letter', 740],
] as const) {
  test(`card and pull list print whole on ${format}, in ink on white`, async ({ page, server }) => {
    await page.goto(`${server.url}/shelf/${LEEK}`);
    await expect(page.getByRole('heading', { name: 'One bowl' })).toBeVisible();
    const printed = async (): Promise<{ height: number; inView: number; wide: boolean; ground: string }> => {
      await page.emulateMedia({ media: 'print' });
      await page.setViewportSize({ width, height: 980 });
      return page.evaluate(() => ({
        height: document.documentElement.scrollHeight,
        inView: document.querySelector('.room')?.scrollHeight ?? 0,
        wide: document.documentElement.scrollWidth > document.documentElement.clientWidth,
        ground: getComputedStyle(document.body).backgroundColor,
      }));
    };
    const card = await printed();
    expect(card.ground).toBe('rgb(255, 255, 255)');
    expect(card.wide).toBe(false);
    // Nothing is cut off by a frame that scrolls: the paper is as long as what is in it.
    expect(card.height).toBeGreaterThanOrEqual(card.inView);
    await expect(page.getByRole('table', { name: /Ribbon/ }).getByRole('row')).toHaveCount(13);
    await expect(page.getByRole('navigation')).toBeHidden();
    const pages = (await page.pdf({ format })).toString('latin1').match(/\/Type\s*\/Page\b/g)?.length ?? 0;
    expect(pages).toBeGreaterThanOrEqual(1);
    expect(pages).toBeLessThanOrEqual(2);

    await page.emulateMedia({ media: 'screen' });
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.goto(`${server.url}/plan/${LEEK}`);
    await page.getByRole('button', { name: '40', exact: true }).click();
    await page.locator('caption').filter({ hasText: 'on the bench' }).waitFor();
    const list = await printed();
    expect(list.wide).toBe(false);
    expect(list.height).toBeGreaterThanOrEqual(list.inView);
    await expect(page.getByText(/^4[01] bowls of 300 g in the stockpot: 12(\.\d)? kg cooked/)).toBeVisible();
    await expect(page.getByRole('button', { name: 'Start this batch' })).toBeHidden();
    await expect(page.getByText('Hot fat: dry the pieces, keep water away.')).toBeVisible();
  });
}

test('figures of the pull list, the panel and the bowl can be asked why, by touch and by key', async ({ page, server }) => {
  await page.goto(`${server.url}/plan/${LEEK}`);
  await page.getByRole('button', { name: '40', exact: true }).click();
  const leek = page.getByRole('button', { name: /Leek: why\?$/ });
  await leek.focus();
  await page.keyboard.press('Enter');
  const sheet = page.getByRole('dialog');
  await expect(sheet).toContainText('To take from the shelves: leek');
  await expect(sheet).toContainText('Trim and cut the leek');
  await expect(sheet).toContainText('rounding to what can be bought and weighed');
  await page.keyboard.press('Escape');
  await expect(sheet).toHaveCount(0);
  await page.getByRole('button', { name: /contains: why\?$/ }).click();
  await expect(page.getByRole('dialog')).toContainText(/vegetable stock[\s\S]*celery|celery[\s\S]*vegetable stock/);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /boil: why\?$/ }).click();
  await expect(page.getByRole('dialog')).toContainText('Minutes to the boil');
});

test('a soup brings its own small cards: each with its minutes and what of it goes into a bowl', async ({ page, server }) => {
  await page.goto(`${server.url}/shelf/new`);
  await page.getByLabel('Open a file').setInputFiles(join(import.meta.dirname, '../examples/sweetcorn-smoked-chilli.json'));
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await expect(page.getByRole('heading', { name: 'One bowl' })).toBeVisible();
  const card = page.locator('article.side-card').first();
  await expect(card).toContainText('a card of its own');
  await expect(page.getByText('card:')).toHaveCount(0);
  await expect(card).toContainText(/\d+(\.\d+)? k?g, \d+(\.\d+)? g a bowl/);
  await expect(card.getByRole('heading')).toContainText(/min/);
});
