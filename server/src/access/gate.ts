import { getConnInfo } from '@hono/node-server/conninfo';
import { Hono, type Context } from 'hono';
import { csrf } from 'hono/csrf';
import { getCookie, setCookie } from 'hono/cookie';
import { html } from 'hono/html';
import type { Database } from '../database.js';
import { sentence } from '../sentences.js';
import { hasSession, isPin, createSession, SESSION_MS } from './pin.js';
import { Tries } from './tries.js';

const COOKIE = 'tureen_session';

function page(problem: string) {
  return html`<!doctype html>
    <html lang="en-GB">
      <head>
        <meta charset="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <title>PIN · Tidy Tureen</title>
        <style>
          body {
            display: grid;
            place-content: center;
            min-height: 100vh;
            margin: 0;
            background: #f4eee1;
            color: #22202a;
            font:
              22px/1.4 'Atkinson Hyperlegible Next',
              system-ui,
              sans-serif;
          }
          form {
            display: grid;
            gap: 16px;
            width: min(420px, 86vw);
          }
          input,
          button {
            min-height: 64px;
            border: 2px solid #26378f;
            border-radius: 20px;
            font: inherit;
            font-size: 28px;
          }
          input {
            padding: 0 18px;
            background: #fffdf6;
            letter-spacing: 0.2em;
          }
          button {
            background: #26378f;
            color: #fffdf6;
            font-weight: 700;
          }
          [role='alert'] {
            padding: 8px 16px;
            border: 2px solid #8a5a00;
            border-radius: 20px;
          }
        </style>
      </head>
      <body>
        <form method="post" action="/pin">
          <h1>Kitchen PIN</h1>
          <label for="pin">It was shown where the server was started.</label>
          <input
            id="pin"
            name="pin"
            type="password"
            inputmode="numeric"
            autocomplete="current-password"
            maxlength="12"
            required
            autofocus
          />
          ${problem === '' ? '' : html`<p role="alert">${problem}</p>`}
          <button type="submit">Open</button>
        </form>
      </body>
    </html>`;
}

/** Where a request comes from, as far as a limit on tries has to know. */
function from(c: Context): string {
  try {
    return getConnInfo(c).remote.address ?? 'somewhere';
  } catch {
    return 'somewhere';
  }
}

/**
 * The kitchen's door, for a server that other tablets reach: nothing but its page answers until the PIN has been given.
 * Sessions live in a cookie that scripts can't read and other sites can't send.
 */
export function makeGate(database: Database, nowMs: () => number): Hono {
  const tries = new Tries();
  const gate = new Hono();
  gate.use('/pin', csrf());
  // Where the page was before; bookmarks of it still lead here.
  gate.all('/door', (c) => c.redirect('/pin', 308));
  gate.get('/pin', (c) => c.html(page('')));
  gate.post('/pin', async (c) => {
    const now = nowMs();
    const place = from(c);
    const taken = await tries.take(place);
    if (!taken.ok) return c.html(page(sentence({ code: 'PIN_LOCKED', minutes: Math.ceil(taken.waitMs / 60_000) })), 429);
    const { pin } = await c.req.parseBody();
    if (typeof pin !== 'string' || !(await isPin(database, pin))) {
      return c.html(page(sentence({ code: 'WRONG_PIN' })), 403);
    }
    await taken.giveBack();
    setCookie(c, COOKIE, await createSession(database, now), {
      httpOnly: true,
      secure: true,
      sameSite: 'Strict',
      path: '/',
      maxAge: SESSION_MS / 1000,
    });
    return c.redirect('/', 303);
  });
  gate.use('*', async (c: Context, next) => {
    const token = getCookie(c, COOKIE);
    if (token !== undefined && (await hasSession(database, token, nowMs()))) return next();
    if (c.req.path.startsWith('/api/')) {
      const failure = { code: 'PIN_WANTED' } as const;
      return c.json({ error: { ...failure, sentence: sentence(failure) } }, 401);
    }
    return c.redirect('/pin', 302);
  });
  return gate;
}
