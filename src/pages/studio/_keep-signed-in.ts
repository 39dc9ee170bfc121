import type { AstroGlobal } from 'astro';
import { DEVICE_DAYS, SIGN_IN_DAYS } from '~/services/accounts/accounts';

/** Puts what signing in gave into the browser's cookies: the session for the whole site, the device for signing in again. */
export function keepSignedIn(
  { cookies, url }: Pick<AstroGlobal, 'cookies' | 'url'>,
  { secret, device }: { readonly secret: string; readonly device: string },
): void {
  const kept = { httpOnly: true, sameSite: 'lax', secure: url.protocol === 'https:' } as const;
  cookies.set('pl_sign_in', secret, { ...kept, path: '/', maxAge: SIGN_IN_DAYS * 86_400 });
  cookies.set('pl_device', device, { ...kept, path: '/studio/sign-in', maxAge: DEVICE_DAYS * 86_400 });
}
