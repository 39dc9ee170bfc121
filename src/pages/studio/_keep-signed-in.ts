import type { AstroGlobal } from 'astro';
import { DEVICE_DAYS, SIGN_IN_DAYS, type SignInPlace, type SignInSecrets } from '~/services/accounts/accounts';

/** Puts what signing in gave into the browser's cookies: the session for the whole site, the device for signing in again. */
export function keepSignedIn(
  { cookies, url }: Pick<AstroGlobal, 'cookies' | 'url'>,
  { secret, device }: SignInSecrets,
): void {
  const kept = { httpOnly: true, sameSite: 'lax', secure: url.protocol === 'https:' } as const;
  cookies.set('pl_sign_in', secret, { ...kept, path: '/', maxAge: SIGN_IN_DAYS * 86_400 });
  cookies.set('pl_device', device, { ...kept, path: '/studio', maxAge: DEVICE_DAYS * 86_400 });
}

/** Where a request to sign in comes from. */
export function placeOf({
  clientAddress,
  cookies,
  request,
}: Pick<AstroGlobal, 'clientAddress' | 'cookies' | 'request'>): SignInPlace {
  const device = cookies.get('pl_device')?.value;
  return { from: clientAddress, agent: request.headers.get('user-agent') ?? '', ...(device && { device }) };
}
