import { createLimit, network, type Limit } from '~/services/limits';

/** One who tries to sign in. `device` is one that signed in to this very account before; null for a stranger's. */
export interface Trier {
  readonly address: string;
  readonly email: string;
  readonly device: string | null;
}

/**
 * Failed tries are counted by address, by account, and over all, so that neither one guesser at many accounts nor many
 * guessers at one get far. A try refused by one of them counts for none after it: one address alone, however often it tries,
 * keeps nobody else out. Tries from a device that signed in to the account before are counted by that device alone:
 * strangers who guess at the owner's password must not keep the owner out (OWASP, “device cookies”).
 */
export function createSignInLimits() {
  const byAddress = createLimit({ points: 10, seconds: 900 });
  const byAccount = createLimit({ points: 30, seconds: 900 });
  const overAll = createLimit({ points: 300, seconds: 60 });
  const byDevice = createLimit({ points: 10, seconds: 60 });
  const counters = ({ address, email, device }: Trier): readonly (readonly [Limit, string])[] =>
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
      for (const [limit, key] of counters(trier)) {
        const wait = await limit.take(key);
        if (wait !== null) return wait;
      }
      return null;
    },
    /** A successful try is not counted. */
    async giveBack(trier: Trier): Promise<void> {
      for (const [limit, key] of counters(trier)) await limit.giveBack(key);
    },
  };
}
