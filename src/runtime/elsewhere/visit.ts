import { newId } from '../new-id';
import { kept } from '../kept';

const VISIT_MS = 30 * 60_000;
const storage = kept('pl_visit', 'sessionStorage');

/** The visit's id, kept until 30 minutes after the last sign of life; the shop goes on with it when the shopper comes over. */
export function visitId(): string {
  const [id = '', until = '0'] = storage.read().split(' ');
  const visit = Number(until) > Date.now() ? id : newId();
  storage.write(`${visit} ${Date.now() + VISIT_MS}`);
  return visit;
}

/** The visit comes from the site it is on. */
export const visitSource = (): string => location.host.slice(0, 60);
