import type { Health } from '~/contract/shop/visits';
import type { App } from './app';
import { liveLane } from './lane/live-lane';

/** Within this time the last answer is repeated, so that asking often costs nothing. */
const WRITE_AGAIN_MS = 3000;
const MOST_WRITE_MS = 5000;
const written = new WeakMap<App, { readonly at: number; readonly done: Promise<boolean> }>();
const intact = new WeakMap<App, boolean>();

export async function checkHealth(app: App, version: string): Promise<Health> {
  try {
    await app.db.select('SELECT 1 AS one');
    const [migrationsPending, writing] = await Promise.all([app.db.pendingMigrations(), canWrite(app)]);
    const lane = await liveLane(app).then(
      (live) => (live.isNewest ? 'live' : 'older'),
      (error: unknown) => {
        app.log.error({ err: error }, 'no lane can be read');
        return 'unreadable' as const;
      },
    );
    const whole = intact.get(app) ?? null;
    const healthy = migrationsPending === 0 && lane !== 'unreadable' && writing && whole !== false;
    return { healthy, version, database: true, writing, intact: whole, migrationsPending, lane };
  } catch (error) {
    app.log.error({ err: error }, 'database not reachable');
    const none = { database: false, writing: false, intact: null } as const;
    return { healthy: false, version, ...none, migrationsPending: 0, lane: 'unreadable' };
  }
}

function canWrite(app: App): Promise<boolean> {
  const before = written.get(app);
  const now = performance.now();
  if (before && now - before.at < WRITE_AGAIN_MS) return before.done;
  const write = app.db.run('INSERT INTO pulse (id, at) VALUES (1, $at) ON CONFLICT (id) DO UPDATE SET at = $at', {
    at: app.now(),
  });
  const slow = new Promise<never>((_, reject) => {
    setTimeout(() => reject(new Error('It takes too long')), MOST_WRITE_MS).unref();
  });
  const done = Promise.race([write, slow]).then(
    () => true,
    (error: unknown) => {
      app.log.error({ err: error }, 'nothing can be written');
      return false;
    },
  );
  written.set(app, { at: now, done });
  return done;
}

/** Checks the whole database for damage (SQLite, `quick_check`) in the background. */
export async function lookForDamage(app: App): Promise<void> {
  const found = await app.db.findDamage().catch((error: Error) => error.message);
  intact.set(app, found === null);
  if (found !== null)
    app.log.fatal({ found }, 'the database is damaged: stop, keep a copy of it, and put back the last backup');
}
