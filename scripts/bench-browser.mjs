/* global document, MessageChannel, requestAnimationFrame -- inside the page */
/** The bench's part in a browser: what a keystroke costs by the browser's own trace, and a big shelf and larder. */
import { findChromium, FLAGS } from './chromium.mjs';

const SLOWED = 4;
const KEYS = ' 1234567890';
const SOUPS = 1000;
const INGREDIENTS = 2000;
const CONTAINERS = 5000;
const AT_ONCE = 500;

const SCRIPT = ['FunctionCall', 'RunMicrotasks', 'EvaluateScript', 'FireAnimationFrame', 'TimerFire', 'FireIdleCallback'];
/** What the browser does of itself to put a letter in a field and show it. */
const DRAWING = ['UpdateLayoutTree', 'Layout', 'PrePaint', 'Paint', 'Layerize', 'Commit'];

/**
 * Milliseconds of the page's main thread by a trace: calls of script, task by task, and what the browser lays out and
 * paints. The dispatch of an event is not counted as such, since putting a letter into its field and laying that out goes
 * on inside it; the script that listens is.
 */
function workOf(trace) {
  const { traceEvents } = JSON.parse(trace.toString('utf8'));
  const main = traceEvents.find((event) => event.name === 'thread_name' && event.args.name === 'CrRendererMain');
  const outermost = (names) => {
    const calls = traceEvents
      .filter((event) => event.ph === 'X' && event.pid === main?.pid && event.tid === main?.tid && names.includes(event.name))
      .sort((a, b) => a.ts - b.ts || b.dur - a.dur);
    const outer = [];
    let end = 0;
    for (const { ts, dur } of calls) {
      if (ts < end) continue;
      outer.push(dur / 1000);
      end = ts + dur;
    }
    return outer;
  };
  const sum = (list) => list.reduce((total, ms) => total + ms, 0);
  const script = outermost(SCRIPT);
  return { all: sum(script), longest: Math.max(0, ...script), drawing: sum(outermost(DRAWING)) };
}

async function keystrokes(browser, page, url) {
  await page.goto(`${url}/shelf/beetroot-horseradish`);
  await page.getByText('One bowl').waitFor();
  await page.keyboard.press('e');
  const line = page.getByLabel(/^Line: 1\.75 kg/);
  await line.waitFor();
  await line.focus();
  await page.keyboard.press('End');
  const cdp = await page.context().newCDPSession(page);
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: SLOWED });
  const times = [];
  for (const key of KEYS) {
    await browser.startTracing(page, { categories: ['devtools.timeline', 'v8.execute'] });
    await page.keyboard.press(key === ' ' ? 'Space' : key);
    await page.waitForTimeout(900);
    times.push(workOf(await browser.stopTracing()));
  }
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: 1 });
  // The first stroke pays for what is compiled only once.
  const warm = times.slice(1).sort((a, b) => a.all - b.all);
  return { median: warm[Math.floor(warm.length / 2)], worst: warm.at(-1) };
}

const LADLES = 12;

/** @returns milliseconds from a ladle's key until the frame in which the kilos still to pour have changed, the first left out. */
async function ladles(page, url) {
  await page.goto(`${url}/plan/celeriac-leek-apple`);
  await page.getByRole('button', { name: '80', exact: true }).click();
  await page.getByRole('button', { name: /Start this batch/ }).click();
  const title = page.locator('section.step h2');
  await title.waitFor();
  while (!((await title.textContent()) ?? '').startsWith('Pour')) {
    const before = await title.textContent();
    await page.keyboard.press('Enter');
    await page.waitForFunction((text) => document.querySelector('section.step h2')?.textContent !== text, before);
  }
  const cdp = await page.context().newCDPSession(page);
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: SLOWED });
  const times = [];
  for (let n = 0; n < LADLES; n++) {
    const shown = page.evaluate(
      () =>
        new Promise((resolve) => {
          const digits = document.querySelector('.digits');
          const before = digits?.textContent;
          document.addEventListener(
            'keydown',
            () => {
              const started = performance.now();
              const look = () => {
                if (document.querySelector('.digits')?.textContent === before) requestAnimationFrame(look);
                else requestAnimationFrame(() => resolve(performance.now() - started));
              };
              look();
            },
            { once: true, capture: true },
          );
        }),
    );
    await page.waitForTimeout(300);
    await page.keyboard.press('1');
    times.push(await shown);
  }
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: 1 });
  const warm = times.slice(1).sort((a, b) => a - b);
  return { median: warm[Math.floor(warm.length / 2)], worst: warm.at(-1) };
}

const LONG = 20_000;

