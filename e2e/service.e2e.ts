import { begin, byTouch, kept, title, until } from './at-the-stove.js';
import { expect, faults, RealServer, test, watch, option } from './kitchen.js';

test.describe('by touch, on a small tablet', () => {
  test.use({ hasTouch: true, viewport: { width: 1024, height: 768 } });

  test('jugs, a cup, shares, the staff and the cold: closed, told to the counter, and put back into the card', async ({
    page,
    server,
  }) => {
    const quiet = watch(page);
    const batchId = await begin(page, server.url, 'base-two-ways');
    await until(page, /^Pour water/, byTouch);
    for (let n = 0; n < 2; n++) await page.getByRole('button', { name: /1 L of water/ }).tap();
    await until(page, /^Blend/, byTouch);

    // Too full a jug can't be entered without its reason in sight.
    await expect(page.getByText(/Fill to a third at 100 °C/)).toBeVisible();
    await page.getByRole('button', { name: 'three quarters', exact: true }).tap();
    await expect(page.getByRole('alertdialog')).toContainText('throws the lid off');
    await expect(page.getByRole('button', { name: /Jug done/ })).toHaveCount(0);
    expect(await faults(page, { within: 'section.step' })).toEqual([]);
    await page.getByRole('button', { name: 'I have read this' }).tap();
    await expect(page.locator('.count')).toContainText('Jug 2 of');
    await page.getByRole('button', { name: /Jug done, a third full/ }).tap();
    await expect(page.locator('.count')).toContainText('Jug 3 of');
    await page.getByRole('button', { name: /^Cold scoop/ }).tap();
    await expect(page.getByRole('status').filter({ hasText: '100 g of water added' })).toBeVisible();

    // 200 g of the pot liked with 2 g: a hundredth of what is left in it, two thirds first.
    await until(page, /^Salt to/, byTouch);
    await page.getByRole('button', { name: /^Taste/ }).tap();
    await option(page, 'Try in a cup').tap();
    await page.locator('#dose-g').fill('2');
    const advice = (await page.locator('.advice').textContent()) ?? '';
    const potKg = Number.parseFloat((await page.locator('.pot .mass').textContent()) ?? '');
    expect(Number(/that is ([\d.]+) g/.exec(advice)?.[1])).toBeCloseTo((potKg - 0.2) * 10, -1);
    await page.getByRole('button', { name: 'Liked: carry it to the pot' }).tap();
    await expect(page.locator('.aim')).toContainText('more fine salt, then stir and taste');

    await until(page, /^Ladle into/, byTouch);
    await page.getByRole('group', { name: 'Creamed bowls' }).getByRole('button', { name: '+10' }).tap();
    await page.getByRole('group', { name: 'Plain bowls' }).getByRole('button', { name: '+5' }).tap();
    await page.getByRole('button', { name: 'Second sitting' }).tap();
    await page.getByRole('group', { name: 'Creamed bowls' }).getByRole('button', { name: '+5' }).tap();
    await expect(page.locator('tt-dish-panel')).toContainText('Creamed 15 of');
    await page.getByRole('button', { name: /^Held, left over/ }).tap();
    await page.getByRole('button', { name: 'staff meal' }).tap();
    await page.locator('#amount').fill('1.2');
    await page.getByRole('button', { name: /^Enter it/ }).tap();
    await expect(page.locator('tt-dish-panel')).toContainText('staff meal 1.2 kg');
    await page.getByRole('button', { name: /^Held, left over/ }).tap();
    await page.getByRole('button', { name: 'left over, to the cold' }).tap();
    await expect(page.getByText('to 21 °C within 2 hours')).toBeVisible();
    await page.locator('#amount').fill('2.5');
    await page.getByRole('button', { name: /^Enter it/ }).tap();
    await expect(page.locator('tt-dish-panel')).toContainText('second sitting 5 bowls · staff meal 1.2 kg · to the cold 2.5 kg');

    await page.getByRole('link', { name: 'Counter card' }).tap();
    const card = (name: string) => page.locator('tt-share-cards li').filter({ hasText: name });
    await expect(card('Creamed')).toContainText('Contains milk');
    await expect(card('Plain')).toContainText('Contains none of the 14');
    await expect(card('Plain')).toContainText('vegan');
    await page.getByRole('link', { name: 'To the stove' }).tap();
    await page.getByRole('button', { name: /Close the batch/ }).tap();
    await page.locator('#amount').fill('0');
    await page.getByRole('button', { name: /^Enter it/ }).tap();
    await page.getByRole('link', { name: /See it in the Ledger/ }).tap();
    await expect(page.getByRole('row', { name: /staff meal/ })).toContainText('1.2 kg');

    const back = page.getByRole('region', { name: 'Put back into the card' });
    await expect(back.getByRole('button', { name: 'Save as a new version' })).toBeDisabled();
    await back.getByText(/^water: .* by weight, instead of to cover/).tap();
    await back.getByRole('button', { name: 'Save as a new version' }).tap();
    await expect(back.getByRole('status')).toContainText('Saved as version 2');
    const soup = (await (await fetch(`${server.url}/api/soups/base-two-ways`)).json()) as {
      soup: { lines: { ingredient: string; amount: { rule: string } }[] };
    };
    expect(soup.soup.lines.filter(({ ingredient, amount }) => ingredient === 'water' && amount.rule === 'scaled').length).toBe(1);

    await page.getByRole('link', { name: 'Cold' }).tap();
    await expect(page.getByRole('listitem').filter({ hasText: 'Plain base, two ways' })).toContainText('2.5 kg');
    const actions = (await kept(server.url, batchId)).entries.map(({ action }) => action);
    expect(
      actions.flatMap((action) => (action.kind === 'jugged' ? [[Number(action.fillShare.toFixed(2)), action.read]] : [])),
    ).toEqual([
      [0.75, true],
      [0.33, false],
    ]);
    quiet();
  });
});

