/* global document -- inside the page */
/** `npm run shots`: the documentation's screenshots, taken from the demo data in a browser that nobody sees. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startServer } from './real-server.mjs';
import { build, checkNode, install, ROOT, stop } from './ready.mjs';
import { findChromium, FLAGS } from './chromium.mjs';

checkNode();
install();
build();
const executablePath = findChromium();
if (executablePath === undefined) stop('No Chromium here. On Debian: apt-get install chromium.');
const { chromium } = await import('@playwright/test');

const only = process.argv.slice(2);
const data = mkdtempSync(join(tmpdir(), 'tureen-shots-'));
const { server, url } = await startServer(join(data, 'demo.sqlite'), '--demo');

const browser = await chromium.launch({ executablePath, args: FLAGS });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
page.on('pageerror', (error) => process.stderr.write(`${error.message}\n`));

/** A soup as somebody might paste it, with its method and one thing in it that has to be asked. */
const WRITTEN = `Celeriac, quince & rye
Serves 6

800 g celeriac, peeled and cubed
1 quince, peeled and sliced
1 leek, sliced
40 g butter
1 tsp ground caraway
2 bay leaves
100 ml cider
1 litre water or light stock
60 ml soured cream

Roast the celeriac at 190 °C for 40 minutes, the quince joining after 15. Meanwhile sweat the leek in the butter with the bay until soft, about 8 minutes; stir in the caraway for a minute. Loosen with the cider, tip in the tray, pour on stock to just cover, bring to the boil and simmer 12 minutes. Lift out the bay. Blend in batches until smooth, stir in the soured cream and season.`;

async function shoot(name) {
  if (only.length > 0 && !only.includes(name)) return;
  await page.waitForTimeout(250);
  await page.screenshot({ path: join(ROOT, 'docs/screenshots', `${name}.png`) });
  process.stdout.write(`docs/screenshots/${name}.png\n`);
}

async function done(times) {
  for (let n = 0; n < times; n++) {
    const before = await page.locator('.step h2').textContent();
    await page.keyboard.press('Enter');
    await page.waitForFunction((text) => document.querySelector('.step h2')?.textContent !== text, before);
  }
}

