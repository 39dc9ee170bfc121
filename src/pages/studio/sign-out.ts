import type { APIRoute } from 'astro';
import { signOut } from '~/services/accounts/accounts';

export const POST: APIRoute = async ({ locals, cookies, redirect }) => {
  const secret = cookies.get('pl_sign_in')?.value;
  if (secret) await signOut(locals.app, secret);
  cookies.delete('pl_sign_in', { path: '/' });
  return redirect('/studio/sign-in', 303);
};
