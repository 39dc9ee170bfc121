import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';

/** How often something may be done by one and the same. */
export interface Limit {
  /** Counts it, so many times at once, before it is done; the seconds to wait where it was too often, else null. */
  take(key: string, times?: number): Promise<number | null>;
  /** As if it had not been done. */
  giveBack(key: string): Promise<void>;
}

/** So many points in so many seconds, kept in memory: a restart begins anew. */
export function createLimit({ points, seconds }: { readonly points: number; readonly seconds: number }): Limit {
  const limiter = new RateLimiterMemory({ points, duration: seconds });
  return {
    async take(key, times = 1) {
      try {
        await limiter.consume(key, times);
        return null;
      } catch (limited) {
        if (!(limited instanceof RateLimiterRes)) throw limited;
        return Math.ceil(limited.msBeforeNext / 1000);
      }
    },
    async giveBack(key) {
      await limiter.reward(key);
    },
  };
}

/** Strangers are counted by their network: an IPv6 line is a /64, whose holder has as many addresses as they like. */
export function network(address: string): string {
  return address.includes(':') && !address.includes('.') ? address.split(':').slice(0, 4).join(':') : address;
}

const MINUTE = 60;
const DAY = 86_400;

/** How often one network may send something in a minute. */
export const SENT_PER_MINUTE = 600;

/** What may be tried so often only: by strangers each by its network, where nothing else is said. */
export function createLimits(sentPerMinute = SENT_PER_MINUTE) {
  return {
    /** Links to choose a new password, by who asks and by whom they go to. */
    passwordLinks: createLimit({ points: 5, seconds: 15 * MINUTE }),
    /** Wrong passwords of somebody who is signed in, by session. */
    ownPasswords: createLimit({ points: 10, seconds: 15 * MINUTE }),
    /** Codes typed. */
    codes: createLimit({ points: 30, seconds: 10 * MINUTE }),
    /** Carts sent over from other sites. */
    carried: createLimit({ points: 60, seconds: 10 * MINUTE }),
    /** Visits begun; some networks have thousands of phones behind them. */
    visits: createLimit({ points: Math.ceil(sentPerMinute / 2), seconds: 60 * MINUTE }),
    /** Snippets told of on pages of other sites. */
    seen: createLimit({ points: 300, seconds: DAY }),
    /** Sites that ask without being listed. */
    refused: createLimit({ points: 5, seconds: DAY }),
  };
}
export type Limits = ReturnType<typeof createLimits>;
