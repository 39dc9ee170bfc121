import { createRequire } from 'node:module';
import type sqlite3Module from 'sqlite3';
import type { Statement } from 'sqlite3';

const sqlite3 = createRequire(import.meta.url)('sqlite3') as typeof sqlite3Module;

type Done = (this: Statement, error: Error | null, rows?: unknown[]) => void;

/** What the types leave out: a statement can be made without a first use, and tells when it is prepared. */
const PreparedStatement = sqlite3.Statement as new (
  database: sqlite3Module.Database,
  sql: string,
  prepared: (error: Error | null) => void,
) => Statement;

/** Statements kept ready per handle; longer ones are made for one use, such as a batch with its values in it. */
const MOST_READY = 120;
const LONGEST_READY = 3000;

/** Open handles that no transaction uses now, by file. */
const idle = new Map<string, TunedDatabase[]>();
/** Every open handle, by file. */
const open = new Map<string, Set<TunedDatabase>>();

/** A statement that took long to run, waiting for others not counted. */
export interface SlowStatement {
  readonly sql: string;
  readonly ms: number;
}

/** Whether a transaction that has ended is on the disk, and not only on its way there (SQLite, `PRAGMA synchronous`). */
export type Safety = 'NORMAL' | 'FULL';
const safeties = new Map<string, Safety>();

/** How safe the transaction that begins next on a file is to be. */
export function beginSafely(file: string, safety: Safety): void {
  safeties.set(file, safety);
}

const listeners = new Map<string, (slow: SlowStatement) => void>();
const SLOW_MS = 250;

/** Hears of slow statements on a file; one listener each. */
export function hearSlow(file: string, listener: (slow: SlowStatement) => void): void {
  listeners.set(file, listener);
}

/**
 * How SQLite goes about a statement, a line a step. On a handle of its own: a finished EXPLAIN counts as running until it is
 * reset, and would keep the transactions of the handle it is kept on from ending.
 */
export async function explainOn(file: string, sql: string): Promise<string[]> {
  const steps = await askAside<{ detail: string }>(file, `EXPLAIN QUERY PLAN ${sql}`);
  return steps.map(({ detail }) => detail);
}

/** What SQLite finds wrong with a file (`quick_check`); null: nothing. It reads all of it, and keeps nobody waiting. */
export async function findDamage(file: string): Promise<string | null> {
  const [found] = await askAside<{ quick_check: string }>(file, 'PRAGMA quick_check(1)');
  return found?.quick_check === 'ok' ? null : (found?.quick_check ?? 'no answer');
}

/** Asks on a handle of its own, that reads and is closed again. */
async function askAside<Row>(file: string, sql: string): Promise<Row[]> {
  const handle = await new Promise<sqlite3Module.Database>((resolve, reject) => {
    const opened: sqlite3Module.Database = new sqlite3.Database(file, sqlite3.OPEN_READONLY, (error) =>
      error ? reject(error) : resolve(opened),
    );
  });
  try {
    return await new Promise<Row[]>((resolve, reject) =>
      handle.all<Row>(sql, (error, rows) => (error ? reject(error) : resolve(rows))),
    );
  } finally {
    handle.close();
  }
}

/** Ends every statement that is running on a file; whoever asked is told that it was interrupted. */
export function interruptAll(file: string): void {
  for (const handle of open.get(file) ?? []) handle.interrupt();
}

/**
 * A handle to SQLite, set up as it opens, because a pragma on one handle does not reach another. What it has prepared it
 * keeps ready: most of what a shop asks is asked again and again with other values.
 */
class TunedDatabase extends sqlite3.Database {
  readonly #file: string;
  readonly #ready = new Map<string, Statement>();
  #isInTransaction = false;
  #safety: Safety = 'NORMAL';
  /** When the statement before was done: on one handle they run one after the other. */
  #lastDone = 0;

  constructor(file: string, mode: number, opened: (error: Error | null) => void) {
    super(file, mode, opened);
    this.#file = file;
    if (!open.has(file)) open.set(file, new Set());
    open.get(file)!.add(this);
    this.configure('busyTimeout', 5000);
    this.serialize();
    // A file that is no database is told to the first who asks something of it.
    const unheard = () => undefined;
    super.run('PRAGMA synchronous = NORMAL', unheard);
    super.run('PRAGMA foreign_keys = ON', unheard);
    // What is erased is overwritten, and not only forgotten.
    super.run('PRAGMA secure_delete = ON', unheard);
  }

