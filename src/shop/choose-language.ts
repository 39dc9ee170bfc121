import type { APIContext } from 'astro';
import { liveLane } from '~/services/lane/live-lane';

const COOKIE = 'pl_lang';
const ONE_YEAR_S = 365 * 86_400;

/**
 * The language a request is answered in: the one its address names, else the one chosen before, else the shop's first.
 * `redirectTo` is the same page at the address that names it, where it does not yet.
 */
export async function chooseLanguage(context: APIContext): Promise<{ language: string; redirectTo: string | null }> {
  const { app, draft } = context.locals;
  const { languages } = (draft ?? (await liveLane(app))).lane.shop;
  const named = context.url.searchParams.get('lang') ?? '';
  const before = context.cookies.get(COOKIE)?.value ?? '';
  const language = [named, before].find((candidate) => languages.includes(candidate)) ?? languages[0]!;
  // What is looked at is not chosen.
  if (!draft && languages.includes(named) && named !== before)
    context.cookies.set(COOKIE, named, {
      path: '/',
      sameSite: 'lax',
      httpOnly: true,
      secure: context.url.protocol === 'https:',
      maxAge: ONE_YEAR_S,
    });
  const isPage = context.request.method === 'GET' && context.routePattern.startsWith('/shop');
  if (!isPage || named === language || language === languages[0]) return { language, redirectTo: null };
  const to = new URL(context.url);
  to.searchParams.set('lang', language);
  return { language, redirectTo: to.pathname + to.search };
}
