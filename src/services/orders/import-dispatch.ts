import type { Dispatched } from '~/contract/studio/orders';
import { readOrderNumber } from '~/core/orders';
import { fail, ok, wordProblem, type Result } from '~/core/problems';
import type { App } from '~/services/app';
import { actOnOrder } from './fulfilment';

/** More orders than a shop sends in a day; each is a transaction and a mail of its own. */
const MOST_ROWS = 1000;
const ORDER_WORDS = ['order', 'ordernumber', 'number', 'bestellung', 'bestellnummer'];
const TRACKING_WORDS = ['tracking', 'trackingnumber', 'parcel', 'sendungsnummer'];

/**
 * Marks the orders of a CSV file as sent, with their tracking numbers: what a parcel service gives back. Its column Order
 * holds order numbers. Each row is handled by itself: a wrong one is reported with its line and stops no other.
 */
export async function importDispatch(app: App, bytes: Uint8Array, accountId: number): Promise<Result<Dispatched>> {
  const table = await app.reading.read({ kind: 'table', bytes, mostRows: MOST_ROWS });
  if (!table.ok) return table;
  const column = (words: readonly string[]) =>
    table.value.headings.findIndex((heading) => words.includes(heading.toLowerCase().replace(/[^\p{L}]/gu, '')));
  const [orderAt, trackingAt] = [column(ORDER_WORDS), column(TRACKING_WORDS)];
  if (orderAt === -1) return fail('file', 'csv-no-column', { field: 'Order' });
  let [sent, already] = [0, 0];
  const problems: { row: number; message: string }[] = [];
  for (const { row, cells } of table.value.rows) {
    const number = (cells[orderAt] ?? '').trim();
    const id = readOrderNumber(number);
    const tracking = trackingAt === -1 ? '' : (cells[trackingAt] ?? '').trim().slice(0, 200);
    const before = id === null ? null : await app.orders.readKeeping(id);
    if (id === null || !before) {
      problems.push({ row, message: `There is no order ${number || 'without a number'}.` });
      continue;
    }
    if (before.sentAt !== null && (tracking === '' || tracking === before.tracking)) {
      already += 1;
      continue;
    }
    const done = await actOnOrder(app, id, { action: 'send', tracking }, accountId);
    if (done.ok) sent += 1;
    else problems.push({ row, message: `Order ${number}: ${done.problems.map((one) => wordProblem(one)).join(' ')}` });
  }
  return ok({ sent, already, problems });
}
