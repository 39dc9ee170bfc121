import type { APIContext } from 'astro';
import { defineMiddleware } from 'astro:middleware';
import { cartRename } from '~/core/words';
import { refusalOf } from '~/services/accounts/access';
import { isPostedElsewhere } from '~/services/accounts/posted-elsewhere';
import { judgeSite } from '~/services/links/other-sites';
import { signedIn } from '~/services/accounts/accounts';
import { DraftUnreadable } from '~/services/draft/edit-draft';
import { scriptHashesOf, securityPolicy } from '~/services/accounts/security-policy';
import { keepNowhere, cachePage, type Asked } from '~/services/page-cache';
import { draftLane, liveLane } from './services/lane/live-lane';
import { theApp } from '~/services/app-instance';
import { isOurs, roleFor } from './pages/_access';
import { refuse } from './pages/api/_respond';
import { noteSource } from '~/services/offers/circumstances';
import { cartToken, visitId } from './shop/cookies/cart-cookie';
import { chooseLanguage } from './shop/choose-language';
import { opensSoon } from './shop/opens-soon';

/**
 * Hands the app and the signed-in account to every route, keeps the studio for accounts, and answers bugs with a 500 that tells
 * nothing. What a request may do is judged by the route it matched, never by how its address is written.
 */
export const onRequest = defineMiddleware(async (context, next) => {
  const route = context.routePattern;
  // The page of a fault is for faults; asked for by name there is nothing there.
  if (!isOurs(route) || /^\/500\/?$/.test(context.url.pathname))
    return new Response('There is nothing here.\n', { status: 404 });
  if (isPostedElsewhere(context.request, context.url.origin))
    return new Response('This was sent from a page of another site.\n', { status: 403 });
  const app = await theApp();
  context.locals.app = app;
  context.locals.account = await signedIn(app, context.cookies.get('pl_sign_in')?.value);
  context.locals.language = 'en';
  context.locals.draft = null;
  context.locals.rename = (text) => text;
  const isApi = route.startsWith('/api/');
  const from = context.request.headers.get('origin');
  const site = await judgeSite(app, {
    route,
    method: context.request.method,
    from,
    origin: context.url.origin,
    address: context.clientAddress,
  });
  if (site.isWhole) return new Response(null, { status: site.isListed ? 204 : 403, headers: site.headers });
  const role = roleFor(route);
  const refusal = role && refusalOf(context.locals.account, role);
  if (refusal) {
    if (isApi) return refuse([refusal]);
    if (context.locals.account) return context.redirect('/studio', 303);
    const { pathname, search } = context.url;
    return context.redirect(`/studio/sign-in?next=${encodeURIComponent(pathname + search)}`, 303);
  }
  try {
    if (!/^\/(api\/)?studio(\/|$)|^\/api\/health$/.test(route)) {
      context.locals.draft = await draftLane(app, context.url.searchParams.get('draft'));
      const { language, redirectTo } = await chooseLanguage(context);
      context.locals.language = language;
      const live = await liveLane(app);
      const { draft, account } = context.locals;
      context.locals.rename = cartRename((draft ?? live).lane.shop.cart, language);
      // Nobody but those who work on it walks through a shop that is not open yet.
      if (live.revision === 0 && !account && !draft)
        return isApi ? refuse([{ path: '', code: 'shop-closed' }], context.locals) : opensSoon(live, language);
      if (redirectTo) return context.redirect(redirectTo, 302);
      if (PRICED_FOR_WHO.test(route)) await noteCartSource(context);
      // And nothing that is not published is remembered for others.
      const sites = route === '/shop/embed' ? live.lane.shop.sites : [];
      if (live.revision === 0 || draft || sites.length > 0) return keepNowhere(withPolicy(await next(), sites));
    }
    const answer = await cachePage(app, askedOf(context), async () => {
      const response = withPolicy(await next());
      const isOwn = !context.cookies.headers().next().done;
      return { response, isOwn };
    });
    for (const [name, value] of Object.entries(site.headers)) answer.headers.set(name, value);
    return answer;
  } catch (error) {
    if (error instanceof DraftUnreadable && !isApi) return context.redirect('/studio/mend', 303);
    app.log.error({ err: error, route, request: requestId(context.request) }, 'request failed');
    if (!isApi) throw error;
    return refuse([{ path: '', code: 'our-fault' }], context.locals);
  }
});

/** Where the price may hang on where the visit came from. */
const PRICED_FOR_WHO = /^\/(api|shop)\/(cart|checkout|orders)(\/|$)/;

async function noteCartSource({ cookies, request, locals }: APIContext): Promise<void> {
  const [token, visit] = [cartToken(cookies, request.headers), visitId(cookies, request.headers)];
  if (token && visit) await noteSource(locals.app, token, visit);
}

/** By which a request is found in the log. */
function requestId(request: Request): string | null {
  return request.headers.get('x-request-id');
}

function withPolicy(response: Response, sites: readonly string[] = []): Response {
  const own = response.headers.get('content-security-policy');
  if (own?.includes('script-src') || sites.length > 0)
    response.headers.set('content-security-policy', securityPolicy(scriptHashesOf(own ?? ''), sites));
  return response;
}

function askedOf({ request, url }: APIContext): Asked {
  const { method, headers } = request;
  const address = url.pathname + url.search;
  return { method, address, origin: url.origin, cookies: headers.get('cookie') ?? '', etag: '' };
}
