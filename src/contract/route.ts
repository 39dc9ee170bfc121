import type { z } from 'zod';
import type { Role } from '~/core/people';

type Fields = z.ZodObject;

/** What a route takes and what it answers. Whatever is not named here is not sent, and not answered. */
export interface Route {
  /** What it is for, in one sentence. */
  readonly says: string;
  /** Whose account is needed, at least. */
  readonly role: Role | 'anybody';
  /** The parts of the address in brackets. */
  readonly params?: Fields;
  /** What stands behind the question mark; empty values count as not given. */
  readonly query?: Fields;
  /** As JSON. */
  readonly body?: z.ZodType;
  /** As a form with a file in `file`; what is under `options` is JSON. */
  readonly form?: Fields;
  /** So large a file may be. Without `form` the body is the file and nothing else. */
  readonly mostBytes?: number;
  /** As JSON. */
  readonly answer?: z.ZodType;
  /** As lines of JSON: `{"done": 0.4}` now and then, `{"answer": …}` at the end. */
  readonly lines?: z.ZodType;
  /** A file of one of these types. */
  readonly file?: readonly string[];
  /** Stands beside the problems of a refusal that answers 409. */
  readonly conflict?: Fields;
  /** Who may keep the answer, and how long: `cache-control`. */
  readonly cache?: string;
  /** What else of a request a kept answer hangs on: `vary`. */
  readonly vary?: string;
}

/** Routes by method and address, as the folders of `src/pages` spell it. */
export function routes<
  const Table extends Readonly<Record<`${'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE'} /api/${string}`, Route>>,
>(table: Table): Table {
  return table;
}