/** @returns milliseconds until a batch of very many entries stands on the screen, at the stove and in the ledger, slowed. */
async function longBatch(page, { url, post, id }) {
  await post('/plans', {
    id: id(7),
    soupId: 'beetroot-horseradish',
    version: 1,
    request: { bowls: 80, bowlG: 300, potId: 'boiler-40' },
  });
  await post('/batches', { id: id(8), planId: id(7) });
  for (let from = 0; from < LONG; from += AT_ONCE) {
    const entries = Array.from({ length: AT_ONCE }, (_, n) => ({
      id: id(1_000_000 + from + n),
      shape: 2,
      stamp: { counter: from + n + 1, device: 'bench', seq: from + n },
      atMs: from + n,
      who: '',
      action: { kind: 'poured', stepId: 'cover', line: 'stock', vessel: 'Ladle', volumeM3: 0.000_001 },
    }));
    await post(`/batches/${id(8)}/entries`, { entries });
  }
  const cdp = await page.context().newCDPSession(page);
  const times = {};
  for (const [place, shown] of Object.entries({ stove: 'section.step h2', ledger: 'section.entries' })) {
    // Once before, so that what is loaded only once is here.
    await page.goto(`${url}/${place}/${id(8)}`);
    await page.locator(shown).first().waitFor();
    await page.getByRole('link', { name: 'Cold' }).click();
    await page.getByRole('heading', { name: 'Cold' }).first().waitFor();
    await cdp.send('Emulation.setCPUThrottlingRate', { rate: SLOWED });
    times[place] = await page.evaluate(
      (wanted) =>
        new Promise((resolve) => {
          const started = performance.now();
          history.back();
          const look = () => {
            if (document.querySelector(wanted) === null) requestAnimationFrame(look);
            else requestAnimationFrame(() => resolve(performance.now() - started));
          };
          look();
        }),
      shown,
    );
    await cdp.send('Emulation.setCPUThrottlingRate', { rate: 1 });
  }
  return times;
}

/** @returns milliseconds from typing until a frame after the list has changed. */
async function found(page, field, text, wanted) {
  await field.fill('');
  await page.waitForTimeout(400);
  const started = Date.now();
  await field.fill(text);
  await page.waitForFunction(wanted.test, wanted.what);
  return Date.now() - started;
}

/** @returns milliseconds until a full cold store has been asked of the server, and until its first tubs are drawn, slowed. */
async function coldStore(page, { url, post, get }) {
  const { contents } = await get('/cold');
  const store = { id: 'fridge', name: 'Fridge', kind: 'fridge' };
  const id = (n) => `00000000-0000-4000-9000-${n.toString(16).padStart(12, '0')}`;
  const nowMs = Date.now();
  for (let from = 0; from < CONTAINERS; from += AT_ONCE) {
    const entries = Array.from({ length: AT_ONCE }, (_, n) => ({
      of: 'stock',
      id: id(100_000 + from + n),
      shape: 1,
      stamp: { counter: from + n + 1, device: 'bench', seq: from + n },
      atMs: nowMs,
      who: '',
      action: {
        kind: 'filled',
        container: id(from + n),
        kg: 0.9,
        vessel: 'Tub',
        madeMs: nowMs - ((from + n) % 6) * 86_400_000,
        store,
        contents: contents[(from + n) % contents.length],
      },
    }));
    await post('/cold/entries', { entries });
  }
  const asked = performance.now();
  await get('/cold');
  const serverMs = performance.now() - asked;
  // Once before, so that what is loaded only once is here; then from the stove to the cold by its link.
  await page.goto(`${url}/cold`);
  await page.locator('tt-tub').first().waitFor();
  await page.getByRole('link', { name: 'Stove' }).click();
  await page.getByRole('heading', { name: 'Stove' }).waitFor();
  const cdp = await page.context().newCDPSession(page);
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: SLOWED });
  // By the page's own clock, from the touch until the first tubs are drawn; the best of three, as a warm page is.
  const times = [];
  for (let n = 0; n < 3; n++) {
    times.push(
      await page.evaluate(
        () =>
          new Promise((resolve) => {
            const started = performance.now();
            const look = () => {
              if (document.querySelector('tt-tub') === null) requestAnimationFrame(look);
              // A message comes behind the drawing of the frame that it was sent from.
              else {
                const { port1, port2 } = new MessageChannel();
                port1.onmessage = () => resolve(performance.now() - started);
                port2.postMessage(0);
              }
            };
            document.querySelector('a[href="/cold"]')?.click();
            look();
          }),
      ),
    );
    await page.getByRole('link', { name: 'Stove' }).click();
    await page.getByRole('heading', { name: 'Stove' }).waitFor();
  }
  const screenMs = Math.round(Math.min(...times));
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: 1 });
  return { serverMs, screenMs };
}

