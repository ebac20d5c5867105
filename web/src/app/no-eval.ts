/**
 * Zod tries once whether it may compile its checks with `new Function`, which the page's content policy forbids and
 * the browser reports as an error. It looks here before it tries; whichever of the two files runs first makes the object.
 */
const shared = globalThis as { __zod_globalConfig?: { jitless?: boolean } };
shared.__zod_globalConfig = Object.assign(shared.__zod_globalConfig ?? {}, { jitless: true });
