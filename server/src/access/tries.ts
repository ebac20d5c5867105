import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';

/** So many wrong PINs from one place, or from all together, and no more are looked at for a while. */
const MOST_FROM_ONE = 5;
const MOST_FROM_ALL = 30;
const WITHIN_S = 10 * 60;
const ALL = '*';

export type Try =
  /** To be looked at; the right PIN gives it back. */
  { readonly ok: true; readonly giveBack: () => Promise<void> } | { readonly ok: false; readonly waitMs: number };

/** Counts tries, and forgets those that were right. Kept in memory: a restart forgets the lock, and asks for the PIN all the same. */
export class Tries {
  private readonly fromOne = new RateLimiterMemory({ keyPrefix: 'one', points: MOST_FROM_ONE, duration: WITHIN_S });
  private readonly fromAll = new RateLimiterMemory({ keyPrefix: 'all', points: MOST_FROM_ALL, duration: WITHIN_S });

  /** Takes a try, before it is looked at: as many tries at once as there are count as many. */
  async take(from: string): Promise<Try> {
    try {
      await this.fromOne.consume(from);
      await this.fromAll.consume(ALL);
    } catch (refused) {
      if (!(refused instanceof RateLimiterRes)) throw refused;
      return { ok: false, waitMs: refused.msBeforeNext };
    }
    return {
      ok: true,
      giveBack: async () => {
        await Promise.all([this.fromOne.reward(from), this.fromAll.reward(ALL)]);
      },
    };
  }
}
