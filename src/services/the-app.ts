import { createApp, type App } from './app';
import { sendOrderMails } from './order-mails';
import { releaseAbandoned } from './place-order';
import { processSlot } from './process-slot';
import { sweepUploads } from './uploads';

const SWEEP_MS = 60_000;

/** The app of this process, opened on first use from `PAVED_LANE_DATA`. A start that failed is tried again by the next who asks. */
export function theApp(): Promise<App> {
  const slot = processSlot();
  if (!slot.app) {
    const opening = open();
    slot.app = opening;
    opening.catch(() => delete slot.app);
  }
  return slot.app;
}

async function open(): Promise<App> {
  const dataDir = process.env['PAVED_LANE_DATA'] ?? 'var/demo';
  const app = await createApp({ dataDir, logLevel: process.env['PAVED_LANE_LOG'] ?? 'info' });
  const sweep = async () => {
    for (const work of [releaseAbandoned, sendOrderMails, sweepUploads])
      await work(app).catch((error: unknown) => app.log.error({ err: error, work: work.name }, 'sweep failed'));
  };
  // Whatever was being paid when this folder was last served, nobody waits for it now.
  await releaseAbandoned(app, 0);
  await sweep();
  setInterval(() => void sweep(), SWEEP_MS).unref();
  return app;
}
