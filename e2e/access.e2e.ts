import { join } from 'node:path';
import { choose, expect, faults, test, watch } from './kitchen';

const FIXTURES = join(import.meta.dirname, 'fixtures');

test('an ingredient is found by any of its names, corrected with its source, and taken back', async ({ page, server }) => {
  const quiet = watch(page, /status of 422/);
  await page.goto(`${server.url}/larder`);
  await page.getByLabel('Find an ingredient').fill('zucchini');
  await page.getByRole('button', { name: /^Courgette/ }).click();
  const fat = page.getByRole('spinbutton', { name: 'fat' });
  await fat.waitFor();
  const was = Number(await fat.inputValue());
  await fat.fill('9');
  await fat.press('Tab');
  await expect(page.getByText(/has to be 100 g/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Save the correction' })).toBeDisabled();
  await fat.fill(String(was + 0.3));
  await fat.press('Tab');
  await page.getByRole('button', { name: 'Save the correction' }).click();
  await expect(page.getByRole('alert')).toContainText('Say where the new figures are from');
  await page.getByLabel('Source of the correction').fill('the label of our box');
  await page.getByRole('button', { name: 'Save the correction' }).click();
  await expect(page.getByText('Saved. The original is kept beside it.')).toBeVisible();
  await expect(page.getByText(`was ${String(was)}`)).toBeVisible();
  await page.getByRole('button', { name: 'Back to what ships' }).click();
  await expect(fat).toHaveValue(String(was));
  quiet();
});

test('prices come from a CSV, rows that can’t be taken are named, and the plan costs by them', async ({ page, server }) => {
  const quiet = watch(page);
  await page.goto(`${server.url}/larder`);
  await page.getByRole('button', { name: /^Beetroot/ }).waitFor();
  await page.locator('#prices-file').setInputFiles(join(FIXTURES, 'prices.csv'));
  await expect(page.getByText('2 prices taken from prices.csv, 1 rows not.')).toBeVisible();
  await expect(page.getByRole('alert')).toContainText('Row 4: moon dust is not in the larder');
  await page.getByRole('button', { name: /^Beetroot/ }).click();
  await expect(page.getByText('2026-01-05: £1.95 a kg, prices.csv')).toBeVisible();
  await page.getByLabel('Price by the kilo').fill('2.2');
  await page.getByRole('button', { name: 'Add the price' }).click();
  await expect(page.getByText(/£2\.20 a kg, by hand/)).toBeVisible();
  const rows = (
    (await (await page.request.get(`${server.url}/api/larder`)).json()) as { rows: { id: string; pricePerKg: number }[] }
  ).rows;
  expect(rows.find(({ id }) => id === 'beetroot')?.pricePerKg).toBe(2.2);
  expect(rows.find(({ id }) => id === 'double-cream')?.pricePerKg).toBe(5.2);
  quiet();
});

test('the kit: a pot’s boil-off by two weighings, a ladle by its water, altitude; nothing before Save', async ({
  page,
  server,
}) => {
  const quiet = watch(page);
  const kit = async (): Promise<{
    altitudeM: number;
    pots: { id: string; boilOff?: number }[];
    ladles: { volumeM3: number; weighed?: boolean }[];
  }> => ((await (await page.request.get(`${server.url}/api/kitchen`)).json()) as { kit: never }).kit;
  await page.goto(`${server.url}/kit`);
  await page.getByText('Measure a pot’s boil-off').click();
  await page.getByLabel('First weighing, kg').fill('10');
  await page.getByLabel('Second weighing, kg').fill('9.5');
  await page.getByLabel('Minutes between them').fill('30');
  // A 24 cm pot at a steady boil, lid off: 12 kg/(m2 h) over 0.04524 m2 is 0.543 kg an hour; 1 kg an hour is 1.84 of it.
  await expect(page.getByText('1.00 kg an hour: 1.84 times what is usual')).toBeVisible();
  await page.getByRole('button', { name: /Keep it with the saucepot/ }).click();
  await page.getByText('Check a ladle by weighing water').click();
  await page.getByLabel('Grams of water').fill('140');
  await expect(page.getByText('It holds 140 mL, +17 % against what was believed.')).toBeVisible();
  await page.getByRole('button', { name: 'Keep that' }).click();
  await page.getByLabel('Altitude').fill('1000');
  await page.getByLabel('Altitude').press('Tab');
  await expect(page.getByText(/water boils at 96\.[67] °C/)).toBeVisible();
  expect((await kit()).altitudeM).toBe(0);
  await page.getByRole('button', { name: 'Save the kit' }).click();
  await expect(page.getByText('The kit is saved.')).toBeVisible();
  const saved = await kit();
  expect(saved.altitudeM).toBe(1000);
  expect(saved.pots[0]?.boilOff).toBe(1.84);
  expect(saved.ladles[0]?.weighed).toBe(true);
  await choose(page, 'units', 'US');
  await expect(page.getByText(/water boils at 20[0-9.]+ °F/)).toBeVisible();
  quiet();
});

test('axe finds nothing in the dark either', async ({ page, server }) => {
  await page.goto(`${server.url}/shelf`);
  await page.getByRole('button', { name: /Gannet Quay/ }).click();
  await page.getByRole('button', { name: 'Dark screen' }).click();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
  for (const place of [
    '/shelf',
    '/shelf/new',
    '/shelf/beetroot-horseradish',
    '/plan',
    '/plan/beetroot-horseradish',
    '/stove',
    '/ledger',
    '/ledger/over-time',
    '/ledger/month',
    '/ledger/learnt',
    '/board',
    '/larder',
    '/kit',
  ]) {
    await page.goto(server.url + place);
    await page.getByRole('heading').first().waitFor();
    await expect(page.getByText(/Fetching/)).toHaveCount(0);
    if (place === '/plan/beetroot-horseradish') {
      await page.getByRole('button', { name: '80', exact: true }).click();
      await expect(page.getByText('on the bench')).toBeVisible();
    }
    if (place === '/shelf/beetroot-horseradish') {
      await page.getByRole('heading', { name: 'One bowl' }).waitFor();
      await page.keyboard.press('e');
      await page.getByLabel(/^Line: 1\.75 kg/).waitFor();
    }
    expect(await faults(page, { isDark: true }), place).toEqual([]);
  }
});
