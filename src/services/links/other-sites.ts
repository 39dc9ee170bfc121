import type { Seen } from '~/contract/shop/visits';
import { dayIn } from '~/core/time';
import type { RefusedSite, SeenElsewhere } from '~/data';
import type { App } from '~/services/app';
import { liveLane } from '~/services/lane/live-lane';
import { network } from '~/services/limits';

/** Routes that the listed sites may ask from a shopper's browser. */
const OPEN =
  /^\/api\/(manifest|cart|cart\/many|products\/\[slug\]|find-product|quote|suggestions|events|carry|seen|uploads)\/?$/;
const DAY_MS = 86_400_000;
/** An origin as browsers write it. */
const SITE = /^https?:\/\/[a-z0-9.-]+(:\d{1,5})?$/;

const ALLOWED = {
  'access-control-allow-methods': 'GET, POST',
  'access-control-allow-headers': 'content-type, x-pl-cart, x-pl-site',
  'access-control-max-age': '7200',
};

interface AskedFrom {
  readonly route: string;
  readonly method: string;
  /** The `Origin` header. */
  readonly from: string | null;
  /** The shop's own. */
  readonly origin: string;
  /** Of who asks. */
  readonly address: string;
}

/**
 * Judges a request that a page of another site makes (Fetch Standard, CORS): the headers its answer carries, none for a site that
 * is not listed, and whether that is all there is to answer. A refusal is noted, so that the owner learns of it.
 */
export async function judgeSite(
  app: App,
  { route, method, from, origin, address }: AskedFrom,
): Promise<{
  readonly headers: Readonly<Record<string, string>>;
  readonly isWhole: boolean;
  readonly isListed: boolean;
}> {
  const isWhole = method === 'OPTIONS';
  if (from === null || from === origin || !OPEN.test(route)) return { headers: {}, isWhole: false, isListed: false };
  const { lane } = await liveLane(app);
  if (!lane.shop.sites.includes(from)) {
    // Once a page: every page asks for the manifest. The header can be forged, so it is only noted.
    const isTold = isWhole && route.startsWith('/api/manifest') && SITE.test(from) && from.length <= 200;
    if (isTold && (await app.limits.refused.take(network(address))) === null)
      await app.elsewhere.noteRefused(from, dayIn(lane.shop.timeZone, app.now()), app.now());
    return { headers: { vary: 'origin' }, isWhole, isListed: false };
  }
  const named = { 'access-control-allow-origin': from, vary: 'origin', 'cross-origin-resource-policy': 'cross-origin' };
  return { headers: isWhole ? { ...named, ...ALLOWED } : named, isWhole, isListed: true };
}

/** Notes what a listed site's page holds, told from an address; more than one tells in a day is left out. */
export async function noteSeen(app: App, site: string, from: string, { path, links, errors }: Seen): Promise<void> {
  const { lane } = await liveLane(app);
  if (!lane.shop.sites.includes(site)) return;
  const now = app.now();
  const day = dayIn(lane.shop.timeZone, now);
  // A page that only reports errors is noted without a snippet.
  const told = [...new Set(links.length > 0 ? links : [''])];
  if ((await app.limits.seen.take(network(from), told.length)) !== null) return;
  await app.elsewhere.noteSeen({ site, path, links: told, errors }, day, now);
}

/** Where snippets were seen in the last days, and which sites were refused; what is listed by now is not. */
export async function showElsewhere(
  app: App,
  days: number,
): Promise<{ readonly seen: readonly SeenElsewhere[]; readonly refused: readonly RefusedSite[] }> {
  const { lane } = await liveLane(app);
  const { seen, refused } = await app.elsewhere.listSeen(dayIn(lane.shop.timeZone, app.now() - (days - 1) * DAY_MS));
  return { seen, refused: refused.filter(({ site }) => !lane.shop.sites.includes(site)) };
}
