import { lockFolder } from '~/data';
import { lookForDamage } from './check-health';
import { createApp, type App } from './app';
import { publishDue } from './draft/plan-publishing';
import { offerBeginning, prepareFolder } from './draft/begin';
import { importsEnded, stopLostImports } from './catalogue/running-imports';
import { settleRefunds } from './orders/refunds';
import { sendOrderMails } from './orders/order-mails';
import { releaseAdditions } from './orders/add-after';
import { releaseAbandoned } from './orders/place-order';
import { settleShownPrices } from './prices/record-shown';
import { alignDraft } from './grounds/align-draft';
import { convertOffers } from './draft/convert-offers';
import { sweepPersonal } from './visits/privacy';
import { sweepSearches } from './catalogue/mend-searches';
import { countRecentSales } from './catalogue/count-recent-sales';
import { SENT_PER_MINUTE } from './limits';
import { processSlot } from './process-slot';
import { findCached } from './page-cache';
import { sweepUploads } from './files/uploads';

const SWEEP_MS = 60_000;
/** What is planned goes out within as long of its time. */
const PLANS_MS = 10_000;
const DAILY_MS = 86_400_000;

/** The app of this process, opened on first use from `PAVED_LANE_DATA`. A start that failed is tried again by the next who asks. */
export function theApp(): Promise<App> {
  const slot = processSlot();
  if (!slot.app) {
    const opening = open();
    slot.app = opening;
    opening.catch((error: unknown) => {
      slot.fault = (error as Error).message;
      delete slot.app;
    });
  }
  return slot.app;
}

async function open(): Promise<App> {
  const dataDir = process.env['PAVED_LANE_DATA'] ?? 'var/demo';
  const app = await createApp({
    dataDir,
    logLevel: process.env['PAVED_LANE_LOG'] ?? 'info',
    sentPerMinute: Number(process.env['PAVED_LANE_SENT_PER_MINUTE'] ?? SENT_PER_MINUTE),
  });
  const lock = await lockFolder(dataDir);
  if (!lock.isOurs) {
    await app.close();
    throw new Error(`Another server (process ${lock.pid ?? 'unknown'}) serves from ${dataDir}. Stop it first.`);
  }
  const timers: ReturnType<typeof setInterval>[] = [];
  // One object: caches are kept by app.
  const whole: App = {
    ...app,
    async close() {
      app.stopping.abort();
      for (const timer of timers) clearInterval(timer);
      await importsEnded();
      await app.close();
      await lock.release();
    },
  };
  await prepareFolder(whole);
  await offerBeginning(whole);
  // Nobody waits any more for work that was under way when this folder was last served.
  await stopLostImports(whole);
  await releaseAbandoned(whole, 0);
  await releaseAdditions(whole, 0);
  // Both may read everything: they run beside the first requests.
  void settleShownPrices(whole)
    .then(() => alignDraft(whole))
    .then(() => convertOffers(whole))
    .catch((error: unknown) => app.log.error({ err: error }, 'shown prices could not be told'));
  timers.push(
    every(SWEEP_MS, whole, [
      settleShownPrices,
      releaseAbandoned,
      releaseAdditions,
      settleRefunds,
      sendOrderMails,
      sweepUploads,
    ]),
    every(PLANS_MS, whole, [publishDue]),
    every(DAILY_MS, whole, [lookForDamage, sweepPersonal, countRecentSales, sweepSearches]),
  );
  processSlot().cachedAnswer = (asked) => findCached(whole, asked);
  return whole;
}

/** Runs these now and at intervals; a failure is logged and does not stop the others. */
function every(
  ms: number,
  app: App,
  works: readonly ((app: App) => Promise<unknown>)[],
): ReturnType<typeof setInterval> {
  const sweep = async () => {
    for (const work of works)
      await work(app).catch((error: unknown) => app.log.error({ err: error, work: work.name }, 'sweep failed'));
  };
  void sweep();
  return setInterval(() => void sweep(), ms).unref();
}
