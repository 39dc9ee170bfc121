import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { createApp, type App } from '~/services/app';
import { standInPayment } from '~/standins';
import { seedDemo } from '../../demo/seed';

export interface TestShop {
  readonly app: App;
  close(): Promise<void>;
}

/** A seeded shop on a database of its own, with a payment stand-in that answers at once. */
export async function openTestShop(scale = 0, now: () => number = Date.now, products = 0): Promise<TestShop> {
  const dataDir = await mkdtemp(path.join(tmpdir(), 'paved-lane-'));
  const app = await createApp({
    dataDir,
    now,
    logLevel: 'silent',
    payment: standInPayment({ answerMs: 1, timeoutMs: 20 }),
  });
  await seedDemo(app, scale, { products });
  return {
    app,
    close: async () => {
      await app.db.close();
      await rm(dataDir, { recursive: true, force: true });
    },
  };
}
