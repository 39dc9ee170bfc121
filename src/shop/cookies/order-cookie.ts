import type { AstroCookies } from 'astro';

const ORDER = 'pl_order';
const DAYS_60 = 60 * 86_400;

/** Sent with its own order's page and nowhere else. */
const pathOf = (token: string) => `/shop/thanks/${token}`;

/** What this browser holds of an order; empty: nothing. */
export function orderKey(cookies: AstroCookies): string {
  return cookies.get(ORDER)?.value ?? '';
}

export function keepOrderKey(cookies: AstroCookies, token: string, key: string, isSecure: boolean): void {
  const path = pathOf(token);
  cookies.set(ORDER, key, { path, httpOnly: true, sameSite: 'lax', secure: isSecure, maxAge: DAYS_60 });
}

/** The address of an order's page without the key that a mail put into it. */
export function withoutKey(url: URL): URL {
  const bare = new URL(url);
  bare.searchParams.delete('key');
  return bare;
}
