import { expect, faults, test, watch } from './kitchen';

const PLACES = [
  '/board',
  '/shelf',
  '/shelf/beetroot-horseradish',
  '/shelf/new',
  '/plan',
  '/plan/beetroot-horseradish',
  '/stove',
  '/cold',
  '/ledger',
  '/ledger/over-time',
  '/ledger/month',
  '/ledger/learnt',
  '/larder',
  '/kit',
  '/nowhere',
];

test('axe finds nothing on any place, and nothing leaves the machine', async ({ page, server }) => {
  const quiet = watch(page, /404/);
  const list = (await (await page.request.get(`${server.url}/api/batches`)).json()) as { batches: { id: string }[] };
  const id = list.batches[0]?.id ?? '';
  for (const place of [...PLACES, `/ledger/${id}`, `/stove/${id}`]) {
    await page.goto(server.url + place);
    await page.getByRole('heading').first().waitFor();
    await expect(page.getByText(/Fetching/)).toHaveCount(0);
    expect(await faults(page), place).toEqual([]);
  }
  quiet();
});

test('axe finds nothing at the stove with a dialog open, nor in the drawer', async ({ page, server }) => {
  await page.goto(`${server.url}/plan/celeriac-leek-apple`);
  await page.getByRole('button', { name: '40', exact: true }).click();
  await page.getByRole('button', { name: /Start this batch/ }).click();
  await page.locator('.step h2').waitFor();
  expect(await faults(page)).toEqual([]);
  await page.keyboard.press('w');
  await expect(page.getByRole('dialog')).toHaveAccessibleName(/\w{3}/);
  expect(await faults(page, { within: 'nz-modal-container' })).toEqual([]);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.getByRole('button', { name: /Gannet Quay/ }).click();
  await page.getByRole('dialog').getByText('Larder').waitFor();
  expect(await faults(page, { within: '.ant-drawer' })).toEqual([]);
});

test('the six places are a key away', async ({ page, server }) => {
  await page.goto(`${server.url}/shelf`);
  await page.getByRole('link', { name: /Celeriac/ }).waitFor();
  for (const [key, path] of [
    ['b', 'board'],
    ['s', 'shelf'],
    ['p', 'plan'],
    ['t', 'stove'],
    ['c', 'cold'],
    ['l', 'ledger'],
  ] as const) {
    await page.keyboard.press('g');
    await page.keyboard.press(key);
    await expect(page).toHaveURL(new RegExp(`/${path}$`));
  }
  await page.keyboard.press('g');
  await page.keyboard.press('c');
  await expect(page.getByRole('heading', { name: /^Fridge/ })).toBeVisible();
  await page.getByRole('button', { name: /Gannet Quay/ }).click();
  await expect(page.getByRole('dialog')).toContainText('Larder');
});

test('a drawer that is left by one of its links does not take the focus back from what is typed in next', async ({
  page,
  server,
}) => {
  await page.goto(`${server.url}/shelf`);
  await page.getByRole('link', { name: /Celeriac/ }).waitFor();
  const door = page.getByRole('button', { name: /Gannet Quay/ });
  const beetroot = page.getByRole('button', { name: /^Beetroot/ });
  for (let n = 0; n < 3; n++) {
    await door.press('Enter');
    await page.getByRole('link', { name: /^Larder/ }).press('Enter');
    await beetroot.first().waitFor();
    await page.keyboard.press('/');
    await page.keyboard.type('carrot', { delay: 80 });
    await expect(page.getByRole('searchbox', { name: 'Find an ingredient' })).toHaveValue('carrot');
    await expect(beetroot).toHaveCount(0);
    await page.keyboard.press('Escape');
    await page.goto(`${server.url}/shelf`);
  }
});

test('the big figure is 48 px or more, targets at the stove 56 px, the hand bar in view', async ({ page, server }) => {
  await page.goto(`${server.url}/plan/celeriac-leek-apple`);
  await page.getByRole('button', { name: '40', exact: true }).click();
  await page.getByRole('button', { name: /Start this batch/ }).click();
  await page.locator('.digits').waitFor();
  expect(
    await page.locator('.digits').evaluate((node) => Number.parseFloat(getComputedStyle(node).fontSize)),
  ).toBeGreaterThanOrEqual(48);
  for (const target of await page.locator('.stove button:visible, .dock a, .dock button').all()) {
    const box = await target.boundingBox();
    expect(box?.height ?? 0, (await target.textContent()) ?? '').toBeGreaterThanOrEqual(55.5);
  }
  await expect(page.locator('tt-hand-bar')).toBeInViewport({ ratio: 1 });
  // On a smaller tablet, with a timer running, nothing stands over its edge and the hand bar is where it was.
  await page.keyboard.press('f');
  await page.locator('#amount').fill('3');
  await page.keyboard.press('Enter');
  await page.getByRole('region', { name: 'Timer Timer 1' }).waitFor();
  for (const [width, height] of [
    [1280, 800],
    [1024, 768],
  ] as const) {
    await page.setViewportSize({ width, height });
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width);
    await expect(page.locator('tt-hand-bar')).toBeInViewport({ ratio: 1 });
    const bar = (await page.locator('tt-hand-bar').boundingBox())!;
    const dock = (await page.locator('.dock').boundingBox())!;
    expect(Math.abs(bar.y + bar.height - dock.y)).toBeLessThan(2);
    for (const button of await page.locator('tt-hand-bar button').all()) {
      const box = (await button.boundingBox())!;
      expect(box.x + box.width).toBeLessThanOrEqual(width);
    }
  }
});

test('finds by typing, "no" turns it round', async ({ page, server }) => {
  await page.goto(`${server.url}/shelf`);
  await expect(page.getByRole('link', { name: /Parsnip/ })).toContainText('milk');
  const soups = page.locator('.board a');
  await page.getByRole('searchbox').fill('no cream');
  await expect(soups).toHaveCount(2);
  await expect(soups.first()).toContainText('Parsnip');
  await expect(soups.last()).toContainText('Swede');
  await page.getByRole('searchbox').fill('lettuce');
  await expect(soups).toHaveCount(1);
  await page.getByRole('searchbox').fill('quince');
  await expect(page.getByText('No soup on the shelf answers that.')).toBeVisible();
  await page.getByRole('button', { name: 'Show all' }).click();
  await expect(soups).toHaveCount(8);
});