test('any entry is taken back with its effect in sight; part of a ladle by holding; the wipe-lock; who did it', async ({
  page,
  server,
}) => {
  const quiet = watch(page);
  await page.goto(server.url);
  await page.getByRole('button', { name: /Gannet Quay/ }).click();
  await page.getByLabel(/Who stands at this screen/).fill('AB');
  await page.getByRole('button', { name: 'Close' }).click();
  const batchId = await begin(page, server.url, 'celeriac-leek-apple');
  await until(page, /^Pour vegetable stock/);
  const ladle = page.getByRole('button', { name: /500 mL of vegetable stock/ });
  await ladle.click();
  await expect(page.locator('.flash')).toHaveText(/^pot [\d.]+ kg → [\d.]+ kg/);
  await expect(page.locator('.flash')).toHaveCount(0, { timeout: 6000 });
  await ladle.hover();
  await page.mouse.down();
  await page.getByRole('button', { name: /^half of the/ }).waitFor();
  await page.mouse.up();
  await page.getByRole('button', { name: /^half of the/ }).click();
  await expect(page.getByRole('status').filter({ hasText: '50 % of' })).toBeVisible();
  await ladle.click();

  await page.keyboard.press('r');
  const record = page.getByRole('dialog');
  await record.getByRole('button', { name: /Take back: 250 mL of vegetable stock/ }).click();
  await expect(record.locator('.effect')).toContainText(/Without it: pot [\d.]+ kg → [\d.]+ kg/);
  await record.getByRole('button', { name: 'Take it back' }).click();
  await expect(record.getByRole('button', { name: /Take back: 250 mL/ })).toHaveCount(0);
  await page.keyboard.press('Escape');
  await expect(record).toHaveCount(0);

  await page.keyboard.press('l');
  const lock = page.getByRole('dialog', { name: 'Locked for wiping' });
  await page.keyboard.press('4');
  const open = lock.getByRole('button');
  await open.click();
  await expect(lock).toBeVisible();
  await open.hover();
  await page.mouse.down();
  await expect(lock).toHaveCount(0);
  await page.mouse.up();
  const { entries } = await kept(server.url, batchId);
  const poured = entries.flatMap(({ action, who }) => (action.kind === 'poured' ? [[action.volumeM3, who]] : []));
  expect(poured).toEqual([
    [0.0005, 'AB'],
    [0.00025, 'AB'],
    [0.0005, 'AB'],
  ]);
  quiet();
});

test.describe('without a network', () => {
  test.use({ serviceWorkers: 'allow' });

  test('thirty entries and a reload in the middle of them: nothing lost, nothing twice', async ({ page, server }) => {
    const batchId = await begin(page, server.url, 'celeriac-leek-apple');
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    // The worker has the whole application before the plug is pulled; then the page is under its care.
    await expect
      .poll(
        async () =>
          page.evaluate(async () =>
            (await Promise.all((await caches.keys()).map(async (key) => (await (await caches.open(key)).keys()).length))).reduce(
              (a, b) => a + b,
              0,
            ),
          ),
        { timeout: 60_000 },
      )
      .toBeGreaterThan(40);
    await page.reload();
    await until(page, /^Pour vegetable stock/);
    await expect(page.getByText('all saved')).toBeVisible();
    const before = (await kept(server.url, batchId)).entries.length;
    await server.kill();
    for (let n = 0; n < 15; n++) await page.keyboard.press('1');
    await expect(page.getByText(/15 kept here/).first()).toBeVisible();
    await page.reload();
    await expect(title(page)).toContainText('Pour vegetable stock');
    await expect(page.getByText(/15 kept here/).first()).toBeVisible();
    for (let n = 0; n < 15; n++) await page.keyboard.press('1');
    await expect(page.getByText(/30 kept here/).first()).toBeVisible();
    await server.start();
    await expect(page.getByText('all saved')).toBeVisible({ timeout: 60_000 });
    const { entries } = await kept(server.url, batchId);
    expect(entries.length - before).toBe(30);
    expect(entries.filter(({ action }) => action.kind === 'poured').length).toBe(30);
  });
});

