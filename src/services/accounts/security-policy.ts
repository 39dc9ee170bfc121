/** What every page may load. Scripts come from us only. */
const DIRECTIVES = {
  'default-src': "'self'",
  'script-src': "'self'",
  // Pieces and charts set styles as attributes; a style cannot run anything.
  'style-src': "'self' 'unsafe-inline'",
  // A catalogue may name pictures and films anywhere.
  'img-src': "'self' data: blob: https:",
  'media-src': "'self' https:",
  'font-src': "'self' data:",
  'connect-src': "'self'",
  'worker-src': "'self' blob:",
  'frame-src': "'self'",
  'frame-ancestors': "'self'",
  'base-uri': "'none'",
  'form-action': "'self'",
  'object-src': "'none'",
} as const;

/** The content security policy (CSP 3) of a page, with the hashes of scripts that stand in the page itself, and the sites that may frame it. */
export function securityPolicy(scriptHashes: readonly string[] = [], sites: readonly string[] = []): string {
  const more: Readonly<Record<string, readonly string[]>> = { 'script-src': scriptHashes, 'frame-ancestors': sites };
  return Object.entries(DIRECTIVES)
    .map(([name, value]) => [name, value, ...(more[name] ?? [])].join(' '))
    .join('; ');
}

/** The hashes a framework's own policy names for the scripts it wrote into a page. */
export function scriptHashesOf(policy: string): string[] {
  const scripts = policy.split(';').find((directive) => directive.trim().startsWith('script-src')) ?? '';
  return scripts.match(/'sha(256|384|512)-[\w+/=]+'/g) ?? [];
}
