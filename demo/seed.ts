import { parseArgs } from 'node:util';
import type { Lane } from '~/core/lane';
import { dayIn } from '~/core/time';
import { seedRepository } from '~/data';
import { createApp, type App } from '~/services/app';
import { countRecentSales } from '~/services/catalogue/count-recent-sales';
import { hashPassword } from '~/services/accounts/accounts';
import { startLane } from '~/services/draft/publish-lane';
import { seedCatalogue } from './catalogue';
import { draftDemoLane, liveDemoLane } from './lane';
import { seedMany } from './many';
import { BETTER, PRODUCTS } from './products';
import { randomFrom } from './random';
import { withShowcase } from './showcase';
import { SYNONYMS } from './synonyms';
import { playTraffic } from './traffic';

export const DEMO_OWNER = { email: 'owner@hollowtarn.example', password: 'windward', name: 'Runa Halse' } as const;

/**
 * Fills an empty database with Hollowtarn Kites. `scale` 1 is about 60,000 visits; 0 leaves the past empty. `products`, where
 * it is more than the demo has, adds made-up ones up to that number. `showcase`: with a piece of every kind in the shop.
 */
export async function seedDemo(
  app: App,
  scale: number,
  {
    say = () => undefined,
    products = 0,
    showcase = false,
  }: { say?: (line: string) => void; products?: number; showcase?: boolean } = {},
): Promise<void> {
  const random = randomFrom(20261124);
  // The past was sold with the lane as it was; the rest is new today.
  const lane = liveDemoLane();
  const today = dayIn(lane.shop.timeZone, app.now());
  await app.accounts.insert({
    email: DEMO_OWNER.email,
    name: DEMO_OWNER.name,
    role: 'owner',
    passwordHash: await hashPassword(DEMO_OWNER.password),
  });
  const opened = (made: Lane) => (showcase ? withShowcase(made) : made);
  await startLane(app, opened(liveDemoLane()), opened(draftDemoLane()));
  await seedCatalogue(app.db, random, today, app.now());
  say('catalogue and artwork are in');
  if (scale > 0) {
    const seed = seedRepository(app.db);
    const { visits, orders } = playTraffic(random, await seed.listShelves(), lane, { today, scale });
    let done = 0;
    await app.db.inTransaction(async () => {
      await seed.writeVisits(visits, (count) => {
        const before = Math.floor(done / 100_000);
        done += count;
        if (Math.floor(done / 100_000) > before) say(`${done.toLocaleString('en')} events`);
      });
      await seed.writeOrders(orders);
    });
    say(
      `${visits.length.toLocaleString('en')} visits, ${orders.length.toLocaleString('en')} orders, ${done.toLocaleString('en')} events are in`,
    );
  }
  const more = products - PRODUCTS.length;
  if (more > 0) {
    const pictures = await seedRepository(app.db).listPictures();
    await seedMany(app.db, random, { count: more, today, pictures }, app.now());
    say(`${more.toLocaleString('en')} more products are in`);
  }
  await app.catalogue.refreshFigures();
  await countRecentSales(app);
  await app.catalogue.refreshSearch();
  await app.catalogue.writeSynonyms(SYNONYMS);
  for (const [slug, better] of Object.entries(BETTER))
    await app.db.run('UPDATE products SET better = $better, better_price_minor = $minor WHERE slug = $slug', {
      slug,
      better: better.slug,
      minor: better.minor,
    });
}

if (process.argv[1]?.endsWith('seed.ts')) {
  const { values } = parseArgs({
    options: {
      data: { type: 'string', default: 'var/demo' },
      scale: { type: 'string', default: '1' },
      products: { type: 'string', default: '0' },
    },
  });
  const app = await createApp({ dataDir: values.data, logLevel: 'warn' });
  const [row] = await app.db.select<{ n: number }>('SELECT count(*) n FROM accounts');
  if (row!.n > 0) console.log('  the database is seeded already');
  else {
    const say = (line: string) => console.log(`  ${line}`);
    await seedDemo(app, Number(values.scale), { say, products: Number(values.products), showcase: true });
  }
  await app.db.close();
}
