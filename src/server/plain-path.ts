/** Longest path we serve; ours are far shorter, and every check below reads it whole. */
const LONGEST_PATH = 1024;
const LONGEST_ADDRESS = 16_384;

/** Characters of a path as RFC 3986 has them, with what is percent-encoded. */
const PATH = /^(?:[\w\-.~!$&'()*+,;=:@/]|%[0-9A-Fa-f]{2})*$/;
/** First segments that stand for a part of the program; other spellings of them lead nowhere. */
const AREAS = ['api', 'studio', 'shop', 'rt', 'media', '_astro'];

export type PathProblem = 'too-long' | 'not-plain';

/**
 * Whether a request's address is spelt in the one way we route: no empty or dot segments, nothing encoded that need not be,
 * no encoded slash, backslash or control character, areas in small letters. The framework decodes and tidies paths before it
 * routes them, so a guard that reads the raw text would judge another address than the one that is served.
 * Null: it is plain.
 */
export function findPathProblem(address: string): PathProblem | null {
  if (address.length > LONGEST_ADDRESS) return 'too-long';
  const [path = ''] = address.split(/[?#]/, 1);
  if (path.length > LONGEST_PATH) return 'too-long';
  if (!path.startsWith('/') || !PATH.test(path) || address.includes('#') || address.includes('%00')) return 'not-plain';
  const segments = path.slice(1).split('/');
  // One slash at the end is how people write folders.
  if (segments.length > 1 && segments.at(-1) === '') segments.pop();
  if (segments.length > 1 && segments.includes('')) return 'not-plain';
  if (!segments.every(isPlainSegment)) return 'not-plain';
  const area = segments[0]!.toLowerCase();
  return AREAS.includes(area) && area !== segments[0] ? 'not-plain' : null;
}

function isPlainSegment(segment: string): boolean {
  if (segment === '.' || segment === '..') return false;
  for (const [, hex] of segment.matchAll(/%(..)/g)) {
    const code = Number.parseInt(hex!, 16);
    const isUnreserved = /[\w\-.~]/.test(String.fromCharCode(code));
    // %25 would be decoded again by whoever decodes once too often.
    if (code < 0x20 || code === 0x7f || code === 0x25 || code === 0x2f || code === 0x5c || isUnreserved) return false;
  }
  try {
    decodeURIComponent(segment);
    return true;
  } catch {
    return false;
  }
}
