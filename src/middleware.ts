import type { APIContext } from 'astro';
import { defineMiddleware } from 'astro:middleware';
import { refusalOf } from '~/services/access';
import { signedIn } from '~/services/accounts';
import { DraftUnreadable } from '~/services/edit-draft';
import { scriptHashesOf, securityPolicy } from '~/services/security-policy';
import { rememberPage, type Asked } from '~/services/remembered';
import { theApp } from '~/services/the-app';
import { isOurs, roleFor } from './pages/_access';
import { refuse } from './pages/api/_respond';
import { chooseLanguage } from './shop/choose-language';

/**
 * Hands the app and the signed-in account to every route, keeps the studio for accounts, and answers bugs with a 500 that tells
 * nothing. What a request may do is judged by the route it matched, never by how its address is written.
 */
export const onRequest = defineMiddleware(async (context, next) => {
  const route = context.routePattern;
  // The page of a fault is for faults; asked for by name there is nothing there.
  if (!isOurs(route) || /^\/500\/?$/.test(context.url.pathname))
    return new Response('There is nothing here.\n', { status: 404 });
  const app = await theApp();
  context.locals.app = app;
  context.locals.account = await signedIn(app, context.cookies.get('pl_sign_in')?.value);
  context.locals.language = 'en';
  const isApi = route.startsWith('/api/');
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
      const { language, redirectTo } = await chooseLanguage(context);
      context.locals.language = language;
      if (redirectTo) return context.redirect(redirectTo, 302);
    }
    return await rememberPage(app, askedOf(context), async () => {
      const response = await next();
      const own = response.headers.get('content-security-policy');
      if (own?.includes('script-src'))
        response.headers.set('content-security-policy', securityPolicy(scriptHashesOf(own)));
      const isOwn = !context.cookies.headers().next().done;
      return { response, isOwn };
    });
  } catch (error) {
    if (error instanceof DraftUnreadable && !isApi) return context.redirect('/studio/mend', 303);
    app.log.error({ err: error, route }, 'request failed');
    if (!isApi) throw error;
    return refuse([{ path: '', code: 'our-fault' }]);
  }
});

function askedOf({ request, url }: APIContext): Asked {
  const { method, headers } = request;
  const address = url.pathname + url.search;
  return { method, address, origin: url.origin, cookies: headers.get('cookie') ?? '', etag: '' };
}
