import { newId } from '../new-id';

const VISIT_MINUTES = 30;

/** The visit's id, kept until 30 minutes after the last page. */
export function visitId(): string {
  const found = /(?:^|; )pl_visit=([\w-]{6,60})/.exec(document.cookie)?.[1];
  const id = found ?? newId();
  if (!found) sessionStorage.removeItem('pl_source');
  document.cookie = `pl_visit=${id}; path=/; max-age=${VISIT_MINUTES * 60}; samesite=lax`;
  return id;
}

/** Where the visit came from: a word in the address, the site before, or direct. Kept for the visit. */
export function visitSource(): string {
  const kept = sessionStorage.getItem('pl_source');
  if (kept) return kept;
  const named = new URLSearchParams(location.search).get('from') ?? '';
  const before = document.referrer && new URL(document.referrer).host;
  const other = before === location.host ? '' : before.slice(0, 60);
  const source = /^[\w-]{1,40}$/.test(named) ? named : other || 'direct';
  sessionStorage.setItem('pl_source', source);
  return source;
}