try {
  await page.goto(`${url}/shelf`);
  await page.getByText('Beetroot & horseradish').waitFor();
  await page.waitForTimeout(800);
  await shoot('shelf');
  await page.goto(`${url}/board`);
  await page.getByText(/On time, with/).waitFor();
  await page.waitForTimeout(2500);
  await shoot('board');
  await page.getByRole('link', { name: 'Shop' }).click();
  await page.getByText('Tideway Greens').waitFor();
  await page.waitForTimeout(600);
  await shoot('board-shop');
  await page.goto(`${url}/shelf/new`);
  await page.getByLabel('Type or paste').fill(WRITTEN);
  await page.getByText(/things to do understood/).waitFor();
  await page.waitForTimeout(600);
  await page.locator('tt-method-steps .card').nth(2).click();
  await shoot('new-soup');
  await page.goto(`${url}/shelf/beetroot-horseradish`);
  await page.getByText('One bowl').waitFor();
  await shoot('card');
  await page.keyboard.press('e');
  await page.getByLabel(/^Line: 1\.75 kg/).fill('2.2 kg beetroot, peeled, wedges');
  await page.waitForTimeout(500);
  await shoot('card-edit');
  await page.goto(`${url}/larder`);
  await page.getByRole('button', { name: /^Celeriac/ }).click();
  await page.getByText('Trimming leaves').waitFor();
  await shoot('larder');
  await page.goto(`${url}/kit`);
  await page.getByText('Prices in').waitFor();
  await shoot('kit');
  await page.goto(`${url}/shelf/beetroot-horseradish`);
  await page.getByText('One bowl').waitFor();
  await page.keyboard.press('p');
  await page.getByRole('button', { name: '80', exact: true }).click();
  await page.getByText('on the bench').waitFor();
  await page.waitForTimeout(600);
  await shoot('plan');
  await page.keyboard.press('3');
  await page.getByText('Bowls to count on').waitFor();
  await page.keyboard.press('1');
  await page.getByRole('button', { name: /Start this batch/ }).click();
  await page.getByText('The step in hand').or(page.locator('.step h2')).first().waitFor();
  await page.keyboard.press('Escape');
  await done(5);
  await page.keyboard.press('4');
  await page.getByText(/Measuring jug of/).waitFor();
  await page.waitForTimeout(300);
  await shoot('stove-pour');
  await page.keyboard.press('3');
  await page.keyboard.press('3');
  await page.waitForTimeout(400);
  await done(6);
  await page.waitForTimeout(300);
  await done(1);
  const stove = page.url();
  await page.goto(`${url}/plan/base-two-ways`);
  await page.getByRole('button', { name: '40', exact: true }).click();
  await page.getByRole('button', { name: /Start this batch/ }).click();
  await page.locator('.step h2').waitFor();
  const to = async (wanted) => {
    while (!((await page.locator('.step h2').textContent()) ?? '').startsWith(wanted)) await done(1);
  };
  await to('Blend');
  await page.getByRole('button', { name: /Jug done/ }).click();
  await page.evaluate(() => document.activeElement?.blur());
  await page.waitForTimeout(3500);
  await to('Ladle into');
  await page.getByRole('group', { name: 'Creamed bowls' }).getByRole('button', { name: '+10' }).click();
  await page.waitForTimeout(500);
  await shoot('stove-dish');
  await page.goto(stove);
  await page.locator('.step h2').waitFor();
  await page.goto(`${url}/wall`);
  await page.getByText('bowls left').first().waitFor();
  await page.waitForTimeout(600);
  await shoot('wall');
  await page.goto(`${url}/ledger`);
  await page.getByText('yield cooked').waitFor();
  await shoot('ledger');
  const record = await page.locator('tr', { hasText: 'unlike the others' }).last().getByRole('link').first().getAttribute('href');
  await page.goto(`${url}${record}`);
  await page.getByText('It does not add up').waitFor();
  await shoot('ledger-record');
  await page.goto(`${url}/ledger/over-time`);
  await page.getByText(/On average/).waitFor();
  await page.waitForTimeout(600);
  await shoot('ledger-over-time');
  await page.goto(`${url}/ledger/learnt`);
  await page.getByRole('button', { name: 'celeriac, peeled' }).click();
  await shoot('ledger-learnt');
  await page.goto(`${url}/cold`);
  await page.getByText('soonest first').first().waitFor();
  await page.waitForTimeout(600);
  await shoot('cold');
  await page.goto(`${url}/cold/cool`);
  await page.getByText('nine of ten within').first().waitFor();
  await page.getByLabel('how much, kg').fill('12');
  await page
    .getByText(/^\s*2 × wide shallow pan/)
    .first()
    .waitFor();
  await page.locator('nz-select').first().click();
  await page.getByText('Squash', { exact: false }).last().click();
  await page.locator('.way').filter({ hasText: '2 × wide shallow pan' }).first().click();
  await page.getByRole('button', { name: /watch it cool/ }).click();
  await page.getByText('Cooling now').waitFor();
  await page.locator('tt-cooling-chart').waitFor();
  await page.waitForTimeout(600);
  await shoot('cold-watch');
  await page.goto(`${url}/practice/bench`);
  await page.getByRole('button', { name: 'Begin Too thick' }).click();
  await page.locator('.step h2').waitFor();
  await page.keyboard.press('Escape');
  await to('Ladle into');
  await page.getByRole('link', { name: 'How did it go' }).click();
  await page.getByText('What would have landed it').waitFor();
  await page.waitForTimeout(600);
  await shoot('bench');
} finally {
  await browser.close();
  server.kill();
  rmSync(data, { recursive: true, force: true });
}
