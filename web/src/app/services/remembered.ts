/** What this browser remembers between visits: a few short words. A browser that forbids it forgets them with the page. */
const here = new Map<string, string>();

/** @returns undefined when nothing was remembered under the key. */
export function recall(key: string): string | undefined {
  try {
    return localStorage.getItem(key) ?? here.get(key);
  } catch {
    return here.get(key);
  }
}

export function remember(key: string, value: string): void {
  here.set(key, value);
  try {
    localStorage.setItem(key, value);
  } catch {
    // Blocked or full: it holds until the page is closed.
  }
}
