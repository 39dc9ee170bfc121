import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';

/** How often one caller may do something. */
export interface Limit {
  /** Counts it (`times` at once) before it is done. Returns null, or how many seconds to wait when it was done too often. */
  take(key: string, times?: number): Promise<number | null>;
  /** Takes a counted one back. */
  giveBack(key: string): Promise<void>;
}

/** So many points in so many seconds, kept in memory: a restart forgets them. */
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

/** The limits of everything that is limited; strangers are counted by network unless it says otherwise. */
export function createLimits(sentPerMinute = SENT_PER_MINUTE) {
  return {
    /** Links to choose a new password, by who asks and by who receives them. */
    passwordLinks: createLimit({ points: 5, seconds: 15 * MINUTE }),
    /** Wrong passwords of a signed-in person, by session. */
    ownPasswords: createLimit({ points: 10, seconds: 15 * MINUTE }),
    /** Codes typed. */
    codes: createLimit({ points: 30, seconds: 10 * MINUTE }),
    /** Carts sent over from other sites. */
    carried: createLimit({ points: 60, seconds: 10 * MINUTE }),
    /** Visits begun; some networks have thousands of phones behind them. */
    visits: createLimit({ points: Math.ceil(sentPerMinute / 2), seconds: 60 * MINUTE }),
    /** Reports that a snippet was seen on another site. */
    seen: createLimit({ points: 300, seconds: DAY }),
    /** Sites that ask without being listed. */
    refused: createLimit({ points: 5, seconds: DAY }),
  };
}
export type Limits = ReturnType<typeof createLimits>;