  /** SQLite takes another only between transactions: the next may begin when `done` is told. */
  makeSafe(safety: Safety, done: (error: Error | null) => void): void {
    if (safety === this.#safety) return void process.nextTick(done, null);
    this.#safety = safety;
    super.run(`PRAGMA synchronous = ${safety}`, done);
  }

  override all(sql: string, params?: unknown, done?: unknown): this {
    if (typeof done !== 'function') return super.all(sql, params);
    this.#statement(sql, done as Done).all(params, this.#timed(sql, done as Done));
    return this;
  }

  /** Tells what took long, and then what it was asked for. */
  #timed(sql: string, done: Done): Done {
    const asked = performance.now();
    // eslint-disable-next-line @typescript-eslint/no-this-alias -- the statement is `this` in what it calls back
    const handle = this;
    return function (this: Statement, error: Error | null, rows?: unknown[]) {
      const now = performance.now();
      const ms = now - Math.max(asked, handle.#lastDone);
      handle.#lastDone = now;
      if (ms > SLOW_MS) listeners.get(handle.#file)?.({ sql, ms });
      done.call(this, error, rows);
    };
  }

  override run(sql: string, params?: unknown, done?: unknown): this {
    if (typeof done !== 'function') return super.run(sql, params);
    // Sequelize asks for it at each transaction; every handle has been set so since it was opened.
    if (sql === 'PRAGMA FOREIGN_KEYS=ON') {
      process.nextTick(done as Done, null);
      return this;
    }
    const told = this.#timed(sql, done as Done);
    const [verb] = sql.split(/[ ;]/, 1);
    const isEnd = verb === 'COMMIT' || (verb === 'ROLLBACK' && !sql.includes(' TO '));
    // eslint-disable-next-line @typescript-eslint/no-this-alias -- the statement is `this` in what it calls back
    const handle = this;
    this.#statement(sql, told).run(params, function (this: Statement, error: Error | null) {
      if (!error && verb === 'BEGIN') handle.#isInTransaction = true;
      if (!error && isEnd) handle.#isInTransaction = false;
      told.call(this, error);
    });
    return this;
  }

  /** A statement that is ready, or one that is being prepared; what cannot be prepared tells `done`, and nobody else. */
  #statement(sql: string, done: Done): Statement {
    const found = this.#ready.get(sql);
    if (found) {
      // Last used is last in line.
      this.#ready.delete(sql);
      this.#ready.set(sql, found);
      return found;
    }
    const made: Statement = new PreparedStatement(this, sql, (error) => {
      if (error) done.call(made, error);
      else if (sql.length > LONGEST_READY || this.#ready.has(sql)) made.finalize();
      else this.#keep(sql, made);
    });
    return made;
  }

  #keep(sql: string, statement: Statement): void {
    this.#ready.set(sql, statement);
    if (this.#ready.size <= MOST_READY) return;
    const [oldest] = this.#ready;
    this.#ready.delete(oldest![0]);
    oldest![1].finalize();
  }

  /** The end of a transaction: the next one takes the handle as it is. One that did not end well is closed. */
  override close(done?: (error: Error | null) => void): void {
    if (this.#isInTransaction) return this.end(done);
    const others = idle.get(this.#file);
    if (others) others.push(this);
    else idle.set(this.#file, [this]);
    if (done) process.nextTick(done, null);
  }

  end(done?: (error: Error | null) => void): void {
    for (const statement of this.#ready.values()) statement.finalize();
    this.#ready.clear();
    open.get(this.#file)?.delete(this);
    super.close(done);
  }
}

/** Sequelize opens a handle per transaction and closes it with it; it is given one that is there already. */
function Database(file: string, mode: number, opened: (error: Error | null) => void): TunedDatabase {
  const safety = safeties.get(file) ?? 'NORMAL';
  const begin = (error: Error | null) => (error ? opened(error) : handle.makeSafe(safety, opened));
  const found = idle.get(file)?.pop();
  const handle: TunedDatabase = found ?? new TunedDatabase(file, mode, begin);
  if (found) begin(null);
  return handle;
}

const MOST_CLOSING_TRIES = 60;
const CLOSING_AGAIN_MS = 50;

/** Closes a handle. One that is still running a statement that was interrupted is closed when that has ended. */
async function endHandle(handle: TunedDatabase): Promise<void> {
  for (let tries = 1; ; tries += 1) {
    const error = await new Promise<Error | null>((resolve) => handle.end(resolve));
    if (!error) return;
    if ((error as NodeJS.ErrnoException).code !== 'SQLITE_BUSY' || tries === MOST_CLOSING_TRIES) throw error;
    handle.interrupt();
    await new Promise((resolve) => setTimeout(resolve, CLOSING_AGAIN_MS));
  }
}

/** Closes the handles of a file that nobody uses. */
export async function closeIdle(file: string): Promise<void> {
  const handles = idle.get(file) ?? [];
  idle.delete(file);
  await Promise.all(handles.map(endHandle));
}

export const tunedSqlite = { ...sqlite3, Database };
