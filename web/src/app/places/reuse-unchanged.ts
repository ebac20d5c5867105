function isPlain(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && Object.getPrototypeOf(value) === Object.prototype;
}

/**
 * The new value, with every part of the old one kept in it that says the same: what did not change is still the same
 * object, so that only what did is drawn anew. Lists and plain objects are looked into; anything else is compared as it is.
 */
export function reuseUnchanged<T>(before: unknown, now: T): T {
  if (Object.is(before, now)) return now;
  if (Array.isArray(before) && Array.isArray(now)) {
    const shared = now.map((value: unknown, n) => reuseUnchanged(before[n], value));
    return (before.length === shared.length && shared.every((value, n) => Object.is(value, before[n])) ? before : shared) as T;
  }
  if (isPlain(before) && isPlain(now)) {
    const keys = Object.keys(now);
    let same = keys.length === Object.keys(before).length;
    const shared: Record<string, unknown> = {};
    for (const key of keys) {
      shared[key] = reuseUnchanged(before[key], now[key]);
      same &&= key in before && Object.is(shared[key], before[key]);
    }
    return (same ? before : shared) as T;
  }
  return now;
}
