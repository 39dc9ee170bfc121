import { defineMiddleware } from 'astro:middleware';
import { wordProblem } from '~/core/problems';
import { signedIn } from '~/services/accounts';
import { theApp } from '~/services/the-app';

const HEADERS = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'strict-origin-when-cross-origin',
  'x-frame-options': 'SAMEORIGIN',
  'permissions-policy': 'camera=(), microphone=(), geolocation=()',
} as const;

/** Hands the app and the signed-in account to every route, keeps the studio for accounts, and answers bugs with a 500 that tells nothing. */
export const onRequest = defineMiddleware(async (context, next) => {
  const app = await theApp();
  const { pathname } = context.url;
  context.locals.app = app;
  context.locals.account = await signedIn(app, context.cookies.get('pl_sign_in')?.value);
  const isApi = pathname.startsWith('/api/');
  const isStudio = pathname.startsWith('/studio') || pathname.startsWith('/api/studio');
  if (isStudio && !context.locals.account && pathname !== '/studio/sign-in') {
    if (isApi)
      return Response.json(
        { problems: [{ path: '', code: 'not-signed-in', message: wordProblem({ code: 'not-signed-in' }) }] },
        { status: 401 },
      );
    return context.redirect(`/studio/sign-in?next=${encodeURIComponent(pathname + context.url.search)}`, 303);
  }
  try {
    const response = await next();
    for (const [name, value] of Object.entries(HEADERS)) response.headers.set(name, value);
    return response;
  } catch (error) {
    app.log.error({ err: error, path: pathname }, 'request failed');
    if (!isApi) throw error;
    return Response.json(
      { problems: [{ path: '', code: 'invalid', message: 'Something went wrong on our side. Nothing was changed.' }] },
      { status: 500 },
    );
  }
});
