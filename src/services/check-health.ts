import type { App } from './app';

export interface Health {
  readonly healthy: boolean;
  readonly version: string;
  readonly database: boolean;
  readonly migrationsPending: number;
}

export async function checkHealth(app: App, version: string): Promise<Health> {
  try {
    await app.db.select('SELECT 1 AS one');
    const migrationsPending = await app.db.pendingMigrations();
    return { healthy: migrationsPending === 0, version, database: true, migrationsPending };
  } catch (error) {
    app.log.error({ err: error }, 'database not reachable');
    return { healthy: false, version, database: false, migrationsPending: 0 };
  }
}
