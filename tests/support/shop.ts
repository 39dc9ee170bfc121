import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { promisify } from 'node:util';
import { gunzip } from 'node:zlib';
import { createApp, type App } from '~/services/app';
import { prepareFolder } from '~/services/draft/begin';
import { standInPayment } from '~/standins';
import { seedDemo } from '../../demo/seed';

export interface TestShop {
  readonly app: App;
  close(): Promise<void>;
}

/** A seeded shop on a database of its own, with a payment stand-in that answers at once. */
export async function openTestShop(scale = 0, now: () => number = Date.now, products = 0): Promise<TestShop> {
  const shop = await openFolder(await mkdtemp(path.join(tmpdir(), 'paved-lane-')), now);
  await seedDemo(shop.app, scale, { products });
  return shop;
}

/** A shop on a copy of a database that was stored with gzip. */
export async function openStoredShop(file: string): Promise<TestShop> {
  const dataDir = await mkdtemp(path.join(tmpdir(), 'paved-lane-'));
  await writeFile(path.join(dataDir, 'paved-lane.sqlite'), await promisify(gunzip)(await readFile(file)));
  const shop = await openFolder(dataDir, Date.now);
  await prepareFolder(shop.app);
  return shop;
}

async function openFolder(dataDir: string, now: () => number): Promise<TestShop> {
  const payment = standInPayment({ answerMs: 1, timeoutMs: 20 });
  const app = await createApp({ dataDir, now, logLevel: 'silent', payment });
  return {
    app,
    close: async () => {
      await app.db.close();
      await rm(dataDir, { recursive: true, force: true });
    },
  };
}
