import type { APIContext, APIRoute } from 'astro';
import type { Role, SignedIn } from '~/core/people';
import { refusalOf } from '~/services/accounts/access';
import { refuse } from './_respond';

const roles = new WeakMap<APIRoute, Role>();

/** A handler of the studio: it runs for accounts of this role or above, and for nobody else. */
export function withAccount(
  role: Role,
  handler: (context: APIContext, account: SignedIn) => Response | Promise<Response>,
): APIRoute {
  const guarded: APIRoute = (context) => {
    const refusal = refusalOf(context.locals.account, role);
    return refusal ? refuse([refusal]) : handler(context, context.locals.account!);
  };
  roles.set(guarded, role);
  return guarded;
}

/** The role a handler was guarded with; undefined for one that was not. */
export function roleOfHandler(handler: APIRoute): Role | undefined {
  return roles.get(handler);
}
