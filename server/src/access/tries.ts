/** So many wrong PINs from one place, or from all together, and no more are looked at for a while. */
const MOST_FROM_ONE = 5;
const MOST_FROM_ALL = 30;
const WITHIN_MS = 10 * 60_000;
const ALL = '*';

/** Counts tries, and forgets those that were right. Kept in memory: a restart forgets the lock, and asks for the PIN all the same. */
export class Tries {
  private readonly wrong = new Map<string, number[]>();

  private recent(from: string, nowMs: number): number[] {
    return (this.wrong.get(from) ?? []).filter((at) => nowMs - at < WITHIN_MS);
  }

  /** Milliseconds until a place may try again; 0 when it may now. */
  waitMs(from: string, nowMs: number): number {
    const own = this.recent(from, nowMs);
    const all = this.recent(ALL, nowMs);
    const until = (list: number[], most: number): number => {
      const oldest = list.at(-most);
      return oldest === undefined ? 0 : oldest + WITHIN_MS - nowMs;
    };
    return Math.max(0, until(own, MOST_FROM_ONE), until(all, MOST_FROM_ALL));
  }

  /**
   * Takes a try, before it is looked at: as many tries at once as there are count as many. The right PIN gives it back.
   *
   * @returns what gives it back.
   */
  take(from: string, nowMs: number): () => void {
    for (const key of [from, ALL]) this.wrong.set(key, [...this.recent(key, nowMs), nowMs]);
    return () => {
      for (const key of [from, ALL]) {
        const list = [...(this.wrong.get(key) ?? [])];
        const at = list.indexOf(nowMs);
        if (at >= 0) list.splice(at, 1);
        this.wrong.set(key, list);
      }
    };
  }
}