test('the scale gives its weight by one touch; gone, its last word is named and not used', async ({ page, server }) => {
  await begin(page, server.url, 'celeriac-leek-apple');
  await until(page, /^Pour vegetable stock/);
  await page.getByRole('button', { name: /1 L of vegetable stock/ }).click();
  await page.keyboard.press('w');
  const offer = page.getByRole('button', { name: /From the simulated scale/ });
  await expect(offer).toContainText('at rest', { timeout: 30_000 });
  // The scale may see the ladle only now: what was offered at the touch is what is filled in, whichever it is.
  await expect(async () => {
    const shown = Number(/([\d.]+) kg/.exec((await offer.textContent()) ?? '')?.[1]);
    await offer.click();
    expect(Math.abs(Number(await page.locator('#amount').inputValue()) - shown)).toBeLessThan(0.1);
  }).toPass({ timeout: 20_000 });
  await page.getByRole('button', { name: /Enter it/ }).click();
  await expect(page.getByRole('status').filter({ hasText: /^\s*Weight of/ })).toBeVisible();

  // At rest it is taken by one touch beside the pot, or one key, with the pot's own weight taken off.
  await page.getByRole('button', { name: /^Scale: enter/ }).click({ timeout: 30_000 });
  await expect(page.getByText(/kg from the scale, tare 4\.5 kg taken off/)).toBeVisible();

  const off = await fetch(`${server.url}/api/devices/simulated-scale/commands`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ do: 'off' }),
  });
  expect(off.status).toBe(202);
  await page.keyboard.press('w');
  await expect(page.getByText(/The simulated scale is gone: its [\d.]+ kg of .* is not used/)).toBeVisible();
  await expect(offer).toHaveCount(0);
  // Less than the empty pot weighs is kept, flagged and not used.
  const before = await page.locator('.pot .mass').textContent();
  await page.locator('#amount').fill('1');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/1 kg is less than the empty pot: kept, not used/)).toBeVisible();
  await expect(page.locator('.pot .mass')).toHaveText(before ?? '');
  await page.keyboard.press('r');
  await expect(page.getByRole('dialog').getByRole('listitem').first()).toContainText('less than the empty pot, not used');
  await page.keyboard.press('Escape');
  await page.goto(`${server.url}/devices`);
  await expect(page.getByRole('listitem').filter({ hasText: 'Simulated scale' })).toContainText('gone');
  await page.getByRole('button', { name: 'Put its plug back' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Simulated scale' })).toContainText(/steady|at rest/);
});

test.describe('on the kitchen’s network', () => {
  test.use({ ignoreHTTPSErrors: true });

  test('HTTPS and a PIN stand before the stove and the wall', async ({ page }) => {
    const server = new RealServer(true, ['--host', '--pin', '2468']);
    await server.start();
    try {
      await page.goto(`${server.url}/wall`);
      await expect(page.getByRole('heading', { name: 'Kitchen PIN' })).toBeVisible();
      await page.getByLabel(/It was shown/).fill('1111');
      await page.keyboard.press('Enter');
      await expect(page.getByRole('alert')).toContainText('That is not the PIN');
      await page.getByLabel(/It was shown/).fill('2468');
      await page.keyboard.press('Enter');
      await expect(page.getByRole('link', { name: /Celeriac/ })).toBeVisible();
      expect(await page.evaluate(() => [window.isSecureContext, document.cookie])).toEqual([true, '']);
      await begin(page, server.url, 'celeriac-leek-apple');
      await until(page, /^Sweat/);
      await page.getByRole('button', { name: /Start the timer/ }).click();
      await expect(page.getByRole('region', { name: 'Timer Sweat' })).toContainText(/stir in \d:\d\d/);
      await page.goto(`${server.url}/wall`);
      const wall = page.getByRole('region', { name: /Celeriac/ });
      await expect(wall).toContainText('Sweat');
      await expect(wall).toContainText(/next: Trim/);
      await expect(wall).toContainText(/\d+ bowls left/);
      await expect(wall.locator('.now')).toHaveCSS('font-size', '84px');
    } finally {
      await server.end();
    }
  });
});
