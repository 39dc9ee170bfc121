import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';

/** One who tries to sign in. `device` is one that signed in to this very account before; null for a stranger's. */
export interface Trier {
  readonly address: string;
  readonly email: string;
  readonly device: string | null;
}

/**
 * Failed tries are counted by address, by account, and over all, so that neither one guesser at many accounts nor many
 * guessers at one get far. Tries from a device that signed in to the account before are counted by that device alone:
 * strangers who guess at the owner's password must not keep the owner out (OWASP, “device cookies”).
 */
export function createSignInLimits() {
  const byAddress = new RateLimiterMemory({ points: 10, duration: 60 });
  const byAccount = new RateLimiterMemory({ points: 30, duration: 900 });
  const overAll = new RateLimiterMemory({ points: 300, duration: 60 });
  const byDevice = new RateLimiterMemory({ points: 10, duration: 60 });
  const counters = ({ address, email, device }: Trier): readonly (readonly [RateLimiterMemory, string])[] =>
    device !== null
      ? [[byDevice, device]]
      : [
          [byAddress, network(address)],
          [byAccount, email.toLowerCase()],
          [overAll, 'all'],
        ];
  return {
    /** Counts a try before it is made; the seconds to wait when there were too many, else null. */
    async take(trier: Trier): Promise<number | null> {
      let wait: number | null = null;
      for (const [limiter, key] of counters(trier)) {
        try {
          await limiter.consume(key);
        } catch (limited) {
          if (!(limited instanceof RateLimiterRes)) throw limited;
          wait = Math.max(wait ?? 0, Math.ceil(limited.msBeforeNext / 1000));
        }
      }
      return wait;
    },
    /** A try that was right is none. */
    async giveBack(trier: Trier): Promise<void> {
      for (const [limiter, key] of counters(trier)) await limiter.reward(key);
    },
  };
}

/** An IPv6 line is a /64, whose holder has as many addresses as they like. */
export function network(address: string): string {
  return address.includes(':') && !address.includes('.') ? address.split(':').slice(0, 4).join(':') : address;
}
