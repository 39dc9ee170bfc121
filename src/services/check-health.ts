import type { App } from './app';
import { liveLane } from './lane/live-lane';

export interface Health {
  readonly healthy: boolean;
  readonly version: string;
  readonly database: boolean;
  readonly migrationsPending: number;
  /** Whether shops can be drawn: from what was published last, from what was before it, or not at all. */
  readonly lane: 'live' | 'older' | 'unreadable';
}

export async function checkHealth(app: App, version: string): Promise<Health> {
  try {
    await app.db.select('SELECT 1 AS one');
    const migrationsPending = await app.db.pendingMigrations();
    const lane = await liveLane(app).then(
      (live) => (live.isNewest ? 'live' : 'older'),
      (error: unknown) => {
        app.log.error({ err: error }, 'no lane can be read');
        return 'unreadable' as const;
      },
    );
    const healthy = migrationsPending === 0 && lane !== 'unreadable';
    return { healthy, version, database: true, migrationsPending, lane };
  } catch (error) {
    app.log.error({ err: error }, 'database not reachable');
    return { healthy: false, version, database: false, migrationsPending: 0, lane: 'unreadable' };
  }
}
