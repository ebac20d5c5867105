/**
 * Zod tries once whether it may compile its checks with `new Function`, which the content policy forbids and the browser
 * reports as an error. A worker says so first thing; the page does in public/no-eval.js.
 */
(globalThis as { __zod_globalConfig?: { jitless?: boolean } }).__zod_globalConfig = { jitless: true };
