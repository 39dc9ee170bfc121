const SAFE: readonly string[] = ['GET', 'HEAD', 'OPTIONS'];
/** What a page can send to any site without asking it (Fetch standard); other types ask first, and are refused there. */
const OF_FORMS = /application\/x-www-form-urlencoded|multipart\/form-data|text\/plain/i;

/**
 * Whether a request that can change something comes from a page of another site. Pages that keep their address to themselves send
 * no origin along (`null`); of those, browsers say whether it was ours (Fetch Metadata).
 */
export function isPostedElsewhere(
  { method, headers }: { readonly method: string; readonly headers: Headers },
  origin: string,
): boolean {
  if (SAFE.includes(method)) return false;
  const type = headers.get('content-type');
  if (type !== null && !OF_FORMS.test(type)) return false;
  const from = headers.get('origin');
  if (from === 'null') return headers.get('sec-fetch-site') !== 'same-origin';
  return from !== origin;
}
