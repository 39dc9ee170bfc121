import { AsyncLocalStorage } from 'node:async_hooks';
import { chmodSync, closeSync, existsSync, mkdirSync, openSync, statSync } from 'node:fs';
import path from 'node:path';
import { QueryTypes, Sequelize, Transaction, type QueryOptions } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { migrations } from './migrations';
import { defineModels, type Models } from './models';
import {
  beginSafely,
  closeIdle,
  explainOn,
  findDamage,
  hearSlow,
  interruptAll,
  tunedSqlite,
  type Safety,
  type SlowStatement,
} from './tuned-sqlite';

/** Lets a query find the transaction it runs in, so that no write can forget it. */
const contexts = new AsyncLocalStorage<Map<string, unknown>>();
const namespace = {
  run: <T>(work: (context: Map<string, unknown>) => T): T => {
    const context = new Map(contexts.getStore());
    return contexts.run(context, () => work(context));
  },
  get: (key: string) => contexts.getStore()?.get(key),
  set: (key: string, value: unknown) => contexts.getStore()?.set(key, value),
  bind: <T>(fn: T) => fn,
};
Sequelize.useCLS(namespace);

type Params = Readonly<Record<string, unknown>>;

/** What Sequelize opens: a handle to SQLite. */
interface Handle {
  all(sql: string, params: Params, done: (error: Error | null, rows?: object[]) => void): void;
  run(sql: string, params: Params, done: (this: { changes: number }, error: Error | null) => void): void;
}

/** `{ id }` as SQLite has it: `{ $id }`. One that was forgotten would be bound as NULL. */
function named(params: Params): Params {
  return Object.fromEntries(
    Object.entries(params).map(([name, value]) => {
      if (value === undefined) throw new Error(`The statement was given nothing for $${name}`);
      return [`$${name}`, value];
    }),
  );
}

/** An error from SQLite's own thread knows neither who asked nor what. */
function told(error: Error, sql: string): Error {
  return new Error(`${error.message} in: ${sql.replace(/\s+/g, ' ').slice(0, 300)}`, { cause: error });
}

export interface Database {
  readonly models: Models;
  /** The folder that holds the database and the shop's media. */
  readonly dataDir: string;
  select<Row extends object>(sql: string, params?: Params): Promise<Row[]>;
  /** Runs a statement that writes, in its turn; the number of rows it changed. */
  run(sql: string, params?: Params): Promise<number>;
  /**
   * One immediate transaction at a time. Whatever writes takes turns, first come first served: waiting inside SQLite would
   * block the threads that the holder of the lock needs. Called from inside a transaction it joins it.
   */
  inTransaction<T>(work: () => Promise<T>): Promise<T>;
  /**
   * One whose writes survive a power cut from the moment it has ended (`synchronous = FULL`): of the others the last may be lost,
   * and nothing else.
   */
  inDurableTransaction<T>(work: () => Promise<T>): Promise<T>;
  pendingMigrations(): Promise<number>;
  /** How SQLite goes about a statement, a line a step. */
  explain(sql: string): Promise<string[]>;
  /** What is wrong with the whole file; null: nothing. */
  findDamage(): Promise<string | null>;
  /** Ends what is running now; who waits for it is told. */
  interrupt(): void;
  close(): Promise<void>;
}

/** Buyers' names and addresses are for the account that serves the shop alone, on a machine with others too. */
function keepPrivate(dataDir: string, storage: string): void {
  mkdirSync(dataDir, { recursive: true, mode: 0o700 });
  chmodSync(dataDir, 0o700);
  // Made before SQLite does: the files beside it take over its mode. Only when it is new: closing a file that SQLite has
  // open elsewhere in this process would take its locks away (POSIX, fcntl).
  if (!existsSync(storage)) closeSync(openSync(storage, 'a', 0o600));
  for (const file of [storage, `${storage}-wal`, `${storage}-shm`]) if (existsSync(file)) chmodSync(file, 0o600);
}

/** What a shop keeps beside its database. */
const BESIDE = ['secret', 'media', 'uploads', 'mailbox'];

/** A shop whose database is gone is not begun anew by itself: what is beside it tells that there was one. */
function refuseLostDatabase(dataDir: string, storage: string): void {
  const isThere = existsSync(storage) && statSync(storage).size > 0;
  const old = isThere ? [] : BESIDE.filter((name) => existsSync(path.join(dataDir, name)));
  if (old.length > 0 && process.env['PAVED_LANE_BEGIN_ANEW'] !== '1')
    throw new Error(
      `The database ${storage} is gone or empty, but ${old.join(', ')} of a shop is beside it. Put the database back from a backup. To begin a new shop here, start with PAVED_LANE_BEGIN_ANEW=1.`,
    );
}

