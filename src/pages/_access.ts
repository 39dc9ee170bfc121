import type { Role, SignedIn } from '~/core/people';

/** Which role a page of the studio needs, by route. Null: anybody. The API's handlers name their own (`withAccount`). */
const PAGES: Readonly<Record<string, Role | null>> = {
  '/studio': 'viewer',
  '/studio/begin': null,
  '/studio/bench/[piece]': 'viewer',
  '/studio/catalogue': 'viewer',
  '/studio/catalogue/[slug]': 'viewer',
  '/studio/catalogue/[slug]/options': 'viewer',
  '/studio/catalogue/categories': 'editor',
  '/studio/catalogue/import': 'editor',
  '/studio/catalogue/searches': 'editor',
  '/studio/enter': null,
  '/studio/forgot': null,
  '/studio/links': 'editor',
  '/studio/mailbox': 'owner',
  '/studio/mend': 'editor',
  '/studio/orders': 'owner',
  '/studio/orders/[id]': 'owner',
  '/studio/orders/[id]/print': 'owner',
  '/studio/offers': 'editor',
  '/studio/people': 'viewer',
  '/studio/revisions': 'viewer',
  '/studio/suggestions': 'editor',
  '/studio/shop': 'viewer',
  '/studio/sign-in': null,
  '/studio/sign-out': null,
  '/studio/stretch/[stretch]': 'viewer',
};

/** The role that opens a route. A route of the studio nobody has thought of is the owner's alone. */
export function roleFor(route: string): Role | null {
  if (route.startsWith('/api/studio')) return 'viewer';
  if (!/^\/studio(\/|$)/.test(route)) return null;
  return Object.hasOwn(PAGES, route) ? PAGES[route]! : 'owner';
}

/** Routes we made. The framework brings some of its own; those stay closed. */
export function isOurs(route: string): boolean {
  return /^\/((shop|studio|api|files)(\/|$)|$|404$|500$)/.test(route);
}

/** Whoever came in; the middleware lets nobody else reach a page that asks. */
export function enteredAs(locals: { readonly account: SignedIn | null }): SignedIn {
  if (!locals.account) throw new Error('A page of the studio was reached without an account');
  return locals.account;
}
