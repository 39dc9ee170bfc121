import path from 'node:path';
import pino, { type Logger } from 'pino';
import {
  accountRepository,
  auditTrail,
  afterOrders,
  cartRepository,
  catalogueRepository,
  elsewhere,
  groundRepository,
  importRepository,
  keptProofs,
  planRepository,
  laneRepository,
  openDatabase,
  orderRepository,
  foundPairs,
  savedLayouts,
  thanksBlocks,
  lostSearches,
  oneTimeCodes,
  shownPriceRepository,
  privacyRepository,
  uploadRepository,
  visitRepository,
  type Database,
} from '~/data';
import {
  standInMailbox,
  standInPayment,
  standInRates,
  standInWallet,
  type Payment,
  type Rates,
  type StandInMailbox,
  type Wallet,
} from '~/standins';
import { createCleaning, type Cleaning } from './files/cleaning';
import { createLimits, type Limits } from './limits';
import { createTexts, type Texts } from './texts/texts';
import { createReading, type Reading } from './tables/reading';
import { openSecret, type ShopSecret } from './accounts/shop-secret';

/** Everything a service works with; handed in, so that tests can hand in their own. */
export interface App {
  readonly db: Database;
  readonly catalogue: ReturnType<typeof catalogueRepository>;
  readonly carts: ReturnType<typeof cartRepository>;
  readonly orders: ReturnType<typeof orderRepository>;
  readonly visits: ReturnType<typeof visitRepository>;
  readonly lanes: ReturnType<typeof laneRepository>;
  readonly accounts: ReturnType<typeof accountRepository>;
  readonly imports: ReturnType<typeof importRepository>;
  readonly uploads: ReturnType<typeof uploadRepository>;
  readonly privacy: ReturnType<typeof privacyRepository>;
  readonly searches: ReturnType<typeof lostSearches>;
  readonly pairs: ReturnType<typeof foundPairs>;
  readonly layouts: ReturnType<typeof savedLayouts>;
  readonly proofs: ReturnType<typeof keptProofs>;
  readonly plans: ReturnType<typeof planRepository>;
  readonly blocks: ReturnType<typeof thanksBlocks>;
  readonly afterOrders: ReturnType<typeof afterOrders>;
  readonly elsewhere: ReturnType<typeof elsewhere>;
  readonly codes: ReturnType<typeof oneTimeCodes>;
  readonly shownPrices: ReturnType<typeof shownPriceRepository>;
  readonly grounds: ReturnType<typeof groundRepository>;
  readonly payment: Payment;
  readonly rates: Rates;
  readonly wallet: Wallet;
  readonly mailbox: StandInMailbox;
  readonly cleaning: Cleaning;
  readonly reading: Reading;
  readonly texts: Texts;
  readonly limits: Limits;
  readonly audit: ReturnType<typeof auditTrail>;
  readonly secret: ShopSecret;
  readonly log: Logger;
  /** Aborted when the process shall end: long work stops as soon as it can. */
  readonly stopping: AbortController;
  /** Milliseconds since 1970. */
  readonly now: () => number;
  /** Ends work under way and closes everything. */
  close(): Promise<void>;
}

/** How often a slow statement is logged at most. */
const SAY_SLOW_AGAIN_MS = 60_000;

export async function createApp(options: {
  dataDir: string;
  now?: () => number;
  payment?: Payment;
  mailbox?: StandInMailbox;
  logLevel?: string;
  /** See `limits.ts`. */
  sentPerMinute?: number;
}): Promise<App> {
  // From now on only this process's account may read what it writes.
  process.umask(0o077);
  const log = pino({ level: options.logLevel ?? 'info' });
  const said = new Map<string, number>();
  // Until the database is open there is nothing to ask why a statement is slow.
  let opened: Database | null = null;
  const db = await openDatabase(options.dataDir, ({ sql, ms }) => {
    const now = Date.now();
    if (now - (said.get(sql) ?? 0) < SAY_SLOW_AGAIN_MS) return;
    said.set(sql, now);
    const explained = opened?.explain(sql) ?? Promise.reject(new Error('The database is still being opened'));
    void explained.then(
      (plan) => log.warn({ sql, ms: Math.round(ms), plan }, 'slow query'),
      () => log.warn({ sql, ms: Math.round(ms) }, 'slow query'),
    );
  });
  opened = db;
  const [cleaning, reading, texts] = [createCleaning(), createReading(), createTexts()];
  const stopping = new AbortController();
  return {
    db,
    catalogue: catalogueRepository(db),
    carts: cartRepository(db),
    orders: orderRepository(db),
    visits: visitRepository(db),
    lanes: laneRepository(db),
    accounts: accountRepository(db),
    audit: auditTrail(db),
    imports: importRepository(db),
    payment: options.payment ?? standInPayment(),
    uploads: uploadRepository(db),
    privacy: privacyRepository(db),
    searches: lostSearches(db),
    pairs: foundPairs(db),
    layouts: savedLayouts(db),
    proofs: keptProofs(db),
    plans: planRepository(db),
    blocks: thanksBlocks(db),
    codes: oneTimeCodes(db),
    shownPrices: shownPriceRepository(db),
    grounds: groundRepository(db),
    afterOrders: afterOrders(db),
    elsewhere: elsewhere(db),
    rates: standInRates(),
    wallet: standInWallet(),
    mailbox: options.mailbox ?? standInMailbox(path.join(options.dataDir, 'mailbox'), options.now),
    cleaning,
    reading,
    texts,
    limits: createLimits(options.sentPerMinute),
    secret: openSecret(options.dataDir),
    log,
    stopping,
    async close() {
      stopping.abort();
      await Promise.all([cleaning, reading, texts].map((pool) => pool.close()));
      await db.close();
    },
    now: options.now ?? Date.now,
  };
}
