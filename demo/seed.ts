import { parseArgs } from 'node:util';
import { dayIn } from '~/core/time';
import { seedRepository } from '~/data';
import { createApp, type App } from '~/services/app';
import { hashPassword } from '~/services/accounts';
import { startLane } from '~/services/publish-lane';
import { seedCatalogue } from './catalogue';
import { draftDemoLane, liveDemoLane } from './lane';
import { randomFrom } from './random';
import { SYNONYMS } from './synonyms';
import { playTraffic } from './traffic';

export const DEMO_OWNER = { email: 'owner@hollowtarn.example', password: 'windward', name: 'Runa Halse' } as const;

/** Fills an empty database with Hollowtarn Kites. `scale` 1 is about 60,000 visits; 0 leaves the past empty. */
export async function seedDemo(app: App, scale: number, say: (line: string) => void = () => undefined): Promise<void> {
  const random = randomFrom(20261124);
  const lane = liveDemoLane();
  const today = dayIn(lane.shop.timeZone, app.now());
  await app.accounts.insert({
    email: DEMO_OWNER.email,
    name: DEMO_OWNER.name,
    role: 'owner',
    passwordHash: await hashPassword(DEMO_OWNER.password),
  });
  await startLane(app, lane, draftDemoLane());
  await seedCatalogue(app.db, random, today, app.now());
  say('catalogue and artwork are in');
  if (scale > 0) {
    const seed = seedRepository(app.db);
    const { visits, orders } = playTraffic(random, await seed.listShelves(), lane, today, scale);
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
  await app.catalogue.refreshFigures();
  await app.catalogue.refreshSearch();
  await app.catalogue.writeSynonyms(SYNONYMS);
}

if (process.argv[1]?.endsWith('seed.ts')) {
  const { values } = parseArgs({
    options: { data: { type: 'string', default: 'var/demo' }, scale: { type: 'string', default: '1' } },
  });
  const app = await createApp({ dataDir: values.data, logLevel: 'warn' });
  const [row] = await app.db.select<{ n: number }>('SELECT count(*) n FROM accounts');
  if (row!.n > 0) console.log('  the database is seeded already');
  else await seedDemo(app, Number(values.scale), (line) => console.log(`  ${line}`));
  await app.db.close();
}
