/**
 * Zod tries once whether it may compile its checks with `new Function`, which the page's content policy forbids and
 * the browser reports as an error. It reads this before it tries.
 */
(globalThis as { __zod_globalConfig?: { jitless?: boolean } }).__zod_globalConfig = { jitless: true };
