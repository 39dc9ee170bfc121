import path from 'node:path';
import pino, { type Logger } from 'pino';
import {
  accountRepository,
  cartRepository,
  catalogueRepository,
  importRepository,
  laneRepository,
  openDatabase,
  orderRepository,
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
import { createCleaning, type Cleaning } from './cleaning';
import { openSecret, type ShopSecret } from './shop-secret';

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
  readonly payment: Payment;
  readonly rates: Rates;
  readonly wallet: Wallet;
  readonly mailbox: StandInMailbox;
  readonly cleaning: Cleaning;
  readonly secret: ShopSecret;
  readonly log: Logger;
  /** Milliseconds since 1970. */
  readonly now: () => number;
}

export async function createApp(options: {
  dataDir: string;
  now?: () => number;
  payment?: Payment;
  mailbox?: StandInMailbox;
  logLevel?: string;
}): Promise<App> {
  // Whatever this process writes from now on is its own account's alone to read.
  process.umask(0o077);
  const db = await openDatabase(options.dataDir);
  return {
    db,
    catalogue: catalogueRepository(db),
    carts: cartRepository(db),
    orders: orderRepository(db),
    visits: visitRepository(db),
    lanes: laneRepository(db),
    accounts: accountRepository(db),
    imports: importRepository(db),
    payment: options.payment ?? standInPayment(),
    uploads: uploadRepository(db),
    rates: standInRates(),
    wallet: standInWallet(),
    mailbox: options.mailbox ?? standInMailbox(path.join(options.dataDir, 'mailbox'), options.now),
    cleaning: createCleaning(),
    secret: openSecret(options.dataDir),
    log: pino({ level: options.logLevel ?? 'info' }),
    now: options.now ?? Date.now,
  };
}
