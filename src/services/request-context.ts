import { dayIn } from '~/core/time';
import type { App } from './app';
import { liveLane, type LiveLane } from './lane/live-lane';

/** What one request is answered from: the same lane, day and language from its beginning to its end. */
export interface RequestContext {
  readonly app: App;
  /** The live lane, or a draft that is looked at. */
  readonly live: LiveLane;
  /** The shop's day, YYYY-MM-DD. */
  readonly today: string;
  readonly language: string;
}

/** Made once, where a request comes in; everything it calls is handed it. `lane`: another than the live one. */
export async function requestContext(
  app: App,
  { language = 'en', lane = null }: { readonly language?: string; readonly lane?: LiveLane | null } = {},
): Promise<RequestContext> {
  const live = lane ?? (await liveLane(app));
  return { app, live, today: dayIn(live.lane.shop.timeZone, app.now()), language };
}
