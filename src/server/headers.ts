import type { ServerResponse } from 'node:http';
import { securityPolicy } from '~/services/accounts/security-policy';

const POLICY = securityPolicy();

/** Answers that are one shopper's or one owner's own, and go stale with the next press. */
const NEVER_STORED =
  /^\/(studio|api\/(studio|cart|checkout|orders|uploads|suggestions)|shop\/(buy|carry|cart|checkout|thanks|quick-pay|change)|files)(\/|$)/;

const ONE_YEAR = 31_536_000;

/** Sets what every answer carries, errors among them; whoever answers may set its own in their place. */
export function setStandingHeaders(response: ServerResponse, path: string, isSecure: boolean): void {
  response.setHeader('x-content-type-options', 'nosniff');
  response.setHeader('referrer-policy', 'strict-origin-when-cross-origin');
  response.setHeader('x-frame-options', 'SAMEORIGIN');
  response.setHeader('permissions-policy', 'camera=(), microphone=(), geolocation=()');
  response.setHeader('cross-origin-opener-policy', 'same-origin');
  response.setHeader('content-security-policy', POLICY);
  if (isSecure) response.setHeader('strict-transport-security', `max-age=${ONE_YEAR}`);
  if (NEVER_STORED.test(path)) response.setHeader('cache-control', 'no-store');
}
