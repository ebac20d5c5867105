/*
 * Zod tries once whether it may compile its checks with `new Function`, which the page's content policy forbids and the
 * browser reports as an error. It looks here before it tries, so this runs before any module of the page.
 */
globalThis.__zod_globalConfig = { jitless: true };