/** SQLite's words for a file it cannot read, in ours; other errors as they are. */
function wordDamage(error: unknown, storage: string): unknown {
  const codes = [error, (error as Error)?.cause, (error as { parent?: unknown })?.parent].map(
    (one) => (one as { code?: string } | undefined)?.code ?? '',
  );
  if (!codes.some((code) => /^SQLITE_(NOTADB|CORRUPT)/.test(code))) return error;
  return new Error(
    `The database ${storage} is damaged: SQLite cannot read it. Keep a copy of it, put back the last backup, and start again. “sqlite3 FILE .recover” may save what can still be read.`,
    { cause: error },
  );
}

/** Opens the database in a folder, creating and migrating it as needed. */
export async function openDatabase(
  dataDir: string,
  onSlow: (slow: SlowStatement) => void = () => undefined,
): Promise<Database> {
  const storage = path.join(dataDir, 'paved-lane.sqlite');
  refuseLostDatabase(dataDir, storage);
  keepPrivate(dataDir, storage);
  hearSlow(storage, onSlow);
  const sequelize = new Sequelize({
    dialect: 'sqlite',
    dialectModule: tunedSqlite,
    storage,
    transactionType: Transaction.TYPES.IMMEDIATE,
    retry: { max: 1 },
    logging: false,
    define: { timestamps: false, underscored: true },
  });
  let last: Promise<unknown> = Promise.resolve();
  const inTurn = <T>(write: () => Promise<T>): Promise<T> => {
    const turn = last.then(write);
    last = turn.catch(() => undefined);
    return turn;
  };
  const isInTransaction = () => Boolean(namespace.get('transaction'));
  // Here, so that no write can forget it, from a model or from anywhere else.
  const query = sequelize.query.bind(sequelize) as (sql: string, options?: QueryOptions) => Promise<unknown>;
  const queryInTurn = (sql: string, options?: QueryOptions) =>
    options?.type === QueryTypes.SELECT || options?.transaction || isInTransaction()
      ? query(sql, options)
      : inTurn(() => query(sql, options));
  sequelize.query = queryInTurn as typeof sequelize.query;
  /** The handle of the transaction under way, else the one for all. Plain statements go to it without what a model needs. */
  const handleNow = async (): Promise<Handle> => {
    const transaction = namespace.get('transaction') as { connection: Handle } | undefined;
    return transaction?.connection ?? ((await sequelize.connectionManager.getConnection({ type: 'write' })) as Handle);
  };
  const umzug = new Umzug({
    migrations: [...migrations],
    context: { run: (sql: string) => sequelize.query(sql).then(() => undefined) },
    storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }),
    logger: undefined,
  });
  const transaction = <T>(work: () => Promise<T>, safety: Safety): Promise<T> =>
    isInTransaction()
      ? work()
      : inTurn(() => {
          // Nothing else begins until this one has: they take turns.
          beginSafely(storage, safety);
          return sequelize.transaction(work);
        });
  const begin = async () => {
    await sequelize.query('PRAGMA journal_mode = WAL');
    await umzug.up();
  };
  await begin().catch((error: unknown) => {
    throw wordDamage(error, storage);
  });

  return {
    models: defineModels(sequelize),
    dataDir,
    select: async <Row extends object>(sql: string, params: Params = {}) => {
      const handle = await handleNow();
      return new Promise<Row[]>((resolve, reject) =>
        handle.all(sql, named(params), (error, rows) => (error ? reject(told(error, sql)) : resolve(rows as Row[]))),
      );
    },
    run: async (sql, params = {}) => {
      const write = async () => {
        const handle = await handleNow();
        return new Promise<number>((resolve, reject) =>
          handle.run(sql, named(params), function done(this: { changes: number }, error: Error | null) {
            if (error) reject(told(error, sql));
            else resolve(this.changes);
          }),
        );
      };
      return isInTransaction() ? write() : inTurn(write);
    },
    inTransaction: (work) => transaction(work, 'NORMAL'),
    inDurableTransaction: (work) => transaction(work, 'FULL'),
    pendingMigrations: async () => (await umzug.pending()).length,
    explain: (sql) => explainOn(storage, sql),
    findDamage: () => findDamage(storage),
    interrupt: () => interruptAll(storage),
    close: async () => {
      await last;
      await sequelize.close();
      await closeIdle(storage);
    },
  };
}
