import type { ServerResponse } from 'node:http';

/** What every page may load. Scripts are ours alone; the studio's pages add the hashes of the framework's own (see middleware). */
const POLICY = [
  "default-src 'self'",
  "script-src 'self'",
  // Pieces and charts set styles as attributes; a style cannot run anything.
  "style-src 'self' 'unsafe-inline'",
  // A catalogue may name pictures and films anywhere.
  "img-src 'self' data: blob: https:",
  "media-src 'self' https:",
  "font-src 'self' data:",
  "connect-src 'self'",
  "worker-src 'self' blob:",
  "frame-src 'self'",
  "frame-ancestors 'self'",
  "base-uri 'none'",
  "form-action 'self'",
  "object-src 'none'",
].join('; ');

/** Answers that are one shopper's or one owner's own, and go stale with the next press. */
const NEVER_STORED =
  /^\/(studio|api\/(studio|cart|checkout|orders|uploads|suggestions)|shop\/(cart|checkout|thanks|quick-pay|change)|files)(\/|$)/;

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
