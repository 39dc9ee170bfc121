import type { AstroCookies } from 'astro';
import { randomUUID } from 'node:crypto';
import { asksNotToBeTracked } from '~/services/visits/privacy';

const CART = 'pl_cart';
const HEADER = 'x-pl-cart';
const VISIT = 'pl_visit';
const FLASH = 'pl_flash';
const DAYS_60 = 60 * 86_400;
const TOKEN = /^[0-9a-f-]{36}$/;

/** The cart's secret, if the shopper has one; other sites send it in a header. One of another shape is as good as none. */
export function cartToken(cookies: AstroCookies, headers?: Headers): string | null {
  const value = headers?.get(HEADER) ?? cookies.get(CART)?.value ?? '';
  return TOKEN.test(value) ? value : null;
}

export function ensureCartToken(cookies: AstroCookies, isSecure: boolean, headers?: Headers): string {
  const token = cartToken(cookies, headers) ?? randomUUID();
  if (!headers?.has(HEADER)) keepCart(cookies, token, isSecure);
  return token;
}

export function keepCart(cookies: AstroCookies, token: string, isSecure: boolean): void {
  cookies.set(CART, token, { path: '/', httpOnly: true, sameSite: 'lax', secure: isSecure, maxAge: DAYS_60 });
}

/** Goes on with a visit that began on another site, as the runtime does. */
export function keepVisit(cookies: AstroCookies, visit: string, isSecure: boolean): void {
  cookies.set(VISIT, visit, { path: '/', sameSite: 'lax', secure: isSecure, maxAge: 1800 });
}

/** The visit the runtime records under, if it records at all and the browser does not ask to be left out. */
export function visitId(cookies: AstroCookies, headers: Headers): string | null {
  if (asksNotToBeTracked(headers)) return null;
  const value = cookies.get(VISIT)?.value ?? '';
  return /^[\w-]{6,60}$/.test(value) ? value : null;
}

/** One message for the next page, for shoppers without script. */
export function setFlash(cookies: AstroCookies, message: string): void {
  cookies.set(FLASH, message, { path: '/', httpOnly: true, sameSite: 'lax', maxAge: 60 });
}

export function takeFlash(cookies: AstroCookies): string | null {
  const message = cookies.get(FLASH)?.value ?? null;
  if (message) cookies.delete(FLASH, { path: '/' });
  return message;
}
