import { screenOf } from '~/studio/screens';
import type { Role, SignedIn } from '~/core/people';

/** The role that opens a route. A route of the studio nobody has thought of is the owner's alone. */
export function roleFor(route: string): Role | null {
  if (route.startsWith('/api/studio')) return 'viewer';
  if (!/^\/studio(\/|$)/.test(route)) return null;
  const screen = screenOf(route);
  return screen ? screen.role : 'owner';
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