/** Figures of the web in a browser, as rows of the bench. `post` and `put` talk to the server that `url` is of. */
export async function benchBrowser({ url, post, put, get, id }) {
  const executablePath = findChromium();
  if (executablePath === undefined) return [{ name: 'browser', figure: 'no Chromium here', goal: '' }];
  const { chromium } = await import('@playwright/test');
  const browser = await chromium.launch({ executablePath, args: FLAGS });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const { median, worst } = await keystrokes(browser, page, url);
    const ladle = await ladles(page, url);
    const long = await longBatch(page, { url, post, id });
    // Nobody looks on while the kitchen is filled: what is measured is opening it.
    await page.goto('about:blank');
    const { soups } = await get('/soups');
    for (let n = 0; n < SOUPS - soups.length; n++) {
      const { soup } = soups[n % soups.length];
      await post('/soups', { soup: { ...soup, id: `bench-${n}`, name: `${soup.name} ${n}` }, basedOn: 0, note: '' });
    }
    const { rows } = await get('/larder');
    for (let n = 0; n < INGREDIENTS - rows.length; n++) {
      const row = rows[n % rows.length];
      await put(`/larder/bench-${n}`, {
        row: { ...row, id: `bench-${n}`, name: `${row.name} ${n}`, us: undefined, au: undefined, aka: undefined },
        why: 'bench',
      });
    }
    const opened = Date.now();
    await page.goto(`${url}/shelf`);
    await page.getByRole('link').filter({ hasText: 'Beetroot' }).first().waitFor();
    const shelfMs = Date.now() - opened;
    const drawn = await page.locator('.board a').count();
    const soupMs = await found(page, page.getByRole('searchbox'), 'swede & barley 6', {
      test: (text) => [...document.querySelectorAll('.board .soup-name')].every((node) => node.textContent.startsWith(text)),
      what: 'Swede',
    });
    await page.goto(`${url}/larder`);
    await page
      .getByRole('button', { name: /^Beetroot/ })
      .first()
      .waitFor();
    const foodMs = await found(page, page.getByLabel('Find an ingredient'), 'courgette', {
      test: (text) => [...document.querySelectorAll('.row .name')].every((node) => node.textContent.startsWith(text)),
      what: 'Courgette',
    });
    const cold = await coldStore(page, { url, post, get });
    return [
      { name: `cold store of ${CONTAINERS} containers: asked of the server`, figure: `${cold.serverMs.toFixed(0)} ms`, goal: '' },
      {
        name: `cold store of ${CONTAINERS} containers: first tubs, ${SLOWED}x slowed CPU`,
        figure: `${cold.screenMs} ms`,
        goal: '100 ms',
      },
      {
        name: `a keystroke in a line, script at ${SLOWED}x slowed CPU: median`,
        figure: `${median.all.toFixed(1)} ms`,
        goal: '16 ms',
      },
      { name: 'the same, longest single task: median', figure: `${median.longest.toFixed(1)} ms`, goal: '16 ms' },
      { name: 'the same: worst of ten', figure: `${worst.all.toFixed(1)} ms`, goal: '16 ms' },
      { name: 'the same: layout and paint of the browser', figure: `${median.drawing.toFixed(1)} ms`, goal: '' },
      {
        name: `a ladle until its kilos are on the screen, ${SLOWED}x slowed CPU: median`,
        figure: `${ladle.median.toFixed(0)} ms`,
        goal: '100 ms',
      },
      { name: 'the same: worst of eleven', figure: `${ladle.worst.toFixed(0)} ms`, goal: '100 ms' },
      {
        name: `a batch of ${LONG} entries at the stove, ${SLOWED}x slowed CPU`,
        figure: `${long.stove.toFixed(0)} ms`,
        goal: '500 ms',
      },
      { name: `the same in the ledger`, figure: `${long.ledger.toFixed(0)} ms`, goal: '500 ms' },
      { name: `shelf of ${SOUPS} soups: first bowls`, figure: `${shelfMs} ms`, goal: 'immediate' },
      { name: `shelf of ${SOUPS} soups: bowls in the page`, figure: String(drawn), goal: 'few' },
      { name: `finding among ${SOUPS} soups`, figure: `${soupMs} ms`, goal: 'immediate' },
      { name: `finding among ${INGREDIENTS} ingredients`, figure: `${foodMs} ms`, goal: 'immediate' },
    ];
  } finally {
    await browser.close();
  }
}
