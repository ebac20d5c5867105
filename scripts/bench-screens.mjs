/* global AbortController, Buffer, TextDecoderStream -- Node has them */
/** The bench's fifty screens: each listens, each enters five times a second, all on one server. */
import { Agent, request } from 'node:http';
const SCREENS = 50;
const EACH_PER_S = 5;
const SECONDS = 8;
const BATCHES = 10;
/** The first seconds warm the server up and are not counted. */
const WARM_S = 2;

const share = (sorted, at) => sorted[Math.floor(at * sorted.length)] ?? Number.NaN;

/** A stream that is read; `hear` is called with every change it brings. */
async function listen(url, stop, hear) {
  const { body } = await fetch(`${url}/api/stream`, { signal: stop });
  const reader = body.pipeThrough(new TextDecoderStream()).getReader();
  let rest = '';
  for (;;) {
    const { value, done } = await reader.read();
    if (done) return;
    if (hear === undefined) continue;
    const parts = (rest + value).split('\n\n');
    rest = parts.pop() ?? '';
    for (const part of parts) hear(part);
  }
}

/** A screen's outbox, as the web has it: one connection, one request at a time, what waits goes together. */
class Screen {
  constructor(url, batchId, taken) {
    this.url = `${url}/api/batches/${batchId}/entries`;
    this.agent = new Agent({ keepAlive: true, maxSockets: 1 });
    this.taken = taken;
    this.waiting = [];
    this.busy = undefined;
  }

  enter(entry) {
    this.waiting.push(entry);
    this.busy ??= this.sendAll().finally(() => {
      this.busy = undefined;
    });
    return this.busy;
  }

  async sendAll() {
    while (this.waiting.length > 0) {
      const entries = this.waiting.splice(0);
      await this.send(JSON.stringify({ entries }));
      for (const { id } of entries) this.taken(id);
    }
  }

  send(body) {
    return new Promise((resolve, reject) => {
      const headers = { 'content-type': 'application/json', 'content-length': Buffer.byteLength(body) };
      const asked = request(this.url, { method: 'POST', agent: this.agent, headers }, (answer) => {
        answer.resume();
        answer.on('end', () => (answer.statusCode === 200 ? resolve() : reject(new Error(String(answer.statusCode)))));
      });
      asked.on('error', reject);
      asked.end(body);
    });
  }
}

/** @returns rows of the bench: how long an entry took to be on disk, and to be heard on another screen. */
export async function benchScreens({ url, post, id }) {
  const stop = new AbortController();
  const sentAt = new Map();
  const acknowledged = [];
  const heard = [];
  const from = 50_000;
  for (let n = 0; n < BATCHES; n++) {
    await post('/plans', {
      id: id(from + n),
      soupId: 'celeriac-leek-apple',
      version: 1,
      ask: { bowls: 40, bowlG: 300, potId: 'boiler-40' },
    });
    await post('/batches', { id: id(from + 100 + n), planId: id(from + n) });
  }
  const streams = Array.from({ length: SCREENS }, (_, screen) =>
    listen(
      url,
      stop.signal,
      // One of them is read closely, the others only take what comes: the bench shares the machine with the server.
      screen !== 0
        ? undefined
        : (part) => {
            const now = performance.now();
            for (const [entry] of part.matchAll(/[0-9a-f]{8}-0000-4000-8000-[0-9a-f]{12}/g)) {
              const at = sentAt.get(entry);
              if (at === undefined) continue;
              sentAt.delete(entry);
              heard.push(now - at);
            }
          },
    ).catch(() => undefined),
  );
  await new Promise((resolve) => setTimeout(resolve, 500));
  const counted = SCREENS * EACH_PER_S * WARM_S;
  let made = 0;
  const enteredAt = new Map();
  const screens = Array.from(
    { length: SCREENS },
    (_, screen) =>
      new Screen(url, id(from + 100 + (screen % BATCHES)), (entry) => {
        const at = enteredAt.get(entry);
        if (at !== undefined) acknowledged.push(performance.now() - at);
      }),
  );
  const enter = (screen) => {
    const n = made++;
    const entry = `0${(0x1000000 + n).toString(16)}-0000-4000-8000-000000000000`;
    const action = { kind: 'poured', stepId: 'cover', line: 'stock', vessel: 'Ladle', volumeM3: 0.0003 };
    const stamp = { counter: n + 1, device: `bench-${screen}`, seq: n };
    if (n >= counted) {
      sentAt.set(entry, performance.now());
      enteredAt.set(entry, performance.now());
    }
    return screens[screen].enter({ id: entry, shape: 1, stamp, atMs: n, who: '', action });
  };
  const running = [];
  const begin = performance.now();
  for (let tick = 0; tick < SECONDS * EACH_PER_S; tick++) {
    for (let screen = 0; screen < SCREENS; screen++) {
      const due = begin + ((tick + screen / SCREENS) * 1000) / EACH_PER_S;
      const wait = due - performance.now();
      if (wait > 1) await new Promise((resolve) => setTimeout(resolve, wait));
      running.push(enter(screen));
    }
  }
  await Promise.all(running);
  await new Promise((resolve) => setTimeout(resolve, 1000));
  const took = (performance.now() - begin) / 1000 - 1;
  stop.abort();
  for (const { agent } of screens) agent.destroy();
  await Promise.all(streams);
  acknowledged.sort((a, b) => a - b);
  heard.sort((a, b) => a - b);
  const ms = (value) => `${value.toFixed(1)} ms`;
  const name = `${SCREENS} screens, ${EACH_PER_S} entries a second each`;
  return [
    { name: `${name}: entries a second`, figure: (made / took).toFixed(0), goal: String(SCREENS * EACH_PER_S) },
    { name: `${name}: acknowledged p50`, figure: ms(share(acknowledged, 0.5)), goal: '10 ms' },
    { name: `${name}: acknowledged p99`, figure: ms(share(acknowledged, 0.99)), goal: '10 ms' },
    { name: `${name}: on another screen p99`, figure: ms(share(heard, 0.99)), goal: '50 ms' },
    { name: `${name}: never heard`, figure: String(sentAt.size), goal: '0' },
  ];
}
